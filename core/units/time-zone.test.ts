import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { instantIn, isTimeZone, ShopClock } from "./time-zone.ts";
import { DAY, HOUR } from "./units.ts";
import { readWallTime, sayWallTime } from "./wall-time.ts";

const at = (text: string) => readWallTime(text)!;
const ZONES = ["Europe/London", "America/New_York", "Australia/Lord_Howe", "Asia/Kolkata", "America/Santiago"];

describe("the clock on the shop's wall", () => {
  it("never changes where no time zone is named", () => {
    const clock = new ShopClock(at("2027-03-27T09:00"));
    expect(clock.elapsed(at("2027-03-28T09:00"))).toBe(DAY);
    expect(clock.wall(DAY)).toBe(at("2027-03-28T09:00"));
  });

  // last Sundays of March and October: forward at 01:00, back at 02:00 (EU rule, as London keeps it)
  it("loses an hour on a night in spring and has one more in autumn", () => {
    const spring = new ShopClock(at("2027-03-27T09:00"), "Europe/London");
    expect(spring.elapsed(at("2027-03-28T09:00"))).toBe(23 * HOUR);
    expect(sayWallTime(spring.wall(24 * HOUR))).toBe("2027-03-28T10:00");
    const autumn = new ShopClock(at("2026-10-24T09:00"), "Europe/London");
    expect(autumn.elapsed(at("2026-10-25T09:00"))).toBe(25 * HOUR);
    expect(sayWallTime(autumn.wall(24 * HOUR))).toBe("2026-10-25T08:00");
  });

  it("shows the hour that comes twice twice", () => {
    const clock = new ShopClock(at("2026-10-25T00:00"), "Europe/London");
    expect(sayWallTime(clock.wall(90))).toBe("2026-10-25T01:30");
    expect(sayWallTime(clock.wall(150))).toBe("2026-10-25T01:30");
    expect(clock.elapsed(at("2026-10-25T01:30"))).toBe(90);
  });

  it("in any zone counts what the calendar of the world counts, a year ahead, and never runs backwards", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.integer({ min: at("2026-01-01T00:00"), max: at("2028-01-01T00:00") }),
        fc.integer({ min: 0, max: 365 * DAY }),
        (zone, zero, ahead) => {
          const clock = new ShopClock(zero, zone);
          const passed = (instantIn(zone, zero + ahead) - instantIn(zone, zero)) / 60_000;
          expect(clock.elapsed(zero + ahead)).toBe(passed);
          expect(clock.elapsed(zero + ahead + HOUR)).toBeGreaterThanOrEqual(clock.elapsed(zero + ahead));
          // there and back, but for the hour that is skipped and the one that comes twice
          const back = clock.wall(clock.elapsed(zero + ahead));
          expect(clock.elapsed(back)).toBe(passed);
        },
      ),
      { numRuns: 60 },
    );
  });

  it("knows time zones from other words", () => {
    expect(isTimeZone("Europe/London")).toBe(true);
    for (const text of ["", "the harbour", "Europe/Nowhere", "x".repeat(80)]) expect(isTimeZone(text)).toBe(false);
  });
});
