import type { JobPlan } from "#core/schedule/plan-of-work";
import type { WallMinutes } from "#core/units/units";
import { sayDayClock } from "#core/units/when";
import { useJobEditor } from "~/editor/job-editor";

const begins = new WeakMap<JobPlan, Map<string, WallMinutes>>();

/** When each step of each zone is first worked on. */
function beginningsIn(job: JobPlan): Map<string, WallMinutes> {
  const kept = begins.get(job);
  if (kept) return kept;
  const first = new Map<string, WallMinutes>();
  for (const { does, starts } of job.bookings)
    for (const { zoneId, phaseId } of does) {
      const key = `${zoneId}/${phaseId.split("/")[0]}`;
      if (!first.has(key)) first.set(key, starts);
    }
  begins.set(job, first);
  return first;
}

/** When a step begins: by the plan of work, or roughly where an edit has only just brought it in. Only this is drawn again when dates change. */
export function Begins({ zoneId, stepId }: { zoneId: string; stepId: string }) {
  const { planned, rough } = useJobEditor();
  const key = `${zoneId}/${stepId}`;
  const at = planned ? beginningsIn(planned).get(key) : undefined;
  const about = at === undefined && rough ? beginningsIn(rough).get(key) : undefined;
  if (at !== undefined) return <span className="shrink-0 text-note text-soft">{sayDayClock(at)}</span>;
  if (about === undefined) return null;
  return (
    <span className="shrink-0 text-note text-soft italic" title="Not scheduled yet: roughly then">
      about {sayDayClock(about)}
    </span>
  );
}
