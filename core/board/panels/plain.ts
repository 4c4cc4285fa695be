import type { Grid } from "../grid.ts";
import { eachPixel, emptyShape, outsideWreath, type Panel, type PanelShape, roundedOver } from "./panel.ts";

/** Three boards edge to edge, their edges eased: flats, and the sharp edges between. */
const JOINTS = [71, 138];

function shape(grid: Grid): PanelShape {
  const made = { ...emptyShape(grid), motif: outsideWreath(grid) };
  eachPixel(grid, (at, _x, y, border) => {
    made.border[at] = border;
    let joint = 1000;
    for (const line of JOINTS) joint = Math.min(joint, Math.abs(y - line));
    const gap = joint < 0.55 ? -1.6 : 0;
    made.height[at] = roundedOver(border, 1.6) + (gap || roundedOver(Math.max(0, joint - 0.4), 1.1));
    made.sharp[at] = Math.min(border, Math.max(0, joint - 0.6));
  });
  return made;
}

export const PLAIN_PANEL: Panel = { id: "plain", shape };
