import { isDeepStrictEqual } from "node:util";
import { describe, expect, it } from "vitest";
import { amounts } from "../../tests/amounts.ts";
import { judge } from "../judge/judge.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { TECHNIQUES } from "../surface/techniques.ts";
import { Board } from "./board.ts";
import { boardWorkOf } from "./board-work.ts";
import type { Layer } from "./layers.ts";

const WIDTH = 240;
const DAY = 1440;
const later = (minutes: number) => ({ wait: { kind: "at least", minutes } as const });

function boardOf(steps: ExampleStep[], seed = 1): Board {
  const zone = judge(examplePlan({ shows: "taking", ground: "old paint", steps })).zones[0]!;
  expect(zone.unreadable).toEqual([]);
  return new Board(boardWorkOf(zone, "carved", seed), WIDTH);
}
const sum = (field: Float32Array) => field.reduce((all, value) => all + value, 0);

/** A stack that gives every way of taking off something to take. */
const STACK: ExampleStep[] = [
  ["brush", "tint-base-walnut", { coats: 2 }],
  ["brush", "chalk-slate", later(DAY)],
  ["brush", "milk-curd", { ...later(DAY), intents: ["chips"] }],
  ["brush", "glaze-umber", later(3 * DAY)],
];
const TAKING = TECHNIQUES.filter(({ kind, lays }) => kind === "take" && lays.length === 0);

describe.each(TAKING.map((one) => [one.name, one.id] as const))("%s", (_name, how) => {
  it("never adds to a film, leaves films in their order, and does so alike by its seed", () => {
    const board = boardOf([...STACK, [how]]);
    const count = board.work.phases.length;
    const [before, after] = [board.after(count - 1).layers, board.after(count).layers];
    const [was, is] = [amounts(before), amounts(after)];
    expect([...is.keys()]).toEqual([...was.keys()].filter((phase) => is.has(phase)));
    for (const [phase, left] of is)
      for (let at = 0; at < left.length; at += 7)
        if (left[at]! > was.get(phase)![at]! + 1e-4) throw new Error(`more of ${phase} at ${at}`);
    const again = boardOf([...STACK, [how]]).after(count).layers;
    const thicknesses = (layers: readonly Layer[]) => layers.map(({ thickness }) => thickness);
    expect(isDeepStrictEqual(thicknesses(again), thicknesses(after))).toBe(true);
  });

  it("kept to one relief class, leaves the others as good as untouched", () => {
    const board = boardOf([...STACK, [how, null, { where: { on: "arris", over: 1 } }]]);
    const count = board.work.phases.length;
    const [before, after] = [board.after(count - 1).layers, board.after(count).layers];
    const { field } = board.relief.belongs;
    const left = amounts(after);
    for (const [phase, was] of amounts(before)) {
      let gone = 0;
      let all = 0;
      field.forEach((belongs, index) => {
        if (belongs < 0.99) return;
        all += was[index]!;
        gone += was[index]! - (left.get(phase)?.[index] ?? 0);
      });
      expect(gone / Math.max(1, all)).toBeLessThan(0.02);
    }
  });
});

describe("what taking off shows", () => {
  it("coarser paper goes deeper", () => {
    const gone = (how: string) => {
      const board = boardOf([
        ["brush", "chalk-slate", { coats: 3 }],
        [how, null, later(DAY)],
      ]);
      const count = board.work.phases.length;
      const all = (layers: readonly Layer[]) =>
        [...amounts(layers).values()].reduce((so, amount) => so + sum(amount), 0);
      return all(board.after(count - 1).layers) - all(board.after(count).layers);
    };
    const [wool, fine, usual, coarse] = ["steel-wool", "sand-320", "sand-220", "sand-150"].map(gone) as [
      number,
      number,
      number,
      number,
    ];
    expect(fine).toBeGreaterThan(wool * 0.9);
    expect(usual).toBeGreaterThan(fine);
    expect(coarse).toBeGreaterThan(usual);
  });

  it("a second taking finds new places: it does not only deepen the first", () => {
    const open = (times: number) => {
      const board = boardOf([
        ["brush", "tint-base-walnut", { coats: 2 }],
        ["brush", "chalk-bone-white", later(DAY)],
        ...Array.from({ length: times }, (): ExampleStep => ["wet-distress", null, later(60)]),
      ]);
      const white = board.after(board.work.phases.length).layers.at(-1)!;
      const { high } = board.relief.belongs;
      let sum = 0;
      let whole = 0;
      high.forEach((belongs, index) => {
        whole += belongs;
        if (white.thickness[index]! <= 0.3) sum += belongs;
      });
      return sum / whole;
    };
    expect(open(2)).toBeGreaterThan(open(1) + 0.1);
    expect(open(1)).toBeGreaterThan(0.3);
  });

  it("drying, keying, polishing and turning are known of the film on top, and move no pixel of it", () => {
    const cases: [ExampleStep[], keyof Layer["film"]][] = [
      [[["brush", "chalk-slate"], ["hair-dryer"]], "forced"],
      [
        [
          ["brush", "mineral-storm"],
          ["sand-320", null, later(DAY)],
        ],
        "keyed",
      ],
      [[["brush", "chalk-slate"], ["wax", "wax-clear", later(DAY)], ["buff"]], "polished"],
    ];
    for (const [steps, flag] of cases) {
      const board = boardOf(steps);
      const count = board.work.phases.length;
      expect(board.after(count - 1).layers.at(-1)!.film[flag]).toBe(false);
      expect(board.after(count).layers.at(-1)!.film[flag]).toBe(true);
    }
    const board = boardOf([["brush", "chalk-slate"], ["wax", "wax-clear", later(DAY)], ["buff"]]);
    const count = board.work.phases.length;
    expect(board.after(count).layers.at(-1)!.thickness).toBe(board.after(count - 1).layers.at(-1)!.thickness);
    // and it is seen: buffed wax gleams
    expect(board.picture(count)).not.toEqual(board.picture(count - 1));
  });

  it("stripping leaves nothing but the ground", () => {
    const board = boardOf([...STACK, ["strip"]]);
    expect(board.after(board.work.phases.length).layers).toEqual([]);
    expect(board.after(board.work.phases.length).ground.stripped).toBe(true);
  });

  it("clear wax lifts tinted wax and leaves the paint, water lifts open glaze and leaves dry", () => {
    const left = (steps: ExampleStep[]) => {
      const board = boardOf(steps);
      const count = board.work.phases.length;
      const was = amounts(board.after(count - 1).layers);
      return [...amounts(board.after(count).layers)].map(([phase, left]) => sum(left) / sum(was.get(phase)!));
    };
    const [paint, wax] = left([["brush", "mineral-oyster"], ["wax", "wax-dark", later(DAY)], ["erase-wax"]]) as [
      number,
      number,
    ];
    expect(paint).toBe(1);
    expect(wax).toBeLessThan(0.75);
    const [, open] = left([["brush", "mineral-oyster"], ["brush", "glaze-umber", later(DAY)], ["wipe-back"]]) as [
      number,
      number,
    ];
    expect(open).toBeLessThan(0.75);
    const [, dry] = left([
      ["brush", "mineral-oyster"],
      ["brush", "glaze-umber", later(DAY)],
      ["wipe-back", null, later(2 * DAY)],
    ]) as [number, number];
    expect(dry).toBe(1);
  });
});
