import type { Material } from "../materials/material.ts";
import type { Ground } from "../plan/ground.ts";
import type { HouseRules } from "../plan/house-rules.ts";
import type { Step, Use, Where } from "../plan/plan.ts";
import { THIRSTY } from "../surface/laws/laying.ts";
import { findTechnique } from "../surface/techniques.ts";

/** One step of a move. Its key becomes the step's id, so that other steps, and tests, can speak of the layer. */
export interface MoveStep extends Partial<Omit<Step, "id" | "kind" | "how" | "what" | "where" | "reveals">> {
  key: string;
  how: string;
  what?: string;
  on?: Where;
  /** how much of the place it is worked over; all, if left out */
  over?: number;
  /** the key of the layer that it is meant to show, or "ground" */
  reveals?: string;
  /** why it is there, as one painter would say it to another */
  why: string;
}

/** What a move can know of where it is made: the piece, the house, and what lies there by now. */
export interface Setting {
  ground: Ground;
  use: Use;
  houseRules: HouseRules;
  /** what can be laid, by id */
  materials: ReadonlyMap<string, Material>;
}

export interface MoveContext extends Setting {
  /** the steps made by the moves before it */
  before: readonly MoveStep[];
}

/**
 * A move: a few steps that belong together and do one thing to the look, such as crackle medium and the paint over it. Finishes are
 * written in moves, and the planner searches over them.
 */
export interface Move {
  /** what it does to the look, in a word or two */
  name: string;
  steps(context: MoveContext): readonly MoveStep[];
}

/** The last thing that was laid all over, as far as the moves before say; undefined on the bare ground. */
export function lastLaid({ before, materials }: MoveContext): Material | undefined {
  const step = before.findLast(({ what, on, over }) => what !== undefined && on === undefined && (over ?? 1) > 0.6);
  return step?.what === undefined ? undefined : materials.get(step.what);
}

/** Whether a face of this grabs a glaze or a tinted wax in patches. */
export const isThirsty = (material: Material | undefined): boolean =>
  material !== undefined && material.absorbency.typical >= THIRSTY;

/**
 * The plan's step that a move's step stands for, with its reason as a note.
 * @throws where there is no technique of that id: a fault of the finish, which its test finds
 */
export function stepOf({ key, how, on = "everywhere", over = 1, why, ...rest }: MoveStep): Step {
  const technique = findTechnique(how);
  if (!technique) throw new Error(`There is no technique "${how}".`);
  return { id: key, kind: technique.kind, how, coats: 1, intents: [], note: why, ...rest, where: { on, over } };
}

/** All steps of some moves, each seeing what those before it laid. */
export function stepsOf(moves: readonly Move[], setting: Setting): { move: Move; steps: readonly MoveStep[] }[] {
  const before: MoveStep[] = [];
  return moves.map((move) => {
    const steps = move.steps({ ...setting, before: [...before] });
    before.push(...steps);
    return { move, steps };
  });
}

/** A move that is the same wherever it is made. */
export const always = (name: string, ...steps: readonly MoveStep[]): Move => ({ name, steps: () => steps });
