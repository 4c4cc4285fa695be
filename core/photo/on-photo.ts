import { Board } from "../board/board.ts";
import { type BoardWork, USUAL_VIEW } from "../board/board-work.ts";
import { type Field, gridOver } from "../board/grid.ts";
import type { Layers } from "../board/layers.ts";
import type { PanelRelief } from "../board/relief.ts";
import type { PiecePhoto } from "../plan/photo-marks.ts";
import type { Zone } from "../plan/plan.ts";
import { centred, type FaceMap, faceMap } from "./face-map.ts";
import { type FaceShape, faceRelief } from "./face-relief.ts";
import { type FaceOn, type FaceSize, type Measured, millimetreMaps } from "./measure.ts";
import { shadesOf, underLight } from "./shade.ts";
import { laidOver, restored, type Spots, spotsOf } from "./spots.ts";
import { spreadPlace } from "./spread.ts";
import { lightOf, type PhotoLight, type Pixels, type Straightened, straightened } from "./straightened.ts";

// The predicted finish on the photo of the piece: every face straightened, its board laid at its true size on what the photo shows
// of its shape, and put back in perspective under the photo's own light.

/** What a zone's faces are worked with. */
export interface ZoneWork {
  zone: Zone;
  work: BoardWork;
}

/** How many phases of each zone are done, by its id. */
export type Counts = Readonly<Record<string, number>>;

/** Pixels that all faces of a photo are drawn on together, at most: finer than the photo they need not be. */
const MOST_PIXELS = 700_000;
/** Finer than this no board is drawn, in millimetres a pixel. */
const FINEST = 0.4;
/** A rough picture has so many fewer pixels each way. */
const ROUGH = 3;

/** What the photo shows of a face, ready to be painted on: it holds as long as photo, marks and zone are what they were. */
interface Ready extends FaceOn {
  /** photo, face, size and zone in words: the same words are the same face */
  key: string;
  straight: Straightened;
  relief: PanelRelief;
  spots: Spots;
}

interface Painted extends Ready {
  zone: Zone;
  /** how light the face is for its ground: 1 in full light */
  shade: Field;
  board: Board;
}

/** The opening of a frame in its own millimetres, as the rectangle that fits it best. */
function openingOf(photo: PiecePhoto, map: FaceMap, { columns, rows }: FaceSize): FaceShape["opening"] {
  if (!map.face.opening) return null;
  const [a, b, c, d] = map.face.opening.map((mark) => spreadPlace({ map, columns, rows }, centred(photo, mark))!);
  return [(a![0] + d![0]) / 2, (a![1] + b![1]) / 2, (b![0] + c![0]) / 2, (c![1] + d![1]) / 2];
}

/** How a photo is made ready. */
export interface Making {
  /** so that something can be seen at once */
  rough?: boolean;
  /** the same photo as it was made ready before an edit: what is the same is taken over, films too */
  before?: PieceOnPhoto | null;
}

/**
 * A photo of a piece with its marks, ready to be painted. Faces without a size or a zone stay as they are. Drawing is done film by
 * film on the boards of its faces; what was drawn is kept, so that a step more, or an edit higher up, is little work.
 */
export class PieceOnPhoto {
  private readonly faces: readonly Painted[];
  private readonly leftAlone: readonly Spots[];
  private readonly light: PhotoLight;

  constructor(
    private readonly photo: Pixels,
    marks: PiecePhoto,
    measured: Measured,
    zones: ReadonlyMap<string, ZoneWork>,
    { rough = false, before = null }: Making = {},
  ) {
    const placed = marks.faces.flatMap((face, index) => {
      const map = faceMap(marks, face);
      const size = measured.sizes.find(({ faceId }) => faceId === face.id);
      return "fault" in map || !size ? [] : [{ face, map, size, index, cells: millimetreMaps(map, size) }];
    });
    const longest = Math.max(photo.width, photo.height);
    const pixelsOf = ({ map }: { map: FaceMap }) => map.area * longest * longest;
    const shown = placed.flatMap((placedFace) => {
      const work = placedFace.face.asItIs ? undefined : zones.get(placedFace.face.zoneId ?? "");
      return work ? [{ ...placedFace, ...work }] : [];
    });
    const all = shown.reduce((sum, placedFace) => sum + pixelsOf(placedFace), 0);
    const fewer = Math.max(1, Math.sqrt(all / MOST_PIXELS)) * (rough ? ROUGH : 1);
    const millimetresOf = (placedFace: (typeof placed)[number]) =>
      Math.max(FINEST, Math.sqrt((placedFace.size.width * placedFace.size.height) / pixelsOf(placedFace)) * fewer);
    const light = before?.photo === photo ? before.light : lightOf(photo);
    this.light = light;
    const ready = shown.map((placedFace) => {
      const { face, map, size, cells, zone, work, index } = placedFace;
      const millimetres = millimetresOf(placedFace);
      const opening = openingOf(marks, map, size);
      const key = JSON.stringify([
        marks.id,
        face.id,
        size.columns,
        size.rows,
        face.points,
        opening,
        millimetres,
        zone.relief,
        zone.shape.kind,
      ]);
      const known = before?.photo === photo ? before.faces.find((other) => other.key === key) : undefined;
      const made = known ?? readyFace({ key, face, size, cells }, photo, light, { millimetres, opening, zone });
      const board = new Board({ ...work, seed: 1 + index }, made.relief);
      if (known) board.takeOver(known.board);
      return { ...made, zone, board };
    });
    const shades = shadesOf(ready);
    // larger faces are behind smaller ones: a carcass behind its drawers
    this.faces = ready
      .map((face, index) => ({ ...face, shade: shades[index]! }))
      .sort((a, b) => b.size.width * b.size.height - a.size.width * a.size.height);
    this.leftAlone = placed
      .filter(({ face }) => face.asItIs)
      .map((face) =>
        spotsOf(photo, face, { grid: gridOver(face.size.width, face.size.height, millimetresOf(face)), inside: null }),
      );
  }

  /** The films on a face after so many phases of its zone, as they lie on its own grid; none where it is not painted. */
  films(faceId: string, count: number): Layers {
    return this.faces.find(({ face }) => face.id === faceId)?.board.after(count).layers ?? [];
  }

  /** Works every face up to its count, one phase at a time, so that whoever asked can give up between them. */
  *work(counts: Counts): Generator<{ done: number; of: number }> {
    const of = this.faces.reduce((sum, { zone }) => sum + (counts[zone.id] ?? 0), 0);
    let done = 0;
    for (const { zone, board } of this.faces)
      for (let count = 1; count <= (counts[zone.id] ?? 0); count++) {
        board.after(count);
        yield { done: ++done, of };
      }
  }

  /** The photo with the finish on it after so many phases of each zone, so many stops lighter than the photo's light has it. */
  picture(counts: Counts, lighter = 0): Uint8ClampedArray<ArrayBuffer> {
    const to = new Uint8ClampedArray(this.photo.data);
    for (const { zone, board, spots, shade, straight } of this.faces) {
      const count = counts[zone.id] ?? 0;
      // what nothing lies on yet is as the photo shows it
      if (board.after(count).layers.length === 0) {
        restored(to, this.photo.data, spots);
        continue;
      }
      const { grid } = board;
      const { skin, height } = board.skin(count, USUAL_VIEW);
      laidOver(to, spots, underLight(skin, height, { shade, straight, grid }, 2 ** lighter), grid);
    }
    for (const spots of this.leftAlone) restored(to, this.photo.data, spots);
    return to;
  }
}

/** A face straightened, its relief found, and its place in the photo. */
function readyFace(
  face: FaceOn & { key: string },
  photo: Pixels,
  light: PhotoLight,
  { millimetres, opening, zone }: { millimetres: number; opening: FaceShape["opening"]; zone: Zone },
): Ready {
  const straight = straightened(light, face, millimetres);
  const relief = faceRelief(face.key, straight, zone, { round: zone.shape.kind === "disc", opening });
  return { ...face, straight, relief, spots: spotsOf(photo, face, relief) };
}
