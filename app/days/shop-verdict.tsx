import { Link } from "react-router";
import { MOST_LOOKS, USUAL_LOOKS } from "#core/schedule/looks";
import { sayDate } from "#core/units/when";
import type { ShopJob } from "~/days/shop-lanes";
import { PlanPress } from "~/plan-of-work/plan-notice";
import type { Standing } from "~/plan-of-work/standing";
import type { AskPlan } from "~/plan-of-work/use-standing";
import { countOf } from "~/words/amount";
import { lateOf } from "./shop-lists";

/** What there is to say of the plan of work first: what is late, what clashes, and why. */
export function Verdict({ jobs, standing, ask }: { jobs: readonly ShopJob[]; standing: Standing; ask: AskPlan }) {
  const promised = jobs.filter(({ isKept }) => isKept);
  const late = promised.filter(({ due, job }) => due !== null && lateOf(due, job) > 0);
  const clashes = promised.flatMap((shopJob) => shopJob.job.clashes.map((clash) => ({ one: shopJob, clash })));
  const { kept } = standing;
  return (
    <section aria-label="Shop schedule" className="mb-5">
      {kept && <p className="kicker text-soft">schedule of {sayPlanned(kept.at)}</p>}
      <h2 className="text-view">
        {late.length > 0
          ? `${countOf(late.length, "job")} will be late`
          : clashes.length > 0
            ? "A clash to settle"
            : "All jobs in time"}
      </h2>
      {late.length + clashes.length > 0 && (
        <ul className="mt-1 flex flex-col gap-2">
          {late.map((shopJob) => (
            <li key={shopJob.id}>
              <Link to={`/jobs/${shopJob.id}/days`} className="hover:underline">
                <b className="font-semibold">{shopJob.title}</b> leaves {sayDate(shopJob.job.dates!.leaves)}, promised
                for {sayDate(shopJob.due!)}.
              </Link>
              {shopJob.job.clashes.slice(0, 1).map(({ says }) => (
                <span key={says} className="block text-note text-soft">
                  {says}
                </span>
              ))}
            </li>
          ))}
          {clashes
            .filter(({ one }) => !late.includes(one))
            .slice(0, 3)
            .map(({ one, clash }) => (
              <li key={`${clash.planId} ${clash.says}`}>
                <Link to={`/jobs/${one.id}/days`} className="hover:underline">
                  <b className="font-semibold">{one.title}:</b> {clash.says}
                </Link>
              </li>
            ))}
        </ul>
      )}
      {kept && !standing.stale && !standing.planning && (
        <div className="mt-2 flex flex-wrap gap-2">
          <PlanPress
            does={{ do: "plan", looks: Math.min(MOST_LOOKS, Math.max(USUAL_LOOKS, kept.looks) * 4) }}
            ask={ask}
          >
            Search longer
          </PlanPress>
          {kept.hasBefore && (
            <PlanPress does={{ do: "go back", id: kept.id }} ask={ask}>
              Back to the previous one
            </PlanPress>
          )}
        </div>
      )}
    </section>
  );
}

/** A moment of the wall clock here, said as a date; the same on the server and the page where both keep the same time. */
function sayPlanned(at: number): string {
  return sayDate(Math.floor(at / 60_000));
}
