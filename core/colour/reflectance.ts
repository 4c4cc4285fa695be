import { BANDS, type Bands, type Spectrum } from "./bands.ts";
import { type Linear, linearOf, luminanceOf } from "./screen.ts";

/** Solves a small dense system by elimination with pivots; null where it has no single answer. */
export function solved(matrix: number[][], right: number[]): number[] | null {
  const size = right.length;
  const rows = matrix.map((row, index) => [...row, right[index]!]);
  for (let column = 0; column < size; column++) {
    let pivot = column;
    for (let at = column + 1; at < size; at++)
      if (Math.abs(rows[at]![column]!) > Math.abs(rows[pivot]![column]!)) pivot = at;
    if (Math.abs(rows[pivot]![column]!) < 1e-12) return null;
    [rows[column], rows[pivot]] = [rows[pivot]!, rows[column]!];
    for (let at = 0; at < size; at++) {
      if (at === column) continue;
      const factor = rows[at]![column]! / rows[column]![column]!;
      if (factor !== 0) for (let to = column; to <= size; to++) rows[at]![to]! -= factor * rows[column]![to]!;
    }
  }
  return rows.map((row, index) => row[size]! / row[index]!);
}

const MOST_STEPS = 60;

/**
 * The smoothest tanh curve whose colour is this one: the reflectance with least slope of artanh, which stays within 0 to 1.
 * Newton's method on the Lagrange conditions; null where the colour is not one a surface can have.
 * Method: S. A. Burns 2020, "Numerical methods for smoothest reflectance reconstruction", Color Research & Application 45.
 */
function smoothest(colour: Linear, bands: Bands): Spectrum | null {
  const { count, middles } = bands;
  const rows = bands.toLinear.daylight;
  // second-difference matrix of the slope, by how far apart the bands lie
  const slope = Array.from({ length: count }, () => new Array<number>(count).fill(0));
  for (let at = 0; at + 1 < count; at++) {
    const weight = 2 / (middles[at + 1]! - middles[at]!);
    slope[at]![at]! += weight;
    slope[at + 1]![at + 1]! += weight;
    slope[at]![at + 1]! -= weight;
    slope[at + 1]![at]! -= weight;
  }
  const z = new Array<number>(count).fill(0);
  const lambda = [0, 0, 0];
  for (let step = 0; step < MOST_STEPS; step++) {
    const rho = z.map((value) => (Math.tanh(value) + 1) / 2);
    const first = z.map((value) => (1 - Math.tanh(value) ** 2) / 2);
    const second = z.map((value, index) => -2 * Math.tanh(value) * first[index]!);
    const miss: number[] = [];
    for (let at = 0; at < count; at++) {
      const pull = rows.reduce((sum, row, channel) => sum + lambda[channel]! * row[at]!, 0);
      miss.push(slope[at]!.reduce((sum, weight, to) => sum + weight * z[to]!, 0) + first[at]! * pull);
    }
    rows.forEach((row, channel) => {
      miss.push(rho.reduce((sum, value, index) => sum + row[index]! * value, 0) - colour[channel]!);
    });
    if (miss.every((value) => Math.abs(value) < 1e-9)) return Float64Array.from(rho);
    const size = count + 3;
    const matrix = Array.from({ length: size }, () => new Array<number>(size).fill(0));
    for (let at = 0; at < count; at++) {
      const pull = rows.reduce((sum, row, channel) => sum + lambda[channel]! * row[at]!, 0);
      for (let to = 0; to < count; to++) matrix[at]![to] = slope[at]![to]!;
      matrix[at]![at]! += second[at]! * pull;
      rows.forEach((row, channel) => {
        matrix[at]![count + channel] = first[at]! * row[at]!;
        matrix[count + channel]![at] = first[at]! * row[at]!;
      });
    }
    const change = solved(
      matrix,
      miss.map((value) => -value),
    );
    if (!change) return null;
    const longest = Math.max(...change.slice(0, count).map(Math.abs));
    const part = longest > 2 ? 2 / longest : 1;
    for (let at = 0; at < count; at++) z[at]! += part * change[at]!;
    for (let at = 0; at < 3; at++) lambda[at]! += part * change[count + at]!;
    if (z.some((value) => !Number.isFinite(value) || Math.abs(value) > 40)) return null;
  }
  return null;
}

const MOST_KEPT = 4000;
const kept = new WeakMap<Bands, Map<string, Spectrum>>();

/**
 * A reflectance, one value a band from 0 to 1, that looks like this colour in daylight. Colours so vivid that no surface
 * has them are drawn towards grey of the same lightness until one does.
 */
export function spectrumOfLinear(colour: Linear, bands: Bands = BANDS): Spectrum {
  const floor = 1e-3;
  const held = colour.map((value) => Math.min(1 - floor, Math.max(floor, value))) as [number, number, number];
  const grey = luminanceOf(held);
  for (let part = 0; part < 1; part += 0.04) {
    const found = smoothest(held.map((value) => value + part * (grey - value)) as [number, number, number], bands);
    if (found) return found;
  }
  return new Float64Array(bands.count).fill(grey);
}

/** The same for a colour written as "#rrggbb"; kept, because the same few are needed again and again. */
export function spectrumOf(hex: string, bands: Bands = BANDS): Spectrum {
  let known = kept.get(bands);
  if (!known || known.size > MOST_KEPT) {
    known = new Map();
    kept.set(bands, known);
  }
  let spectrum = known.get(hex);
  if (!spectrum) {
    spectrum = spectrumOfLinear(linearOf(hex), bands);
    known.set(hex, spectrum);
  }
  return spectrum;
}
