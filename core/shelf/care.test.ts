import { describe, expect, it } from "vitest";
import { judge } from "../judge/judge.ts";
import type { Plan, Use } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { careFor } from "./care.ts";

const plan = (steps: readonly ExampleStep[], use: Partial<Use> = {}): Plan =>
  examplePlan({ shows: "x", ground: "raw timber", species: "pine", steps, use });
const care = (steps: readonly ExampleStep[], use: Partial<Use> = {}) => {
  const made = plan(steps, use);
  return careFor(made, judge(made));
};
const says = (steps: readonly ExampleStep[], use: Partial<Use> = {}) => care(steps, use)[0]!.says.join(" ");

const PAINT: ExampleStep = ["brush", "chalk-bone-white", { coats: 2 }];
const LATER = { wait: { kind: "at least", minutes: 1440 } } as const;

describe("how a client looks after a piece", () => {
  it("goes by what lies on top: wax is dusted and renewed, a clear coat is wiped, bare paint is only dusted", () => {
    expect(says([PAINT, ["wax", "wax-clear", LATER]])).toMatch(/Dust with a dry cloth.*Renew the wax/);
    expect(says([PAINT, ["brush", "clear-coat-matt", LATER]])).toMatch(/damp cloth and a little mild soap/);
    expect(says([PAINT])).toMatch(/Dust only\. It is not sealed/);
  });

  it("names what that is", () => {
    expect(care([PAINT, ["wax", "wax-clear", LATER]])[0]!.finish).toBe("Clear paste wax");
  });

  it("warns of hot cups where they mark or stick, and not on what stands them", () => {
    expect(says([PAINT, ["wax", "wax-clear", LATER]])).toMatch(/hot cups|Hot cups/);
    expect(says([PAINT, ["brush", "varnish-heat", { coats: 2, ...LATER }]], { heat: true })).not.toMatch(/hot cups/i);
  });

  it("asks for spills to be wiped up at once where water may come and no film is on", () => {
    const waxed: ExampleStep[] = [PAINT, ["wax", "wax-clear", LATER]];
    expect(says(waxed, { water: "splashes" })).toMatch(/Wipe up spills at once/);
    expect(says(waxed)).not.toMatch(/spills/);
    expect(says([PAINT, ["brush", "clear-coat-matt", LATER]], { water: "splashes" })).not.toMatch(/spills/);
  });

  it("promises nothing near food or children, and keeps what is not for outdoors under a roof", () => {
    const waxed: ExampleStep[] = [PAINT, ["wax", "wax-clear", LATER]];
    for (const near of ["food", "children"] as const)
      expect(says(waxed, { near })).toMatch(/not certified for food or for toys/);
    expect(says(waxed, { outdoors: true })).toMatch(/under a roof/);
    expect(says([PAINT, ["brush", "varnish-oil", { coats: 3, ...LATER }]], { outdoors: true })).not.toMatch(/roof/);
  });

  it("is said once for zones that are alike, and apart for those that are not", () => {
    const made = plan([PAINT, ["wax", "wax-clear", LATER]]);
    const [piece] = made.pieces;
    const [zone] = piece!.zones;
    const top = { ...zone!, id: "z3", name: "Top", use: { ...zone!.use, water: "splashes" as const } };
    const three: Plan = {
      ...made,
      pieces: [{ ...piece!, zones: [zone!, { ...zone!, id: "z2", name: "Back" }, top] }],
    };
    expect(careFor(three, judge(three)).map(({ zones }) => zones)).toEqual([["Panel", "Back"], ["Top"]]);
  });

  it("is nothing where nothing is done", () => {
    expect(care([])).toEqual([]);
  });
});
