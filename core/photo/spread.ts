import { type FaceMap, placeOn } from "./face-map.ts";
import { mapped, type XY } from "./homography.ts";
import { across, down, reach } from "./lens.ts";

export const isFlat = ({ face }: FaceMap) => face.across * face.down === 1;

/** A face spread out flat, in units of its own: widths of its columns, heights of its rows. */
export interface Spread {
  map: FaceMap;
  columns: readonly number[];
  rows: readonly number[];
}

/** Proportions of a face: each cell says how wide it is against its height; columns and rows share what they say. */
export function spread(map: FaceMap, q: number): Spread {
  const said = map.cells.map((row) => row.map((cell) => Math.log(reach(across(cell), q) / reach(down(cell), q))));
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const columns = said[0]!.map((_, column) => mean(said.map((row) => row[column]!)));
  const all = mean(columns);
  return { map, columns: columns.map(Math.exp), rows: said.map((row) => Math.exp(all - mean(row))) };
}

export const sum = (values: readonly number[]) => values.reduce((whole, value) => whole + value, 0);
/** How much of a list lies before a place in it. */
export const before = (values: readonly number[], index: number) => sum(values.slice(0, index));

/** A face this much smaller in the photo than another that looks the same way takes its proportions from that one's plane. */
const SMALL = 0.3;

/**
 * Small faces shaped by the largest that looks the same way: planes that are parallel look alike but for their size, and four
 * corners close together say little of how a plane stands.
 */
export function alongside(spreads: readonly Spread[]): Spread[] {
  return spreads.map((own) => {
    if (!isFlat(own.map)) return own;
    const alike = spreads.filter(({ map }) => isFlat(map) && map.face.looks === own.map.face.looks);
    const largest = alike.sort((a, b) => b.map.area - a.map.area)[0]!;
    if (own.map.area > SMALL * largest.map.area) return own;
    const size = inPlane(own, largest);
    return size ? { ...own, columns: [size.width], rows: [size.height] } : own;
  });
}

/** Where a place of the photo lies on a face that is spread out. */
export function spreadPlace({ map, columns, rows }: Readonly<Spread>, place: XY): XY | null {
  const on = placeOn(map, place);
  return on && [before(columns, on.column) + on.u * columns[on.column]!, before(rows, on.row) + on.v * rows[on.row]!];
}

/** Width and height of a flat face as it lies in the plane of another one, in units of that one. */
export function inPlane(own: Spread, plane: Spread): { width: number; height: number } | null {
  const cell = plane.map.cells[0]![0]!;
  const corners = own.map.cells[0]![0]!.corners.map((corner) => {
    const [u, v] = mapped(cell.back, corner);
    return [u * plane.columns[0]!, v * plane.rows[0]!] as const;
  });
  const side = (a: number, b: number) => Math.hypot(corners[a]![0] - corners[b]![0], corners[a]![1] - corners[b]![1]);
  const width = (side(0, 1) + side(3, 2)) / 2;
  const height = (side(0, 3) + side(1, 2)) / 2;
  return Number.isFinite(width * height) && width * height > 0 ? { width, height } : null;
}
