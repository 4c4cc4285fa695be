import { CLEARS } from "./families/clears.ts";
import { DECORATION } from "./families/decoration.ts";
import { MEDIUMS } from "./families/mediums.ts";
import { PAINTS } from "./families/paints.ts";
import { PRIMERS } from "./families/primers.ts";
import { STAINS } from "./families/stains.ts";
import { WAXES } from "./families/waxes.ts";
import type { FamilyDefaults } from "./figures.ts";
import type { Family } from "./material.ts";

/** Defaults by family, at 23 °C and 50 % RH; the painter edits copies, and the tin's label wins. */
export const FAMILY_DEFAULTS: Record<Family, FamilyDefaults> = {
  ...PRIMERS,
  ...PAINTS,
  ...STAINS,
  ...MEDIUMS,
  ...DECORATION,
  ...WAXES,
  ...CLEARS,
};
