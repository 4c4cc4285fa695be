import { Link } from "react-router";
import { signOf } from "#core/drying/signs";
import { sayMix } from "#core/plan/mix";
import { materialName } from "#core/plan/plan";
import { markOf } from "#core/schedule/mark";
import { workOf } from "#core/schedule/plan-of-work";
import { shortDuration } from "#core/units/duration";
import { midnightBefore, sayWallTime } from "#core/units/wall-time";
import { sayClock, sayDate, sayLongDate } from "#core/units/when";
import { getJob } from "#db/plans";
import { withPhases } from "~/days/lanes";
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

/** Rows that fit on one sheet in one column; more go into two. */
const ONE_COLUMN = 26;

/** The days as a list to hang on the wall: one printed page. */
export default function Wall({ loaderData: { id, title, leaves, edited, days } }: Route.ComponentProps) {
  const rows = days.reduce((sum, day) => sum + day.rows.length + 2, 0);
  return (
    <main className="mx-auto max-w-[900px] bg-board p-8 print:max-w-none print:bg-white print:p-0">
      <p className="mb-4 flex gap-4 print:hidden">
        <Link to={`/jobs/${id}/days`} className="link">
          Back to Days
        </Link>
        <button type="button" className="button button-main" onClick={() => window.print()}>
          Print
        </button>
      </p>
      <h1 className="mb-3 text-view print:text-lg">{title}</h1>
      {leaves !== null && (
        <p className="mb-3 print:mb-2" data-leaves={sayWallTime(leaves)}>
          Leaves <b className="font-semibold">{sayDate(leaves)}</b>
          {edited && <span className="text-soft"> · scheduled before the last edits</span>}
        </p>
      )}
      {days.length === 0 && <p className="text-soft">There is no work to list yet.</p>}
      <div
        className={`gap-8 ${rows > ONE_COLUMN ? "columns-2" : ""} ${rows > 2 * ONE_COLUMN ? "text-note print:text-[9px] print:leading-tight" : "print:text-[11px]"}`}
      >
        {days.map((day) => (
          <section key={day.says} className="mb-4">
            <h2 className="break-after-avoid border-b-2 border-ink text-lg print:text-[1.15em]">{day.says}</h2>
            <ol>
              {day.rows.map((row) => (
                <li
                  key={`${row.at} ${row.name} ${row.where}`}
                  className="flex break-inside-avoid gap-3 border-b border-hair py-1"
                >
                  <span className="w-11 shrink-0 font-semibold tabular-nums">{row.at}</span>
                  <span className="min-w-0 flex-1">
                    <b className="font-semibold">{row.name}</b>, {row.where.toLowerCase()}
                    <span className="block text-[0.88em] text-soft">{row.note}</span>
                  </span>
                  <span className="size-4 shrink-0 border border-ink" aria-hidden="true" />
                </li>
              ))}
            </ol>
          </section>
        ))}
      </div>
    </main>
  );
}
