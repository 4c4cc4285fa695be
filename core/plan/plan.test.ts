import { describe, expect, it } from "vitest";
import { examplePlan } from "../rules/example.ts";
import { BLEEDING_SPECIES, GROUND_KINDS, Ground, groundOf, SPECIES } from "./ground.ts";
import { DEFAULT_HOUSE_RULES, HouseRules } from "./house-rules.ts";
import { CARVED_RELIEF, MOULDED_RELIEF, PLAIN_RELIEF, Plan, Relief, zoneArea } from "./plan.ts";

const whole = () =>
  examplePlan({
    shows: "plain",
    ground: "raw timber",
    species: "pine",
    steps: [
      ["brush", "mineral-storm"],
      ["wax", "wax-clear"],
    ],
  });

function broken(change: (raw: Plan) => void): { at: string; says: string }[] {
  const raw = structuredClone(whole());
  change(raw);
  const read = Plan.safeParse(raw);
  return read.success
    ? []
    : read.error.issues.map((issue) => ({ at: issue.path.map(String).join("."), says: issue.message }));
}

describe("a plan", () => {
  it("is read as it was written", () => {
    expect(Plan.parse(whole())).toEqual(whole());
  });

  it.each<[string, (raw: Plan) => void, string, RegExp]>([
    ["a start that is no date", (raw) => Object.assign(raw, { start: "tomorrow" }), "start", /like 2026-11-30T09:00/],
    ["no name", (raw) => Object.assign(raw, { title: "  " }), "title", /give it a name/],
    ["an id with a slash", (raw) => Object.assign(raw, { id: "../x" }), "id", /letters, digits/],
    [
      "a zone on a crust that is not there",
      (raw) => Object.assign(raw.pieces[0]!.zones[0]!, { crustId: "c9" }),
      "pieces.0.zones.0.crustId",
      /no crust "c9"/,
    ],
    [
      "relief that does not add up",
      (raw) => Object.assign(raw.pieces[0]!.zones[0]!, { relief: { arris: 0.5, field: 0.6, high: 0, recess: 0 } }),
      "pieces.0.zones.0.relief",
      /add up to 1/,
    ],
    [
      "a negative coat count",
      (raw) => Object.assign(raw.crusts[0]!.steps[0]!, { coats: -1 }),
      "crusts.0.steps.0.coats",
      /at least one coat/,
    ],
    [
      "half a coat",
      (raw) => Object.assign(raw.crusts[0]!.steps[0]!, { coats: 1.5 }),
      "crusts.0.steps.0.coats",
      /a whole number/,
    ],
    [
      "more than all of a place",
      (raw) => Object.assign(raw.crusts[0]!.steps[0]!.where, { over: 1.2 }),
      "crusts.0.steps.0.where.over",
      /more than the whole/,
    ],
    [
      "nothing of a place",
      (raw) => Object.assign(raw.crusts[0]!.steps[0]!.where, { over: 0 }),
      "crusts.0.steps.0.where.over",
      /worked over something/,
    ],
    [
      "a negative wait",
      (raw) => Object.assign(raw.crusts[0]!.steps[0]!, { wait: { kind: "at least", minutes: -5 } }),
      "crusts.0.steps.0.wait.minutes",
      /cannot be negative/,
    ],
    [
      "two steps of one id",
      (raw) => Object.assign(raw.crusts[0]!.steps[1]!, { id: "s1" }),
      "crusts.0.steps.1.id",
      /used twice/,
    ],
    [
      "two zones of one id",
      (raw) => raw.pieces[0]!.zones.push(raw.pieces[0]!.zones[0]!),
      "pieces.0.zones.1.id",
      /used twice/,
    ],
    [
      "a colour that is none",
      (raw) => Object.assign(raw.pieces[0]!.zones[0]!.ground, { colour: "brown" }),
      "pieces.0.zones.0.ground.colour",
      /written like #e6dfcf/,
    ],
    [
      "a room hotter than any workshop",
      (raw) => Object.assign(raw.pinned, { room: { celsius: 80, relativeHumidity: 50 } }),
      "pinned.room.celsius",
      /50 °C at most/,
    ],
    [
      "a material that is not there",
      (raw) => Object.assign(raw.crusts[0]!.steps[0]!, { what: "moon-dust" }),
      "crusts.0.steps.0.what",
      /"moon-dust" is not in this plan/,
    ],
    [
      "a coat of nothing",
      (raw) => {
        raw.crusts[0]!.steps[0]!.what = undefined;
      },
      "crusts.0.steps.0.what",
      /needs a material/,
    ],
    [
      "a layer to show that is not there",
      (raw) => Object.assign(raw.crusts[0]!.steps[1]!, { reveals: "s9" }),
      "crusts.0.steps.1.reveals",
      /no such step/,
    ],
    [
      "a time before the job begins",
      (raw) => raw.pins.push({ zoneId: "z1", phaseId: "s1", starts: "2026-11-29T09:00" }),
      "pins.0.starts",
      /Sun 29 Nov, 09:00, before the job begins on Mon 30 Nov, 09:00/,
    ],
    [
      "a time for a coat that is not there",
      (raw) => raw.pins.push({ zoneId: "z1", phaseId: "s1/3", starts: "2026-12-01T09:00" }),
      "pins.0",
      /no such coat/,
    ],
    [
      "an exception for a step that is not there",
      (raw) => raw.pieces[0]!.zones[0]!.overrides.push({ stepId: "s9", skip: true }),
      "pieces.0.zones.0.overrides.0.stepId",
      /not in its crust/,
    ],
    ["a year before clocks", (raw) => Object.assign(raw, { start: "1000-01-01T09:00" }), "start", /from 2000 to 2099/],
    ["the last year there is", (raw) => Object.assign(raw, { due: "9999-12-31T09:00" }), "due", /from 2000 to 2099/],
    [
      "a week in which nobody works",
      (raw) => Object.assign(raw.pinned.hours, { weekdays: [[], [], [], [], [], [], []] }),
      "pinned.hours.weekdays",
      /one day of the week/,
    ],
    [
      "a litre that covers nothing",
      (raw) => Object.assign(raw.pinned.materials[0]!.spreadingRate, { typical: 1e-300, safe: 1e-300 }),
      "pinned.materials.0.spreadingRate",
      /at least 0.1 m²/,
    ],
    [
      "a careful figure that is the shorter",
      (raw) => Object.assign(raw.pinned.materials[0]!.drying.recoat, { safe: 1 }),
      "pinned.materials.0.drying.recoat",
      /careful figure is shorter/,
    ],
    [
      "a name with a nought in it",
      (raw) => Object.assign(raw, { title: "Sea\u0000chest" }),
      "title",
      /invisible characters/,
    ],
    [
      "a name that turns round",
      (raw) => Object.assign(raw.pieces[0]!, { name: "chest \u202etxt.exe" }),
      "pieces.0.name",
      /invisible characters/,
    ],
    ["a field nobody knows", (raw) => Object.assign(raw, { colour: "blue" }), "", /nrecognized key.*colour/],
    [
      "81 steps",
      (raw) =>
        Object.assign(raw.crusts[0]!, {
          steps: Array.from({ length: 81 }, (_, index) => ({ ...raw.crusts[0]!.steps[0]!, id: `n${index}` })),
        }),
      "crusts.0.steps",
      /80 steps at most/,
    ],
    [
      "41 zones",
      (raw) =>
        Object.assign(raw.pieces[0]!, {
          zones: Array.from({ length: 41 }, (_, index) => ({ ...raw.pieces[0]!.zones[0]!, id: `n${index}` })),
        }),
      "pieces.0.zones",
      /./,
    ],
  ])("with %s is refused where it stands", (_what, change, at, says) => {
    const faults = broken(change);
    const fault = faults.find((fault) => fault.at === at);
    expect(fault, JSON.stringify(faults)).toBeDefined();
    expect(fault!.says).toMatch(says);
  });

  it("keeps a step of an unknown technique, for the judge to speak of", () => {
    expect(broken((raw) => Object.assign(raw.crusts[0]!.steps[0]!, { how: "sprinkle" }))).toEqual([]);
  });
});

describe("grounds", () => {
  it.each(GROUND_KINDS.flatMap((kind) => SPECIES.map((species) => [kind, species] as const)))(
    "%s of %s is whole and bleeds as its timber does",
    (kind, species) => {
      const ground = groundOf(kind, species, 2);
      expect(Ground.safeParse(ground).success).toBe(true);
      const timber = kind.includes("timber");
      expect(ground.bleeds.includes("tannin")).toBe(timber && BLEEDING_SPECIES.has(species));
      expect(ground.bleeds.includes("knots")).toBe(timber || kind === "old paint");
    },
  );

  it("slick things have little tooth and drink nothing; raw timber and fibreboard drink", () => {
    for (const kind of ["laminate", "ferrous metal", "brass", "glass or glazed"] as const) {
      expect(groundOf(kind).tooth).toBeLessThan(0.2);
      expect(groundOf(kind).absorbency).toBe(0);
    }
    for (const kind of ["raw timber", "fibreboard"] as const) expect(groundOf(kind).absorbency).toBeGreaterThan(0.6);
  });

  it("old paint may be from before 1978 until something says otherwise", () => {
    expect(groundOf("old paint").age).toBe("unknown");
  });
});

describe("relief and house rules", () => {
  it.each([PLAIN_RELIEF, MOULDED_RELIEF, CARVED_RELIEF])("%j is a whole", (relief) => {
    expect(Relief.safeParse(relief).success).toBe(true);
  });

  it("has a default for every school, and refuses a school nobody follows", () => {
    expect(HouseRules.parse({})).toEqual(DEFAULT_HOUSE_RULES);
    expect(HouseRules.safeParse({ buff: "never" }).success).toBe(false);
  });

  it("measures a zone by shape, carving and faces", () => {
    const zone = whole().pieces[0]!.zones[0]!;
    expect(zoneArea(zone)).toBeCloseTo(0.5, 9);
    expect(zoneArea({ ...zone, carving: 1.2, faces: 2 })).toBeCloseTo(1.2, 9);
  });
});
