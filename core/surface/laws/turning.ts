import { type Film, warmedFilm } from "../film.ts";
import type { Effect } from "../phase.ts";
import type { Turning } from "./law.ts";

const turning = <D extends Effect["does"]>(
  turned: (film: Film, effect: Extract<Effect, { does: D }>) => Film,
): Turning<Extract<Effect, { does: D }>> => ({ way: "turns", turned: (effect, film) => turned(film, effect) });

/** Warm air dries the film on top; what has been dried once is dry. */
export const forcing = turning<"force dry">((film, { minutes }) => (film.forced ? film : warmedFilm(film, minutes)));

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
