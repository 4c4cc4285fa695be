import type { Reading } from "#core/plan/readings";
import { DAY, HOUR, type Minutes, type WallMinutes } from "#core/units/units";

/** Minutes between two readings. */
export const EVERY: Minutes = 10;

const wave = (at: WallMinutes, period: Minutes, phase: number) => Math.sin(2 * Math.PI * (at / period + phase));

/** A small wobble that is always the same for the same minute. */
function wobble(at: WallMinutes, salt: number): number {
  const mixed = Math.imul(Math.floor(at / EVERY) ^ (salt * 0x9e3779b1), 0x85ebca6b);
  return ((mixed ^ (mixed >>> 13)) >>> 0) / 2 ** 31 - 1;
}

/** The invented air of the finishing loft: warm when the stove is lit, with weather passing in spells of days. */
export function loftAirAt(at: WallMinutes): Reading {
  const stove = -Math.cos((2 * Math.PI * (at - 3 * HOUR)) / DAY);
  const weather = 1.1 * wave(at, 5.3 * DAY, 0.2) + 0.6 * wave(at, 2.7 * DAY, 0.6);
  const celsius = 17.6 + 3.2 * stove + weather + 0.15 * wobble(at, 1);
  const relativeHumidity = 58.5 - 6.5 * stove - 2.2 * weather + 0.8 * wobble(at, 2);
  const tenth = (value: number) => Math.round(value * 10) / 10;
  return { at, celsius: tenth(celsius), relativeHumidity: tenth(relativeHumidity) };
}

/** Readings from one instant to another, as the logger keeps them. */
export function loftReadings(from: WallMinutes, to: WallMinutes): Reading[] {
  const readings: Reading[] = [];
  for (let at = Math.ceil(from / EVERY) * EVERY; at <= to; at += EVERY) readings.push(loftAirAt(at));
  return readings;
}
