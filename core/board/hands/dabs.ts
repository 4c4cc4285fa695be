import { away, type Field, fieldOn, type Grid, panelsIn } from "../grid.ts";
import { clouds, noise } from "../noise.ts";
import { randomFrom } from "../random.ts";
import type { Hand } from "./hand.ts";

/** Runs over the pixels of a round place, with how far each lies from its middle. */
export function around(
  grid: Grid,
  x: number,
  y: number,
  radius: number,
  visit: (at: number, dx: number, dy: number) => void,
) {
  const mm = grid.millimetres;
  const left = Math.max(0, Math.floor((x - radius) / mm));
  const right = Math.min(grid.width - 1, Math.ceil((x + radius) / mm));
  const top = Math.max(0, Math.floor((y - radius) / mm));
  const bottom = Math.min(grid.height - 1, Math.ceil((y + radius) / mm));
  for (let row = top; row <= bottom; row++)
    for (let column = left; column <= right; column++)
      visit(row * grid.width + column, (column + 0.5) * mm - x, (row + 0.5) * mm - y);
}

interface Facet {
  x: number;
  y: number;
  nx: number;
  ny: number;
  lift: number;
}

/** The face of a crumpled rag: folds that each press along one side and lift on the other. */
function crumple(random: () => number, radius: number): Facet[] {
  return Array.from({ length: 16 }, () => {
    const turn = random() * 2 * Math.PI;
    return {
      x: (random() * 2 - 1) * radius,
      y: (random() * 2 - 1) * radius,
      nx: Math.cos(turn),
      ny: Math.sin(turn),
      lift: 0.5 + random(),
    };
  });
}

const STAMP = 17;
const STEP = 15;
/** A face is pressed into this many cells a side, and read from them at every dab. */
const CELLS = 112;

/** How hard a face presses at each place of itself: creases bite, folds slope, the rim fades. */
function pressOf(face: readonly Facet[]): Float32Array {
  const press = new Float32Array(CELLS * CELLS);
  for (let row = 0; row < CELLS; row++)
    for (let column = 0; column < CELLS; column++) {
      const u = ((column + 0.5) / CELLS) * 2 * STAMP - STAMP;
      const v = ((row + 0.5) / CELLS) * 2 * STAMP - STAMP;
      const fade = 1 - (u * u + v * v) / (STAMP * STAMP);
      if (fade <= 0) continue;
      // the nearest two folds tell the crease that lies between them
      let first = Number.POSITIVE_INFINITY;
      let second = Number.POSITIVE_INFINITY;
      let nearest = face[0]!;
      for (const fold of face) {
        const distance = (u - fold.x) ** 2 + (v - fold.y) ** 2;
        if (distance < first) {
          second = first;
          first = distance;
          nearest = fold;
        } else if (distance < second) second = distance;
      }
      const crease = Math.sqrt(second) - Math.sqrt(first);
      const slope = ((u - nearest.x) * nearest.nx + (v - nearest.y) * nearest.ny) * 0.14;
      press[row * CELLS + column] =
        Math.min(1, 2.2 * fade) * (nearest.lift * 0.55 + slope + 0.9 * Math.exp(-crease / 0.9));
    }
  return press;
}

/** How hard a crumpled rag pressed at each place: three of its faces, dabbed over one another and turned at every dab. */
export function ragged(grid: Grid, seed: number): Field {
  const random = randomFrom(seed);
  const faces = [0, 1, 2].map(() => pressOf(crumple(random, STAMP)));
  const field = fieldOn(grid);
  const spread = noise(grid, seed + 1, 0.7).field();
  const perMillimetre = CELLS / (2 * STAMP);
  for (let y = -STEP / 2; y < grid.tall + STEP; y += STEP)
    for (let x = -STEP / 2; x < grid.wide + STEP; x += STEP) {
      const cx = x + (random() - 0.5) * STEP;
      const cy = y + (random() - 0.5) * STEP;
      const face = faces[Math.floor(random() * 3)]!;
      const turn = random() * 2 * Math.PI;
      const cos = Math.cos(turn) * perMillimetre;
      const sin = Math.sin(turn) * perMillimetre;
      const press = 0.6 + 0.7 * random();
      around(grid, cx, cy, STAMP, (at, dx, dy) => {
        const column = Math.floor(dx * cos + dy * sin + CELLS / 2);
        const row = Math.floor(dy * cos - dx * sin + CELLS / 2);
        if (column < 0 || row < 0 || column >= CELLS || row >= CELLS) return;
        const pressed = press * face[row * CELLS + column]!;
        if (pressed > field[at]!) field[at] = pressed;
      });
    }
  for (let at = 0; at < field.length; at++) field[at] = (field[at]! - 0.95) * 2 + 0.22 * spread[at]!;
  return field;
}

export const ragOn: Hand = ({ grid, seed }) => {
  const pressed = ragged(grid, seed);
  const weight = fieldOn(grid);
  for (let at = 0; at < weight.length; at++) weight[at] = Math.max(0.25, 1 + 0.22 * pressed[at]!);
  return { weight, breaks: pressed, softness: 0.55 };
};

/** Drops off a stiff brush: many fine, few large, some with a tail. Let down with water they are finer, and soft at the edge. */
export const spatter: Hand = ({ grid, seed, letDown }) => {
  const random = randomFrom(seed);
  const score = fieldOn(grid).fill(-1);
  const drift = clouds(grid, seed + 1, 70, 2).field();
  const edge = noise(grid, seed + 2, 0.5).field();
  const aim = random() * Math.PI;
  for (let drop = 0; drop < 5200 * panelsIn(grid); drop++) {
    const x = random() * grid.wide;
    const y = random() * grid.tall;
    const radius = 0.2 + (0.4 - 0.3 * letDown) * random() + (1.7 - 1.2 * letDown) * random() ** 12;
    const stretch = 1 + (random() < 0.25 ? random() * 1.6 : 0.15 * random());
    const cos = Math.cos(aim + (random() - 0.5) * 0.5);
    const sin = Math.sin(aim + (random() - 0.5) * 0.5);
    const rank = random();
    around(grid, x, y, radius * stretch * 1.3, (at, dx, dy) => {
      const u = (dx * cos + dy * sin) / stretch;
      const v = dy * cos - dx * sin;
      const inside = 1 - (away(u, v) * (1 + 0.12 * edge[at]!)) / radius;
      // each drop has its own rank, so that a smaller share is fewer drops and not smaller ones
      if (inside > 0) score[at] = Math.max(score[at]!, rank + 0.25 * drift[at]! + 0.6 * Math.min(0.35, inside));
    });
  }
  const weight = fieldOn(grid).fill(1);
  return { weight, breaks: score, softness: 0.12 + 0.5 * letDown };
};

/** Coarse crumb that fell in clusters on the wet paint: grains of unlike size with ragged edges. */
export const crumb: Hand = ({ grid, seed }) => {
  const random = randomFrom(seed);
  const clusters = clouds(grid, seed + 1, 34, 3).field();
  const ragged = clouds(grid, seed + 2, 0.9, 2).field();
  const score = fieldOn(grid);
  for (let at = 0; at < score.length; at++) score[at] = -3 + 0.3 * clusters[at]!;
  for (let grain = 0; grain < 17_000 * panelsIn(grid); grain++) {
    const x = random() * grid.wide;
    const y = random() * grid.tall;
    const radius = 0.34 + 0.45 * random() + 1.5 * random() ** 9;
    const rank = random();
    const column = Math.min(grid.width - 1, Math.floor(x / grid.millimetres));
    const row = Math.min(grid.height - 1, Math.floor(y / grid.millimetres));
    const here = clusters[row * grid.width + column]!;
    around(grid, x, y, radius * 1.5, (at, dx, dy) => {
      const inside = 1 - away(dx, dy) / radius + 0.3 * ragged[at]!;
      if (inside > 0) score[at] = Math.max(score[at]!, 0.5 * here + rank + 0.5 * Math.min(0.5, inside));
    });
  }
  const weight = fieldOn(grid);
  for (let at = 0; at < weight.length; at++) weight[at] = Math.max(0.4, 1 + 0.25 * ragged[at]!);
  return { weight, breaks: score, softness: 0.14 };
};
