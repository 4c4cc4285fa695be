import { describe, expect, it } from "vitest";
import { readPlanFile, writePlanFile } from "#core/exchange/plan-file";
import { judge } from "#core/judge/judge";
import { datesOf } from "#core/schedule/dates";
import { schedule } from "#core/schedule/schedule";
import { hobnailYard } from "./hobnail-yard";

describe("Hobnail Yard", () => {
  it.each(hobnailYard().map((plan) => [plan.title, plan] as const))(
    "%s is a whole plan that reads back as it was written",
    (_title, plan) => {
      expect(readPlanFile(writePlanFile(plan))).toEqual({ ok: true, plan });
    },
  );

  it("has one plan with faults, and the others are free of stops", () => {
    const stops = hobnailYard().map((plan) => [plan.title, judge(plan).counts.stop] as const);
    expect(stops.filter(([, count]) => count > 0).map(([title]) => title)).toEqual(["Chart cabinet"]);
  });

  it("shows several kinds of fault on the faulty one: slick ground, film over wax, missed tack, bleed, left open", () => {
    const cabinet = hobnailYard().find((plan) => plan.id === "chart-cabinet")!;
    const rules = new Set(judge(cabinet).zones.flatMap((zone) => zone.findings.map((finding) => finding.rule)));
    for (const rule of ["A1", "A4", "D1", "D4", "K2"]) expect(rules).toContain(rule);
  });

  it("can be done in its own hours, and most of it before it is due", () => {
    for (const plan of hobnailYard().filter((one) => one.id !== "chart-cabinet")) {
      const judgement = judge(plan);
      const made = schedule([{ plan, judgement }]);
      expect(made.clashes, plan.title).toEqual([]);
      expect(datesOf({ plan, judgement }, made)).not.toBeNull();
    }
  });
});
