import { BANDS } from "../colour/bands.ts";
import { bandLight, type Optics } from "../colour/film.ts";
import type { Light } from "../colour/observer.ts";
import { dryTerm, WET } from "../colour/surface-term.ts";
import { filmGloss, TRACE } from "../surface/film.ts";
import type { Field } from "./grid.ts";
import type { GroundFace } from "./ground-face.ts";
import { Memory } from "./kernels.ts";
import { FilmRoom, type Layer, type Layers } from "./layers.ts";

const COUNT = 8;
const WET_GLOSS = 0.85;
const STEPS = 1024;

/** Light turned back and let through twice, by thickness: sixteen numbers a step, so that a pixel reads one line of memory. */
interface FilmTable {
  perMicrometre: number;
  values: Float32Array;
}

const tables = new WeakMap<Optics, FilmTable>();

/** A film this thick hides or tints as far as it goes; thicker looks the same to a thousandth. */
function deepest(optics: Optics): number {
  let thick = 8;
  while (thick < 4000 && optics.k.some((_, band) => bandLight(optics, band, thick).through > 0.02)) thick *= 1.35;
  return thick;
}

function tableOf(optics: Optics): FilmTable {
  const known = tables.get(optics);
  if (known) return known;
  const deep = deepest(optics);
  const values = new Float32Array(STEPS * 2 * COUNT);
  for (let step = 0; step < STEPS; step++)
    for (let band = 0; band < COUNT; band++) {
      const { back, through } = bandLight(optics, band, (step / (STEPS - 1)) * deep);
      values[step * 16 + band] = back;
      values[step * 16 + 8 + band] = through * through;
    }
  const table = { perMicrometre: (STEPS - 1) / deep, values };
  tables.set(optics, table);
  return table;
}

/** What is seen of a board before light falls on its shape: colour as linear light, and how it shines. */
export interface Skin {
  red: Field;
  green: Field;
  blue: Field;
  /** 0 matt to 1 */
  gloss: Field;
  /** 0, or 1 where the shine has the colour of metal */
  metal: Field;
}

/** Films laid over the ground: eight bands a pixel, and how what lies on top shines. */
export interface LaidFilms {
  reflectance: Float32Array;
  gloss: Field;
  metal: Field;
}

const asFloats = (spectrum: Float64Array) => Float32Array.from(spectrum);

/** The bare ground. */
export function laidGround(face: GroundFace): LaidFilms {
  const { light, dark, part } = face;
  const count = part.length;
  const memory = new Memory();
  const reflectance = memory.room(4 * COUNT * count);
  memory.run.layGround(reflectance, memory.put(part), count, memory.put(asFloats(light)), memory.put(asFloats(dark)));
  return {
    reflectance: memory.floats(reflectance, COUNT * count),
    gloss: new Float32Array(count).fill(face.gloss),
    metal: new Float32Array(count).fill(face.metallic ? 1 : 0),
  };
}

/** Where the last coat laid still lies open and wet. */
function wetnessOf(layers: Layers, wet: Layer, count: number): Field {
  const memory = new Memory();
  const field = memory.room(4 * count);
  const film = new FilmRoom(memory, count);
  for (const layer of layers.slice(layers.indexOf(wet))) {
    const cover = film.load(layer);
    memory.run.dampen(field, film.thickness, cover, count, layer === wet ? 1 : 0, TRACE);
  }
  return memory.floats(field, count);
}

/** What is wanted of a stack of films. */
export interface Seeing {
  /** what lies beneath, and how many of the films that already is */
  under: LaidFilms;
  from: number;
  layers: Layers;
  light: Light;
  /** the coat that still lies wet, if any */
  wet: Layer | null;
}

/**
 * Lays films one over the other, R = R0 + T² Rg / (1 − R0 Rg) and as much of it as covers, then takes the light out through the
 * surface and turns bands into red, green and blue. Gives back too what lies under the last film, for that is changed most.
 */
export function seen({ under, from, layers, light, wet }: Seeing): { skin: Skin; beneath: LaidFilms } {
  const count = under.gloss.length;
  const wetness = wet ? wetnessOf(layers, wet, count) : null;
  const memory = new Memory();
  const reflectance = memory.copied(under.reflectance);
  const gloss = memory.copied(under.gloss);
  const metal = memory.copied(under.metal);
  const film = new FilmRoom(memory, count);
  const table = memory.space(4 * STEPS * 2 * COUNT);
  let beneath = under;
  for (let index = from; index < layers.length; index++) {
    const layer = layers[index]!;
    if (index > from && index === layers.length - 1)
      beneath = {
        reflectance: memory.floats(reflectance, COUNT * count),
        gloss: memory.floats(gloss, count),
        metal: memory.floats(metal, count),
      };
    const { perMicrometre, values } = tableOf(layer.optics);
    memory.replace(table, values);
    const cover = film.load(layer);
    memory.run.layFilm(
      reflectance,
      gloss,
      metal,
      film.thickness,
      cover,
      count,
      table,
      perMicrometre,
      STEPS,
      TRACE,
      filmGloss(layer.film),
      layer.metallic ? 1 : 0,
      // a clear or thin film over metal lets it shine on
      layer.metallic ? 1 : layer.film.material.contrastRatio.typical,
    );
  }
  const red = memory.space(4 * count);
  const green = memory.space(4 * count);
  const blue = memory.space(4 * count);
  const rows = new Float32Array(3 * COUNT);
  BANDS.toLinear[light].forEach((row, channel) => {
    rows.set(row, channel * COUNT);
  });
  const { entering } = dryTerm(0);
  memory.run.skin(
    reflectance,
    gloss,
    memory.putOrNone(wetness),
    red,
    green,
    blue,
    count,
    memory.put(rows),
    entering,
    dryTerm(0).within,
    dryTerm(1).within,
    WET.entering,
    WET.within,
    WET_GLOSS,
  );
  return {
    skin: {
      red: memory.floats(red, count),
      green: memory.floats(green, count),
      blue: memory.floats(blue, count),
      gloss: memory.floats(gloss, count),
      metal: memory.floats(metal, count),
    },
    beneath,
  };
}
