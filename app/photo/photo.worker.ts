import { measurePhoto } from "#core/photo/measure";
import { PieceOnPhoto } from "#core/photo/on-photo";
import type { Pixels } from "#core/photo/straightened";
import { newestOnly } from "~/board/newest-only";
import type { Answer, Asking, Question } from "./messages";

// Lays the finish on the photo off the page: rough first, then fine. Gives up as soon as something newer is requested.

const newest = newestOnly();
let photo: Pixels | null = null;
/** the photo made ready, rough and fine, with what it was made ready for */
const ready = new Map<boolean, { key: string; piece: PieceOnPhoto }>();

const answer = (message: Answer, transfer: Transferable[] = []) => postMessage(message, { transfer });

/** The photo made ready for these marks and this work; what earlier work has in common with it is taken over. */
function pieceFor({ marks, zones }: Asking, rough: boolean): PieceOnPhoto {
  // how light it is shown changes the picture, and nothing that is worked out for it
  const key = JSON.stringify([marks.faces, marks.known, zones]);
  const known = ready.get(rough);
  if (known?.key === key) return known.piece;
  const byId = new Map(zones.map((one) => [one.zone.id, one]));
  const piece = new PieceOnPhoto(photo!, marks, measurePhoto(marks), byId, { rough, before: known?.piece });
  ready.set(rough, { key, piece });
  return piece;
}

async function paint(asking: Asking, rough: boolean): Promise<boolean> {
  const { id, counts } = asking;
  const piece = pieceFor(asking, rough);
  if (!(await newest.stillWanted(id))) return false;
  for (const { done, of } of piece.work(counts)) {
    if (!rough && done % 3 === 0) answer({ is: "working", id, part: done / of });
    if (!(await newest.stillWanted(id))) return false;
  }
  const pixels = piece.picture(counts, asking.marks.lighter).buffer;
  answer({ is: "painted", id, finished: !rough, pixels, width: photo!.width, height: photo!.height }, [pixels]);
  return newest.stillWanted(id);
}

addEventListener("message", ({ data }: MessageEvent<Question>) => {
  if (data.is === "photo") {
    photo = { width: data.width, height: data.height, data: new Uint8ClampedArray(data.pixels) };
    ready.clear();
    return;
  }
  newest.take(data.id);
  if (!photo) return;
  paint(data, true)
    .then((wanted) => wanted && paint(data, false))
    .catch((error: unknown) => {
      answer({ is: "failed", id: data.id, says: error instanceof Error ? error.message : String(error) });
    });
});
