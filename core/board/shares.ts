import { RELIEF_CLASSES, type ReliefClass, type Relief as ReliefShares } from "../plan/plan.ts";
import { dryFilm } from "../quantity/spread.ts";
import { hiding } from "../surface/film.ts";
import type { Surface } from "../surface/surface.ts";
import type { Share } from "../units/units.ts";
import type { Layers } from "./layers.ts";
import { classShares, type PanelRelief } from "./relief.ts";

/** What the eye sees in one relief class, as shares by step id; "ground" for what was there before. */
export type ShownInClass = Map<string, Share>;

export type Shown = Record<ReliefClass, ShownInClass>;

const add = (shown: ShownInClass, key: string, share: Share) => {
  if (share > 0) shown.set(key, (shown.get(key) ?? 0) + share);
};

const empty = (): Shown => ({ arris: new Map(), field: new Map(), high: new Map(), recess: new Map() });

/** What shows on a board, measured on its pixels: through translucent films by how much each lets through. */
export function shownOnBoard(layers: Layers, { belongs, sample }: PanelRelief): Shown {
  const shown = empty();
  const lets = layers.map(({ film: { material } }) => ({
    coat: dryFilm(material),
    log: Math.log(Math.max(1e-9, 1 - material.contrastRatio.typical)),
  }));
  const seen = new Float64Array(layers.length + 1);
  const sums = RELIEF_CLASSES.map(() => new Float64Array(layers.length + 1));
  const whole = RELIEF_CLASSES.map(() => 0);
  for (const at of sample) {
    let light = 1;
    seen.fill(0);
    for (let index = layers.length - 1; index >= 0 && light > 1e-4; index--) {
      const { thickness, cover } = layers[index]!;
      if (thickness[at]! <= 0) continue;
      const part = cover === null ? 1 : cover[at]! / 255;
      const hides = part * (1 - Math.exp((lets[index]!.log * thickness[at]!) / lets[index]!.coat));
      seen[index + 1] = light * hides;
      light *= 1 - hides;
    }
    seen[0] = light;
    for (let name = 0; name < 4; name++) {
      const own = belongs[RELIEF_CLASSES[name]!][at]!;
      if (own === 0) continue;
      whole[name]! += own;
      const sum = sums[name]!;
      for (let index = 0; index < seen.length; index++) sum[index] = sum[index]! + own * seen[index]!;
    }
  }
  RELIEF_CLASSES.forEach((name, position) => {
    if (whole[position] === 0) return;
    add(shown[name], "ground", sums[position]![0]! / whole[position]!);
    layers.forEach(({ film }, index) => {
      add(shown[name], film.stepId, sums[position]![index + 1]! / whole[position]!);
    });
  });
  return shown;
}

/** What shows on a picture, and how much of the picture each relief class takes up. */
export interface Measured {
  shown: Shown;
  classes: ReliefShares;
}

export const measuredOnBoard = (layers: Layers, relief: PanelRelief): Measured => ({
  shown: shownOnBoard(layers, relief),
  classes: classShares(relief),
});

/** The same of a surface state, as the checks hold it. */
export function shownOnSurface(surface: Surface): Shown {
  const shown = empty();
  for (const relief of RELIEF_CLASSES)
    for (const patch of surface.patches[relief]) {
      let light = patch.share;
      for (let at = patch.stack; at !== null && light > 1e-4; at = at.below) {
        const seen = light * hiding(at.film);
        add(shown[relief], at.film.stepId, seen);
        light -= seen;
      }
      add(shown[relief], "ground", light);
    }
  return shown;
}

/** Shares of a whole zone, or of a picture, from those of its relief classes. */
export function shownInAll(shown: Shown, relief: ReliefShares): ShownInClass {
  const all: ShownInClass = new Map();
  for (const name of RELIEF_CLASSES) for (const [key, share] of shown[name]) add(all, key, share * relief[name]);
  return all;
}
