import { Link } from "react-router";
import { newZonesOn, zoneReadings } from "#core/photo/into-zones";
import { type FaceSize, type Measured, measurePhoto } from "#core/photo/measure";
import { PHOTO_MARKS, type PhotoFace, type PiecePhoto } from "#core/plan/photo-marks";
import { type Zone, zonesOf } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field, TextField } from "~/forms/edit-form-parts";
import { sayMarks } from "~/forms/edits/photo";
import { SHAPE_SIZES } from "~/forms/zone-form";
import { sayArea } from "~/words/amount";

const LOOKS_WORDS: Record<PhotoFace["looks"], string> = { front: "forwards", side: "to a side", top: "up" };

/** Cells that a face can have along one way. */
const CELLS = Array.from({ length: PHOTO_MARKS.across }, (_, at) => at + 1);

/** A size with how far off it may be, where that is more than a shaving. */
const sayMillimetres = (value: number, doubt: number) =>
  doubt >= 1.5 ? `${Math.round(value)} ± ${Math.round(doubt)}` : `${Math.round(value)}`;

const saySize = ({ width, height, doubt }: FaceSize) =>
  `${sayMillimetres(width, doubt.width)} × ${sayMillimetres(height, doubt.height)} mm`;

/** What a size goes by, in words. */
const BY_WORDS: Record<FaceSize["by"], string> = {
  length: "by the length on it",
  "shared corner": "by a corner it shares",
  "same plane": "by the face it lies in",
};

interface FaceLineProps {
  marks: PiecePhoto;
  face: PhotoFace;
  measured: Measured;
  chosen: boolean;
  to: string;
}

function FaceLine({ marks, face, measured, chosen, to }: FaceLineProps) {
  const size = measured.sizes.find(({ faceId }) => faceId === face.id);
  const faults = measured.faults.filter(({ faceId }) => faceId === face.id);
  return (
    <li>
      <Link
        to={to}
        replace
        preventScrollReset
        aria-current={chosen ? "true" : undefined}
        className={`block border-b border-l-[3px] border-b-hair py-1.5 pr-2 pl-3 ${chosen ? "border-l-verdigris bg-board" : "border-l-transparent hover:bg-board/60"}`}
      >
        <span className="flex items-baseline gap-2">
          <b className="min-w-0 flex-1 truncate font-semibold">{face.name}</b>
          <span className="shrink-0 text-note">
            {face.asItIs ? "left as it is" : size ? saySize(size) : "no size yet"}
          </span>
        </span>
        {size && !face.asItIs && (
          <span className="block text-note text-soft">
            looks {LOOKS_WORDS[face.looks]}, {BY_WORDS[size.by]}
          </span>
        )}
      </Link>
      {faults.map(({ says }) => (
        <p key={says} role="alert" className="border-l-4 border-l-ochre bg-board px-3 py-1.5 text-note text-ochre">
          {says.replace(`${face.name}: `, "")}
        </p>
      ))}
      {chosen && <ChosenFace marks={marks} face={face} />}
    </li>
  );
}

/** What a face can show: a zone, one that is made of it, or what is not painted. */
function ShowsOptions({ zones }: { zones: readonly Zone[] }) {
  return (
    <>
      {zones.map((zone) => (
        <option key={zone.id} value={zone.id}>
          {zone.name}
        </option>
      ))}
      <option value="">a new zone</option>
      <option value="as it is">left as it is: a handle, a glass</option>
    </>
  );
}

const photoFields = ({ id, width, height }: PiecePhoto) => ({
  photoId: id,
  width: String(width),
  height: String(height),
});

function AddFace({ marks, onAdded }: { marks: PiecePhoto; onAdded: () => void }) {
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

function ChosenFace({ marks, face }: { marks: PiecePhoto; face: PhotoFace }) {
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
                      title="A bowed face has more points than its corners: so many parts"
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
  const lengths = marks.known.map((length, at) => ({ ...length, at })).filter(({ faceId }) => faceId === face.id);
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

const sayShape = (shape: Zone["shape"]) =>
  `${SHAPE_SIZES[shape.kind].sizes.map(({ key }) => (shape as Record<string, unknown>)[key]).join(" × ")} mm${shape.count > 1 ? `, ${shape.count} of them` : ""}`;

/** What the zones measure now and by the photos, and the press that takes the measures over. */
function TakeMeasures() {
  const { plan } = useJob();
  const readings = zoneReadings(plan);
  const fresh = newZonesOn(plan);
  const changed = readings.filter((reading) => reading.changed);
  if (readings.length === 0 && fresh.length === 0) return null;
  return (
    <section aria-label="Measures by the photo" className="border-t border-line px-3 pt-3">
      <h2 className="text-lg">Measures by the photo</h2>
      <table className="mt-1 w-full text-note">
        <thead>
          <tr className="text-left text-soft">
            <th scope="col" className="py-1 font-normal">
              zone
            </th>
            <th scope="col" className="py-1 font-normal">
              now
            </th>
            <th scope="col" className="py-1 font-normal">
              by the photo
            </th>
          </tr>
        </thead>
        <tbody>
          {readings.map(({ zone, shape, changed: other }) => (
            <tr key={zone.id} className="border-t border-hair align-top">
              <th scope="row" className="py-1 pr-2 text-left font-semibold">
                {zone.name}
              </th>
              <td className="py-1 pr-2">{sayShape(zone.shape)}</td>
              <td className="py-1">{other ? sayShape(shape) : "the same"}</td>
            </tr>
          ))}
          {fresh.map(({ face, size }) => (
            <tr key={face.id} className="border-t border-hair align-top">
              <th scope="row" className="py-1 pr-2 text-left font-semibold">
                {face.name}
              </th>
              <td className="py-1 pr-2 text-soft">no zone yet</td>
              <td className="py-1">
                {Math.round(size.width)} × {Math.round(size.height)} mm, {sayArea(size.area)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {(changed.length > 0 || fresh.length > 0) && (
        <EditForm does="read measures" label="Take the measures" className="mt-2">
          <button className="button button-main">Take the measures into the zones</button>
        </EditForm>
      )}
    </section>
  );
}

interface Props {
  marks: PiecePhoto;
  chosen: PhotoFace | undefined;
  linkTo: (faceId: string) => string;
  pointing: boolean;
  onPointing: (on: boolean) => void;
  trouble: string | null;
}

/** The faces that are marked on a photo, what they measure, and what is wrong with them. */
export function FacesPanel({ marks, chosen, linkTo, pointing, onPointing, trouble }: Props) {
  const measured = measurePhoto(marks);
  return (
    <>
      <div className="px-3 pt-3 pb-3">
        <h2 className="mb-1 text-lg">Faces</h2>
        <AddFace marks={marks} onAdded={() => onPointing(true)} />
        {chosen && (
          <button
            type="button"
            className="button mt-2 w-full"
            aria-pressed={pointing}
            onClick={() => onPointing(!pointing)}
          >
            {pointing
              ? `Now press on the four corners of ${chosen.name} in the photo`
              : `Point at the four corners of ${chosen.name}`}
          </button>
        )}
        {trouble && (
          <p role="alert" className="mt-2 border-l-4 border-l-ochre bg-board px-3 py-2 text-ochre">
            {trouble}
          </p>
        )}
      </div>
      {marks.faces.length === 0 ? (
        <p className="px-3 pb-3 text-soft">
          None yet. Add the front, press on its four corners, then give a length that you measured with a tape.
        </p>
      ) : (
        <ul className="border-t border-line">
          {marks.faces.map((face) => (
            <FaceLine
              key={face.id}
              face={face}
              measured={measured}
              marks={marks}
              chosen={face.id === chosen?.id}
              to={linkTo(face.id)}
            />
          ))}
        </ul>
      )}
      <TakeMeasures />
    </>
  );
}
