import { Link, useSearchParams } from "react-router";
import { signOf } from "#core/drying/signs";
import { fittedTo } from "#core/plan/plan";
import type { Booking } from "#core/schedule/schedule";
import { readWallTime, sayWallTime } from "#core/units/wall-time";
import { sayClocks, sayDate, sayDayClock } from "#core/units/when";
import { endsOfPhases, gatesHere, type LaneBooking, takesATime } from "~/drawing/lane";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field } from "~/forms/edit-form-parts";
import { WhenInput } from "~/forms/when-input";

/**
 * The selected work: when it is, how late it could be, what it waits for with the sign to look for, and the form to
 * set its time.
 */
export function BookingPanel({
  item,
  items,
  onSet,
}: {
  item: LaneBooking;
  items: readonly LaneBooking[];
  /** its time was set or cleared, or it was marked as done */
  onSet: () => void;
}) {
  const { plan } = useJob();
  const [params] = useSearchParams();
  const { booking, judged, placed } = item;
  const start = readWallTime(plan.start)!;
  const ends = endsOfPhases(items);
  const gates = gatesHere(item, ends, start);
  const below = (phaseId: string) =>
    items.findLast(({ booking: { does } }) =>
      does.some((one) => one.zoneId === booking.zoneId && one.phaseId === phaseId),
    );
  const stepLink = `/jobs/${plan.id}/crust?zone=${booking.zoneId}&step=${booking.stepId}`;
  const closed = new URLSearchParams(params);
  const alsoOn = new Set(booking.does.map(({ zoneId }) => zoneId).filter((id) => id !== booking.zoneId));
  const along = plan.pieces
    .flatMap(({ zones }) => zones.filter((zone) => alsoOn.has(zone.id) && fittedTo(zones, zone)))
    .map(({ name }) => name);
  closed.delete("work");
  return (
    <section
      aria-label={`Selected: ${booking.name}`}
      className="mb-4 border border-l-4 border-line border-l-verdigris bg-board px-4 py-3"
    >
      <p className="flex items-baseline gap-2 text-note text-soft">
        <span className="min-w-0 flex-1 truncate">{judged?.zone.name ?? "the whole piece"}</span>
        <Link to={`?${closed}`} replace preventScrollReset className="link" aria-label="Deselect">
          Deselect
        </Link>
      </p>
      <h2 className="text-lg leading-snug">{booking.name}</h2>
      <p>
        {sayDate(booking.starts)}, <b className="font-semibold">{sayClocks(booking.starts, booking.ends)}</b>
      </p>
      <p className="text-note text-soft">
        {booking.critical
          ? "Sets the finish: begin it later and all ends later."
          : `Can begin as late as ${sayDayClock(booking.latest)} without moving the finish.`}
      </p>
      {booking.does.length > 1 && placed?.phase.go && (
        <p className="mt-1 text-note">
          {booking.section
            ? `Section ${booking.section.at} of ${booking.section.of}, to a natural break: right through before the next is begun.`
            : "One session: no pause between its steps but for what they need."}
        </p>
      )}
      {along.length > 0 && <p className="mt-1 text-note">With it, as they stay fitted: {along.join(", ")}.</p>}
      {gates.length > 0 && (
        <ul className="mt-2 flex flex-col gap-1.5 border-t border-hair pt-2 text-note" aria-label="What it waits for">
          {gates.map(({ opens, shuts, reason, stage, from }) => {
            const lower = below(from);
            return (
              <li key={`${reason} ${from} ${opens}`}>
                <span className="font-semibold">
                  {shuts === null
                    ? `from ${sayDayClock(opens)}`
                    : opens <= (lower?.booking.ends ?? 0)
                      ? `until ${sayDayClock(shuts)}`
                      : `${sayDayClock(opens)} – ${sayDayClock(shuts)}`}
                </span>{" "}
                <span className="text-soft">
                  {reason}, after {lower?.booking.name.toLowerCase() ?? "the step below"}
                </span>
                <span className="block text-soft italic">
                  Look for: {signOf(stage, lower?.placed?.phase.material ?? null)}.
                </span>
              </li>
            );
          })}
        </ul>
      )}
      {placed && !takesATime(booking) && (
        <p className="mt-2 border-t border-hair pt-2 text-note text-soft">
          It follows the section before; set the time of the first to move them.{" "}
          <Link className="link" to={stepLink}>
            Go to the step
          </Link>
        </p>
      )}
      {placed && takesATime(booking) && (
        <EditForm
          key={`${booking.id} ${booking.pinned ? booking.starts : "free"}`}
          does="set time"
          about={{ zoneId: booking.zoneId, phaseId: booking.phaseId }}
          label="Set its time"
          onDone={onSet}
          className="mt-2 border-t border-hair pt-2"
        >
          {({ faults, values }) => (
            <>
              <Field name="starts" label="Begin at" fault={faults.starts}>
                {(field) => (
                  <WhenInput
                    {...field}
                    type="datetime-local"
                    step={60}
                    defaultValue={values?.starts ?? sayWallTime(booking.starts)}
                  />
                )}
              </Field>
              <div className="mt-2 flex flex-wrap gap-2">
                <button className="button" name="way" value="set">
                  Set this time
                </button>
                {booking.pinned && (
                  <button className="button" name="way" value="free">
                    Clear the time
                  </button>
                )}
                <Link className="button" to={stepLink}>
                  Go to the step
                </Link>
              </div>
            </>
          )}
        </EditForm>
      )}
      {placed && <DoneLinks booking={booking} />}
    </section>
  );
}

/** Work is written down at the bench; what was, stands in the ledger. */
function DoneLinks({ booking: { planId, does } }: { booking: Booking }) {
  const { plan } = useJob();
  const isDone = plan.done?.some((done) =>
    does.some(({ zoneId, phaseId }) => done.zoneId === zoneId && done.phaseId === phaseId),
  );
  const first = does[0]!.phaseId;
  const zones = does.filter(({ phaseId }) => phaseId === first).map(({ zoneId }) => zoneId);
  return (
    <p className="mt-2 flex gap-2 border-t border-hair pt-2">
      {isDone ? (
        <Link className="button" to={`/jobs/${planId}/ledger`}>
          In the ledger
        </Link>
      ) : (
        <Link className="button" to={`/bench?task=${encodeURIComponent(`${planId} ${first} ${zones.join(" ")}`)}`}>
          At the bench
        </Link>
      )}
    </p>
  );
}
