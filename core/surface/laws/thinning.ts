import { opens } from "../../drying/solubility.ts";
import { ripeness } from "../film.ts";
import type { Effect } from "../phase.ts";
import type { Thinning } from "./law.ts";

/** Wiping back takes what still dissolves in water. */
export const wiping: Thinning<Extract<Effect, { does: "thin" }>> = {
  way: "thins",
  left: ({ leaves }, film, relief, { phase, at }) =>
    opens(film.material, "water", ripeness(film, at), phase.technique.rubbing) ? leaves[relief] : 1,
};

/** Clear wax lifts tinted wax, fine foam lifts any wax, wet or not. */
export const lifting: Thinning<Extract<Effect, { does: "lift" }>> = {
  way: "thins",
  left: ({ binder, leaves }, film, relief) => (film.material.binder === binder ? leaves[relief] : 1),
};
