import { describe, expect, it } from "vitest";
import type { Plan } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import { readPlan } from "./plan-file.ts";

const old = (change: (raw: Plan) => void) => {
  const raw = structuredClone(
    examplePlan({
      shows: "old",
      ground: "raw timber",
      steps: [
        ["brush", "chalk-slate", { coats: 2 }],
        ["wet-distress", null, { reveals: "s1" }],
      ],
    }),
  );
  change(raw);
  const read = readPlan({ ...raw, version: 4 });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.plan;
};

describe("plans of version 4", () => {
  it("that can be meant are read as they were", () => {
    expect(old(() => {}).crusts).toEqual(
      examplePlan({
        shows: "old",
        ground: "raw timber",
        steps: [
          ["brush", "chalk-slate", { coats: 2 }],
          ["wet-distress", null, { reveals: "s1" }],
        ],
      }).crusts,
    );
  });

  it("keep times that can be kept, and lose those before the start or of no coat", () => {
    const pin = (phaseId: string, starts: string) => ({ zoneId: "z1", phaseId, starts });
    const plan = old((raw) => {
      raw.pins = [pin("s1/1", "2026-12-01T09:00"), pin("s1/2", "2026-11-01T09:00"), pin("s9", "2026-12-02T09:00")];
      raw.due = "2026-11-30T09:00";
    });
    expect(plan.pins).toEqual([pin("s1/1", "2026-12-01T09:00")]);
    expect(plan.due).toBeUndefined();
  });

  it("get a material of the catalogue back, and keep word of one that nobody knows", () => {
    const plan = old((raw) => {
      raw.pinned.materials = [];
      raw.crusts[0]!.steps.push({ ...raw.crusts[0]!.steps[0]!, id: "odd", what: "moon-dust" });
    });
    expect(plan.pinned.materials.map(({ id }) => id)).toEqual(["chalk-slate"]);
    expect(plan.crusts[0]!.steps.at(-1)).toMatchObject({ id: "odd", kind: "inspect", how: "look" });
    expect(plan.crusts[0]!.steps.at(-1)!.note).toMatch(/Was a coat of "moon-dust"/);
  });

  it("lose what points nowhere, letters nobody sees, and a week in which nobody works", () => {
    const plan = old((raw) => {
      raw.title = "Sea\u0000 chest\u202e";
      raw.crusts[0]!.steps[1]!.reveals = "s7";
      raw.pieces[0]!.zones[0]!.overrides = [{ stepId: "s7", skip: true }];
      raw.pinned.hours.weekdays = [[], [], [], [], [], [], []];
      raw.pinned.materials[0]!.drying.recoat.safe = 1;
    });
    expect(plan.title).toBe("Sea chest");
    expect(plan.crusts[0]!.steps[1]!.reveals).toBeUndefined();
    expect(plan.pieces[0]!.zones[0]!.overrides).toEqual([]);
    expect(plan.pinned.hours.weekdays.flat().length).toBeGreaterThan(0);
    const { safe, typical } = plan.pinned.materials[0]!.drying.recoat;
    expect(safe).toBe(typical);
  });

  it("never break the reader, whatever lies in them", () => {
    for (const odd of [null, 7, "x", [], {}, { toString: "no" }, [[{}]]])
      for (const field of ["pins", "crusts", "pieces", "pinned", "start", "due"])
        expect(() =>
          readPlan({ ...examplePlan({ shows: "x", ground: "laminate", steps: [] }), version: 4, [field]: odd }),
        ).not.toThrow();
  });
});
