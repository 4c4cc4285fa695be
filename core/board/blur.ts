import { type Field, fieldOn, type Grid } from "./grid.ts";
import { Memory } from "./kernels.ts";

/** Three box widths that together come near a Gaussian of this many pixels (Kovesi's rule for repeated averaging). */
function boxes(sigma: number): number[] {
  const ideal = Math.sqrt((12 * sigma * sigma) / 3 + 1);
  let low = Math.floor(ideal);
  if (low % 2 === 0) low--;
  const small = Math.round((12 * sigma * sigma - 3 * low * low - 12 * low - 9) / (-4 * low - 4));
  return [0, 1, 2].map((at) => ((at < small ? low : low + 2) - 1) / 2);
}

/** The field smoothed by a Gaussian of this many millimetres; the edge goes on beyond the border. */
export function blurred(field: Field, grid: Grid, millimetres: number): Field {
  const { width, height } = grid;
  const memory = new Memory();
  const to = memory.copied(field);
  const between = memory.space(4 * field.length);
  const sums = memory.room(4 * width);
  for (const radius of boxes(millimetres / grid.millimetres)) {
    if (radius <= 0) continue;
    memory.run.boxRows(to, between, width, height, radius);
    memory.run.boxColumns(between, to, width, height, radius, sums);
  }
  return memory.floats(to, field.length);
}

/** The mean of what lies within this many millimetres, as a square window: coarser than a Gaussian, and a third of its work. */
export function meanAround(field: Field, grid: Grid, millimetres: number): Field {
  const { width, height } = grid;
  const radius = Math.max(1, Math.round(millimetres / grid.millimetres));
  const memory = new Memory();
  const from = memory.put(field);
  const between = memory.space(4 * field.length);
  const to = memory.space(4 * field.length);
  memory.run.boxRows(from, between, width, height, radius);
  memory.run.boxColumns(between, to, width, height, radius, memory.room(4 * width));
  return memory.floats(to, field.length);
}

/** The highest value within this many millimetres, as a square window. */
export function highestWithin(field: Field, grid: Grid, millimetres: number): Field {
  const { width, height } = grid;
  const radius = Math.max(1, Math.round(millimetres / grid.millimetres));
  const across = fieldOn(grid);
  const queue = new Int32Array(Math.max(width, height) + 1);
  const slide = (count: number, at: (index: number) => number, put: (index: number, value: number) => void) => {
    let head = 0;
    let tail = 0;
    for (let index = 0; index < count + radius; index++) {
      if (index < count) {
        const value = at(index);
        while (tail > head && at(queue[tail - 1]!) <= value) tail--;
        queue[tail++] = index;
      }
      const middle = index - radius;
      if (middle < 0) continue;
      while (queue[head]! < middle - radius) head++;
      put(middle, at(queue[head]!));
    }
  };
  for (let y = 0; y < height; y++)
    slide(
      width,
      (x) => field[y * width + x]!,
      (x, value) => {
        across[y * width + x] = value;
      },
    );
  const highest = fieldOn(grid);
  for (let x = 0; x < width; x++)
    slide(
      height,
      (y) => across[y * width + x]!,
      (y, value) => {
        highest[y * width + x] = value;
      },
    );
  return highest;
}
