import { type Grid, PANEL_HEIGHT, PANEL_WIDTH } from "../grid.ts";
import { eachPixel, emptyShape, isOnStile, outsideWreath, type Panel, type PanelShape, roundedOver } from "./panel.ts";

/** A lipped drawer front, 300 × 200 mm: thumbnail edge, quirk, raised field with a sunk line, turned knob, key plate. */
const THUMBNAIL = 9;
const QUIRK = 11.5;
const FIELD = 30;
const LINE_AT = 40;
const KNOB: readonly [number, number] = [PANEL_WIDTH / 2, PANEL_HEIGHT / 2 + 6];
const KNOB_RADIUS = 15;

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

function shape(grid: Grid): PanelShape {
  const made = { ...emptyShape(grid), motif: outsideWreath(grid) };
  eachPixel(grid, (at, x, y, border) => {
    const fromKnob = Math.hypot(x - KNOB[0], y - KNOB[1]);
    const raised = knob(fromKnob);
    made.border[at] = border;
    made.upright[at] = border < QUIRK && isOnStile(x, y) ? 1 : 0;
    made.height[at] = profile(border) + raised;
    let sharp = Math.abs(fromKnob - KNOB_RADIUS) < 1 ? 0.6 : 1000;
    for (const edge of SHARP_AT) sharp = Math.min(sharp, Math.abs(border - edge));
    made.sharp[at] = sharp;
  });
  return made;
}

export const DRAWER: Panel = { id: "drawer", shape };
