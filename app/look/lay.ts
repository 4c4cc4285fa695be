import type { Command } from "#core/edit/command";
import { findCrust, findZone, type Plan, type Step } from "#core/plan/plan";
import type { Shown } from "./messages";

const pins = (plan: Plan, shown: Shown, used: ReadonlySet<string>): Command[] =>
  shown.materials
    .filter(({ id }) => used.has(id) && !plan.pinned.materials.some((known) => known.id === id))
    .map((material) => ({ do: "pin material", material }));

const usedIn = (steps: readonly Step[]): Set<string> =>
  new Set(steps.flatMap(({ what, mix }) => [...(what ? [what] : []), ...(mix?.with.map((part) => part.what) ?? [])]));

function freshIn(taken: ReadonlySet<string>, base: string): string {
  if (!taken.has(base)) return base;
  let count = 2;
  while (taken.has(`${base}-${count}`)) count++;
  return `${base}-${count}`;
}

/** Gives a zone this stack as a crust of its own. */
export function layWhole(plan: Plan, zoneId: string, shown: Shown, name: string): Command[] {
  const id = freshIn(new Set(plan.crusts.map((crust) => crust.id)), "look");
  return [
    ...pins(plan, shown, usedIn(shown.crust.steps)),
    { do: "insert crust", at: plan.crusts.length, crust: { ...shown.crust, id, name } },
    { do: "patch zone", zoneId, patch: { crustId: id, overrides: [] } },
  ];
}

/** Adds the steps of one move on top of what a zone has. */
export function layMove(plan: Plan, zoneId: string, shown: Shown, stepIds: readonly string[]): Command[] {
  const crust = findCrust(plan, findZone(plan, zoneId)?.crustId ?? "");
  if (!crust) return [];
  const taken = new Set(crust.steps.map(({ id }) => id));
  const steps = shown.crust.steps.filter(({ id }) => stepIds.includes(id));
  return [
    ...pins(plan, shown, usedIn(steps)),
    ...steps.map((step, index): Command => {
      const id = freshIn(taken, step.id);
      taken.add(id);
      const { reveals, ...plain } = step;
      const shows = reveals !== undefined && (reveals === "ground" || taken.has(reveals)) ? { reveals } : {};
      return { do: "insert step", crustId: crust.id, at: crust.steps.length + index, step: { ...plain, ...shows, id } };
    }),
  ];
}
