import { setTimeout as pause } from "node:timers/promises";
import { writePlanFile } from "#core/exchange/plan-file";
import { type Plan, zonesOf } from "#core/plan/plan";
import { readWallTime, sayWallTime } from "#core/units/wall-time";
import { largePlan } from "../tests/large-plan.ts";
import { ask, importPlan } from "./client.ts";
import type { Trial } from "./trial.ts";

/** Plans at every limit of the README: as many zones, steps, materials and set times as there may be, and waits that clash. */
export function plansAtTheLimits(): Plan[] {
  const whole = (id: string, change: (plan: Plan) => void, coats = 1): Plan => {
    const plan = largePlan(80, 40);
    plan.id = `limit-${id}`;
    plan.title = `At the limits: ${id}`;
    for (const crust of plan.crusts) for (const step of crust.steps) if (step.what) step.coats = coats;
    change(plan);
    return plan;
  };
  const zero = readWallTime(largePlan(1, 1).start)!;
  return [
    whole("plain", () => {}),
    whole("twelve coats", () => {}, 12),
    whole("set times", (plan) => {
      plan.pins = zonesOf(plan)
        .flatMap((zone, index) =>
          [0, 15, 30, 45, 60].map((step) => ({
            zoneId: zone.id,
            phaseId: plan.crusts[0]!.steps[step]!.id,
            starts: sayWallTime(zero + ((index * 7 + step) % 40) * 1440),
          })),
        )
        .slice(0, 200);
    }),
    whole("exact waits in a narrow week", (plan) => {
      plan.pinned.hours.weekdays = [[[540, 555]], [], [], [], [], [], []];
      plan.due = sayWallTime(zero + 1440);
      for (const crust of plan.crusts)
        for (const [at, step] of crust.steps.entries()) if (at % 3 === 0) step.wait = { kind: "exactly", minutes: 37 };
    }),
  ].map((plan) => ({ ...plan, id: plan.id.replaceAll(" ", "-") }));
}

/** How long another job may be kept waiting, in milliseconds. */
const MOST_WAITED = 100;
/**
 * In the short form, on a machine that also does other things, only a standstill is a fault: so many times as long as
 * before.
 */
const STANDSTILL = 30;

/**
 * All plans at the limits are imported, judged, dated and drawn at once, while another job is opened again and again:
 * how long that one is kept waiting.
 */
export const limits: Trial = {
  name: "limits",
  says: "every limit at once: other jobs are not kept waiting",
  async run({ address, short, note }) {
    const quiet = async (path: string, times: number) => {
      const took: number[] = [];
      for (let at = 0; at < times; at++) {
        const { status, took: time } = await ask(address, path, { headers: { Accept: "text/html" } });
        if (status !== 200) note(`${path} answered ${status}`);
        // any other answer than the page is as bad as none
        took.push(status === 200 ? time : Number.POSITIVE_INFINITY);
        await pause(20);
      }
      return took;
    };
    const other = "/jobs/carved-settle/crust";
    // a shop that has been open for a while has all its desks
    await pause(6000);
    await quiet(other, 10);
    const before = await quiet(other, 20);
    const plans = plansAtTheLimits().slice(0, short ? 2 : 4);
    let working = true;
    const heavy = (async () => {
      const imported = await Promise.all(plans.map((plan) => importPlan(address, writePlanFile(plan))));
      for (const { status, text } of imported)
        if (status !== 302) note(`an import answered ${status}: ${text.slice(0, 200)}`);
      const views = ["crust", "days", "board", "shelf", "days.ics", "wall"];
      await Promise.all(
        plans.flatMap(({ id }) => [
          ...views.map(async (view) => {
            const { status } = await ask(address, `/jobs/${id}/${view}`, { headers: { Accept: "text/html" } });
            if (![200, 303, 503].includes(status)) note(`/jobs/${id}/${view} answered ${status}`);
          }),
          ...(short ? [] : [0, 1, 2, 3, 4, 5]).map(async (seed) => {
            const { status } = await ask(address, `/jobs/${id}/board.png?zone=z1&seed=${seed}`);
            if (![200, 429, 503].includes(status)) note(`/jobs/${id}/board.png answered ${status}`);
          }),
        ]),
      );
      working = false;
    })();
    const during: number[] = [];
    while (working) during.push(...(await quiet(other, 1)));
    await heavy;
    const sorted = during.sort((a, b) => a - b);
    const worst = sorted.at(-1) ?? 0;
    const median = sorted[Math.floor(sorted.length / 2)] ?? 0;
    const usual = before.sort((a, b) => a - b)[10]!;
    const most = short ? STANDSTILL * Math.max(usual, 20) : MOST_WAITED;
    const over = sorted.filter((time) => time > most).length;
    return {
      tried: sorted.length,
      faults: over,
      came: `another job's page took ${Math.round(usual)} ms before, ${Math.round(median)} ms (median) and ${Math.round(worst)} ms (longest) meanwhile; ${over} of ${sorted.length} took over ${Math.round(most)} ms`,
    };
  },
};
