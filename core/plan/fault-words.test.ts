import { describe, expect, it } from "vitest";
import { readPlanFile, sayFault as sayFileFault } from "../exchange/plan-file.ts";
import { examplePlan } from "../rules/example.ts";
import { sayFault, sayPlace } from "./fault-words.ts";
import { own } from "./own.ts";
import type { Plan } from "./plan.ts";

const plan = (): Plan => {
  const made = examplePlan({
    shows: "x",
    ground: "raw timber",
    steps: [
      ["brush", "chalk-slate", { coats: 2 }],
      ["wax", "wax-clear"],
    ],
  });
  const [piece] = made.pieces;
  const [zone] = piece!.zones;
  return { ...made, pieces: [{ ...piece!, name: "Settle", zones: [{ ...zone!, name: "Back panel" }] }] };
};

describe("where in a plan something is", () => {
  it.each<[readonly PropertyKey[], string]>([
    [["pieces", 0, "zones", 0, "ground", "knots"], 'zone "Back panel", ground, knots'],
    [["pieces", 0, "name"], 'piece "Settle", name'],
    [["pinned", "room", "relativeHumidity"], "room, relative humidity"],
    [["crusts", 0, "steps", 1, "coats"], 'crust "x", step 2, number of coats'],
    [["pieces"], "pieces"],
    [["pieces", 7], "piece 8"],
    [[], ""],
  ])("%j is %s", (path, says) => {
    expect(sayPlace(plan(), path)).toBe(says);
  });

  it("a thing without a name is called by its id, and one without either by its number", () => {
    const raw = { pieces: [{ id: "p9" }, { name: "   " }, { name: 5 }, null] };
    expect(sayPlace(raw, ["pieces", 0])).toBe('piece "p9"');
    for (const [index, says] of [
      [1, "piece 2"],
      [2, "piece 3"],
      [3, "piece 4"],
    ] as const)
      expect(sayPlace(raw, ["pieces", index])).toBe(says);
  });

  it("a name is shortened, and shown without what cannot be seen", () => {
    const raw = { pieces: [{ name: `\u202eSet\u0007tle ${"x".repeat(90)}` }] };
    const says = sayPlace(raw, ["pieces", 0]);
    expect(says).toMatch(/^piece "Settle x+"$/);
    expect(says.length).toBeLessThan(60);
  });

  it.each(["constructor", "toString", "__proto__", "hasOwnProperty", "valueOf"])(
    "a field that is called %s is only a word",
    (name) => {
      expect(sayPlace({}, [name])).toMatch(/^[a-z_ ]+$/i);
      expect(sayPlace({ [name]: [{}] }, ["pieces", 0, name])).not.toMatch(/function|native code/);
      expect(sayPlace({}, [name, 0])).not.toMatch(/function|native code/);
    },
  );

  it("what is not there has a place all the same", () => {
    for (const raw of [null, undefined, 5, "text", [], { pieces: "none" }])
      expect(sayPlace(raw, ["pieces", 3, "zones", 2, "ground"])).toBe("zone 3, ground");
  });
});

describe("what is wrong, as a sentence", () => {
  it("begins with the place and ends with a full stop, once", () => {
    expect(sayFault(plan(), { path: ["pieces", 0, "name"], says: "80 characters at most" })).toBe(
      'Piece "Settle", name: 80 characters at most.',
    );
    expect(sayFault(plan(), { path: [], says: "this is not a plan." })).toBe("This is not a plan.");
  });

  it.each<[string, (raw: Record<string, unknown>) => void, RegExp]>([
    ["a number where text belongs", (raw) => Object.assign(raw, { title: 5 }), /title: this must be text/i],
    ["nothing where something belongs", (raw) => Reflect.deleteProperty(raw, "start"), /start: this is missing/i],
    ["a list where one thing belongs", (raw) => Object.assign(raw, { pinned: [] }), /this must be a group of fields/i],
    [
      "more coats than anybody lays",
      (raw) => Object.assign((raw as Plan).crusts[0]!.steps[0]!, { coats: 900 }),
      /crust "x", step 1, number of coats: .*at most/i,
    ],
    [
      "a place that there is not",
      (raw) => Object.assign((raw as Plan).crusts[0]!.steps[0]!, { where: { on: "the moon", over: 1 } }),
      /step 1, .*("everywhere"|everywhere)/i,
    ],
    [
      "a field that nobody knows",
      (raw) => Object.assign((raw as Plan).pieces[0]!.zones[0]!, { colour: "red" }),
      /zone "Back panel".*colour/i,
    ],
  ])("%s", (_what, spoil, says) => {
    const raw = structuredClone(plan()) as unknown as Record<string, unknown>;
    spoil(raw);
    const read = readPlanFile(JSON.stringify(raw));
    expect(read.ok).toBe(false);
    if (read.ok) return;
    const said = read.faults.map(sayFileFault).join(" ");
    expect(said).toMatch(says);
    expect(said).not.toMatch(/expected|received|invalid input|zod/i);
  });
});

describe("a table that is asked for a name", () => {
  it("has what it has, and nothing of what every object has", () => {
    const table = { brush: 1, "": 2 };
    expect(own(table, "brush")).toBe(1);
    expect(own(table, "")).toBe(2);
    for (const name of ["constructor", "__proto__", "toString", "wax"]) expect(own(table, name)).toBeUndefined();
  });
});
