import { describe, expect, it } from "vitest";
import { judge } from "../judge/judge.ts";
import { type ExampleStack, examplePlan } from "../rules/example.ts";
import { cautionsFor } from "./safety.ts";

function dangers(stack: Omit<ExampleStack, "shows">) {
  const judged = judge(examplePlan({ shows: "safety", ...stack })).zones[0]!;
  return cautionsFor(judged.phases.at(-1)!.phase, judged.zone).map(({ danger }) => danger);
}

describe("cautions come with the step where the hazard arises", () => {
  it.each([
    ["sanding dust", { ground: "raw timber", steps: [["brush", "chalk-slate"], ["sand-220"]] }, ["dust"]],
    ["fibreboard dust besides", { ground: "fibreboard", steps: [["scuff"]] }, ["dust", "fibre dust"]],
    ["a water-borne coat has none", { ground: "raw timber", steps: [["brush", "mineral-storm"]] }, []],
    ["shellac burns and fumes", { ground: "raw timber", steps: [["brush", "shellac-sealer"]] }, ["fumes", "flammable"]],
    ["oily rags", { ground: "raw timber", steps: [["oil-on", "hemp-oil"]] }, ["oily rags"]],
    ["milk paint powder", { ground: "raw timber", steps: [["brush", "milk-ochre"]] }, ["powder"]],
    [
      "patina acid",
      {
        ground: "raw timber",
        steps: [
          ["brush", "reactive-iron"],
          ["spray", "patina-rust"],
        ],
      },
      ["fumes", "acid"],
    ],
    ["a heat gun", { ground: "raw timber", steps: [["heat-gun"]] }, ["heat"]],
    [
      "stripper",
      { ground: "varnished timber", groundIs: { age: "after 1978" }, steps: [["strip"]] },
      ["fumes", "acid", "stripper"],
    ],
    ["lead before all else", { ground: "old paint", steps: [["scuff"]] }, ["lead", "dust"]],
    [
      "not lead, once it was swabbed",
      { ground: "old paint", groundIs: { lead: "none found" }, steps: [["scuff"]] },
      ["dust"],
    ],
  ] as [string, Omit<ExampleStack, "shows">, string[]][])("%s", (_what, stack, expected) => {
    expect(dangers(stack)).toEqual(expected);
  });
});
