import { describe, expect, it } from "vitest";
import type { Intent } from "../plan/plan.ts";
import { type ExampleStack, type ExampleStep, examplePlan } from "../rules/example.ts";
import { judge } from "./judge.ts";

// Stacks a colleague would have an opinion on, and the opinion.

type Opinion = Record<string, "stop" | "caution" | "note">;

/** Reminders that every painter gets, and no opinion on the stack. */
const HABITS = new Set(["B8", "G5", "H2", "K4", "R3", "W1", "W12", "W8"]);

function opinionOf(example: Omit<ExampleStack, "shows">): Opinion {
  const findings = judge(examplePlan({ shows: "stack", ...example })).zones[0]!.findings;
  const order = ["note", "caution", "stop"];
  const opinion: Opinion = {};
  for (const { rule, severity } of findings.filter(
    (finding) => !(finding.severity === "note" && HABITS.has(finding.rule)),
  ))
    if (!opinion[rule] || order.indexOf(severity) > order.indexOf(opinion[rule])) opinion[rule] = severity;
  return opinion;
}

const wait = (minutes: number, kind: "at least" | "exactly" = "at least") => ({ wait: { kind, minutes } });
const meant = (...intents: Intent[]) => ({ intents });
const pine = { ground: "raw timber", species: "pine" } as const;
const oak = { ground: "raw timber", species: "oak" } as const;
const DAY = 1440;

const STACKS: [what: string, stack: Omit<ExampleStack, "shows">, opinion: Opinion][] = [
  [
    "bare oak, white chalk paint, dark wax, brushed varnish over the wax",
    {
      ...oak,
      steps: [
        ["brush", "chalk-bone-white"],
        ["wax", "wax-dark"],
        ["brush", "clear-coat-satin"],
      ],
    },
    { D4: "stop", D1: "caution", A4: "stop", N3: "caution" },
  ],
  [
    "the same put right",
    {
      ...oak,
      steps: [
        ["brush", "stain-block-shellac", { coats: 2 }],
        ["brush", "chalk-bone-white"],
        ["brush", "clear-coat-satin"],
        ["wax", "wax-dark"],
      ],
    },
    {},
  ],
  [
    "white over knotty pine",
    {
      ...pine,
      knots: 4,
      steps: [
        ["brush", "chalk-bone-white", { coats: 2 }],
        ["wax", "wax-clear"],
      ],
    },
    { D4: "stop" },
  ],
  [
    "slate over knotty pine: dark enough to hide them",
    {
      ...pine,
      knots: 4,
      steps: [
        ["brush", "chalk-slate", { coats: 2 }],
        ["wax", "wax-clear"],
      ],
    },
    {},
  ],
  [
    "bone white over pale knots, meant to mark",
    {
      ...pine,
      knots: 4,
      steps: [
        ["brush", "chalk-bone-white", meant("stain")],
        ["wax", "wax-clear"],
      ],
    },
    { D4: "note" },
  ],
  [
    "oyster on old varnished mahogany, cleaned and scuffed: the dye may come through",
    {
      ground: "varnished timber",
      species: "mahogany",
      steps: [["clean"], ["scuff"], ["brush", "mineral-oyster", { coats: 2 }]],
    },
    { D4: "caution" },
  ],
  [
    "wet distress over three unsealed colours over a tint-base: stops at the tint-base",
    {
      ...pine,
      steps: [
        ["brush", "tint-base-walnut", { coats: 2 }],
        ["brush", "chalk-slate"],
        ["brush", "chalk-oxide-red"],
        ["brush", "chalk-bone-white"],
        ["wet-distress", null, { reveals: "s1" }],
        ["wax", "wax-clear"],
      ],
    },
    { B2: "note" },
  ],
  [
    "the same, meant to show the red that lies two layers down: the cloth goes through it",
    {
      ...pine,
      steps: [
        ["brush", "tint-base-walnut", { coats: 2 }],
        ["brush", "chalk-slate"],
        ["brush", "chalk-oxide-red"],
        ["brush", "chalk-bone-white"],
        ["wet-distress", null, { reveals: "s3" }],
        ["wax", "wax-clear"],
      ],
    },
    { B2: "stop" },
  ],
  [
    "the red left to stand a day before the white: it holds",
    {
      ...pine,
      steps: [
        ["brush", "chalk-oxide-red"],
        ["brush", "chalk-bone-white", wait(DAY)],
        ["wet-distress", null, { reveals: "s1" }],
        ["wax", "wax-clear"],
      ],
    },
    { B2: "note" },
  ],
  [
    "milk paint straight on raw pine",
    {
      ...pine,
      steps: [
        ["brush", "milk-ochre", { coats: 2 }],
        ["wax", "wax-clear"],
      ],
    },
    {},
  ],
  [
    "milk paint on a sealed ground may chip",
    {
      ...pine,
      steps: [
        ["brush", "clear-coat-matt"],
        ["brush", "milk-ochre"],
        ["wax", "wax-clear"],
      ],
    },
    { A1: "caution" },
  ],
  [
    "milk paint on a sealed ground, chips wanted",
    {
      ...pine,
      steps: [
        ["brush", "clear-coat-matt"],
        ["brush", "milk-ochre", meant("chips")],
        ["wax", "wax-clear"],
      ],
    },
    { K8: "note" },
  ],
  [
    "milk paint rubbed wet",
    { ...pine, steps: [["brush", "milk-ochre"], ["wet-distress"], ["wax", "wax-clear"]] },
    { B5: "caution" },
  ],
  [
    "glaze over a face that was waxed",
    {
      ...pine,
      steps: [
        ["brush", "mineral-oyster"],
        ["wax", "wax-clear"],
        ["brush", "glaze-umber"],
      ],
    },
    { W6: "stop" },
  ],
  [
    "glaze on chalk paint, straight on, wiped at once: stains, and the rag goes through",
    {
      ...pine,
      steps: [["brush", "chalk-bone-white"], ["brush", "glaze-umber"], ["wipe-back"], ["brush", "clear-coat-matt"]],
    },
    { D1: "caution", B1: "caution" },
  ],
  [
    "glaze on sealed chalk paint, wiped at once, sealed after two days",
    {
      ...pine,
      steps: [
        ["brush", "chalk-bone-white"],
        ["brush", "clear-coat-matt"],
        ["brush", "glaze-umber"],
        ["wipe-back"],
        ["brush", "clear-coat-matt"],
      ],
    },
    {},
  ],
  [
    "a wash two hours after clay paint",
    {
      ...pine,
      steps: [
        ["brush", "clay-linen"],
        ["wash", "mineral-storm"],
      ],
    },
    { B1: "caution" },
  ],
  [
    "the same, meant to blend",
    {
      ...pine,
      steps: [
        ["brush", "clay-linen"],
        ["wash", "mineral-storm", meant("blend")],
      ],
    },
    { B1: "note" },
  ],
  ["emulsion sanded the same day", { ...pine, steps: [["brush", "emulsion-putty"], ["sand-220"]] }, { B4: "caution" }],
  [
    "emulsion rubbed wet within the hour",
    { ...pine, steps: [["brush", "emulsion-putty"], ["wet-distress"]] },
    { B2: "note" },
  ],
  [
    "crackle done right: mineral base, medium, contrasting paint in the window, sealed",
    {
      ...pine,
      steps: [
        ["brush", "mineral-storm"],
        ["brush", "crackle-medium"],
        ["brush", "mineral-oyster"],
        ["spray", "clear-coat-matt"],
      ],
    },
    {},
  ],
  [
    "crackle on thirsty paint, in nearly the same colour, three hours late",
    {
      ...pine,
      steps: [
        ["brush", "chalk-bone-white"],
        ["brush", "crackle-medium"],
        ["brush", "mineral-oyster", wait(180)],
        ["spray", "clear-coat-matt"],
      ],
    },
    { K1: "caution", K2: "stop" },
  ],
  [
    "paint on laminate that was only cleaned",
    { ground: "laminate", steps: [["clean"], ["brush", "mineral-storm", { coats: 2 }]] },
    { A1: "stop" },
  ],
  [
    "paint on laminate that was scuffed but not primed",
    { ground: "laminate", steps: [["clean"], ["scuff"], ["brush", "mineral-storm"]] },
    { A1: "caution" },
  ],
  [
    "glass, primed with one coat",
    {
      ground: "glass or glazed",
      steps: [["clean"], ["scuff"], ["brush", "bonding-primer"], ["brush", "mineral-storm"]],
    },
    { A1: "caution" },
  ],
  [
    "shellac stain-block on greasy varnish",
    {
      ground: "varnished timber",
      species: "oak",
      steps: [["scuff"], ["brush", "stain-block-shellac"], ["brush", "mineral-storm"]],
    },
    { A2: "stop" },
  ],
  [
    "an old waxed table, wax taken off",
    { ground: "waxed or oiled timber", species: "pine", steps: [["dewax"], ["scuff"], ["brush", "mineral-storm"]] },
    {},
  ],
  [
    "clear wax over dark wax",
    {
      ...pine,
      steps: [
        ["brush", "mineral-oyster"],
        ["wax", "wax-dark"],
        ["wax", "wax-clear", wait(DAY)],
      ],
    },
    { W2: "caution" },
  ],
  [
    "clear over dark where the house finishes so",
    {
      ...pine,
      houseRules: { lastWax: "thin clear over all" },
      steps: [
        ["brush", "mineral-oyster"],
        ["wax", "wax-dark"],
        ["wax", "wax-clear", wait(DAY)],
      ],
    },
    { W2: "note" },
  ],
  [
    "dark wax straight on, where the house does so",
    {
      ...pine,
      houseRules: { darkWax: "straight on the paint" },
      steps: [
        ["brush", "chalk-bone-white"],
        ["wax", "wax-dark"],
      ],
    },
    { D1: "note" },
  ],
  [
    "waxed two hours after painting",
    {
      ...pine,
      steps: [
        ["brush", "chalk-slate"],
        ["wax", "wax-clear", wait(120, "exactly")],
      ],
    },
    { W4: "caution" },
  ],
  [
    "waxed two hours after painting, where touch dry is enough",
    {
      ...pine,
      houseRules: { waitBeforeClear: "touch dry" },
      steps: [
        ["brush", "chalk-slate"],
        ["wax", "wax-clear", wait(120, "exactly")],
      ],
    },
    {},
  ],
  [
    "waxed while wet, under any school",
    {
      ...pine,
      houseRules: { waitBeforeClear: "touch dry" },
      steps: [
        ["brush", "chalk-slate"],
        ["wax", "wax-clear", wait(10, "exactly")],
      ],
    },
    { W4: "stop" },
  ],
  [
    "clay under clear coat while wet",
    {
      ...pine,
      steps: [
        ["brush", "clay-moss"],
        ["brush", "clear-coat-matt", wait(5, "exactly")],
      ],
    },
    { B7: "stop" },
  ],
  [
    "milk paint recoated after three hours, waiting twelve by house rule",
    {
      ...pine,
      steps: [
        ["brush", "milk-ochre"],
        ["brush", "milk-soot", wait(180, "exactly")],
        ["wax", "wax-clear"],
      ],
    },
    { C1: "caution" },
  ],
  [
    "milk paint recoated after three hours by the label",
    {
      ...pine,
      houseRules: { milkRecoat: "label, 2 h" },
      steps: [
        ["brush", "milk-ochre"],
        ["brush", "milk-soot", wait(180, "exactly")],
        ["wax", "wax-clear"],
      ],
    },
    {},
  ],
  [
    "chalk paint left open on a bench for daily use",
    { ...pine, use: { wear: "daily" }, steps: [["brush", "chalk-slate", { coats: 2 }]] },
    { U5: "stop" },
  ],
  [
    "chalk paint left open in a glass case",
    { ...pine, use: { wear: "display" }, steps: [["brush", "chalk-slate", { coats: 2 }]] },
    { U5: "note" },
  ],
  [
    "wax alone where sails are dragged",
    {
      ...pine,
      use: { wear: "hard" },
      steps: [
        ["brush", "chalk-slate"],
        ["wax", "wax-clear"],
      ],
    },
    { U2: "caution" },
  ],
  [
    "three clear coats where sails are dragged",
    {
      ...pine,
      use: { wear: "hard" },
      steps: [
        ["brush", "chalk-slate"],
        ["brush", "clear-coat-satin", { coats: 3 }],
      ],
    },
    {},
  ],
  [
    "wax where hot cups stand",
    {
      ...pine,
      use: { heat: true },
      steps: [
        ["brush", "mineral-storm"],
        ["wax", "wax-clear"],
      ],
    },
    { W9: "caution" },
  ],
  [
    "wax where hot cups stand in puddles",
    {
      ...pine,
      use: { heat: true, water: "standing" },
      steps: [
        ["brush", "mineral-storm"],
        ["wax", "wax-clear"],
      ],
    },
    { W9: "stop" },
  ],
  [
    "a resist of wax under milk paint, and the chips",
    {
      ...pine,
      steps: [
        ["brush", "milk-ochre"],
        ["wax", "wax-clear", { intents: ["resist"], where: { on: "arris", over: 0.7 } }],
        ["brush", "milk-soot"],
        ["sand-220"],
        ["wax", "wax-clear"],
      ],
    },
    { A3: "note" },
  ],
  ["buffing where nothing was waxed", { ...pine, steps: [["brush", "mineral-oyster"], ["buff"]] }, { W5: "caution" }],
  [
    "wiping back where nothing is open",
    { ...pine, steps: [["brush", "tint-base-walnut"], ["brush", "clear-coat-matt"], ["wipe-back"]] },
    { G2: "caution" },
  ],
  ["an empty crust", { ...pine, steps: [] }, {}],
];

describe("stacks and what a colleague would say of them", () => {
  it.each(STACKS)("%s", (_what, stack, opinion) => {
    expect(opinionOf(stack)).toEqual(opinion);
  });
});

describe("findings carry the figures of the case", () => {
  const findingOf = (rule: string, ...steps: ExampleStep[]) =>
    judge(examplePlan({ shows: "x", ...pine, knots: 3, steps })).zones[0]!.findings.find(
      (finding) => finding.rule === rule,
    )!;

  it("minutes waited and minutes needed", () => {
    expect(
      findingOf("K2", ["brush", "mineral-storm"], ["brush", "crackle-medium"], ["brush", "mineral-oyster", wait(180)])
        .because,
    ).toMatch(/3 h after the medium.*between 15 min and 1 h/);
    expect(findingOf("W4", ["brush", "chalk-slate"], ["wax", "wax-clear", wait(120, "exactly")]).because).toMatch(
      /has had 2 h;.*asks for 24 h/,
    );
  });

  it("the difference of the two colours of a crackle", () => {
    expect(
      findingOf("K1", ["brush", "mineral-oyster"], ["brush", "crackle-medium"], ["brush", "chalk-bone-white"]).because,
    ).toMatch(/differ by \d+ \(ΔE00\)/);
  });

  it("how much of the zone it is", () => {
    const broken = findingOf(
      "D1",
      ["brush", "mineral-storm"],
      ["brush", "chalk-slate", { where: { on: "everywhere", over: 0.4 } }],
      ["wax", "wax-dark"],
    );
    expect(broken.because).toMatch(/^4\d % of the surface/);
  });

  it("the knots that were counted", () => {
    expect(findingOf("D4", ["brush", "chalk-bone-white"]).because).toMatch(/3 knots/);
  });

  it("names the layer beneath", () => {
    expect(findingOf("W4", ["brush", "chalk-slate"], ["wax", "wax-clear", wait(120, "exactly")]).lower).toBe("s1");
    expect(findingOf("D4", ["brush", "chalk-bone-white"]).lower).toBe("ground");
  });
});

describe("materials are judged by what they are, not by their names", () => {
  it("a copy under another id and name gets the same verdicts", () => {
    const plan = examplePlan({
      shows: "x",
      ...oak,
      steps: [
        ["brush", "chalk-bone-white"],
        ["wax", "wax-dark"],
        ["brush", "clear-coat-satin"],
      ],
    });
    const copied = structuredClone(plan);
    for (const material of copied.pinned.materials) {
      for (const step of copied.crusts[0]!.steps) if (step.what === material.id) step.what = `our-${material.id}`;
      material.id = `our-${material.id}`;
      material.name = `House ${material.name}`;
    }
    const verdicts = (of: typeof plan) =>
      judge(of).zones[0]!.findings.map(({ rule, severity, stepId }) => [rule, severity, stepId]);
    expect(verdicts(copied)).toEqual(verdicts(plan));
  });
});

describe("the combined cases that a colleague is asked about", () => {
  const says = (example: Omit<ExampleStack, "shows">) => opinionOf(example);

  it("glaze over a face that was waxed runs off it, whatever lies beneath", () => {
    for (const paint of ["chalk-slate", "mineral-storm", "milk-ochre"])
      expect(
        says({
          ...pine,
          steps: [
            ["brush", paint, { coats: 2 }],
            ["wax", "wax-clear"],
            ["brush", "glaze-umber"],
          ],
        }).W6,
      ).toBe("stop");
  });

  it("wet distress over three unsealed colours over a barrier opens all three and stops at the barrier", () => {
    const stack: ExampleStep[] = [
      ["brush", "chalk-mustard"],
      ["brush", "clear-coat-matt"],
      ["brush", "chalk-slate"],
      ["brush", "chalk-oxide-red"],
      ["brush", "chalk-bone-white"],
      ["wet-distress"],
      ["wax", "wax-clear"],
    ];
    const judged = judge(examplePlan({ shows: "three colours", ...pine, steps: stack })).zones[0]!;
    const reach = judged.findings.find((finding) => finding.rule === "B2")!;
    expect(reach.severity).toBe("note");
    for (const layer of ["bone white", "oxide red", "slate"]) expect(reach.title).toContain(layer);
    expect(reach.title).not.toContain("mustard");
    expect(reach.because).toContain("matt clear coat");
  });

  it("white over oak with knots needs a block, also where the knots alone would have", () => {
    const white: ExampleStep[] = [
      ["brush", "chalk-bone-white", { coats: 3 }],
      ["wax", "wax-clear"],
    ];
    const finding = judge(examplePlan({ shows: "oak", ...oak, knots: 3, steps: white })).zones[0]!.findings.find(
      (finding) => finding.rule === "D4",
    )!;
    expect(finding.severity).toBe("stop");
    expect(finding.because).toContain("tannin and 3 knots");
    expect(
      says({ ...oak, knots: 3, steps: [["brush", "stain-block-water", { coats: 2 }], ...white] }).D4,
    ).toBeUndefined();
  });

  it.each([
    ["never", "stop"],
    ["over a blend", "stop"],
    ["over accents", "caution"],
  ] as const)("varnish over touches of gilding wax, where the house says %s: %s", (filmOverWax, severity) => {
    expect(
      says({
        ...pine,
        houseRules: { filmOverWax },
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["finger", "wax-gilding", { amount: { kind: "heavy" }, where: { on: "high", over: 1 } }],
          ["brush", "clear-coat-satin", { wait: { kind: "at least", minutes: 2 * DAY } }],
        ],
      }).A4,
    ).toBe(severity);
  });

  it("milk paint meant to chip: hardly on raw timber, surely on sealed", () => {
    const chips: ExampleStep = ["brush", "milk-ochre", { intents: ["chips"] }];
    expect(says({ ...pine, steps: [chips, ["wax", "wax-clear"]] }).K8).toBe("caution");
    expect(says({ ...pine, steps: [["brush", "clear-coat-matt"], chips, ["wax", "wax-clear"]] }).K8).toBe("note");
  });

  it("a coaster finished with découpage varnish sticks to the cup; under heat-resisting varnish it does not", () => {
    const coaster: ExampleStep[] = [
      ["brush", "mineral-storm", { coats: 2 }],
      ["brush", "decoupage-varnish", { coats: 2 }],
    ];
    const use = { heat: true, wear: "daily" } as const;
    expect(says({ ...pine, use, steps: coaster }).U1).toBe("stop");
    expect(says({ ...pine, use, steps: [...coaster, ["brush", "varnish-heat"]] }).U1).toBeUndefined();
  });

  it("glaze into glaze goes on wet or dry, and not between", () => {
    const second = (minutes: number) =>
      says({
        ...pine,
        steps: [
          ["brush", "mineral-oyster", { coats: 2 }],
          ["brush", "glaze-umber"],
          ["brush", "glaze-black", wait(minutes, "exactly")],
        ],
      }).C1;
    expect(second(5)).toBeUndefined();
    expect(second(180)).toBe("caution");
    expect(second(13 * 60)).toBeUndefined();
  });

  it("decoration before the glaze or after it: both orders stand", () => {
    // emulsion: acrylic mineral paint would be past its recoat window once the stencil has waited its day
    const base: ExampleStep = ["brush", "emulsion-putty", { coats: 2 }];
    const stencil: ExampleStep = ["stencil", "mineral-storm", { where: { on: "motif", over: 1 } }];
    const glaze: ExampleStep[] = [["brush", "glaze-umber"], ["wipe-back"]];
    const seal: ExampleStep = ["brush", "clear-coat-matt"];
    for (const steps of [
      [base, stencil, ...glaze, seal],
      [base, ...glaze, stencil, seal],
    ])
      expect(Object.values(says({ ...pine, steps })).filter((severity) => severity !== "note")).toEqual([]);
  });

  it("paint dried by warm air is dry for the house that counts it so", () => {
    const steps: ExampleStep[] = [["brush", "chalk-slate"], ["hair-dryer"], ["wax", "wax-clear", wait(20, "exactly")]];
    expect(says({ ...pine, steps, houseRules: { forcedDry: "does not count" } }).W4).toBeDefined();
    expect(says({ ...pine, steps, houseRules: { forcedDry: "counts as dry" } }).W4).toBeUndefined();
  });

  it("two steps on one place meet there: wax on the border resists paint on the border and nowhere else", () => {
    const onBorder = { where: { on: "border" as const, over: 1 } };
    const steps = (second: "border" | "hands"): ExampleStep[] => [
      ["brush", "mineral-storm"],
      ["wax", "wax-clear", onBorder],
      ["brush", "mineral-oyster", { where: { on: second, over: 1 } }],
    ];
    expect(says({ ...pine, steps: steps("border") }).W6).toBe("stop");
    const elsewhere = judge(examplePlan({ shows: "elsewhere", ...pine, steps: steps("hands") })).zones[0]!;
    // where hands touch and the border cross, a fifth of a small place is waxed
    const share = elsewhere.findings.find((finding) => finding.rule === "W6")?.because ?? "";
    expect(share).toMatch(/2 % of the surface|^$/);
  });
});

describe("an inspection with two ways", () => {
  const plan = (more: ExampleStep[]) => {
    const made = examplePlan({
      shows: "ways",
      ...pine,
      steps: [["brush", "chalk-slate", { coats: 2 }], ["look"], ...more, ["wax", "wax-clear"], ["buff"]],
    });
    const [, look, ...rest] = made.crusts[0]!.steps;
    look!.branches = [
      { id: "good", name: "good" },
      { id: "pale", name: "too pale" },
    ];
    look!.expected = "good";
    for (const step of rest.slice(0, more.length)) step.branch = "pale";
    return made;
  };

  it("plans the expected way alone, and checks the other", () => {
    const judged = judge(plan([["wax", "wax-dark"]])).zones[0]!;
    expect(judged.phases.map(({ phase }) => phase.step.how)).toEqual(["brush", "brush", "look", "wax", "buff"]);
    // dark wax straight on thirsty paint is found on the way that is not planned
    const found = judged.findings.find((finding) => finding.rule === "D1")!;
    expect(found.stepId).toBe("s3");
  });

  it("tells what goes wrong only where the ways meet again, and on which way", () => {
    const judged = judge(
      plan([
        ["wax", "wax-clear"],
        ["wax", "wax-dark"],
      ]),
    ).zones[0]!;
    const met = judged.findings.find((finding) => finding.rule === "W2")!;
    expect(met.title).toContain('If "too pale"');
    expect(met.stepId).toBe("s5");
  });

  it("takes the other way when that is what was seen", () => {
    const other = plan([["brush", "chalk-duck-egg"]]);
    other.crusts[0]!.steps[1]!.expected = "pale";
    const { done } = judge(other).zones[0]!;
    expect(done).toBeGreaterThan(judge(plan([["brush", "chalk-duck-egg"]])).zones[0]!.done);
  });
});
