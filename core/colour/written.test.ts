import { lab65 } from "culori";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CATALOGUE } from "../materials/catalogue.ts";
import { colourDifference, labOf } from "./difference.ts";
import { colourOfMix, nearestMixes } from "./nearest-mix.ts";
import { readColour } from "./written.ts";

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, "0")}`);

describe("a colour as it is written", () => {
  it.each([
    ["#a9bdb3", "#a9bdb3"],
    ["A9BDB3", "#a9bdb3"],
    [" #abc ", "#aabbcc"],
    ["Lab 100 0 0", "#ffffff"],
    ["lab(0, 0, 0)", "#000000"],
    ["53,6 0 0", "#808080"],
    ["L*a*b* 53.6; 0; 0", "#808080"],
  ])("%s is %s", (text, colour) => {
    const read = readColour(text);
    expect(read.ok && colourDifference(read.colour, colour)).toBeLessThan(0.4);
  });

  it("as hex and as the Lab of that hex is the same colour", () => {
    fc.assert(
      fc.property(hex, (colour) => {
        expect(readColour(colour)).toEqual({ ok: true, colour });
        const { l, a, b } = lab65(colour)!;
        const read = readColour(`Lab ${l.toFixed(3)} ${a.toFixed(3)} ${b.toFixed(3)}`);
        expect(read.ok && read.colour).toBe(colour);
      }),
    );
  });

  it.each([
    ["", "Write it like #a9bdb3, or in Lab like Lab 74 -8 4."],
    ["greenish", "Write it like #a9bdb3, or in Lab like Lab 74 -8 4."],
    ["#12345", "Write it like #a9bdb3, or in Lab like Lab 74 -8 4."],
    ["#gggggg", "Write it like #a9bdb3, or in Lab like Lab 74 -8 4."],
    ["Lab 1 2", "Write it like #a9bdb3, or in Lab like Lab 74 -8 4."],
    ["Lab 120 0 0", "L runs from 0, black, to 100, white; 120 is outside."],
    ["Lab 50 200 0", "a and b run from -150 to 150; no paint goes further."],
  ])("%j is refused: %s", (text, says) => {
    expect(readColour(text)).toEqual({ ok: false, says });
  });

  it("that no screen shows is refused with the nearest that it does", () => {
    const read = readColour("Lab 60 -120 100");
    expect(read.ok).toBe(false);
    expect(!read.ok && read.says).toMatch(
      /^Lab 60 -120 100 is more vivid than a screen can show; the nearest it shows is #00[0-9a-f]{4}\.$/,
    );
  });
});

describe("the nearest mix", () => {
  const paints = CATALOGUE.filter(({ role }) => role === "paint");
  const paint = (id: string) => CATALOGUE.find((material) => material.id === id)!;

  it("finds again a mix that was made of what is on the shelf", () => {
    for (const [one, two, parts] of [
      ["chalk-slate", "chalk-bone-white", [1, 3]],
      ["craft-ultramarine", "chalk-mustard", [1, 2]],
      ["milk-barn-red", "milk-ochre", [2, 1]],
    ] as const) {
      const wanted = colourOfMix([
        { material: paint(one), parts: parts[0] },
        { material: paint(two), parts: parts[1] },
      ]);
      expect(nearestMixes(wanted, paints)[0]!.difference).toBeLessThan(1.5);
    }
  });

  it("for a paint's own colour is that paint alone", () => {
    for (const paint of paints.slice(0, 8)) {
      const [best] = nearestMixes(paint.colour, paints);
      expect(best!.difference).toBeLessThan(1.5);
      expect(best!.parts).toHaveLength(1);
    }
  });

  it("says truly how far each mix is, gives ways that differ, and none that may not share a pot", () => {
    fc.assert(
      fc.property(hex, (wanted) => {
        const few = paints.slice(0, 12);
        const mixes = nearestMixes(wanted, few, { together: (a, b) => a.binder === b.binder, most: 5 });
        expect(mixes.length).toBeGreaterThan(0);
        const sets = mixes.map(({ parts }) =>
          parts
            .map(({ material }) => material.id)
            .sort()
            .join(),
        );
        expect(new Set(sets).size).toBe(sets.length);
        for (const { parts, colour, difference } of mixes) {
          expect(colourOfMix(parts)).toBe(colour);
          expect(colourDifference(colour, wanted)).toBeCloseTo(difference, 6);
          expect(new Set(parts.map(({ material }) => material.binder)).size).toBe(1);
          for (const { parts: count } of parts) expect(Number.isInteger(count)).toBe(true);
        }
      }),
      { numRuns: 12 },
    );
  });

  it("of nothing is nothing", () => {
    expect(nearestMixes("#808080", [])).toEqual([]);
  });

  it("come in order of nearness, whatever is asked for", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffff }), (value) => {
        const mixes = nearestMixes(`#${value.toString(16).padStart(6, "0")}`, paints, { most: 6 });
        const differences = mixes.map(({ difference }) => difference);
        expect(differences).toEqual([...differences].sort((a, b) => a - b));
      }),
      { numRuns: 12 },
    );
  });

  it("hold the tins that are locked, one, two or three", () => {
    for (const count of [1, 2, 3]) {
      const must = paints.slice(3, 3 + count);
      const mixes = nearestMixes("#7d8a80", paints, { must, most: 4 });
      expect(mixes.length).toBeGreaterThan(0);
      for (const { parts } of mixes)
        expect(parts.map(({ material }) => material.id)).toEqual(expect.arrayContaining(must.map(({ id }) => id)));
    }
  });

  it("of more white is lighter", () => {
    const mix = (white: number) =>
      labOf(
        colourOfMix([
          { material: paint("chalk-slate"), parts: 2 },
          { material: paint("chalk-bone-white"), parts: white },
        ]),
      ).l;
    expect(mix(4)).toBeGreaterThan(mix(2));
    expect(mix(2)).toBeGreaterThan(mix(1));
  });
});
