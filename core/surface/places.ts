import { PLACES, type PlaceOnFace, type Where } from "../plan/plan.ts";
import type { Share } from "../units/units.ts";
import type { ByRelief } from "./phase.ts";

/** Share of a face that each named place takes (from memory). */
export const PLACE_SHARE: Record<PlaceOnFace, Share> = { border: 0.2, hands: 0.12, motif: 0.15, patch: 0.1 };

/** Each named place as one bit, so that a patch can lie in several. */
export const bitOf = (place: PlaceOnFace) => 1 << PLACES.indexOf(place);

export const isPlace = (on: Where): on is PlaceOnFace => (PLACES as readonly string[]).includes(on);

/** The share of a face that a step's "where" takes in. */
export function shareWhere(on: Where, relief: ByRelief): Share {
  if (on === "everywhere") return 1;
  return isPlace(on) ? PLACE_SHARE[on] : relief[on];
}
