import { expose, transfer } from "comlink";
import { measurePhoto } from "#core/photo/measure";
import { PieceOnPhoto } from "#core/photo/on-photo";
import type { Pixels } from "#core/photo/straightened";
import { newestOnly } from "~/first/newest-only";
import type { Answer, Asking } from "./messages";

// Lays the finish on the photo off the page: rough first, then fine. Gives up as soon as something newer is requested.

const begin = newestOnly();
let photo: Pixels | null = null;
/** the photo made ready, rough and fine, with what it was made ready for */
const ready = new Map<boolean, { key: string; piece: PieceOnPhoto }>();

type Tell = (answer: Answer) => void;

/** The photo made ready for these marks and this work; what earlier work has in common with it is taken over. */
function pieceFor({ marks, zones }: Asking, rough: boolean): PieceOnPhoto {
  // how light it is shown changes the picture, and nothing that is worked out for it
  const key = JSON.stringify([marks.faces, marks.known, zones]);
  const known = ready.get(rough);
  if (known?.key === key) return known.piece;
  const byId = new Map(zones.map((zone) => [zone.zone.id, zone]));
  const piece = new PieceOnPhoto(photo!, marks, measurePhoto(marks), byId, { rough, before: known?.piece });
  ready.set(rough, { key, piece });
  return piece;
}

interface Turn {
  tell: Tell;
  stillWanted: () => Promise<boolean>;
}

async function paint(asking: Asking, rough: boolean, { tell, stillWanted }: Turn): Promise<boolean> {
  const { counts } = asking;
  const piece = pieceFor(asking, rough);
  if (!(await stillWanted())) return false;
  for (const { done, of } of piece.work(counts)) {
    if (!rough && done % 3 === 0) tell({ is: "working", part: done / of });
    if (!(await stillWanted())) return false;
  }
  const pixels = piece.picture(counts, asking.marks.lighter).buffer;
  tell(transfer({ is: "painted", finished: !rough, pixels, width: photo!.width, height: photo!.height }, [pixels]));
  return stillWanted();
}

const onPhoto = {
  /** The photo that everything asked for afterwards is about. */
  show(pixels: ArrayBuffer, width: number, height: number) {
    photo = { width, height, data: new Uint8ClampedArray(pixels) };
    ready.clear();
  },
  /** Tells the rough picture, how far the fine one is, and that one. */
  async paint(asking: Asking, tell: Tell) {
    const turn = { tell, stillWanted: begin() };
    if (!photo) return;
    if (await paint(asking, true, turn)) await paint(asking, false, turn);
  },
};

export type OnPhotoProgram = typeof onPhoto;

expose(onPhoto);
