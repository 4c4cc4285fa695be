import type { Climate } from "../drying/climate.ts";
import type { Stage } from "../drying/gate.ts";
import type { DryingCoat } from "../drying/law.ts";
import type { Material } from "../materials/material.ts";
import { dryFilm } from "../quantity/spread.ts";
import type { Instant, Micrometres, Minutes, Share } from "../units/units.ts";
import type { Phase } from "./phase.ts";
import { techniquesFor } from "./techniques.ts";

/** One film as it lies on the piece. Never changed in place. */
export interface Film extends FilmState {
  phaseId: string;
  stepId: string;
  material: Material;
  micrometres: Micrometres;
  laidAt: Instant;
  /** what it dries by, and in which air */
  coat: DryingCoat;
  climate: Climate;
  /** laid so that what lies on it comes away again, or laid to come away itself */
  resist: boolean;
  chips: boolean;
}

/** What can become of a film while it lies there. Surface and board hold the same states. */
export interface FilmState {
  keyed: boolean;
  polished: boolean;
  /** dried by warm air since it was laid */
  forced: boolean;
  /** an acid patina has been laid on it while it could still take it */
  reacted: boolean;
  /** a crackle medium that has torn the coat over it: its tack is over, it only lies bare in the cracks */
  spent: boolean;
  /** laid on something thirsty, and gone into it rather than lying on top */
  soaked: boolean;
}

export const FILM_STATES = [
  "keyed",
  "polished",
  "forced",
  "reacted",
  "spent",
  "soaked",
] as const satisfies readonly (keyof FilmState)[];

/** Below this a film is a trace: it is counted as gone. */
export const TRACE: Micrometres = 0.3;

/** How far a stage of drying has come in a film, in minutes of standard air. */
export const dried = ({ climate, coat, laidAt }: Film, stage: Stage, index: Instant): Minutes =>
  climate.dried(coat, stage, laidAt, index);

/** How old a film is as far as dissolving goes, in minutes of standard air: it is the drying in depth that closes it. */
export const ripeness = (film: Film, index: Instant): Minutes => dried(film, "set", index);

/** Whether a film is not yet touch dry. */
export const isWet = (film: Film, index: Instant) => dried(film, "touch", index) < film.material.drying.touch.typical;

const LEAVES = { water: "water", alcohol: "solvent", solvent: "solvent", none: "nothing" } as const;
const THINNEST = 0.4;
const THICKEST = 2.5;

/** How thick a technique lays a material, compared with the usual one that its drying times are for. */
function loadOf({ load: coats, pot }: Pick<Phase, "load" | "pot">, material: Material): number {
  const usual = techniquesFor(material)[0]?.load ?? 0;
  const load = coats * (pot?.strength ?? 1);
  return usual > 0 ? Math.min(THICKEST, Math.max(THINNEST, load / usual)) : 1;
}

/** What a coat of this material dries by. */
export const coatOf = (phase: Pick<Phase, "load" | "pot">, material: Material, drawnBy: Share): DryingCoat => ({
  leaves: LEAVES[material.carrier],
  load: loadOf(phase, material),
  drawnBy,
  warmed: 0,
});

/** A film that has had so many minutes of warm air. */
export const warmedFilm = (film: Film, minutes: Minutes): Film => ({
  ...film,
  forced: true,
  coat: { ...film.coat, warmed: film.coat.warmed + minutes },
});

/** How the film that a phase lays meets what lies there. */
export interface LaidOn {
  /** how much of it the surface draws in, 0 to 1 */
  drawnBy: Share;
  soaked: boolean;
}

/** The film that a phase lays when it begins at this instant, in this air. */
export function freshFilm(
  phase: Phase,
  at: Instant,
  material: Material,
  micrometres: Micrometres,
  { drawnBy, soaked }: LaidOn,
  climate: Climate,
): Film {
  return {
    phaseId: phase.id,
    stepId: phase.step.id,
    material,
    micrometres,
    laidAt: at + phase.hands,
    coat: coatOf(phase, material, drawnBy),
    climate,
    keyed: false,
    polished: false,
    forced: false,
    reacted: false,
    spent: false,
    soaked,
    resist: phase.intents.includes("resist"),
    chips: phase.intents.includes("chips"),
  };
}

/** Mean dry film of a fresh coat of this material by this technique, before relief. */
export const coatThickness = (material: Material, load: number): Micrometres => dryFilm(material) * load;

const UNPOLISHED = 0.06;

/** A film that has opened in cracks over this share of itself: what lay there has drawn together, and lies thicker beside it. */
export const drawnTogether = (film: Film, open: Share): Film => ({
  ...film,
  micrometres: film.micrometres / (1 - open),
});

/** Sheen of a film as it now is, 0 to 1: wax shines when it has been buffed, and what was keyed is dull. */
export function filmGloss({ material, polished, keyed }: Film): Share {
  const gloss = material.gloss.typical;
  if (material.role === "wax" && !polished) return Math.min(gloss, UNPOLISHED);
  return keyed && !polished ? 0.4 * gloss : gloss;
}

/** How much of what lies beneath a film hides, 0 to 1: a film of n normal coats lets (1 − contrast ratio)^n through. */
export function hiding(film: Film): Share {
  const coats = film.micrometres / dryFilm(film.material);
  return 1 - (1 - film.material.contrastRatio.typical) ** coats;
}
