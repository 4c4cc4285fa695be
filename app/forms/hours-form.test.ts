import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { DEFAULT_HOURS, type Hours } from "#core/plan/hours";
import { readHoursFields, sayExceptions, sayHours, WEEKDAYS } from "./hours-form";

/** Stretches of a day that do not touch. */
const day = fc
  .uniqueArray(fc.integer({ min: 0, max: 1439 }), { minLength: 0, maxLength: 8 })
  .map((minutes) => minutes.sort((a, b) => a - b))
  .map((minutes) =>
    Array.from({ length: minutes.length >> 1 }, (_, index): [number, number] => [
      minutes[2 * index]!,
      minutes[2 * index + 1]!,
    ]),
  );

const date = fc
  .record({ month: fc.integer({ min: 1, max: 12 }), day: fc.integer({ min: 1, max: 28 }) })
  .map(({ month, day }) => `2026-${String(month).padStart(2, "0")}-${String(day).padStart(2, "0")}`);

const anyHours: fc.Arbitrary<Hours> = fc
  .record({
    weekdays: fc
      .array(day, { minLength: 7, maxLength: 7 })
      .filter((week) => week.some((stretches) => stretches.length > 0)),
    exceptions: fc.uniqueArray(
      fc.record(
        { on: date, stretches: day, why: fc.constantFrom("fair", "stock taking") },
        { requiredKeys: ["on", "stretches"] },
      ),
      { selector: ({ on }) => on, maxLength: 5 },
    ),
    painters: fc.integer({ min: 1, max: 4 }),
  })
  .map((hours) => ({ ...hours, exceptions: hours.exceptions.sort((a, b) => (a.on < b.on ? -1 : 1)) }));

const fieldsOf = (hours: Hours) => ({
  ...Object.fromEntries(WEEKDAYS.map((name, index) => [name, sayHours(hours.weekdays[index]!)])),
  exceptions: sayExceptions(hours.exceptions),
  painters: String(hours.painters),
});
const week = (change: Record<string, string> = {}) => ({ ...fieldsOf(DEFAULT_HOURS), ...change });
const faultsOf = (fields: Record<string, string>) => {
  const read = readHoursFields(fields);
  return read.ok ? {} : read.faults;
};

describe("the hours of a shop in its form", () => {
  it("are the same hours again when they are saved as they are shown", () => {
    fc.assert(
      fc.property(anyHours, (hours) => {
        expect(readHoursFields(fieldsOf(hours))).toEqual({ ok: true, hours });
      }),
    );
  });

  it.each([
    ["9-13", [[540, 780]]],
    ["9 to 13", [[540, 780]]],
    ["9.30–13.15", [[570, 795]]],
    [
      "14–18, 9–13",
      [
        [540, 780],
        [840, 1080],
      ],
    ],
    ["0–24", [[0, 1440]]],
    ["", []],
  ] as [string, [number, number][]][])("read %j as a painter means it", (text, stretches) => {
    const read = readHoursFields(week({ Monday: text }));
    expect(read.ok && read.hours.weekdays[0]).toEqual(stretches);
  });

  it.each([
    ["mornings", /Write hours like/],
    ["13–9", /"13–9" is not a time range/],
    ["9–9", /is not a time range/],
    ["9:75–13", /is not a time range/],
    ["9–25", /is not a time range/],
    ["9–13, 12–18", /overlap/],
  ])("refuse %j in its own field", (text, says) => {
    const faults = faultsOf(week({ Wednesday: text }));
    expect(Object.keys(faults)).toEqual(["Wednesday"]);
    expect(faults.Wednesday).toMatch(says);
  });

  it("need one day of work in the week", () => {
    const closed = Object.fromEntries(WEEKDAYS.map((name) => [name, ""]));
    expect(Object.values(faultsOf({ ...week(), ...closed })).join()).toMatch(/at least one day/i);
  });
});

describe("days with other hours", () => {
  const exceptions = (text: string) => {
    const read = readHoursFields(week({ exceptions: text }));
    return read.ok ? read.hours.exceptions : read.faults.exceptions;
  };

  it.each(["2026-12-24: closed", "2026-12-24 closed", "2026-12-24: off", "2026-12-24: free", "2026-12-24:"])(
    "%s is a day off",
    (text) => {
      expect(exceptions(text)).toEqual([{ on: "2026-12-24", stretches: [] }]);
    },
  );

  it("say why, and come in the order of the year", () => {
    expect(exceptions("2026-12-24: closed (the fair); 2026-12-19: 9:00–13:00\n\n")).toEqual([
      { on: "2026-12-19", stretches: [[540, 780]] },
      { on: "2026-12-24", stretches: [], why: "the fair" },
    ]);
  });

  it.each([
    ["Christmas: closed", /write a date, then its hours or closed/],
    ["2026-12-24: late", /2026-12-24: Write hours like/],
    ["2026-12-24: closed; 2026-12-24: 9–13", /2026-12-24 is listed twice/],
    ["2026-02-30: closed", /./],
  ])("refuse %j, and say where", (text, says) => {
    expect(exceptions(text)).toMatch(says);
  });

  it("that a form leaves out stay as they were", () => {
    const before: Hours = { ...DEFAULT_HOURS, exceptions: [{ on: "2026-12-24", stretches: [] }], dryingPlaces: 3 };
    const { exceptions: _, ...fields } = week();
    const read = readHoursFields(fields, before);
    expect(read.ok && read.hours.exceptions).toEqual(before.exceptions);
    expect(read.ok && read.hours.dryingPlaces).toBe(3);
    const none = readHoursFields({ ...fields, dryingPlaces: "" }, before);
    expect(none.ok && none.hours.dryingPlaces).toBeUndefined();
  });
});
