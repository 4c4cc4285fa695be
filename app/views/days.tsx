import { useMemo, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { stateOf } from "#core/plan/plan";
import type { Dates } from "#core/schedule/dates";
import { fittedIn, type JobPlan, visitsOf, workOf } from "#core/schedule/plan-of-work";
import type { Booking } from "#core/schedule/schedule";
import { hoursOf } from "#core/schedule/work";
import { sayDifference } from "#core/units/duration";
import { readWallTime, sayWallTime } from "#core/units/wall-time";
import { sayDate, sayMoment } from "#core/units/when";
import { BookingPanel } from "~/days/booking-panel";
import { Calendar, Toggle, useDays, useParamLink } from "~/days/calendar";
import { DayList } from "~/days/day-list";
import { lanesOf, withPhases } from "~/days/lanes";
import { StateForm } from "~/days/state-form";
import { useIdeas } from "~/days/use-ideas";
import { IdeaList, MOST_BESIDE, WaysOut, WhatIfBoard } from "~/days/what-if-panel";
import { SeamMark } from "~/drawing/severity";
import { useJob, useJobEditor } from "~/editor/job-editor";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { panes } from "~/parts/panes";
import { SidePane } from "~/parts/side-pane";
import { Term } from "~/parts/term";
import { PlanPress } from "~/plan-of-work/plan-notice";
import { countOf } from "~/words/amount";

function Clashes({ made, ...known }: ReturnType<typeof useIdeas> & { made: JobPlan; onUsed: () => void }) {
  const { plan } = useJob();
  if (made.clashes.length === 0) return null;
  return (
    <section className="mb-4 border border-l-4 border-line border-l-ochre bg-board px-4 py-3" aria-label="Clashes">
      <p className="kicker flex items-center gap-2 text-[0.9375rem] text-ochre">
        <SeamMark severity="stop" width={28} /> clashes
      </p>
      <ul className="mt-1 mb-2 flex flex-col gap-2">
        {made.clashes.map((clash) => (
          <li key={`${clash.zoneId}/${clash.stepId}/${clash.says}`}>
            <Link
              to={`/jobs/${plan.id}/crust?zone=${clash.zoneId}&step=${clash.stepId}`}
              className="font-medium hover:underline"
            >
              {clash.says}
            </Link>
            {clash.claims.length > 1 && (
              <details className="mt-1 text-note text-soft">
                <summary className="cursor-pointer">These cannot all be met; remove any one and the rest fit</summary>
                <ul className="mt-1 list-disc pl-4">
                  {clash.claims.map((claim) => (
                    <li key={claim}>{claim}</li>
                  ))}
                </ul>
              </details>
            )}
          </li>
        ))}
      </ul>
      <p className="mb-1 text-note font-semibold">What would help</p>
      <WaysOut {...known} />
    </section>
  );
}

function NoDays() {
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
function Dating() {
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

export default function DaysView() {
  const { planned, rough } = useJobEditor();
  if (!planned) return <Dating />;
  return planned.bookings.length + (rough?.bookings.length ?? 0) === 0 ? <NoDays /> : <Days planned={planned} />;
}

/** When it leaves, and what can be done about that: an idea can be tried in the plan of work, and promised. */
function WhenItLeaves({ isKept, dates, visits }: { isKept: boolean; dates: Dates | null; visits: number }) {
  const { plan, plans, askPlan } = useJobEditor();
  const start = readWallTime(plan.start)!;
  const due = plan.due ? readWallTime(plan.due) : null;
  const { tried } = plans.standing;
  const own = tried?.idea === plan.id ? tried : null;
  return (
    <section className="mb-4" aria-label="When it leaves">
      {dates && (
        <p data-leaves={sayWallTime(dates.leaves)}>
          {isKept ? "Leaves" : "Could leave"} <b className="font-semibold">{sayDate(dates.leaves, start)}</b>
          {due !== null && (
            <span className={dates.leaves > due ? "font-semibold text-ochre" : "text-soft"}>
              {" "}
              · {dates.leaves > due ? `too late for ${sayDate(due)}` : `in time for ${sayDate(due)}`}
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

function Days({ planned }: { planned: JobPlan }) {
  const { plan, judgement, isKept, rough, dates, plans, send } = useJobEditor();
  const [params] = useSearchParams();
  // the dates stand as they are planned; the drawing can show what an edit makes of them
  const withEdit = rough !== null && (params.get("as") === "edited" || planned.bookings.length === 0);
  const made = withEdit ? rough : planned;
  const navigate = useNavigate();
  const link = useParamLink();
  const [dragged, setDragged] = useState<{ booking: Booking; starts: number } | null>(null);
  // while a piece of work is dragged over another time, everything else gives way as it would
  const shown = useMemo(() => {
    if (!dragged) return made;
    const { zoneId, phaseId } = dragged.booking;
    const pins = plan.pins.filter((pin) => pin.zoneId !== zoneId || pin.phaseId !== phaseId);
    const held = { ...plan, pins: [...pins, { zoneId, phaseId, starts: sayWallTime(dragged.starts) }] };
    return fittedIn(workOf(held, plans.shop), plans.around);
  }, [dragged, made, plan, plans]);
  const { bookings } = shown;
  const start = readWallTime(plan.start)!;
  const finishOf = (job: JobPlan) => job.dates?.finish ?? start;
  const days = useDays(made.bookings, start);
  const kind = params.get("lanes") === "piece" ? "piece" : "zone";
  const chain = params.get("chain") === "yes";
  const asking = params.get("otherwise") === "yes";
  const work = useMemo(() => workOf(plan, plans.shop), [plan, plans.shop]);
  const works = useMemo(() => [work], [work]);
  const items = useMemo(() => withPhases(works, bookings), [works, bookings]);
  const lanes = useMemo(() => lanesOf(works, items, kind), [works, items, kind]);
  const besideParam = asking ? (params.get("beside") ?? "") : "";
  const beside = useMemo(() => besideParam.split(",").filter(Boolean).slice(0, MOST_BESIDE), [besideParam]);
  const ideas = useIdeas(plan, plans, asking || made.clashes.length > 0, beside.join(","));
  const chosen = params.get("work");
  const selected = items.find(({ booking }) => booking.id === chosen);
  const climate = judgement.zones[0]?.climate;
  const go = (to: string) => navigate(to, { replace: true, preventScrollReset: true });
  const showEdit = () => go(link({ as: "edited" }));
  useKey(KEYS.days.keys.chain, () => go(link({ chain: chain ? null : "yes" })));
  useKey(KEYS.days.keys.whatIf, () => go(link({ otherwise: asking ? null : "yes" })));
  const drop = (booking: Booking, starts: number) => {
    setDragged(null);
    const at = Math.max(starts, start);
    showEdit();
    send(`Set ${booking.name} for ${sayMoment(at)}`, [
      { do: "set time", zoneId: booking.zoneId, phaseId: booking.phaseId, starts: sayWallTime(at) },
    ]);
  };
  const bar = (
    <>
      <span className="flex gap-1 self-center">
        <Toggle on={kind === "zone"} to={link({ lanes: null })}>
          By zone
        </Toggle>
        <Toggle on={kind === "piece"} to={link({ lanes: "piece" })}>
          By piece
        </Toggle>
        {rough && (
          <>
            <Toggle on={!withEdit} to={link({ as: null })}>
              As scheduled
            </Toggle>
            <Toggle on={withEdit} to={link({ as: "edited" })}>
              With your edit
            </Toggle>
          </>
        )}
        <Link
          to="/days"
          className="flex min-h-[26px] items-center rounded-std border border-line bg-board px-2 text-note font-medium whitespace-nowrap hover:border-ink"
        >
          Whole shop
        </Link>
      </span>
      <Toggle on={chain} to={link({ chain: chain ? null : "yes" })}>
        What sets the finish
      </Toggle>
      <span className="flex-1" />
    </>
  );
  const foot = dragged ? (
    <span className="font-semibold text-ink" role="status">
      {dragged.booking.name}, {sayMoment(dragged.starts)}:{" "}
      {shown.clashes.length > made.clashes.length
        ? (shown.clashes.at(-1)?.says ?? "clashes")
        : `done ${sayMoment(finishOf(shown))}, ${sayDifference(finishOf(shown) - finishOf(made))}`}
    </span>
  ) : (
    <>
      Solid: work; drag it, or use Shift with ← →, to set its time. Wedge: drying; the next step may start at its point.
      Brackets: the <Term of="Gate">gates</Term> of a <Term of="Window">window</Term>, heavy if under an hour. Shaded:
      closed.
    </>
  );
  return (
    <div className="panes" style={panes("minmax(0, 1fr) 300px")}>
      <div className="flex min-h-0 flex-col [&>:last-child]:min-h-0 [&>:last-child]:flex-1">
        {asking && <WhatIfBoard {...ideas} beside={beside} onUsed={showEdit} />}
        <Calendar
          hours={hoursOf(work)}
          days={days}
          lanes={lanes}
          startOf={() => start}
          air={climate ? { climate, zero: start } : null}
          day={days.day}
          chosen={chosen}
          chain={chain}
          linkTo={(booking) =>
            link({ work: booking.id === chosen ? null : booking.id, day: Math.floor(booking.starts / 1440) })
          }
          onDrag={(booking, starts) =>
            setDragged(starts === null ? null : { booking, starts: Math.max(starts, start) })
          }
          onDrop={drop}
          bar={bar}
          foot={foot}
        />
      </div>
      <SidePane
        label="The day"
        button={selected ? selected.booking.name : "The day"}
        wake={`${selected?.booking.id ?? ""} ${asking ? "what if" : ""}`.trim()}
        className="p-4"
      >
        <WhenItLeaves isKept={isKept} dates={dates} visits={visitsOf(planned)} />
        {rough && withEdit && (
          <p className="mb-3 border-l-4 border-l-verdigris bg-board px-3 py-2 text-note">
            The calendar shows roughly where your edit would put the work if all other jobs stay where they are.
          </p>
        )}
        <Clashes {...ideas} made={made} onUsed={showEdit} />
        {selected && <BookingPanel item={selected} items={items} onSet={showEdit} />}
        {days.day !== null && (
          <DayList day={days.day} items={items} linkTo={({ booking }) => link({ work: booking.id })} />
        )}
        <p className="mt-3 flex flex-wrap gap-2">
          <Link className="button" to={`/jobs/${plan.id}/wall`}>
            Sheet for the wall
          </Link>
          <a className="button" href={`/jobs/${plan.id}/days.ics`} download>
            Calendar file
          </a>
        </p>
        <section className="mt-5" aria-label="What if">
          <h2 className="text-lg">
            <Link
              to={link({ otherwise: asking ? null : "yes" })}
              replace
              preventScrollReset
              aria-expanded={asking}
              className="hover:underline"
            >
              What if … {asking ? "−" : "+"}
            </Link>
          </h2>
          {asking ? (
            <IdeaList
              {...ideas}
              onUsed={showEdit}
              beside={beside}
              linkTo={(ids) => link({ beside: ids.length === 0 ? null : ids.join(",") })}
            />
          ) : (
            <p className="text-note text-soft">
              Longer hours, another painter, a warmer room, another product or school: what each would change.
            </p>
          )}
        </section>
      </SidePane>
    </div>
  );
}
