import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { judge } from "#core/judge/judge";
import type { Step } from "#core/plan/plan";
import { hobnailYard } from "#demo/hobnail-yard";
import { sayRun } from "./rung-words";
import { type Rung, rungsOf } from "./rungs";
import { differingIn, foldRuns, patternOf, type Run, worstIn } from "./runs";
import { ladderSizes, rowMiddles } from "./sizes";
import { layOut } from "./use-ladder";

const zoneOf = (planId: string, crust: RegExp) => {
  const plan = hobnailYard().find(({ id }) => id === planId)!;
  return judge(plan).zones.find((zone) => crust.test(zone.crust.name))!;
};
/** Twenty-five steps: four colours, each rubbed back and sealed, over a primer and a dark under-coat. */
const patina = zoneOf("chart-cabinet", /Many-coats/);
const nobody = () => false;
const nameOf = ({ what, how }: Step) => what ?? how;
const rung = (how: string, number: number, what?: string): Rung => ({
  step: { id: `${number}`, how, what, coats: 1, where: { on: "everywhere", over: 1 }, intents: [] } as unknown as Step,
  number,
  seam: { severity: "none", text: "", why: "", tight: false },
  joined: false,
  material: undefined,
  hands: 10,
});
/** A ladder of these techniques, written from the ground up. */
const ladderOf = (hows: readonly string[]) => hows.map((how, index) => rung(how, index + 1)).reverse();
const said = (hows: readonly string[]) =>
  foldRuns(ladderOf(hows))
    .map((row) => (row.is === "run" ? `${row.run.times}x${row.run.period}` : row.rung.step.how))
    .reverse();

describe("runs of like steps", () => {
  it("folds the colours of a many-coats patina, each rubbed back and sealed, into one row", () => {
    const runs = foldRuns(rungsOf(patina)).flatMap((row) => (row.is === "run" ? [row.run] : []));
    expect(runs).toHaveLength(1);
    const [run] = runs as [Run];
    expect([run.times, run.period]).toEqual([4, 3]);
    expect(patternOf(run).map(({ step }) => step.how)).toEqual(["brush", "wet-distress", "brush"]);
    expect(differingIn(run).map(({ step }) => step.what)).toEqual([
      "chalk-slate",
      "chalk-oxide-red",
      "chalk-mustard",
      "chalk-duck-egg",
    ]);
    expect(sayRun(run, nameOf)).toBe("4 times chalk-type paint, wet-distress, clear-coat-matt");
  });

  it("folds what comes three times or more, the longest first, and leaves a pair alone", () => {
    expect(said(["wax", "wax", "wax"])).toEqual(["3x1"]);
    expect(said(["wax", "wax", "buff"])).toEqual(["wax", "wax", "buff"]);
    expect(said(["scuff", "a", "b", "a", "b", "a", "b", "buff"])).toEqual(["scuff", "3x2", "buff"]);
    expect(said(["a", "a", "b", "a", "a", "b", "a", "a", "b"])).toEqual(["3x3"]);
  });

  it("says the worst that is wrong inside it", () => {
    const [run] = foldRuns(rungsOf(patina)).flatMap((row) => (row.is === "run" ? [row.run] : []));
    expect(worstIn(run!)?.text).toBe("The clear coat may pull at the mustard chalk-type paint");
    const calm = foldRuns(ladderOf(["wax", "wax", "wax"])).flatMap((row) => (row.is === "run" ? [row.run] : []));
    expect(worstIn(calm[0]!)).toBeUndefined();
  });

  it("loses no step and keeps their order, whatever the crust", () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom("brush", "wax", "sand"), { maxLength: 30 }), (hows) => {
        const ladder = ladderOf(hows);
        const steps = foldRuns(ladder).flatMap((row) => (row.is === "run" ? row.run.rungs : [row.rung]));
        expect(steps).toEqual(ladder);
      }),
    );
  });
});

describe("room for a ladder", () => {
  it("opens with few steps, stands close with many, and fits where it says so", () => {
    expect(ladderSizes(3, 650).kind).toBe("open");
    expect(ladderSizes(10, 650).kind).toBe("usual");
    expect(ladderSizes(24, 650).kind).toBe("close");
    fc.assert(
      fc.property(fc.nat(80), fc.integer({ min: 300, max: 1400 }), (count, available) => {
        const { row, seam, surface, kind } = ladderSizes(count, available);
        if (kind !== "close") expect(count * (row + seam) + row + surface).toBeLessThanOrEqual(available);
        // no target smaller than WCAG 2.2 allows (2.5.8: 24 px, the space around it counted)
        expect(row + seam).toBeGreaterThanOrEqual(24);
      }),
    );
  });

  it("folds a wall of steps, and opens the run whose step is selected", () => {
    const folded = layOut(patina, 650, nobody);
    expect(folded.rows).toHaveLength(14);
    expect(folded.sizes.kind).toBe("usual");
    const open = layOut(patina, 650, ({ step }) => step.what === "chalk-mustard");
    expect(open.rows).toHaveLength(25);
    expect(layOut(patina, 2000, nobody).rows).toHaveLength(25);
  });

  it("leads the lines of a folded run's steps to its one row", () => {
    const { rows, sizes } = layOut(patina, 650, nobody);
    const middles = rowMiddles(rows, sizes, false);
    expect(middles.size).toBe(26);
    expect(new Set(middles.values()).size).toBe(15);
  });
});
