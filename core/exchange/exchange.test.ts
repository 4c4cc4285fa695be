import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan as anyPlan } from "../../tests/random-crusts.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { outlineOf } from "../plan/outline.ts";
import { LIMITS, Plan } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import { planJsonSchema, readPlan, readPlanFile, writePlanFile } from "./plan-file.ts";
import { checkReport, scheduleReport, shopReport } from "./report.ts";

const plain = () =>
  examplePlan({
    shows: "plain",
    ground: "raw timber",
    species: "oak",
    steps: [
      ["brush", "chalk-bone-white", { coats: 2 }],
      ["wax", "wax-dark"],
    ],
  });
const fault = (text: string) => {
  const read = readPlanFile(text);
  return read.ok ? null : read.faults[0]!;
};

describe("a crust file", () => {
  it("of version 2 is read, and its glazes and waxes of the catalogue get their swatches; colours of one's own do not", () => {
    const plan = examplePlan({
      shows: "old",
      ground: "old paint",
      steps: [
        ["brush", "glaze-umber"],
        ["wax", "wax-dark"],
      ],
    });
    const old = JSON.parse(writePlanFile(plan));
    old.version = 2;
    delete old.palette;
    for (const material of old.pinned.materials) delete material.swatches;
    old.pinned.materials.find((material: { id: string }) => material.id === "wax-dark").colour = "#112233";
    const read = readPlanFile(JSON.stringify(old));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const swatchesOf = (id: string) => read.plan.pinned.materials.find((material) => material.id === id)!.swatches;
    expect(swatchesOf("glaze-umber")).toEqual(CATALOGUE.find(({ id }) => id === "glaze-umber")!.swatches);
    expect(swatchesOf("wax-dark")).toBeUndefined();
    expect(read.plan.palette).toEqual([]);
  });

  it("comes back as it went out, whatever the plan", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const read = readPlanFile(writePlanFile(plan));
        expect(read.ok && read.plan).toEqual(JSON.parse(JSON.stringify(plan)));
      }),
      { numRuns: 60 },
    );
  });

  it("brings back drawn places, fitted zones, rounds and effort", () => {
    const plan = examplePlan({
      shows: "how much, how often, where",
      ground: "raw timber",
      steps: [
        ["brush", "tint-base-walnut"],
        ["brush", "chalk-bone-white", { uneven: true, where: { on: "everywhere", but: ["motif"], over: 1 } }],
        ["sand-320", null, { reveals: "s1", effort: { passes: 1, pressure: "hard", until: 0.05 } }],
        ["wax", "wax-clear"],
        ["look", null, { again: { from: "s4", rounds: 3 } }],
      ],
    });
    const { zones } = plan.pieces[0]!;
    zones[0]!.outlines = { motif: [outlineOf({ round: true, left: 0.2, top: 0.2, width: 0.4, height: 0.4 })] };
    zones.push({ ...zones[0]!, id: "knobs", name: "Knobs", along: "z1" });
    plan.pins = [{ zoneId: "z1", phaseId: "s4~2", starts: "2026-12-09T10:00" }];
    const read = readPlanFile(writePlanFile(plan));
    expect(read.ok && read.plan).toEqual(JSON.parse(JSON.stringify(plan)));
  });

  it.each<[string, (plan: Plan) => void, RegExp]>([
    [
      "a place drawn round nothing",
      ({ pieces }) =>
        (pieces[0]!.zones[0]!.outlines = {
          motif: [
            [
              [0, 0],
              [1, 1],
              [0.5, 0.5],
            ],
          ],
        }),
      /goes round something/,
    ],
    ["a zone fitted to itself", ({ pieces }) => (pieces[0]!.zones[0]!.along = "z1"), /no other zone of that name/],
    [
      "a time for a round there is not",
      (plan) => plan.pins.push({ zoneId: "z1", phaseId: "s1/1~2", starts: "2026-12-09T10:00" }),
      /no such coat/,
    ],
    [
      "rubbing until all of it shows",
      ({ crusts }) => (crusts[0]!.steps[0]!.effort = { passes: 1, pressure: "usual", until: 1 }),
      /90 % at most/,
    ],
  ])("with %s is refused, and says where", (_name, change, says) => {
    const plan = plain();
    change(plan);
    const { where, says: said } = fault(JSON.stringify(plan))!;
    expect(said).toMatch(says);
    expect(where).not.toBe("");
  });

  it("says the same when judged after the journey", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const read = readPlanFile(writePlanFile(plan));
        if (!read.ok) throw new Error(read.faults[0]!.says);
        expect(JSON.stringify(checkReport(read.plan))).toBe(JSON.stringify(checkReport(plan)));
      }),
      { numRuns: 15 },
    );
  });

  it.each<[string, string, string, RegExp]>([
    ["nothing", "", "", /is damaged or incomplete/],
    ["half a file", writePlanFile(plain()).slice(0, 400), "", /is damaged (on line \d+|or incomplete)/],
    ["a list", "[]", "", /should hold one plan/],
    ["a number", "7", "", /should hold one plan/],
    ["another format", '{"format":"knitting"}', "format", /"format" should be "jolly-crust"/],
    ["no version", '{"format":"jolly-crust"}', "version", /whole number from 1/],
    ["a version with a fraction", '{"format":"jolly-crust","version":1.5}', "version", /whole number from 1/],
    ["a newer version", '{"format":"jolly-crust","version":99}', "version", /newer version.*Update/],
    [
      "a zone without size",
      writePlanFile(plain()).replace('"width": 1000', '"width": 0'),
      'zone "Panel", shape, width',
      /more than 0 mm/,
    ],
    [
      "a negative coat count",
      writePlanFile(plain()).replace('"coats": 2', '"coats": -2'),
      'crust "plain", step 1, number of coats',
      /at least one coat/,
    ],
  ])("that holds %s is refused with where and what", (_what, text, where, says) => {
    expect(fault(text)).toMatchObject({ where, says: expect.stringMatching(says) });
  });

  it("tells a dozen faults and counts the rest", () => {
    const plan = plain();
    const steps = Array.from({ length: 30 }, (_, index) => ({
      ...plan.crusts[0]!.steps[0]!,
      id: `n${index}`,
      coats: -1,
    }));
    const read = readPlan({ ...plan, crusts: [{ ...plan.crusts[0]!, steps }] });
    expect(read.ok).toBe(false);
    if (read.ok) return;
    expect(read.faults).toHaveLength(13);
    expect(read.faults.at(-1)!.says).toBe("more problems in this file: 18");
  });

  it("is bounded", () => {
    expect(fault(`"${"x".repeat(LIMITS.projectFileBytes)}"`)?.says).toMatch(
      /is 5\.0 MB; the limit for a crust file is 5 MB/,
    );
  });

  it("never throws at whatever is in it", () => {
    fc.assert(
      fc.property(fc.anything(), (raw) => {
        expect(readPlan(raw).ok).toBe(false);
      }),
      { numRuns: 300 },
    );
  });

  it("is described by the schema in docs, which is made from the one that reads it", () => {
    expect(JSON.parse(readFileSync("docs/crust-file.schema.json", "utf8"))).toEqual(
      JSON.parse(JSON.stringify(planJsonSchema())),
    );
    expect(Plan.safeParse(plain()).success).toBe(true);
  });
});

describe("reports", () => {
  it("check tells counts, reasons, priced fixes, and what covers and shows", () => {
    const report = checkReport(plain());
    expect(report.counts).toEqual({ stop: 1, caution: 1, note: 3 });
    const tannin = report.findings.find((finding) => finding.rule === "D4")!;
    expect(tannin).toMatchObject({ zone: "z1", crust: "c1", step: "s1", lower: "ground", severity: "stop" });
    expect(tannin.fixes[0]!.priceMinutes).toBeGreaterThan(0);
    const [zone] = report.zones;
    expect(Object.values(zone!.covers).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 2);
    expect(zone!.nominal.done > "2026-12-01T09:00").toBe(true);
    expect(zone!.areaSquareMetres).toBe(0.5);
  });

  it("schedule tells every booking by the clock on the wall", () => {
    const report = scheduleReport(plain());
    expect(report.bookings.map((booking) => [booking.phase, booking.starts])).toEqual([
      ["s1/1", "2026-11-30T09:00"],
      ["s1/2", "2026-11-30T11:15"],
      ["s2", "2026-12-01T11:30"],
    ]);
    expect(report.clashes).toEqual([]);
    expect(report.leaves! >= report.finish!).toBe(true);
  });

  it("shop tells how much of what", () => {
    const report = shopReport(plain());
    // half a square metre, two coats at 12 m²/L, a twentieth lost, 12 ml in the brush each time, a jar of 15 ml put aside
    expect(report.materials.find((material) => material.id === "chalk-bone-white")!.millilitres).toBe(
      Math.ceil(((0.5 * 2 * 1000) / 12) * 1.05 + 2 * 12 + 15),
    );
    expect(report.materials.map((material) => material.id)).toEqual(["chalk-bone-white", "wax-dark"]);
  });
});
