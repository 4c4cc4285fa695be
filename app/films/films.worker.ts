import { expose } from "comlink";
import { Board } from "#core/board/board";
import { type BoardWork, USUAL_VIEW } from "#core/board/board-work";
import { USUAL_LIGHTING } from "#core/board/light-place";
import { type PieceFace, pieceRelief } from "#core/board/piece-face";

// Paints the faces of pieces off the page.

/** Pixels of a face, whatever its proportions: finer than a piece beside the crust shows it. */
const PIXELS = 42_000;

/** Light from the upper left falls from the lower left on what lies and is stood up. */
const ON_WHAT_LIES = { ...USUAL_VIEW, lighting: { ...USUAL_LIGHTING, azimuth: USUAL_LIGHTING.azimuth - 90 } };

const films = {
  /** The finished work on a face, as a picture. */
  async paint(work: BoardWork, face: PieceFace): Promise<Blob> {
    const board = new Board(work, pieceRelief(face, PIXELS));
    const pixels = board.picture(work.phases.length, face.lying ? ON_WHAT_LIES : USUAL_VIEW);
    const { width, height } = board.grid;
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext("2d")!.putImageData(new ImageData(new Uint8ClampedArray(pixels.buffer), width, height), 0, 0);
    return canvas.convertToBlob();
  },
};

export type Films = typeof films;

expose(films);
