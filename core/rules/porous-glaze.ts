import type { HouseRules } from "../plan/house-rules.ts";
import { isDamp } from "../surface/laws/misting.ts";
import { insertBefore, ofFamily, withIntent } from "./repair.ts";
import type { FilmSeam, Fix, RepairBasis } from "./rule.ts";
import { named } from "./words.ts";

// What the schools do about glaze on thirsty paint; rules D1 and D2 share it.

/** Whether the house goes straight on, or onto a face that is still damp from misting. */
export const acceptsThirst = (seam: FilmSeam) =>
  seam.houseRules.porousGlaze === "straight" ||
  (seam.houseRules.porousGlaze === "mist" && isDamp(seam.before.misted, seam.at));

/** The repairs, the house rule's own first. */
export function porousGlazeFixes(place: RepairBasis, stepId: string, houseRules: HouseRules): Fix[] {
  const slip = ofFamily(place.shelf, "clear glaze medium");
  const film = ofFamily(place.shelf, "water-borne clear coat");
  const ways: Partial<Record<HouseRules["porousGlaze"], Fix>> = {
    ...(slip && {
      "slip coat": {
        label: "Lay a slip coat of clear glaze first",
        commands: insertBefore(place, stepId, [{ how: "brush", what: slip }]),
        look: "wipes back cleaner",
      },
    }),
    ...(film && {
      film: {
        label: `Seal with ${named(film)} first`,
        commands: insertBefore(place, stepId, [{ how: "brush", what: film }]),
        look: "wipes back almost clean",
      },
    }),
    mist: { label: "Mist the face first", commands: insertBefore(place, stepId, [{ how: "mist" }]) },
    straight: {
      label: "I want it grimy and patchy",
      commands: withIntent(place, stepId, "stain"),
      look: "the paint takes the tint all over",
    },
  };
  const own = ways[houseRules.porousGlaze];
  return [...(own ? [own] : []), ...Object.values(ways).filter((way) => way !== own)];
}
