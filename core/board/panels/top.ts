import type { Grid } from "../grid.ts";
import { eachPixel, emptyShape, outsideWreath, type Panel, type PanelShape, roundedOver } from "./panel.ts";

/** One board without a joint, such as a table top: flat, with a thumbnail round its edge and a fine arris. */
const THUMBNAIL = 5;

function shape(grid: Grid): PanelShape {
  const made = { ...emptyShape(grid), motif: outsideWreath(grid) };
  eachPixel(grid, (at, _x, _y, border) => {
    made.border[at] = border;
    made.height[at] = roundedOver(border, THUMBNAIL);
    made.sharp[at] = Math.min(border, Math.abs(border - THUMBNAIL - 0.4));
  });
  return made;
}

export const TOP: Panel = { id: "top", shape };
