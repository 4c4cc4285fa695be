import { describe, expect, it } from "vitest";
import { hobnailShop, hobnailYard } from "../../demo/hobnail-yard.ts";
import { hobnailBook } from "../../demo/shelf.ts";
import { applyCommands } from "../edit/apply.ts";
import { judge } from "../judge/judge.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { tryWays, waysFor } from "./alternatives.ts";

const book = hobnailBook();
const shop = hobnailShop();
const planOf = (steps: readonly ExampleStep[]) =>
  examplePlan({ shows: "ways", ground: "raw timber", species: "pine", steps });

describe("other ways to much the same piece", () => {
  it("one coat fewer of white, over a pale under-colour instead of black", () => {
    const ways = waysFor(
      planOf([
        ["brush", "chalk-lamp-black", { coats: 2 }],
        ["brush", "chalk-bone-white", { coats: 3 }],
      ]),
      book,
    );
    expect(ways.map(({ label }) => label).join("\n")).toMatch(
      /One fewer coat of bone white chalk-type paint, over .* instead of lamp black chalk-type paint/,
    );
  });

  it("film in place of wax, and wax in place of film", () => {
    const seals = (steps: readonly ExampleStep[]) =>
      waysFor(planOf(steps), book)
        .filter(({ id }) => id.startsWith("seal-"))
        .map(({ label }) => label);
    expect(seals([["brush", "chalk-slate"], ["wax", "wax-clear"], ["buff"]])[0]).toMatch(
      /with matt clear coat instead of clear paste wax/,
    );
    expect(
      seals([
        ["brush", "chalk-slate"],
        ["brush", "clear-coat-satin", { coats: 2 }],
      ])[0],
    ).toMatch(/seal with clear paste wax/);
  });

  it("of a finish with specks, one without them", () => {
    const ways = waysFor(
      planOf([
        ["brush", "chalk-slate"],
        ["spatter", "chalk-lamp-black"],
        ["wax", "wax-clear"],
      ]),
      book,
    );
    expect(ways.map(({ id }) => id)).toContain("without-c1-s2");
  });

  it("are tried: none brings a stop, the cheapest comes first, and fewer coats cost and take less", () => {
    for (const plan of hobnailYard().slice(0, 3)) {
      const stops = judge(plan).counts.stop;
      const tried = tryWays(plan, shop, book);
      expect(tried.length).toBeGreaterThan(0);
      expect(tried.map(({ price }) => price)).toEqual([...tried.map(({ price }) => price)].sort((a, b) => a - b));
      for (const way of tried) {
        const done = applyCommands(plan, way.commands);
        expect(done.ok && judge(done.plan).counts.stop).toBeLessThanOrEqual(stops);
        expect(way.look).toBeGreaterThanOrEqual(0);
        if (way.id.startsWith("coat-")) {
          expect(way.price).toBeLessThan(0);
          expect(way.handsOn).toBeLessThanOrEqual(0);
        }
      }
    }
  });

  it("wax instead of a film stands less", () => {
    const plan = planOf([
      ["brush", "chalk-slate", { coats: 2 }],
      ["brush", "polyurethane-water", { coats: 3 }],
    ]);
    const seal = tryWays(plan, shop, book).find(({ id }) => id.startsWith("seal-"))!;
    expect(seal.wear).toEqual({ before: "hard", after: "gentle" });
  });
});
