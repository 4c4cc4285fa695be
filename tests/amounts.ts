import type { Layer } from "#core/board/layers";

/** Micrometres of a film at a pixel, by how much of the pixel it covers. */
export const amountAt = ({ thickness, cover }: Layer, at: number) =>
  thickness[at]! * (cover === null ? 1 : cover[at]! / 255);

/** What lies of each phase's film, pixel by pixel: films that were taken apart count as one. */
export function amounts(layers: readonly Layer[]): Map<string, Float32Array> {
  const of = new Map<string, Float32Array>();
  for (const layer of layers) {
    const sum = of.get(layer.film.phaseId) ?? new Float32Array(layer.thickness.length);
    for (let at = 0; at < sum.length; at++) sum[at] = sum[at]! + amountAt(layer, at);
    of.set(layer.film.phaseId, sum);
  }
  return of;
}
