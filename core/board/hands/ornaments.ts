import { away, type Field, fieldOn, type Grid, panelsIn } from "../grid.ts";
import { reckon } from "../kernels.ts";
import { clouds, noise } from "../noise.ts";
import { hashed, randomFrom } from "../random.ts";
import { around } from "./dabs.ts";
import type { Hand, WorkedBoard } from "./hand.ts";

// Shapes that are laid rather than brushed: stencils, stamps, transfers, tissue, leaf, embossed paste. All invented here.

/** A star of so many points, as distance inside its outline at a turn. */
function star(turn: number, points: number, turned: number, long: number, waist: number): number {
  const part = (((turn + turned) / (2 * Math.PI)) * points + 2 * points) % 1;
  const off = Math.abs(part - 0.5) * 2;
  return long * (waist + (1 - waist) * off ** 2.2);
}

/** A compass rose of eight points, as distance inside its outline: more than 0 within. */
function rose(dx: number, dy: number, radius: number): number {
  const distance = away(dx, dy) / radius;
  if (distance > 1.3) return 1 - distance;
  const turn = Math.atan2(dy, dx);
  const ring = 0.05 - Math.abs(distance - 0.78);
  return Math.max(star(turn, 4, 0, 1, 0.12) - distance, star(turn, 4, Math.PI / 4, 0.66, 0.14) - distance, ring);
}

/** A rope border: slanted lozenges between two lines. */
function rope(along: number, across: number): number {
  const strand = Math.abs(((((along / 4.2 + across * 0.12) % 1) + 1) % 1) - 0.5);
  return Math.abs(across) < 2.1 ? 0.33 - strand : -1;
}

const ORNAMENT_RADIUS = 34;

const cut = new Map<string, Field>();

/** The stencil that is laid over a whole face: a large rose, two small, ropes above and below. Cut once a size. */
function stencilShape(grid: Grid): Field {
  const name = `${grid.width} ${grid.wide} ${grid.tall}`;
  const known = cut.get(name);
  if (known) return known;
  const shape = fieldOn(grid).fill(-1);
  const cx = grid.wide / 2;
  const cy = grid.tall / 2;
  for (let row = 0; row < grid.height; row++)
    for (let column = 0; column < grid.width; column++) {
      const x = (column + 0.5) * grid.millimetres;
      const y = (row + 0.5) * grid.millimetres;
      const roses = Math.max(
        rose(x - cx, y - cy, ORNAMENT_RADIUS),
        rose(x - cx + 78, y - cy, 20),
        rose(x - cx - 78, y - cy, 20),
      );
      const lines = Math.abs(x - cx) < 104 ? Math.max(rope(x, y - cy + 46), rope(x, y - cy - 46)) : -1;
      shape[row * grid.width + column] = Math.max(roses * 4, lines * 1.2);
    }
  if (cut.size > 4) cut.clear();
  cut.set(name, shape);
  return shape;
}

/** Little paint, pounced: crisp at the bridge, a little mottled within. */
export const stencil: Hand = ({ grid, seed }) => {
  const dots = clouds(grid, seed, 2.4, 3, 0.8).field();
  const weight = fieldOn(grid);
  for (let at = 0; at < weight.length; at++) weight[at] = Math.max(0.2, 1 + 0.3 * dots[at]!);
  return {
    weight,
    breaks: reckon(grid)
      .plus(1, stencilShape(grid))
      .plus(0.05, noise(grid, seed, 0.5)),
    softness: 0.2,
  };
};

export const stamp: Hand = ({ grid, seed }) => {
  const random = randomFrom(seed);
  const score = fieldOn(grid).fill(-1);
  const dry = clouds(grid, seed + 1, 3, 3, 0.8).field();
  for (let y = 20; y < grid.tall; y += 32)
    for (let x = 22; x < grid.wide; x += 32) {
      const cx = x + (random() - 0.5) * 5;
      const cy = y + (random() - 0.5) * 5;
      const turn = (random() - 0.5) * 0.5;
      around(grid, cx, cy, 12, (at, dx, dy) => {
        const u = dx * Math.cos(turn) + dy * Math.sin(turn);
        const v = dy * Math.cos(turn) - dx * Math.sin(turn);
        score[at] = Math.max(score[at]!, rose(u, v, 11) * 4 + 0.14 * dry[at]!);
      });
    }
  const weight = fieldOn(grid);
  for (let at = 0; at < weight.length; at++) weight[at] = Math.max(0.15, 0.9 + 0.4 * dry[at]!);
  return { weight, breaks: score, softness: 0.25 };
};

/** Capital letters as strokes on a 4 × 6 field. */
const LETTERS: Record<string, readonly (readonly [number, number, number, number])[]> = {
  R: [
    [0, 0, 0, 6],
    [0, 0, 3, 0],
    [3, 0, 4, 1.4],
    [4, 1.4, 3, 3],
    [3, 3, 0, 3],
    [1.6, 3, 4, 6],
  ],
  O: [
    [1, 0, 3, 0],
    [3, 0, 4, 1.4],
    [4, 1.4, 4, 4.6],
    [4, 4.6, 3, 6],
    [3, 6, 1, 6],
    [1, 6, 0, 4.6],
    [0, 4.6, 0, 1.4],
    [0, 1.4, 1, 0],
  ],
  P: [
    [0, 0, 0, 6],
    [0, 0, 3, 0],
    [3, 0, 4, 1.5],
    [4, 1.5, 3, 3.1],
    [3, 3.1, 0, 3.1],
  ],
  E: [
    [0, 0, 0, 6],
    [0, 0, 4, 0],
    [0, 3, 3, 3],
    [0, 6, 4, 6],
  ],
  T: [
    [0, 0, 4, 0],
    [2, 0, 2, 6],
  ],
  A: [
    [0, 6, 2, 0],
    [2, 0, 4, 6],
    [0.8, 4, 3.2, 4],
  ],
};

export const transfer: Hand = ({ grid, seed }) => {
  const score = fieldOn(grid).fill(-6);
  const worn = clouds(grid, seed, 4, 4, 0.7).field();
  const size = 4.6;
  const words: [string, number, number][] = [
    ["ROPE", 84, 62],
    ["TAR", 176, 62],
  ];
  for (const [word, x0, y0] of words)
    [...word].forEach((letter, index) => {
      for (const [ax, ay, bx, by] of LETTERS[letter] ?? []) {
        const fromX = x0 + index * size * 4.9 + ax * size * 0.85;
        const fromY = y0 + ay * size * 1.9;
        const dx = (bx - ax) * size * 0.85;
        const dy = (by - ay) * size * 1.9;
        const whole = dx * dx + dy * dy;
        around(grid, fromX + dx / 2, fromY + dy / 2, Math.sqrt(whole) / 2 + 3, (at, ox, oy) => {
          const px = ox + dx / 2;
          const py = oy + dy / 2;
          const along = Math.min(1, Math.max(0, (px * dx + py * dy) / whole));
          const thick = Math.abs(dy) > Math.abs(dx) ? 1.7 : 0.9;
          const distance = away(px - along * dx, py - along * dy);
          score[at] = Math.max(score[at]!, thick - distance);
        });
      }
    });
  for (let at = 0; at < score.length; at++) score[at] = score[at]! + 0.12 * worn[at]!;
  return { weight: fieldOn(grid).fill(1), breaks: score, softness: 0.4 };
};

/** The print of a tissue: loose roses of overlapping petals, and leaves between them. */
function rosePrint(grid: Grid, seed: number): { petals: Field; leaves: Field } {
  const random = randomFrom(seed + 9);
  const petals = fieldOn(grid);
  const leaves = fieldOn(grid);
  for (let bloom = 0; bloom < 150 * panelsIn(grid); bloom++) {
    const x = random() * grid.wide;
    const y = random() * grid.tall;
    const turned = random() * 2 * Math.PI;
    if (bloom % 5 < 2) {
      const radius = 9 + 7 * random();
      around(grid, x, y, radius, (at, dx, dy) => {
        const distance = away(dx, dy) / radius;
        const turn = Math.atan2(dy, dx) + turned;
        const outline = 0.86 + 0.14 * Math.abs(Math.sin(2.5 * turn));
        if (distance > outline) return;
        // petals lap round the heart: each ring is dark where it comes out from under the next
        const ring = (distance * 3.4 + 0.24 * Math.sin(2.5 * turn + 9 * distance)) % 1;
        petals[at] = Math.max(petals[at]!, 0.25 + 0.6 * ring * (1.05 - 0.6 * distance));
        leaves[at] = 0;
      });
    } else {
      const length = 12 + 8 * random();
      const cos = Math.cos(turned);
      const sin = Math.sin(turned);
      around(grid, x, y, length, (at, dx, dy) => {
        const along = (dx * cos + dy * sin) / length + 0.5;
        const across = Math.abs(dy * cos - dx * sin) / length;
        const edge = 0.2 * Math.sin(Math.PI * Math.min(1, Math.max(0, along)) ** 0.8);
        if (along < 0 || along > 1 || across > edge || petals[at]! > 0) return;
        const vein = Math.abs(((along * 6 + across * 9) % 1) - 0.5) < 0.12 || across < 0.012 ? 0.25 : 0;
        leaves[at] = Math.max(leaves[at]!, 0.5 + vein);
      });
    }
  }
  return { petals, leaves };
}

/** Colours of the demo's print (invented). */
const PETAL = "#9c4a4a";
const LEAF = "#5d6a48";

export const tissue: Hand = ({ grid, seed }) => {
  const creases = clouds(grid, seed + 3, 14, 3).field();
  const weight = fieldOn(grid);
  for (let at = 0; at < weight.length; at++) weight[at] = 1 + 0.35 * Math.max(0, 1 - Math.abs(creases[at]!) * 14);
  const { petals, leaves } = rosePrint(grid, seed);
  return {
    weight,
    breaks: clouds(grid, seed + 4, 40, 4),
    softness: 0.15,
    prints: [
      { where: leaves, colour: LEAF },
      { where: petals, colour: PETAL },
    ],
  };
};

const SHEET = 34;

/** Leaf by the sheet: laps a little brighter, each sheet with its own turn of the light, here and there a tear. */
export const leaf: Hand = ({ relief, grid, seed }: WorkedBoard) => {
  const tears = clouds(grid, seed, 9, 4, 0.65).field();
  const wander = clouds(grid, seed + 2, 16, 3).field();
  const weight = fieldOn(grid);
  const breaks = fieldOn(grid);
  for (let row = 0; row < grid.height; row++)
    for (let column = 0; column < grid.width; column++) {
      const at = row * grid.width + column;
      const x = (column + 0.5) * grid.millimetres + 0.5 * wander[at]!;
      const y = (row + 0.5) * grid.millimetres + 0.5 * wander[at]!;
      const sheetX = Math.floor(x / SHEET);
      const sheetY = Math.floor(y / SHEET);
      const u = x - sheetX * SHEET;
      const v = y - sheetY * SHEET;
      const lap = u < 2 || v < 2 ? 0.5 : 0;
      weight[at] = 0.85 + lap + 0.3 * hashed(sheetX, sheetY, seed);
      const seam = Math.min(u, v, SHEET - u, SHEET - v);
      breaks[at] = -(tears[at]! + 1.2 * Math.exp(-seam / 1.2) + 0.7 * relief.edge[at]! + 0.5 * relief.recess[at]!);
    }
  return { weight, breaks, softness: 0.1 };
};

/** A patterned roller pressed into soft paste: a damask of leaves and lozenges that stands proud. */
export const emboss: Hand = ({ grid, seed }) => {
  const rough = clouds(grid, seed, 4, 3).field();
  const weight = fieldOn(grid);
  for (let row = 0; row < grid.height; row++)
    for (let column = 0; column < grid.width; column++) {
      const at = row * grid.width + column;
      const x = (column + 0.5) * grid.millimetres;
      const y = (row + 0.5) * grid.millimetres;
      const shifted = Math.floor(y / 26) % 2 === 0 ? x : x + 13;
      const u = (((shifted % 26) + 26) % 26) - 13;
      const v = (((y % 26) + 26) % 26) - 13;
      const turn = Math.atan2(v, u);
      const distance = away(u, v);
      const petal = 5.5 + 4.5 * Math.cos(4 * turn) ** 2;
      const figure = distance < petal ? 0.55 * (1 - (distance / petal) ** 4) : 0;
      const rib = Math.max(0, 0.35 - Math.abs(distance - petal - 1.4) * 0.4);
      weight[at] = 0.75 + figure + rib + 0.06 * rough[at]!;
    }
  return { weight, breaks: null, softness: 0.4 };
};

/** Paste off a knife: ridges where strokes end, hollows and skips. */
export const trowel: Hand = ({ grid, seed }) => {
  const broad = clouds(grid, seed, 46, 3, 0.5, 1.8).field();
  const ridges = clouds(grid, seed + 4, 18, 3, 0.55, 2.4).field();
  const weight = fieldOn(grid);
  for (let at = 0; at < weight.length; at++) {
    const ridge = Math.max(0, 1 - Math.abs(ridges[at]!) * 5);
    weight[at] = Math.max(0.3, 1 + 0.16 * broad[at]! + 0.3 * ridge);
  }
  return { weight, breaks: broad, softness: 0.15 };
};
