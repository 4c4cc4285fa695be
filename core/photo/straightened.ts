import { blurred } from "../board/blur.ts";
import { type Field, fieldOn, type Grid, gridOver } from "../board/grid.ts";
import { luminanceOf, toLinear } from "../colour/screen.ts";
import type { FaceOn } from "./measure.ts";

/** A picture: red, green, blue and opacity of every pixel. */
export interface Pixels {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

export const LIGHT_OF = Float32Array.from({ length: 256 }, (_, value) => toLinear(value / 255));

/** The size of a photo, and how light each of its pixels is. */
export interface PhotoLight {
  width: number;
  height: number;
  light: Field;
}

/** How light every pixel of a picture is, 0 to 1. */
export function lightOf({ width, height, data }: Pixels): PhotoLight {
  const light = new Float32Array(width * height);
  for (let at = 0; at < light.length; at++)
    light[at] = luminanceOf([LIGHT_OF[data[4 * at]!]!, LIGHT_OF[data[4 * at + 1]!]!, LIGHT_OF[data[4 * at + 2]!]!]);
  return { width, height, light };
}

/** A face cut out of the photo and laid flat: how light it is, apart into broad light and shade, and detail. */
export interface Straightened {
  grid: Grid;
  /** broad light on the face, as a natural logarithm */
  broad: Field;
  /** how much lighter or darker a place is than what lies around it, as a natural logarithm */
  detail: Field;
}

const DARKEST = 0.002;
/** What is broader than this is light and shade; what is finer is shape and dirt, in millimetres. */
const BROAD = 28;

/** Lays a face flat at so many millimetres a pixel. */
export function straightened(
  { width, height, light }: PhotoLight,
  { size, cells }: FaceOn,
  millimetres: number,
): Straightened {
  const grid = gridOver(size.width, size.height, millimetres);
  const flat = fieldOn(grid);
  const longest = Math.max(width, height);
  const mm = grid.millimetres;
  for (const cell of cells) {
    const [a, b, c, d, e, f, g, h, i] = cell.map;
    const last = (end: number, whole: number, count: number) => (end >= whole - mm ? count : Math.round(end / mm));
    const [firstRow, firstColumn] = [Math.round(cell.top / mm), Math.round(cell.left / mm)];
    const endRow = last(cell.top + cell.height, grid.tall, grid.height);
    const endColumn = last(cell.left + cell.width, grid.wide, grid.width);
    for (let row = firstRow; row < endRow; row++) {
      const v = ((row + 0.5) * mm - cell.top) / cell.height;
      for (let column = firstColumn; column < endColumn; column++) {
        const u = ((column + 0.5) * mm - cell.left) / cell.width;
        const depth = g * u + h * v + i;
        const x = ((a * u + b * v + c) / depth) * longest + width / 2 - 0.5;
        const y = ((d * u + e * v + f) / depth) * longest + height / 2 - 0.5;
        const cx = Math.min(width - 1.001, Math.max(0, x));
        const cy = Math.min(height - 1.001, Math.max(0, y));
        const [left, top] = [Math.floor(cx), Math.floor(cy)];
        const at = top * width + left;
        const upper = light[at]! + (light[at + 1]! - light[at]!) * (cx - left);
        const lower = light[at + width]! + (light[at + width + 1]! - light[at + width]!) * (cx - left);
        const lit = upper + (lower - upper) * (cy - top);
        flat[row * grid.width + column] = Math.log(Math.max(DARKEST, lit));
      }
    }
  }
  const broad = blurred(flat, grid, Math.max(BROAD, 3 * mm));
  const detail = flat.map((value, index) => value - broad[index]!);
  return { grid, broad, detail };
}
