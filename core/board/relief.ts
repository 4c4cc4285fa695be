import { RELIEF_CLASSES, type ReliefClass } from "../plan/plan.ts";
import { blurred, highestWithin } from "./blur.ts";
import { type Field, fieldOn, type Grid, pixelsOf, smoothstep } from "./grid.ts";
import { letStay, type Memory, reckon } from "./kernels.ts";
import type { Panel, PanelShape } from "./panels/panel.ts";

/** A panel made ready for work: its shape, how much each place belongs to each relief class, and what a hand feels of it. */
export interface PanelRelief extends PanelShape {
  /** unlike that of any other face: what is kept of a face is kept under it */
  name: string;
  grid: Grid;
  /** 0 to 1 each, together 1 at every pixel */
  belongs: Record<ReliefClass, Field>;
  /** 0 on the flat, 1 deep in a groove */
  recess: Field;
  /** 0 on the flat, 1 on what stands proud */
  high: Field;
  /** how convex a place is, 0 to 1 */
  edge: Field;
  /** how hard a flat sanding hand presses: about 1 on the flat, more where it bears on little, none in grooves */
  pressure: Field;
  /** 1 at the very border of the panel, gone a thumb's breadth in */
  nearBorder: Field;
  /** how a brush lies on the shape: thin over edges, a little full in grooves; about 1 */
  brushed: Field;
  /** how a fluid stands on the shape, as a power of e: in grooves much, over edges less than nothing */
  stands: Field;
  /** the pixels that shares are measured on */
  sample: Int32Array;
  /** the four classes at those pixels, one run after the other */
  sampledClasses: Float32Array;
}

const SAMPLES = 24_000;
/** A rough picture is measured on fewer pixels than it has. */
const PIXELS_A_SAMPLE = 6;

/** Pixels for measuring, spread evenly by a low-discrepancy run so that no pattern of the board falls in step with them. */
function sampleOf(grid: Grid, inside: Field | null): Int32Array {
  const count = Math.min(SAMPLES, Math.ceil(pixelsOf(grid) / PIXELS_A_SAMPLE));
  const sample = new Int32Array(count);
  // the additive run of the plastic number covers a square evenly (R. Roberts' R2 sequence)
  for (let at = 0; at < count; at++) {
    const x = Math.floor(((0.5 + 0.754_877_666_246_692_8 * at) % 1) * grid.width);
    const y = Math.floor(((0.5 + 0.569_840_290_998_053_3 * at) % 1) * grid.height);
    sample[at] = y * grid.width + x;
  }
  return inside === null ? sample : sample.filter((at) => inside[at]! > 0.5);
}

/** How much each place of a face belongs to each relief class, and why. */
export type Classes = Pick<PanelRelief, "belongs" | "recess" | "high" | "edge">;

/** Curvature is felt with a fingertip and with a thumb: differences of blurs at half a millimetre and at one and a half. */
function classesOf({ sharp, ...shape }: PanelShape, grid: Grid): Classes {
  const height = shape.felt ?? shape.height;
  const soft = blurred(height, grid, 0.5);
  const softer = blurred(height, grid, 1.6);
  const softest = blurred(height, grid, 3.4);
  const count = pixelsOf(grid);
  const recess = fieldOn(grid);
  const high = fieldOn(grid);
  const edge = fieldOn(grid);
  const belongs = { arris: fieldOn(grid), field: fieldOn(grid), high: fieldOn(grid), recess: fieldOn(grid) };
  for (let at = 0; at < count; at++) {
    const fine = soft[at]! - softer[at]!;
    const coarse = softer[at]! - softest[at]!;
    const near = Math.exp(-sharp[at]! / 1.1);
    const sunk = -(1.9 * fine + 0.4 * coarse) - 0.02;
    recess[at] = sunk > 0 ? 1 - Math.exp(-1.5 * sunk) : 0;
    const proud = fine + 0.38 * coarse + 0.35 * near;
    high[at] = proud > 0 ? 1 - Math.exp(-1.4 * proud) : 0;
    const convex = 1.7 * fine - 0.08 + 0.9 * near;
    edge[at] = convex > 0 ? 1 - Math.exp(-1.6 * convex) : 0;
    const arris = smoothstep(1.9, 0.7, sharp[at]!) * smoothstep(0.32, 0.12, recess[at]!);
    const grooved = smoothstep(0.14, 0.36, recess[at]!) * (1 - arris);
    const raised = smoothstep(0.12, 0.34, high[at]! - recess[at]!) * (1 - arris) * (1 - grooved);
    belongs.arris[at] = arris;
    belongs.recess[at] = grooved;
    belongs.high[at] = raised;
    belongs.field[at] = Math.max(0, 1 - arris - grooved - raised);
  }
  return { belongs, recess, high, edge };
}

/** A panel made ready for work. */
export function reliefOf(panel: { id: string; shape: Panel["shape"] }, grid: Grid): PanelRelief {
  const shape = panel.shape(grid);
  return reliefWith(panel.id, shape, grid, classesOf(shape, grid));
}

/** A face made ready for work, where it is known what of it is edge, groove and flat. */
export function reliefWith(name: string, shape: PanelShape, grid: Grid, classes: Classes): PanelRelief {
  const { belongs, recess, high, edge } = classes;
  const sample = sampleOf(grid, shape.inside);
  const sampledClasses = new Float32Array(4 * sample.length);
  RELIEF_CLASSES.forEach((name, run) => {
    sample.forEach((at, index) => {
      sampledClasses[run * sample.length + index] = belongs[name][at]!;
    });
  });
  const relief: PanelRelief = {
    ...shape,
    ...classes,
    name,
    grid,
    pressure: pressureOn(shape, grid),
    nearBorder: shape.border.map((distance) => Math.exp(-distance / 7)),
    brushed: reckon(grid, 1).plus(-0.24, edge).times(reckon(grid, 1).plus(0.2, recess)).field(),
    stands: reckon(grid).plus(1.1, recess).times(recess).plus(0.35, recess).plus(-0.3, edge).plus(-0.15, high).field(),
    sample,
    sampledClasses,
  };
  letStay([
    relief.height,
    relief.recess,
    relief.high,
    relief.edge,
    relief.pressure,
    relief.nearBorder,
    relief.brushed,
    relief.stands,
    relief.upright,
    sampledClasses,
    ...RELIEF_CLASSES.map((name) => belongs[name]),
  ]);
  return relief;
}

/** A block of paper rides on what stands highest around it; what bears on little is pressed the harder. */
function pressureOn({ sharp, ...shape }: PanelShape, grid: Grid): Field {
  const height = shape.felt ?? shape.height;
  const ridden = blurred(highestWithin(height, grid, 3.2), grid, 1.6);
  const contact = fieldOn(grid);
  for (let at = 0; at < contact.length; at++) contact[at] = Math.exp(-Math.max(0, ridden[at]! - height[at]!) / 0.28);
  const around = blurred(contact, grid, 4);
  const pressure = fieldOn(grid);
  for (let at = 0; at < contact.length; at++)
    pressure[at] = contact[at]! / (0.1 + 0.9 * around[at]!) + 1.1 * Math.exp(-sharp[at]!);
  return pressure;
}

/** Share of the panel in each relief class. */
export function classShares({ belongs, sample }: PanelRelief): Record<ReliefClass, number> {
  const shares = { arris: 0, field: 0, high: 0, recess: 0 };
  for (const relief of RELIEF_CLASSES) {
    let sum = 0;
    for (const at of sample) sum += belongs[relief][at]!;
    shares[relief] = sum / sample.length;
  }
  return shares;
}

/** Addresses of the four classes in memory, in their order. */
export const classesIn = (memory: Memory, { belongs }: PanelRelief): [number, number, number, number] => [
  memory.put(belongs.arris),
  memory.put(belongs.field),
  memory.put(belongs.high),
  memory.put(belongs.recess),
];
