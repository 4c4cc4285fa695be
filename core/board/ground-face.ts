import { innerSpectrum } from "../colour/material-colour.ts";
import { spectrumOfLinear } from "../colour/reflectance.ts";
import { linearOf } from "../colour/screen.ts";
import { dryTerm, innerOf } from "../colour/surface-term.ts";
import { type Ground, isTimber } from "../plan/ground.ts";
import { away, type Field, fieldOn, smoothstep } from "./grid.ts";
import { clouds, noise, streaks } from "./noise.ts";
import { hashed, seedOf } from "./random.ts";
import type { PanelRelief } from "./relief.ts";

/** The bare ground as it looks: two colours, and at each pixel how far it goes from one to the other. */
export interface GroundFace {
  light: Float64Array;
  dark: Float64Array;
  part: Field;
  /** micrometres that grain and pores stand up or sink */
  marks: Field;
  gloss: number;
  metallic: boolean;
}

/** Sheen of a bare ground by its kind (from memory). */
const SHEEN: Partial<Record<Ground["kind"], number>> = {
  "varnished timber": 0.5,
  "waxed or oiled timber": 0.3,
  "old paint": 0.25,
  laminate: 0.55,
  "ferrous metal": 0.35,
  brass: 0.6,
  "glass or glazed": 0.9,
  "plastic or resin": 0.45,
  "old gilding": 0.6,
};
const MATT = 0.05;

const METALS: ReadonlySet<string> = new Set(["ferrous metal", "brass", "old gilding"]);

/** The same colour with this much of its light. */
function darker(hex: string, part: number, gloss: number): Float64Array {
  const [red, green, blue] = linearOf(hex);
  // late wood is redder as well as darker
  const spectrum = spectrumOfLinear([red * part * 1.06, green * part, blue * part * 0.92]);
  return spectrum.map((value) => innerOf(value, dryTerm(gloss)));
}

/** Year rings cut lengthwise: lines that bow, with pores along them and knots that push them aside. */
function timberFace(ground: Ground, { grid, upright }: PanelRelief, seed: number): { part: Field; marks: Field } {
  const bow = clouds(grid, seed, 90, 2, 0.5, 2.6).field();
  const fine = streaks(grid, seed + 3, 60, 0.5, upright).field();
  const pores = streaks(grid, seed + 5, 7, 0.3, upright).field();
  const knots = Array.from({ length: Math.min(6, ground.knots) }, (_, index) => ({
    x: (0.12 + 0.76 * hashed(index, 1, seed)) * grid.wide,
    y: (0.15 + 0.7 * hashed(index, 2, seed)) * grid.tall,
    radius: 3.2 + 3.5 * hashed(index, 3, seed),
  }));
  const part = fieldOn(grid);
  const marks = fieldOn(grid);
  for (let row = 0; row < grid.height; row++)
    for (let column = 0; column < grid.width; column++) {
      const at = row * grid.width + column;
      const x = (column + 0.5) * grid.millimetres;
      const y = (row + 0.5) * grid.millimetres;
      const across = upright[at] === 1 ? x : y;
      let pushed = across + 7 * bow[at]!;
      let knotty = 0;
      for (const knot of knots) {
        const dx = (x - knot.x) / 2.3;
        const dy = y - knot.y;
        const distance = away(dx, dy);
        pushed += (Math.sign(dy) || 1) * 9 * Math.exp(-distance / (knot.radius * 1.7));
        const inside = away(dx * 1.7, dy) / knot.radius;
        if (inside < 1.15)
          knotty = Math.max(knotty, smoothstep(1.15, 0.75, inside) * (0.65 + 0.3 * Math.cos(inside * 14)));
      }
      const ring = (((pushed / 5.2) % 1) + 1) % 1;
      const late = smoothstep(0.35, 0.92, ring) * smoothstep(1, 0.94, ring);
      const pore = pores[at]! > 1.5 ? Math.min(1, pores[at]! - 1.5) : 0;
      part[at] = Math.min(1, Math.max(0, 0.14 + 0.42 * late + 0.1 * fine[at]! + 0.45 * pore + 0.75 * knotty));
      marks[at] = -22 * pore - 5 * late + 2 * fine[at]!;
    }
  return { part, marks };
}

function mottledFace({ grid }: PanelRelief, seed: number, size: number, amount: number, relief: number) {
  const part = clouds(grid, seed, size, 5, 0.6).field();
  const fine = noise(grid, seed + 9, 0.6).field();
  const marks = fieldOn(grid);
  for (let at = 0; at < part.length; at++) {
    marks[at] = relief * (part[at]! + 0.4 * fine[at]!);
    part[at] = Math.min(1, Math.max(0, 0.3 + amount * part[at]! + 0.06 * fine[at]!));
  }
  return { part, marks };
}

function brushedFace({ grid, upright }: PanelRelief, seed: number, amount: number, relief: number) {
  const part = streaks(grid, seed, 70, 0.55, upright).field();
  const marks = fieldOn(grid);
  for (let at = 0; at < part.length; at++) {
    marks[at] = relief * part[at]!;
    part[at] = Math.min(1, Math.max(0, 0.3 + amount * part[at]!));
  }
  return { part, marks };
}

/** The face of a ground, drawn from its kind, colour and knots; the same seed gives the same board. */
export function groundFace(ground: Ground, stripped: boolean, relief: PanelRelief, seed: number): GroundFace {
  const own = seedOf(`ground ${ground.kind}`) ^ seed;
  const kind = stripped && ground.species ? "raw timber" : ground.kind;
  const gloss = SHEEN[kind] ?? MATT;
  const face = isTimber(kind)
    ? timberFace(ground, relief, own)
    : kind === "old paint"
      ? brushedFace(relief, own, 0.12, 5)
      : kind === "fibreboard"
        ? mottledFace(relief, own, 2, 0.1, 1)
        : METALS.has(kind)
          ? mottledFace(relief, own, 16, kind === "ferrous metal" ? 0.22 : 0.14, 2)
          : mottledFace(relief, own, 60, 0.02, 0);
  const depth = isTimber(kind) ? 0.4 : METALS.has(kind) ? 0.62 : 0.85;
  return {
    light: innerSpectrum(ground.colour, gloss),
    dark: darker(ground.colour, depth, gloss),
    ...face,
    gloss,
    metallic: METALS.has(kind),
  };
}
