import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { DAY, HOUR } from "../units/units.ts";
import { type Air, dewPoint, STANDARD_AIR, wetBulb } from "./air.ts";
import { Climate, STANDARD_CLIMATE } from "./climate.ts";
import { openBetween, openFrom } from "./gate.ts";
import { type DryingCoat, dryerRate, dryingRate, stretchOf } from "./law.ts";

const water: DryingCoat = { leaves: "water", load: 1, drawnBy: 0, warmed: 0 };
const oil: DryingCoat = { ...water, leaves: "solvent" };
const steady = (celsius: number, relativeHumidity: number, speed = 0) =>
  new Climate({ usual: [{ celsius, relativeHumidity, speed }] });
const takes = (climate: Climate, coat: DryingCoat = water, minutes = 2 * HOUR) =>
  climate.takes(coat, "recoat", 0, minutes);

const anyAir = fc.record({
  celsius: fc.double({ min: -5, max: 40, noNaN: true }),
  relativeHumidity: fc.double({ min: 5, max: 100, noNaN: true }),
  speed: fc.constantFrom(0, 1),
});
const anyCourse = fc.record({
  usual: fc.oneof(fc.array(anyAir, { minLength: 24, maxLength: 24 }), fc.tuple(anyAir)),
  known: fc.option(
    fc.record({
      from: fc.integer({ min: -40, max: 400 }).map((hour) => hour * HOUR),
      hours: fc.array(anyAir, { minLength: 1, maxLength: 60 }),
    }),
    { nil: undefined },
  ),
});
const anyCoat: fc.Arbitrary<DryingCoat> = fc.record({
  leaves: fc.constantFrom("water" as const, "solvent" as const),
  load: fc.double({ min: 0.4, max: 2.5, noNaN: true }),
  drawnBy: fc.double({ min: 0, max: 1, noNaN: true }),
  warmed: fc.constant(0),
});
const anyStage = fc.constantFrom("touch", "recoat", "through", "before clear", "cure", "tack" as const);

describe("what a painter knows of drying", () => {
  it("the tin's minutes are the minutes of standard air", () => {
    expect(dryingRate(0.6, STANDARD_AIR)).toBe(1);
    expect(takes(STANDARD_CLIMATE)).toBe(120);
  });

  it("cold slows, damp slows, moving air and warmth hasten", () => {
    expect(takes(steady(14, 50))).toBeGreaterThan(1.4 * 120);
    expect(takes(steady(23, 80))).toBeGreaterThan(1.5 * 120);
    expect(takes(steady(30, 50))).toBeLessThan(120);
    expect(takes(steady(23, 50, 1))).toBeLessThan(0.7 * 120);
  });

  it("warmth alone about doubles the pace every ten degrees", () => {
    for (const celsius of [10, 15, 20]) {
      const ratio = takes(steady(celsius, 50), oil) / takes(steady(celsius + 10, 50), oil);
      expect(ratio).toBeGreaterThan(1.8);
      expect(ratio).toBeLessThan(2.3);
    }
  });

  it("oil does not mind the damp", () => {
    expect(takes(steady(23, 85), oil)).toBeCloseTo(takes(steady(23, 40), oil), 9);
  });

  it("a thin coat dries faster, a thick one slower, in depth by the square", () => {
    expect(stretchOf({ ...water, load: 0.5 }, "touch")).toBe(0.5);
    expect(stretchOf({ ...water, load: 2 }, "through")).toBe(4);
    expect(stretchOf({ ...water, load: 2 }, "recoat")).toBeCloseTo(2 ** 1.5, 9);
  });

  it("a thirsty surface draws a coat touch dry earlier, but not dry through", () => {
    const drawn = { ...water, drawnBy: 0.9 };
    expect(stretchOf(drawn, "touch")).toBeLessThan(0.85);
    expect(stretchOf(drawn, "through")).toBe(1);
  });

  it("a few minutes of a hair-dryer are worth the better part of an hour", () => {
    expect(4 * dryerRate(water, "touch")).toBeGreaterThan(30);
    expect(4 * dryerRate(water, "touch")).toBeLessThan(90);
    const warmed = { ...water, warmed: 4 };
    expect(takes(STANDARD_CLIMATE, warmed)).toBeLessThan(120 - 20);
  });

  it("at 12 °C and 76 % a wait is hours longer than at 20 °C and 50 %", () => {
    const night = takes(steady(12, 76), water, 4 * HOUR);
    const day = takes(steady(20, 50), water, 4 * HOUR);
    expect(night - day).toBeGreaterThan(4 * HOUR);
  });
});

describe("drying by the hour", () => {
  const coldNights = new Climate({
    usual: Array.from(
      { length: 24 },
      (_, hour): Air =>
        hour >= 8 && hour < 20
          ? { celsius: 20, relativeHumidity: 50, speed: 0 }
          : { celsius: 6, relativeHumidity: 80, speed: 0 },
    ),
  });

  it("a coat of the evening is ready far later than the same in the morning", () => {
    const morning = coldNights.takes(water, "recoat", 8 * HOUR, 4 * HOUR);
    const evening = coldNights.takes(water, "recoat", 19 * HOUR, 4 * HOUR);
    expect(evening - morning).toBeGreaterThan(6 * HOUR);
  });

  it("known hours count before the usual day", () => {
    const heated = new Climate({
      usual: coldNights.course.usual,
      known: { from: 20 * HOUR, hours: Array(12).fill({ celsius: 20, relativeHumidity: 50, speed: 0 }) },
    });
    expect(heated.at(22 * HOUR).celsius).toBe(20);
    expect(heated.at(DAY + 22 * HOUR).celsius).toBe(6);
    expect(heated.takes(water, "recoat", 19 * HOUR, 4 * HOUR)).toBeLessThan(6 * HOUR);
  });

  it("what is gathered over a wait is what the wait was for", () => {
    fc.assert(
      fc.property(
        anyCourse,
        anyCoat,
        anyStage,
        fc.integer({ min: -3000, max: 30_000 }),
        fc.integer({ min: 0, max: 20_000 }),
        (course, coat, stage, from, reference) => {
          const climate = new Climate(course);
          const minutes = climate.takes(coat, stage, from, reference);
          expect(minutes).toBeGreaterThanOrEqual(0);
          expect(climate.dried(coat, stage, from, from + minutes)).toBeCloseTo(reference, 3);
        },
      ),
    );
  });

  it("a later beginning never ends earlier", () => {
    fc.assert(
      fc.property(
        anyCourse,
        anyCoat,
        anyStage,
        fc.integer({ min: -3000, max: 20_000 }),
        fc.integer({ min: 0, max: 3000 }),
        (course, coat, stage, from, more) => {
          const climate = new Climate(course);
          const ends = (at: number) => at + climate.takes(coat, stage, at, 300);
          expect(ends(from + more)).toBeGreaterThanOrEqual(ends(from) - 1e-6);
        },
      ),
    );
  });

  it("the sum of parts is the whole, whatever the hours", () => {
    fc.assert(
      fc.property(
        anyCourse,
        anyCoat,
        fc.tuple(
          fc.integer({ min: -3000, max: 20_000 }),
          fc.integer({ min: 0, max: 5000 }),
          fc.integer({ min: 0, max: 5000 }),
        ),
        (course, coat, [from, one, two]) => {
          const climate = new Climate(course);
          const parts =
            climate.dried(coat, "recoat", from, from + one) +
            climate.dried(coat, "recoat", from + one, from + one + two);
          expect(climate.dried(coat, "recoat", from, from + one + two)).toBeCloseTo(parts, 6);
        },
      ),
    );
  });
});

describe("gates in a room", () => {
  const label = [openBetween("tack", { typical: 10, safe: 15 }, { typical: 60, safe: 50 })];

  it("stand as on the tin in standard air", () => {
    expect(STANDARD_CLIMATE.gates(label, water, 500)).toBe(label);
  });

  it("open later and shut later in damp air, to the whole minute on the safe side", () => {
    const [gate] = steady(18, 70).gates(label, water, 0);
    expect(gate!.opens.safe).toBeGreaterThan(15);
    expect(gate!.shuts!.safe).toBeGreaterThan(50);
    expect(gate!.opens.safe).toBe(Math.ceil(gate!.opens.safe));
    expect(gate!.shuts!.safe).toBe(Math.floor(gate!.shuts!.safe));
  });

  it("shut in minutes where it is dry and hot", () => {
    const [gate] = steady(38, 15, 1).gates(label, water, 0);
    expect(gate!.shuts!.safe).toBeLessThan(15);
  });

  it("go by the clock where nothing dries", () => {
    const gates = [openFrom("recoat", { typical: 60, safe: 60 })];
    expect(steady(5, 95).gates(gates, { ...water, leaves: "nothing" }, 0)).toBe(gates);
  });
});

describe("air", () => {
  it("a wet face comes to rest between the dew point and the air", () => {
    fc.assert(
      fc.property(anyAir, ({ celsius, relativeHumidity }) => {
        const wet = wetBulb(celsius, relativeHumidity);
        expect(wet).toBeLessThanOrEqual(celsius + 0.01);
        expect(wet).toBeGreaterThanOrEqual(dewPoint(celsius, relativeHumidity) - 0.01);
      }),
    );
  });
});
