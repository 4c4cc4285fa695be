import { type Field, fieldOn, type Grid, PANEL_HEIGHT, PANEL_WIDTH, smoothstep } from "../grid.ts";
import { eachPixel, emptyShape, insideOf, type Panel, type PanelShape } from "./panel.ts";

// A turned leg as it lies between centres to be painted, from the square block at the rail to the foot.

const BLOCK_ENDS = 62;
const BLOCK = 40;

/** Beads that stand out of the turning: where, how broad and how high, in millimetres. */
const BEADS: readonly (readonly [at: number, half: number, rise: number])[] = [
  [76, 5, 7],
  [89, 3, 4],
  [168, 5, 8],
  [180, 3, 4.5],
  [262, 4, 5],
];
/** Quirks cut into it, at the feet of the beads. */
const QUIRKS = [70.4, 82, 93.2, 162.2, 174.4, 184, 257, 267];

/** Radius of the turning between its beads: a vase that swells and draws in, a long taper, a foot. */
function turned(x: number): number {
  if (x < 92) return 22;
  if (x < 165) {
    const q = (x - 92) / 73;
    return 19 + 19 * Math.sin(Math.PI * q ** 0.8) ** 1.4;
  }
  if (x < 262) return 27 - 11 * smoothstep(184, 258, x);
  const q = (x - 274) / 22;
  return 12 + 16 * Math.sqrt(Math.max(0, 1 - q * q));
}

function radiusAt(x: number): number {
  let radius = turned(x);
  for (const [at, half, rise] of BEADS) {
    const q = (x - at) / half;
    if (Math.abs(q) < 1) radius = Math.max(radius, turned(at) + rise * Math.sqrt(1 - q * q));
  }
  for (const at of QUIRKS) {
    const q = (x - at) / 1.1;
    if (Math.abs(q) < 1) radius -= 1.6 * (1 - q * q);
  }
  return radius;
}

const halfAt = (x: number) => (x < BLOCK_ENDS ? BLOCK : radiusAt(x));
/** How deep the round of a turning is shown, against its true depth. */
const FLATTENED = 0.5;

/** How high a place stands that lies so far from the axis. */
function round(radius: number, off: number): number {
  const q = Math.min(0.985, off / radius);
  return FLATTENED * radius * (Math.sqrt(1 - q * q) - 1);
}

function shape(grid: Grid): PanelShape {
  const made = emptyShape(grid);
  const felt: Field = fieldOn(grid);
  const middle = PANEL_HEIGHT / 2;
  const inside = insideOf(grid, (x, y) => Math.min(halfAt(x) - Math.abs(y - middle), x - 4, PANEL_WIDTH - 4 - x));
  eachPixel(grid, (at, x, y) => {
    const off = Math.abs(y - middle);
    const onBlock = x < BLOCK_ENDS;
    const half = halfAt(x);
    // a hand feels the profile along the leg; round it everything is alike
    felt[at] = 0.6 * (onBlock ? BLOCK : radiusAt(x));
    made.height[at] = onBlock ? 0 : felt[at]! - 0.6 * BLOCK + round(half, off);
    made.border[at] = Math.max(0, Math.min(x - 4, PANEL_WIDTH - 4 - x));
    made.motif[at] = Math.hypot((x - 126) / 1.5, off) - 22;
    const blockEdge = onBlock ? Math.min(Math.abs(off - BLOCK), BLOCK_ENDS - x, Math.max(0, x - 4)) : x - BLOCK_ENDS;
    made.sharp[at] = Math.min(blockEdge < 0 ? 1000 : blockEdge, Math.abs(PANEL_WIDTH - 4 - x));
  });
  return { ...made, felt, inside };
}

export const LEG: Panel = { id: "leg", shape };
