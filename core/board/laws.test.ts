import { describe, expect, it } from "vitest";
import { amountsDrawn } from "../../tests/amounts.ts";
import { STANDARD_CLIMATE } from "../drying/climate.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { RELIEF_CLASSES, type Step } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { compile } from "../surface/compile.ts";
import { lawOf } from "../surface/laws/laws.ts";
import type { Phase } from "../surface/phase.ts";
import { TECHNIQUES, techniquesFor } from "../surface/techniques.ts";
import { DAY, HOUR } from "../units/units.ts";
import { Board } from "./board.ts";

const materials = new Map(CATALOGUE.map((material) => [material.id, material]));
const WIDTH = 384;

const stepsOf = (list: ExampleStep[]): Step[] =>
  examplePlan({ shows: "laws", ground: "old paint", steps: list }).crusts[0]!.steps;

/** A board after these phases, each at its own instant. */
function drawn(steps: ExampleStep[], instants: readonly number[], change = (phase: Phase) => phase) {
  const plan = examplePlan({ shows: "laws", ground: "old paint", steps: [] });
  const zone = plan.pieces[0]!.zones[0]!;
  const { phases } = compile({ ...plan.crusts[0]!, steps: stepsOf(steps) }, zone, materials);
  const timed = phases.map((phase, index) => ({
    phase: index === phases.length - 1 ? change(phase) : phase,
    starts: instants[index]!,
  }));
  const air = { course: STANDARD_CLIMATE.course, zero: STANDARD_CLIMATE.zero };
  const board = new Board({ ground: zone.ground, phases: timed, panel: "carved", seed: 1, air }, WIDTH);
  const amounts = (after: number) => {
    const { layers } = board.after(after);
    return new Map(RELIEF_CLASSES.map((relief) => [relief, amountsDrawn(layers, relief, board.relief)]));
  };
  return { phases, before: amounts(timed.length - 1), after: amounts(timed.length), board };
}

const BENEATH: ExampleStep[] = [
  ["brush", "mineral-oyster"],
  ["brush", "chalk-slate"],
  ["glaze", "glaze-umber"],
];
const EARLIER = [0, DAY, 2 * DAY];
const NEXT = [2 * DAY + 20, 3 * DAY];

/** Everything that is done to a surface: each technique, with the first material that it lays. */
const EVERY: [string, ExampleStep][] = TECHNIQUES.filter(
  ({ effects, lays }) => effects.length > 0 || lays.length > 0,
).map((technique) => {
  const what = CATALOGUE.find((material) => techniquesFor(material).includes(technique))?.id;
  return [technique.name, [technique.id, technique.lays.length > 0 ? (what ?? null) : null]];
});

/** Pixels are bytes and masks have soft rims: so much of a film may be lost or found in drawing it. */
const NEAR = 0.06;
const LEAST = 0.4;

describe("on the board as for the checks", () => {
  it.each(EVERY)("what lies there is kept, or taken and never more than there was: %s", (_name, step) => {
    for (const next of NEXT) {
      const { phases, before, after } = drawn([...BENEATH, step], [...EARLIER, next]);
      const takes = phases.at(-1)!.effects.some((effect) => "to" in lawOf(effect));
      for (const relief of RELIEF_CLASSES)
        for (const [id, was] of before.get(relief)!) {
          const is = after.get(relief)!.get(id) ?? 0;
          const near = LEAST + NEAR * was;
          expect(is, `${id} on the ${relief}`).toBeLessThanOrEqual(was + near);
          if (!takes) expect(is, `${id} on the ${relief}`).toBeGreaterThanOrEqual(was - near);
        }
    }
  });

  it.each(EVERY)("on half the face is about half the change: %s", (_name, [how, what]) => {
    const on = (share: number) =>
      drawn([...BENEATH, [how, what ?? null, { where: { on: "everywhere", over: share } }]], [...EARLIER, 3 * DAY]);
    const [whole, half] = [on(1), on(0.5)];
    for (const relief of RELIEF_CLASSES) {
      const was = whole.before.get(relief)!;
      for (const id of new Set([...was.keys(), ...whole.after.get(relief)!.keys()])) {
        const change = (whole.after.get(relief)!.get(id) ?? 0) - (was.get(id) ?? 0);
        const part = (half.after.get(relief)!.get(id) ?? 0) - (was.get(id) ?? 0);
        expect(Math.abs(part - change / 2), `${id} on the ${relief}: ${part} of ${change}`).toBeLessThanOrEqual(
          LEAST + 0.12 * Math.abs(change),
        );
      }
    }
  });

  it("a technique that lays, with nothing to lay, leaves every layer as it was", () => {
    for (const how of ["brush", "sponge", "wax", "spatter", "stencil"]) {
      const what = CATALOGUE.find((material) => techniquesFor(material).some(({ id }) => id === how))!.id;
      const { board, phases } = drawn([...BENEATH, [how, what]], [...EARLIER, 3 * DAY], (phase) => ({
        ...phase,
        material: null,
        effects: phase.effects.filter((effect) => lawOf(effect).way === "lays"),
      }));
      const [before, after] = [board.after(phases.length - 1).layers, board.after(phases.length).layers];
      expect(after.length).toBe(before.length);
      expect(after.every((layer, index) => layer === before[index])).toBe(true);
    }
  });

  it("two light passes take no less than one", () => {
    for (const how of ["sand-320", "steel-wool", "wipe-back", "wet-distress", "chip"]) {
      const once = drawn([...BENEATH, [how]], [...EARLIER, 3 * DAY]);
      const twice = drawn([...BENEATH, [how], [how]], [...EARLIER, 3 * DAY, 3 * DAY + HOUR]);
      for (const relief of RELIEF_CLASSES)
        for (const [id, amount] of twice.after.get(relief)!)
          expect(amount, `${how}: ${id} on the ${relief}`).toBeLessThanOrEqual(
            (once.after.get(relief)!.get(id) ?? 0) + LEAST,
          );
    }
  });
});
