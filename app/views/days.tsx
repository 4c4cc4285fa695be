import { useMemo, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { fittedIn, type JobPlan, visitsOf, workOf } from "#core/schedule/plan-of-work";
import type { Booking } from "#core/schedule/schedule";
import { hoursOf } from "#core/schedule/work";
import { sayDifference } from "#core/units/duration";
import { readWallTime, sayWallTime } from "#core/units/wall-time";
import { sayMoment } from "#core/units/when";
import { BookingPanel } from "~/days/booking-panel";
import { Calendar, Toggle, useDays, useParamLink } from "~/days/calendar";
import { Clashes } from "~/days/clashes";
import { DayList } from "~/days/day-list";
import { lanesOf, withPhases } from "~/days/lanes";
import { Dating, NoDays, WhenItLeaves } from "~/days/no-days";
import { useIdeas } from "~/days/use-ideas";
import { IdeaList, MOST_BESIDE, WhatIfBoard } from "~/days/what-if-panel";
import { useJobEditor } from "~/editor/job-editor";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { panes } from "~/parts/panes";
import { SidePane } from "~/parts/side-pane";
import { Term } from "~/parts/term";

export default function DaysView() {
  const { planned, rough } = useJobEditor();
  if (!planned) return <Dating />;
  return planned.bookings.length + (rough?.bookings.length ?? 0) === 0 ? <NoDays /> : <Days planned={planned} />;
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
