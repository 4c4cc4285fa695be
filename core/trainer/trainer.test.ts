import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FINISHES } from "../finishes/finishes.ts";
import { RULES } from "../rules/rules.ts";
import { THEMES } from "../rules/themes.ts";
import { Chance } from "./chance.ts";
import { DRILL_KINDS, type Drill, grade } from "./drill.ts";
import { drillFrom, findSource, SOURCES } from "./drills.ts";

const seeds = fc.integer({ min: 1, max: 10_000 });
const source = fc.constantFrom(...SOURCES);
const rightly = (drill: Drill) =>
  drill.right.map((right, index) => (drill.parts[index]!.is === "order" ? right : [right[0]!]));

describe("drills come from rules, finishes and materials", () => {
  it("every rule and every finish has its own, under a name of its own", () => {
    for (const { meta } of RULES) expect(findSource(`fault/${meta.id}`), meta.id).toBeDefined();
    for (const { id } of FINISHES)
      for (const kind of ["board", "order", "next"]) expect(findSource(`${kind}/${id}`)).toBeDefined();
    expect(new Set(SOURCES.map(({ id }) => id)).size).toBe(SOURCES.length);
    expect(new Set(SOURCES.map(({ kind }) => kind))).toEqual(new Set(DRILL_KINDS));
  });

  it("every rule belongs to a theme of the guide", () => {
    for (const { meta } of RULES)
      expect(
        THEMES.some(([prefix]) => meta.id.startsWith(prefix)),
        meta.id,
      ).toBe(true);
  });

  it("of each kind there are many questions", () => {
    for (const kind of DRILL_KINDS) {
      const made = SOURCES.filter((source) => source.kind === kind).filter((source) => drillFrom(source, 7) !== null);
      expect(made.length, kind).toBeGreaterThanOrEqual(6);
    }
  });
});

describe("a question", () => {
  it("is fair: its choices differ, and the right ones are among them", () => {
    fc.assert(
      fc.property(source, seeds, (from, seed) => {
        const drill = drillFrom(from, seed);
        if (!drill) return;
        expect(drill.parts.length).toBe(drill.right.length);
        expect(drill.because).toMatch(/\w{3}/);
        drill.parts.forEach(({ choices, is }, index) => {
          expect(choices.length).toBeGreaterThan(1);
          expect(new Set(choices.map(({ id }) => id)).size).toBe(choices.length);
          const ids = choices.map(({ id }) => id);
          expect(drill.right[index]!.length).toBeGreaterThan(0);
          for (const right of drill.right[index]!) expect(ids).toContain(right);
          if (is === "order") expect([...drill.right[index]!].sort()).toEqual([...ids].sort());
          // not all of them are right
          if (is === "choose" && drill.kind !== "fault")
            expect(drill.right[index]!.length).toBeLessThan(choices.length);
        });
      }),
      { numRuns: 60 },
    );
  }, 60_000);

  it("is the same for the same seed, on any machine", () => {
    fc.assert(
      fc.property(source, seeds, (from, seed) => {
        const [one, two] = [from.make(seed), from.make(seed)];
        expect(one?.parts).toEqual(two?.parts);
        expect(one?.right).toEqual(two?.right);
      }),
      { numRuns: 25 },
    );
  }, 60_000);

  it("right is right, wrong is wrong, nothing is wrong", () => {
    fc.assert(
      fc.property(source, seeds, (from, seed) => {
        const drill = drillFrom(from, seed);
        if (!drill) return;
        expect(grade(from, drill, rightly(drill)).every(Boolean)).toBe(true);
        expect(grade(from, drill, []).some(Boolean)).toBe(false);
        drill.parts.forEach(({ choices, is }, index) => {
          if (is !== "choose") return;
          const wrong = choices.find(({ id }) => !drill.right[index]!.includes(id));
          if (wrong)
            expect(
              grade(
                from,
                drill,
                drill.parts.map(() => [wrong.id]),
              )[index],
            ).toBe(false);
        });
      }),
      { numRuns: 40 },
    );
  }, 60_000);
});

describe("what a painter would answer", () => {
  const make = (id: string, seed = 3) => drillFrom(findSource(id)!, seed)!;

  it("dark wax goes over clear wax: the other order is wrong", () => {
    const drill = make("order/waxes-only");
    const right = drill.right[0]!;
    expect(right.indexOf("wax")).toBeLessThan(right.indexOf("tint"));
    const swapped = [...right];
    [swapped[right.indexOf("wax")], swapped[right.indexOf("tint")]] = ["tint", "wax"];
    expect(grade(findSource("order/waxes-only")!, drill, [swapped])).toEqual([false]);
  });

  it("another order that holds and looks the same is right as well", () => {
    let others = 0;
    for (const from of SOURCES.filter(({ kind }) => kind === "order")) {
      const drill = from.make(3);
      if (!drill) continue;
      const right = drill.right[0]!;
      expect(grade(from, drill, [right])).toEqual([true]);
      expect(grade(from, drill, [[...right].reverse()]), from.id).toEqual([false]);
      for (let at = 1; at < right.length; at++) {
        const swapped = [...right];
        [swapped[at - 1], swapped[at]] = [swapped[at]!, swapped[at - 1]!];
        if (grade(from, drill, [swapped])[0]) others++;
      }
    }
    // not every order is one way only, and not just any order will do
    expect(others).toBeGreaterThan(0);
  });

  it("a clear coat over wax: the clear coat is where it goes wrong", () => {
    const drill = make("fault/A4");
    const [where] = drill.parts;
    expect(where!.asks).toBe("Which step goes wrong?");
    const wrong = where!.choices.find(({ id }) => id === drill.right[0]![0])!;
    expect(wrong.says).toMatch(/clear coat|polyurethane|varnish/i);
    expect(drill.because).toMatch(/wax/);
  });

  it("shellac stain-block is recoated within the hour, oil paint the next day", () => {
    const hours = (id: string) => Number(make(id).right[0]![0]) / 60;
    expect(hours("wait/stain-block-primer-shellac/recoat")).toBeLessThanOrEqual(1);
    expect(hours("wait/oil-paint/recoat")).toBeGreaterThanOrEqual(16);
  });

  it("after wax nothing water-borne is offered as right", () => {
    let asked = 0;
    for (let seed = 1; seed < 30; seed++) {
      const drill = findSource("next/waxes-only")!.make(seed);
      const last = drill?.stack?.steps.at(-1)?.says ?? "";
      if (!drill || !/wax/i.test(last)) continue;
      asked++;
      expect(drill.right[0]![0]).toMatch(/wax/);
    }
    expect(asked).toBeGreaterThan(0);
  });
});

it("chance is spread evenly", () => {
  const chance = new Chance(5);
  const counts = new Map<number, number>();
  for (let at = 0; at < 6000; at++) {
    const drawn = chance.pick([0, 1, 2, 3, 4, 5]);
    counts.set(drawn, (counts.get(drawn) ?? 0) + 1);
  }
  for (const count of counts.values()) expect(Math.abs(count - 1000)).toBeLessThan(150);
  expect(new Set(chance.shuffled([1, 2, 3, 4])).size).toBe(4);
});
