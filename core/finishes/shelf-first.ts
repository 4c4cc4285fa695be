import { colourDifference } from "../colour/difference.ts";
import { bodyColour, isMetallic } from "../colour/material-colour.ts";
import type { Material } from "../materials/material.ts";

/** Further than this, CIEDE2000, it is another colour and another finish (from memory). */
const NEAR_ENOUGH = 14;

/** How far another material is from doing the same part: the same kind costs nothing, another kind of the same role a little. */
function apart(a: Material, b: Material): number {
  if (a.role !== b.role || isMetallic(a) !== isMetallic(b)) return Number.POSITIVE_INFINITY;
  // how it opens, cracks and seals belongs to the finish: only the same kind stands in for anything but paint
  if (a.family !== b.family && a.role !== "paint") return Number.POSITIVE_INFINITY;
  if (a.solubility !== b.solubility && JSON.stringify(a.solubility) !== JSON.stringify(b.solubility))
    return Number.POSITIVE_INFINITY;
  return colourDifference(bodyColour(a), bodyColour(b)) + (a.family === b.family ? 0 : 3);
}

/**
 * The parts of a finish, played by what is on the shelf where it has something like it: of a kind that behaves alike, in nearly the
 * colour. The order of the shelf makes no difference.
 */
export function shelfFirst(
  parts: Readonly<Record<string, string>>,
  shelf: ReadonlySet<string>,
  catalogue: readonly Material[],
): Record<string, string> {
  const known = new Map(catalogue.map((material) => [material.id, material]));
  const there = [...shelf].sort().flatMap((id) => known.get(id) ?? []);
  return Object.fromEntries(
    Object.entries(parts).map(([part, id]) => {
      const own = known.get(id);
      if (!own || shelf.has(id)) return [part, id];
      const nearest = there
        .map((material) => ({ material, away: apart(own, material) }))
        .filter(({ away }) => away <= NEAR_ENOUGH)
        .sort((a, b) => a.away - b.away)[0];
      return [part, nearest?.material.id ?? id];
    }),
  );
}
