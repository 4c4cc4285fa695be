import { sayDuration } from "../units/duration.ts";
import type { Material, TimeFigure } from "./material.ts";

/** One thing in a material's figures that makes no sense, and where it is. */
export interface Nonsense {
  /** the figure's path in the material, such as "drying.recoat" */
  where: string;
  says: string;
}

const minutes = (figure: TimeFigure) => sayDuration(figure.typical);

/**
 * Whether a material's figures make sense together: stages in order, windows that open before they shut, nothing
 * impossible. Empty if they do. The schema bounds each figure alone; this compares them with each other.
 */
export function nonsenseIn(material: Material): readonly Nonsense[] {
  const known = lookedAt.get(material);
  if (known) return known;
  const fresh = lookedOver(material);
  lookedAt.set(material, fresh);
  return fresh;
}

/** Materials are never changed, only replaced: each is checked once. */
const lookedAt = new WeakMap<Material, readonly Nonsense[]>();

function lookedOver(material: Material): Nonsense[] {
  const { drying, windows, solubility, spreadingRate, volumeSolids } = material;
  const found: Nonsense[] = [];
  const doubt = (where: string, wrong: boolean, says: string) => {
    if (wrong) found.push({ where, says });
  };
  doubt(
    "drying.recoat",
    drying.recoat.typical < drying.touch.typical,
    `Recoat after ${minutes(drying.recoat)} comes before touch dry at ${minutes(drying.touch)}.`,
  );
  doubt(
    "drying.beforeClear",
    drying.beforeClear.typical < drying.touch.typical,
    `Sealing after ${minutes(drying.beforeClear)} comes before touch dry at ${minutes(drying.touch)}.`,
  );
  doubt(
    "drying.cure",
    drying.cure.typical < drying.recoat.typical,
    `Cured after ${minutes(drying.cure)} comes before recoat at ${minutes(drying.recoat)}.`,
  );
  for (const stage of ["touch", "recoat", "beforeClear", "cure"] as const)
    doubt(
      `drying.${stage}`,
      drying[stage].safe < drying[stage].typical,
      "The careful figure is shorter than the typical one; it should be longer.",
    );
  if (windows.recoatUntil)
    doubt(
      "windows.recoatUntil",
      windows.recoatUntil.safe <= drying.recoat.safe,
      `The recoat window shuts at ${sayDuration(windows.recoatUntil.safe)}, before it opens at ${sayDuration(drying.recoat.safe)}.`,
    );
  for (const name of ["tack", "buff"] as const) {
    const window = windows[name];
    if (window)
      doubt(
        `windows.${name}`,
        window.opens.typical >= window.shuts.typical,
        `The ${name} window shuts at ${minutes(window.shuts)}, before it opens at ${minutes(window.opens)}.`,
      );
  }
  for (const name of ["tack", "buff"] as const) {
    const window = windows[name];
    if (window)
      doubt(
        `windows.${name}`,
        window.opens.safe < window.opens.typical || window.shuts.safe > window.shuts.typical,
        `On the careful side the ${name} window opens later and shuts earlier than it typically does.`,
      );
  }
  if (windows.open)
    doubt(
      "windows.open",
      windows.open.typical > drying.recoat.typical && drying.recoat.typical > 0,
      `It cannot stay workable for ${minutes(windows.open)} and be recoated after ${minutes(drying.recoat)}.`,
    );
  if (windows.closed)
    doubt(
      "windows.closed",
      windows.closed.from.typical >= windows.closed.until.typical,
      "The time in which it must be left alone ends before it begins.",
    );
  doubt("volumeSolids", volumeSolids.typical === 0, "Without solids, nothing would be left on the piece.");
  doubt(
    "spreadingRate",
    spreadingRate.typical > 0 && (10 * volumeSolids.typical) / spreadingRate.typical > 2500,
    "A coat would dry thicker than 2.5 mm; check the spreading rate and the solids.",
  );
  if (solubility)
    for (let at = 1; at < solubility.curve.length; at++)
      doubt(
        "solubility",
        solubility.curve[at]![0] <= solubility.curve[at - 1]![0] ||
          solubility.curve[at]![1] > solubility.curve[at - 1]![1],
        "It cannot become easier to dissolve with age.",
      );
  return found;
}
