import type { Layer } from "#core/board/layers";
import type { PanelRelief } from "#core/board/relief";
import type { ReliefClass } from "#core/plan/plan";
import { filmsOf } from "#core/surface/stack";
import type { Surface } from "#core/surface/surface";

/** Micrometres of a film at a pixel, by how much of the pixel it covers. */
export const amountAt = ({ thickness, cover }: Layer, index: number) =>
  thickness[index]! * (cover === null ? 1 : cover[index]! / 255);

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

/** Mean micrometres of each phase's film on one relief class, as the checks hold it. */
export function amountsOn(surface: Surface, relief: ReliefClass): Map<string, number> {
  const of = new Map<string, number>();
  for (const { share, stack } of surface.patches[relief])
    for (const { phaseId, micrometres } of filmsOf(stack))
      of.set(phaseId, (of.get(phaseId) ?? 0) + share * micrometres);
  return of;
}

/** Mean micrometres of each phase's film on the picture of a relief class. */
export function amountsDrawn(layers: readonly Layer[], relief: ReliefClass, { belongs, sample }: PanelRelief) {
  const of = new Map<string, number>();
  let all = 0;
  for (const at of sample) all += belongs[relief][at]!;
  for (const layer of layers) {
    let sum = 0;
    for (const at of sample) sum += belongs[relief][at]! * amountAt(layer, at);
    of.set(layer.film.phaseId, (of.get(layer.film.phaseId) ?? 0) + sum / all);
  }
  return of;
}
