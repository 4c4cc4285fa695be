import { isDeepStrictEqual } from "node:util";
import { describe, expect, it } from "vitest";
import { colourDifference } from "../colour/difference.ts";
import { hexOf } from "../colour/screen.ts";
import { judge } from "../judge/judge.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { Step } from "../plan/plan.ts";
import { type ExampleStep, examplePlan, mixed as stirred } from "../rules/example.ts";
import { lays } from "../surface/techniques/lay.ts";
import { TECHNIQUES, techniquesFor } from "../surface/techniques.ts";
import { Board } from "./board.ts";
import { boardWorkOf } from "./board-work.ts";
import { handOf } from "./hands/hands.ts";
import { marksOf } from "./hands/marks.ts";
import type { Layer } from "./layers.ts";
import type { PanelId } from "./panels/panel.ts";

const WIDTH = 240;
const DAY = 1440;
const later = (minutes: number) => ({ wait: { kind: "at least", minutes } as const });

function boardOf(steps: ExampleStep[], panel: PanelId = "plain", seed = 1): Board {
  const zone = judge(examplePlan({ shows: "hands", ground: "old paint", steps })).zones[0]!;
  expect(zone.unreadable).toEqual([]);
  return new Board(boardWorkOf(zone, panel, seed), WIDTH);
}
const layersOf = (board: Board) => board.after(board.work.phases.length).layers;
const covered = ({ thickness, cover }: Layer) => {
  let sum = 0;
  thickness.forEach((value, index) => {
    if (value > 0.3) sum += cover === null ? 1 : cover[index]! / 255;
  });
  return sum / thickness.length;
};
const at = (board: Board, x: number, y: number) => hexOf(board.colourAt(board.work.phases.length, x, y));

/** What each laying technique usually lays, on what it needs beneath. */
const LAYING = TECHNIQUES.filter(({ lays }) => lays.length > 0).map((technique) => {
  const material = CATALOGUE.find((material) => techniquesFor(material).includes(technique))!;
  const under: ExampleStep[] =
    material.role === "leaf"
      ? [["brush", "leaf-size"]]
      : material.role === "crumb"
        ? [["brush", "chalk-slate"]]
        : [["brush", "mineral-storm", { coats: 2 }]];
  return { technique, material, under };
});

describe.each(LAYING.map((one) => [one.technique.name, one] as const))(
  "%s",
  (_name, { technique, material, under }) => {
    const share = technique.covers;
    const where: Step["where"] = { on: "everywhere", over: 1 };
    const wait = material.role === "crumb" || material.role === "leaf" ? {} : later(3 * DAY);
    const steps: ExampleStep[] = [...under, [technique.id, material.id, { where, ...wait }]];

    it("lays a sound film, about as much of the face as it usually covers", () => {
      const board = boardOf(steps);
      const film = layersOf(board).find(({ film: { stepId } }) => stepId === `s${under.length + 1}`)!;
      expect(film.thickness.every((value) => value >= 0 && Number.isFinite(value))).toBe(true);
      const reaches = technique.profile.field > 0 || material.role === "leaf" || material.role === "crumb";
      if (reaches) expect(Math.abs(covered(film) - share)).toBeLessThan(0.1);
    });

    it("lays it alike by its seed and otherwise by another", () => {
      const film = (seed: number) => layersOf(boardOf(steps, "plain", seed)).at(-1)!;
      const layer = film(1);
      expect(isDeepStrictEqual(film(1), layer)).toBe(true);
      const other = film(2);
      const same = layer.thickness.every((value, place) => value === other.thickness[place]);
      const sameCover =
        layer.cover === other.cover || (layer.cover ?? []).every((value, place) => value === other.cover?.[place]);
      expect(same && sameCover).toBe(false);
    });

    it("has a hand and marks", () => {
      expect(lays(technique) && handOf(technique.id, material)).toBeTypeOf("function");
      expect(marksOf(technique.id, material)).toBeTypeOf("string");
    });
  },
);

describe("what a painter sees of hands", () => {
  /** How alike neighbours are along and across: more than 1 where marks run along. */
  const runs = (film: Layer) => {
    let along = 0;
    let across = 0;
    for (let place = WIDTH; place < film.thickness.length - WIDTH; place++) {
      along += Math.abs(film.thickness[place + 1]! - film.thickness[place]!);
      across += Math.abs(film.thickness[place + WIDTH]! - film.thickness[place]!);
    }
    return across / along;
  };

  it("a brush leaves marks along its stroke, a roller none", () => {
    expect(runs(layersOf(boardOf([["brush", "chalk-slate"]]))[0]!)).toBeGreaterThan(2);
    const rolled = runs(layersOf(boardOf([["roller", "chalk-slate"]]))[0]!);
    expect(rolled).toBeGreaterThan(0.8);
    expect(rolled).toBeLessThan(1.25);
  });

  it("later coats flow into the marks of earlier ones", () => {
    const uneven = (coats: number) => {
      const board = boardOf([["brush", "chalk-slate", { coats }]]);
      const layers = layersOf(board);
      const total = layers[0]!.thickness.map((_, place) =>
        layers.reduce((sum, { thickness }) => sum + thickness[place]!, 0),
      );
      const mean = total.reduce((sum, value) => sum + value, 0) / total.length;
      return Math.sqrt(total.reduce((sum, value) => sum + (value - mean) ** 2, 0) / total.length) / mean;
    };
    expect(uneven(4)).toBeLessThan(0.6 * uneven(1));
  });

  it("a two-tone brush keeps its two colours apart, by the ratio in the pot; another brush mixes them", () => {
    const pot = { mix: stirred(1, "milk-curd", 1) };
    const apart = boardOf([["two-tone", "milk-soot", pot]]);
    const [dark, light] = layersOf(apart) as [Layer, Layer];
    expect(covered(dark)).toBeCloseTo(1, 2);
    expect(Math.abs(covered(light) - 0.5)).toBeLessThan(0.06);
    const third = layersOf(boardOf([["two-tone", "milk-soot", { mix: stirred(2, "milk-curd", 1) }]]))[1]!;
    expect(Math.abs(covered(third) - 1 / 3)).toBeLessThan(0.06);
    const mixed = boardOf([["brush", "milk-soot", pot]]);
    expect(layersOf(mixed)).toHaveLength(1);
    // side by side: what is seen goes much further from place to place than in the mix
    const spread = (board: Board) => {
      const seen = Array.from({ length: 24 }, (_, index) => at(board, 0.5, 0.05 + (0.9 * index) / 24));
      return Math.max(...seen.map((text) => colourDifference(text, seen[0]!)));
    };
    expect(spread(apart)).toBeGreaterThan(2 * spread(mixed));
  });

  it("steps that mean the same place meet there", () => {
    for (const on of ["hands", "patch", "border", "motif"] as const) {
      const there = { where: { on, over: 1 } } as const;
      const board = boardOf([
        ["brush", "mineral-storm", { coats: 2 }],
        ["brush", "mineral-oyster", { ...there, ...later(DAY) }],
        ["brush", "mineral-bottle", { ...there, ...later(DAY) }],
      ]);
      const [one, two] = layersOf(board).slice(-2) as [Layer, Layer];
      let either = 0;
      let both = 0;
      one.cover!.forEach((value, place) => {
        if (value >= 128 || two.cover![place]! >= 128) either++;
        if (value >= 128 && two.cover![place]! >= 128) both++;
      });
      expect(both / either).toBeGreaterThan(0.97);
      expect(either / one.cover!.length).toBeGreaterThan(0.03);
    }
  });

  it("a tissue carries a print of its own over its paper, and none of it where no paper lies", () => {
    const board = boardOf([
      ["brush", "mineral-oyster", { coats: 2 }],
      ["lay-tissue", "tissue-roses", { ...later(DAY), where: { on: "border", over: 1 } }],
    ]);
    const [paper, leaves, petals] = layersOf(board).slice(-3) as [Layer, Layer, Layer];
    expect(covered(petals)).toBeGreaterThan(0.005);
    for (const print of [leaves, petals])
      expect(print.cover!.every((value, place) => value <= paper.cover![place]! + 1)).toBe(true);
  });

  it("leaf lies in sheets with laps: in places twice as thick", () => {
    const board = boardOf([
      ["brush", "leaf-size"],
      ["lay-leaf", "leaf-imitation-gold"],
    ]);
    const { thickness } = layersOf(board).at(-1)!;
    const sorted = [...thickness].sort((a, b) => a - b);
    expect(sorted[Math.floor(0.97 * sorted.length)]! / sorted[Math.floor(0.4 * sorted.length)]!).toBeGreaterThan(1.25);
  });

  it("a stencil has crisp edges, a blend none", () => {
    const edges = (steps: ExampleStep[]) => {
      const { cover } = layersOf(boardOf(steps)).at(-1)!;
      const soft = cover!.filter((value) => value > 20 && value < 235).length;
      return soft / cover!.length;
    };
    const base: ExampleStep = ["brush", "mineral-oyster", { coats: 2 }];
    const stencil = edges([base, ["stencil", "craft-ultramarine", later(2 * DAY)]]);
    const blend = edges([base, ["blend", "craft-sky", { ...later(DAY), where: { on: "everywhere", over: 0.5 } }]]);
    expect(blend).toBeGreaterThan(0.5);
    expect(stencil).toBeLessThan(blend / 2);
  });
});
