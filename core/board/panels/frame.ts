import type { Grid } from "../grid.ts";
import { eachPixel, emptyShape, insideOf, isOnStile, type Panel, type PanelShape, roundedOver } from "./panel.ts";

/** A mitred frame round an opening, in section from the outer border inwards: a flat, a bead, a hollow, and the sight edge. */
export const MEMBER = 52;
const FLAT = 20;
const BEAD = 28;
const HOLLOW = 44;

function profile(border: number): number {
  const inner = MEMBER - border;
  if (border < FLAT) return roundedOver(border, 1.4);
  if (border < BEAD) {
    const q = (border - (FLAT + BEAD) / 2) / ((BEAD - FLAT) / 2);
    return -0.8 + 2.6 * Math.sqrt(Math.max(0, 1 - q * q));
  }
  if (border < HOLLOW) {
    const q = (border - BEAD) / (HOLLOW - BEAD);
    return -1 - 2.6 * Math.sin(Math.PI * q) - 1.4 * q;
  }
  return -2 + roundedOver(Math.max(0, inner), 2.6);
}

const SHARP_AT = [0, FLAT, HOLLOW, MEMBER - 0.3];

function shape(grid: Grid): PanelShape {
  const made = emptyShape(grid);
  const { wide, tall } = grid;
  const border = (x: number, y: number) => Math.min(x, y, wide - x, tall - y);
  const inside = insideOf(grid, (x, y) => MEMBER - border(x, y));
  eachPixel(grid, (at, x, y, fromBorder) => {
    const within = Math.min(MEMBER, fromBorder);
    made.border[at] = Math.min(within, MEMBER - within);
    made.height[at] = profile(within);
    made.upright[at] = isOnStile(grid, x, y) ? 1 : 0;
    // an ornament of a frame sits on its corners and in the middle of its members
    const corner = Math.hypot(Math.min(x, wide - x) - MEMBER / 2, Math.min(y, tall - y) - MEMBER / 2);
    const middle = Math.hypot(x - wide / 2, Math.min(y, tall - y) - MEMBER / 2);
    made.motif[at] = Math.min(corner, middle) - 20;
    let sharp = 1000;
    for (const edge of SHARP_AT) sharp = Math.min(sharp, Math.abs(within - edge));
    made.sharp[at] = sharp;
  });
  return { ...made, inside };
}

export const FRAME: Panel = { id: "frame", shape };
