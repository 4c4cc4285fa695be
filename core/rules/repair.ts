import type { Command } from "../edit/command.ts";
import type { Material } from "../materials/material.ts";
import type { Crust, Intent, Step } from "../plan/plan.ts";
import type { Phase } from "../surface/phase.ts";
import { findTechnique } from "../surface/techniques.ts";
import type { Minutes } from "../units/units.ts";
import type { Fix, RepairBasis, Shelf } from "./rule.ts";
import { named } from "./words.ts";

// Building blocks of fixes. Every fix is a list of edit commands, so it can be undone like any other edit.

/** The plan's own material first, then the catalogue's. */
export const choose = (shelf: Shelf, fits: (material: Material) => boolean): Material | undefined =>
  [...shelf.pinned.values()].find(fits) ?? shelf.catalogue.find(fits);

export const ofFamily = (shelf: Shelf, family: Material["family"]) =>
  choose(shelf, (material) => material.family === family);

export const indexOfStep = (crust: Crust, stepId: string) => crust.steps.findIndex((step) => step.id === stepId);

/** A step id no step of the crust has yet, the same for the same crust. */
function freshId(crust: Crust, base: string, taken: number): string {
  for (let count = 1 + taken; ; count++) {
    const id = `${base}-${count}`;
    if (!crust.steps.some((step) => step.id === id)) return id;
  }
}

const EVERYWHERE: Step["where"] = { on: "everywhere", over: 1 };

export interface NewStep {
  how: string;
  what?: Material;
  coats?: number;
  intents?: Intent[];
  where?: Step["where"];
}

/** Adds steps, the first of them at this index, and pins the materials they need. */
export function insertAt(place: RepairBasis, at: number, steps: readonly NewStep[]): Command[] {
  return steps.flatMap(({ how, what, coats = 1, intents = [], where = EVERYWHERE }, index): Command[] => {
    const step: Step = {
      id: freshId(place.crust, how, index),
      kind: findTechnique(how)!.kind,
      how,
      ...(what ? { what: what.id } : {}),
      where,
      coats,
      intents,
    };
    const insert: Command = { do: "insert step", crustId: place.crust.id, at: at + index, step };
    return what && !place.shelf.pinned.has(what.id) ? [{ do: "pin material", material: what }, insert] : [insert];
  });
}

export const insertBefore = (place: RepairBasis, stepId: string, steps: readonly NewStep[]) =>
  insertAt(place, Math.max(0, indexOfStep(place.crust, stepId)), steps);

export const patchStep = (
  place: RepairBasis,
  stepId: string,
  patch: Extract<Command, { do: "patch step" }>["patch"],
): Command[] => [{ do: "patch step", crustId: place.crust.id, stepId, patch }];

/** Makes a step wait at least so long after the one before it. */
export const waitBefore = (place: RepairBasis, stepId: string, minutes: Minutes): Command[] =>
  patchStep(place, stepId, { wait: { kind: "at least", minutes: Math.ceil(minutes / 30) * 30 } });

export const leaveOut = (place: RepairBasis, stepId: string): Command[] => [
  { do: "remove step", crustId: place.crust.id, stepId },
];

export const moveBefore = (place: RepairBasis, stepId: string, otherId: string): Command[] => {
  const from = indexOfStep(place.crust, stepId);
  const to = indexOfStep(place.crust, otherId);
  return [{ do: "move step", crustId: place.crust.id, stepId, to: from < to ? to - 1 : to }];
};

export function withIntent(place: RepairBasis, stepId: string, intent: Intent): Command[] {
  const step = place.crust.steps[indexOfStep(place.crust, stepId)];
  return patchStep(place, stepId, { intents: [...new Set([...(step?.intents ?? []), intent])] });
}

/** A clear coat between the layers, if one is available. */
export function sealFirst(place: RepairBasis, stepId: string, look?: string): Fix[] {
  const sealer = ofFamily(place.shelf, "water-borne clear coat");
  if (!sealer) return [];
  return [
    {
      label: `Seal it with ${named(sealer)} first`,
      commands: insertBefore(place, stepId, [{ how: "brush", what: sealer }]),
      ...(look ? { look } : {}),
    },
  ];
}

/** Removes the author's own wait, so that the step falls into its window. */
export const dropWait = (place: RepairBasis, stepId: string, label: string): Fix[] => [
  { label, commands: patchStep(place, stepId, { wait: null }) },
];

/** Steps after the last one. */
export const appended = (place: RepairBasis, steps: readonly NewStep[]) =>
  insertAt(place, place.crust.steps.length, steps);

/** Uses another material in a step, pinning it if the plan does not have it yet. */
export const layInstead = (
  place: RepairBasis,
  stepId: string,
  material: Material,
  patch: Parameters<typeof patchStep>[2] = {},
): Command[] => [
  ...(place.shelf.pinned.has(material.id) ? [] : [{ do: "pin material" as const, material }]),
  ...patchStep(place, stepId, { ...patch, what: material.id }),
];

/** Whether something later takes this coat off in places: only then is wax under it a resist. */
export function isTakenOff({ crust }: RepairBasis, { step, material }: Phase): boolean {
  const above = crust.steps.slice(crust.steps.findIndex(({ id }) => id === step.id) + 1);
  return material?.role === "paint" && above.some(({ kind, how }) => kind === "take" && how !== "buff");
}
