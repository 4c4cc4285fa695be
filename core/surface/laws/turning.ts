import type { Instant, Share } from "../../units/units.ts";
import type { Effect } from "../effect.ts";
import { type Film, isWet, warmedFilm } from "../film.ts";
import type { Turning } from "./law.ts";

const turning = <D extends Effect["does"]>(
  turned: (film: Film, effect: Extract<Effect, { does: D }>) => Film,
): Turning<Extract<Effect, { does: D }>> => ({
  way: "turns",
  turned: (effect, film) => turned(film, effect),
  torn: () => 0,
});

/** Share of a brittle or pasty coat of usual thickness that opens when warm air skins it while it is wet (from memory). */
const CRAZED: Share = 0.05;

/** Whether warm air tears this film: it skins over while the rest still moves, and cannot give (common practice). */
export const tearsInWarmAir = (film: Film, index: Instant): boolean =>
  !film.forced && (film.material.brittle || film.material.role === "paste") && isWet(film, index);

/** Warm air dries the film on top; what has been dried once is dry. The thicker it lies, the more of it cracks. */
export const forcing: Turning<Extract<Effect, { does: "force dry" }>> = {
  ...turning<"force dry">((film, { minutes }) => (film.forced ? film : warmedFilm(film, minutes))),
  torn: (_effect, film, { at }) => (tearsInWarmAir(film, at) ? CRAZED * film.coat.load : 0),
};

/** Paper scratches whatever it meets. */
export const keying = turning<"key">((film) => (film.keyed ? film : { ...film, keyed: true }));

/** Only wax takes a polish. */
export const polishing = turning<"polish">((film) =>
  film.polished || film.material.binder !== "wax" ? film : { ...film, polished: true },
);

/** An acid turns real metal that lies open. */
export const reacting = turning<"react">((film) =>
  film.reacted || !film.material.reacts ? film : { ...film, reacted: true },
);
