import type { Grid } from "../grid.ts";
import { PANEL_HEIGHT } from "../grid.ts";
import { eachPixel, emptyShape, outsideWreath, type Panel, type PanelShape, roundedOver } from "./panel.ts";

/** A side of a box: a lid that stands out over it, the board of the side, and a plinth with a small round on top. */
const LID = 44;
const GAP = 3;
const PLINTH = PANEL_HEIGHT - 26;
const ROUND = 6;

function profile(y: number): number {
  if (y < LID) return 2.2 + roundedOver(LID - y, 2);
  if (y < LID + GAP) return -2.4;
  if (y < PLINTH - ROUND) return roundedOver(y - LID - GAP, 0.8);
  if (y < PLINTH) {
    const q = (PLINTH - y) / ROUND;
    return 2.6 * Math.sqrt(Math.max(0, 1 - q * q));
  }
  return 3.4;
}

const SHARP_AT = [LID, LID + GAP, PLINTH];

function shape(grid: Grid): PanelShape {
  const made = { ...emptyShape(grid), motif: outsideWreath(grid) };
  eachPixel(grid, (at, _x, y, border) => {
    made.border[at] = border;
    made.height[at] = profile(y) + roundedOver(border, 1.4);
    let sharp = border;
    for (const edge of SHARP_AT) sharp = Math.min(sharp, Math.abs(y - edge));
    made.sharp[at] = sharp;
  });
  return made;
}

export const BOX: Panel = { id: "box", shape };
