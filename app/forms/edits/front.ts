import {
  DRAWN_AS,
  type DrawnAs,
  FrontPlace,
  shapeDrawn,
  WAYS,
  withFrontMeasure,
  withFrontPlace,
} from "#core/plan/front";
import { groundOf } from "#core/plan/ground";
import { findZone, type Zone } from "#core/plan/plan";
import { Shape } from "#core/quantity/shape";
import { type Faults, type FormFields, sentence } from "../fields";
import { RELIEFS } from "../zone-form";
import { type FilledForm, type FormEdit, refuse } from "./form-edit";

/** A size typed on a dimension line of the drawing. */
function measureZone({ plan, fields }: FilledForm): FormEdit {
  const zone = findZone(plan, fields.zoneId ?? "");
  if (!zone) return refuse("This zone is no longer in the plan.");
  const way = WAYS.find((way) => way === fields.way);
  if (!way) return refuse("Measure it across or up.");
  const text = (fields.millimetres ?? "").trim().replace(",", ".");
  const millimetres = Number(text);
  if (text === "" || !(millimetres > 0)) return refuse("Measure it, in millimetres.", "millimetres");
  const measured = withFrontMeasure(zone, way, millimetres);
  const shape = Shape.safeParse(measured.shape);
  if (!shape.success) return refuse(sentence(shape.error.issues[0]!.message), "millimetres");
  const place = measured.place ? FrontPlace.safeParse(measured.place) : null;
  if (place && !place.success) return refuse(sentence(place.error.issues[0]!.message), "millimetres");
  return {
    ok: true,
    label: `Measure ${zone.name} ${way}`,
    commands: [
      { do: "patch zone", zoneId: zone.id, patch: { shape: shape.data, ...(place ? { place: place.data } : {}) } },
    ],
  };
}

export const FRONT_FIELDS = [
  ["left", "From the left, mm", "x"],
  ["floor", "From the floor, mm", "y"],
  ["width", "Width, mm", "width"],
  ["height", "Height, mm", "height"],
] as const satisfies readonly (readonly [string, string, keyof FrontPlace])[];

/** Where the form puts a zone on the front. */
function placeIn(fields: FormFields, usual: DrawnAs): { place: FrontPlace } | { faults: Faults } {
  const faults: Faults = {};
  const millimetres = FRONT_FIELDS.map(([name, , key]) => {
    const text = (fields[name] ?? "").trim().replace(",", ".");
    if (text === "" || !Number.isFinite(Number(text))) faults[name] = "Write it in millimetres.";
    return [key, Number(text)];
  });
  if (Object.keys(faults).length > 0) return { faults };
  const drawn = DRAWN_AS.find((one) => one === fields.drawn) ?? usual;
  const read = FrontPlace.safeParse({ ...Object.fromEntries(millimetres), drawn });
  if (read.success) return { place: read.data };
  for (const { path, message } of read.error.issues) {
    const [name] = FRONT_FIELDS.find(([, , key]) => key === path[0]) ?? [""];
    faults[name] ??= sentence(message);
  }
  return { faults };
}

function reliefDrawn(drawn: DrawnAs): Pick<Zone, "relief" | "carving"> {
  const { relief, carving } = RELIEFS[drawn === "moulded" || drawn === "carved" ? drawn : "plain"]!;
  return { relief, carving };
}

/** A name that no zone of the plan has yet. */
function newName(taken: ReadonlySet<string>): string {
  let count = taken.size + 1;
  while (taken.has(`Part ${count}`)) count++;
  return `Part ${count}`;
}

/** A new zone drawn on the front: its size is what was drawn, its ground that of the piece's first zone. */
function drawZone({ plan, fields, newId }: FilledForm): FormEdit {
  const piece = plan.pieces.find((piece) => piece.id === fields.pieceId) ?? plan.pieces[0];
  if (!piece) return refuse("There is no piece to add the zone to.");
  const read = placeIn(fields, "panel");
  if ("faults" in read) return { ok: false, faults: read.faults };
  const { place } = read;
  const shape = Shape.safeParse(shapeDrawn(place));
  if (!shape.success) return refuse(sentence(shape.error.issues[0]!.message));
  const like = piece.zones[0];
  const taken = new Set(plan.pieces.flatMap(({ zones }) => zones.map(({ name }) => name)));
  const name = newName(taken);
  const crust = { id: newId(), name: `${name} finish`, steps: [] };
  const zone: Zone = {
    id: newId(),
    name,
    shape: shape.data,
    ...reliefDrawn(place.drawn),
    faces: 1,
    orientation: "upright",
    use: like?.use ?? { wear: "gentle", heat: false, water: "dry", outdoors: false, near: "nothing" },
    ground: like?.ground ?? groundOf("raw timber", "pine"),
    crustId: crust.id,
    overrides: [],
    hands: [],
    movingParts: false,
    place,
  };
  return {
    ok: true,
    label: `Draw ${name}`,
    commands: [
      { do: "insert crust", at: plan.crusts.length, crust },
      { do: "insert zone", pieceId: piece.id, at: piece.zones.length, zone },
    ],
    zone: zone.id,
    isDrawn: true,
  };
}

/** A zone put at another place on the front; its sizes follow where they are seen there. */
function placeZone({ plan, fields }: FilledForm): FormEdit {
  const zone = findZone(plan, fields.zoneId ?? "");
  if (!zone) return refuse("This zone is no longer in the plan.");
  const read = placeIn(fields, zone.place?.drawn ?? "panel");
  if ("faults" in read) return { ok: false, faults: read.faults };
  const { place, shape } = withFrontPlace(zone, read.place);
  const sized = Shape.safeParse(shape);
  if (!sized.success) return refuse(sentence(sized.error.issues[0]!.message));
  return {
    ok: true,
    label: `Place ${zone.name}`,
    commands: [{ do: "patch zone", zoneId: zone.id, patch: { shape: sized.data, place } }],
    zone: zone.id,
    isDrawn: true,
  };
}

export const FRONT_FORMS: Record<string, (filled: FilledForm) => FormEdit> = {
  "measure zone": measureZone,
  "draw zone": drawZone,
  "place zone": placeZone,
};
