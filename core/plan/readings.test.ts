import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { DAY, HOUR } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import { hourly, loggedAir, type Reading } from "./readings.ts";
import { MOST_HOURS } from "./room.ts";

const NOW = readWallTime("2026-11-30T12:00")!;

/** A reading every ten minutes, from so many hours ago until so many hours ago. */
function kept(fromHours: number, toHours = 0, air = (at: number) => [18 + Math.sin(at / 300), 55]): Reading[] {
  const readings: Reading[] = [];
  for (let at = NOW - fromHours * HOUR; at <= NOW - toHours * HOUR; at += 10) {
    const [celsius, relativeHumidity] = air(at) as [number, number];
    readings.push({ at, celsius, relativeHumidity });
  }
  return readings;
}

describe("readings by the hour", () => {
  it("average over each hour, whatever order they come in", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 10, max: 30 }), { minLength: 6, maxLength: 60 }), (celsius) => {
        const readings = celsius.map((warm, index) => ({ at: NOW + index * 10, celsius: warm, relativeHumidity: 50 }));
        const made = hourly(readings);
        expect(hourly([...readings].reverse())).toEqual(made);
        if (!made.ok) throw new Error(made.says);
        const first = celsius.slice(0, 6).reduce((sum, value) => sum + value, 0) / 6;
        expect(made.hours[0]![0]).toBeCloseTo(first, 0);
      }),
    );
  });

  it("are refused past three weeks", () => {
    expect(hourly(kept(MOST_HOURS + 2))).toMatchObject({ ok: false, says: expect.stringContaining("three weeks") });
  });
});

describe("a logger in the room", () => {
  it("gives its hours and the last it told", () => {
    const air = loggedAir(kept(72), NOW);
    expect(air).toMatchObject({ ok: true, filled: 0, notes: [], latest: { at: NOW } });
    if (air.ok) expect(air.hours).toHaveLength(73);
  });

  it("has the odd absurd reading left out and told", () => {
    const readings = kept(48).map((reading, index) => (index === 20 ? { ...reading, celsius: 850 } : reading));
    const air = loggedAir(readings, NOW);
    expect(air).toMatchObject({ ok: true, notes: [expect.stringContaining("850 °C")] });
    if (air.ok) expect(Math.max(...air.hours.map(([warm]) => warm))).toBeLessThan(20);
  });

  it.each([
    ["is absurd", kept(48, 0, () => [85, 0]), /no room can be.*heater/],
    ["hangs", kept(48, 0, () => [21, 50]), /has frozen/],
    ["has kept nothing", [], /no readings yet/],
    ["is young", kept(5), /5 h of readings so far, and at least a day/],
    ["was silent till just now", [...kept(96, 48), ...kept(4)], /Since the gap .* at least a day/],
  ] as const)("is refused with the reason where it %s", (_, readings, says) => {
    const air = loggedAir(readings, NOW);
    expect(air.ok).toBe(false);
    if (!air.ok) expect(air.says).toMatch(says);
  });

  it("is used from after its last long gap, and says so; a gap of three hours is bridged", () => {
    const after = loggedAir([...kept(200, 60), ...kept(40)], NOW);
    expect(after).toMatchObject({ ok: true, notes: [expect.stringContaining("a gap before")] });
    if (after.ok) expect(after.hours).toHaveLength(41);
    const bridged = loggedAir([...kept(60, 30), ...kept(27)], NOW);
    expect(bridged).toMatchObject({ ok: true, notes: [] });
  });

  it("that last spoke long ago is used with a word about it", () => {
    expect(loggedAir(kept(96, 24), NOW)).toMatchObject({
      ok: true,
      notes: [expect.stringMatching(/last reading was 24 h ago/)],
    });
  });

  it("that has kept more than three weeks is cut to the last three", () => {
    const air = loggedAir(kept(30 * 24), NOW);
    expect(air.ok && air.hours.length).toBeLessThanOrEqual(MOST_HOURS);
    expect(air.ok && air.hours.length).toBeGreaterThan(MOST_HOURS - 2);
  });

  it("never throws, and never makes hours that no room can be", () => {
    const reading = fc.record({
      at: fc.integer({ min: NOW - 40 * DAY, max: NOW + DAY }),
      celsius: fc.double({ noNaN: false, min: -300, max: 1000 }),
      relativeHumidity: fc.double({ noNaN: false, min: -10, max: 200 }),
    });
    fc.assert(
      fc.property(fc.array(reading, { maxLength: 60 }), (readings) => {
        const air = loggedAir([...kept(30), ...readings], NOW + DAY);
        if (air.ok)
          for (const [warm, damp] of air.hours) {
            expect(warm).toBeGreaterThanOrEqual(-20);
            expect(warm).toBeLessThanOrEqual(50);
            expect(damp).toBeGreaterThanOrEqual(1);
            expect(damp).toBeLessThanOrEqual(100);
          }
      }),
    );
  });
});
