import { toothOn } from "../ground-state.ts";
import { byRelief, type Effect } from "../phase.ts";
import type { Flaking } from "./law.ts";

/** Under this tooth a film or a ground lets a blade lift what lies on it. */
const SLICK = 0.25;
/** Paint that is laid to chip comes off what draws less than this. */
const SEALED = 0.3;

/**
 * Flakes let go over a resist, over a slick face, and, where paint is laid to chip, over anything sealed (common practice; the
 * limits are from memory).
 */
export const flaking: Flaking<Extract<Effect, { does: "chip" }>> = {
  way: "flakes",
  letsGo(_effect, film, under, { ground }) {
    if (under?.resist === true || under?.material.binder === "wax") return true;
    const absorbency = under ? under.material.absorbency.typical : ground.ground.absorbency;
    return toothOn(under, ground) < SLICK || (film.chips && absorbency < SEALED);
  },
  eager: () => 1,
  worked: ({ worked }) => worked,
};

/** The crumb breaks off, and whatever was laid over it (common practice). */
export const scraping: Flaking<Extract<Effect, { does: "scrape" }>> = {
  way: "flakes",
  letsGo: (_effect, film) => film.material.role === "crumb",
  eager: () => 1,
  worked: () => byRelief(() => 1),
};
