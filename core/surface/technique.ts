import type { Hazard, Material } from "../materials/material.ts";
import type { StepKind } from "../plan/plan.ts";
import type { Skill } from "../plan/shop.ts";
import type { ConsumableId } from "../quantity/consumables.ts";
import type { Millilitres, Minutes, Share } from "../units/units.ts";
import type { ByRelief, Effect } from "./effect.ts";

/** What one wants to know of a technique while one's hands are wet (common practice). */
export interface AtTheBench {
  /** what is in the hand */
  tool: string | null;
  /** which way it goes */
  stroke: string | null;
  /** what looks wrong and is as it should be */
  normal: readonly string[];
  /** what to stop at */
  stop: readonly string[];
}

export interface Technique {
  id: string;
  name: string;
  kind: StepKind;
  /** the roles of material it lays; none for techniques that take or prepare */
  lays: readonly Material["role"][];
  /** how much of a normal coat goes on */
  load: number;
  /** what is lost besides what goes on the piece, as a part of it: overspray, what is wiped off again, what is brushed out on a board */
  loss: Share;
  /** what stays in brush, roller and kettle after a session */
  residue: Millilitres;
  /** what it uses up besides: rags, paper, brushes */
  uses: readonly ConsumableId[];
  /** parts of water that one part of paint is let down with, where the step says nothing of it */
  letDown: number;
  /** the second material of its mix lies beside the first, and is not stirred into it */
  carriesTwo: boolean;
  profile: ByRelief;
  /** how hard it works what lies beneath, 0 a laid brush, 1 a wet rag worked hard */
  rubbing: number;
  /** what it wets the surface with, beyond the material's own carrier */
  wets: "water" | "solvent" | null;
  minutesPerSquareMetre: number;
  setUp: Minutes;
  /** whether the hands are needed: lying and standing need none */
  hands: boolean;
  /** what not every painter can do */
  skill: Skill | null;
  /** share it covers of what it is worked over: a stencil or a spatter is broken by nature */
  covers: number;
  /** it lays a design: on the motif, that is the whole of it */
  prints: boolean;
  /** it mends misses of an earlier coat, and lays what that laid where the step names nothing else */
  mends: boolean;
  /** laid just before, these are wet or fresh still, and it is one go with them */
  goesWith: readonly Material["role"][];
  /** done once for all zones of a piece that share the step: a mix rests once, drawers come out once */
  oncePerPiece: boolean;
  /** effects besides the deposit */
  effects: readonly Effect[];
  hazards: readonly (Hazard | "heat")[];
  hint: string;
  bench: AtTheBench;
  /** the sign to look and feel for before or after, which overrules the clock */
  sign: string | null;
}

const NONE: ByRelief = { arris: 0, field: 0, high: 0, recess: 0 };
export const EVEN: ByRelief = { arris: 1, field: 1, high: 1, recess: 1 };
export const BRUSHED: ByRelief = { arris: 0.6, field: 1, high: 0.85, recess: 1.3 };
export const WASHED: ByRelief = { arris: 0.4, field: 0.9, high: 0.55, recess: 2 };
export const WAXED: ByRelief = { arris: 0.35, field: 0.7, high: 0.45, recess: 2.6 };
/** A brush or finger that hardly touches: what stands proud takes it, grooves stay as they were. */
export const SKIMMED: ByRelief = { arris: 1, field: 0.5, high: 1, recess: 0 };

/** A technique as it is written down: what is usual may be left out. */
export type Row = Partial<Omit<Technique, "bench">> &
  Pick<Technique, "id" | "name" | "kind" | "minutesPerSquareMetre" | "hint"> & { bench?: Partial<AtTheBench> };

const NOT_SAID: AtTheBench = { tool: null, stroke: null, normal: [], stop: [] };

/** Sanding at the bench, whatever the paper. */
export const SANDED = {
  stroke: "along the grain, lightly",
  normal: ["A dull, scratched face that the next coat takes away", "Pale dust in the grooves"],
  stop: ["The paper clogs: it is not dry", "Another colour shows where it should not", "Paint rolls up in crumbs"],
} as const satisfies Partial<AtTheBench>;

/** A technique with what is usual filled in; work rates and hands by relief are common practice unless a rule says otherwise. */
export const technique = <const Id extends string>(row: Row & { id: Id }): Technique & { id: Id } => ({
  lays: [],
  load: 1,
  loss: 0,
  residue: 0,
  uses: [],
  letDown: 0,
  carriesTwo: false,
  profile: NONE,
  rubbing: 0,
  wets: null,
  setUp: 5,
  hands: true,
  skill: null,
  covers: 1,
  prints: false,
  goesWith: [],
  oncePerPiece: false,
  mends: false,
  effects: [],
  hazards: [],
  sign: null,
  ...row,
  bench: { ...NOT_SAID, ...row.bench },
});
