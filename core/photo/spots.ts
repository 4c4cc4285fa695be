import type { Grid } from "../board/grid.ts";
import type { PanelRelief } from "../board/relief.ts";
import { toScreen } from "../colour/screen.ts";
import { back, type XY } from "./homography.ts";
import type { FaceOn } from "./measure.ts";
import { LIGHT_OF, type Pixels } from "./straightened.ts";

// Between the pixels of a photo and the grid of a face: where each lies, and how one is laid over the other.

/** Where one pixel of the photo lies on a face, and how much of it the face takes up. */
export interface Spots {
  /** index of the pixel */
  at: Int32Array;
  x: Float32Array;
  y: Float32Array;
  part: Float32Array;
}

const roomFor = (count: number): Spots => ({
  at: new Int32Array(count),
  x: new Float32Array(count),
  y: new Float32Array(count),
  part: new Float32Array(count),
});

/** Every pixel of the photo that a face takes up, and where on its grid that is. */
export function spotsOf(
  photo: Pick<Pixels, "width" | "height">,
  { cells }: FaceOn,
  { grid, inside }: Pick<PanelRelief, "grid" | "inside">,
): Spots {
  const longest = Math.max(photo.width, photo.height);
  const [lastTop, lastLeft] = [Math.max(...cells.map(({ top }) => top)), Math.max(...cells.map(({ left }) => left))];
  const cellSpots = cells.map(({ map, corners, left, top, width, height }) => {
    const here = corners.map(([x, y]): XY => [x * longest + photo.width / 2, y * longest + photo.height / 2]);
    const [a, b, c, d, e, f, g, h, i] = back(map);
    // soft at the outline of the face, half a pixel over it so that nothing shows between two faces; closed where cell meets cell
    const soft = [top === 0, left === lastLeft, top === lastTop, left === 0];
    const edges = here.map(([x, y], index) => {
      const [nx, ny] = here[(index + 1) % 4]!;
      const length = Math.hypot(nx - x, ny - y);
      const [across, down] = [-(ny - y) / length, (nx - x) / length];
      return { across, down, from: -(across * x + down * y), soft: soft[index]! };
    });
    const bound = (values: number[], most: number): [number, number] => [
      Math.max(0, Math.floor(Math.min(...values)) - 1),
      Math.min(most - 1, Math.ceil(Math.max(...values)) + 1),
    ];
    const [left0, right0] = bound(
      here.map(([x]) => x),
      photo.width,
    );
    const [top0, bottom0] = bound(
      here.map(([, y]) => y),
      photo.height,
    );
    const room = Math.max(0, (right0 - left0 + 1) * (bottom0 - top0 + 1));
    const spots = roomFor(room);
    let count = 0;
    for (let row = top0; row <= bottom0; row++)
      for (let column = left0; column <= right0; column++) {
        let part = 1;
        for (const edge of edges) {
          const within = edge.across * (column + 0.5) + edge.down * (row + 0.5) + edge.from;
          const share = edge.soft ? within + 1 : within >= 0 ? 1 : 0;
          if (share < part) part = share;
        }
        if (part <= 0) continue;
        const x = (column + 0.5 - photo.width / 2) / longest;
        const y = (row + 0.5 - photo.height / 2) / longest;
        const depth = g * x + h * y + i;
        const u = left + (width * (a * x + b * y + c)) / depth;
        const v = top + (height * (d * x + e * y + f)) / depth;
        const gx = Math.min(grid.width - 1, Math.max(0, u / grid.millimetres - 0.5));
        const gy = Math.min(grid.height - 1, Math.max(0, v / grid.millimetres - 0.5));
        if (inside) part *= inside[Math.round(gy) * grid.width + Math.round(gx)]!;
        if (part <= 0) continue;
        spots.at[count] = row * photo.width + column;
        spots.x[count] = gx;
        spots.y[count] = gy;
        spots.part[count] = part;
        count++;
      }
    return { spots, count };
  });
  const whole = cellSpots.reduce((sum, { count }) => sum + count, 0);
  const all = roomFor(whole);
  let from = 0;
  for (const { spots, count } of cellSpots) {
    for (const key of ["at", "x", "y", "part"] as const) all[key].set(spots[key].subarray(0, count), from);
    from += count;
  }
  return all;
}

const SCREEN_STEPS = 4096;
const SCREEN = Uint8Array.from({ length: SCREEN_STEPS + 1 }, (_, index) =>
  Math.round(255 * toScreen(index / SCREEN_STEPS)),
);
const onScreen = (light: number) => SCREEN[Math.round(SCREEN_STEPS * Math.min(1, Math.max(0, light)))]!;

/** Lays lit skins over the photo. */
export function laidOver(to: Uint8ClampedArray, { at, x, y, part }: Spots, lit: Float32Array, { width, height }: Grid) {
  const count = width * height;
  for (let spot = 0; spot < at.length; spot++) {
    const [left, top] = [Math.floor(x[spot]!), Math.floor(y[spot]!)];
    const [u, v] = [x[spot]! - left, y[spot]! - top];
    const here = top * width + left;
    const right = left + 1 < width ? here + 1 : here;
    const below = here + width < count ? width : 0;
    const pixel = 4 * at[spot]!;
    const share = part[spot]!;
    for (let channel = 0; channel < 3; channel++) {
      const from = channel * count;
      const upper = lit[from + here]! * (1 - u) + lit[from + right]! * u;
      const lower = lit[from + here + below]! * (1 - u) + lit[from + right + below]! * u;
      const light = upper * (1 - v) + lower * v;
      to[pixel + channel] =
        share >= 1 ? onScreen(light) : onScreen(light * share + LIGHT_OF[to[pixel + channel]!]! * (1 - share));
    }
  }
}

/** Puts back what the photo shows. */
export function restored(to: Uint8ClampedArray, photo: Uint8ClampedArray, { at, part }: Spots) {
  for (let spot = 0; spot < at.length; spot++)
    for (let channel = 0; channel < 3; channel++) {
      const pixel = 4 * at[spot]! + channel;
      to[pixel] = photo[pixel]! * part[spot]! + to[pixel]! * (1 - part[spot]!);
    }
}
