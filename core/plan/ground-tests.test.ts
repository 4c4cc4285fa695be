import { describe, expect, it } from "vitest";
import { GROUND_KINDS, groundOf, SPECIES } from "./ground.ts";
import { contradictionsIn, GUIDED_TESTS, groundAfterTest } from "./ground-tests.ts";

describe("guided tests", () => {
  it.each([
    ["a bead of water: wax keeps it off", "waxed or oiled timber", { waterDrop: "beads" }, { absorbency: 0 }],
    ["a drop that soaks in at once: thirsty", "old paint", { waterDrop: "soaks in at once" }, { absorbency: 0.85 }],
    ["flakes on the tape: not sound", "old paint", { tapePull: "flakes come off" }, { soundness: "flaking" }],
    ["a turned swab: lead", "old paint", { leadSwab: "turned colour" }, { lead: "found" }],
    ["a clean swab: none found", "old paint", { leadSwab: "no change" }, { lead: "none found" }],
    ["a clean patch overnight: nothing bleeds", "varnished timber", { bleedPatch: "stayed clean" }, { bleeds: [] }],
  ] as const)("%s", (_fact, kind, answer, sets) => {
    const after = groundAfterTest(groundOf(kind, "mahogany"), answer);
    expect(after).toMatchObject(sets);
    expect(after.tests).toMatchObject(answer);
  });

  it("rings on a mahogany are its dye, on another timber its tannin", () => {
    const rings = { bleedPatch: "rings came through" } as const;
    const clean = (species: "mahogany" | "beech") => ({ ...groundOf("varnished timber", species), bleeds: [] });
    expect(groundAfterTest(clean("mahogany"), rings).bleeds).toEqual(["dye"]);
    expect(groundAfterTest(clean("beech"), rings).bleeds).toEqual(["tannin"]);
  });

  it("hand-cut joints make a late date doubtful", () => {
    const after = groundAfterTest({ ...groundOf("old paint"), age: "after 1978" }, { clues: ["hand-cut joints"] });
    expect(after.age).toBe("unknown");
  });

  it("says for every test what to do and what each answer means", () => {
    for (const { todo, answers } of GUIDED_TESTS) {
      expect(todo.length).toBeGreaterThan(30);
      expect(Object.values(answers).every((means) => means.endsWith("."))).toBe(true);
    }
  });
});

describe("contradictory grounds", () => {
  it("no ground contradicts itself as it comes", () => {
    for (const kind of GROUND_KINDS)
      for (const species of SPECIES) expect(contradictionsIn(groundOf(kind, species, 2)), kind).toEqual([]);
  });

  it.each([
    ["laminate that drinks", { ...groundOf("laminate"), absorbency: 0.8 }],
    ["raw timber that flakes", { ...groundOf("raw timber", "pine"), soundness: "flaking" as const }],
    ["knots that do not bleed, untested", { ...groundOf("raw timber", "pine"), knots: 4 }],
    ["oak that does not bleed, untested", { ...groundOf("raw timber", "oak"), bleeds: [] }],
    ["lead in paint of last year", { ...groundOf("old paint"), lead: "found" as const, age: "after 1978" as const }],
    ["tannin out of glass", { ...groundOf("glass or glazed"), bleeds: ["tannin" as const] }],
    ["waxed and thirsty at once", { ...groundOf("raw timber", "beech"), contamination: ["wax" as const] }],
  ])("%s is reported", (_what, ground) => {
    expect(contradictionsIn(ground).length).toBeGreaterThan(0);
  });
});
