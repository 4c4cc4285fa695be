import { CATALOGUE } from "#core/materials/catalogue";
import { type Ground, type GroundKind, groundOf, type Species } from "#core/plan/ground";
import { DEFAULT_HOURS } from "#core/plan/hours";
import { DEFAULT_HOUSE_RULES } from "#core/plan/house-rules";
import { materialsIn, watered } from "#core/plan/mix";
import { outlineOf } from "#core/plan/outline";
import {
  CARVED_RELIEF,
  type Crust,
  type JobState,
  MOULDED_RELIEF,
  PLAIN_RELIEF,
  PLAN_VERSION,
  type Plan,
  type Step,
  type Use,
  type Zone,
} from "#core/plan/plan";
import { hourly } from "#core/plan/readings";
import type { Room } from "#core/plan/room";
import { painterAt, type Shop } from "#core/plan/shop";
import { findTechnique } from "#core/surface/techniques";
import { readWallTime } from "#core/units/wall-time";
import { PHOTOS_OF_PIECES } from "./photo/pieces";
import { loftReadings } from "./sensor/room-air";

// Hobnail Yard, a two-person finishing shop in an invented harbour town, ages the furniture for a museum's rebuilt
// ship-chandler's office. Everything in this folder is invented.

type StepMore = Partial<Omit<Step, "id" | "kind" | "how" | "what">>;

const step = (id: string, how: string, what?: string, more: StepMore = {}): Step => ({
  id,
  kind: findTechnique(how)!.kind,
  how,
  ...(what ? { what } : {}),
  where: { on: "everywhere", over: 1 },
  coats: 1,
  intents: [],
  ...more,
});

const GENTLE: Use = { wear: "gentle", heat: false, water: "dry", outdoors: false, near: "nothing" };
/** Where a zone is on the piece's front, in millimetres from its lower left. */
const front = (
  drawn: NonNullable<Zone["place"]>["drawn"],
  x: number,
  y: number,
  width: number,
  height: number,
): Pick<Zone, "place"> => ({ place: { drawn, x, y, width, height } });

const some = (over: number, on: Step["where"]["on"] = "everywhere"): Pick<Step, "where"> => ({ where: { on, over } });
const DAY = 1440;
const after = (minutes: number): Pick<Step, "wait"> => ({ wait: { kind: "at least", minutes } });

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

/** The finishing loft over the yard: warm by day, cool and damper by night, when the stove goes out. */
const LOFT: Room = {
  celsius: 21,
  relativeHumidity: 52,
  draught: false,
  course: { kind: "day and night", night: { celsius: 14, relativeHumidity: 66 } },
};

/** The same loft as its room sensor recorded it in a week of November. */
function sensedLoft(): Room {
  const made = hourly(loftReadings(readWallTime("2026-11-16T00:00")!, readWallTime("2026-11-22T23:50")!));
  if (!made.ok) throw new Error(made.says);
  const { course: _, ...room } = LOFT;
  return { ...room, course: { kind: "by the hour", from: made.from, hours: made.hours, source: "sensor" } };
}

function plan(
  id: string,
  title: string,
  piece: string,
  start: string,
  due: string,
  crusts: Crust[],
  zones: Zone[],
): Plan {
  const used = new Set(crusts.flatMap((crust) => crust.steps.flatMap(materialsIn)));
  return {
    format: "jolly-crust",
    version: PLAN_VERSION,
    id,
    title,
    client: "Chandler's office, museum",
    start,
    due,
    state: "promised",
    hoursFrom: "shop",
    pinned: {
      room: LOFT,
      hours: DEFAULT_HOURS,
      houseRules: DEFAULT_HOUSE_RULES,
      materials: CATALOGUE.filter((material) => used.has(material.id)),
    },
    acknowledged: [],
    palette: [],
    pins: [],
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
          step("look", "look", undefined, {
            branches: [
              { id: "enough", name: "worn enough" },
              { id: "strong", name: "not worn enough" },
            ],
            expected: "enough",
          }),
          step("more", "sand-220", undefined, { branch: "strong", reveals: "walnut" }),
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
          step("thin", "sand-320", undefined, some(1, "arris")),
          step("seal", "brush", "polyurethane-water", { coats: 3 }),
        ],
      },
      {
        id: "cloudy",
        name: "Cloudy sea green, spattered, black wax",
        steps: [
          step("scuff", "scuff"),
          step("block", "brush", "stain-block-shellac", { coats: 2 }),
          step("green", "brush", "chalk-sea-green"),
          step("blend", "blend", "chalk-duck-egg", some(0.7)),
          step("seal", "brush", "clear-coat-matt", after(DAY)),
          step("wash", "wash", "chalk-bone-white", { mix: watered(1, 3), ...some(0.6), ...after(240) }),
          step("spatter", "spatter", "chalk-lamp-black"),
          step("wax", "wax", "wax-clear", after(DAY)),
          step("black", "wax", "wax-black", some(1, "recess")),
          step("buff", "buff"),
        ],
      },
    ],
    [
      zone(
        "frame",
        "Frame and rails",
        "pale-worn",
        { kind: "frame", width: 1380, height: 1120, member: 100, count: 1 },
        ground("raw timber", "oak"),
        { carving: 1.1, relief: MOULDED_RELIEF, ...front("frame", 0, 0, 1380, 1120) },
      ),
      zone(
        "back",
        "Back panel",
        "pale-worn",
        { kind: "panel", width: 1180, height: 430, count: 1 },
        ground("raw timber", "oak", 2),
        { carving: 1.22, relief: CARVED_RELIEF, ...front("carved", 100, 570, 1180, 450) },
      ),
      zone(
        "arms",
        "Arms",
        "pale-worn",
        { kind: "box", width: 90, height: 160, depth: 520, count: 2 },
        ground("raw timber", "oak"),
        { relief: MOULDED_RELIEF, ...front("moulded", -70, 520, 90, 160) },
      ),
      zone(
        "seat-board",
        "Seat",
        "seat",
        { kind: "panel", width: 1240, height: 440, count: 1 },
        ground("raw timber", "oak"),
        {
          orientation: "flat",
          use: { ...GENTLE, wear: "hard", water: "splashes" },
          ...front("top", 40, 470, 1300, 42),
        },
      ),
      zone(
        "front-panels",
        "Front panels",
        "cloudy",
        { kind: "panel", width: 560, height: 320, count: 2 },
        ground("raw timber", "oak"),
        { carving: 1.1, relief: MOULDED_RELIEF, ...front("moulded", 100, 110, 1180, 330) },
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
          step("wash", "wash", "clay-moss", some(0.6)),
        ],
      },
      {
        id: "top",
        name: "Driftwood glaze on a slip coat, lettered",
        steps: [
          step("clean", "clean"),
          step("scuff", "scuff"),
          step("prime", "brush", "bonding-primer", { coats: 2 }),
          step("bone", "brush", "emulsion-putty", { coats: 2 }),
          step("slip", "brush", "glaze-clear"),
          step("drift", "brush", "glaze-driftwood"),
          step("umber", "dry-brush", "glaze-umber"),
          step("wipe", "wipe-back"),
          step("stencil", "stencil", "craft-ultramarine", { ...some(1, "motif"), ...after(2 * DAY) }),
          step("fade", "wash", "emulsion-putty", { ...some(1, "motif"), mix: watered(1, 3), ...after(240) }),
          step("seal", "brush", "polyurethane-water", { coats: 2 }),
        ],
      },
      {
        id: "patina",
        name: "Many-coats patina",
        steps: [
          step("scuff", "scuff"),
          step("block", "brush", "stain-block-shellac", { coats: 2 }),
          step("walnut", "brush", "tint-base-walnut"),
          step("slate", "brush", "chalk-slate"),
          step("rub-slate", "wet-distress", undefined, { reveals: "walnut" }),
          step("hold-slate", "brush", "clear-coat-matt"),
          step("red", "brush", "chalk-oxide-red", some(0.7)),
          step("rub-red", "wet-distress"),
          step("hold-red", "brush", "clear-coat-matt"),
          step("mustard", "brush", "chalk-mustard", some(0.5)),
          step("rub-mustard", "wet-distress"),
          step("hold-mustard", "brush", "clear-coat-matt", { wait: { kind: "exactly", minutes: 60 } }),
          step("duck", "brush", "chalk-duck-egg", some(0.8)),
          step("rub-duck", "wet-distress"),
          step("hold-duck", "brush", "clear-coat-matt"),
          step("bone", "brush", "chalk-bone-white", { coats: 2 }),
          step("rub-bone", "wet-distress", undefined, { reveals: "duck" }),
          step("look", "look", undefined, {
            branches: [
              { id: "colours", name: "the colours stay apart" },
              { id: "muddy", name: "they ran together" },
            ],
            expected: "colours",
          }),
          step("smooth", "sand-320"),
          step("umber", "brush", "glaze-umber"),
          step("wipe", "wipe-back"),
          step("clear", "wax", "wax-clear"),
          step("dark", "wax", "wax-dark", some(1, "recess")),
          step("buff", "buff"),
          step("dust", "wash", "clay-linen", some(0.3)),
        ],
      },
    ],
    [
      zone(
        "sides",
        "Carcass",
        "carcass",
        { kind: "box", width: 980, height: 720, depth: 640, count: 1 },
        ground("laminate"),
        { use: { ...GENTLE, wear: "daily", heat: true, water: "splashes" }, ...front("panel", 0, 0, 980, 720) },
      ),
      zone(
        "drawers",
        "Drawer fronts",
        "fronts",
        { kind: "panel", width: 900, height: 78, count: 8 },
        ground("raw timber", "pine", 5),
        {
          relief: MOULDED_RELIEF,
          carving: 1.1,
          hands: ["drawers out", "hardware off"],
          use: { ...GENTLE, wear: "daily" },
          ...front("drawer", 40, 40, 900, 650),
        },
      ),
      zone("cabinet-top", "Top", "top", { kind: "panel", width: 1010, height: 660, count: 1 }, ground("laminate"), {
        orientation: "flat",
        use: { ...GENTLE, wear: "daily" },
        ...front("top", -15, 720, 1010, 32),
      }),
      zone(
        "plinth",
        "Plinth",
        "patina",
        { kind: "panel", width: 980, height: 90, count: 1 },
        ground("raw timber", "oak"),
        { relief: MOULDED_RELIEF, carving: 1.1, ...front("moulded", -20, -90, 1020, 90) },
      ),
    ],
  );

const strongbox = (): Plan =>
  plan(
    "iron-strongbox",
    "Iron strongbox",
    "Iron strongbox",
    "2026-12-01T13:00",
    "2026-12-14T17:00",
    [
      {
        id: "rust",
        name: "Rusted iron over a barrier",
        steps: [
          step("hardware", "hardware-off"),
          step("degrease", "clean"),
          step("scuff", "scuff"),
          step("barrier", "brush", "metal-primer", { coats: 2 }),
          step("iron", "brush", "reactive-iron", { coats: 2 }),
          step("patina", "spray", "patina-rust", some(0.7)),
          step("seal", "spray", "clear-coat-matt", { coats: 2 }),
          step("refit", "hardware-on"),
        ],
      },
      {
        id: "scraped",
        name: "Mottled, dabbed and scraped",
        steps: [
          step("degrease", "clean"),
          step("scuff", "scuff"),
          step("barrier", "brush", "metal-primer", { coats: 2 }),
          step("black", "brush", "chalk-lamp-black", { coats: 2 }),
          step("red", "sponge", "chalk-oxide-red", some(0.75)),
          step("drag", "drag", "chalk-slate", { ...some(0.8), ...after(120) }),
          step("pewter", "stipple", "glaze-pewter", { ...some(0.5), intents: ["stain"], ...after(DAY) }),
          step("scrape", "sand-150", undefined, some(0.8, "arris")),
          step("seal", "spray", "clear-coat-matt", { coats: 2 }),
          step("wax", "wax", "wax-black", after(DAY)),
          step("buff", "buff"),
        ],
      },
      {
        id: "straps",
        name: "Straps, faux bronze",
        steps: [
          step("degrease", "clean"),
          step("scuff", "scuff"),
          step("barrier", "brush", "metal-primer", { coats: 2 }),
          step("ebony", "brush", "tint-base-ebony", { coats: 2 }),
          step("bronze", "stipple", "wax-metallic-bronze", some(0.8)),
          step("gilt", "finger", "wax-gilding", { ...some(1, "high"), ...after(DAY) }),
          step("buff", "buff", undefined, after(12 * 60)),
        ],
      },
    ],
    [
      zone(
        "box-sides",
        "Sides and front",
        "rust",
        { kind: "box", width: 620, height: 380, depth: 420, count: 1 },
        ground("ferrous metal"),
        { ...front("panel", 0, 0, 620, 380) },
      ),
      zone("box-lid", "Lid", "scraped", { kind: "panel", width: 640, height: 440, count: 1 }, ground("ferrous metal"), {
        orientation: "flat",
        relief: MOULDED_RELIEF,
        ...front("moulded", -10, 380, 640, 70),
      }),
      zone(
        "box-straps",
        "Straps and lock plate",
        "straps",
        { kind: "panel", width: 60, height: 380, count: 3 },
        ground("ferrous metal"),
        { relief: MOULDED_RELIEF, ...front("moulded", 280, 20, 60, 350) },
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
          step("wear", "sand-150", undefined, { reveals: "ochre" }),
          step("smooth", "sand-320"),
          step("seal", "brush", "polyurethane-water", { coats: 3 }),
        ],
      },
      {
        id: "legs",
        name: "Soot over ochre, beeswax",
        steps: [
          step("scuff", "scuff"),
          step("mix", "rest-mix"),
          step("ochre", "brush", "milk-ochre"),
          step("soot", "brush", "milk-soot"),
          step("wear", "sand-320", undefined, {
            reveals: "ochre",
            effort: { passes: 1, pressure: "usual", until: 0.05 },
          }),
          step("tack", "tack-off"),
          step("wax", "wax", "beeswax"),
          step("buff", "buff"),
          // beeswax goes on until the sheen is even: two rounds, as a rule
          step("enough", "look", undefined, { again: { from: "wax", rounds: 2 } }),
        ],
      },
      {
        id: "rack",
        name: "Barn red, oiled, brown ageing wax",
        steps: [
          step("scuff", "scuff"),
          step("red", "brush", "milk-barn-red", { coats: 2 }),
          step("smooth", "sand-320"),
          step("oil", "oil-on", "hemp-oil", after(3 * DAY)),
          step("brown", "wax", "wax-ageing-brown", after(3 * DAY)),
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
        {
          orientation: "flat",
          use: { ...GENTLE, wear: "hard", water: "splashes" },
          ...front("top", 0, 460, 1900, 46),
        },
      ),
      zone(
        "bench-legs",
        "Legs and stretchers",
        "legs",
        { kind: "leg", diameter: 85, length: 460, count: 6 },
        ground("raw timber", "beech"),
        { relief: MOULDED_RELIEF, ...front("leg", 60, 0, 1780, 460) },
      ),
      zone(
        "tool-rack",
        "Tool rack",
        "rack",
        { kind: "panel", width: 1100, height: 180, count: 1 },
        ground("raw timber", "pine"),
        { relief: MOULDED_RELIEF, ...front("moulded", 400, 506, 1100, 180) },
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
          step("resist", "wax", "wax-clear", { intents: ["resist"], ...some(0.7, "arris") }),
          step("green", "brush", "milk-bottle-green", { intents: ["chips"] }),
          step("dry", "hair-dryer"),
          step("chip", "chip"),
          step("rub", "sand-220", undefined, { effort: { passes: 2, pressure: "light" } }),
          step("wax", "wax", "wax-clear", { wait: { kind: "by sign", sign: "it is no longer cold to the palm" } }),
          step("buff", "buff"),
        ],
      },
      {
        id: "craters",
        name: "Craters, faded roses",
        steps: [
          step("scuff", "scuff"),
          step("block", "brush", "stain-block-shellac"),
          step("slate", "brush", "chalk-slate"),
          step("mist", "mist"),
          step("crumb", "sprinkle", "texture-crumb"),
          step("bone", "tap", "chalk-bone-white"),
          step("scrape", "scrape"),
          step("varnish", "brush", "decoupage-varnish", after(DAY)),
          step("roses", "lay-tissue", "tissue-roses", some(1, "motif")),
          step("over", "brush", "decoupage-varnish", { coats: 2 }),
          step("brown", "wax", "wax-dark", { ...some(1, "border"), ...after(DAY) }),
          step("buff", "buff"),
        ],
      },
    ],
    [
      zone(
        "bin-box",
        "Box",
        "chippy",
        { kind: "box", width: 780, height: 420, depth: 430, count: 1 },
        ground("raw timber", "pine", 4),
        {
          relief: PLAIN_RELIEF,
          use: { ...GENTLE, wear: "display", near: "food" },
          ...front("panel", 0, 0, 780, 420),
        },
      ),
      zone(
        "bin-lid",
        "Lid",
        "craters",
        { kind: "panel", width: 400, height: 220, count: 2 },
        ground("raw timber", "pine", 1),
        {
          orientation: "flat",
          use: { ...GENTLE, wear: "display" },
          // a spray of roses across the middle, a bud by itself
          outlines: {
            motif: [
              outlineOf({ round: true, left: 0.18, top: 0.24, width: 0.44, height: 0.46 }),
              outlineOf({ round: true, left: 0.7, top: 0.52, width: 0.14, height: 0.26 }),
            ],
          },
          ...front("moulded", -10, 420, 800, 48),
        },
      ),
      zone(
        "bin-cleats",
        "Cleat handles",
        "chippy",
        { kind: "panel", width: 160, height: 45, count: 2 },
        ground("raw timber", "pine"),
        { along: "bin-box", use: { ...GENTLE, wear: "display", near: "food" }, ...front("panel", 150, 300, 480, 45) },
      ),
    ],
  );

const mirror = (): Plan =>
  plan(
    "overmantel-mirror",
    "Overmantel mirror",
    "Overmantel mirror frame",
    "2026-12-07T09:00",
    "2026-12-23T12:00",
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
          step("white", "wax", "wax-white", some(0.8, "recess")),
        ],
      },
      {
        id: "leafed",
        name: "Leaf over oxide red, glazed sky",
        steps: [
          step("clean", "clean"),
          step("scuff", "scuff"),
          step("red", "brush", "chalk-oxide-red", { coats: 2 }),
          step("seal", "brush", "clear-coat-satin"),
          step("size", "brush", "leaf-size"),
          step("leaf", "lay-leaf", "leaf-imitation-gold"),
          step("mend", "touch-up", "leaf-imitation-gold"),
          step("loose", "leaf-off"),
          step("shellac", "brush", "shellac-sealer"),
          step("sky", "dry-brush", "craft-sky", some(0.9)),
          step("glaze", "brush", "glaze-pale", after(DAY)),
          step("wipe", "wipe-back"),
          step("last", "brush", "clear-coat-satin"),
        ],
      },
      {
        id: "crested",
        name: "Dark, dry-brushed, gilt touches",
        steps: [
          step("clean", "clean"),
          step("scuff", "scuff"),
          step("ebony", "brush", "tint-base-ebony", { coats: 2 }),
          step("putty", "dry-brush", "mineral-oyster"),
          step("clear", "wax", "wax-clear", after(DAY)),
          step("dark", "wax", "wax-dark", some(1, "recess")),
          step("shine", "buff"),
          step("gilt", "finger", "wax-gilding", {
            where: { on: "high", also: ["arris"], over: 0.85 },
            ...after(DAY),
          }),
          step("buff", "buff", undefined, after(DAY)),
        ],
      },
      {
        id: "crusty",
        name: "Embossed paste, bronze wax",
        steps: [
          step("clean", "clean"),
          step("scuff", "scuff"),
          step("prime", "brush", "bonding-primer"),
          step("paste", "emboss", "texture-paste"),
          step("base", "brush", "mineral-bottle", { coats: 2 }),
          step("bronze", "dry-brush", "wax-metallic-bronze", { amount: { kind: "times", of: 1.25 } }),
          step("glaze", "brush", "glaze-umber"),
          step("wipe", "wipe-back"),
          step("seal", "brush", "clear-coat-matt"),
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
        { carving: 1.35, relief: CARVED_RELIEF, ...front("frame", 0, 0, 1150, 1480) },
      ),
      zone(
        "mirror-slip",
        "Slip round the glass",
        "leafed",
        { kind: "frame", width: 870, height: 1200, member: 40, count: 1 },
        ground("varnished timber", "pine"),
        { relief: MOULDED_RELIEF, ...front("frame", 140, 140, 870, 1200) },
      ),
      zone(
        "mirror-crest",
        "Crest",
        "crested",
        { kind: "panel", width: 640, height: 210, count: 1 },
        ground("varnished timber", "pine"),
        { carving: 1.5, relief: CARVED_RELIEF, ...front("carved", 255, 1480, 640, 210) },
      ),
      zone(
        "mirror-shelf",
        "Shelf",
        "crusty",
        { kind: "panel", width: 1190, height: 130, count: 1 },
        ground("varnished timber", "pine"),
        { relief: MOULDED_RELIEF, ...front("moulded", -20, -60, 1190, 60) },
      ),
    ],
  );

/** A job whose room is read from the sensor in it. */
const bySensor = (made: Plan): Plan => ({ ...made, pinned: { ...made.pinned, room: sensedLoft() } });

/** How far a job has come, where that is not promised. */
const inState = (made: Plan, state: JobState): Plan => ({ ...made, state });

const MORNINGS: [number, number][] = [[9 * 60, 13 * 60]];
const DAYS: [number, number][] = [
  [9 * 60, 13 * 60],
  [13 * 60 + 45, 18 * 60],
];

/** The shop itself: the second pair of hands is there for three days and two mornings, and does not lay leaf. */
export const hobnailShop = (): Shop => ({
  hours: { weekdays: DEFAULT_HOURS.weekdays, exceptions: [], dryingPlaces: 14 },
  painters: [
    painterAt(0),
    { ...painterAt(1), weekdays: [DAYS, MORNINGS, DAYS, MORNINGS, DAYS, [], []], cannot: ["gilding"] },
  ],
});

/** A shelf for the lamp room, half done: its ledger says what of it. */
export const lampShelf = (): Plan =>
  inState(
    plan(
      "lamp-shelf",
      "Lamp-room shelf",
      "Lamp-room shelf",
      "2026-11-23T09:00",
      "2026-12-04T17:00",
      [
        {
          id: "worn-green",
          name: "Sea green over slate, worn at the edges",
          steps: [
            step("scuff", "scuff"),
            step("block", "brush", "stain-block-shellac"),
            step("slate", "brush", "chalk-slate", { coats: 2 }),
            step("green", "brush", "chalk-sea-green", { coats: 2 }),
            step("rub", "sand-220", undefined, { reveals: "slate" }),
            step("look", "look", undefined, {
              branches: [
                { id: "enough", name: "worn enough" },
                { id: "more", name: "too tidy still" },
              ],
              expected: "enough",
            }),
            step("cut", "sand-150", undefined, { branch: "more", reveals: "slate" }),
            step("wax", "wax", "wax-clear", { wait: { kind: "next working day" } }),
            step("dark", "wax", "wax-dark", some(1, "recess")),
            step("buff", "buff"),
          ],
        },
        {
          id: "board-top",
          name: "Driftwood glaze on putty",
          steps: [
            step("scuff", "scuff"),
            step("prime", "brush", "stain-block-shellac"),
            step("putty", "brush", "emulsion-putty", { coats: 2 }),
            step("slip", "brush", "glaze-clear"),
            step("drift", "brush", "glaze-driftwood"),
            step("wipe", "wipe-back"),
            step("seal", "brush", "polyurethane-water", { coats: 2, wait: { kind: "next working day" } }),
          ],
        },
      ],
      [
        zone(
          "brackets",
          "Brackets and rail",
          "worn-green",
          { kind: "box", width: 120, height: 320, depth: 60, count: 4 },
          ground("raw timber", "pine", 3),
          { relief: MOULDED_RELIEF, ...front("moulded", 0, 0, 1200, 320) },
        ),
        zone(
          "shelf-board",
          "Shelf board",
          "board-top",
          { kind: "panel", width: 1300, height: 240, count: 1 },
          ground("raw timber", "pine"),
          { orientation: "flat", ...front("top", -50, 320, 1300, 40) },
        ),
      ],
    ),
    "under way",
  );

/** A stool that is finished and curing: its ledger is complete. */
export const harbourStool = (): Plan =>
  inState(
    plan(
      "harbour-stool",
      "Harbour stool",
      "Harbour stool",
      "2026-11-09T09:00",
      "2026-11-20T17:00",
      [
        {
          id: "ochre",
          name: "Ochre milk paint, rubbed and waxed",
          steps: [
            step("scuff", "scuff"),
            step("ochre", "brush", "milk-ochre", { coats: 2 }),
            step("rub", "sand-320"),
            step("wax", "wax", "wax-clear", { wait: { kind: "next working day" } }),
            step("buff", "buff"),
          ],
        },
      ],
      [
        zone(
          "stool-legs",
          "Legs and stretchers",
          "ochre",
          { kind: "leg", length: 420, diameter: 38, count: 4 },
          ground("raw timber", "beech"),
          { relief: MOULDED_RELIEF, ...front("leg", 0, 0, 340, 420) },
        ),
      ],
    ),
    "finished",
  );

/** The demo shop's jobs: plans a painter would believe, one of them with faults. */
/** The same job with the marks on the photo of its piece. */
function withPhoto(job: Plan): Plan {
  const made = PHOTOS_OF_PIECES.map((make) => make()).filter(({ planId }) => planId === job.id);
  return {
    ...job,
    photos: made.map(({ id, camera, marks }) => ({ id, width: camera.width, height: camera.height, ...marks })),
  };
}

export const hobnailYard = (): Plan[] => [
  withPhoto(settle()),
  withPhoto(chartCabinet()),
  bySensor(strongbox()),
  bench(),
  doughBin(),
  inState(mirror(), "idea"),
];
