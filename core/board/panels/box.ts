import type { Grid } from "../grid.ts";
import { eachPixel, emptyShape, outsideWreath, type Panel, type PanelShape, roundedOver } from "./panel.ts";

/** A side of a box: a lid that stands out over it, a board with a sunk line round it, and a plinth with a small round on top. */
const LID = 44;
const GAP = 2;
const PLINTH = 26;
const ROUND = 6;
/** The sunk line: how far in from the edges of the board, and half its breadth. */
const LINE_AT = 15;
const LINE = 2.3;

function profile(y: number, plinth: number): number {
  if (y < LID) return 2.2 + roundedOver(LID - y, 2);
  if (y < LID + GAP) return -2.4;
  if (y < plinth - ROUND) return roundedOver(y - LID - GAP, 0.8);
  if (y < plinth) {
    const q = (plinth - y) / ROUND;
    return 2.6 * Math.sqrt(Math.max(0, 1 - q * q));
  }
  return 3.4;
}

function shape(grid: Grid): PanelShape {
  const plinth = grid.tall - PLINTH;
  const sharpAt = [LID, LID + GAP, plinth];
  const made = { ...emptyShape(grid), motif: outsideWreath(grid) };
  eachPixel(grid, (at, x, y, border) => {
    made.border[at] = border;
    const onBoard = Math.min(x, grid.wide - x, y - LID - GAP, plinth - ROUND - y);
    const line = Math.abs(onBoard - LINE_AT) / LINE;
    made.height[at] = profile(y, plinth) + roundedOver(border, 1.4) - (line < 1 ? 1.9 * Math.sqrt(1 - line * line) : 0);
    let sharp = border;
    for (const edge of sharpAt) sharp = Math.min(sharp, Math.abs(y - edge));
    made.sharp[at] = sharp;
  });
  return made;
}

export const BOX: Panel = { id: "box", shape };
