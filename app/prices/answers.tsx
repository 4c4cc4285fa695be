import { useActionData, type useLoaderData } from "react-router";
import type { FormFields } from "~/forms/fields";
import type { loader, Result } from "~/routes/prices";

export type Loaded = ReturnType<typeof useLoaderData<typeof loader>>;

export function useAnswer(does: string, field?: [string, string]): Result | null {
  const result = useActionData() as Result | undefined;
  if (!result || result.values.do !== does) return null;
  return field === undefined || result.values[field[0]] === field[1] ? result : null;
}

export const Wrong = ({ answer }: { answer: Result | null }) =>
  answer?.faults[""] ? (
    <p role="alert" className="mb-2 border-l-4 border-l-ochre bg-board px-3 py-2 text-ochre">
      {answer.faults[""]}
    </p>
  ) : null;

export function Hidden({
  does,
  to,
  version,
  more = {},
}: {
  does: string;
  to: string;
  version: number;
  more?: FormFields;
}) {
  return (
    <>
      {Object.entries({ do: does, to, base: String(version), ...more }).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
    </>
  );
}
