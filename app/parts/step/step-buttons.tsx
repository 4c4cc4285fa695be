import { ArrowDown, ArrowUp, Scissors, Trash2 } from "lucide-react";
import type { Crust, Step } from "#core/plan/plan";
import { EditForm } from "~/forms/edit-form-parts";

/** Moving the selected step, and removing it. */
export function StepButtons({ crust, step }: { crust: Crust; step: Step }) {
  const at = crust.steps.indexOf(step);
  const about = { crustId: crust.id, stepId: step.id };
  return (
    <div className="flex flex-wrap gap-2">
      <EditForm does="move step" about={{ ...about, to: "up" }}>
        <button className="button" disabled={at === crust.steps.length - 1}>
          <ArrowUp size={15} strokeWidth={1.5} aria-hidden="true" /> Up
        </button>
      </EditForm>
      <EditForm does="move step" about={{ ...about, to: "down" }}>
        <button className="button" disabled={at === 0}>
          <ArrowDown size={15} strokeWidth={1.5} aria-hidden="true" /> Down
        </button>
      </EditForm>
      <EditForm does="remove step" about={about}>
        <button className="button">
          <Trash2 size={15} strokeWidth={1.5} aria-hidden="true" /> Remove
        </button>
      </EditForm>
      {at > 0 && step.branch === undefined && (
        <EditForm does="split crust" about={about}>
          <button className="button" title="Keeps the layers under this step as a separate crust, to use elsewhere">
            <Scissors size={15} strokeWidth={1.5} aria-hidden="true" /> Split
          </button>
        </EditForm>
      )}
    </div>
  );
}
