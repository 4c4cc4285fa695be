import { describe, expect, it } from "vitest";
import { judge } from "#core/judge/judge";
import type { PhotoStep } from "#core/photo/steps";
import { examplePlan } from "#core/rules/example";
import { stepAt, worksOf, zonesShown } from "./ready";

const steps = Array.from({ length: 4 }, () => ({})) as PhotoStep[];
const at = (search: string) => stepAt(new URLSearchParams(search), steps);

describe("the step that an address names", () => {
  it("is the one counted from the bare piece", () => {
    expect(at("after=0")).toBe(0);
    expect(at("after=2")).toBe(2);
  });

  it("is the last where none is named, or none that there is", () => {
    for (const search of ["", "after=", "after=4", "after=-1", "after=1.5", "after=soon"])
      expect(at(search), search).toBe(3);
  });
});

describe("what is painted on a photo", () => {
  const judgement = judge(examplePlan({ shows: "one coat", ground: "raw timber", steps: [["brush", "chalk-slate"]] }));
  const marks = (zoneId: string) => ({
    id: "photo",
    width: 400,
    height: 300,
    lighter: 0,
    known: [],
    faces: [{ id: "f", zoneId, name: "Front", looks: "front", across: 1, down: 1, points: [], asItIs: false }],
  });

  it("are the zones that are marked on it, with the board of each", () => {
    const [zone] = judgement.zones;
    const shown = zonesShown(marks(zone!.zone.id) as never, judgement);
    expect(shown).toEqual([zone]);
    const [work] = worksOf(shown);
    expect(work!.work.phases.length).toBe(zone!.phases.length);
    expect(work!.work.ground).toEqual(zone!.zone.ground);
  });

  it("is nothing without marks, or with marks of a zone that is gone", () => {
    expect(zonesShown(undefined, judgement)).toEqual([]);
    expect(zonesShown(marks("gone") as never, judgement)).toEqual([]);
  });
});
