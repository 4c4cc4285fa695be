import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { linearOfSpectrum } from "../colour/bands.ts";
import { filmOver } from "../colour/film.ts";
import { innerSpectrum, isMetallic, opticsOf } from "../colour/material-colour.ts";
import { dryTerm, seenOf, WET } from "../colour/surface-term.ts";
import { STANDARD_CLIMATE } from "../drying/climate.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { Material } from "../materials/material.ts";
import { type Film, filmGloss } from "../surface/film.ts";
import { type LaidFilms, laidGround, seen } from "./composite.ts";
import type { GroundFace } from "./ground-face.ts";
import type { Layer } from "./layers.ts";

// One pixel at a time, the compiled loops are compared with the formulas they stand for.

const COUNT = 8;

const filmOf = (material: Material, more: Partial<Film> = {}): Film => ({
  phaseId: material.id,
  stepId: material.id,
  material,
  micrometres: 0,
  laidAt: 0,
  coat: { leaves: "water", load: 1, drawnBy: 0, warmed: 0 },
  climate: STANDARD_CLIMATE,
  keyed: false,
  polished: false,
  forced: false,
  reacted: false,
  spent: false,
  soaked: false,
  resist: false,
  chips: false,
  ...more,
});

const layerOf = (
  material: Material,
  micrometres: number,
  cover: number | null = null,
  more: Partial<Film> = {},
): Layer => ({
  film: filmOf(material, more),
  optics: opticsOf(material),
  metallic: isMetallic(material),
  thickness: new Float32Array(COUNT).fill(micrometres),
  cover: cover === null ? null : new Uint8Array(COUNT).fill(cover),
});

const faceOf = (colour: string, gloss = 0): GroundFace => ({
  light: innerSpectrum(colour, gloss),
  dark: innerSpectrum("#000000", gloss),
  part: new Float32Array(COUNT),
  marks: new Float32Array(COUNT),
  gloss,
  metallic: false,
});

const seenOver = (under: LaidFilms, layers: Layer[], wet: Layer | null = null) =>
  seen({ under, from: 0, layers, light: "daylight", wet }).skin;

const material = (id: string) => CATALOGUE.find((material) => material.id === id)!;
const paint = fc.constantFrom(...CATALOGUE);
const thick = fc.double({ min: 1, max: 90, noNaN: true });

describe("films on a pixel", () => {
  it("are laid as the formulas say, whatever the stack", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(paint, thick), { minLength: 1, maxLength: 6 }), (stack) => {
        const layers = stack.map(([one, micrometres]) => layerOf(one, micrometres));
        const { red, green, blue } = seenOver(laidGround(faceOf("#9a7a52")), layers);
        let inner = innerSpectrum("#9a7a52", 0);
        for (const { optics, thickness } of layers) inner = filmOver(optics, thickness[0]!, inner);
        const term = dryTerm(filmGloss(layers.at(-1)!.film));
        const [r, g, b] = linearOfSpectrum(inner.map((value) => seenOf(value, term)));
        // the table of thicknesses has a thousand steps
        expect(red[3]).toBeCloseTo(Math.max(0, r), 1.9);
        expect(green[3]).toBeCloseTo(Math.max(0, g), 1.9);
        expect(blue[3]).toBeCloseTo(Math.max(0, b), 1.9);
      }),
    );
  });

  it("that cover a pixel in part give that part of their light", () => {
    const ground = laidGround(faceOf("#e6dfcf"));
    const slate = material("chalk-slate");
    const none = seenOver(ground, [layerOf(slate, 60, 0)]).red[0]!;
    const half = seenOver(ground, [layerOf(slate, 60, 128)]).red[0]!;
    const whole = seenOver(ground, [layerOf(slate, 60, 255)]).red[0]!;
    expect(none).toBeCloseTo(seenOver(ground, []).red[0]!, 6);
    expect(whole).toBeCloseTo(seenOver(ground, [layerOf(slate, 60)]).red[0]!, 6);
    expect(half).toBeGreaterThan(whole);
    expect(half).toBeLessThan(none);
  });

  it("of no thickness are not there, and change neither light nor sheen", () => {
    const ground = laidGround(faceOf("#8a4534", 0.2));
    const bare = seenOver(ground, []);
    const nothing = seenOver(ground, [layerOf(material("clear-coat-gloss"), 0)]);
    expect(nothing).toEqual(bare);
  });

  it("shine as what lies on top does: gloss over matt, wax when it is buffed, dull where it was keyed", () => {
    const ground = laidGround(faceOf("#8a4534"));
    const gloss = (layers: Layer[]) => seenOver(ground, layers).gloss[0]!;
    const chalk = layerOf(material("chalk-slate"), 30);
    expect(gloss([chalk])).toBeCloseTo(0.03, 5);
    expect(gloss([chalk, layerOf(material("clear-coat-gloss"), 30)])).toBeCloseTo(0.8, 5);
    const wax = (more: Partial<Film>) => gloss([chalk, layerOf(material("wax-clear"), 15, null, more)]);
    expect(wax({ polished: true })).toBeGreaterThan(3 * wax({}));
    const oil = (more: Partial<Film>) => gloss([layerOf(material("oil-deep-green"), 40, null, more)]);
    expect(oil({ keyed: true })).toBeLessThan(0.5 * oil({}));
  });

  it("of metal shine as metal, through a clear coat too, and not through paint", () => {
    const ground = laidGround(faceOf("#8a4534"));
    const metal = (layers: Layer[]) => seenOver(ground, layers).metal[0]!;
    const leaf = layerOf(material("leaf-genuine-gold"), 5);
    expect(metal([leaf])).toBe(1);
    expect(metal([leaf, layerOf(material("clear-coat-satin"), 27)])).toBeGreaterThan(0.95);
    expect(metal([leaf, layerOf(material("chalk-slate"), 33)])).toBeLessThan(0.1);
  });

  it("are darker wet, and only where the wet coat lies open", () => {
    const ground = laidGround(faceOf("#e6dfcf"));
    const slate = layerOf(material("chalk-duck-egg"), 60);
    const dry = seenOver(ground, [slate]);
    const wet = seenOver(ground, [slate], slate);
    expect(wet.green[0]!).toBeLessThan(0.9 * dry.green[0]!);
    expect(wet.gloss[0]!).toBeGreaterThan(0.8);
    const inner = filmOver(slate.optics, 60, innerSpectrum("#e6dfcf", 0));
    expect(wet.green[0]!).toBeCloseTo(linearOfSpectrum(inner.map((value) => seenOf(value, WET)))[1]!, 1.9);
    const over = layerOf(material("chalk-oxide-red"), 60);
    expect(seenOver(ground, [slate, over], slate).green[0]).toBeCloseTo(seenOver(ground, [slate, over]).green[0]!, 6);
  });

  it("leave behind what lies under the last of them, from which the same light is reached", () => {
    const ground = laidGround(faceOf("#9a7a52"));
    const layers = ["stain-block-shellac", "chalk-bone-white", "glaze-umber"].map((id) => layerOf(material(id), 22));
    const once = seen({ under: ground, from: 0, layers, light: "daylight", wet: null });
    const again = seen({ under: once.beneath, from: layers.length - 1, layers, light: "daylight", wet: null });
    expect(again.skin).toEqual(once.skin);
  });
});
