import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Site } from "../finishes/build.ts";
import { findFinish } from "../finishes/finishes.ts";
import { sampleOf, sampleSite } from "../finishes/sample.ts";
import { coloursSeen } from "../judge/look.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { groundOf } from "../plan/ground.ts";
import { RELIEF_CLASSES } from "../plan/plan.ts";
import { HOUR } from "../units/units.ts";
import { ideasFor } from "./ideas.ts";
import { type Found, search, searchNow } from "./search.ts";
import { answersTo, apartOf, wishesOf } from "./seen.ts";
import { Look, type Wishes } from "./spec.ts";

const CARVED = sampleSite("carved");
/** What a stack lays, in order. */
const laid = ({ crust }: Found["candidates"][number]) => crust.steps.flatMap(({ what }) => what ?? []);
/** Whether these are laid in this order, whatever lies between. */
function holds(all: readonly string[], some: readonly string[]): boolean {
  let at = 0;
  for (const text of all) if (text === some[at]) at++;
  return at === some.length;
}

describe("good stacks are found again from their looks alone", () => {
  const KNOWN: readonly [finish: string, wishes: Wishes, decisive: readonly string[]][] = [
    ["worn-to-dark", {}, ["tint-base-walnut", "chalk-duck-egg", "wax-dark"]],
    ["waxes-only", {}, ["chalk-sea-green", "wax-dark"]],
    ["many-coats", {}, ["tint-base-walnut", "chalk-bone-white", "wax-dark"]],
    ["brown-on-milk", {}, ["milk-barn-red", "wax-ageing-brown"]],
    ["softened-blue", {}, ["mineral-storm", "glaze-pale"]],
    ["crackle-medium", {}, ["mineral-storm", "crackle-medium", "mineral-oyster"]],
    ["crackle-glue", {}, ["oil-deep-green", "craft-glue"]],
    ["chipped-milk", {}, ["milk-bottle-green"]],
    ["worn-to-timber", { arris: "ground" }, ["chalk-slate"]],
    ["dark-and-gilt", { high: "gold" }, ["tint-base-ebony", "wax-gilding"]],
    ["leaf-and-sky", { field: "gold" }, ["leaf-size", "leaf-imitation-gold"]],
    ["stone", {}, ["home-chalk-putty"]],
    ["rusted-iron", { field: "iron" }, ["reactive-iron"]],
    ["faux-bronze", { field: "bronze", high: "gold" }, ["wax-metallic-bronze"]],
  ];
  it.each(KNOWN)("%s", (id, wishes, decisive) => {
    const judged = sampleOf(findFinish(id)!, "carved");
    const asked: Wishes = { ...wishesOf(judged), ...wishes };
    const { candidates } = searchNow(CARVED, { wishes: asked });
    const again = candidates.find((candidate) => holds(laid(candidate), decisive));
    expect(again?.shape, candidates.map(laid).map(String).join("\n")).toBeDefined();
    // as near as the original, or two steps that one just notices
    expect(again!.apart).toBeLessThanOrEqual(Math.max(5, apartOf(answersTo(judged, asked)) + 2));
  });
});

const colour = fc
  .tuple(fc.integer({ min: 25, max: 235 }), fc.integer({ min: 25, max: 235 }), fc.integer({ min: 25, max: 235 }))
  .map((channels) => `#${channels.map((channel) => channel.toString(16).padStart(2, "0")).join("")}`);
const wish = fc.oneof(colour, fc.constantFrom("ground" as const, "gold" as const, "bronze" as const));
const wishes = fc.record(
  { field: colour, arris: wish, high: wish, recess: colour, border: colour, hands: wish, cracks: colour },
  { requiredKeys: ["field"] },
);
const GROUNDS = [
  groundOf("raw timber", "oak"),
  groundOf("varnished timber", "pine"),
  groundOf("laminate"),
  groundOf("fibreboard"),
];
const site = fc.constantFrom(...GROUNDS).map((ground): Site => sampleSite("carved", ground));
const FEW = 40;

describe("whatever is asked for", () => {
  it("no candidate has a stop, and each has a reason for every layer", () => {
    fc.assert(
      fc.property(site, wishes, (where, asked) => {
        const { candidates, nearest, says } = searchNow(where, { wishes: asked }, { most: FEW });
        for (const candidate of candidates) {
          expect(candidate.stops).toEqual([]);
          expect(candidate.judged.findings.filter(({ severity }) => severity === "stop")).toEqual([]);
          for (const { id } of candidate.crust.steps) expect(candidate.reasons.get(id)?.why, id).toMatch(/\w/);
        }
        // nothing is never said without a word
        if (candidates.length === 0) expect(says).not.toBeNull();
        expect(nearest === null || candidates.length === 0).toBe(true);
      }),
      { numRuns: 12 },
    );
  }, 120_000);

  it("a wider budget never finds a worse best", () => {
    fc.assert(
      fc.property(
        wishes,
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        fc.integer({ min: 1, max: 4 }),
        (asked, days, hours) => {
          const tight = searchNow(CARVED, { wishes: asked, days, hours }, { most: FEW });
          const wide = searchNow(CARVED, { wishes: asked, days: days * 2, hours: hours * 2 }, { most: FEW });
          const most = searchNow(CARVED, { wishes: asked, days: days * 2, hours: hours * 2 }, { most: 2 * FEW });
          const best = ({ candidates }: Found) => candidates[0]?.total ?? Number.POSITIVE_INFINITY;
          expect(best(wide)).toBeLessThanOrEqual(best(tight));
          expect(Number.isFinite(best(most)) || !Number.isFinite(best(wide))).toBe(true);
        },
      ),
      { numRuns: 8 },
    );
  }, 120_000);

  it("is the same for a shelf in another order, and every time", () => {
    fc.assert(
      fc.property(
        wishes,
        fc.shuffledSubarray(
          CATALOGUE.map(({ id }) => id),
          { minLength: 30 },
        ),
        (asked, shelf) => {
          const once = searchNow(CARVED, { wishes: asked }, { shelf: new Set(shelf), most: FEW });
          const again = searchNow(
            { ...CARVED, catalogue: [...CATALOGUE].reverse() },
            { wishes: asked },
            { shelf: new Set([...shelf].reverse()), most: FEW },
          );
          const said = ({ candidates }: Found) => candidates.map(({ key, total, crust }) => ({ key, total, crust }));
          expect(said(again)).toEqual(said(once));
        },
      ),
      { numRuns: 6 },
    );
  }, 120_000);

  it("candidates are different from one another, and the first is the best", () => {
    const { candidates } = searchNow(CARVED, {
      wishes: { field: "#a0b09e", arris: "#442b1a", recess: "#6a522d" },
    });
    expect(candidates.length).toBeGreaterThan(2);
    expect(new Set(candidates.map(({ shape }) => shape)).size).toBe(candidates.length);
    for (const candidate of candidates) expect(candidates[0]!.total).toBeLessThanOrEqual(candidate.total);
  });

  it("says something before it is done", () => {
    const running = search(CARVED, { wishes: { field: "#a9bdb3" } });
    const first = running.next();
    expect(first.done).toBe(false);
    expect(first.value.tried).toBeLessThan(5);
    expect(first.value.candidates.length).toBeGreaterThan(0);
  });
});

describe("what a painter asks for", () => {
  const WORN: Wishes = { field: "#a0b09e", arris: "#442b1a" };

  it("worn: edges are rubbed or sanded; crisp: they are not", () => {
    const taken = (found: Found) =>
      found.candidates.map(({ crust }) => crust.steps.some(({ how }) => /^sand|distress|^wet-sand/.test(how)));
    expect(new Set(taken(searchNow(CARVED, { wishes: WORN, wear: "worn" })))).toEqual(new Set([true]));
    expect(new Set(taken(searchNow(CARVED, { wishes: WORN, wear: "crisp" })))).toEqual(new Set([false]));
  });

  it("with a damp cloth only: the layer that shows is sealed or shut, so that the cloth stops there", () => {
    const { candidates } = searchNow(CARVED, { wishes: WORN, wear: "worn", wornWith: "damp cloth" });
    expect(candidates.length).toBeGreaterThan(0);
    for (const { crust } of candidates) {
      expect(crust.steps.map(({ how }) => how)).toContain("wet-distress");
      expect(crust.steps.filter(({ how }) => how.startsWith("sand-"))).toEqual([]);
    }
  });

  it("timber that shows at the edges is worn down to, not painted", () => {
    const { candidates } = searchNow(CARVED, { wishes: { field: "#56646b", arris: "ground" }, wear: "worn" });
    const seen = candidates[0]!.seen.find(({ place }) => place === "arris")!;
    expect(seen.wanted).toBe(CARVED.zone.ground.colour);
    expect(seen.apart).toBeLessThan(12);
  });

  it("raised: there is paste under it", () => {
    const { candidates } = searchNow(CARVED, { wishes: { field: "#34493f" }, texture: "raised" });
    expect(candidates.length).toBeGreaterThan(0);
    for (const candidate of candidates) expect(laid(candidate)).toContain("texture-paste");
  });

  it("glossy: it ends in a gloss film", () => {
    const { candidates } = searchNow(CARVED, { wishes: { field: "#34493f" }, sheen: "gloss" });
    expect(candidates.length).toBeGreaterThan(0);
    for (const candidate of candidates) expect(laid(candidate).at(-1)).toBe("clear-coat-gloss");
  });

  it("for a first time: no leaf, no cracks", () => {
    const { candidates, says } = searchNow(CARVED, { wishes: { field: "gold" }, practice: "first time" });
    expect(candidates).toEqual([]);
    expect(says).toMatch(/Nothing on the shelf lays what is asked for/);
  });

  it("oak under a pale look is blocked in every candidate", () => {
    const { candidates } = searchNow(sampleSite("carved", groundOf("raw timber", "oak")), {
      wishes: { field: "#e0d6c0" },
    });
    expect(candidates.length).toBeGreaterThan(0);
    for (const candidate of candidates) expect(laid(candidate)).toContain("stain-block-shellac");
  });
});

describe("what cannot be had is said in a sentence", () => {
  it("no barrier, raw timber at the edge, wet rubbing, one hour", () => {
    const asked: Look = {
      wishes: { field: "#a0b09e", arris: "ground", recess: "#453d22" },
      wear: "worn",
      wornWith: "damp cloth",
      barrier: false,
      hours: 1,
    };
    const { candidates, says, nearest } = searchNow(CARVED, asked);
    expect(candidates).toEqual([]);
    expect(says).toMatch(/^Nothing gives this look .*\.$/);
    if (nearest) expect(nearest.handsOn).toBeGreaterThan(HOUR);
  });

  it("a colour nobody has: what comes nearest, and how far off it is", () => {
    const { candidates, says } = searchNow(CARVED, { wishes: { field: "#ff00dd" } });
    expect(candidates.length).toBeGreaterThan(0);
    expect(says).toMatch(/Nobody has this colour ready for the flats: .* off \(ΔE00\)/);
  });

  it("too few days: how many it takes", () => {
    const { candidates, says } = searchNow(CARVED, { wishes: { field: "#7d3a2c", recess: "#3f2c1c" }, days: 0.05 });
    expect(candidates).toEqual([]);
    expect(says).toMatch(/it takes [\d.]+ days, not 0\.05/);
  });

  it("wishes that are no colours are refused with where they stand", () => {
    const read = Look.safeParse({ wishes: { field: "blueish" } });
    expect(read.error?.issues[0]).toMatchObject({ path: ["wishes", "field"] });
    expect(Look.safeParse({ wishes: { nose: "#ffffff" } }).success).toBe(false);
  });
});

describe("ideas", () => {
  it("are sorted by how near they should come, each once", () => {
    const ideas = ideasFor({ wishes: { field: "#a0b09e", arris: "#442b1a" } }, CARVED.zone.ground, CATALOGUE);
    expect(new Set(ideas.map(({ key }) => key)).size).toBe(ideas.length);
    for (let at = 1; at < ideas.length; at++) expect(ideas[at]!.guess).toBeGreaterThanOrEqual(ideas[at - 1]!.guess);
  });

  it("the wishes of a crust are its own looks", () => {
    const judged = sampleOf(findFinish("waxes-only")!, "carved");
    expect(apartOf(answersTo(judged, wishesOf(judged)))).toBeLessThan(1);
    for (const relief of RELIEF_CLASSES) expect(coloursSeen(judged.after)[relief]).toMatch(/^#[0-9a-f]{6}$/);
  });
});
