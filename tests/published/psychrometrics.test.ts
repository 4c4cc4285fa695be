import psychrolib from "psychrolib";
import { describe, expect, it } from "vitest";
import { dewPoint, saturationPressure, vapourDensity, wetBulb } from "#core/drying/air";

// ASHRAE Handbook of Fundamentals, chapter 1, as implemented by psychrolib: within half a per cent, or 0.2 K.

psychrolib.SetUnitSystem(psychrolib.SI);
const PASCAL = 101_325;

const AIRS = [5, 10, 15, 20, 23, 30, 38].flatMap((celsius) =>
  [20, 40, 50, 65, 80, 95].map((humidity) => [celsius, humidity]),
);

describe("air as the ASHRAE handbook reckons it", () => {
  it.each([0, 5, 10, 15, 20, 25, 30, 40])("saturation pressure at %d °C", (celsius) => {
    const theirs = psychrolib.GetSatVapPres(celsius) / 100;
    expect(Math.abs(saturationPressure(celsius) / theirs - 1)).toBeLessThan(0.005);
  });

  it.each(AIRS)("dew point at %d °C and %d %%", (celsius, humidity) => {
    const theirs = psychrolib.GetTDewPointFromRelHum(celsius, humidity / 100);
    // below freezing the handbook's curve is that of ice
    if (theirs > 0) expect(Math.abs(dewPoint(celsius, humidity) - theirs)).toBeLessThan(0.2);
  });

  it.each(AIRS)("wet bulb at %d °C and %d %%", (celsius, humidity) => {
    const theirs = psychrolib.GetTWetBulbFromRelHum(celsius, humidity / 100, PASCAL);
    if (theirs > 0) expect(Math.abs(wetBulb(celsius, humidity) - theirs)).toBeLessThan(0.2);
  });

  it.each(AIRS)("water in the air at %d °C and %d %%", (celsius, humidity) => {
    const ratio = psychrolib.GetHumRatioFromRelHum(celsius, humidity / 100, PASCAL);
    const volume = psychrolib.GetMoistAirVolume(celsius, ratio, PASCAL);
    const theirs = (1000 * ratio) / volume;
    expect(Math.abs(vapourDensity(celsius, humidity) / theirs - 1)).toBeLessThan(0.005);
  });
});

describe("worked values of handbooks", () => {
  // the usual chart at sea level: 25 °C and 50 % has a wet bulb of 17.9 °C and a dew point of 13.9 °C
  it("25 °C and 50 %", () => {
    expect(wetBulb(25, 50)).toBeCloseTo(17.9, 0);
    expect(dewPoint(25, 50)).toBeCloseTo(13.9, 0);
  });
});
