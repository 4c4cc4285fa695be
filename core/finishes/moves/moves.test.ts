import { describe, expect, it } from "vitest";
import { CATALOGUE } from "../../materials/catalogue.ts";
import { GROUND_KINDS, type Ground, type GroundKind, groundOf, type Species } from "../../plan/ground.ts";
import { DEFAULT_HOUSE_RULES, type HouseRules } from "../../plan/house-rules.ts";
import type { Use } from "../../plan/plan.ts";
import { findTechnique } from "../../surface/techniques.ts";
import { type Move, type MoveStep, type Setting, stepOf, stepsOf } from "../move.ts";
import { chips, crackle } from "./crack.ts";
import { end, endsInWax } from "./end.ts";
import { prepare } from "./ground.ts";
import { colour, glaze } from "./lay.ts";

// What a finish is begun and ended with on any piece. The habits behind it are common practice.

interface On {
  kind?: GroundKind;
  species?: Species;
  ground?: Partial<Ground>;
  use?: Partial<Use>;
  house?: Partial<HouseRules>;
}

const setting = ({ kind = "raw timber", species = "pine", ground = {}, use = {}, house = {} }: On = {}): Setting => ({
  ground: { ...groundOf(kind, species), ...ground },
  use: { wear: "gentle", heat: false, water: "dry", outdoors: false, near: "nothing", ...use },
  houseRules: { ...DEFAULT_HOUSE_RULES, ...house },
  materials: new Map(CATALOGUE.map((material) => [material.id, material])),
});

const steps = (moves: readonly Move[], on: On = {}): MoveStep[] =>
  stepsOf(moves, setting(on)).flatMap((made) => [...made.steps]);
const keys = (moves: readonly Move[], on: On = {}) => steps(moves, on).map(({ key }) => key);
const laidLast = (moves: readonly Move[], on: On = {}) => steps(moves, on).findLast(({ what }) => what !== undefined)!;

describe("how a finish ends", () => {
  it("in wax where the house waxes and wax stands it, buffed at the end", () => {
    expect(steps([end()]).map(({ how }) => how)).toEqual(["wax", "buff"]);
  });

  it.each<[string, Partial<Use>, string, number]>([
    ["hot cups", { heat: true }, "varnish-heat", 2],
    ["hard wear", { wear: "hard" }, "polyurethane-water", 3],
    ["standing water", { water: "standing" }, "polyurethane-water", 3],
    ["the weather", { outdoors: true }, "varnish-oil", 3],
  ])("in a film that stands %s, even in a house that waxes everything", (_what, use, what, coats) => {
    expect(laidLast([end()], { use })).toMatchObject({ what, coats });
    expect(endsInWax(setting({ use }))).toBe(false);
    expect(steps([end({ tint: "wax-dark" })], { use }).some(({ how }) => how === "wax")).toBe(false);
  });

  it("in a clear coat in a house that does not wax, matt where it looks right only so", () => {
    const house = { end: "film" } as const;
    expect(laidLast([end()], { house }).what).toBe("clear-coat-matt");
    expect(laidLast([end({ matt: false })], { house }).what).toBe("clear-coat-satin");
  });

  it("with a tinted wax over a clear one, so that it can be moved", () => {
    expect(keys([end({ tint: "wax-dark", on: "recess" })])).toEqual(["wax", "tint", "buff"]);
  });

  it("with a tinted wax straight on the paint where the house does so, and clear wax on what that left bare", () => {
    const house = { darkWax: "straight on the paint" } as const;
    expect(keys([end({ tint: "wax-dark" })], { house })).toEqual(["tint", "buff"]);
    expect(keys([end({ tint: "wax-dark", on: "recess" })], { house })).toEqual(["tint", "wax", "buff"]);
    expect(steps([end({ tint: "wax-dark" })], { house })[0]!.intents).toEqual(["stain"]);
  });

  it("with a glaze in place of tinted wax where no wax may lie beneath the film", () => {
    const made = steps([end({ tint: "wax-dark", on: "recess" })], { use: { wear: "hard" } });
    expect(made.map(({ key }) => key)).toEqual(["seal", "tint", "tint-off", "film"]);
    expect(made[1]).toMatchObject({ what: "glaze-umber", on: "recess" });
    // it is sealed first, or the paint would drink it
    expect(made[0]!.what).toBe("clear-coat-matt");
  });

  it("what is chipped or powdery is sprayed first: a brush would drag it off", () => {
    expect(steps([end({ fragile: true })], { use: { wear: "hard" } })[0]).toMatchObject({
      how: "spray",
      what: "aerosol-clear-matt",
    });
  });

  it("with oil only under wax", () => {
    expect(keys([end({ oil: "hemp-oil" })])[0]).toBe("oil");
    expect(keys([end({ oil: "hemp-oil" })], { use: { heat: true } })).not.toContain("oil");
  });

  it("with gilding last of all on wax, and under the film otherwise", () => {
    expect(keys([end({ gilt: "wax-gilding" })])).toEqual(["wax", "gilt", "buff"]);
    const filmed = keys([end({ gilt: "wax-gilding" })], { use: { wear: "hard" } });
    expect(filmed.indexOf("gilt")).toBeLessThan(filmed.indexOf("film"));
  });
});

describe("how a ground is prepared", () => {
  it("timber that bleeds is blocked with shellac, twice; pine is not", () => {
    for (const species of ["oak", "chestnut", "mahogany", "cedar"] as const)
      expect(steps([prepare], { species })).toContainEqual(
        expect.objectContaining({ what: "stain-block-shellac", coats: 2 }),
      );
    expect(steps([prepare], { species: "beech", ground: { bleeds: [] } }).some(({ what }) => what)).toBe(false);
  });

  it.each<[GroundKind, string]>([
    ["laminate", "bonding-primer"],
    ["glass or glazed", "bonding-primer"],
    ["plastic or resin", "bonding-primer"],
    ["brass", "bonding-primer"],
    ["ferrous metal", "metal-primer"],
    ["fibreboard", "bonding-primer"],
    ["old gilding", "shellac-sealer"],
  ])("%s gets %s", (kind, what) => {
    expect(steps([prepare], { kind }).map((step) => step.what)).toContain(what);
  });

  it("what flakes is sanded off, or it takes the new coats with it", () => {
    expect(keys([prepare], { kind: "old paint", ground: { soundness: "flaking" } })).toContain("sand");
    expect(keys([prepare], { kind: "old paint" })).not.toContain("sand");
  });

  it("varnish is scuffed, deglossed or only cleaned, as the house does", () => {
    const how = (ground: HouseRules["ground"]) =>
      steps([prepare], { kind: "varnished timber", house: { ground } }).map((step) => step.how);
    expect(how("scuffed")).toContain("scuff");
    expect(how("deglossed")).toContain("degloss");
    expect(how("deglossed")).not.toContain("scuff");
    expect(how("cleaned")).not.toContain("scuff");
  });

  it("every ground can be prepared, by techniques that there are, with nothing laid before it is clean", () => {
    for (const kind of GROUND_KINDS) {
      const made = steps([prepare], { kind, ground: { contamination: ["grease"] } });
      for (const step of made) expect(findTechnique(step.how), `${kind}: ${step.how}`).toBeDefined();
      const cleaned = made.findIndex(({ how }) => how === "clean");
      const laid = made.findIndex(({ what }) => what !== undefined);
      if (laid >= 0) expect(cleaned, kind).toBeLessThan(laid);
      expect(cleaned, kind).toBeGreaterThanOrEqual(0);
    }
  });
});

describe("moves that need something beneath", () => {
  it("cracking paint lies straight on its medium, meant to crack", () => {
    const [medium, paint] = steps([crackle("crackle-medium", "over", "mineral-oyster")]);
    expect(medium).toMatchObject({ what: "crackle-medium" });
    expect(paint).toMatchObject({ key: "over", intents: ["cracks"] });
    expect(paint!.coats ?? 1).toBe(1);
  });

  it("milk paint chips off wax, and off shellac where a film is to come: wax under it would throw that off too", () => {
    const resist = (on: On) => steps([chips("over", "milk-curd", 0.3)], on)[0]!;
    expect(resist({}).what).toBe("wax-clear");
    expect(resist({ use: { wear: "hard" } }).what).toBe("shellac-sealer");
    expect(resist({}).over).toBe(0.3);
  });

  it.each<[HouseRules["porousGlaze"], string | undefined]>([
    ["slip coat", "glaze-clear"],
    ["film", "clear-coat-matt"],
    ["mist", undefined],
  ])("a glaze on thirsty paint goes the way of the house: %s", (porousGlaze, what) => {
    const moves = [colour("base", "chalk-slate", "Dark."), glaze("age", "glaze-umber", "wipe-back", "Age.")];
    const made = steps(moves, { house: { porousGlaze } });
    const before = made[made.findIndex(({ key }) => key === "age") - 1]!;
    expect(before.what).toBe(what);
    if (porousGlaze === "mist") expect(before.how).toBe("mist");
    // on paint that drinks nothing, it is laid at once
    const sealed = [colour("base", "oil-deep-green", "Dark."), glaze("age", "glaze-umber", "wipe-back", "Age.")];
    expect(keys(sealed, { house: { porousGlaze } })).toEqual(expect.arrayContaining(["base", "age"]));
    expect(keys(sealed, { house: { porousGlaze } }).some((key) => key.startsWith("age-slip"))).toBe(false);
  });

  it("a step of a move is a step of the plan, with its reason as a note; a technique that there is not is a fault", () => {
    const step = stepOf({ key: "a", how: "brush", what: "chalk-slate", on: "recess", over: 0.5, why: "Because." });
    expect(step).toMatchObject({
      id: "a",
      kind: "coat",
      note: "Because.",
      where: { on: "recess", over: 0.5 },
      coats: 1,
    });
    expect(() => stepOf({ key: "a", how: "fly", why: "No." })).toThrow(/no technique "fly"/);
  });
});
