import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { steps as anySteps } from "../../tests/random-crusts.ts";
import { statesApart, statesOnBoard, statesOnSurface } from "../../tests/states.ts";
import { STANDARD_CLIMATE } from "../drying/climate.ts";
import { FINISHES, findFinish } from "../finishes/finishes.ts";
import { sampleOf } from "../finishes/sample.ts";
import { judge, type ZoneJudgement } from "../judge/judge.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { groundOf } from "../plan/ground.ts";
import { CARVED_RELIEF, isReliefClass, RELIEF_CLASSES, type Step } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { compile } from "../surface/compile.ts";
import { apply, bareSurface } from "../surface/surface.ts";
import { TECHNIQUES, techniquesFor } from "../surface/techniques.ts";
import { DAY } from "../units/units.ts";
import { Board } from "./board.ts";
import { boardWorkOf } from "./board-work.ts";
import { PANEL_IDS, type PanelId } from "./panels/panel.ts";
import { classShares } from "./relief.ts";
import { shownOnBoard, shownOnSurface } from "./shares.ts";

/** Points that pixels and surface state may differ in any relief class, for any layer. */
const POINTS = 5;
/** Points that the states of a film on top may differ where both have it there; a cloth leaves the rim of its reach half opened. */
const STATE_POINTS = 8;
const STATE_POINTS_AT_RIMS = 15;
const SEEDS = [1, 2, 3];
/** Each finish on one of these, in turn. */
const GROUNDS = [
  groundOf("raw timber", "pine"),
  groundOf("old paint"),
  groundOf("raw timber", "oak"),
  groundOf("ferrous metal"),
  groundOf("fibreboard"),
  groundOf("varnished timber", "pine"),
];
const WIDTH = 768;

describe("what the board shows and what the checks hold", () => {
  it.each(FINISHES.map((finish, index) => [finish.name, finish, GROUNDS[index % GROUNDS.length]!] as const))(
    "agree within 5 points: %s",
    (_name, finish, ground) => {
      const [panel] = finish.panels;
      const zone = sampleOf(finish, panel, ground);
      expect(zone.unreadable).toEqual([]);
      const classes = RELIEF_CLASSES.filter((name) => zone.zone.relief[name] > 0);
      const held = shownOnSurface(zone.after);
      const states = statesOnSurface(zone.after);
      for (const seed of SEEDS) {
        const board = new Board(boardWorkOf(zone, panel, seed), WIDTH);
        const { layers } = board.after(zone.phases.length);
        const shown = shownOnBoard(layers, board.relief);
        for (const relief of classes) {
          for (const key of new Set([...shown[relief].keys(), ...held[relief].keys()])) {
            const apart = 100 * Math.abs((shown[relief].get(key) ?? 0) - (held[relief].get(key) ?? 0));
            expect(apart, `${relief}, ${key}, seed ${seed}`).toBeLessThanOrEqual(POINTS);
          }
        }
        const { points, where } = statesApart(statesOnBoard(layers, board.relief), states, classes);
        expect(points, `${where}, seed ${seed}`).toBeLessThanOrEqual(STATE_POINTS_AT_RIMS);
      }
    },
  );
});

/** Points by which the shares of a judged zone are further apart on a panel than they may be, by class and layer. */
function tooFarApart(zone: ZoneJudgement, panel: PanelId): string[] {
  const held = shownOnSurface(zone.after);
  const board = new Board(boardWorkOf(zone, panel, 1), WIDTH);
  const shown = shownOnBoard(board.after(zone.phases.length).layers, board.relief);
  const shares = classShares(board.relief);
  return RELIEF_CLASSES.flatMap((relief) => {
    // a class that takes up hardly any of a panel cannot be measured there
    if (zone.zone.relief[relief] === 0 || shares[relief] < 0.01) return [];
    return [...new Set([...shown[relief].keys(), ...held[relief].keys()])].flatMap((key) => {
      const apart = 100 * Math.abs((shown[relief].get(key) ?? 0) - (held[relief].get(key) ?? 0));
      return apart > POINTS ? [`${relief}, ${key}: ${apart.toFixed(1)}`] : [];
    });
  });
}

it.each(PANEL_IDS.map((panel) => [panel] as const))("they agree on every panel: %s", (panel) => {
  expect(tooFarApart(sampleOf(findFinish("worn-to-dark")!, panel), panel)).toEqual([]);
});

it.each<[string, ExampleStep]>([
  ["paper, three times and hard", ["sand-220", null, { effort: { passes: 3, pressure: "hard" } }]],
  ["paper, lightly", ["sand-150", null, { effort: { passes: 1, pressure: "light" } }]],
  ["a blade, twice", ["scrape-back", null, { effort: { passes: 2, pressure: "usual" } }]],
  ["all but the motif", ["brush", "chalk-bone-white", { where: { on: "everywhere", but: ["motif"], over: 1 } }]],
])("they agree with %s", (_what, step) => {
  const plan = examplePlan({
    shows: "effort",
    ground: "old paint",
    zone: { relief: CARVED_RELIEF },
    steps: [["brush", "mineral-storm", { coats: 2 }], ["brush", "chalk-slate"], step],
  });
  expect(tooFarApart(judge(plan).zones[0]!, "carved")).toEqual([]);
});

const materials = new Map(CATALOGUE.map((material) => [material.id, material]));
/** Enough for steps that work a whole face; a step kept to the arris needs a board on which an arris is wider than a pixel. */
const SMALL = 128;
const FINE = 384;

/** How far the states are apart after these steps, a time apart, on old paint. */
function apartAfter(steps: Step[], apart: number, width: number, seed = 1) {
  const plan = examplePlan({ shows: "states", ground: "old paint", steps: [] });
  const zone = plan.pieces[0]!.zones[0]!;
  const { phases } = compile({ ...plan.crusts[0]!, steps }, zone, materials);
  const timed = phases.map((phase, index) => ({ phase, starts: index * apart }));
  let surface = bareSurface(zone.ground);
  for (const { phase, starts } of timed) surface = apply(surface, phase, starts);
  const air = { course: STANDARD_CLIMATE.course, zero: STANDARD_CLIMATE.zero };
  const board = new Board({ ground: zone.ground, phases: timed, panel: "carved", seed, air }, width);
  // the border of a face is where its arrises are, and a bead is worn where it stands proud: only on the flats do a place and a
  // broken coat have nothing to do with one another
  const placed = steps.some((step) => !isReliefClass(step.where.on) && step.where.on !== "everywhere");
  return statesApart(
    statesOnBoard(board.after(timed.length).layers, board.relief),
    statesOnSurface(surface),
    placed ? ["field"] : RELIEF_CLASSES,
  );
}

const stepsOf = (list: ExampleStep[]): Step[] =>
  examplePlan({ shows: "states", ground: "old paint", steps: list }).crusts[0]!.steps;

const ONE_OF_EACH = [
  ...new Map(
    CATALOGUE.filter((material) => techniquesFor(material).length > 0).map((material) => [material.family, material]),
  ).values(),
];

describe("the states of films: keyed, polished, dried by warm air, turned, spent, soaked in", () => {
  it.each(
    TECHNIQUES.filter(({ effects, lays }) => effects.length > 0 || lays.length > 0).map(
      (technique) => [technique.name, technique] as const,
    ),
  )("are the same on the board and for the checks: %s over every kind of film", (_name, technique) => {
    const what = CATALOGUE.find((material) => techniquesFor(material).includes(technique))?.id ?? null;
    for (const under of ONE_OF_EACH)
      for (const apart of [20, DAY]) {
        const steps = stepsOf([
          ["brush", "mineral-oyster"],
          [techniquesFor(under)[0]!.id, under.id],
          [technique.id, technique.lays.length > 0 ? what : null],
        ]);
        const { points, where } = apartAfter(steps, apart, SMALL);
        // a broken coat is all rims
        const limit = technique.covers < 1 ? STATE_POINTS_AT_RIMS : STATE_POINTS;
        expect(points, `over ${under.name}, ${apart} min apart: ${where}`).toBeLessThanOrEqual(limit);
      }
  });

  it("are the same after any crust", () => {
    fc.assert(
      fc.property(anySteps(7), fc.constantFrom(15, 200, DAY), fc.nat(99), (steps, apart, seed) => {
        const { points, where } = apartAfter(steps, apart, FINE, seed);
        expect(points, where).toBeLessThanOrEqual(STATE_POINTS_AT_RIMS);
      }),
      { numRuns: 40 },
    );
  });
});
