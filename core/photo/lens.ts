import type { Looks } from "../plan/photo-marks.ts";
import type { Cell, FaceMap } from "./face-map.ts";
import { areaRound } from "./homography.ts";

// What right angles of a piece say of the lens it was photographed with.

/** What lies between the focal lengths of a telephoto and a wide lens, with the longer side of the photo as 1 (from memory). */
export const FOCAL = { shortest: 0.45, usual: 0.85, longest: 6 } as const;

const square = (value: number) => value * value;
const norm = (v: readonly number[]) => Math.hypot(...v);

/** The directions across and down a cell as the photo shows them: columns of its map. */
export const across = ({ map }: Cell): XYZ => [map[0], map[3], map[6]];
export const down = ({ map }: Cell): XYZ => [map[1], map[4], map[7]];
type XYZ = readonly [number, number, number];

/** Which way across and down a face run on the piece: along it, up, or from front to back. */
const AXES: Record<Looks, readonly [XYZName, XYZName]> = {
  front: ["along", "up"],
  side: ["back", "up"],
  top: ["along", "back"],
};
type XYZName = "along" | "up" | "back";

/** How sure the usual focal length is against corners: as far as corners a pixel wide of the mark would put it off. */
const USUAL_COUNTS = 2e-6;

/** The square of 1 over the focal length that fits all right angles best. */
export function lens(faces: readonly FaceMap[], ratios: ReadonlyMap<string, number>, usual: number): number {
  const q0 = 1 / square(usual);
  let sum = USUAL_COUNTS * q0;
  let whole = USUAL_COUNTS;
  const atRightAngles = (one: XYZ, two: XYZ, weight: number) => {
    const size = norm(one) * norm(two);
    const level = (one[0] * two[0] + one[1] * two[1]) / size;
    const depth = (one[2] * two[2]) / size;
    sum -= weight * level * depth;
    whole += weight * level * level;
  };
  const runs: { axis: XYZName; way: XYZ; weight: number; faceId: string }[] = [];
  for (const { face, cells } of faces)
    for (const cell of cells.flat()) {
      const weight = Math.abs(areaRound(cell.corners));
      atRightAngles(across(cell), down(cell), weight);
      if (face.across * face.down > 1) continue;
      const [first, second] = AXES[face.looks];
      runs.push({ axis: first, way: across(cell), weight, faceId: face.id });
      runs.push({ axis: second, way: down(cell), weight, faceId: face.id });
      const ratio = ratios.get(face.id);
      if (ratio === undefined) continue;
      // two tape measures give the proportions, and these the lens
      const [a, b] = [across(cell), down(cell)];
      const scale = square(norm(a)) + square(ratio * norm(b));
      const level = (a[0] * a[0] + a[1] * a[1] - square(ratio) * (b[0] * b[0] + b[1] * b[1])) / scale;
      const depth = (a[2] * a[2] - square(ratio) * b[2] * b[2]) / scale;
      sum -= weight * level * depth;
      whole += weight * level * level;
    }
  runs.forEach((run, index) => {
    for (const two of runs.slice(index + 1))
      if (run.axis !== two.axis && run.faceId !== two.faceId)
        atRightAngles(run.way, two.way, Math.min(run.weight, two.weight));
  });
  return Math.min(1 / square(FOCAL.shortest), Math.max(1 / square(FOCAL.longest), sum / whole));
}

/** How long a direction really is, up to the scale of its face, where `q` is the square of 1 over the focal length. */
export const reach = ([x, y, z]: XYZ, q: number) => Math.sqrt(q * (x * x + y * y) + z * z);
