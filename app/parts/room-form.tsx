import { useJob } from "~/editor/job-editor";
import { sayAirCsv } from "~/forms/air-csv";
import { EditForm, Field, TextField } from "~/forms/edit-form-parts";

/** The air of the room, which waits and windows are worked out from: steady, by day and night, or hour by hour. */
export function RoomForm() {
  const { plan } = useJob();
  const { room } = plan.pinned;
  const night = room.course?.kind === "day and night" ? room.course.night : undefined;
  return (
    <EditForm
      key={JSON.stringify(room)}
      does="set room"
      autosave
      label="Air of the room"
      className="grid grid-cols-2 gap-3"
    >
      {({ faults, values }) => (
        <>
          {(
            [
              ["celsius", "Room, °C", room.celsius],
              ["relativeHumidity", "Humidity, %", room.relativeHumidity],
              ["surfaceCelsius", "The piece itself, °C", room.surfaceCelsius ?? ""],
            ] as const
          ).map(([name, label, value]) => (
            <TextField
              key={name}
              name={name}
              label={label}
              fault={faults[name]}
              keys="decimal"
              value={values?.[name] ?? value}
            />
          ))}
          <label className="flex items-center gap-2 self-end pb-1.5">
            <input type="checkbox" name="draught" defaultChecked={room.draught} className="size-4 accent-verdigris" />
            Draught, or a fan
          </label>
          <Field name="course" label="Over the day" fault={faults.course}>
            {(field) => (
              <select {...field} defaultValue={values?.course ?? room.course?.kind ?? "steady"}>
                <option value="steady">steady</option>
                <option value="day and night">day and night</option>
                <option value="by the hour">hour by hour</option>
              </select>
            )}
          </Field>
          <span />
          {(values?.course ?? room.course?.kind) === "day and night" &&
            (
              [
                ["nightCelsius", "At night, °C", night?.celsius],
                ["nightHumidity", "At night, %", night?.relativeHumidity],
              ] as const
            ).map(([name, label, value]) => (
              <TextField
                key={name}
                name={name}
                label={label}
                fault={faults[name]}
                keys="decimal"
                value={values?.[name] ?? value ?? ""}
              />
            ))}
          <div className="col-span-2">
            <Field name="hours" label="Forecast or logger, one line per hour: time, °C, %" fault={faults.hours}>
              {(field) => (
                <textarea
                  {...field}
                  rows={4}
                  placeholder="2026-11-30 09:00, 18.5, 62"
                  defaultValue={values?.hours ?? (room.course?.kind === "by the hour" ? sayAirCsv(room.course) : "")}
                />
              )}
            </Field>
          </div>
          <noscript className="col-span-2">
            <button className="button">Save the air</button>
          </noscript>
        </>
      )}
    </EditForm>
  );
}
