import { Link } from "react-router";
import { stateOf } from "#core/plan/plan";
import type { Dates } from "#core/schedule/dates";
import { readWallTime, sayWallTime } from "#core/units/wall-time";
import { sayDate, sayMoment } from "#core/units/when";
import { StateForm } from "~/days/state-form";
import { useJob, useJobEditor } from "~/editor/job-editor";
import { PlanPress } from "~/plan-of-work/plan-notice";
import { countOf } from "~/words/amount";

export function NoDays() {
  const { plan } = useJob();
  return (
    <div className="flex h-full flex-col items-center justify-center gap-3">
      <h1 className="text-view">No dates yet</h1>
      <p className="text-soft">Add the first step to the crust, and its waits and windows show on this calendar.</p>
      <Link to={`/jobs/${plan.id}/crust`} className="button button-main">
        Go to the crust
      </Link>
    </div>
  );
}

/** There is so much work that dating it is left to the worker. */
export function Dating() {
  const { plan } = useJob();
  return (
    <div className="flex h-full flex-col items-center justify-center gap-3">
      <h1 className="text-view">Working out the days …</h1>
      <p className="text-soft" role="status">
        There is a lot of work in this job; the calendar appears here in a few seconds.
      </p>
      <p className="flex gap-3">
        <a href={`/jobs/${plan.id}/wall`} className="button">
          Sheet for the wall
        </a>
        <a href={`/jobs/${plan.id}/days.ics`} download className="button">
          Calendar file
        </a>
      </p>
    </div>
  );
}

/** When it leaves, and what can be done about that: an idea can be tried in the plan of work, and promised. */
export function WhenItLeaves({ isKept, dates, visits }: { isKept: boolean; dates: Dates | null; visits: number }) {
  const { plan, plans, askPlan } = useJobEditor();
  const start = readWallTime(plan.start)!;
  const due = plan.due ? readWallTime(plan.due) : null;
  const { tried } = plans.standing;
  const own = tried?.idea === plan.id ? tried : null;
  return (
    <section className="mb-4" aria-label="When it leaves">
      {dates && (
        <p data-leaves={sayWallTime(dates.leaves)}>
          {isKept ? "Leaves" : "Could leave"}{" "}
          <b className="font-semibold whitespace-nowrap">{sayDate(dates.leaves, start)}</b>
          {due !== null && (
            <span className={dates.leaves > due ? "font-semibold text-ochre" : "text-soft"}>
              {" "}
              ·{" "}
              <span className="whitespace-nowrap">
                {dates.leaves > due ? "too late for" : "in time for"} {sayDate(due)}
              </span>
            </span>
          )}
          <span className="block text-note text-soft">
            Last work {sayMoment(dates.finish, start)}, on {countOf(visits, "day")} · light use from{" "}
            {sayDate(dates.lightUse, start)} · full cure {sayDate(dates.fullUse, start)}
            {sayDate(dates.typically.leaves) !== sayDate(dates.leaves) &&
              ` · by the typical figures of the tins dry to leave on ${sayDate(dates.typically.leaves, start)}`}
          </span>
        </p>
      )}
      <StateForm />
      {stateOf(plan) === "idea" && (
        <div className="mt-2">
          {own ? (
            <>
              <p className="text-note">
                If you took this on{own.leaves === null ? "" : `, it could leave on ${sayDate(own.leaves, start)}`}.{" "}
                {own.changes
                  .filter(({ planId }) => planId !== plan.id)
                  .map(({ says }) => says)
                  .join(" ") || "No other job would move."}
              </p>
              <PlanPress
                does={{ do: "promise", id: own.id }}
                ask={askPlan}
                main
                onDone={() => window.location.reload()}
              >
                Promise it
              </PlanPress>
            </>
          ) : (
            <PlanPress does={{ do: "try", idea: plan.id }} ask={askPlan}>
              {plans.standing.planning ? "Trying it …" : "Try it on the schedule"}
            </PlanPress>
          )}
        </div>
      )}
    </section>
  );
}
