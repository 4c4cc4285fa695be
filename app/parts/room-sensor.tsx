import { useEffect } from "react";
import { useFetcher } from "react-router";
import { HOUR } from "#core/units/units";
import { readWallTime } from "#core/units/wall-time";
import { sayDate, sayMoment } from "#core/units/when";
import { useJob } from "~/editor/job-editor";
import { sayAirCsv } from "~/forms/air-csv";
import { EditForm } from "~/forms/edit-form-parts";
import type { loader } from "~/routes/room-sensor";
import { countOf } from "~/words/amount";

const ASK_EVERY_MILLISECONDS = 5 * 60_000;

/** What the logger in the room reads now, and the button that imports its readings as the room's air. */
export function RoomSensor() {
  const { plan } = useJob();
  const { load, data: told, state } = useFetcher<typeof loader>();
  useEffect(() => {
    load("/room-sensor");
    const again = setInterval(() => load("/room-sensor"), ASK_EVERY_MILLISECONDS);
    return () => clearInterval(again);
  }, [load]);
  const { course } = plan.pinned.room;
  const taken = course?.kind === "by the hour" && course.source === "sensor" ? course : null;
  return (
    <section className="mb-3 border-l-[3px] border-l-verdigris bg-board px-3 py-2" aria-label="Room sensor">
      <p className="font-semibold">Room sensor{told?.ok && `, ${told.place.toLowerCase()}`}</p>
      <p className="tabular-nums" aria-live="polite">
        {told?.ok ? (
          <>
            {told.latest.celsius} °C · {told.latest.relativeHumidity} %
            <span className="ml-2 text-note text-soft">{sayMoment(told.latest.at)}</span>
          </>
        ) : (
          state === "loading" && <span className="text-note text-soft">Reading …</span>
        )}
      </p>
      {told?.ok === false && (
        <p role="alert" className="mt-1 text-note text-ochre">
          {told.says} The job keeps the air it has.{" "}
          <button type="button" className="link" onClick={() => load("/room-sensor")}>
            Try again
          </button>
        </p>
      )}
      {told?.ok &&
        told.notes.map((note) => (
          <p key={note} className="mt-1 text-note text-ochre">
            {note}
          </p>
        ))}
      {taken && (
        <p className="mt-1 text-note text-soft">
          The job uses {countOf(Math.round(taken.hours.length / 24), "day")} of its readings, up to{" "}
          {sayDate(readWallTime(taken.from)! + taken.hours.length * HOUR)}; after that the last day repeats.
        </p>
      )}
      {told?.ok !== false && (
        <EditForm does="import sensor" label="Import the air from the room sensor" className="mt-2">
          {told?.ok && <input type="hidden" name="hours" value={sayAirCsv(told)} />}
          <button className="button">{taken ? "Import new readings" : "Import its readings"}</button>
        </EditForm>
      )}
    </section>
  );
}
