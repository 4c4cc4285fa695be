import { Link } from "react-router";
import { findCrust, type Zone, zonesWithCrust } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { EditForm } from "~/forms/edit-form-parts";

/** The crust of a zone: which zones share it, what differs here, and how to use another. */
export function ZoneCrust({ zone }: { zone: Zone }) {
  const { plan } = useJob();
  const crust = findCrust(plan, zone.crustId);
  if (!crust) return null;
  const others = zonesWithCrust(plan, crust.id).filter((one) => one.id !== zone.id);
  return (
    <section aria-label="Crust of this zone" className="mt-5 border-t border-line pt-3">
      <h3 className="text-lg">Its crust</h3>
      <p>
        <Link to={`/jobs/${plan.id}/crust?zone=${zone.id}`} className="link font-semibold">
          {crust.name}
        </Link>
        {others.length > 0 ? `, shared with ${others.map((one) => one.name).join(", ")}.` : ", this zone's own."}
      </p>
      {others.length > 0 && (
        <>
          <EditForm
            key={JSON.stringify(zone.overrides)}
            does="duplicate crust"
            about={{ crustId: crust.id, zoneId: zone.id }}
            className="mt-2"
            label="A crust of its own"
          >
            <button className="button">Give this zone its own copy</button>
          </EditForm>
          <details className="mt-2">
            <summary className="py-1 font-semibold">
              What differs here{zone.overrides.length > 0 ? `: ${zone.overrides.length} skipped` : ""}
            </summary>
            <ul>
              {[...crust.steps].reverse().map((step) => {
                const skipped = zone.overrides.some((override) => override.stepId === step.id && override.skip);
                return (
                  <li key={step.id} className="flex min-h-8 items-center gap-2 border-b border-hair">
                    <span className={`min-w-0 flex-1 truncate ${skipped ? "text-soft line-through" : ""}`}>
                      {stepName(plan, step)}
                    </span>
                    <EditForm
                      does="override step"
                      about={{ crustId: crust.id, stepId: step.id, zoneId: zone.id, skip: skipped ? "no" : "yes" }}
                      label={`${skipped ? "Use" : "Skip"} ${stepName(plan, step)} here`}
                    >
                      <button className="link min-h-6 text-note">{skipped ? "Use again" : "Skip here"}</button>
                    </EditForm>
                  </li>
                );
              })}
            </ul>
          </details>
        </>
      )}
    </section>
  );
}
