import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { colourDifference } from "../colour/difference.ts";
import { opticsOf } from "../colour/material-colour.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { Material } from "../materials/material.ts";
import { nonsenseIn } from "../materials/sense.ts";
import { MIX_BY, type Mix, Mix as MixSchema, readMixText, sayMix } from "../plan/mix.ts";
import { withMix } from "../plan/old-mix.ts";
import { dryFilm } from "../quantity/spread.ts";
import { materialOf } from "./mixed-material.ts";
import { letDown, potOf } from "./pot.ts";

const materials = new Map(CATALOGUE.map((material) => [material.id, material]));
const material = (id: string) => materials.get(id)!;

const mix = (parts: number, others: [string, number][], more: Partial<Mix> = {}): Mix => ({
  by: "volume",
  parts,
  with: others.map(([what, of]) => ({ what, parts: of })),
  thinner: 0,
  ...more,
});
const potFor = (own: string, of: Mix) => potOf(of, material(own), materials)!;
const stirred = (own: string, of: Mix) => materialOf(potFor(own, of));

describe("what is measured out", () => {
  it("by volume goes in as it is said", () => {
    const { parts, strength } = potFor("glaze-clear", mix(70, [["mineral-storm", 30]]));
    expect(parts.map(({ share }) => share)).toEqual([0.7, 0.3]);
    expect(strength).toBe(1);
  });

  it("by weight gives less of what is heavy", () => {
    const [wax, paint] = potFor("wax-clear", mix(1, [["chalk-slate", 1]], { by: "weight" })).parts;
    expect(paint!.share).toBeLessThan(wax!.share);
  });

  it("a scoop of pigment is mostly air", () => {
    const [, pigment] = potFor("wax-clear", mix(3, [["pigment-umber", 1]], { by: "scoop" })).parts;
    expect(pigment!.share).toBeLessThan(0.12);
  });

  it("milk paint is rated at a scoop of powder to a scoop of water; by weight two to one it is thicker", () => {
    expect(potFor("milk-ochre", mix(1, [], { by: "scoop", thinner: 1 })).strength).toBeCloseTo(1, 6);
    expect(potFor("milk-ochre", mix(1, [], { by: "scoop", thinner: 2 })).strength).toBeLessThan(0.7);
    expect(potFor("milk-ochre", mix(2, [], { by: "weight", thinner: 1 })).strength).toBeGreaterThan(1.3);
  });
});

describe("what is stirred together is a material", () => {
  it("three parts of paint to one of wax take no film over them, as the ready blend takes none", () => {
    const own = stirred("chalk-slate", mix(3, [["wax-clear", 1]]));
    const ready = material("wax-blend-slate");
    expect([own.binder, own.family, own.role]).toEqual([ready.binder, ready.family, ready.role]);
    expect(own.tooth.typical).toBeLessThan(0.5);
  });

  it("paint in clear glaze is a glaze with the colour of the paint, and works nearly as long as the medium", () => {
    const glaze = stirred("glaze-clear", mix(70, [["chalk-slate", 30]]));
    expect([glaze.role, glaze.family, glaze.binder]).toEqual(["glaze", "tinted glaze", "glaze"]);
    expect(colourDifference(glaze.colour, material("chalk-slate").colour)).toBeLessThan(6);
    expect(glaze.contrastRatio.typical).toBeGreaterThan(0.1);
    expect(glaze.contrastRatio.typical).toBeLessThan(material("chalk-slate").contrastRatio.typical);
    expect(glaze.windows.open!.typical).toBeGreaterThan(0.5 * material("glaze-clear").windows.open!.typical);
  });

  it("paint with a little glaze is still paint", () => {
    expect(stirred("chalk-slate", mix(80, [["glaze-clear", 20]])).role).toBe("paint");
  });

  it("pigment in clear wax makes it a tinted wax", () => {
    const dark = stirred("wax-clear", mix(20, [["pigment-umber", 1]]));
    expect([dark.role, dark.family, dark.binder]).toEqual(["wax", "tinted wax", "wax"]);
    expect(dark.contrastRatio.typical).toBeGreaterThan(material("wax-clear").contrastRatio.typical);
  });

  it("paste with paint stays a paste, coloured", () => {
    const paste = stirred("texture-paste", mix(3, [["chalk-oxide-red", 1]]));
    expect(paste.role).toBe("paste");
    expect(colourDifference(paste.colour, material("texture-paste").colour)).toBeGreaterThan(5);
  });

  it("dissolves as easily as the softer of its parts", () => {
    const at = (one: Material, age: number) =>
      one.solubility!.curve.reduce((value, [from, soluble]) => (from <= age ? soluble : value), 0);
    const both = stirred("clay-moss", mix(1, [["mineral-oyster", 1]]));
    expect(at(both, 600)).toBeGreaterThanOrEqual(at(material("clay-moss"), 600) * 0.95);
  });

  it("two colours lie between the two", () => {
    const grey = stirred("chalk-bone-white", mix(1, [["chalk-lamp-black", 1]]));
    for (const id of ["chalk-bone-white", "chalk-lamp-black"])
      expect(colourDifference(grey.colour, material(id).colour)).toBeGreaterThan(5);
  });

  it("washes at 1 : 1, 1 : 3 and 20 : 1 leave films as unlike as they are", () => {
    const film = (water: number) => dryFilm(materialOf(letDown(material("chalk-slate"), water)));
    const whole = dryFilm(material("chalk-slate"));
    expect(film(1)).toBeCloseTo(whole / 2, 1);
    expect(film(3)).toBeCloseTo(whole / 4, 1);
    expect(film(1 / 20)).toBeCloseTo(whole / 1.05, 1);
  });

  it("straight from the tin it is the tin's own", () => {
    expect(materialOf(letDown(material("chalk-slate"), 0))).toBe(material("chalk-slate"));
  });
});

const anyMix: fc.Arbitrary<{ own: string; mix: Mix }> = fc.record({
  own: fc.constantFrom(...materials.keys()),
  mix: fc
    .record({
      by: fc.constantFrom(...MIX_BY),
      parts: fc.constantFrom(0.05, 1, 3, 70),
      with: fc.uniqueArray(
        fc.record({ what: fc.constantFrom(...materials.keys()), parts: fc.constantFrom(0.05, 1, 3, 30) }),
        { maxLength: 3, selector: ({ what }) => what },
      ),
      thinner: fc.constantFrom(0, 0.5, 3),
    })
    .filter((one) => one.with.length > 0 || one.thinner > 0),
});

describe("any mix", () => {
  it("is a material that the schema takes and that makes sense", () => {
    fc.assert(
      fc.property(anyMix, ({ own, mix: any }) => {
        const made = stirred(own, any);
        const read = Material.safeParse(JSON.parse(JSON.stringify(made)));
        expect(read.success, JSON.stringify(read.error?.issues)).toBe(true);
        // what its tins are faulted for, it may be too
        const known = [own, ...any.with.map(({ what }) => what)].flatMap((id) =>
          nonsenseIn(material(id)).map(({ where }) => where),
        );
        expect(nonsenseIn(made).filter(({ where }) => !known.includes(where))).toEqual([]);
        expect(opticsOf(made).k.every((value) => Number.isFinite(value) && value >= 0)).toBe(true);
      }),
      { numRuns: 300 },
    );
  });

  it("lies between its tins in what it is like, and is the same object when it is asked for again", () => {
    fc.assert(
      fc.property(anyMix, ({ own, mix: any }) => {
        const pot = potFor(own, any);
        const made = materialOf(pot);
        expect(materialOf(potFor(own, any))).toBe(made);
        for (const of of ["absorbency", "hardness", "gloss"] as const) {
          const tins = pot.parts.map((part) => part.material[of].typical);
          expect(made[of].typical).toBeGreaterThanOrEqual(Math.min(...tins) - 0.002);
          expect(made[of].typical).toBeLessThanOrEqual(Math.max(...tins) + 0.002);
        }
      }),
      { numRuns: 200 },
    );
  });

  it("thinner leaves less, and no more colour", () => {
    fc.assert(
      fc.property(anyMix, ({ own, mix: any }) => {
        const [one, two] = [stirred(own, { ...any, thinner: 5 }), stirred(own, { ...any, thinner: 10 })];
        expect(dryFilm(two)).toBeLessThanOrEqual(dryFilm(one) + 1e-6);
        expect(two.contrastRatio.typical).toBeLessThanOrEqual(one.contrastRatio.typical + 0.003);
      }),
      { numRuns: 150 },
    );
  });
});

describe("a mix in words", () => {
  it.each([
    ["70 : 30", "mineral-storm", mix(70, [["mineral-storm", 30]])],
    ["1 : 3 with water", undefined, mix(1, [], { thinner: 3 })],
    ["2:1 by weight", "wax-clear", mix(2, [["wax-clear", 1]], { by: "weight" })],
    ["1 : 1 : 0,5 with water", "clay-moss", mix(1, [["clay-moss", 1]], { thinner: 0.5 })],
  ])("is read from what older files wrote: %s", (text, second, read) => {
    expect(readMixText(text, second)).toEqual(read);
  });

  it.each(["", "a splash", "1 to 2", "0 : 1"])("is not guessed from: %s", (text) => {
    expect(readMixText(text, "clay-moss")).toBeNull();
  });

  it("says its parts in the order of its names", () => {
    const name = (id: string) => material(id).name.toLowerCase();
    expect(sayMix(mix(3, [["wax-clear", 1]]), name)).toBe("3 : 1 with clear paste wax");
    expect(sayMix(mix(1, [["clay-moss", 2]], { thinner: 0.5, by: "weight" }), name)).toBe(
      "1 : 2 : 0.5 with clay-type, moss and water, by weight",
    );
  });

  it("a step of an older file keeps what it said, in the note where it cannot be read", () => {
    expect(withMix({ id: "a", with: "clay-moss", ratio: "1 : 2" })).toEqual({
      id: "a",
      mix: mix(1, [["clay-moss", 2]]),
    });
    expect(withMix({ id: "a", with: "clay-moss" })).toEqual({ id: "a", mix: mix(1, [["clay-moss", 1]]) });
    expect(withMix({ id: "a", ratio: "a splash", note: "stir" })).toEqual({ id: "a", note: "Mix: a splash. stir" });
    expect(withMix({ with: null, ratio: null })).toEqual({ mix: null });
    expect(withMix({ id: "a" })).toEqual({ id: "a" });
  });

  it("refuses a mix of one thing, and a material twice", () => {
    expect(MixSchema.safeParse({ parts: 1 }).success).toBe(false);
    expect(
      MixSchema.safeParse(
        mix(1, [
          ["clay-moss", 1],
          ["clay-moss", 2],
        ]),
      ).success,
    ).toBe(false);
  });
});
