import { away, type Field, type Grid, smoothstep } from "../grid.ts";

/** Carving is put together from stems and leaves, each raised over what lies there. All sizes in millimetres. */
export interface Block {
  grid: Grid;
  /** height of the carving over its floor */
  raised: Field;
  /** how far it is to the carving, as far as it was looked for */
  away: Field;
}

const LOOKED_FOR = 14;

/** Visits the pixels of a rectangle on the panel. */
function within(
  { grid }: Block,
  [x0, y0, x1, y1]: readonly [number, number, number, number],
  visit: (at: number, x: number, y: number) => void,
) {
  const mm = grid.millimetres;
  const left = Math.max(0, Math.floor(x0 / mm));
  const right = Math.min(grid.width - 1, Math.ceil(x1 / mm));
  const top = Math.max(0, Math.floor(y0 / mm));
  const bottom = Math.min(grid.height - 1, Math.ceil(y1 / mm));
  for (let row = top; row <= bottom; row++)
    for (let column = left; column <= right; column++)
      visit(row * grid.width + column, (column + 0.5) * mm, (row + 0.5) * mm);
}

export type Point = readonly [x: number, y: number];

/** A round stem along points, `radius` thick at each; its back is fluted. */
export function stem(block: Block, points: readonly Point[], radius: (part: number) => number) {
  for (let step = 0; step + 1 < points.length; step++) {
    const [ax, ay] = points[step]!;
    const [bx, by] = points[step + 1]!;
    const dx = bx - ax;
    const dy = by - ay;
    const whole = dx * dx + dy * dy || 1e-9;
    const box = [
      Math.min(ax, bx) - LOOKED_FOR,
      Math.min(ay, by) - LOOKED_FOR,
      Math.max(ax, bx) + LOOKED_FOR,
      Math.max(ay, by) + LOOKED_FOR,
    ] as const;
    within(block, box, (at, x, y) => {
      const along = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / whole));
      const distance = away(x - ax - along * dx, y - ay - along * dy);
      const thick = radius((step + along) / (points.length - 1));
      if (distance - thick < block.away[at]!) block.away[at] = Math.max(0, distance - thick);
      if (distance >= thick) return;
      const q = distance / thick;
      const height = 1.05 * thick * Math.sqrt(1 - q * q) - 0.22 * Math.exp(-((q / 0.3) ** 2)) * Math.min(1, thick / 2);
      if (height > block.raised[at]!) block.raised[at] = height;
    });
  }
}

export interface LeafShape {
  at: Point;
  /** degrees from pointing right, turning downwards */
  angle: number;
  length: number;
  /** half its breadth */
  breadth: number;
  /** how much the tip bends to its left, as a part of the length */
  curl: number;
  lobes: number;
}

/** A leaf with a midrib, side veins and lobes that lean to the tip. */
export function leaf(block: Block, { at: [x0, y0], angle, length, breadth, curl, lobes }: LeafShape) {
  const turn = (angle * Math.PI) / 180;
  const cos = Math.cos(turn);
  const sin = Math.sin(turn);
  const reach = length + breadth;
  within(block, [x0 - reach, y0 - reach, x0 + reach, y0 + reach], (at, x, y) => {
    const along = (x - x0) * cos + (y - y0) * sin;
    const u = along / length;
    if (u <= -0.4 || u >= 1.4) return;
    const side = -(x - x0) * sin + (y - y0) * cos - curl * length * u * u;
    const held = Math.min(1, Math.max(0, u));
    const body = Math.sin(Math.PI * held ** 0.78) ** 0.75;
    // lobes lean forward: the outline is read a little further back the further out one stands
    const lean = held * lobes - (0.5 * Math.abs(side)) / breadth;
    const tooth = Math.abs(Math.sin(Math.PI * lean));
    const outline = breadth * body * (0.68 + 0.32 * tooth ** 0.6);
    const distance = Math.max(Math.abs(side) - outline, -along, along - length);
    if (distance < block.away[at]!) block.away[at] = Math.max(0, distance);
    if (u <= 0 || u >= 1 || outline <= 0.05 || Math.abs(side) >= outline) return;
    const q = Math.abs(side) / outline;
    const dome = Math.sqrt(1 - q * q);
    const rib = 0.75 * Math.exp(-((side / 0.75) ** 2)) * (1 - held);
    const vein = 0.55 * (1 - tooth) ** 3 * smoothstep(0.08, 0.3, q);
    const height = (0.9 + 0.3 * breadth * Math.sin(Math.PI * held ** 0.9)) * dome ** 0.8 - vein - rib;
    if (height > block.raised[at]!) block.raised[at] = height;
  });
}

/** A round boss: a berry, or the eye of a rosette. */
export function berry(block: Block, [x0, y0]: Point, radius: number) {
  within(
    block,
    [x0 - radius - LOOKED_FOR, y0 - radius - LOOKED_FOR, x0 + radius + LOOKED_FOR, y0 + radius + LOOKED_FOR],
    (at, x, y) => {
      const distance = away(x - x0, y - y0);
      if (distance - radius < block.away[at]!) block.away[at] = Math.max(0, distance - radius);
      if (distance >= radius) return;
      const height = 0.6 + 0.95 * Math.sqrt(radius * radius - distance * distance);
      if (height > block.raised[at]!) block.raised[at] = height;
    },
  );
}

/** Points of a spiral from its eye outwards. */
export function spiral(
  [x, y]: Point,
  from: number,
  to: number,
  startDegrees: number,
  turns: number,
  steps = 60,
): Point[] {
  return Array.from({ length: steps + 1 }, (_, index) => {
    const part = index / steps;
    const angle = ((startDegrees + 360 * turns * part) * Math.PI) / 180;
    const radius = from + (to - from) * part ** 0.9;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)] as const;
  });
}

/** Points of a cubic curve. */
export function curve(a: Point, b: Point, c: Point, d: Point, steps = 24): Point[] {
  return Array.from({ length: steps + 1 }, (_, index) => {
    const t = index / steps;
    const u = 1 - t;
    const mix = (p: 0 | 1) => u ** 3 * a[p] + 3 * u * u * t * b[p] + 3 * u * t * t * c[p] + t ** 3 * d[p];
    return [mix(0), mix(1)] as const;
  });
}
