import type { KnownLength, PhotoFace, PhotoPoint, PiecePhoto } from "../plan/photo-marks.ts";
import type { Millimetres } from "../units/units.ts";
import { centred, type FaceMap, faceMap, placeOn } from "./face-map.ts";
import { areaRound, type Corners, toCorners, type XY } from "./homography.ts";
import { FOCAL, lens } from "./lens.ts";
import { bothWays, byCorner, byPlane, planeOf, type Scale, scaleBy, type Taped } from "./scale.ts";
import { alongside, before, isFlat, type Spread, spread, spreadPlace, sum } from "./spread.ts";

// What a photo says of the size of a piece. A rectangle in perspective gives two vanishing points; that they belong to directions
// at right angles gives the focal length and the proportions of the face (Z. Zhang and L. He, "Whiteboard scanning and image
// enhancement", 2003, section 3.2; with square pixels and the lens over the middle of the photo). One length by tape gives the size.

/** How large a face is by a photo. */
export interface FaceSize {
  faceId: string;
  /** along the face: on a bowed front the length of the bow */
  width: Millimetres;
  height: Millimetres;
  /** square metres, without the opening of a frame */
  area: number;
  /** width of a frame's members, from its opening */
  member?: Millimetres;
  /** how far off each may be where corners were marked a pixel or so wide of the mark */
  doubt: { width: Millimetres; height: Millimetres };
  /** what its size goes by */
  by: Scale["by"];
  /** widths of its columns and heights of its rows */
  columns: readonly Millimetres[];
  rows: readonly Millimetres[];
}

/** What is wrong with a face or a length, and what to do about it. */
export interface PhotoFault {
  faceId: string | null;
  says: string;
}

export interface Measured {
  sizes: readonly FaceSize[];
  faults: readonly PhotoFault[];
  /** focal length with the photo's longer side as 1 */
  focal: number;
}

const square = (value: number) => value * value;

interface Found {
  sizes: FaceSize[];
  faults: PhotoFault[];
  q: number;
}

const tapedOn = (own: Spread, known: readonly KnownLength[], place: (mark: PhotoPoint) => XY): Taped[] =>
  known.flatMap(({ faceId, from, to, millimetres }) => {
    if (faceId !== own.map.face.id) return [];
    const [start, end] = [spreadPlace(own, place(from)), spreadPlace(own, place(to))];
    if (!start || !end) return [];
    const [dx, dy] = [end[0] - start[0], end[1] - start[1]];
    return dx === 0 && dy === 0 ? [] : [{ dx, dy, millimetres }];
  });

function found(photo: PiecePhoto, usual: number): Found {
  const faults: PhotoFault[] = [];
  const maps: FaceMap[] = [];
  for (const face of photo.faces) {
    const map = faceMap(photo, face);
    if ("fault" in map) faults.push({ faceId: face.id, says: `${face.name}: ${map.fault}` });
    else maps.push(map);
  }
  const place = (mark: PhotoPoint) => centred(photo, mark);
  for (const { faceId, from, to } of photo.known) {
    const map = maps.find(({ face }) => face.id === faceId);
    if (map && (!placeOn(map, place(from)) || !placeOn(map, place(to))))
      faults.push({
        faceId,
        says: `${map.face.name}: an end of its measured length lies beside the face. Drag it onto the face.`,
      });
  }
  // the first look at proportions says which faces have lengths both ways; with these the lens is found again
  const spreadBy = (q: number) => alongside(maps.map((map) => spread(map, q)));
  const first = spreadBy(lens(maps, new Map(), usual));
  const ratios = new Map<string, number>();
  for (const own of first) {
    const both = isFlat(own.map) ? bothWays(tapedOn(own, photo.known, place)) : null;
    if (both) ratios.set(own.map.face.id, (both.across * own.columns[0]!) / (both.down * own.rows[0]!));
  }
  const q = lens(maps, ratios, usual);
  const spreads = spreadBy(q);
  const scales = new Map<string, Scale>();
  for (const own of spreads) {
    const taped = tapedOn(own, photo.known, place);
    if (taped.length > 0) scales.set(own.map.face.id, scaleBy(taped));
  }
  const bySize = [...spreads].sort((a, b) => b.map.area - a.map.area);
  for (let more = true; more; ) {
    more = false;
    const known = bySize.flatMap((face) => {
      const scale = scales.get(face.map.face.id);
      return scale ? [{ face, scale }] : [];
    });
    for (const own of bySize) {
      if (scales.has(own.map.face.id)) continue;
      const plane = planeOf(own, known);
      const scale = (plane && byPlane(own, plane)) ?? byCorner(own, known, q) ?? null;
      if (!scale) continue;
      scales.set(own.map.face.id, scale);
      more = true;
    }
  }
  const sizes: FaceSize[] = [];
  for (const own of spreads) {
    const scale = scales.get(own.map.face.id);
    if (scale) sizes.push(sized(photo, own, scale));
    else
      faults.push({
        faceId: own.map.face.id,
        says: `${own.map.face.name}: nothing says how large it is. Mark a length on it, or put one of its corners on a corner of a face that is measured.`,
      });
  }
  return { sizes, faults, q };
}

const SQUARE_METRE = 1e6;

function sized(photo: PiecePhoto, own: Spread, scale: Scale): FaceSize {
  const columns = own.columns.map((value) => value * scale.across);
  const rows = own.rows.map((value) => value * scale.down);
  const [width, height] = [sum(columns), sum(rows)];
  const { opening } = own.map.face;
  const size = {
    faceId: own.map.face.id,
    width,
    height,
    area: (width * height) / SQUARE_METRE,
    doubt: { width: 0, height: 0 },
    by: scale.by,
    columns,
    rows,
  };
  if (!opening) return size;
  const corners = opening.map((mark) => spreadPlace({ ...own, columns, rows }, centred(photo, mark))!);
  const hole = areaRound(corners);
  // a frame as wide all round as the opening leaves: of the two answers the one within the frame
  const half = (width + height) / 4;
  const member = half - Math.sqrt(Math.max(0, half * half - (width * height - hole) / 4));
  return { ...size, area: (width * height - hole) / SQUARE_METRE, member };
}

/** How wide of the mark a corner is set by hand, with the photo's longer side as 1: a pixel and a half of 1,600. */
const SHAKE = 1.5 / 1600;

/** The photo with one of its marks moved a little; each in turn. */
function* shaken(photo: PiecePhoto): Generator<PiecePhoto> {
  const longest = Math.max(photo.width, photo.height);
  const step = [(SHAKE * longest) / photo.width, (SHAKE * longest) / photo.height] as const;
  const moved = ([x, y]: PhotoPoint, way: 0 | 1): PhotoPoint => (way === 0 ? [x + step[0], y] : [x, y + step[1]]);
  for (const way of [0, 1] as const) {
    for (const [index, face] of photo.faces.entries())
      for (let at = 0; at < face.points.length; at++) {
        const points = face.points.map((point, here) => (here === at ? moved(point, way) : point));
        yield { ...photo, faces: photo.faces.map((other, here) => (here === index ? { ...face, points } : other)) };
      }
    for (const [index, length] of photo.known.entries())
      for (const end of ["from", "to"] as const)
        yield {
          ...photo,
          known: photo.known.map((other, here) =>
            here === index ? { ...length, [end]: moved(length[end], way) } : other,
          ),
        };
  }
}

/** How far off the usual focal length a camera's may be. */
const LENS_SHAKE = 1.35;

/**
 * The size of every marked face, in millimetres, with how far off it may be; and what is wrong with the others. Faces need a
 * length of their own, a corner in common with a measured one, or a measured one that looks the same way and lies in the same
 * plane. Lens distortion is not undone: the edges of a wide-angle photo are off by more than the doubt says.
 */
export function measurePhoto(photo: PiecePhoto): Measured {
  const known = measuredBefore.get(photo);
  if (known) return known;
  const measured = measureAnew(photo);
  measuredBefore.set(photo, measured);
  return measured;
}

/** Marks never change in place: what was measured by them holds as long as they are there. */
const measuredBefore = new WeakMap<PiecePhoto, Measured>();

function measureAnew(photo: PiecePhoto): Measured {
  const { sizes, faults, q } = found(photo, FOCAL.usual);
  const off = new Map(sizes.map(({ faceId }) => [faceId, { width: 0, height: 0 }]));
  const add = (others: readonly FaceSize[]) => {
    for (const size of sizes) {
      const other = others.find(({ faceId }) => faceId === size.faceId);
      const doubt = off.get(size.faceId)!;
      if (!other) continue;
      doubt.width += square(other.width - size.width);
      doubt.height += square(other.height - size.height);
    }
  };
  for (const shaking of shaken(photo)) add(found(shaking, FOCAL.usual).sizes);
  add(found(photo, FOCAL.usual * LENS_SHAKE).sizes);
  return {
    sizes: sizes.map((size) => {
      const { width, height } = off.get(size.faceId)!;
      return { ...size, doubt: { width: Math.sqrt(width), height: Math.sqrt(height) } };
    }),
    faults,
    focal: 1 / Math.sqrt(q),
  };
}

/** The map from a face's own millimetres, from its upper left, into the photo with its longer side as 1: cell by cell. */
export function millimetreMaps({ cells }: FaceMap, { columns, rows }: FaceSize) {
  return cells.flatMap((row, down) =>
    row.map(({ corners }, right) => ({
      corners,
      left: before(columns, right),
      top: before(rows, down),
      width: columns[right]!,
      height: rows[down]!,
      map: toCorners(corners as Corners),
    })),
  );
}

/** A face whose size is known, and how it lies in the photo. */
export interface FaceOn {
  face: PhotoFace;
  size: FaceSize;
  cells: ReturnType<typeof millimetreMaps>;
}
