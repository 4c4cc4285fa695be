import { parentPort } from "node:worker_threads";
import { type Plan, zonesOf } from "#core/plan/plan";
import { summarise } from "#db/plans";
import { theStore } from "./store.server";

/** What a page's thread sends the server: a job was saved, and roughly how much work is in it. */
export interface WrittenNote {
  kind: "written";
  planId: string;
  /** null where it is not known */
  weight: number | null;
}

/** Coats and other pieces of work in a plan, counted without compiling it. */
function weightOf(plan: Plan): number {
  const coats = new Map(plan.crusts.map((crust) => [crust.id, crust.steps.reduce((sum, step) => sum + step.coats, 0)]));
  return zonesOf(plan).reduce((sum, zone) => sum + (coats.get(zone.crustId) ?? 0), 0);
}

/**
 * Has the jobs list's summary of a job worked out: by the server's other threads, or here if there is no such server.
 */
export const noteWritten = (plan: Plan) => note(plan.id, weightOf(plan));

/** The same for a job found without a summary; how much work is in it is not known. */
export const notePending = (planId: string) => note(planId, null);

function note(planId: string, weight: number | null) {
  if (parentPort) {
    parentPort.postMessage({ kind: "written", planId, weight } satisfies WrittenNote);
    return;
  }
  setTimeout(async () => {
    try {
      await summarise(await theStore(), planId);
    } catch (error) {
      console.error(error);
    }
  });
}
