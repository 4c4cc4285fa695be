import { describe, expect, it } from "vitest";
import { colourDifference } from "../colour/difference.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { type ExampleStack, type ExampleStep, examplePlan, mixed } from "../rules/example.ts";
import type { Severity } from "../rules/rule.ts";
import { judge } from "./judge.ts";

// Every limit of a rule from either side: a figure that is changed by mistake is noticed here. The figures are the rules' own,
// with their origin beside them; a painter would call the two sides "just all right" and "just not".

const HOUR = 60;
const DAY = 24 * HOUR;
const exactly = (minutes: number) => ({ wait: { kind: "exactly" as const, minutes } });
const over = (share: number) => ({ where: { on: "everywhere" as const, over: share } });
const thick = (of: number) => ({ amount: { kind: "micrometres" as const, of } });
const times = (of: number) => ({ amount: { kind: "times" as const, of } });

interface Case extends Partial<ExampleStack> {
  steps: ExampleStep[];
}
const severityOf = (rule: string, { ground = "raw timber", species = "pine", ...more }: Case): Severity | null =>
  judge(examplePlan({ shows: "threshold", ground, species, ...more })).zones[0]!.findings.find(
    (finding) => finding.rule === rule,
  )?.severity ?? null;

const OYSTER: ExampleStep = ["brush", "mineral-oyster", { coats: 2 }];
const STORM: ExampleStep = ["brush", "mineral-storm", { coats: 2 }];
const SLATE: ExampleStep = ["brush", "chalk-slate", { coats: 2 }];
const square = (side: number): ExampleStack["zone"] => ({
  shape: { kind: "panel", width: side, height: side, count: 1 },
});

/** Two paints of the same kind that differ by less than this, and two that differ by more. */
function pairs(limit: number): [near: [string, string], far: [string, string]] {
  const chalks = CATALOGUE.filter(({ family }) => family === "chalk-type paint");
  const all = chalks
    .flatMap((chalk) => chalks.map((two) => ({ one: chalk, two, apart: colourDifference(chalk.colour, two.colour) })))
    .filter(({ one, two }) => one.id !== two.id)
    .sort((a, b) => a.apart - b.apart);
  const near = all.findLast(({ apart }) => apart < limit)!;
  const far = all.find(({ apart }) => apart >= limit)!;
  return [
    [near.one.id, near.two.id],
    [far.one.id, far.two.id],
  ];
}
const cracked = ([under, top]: [string, string]): Case => ({
  steps: [
    ["brush", under],
    ["brush", "shellac-sealer"],
    ["brush", "crackle-medium"],
    ["brush", top],
  ],
});
const [NEAR, FAR] = pairs(15);

const following = (first: ExampleStep[], minutes: number, [how, what, more]: ExampleStep): Case => ({
  steps: [...first, [how, what, { ...more, ...exactly(minutes) }]],
});

type Side = [is: Severity | null, case_: Case];

describe("limits of the rules", () => {
  it.each<[string, string, Side, Side, ...Side[]]>([
    // air
    [
      "E2",
      "a film forms from 10 °C",
      [null, { steps: [OYSTER], room: { celsius: 10.5 } }],
      ["stop", { steps: [OYSTER], room: { celsius: 9.5 } }],
    ],
    [
      "E3",
      "damp from 85 %, wet from 92 %",
      [null, { steps: [OYSTER], room: { relativeHumidity: 84 } }],
      ["caution", { steps: [OYSTER], room: { relativeHumidity: 87 } }],
      ["stop", { steps: [OYSTER], room: { relativeHumidity: 93.5 } }],
    ],
    [
      "E4",
      "hot from 35 °C",
      [null, { steps: [OYSTER], room: { celsius: 34.5 } }],
      ["caution", { steps: [OYSTER], room: { celsius: 35.5 } }],
    ],
    [
      "K5",
      "crackle works up to 70 % of humidity",
      [null, { ...cracked(FAR), room: { relativeHumidity: 69 } }],
      ["caution", { ...cracked(FAR), room: { relativeHumidity: 71 } }],
    ],
    // crackle and paste
    ["K1", "cracks show from a difference of 15", [null, cracked(FAR)], ["caution", cracked(NEAR)]],
    [
      "K9",
      "paste splits above a millimetre",
      [null, { steps: [["trowel", "texture-paste", thick(990)]] }],
      ["caution", { steps: [["trowel", "texture-paste", thick(1010)]] }],
    ],
    [
      "K10",
      "milk paint of more than 1.3 coats",
      ["note", { steps: [["brush", "milk-ochre", times(1.25)], ["hair-dryer"]] }],
      ["caution", { steps: [["brush", "milk-ochre", times(1.35)], ["hair-dryer"]] }],
    ],
    // waits: the day, the hour, and what is typical between
    [
      "A5",
      "mineral paint takes a coat for a day",
      [null, following([OYSTER], DAY, ["brush", "mineral-storm"])],
      ["caution", following([OYSTER], DAY + 5, ["brush", "mineral-storm"])],
    ],
    [
      "C1",
      "and from three hours",
      [null, following([OYSTER], 180, ["brush", "mineral-storm"])],
      ["caution", following([OYSTER], 175, ["brush", "mineral-storm"])],
      ["stop", following([OYSTER], 20, ["brush", "mineral-storm"])],
    ],
    [
      "W10",
      "a second clear wax after a day",
      [
        "note",
        following([SLATE, ["wax", "wax-clear", { wait: { kind: "at least", minutes: 2 * DAY } }]], DAY, [
          "wax",
          "wax-clear",
        ]),
      ],
      [
        "caution",
        following([SLATE, ["wax", "wax-clear", { wait: { kind: "at least", minutes: 2 * DAY } }]], DAY - 10, [
          "wax",
          "wax-clear",
        ]),
      ],
    ],
    [
      "W3",
      "dark into clear wax: to 20 min surely, to 30 usually; again from 12 h usually, from 16 h surely",
      [null, following([STORM, ["wax", "wax-clear"]], 20, ["wax", "wax-dark"])],
      ["note", following([STORM, ["wax", "wax-clear"]], 28, ["wax", "wax-dark"])],
      ["caution", following([STORM, ["wax", "wax-clear"]], 31, ["wax", "wax-dark"])],
      ["caution", following([STORM, ["wax", "wax-clear"]], 12 * HOUR - 5, ["wax", "wax-dark"])],
      ["note", following([STORM, ["wax", "wax-clear"]], 13 * HOUR, ["wax", "wax-dark"])],
      [null, following([STORM, ["wax", "wax-clear"]], 16 * HOUR, ["wax", "wax-dark"])],
    ],
    [
      "G3",
      "glaze a day before a clear coat usually, two surely",
      [null, following([STORM, ["brush", "glaze-umber"], ["wipe-back"]], 2 * DAY, ["brush", "clear-coat-matt"])],
      ["note", following([STORM, ["brush", "glaze-umber"], ["wipe-back"]], DAY + HOUR, ["brush", "clear-coat-matt"])],
      [
        "caution",
        following([STORM, ["brush", "glaze-umber"], ["wipe-back"]], DAY - HOUR, ["brush", "clear-coat-matt"]),
      ],
    ],
    [
      "G2",
      "glaze is wiped while it is open",
      [null, following([STORM, ["brush", "glaze-umber"]], 19, ["wipe-back"])],
      ["caution", following([STORM, ["brush", "glaze-umber"]], 41, ["wipe-back"])],
    ],
    [
      "A7",
      "tape on paint a day old",
      [null, following([SLATE], DAY, ["stencil", "chalk-bone-white"])],
      ["caution", following([SLATE], DAY - 20, ["stencil", "chalk-bone-white"])],
    ],
    // amounts, shares and sizes
    [
      "G4",
      "more than half medium, and no more than nine parts of ten",
      [null, { steps: [["brush", "glaze-clear", { mix: mixed(55, "mineral-storm", 45) }]] }],
      ["caution", { steps: [["brush", "glaze-clear", { mix: mixed(49, "mineral-storm", 51) }]] }],
      [null, { steps: [["brush", "glaze-clear", { mix: mixed(89, "mineral-storm", 11) }]] }],
      ["caution", { steps: [["brush", "glaze-clear", { mix: mixed(92, "mineral-storm", 8) }]] }],
    ],
    [
      "W7",
      "wax in one go on what an arm reaches",
      [null, { steps: [STORM, ["wax", "wax-clear"]], zone: square(760) }],
      ["note", { steps: [STORM, ["wax", "wax-clear"]], zone: square(800) }],
    ],
    [
      "A4",
      "gilding up to 15 % is an accent, however it is laid",
      [
        "caution",
        {
          houseRules: { filmOverWax: "over accents" },
          steps: [
            STORM,
            ["wax", "wax-gilding", over(0.14)],
            ["spray", "clear-coat-matt", { wait: { kind: "at least", minutes: 3 * DAY } }],
          ],
        },
      ],
      [
        "stop",
        {
          houseRules: { filmOverWax: "over accents" },
          steps: [
            STORM,
            ["wax", "wax-gilding", over(0.2)],
            ["spray", "clear-coat-matt", { wait: { kind: "at least", minutes: 3 * DAY } }],
          ],
        },
      ],
    ],
    [
      "U2",
      "three clear coats for hard wear",
      [null, { use: { wear: "hard" }, steps: [STORM, ["brush", "clear-coat-satin", { coats: 3 }]] }],
      ["caution", { use: { wear: "hard" }, steps: [STORM, ["brush", "clear-coat-satin", { coats: 2 }]] }],
    ],
    [
      "U7",
      "moving parts bind above 60 µm",
      [null, { zone: { movingParts: true }, steps: [["brush", "mineral-storm", thick(58)]] }],
      ["caution", { zone: { movingParts: true }, steps: [["brush", "mineral-storm", thick(62)]] }],
    ],
    [
      "U8",
      "half of what was meant to stay in sight",
      [null, { groundIs: { inSight: 0.2 }, steps: [["brush", "mineral-storm", over(0.89)]] }],
      ["caution", { groundIs: { inSight: 0.2 }, steps: [["brush", "mineral-storm", over(0.97)]] }],
    ],
    [
      "N3",
      "two coats of white hide slate, one does not",
      [null, { steps: [SLATE, ["brush", "chalk-bone-white", { coats: 2 }]] }],
      ["caution", { steps: [SLATE, ["brush", "chalk-bone-white"]] }],
    ],
    [
      "B10",
      "what is to show has to be a hundredth more",
      [null, { steps: [SLATE, ["brush", "chalk-bone-white"], ["sand-220", null, { reveals: "s1", ...exactly(DAY) }]] }],
      [
        "caution",
        {
          steps: [
            SLATE,
            ["brush", "chalk-bone-white"],
            ["sand-220", null, { reveals: "s1", ...over(0.05), ...exactly(DAY) }],
          ],
        },
      ],
    ],
  ])("%s: %s", (rule, _what, ...sides) => {
    expect(sides.map(([, one]) => severityOf(rule, one))).toEqual(sides.map(([is]) => is));
  });
});
