import { describe, expect, it } from "vitest";
import { judge } from "../judge/judge.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import type { Film } from "../surface/film.ts";
import type { Stack } from "../surface/stack.ts";
import { techniquesFor } from "../surface/techniques.ts";
import { benchCard, cracks, workTitle } from "./card.ts";

const judgedOf = (steps: readonly ExampleStep[]) =>
  judge(examplePlan({ shows: "x", ground: "raw timber", species: "oak", steps })).zones[0]!;

/** The card of the last thing done, over what lies there by then. */
function cardOf(steps: readonly ExampleStep[]) {
  const zone = judgedOf(steps);
  const under = judgedOf(steps.slice(0, -1)).after.patches.field[0]?.stack ?? null;
  return benchCard(zone, zone.phases.at(-1)!, under);
}

const over = (id: string): Stack =>
  ({ film: { material: CATALOGUE.find((material) => material.id === id)! } as Film, below: null }) as Stack;

describe("the card of a step at the bench", () => {
  it("says which coat it is, where there are several", () => {
    const { phases } = judgedOf([["brush", "chalk-slate", { coats: 3 }]]);
    const titles = phases.filter(({ phase }) => phase.material).map(({ phase }) => workTitle(phase));
    expect(titles[0]).toMatch(/, first coat$/);
    expect(titles[1]).toMatch(/, coat 2$/);
    expect(titles[2]).toMatch(/, last coat$/);
    const [one] = judgedOf([["brush", "chalk-slate"]]).phases;
    expect(workTitle(one!.phase)).not.toMatch(/coat$/);
  });

  it("of what is only done with the hands has the name of that", () => {
    const { phases } = judgedOf([["scuff"]]);
    expect(workTitle(phases[0]!.phase)).toBe(phases[0]!.phase.technique.name);
  });

  it.each([
    ["wax", "wax-dark", /darker at first/i],
    ["brush", "clear-coat-matt", /milky/i],
    ["brush", "milk-curd", /froth/i],
    ["brush", "stain-block-shellac", /does not have to hide/i],
    ["brush", "chalk-slate", /darker while it is wet/i],
    ["sprinkle", "texture-crumb", /until it is scraped/i],
  ])("%s %s: what looks wrong to a learner, and is not", (how, what, says) => {
    expect(cardOf([[how, what]]).normal.join(" ")).toMatch(says);
  });

  it.each([
    ["wax", "wax-dark", /drags|cloth/i],
    ["brush", "glaze-umber", /grabs/i],
    ["brush", "clear-coat-matt", /beads/i],
  ])("%s %s: what to stop at", (how, what, says) => {
    expect(
      cardOf([
        ["brush", "chalk-slate"],
        [how, what],
      ]).stop.join(" "),
    ).toMatch(says);
  });

  it("over crackle medium, paint is looked at for its cracks and for nothing else", () => {
    const card = cardOf([
      ["brush", "chalk-slate"],
      ["brush", "crackle-medium", { wait: { kind: "at least", minutes: 240 } }],
      ["brush", "mineral-oyster"],
    ]);
    expect(card.normal.join(" ")).toMatch(/hair lines/i);
    expect(card.stop.join(" ")).toMatch(/no line at all/i);
  });

  it("only paint cracks over a medium, and only over one", () => {
    const paint = CATALOGUE.find(({ id }) => id === "mineral-oyster")!;
    const wax = CATALOGUE.find(({ id }) => id === "wax-clear")!;
    expect(cracks(over("crackle-medium"), paint)).toBe(true);
    expect(cracks(over("crackle-medium"), wax)).toBe(false);
    expect(cracks(over("chalk-slate"), paint)).toBe(false);
    expect(cracks(over("crackle-medium"), null)).toBe(false);
    expect(cracks(null, paint)).toBe(false);
  });

  it("of anything that can be laid tells how, what is normal and what to stop at, in whole lines", () => {
    for (const material of CATALOGUE)
      for (const technique of techniquesFor(material)) {
        const { title, how, normal, stop } = cardOf([[technique.id, material.id]]);
        const name = `${technique.id} ${material.id}`;
        expect(title, name).toMatch(/^[A-Z0-9]/);
        expect(how, name).toMatch(/^[A-Z0-9]/);
        expect(stop.length, name).toBeGreaterThan(0);
        for (const line of [...normal, ...stop]) {
          expect(line, name).toMatch(/^[A-Z]/);
          expect(line.length, name).toBeLessThan(90);
        }
      }
  });
});
