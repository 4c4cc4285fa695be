import { fieldOn, type Grid, gridOver, PANEL_HEIGHT, PANEL_WIDTH, smoothstep } from "../grid.ts";
import { type Block, berry, curve, leaf, type Point, spiral, stem } from "./carving.ts";
import { eachPixel, emptyShape, isOnStile, type Panel, type PanelShape, roundedOver } from "./panel.ts";

/** Where the frame, its bead and its hollow end, from the border inwards. */
const FRAME = 25;
const BEAD = 31.5;
const HOLLOW = 38;
const FLOOR = -4.6;
const LIST_AT = 43;

/** Section through frame and moulding, by how far a place lies from the border. */
function profile(border: number): number {
  if (border < FRAME - 1.1) return roundedOver(border, 1.4);
  if (border < FRAME) return -1.3;
  if (border < BEAD) {
    const q = (border - (FRAME + BEAD) / 2) / ((BEAD - FRAME) / 2);
    return -0.9 + 2.4 * Math.sqrt(Math.max(0, 1 - q * q));
  }
  if (border < HOLLOW) {
    const q = (border - BEAD) / (HOLLOW - BEAD);
    return -1 + (FLOOR + 1) * Math.sin((q * Math.PI) / 2);
  }
  const list = Math.abs(border - LIST_AT) / 0.95;
  return FLOOR + (list < 1 ? 0.95 * Math.sqrt(1 - list * list) : 0);
}

const SHARP_AT = [0, FRAME - 1.1, HOLLOW];

/** A leaf that grows from a stem: how far along, to which side, how long and broad, and how it bends. */
type Sprout = readonly [part: number, side: 1 | -1, length: number, breadth: number, curl: number, lobes: number];

const LEAN = 38;
/** How far away from the carving a place is at most said to be. */
const NOT_NEAR = 14;

function sprout(block: Block, path: readonly Point[], leaves: readonly Sprout[]) {
  for (const [part, side, length, breadth, curl, lobes] of leaves) {
    const index = Math.min(path.length - 2, Math.floor(part * (path.length - 1)));
    const [x, y] = path[index]!;
    const [nextX, nextY] = path[index + 1]!;
    const along = (Math.atan2(nextY - y, nextX - x) * 180) / Math.PI;
    leaf(block, { at: [x, y], angle: along + side * LEAN, length, breadth, curl: side * curl, lobes });
  }
}

const LEFT: Point = [101, 106];
const RIGHT: Point = [199, 94];

/** A running scroll: two spirals that turn against each other, of unlike size, with leaves where a carver would put them. */
function carve(block: Block) {
  const left = spiral(LEFT, 5, 33, 74, 1.6);
  const right = spiral(RIGHT, 4.4, 30, -458, 1.55).reverse();
  const from = left.at(-1)!;
  const to = right[0]!;
  const between = curve(from, [from[0] + 40, from[1] + 14], [to[0] - 40, to[1] - 7], to, 30);
  sprout(block, left, [
    [0.5, -1, 15, 4.6, 0.2, 3],
    [0.6, -1, 18, 5.4, 0.22, 4],
    [0.7, -1, 22, 6.2, 0.2, 4],
    [0.8, -1, 24, 6.6, 0.24, 5],
    [0.9, -1, 25, 6.8, 0.2, 5],
    [0.97, -1, 22, 6, 0.16, 4],
    [0.72, 1, 12, 3.6, 0.3, 3],
    [0.9, 1, 13, 3.8, 0.28, 3],
  ]);
  sprout(block, between, [
    [0.2, 1, 22, 6, 0.24, 4],
    [0.34, -1, 28, 7.2, 0.2, 5],
    [0.56, 1, 28, 7, 0.22, 5],
    [0.74, -1, 22, 5.8, 0.26, 4],
  ]);
  sprout(block, right, [
    [0.02, 1, 20, 5.8, 0.22, 4],
    [0.1, 1, 23, 6.4, 0.22, 5],
    [0.2, 1, 21, 6, 0.24, 4],
    [0.3, 1, 19, 5.4, 0.2, 4],
    [0.4, 1, 16, 4.8, 0.24, 3],
    [0.16, -1, 12, 3.4, 0.3, 3],
  ]);
  stem(block, left, (part) => 1.7 + 1.3 * part);
  stem(block, between, () => 2.9);
  stem(block, right, (part) => 2.9 - 1.2 * part);
  // tendrils towards the four corners, no two alike
  const tails: [Point[], Sprout[]][] = [
    [
      [...curve([72, 92], [58, 88], [48, 78], [52, 66], 16), ...spiral([58, 65], 1.4, 6, -170, 1.1, 30).reverse()],
      [[0.2, -1, 15, 4.2, 0.3, 3]],
    ],
    [
      [...curve([88, 136], [76, 148], [60, 150], [52, 141], 16), ...spiral([57, 138], 1.4, 5, 150, -1, 26).reverse()],
      [[0.25, 1, 14, 4, 0.3, 3]],
    ],
    [
      [
        ...curve([222, 74], [232, 60], [244, 55], [250, 63], 16),
        ...spiral([245, 66], 1.4, 5.4, -20, -1.1, 28).reverse(),
      ],
      [[0.2, -1, 14, 4, 0.3, 3]],
    ],
    [
      [
        ...curve([226, 112], [240, 120], [252, 130], [246, 141], 16),
        ...spiral([240, 139], 1.4, 6, 20, 1.1, 30).reverse(),
      ],
      [[0.25, 1, 16, 4.4, 0.3, 3]],
    ],
    [
      [...curve([150, 84], [158, 66], [172, 54], [180, 62], 16), ...spiral([175, 65], 1.2, 5, -20, -1, 26).reverse()],
      [[0.3, -1, 13, 3.8, 0.3, 3]],
    ],
    [
      [
        ...curve([154, 112], [148, 132], [136, 148], [126, 142], 16),
        ...spiral([130, 138], 1.2, 5, 150, -1, 26).reverse(),
      ],
      [[0.3, 1, 14, 4, 0.3, 3]],
    ],
  ];
  for (const [points, leaves] of tails) {
    sprout(block, points, leaves);
    stem(block, points, (part) => 1.9 - 1.1 * part);
  }
  for (let petal = 0; petal < 7; petal++)
    leaf(block, { at: LEFT, angle: 14 + (petal * 360) / 7, length: 11, breadth: 3.1, curl: 0.06, lobes: 1 });
  berry(block, LEFT, 2.7);
  for (const [x, y, radius] of [
    [196.4, 92, 2.5],
    [201.4, 94.4, 2.3],
    [197.6, 97.6, 2.1],
    [58, 65, 1.5],
    [240, 139, 1.5],
  ] as const)
    berry(block, [x, y], radius);
}

function shape(grid: Grid): PanelShape {
  const made = emptyShape(grid);
  // the carving is as large as the face lets it be, and sits in its middle
  const size = Math.min(grid.wide / PANEL_WIDTH, grid.tall / PANEL_HEIGHT);
  const own = gridOver(PANEL_WIDTH, PANEL_HEIGHT, grid.millimetres / size);
  const block: Block = { grid: own, raised: fieldOn(own), away: fieldOn(own).fill(NOT_NEAR) };
  carve(block);
  const placeOf = (x: number, y: number) => {
    const column = Math.floor((PANEL_WIDTH / 2 + (x - grid.wide / 2) / size) / own.millimetres);
    const row = Math.floor((PANEL_HEIGHT / 2 + (y - grid.tall / 2) / size) / own.millimetres);
    return column < 0 || row < 0 || column >= own.width || row >= own.height ? -1 : row * own.width + column;
  };
  eachPixel(grid, (at, x, y, border) => {
    made.border[at] = border;
    made.upright[at] = border < HOLLOW && isOnStile(grid, x, y) ? 1 : 0;
    const on = placeOf(x, y);
    const raised = on < 0 ? 0 : size * block.raised[on]!;
    made.height[at] = profile(border) + raised * smoothstep(0, 1, raised);
    let sharp = 1000;
    for (const edge of SHARP_AT) sharp = Math.min(sharp, Math.abs(border - edge));
    made.sharp[at] = sharp;
    made.motif[at] = on < 0 ? NOT_NEAR : size * block.away[on]!;
  });
  return made;
}

export const CARVED: Panel = { id: "carved", shape };
