import { blurred } from "../board/blur.ts";
import { type Field, fieldOn, smoothstep } from "../board/grid.ts";
import { emptyShape, outsideWreath, type PanelShape } from "../board/panels/panel.ts";
import { type PanelRelief, reliefWith } from "../board/relief.ts";
import type { Zone } from "../plan/plan.ts";
import type { Straightened } from "./straightened.ts";

/** Where the edges of a face lie, in its own millimetres. */
export interface FaceShape {
  round: boolean;
  /** the opening of a frame: left, top, right and bottom */
  opening: readonly [number, number, number, number] | null;
}

/** How far a place lies within the face, in millimetres: from its outline, and from its opening if that is nearer. */
function within(x: number, y: number, wide: number, tall: number, { round, opening }: FaceShape): number {
  const outer = round
    ? (1 - Math.hypot((2 * x) / wide - 1, (2 * y) / tall - 1)) * (Math.min(wide, tall) / 2)
    : Math.min(x, y, wide - x, tall - y);
  if (!opening) return outer;
  const [left, top, right, bottom] = opening;
  const aside = Math.max(left - x, x - right);
  const above = Math.max(top - y, y - bottom);
  const outside = aside > 0 && above > 0 ? Math.hypot(aside, above) : Math.max(aside, above);
  return Math.min(outer, outside);
}

/** The value that so large a part of the face lies above, by a sample of it. */
function cutAbove(values: Field, where: (at: number) => boolean, share: number): number {
  const step = Math.max(1, Math.floor(values.length / SAMPLED));
  const some = new Float32Array(Math.ceil(values.length / step));
  let count = 0;
  for (let at = 0; at < values.length; at += step) if (where(at)) some[count++] = values[at]!;
  const sorted = some.subarray(0, count).sort();
  return sorted[Math.max(0, Math.ceil((1 - share) * count) - 1)] ?? NEVER;
}

const SAMPLED = 12_000;

/** How far from light to dark what is called a groove, or proud, has to go to be wholly one. */
const SOFT = 0.1;
/** Depth of a groove and height of what stands proud, as a block of paper feels them, in millimetres (from memory). */
const DEEP = 1.6;
const PROUD = 1;
/** Shares of carving and moulding below this are no carving. */
const LEAST_CARVED = 0.02;
/** What is finer than this on a photo is grain and no carving, in millimetres. */
const FINER_IS_GRAIN = 2.6;
/** How much lighter or darker than what lies around it a place has to be to be carving, as a natural logarithm. */
const LEAST_SEEN = 0.07;
/** More than any place is lighter or darker. */
const NEVER = 100;

/**
 * The face of a zone as work meets it: edges where it ends, grooves where the photo is dark and detail that stands proud where it
 * is light, as much of each as the zone is said to have.
 */
export function faceRelief(
  name: string,
  { grid, detail }: Straightened,
  zone: Pick<Zone, "relief">,
  face: FaceShape,
): PanelRelief {
  const shape: PanelShape = { ...emptyShape(grid), motif: outsideWreath(grid) };
  const inside = face.round || face.opening ? fieldOn(grid) : null;
  for (let row = 0; row < grid.height; row++)
    for (let column = 0; column < grid.width; column++) {
      const at = row * grid.width + column;
      const [x, y] = [(column + 0.5) * grid.millimetres, (row + 0.5) * grid.millimetres];
      const from = within(x, y, grid.wide, grid.tall, face);
      shape.border[at] = Math.max(0, from);
      shape.sharp[at] = Math.abs(from);
      if (inside) inside[at] = Math.min(1, Math.max(0, from / grid.millimetres + 0.5));
      const stile = face.opening ? Math.min(x, grid.wide - x) < Math.min(y, grid.tall - y) : grid.tall > 2 * grid.wide;
      shape.upright[at] = stile ? 1 : 0;
    }
  const isOn = (at: number) => inside === null || inside[at]! > 0.5;
  const carved = zone.relief.recess + zone.relief.high > LEAST_CARVED;
  const seen = carved ? blurred(detail, grid, FINER_IS_GRAIN) : detail;
  const dark = seen.map((value) => -value);
  const grooveFrom = carved ? Math.max(LEAST_SEEN, cutAbove(dark, isOn, zone.relief.recess)) : NEVER;
  const proudFrom = carved ? Math.max(LEAST_SEEN, cutAbove(seen, isOn, zone.relief.high)) : NEVER;
  const recess = fieldOn(grid);
  const high = fieldOn(grid);
  const edge = fieldOn(grid);
  const felt = fieldOn(grid);
  const belongs = { arris: fieldOn(grid), field: fieldOn(grid), high: fieldOn(grid), recess: fieldOn(grid) };
  for (let at = 0; at < seen.length; at++) {
    const arris = smoothstep(1.9, 0.7, shape.sharp[at]!);
    const grooved = smoothstep(grooveFrom - SOFT / 2, grooveFrom + SOFT / 2, dark[at]!) * (1 - arris);
    const raised = smoothstep(proudFrom - SOFT / 2, proudFrom + SOFT / 2, seen[at]!) * (1 - arris) * (1 - grooved);
    const near = Math.exp(-shape.sharp[at]! / 1.1);
    recess[at] = grooved;
    high[at] = Math.min(1, raised + 0.35 * near);
    edge[at] = Math.min(1, Math.max(0, 1 - Math.exp(-1.6 * (0.9 * near + 0.5 * raised - 0.08))));
    felt[at] = PROUD * raised - DEEP * grooved;
    belongs.arris[at] = arris;
    belongs.recess[at] = grooved;
    belongs.high[at] = raised;
    belongs.field[at] = Math.max(0, 1 - arris - grooved - raised);
  }
  return reliefWith(name, { ...shape, inside, felt }, grid, { belongs, recess, high, edge });
}
