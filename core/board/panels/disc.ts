import { type Grid, PANEL_HEIGHT, PANEL_WIDTH } from "../grid.ts";
import { eachPixel, emptyShape, insideOf, outsideWreath, type Panel, type PanelShape, roundedOver } from "./panel.ts";

/** A round top, 190 mm across: a thumbnail edge, and a turned line a little way in. */
const RADIUS = 95;
const THUMBNAIL = 6;
const LINE_AT = 13;

function shape(grid: Grid): PanelShape {
  const made = { ...emptyShape(grid), motif: outsideWreath(grid, [56, 48]) };
  const inside = insideOf(grid, (x, y) => RADIUS - Math.hypot(x - PANEL_WIDTH / 2, y - PANEL_HEIGHT / 2));
  eachPixel(grid, (at, x, y) => {
    const border = Math.max(0, RADIUS - Math.hypot(x - PANEL_WIDTH / 2, y - PANEL_HEIGHT / 2));
    const line = Math.abs(border - LINE_AT) / 1.2;
    made.border[at] = border;
    made.height[at] = roundedOver(border, THUMBNAIL) - (line < 1 ? 0.9 * Math.sqrt(1 - line * line) : 0);
    made.sharp[at] = Math.min(border, Math.abs(border - THUMBNAIL - 0.4));
  });
  return { ...made, inside };
}

export const DISC: Panel = { id: "disc", shape };
