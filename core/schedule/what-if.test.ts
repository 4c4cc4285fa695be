import { describe, expect, it } from "vitest";
import { applyCommands } from "../edit/apply.ts";
import { judge } from "../judge/judge.ts";
import { shopOf } from "../plan/shop.ts";
import { examplePlan } from "../rules/example.ts";
import { schedule } from "./schedule.ts";
import { asItIs, tryTogether, whatIf } from "./what-if.ts";

const cold = () => {
  const plan = examplePlan({
    shows: "a cold shed",
    ground: "raw timber",
    species: "pine",
    steps: [
      ["brush", "oil-deep-green", { coats: 3 }],
      ["brush", "varnish-oil", { coats: 2 }],
    ],
  });
  plan.pinned.room = {
    celsius: 15,
    relativeHumidity: 65,
    draught: false,
    course: { kind: "day and night", night: { celsius: 11, relativeHumidity: 80 } },
  };
  return plan;
};

describe("what if", () => {
  it("each idea comes to what the plan comes to when it is done", () => {
    const plan = cold();
    const ideas = whatIf(plan);
    expect(ideas.length).toBeGreaterThan(0);
    for (const idea of ideas) {
      const done = applyCommands(plan, idea.commands);
      if (!done.ok) throw new Error(done.because);
      const made = schedule([{ plan: done.plan, judgement: judge(done.plan) }]);
      expect(made.finish).toBe(idea.finish);
      expect(made.clashes.length).toBe(idea.clashes);
    }
  });

  it("with a budget holds every idea against the plan looked at as long", () => {
    const options = { budget: 400, now: () => performance.now() };
    const plan = cold();
    const before = schedule([{ plan, judgement: judge(plan) }], options);
    expect(before.proven).toBe(true);
    const ideas = whatIf(plan, options);
    expect(ideas.length).toBeGreaterThan(0);
    for (const { finish, gain } of ideas) expect(gain).toBe(finish! - before.finish!);
  });

  it("a warmer room is done earlier, and the best comes first", () => {
    const ideas = whatIf(cold());
    const warmer = ideas.filter(({ id }) => id.startsWith("warm"));
    expect(Math.min(...warmer.map(({ gain }) => gain!))).toBeLessThan(0);
    for (const [at, idea] of ideas.entries())
      if (at > 0 && idea.clashes === ideas[at - 1]!.clashes)
        expect(idea.finish!).toBeGreaterThanOrEqual(ideas[at - 1]!.finish!);
  });

  it("names another product that holds the work up less, in about its colour and for the same purpose", () => {
    const plan = examplePlan({
      shows: "milk paint that stands long",
      ground: "raw timber",
      species: "pine",
      steps: [
        ["brush", "milk-bottle-green"],
        ["wax", "wax-clear"],
      ],
    });
    const products = whatIf(plan).filter(({ id }) => id.startsWith("product-"));
    expect(products.length).toBeGreaterThan(0);
    for (const { label, stops, commands } of products) {
      expect(label).toMatch(/ instead of /);
      expect(stops.after).toBeLessThanOrEqual(stops.before);
      const done = applyCommands(plan, commands);
      if (!done.ok) throw new Error(done.because);
      const rolesOf = ({ crusts, pinned }: typeof plan) =>
        crusts[0]!.steps.map(({ what }) => pinned.materials.find(({ id }) => id === what)?.role);
      expect(rolesOf(done.plan)).toEqual(rolesOf(plan));
    }
  });

  it("a job that comes too late can be promised for the day it is ready: then nothing clashes", () => {
    const plan = { ...cold(), due: "2026-12-01T12:00" };
    const late = schedule([{ plan, judgement: judge(plan) }]);
    expect(late.clashes).toHaveLength(1);
    const promise = whatIf(plan).find(({ id }) => id === "due");
    expect(promise).toMatchObject({ clashes: 0, gain: 0 });
  });

  it("names a way out of a clash: an hour longer that day", () => {
    const plan = examplePlan({
      shows: "a short day",
      ground: "raw timber",
      species: "pine",
      steps: [
        ["brush", "mineral-storm"],
        ["brush", "crackle-medium"],
        ["brush", "mineral-oyster"],
      ],
    });
    plan.pinned.hours = { ...plan.pinned.hours, weekdays: Array(7).fill([[540, 555]]) };
    const before = schedule([{ plan, judgement: judge(plan) }]);
    expect(before.clashes.length).toBeGreaterThan(0);
    const ways = whatIf(plan).filter(({ clashes }) => clashes < before.clashes.length);
    expect(ways.map(({ label }) => label).join("; ")).toMatch(/hour longer/);
  });

  it("tries several at once, and the shop's own", () => {
    const plan = cold();
    const shop = shopOf({ ...plan.pinned.hours, painters: 1 });
    const options = { shop, painters: shop.painters };
    const ideas = whatIf({ ...plan, hoursFrom: "shop" }, options);
    expect(ideas.map(({ id }) => id)).not.toContain("painter");
    const warm = ideas.find(({ id }) => id.startsWith("warm"))!;
    const saturday = ideas.find(({ id }) => id === "saturday" || id === "hours")!;
    const both = tryTogether({ ...plan, hoursFrom: "shop" }, [warm, saturday], options)!;
    expect(both.commands).toEqual([...warm.commands, ...saturday.commands]);
    expect(both.finish!).toBeLessThanOrEqual(Math.min(warm.finish!, saturday.finish!));
    const before = asItIs({ ...plan, hoursFrom: "shop" }, options);
    expect(before.gain).toBe(0);
    expect(before.visits).toBeGreaterThan(1);
    expect(before.handsOn).toBeGreaterThan(0);
  });

  it("tries one more painter where there is work for two at a time", () => {
    const two = examplePlan({
      shows: "two faces",
      ground: "raw timber",
      species: "pine",
      steps: [["brush", "chalk-bone-white", { coats: 2 }]],
    });
    const [piece] = two.pieces;
    const [face] = piece!.zones;
    const zones = ["a", "b", "c"].map((id) => ({
      ...face!,
      id,
      name: id,
      shape: { kind: "panel" as const, width: 2000, height: 1500, count: 1 },
    }));
    const plan = { ...two, hoursFrom: "shop" as const, pieces: [{ ...piece!, zones }] };
    const shop = shopOf({ ...plan.pinned.hours, painters: 1 });
    const ideas = whatIf(plan, { shop, painters: shop.painters });
    const more = ideas.find(({ id }) => id === "shop-painter")!;
    expect(more.gain!).toBeLessThan(0);
    expect(more.commands).toEqual([]);
    expect(more.shop!.painters).toHaveLength(2);
  });
});
