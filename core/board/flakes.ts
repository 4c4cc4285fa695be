import { type Field, fieldOn, type Grid } from "./grid.ts";
import { reckon } from "./kernels.ts";
import { clouds, noise } from "./noise.ts";
import { hashed } from "./random.ts";
import type { PanelRelief } from "./relief.ts";

/** Size of a flake along and across the grain, in millimetres. */
const LONG = 4.2;
const SHORT = 2.3;

/** Middles of the flakes on a lattice that runs from −2 cells, and a number from 0 to 1 of each flake's own. */
interface Lattice {
  columns: number;
  along: Float32Array;
  across: Float32Array;
  own: Float32Array;
}

const MARGIN = 3;

function latticeFor({ wide, tall }: Grid, seed: number): Lattice {
  const most = Math.max(wide, tall);
  const columns = Math.ceil(most / LONG) + 2 * MARGIN;
  const rows = Math.ceil(most / SHORT) + 2 * MARGIN;
  const made = {
    columns,
    along: new Float32Array(columns * rows),
    across: new Float32Array(columns * rows),
    own: new Float32Array(columns * rows),
  };
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const at = row * columns + column;
      made.along[at] = column - MARGIN + hashed(column, row, seed);
      made.across[at] = row - MARGIN + hashed(column, row, seed + 1);
      made.own[at] = hashed(column, row, seed + 2);
    }
  return made;
}

/** A number from 0 to 1 of its own for the flake at each pixel: angular cells, longer with the grain. */
function flakesOn(grid: Grid, upright: Uint8Array, seed: number): Field {
  const flakes = fieldOn(grid);
  const bend = clouds(grid, seed + 1, 5, 3, 0.6).field();
  const other = clouds(grid, seed + 2, 5, 3, 0.6).field();
  const { columns, along, across, own } = latticeFor(grid, seed);
  for (let row = 0; row < grid.height; row++)
    for (let column = 0; column < grid.width; column++) {
      const at = row * grid.width + column;
      const x = (column + 0.5) * grid.millimetres + 0.75 * bend[at]!;
      const y = (row + 0.5) * grid.millimetres + 0.75 * other[at]!;
      const u = (upright[at] === 1 ? y : x) / LONG;
      const v = (upright[at] === 1 ? x : y) / SHORT;
      const corner = (Math.floor(v) + MARGIN - 1) * columns + Math.floor(u) + MARGIN - 1;
      let nearest = Number.POSITIVE_INFINITY;
      let found = 0;
      for (let down = 0; down < 3; down++)
        for (let right = 0; right < 3; right++) {
          const cell = corner + down * columns + right;
          const du = Math.abs(u - along[cell]!);
          const dv = Math.abs(v - across[cell]!);
          // between the diamond and the round: borders that run straight and turn sharply
          const distance = du + dv + 0.6 * Math.max(du, dv);
          if (distance < nearest) {
            nearest = distance;
            found = own[cell]!;
          }
        }
      flakes[at] = found;
    }
  return flakes;
}

/** Where flakes let go first: at edges and in clusters, whole flakes at a time, with crisp, angular borders. */
export const flakeScore = ({ grid, upright, edge, high, recess }: PanelRelief, seed: number): Field =>
  reckon(grid)
    .plus(0.62, clouds(grid, seed + 5, 30, 4, 0.62))
    .plus(0.75, edge)
    .plus(0.2, high)
    .plus(-0.35, recess)
    .plus(1.25, flakesOn(grid, upright, seed))
    .plus(0.05, noise(grid, seed + 6, 0.6))
    .field();
