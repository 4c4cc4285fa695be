import type { PiecePhoto } from "#core/plan/photo-marks";
import { type Zone, zonesOf } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field } from "~/forms/edit-form-parts";
import { LOOKS_WORDS } from "./face-words";

/** What a face can show: a zone, one that is made of it, or what is not painted. */
export function ShowsOptions({ zones }: { zones: readonly Zone[] }) {
  return (
    <>
      {zones.map((zone) => (
        <option key={zone.id} value={zone.id}>
          {zone.name}
        </option>
      ))}
      <option value="">a new zone</option>
      <option value="as it is">left as it is: a handle, a pane of glass</option>
    </>
  );
}

export const photoFields = ({ id, width, height }: PiecePhoto) => ({
  photoId: id,
  width: String(width),
  height: String(height),
});

export function AddFace({ marks, onAdded }: { marks: PiecePhoto; onAdded: () => void }) {
  const { plan } = useJob();
  const zones = zonesOf(plan);
  const marked = new Set(marks.faces.map(({ zoneId }) => zoneId));
  const next = zones.find(({ id }) => !marked.has(id)) ?? zones[0];
  return (
    <EditForm
      key={marks.faces.length}
      does="mark face"
      about={{ ...photoFields(marks), faceId: "" }}
      label="Add a face"
      className="grid grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)_auto] items-end gap-2"
      onDone={onAdded}
    >
      {({ faults }) => (
        <>
          <Field name="shows" label="Shows" fault={faults.shows}>
            {(field) => (
              <select {...field} defaultValue={next?.id ?? ""}>
                <ShowsOptions zones={zones} />
              </select>
            )}
          </Field>
          <Field name="looks" label="Looks" fault={faults.looks}>
            {(field) => (
              <select {...field} defaultValue={next?.orientation === "flat" ? "top" : "front"}>
                {Object.entries(LOOKS_WORDS).map(([value, word]) => (
                  <option key={value} value={value}>
                    {word}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <button className="button">Add face</button>
        </>
      )}
    </EditForm>
  );
}
