import type { Climate } from "../drying/climate.ts";
import type { Gate, Stage } from "../drying/gate.ts";
import type { Command } from "../edit/command.ts";
import type { Material } from "../materials/material.ts";
import type { HouseRules } from "../plan/house-rules.ts";
import type { Crust, Relief, Zone } from "../plan/plan.ts";
import type { Room } from "../plan/room.ts";
import type { Effect } from "../surface/effect.ts";
import type { Film } from "../surface/film.ts";
import type { Phase, RuledAs } from "../surface/phase.ts";
import type { Stack } from "../surface/stack.ts";
import type { Films, Surface } from "../surface/surface.ts";
import type { Instant, Minutes, Share } from "../units/units.ts";
import type { ExampleStack } from "./example.ts";

/** stop: will fail, or can hurt. caution: may fail; depends. note: normal, worth knowing. */
export type Severity = "stop" | "caution" | "note";
export const SEVERITY_ORDER: Record<Severity, number> = { stop: 0, caution: 1, note: 2 };

/** A repair of a finding: commands that make it go away, and what they change in the look. */
export interface Fix {
  label: string;
  commands: Command[];
  look?: string;
}

/** What a repair is worked out from: the crust as it is now, and the materials it may use. */
export interface RepairBasis {
  crust: Crust;
  shelf: Shelf;
}

/** What a rule says of one place, before it is signed with rule, zone and step. */
export interface Draft {
  severity: Severity;
  /** a sentence a colleague would say */
  title: string;
  /** the figures of this case and what comes of it */
  because: string;
  /** who would judge otherwise */
  schools?: string;
  /** step id of the layer beneath, or "ground" */
  lower?: string;
  /** tells two findings of one rule on one step apart */
  part?: string;
  /** the usual repairs; worked out only when they are needed, for the crust as it is then */
  fixes?(place: RepairBasis): Fix[];
}

export interface Finding extends Draft {
  id: string;
  rule: string;
  zoneId: string;
  crustId: string;
  /** the step it is shown at */
  stepId: string;
  /** about the finished surface, not the seam under the step */
  surface: boolean;
}

/** A wait or a window between two phases; the scheduler uses these, never the rules. */
export interface Wait {
  rule: string;
  from: string;
  to: string;
  /** step id of the phase waited for */
  lower: string;
  /**
   * from the end of that phase, in minutes: of standard air as a rule states them, of the room's own air once placed
   */
  gates: readonly Gate[];
  /** what is waited for, in a few words: "recoat", "tack" */
  reason: string;
}

/** A wait that misses every gate, with the figures of this case. */
export interface Miss {
  verdict: "early" | "late";
  /** minutes from the end of the phase waited for */
  waited: Minutes;
  /** the gates in the room's own air, for the coat as it was laid */
  gates: readonly Gate[];
  /** the same gates in standard air, for a normal coat */
  label: readonly Gate[];
  /** how far a stage has come by now, in minutes of standard air */
  dried(stage: Stage): Minutes;
}

export interface Demand extends Wait {
  /** what to say when the wait misses every gate; null where another rule says it */
  tell(miss: Miss): Draft | null;
}

/** A phase with its place on the zone's nominal line. */
export interface TimedPhase {
  phase: Phase;
  starts: Instant;
  ends: Instant;
}

/** Something on top where the phase goes, and how much of the zone it is. */
export interface Top {
  stack: Stack;
  share: Share;
}

/**
 * What a rule looks at: one phase about to be laid on the films that lie there then. What comes later is not known here. It is
 * the same for all zones with the same films and relief.
 */
export interface FilmSeam {
  houseRules: HouseRules;
  room: Room;
  /** the air of the room over time, on the line's own clock */
  climate: Climate;
  phase: Phase;
  before: Films;
  tops: readonly Top[];
  /** those large enough to mention */
  seen: readonly Top[];
  /** the same told apart by what lies under the film on top as well, those large enough to mention */
  pairs: readonly Top[];
  /** the films among the tops */
  films: readonly { film: Film; share: Share }[];
  /** the zone's shares by relief; rules that need no more of the zone read them here */
  relief: Relief;
  /** while demands are collected: the earliest the painter is free; while checking: when the phase starts */
  at: Instant;
  past: readonly TimedPhase[];
}

/** The same with the zone and its ground. */
export interface Seam extends FilmSeam {
  zone: Zone;
  before: Surface;
}

/** The whole stack when the last step is done. */
export interface Finish {
  zone: Zone;
  houseRules: HouseRules;
  room: Room;
  after: Surface;
  tops: readonly Top[];
  past: readonly TimedPhase[];
}

/** What a repair may use: the plan's own materials first, then the catalogue. */
export interface Shelf {
  pinned: ReadonlyMap<string, Material>;
  catalogue: readonly Material[];
}

/** What a rule finds on an example: how bad, at which step over which, in which words, and what it offers. */
export interface Found {
  severity: Severity;
  at: string;
  over?: string;
  says: string;
  repairs: readonly string[];
}

/** An example that a rule speaks on, with all that it finds there. */
export interface FaultyStack extends ExampleStack {
  finds: readonly Found[];
}

interface RuleFrame {
  meta: {
    id: string;
    title: string;
    /** why, in plain words */
    reason: string;
    origin: string;
    /** keys of the house rules under which it judges otherwise */
    schools: readonly (keyof HouseRules)[];
    /** rules that keep quiet on a seam where this one speaks */
    subsumes: readonly string[];
  };
  /** the kinds of phase it looks at */
  looksAt: readonly (RuledAs | "finish")[];
  /** of those, only the phases that lay one of these or do one of these, which it may then rely on; every one when left out */
  when?: { lays?: readonly Material["role"][]; does?: readonly Effect["does"][] };
  /** of several coats it checks the first alone: the others meet what that one met, or that one */
  onFirstCoat?: true;
  /** it is asked even of a phase that goes where the zone has nothing, such as the grooves of a plain board; all others are not */
  evenWhereNothingIs?: true;
  finish?(finish: Finish): Draft[];
  examples: { clean: readonly ExampleStack[]; faulty: readonly FaultyStack[] };
}

/** A rule that depends on nothing but films and time: what it says once holds for every zone with the same films. */
interface FilmRule extends RuleFrame {
  dependsOn: "films";
  demands?(seam: FilmSeam): Demand[];
  check?(seam: FilmSeam): Draft[];
}

/** A rule that also depends on the ground, where it lies bare under the phase, or on the zone as a whole. */
interface ZoneRule extends RuleFrame {
  dependsOn: "bare ground" | "zone";
  demands?(seam: Seam): Demand[];
  check?(seam: Seam): Draft[];
}

export type Rule = FilmRule | ZoneRule;

export type { ExampleStack };
