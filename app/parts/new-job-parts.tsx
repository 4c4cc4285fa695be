import type { ReactNode } from "react";
import { PageHead } from "./brand";

/** The head of the pages a job begins with: where one is among its three steps. */
export function NewJobHead({ at }: { at: "Piece" | "Finish" }) {
  return (
    <PageHead title="New job">
      <ol className="flex gap-5" aria-label="Where you are">
        {(["Piece", "Finish", "Crust"] as const).map((step, index) => (
          <li key={step} className="job-tab" aria-current={step === at ? "page" : undefined}>
            {index + 1} {step}
          </li>
        ))}
      </ol>
    </PageHead>
  );
}

/** What was wrong with a form, above it. */
export function FormTrouble({ faults }: { faults: Readonly<Record<string, string>> }): ReactNode {
  const wrong = Object.keys(faults).length;
  if (wrong === 0) return null;
  return (
    <p role="alert" className="mb-4 border-l-4 border-l-ochre bg-board px-4 py-2.5 font-medium text-ochre">
      {faults[""] ??
        `${wrong === 1 ? "One field needs" : `${wrong} fields need`} another look. Everything you typed is still here.`}
    </p>
  );
}
