import type { JudgedPhase, Judgement, ZoneJudgement } from "../judge/judge.ts";
import type { Hours } from "../plan/hours.ts";
import type { Plan } from "../plan/plan.ts";
import type { WallMinutes } from "../units/units.ts";

/** Work that has been done: it stays where it was. */
export interface Done {
  zoneId: string;
  phaseId: string;
  starts: WallMinutes;
  ends: WallMinutes;
}

/** A job with its judgement, and what of it is already done. */
export interface Work {
  plan: Plan;
  judgement: Judgement;
  done?: readonly Done[];
  /** what is still to do begins no earlier */
  from?: WallMinutes;
  /** the hours that are worked, where they are not those written in the job */
  hours?: Hours;
  /** those are the job's own, whatever hours a painter keeps otherwise */
  ownHours?: boolean;
}

/** The hours a job is worked in. */
export const hoursOf = ({ hours, plan }: Pick<Work, "hours" | "plan">): Hours => hours ?? plan.pinned.hours;

/** One section of a go: it is worked through all its phases before the next is begun. */
export interface Section {
  at: number;
  of: number;
}

/** Work on a zone, taking a piece apart and putting it together, or lying in a drying place. */
export type TaskKind = "zone" | "apart" | "together" | "drying";

/** What an activity of the network stands for. */
export interface Task {
  id: string;
  kind: TaskKind;
  plan: Plan;
  /** when its job is worked on */
  hours: Hours;
  pieceId: string;
  /** the zone's phase, the first of its go; null for what is of the whole piece, and for drying */
  phase: { judged: ZoneJudgement; placed: JudgedPhase } | null;
  /** what is done in it: zone and phase */
  does: readonly { zoneId: string; phaseId: string }[];
  section: Section | null;
  name: string;
  /** it has been done */
  done?: true;
}

export const taskId = (planId: string, zoneId: string, phaseId: string) => `${planId}:${zoneId}:${phaseId}`;
export const apartId = (planId: string, pieceId: string, way: "apart" | "together") => `${planId}:${pieceId}:${way}`;

export const phaseName = ({ phase }: JudgedPhase) => {
  const name = phase.material ? phase.material.name : phase.technique.name;
  const coat = phase.coats > 1 && phase.coat > 1 ? `, coat ${phase.coat}` : "";
  return `${name}${coat}${phase.round > 1 ? `, round ${phase.round}` : ""}`;
};
