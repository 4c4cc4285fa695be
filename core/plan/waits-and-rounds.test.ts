import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { DAY, HOUR } from "../units/units.ts";
import { Effort, PRESSED, sayEffort } from "./effort.ts";
import { loopFaults, MOST_ROUNDS, otherNameOf, phaseIdOf, roundsOf, turnsOf } from "./rounds.ts";
import { boundsFrom, boundsOf, leastOf, sayWait, Wait } from "./wait.ts";

describe("a wait that an author sets", () => {
  it.each<[Wait, string]>([
    [{ kind: "at least", minutes: 120 }, "at least 2 h"],
    [{ kind: "exactly", minutes: 10 }, "exactly 10 min"],
    [{ kind: "about", minutes: 3 * DAY }, "about 3 days"],
    [{ kind: "between", minutes: 120, most: 180 }, "2–3 h"],
    [{ kind: "next working day" }, "until the next working day"],
    [{ kind: "by sign" }, "until the sign shows"],
    [{ kind: "by sign", sign: "the wax is dull" }, "until the wax is dull"],
  ])("%j is said as %s", (wait, says) => {
    expect(Wait.safeParse(wait).success).toBe(true);
    expect(sayWait(wait)).toBe(says);
  });

  it("about an hour is a fifth less or more", () => {
    expect(boundsOf({ kind: "about", minutes: 60 })).toEqual({ least: 48, most: 72 });
  });

  it("none is over at once, and so is a sign, which has no clock", () => {
    expect(boundsOf(undefined)).toEqual({ least: 0, most: null });
    expect(boundsOf({ kind: "by sign" })).toEqual({ least: 0, most: null });
    expect(leastOf(undefined)).toBe(0);
  });

  it("ends no earlier than it begins, and no later than its longest", () => {
    const minutes = fc.integer({ min: 0, max: 5000 });
    fc.assert(
      fc.property(fc.constantFrom("at least", "exactly", "about", "between"), minutes, minutes, (kind, a, b) => {
        const [least, most] = [Math.min(a, b), Math.max(a, b)];
        const wait = Wait.parse(kind === "between" ? { kind, minutes: least, most } : { kind, minutes: least });
        const bounds = boundsOf(wait);
        expect(bounds.least).toBeLessThanOrEqual(least);
        if (bounds.most !== null) expect(bounds.most).toBeGreaterThanOrEqual(bounds.least);
        expect(leastOf(wait)).toBe(bounds.least);
      }),
    );
  });

  it("until the next working day ends when the day before was begun, whenever it is asked", () => {
    const began = 10 * DAY + 9 * HOUR;
    for (const after of [0, 30, 5 * HOUR, 14 * HOUR + 59]) {
      const { least, most } = boundsFrom({ kind: "next working day" }, after, began);
      expect((began + after + least) % DAY).toBe(9 * HOUR);
      expect(least).toBeGreaterThan(0);
      expect(least).toBeLessThanOrEqual(2 * DAY);
      expect(most).toBeNull();
    }
    // past midnight it is the day after that
    const late = boundsFrom({ kind: "next working day" }, 16 * HOUR, began);
    expect(began + 16 * HOUR + late.least).toBe(12 * DAY + 9 * HOUR);
  });

  it("the shortest night is eight hours", () => {
    expect(leastOf({ kind: "next working day" })).toBe(8 * HOUR);
  });

  it.each([
    { kind: "at least", minutes: -1 },
    { kind: "at least", minutes: 1.5 },
    { kind: "at least", minutes: 91 * DAY },
    { kind: "between", minutes: 60, most: 30 },
    { kind: "soon", minutes: 5 },
    { kind: "exactly" },
  ])("%j is none", (wait) => {
    expect(Wait.safeParse(wait).success).toBe(false);
  });
});

describe("what is repeated until it is right", () => {
  const steps = [
    { id: "paint", kind: "coat" },
    { id: "rub", kind: "take" },
    { id: "look", kind: "inspect", again: { from: "rub", rounds: 3 } },
    { id: "wax", kind: "coat" },
  ];

  it("comes up as often as is expected, in its order, and the rest once", () => {
    expect(turnsOf(steps).map(({ step, round }) => `${step.id}${round}`)).toEqual([
      "paint1",
      "rub1",
      "look1",
      "rub2",
      "look2",
      "rub3",
      "look3",
      "wax1",
    ]);
    expect(roundsOf(steps)).toEqual([1, 3, 3, 1]);
  });

  it("each step has as many turns as rounds", () => {
    const turns = turnsOf(steps);
    steps.forEach(({ id }, index) => {
      expect(turns.filter(({ step }) => step.id === id)).toHaveLength(roundsOf(steps)[index]!);
    });
  });

  it("a round that begins nowhere, or later, is no round", () => {
    for (const from of ["gone", "wax", "look"]) {
      const odd = steps.map((step) => (step.again ? { ...step, again: { from, rounds: 3 } } : step));
      expect(roundsOf(odd)).toEqual([1, 1, 1, 1]);
      expect(loopFaults(odd)).toEqual([{ at: 2, says: expect.stringContaining(`"${from}"`) }]);
    }
  });

  it("is decided only where one looks, never begins in a branch, and no two lie across each other", () => {
    expect(loopFaults(steps)).toEqual([]);
    expect(loopFaults(steps.map((step) => (step.id === "look" ? { ...step, kind: "take" } : step)))).toHaveLength(1);
    expect(loopFaults(steps.map((step) => (step.id === "rub" ? { ...step, branch: "more" } : step)))).toHaveLength(1);
    const across = [...steps, { id: "look-2", kind: "inspect", again: { from: "rub", rounds: 2 } }];
    expect(loopFaults(across)[0]?.says).toMatch(/across each other/);
    const after = [
      ...steps,
      { id: "dull", kind: "take" },
      { id: "look-2", kind: "inspect", again: { from: "wax", rounds: 2 } },
    ];
    expect(loopFaults(after)).toEqual([]);
    expect(roundsOf(after)).toEqual([1, 3, 3, 2, 2, 2]);
  });

  it("names each coat of each round, and no two alike", () => {
    expect(phaseIdOf("s3", 1, 1, 1)).toBe("s3");
    expect(phaseIdOf("s3", 2, 2, 1)).toBe("s3/2");
    expect(phaseIdOf("s3", 2, 2, 3)).toBe("s3/2~3");
    const names = new Set<string>();
    for (let coat = 1; coat <= 4; coat++)
      for (let round = 1; round <= MOST_ROUNDS; round++) names.add(phaseIdOf("s3", coat, 4, round));
    expect(names.size).toBe(4 * MOST_ROUNDS);
  });
});

describe("a first coat", () => {
  it.each([
    ["s3", "s3/1"],
    ["s3/1", "s3"],
    ["s3~2", "s3/1~2"],
    ["s3/1~2", "s3~2"],
    ["s3/2", null],
    ["s3/2~4", null],
    ["s3/11", null],
  ])("%s is %s where its step has another number of coats", (name, other) => {
    expect(otherNameOf(name)).toBe(other);
    if (other !== null) expect(otherNameOf(other)).toBe(name);
  });
});

describe("how hard something is worked", () => {
  it.each<[Effort, string]>([
    [{ passes: 1, pressure: "usual" }, ""],
    [{ passes: 3, pressure: "hard" }, "3 passes, pressing hard"],
    [{ passes: 1, pressure: "light" }, "pressing lightly"],
    [{ passes: 4, pressure: "usual", until: 0.1 }, "until it shows over 10 %"],
  ])("%j is said as %j", (effort, says) => {
    expect(Effort.safeParse(effort).success).toBe(true);
    expect(sayEffort(effort)).toBe(says);
  });

  it("light is less than usual, and hard is more", () => {
    expect(PRESSED.light).toBeLessThan(PRESSED.usual);
    expect(PRESSED.hard).toBeGreaterThan(PRESSED.usual);
  });

  it.each([
    { passes: 0, pressure: "usual" },
    { passes: 13, pressure: "usual" },
    { passes: 2, pressure: "brutal" },
  ])("%j is nothing a hand does", (effort) => {
    expect(Effort.safeParse(effort).success).toBe(false);
  });
});
