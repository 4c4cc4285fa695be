import { describe, expect, it } from "vitest";
import { applyCommands } from "../edit/apply.ts";
import { judgeZones } from "../judge/judge.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { Plan } from "../plan/plan.ts";
import { SIGN_STAGES } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { techniquesFor } from "../surface/techniques.ts";
import { readWallTime } from "../units/wall-time.ts";
import { TROUBLES } from "./event.ts";
import { signQuestion } from "./sign-words.ts";
import { likelyTroubles, TROUBLE_WORDS, waysOn } from "./trouble.ts";

const LATER = { wait: { kind: "at least", minutes: 1440 } } as const;
const CRUSTS: Record<string, readonly ExampleStep[]> = {
  "paint and wax": [
    ["brush", "chalk-slate"],
    ["brush", "chalk-bone-white", { coats: 2 }],
    ["wax", "wax-dark", LATER],
  ],
  "glaze wiped back": [
    ["brush", "mineral-oyster", { coats: 2 }],
    ["brush", "glaze-umber", LATER],
    ["wipe-back"],
    ["brush", "clear-coat-matt", LATER],
  ],
  "leaf on size": [
    ["brush", "mineral-oyster", { coats: 2 }],
    ["brush", "leaf-size", LATER],
    ["lay-leaf", "leaf-imitation-gold"],
  ],
  "cracks and speckle": [
    ["brush", "chalk-slate"],
    ["brush", "crackle-medium", LATER],
    ["brush", "mineral-oyster"],
    ["spatter", "chalk-slate", LATER],
  ],
};

/** The crust with every coat up to one of its steps done, the last an hour ago. */
function reached(steps: readonly ExampleStep[], stepId: string) {
  const plan = examplePlan({ shows: "x", ground: "raw timber", species: "pine", steps });
  const [zone] = judgeZones(plan, {});
  const start = readWallTime(plan.start)!;
  const last = zone!.phases.findLastIndex(({ phase }) => phase.step.id === stepId);
  const wall = (minutes: number) => new Date((start + minutes) * 60_000).toISOString().slice(0, 16);
  const done = zone!.phases.slice(0, last + 1).map(({ phase, starts, ends }) => ({
    zoneId: "z1",
    phaseId: phase.id,
    starts: wall(starts),
    ends: wall(Math.max(ends, starts + 1)),
  }));
  const begun: Plan = { ...plan, state: "under way", done: done as NonNullable<Plan["done"]> };
  const phase = zone!.phases[last]!;
  return { plan: begun, phaseId: phase.phase.id, now: start + Math.ceil(phase.ends) + 60, phase: phase.phase };
}

const stopsIn = (plan: Plan, now: number) =>
  judgeZones(plan, { now }).flatMap(({ findings }) => findings.filter(({ severity }) => severity === "stop")).length;

describe.each(Object.entries(CRUSTS))("when something goes wrong with %s", (_name, steps) => {
  it("every way on that is offered can be taken, and ends in no stop that was not there before", () => {
    for (const stepId of steps.map((_, index) => `s${index + 1}`)) {
      const { plan, phaseId, now } = reached(steps, stepId);
      const before = stopsIn(plan, now);
      for (const trouble of TROUBLES) {
        const ways = waysOn(plan, { zoneIds: ["z1"], phaseId, trouble, now });
        expect(new Set(ways.map(({ id }) => id)).size, trouble).toBe(ways.length);
        for (const way of ways) {
          const name = `${stepId}, ${trouble}: ${way.id}`;
          expect(way.label, name).toMatch(/^[A-Z]/);
          expect(way.label.length, name).toBeLessThanOrEqual(60);
          expect(way.costs, name).toBeGreaterThanOrEqual(0);
          expect(way.severity, name).not.toBe("stop");
          const taken = applyCommands(plan, way.commands);
          if (!taken.ok) throw new Error(`${name}: ${taken.because}`);
          expect(stopsIn(taken.plan, now), name).toBeLessThanOrEqual(before);
          // what has been done stays done, whatever its step's coats are called now
          expect(taken.plan.done?.map(({ ends }) => ends).sort(), name).toEqual(
            plan.done!.map(({ ends }) => ends).sort(),
          );
        }
      }
    }
  });
});

describe("what may be wrong", () => {
  it("has words for each, and each word is for one", () => {
    const words = TROUBLES.map((trouble) => TROUBLE_WORDS[trouble]);
    expect(words.every((text) => /^[A-Z]/.test(text))).toBe(true);
    expect(new Set(words).size).toBe(words.length);
  });

  it("is guessed by what is laid and how: some of all there are, none twice", () => {
    for (const material of CATALOGUE)
      for (const { id } of techniquesFor(material)) {
        const likely = likelyTroubles(material, id);
        expect(likely.length, `${id} ${material.id}`).toBeGreaterThan(2);
        expect(new Set(likely).size).toBe(likely.length);
        for (const trouble of likely) expect(TROUBLES).toContain(trouble);
      }
    expect(likelyTroubles(null, "wet-distress")).toContain("took off too much");
    expect(likelyTroubles({ role: "tissue", family: "printed tissue" }, "lay-tissue")[0]).toBe("torn tissue");
  });

  it("is nothing on a zone or a step that is not there", () => {
    const { plan, phaseId, now } = reached(CRUSTS["paint and wax"]!, "s1");
    expect(waysOn(plan, { zoneIds: [], phaseId, trouble: "runs", now })).toEqual([]);
    expect(waysOn(plan, { zoneIds: ["gone"], phaseId, trouble: "runs", now })).toEqual([]);
    expect(waysOn(plan, { zoneIds: ["z1"], phaseId: "gone", trouble: "runs", now })).toEqual([]);
  });
});

describe("the signs that overrule the clock", () => {
  it("are asked as a question with two answers, and said in the ledger in words of their own", () => {
    const roles = [null, ...new Set(CATALOGUE.map(({ role }) => role))];
    for (const stage of SIGN_STAGES)
      for (const role of roles) {
        const question = signQuestion(stage, role === null ? null : { role });
        if (!question) continue;
        expect(question.asks, `${stage} ${role}`).toMatch(/^[A-Z].*\?$/);
        expect(question.yes, `${stage} ${role}`).not.toBe(question.notYet);
        expect(question.was, `${stage} ${role}`).not.toBe(question.seen);
        expect(question.was, `${stage} ${role}`).toMatch(/^[a-z]/);
      }
  });

  it("a habit has no sign: only the clock counts", () => {
    expect(signQuestion("habit", null)).toBeNull();
  });

  it("wax, glaze, size and crackle medium are felt otherwise than paint", () => {
    const asks = (role: "wax" | "paint") => signQuestion("recoat", { role })!.asks;
    expect(asks("wax")).not.toBe(asks("paint"));
    const tack = (role: "medium" | "size" | "glaze" | "paint") => signQuestion("tack", { role })!.asks;
    expect(new Set([tack("medium"), tack("size"), tack("glaze"), tack("paint")]).size).toBe(4);
  });
});
