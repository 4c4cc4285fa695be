import { randomUUID } from "node:crypto";
import { parentPort } from "node:worker_threads";
import { type Plan, zonesOf } from "#core/plan/plan";
import { type Asked, makePlan } from "#db/make-plan";
import { summarise } from "#db/plans";
import { theStore } from "./store.server";

/** What a page's thread sends the server: something was saved, and roughly how much work is in it. */
interface WrittenNote {
  kind: "written";
  /** null where it was the shop */
  planId: string | null;
  /** null where it is not known */
  weight: number | null;
}

/** The same where somebody asked for the shop's work to be planned. */
interface PlanNote {
  kind: "plan";
  looks: number | null;
  idea: string | null;
}

/** Coats and other pieces of work in a plan, counted without compiling it. */
function weightOf(plan: Plan): number {
  const coats = new Map(plan.crusts.map((crust) => [crust.id, crust.steps.reduce((sum, step) => sum + step.coats, 0)]));
  return zonesOf(plan).reduce((sum, zone) => sum + (coats.get(zone.crustId) ?? 0), 0);
}

/**
 * Has the jobs list's summary of a job worked out and the shop's work planned again: by the server's other threads, or
 * here if there is no such server.
 */
export const noteWritten = (plan: Plan) => note({ kind: "written", planId: plan.id, weight: weightOf(plan) });

/** The same for a job found without a summary; how much work is in it is not known. */
export const notePending = (planId: string) => note({ kind: "written", planId, weight: null });

/** The same where the shop itself was changed, or a job was removed or restored. */
export const noteShopChanged = () => note({ kind: "written", planId: null, weight: null });

/** Somebody asked for the shop's work to be planned: more thoroughly, or with an idea. */
export const askForPlan = ({ looks = null, idea = null }: { looks?: number | null; idea?: string | null }) =>
  note({ kind: "plan", looks, idea });

/** Asks the server to open the shop to its network; false where no server of the shop's own runs. */
export function askForNetwork(): boolean {
  parentPort?.postMessage({ kind: "network" });
  return parentPort !== null;
}

function note(said: WrittenNote | PlanNote) {
  if (parentPort) {
    parentPort.postMessage(said);
    return;
  }
  const asked: Asked =
    said.kind === "plan" ? { idea: said.idea, again: true, ...(said.looks === null ? {} : { looks: said.looks }) } : {};
  setTimeout(async () => {
    try {
      const store = await theStore();
      if (said.kind === "written" && said.planId !== null) await summarise(store, said.planId);
      await makePlan(store, randomUUID(), asked);
    } catch (error) {
      console.error(error);
    }
  });
}
