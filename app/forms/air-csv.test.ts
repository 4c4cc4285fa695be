import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { MOST_MISSING } from "#core/plan/readings";
import { readAirCsv, sayAirCsv } from "./air-csv";

describe("air by the hour, pasted", () => {
  it("reads a heading, commas or semicolons, units, and decimal commas", () => {
    expect(readAirCsv("time;temp;rh\n2026-11-30 09:00;18,5 °C;62 %\n2026-11-30 10:00;19;60")).toEqual({
      ok: true,
      from: "2026-11-30T09:00",
      hours: [
        [18.5, 62],
        [19, 60],
      ],
      filled: 0,
    });
  });

  it("averages several readings an hour and fills a short gap by a straight line", () => {
    const read = readAirCsv("2026-11-30T09:00,18,60\n2026-11-30T09:30,20,62\n2026-11-30T12:00,10,76");
    expect(read).toMatchObject({
      filled: 2,
      hours: [
        [19, 61],
        [16, 66],
        [13, 71],
        [10, 76],
      ],
    });
  });

  it.each([
    ["nothing", "", /Paste lines like/],
    ["a heading alone", "time,temp,rh", /no readings under it/],
    [
      "a long gap",
      `2026-11-30 09:00,18,60\n2026-11-30 ${9 + MOST_MISSING + 2}:00,18,60`,
      /hours are missing before Mon 30 Nov/,
    ],
    ["a broken time", "2026-11-30 09:00,18,60\nnoon,18,60", /Line 2: "noon" is not a time/],
    ["a mad temperature", "2026-11-30 09:00,180,60", /not a room temperature/],
    ["a mad humidity", "2026-11-30 09:00,18,0", /not a humidity/],
    ["a missing column", "2026-11-30 09:00,18", /not a humidity/],
    [
      "four weeks",
      Array.from(
        { length: 28 * 24 },
        (_, index) => `2026-11-${String(1 + Math.floor(index / 24)).padStart(2, "0")} ${index % 24}:00,18,60`,
      ).join("\n"),
      /over the limit of three weeks/,
    ],
  ])("explains %s", (_what, text, says) => {
    const read = readAirCsv(text);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.says).toMatch(says);
  });

  it("reads back what it says", () => {
    const hour = fc.tuple(
      fc.integer({ min: -200, max: 500 }).map((tenths) => tenths / 10),
      fc.integer({ min: 10, max: 1000 }).map((tenths) => tenths / 10),
    );
    fc.assert(
      fc.property(fc.array(hour, { minLength: 1, maxLength: 60 }), (hours) => {
        const course = { kind: "by the hour" as const, from: "2026-10-24T20:00", hours, source: "pasted" as const };
        expect(readAirCsv(sayAirCsv(course))).toEqual({ ok: true, from: course.from, hours, filled: 0 });
      }),
    );
  });
});
