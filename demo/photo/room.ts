import { Board } from "#core/board/board";
import { away, type Grid, gridOver } from "#core/board/grid";
import { CARVED } from "#core/board/panels/carved";
import { eachPixel, emptyShape, type PanelShape, roundedOver } from "#core/board/panels/panel";
import { reliefOf } from "#core/board/relief";
import { toLinear, toScreen } from "#core/colour/screen";
import { STANDARD_AIR } from "#core/drying/air";
import { type Camera, type PointInRoom, pictured, seenFrom } from "#core/photo/camera";
import { back, type Corners, mapped, toCorners } from "#core/photo/homography";
import type { Ground } from "#core/plan/ground";

// Photos of the demo's pieces as they stand in the workshop before anything is done, drawn by ourselves: every face is the bare
// ground of our own boards at its true size, seen by a camera that is known to the millimetre.

/** How a face is shaped. */
type Profile = "plain" | "moulded" | "carved" | { member: number } | { boards: number };

/** A flat face in the room, its corners from the upper left as one looks at it. */
export interface Surface {
  corners: readonly [PointInRoom, PointInRoom, PointInRoom, PointInRoom];
  ground: Ground;
  profile: Profile;
  /** how much of the light of the window falls on it */
  light: number;
  seed: number;
  /** a floor is laid of pieces this large, every other one turned over */
  repeats?: number;
}

const size = ([a, b, , d]: Surface["corners"]): [number, number] => [
  Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]),
  Math.hypot(d[0] - a[0], d[1] - a[1], d[2] - a[2]),
];

/** A moulding round a face: a bead a little way in, and a hollow beside it. */
function moulding(border: number, width: number): number {
  const bead = 1 - Math.abs(border - 0.45 * width) / (0.22 * width);
  const hollow = 1 - Math.abs(border - 0.85 * width) / (0.25 * width);
  return (bead > 0 ? 2.4 * Math.sqrt(bead) : 0) - (hollow > 0 ? 2.8 * Math.sqrt(hollow) : 0);
}

const CARVING = { wide: 300, tall: 200, millimetres: 0.75 };

function shaped(profile: Profile, grid: Grid): PanelShape {
  const made = emptyShape(grid);
  const carvedGrid = gridOver(CARVING.wide, CARVING.tall, CARVING.millimetres);
  const carving = profile === "carved" ? CARVED.shape(carvedGrid).height : null;
  eachPixel(grid, (at, x, y) => {
    const border = Math.min(x, y, grid.wide - x, grid.tall - y);
    made.border[at] = border;
    made.sharp[at] = border;
    made.height[at] = roundedOver(border, 2);
    if (profile === "moulded") made.height[at]! += moulding(border, Math.min(26, grid.tall / 4));
    if (carving) {
      const column = Math.min(carvedGrid.width - 1, Math.floor((x / grid.wide) * carvedGrid.width));
      const row = Math.min(carvedGrid.height - 1, Math.floor((y / grid.tall) * carvedGrid.height));
      made.height[at]! += 2.2 * carving[row * carvedGrid.width + column]!;
    }
    if (typeof profile === "object" && "member" in profile) {
      made.height[at]! += moulding(Math.max(0, profile.member - border), 30) + (border > profile.member ? -20 : 0);
      made.upright[at] = Math.min(x, grid.wide - x) < Math.min(y, grid.tall - y) ? 1 : 0;
    }
    if (typeof profile === "object" && "boards" in profile) {
      const joint = Math.abs((((y % profile.boards) + profile.boards) % profile.boards) - profile.boards / 2);
      made.height[at]! -= joint > profile.boards / 2 - 2 ? 3 : 0;
    }
  });
  return made;
}

interface Texture {
  grid: Grid;
  pixels: Uint8ClampedArray;
}

function textureOf({ corners, ground, profile, seed, repeats }: Surface): Texture {
  const [wide, tall] = repeats ? [repeats, repeats] : size(corners);
  const millimetres = Math.max(FINEST, Math.sqrt((wide * tall) / MOST_PIXELS));
  const grid = gridOver(wide, tall, millimetres);
  const relief = reliefOf({ id: `face ${seed}`, shape: (on) => shaped(profile, on) }, grid);
  const board = new Board(
    { ground, phases: [], panel: "plain", seed, air: { course: { usual: [STANDARD_AIR] }, zero: 0 } },
    relief,
  );
  return { grid, pixels: board.picture(0) };
}

/** Millimetres a pixel, and pixels a face, that no camera here sees more of. */
const FINEST = 0.8;
const MOST_PIXELS = 600_000;

/** Where a place of a face lies on its texture, from 0 to 1. */
function onTexture(part: number, length: number, repeats: number | undefined): number {
  if (!repeats) return part;
  const along = (part * length) / repeats;
  const copy = Math.floor(along);
  return copy % 2 === 0 ? along - copy : 1 - (along - copy);
}

const WALL: readonly [number, number, number] = [0.56, 0.54, 0.49];

interface Scene {
  camera: Camera;
  surfaces: readonly Surface[];
  /** where the piece stands on the floor: left, right, back, front */
  stands: readonly [number, number, number, number];
  floor: number;
}

/** Pixels are taken so many times each way, so that edges are soft. */
const FINER = 2;

/** How near a place of the floor lies to the foot of the piece, in millimetres. */
function fromFoot(x: number, z: number, [left, right, behind, front]: Scene["stands"]): number {
  return away(Math.max(left - x, 0, x - right), Math.max(behind - z, 0, z - front));
}

/** A photo of the scene: red, green, blue and opacity of every pixel. */
export function photographed({ camera, surfaces, stands, floor }: Scene) {
  const [width, height] = [FINER * camera.width, FINER * camera.height];
  const light = new Float32Array(3 * width * height);
  const depth = new Float32Array(width * height).fill(Number.POSITIVE_INFINITY);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++)
      for (let channel = 0; channel < 3; channel++)
        light[3 * (row * width + column) + channel] =
          WALL[channel]! * (1.02 - 0.3 * (column / width) - 0.12 * (row / height));
  for (const surface of surfaces) {
    const texture = textureOf(surface);
    const [wide, tall] = size(surface.corners);
    const corners = surface.corners.map((corner) => {
      const [x, y] = pictured(camera, corner);
      return [x * width, y * height] as const;
    }) as unknown as Corners;
    const inverse = back(toCorners(corners));
    const xs = corners.map(([x]) => x);
    const ys = corners.map(([, y]) => y);
    const [a, b, , d] = surface.corners;
    for (let row = Math.max(0, Math.floor(Math.min(...ys))); row < Math.min(height, Math.max(...ys)); row++)
      for (let column = Math.max(0, Math.floor(Math.min(...xs))); column < Math.min(width, Math.max(...xs)); column++) {
        const [u, v] = mapped(inverse, [column + 0.5, row + 0.5]);
        if (!(u >= 0 && u < 1 && v >= 0 && v < 1)) continue;
        const place: PointInRoom = [
          a[0] + u * (b[0] - a[0]) + v * (d[0] - a[0]),
          a[1] + u * (b[1] - a[1]) + v * (d[1] - a[1]),
          a[2] + u * (b[2] - a[2]) + v * (d[2] - a[2]),
        ];
        const ahead = seenFrom(camera, place)[2];
        const pixel = row * width + column;
        // a moulding applied to a face lies a hair before it
        if (ahead <= 0 || ahead > depth[pixel]! + 0.5) continue;
        const { grid, pixels } = texture;
        const right = Math.min(grid.width - 1, Math.floor(onTexture(u, wide, surface.repeats) * grid.width));
        const down = Math.min(grid.height - 1, Math.floor(onTexture(v, tall, surface.repeats) * grid.height));
        const at = 4 * (down * grid.width + right);
        // an opening shows what is behind
        if (pixels[at + 3]! < 128 || isOpen(surface, u, v, grid)) continue;
        depth[pixel] = ahead;
        const onFloor = place[1] <= floor + 0.5;
        const shadow = onFloor ? 1 - 0.62 * Math.exp(-fromFoot(place[0], place[2], stands) / 130) : 1;
        // the window is to the left, and its light grows less to the right and downwards
        const window = surface.light * shadow * (1.08 - 0.0001 * (place[0] + 700)) * (0.93 + 0.0001 * (place[1] + 100));
        for (let channel = 0; channel < 3; channel++)
          light[3 * pixel + channel] = toLinear(pixels[at + channel]! / 255) * window;
      }
  }
  const data = new Uint8ClampedArray(4 * camera.width * camera.height);
  for (let row = 0; row < camera.height; row++)
    for (let column = 0; column < camera.width; column++) {
      const to = 4 * (row * camera.width + column);
      for (let channel = 0; channel < 3; channel++) {
        let sum = 0;
        for (let down = 0; down < FINER; down++)
          for (let right = 0; right < FINER; right++)
            sum += light[3 * ((FINER * row + down) * width + FINER * column + right) + channel]!;
        data[to + channel] = 255 * toScreen(Math.min(1, Math.max(0, sum / (FINER * FINER))));
      }
      data[to + 3] = 255;
    }
  return { width: camera.width, height: camera.height, data };
}

const isOpen = ({ profile }: Surface, u: number, v: number, { wide, tall }: Grid): boolean =>
  typeof profile === "object" &&
  "member" in profile &&
  Math.min(u * wide, (1 - u) * wide, v * tall, (1 - v) * tall) > profile.member;
