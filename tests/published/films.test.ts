import { lab65, rgb, xyz65 } from "culori";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { BANDS, bandsOf, linearOfSpectrum, luminanceOf } from "#core/colour/bands";
import { coatsToHide } from "#core/colour/coats-to-hide";
import { colourDifference, labOf, lightness } from "#core/colour/difference";
import {
  absorptionRatio,
  contrastRatioOf,
  filmLight,
  filmOver,
  fromMasstone,
  fromSwatches,
  masstoneOf,
  mixed,
  over,
} from "#core/colour/film";
import {
  bodyColour,
  coatsOver,
  filmColour,
  innerSpectrum,
  isMetallic,
  isTranslucent,
  onChart,
  opticsOf,
  opticsOfMix,
} from "#core/colour/material-colour";
import { FIRST_NANOMETRE, NANOMETRE_STEP, OBSERVER, POWER } from "#core/colour/observer";
import { spectrumOf, spectrumOfLinear } from "#core/colour/reflectance";
import { hexOf, linearOf, toLinear, toScreen } from "#core/colour/screen";
import { dryTerm, innerOf, seenOf, WET } from "#core/colour/surface-term";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import { dryFilm } from "#core/quantity/spread";

const material = (id: string): Material => CATALOGUE.find((material) => material.id === id)!;
const positive = (max: number) => fc.double({ min: 1e-4, max, noNaN: true });
const share = fc.double({ min: 0, max: 0.98, noNaN: true });
const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, "0")}`);
/** Colours a paint can have: neither blacker than soot nor brighter than whitewash, nor as vivid as a lamp. */
const paintHex = fc
  .tuple(fc.double({ min: 0.02, max: 0.9, noNaN: true }), share, share, share)
  .map(([light, r, g, b]) => hexOf([light * (0.4 + 0.6 * r), light * (0.4 + 0.6 * g), light * (0.4 + 0.6 * b)]));

describe("a film by Kubelka and Munk", () => {
  it("is nothing where it has no thickness: the ground is seen", () => {
    fc.assert(
      fc.property(positive(5), positive(5), share, (k, s, ground) => {
        expect(over(filmLight(k, s, 0), ground)).toBe(ground);
      }),
    );
  });

  it("without end is its masstone, 1 + K/S − √((K/S)² + 2K/S), whatever lies beneath", () => {
    fc.assert(
      fc.property(positive(3), positive(3), share, (k, s, ground) => {
        expect(over(filmLight(k, s, 1e5), ground)).toBeCloseTo(masstoneOf(k, s), 9);
      }),
    );
  });

  it("is the closed form of the hyperbolic solution", () => {
    fc.assert(
      fc.property(positive(2), positive(2), positive(4), share, (k, s, thickness, ground) => {
        const a = (s + k) / s;
        const b = Math.sqrt(a * a - 1);
        const coth = 1 / Math.tanh(b * s * thickness);
        const closed = (1 - ground * (a - b * coth)) / (a - ground + b * coth);
        expect(over(filmLight(k, s, thickness), ground)).toBeCloseTo(closed, 6);
      }),
    );
  });

  it("that does not absorb turns back SX / (1 + SX) over black, and lets the rest through", () => {
    fc.assert(
      fc.property(positive(3), positive(20), (s, thickness) => {
        const { back, through } = filmLight(0, s, thickness);
        expect(back).toBeCloseTo((s * thickness) / (1 + s * thickness), 9);
        expect(back + through).toBeCloseTo(1, 9);
      }),
    );
  });

  it("that does not scatter is Beer's law: e to the −KX, there and back", () => {
    fc.assert(
      fc.property(positive(3), positive(5), share, (k, thickness, ground) => {
        expect(over(filmLight(k, 0, thickness), ground)).toBeCloseTo(ground * Math.exp(-2 * k * thickness), 9);
      }),
    );
  });

  it("laid twice at half its thickness is the same film", () => {
    fc.assert(
      fc.property(positive(2), positive(2), positive(4), share, (k, s, thickness, ground) => {
        const half = filmLight(k, s, thickness / 2);
        expect(over(half, over(half, ground))).toBeCloseTo(over(filmLight(k, s, thickness), ground), 9);
      }),
    );
  });

  it("never turns back less than nothing or more than all, and tends one way with thickness", () => {
    fc.assert(
      fc.property(positive(5), positive(5), positive(10), share, (k, s, thickness, ground) => {
        const seen = over(filmLight(k, s, thickness), ground);
        expect(seen).toBeGreaterThanOrEqual(0);
        expect(seen).toBeLessThanOrEqual(1);
        const towards = masstoneOf(k, s);
        const more = over(filmLight(k, s, thickness * 1.5), ground);
        expect(Math.abs(more - towards)).toBeLessThanOrEqual(Math.abs(seen - towards) + 1e-12);
      }),
    );
  });

  it("tells its masstone from K/S and K/S from its masstone", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.98, noNaN: true }), (masstone) => {
        expect(masstoneOf(absorptionRatio(masstone), 1)).toBeCloseTo(masstone, 9);
      }),
    );
  });
});

describe("K and S of a paint", () => {
  it("from masstone and contrast ratio give that contrast ratio back (ISO 6504-3)", () => {
    fc.assert(
      fc.property(paintHex, fc.double({ min: 0.1, max: 0.98, noNaN: true }), positive(80), (colour, ratio, film) => {
        const optics = fromMasstone(innerSpectrum(colour, 0.05), ratio, film);
        expect(contrastRatioOf(optics, film)).toBeCloseTo(ratio, 3);
        expect(contrastRatioOf(optics, 2 * film)).toBeGreaterThan(ratio);
      }),
      { numRuns: 60 },
    );
  });

  it("from two swatches give both swatches back", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.15, max: 0.85, noNaN: true }),
        fc.double({ min: 0.05, max: 0.9, noNaN: true }),
        (white, part) => {
          const overWhite = new Float64Array(8).fill(white);
          // over black a film is darker than over white by at least what it lets through
          const overBlack = new Float64Array(8).fill(white * part * part);
          const optics = fromSwatches(overWhite, overBlack, 12);
          const got = filmOver(optics, 12, new Float64Array(8).fill(0.9));
          if (optics.s[0]! > 0) expect(filmOver(optics, 12, new Float64Array(8))[0]).toBeCloseTo(overBlack[0]!, 4);
          expect(got[0]).toBeCloseTo(white, 3);
        },
      ),
    );
  });

  it("of every material of the catalogue give its colour in a thick coat, and its chart in a thin one", () => {
    for (const material of CATALOGUE) {
      const chart = onChart(material);
      if (material.swatches) {
        expect(colourDifference(chart.overWhite, material.swatches.overWhite)).toBeLessThan(1.5);
        expect(lightness(chart.overBlack)).toBeLessThan(lightness(chart.overWhite));
      } else if (!isMetallic(material)) {
        expect(colourDifference(coatsOver(material, 60, "#808080"), material.colour)).toBeLessThan(0.6);
        expect(contrastRatioOf(opticsOf(material), dryFilm(material))).toBeCloseTo(material.contrastRatio.typical, 2);
      }
      expect(bodyColour(material)).toMatch(/^#[0-9a-f]{6}$/);
    }
    expect(isTranslucent(material("glaze-umber"))).toBe(true);
    expect(isTranslucent(material("chalk-slate"))).toBe(false);
    expect(isTranslucent(material("leaf-imitation-gold"))).toBe(false);
  });
});

describe("what a painter knows of colour", () => {
  const paint = (colour: string): Material => ({
    ...material("craft-ultramarine"),
    id: "p",
    colour,
    contrastRatio: { typical: 0.95, safe: 0.95, origin: "from memory" },
  });
  const mix = (a: string, b: string) =>
    filmColour(
      opticsOfMix([
        { material: paint(a), parts: 1 },
        { material: paint(b), parts: 1 },
      ]),
      2000,
      "#ffffff",
      0.05,
    );

  it("blue and yellow make green, not the grey that a mean of the two is", () => {
    const green = labOf(mix("#2f5f9e", "#e3c23c"));
    expect(green.a).toBeLessThan(-12);
    expect(green.b).toBeGreaterThan(5);
  });

  it("a mix is darker than the mean of its parts", () => {
    fc.assert(
      fc.property(paintHex, paintHex, (a, b) => {
        const mean = (lightness(a) + lightness(b)) / 2;
        expect(lightness(mix(a, b))).toBeLessThan(mean + 4);
      }),
      { numRuns: 40 },
    );
  });

  it("brown glaze over blue-green deepens it without greying to mud", () => {
    const under = "#5d9490";
    const glazed = labOf(coatsOver(material("glaze-umber"), 1, under));
    const before = labOf(under);
    expect(glazed.l).toBeLessThan(before.l - 8);
    expect(Math.hypot(glazed.a, glazed.b)).toBeGreaterThan(4);
  });

  it("white wax over near-black goes bluish", () => {
    const black = "#2a2827";
    const seen = labOf(coatsOver(material("wax-white"), 1, black));
    expect(seen.l).toBeGreaterThan(labOf(black).l + 10);
    expect(seen.b).toBeLessThan(labOf(black).b - 2);
  });

  it("clear coats and wax darken a matt face and deepen it, oil varnish ambers white", () => {
    const slate = "#56646b";
    // the matt face behind a slate that is seen dry, looked at through a sealed surface
    const inner = innerSpectrum(slate, 0.03);
    const sealed = Float64Array.from(inner, (value) => seenOf(value, dryTerm(0.4)));
    expect(lightness(hexOf(linearOfSpectrum(sealed)))).toBeLessThan(lightness(slate) - 3);
    const white = labOf(coatsOver(material("varnish-oil"), 1, "#f2f0ea"));
    expect(white.b).toBeGreaterThan(labOf("#f2f0ea").b + 6);
  });

  it("white over black needs the coats that its hiding power says, and fewer over grey", () => {
    for (const material of CATALOGUE.filter(({ role }) => role === "paint")) {
      const ratio = (coats: number) => contrastRatioOf(opticsOf(material), coats * dryFilm(material));
      const { onChart: coats, overGround } = coatsToHide(material, "#202020");
      expect(coats).not.toBeNull();
      expect(ratio(coats!)).toBeGreaterThanOrEqual(0.98);
      if (coats! > 1) expect(ratio(coats! - 1)).toBeLessThan(0.98);
      expect(overGround).not.toBeNull();
    }
    const white = material("milk-curd");
    expect(coatsToHide(white, "#202020").overGround!).toBeGreaterThan(coatsToHide(white, "#d8d2c2").overGround!);
    expect(coatsToHide(material("clear-coat-satin"), "#ffffff").onChart).toBeNull();
  });

  it("strong white over dark timber takes two or three coats (common practice)", () => {
    const { overGround } = coatsToHide(material("chalk-bone-white"), "#6b4a2c");
    expect(overGround).toBeGreaterThanOrEqual(2);
    expect(overGround).toBeLessThanOrEqual(3);
  });

  it("a mix of one paint with itself is that paint, and parts count only against each other", () => {
    const slate = material("chalk-slate");
    const { k, s } = opticsOfMix([
      { material: slate, parts: 3 },
      { material: slate, parts: 5 },
    ]);
    k.forEach((value, band) => {
      expect(value).toBeCloseTo(opticsOf(slate).k[band]!, 12);
      expect(s[band]).toBeCloseTo(opticsOf(slate).s[band]!, 12);
    });
    const optics = mixed([
      { optics: opticsOf(slate), part: 1 },
      { optics: opticsOf(material("chalk-mustard")), part: 2 },
    ]);
    const same = mixed([
      { optics: opticsOf(slate), part: 4 },
      { optics: opticsOf(material("chalk-mustard")), part: 8 },
    ]);
    optics.k.forEach((value, band) => {
      expect(same.k[band]).toBeCloseTo(value, 12);
    });
  });

  it("metal leaf covers where its flakes lie and not in a haze", () => {
    const gilding = material("wax-gilding");
    const overBlack = labOf(coatsOver(gilding, 1, "#101010"));
    expect(overBlack.b).toBeGreaterThan(20);
    expect(overBlack.a).toBeGreaterThan(-4);
  });
});

describe("the surface of a film (Saunderson 1942)", () => {
  it("takes what it gives: the inner reflectance behind what is seen is seen again", () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.94, noNaN: true }), share, (seen, gloss) => {
        const term = dryTerm(gloss);
        const inner = innerOf(seen, term);
        if (inner < 0.995) expect(seenOf(inner, term)).toBeCloseTo(seen, 9);
      }),
    );
  });

  it("is the published form, (1 − k1)(1 − k2) R / (1 − k2 R) without shine", () => {
    expect(seenOf(0.5, { entering: 0.04, within: 0.6 })).toBeCloseTo((0.96 * 0.4 * 0.5) / (1 - 0.6 * 0.5), 12);
    expect(seenOf(1, { entering: 0.04, within: 0.6 })).toBeCloseTo(0.96, 12);
    expect(seenOf(0, WET)).toBe(0);
  });

  it("makes everything darker when it is sealed, and darker still when it is wet", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 0.85, noNaN: true }), (inner) => {
        expect(seenOf(inner, dryTerm(1))).toBeLessThan(seenOf(inner, dryTerm(0)));
        expect(seenOf(inner, WET)).toBeLessThan(seenOf(inner, dryTerm(1)));
      }),
    );
  });
});

describe("eye, light and screen", () => {
  it("the observer's table peaks where it should, and its luminance function sums to its published total", () => {
    const at = (nanometres: number) => OBSERVER[(nanometres - FIRST_NANOMETRE) / NANOMETRE_STEP]!;
    expect(at(555 - 5)[1]).toBeCloseTo(0.995, 2);
    expect(at(600)[0]).toBeCloseTo(1.0622, 4);
    expect(at(450)[2]).toBeCloseTo(1.7721, 3);
    // CIE 015: the sum of ȳ over 5 nm steps is 21.3714; in 10 nm steps half of it
    expect(OBSERVER.reduce((sum, [, y]) => sum + y, 0)).toBeCloseTo(10.6857, 1);
  });

  it("daylight has the white point of D65, a lamp that of illuminant A (CIE 015)", () => {
    const white = (light: "daylight" | "lamp") => {
      const sum = [0, 0, 0];
      OBSERVER.forEach((eye, index) => {
        eye.forEach((value, channel) => {
          sum[channel]! += value * POWER[light][index]!;
        });
      });
      const whole = sum[0]! + sum[1]! + sum[2]!;
      return [sum[0]! / whole, sum[1]! / whole];
    };
    expect(white("daylight")[0]).toBeCloseTo(0.3127, 3);
    expect(white("daylight")[1]).toBeCloseTo(0.329, 3);
    expect(white("lamp")[0]).toBeCloseTo(0.4476, 2);
    expect(white("lamp")[1]).toBeCloseTo(0.4074, 2);
  });

  it("the sRGB curve is that of IEC 61966-2-1, there and back", () => {
    expect(toLinear(0.04045)).toBeCloseTo(0.0031308, 6);
    expect(toLinear(0.5)).toBeCloseTo(0.2140411, 6);
    expect(toScreen(0.2140411)).toBeCloseTo(0.5, 6);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (value) => {
        expect(toScreen(toLinear(value))).toBeCloseTo(value, 7);
      }),
    );
    fc.assert(
      fc.property(hex, (colour) => {
        expect(hexOf(linearOf(colour))).toBe(colour);
      }),
    );
  });

  it("agrees with a general colour library on light and on luminance", () => {
    fc.assert(
      fc.property(hex, (colour) => {
        const theirs = xyz65(colour)!;
        const [red, green, blue] = linearOf(colour);
        expect(0.2126729 * red + 0.7151522 * green + 0.072175 * blue).toBeCloseTo(theirs.y, 4);
        expect(rgb(hexOf([red, green, blue]))).toMatchObject({ mode: "rgb" });
        expect(labOf(colour).l).toBeCloseTo(lab65(colour)!.l, 6);
      }),
    );
  });

  it("a perfect white is white in every basis, and each band's share of luminance makes one whole", () => {
    for (const bands of [BANDS, bandsOf(Array.from({ length: 37 }, (_, index) => index))]) {
      const white = new Float64Array(bands.count).fill(1);
      for (const value of linearOfSpectrum(white, "daylight", bands)) expect(value).toBeCloseTo(1, 6);
      expect(luminanceOf(white, bands)).toBeCloseTo(1, 9);
    }
  });

  it("a lamp is warm: white looks yellower by it than by day", () => {
    const [red, , blue] = linearOfSpectrum(new Float64Array(8).fill(0.8), "lamp");
    expect(red).toBeGreaterThan(blue * 1.2);
  });
});

describe("a reflectance for a colour (Burns 2020)", () => {
  it("looks like that colour and stays within what a surface can turn back", () => {
    fc.assert(
      fc.property(paintHex, (colour) => {
        const spectrum = spectrumOf(colour);
        for (const value of spectrum) {
          expect(value).toBeGreaterThan(0);
          expect(value).toBeLessThan(1);
        }
        expect(colourDifference(hexOf(linearOfSpectrum(spectrum)), colour)).toBeLessThan(0.8);
      }),
    );
  });

  it("of grey is the same in every band", () => {
    for (const value of spectrumOf("#777777")) expect(value).toBeCloseTo(toLinear(0x77 / 255), 3);
  });

  it("of colours no surface can have is drawn towards grey, and is never absurd", () => {
    for (const colour of ["#00ff00", "#ff00ff", "#0000ff", "#ffff00", "#ffffff", "#000000"] as const)
      for (const value of spectrumOf(colour)) {
        expect(Number.isFinite(value)).toBe(true);
        expect(value).toBeGreaterThanOrEqual(0);
        expect(value).toBeLessThanOrEqual(1);
      }
    for (const value of spectrumOfLinear([-3, 9, Number.MIN_VALUE])) expect(Number.isFinite(value)).toBe(true);
  });

  it("in eight bands mixes as in thirty-six, where red, green and blue alone would not", () => {
    const fine = bandsOf(Array.from({ length: 37 }, (_, index) => index));
    const mixedIn = (bands: typeof BANDS, under: string, over: string) => {
      const parts = [under, over].map((colour) => {
        const spectrum = spectrumOf(colour, bands);
        return Array.from(spectrum, (value) => absorptionRatio(Math.min(0.98, Math.max(0.004, value))));
      });
      const seen = parts[0]!.map((ratio, band) => masstoneOf((ratio + parts[1]![band]!) / 2, 1));
      return hexOf(linearOfSpectrum(seen, "daylight", bands));
    };
    for (const [under, over] of [
      ["#2f5f9e", "#e3c23c"],
      ["#8a4534", "#e6dfcf"],
      ["#5d8177", "#5c4a35"],
      ["#33477f", "#a9bdb3"],
    ] as const) {
      const truth = mixedIn(fine, under, over);
      expect(colourDifference(mixedIn(BANDS, under, over), truth)).toBeLessThan(1.6);
    }
    const truth = mixedIn(fine, "#2f5f9e", "#e3c23c");
    const [blue, yellow] = [linearOf("#2f5f9e"), linearOf("#e3c23c")];
    const inThree = hexOf(
      blue.map((value, index) =>
        masstoneOf((absorptionRatio(Math.max(0.004, value)) + absorptionRatio(Math.max(0.004, yellow[index]!))) / 2, 1),
      ) as [number, number, number],
    );
    expect(colourDifference(inThree, truth)).toBeGreaterThan(5);
  });
});
