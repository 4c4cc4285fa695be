import type { Material } from "../../materials/material.ts";
import type { ReliefClass } from "../../plan/plan.ts";
import type { Instant, Micrometres, Share } from "../../units/units.ts";
import type { ByRelief, Effect } from "../effect.ts";
import type { Film, LaidOn } from "../film.ts";
import type { GroundState } from "../ground-state.ts";
import type { Phase } from "../phase.ts";
import type { Region } from "../places.ts";

// What an effect does, said once. A law says how much comes, goes or changes of a film, from the film's state and what works on
// it; where that happens is geometry, which the surface does patch by patch and the board pixel by pixel. Neither knows any
// physics of its own. Every law names its source, or says that it is from memory.

/** What works on a film, and when. */
export interface Working {
  phase: Phase;
  at: Instant;
  /** when the face was last misted with water; null if never */
  misted: Instant | null;
}

/** The same with the ground beneath all films. */
export interface Meeting extends Working {
  ground: GroundState;
}

/** Where what comes off goes: onto the cloth, into the air and onto the floor, or into the bin with the remover. */
export type Waste = "cloth" | "dust" | "flakes" | "sludge";

/** Share of a relief class that something works: a hand that is sent to one class works it as well as it works any. */
export const workedOn = (worked: ByRelief, relief: ReliefClass, { on, also }: Region): Share =>
  on === relief || also.includes(relief) ? Math.max(...Object.values(worked)) : worked[relief];

/** A film is laid over what is there. */
export interface Laying<E extends Effect = Effect> {
  way: "lays";
  /** whether it holds on what lies on top (null: the bare ground) */
  holds(effect: E, under: Film | null, meeting: Meeting): boolean;
  /** how it meets what lies on top: drawn in, or lying on it */
  meets(material: Material, under: Film | null, ground: GroundState): LaidOn;
  /** the power that unevenness is raised to, by hand or relief: 1 as the hand lays it, 0 dead even */
  unevenness(on: LaidOn): number;
  /** micrometres of dry film that come to lie on each relief class */
  amount(effect: E, relief: ReliefClass, on: LaidOn): Micrometres;
}

/** The film on top becomes thinner. */
export interface Thinning<E extends Effect = Effect> {
  way: "thins";
  to: Waste;
  /** the part that is left of it; 1 where the effect does not concern this film */
  left(effect: E, film: Film, relief: ReliefClass, working: Working): Share;
}

/** Films go from the top down, whole, until one holds. */
export interface Opening<E extends Effect = Effect> {
  way: "opens";
  to: Waste;
  goes(effect: E, film: Film, working: Working): boolean;
  worked(effect: E): ByRelief;
}

/** Films wear from the top down until the effort is spent. */
export interface Wearing<E extends Effect = Effect> {
  way: "wears";
  to: Waste;
  /** micrometres of soft paint that the effort takes */
  effort(effect: E): Micrometres;
  /** effort that a micrometre of this film costs, against soft paint */
  hardness(film: Film): number;
  worked(effect: E): ByRelief;
}

/** Films come away from the top, down to the lowest that lets go. */
export interface Flaking<E extends Effect = Effect> {
  way: "flakes";
  to: Waste;
  /** whether a film comes away from what lies under it (null: the bare ground) */
  letsGo(effect: E, film: Film, under: Film | null, meeting: Meeting): boolean;
  /** how much more of the film comes away than usual, about 1 */
  eager(effect: E, film: Film): number;
  worked(effect: E): ByRelief;
}

/** The film on top is the same film in another state, and none of it is lost: where it opens in cracks, it draws together. */
export interface Turning<E extends Effect = Effect> {
  way: "turns";
  /** the film afterwards; the same film where the effect does not concern it */
  turned(effect: E, film: Film): Film;
  /** the share of the film that opens in cracks as it turns */
  torn(effect: E, film: Film, working: Working): Share;
}

/** Everything comes off. */
export interface Stripping {
  way: "strips";
  to: Waste;
}

/** Only the bare ground or the air is concerned. */
export interface Preparing {
  way: "prepares";
}

export type Law<E extends Effect = Effect> =
  | Laying<E>
  | Thinning<E>
  | Opening<E>
  | Wearing<E>
  | Flaking<E>
  | Turning<E>
  | Stripping
  | Preparing;
