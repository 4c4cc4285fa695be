import type { Grid } from "../grid.ts";
import { eachPixel, emptyShape, isOnStile, outsideWreath, type Panel, type PanelShape, roundedOver } from "./panel.ts";

/** A lipped drawer front, 300 × 200 mm: thumbnail edge, quirk, raised field with a sunk line, turned knob, key plate. */
const THUMBNAIL = 9;
const QUIRK = 11.5;
const FIELD = 30;
const LINE_AT = 40;
/** The knob sits a little below the middle. */
const KNOB_BELOW = 6;
const KNOB_RADIUS = 15;
/** Too far from any knob to be on it. */
const NO_KNOB = 1000;

function profile(border: number): number {
  if (border < THUMBNAIL) {
    const q = 1 - border / THUMBNAIL;
    return -3.4 + 3.4 * Math.sqrt(Math.max(0, 1 - q * q)) + roundedOver(border, 0.8);
  }
  if (border < QUIRK) return -1.5;
  if (border < FIELD) {
    const q = (border - QUIRK) / (FIELD - QUIRK);
    // an ogee that rises to the field: hollow, then round
    return -0.6 + 2.4 * (q - Math.sin(2 * Math.PI * q) / (2 * Math.PI));
  }
  const line = Math.abs(border - LINE_AT) / 1.3;
  return 2.1 - (line < 1 ? 1.1 * Math.sqrt(1 - line * line) : 0);
}

/** A turned knob by how far a place lies from its middle: a collar, a neck and a domed face with a turned ring. */
function knob(distance: number): number {
  if (distance > KNOB_RADIUS) return 0;
  if (distance > KNOB_RADIUS - 2.2)
    return 1.2 * Math.sqrt(Math.max(0, 1 - ((distance - KNOB_RADIUS + 1.1) / 1.1) ** 2));
  const q = distance / (KNOB_RADIUS - 2.6);
  const ring = Math.abs(distance - 8) / 0.8;
  return q > 1 ? -0.8 : 1.4 + 4.2 * Math.sqrt(1 - q * q) - (ring < 1 ? 0.7 * Math.sqrt(1 - ring * ring) : 0);
}

const SHARP_AT = [0.2, THUMBNAIL, FIELD];

/** A face with a lip and a raised field; a drawer has a knob on it, a door or a side has none. */
export function lipped(grid: Grid, withKnob: boolean): PanelShape {
  const made = { ...emptyShape(grid), motif: outsideWreath(grid) };
  eachPixel(grid, (at, x, y, border) => {
    const fromKnob = withKnob ? Math.hypot(x - grid.wide / 2, y - grid.tall / 2 - KNOB_BELOW) : NO_KNOB;
    const raised = knob(fromKnob);
    made.border[at] = border;
    made.upright[at] = border < QUIRK && isOnStile(grid, x, y) ? 1 : 0;
    made.height[at] = profile(border) + raised;
    let sharp = Math.abs(fromKnob - KNOB_RADIUS) < 1 ? 0.6 : 1000;
    for (const edge of SHARP_AT) sharp = Math.min(sharp, Math.abs(border - edge));
    made.sharp[at] = sharp;
  });
  return made;
}

export const DRAWER: Panel = { id: "drawer", shape: (grid) => lipped(grid, true) };
