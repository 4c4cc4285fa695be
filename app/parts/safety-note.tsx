import { HardHat } from "lucide-react";
import type { Caution } from "#core/safety/safety";
import { useJobIfAny } from "~/editor/job-editor";
import { EditForm } from "~/forms/edit-form-parts";

/**
 * The cautions of a step, where the hazard arises: before the step is begun. Lead and heat must be read and accepted.
 */
export function SafetyNote({
  cautions,
  where,
  brief = false,
}: {
  cautions: readonly Caution[];
  where?: string;
  /** only the headings, to be opened */
  brief?: boolean;
}) {
  const job = useJobIfAny();
  if (cautions.length === 0) return null;
  const taken = (danger: string) => job?.plan.acknowledged.includes(danger) ?? false;
  const unread = job ? cautions.filter(({ danger, mustBeRead }) => mustBeRead && !taken(danger)) : [];
  return (
    <section
      aria-label={`Safety${where ? `: ${where}` : ""}`}
      className={`border border-l-4 border-line bg-board px-3 py-2 ${unread.length > 0 ? "border-l-ochre" : "border-l-slate"}`}
    >
      <h3 className="flex items-center gap-1.5 text-[0.9375rem]">
        <HardHat size={15} strokeWidth={1.5} aria-hidden="true" /> Before you begin{where ? `: ${where}` : ""}
      </h3>
      <div className="mt-1 flex flex-col text-note">
        {cautions.map(({ danger, title, says, mustBeRead }) => (
          <details key={danger} open={brief ? mustBeRead && !taken(danger) : true}>
            <summary className="min-h-6 font-semibold">{title}</summary>
            <p>{says}</p>
          </details>
        ))}
      </div>
      {unread.map(({ danger, title }) => (
        <EditForm key={danger} does="acknowledge" about={{ danger }} className="mt-2" label={`${title}, read`}>
          <button className="button button-main w-full">{title}: I have read this and will follow it</button>
        </EditForm>
      ))}
      <p className="mt-1.5 text-note text-soft">Local law and the maker's label come before all of this.</p>
    </section>
  );
}
