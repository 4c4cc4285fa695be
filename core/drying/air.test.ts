import { describe, expect, it } from "vitest";
import { dewPoint, saturationPressure } from "./air.ts";

describe("air", () => {
  // saturation pressure over water, hPa: the common handbook table
  it.each([
    [0, 6.11],
    [10, 12.27],
    [20, 23.39],
    [30, 42.46],
  ])("at %d °C water vapour saturates at %f hPa", (celsius, hectopascals) => {
    expect(Math.abs(saturationPressure(celsius) / hectopascals - 1)).toBeLessThan(0.005);
  });

  it.each([
    [20, 50, 9.3],
    [23, 50, 12.0],
    [25, 80, 21.3],
    [10, 90, 8.4],
  ])("at %d °C and %d %% dew settles at %f °C", (celsius, humidity, dew) => {
    expect(Math.abs(dewPoint(celsius, humidity) - dew)).toBeLessThan(0.2);
  });

  it("is the air's own temperature when the air is full", () => {
    for (const celsius of [-5, 0, 12, 30]) expect(dewPoint(celsius, 100)).toBeCloseTo(celsius, 6);
  });
});
