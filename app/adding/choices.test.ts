import { describe, expect, it } from "vitest";
import { likelyNext } from "#core/judge/likely";
import { CATALOGUE } from "#core/materials/catalogue";
import { findTechnique } from "#core/surface/techniques";
import { type Choice, choicesFor, GROUPS, isCoat, mostLikely, wordsIn } from "./choices";

const namesOf = (choices: readonly Choice[]) =>
  choices.map((choice) => (isCoat(choice) ? choice.material.id : choice.id));
const typed = (text: string) => choicesFor(CATALOGUE, wordsIn(text));
const material = (id: string) => CATALOGUE.find((material) => material.id === id)!;

describe("what can be added", () => {
  it("is each material once, with the usual way to lay it first, whatever is typed", () => {
    for (const text of ["", "c", "chalk", "wax", "a"]) {
      const names = namesOf(typed(text));
      expect(new Set(names).size).toBe(names.length);
    }
    const bone = typed("bone white chalk").find(isCoat)!;
    expect(bone.ways[0]!.id).toBe("brush");
    expect(bone.ways.length).toBeGreaterThan(8);
  });

  it("is found by material and way together, in any order", () => {
    for (const text of ["bone dry-brush", "dry-brush, bone", "BONE  Dry-Brush"]) {
      const coats = typed(text).filter(isCoat);
      expect(coats.map((coat) => coat.material.id)).toContain("chalk-bone-white");
      for (const { ways } of coats) expect(ways.map(({ id }) => id)).toEqual(["dry-brush"]);
    }
    expect(typed("no such thing")).toEqual([]);
  });

  it("has each choice in just one group", () => {
    for (const choice of typed("")) expect(GROUPS.filter(({ fits }) => fits(choice)).length).toBe(1);
  });
});

describe("what is most likely", () => {
  const over = (how: string, what: string | null, text = "") =>
    namesOf(
      mostLikely(
        typed(text),
        likelyNext({ technique: findTechnique(how)!, material: what === null ? null : material(what) }),
        { beneath: what, ofJob: new Set(["chalk-slate", "chalk-duck-egg", "wax-dark"]) },
      ),
    );

  it("begins over paint with a second coat of it, then the job's own paints", () => {
    expect(over("brush", "chalk-slate").slice(0, 2)).toEqual(["chalk-slate", "chalk-duck-egg"]);
  });

  it("offers the rag over wax, and the job's own wax before another", () => {
    const found = over("wax", "wax-clear");
    expect(found[0]).toBe("buff");
    expect(found.indexOf("wax-dark")).toBeLessThan(found.indexOf("beeswax"));
    expect(found).toContain("wax-dark");
    expect(found.some((id) => CATALOGUE.find((material) => material.id === id)?.role === "paint")).toBe(false);
  });

  it("is narrowed by what is typed, and never longer than one looks through", () => {
    expect(over("brush", "chalk-slate", "scuff")[0]).toBe("scuff");
    expect(over("brush", "chalk-slate").length).toBeLessThanOrEqual(9);
  });
});
