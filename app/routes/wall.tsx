import { signOf } from "#core/drying/signs";
import { sayMix } from "#core/plan/mix";
import { materialName } from "#core/plan/plan";
import { markOf } from "#core/schedule/mark";
import { workOf } from "#core/schedule/plan-of-work";
import { shortDuration } from "#core/units/duration";
import { midnightBefore } from "#core/units/wall-time";
import { sayClock, sayLongDate } from "#core/units/when";
import { getJob } from "#db/plans";
import { withPhases } from "~/days/lanes";
import { afterPaint } from "~/first/after-paint";
import { jobPlanFor } from "~/http/plan-of-work.server";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import { seamSays } from "~/ladder/seam-words";
import type { Route } from "./+types/wall";

/** What the sheet says of one piece of work. */
interface Row {
  at: string;
  name: string;
  where: string;
  note: string;
}

export async function loader({ params }: Route.LoaderArgs) {
  const planId = planIdOf(params);
  const found = await withStore(async (store) => {
    const job = await getJob(store, planId);
    return job && { plan: job.plan, ...(await jobPlanFor(store, job.plan)) };
  });
  if (!found) throw noSuchJob(planId);
  const { plan, job: planned, shop } = found;
  const { bookings, dates } = planned;
  const work = workOf(plan, shop);
  const days = new Map<number, Row[]>();
  for (const { booking, judged, placed } of withPhases([work], bookings)) {
    if (booking.ends <= booking.starts) continue;
    const seam = judged && placed ? seamSays(placed, []) : null;
    const below = placed?.demands[0];
    const lower = below && judged?.phases.find(({ phase }) => phase.id === below.from);
    const look = below && lower ? `look for: ${signOf(below.gates[0]!.stage, lower.phase.material)}` : "";
    const day = midnightBefore(booking.starts);
    const rows = days.get(day) ?? [];
    rows.push({
      at: sayClock(booking.starts),
      name: booking.name,
      where: judged?.zone.name ?? "the whole piece",
      note: [
        shortDuration(booking.ends - booking.starts),
        placed?.phase.step.mix && sayMix(placed.phase.step.mix, materialName(plan)),
        seam?.tight ? seam.text : "",
        look,
      ]
        .filter(Boolean)
        .join(" · "),
    });
    days.set(day, rows);
  }
  return {
    id: plan.id,
    title: plan.title,
    leaves: dates?.leaves ?? null,
    edited: planned.mark !== markOf(plan),
    days: [...days].map(([day, rows]) => ({ says: sayLongDate(day), rows })),
  };
}

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? "Days"}: sheet for the wall` },
];

export default afterPaint(() => import("~/views/wall"));
