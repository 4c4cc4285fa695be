import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { instantIn } from "../units/time-zone.ts";
import { readWallTime } from "../units/wall-time.ts";

const iso = (zone: string, wall: string) => new Date(instantIn(zone, readWallTime(wall)!)).toISOString().slice(0, 16);

describe("wall times as instants", () => {
  it.each([
    ["Europe/London", "2026-07-01T09:00", "2026-07-01T08:00"],
    ["Europe/London", "2026-12-01T09:00", "2026-12-01T09:00"],
    ["America/New_York", "2026-12-01T09:00", "2026-12-01T14:00"],
    ["Asia/Kathmandu", "2026-12-01T09:00", "2026-12-01T03:15"],
    // the clocks go forward at one: half past one does not exist, and is taken as half past two
    ["Europe/London", "2026-03-29T01:30", "2026-03-29T01:30"],
    ["Europe/London", "2026-03-29T02:30", "2026-03-29T01:30"],
    // and back at two: half past one comes twice, and the first is meant
    ["Europe/London", "2026-10-25T01:30", "2026-10-25T00:30"],
    ["Europe/London", "2026-10-25T02:30", "2026-10-25T02:30"],
  ])("in %s %s is %s UTC", (zone, wall, utc) => {
    expect(iso(zone, wall)).toBe(utc);
  });

  it("show the same wall time again, but for the hour that is skipped", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("Europe/London", "America/Sao_Paulo", "Australia/Lord_Howe", "UTC"),
        fc.integer({ min: 29_000_000, max: 31_000_000 }),
        (zone, wall) => {
          const parts = new Intl.DateTimeFormat("sv-SE", {
            timeZone: zone,
            dateStyle: "short",
            timeStyle: "short",
          }).format(instantIn(zone, wall));
          const shown = readWallTime(parts.replace(" ", "T"))!;
          expect([0, 30, 60]).toContain(shown - wall);
        },
      ),
    );
  });
});
