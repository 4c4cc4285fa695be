import { describe, expect, it } from "vitest";
import { judge } from "../judge/judge.ts";
import { examplePlan } from "../rules/example.ts";
import { covers } from "../surface/shares.ts";
import { readPlan } from "./plan-file.ts";

/** A plan as version 5 wrote it: steps with shares, and mixes as words. */
function old(steps: Record<string, unknown>[]) {
  const plan = examplePlan({ shows: "old", ground: "raw timber", steps: [["brush", "mineral-bottle"]] });
  const others = examplePlan({
    shows: "old",
    ground: "raw timber",
    steps: [
      ["brush", "mineral-oyster"],
      ["brush", "clay-moss"],
    ],
  });
  const first = { ...plan.crusts[0]!.steps[0]!, where: { on: "everywhere", share: 1 } };
  const read = readPlan({
    ...plan,
    version: 5,
    pinned: { ...plan.pinned, materials: [...plan.pinned.materials, ...others.pinned.materials] },
    crusts: [
      {
        ...plan.crusts[0]!,
        steps: [
          first,
          ...steps.map((step, index) => ({ kind: "coat", coats: 1, intents: [], id: `n${index}`, ...step })),
        ],
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.plan;
}

describe("plans of version 5", () => {
  it.each([
    ["dry-brush", 0.4],
    ["dry-brush", 0.6],
    ["sponge", 0.45],
    ["sponge", 1],
    ["spatter", 0.04],
    ["spatter", 0.02],
    ["brush", 0.3],
  ])("%s over %d of the face covers what it covered", (how, share) => {
    const plan = old([{ how, what: "mineral-oyster", where: { on: "everywhere", share } }]);
    const zone = judge(plan).zones[0]!;
    expect(covers({ ...zone.after }, { arris: 0, field: 1, high: 0, recess: 0 }).get("n0")).toBeCloseTo(share, 2);
  });

  it("keep their mixes, and a ratio that cannot be read in the note", () => {
    const where = { on: "everywhere", share: 1 };
    const [, one, two, three] = old([
      { how: "brush", what: "mineral-oyster", with: "clay-moss", ratio: "3 : 1", where },
      { how: "wash", what: "mineral-oyster", ratio: "1 : 3 with water", where },
      { how: "brush", what: "mineral-oyster", ratio: "a drop of black", note: "try it first", where },
    ]).crusts[0]!.steps;
    expect(one!.mix).toEqual({ by: "volume", parts: 3, with: [{ what: "clay-moss", parts: 1 }], thinner: 0 });
    expect(two!.mix).toEqual({ by: "volume", parts: 1, with: [], thinner: 3 });
    expect([three!.mix, three!.note]).toEqual([undefined, "Mix: a drop of black. try it first"]);
  });
});
