import type { Grid } from "../grid.ts";
import { eachPixel, emptyShape, insideOf, outsideWreath, type Panel, type PanelShape, roundedOver } from "./panel.ts";

/** A round top, 190 mm across on a sample board: a thumbnail edge, and a turned line a little way in. */
const MARGIN = 5;
const THUMBNAIL = 6;
const LINE_AT = 13;

function shape(grid: Grid): PanelShape {
  const made = { ...emptyShape(grid), motif: outsideWreath(grid, [56, 48]) };
  const { wide, tall } = grid;
  const radius = Math.min(wide, tall) / 2 - MARGIN;
  const within = (x: number, y: number) => radius - Math.hypot(x - wide / 2, y - tall / 2);
  const inside = insideOf(grid, within);
  eachPixel(grid, (at, x, y) => {
    const border = Math.max(0, within(x, y));
    const line = Math.abs(border - LINE_AT) / 1.2;
    made.border[at] = border;
    made.height[at] = roundedOver(border, THUMBNAIL) - (line < 1 ? 0.9 * Math.sqrt(1 - line * line) : 0);
    made.sharp[at] = Math.min(border, Math.abs(border - THUMBNAIL - 0.4));
  });
  return { ...made, inside };
}

export const DISC: Panel = { id: "disc", shape };
