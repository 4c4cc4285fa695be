import { parentPort } from "node:worker_threads";
import { type Plan, zonesOf } from "#core/plan/plan";
import { summarise } from "#db/plans";
import { theStore } from "./store.server";

/** What a page's thread tells the server: a job was written, and about how much work there is in it. */
export interface WrittenNote {
  kind: "written";
  planId: string;
  weight: number;
}

/** Coats and other pieces of work of a plan, counted without compiling it. */
function weightOf(plan: Plan): number {
  const coats = new Map(plan.crusts.map((crust) => [crust.id, crust.steps.reduce((sum, step) => sum + step.coats, 0)]));
  return zonesOf(plan).reduce((sum, zone) => sum + (coats.get(zone.crustId) ?? 0), 0);
}

/** Has what the jobs list shows of a job worked out: by the server's other threads, or here where there is no such server. */
export function noteWritten(plan: Plan) {
  if (parentPort) {
    parentPort.postMessage({ kind: "written", planId: plan.id, weight: weightOf(plan) } satisfies WrittenNote);
    return;
  }
  setTimeout(async () => {
    try {
      await summarise(await theStore(), plan.id);
    } catch (error) {
      console.error(error);
    }
  });
}
