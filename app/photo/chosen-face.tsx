import { PHOTO_MARKS, type PhotoFace, type PiecePhoto } from "#core/plan/photo-marks";
import { zonesOf } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field, TextField } from "~/forms/edit-form-parts";
import { sayMarks } from "~/forms/edits/photo";
import { photoFields, ShowsOptions } from "./add-face";
import { LOOKS_WORDS } from "./face-words";

/** Cells that a face can have along one way. */
const CELLS = Array.from({ length: PHOTO_MARKS.across }, (_, index) => index + 1);

export function ChosenFace({ marks, face }: { marks: PiecePhoto; face: PhotoFace }) {
  const { plan } = useJob();
  const about = { ...photoFields(marks), faceId: face.id };
  return (
    <section aria-label={`Face: ${face.name}`} className="border-b border-line bg-board px-3 pt-2 pb-3">
      <EditForm
        key={face.id}
        does="mark face"
        about={about}
        label={`Change ${face.name}`}
        className="grid grid-cols-6 gap-2"
        autosave
      >
        {({ faults, values }) => (
          <>
            <div className="col-span-3">
              <TextField name="name" label="Name" value={values?.name ?? face.name} fault={faults.name} />
            </div>
            <div className="col-span-3">
              <Field name="shows" label="Shows" fault={faults.shows}>
                {(field) => (
                  <select
                    {...field}
                    key={face.zoneId ?? String(face.asItIs)}
                    defaultValue={face.asItIs ? "as it is" : (face.zoneId ?? "")}
                  >
                    <ShowsOptions zones={zonesOf(plan)} />
                  </select>
                )}
              </Field>
            </div>
            <div className="col-span-3">
              <Field name="looks" label="Looks" fault={faults.looks}>
                {(field) => (
                  <select {...field} key={face.looks} defaultValue={face.looks}>
                    {Object.entries(LOOKS_WORDS).map(([value, word]) => (
                      <option key={value} value={value}>
                        {word}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
            </div>
            <div className="col-span-3">
              <Field name="hasOpening" label="Opening">
                {(field) => (
                  <select {...field} key={String(Boolean(face.opening))} defaultValue={face.opening ? "yes" : "no"}>
                    <option value="no">none</option>
                    <option value="yes">a frame's</option>
                  </select>
                )}
              </Field>
            </div>
            {(["across", "down"] as const).map((way) => (
              <div key={way} className="col-span-3">
                <Field
                  name={way}
                  label={way === "across" ? "Bowed from left to right" : "Bowed from top to bottom"}
                  fault={faults[way]}
                >
                  {(field) => (
                    <select
                      {...field}
                      key={face[way]}
                      defaultValue={String(face[way])}
                      title="Parts of a bowed edge: each adds a point between the corners"
                    >
                      {CELLS.map((cells) => (
                        <option key={cells} value={cells}>
                          {cells === 1 ? "no, flat" : `in ${cells} parts`}
                        </option>
                      ))}
                    </select>
                  )}
                </Field>
              </div>
            ))}
            <noscript className="col-span-6">
              <button className="button">Save the face</button>
            </noscript>
          </>
        )}
      </EditForm>
      <Lengths marks={marks} face={face} />
      <div className="mt-2 flex items-start gap-3">
        <details className="min-w-0 flex-1">
          <summary className="py-1 text-note font-semibold text-verdigris">Corners by figures</summary>
          <EditForm does="mark face" about={about} label="Corners by figures" className="flex items-end gap-2 pt-1">
            {({ faults, values }) => (
              <>
                <div className="min-w-0 flex-1">
                  <Field name="points" label="Per cent from the left, from the top" fault={faults.points}>
                    {(field) => (
                      <input
                        {...field}
                        key={sayMarks(face.points)}
                        defaultValue={values?.points ?? sayMarks(face.points)}
                        title="Row by row from the upper left"
                      />
                    )}
                  </Field>
                </div>
                <button className="button">Set</button>
              </>
            )}
          </EditForm>
        </details>
        <EditForm does="forget face" about={about}>
          <button className="link py-1 text-note text-soft">Remove this face</button>
        </EditForm>
      </div>
    </section>
  );
}

function Lengths({ marks, face }: { marks: PiecePhoto; face: PhotoFace }) {
  const lengths = marks.known
    .map((length, index) => ({ ...length, at: index }))
    .filter(({ faceId }) => faceId === face.id);
  return (
    <div className="mt-2">
      {lengths.map(({ at, millimetres }, order) => (
        <div key={at} className="flex items-end gap-2">
          <EditForm
            does="mark length"
            about={{ ...photoFields(marks), length: String(at) }}
            label={`Length ${order + 1} on ${face.name}`}
            autosave
            className="w-40"
          >
            {({ faults, values }) => (
              <TextField
                key={millimetres}
                name="millimetres"
                label="Length by tape, mm"
                keys="decimal"
                value={values?.millimetres ?? String(millimetres)}
                fault={faults.millimetres}
              />
            )}
          </EditForm>
          <span className="flex-1 pb-1.5 text-note text-soft">between the two diamonds: drag them</span>
          <EditForm does="forget length" about={{ ...photoFields(marks), length: String(at) }}>
            <button className="link pb-1.5 text-note text-soft" aria-label={`Remove length ${order + 1}`}>
              Remove
            </button>
          </EditForm>
        </div>
      ))}
      <EditForm
        key={`${face.id} ${lengths.length}`}
        does="mark length"
        about={{ ...photoFields(marks), faceId: face.id }}
        label={`Add a length on ${face.name}`}
        className="mt-1 flex items-end gap-2"
      >
        {({ faults, values }) => (
          <>
            <div className="w-40">
              <TextField
                name="millimetres"
                label={lengths.length > 0 ? "Another length, mm" : "A length by tape, mm"}
                keys="decimal"
                value={values?.millimetres ?? ""}
                fault={faults.millimetres}
              />
            </div>
            <button className="button">Mark it</button>
          </>
        )}
      </EditForm>
    </div>
  );
}
