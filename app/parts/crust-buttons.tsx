import { Columns2, Copy } from "lucide-react";
import { Link } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { zonesWithCrust } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";
import { EditForm } from "~/forms/edit-form-parts";
import type { Selection } from "./selection";

/** What can be done with a whole crust: copy it, make it the zone's own, use another instead, compare it. */
export function CrustButtons({ judged, selection }: { judged: ZoneJudgement; selection: Selection }) {
  const { plan } = useJob();
  const { crust, zone } = judged;
  const shared = zonesWithCrust(plan, crust.id).length > 1;
  const others = plan.crusts.filter((other) => other.id !== crust.id);
  const unused = others.filter((other) => zonesWithCrust(plan, other.id).length === 0);
  return (
    <section aria-label="The whole crust" className="border-t border-line pt-3">
      <h2 className="mb-1.5 text-lg">The whole crust</h2>
      <div className="flex flex-wrap gap-2">
        <EditForm does="duplicate crust" about={{ crustId: crust.id, zoneId: zone.id }} label="Copy for this zone">
          <button className="button">
            <Copy size={15} strokeWidth={1.5} aria-hidden="true" />{" "}
            {shared ? "Own copy for this zone" : "Copy, keep the original"}
          </button>
        </EditForm>
        {others.length > 0 && (
          <Link to={selection.linkTo({ aside: "compare" })} replace preventScrollReset className="button">
            <Columns2 size={15} strokeWidth={1.5} aria-hidden="true" /> Compare
          </Link>
        )}
      </div>
      {others.length > 0 && (
        <EditForm
          does="use crust"
          about={{ zoneId: zone.id }}
          className="mt-2 flex items-end gap-2"
          label="Use another crust"
        >
          <label className="min-w-0 flex-1">
            <span className="mb-0.5 block text-note text-soft">Use another crust from this job</span>
            <select name="crustId" className="field">
              {others.map((other) => (
                <option key={other.id} value={other.id}>
                  {other.name}
                </option>
              ))}
            </select>
          </label>
          <button className="button">Use it</button>
        </EditForm>
      )}
      {unused.map((other) => (
        <EditForm
          key={other.id}
          does="remove crust"
          about={{ crustId: other.id }}
          className="mt-2 flex items-center gap-2"
          label={`Remove ${other.name}`}
        >
          <span className="min-w-0 flex-1 truncate text-note text-soft">{other.name}, not used</span>
          <button className="link min-h-6 text-note">Remove</button>
        </EditForm>
      ))}
    </section>
  );
}
