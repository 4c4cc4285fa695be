import { RELIEF_CLASSES, type ReliefClass } from "../plan/plan.ts";
import type { Share } from "../units/units.ts";
import type { ByRelief } from "./effect.ts";
import { hiding } from "./film.ts";
import type { Region } from "./places.ts";
import type { Patch } from "./stack.ts";
import { patchesWhere, type Surface } from "./surface.ts";

/** Share of the whole zone by key, over all relief classes and patches. */
function shareBy(
  surface: Surface,
  relief: ByRelief,
  keyOf: (patch: Patch, relief: ReliefClass) => string | null,
): Map<string, Share> {
  const shares = new Map<string, Share>();
  for (const name of RELIEF_CLASSES)
    for (const patch of surface.patches[name]) {
      const key = keyOf(patch, name);
      if (key !== null) shares.set(key, (shares.get(key) ?? 0) + relief[name] * patch.share);
    }
  return shares;
}

/** What lies on top, as share of the zone by step id ("ground" where it is bare). */
export const covers = (surface: Surface, relief: ByRelief): Map<string, Share> =>
  shareBy(surface, relief, (patch) => patch.stack?.film.stepId ?? "ground");

/** How much of the place a step goes to has this layer on top, by step id or "ground". */
export function barePart(surface: Surface, relief: ByRelief, where: Region, layer: string): Share {
  let whole = 0;
  let bare = 0;
  for (const name of RELIEF_CLASSES)
    for (const { share, stack } of patchesWhere(surface, name, where)) {
      whole += relief[name] * share;
      if ((stack?.film.stepId ?? "ground") === layer) bare += relief[name] * share;
    }
  return whole > 0 ? bare / whole : 0;
}

/** What the eye sees, through translucent layers, as share of the zone by step id ("ground" for the ground). */
export function shows(surface: Surface, relief: ByRelief): Map<string, Share> {
  const shares = new Map<string, Share>();
  const add = (key: string, share: Share) => {
    if (share > 0) shares.set(key, (shares.get(key) ?? 0) + share);
  };
  for (const name of RELIEF_CLASSES)
    for (const patch of surface.patches[name]) {
      let light = relief[name] * patch.share;
      let at = patch.stack;
      while (at !== null && light > 1e-6) {
        const seen = light * hiding(at.film);
        add(at.film.stepId, seen);
        light -= seen;
        at = at.below;
      }
      if (light > 1e-6) add("ground", light);
    }
  return shares;
}
