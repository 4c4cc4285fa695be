import { type Ground, isTimber } from "../plan/ground.ts";
import type { Share } from "../units/units.ts";
import type { Contaminant, Effect } from "./effect.ts";
import type { Film } from "./film.ts";
import type { Phase } from "./phase.ts";
import { type Region, sameRegion } from "./places.ts";
import type { Stack } from "./stack.ts";

/** The ground as preparing has left it. */
export interface GroundState {
  ground: Ground;
  contamination: readonly Contaminant[];
  keyed: boolean;
  deglossed: boolean;
  sound: boolean;
  /** taken down to bare timber */
  stripped: boolean;
  /** parts that were prepared apart from the rest: a relief class, or a place on the face */
  parts: readonly { region: Region; state: GroundState }[];
}

/** The ground before the first step. */
export const untouched = (ground: Ground): GroundState => ({
  ground,
  contamination: ground.contamination,
  keyed: false,
  deglossed: false,
  sound: ground.soundness === "sound",
  stripped: false,
  parts: [],
});

/** Bare timber under a stripped finish, from memory. */
const STRIPPED = { kind: "raw timber", absorbency: 0.7, tooth: 0.85, soundness: "sound" } as const;

/** Worked over less than this of a place, a ground counts as it was there (from memory). */
const MOST: Share = 0.5;

/** The ground as it is where a phase goes. */
export const groundAt = (state: GroundState, region: Region): GroundState =>
  state.parts.length === 0 ? state : (state.parts.find((part) => sameRegion(part.region, region))?.state ?? state);

/** The ground as a phase leaves it, where it reaches it: what is done to a part of a face is done there, and no further. */
export function groundAfter(state: GroundState, phase: Phase): GroundState {
  if (!PREPARES.some((does) => phase.does.has(does))) return state;
  const region = phase.where;
  if (region.share < MOST) return state;
  if (region.on !== "everywhere" || region.but.length > 0) {
    const part = prepared({ ...groundAt(state, region), parts: [] }, phase);
    return {
      ...state,
      parts: [...state.parts.filter((part) => !sameRegion(part.region, region)), { region, state: part }],
    };
  }
  const parts = state.parts.map((part) => ({ ...part, state: prepared(part.state, phase) }));
  return { ...prepared(state, phase), parts };
}

/** Effects that change the ground. */
const PREPARES: readonly Effect["does"][] = ["clean", "key", "degloss", "knock back", "strip"];

function prepared(state: GroundState, phase: Phase): GroundState {
  let next = state;
  for (const effect of phase.effects)
    switch (effect.does) {
      case "clean":
        next = {
          ...next,
          contamination: next.contamination.filter((contaminant) => !effect.removes.includes(contaminant)),
        };
        break;
      case "key":
        next = { ...next, keyed: true };
        break;
      case "degloss":
        next = { ...next, deglossed: true };
        break;
      case "knock back":
        next = { ...next, sound: true };
        break;
      case "strip":
        next = {
          ...next,
          ground: isTimber(next.ground.kind) || next.ground.species ? { ...next.ground, ...STRIPPED } : next.ground,
          contamination: [],
          sound: true,
          stripped: true,
        };
        break;
    }
  return next;
}

/** Under this tooth nothing keys by itself, and scuffing helps little. */
export const VERY_SLICK = 0.2;

/** Tooth after scuffing: a slick thing gains little, a sound film much (from memory). */
export const scuffed = (tooth: number): number => Math.min(1, tooth + (tooth < VERY_SLICK ? 0.2 : 0.4));

/** What deglossing gives instead of scuffing (from memory). */
const DEGLOSSED = 0.12;

/** How well the next coat keys to this film, or to the ground (null). */
export function toothOn(film: Film | null, ground: GroundState): number {
  const tooth = film === null ? ground.ground.tooth : film.material.tooth.typical;
  if (film === null ? ground.keyed : film.keyed) return scuffed(tooth);
  return film === null && ground.deglossed ? Math.min(1, tooth + DEGLOSSED) : tooth;
}

/** How well the next coat keys to what lies on top of this stack. */
export const toothOf = (stack: Stack, ground: GroundState): number => toothOn(stack?.film ?? null, ground);

/** How thirsty this film is, or the ground (null), 0 to 1. */
export const absorbencyOn = (film: Film | null, ground: GroundState): number =>
  film === null ? ground.ground.absorbency : film.material.absorbency.typical;

/** How thirsty what lies on top of this stack is, 0 to 1. */
export const absorbencyOf = (stack: Stack, ground: GroundState): number => absorbencyOn(stack?.film ?? null, ground);
