import { opens } from "../../drying/solubility.ts";
import type { Effect } from "../effect.ts";
import { ripeness } from "../film.ts";
import type { Opening } from "./law.ts";

/** A wet cloth goes through what still dissolves, down to the first film that holds (common practice). */
export const dissolving: Opening<Extract<Effect, { does: "dissolve" }>> = {
  way: "opens",
  to: "cloth",
  goes: ({ solvent, rubbing }, film, { at }) => opens(film.material, solvent, ripeness(film, at), rubbing),
  worked: ({ worked }) => worked,
};
