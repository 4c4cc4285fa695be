import { CATALOGUE } from "#core/materials/catalogue";
import { type Ground, type GroundKind, groundOf, type Species } from "#core/plan/ground";
import { DEFAULT_HOUSE_RULES } from "#core/plan/house-rules";
import {
  CARVED_RELIEF,
  type Crust,
  DEFAULT_HOURS,
  MOULDED_RELIEF,
  PLAIN_RELIEF,
  PLAN_VERSION,
  type Plan,
  REFERENCE_ROOM,
  type Step,
  type Use,
  type Zone,
} from "#core/plan/plan";
import { findTechnique } from "#core/surface/techniques";

// Hobnail Yard, a two-person finishing shop in an invented harbour town, ages the furniture for a museum's rebuilt
// ship-chandler's office. Everything in this folder is invented.

type StepMore = Partial<Pick<Step, "coats" | "intents" | "where" | "reveals" | "wait">>;

const step = (id: string, how: string, what?: string, more: StepMore = {}): Step => ({
  id,
  kind: findTechnique(how)!.kind,
  how,
  ...(what ? { what } : {}),
  where: { on: "everywhere", share: 1 },
  coats: 1,
  intents: [],
  ...more,
});

const GENTLE: Use = { wear: "gentle", heat: false, water: "dry", outdoors: false, near: "nothing" };
const ground = (kind: GroundKind, species?: Species, knots = 0, more: Partial<Ground> = {}): Ground => ({
  ...groundOf(kind, species, knots),
  ...more,
});

const zone = (
  id: string,
  name: string,
  crustId: string,
  shape: Zone["shape"],
  its: Ground,
  more: Partial<Zone> = {},
): Zone => ({
  id,
  name,
  shape,
  carving: 1,
  faces: 1,
  relief: PLAIN_RELIEF,
  orientation: "upright",
  use: GENTLE,
  ground: its,
  crustId,
  overrides: [],
  hands: [],
  movingParts: false,
  ...more,
});

function plan(
  id: string,
  title: string,
  piece: string,
  start: string,
  due: string,
  crusts: Crust[],
  zones: Zone[],
): Plan {
  const used = new Set(crusts.flatMap((crust) => crust.steps.map((one) => one.what)));
  return {
    format: "jolly-crust",
    version: PLAN_VERSION,
    id,
    title,
    client: "Chandler's office, museum",
    start,
    due,
    pinned: {
      room: REFERENCE_ROOM,
      hours: DEFAULT_HOURS,
      houseRules: DEFAULT_HOUSE_RULES,
      materials: CATALOGUE.filter((material) => used.has(material.id)),
    },
    acknowledged: [],
    crusts,
    pieces: [{ id: `${id}-piece`, name: piece, zones }],
  };
}

const settle = (): Plan =>
  plan(
    "carved-settle",
    "Carved settle",
    "Carved settle",
    "2026-11-30T09:00",
    "2026-12-11T17:00",
    [
      {
        id: "pale-worn",
        name: "Pale, worn to walnut",
        steps: [
          step("scuff", "scuff"),
          step("block", "brush", "stain-block-shellac", { coats: 2 }),
          step("walnut", "brush", "tint-base-walnut", { coats: 2 }),
          step("bone", "cross-hatch", "chalk-bone-white", { coats: 2 }),
          step("rub", "wet-distress", undefined, { reveals: "walnut" }),
          step("clear", "wax", "wax-clear"),
          step("dark", "wax", "wax-dark"),
          step("buff", "buff"),
        ],
      },
      {
        id: "seat",
        name: "Seat, sealed dark",
        steps: [
          step("scuff", "scuff"),
          step("walnut", "brush", "tint-base-walnut", { coats: 2 }),
          step("thin", "sand-320", undefined, { where: { on: "arris", share: 1 } }),
          step("seal", "brush", "polyurethane-water", { coats: 3 }),
        ],
      },
    ],
    [
      zone(
        "back",
        "Back panel",
        "pale-worn",
        { kind: "panel", width: 1180, height: 430, count: 1 },
        ground("raw timber", "oak", 2),
        { carving: 1.22, relief: CARVED_RELIEF },
      ),
      zone(
        "frame",
        "Frame and rails",
        "pale-worn",
        { kind: "frame", width: 1380, height: 1020, member: 110, count: 2 },
        ground("raw timber", "oak"),
        { carving: 1.1, relief: MOULDED_RELIEF },
      ),
      zone(
        "arms",
        "Arms",
        "pale-worn",
        { kind: "box", width: 90, height: 160, depth: 520, count: 2 },
        ground("raw timber", "oak"),
        { relief: MOULDED_RELIEF, use: { ...GENTLE, wear: "gentle" } },
      ),
      zone(
        "seat-board",
        "Seat",
        "seat",
        { kind: "panel", width: 1240, height: 440, count: 1 },
        ground("raw timber", "oak"),
        { orientation: "flat", use: { ...GENTLE, wear: "hard", heat: false, water: "splashes" } },
      ),
    ],
  );

const chartCabinet = (): Plan =>
  plan(
    "chart-cabinet",
    "Chart cabinet",
    "Chart cabinet, eight drawers",
    "2026-12-01T09:00",
    "2026-12-09T12:00",
    [
      {
        id: "carcass",
        name: "Slate carcass, first idea",
        steps: [
          step("clean", "clean"),
          step("slate", "brush", "chalk-slate", { coats: 2 }),
          step("dark", "wax", "wax-dark"),
          step("seal", "brush", "clear-coat-satin", { coats: 2 }),
        ],
      },
      {
        id: "fronts",
        name: "Cracked oyster over storm blue",
        steps: [
          step("scuff", "scuff"),
          step("blue", "brush", "mineral-storm", { coats: 2 }),
          step("medium", "brush", "crackle-medium"),
          step("oyster", "brush", "mineral-oyster", { wait: { kind: "at least", minutes: 180 }, intents: ["cracks"] }),
          step("wash", "wash", "clay-moss", { where: { on: "everywhere", share: 0.6 } }),
        ],
      },
    ],
    [
      zone(
        "sides",
        "Carcass sides and top",
        "carcass",
        { kind: "box", width: 980, height: 720, depth: 640, count: 1 },
        ground("laminate"),
        { use: { ...GENTLE, wear: "daily", heat: true, water: "splashes" } },
      ),
      zone(
        "drawers",
        "Drawer fronts",
        "fronts",
        { kind: "panel", width: 900, height: 78, count: 8 },
        ground("raw timber", "pine", 5),
        { relief: MOULDED_RELIEF, carving: 1.1, use: { ...GENTLE, wear: "daily", heat: false, water: "dry" } },
      ),
    ],
  );

const bench = (): Plan =>
  plan(
    "sailmakers-bench",
    "Sailmaker's bench",
    "Sailmaker's bench",
    "2026-12-02T09:00",
    "2026-12-18T17:00",
    [
      {
        id: "top",
        name: "Ochre under soot, sanded through",
        steps: [
          step("scuff", "scuff"),
          step("ochre", "brush", "milk-ochre"),
          step("soot", "brush", "milk-soot"),
          step("wear", "sand-150"),
          step("smooth", "sand-320"),
          step("seal", "brush", "polyurethane-water", { coats: 3 }),
        ],
      },
      {
        id: "legs",
        name: "Soot over ochre, waxed",
        steps: [
          step("scuff", "scuff"),
          step("ochre", "brush", "milk-ochre"),
          step("soot", "brush", "milk-soot"),
          step("wear", "sand-220"),
          step("wax", "wax", "wax-clear"),
          step("dark", "wax", "wax-dark", { where: { on: "recess", share: 1 } }),
          step("buff", "buff"),
        ],
      },
    ],
    [
      zone(
        "bench-top",
        "Bench top",
        "top",
        { kind: "panel", width: 1900, height: 420, count: 1 },
        ground("raw timber", "beech"),
        { orientation: "flat", use: { ...GENTLE, wear: "hard", heat: false, water: "splashes" } },
      ),
      zone(
        "bench-legs",
        "Legs and stretchers",
        "legs",
        { kind: "leg", diameter: 85, length: 640, count: 6 },
        ground("raw timber", "beech"),
        { relief: MOULDED_RELIEF },
      ),
    ],
  );

const doughBin = (): Plan =>
  plan(
    "dough-bin",
    "Dough bin",
    "Dough bin, galley display",
    "2026-12-03T09:00",
    "2026-12-15T17:00",
    [
      {
        id: "chippy",
        name: "Chippy green on wax resist",
        steps: [
          step("scuff", "scuff"),
          step("block", "brush", "stain-block-shellac"),
          step("ochre", "brush", "milk-ochre"),
          step("resist", "wax", "wax-clear", { intents: ["resist"], where: { on: "arris", share: 0.7 } }),
          step("green", "brush", "milk-bottle-green", { intents: ["chips"] }),
          step("rub", "sand-220"),
          step("wax", "wax", "wax-clear"),
          step("buff", "buff"),
        ],
      },
    ],
    [
      zone(
        "bin-box",
        "Box and lid",
        "chippy",
        { kind: "box", width: 780, height: 420, depth: 430, count: 1 },
        ground("raw timber", "pine", 4),
        { relief: PLAIN_RELIEF, use: { ...GENTLE, wear: "display", heat: false, water: "dry" } },
      ),
    ],
  );

const mirror = (): Plan =>
  plan(
    "overmantel-mirror",
    "Overmantel mirror",
    "Overmantel mirror frame",
    "2026-12-07T09:00",
    "2026-12-18T12:00",
    [
      {
        id: "glazed",
        name: "Oyster under umber glaze",
        steps: [
          step("clean", "clean"),
          step("scuff", "scuff"),
          step("oyster", "brush", "mineral-oyster", { coats: 2 }),
          step("slip", "brush", "glaze-clear"),
          step("glaze", "brush", "glaze-umber"),
          step("wipe", "wipe-back"),
          step("seal", "brush", "clear-coat-matt", { coats: 2 }),
          step("white", "wax", "wax-white", { where: { on: "recess", share: 0.8 } }),
        ],
      },
    ],
    [
      zone(
        "mirror-frame",
        "Carved frame",
        "glazed",
        { kind: "frame", width: 1150, height: 1480, member: 140, count: 1 },
        ground("varnished timber", "pine"),
        { carving: 1.35, relief: CARVED_RELIEF },
      ),
    ],
  );

/** The demo shop's jobs: plans a painter would believe, one of them with faults. */
export const hobnailYard = (): Plan[] => [settle(), chartCabinet(), bench(), doughBin(), mirror()];
