import { expose } from "comlink";
import { LRUCache } from "lru-cache";
import { Board } from "#core/board/board";
import { type BoardWork, USUAL_VIEW } from "#core/board/board-work";
import { USUAL_LIGHTING } from "#core/board/light-place";
import { type PieceFace, pieceRelief } from "#core/board/piece-face";
import type { PanelRelief } from "#core/board/relief";

// Paints the faces of pieces off the page.

/** Pixels of a face, whatever its proportions: finer than a piece beside the crust shows it. */
const PIXELS = 42_000;

/** Light from the upper left falls from the lower left on what lies and is stood up. */
const ON_WHAT_LIES = { ...USUAL_VIEW, lighting: { ...USUAL_LIGHTING, azimuth: USUAL_LIGHTING.azimuth - 90 } };

const MOST_KEPT = 8;
/** The faces painted last, and what lay on them then: an edit is painted from where it changes something. */
const reliefs = new LRUCache<string, PanelRelief>({ max: MOST_KEPT });
const boards = new LRUCache<string, Board>({ max: MOST_KEPT });

function boardOf(zoneId: string, work: BoardWork, face: PieceFace): Board {
  const shape = JSON.stringify(face);
  const relief = reliefs.get(shape) ?? pieceRelief(face, PIXELS);
  reliefs.set(shape, relief);
  const place = `${zoneId} ${shape}`;
  const board = new Board(work, relief);
  const before = boards.get(place);
  if (before) board.takeOver(before);
  boards.set(place, board);
  return board;
}

const films = {
  /** The finished work on a face of a zone, as a picture. */
  async paint(zoneId: string, work: BoardWork, face: PieceFace): Promise<Blob> {
    const board = boardOf(zoneId, work, face);
    const pixels = board.picture(work.phases.length, face.lying ? ON_WHAT_LIES : USUAL_VIEW);
    const { width, height } = board.grid;
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext("2d")!.putImageData(new ImageData(new Uint8ClampedArray(pixels.buffer), width, height), 0, 0);
    return canvas.convertToBlob();
  },
};

export type Films = typeof films;

expose(films);
