import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readDuration, sayDifference, sayDuration, sayDurations, shortDuration, writeDuration } from "./duration.ts";
import { DAY, HOUR } from "./units.ts";
import { midnightBefore, readWallTime, sayWallTime, weekday } from "./wall-time.ts";

describe("lengths of time", () => {
  it.each([
    [0, "0 min"],
    [40, "40 min"],
    [60, "1 h"],
    [90, "1 h 30 min"],
    [125, "2 h 05 min"],
    [DAY, "24 h"],
    [DAY + 20, "24 h"],
    [26 * HOUR, "1 day 2 h"],
    [36 * HOUR - 2, "1 day 12 h"],
    [2 * DAY, "2 days"],
    [3.5 * DAY, "3 days 12 h"],
    [9.4 * DAY, "9 days"],
    [30 * DAY, "30 days"],
  ])("%d minutes is said as %s", (minutes, says) => {
    expect(sayDuration(minutes)).toBe(says);
  });

  it("is shorter by a word in columns and on buttons", () => {
    expect(shortDuration(200)).toBe("3 h 20");
    expect(shortDuration(36 * HOUR)).toBe("1 day 12 h");
  });

  it.each([
    [10, 15, "10–15 min"],
    [DAY, 2 * DAY, "24 h to 2 days"],
    [2 * DAY, 3 * DAY, "2–3 days"],
    [45, 120, "45 min to 2 h"],
    [120, 120, "2 h"],
  ])("from %d to %d minutes is said as %s", (from, to, says) => {
    expect(sayDurations(from, to)).toBe(says);
  });

  it.each([
    ["45", 45],
    ["45 min", 45],
    ["2 h", 120],
    ["2h", 120],
    ["1 h 30", 90],
    ["1.5 h", 90],
    ["1 day", DAY],
    ["2 days 3 h", 2 * DAY + 180],
    [" 12 h ", 720],
  ])("%s is read as %d minutes", (text, minutes) => {
    expect(readDuration(text)).toBe(minutes);
  });

  it.each(["", "a while", "-5", "2 weeks", "h", "1:30", "2 h later"])("%s is no length of time", (text) => {
    expect(readDuration(text)).toBeNull();
  });

  it("reads back what it writes into a field, to the minute", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 400 * DAY }), (minutes) => {
        expect(readDuration(writeDuration(minutes))).toBe(minutes);
      }),
    );
  });

  it("reads back what it says in a sentence, to the hour within a week", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 7 * DAY - 1 }), (minutes) => {
        const off = Math.abs(readDuration(sayDuration(minutes))! - minutes);
        expect(off).toBeLessThanOrEqual(minutes <= DAY ? 0 : HOUR / 2);
      }),
    );
  });

  it("says differences with their sign", () => {
    expect(sayDifference(240)).toBe("+4 h");
    expect(sayDifference(-30)).toBe("−30 min");
    expect(sayDifference(0)).toBe("no extra time");
    expect(sayDifference(595)).toBe("+9 h 55");
  });
});

describe("times on the shop's wall", () => {
  it.each(["2026-11-30T09:00", "2024-02-29T23:59", "1999-12-31T00:00", "2026-03-29T02:30"])(
    "%s reads and writes as itself, whatever clocks do",
    (text) => {
      expect(sayWallTime(readWallTime(text)!)).toBe(text);
    },
  );

  it.each([
    "2026-02-30T09:00",
    "2025-02-29T09:00",
    "2026-13-01T09:00",
    "2026-11-30T24:00",
    "2026-11-30",
    "30.11.2026",
    "2026-11-30T09:00:00",
    "",
  ])("%s is no wall time", (text) => {
    expect(readWallTime(text)).toBeNull();
  });

  it("knows the days of the week", () => {
    const days = ["2026-11-30", "2026-12-01", "2026-12-02", "2026-12-03", "2026-12-04", "2026-12-05", "2026-12-06"];
    expect(days.map((day) => weekday(readWallTime(`${day}T13:00`)!))).toEqual([0, 1, 2, 3, 4, 5, 6]);
    expect(weekday(readWallTime("1969-12-31T12:00")!)).toBe(2);
  });

  it("finds the midnight before any instant, and counts minutes evenly", () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e7, max: 5e7 }), (wall) => {
        const midnight = midnightBefore(wall);
        expect(wall - midnight).toBeGreaterThanOrEqual(0);
        expect(wall - midnight).toBeLessThan(DAY);
        expect(sayWallTime(midnight)).toMatch(/T00:00$/);
        expect(readWallTime(sayWallTime(wall))).toBe(wall);
      }),
    );
  });
});
