import { z } from "zod";
import { faceMap } from "#core/photo/face-map";
import { mapped, toCorners } from "#core/photo/homography";
import { readIntoZones } from "#core/photo/into-zones";
import { KnownLength, LOOKS, PHOTO_MARKS, PhotoFace, type PhotoPoint, PiecePhoto } from "#core/plan/photo-marks";
import { findZone, type Plan } from "#core/plan/plan";
import { type Faults, sentence } from "../fields";
import { type FilledForm, type FormEdit, refuse } from "./form-edit";

/** Marks are kept to a thousandth of a per cent of the photo. */
const FINE = 1e5;
const fine = (part: number) => Math.round(part * FINE) / FINE;
const percent = (part: number) => Math.round(part * FINE) / (FINE / 100);

/** Points as a form has them: "12.5,40 30,41 …", in per cent from the left and from the top of the photo. */
export const sayMarks = (points: readonly PhotoPoint[]): string =>
  points.map(([x, y]) => `${percent(x)},${percent(y)}`).join(" ");

const readMarks = (text: string): PhotoPoint[] =>
  text
    .trim()
    .split(/\s+/)
    .map((pair) => {
      const [x, y] = pair.split(",").map((part) => (part === "" ? Number.NaN : Number(part) / 100));
      return [fine(x ?? Number.NaN), fine(y ?? Number.NaN)];
    });

const PhotoFields = z.object({
  photoId: PiecePhoto.shape.id,
  width: z.coerce.number().int().min(1).max(20_000),
  height: z.coerce.number().int().min(1).max(20_000),
});

/** The marks of the photo that a form is about; a photo without any yet has none. */
function photoIn({ plan, fields }: FilledForm): PiecePhoto | null {
  const known = plan.photos?.find(({ id }) => id === fields.photoId);
  if (known) return known;
  const read = PhotoFields.safeParse(fields);
  if (!read.success) return null;
  const { photoId, width, height } = read.data;
  return { id: photoId, width, height, faces: [], known: [] };
}

const NO_PHOTO = "This photo is no longer there. Add it again.";

const setPhoto = (label: string, photo: PiecePhoto, face?: string): FormEdit => ({
  ok: true,
  ...(face ? { face } : {}),
  label,
  commands: [{ do: "set photo", photoId: photo.id, photo }],
});

/** A new face begins as a frame in the middle of the photo. */
const MIDDLE: readonly PhotoPoint[] = [
  [0.35, 0.35],
  [0.65, 0.35],
  [0.35, 0.65],
  [0.65, 0.65],
];

/** The outer corners of a face, from the upper left and round as a clock goes. */
export const cornersOf = ({ points, across, down }: Pick<PhotoFace, "points" | "across" | "down">): PhotoPoint[] => [
  points[0]!,
  points[across]!,
  points[(across + 1) * (down + 1) - 1]!,
  points[(across + 1) * down]!,
];

/** The points of a face of so many cells: as they are where that is what it has, otherwise laid between its corners. */
function gridFor(face: Pick<PhotoFace, "points" | "across" | "down">, across: number, down: number): PhotoPoint[] {
  if (face.across === across && face.down === down) return face.points;
  const [a, b, c, d] = cornersOf(face);
  const map = toCorners([a!, b!, c!, d!]);
  const points: PhotoPoint[] = [];
  for (let row = 0; row <= down; row++)
    for (let column = 0; column <= across; column++) {
      const [x, y] = mapped(map, [column / across, row / down]);
      points.push([fine(x), fine(y)]);
    }
  // corners in a line have nothing between them
  return points.every(([x, y]) => Number.isFinite(x) && Number.isFinite(y)) ? points : [...MIDDLE];
}

/** An opening a good way in from the corners of its frame. */
function openingIn(face: Pick<PhotoFace, "points" | "across" | "down">): PhotoPoint[] {
  const [a, b, c, d] = cornersOf(face);
  const map = toCorners([a!, b!, c!, d!]);
  return (
    [
      [0.15, 0.15],
      [0.85, 0.15],
      [0.85, 0.85],
      [0.15, 0.85],
    ] as const
  ).map((place) => {
    const [x, y] = mapped(map, place);
    return [fine(x), fine(y)];
  });
}

const Cells = z.coerce
  .number("Write a whole number of cells.")
  .int("Write a whole number of cells.")
  .min(1, "At least one cell.")
  .max(PHOTO_MARKS.across, `${PHOTO_MARKS.across} cells at most.`);

const AS_IT_IS = "as it is";

/** Adds a face to a photo, or changes one: what it shows, which way it looks, where its corners are. */
function markFace(filled: FilledForm): FormEdit {
  const { plan, fields, newId } = filled;
  const photo = photoIn(filled);
  if (!photo) return refuse(NO_PHOTO);
  const before = photo.faces.find(({ id }) => id === fields.faceId);
  if (fields.faceId && !before) return refuse("This face is no longer on the photo.");
  const faults: Faults = {};
  const shows = fields.shows ?? before?.zoneId ?? (before?.asItIs ? AS_IT_IS : "");
  const zone = findZone(plan, shows);
  if (!zone && shows !== "" && shows !== AS_IT_IS) faults.shows = "This zone is no longer in the plan.";
  const cells = {
    across: Cells.safeParse(fields.across ?? before?.across ?? 1),
    down: Cells.safeParse(fields.down ?? before?.down ?? 1),
  };
  for (const key of ["across", "down"] as const)
    if (!cells[key].success) faults[key] = cells[key].error.issues[0]!.message;
  const looks = LOOKS.find((look) => look === (fields.looks ?? before?.looks ?? "front"));
  if (!looks) faults.looks = "Choose which way it looks.";
  const own = { points: before?.points ?? [...MIDDLE], across: before?.across ?? 1, down: before?.down ?? 1 };
  const [across, down] = [cells.across.data ?? 1, cells.down.data ?? 1];
  const changed = across !== own.across || down !== own.down;
  const points = fields.points !== undefined && !changed ? readMarks(fields.points) : gridFor(own, across, down);
  const hasOpening = fields.hasOpening === undefined ? before?.opening !== undefined : fields.hasOpening === "yes";
  const typed = (fields.name ?? before?.name ?? "").trim();
  // a face is called after its zone until it is given a name of its own
  const name = typed === "" ? (zone?.name ?? (shows === AS_IT_IS ? "Left as it is" : "New zone")) : typed;
  const opening = hasOpening
    ? {
        opening: fields.opening
          ? readMarks(fields.opening)
          : (before?.opening ?? openingIn({ ...own, points, across, down })),
      }
    : {};
  const face = PhotoFace.safeParse({
    id: before?.id ?? newId(),
    ...(zone ? { zoneId: zone.id } : {}),
    ...(shows === AS_IT_IS ? { asItIs: true } : {}),
    name,
    looks: looks ?? "front",
    across,
    down,
    points,
    ...opening,
  });
  if (!face.success) {
    const [issue] = face.error.issues;
    const field = ["points", "opening", "name"].find((text) => text === issue!.path[0]) ?? "points";
    faults[field] =
      issue!.code === "invalid_type"
        ? "Write each corner as from the left, from the top: 12.5,40 30,41"
        : sentence(issue!.message);
  }
  if (Object.keys(faults).length > 0 || !face.success) return { ok: false, faults };
  const faces = before
    ? photo.faces.map((other) => (other === before ? face.data : other))
    : [...photo.faces, face.data];
  if (faces.length > PHOTO_MARKS.faces) return refuse(`${PHOTO_MARKS.faces} faces at most can be marked on a photo.`);
  const label = before ? `Mark ${name} on the photo` : `Add ${name} to the photo`;
  return setPhoto(label, { ...photo, faces }, face.data.id);
}

function forgetFace(filled: FilledForm): FormEdit {
  const photo = photoIn(filled);
  const face = photo?.faces.find(({ id }) => id === filled.fields.faceId);
  if (!photo || !face) return refuse("This face is no longer on the photo.");
  return setPhoto(`Remove ${face.name} from the photo`, {
    ...photo,
    faces: photo.faces.filter((other) => other !== face),
    known: photo.known.filter(({ faceId }) => faceId !== face.id),
  });
}

/** Where a length lies until its ends are dragged: along the lower edge of its face. */
const lowerEdge = (face: PhotoFace): Pick<KnownLength, "from" | "to"> => {
  const [, , right, left] = cornersOf(face);
  return { from: left!, to: right! };
};

/** Marks a length that was measured with a tape, or changes one. */
function markLength(filled: FilledForm): FormEdit {
  const { fields } = filled;
  const photo = photoIn(filled);
  if (!photo) return refuse(NO_PHOTO);
  const at = fields.length === undefined || fields.length === "" ? photo.known.length : Number(fields.length);
  const before = photo.known[at];
  if (!Number.isInteger(at) || at < 0 || at > photo.known.length)
    return refuse("This length is no longer on the photo.");
  const face = photo.faces.find(({ id }) => id === (fields.faceId ?? before?.faceId));
  if (!face) return refuse("Choose the face that the length lies on.", "faceId");
  const text = (fields.millimetres ?? "").trim();
  const millimetres = text === "" ? (before?.millimetres ?? Number.NaN) : Number(text);
  const moved = before && before.faceId === face.id ? before : lowerEdge(face);
  const [from, to] = fields.ends ? readMarks(fields.ends) : [moved.from, moved.to];
  const read = KnownLength.safeParse({ faceId: face.id, from, to, millimetres });
  if (!read.success) {
    const [issue] = read.error.issues;
    const field = issue!.path[0] === "millimetres" ? "millimetres" : "ends";
    return refuse(
      field === "millimetres"
        ? Number.isFinite(millimetres)
          ? sentence(issue!.message)
          : "Measure it with a tape, in millimetres."
        : "Write both ends as from the left, from the top: 12.5,40 30,41",
      field,
    );
  }
  const known = [...photo.known.slice(0, at), read.data, ...photo.known.slice(at + 1)];
  if (known.length > PHOTO_MARKS.lengths) return refuse(`${PHOTO_MARKS.lengths} lengths at most can be marked.`);
  return setPhoto(before ? `Change a length on ${face.name}` : `Mark a length on ${face.name}`, { ...photo, known });
}

function forgetLength(filled: FilledForm): FormEdit {
  const photo = photoIn(filled);
  const at = Number(filled.fields.length);
  if (!photo?.known[at]) return refuse("This length is no longer on the photo.");
  return setPhoto("Remove a length from the photo", {
    ...photo,
    known: photo.known.filter((_, index) => index !== at),
  });
}

function setLighter(filled: FilledForm): FormEdit {
  const photo = photoIn(filled);
  if (!photo) return refuse(NO_PHOTO);
  const read = PiecePhoto.shape.lighter.safeParse(Number(filled.fields.lighter));
  if (!read.success) return refuse("Choose from one stop darker to one stop lighter.", "lighter");
  return setPhoto("Set how light the photo is", { ...photo, lighter: read.data });
}

/** Why there are no measures to take: what is missing, and what to do. */
function whyNone({ photos = [] }: Plan): string {
  if (photos.every(({ faces }) => faces.length === 0)) return "Mark the corners of a face first.";
  if (photos.some((photo) => photo.faces.some((face) => "fault" in faceMap(photo, face))))
    return "Put the corners in order first; the list of faces says which.";
  return photos.every(({ known }) => known.length === 0)
    ? "Mark a length first: nothing says how large the piece is."
    : "The zones have these measures already.";
}

function readMeasures({ plan, newId }: FilledForm): FormEdit {
  const commands = readIntoZones(plan, newId);
  return commands.length === 0 ? refuse(whyNone(plan)) : { ok: true, label: "Use these sizes of the photo", commands };
}

export const PHOTO_FORMS = {
  "mark face": markFace,
  "forget face": forgetFace,
  "mark length": markLength,
  "forget length": forgetLength,
  "set lighter": setLighter,
  "read measures": readMeasures,
};
