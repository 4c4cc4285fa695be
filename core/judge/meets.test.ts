import { describe, expect, it } from "vitest";
import { CATALOGUE } from "../materials/catalogue.ts";
import { watered } from "../plan/mix.ts";
import { type ExampleStack, type ExampleStep, examplePlan, mixed } from "../rules/example.ts";
import type { Severity } from "../rules/rule.ts";
import { schedule } from "../schedule/schedule.ts";
import { needsOf } from "../shelf/needs.ts";
import { covers, shows } from "../surface/shares.ts";
import { sayWallTime } from "../units/wall-time.ts";
import { workingFixes } from "./fixes.ts";
import { judge } from "./judge.ts";

// Small plans that painters really do, or really get wrong, and what a colleague would say of them: what a step meets, and what
// is in its pot.

const DAY = 1440;
const later = (minutes: number) => ({ wait: { kind: "at least" as const, minutes } });
const part = (share: number) => ({ where: { on: "everywhere" as const, over: share } });

const planOf = (steps: ExampleStep[], more: Partial<ExampleStack> = {}) =>
  examplePlan({ shows: "meets", ground: "raw timber", species: "pine", ...more, steps });

/** What is said of these steps, without notes: rule and how bad, at which step. */
function said(steps: ExampleStep[], more: Partial<ExampleStack> = {}): string[] {
  const findings = judge(planOf(steps, more)).zones[0]!.findings;
  return findings
    .filter(({ severity }) => severity !== "note")
    .map(({ rule, severity, stepId }) => `${stepId} ${rule} ${severity}`);
}
const worst = (steps: ExampleStep[], rule: string, more: Partial<ExampleStack> = {}): Severity | null =>
  judge(planOf(steps, more)).zones[0]!.findings.find((finding) => finding.rule === rule)?.severity ?? null;

describe("a step concerns the wet films it is meant for", () => {
  const OYSTER: ExampleStep = ["brush", "mineral-oyster", { coats: 2 }];

  it.each<[string, ExampleStep[]]>([
    ["in the grooves", [OYSTER, ["brush", "glaze-umber", { where: { on: "recess", over: 1 } }], ["wipe-back"]]],
    ["on 70 %", [OYSTER, ["brush", "glaze-umber", part(0.7)], ["wipe-back"]]],
    ["on 70 %, dabbed with a rag", [OYSTER, ["brush", "glaze-umber", part(0.7)], ["rag-off"]]],
  ])("a glaze %s, wiped at once: the dry paint beside it is just there", (_where, steps) => {
    expect(said(steps)).toEqual([]);
    const plan = planOf(steps);
    expect(schedule([{ plan, judgement: judge(plan) }]).clashes).toEqual([]);
  });

  it("the glaze itself wiped an hour late is still told", () => {
    const steps: ExampleStep[] = [
      OYSTER,
      ["brush", "glaze-umber", part(0.7)],
      ["wipe-back", null, { wait: { kind: "exactly", minutes: 60 } }],
    ];
    expect(worst(steps, "G2")).toBe("caution");
  });

  it("crumb on fresh paint that covers 85 % sticks where it is wet", () => {
    const steps: ExampleStep[] = [
      ["brush", "chalk-oxide-red"],
      ["brush", "chalk-slate", { ...part(0.85), ...later(DAY) }],
      ["mist"],
      ["sprinkle", "texture-crumb"],
    ];
    const small = { zone: { shape: { kind: "panel" as const, width: 300, height: 300, count: 1 } } };
    expect(said(steps, small).filter((text) => !text.includes(" U"))).toEqual([]);
    expect(worst([...steps.slice(0, 3), ["sprinkle", "texture-crumb", later(DAY)]], "R1")).toBe("stop");
  });

  it("two colours are blended at once, and not three hours later", () => {
    const steps: ExampleStep[] = [
      ["brush", "chalk-sea-green"],
      ["blend", "chalk-duck-egg"],
    ];
    const [one, two] = judge(planOf(steps)).zones[0]!.phases;
    expect(two!.starts - one!.ends).toBeLessThan(20);
    expect(worst([steps[0]!, ["blend", "chalk-duck-egg", later(3 * 60)]], "B9")).toBe("caution");
  });
});

describe("a broken coat does not hide what it leaves bare", () => {
  it("clay under half a coat of linen is picked up through the glaze", () => {
    const steps: ExampleStep[] = [
      ["brush", "clay-moss", { coats: 2 }],
      ["wet-distress"],
      ["brush", "clay-linen", part(0.5)],
      ["brush", "glaze-umber"],
      ["wipe-back"],
    ];
    expect(worst(steps, "B1")).toBe("caution");
  });

  it("chalk on half the face under a glaze is not fit for daily use", () => {
    const steps: ExampleStep[] = [
      ["brush", "mineral-oyster", { coats: 2 }],
      ["sponge", "chalk-slate", part(0.85)],
      ["brush", "glaze-umber"],
    ];
    expect(worst(steps, "U2", { use: { wear: "daily" } })).toBe("caution");
    const sealed: ExampleStep[] = [...steps, ["brush", "polyurethane-water", { coats: 2, ...later(2 * DAY) }]];
    expect(worst(sealed, "U2", { use: { wear: "daily" } })).toBe(null);
  });
});

describe("a pot is a material", () => {
  it("three parts of paint to one of wax under polyurethane: as bad as the ready blend", () => {
    const over: ExampleStep = ["brush", "polyurethane-water", later(3 * DAY)];
    expect(worst([["brush", "wax-blend-slate"], over], "A4")).toBe("stop");
    expect(worst([["brush", "chalk-slate", { mix: mixed(3, "wax-clear", 1) }], over], "A4")).toBe("stop");
    expect(worst([["brush", "chalk-slate"], over], "A4")).toBe(null);
  });

  it("paint in clear glaze grabs on thirsty paint as a tinted glaze does", () => {
    const glazed = (mix: ReturnType<typeof mixed>): ExampleStep[] => [
      ["brush", "chalk-bone-white", { coats: 2 }],
      ["brush", "glaze-clear", { mix, ...later(DAY) }],
    ];
    expect(
      worst(glazed(mixed(70, "mineral-storm", 30)), "D2") ?? worst(glazed(mixed(70, "mineral-storm", 30)), "D1"),
    ).toBe("caution");
  });

  it("washes at 1 : 1, 1 : 3 and 20 : 1 show and use unlike amounts", () => {
    const washed = [watered(1, 1), watered(1, 3), watered(20, 1)].map((mix) => {
      const plan = planOf([
        ["brush", "mineral-bottle", { coats: 2 }],
        ["wash", "chalk-bone-white", { mix, ...later(DAY) }],
      ]);
      const zone = judge(plan).zones[0]!;
      return {
        shown: shows(zone.after, zone.zone.relief).get("s2")!,
        takes: needsOf([plan]).find(({ material }) => material.id === "chalk-bone-white")!.onPiece,
      };
    });
    const [half, quarter, nearlyWhole] = washed as [(typeof washed)[0], (typeof washed)[0], (typeof washed)[0]];
    expect(quarter.shown).toBeLessThan(half.shown - 0.1);
    expect(nearlyWhole.shown).toBeGreaterThan(half.shown + 0.05);
    expect(quarter.takes / half.takes).toBeCloseTo(0.5, 2);
    expect(nearlyWhole.takes / half.takes).toBeCloseTo(2 / 1.05, 2);
  });

  it("a mix is bought tin by tin", () => {
    const needs = needsOf([planOf([["brush", "chalk-slate", { mix: mixed(3, "wax-clear", 1) }]])]);
    const takes = (id: string) => needs.find(({ material }) => material.id === id)!.onPiece;
    expect(takes("chalk-slate") / takes("wax-clear")).toBeCloseTo(3, 6);
  });

  it("the house rule decides how thick milk paint is", () => {
    const film = (milkMix: "1 : 1 by scoop" | "2 : 1 by weight") => {
      const zone = judge(planOf([["brush", "milk-ochre"]], { houseRules: { milkMix } })).zones[0]!;
      return zone.after.patches.field[0]!.stack!.total;
    };
    expect(film("2 : 1 by weight")).toBeGreaterThan(1.2 * film("1 : 1 by scoop"));
  });

  it("oil and water in one pot are a stop, however many tins there are", () => {
    const four = {
      by: "volume" as const,
      parts: 1,
      thinner: 0,
      with: ["chalk-bone-white", "clay-moss", "varnish-oil"].map((what) => ({ what, parts: 1 })),
    };
    expect(worst([["brush", "chalk-slate", { mix: four }]], "P1")).toBe("stop");
    expect(CATALOGUE.some(({ id }) => id === "varnish-oil")).toBe(true);
  });
});

describe("how much, and where", () => {
  const covered = (steps: ExampleStep[]) => {
    const zone = judge(planOf(steps)).zones[0]!;
    return covers(zone.after, zone.zone.relief).get(`s${steps.length}`) ?? 0;
  };
  const filmOf = (step: ExampleStep) => {
    const zone = judge(planOf([step])).zones[0]!;
    return zone.after.patches.field.find(({ stack }) => stack !== null)!.stack!.total;
  };
  const BASE: ExampleStep = ["brush", "mineral-bottle", { coats: 2 }];
  const takes = (step: ExampleStep) =>
    needsOf([planOf([BASE, step])]).find(({ material }) => material.id === step[1])?.onPiece ?? 0;

  it("a spatter worked over the whole face covers its specks, and a heavy one more of them", () => {
    expect(covered([BASE, ["spatter", "chalk-bone-white"]])).toBeCloseTo(0.04, 3);
    expect(covered([BASE, ["spatter", "chalk-bone-white", { amount: { kind: "heavy" } }]])).toBeCloseTo(0.064, 3);
    expect(covered([BASE, ["spatter", "chalk-bone-white", part(0.5)]])).toBeCloseTo(0.02, 3);
  });

  it("a stencil on the motif is the motif, and on the face its cut-outs", () => {
    const share = (on: "motif" | "everywhere") =>
      covered([BASE, ["stencil", "chalk-bone-white", { where: { on, over: 1 } }]]);
    expect(share("motif")).toBeCloseTo(0.15, 1);
    expect(share("everywhere")).toBeLessThan(0.25);
  });

  it("a light coat is thinner than the usual, a heavy one thicker, and takes as much more", () => {
    const [light, usual, heavy] = [{ kind: "light" as const }, undefined, { kind: "heavy" as const }].map((amount) => {
      const step: ExampleStep = ["brush", "chalk-slate", amount ? { amount } : {}];
      return { film: filmOf(step), takes: takes(step) };
    });
    expect(light!.film).toBeLessThan(usual!.film);
    expect(heavy!.film).toBeGreaterThan(usual!.film);
    expect(heavy!.takes / usual!.takes).toBeCloseTo(heavy!.film / usual!.film, 6);
  });

  it("a film or a volume that is measured is what lies there", () => {
    expect(filmOf(["brush", "chalk-slate", { amount: { kind: "micrometres", of: 60 } }])).toBeCloseTo(60, 6);
    const step: ExampleStep = ["roller", "clear-coat-satin", { amount: { kind: "millilitres", of: 100 } }];
    // half a square metre, and a tenth stays on the tools
    expect(takes(step)).toBeCloseTo(100 * 0.5, 3);
  });

  it("a dry brush in the grooves lays nothing, says so and buys nothing", () => {
    const step: ExampleStep = ["dry-brush", "mineral-oyster", { where: { on: "recess", over: 1 } }];
    expect(worst([BASE, step], "N1")).toBe("caution");
    expect(covered([BASE, step])).toBe(0);
    expect(takes(step)).toBe(0);
  });
});

describe("places joined, left out, and with a size of their own", () => {
  const shareOf = (where: NonNullable<ExampleStep[2]>["where"], zone: ExampleStack["zone"] = {}) => {
    const plan = planOf([["brush", "chalk-slate", { where: where! }]], { zone });
    const { after, zone: judged } = judge(plan).zones[0]!;
    return covers(after, judged.relief).get("s1") ?? 0;
  };

  it("all but the motif is the rest of the face", () => {
    expect(shareOf({ on: "everywhere", but: ["motif"], over: 1 })).toBeCloseTo(0.85, 2);
    expect(shareOf({ on: "motif", over: 1 })).toBeCloseTo(0.15, 2);
  });

  it("arrises and high points together are as much as one and the other", () => {
    const both = shareOf({ on: "arris", also: ["high"], over: 1 });
    expect(both).toBeCloseTo(shareOf({ on: "arris", over: 1 }) + shareOf({ on: "high", over: 1 }), 2);
  });

  it("the border and where hands touch lie across each other", () => {
    const both = shareOf({ on: "border", also: ["hands"], over: 1 });
    expect(both).toBeCloseTo(1 - (1 - 0.2) * (1 - 0.12), 2);
  });

  it("a motif is as large as this face has it", () => {
    expect(shareOf({ on: "motif", over: 1 }, { sizes: { motif: 0.4 } })).toBeCloseTo(0.4, 2);
  });

  it("a stencil round the motif leaves the motif to the next colour: both lie where they were sent", () => {
    const plan = planOf([
      ["brush", "chalk-slate", { where: { on: "everywhere", but: ["motif"], over: 1 } }],
      ["brush", "chalk-bone-white", { where: { on: "motif", over: 1 } }],
    ]);
    const { after, zone } = judge(plan).zones[0]!;
    expect(covers(after, zone.relief).get("s1")).toBeCloseTo(0.85, 2);
    expect(covers(after, zone.relief).get("s2")).toBeCloseTo(0.15, 2);
  });

  it("the shop buys for what is covered", () => {
    const litres = (where: NonNullable<ExampleStep[2]>["where"]) =>
      needsOf([planOf([["brush", "chalk-slate", { where: where! }]])])[0]!.onPiece;
    expect(litres({ on: "everywhere", but: ["motif"], over: 1 })).toBeCloseTo(
      0.85 * litres({ on: "everywhere", over: 1 }),
      1,
    );
  });
});

describe("waits and waxes", () => {
  const exactly = (minutes: number) => ({ wait: { kind: "exactly" as const, minutes } });
  const CRACKLE: ExampleStep[] = [
    ["brush", "mineral-bottle", { coats: 2 }],
    ["brush", "crackle-medium", later(300)],
  ];

  it("between what is typical and the careful side is a note, and no clash", () => {
    const { opens } = CATALOGUE.find(({ id }) => id === "crackle-medium")!.windows.tack!;
    expect(opens.typical).toBeLessThan(opens.safe);
    const steps: ExampleStep[] = [...CRACKLE, ["brush", "chalk-bone-white", exactly(Math.ceil(opens.typical) + 1)]];
    expect(worst(steps, "K2")).toBe("note");
    const plan = planOf(steps);
    expect(schedule([{ plan, judgement: judge(plan) }]).clashes).toEqual([]);
    expect(worst([...CRACKLE, ["brush", "chalk-bone-white", exactly(Math.floor(opens.typical / 2))]], "K2")).toBe(
      "stop",
    );
  });

  it("a second clear wax waits until the first has set", () => {
    const waxed = (minutes: number): ExampleStep[] => [
      ["brush", "chalk-slate", { coats: 2 }],
      ["wax", "wax-clear", later(2 * DAY)],
      ["wax", "beeswax", exactly(minutes)],
    ];
    expect(worst(waxed(10), "W10")).toBe("caution");
    expect(worst(waxed(3 * DAY), "W10")).toBe("note");
  });

  it("brown into black, and gilding over dark, are no dark on clear", () => {
    const over = (first: string, second: string, how = "wax") =>
      worst(
        [
          ["brush", "chalk-slate", { coats: 2 }],
          ["wax", first, later(2 * DAY)],
          [how, second, exactly(120)],
        ],
        "W3",
      );
    expect(over("wax-clear", "wax-dark")).toBe("caution");
    expect(over("wax-black", "wax-ageing-brown")).toBe(null);
    expect(over("wax-dark", "wax-gilding", "finger")).toBe(null);
    expect(over("wax-clear", "wax-gilding", "finger")).toBe(null);
  });

  it("wax in daily use is a note where the house ends with wax, and a caution where it ends with a film", () => {
    const steps: ExampleStep[] = [
      ["brush", "chalk-slate", { coats: 2 }],
      ["wax", "wax-clear", later(2 * DAY)],
      ["buff"],
    ];
    const use = { wear: "daily" as const };
    expect(worst(steps, "U2", { use })).toBe("note");
    expect(worst(steps, "U2", { use, houseRules: { end: "film" } })).toBe("caution");
    expect(worst(steps, "U2", { use: { wear: "hard" } })).toBe("caution");
  });

  it("oil goes over its own kind", () => {
    expect(
      worst(
        [
          ["oil-on", "hemp-oil"],
          ["oil-on", "hemp-oil", later(DAY)],
        ],
        "A3",
      ),
    ).toBe(null);
    expect(
      worst(
        [
          ["oil-on", "hemp-oil"],
          ["brush", "chalk-slate", exactly(60)],
        ],
        "A3",
      ),
    ).toBe("stop");
  });

  it("a box counts its largest face, and not a fifth of it all", () => {
    const wide = { kind: "box" as const, width: 2400, height: 1200, depth: 50, count: 1 };
    expect(
      worst(
        [
          ["brush", "mineral-oyster"],
          ["brush", "glaze-umber"],
        ],
        "G1",
        { zone: { shape: wide } },
      ),
    ).toBe("caution");
  });
});

describe("what is meant to show", () => {
  const clay = (how: string, more: object = {}): ExampleStep[] => [
    ["brush", "tint-base-walnut", { coats: 2 }],
    ["brush", "clay-linen", { coats: 2 }],
    [how, null, { reveals: "s1", ...later(2 * DAY), ...more }],
  ];

  it("is missed by fine paper that does not get down to it, and what would is offered", () => {
    for (const how of ["sand-220", "sand-320"]) expect(worst(clay(how), "B10"), how).toBe("caution");
    expect(worst(clay("scrape-back"), "B10")).toBe(null);
    const plan = planOf(clay("sand-220"));
    const finding = judge(plan).zones[0]!.findings.find(({ rule }) => rule === "B10")!;
    const fixes = workingFixes(plan, finding);
    expect(fixes.length).toBeGreaterThan(0);
    expect(fixes.every(({ label }) => /^(Use|Take) /.test(label))).toBe(true);
  });

  it("is not missed where it shows already", () => {
    const steps: ExampleStep[] = [
      ["brush", "tint-base-walnut", { coats: 2 }],
      ["brush", "clay-linen", { coats: 2 }],
      ["wet-distress", null, { reveals: "s1" }],
      ["sand-320", null, { reveals: "s1", ...later(2 * DAY) }],
    ];
    expect(worst(steps, "B10")).toBe(null);
  });

  it("a cloth that is sent to the flats works the flats", () => {
    const steps: ExampleStep[] = [
      ["brush", "tint-base-walnut", { coats: 2 }],
      ["brush", "clay-linen"],
      ["wet-distress", null, { reveals: "s1", where: { on: "field", over: 1 } }],
    ];
    const zone = judge(planOf(steps)).zones[0]!;
    expect(covers(zone.after, { arris: 0, field: 1, high: 0, recess: 0 }).get("s1")).toBeGreaterThan(0.8);
  });
});

describe("work in one go", () => {
  const SIDE = { zone: { shape: { kind: "panel" as const, width: 1800, height: 1300, count: 1 } } };
  const phasesOf = (steps: ExampleStep[], more: Partial<ExampleStack> = {}) =>
    judge(planOf(steps, more)).zones[0]!.phases;
  const goOf = (steps: ExampleStep[], more: Partial<ExampleStack> = {}) =>
    phasesOf(steps, more).find(({ phase }) => phase.go)?.phase.go;

  it("a glaze on a wide side is laid and wiped back section by section, and no section is too old", () => {
    const steps: ExampleStep[] = [["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]];
    const [, glaze, wipe] = phasesOf(steps, SIDE);
    const open = glaze!.phase.material!.windows.open!.safe;
    expect(glaze!.phase.go!.sections).toBeGreaterThan(1);
    expect(wipe!.sectionEnds - glaze!.sectionEnds).toBeLessThanOrEqual(open);
    expect(wipe!.starts).toBeLessThan(glaze!.ends);
    const plan = planOf(steps, SIDE);
    const { bookings, clashes } = schedule([{ plan, judgement: judge(plan) }]);
    expect(clashes).toEqual([]);
    expect(bookings.filter(({ section }) => section !== null)).toHaveLength(glaze!.phase.go!.sections);
  });

  it("sections end at natural breaks: whole drawers, or equal parts of each", () => {
    const drawers = (count: number, width: number) =>
      goOf([["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]], {
        zone: { shape: { kind: "panel", width, height: 300, count } },
      })!.sections;
    expect(6 % drawers(6, 700)).toBe(0);
    expect(drawers(2, 4000) % 2).toBe(0);
  });

  it.each<[string, ExampleStep[], string[]]>([
    [
      "paint, mist, crumb, mist",
      [["brush", "chalk-slate"], ["mist"], ["sprinkle", "texture-crumb"], ["mist"]],
      ["s1", "s2", "s3", "s4"],
    ],
    [
      "slip coat, tissue and the coat over it",
      [
        ["brush", "decoupage-varnish"],
        ["lay-tissue", "tissue-roses"],
        ["brush", "decoupage-varnish"],
      ],
      ["s1", "s2", "s3"],
    ],
    [
      "two colours, the second marked, then blended",
      [
        ["brush", "chalk-sea-green", part(0.5)],
        ["brush", "chalk-duck-egg", { ...part(0.5), oneGo: true }],
        ["blend", "chalk-bone-white"],
      ],
      ["s1", "s2", "s3"],
    ],
    [
      "three metallic waxes from one sponge",
      [
        ["finger", "wax-metallic-bronze"],
        ["finger", "wax-metallic-bronze", { oneGo: true }],
        ["finger", "wax-metallic-bronze", { oneGo: true }],
      ],
      ["s1", "s2", "s3"],
    ],
    [
      "leaf, touched up, and the loose leaf brushed off",
      [["lay-leaf", "leaf-imitation-gold"], ["touch-up", "leaf-imitation-gold"], ["leaf-off"]],
      ["s1", "s2", "s3"],
    ],
  ])("%s", (_what, steps, ids) => {
    const base: ExampleStep[] = [["brush", "mineral-oyster", { coats: 2 }]];
    const size: ExampleStep[] = steps[0]![0] === "lay-leaf" ? [["brush", "leaf-size"]] : [];
    const all = [...base, ...size, ...steps];
    const first = all.length - steps.length;
    expect(goOf(all)!.ids).toEqual(ids.map((_, index) => `s${first + index + 1}`));
    const found = said(all).filter((text) => !/ (U\d|L3|B6|R5|G1) /.test(text));
    expect(found).toEqual([]);
  });

  it("a mist is for the coat it comes before, and waits with it for what lies beneath", () => {
    const [base, mist, glaze] = phasesOf([["brush", "chalk-slate"], ["mist"], ["brush", "glaze-umber"], ["wipe-back"]]);
    expect(mist!.starts - base!.ends).toBeGreaterThanOrEqual(60);
    expect(glaze!.starts).toBe(mist!.sectionEnds);
  });

  it("what has to dry is not one go, whatever is said, and that is said", () => {
    const sanded: ExampleStep[] = [
      ["brush", "oil-deep-green"],
      ["sand-220", null, { oneGo: true }],
    ];
    expect(goOf(sanded)).toBeUndefined();
    expect(worst(sanded, "O1")).toBe("caution");
    const waits: ExampleStep[] = [
      ["brush", "mineral-storm"],
      ["wipe-back", null, later(DAY)],
    ];
    expect(goOf(waits)).toBeUndefined();
  });

  it("a wax into wet paint is none: that stays a stop", () => {
    expect(
      worst(
        [
          ["brush", "chalk-slate"],
          ["wax", "wax-clear", { oneGo: true, wait: { kind: "exactly", minutes: 1 } }],
        ],
        "W4",
      ),
    ).toBe("stop");
  });

  it("a time that is set for the wiping begins its go so much earlier, and a time set on one zone holds for what is done once", () => {
    const plan = planOf([["rest-mix"], ["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]]);
    const [piece] = plan.pieces;
    piece!.zones.push({ ...piece!.zones[0]!, id: "z2", name: "Other side" });
    plan.pins = [
      { zoneId: "z1", phaseId: "s4", starts: "2026-12-02T11:00" },
      { zoneId: "z2", phaseId: "s1", starts: "2026-11-30T10:30" },
    ];
    const judgement = judge(plan);
    const { bookings, clashes } = schedule([{ plan, judgement }]);
    expect(clashes).toEqual([]);
    const go = bookings.find(({ zoneId, phaseId }) => zoneId === "z1" && phaseId === "s3")!;
    const [, , glaze, wipe] = judgement.zones[0]!.phases;
    expect(sayWallTime(go.starts + wipe!.starts - glaze!.starts)).toBe("2026-12-02T11:00");
    expect(go.pinned).toBe(true);
    expect(sayWallTime(bookings.find(({ stepId }) => stepId === "s1")!.starts)).toBe("2026-11-30T10:30");
  });

  it("a mix rests once for all zones of a piece it serves, and drawers come out once", () => {
    const plan = planOf([
      ["drawers-out"],
      ["rest-mix"],
      ["brush", "milk-ochre"],
      ["turn-over"],
      ["brush", "milk-ochre"],
    ]);
    const [piece] = plan.pieces;
    piece!.zones.push({ ...piece!.zones[0]!, id: "z2", name: "Other side" });
    const { bookings, clashes } = schedule([{ plan, judgement: judge(plan) }]);
    expect(clashes).toEqual([]);
    for (const step of ["s1", "s2", "s4"]) expect(bookings.filter(({ stepId }) => stepId === step)).toHaveLength(1);
    const mixed = bookings.find(({ stepId }) => stepId === "s2")!;
    for (const paint of bookings.filter(({ stepId }) => stepId === "s3"))
      expect(paint.starts).toBeGreaterThanOrEqual(mixed.ends);
  });
});

describe("waits as they are said", () => {
  const startOf = (wait: NonNullable<ExampleStep[2]>["wait"], index = 1) => {
    const { phases } = judge(
      planOf([
        ["brush", "mineral-storm"],
        ["brush", "mineral-oyster"],
        ["brush", "mineral-storm", { wait: wait! }],
      ]),
    ).zones[0]!;
    return phases[2]!.starts - phases[index]!.ends;
  };

  it("at least, about, exactly, between, the next working day, by sign", () => {
    expect(startOf({ kind: "at least", minutes: 600 })).toBe(600);
    expect(startOf({ kind: "about", minutes: 600 })).toBe(480);
    expect(startOf({ kind: "exactly", minutes: 20 })).toBe(20);
    expect(startOf({ kind: "between", minutes: 300, most: 400 })).toBe(300);
    // the coat beneath is dry after three hours: the longest of the author's waits is shorter
    expect(startOf({ kind: "between", minutes: 60, most: 90 })).toBe(90);
    expect(startOf({ kind: "next working day" })).toBeGreaterThan(12 * 60);
    expect(startOf({ kind: "by sign", sign: "no longer cold to the palm" })).toBe(180);
  });

  it("from any step before it", () => {
    expect(startOf({ kind: "at least", minutes: DAY, after: "s1" }, 0)).toBe(DAY);
  });

  it("two windows that exclude each other are said as the two they are", () => {
    const steps: ExampleStep[] = [
      ["brush", "mineral-storm"],
      ["brush", "oil-deep-green", part(0.4)],
      ["brush", "mineral-oyster"],
    ];
    const clash = judge(planOf(steps)).zones[0]!.findings.find(({ part: which }) => which === "clash")!;
    expect(clash).toMatchObject({ rule: "A5", severity: "caution", stepId: "s3" });
    expect(clash.because).toMatch(
      /after the storm blue acrylic mineral paint; "recoat" begins .* after the deep green oil paint/,
    );
    expect(workingFixes(planOf(steps), clash).map(({ label }) => label)).toContain("Scuff it first");
    // alone, each window can be kept
    expect(worst([steps[0]!, steps[2]!], "A5")).toBe(null);
  });

  it("the schedule keeps them, and the next working day is one with hours", () => {
    const plan = planOf([
      ["brush", "chalk-slate"],
      ["brush", "chalk-bone-white", { wait: { kind: "next working day" } }],
    ]);
    // a Friday afternoon
    plan.start = "2026-12-04T14:00";
    const [one, two] = schedule([{ plan, judgement: judge(plan) }]).bookings;
    expect(sayWallTime(two!.starts)).toMatch(/^2026-12-07T/);
    expect(two!.starts).toBeGreaterThan(one!.ends);
  });
});

describe("habits and standing", () => {
  const COOL = { room: { celsius: 18, relativeHumidity: 60 } };

  it("24 hours is 24 hours on the wall, in a cool room too", () => {
    const steps: ExampleStep[] = [
      ["brush", "chalk-slate", { coats: 2 }],
      ["wax", "wax-clear", later(DAY)],
    ];
    expect(worst(steps, "W4", COOL)).toBe(null);
    expect(worst([steps[0]!, ["wax", "wax-clear", { wait: { kind: "exactly", minutes: 300 } }]], "W4", COOL)).toBe(
      "caution",
    );
  });

  it("but paint that is not dry to the touch in this air is still a stop", () => {
    const steps: ExampleStep[] = [
      ["brush", "oil-deep-green"],
      ["brush", "clear-coat-matt", { wait: { kind: "exactly", minutes: 120 } }],
    ];
    expect(worst(steps, "C3", COOL)).toBe("stop");
  });

  it.each(["chalk-oxide-red", "clay-moss"])("%s that has stood two days stops a wet cloth", (under) => {
    const steps = (wait: number): ExampleStep[] => [
      ["brush", under, { coats: 2 }],
      ["brush", "chalk-bone-white", later(wait)],
      ["wet-distress", null, { reveals: "s1", ...later(60) }],
    ];
    expect(worst(steps(2 * DAY), "B2")).toBe("note");
    expect(worst(steps(120), "B2")).toBe("stop");
  });

  it.each([18, 21, 23])("letting it stand is offered at %i °C, and works", (celsius) => {
    const air = { room: { celsius, relativeHumidity: 55 } };
    const plan = planOf(
      [
        ["brush", "chalk-oxide-red", { coats: 2 }],
        ["brush", "chalk-bone-white"],
        ["wet-distress", null, { reveals: "s1", ...later(60) }],
      ],
      air,
    );
    const finding = judge(plan).zones[0]!.findings.find(({ rule }) => rule === "B2")!;
    const labels = workingFixes(plan, finding).map(({ label }) => label);
    expect(labels.some((label) => label.startsWith("Leave the oxide red"))).toBe(true);
  });
});

describe("how hard and how often", () => {
  const CLAY: ExampleStep[] = [
    ["brush", "tint-base-ebony", { coats: 2 }],
    ["brush", "clay-linen", { coats: 3 }],
  ];
  const sanded = (more: Partial<NonNullable<ExampleStep[2]>>): ExampleStep[] => [
    ...CLAY,
    ["sand-320", null, { reveals: "s1", ...later(2 * DAY), ...more }],
  ];
  const darkShown = (steps: ExampleStep[]) => {
    const { after, zone } = judge(planOf(steps)).zones[0]!;
    return shows(after, zone.relief).get("s1") ?? 0;
  };

  it("paper that does not get down to the base says so, with the effort that does", () => {
    expect(worst(sanded({}), "B10")).toBe("caution");
    const plan = planOf(sanded({}));
    const finding = judge(plan).zones[0]!.findings.find(({ rule }) => rule === "B10")!;
    const [more] = workingFixes(plan, finding);
    expect(more!.label).toMatch(/^Take \d passes, pressing hard$/);
    expect(worst(sanded({ effort: { passes: 8, pressure: "hard" } }), "B10")).toBe(null);
  });

  it("more passes and more pressure show more, and take longer", () => {
    const efforts = [
      { passes: 1, pressure: "light" as const },
      { passes: 3, pressure: "usual" as const },
      { passes: 8, pressure: "hard" as const },
    ];
    const shown = efforts.map((effort) => darkShown(sanded({ effort })));
    expect(shown[0]!).toBeLessThanOrEqual(shown[1]!);
    expect(shown[1]!).toBeLessThan(shown[2]!);
    const hands = efforts.map((effort) => judge(planOf(sanded({ effort }))).zones[0]!.phases.at(-1)!.phase.hands);
    expect(hands[2]!).toBeGreaterThan(hands[0]!);
  });

  it("a glaze wiped twice is thinner than wiped once", () => {
    const left = (passes: number) => {
      const steps: ExampleStep[] = [
        ["brush", "mineral-oyster", { coats: 2 }],
        ["brush", "glaze-umber"],
        ["wipe-back", null, { effort: { passes, pressure: "usual" } }],
      ];
      const [field] = judge(planOf(steps)).zones[0]!.after.patches.field;
      return field!.stack!.film.micrometres;
    };
    expect(left(2)).toBeLessThan(left(1));
  });
});
