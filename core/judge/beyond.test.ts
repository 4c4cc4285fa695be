import { describe, expect, it } from "vitest";
import { type ExampleStack, type ExampleStep, examplePlan } from "../rules/example.ts";
import type { Severity } from "../rules/rule.ts";
import { schedule } from "../schedule/schedule.ts";
import { causesOf } from "./causes.ts";
import { workingFixes } from "./fixes.ts";
import { judge } from "./judge.ts";

// Schools, repairs and finishes besides the usual ones: what a colleague would say, by cause. Common practice throughout.

const DAY = 1440;
const later = (minutes: number) => ({ wait: { kind: "at least" as const, minutes } });
const exactly = (minutes: number) => ({ wait: { kind: "exactly" as const, minutes } });
const on = (place: NonNullable<NonNullable<ExampleStep[2]>["where"]>["on"], over = 1) => ({
  where: { on: place, over },
});

interface Case extends Partial<ExampleStack> {
  steps: ExampleStep[];
}
const planOf = ({ ground = "raw timber", ...more }: Case) => examplePlan({ shows: "beyond", ground, ...more });
const judged = (one: Case) => judge(planOf(one)).zones[0]!;
const severityOf = (one: Case, rule: string, part?: string): Severity | null =>
  judged(one).findings.find((finding) => finding.rule === rule && (part === undefined || finding.part === part))
    ?.severity ?? null;
function repairsOf(one: Case, rule: string): string[] {
  const plan = planOf(one);
  const finding = judge(plan).zones[0]!.findings.find((found) => found.rule === rule);
  return finding ? workingFixes(plan, finding).map(({ label }) => label) : [];
}

const PINE = { species: "pine" } as const;
const OAK = { species: "oak" } as const;
const SLATE: ExampleStep = ["brush", "chalk-slate", { coats: 2 }];
const OYSTER: ExampleStep = ["brush", "mineral-oyster", { coats: 2 }];

describe("one finding a cause", () => {
  it("a greasy resin ground under five broken coats is one stop", () => {
    const steps = ["chalk-slate", "chalk-bone-white", "chalk-oxide-red", "chalk-duck-egg", "chalk-mustard"].map(
      (what): ExampleStep => ["sponge", what],
    );
    const found = judged({ ground: "plastic or resin", steps }).findings.filter(({ rule }) => rule === "A2");
    expect(found.map(({ stepId }) => stepId)).toEqual(["s1"]);
  });

  it("what is said of five zones is one cause with five places", () => {
    const plan = planOf({ ...PINE, steps: [SLATE, ["wax", "wax-clear", exactly(60)]] });
    const [zone] = plan.pieces[0]!.zones;
    for (let at = 2; at <= 5; at++) plan.pieces[0]!.zones.push({ ...zone!, id: `z${at}`, name: `Side ${at}` });
    const { zones, counts } = judge(plan);
    const [wax] = causesOf(zones).filter(({ finding }) => finding.rule === "W4");
    expect(wax!.zoneIds).toEqual(["z1", "z2", "z3", "z4", "z5"]);
    expect(counts.caution).toBe(
      causesOf(zones.slice(0, 1)).filter(({ finding }) => finding.severity === "caution").length,
    );
  });

  it("what bleeds through five pale broken coats is said at the first", () => {
    const steps = Array.from({ length: 5 }, (): ExampleStep => ["sponge", "chalk-bone-white"]);
    expect(judged({ ...OAK, steps }).findings.filter(({ rule }) => rule === "D4")).toHaveLength(1);
  });
});

describe("schools hold on every slick ground", () => {
  const waxed: ExampleStep[] = [["clean"], SLATE, ["wax", "wax-clear", later(2 * DAY)], ["buff"]];
  it.each<[string, Case["ground"], Severity | null]>([
    ["sound old paint", "old paint", "note"],
    ["varnish", "varnished timber", "note"],
    // trusted, but there is nothing at all to grip
    ["laminate", "laminate", "caution"],
    ["brass", "brass", "caution"],
  ])("a house that only cleans, on %s", (_ground, ground, severity) => {
    expect(severityOf({ ground, houseRules: { ground: "cleaned" }, steps: waxed }, "A1")).toBe(severity);
  });

  it("a house that always primes says so on old paint, and not on bare timber or after a primer", () => {
    const primed = { houseRules: { ground: "primed" as const } };
    expect(severityOf({ ground: "old paint", ...primed, steps: [["clean"], ["scuff"], SLATE] }, "A1")).toBe("caution");
    expect(severityOf({ ...PINE, ...primed, steps: [SLATE] }, "A1")).toBe(null);
    const steps: ExampleStep[] = [["clean"], ["scuff"], ["brush", "bonding-primer", { coats: 2 }], SLATE];
    expect(severityOf({ ground: "old paint", ...primed, steps }, "A1")).toBe(null);
  });
});

describe("what is done to a part of a face is done there", () => {
  it("old wax comes off a spot, and the spot can be painted; the rest cannot", () => {
    const spot = (where: object): ExampleStep[] => [
      ["dewax", null, on("patch")],
      ["brush", "chalk-slate", where],
    ];
    expect(severityOf({ ground: "waxed or oiled timber", steps: spot(on("patch")) }, "A2")).toBe(null);
    expect(severityOf({ ground: "waxed or oiled timber", steps: spot({}) }, "A2")).toBe("stop");
  });

  it("a spot of finished wax is taken off, touched up and waxed again", () => {
    const steps: ExampleStep[] = [
      SLATE,
      ["wax", "wax-clear", later(2 * DAY)],
      ["dewax", null, on("patch")],
      ["brush", "chalk-slate", { ...on("patch"), ...later(DAY) }],
      ["wax", "wax-clear", later(2 * DAY)],
      ["buff"],
    ];
    expect(severityOf({ ...PINE, steps }, "W6")).toBe(null);
    const repairs = repairsOf(
      { ...PINE, steps: [...steps.slice(0, 2), ["touch-up", "chalk-slate", later(DAY)]] },
      "W6",
    );
    expect(repairs).toContain("Take the wax off the spot first");
  });

  it("edges sanded are not the whole face keyed", () => {
    const steps = (where: object): ExampleStep[] => [
      ["brush", "mineral-storm", { coats: 2 }],
      ["brush", "polyurethane-water", { coats: 2 }],
      ["sand-320", null, { ...where, ...later(5 * DAY) }],
      ["brush", "polyurethane-water"],
    ];
    expect(severityOf({ ...PINE, steps: steps(on("arris")) }, "A5")).toBe("caution");
    expect(severityOf({ ...PINE, steps: steps({}) }, "A5")).toBe(null);
  });

  it("a stripped face is judged by what it is now", () => {
    const steps: ExampleStep[] = [["strip"], OYSTER];
    expect(severityOf({ ground: "varnished timber", ...OAK, steps }, "D4")).toBe("stop");
    expect(severityOf({ ground: "varnished timber", ...OAK, steps: [["clean"], ["scuff"], OYSTER] }, "D4")).toBe(
      "caution",
    );
  });

  it("one knot is blocked where it is", () => {
    const knotty = { ...PINE, knots: 1 };
    expect(severityOf({ ...knotty, steps: [OYSTER] }, "D4")).toBe("stop");
    const blocked: ExampleStep[] = [["seal-patches", "stain-block-shellac", { coats: 2 }], OYSTER];
    expect(severityOf({ ...knotty, steps: blocked }, "D4")).toBe(null);
    expect(repairsOf({ ...knotty, steps: [OYSTER] }, "D4")[0]).toMatch(/^Seal the knots alone/);
    // tannin is everywhere
    expect(severityOf({ ...OAK, knots: 1, steps: blocked }, "D4")).toBe("stop");
  });
});

describe("repairs go in where they belong", () => {
  it("under a wash that shows the oak: clear shellac, no white primer", () => {
    const repairs = repairsOf({ ...OAK, steps: [["wash", "chalk-bone-white"]] }, "D4");
    expect(repairs.some((label) => /shellac sealer/.test(label))).toBe(true);
    expect(repairs.some((label) => /stain-block/.test(label))).toBe(false);
  });

  it("no bonding primer over a finished colour", () => {
    const one: Case = { ...PINE, steps: [OYSTER, ["brush", "varnish-heat", later(40 * DAY)], ["brush", "milk-ochre"]] };
    const repairs = repairsOf(one, "A1");
    expect(repairs).toContain("Scuff the heat-resisting varnish first");
    for (const label of repairs) expect(label).not.toMatch(/primer/);
  });

  it("clear wax goes beneath gilding, which it would take off", () => {
    const plan = planOf({ ...PINE, steps: [SLATE, ["finger", "wax-gilding", later(2 * DAY)]] });
    const finding = judge(plan).zones[0]!.findings.find(({ rule }) => rule === "U5")!;
    const [wax] = workingFixes(plan, finding);
    const inserts = wax!.commands.flatMap((command) => (command.do === "insert step" ? [command.at] : []));
    expect(Math.max(...inserts)).toBeLessThanOrEqual(2);
    expect(Math.min(...inserts)).toBe(1);
  });

  it("wax is called a resist only under paint that something takes off again", () => {
    const waxed: ExampleStep[] = [SLATE, ["wax", "wax-clear", later(2 * DAY)], ["brush", "chalk-bone-white"]];
    const resist = (steps: ExampleStep[]) => repairsOf({ ...PINE, steps }, "W6").some((label) => /resist/.test(label));
    expect(resist(waxed)).toBe(false);
    expect(resist([...waxed, ["sand-220", null, later(DAY)]])).toBe(true);
  });

  it("a repair has one price, and none takes less than no time", () => {
    const plan = planOf({ ground: "laminate", steps: [SLATE, ["wax", "wax-clear", exactly(60)]] });
    plan.pieces[0]!.zones.push({ ...plan.pieces[0]!.zones[0]!, id: "z2", name: "Small", carving: 2 });
    const prices = new Map<string, Set<number>>();
    for (const zone of judge(plan).zones)
      for (const finding of zone.findings)
        for (const fix of workingFixes(plan, finding)) {
          expect(fix.price).toBeGreaterThanOrEqual(0);
          const key = JSON.stringify(fix.commands);
          prices.set(key, (prices.get(key) ?? new Set()).add(fix.price));
        }
    expect(prices.size).toBeGreaterThanOrEqual(2);
    for (const each of prices.values()) expect(each.size).toBe(1);
  });
});

describe("verdicts besides the usual finishes", () => {
  it.each<[string, Case, string, Severity | null]>([
    [
      "a film over bare wax that was a resist",
      {
        ...PINE,
        steps: [
          SLATE,
          ["wax", "wax-clear", { intents: ["resist"], ...later(2 * DAY), ...on("everywhere", 0.3) }],
          ["brush", "polyurethane-water", { coats: 2 }],
        ],
      },
      "A4",
      "stop",
    ],
    [
      "film over gilt accents where the house allows it, in time",
      {
        ...PINE,
        houseRules: { filmOverWax: "over accents" },
        steps: [OYSTER, ["finger", "wax-gilding"], ["spray", "clear-coat-matt", later(2 * DAY)]],
      },
      "A4",
      "caution",
    ],
    [
      "and on the next minute",
      {
        ...PINE,
        houseRules: { filmOverWax: "over accents" },
        steps: [OYSTER, ["finger", "wax-gilding"], ["spray", "clear-coat-matt", exactly(10)]],
      },
      "A4",
      "stop",
    ],
    [
      "a second coat of milk paint that is to chip with the first",
      {
        ...PINE,
        steps: [
          ["brush", "milk-ochre"],
          ["wax", "wax-clear", { intents: ["resist"], ...later(3 * DAY) }],
          ["brush", "milk-bottle-green", { intents: ["chips"] }],
          ["brush", "milk-curd", { intents: ["chips"] }],
        ],
      },
      "K8",
      "note",
    ],
    [
      "thick milk paint under a hair-dryer",
      { ...PINE, steps: [["brush", "milk-ochre", { amount: { kind: "heavy" } }], ["hair-dryer"]] },
      "K10",
      "caution",
    ],
    [
      "a thin coat of it",
      { ...PINE, steps: [["brush", "milk-ochre", { amount: { kind: "light" } }], ["hair-dryer"]] },
      "K10",
      "note",
    ],
    [
      "crackle medium on chalk paint, as ready systems have it",
      { ...PINE, steps: [SLATE, ["brush", "crackle-medium"], ["brush", "chalk-bone-white"]] },
      "K1",
      "note",
    ],
    [
      "crackle medium on bare timber",
      {
        ...PINE,
        steps: [
          ["brush", "crackle-medium"],
          ["brush", "chalk-bone-white"],
        ],
      },
      "K1",
      "caution",
    ],
    ["raw fibreboard edges", { ground: "fibreboard", steps: [OYSTER] }, "N2", "caution"],
    ["the same sealed", { ground: "fibreboard", steps: [["fill-edges"], OYSTER] }, "N2", null],
    [
      "one coat of curd over soot",
      {
        ...PINE,
        steps: [
          ["brush", "milk-soot"],
          ["brush", "milk-curd"],
        ],
      },
      "N3",
      "caution",
    ],
    [
      "the same worn through on purpose",
      {
        ...PINE,
        steps: [
          ["brush", "milk-soot"],
          ["brush", "milk-curd"],
          ["sand-220", null, later(DAY)],
        ],
      },
      "N3",
      null,
    ],
    ["size on thirsty paint", { ...PINE, steps: [SLATE, ["brush", "leaf-size"]] }, "L4", "caution"],
    [
      "size on sealed paint",
      { ...PINE, steps: [SLATE, ["brush", "shellac-sealer"], ["brush", "leaf-size"]] },
      "L4",
      null,
    ],
    [
      "an oil glaze wiped with a water-damp cloth",
      { ...PINE, steps: [OYSTER, ["brush", "gel-stain-umber"], ["wipe-back"]] },
      "G2",
      "caution",
    ],
    ["the same with a dry rag", { ...PINE, steps: [OYSTER, ["brush", "gel-stain-umber"], ["rag-off"]] }, "G2", null],
    [
      "shellac stain-block on crazed varnish",
      {
        ground: "varnished timber",
        groundIs: { tests: { clues: ["crazed varnish"] } },
        steps: [["clean"], ["scuff"], ["brush", "stain-block-shellac"]],
      },
      "B11",
      "caution",
    ],
    [
      "heat over old paint known to hold lead, through a new coat",
      {
        ground: "old paint",
        groundIs: { lead: "found", age: "before 1978" },
        steps: [["clean"], OYSTER, ["heat-gun"]],
      },
      "S1",
      "stop",
    ],
    [
      "warm air from a hair-dryer does not reach it",
      {
        ground: "old paint",
        groundIs: { lead: "none found", age: "before 1978" },
        steps: [["clean"], OYSTER, ["heat-gun"]],
      },
      "S1",
      null,
    ],
    [
      "lead covered for good",
      { ground: "old paint", groundIs: { lead: "found", age: "before 1978" }, steps: [["clean"], OYSTER] },
      "S1",
      "note",
    ],
    [
      "dark wax on bare timber stains it: that is what it is for",
      { ...PINE, steps: [["wax", "wax-dark"]] },
      "D1",
      "note",
    ],
    ["acid straight on brass", { ground: "brass", steps: [["clean"], ["spray", "patina-verdigris"]] }, "M1", "stop"],
    [
      "the same where the metal itself is meant to turn",
      { ground: "brass", steps: [["clean"], ["spray", "patina-verdigris", { intents: ["weathered"] }]] },
      "M1",
      "note",
    ],
    [
      "touching up with paint over wax",
      { ...PINE, steps: [SLATE, ["wax", "wax-clear", later(2 * DAY)], ["touch-up", "chalk-slate", later(DAY)]] },
      "W6",
      "stop",
    ],
  ])("%s", (_what, one, rule, severity) => {
    expect(severityOf(one, rule)).toBe(severity);
  });

  it("ink is sealed at touch dry by the school that does so", () => {
    const steps: ExampleStep[] = [OYSTER, ["stamp", "ink-soot"], ["spray", "clear-coat-matt"]];
    const waited = (waitBeforeClear: "touch dry" | "the full wait") => {
      const { phases } = judged({ ...PINE, houseRules: { waitBeforeClear }, steps });
      return phases.at(-1)!.starts - phases.at(-2)!.ends;
    };
    expect(waited("touch dry")).toBeLessThan(waited("the full wait"));
  });

  it("an ambering varnish where hot cups stand is not to be swapped for one they mark", () => {
    const one: Case = { ...PINE, use: { heat: true }, steps: [OYSTER, ["brush", "varnish-heat", later(600)]] };
    expect(severityOf(one, "D6")).toBe("caution");
    const repairs = repairsOf(one, "D6");
    expect(repairs).toContain("I want it amber");
    for (const label of repairs) expect(label).not.toMatch(/instead/);
  });

  it("graining, liming, oil under wax: no stop, and a day can be found for all of it", () => {
    const finishes: Case[] = [
      {
        ...PINE,
        steps: [OYSTER, ["brush", "glaze-umber"], ["comb"], ["soften"], ["brush", "clear-coat-matt", later(2 * DAY)]],
      },
      { ...OAK, steps: [["brush", "shellac-sealer"], ["wax", "wax-white", later(DAY)], ["buff"]] },
      {
        ...PINE,
        steps: [
          ["brush", "milk-ochre", { coats: 2 }],
          ["oil-on", "hemp-oil", later(3 * DAY)],
          ["wax", "wax-ageing-brown", later(4 * DAY)],
          ["buff"],
        ],
      },
    ];
    for (const finish of finishes) {
      const plan = planOf(finish);
      const judgement = judge(plan);
      expect(judgement.zones[0]!.findings.filter(({ severity }) => severity === "stop")).toEqual([]);
      expect(schedule([{ plan, judgement }]).clashes).toEqual([]);
    }
  });
});
