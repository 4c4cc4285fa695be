import { useJobEditor } from "~/editor/job-editor";
import { EditForm, Field } from "~/forms/edit-form-parts";

/** The air of the room: rules about cold, damp, dew and draught are judged by it. */
export function RoomForm() {
  const { plan } = useJobEditor();
  const { room } = plan.pinned;
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
            <Field key={name} name={name} label={label} fault={faults[name]}>
              {(field) => <input {...field} type="text" inputMode="decimal" defaultValue={values?.[name] ?? value} />}
            </Field>
          ))}
          <label className="flex items-center gap-2 self-end pb-1.5">
            <input type="checkbox" name="draught" defaultChecked={room.draught} className="size-4 accent-verdigris" />a
            draught, or a fan
          </label>
          <noscript className="col-span-2">
            <button className="press">Save the air</button>
          </noscript>
        </>
      )}
    </EditForm>
  );
}
