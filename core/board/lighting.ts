import { toScreen } from "../colour/screen.ts";
import type { Skin } from "./composite.ts";
import type { Field } from "./grid.ts";
import { Memory, reckon } from "./kernels.ts";
import type { Lighting } from "./light-place.ts";
import type { PanelRelief } from "./relief.ts";

/** Films are shown steeper than they are, or their edges could not be seen (trial boards: about three and a half times). */
const FILM_STEEPER = 3.5;
const MICROMETRES = 1000;

/** Distance of the lamp from the middle of the panel, in millimetres: near enough that the sheen changes over it. */
const LAMP_AWAY = 1300;
const AMBIENT = 0.34;

const SCREEN_STEPS = 4096;
const SCREEN = Uint8Array.from({ length: SCREEN_STEPS + 1 }, (_, index) =>
  Math.round(255 * toScreen(index / SCREEN_STEPS)),
);

const LOBE_STEPS = 512;
const LOBES = 16;
const lobe = (power: number) =>
  Float32Array.from({ length: LOBE_STEPS + 1 }, (_, index) => (index / LOBE_STEPS) ** power);
/** (N·H) to a power, by how glossy: dull surfaces throw a broad gleam, glossy ones a narrow. */
const GLEAMS = new Float32Array(LOBES * (LOBE_STEPS + 1));
for (let gloss = 0; gloss < LOBES; gloss++)
  GLEAMS.set(lobe(6 + 150 * (gloss / (LOBES - 1)) ** 2), gloss * (LOBE_STEPS + 1));
const METAL_GLEAM = lobe(14);

/** Height of everything together, in millimetres as shown: panel, tool marks and films. */
export const shownHeight = (relief: PanelRelief, films: Field, marks: Field): Field =>
  reckon(relief.grid)
    .plus(1, relief.height)
    .plus(FILM_STEEPER / MICROMETRES, films)
    .plus(FILM_STEEPER / MICROMETRES, marks)
    .field();

/** Lights a skin: red, green, blue and opacity of every pixel; outside the thing itself there is nothing. */
export function lit(
  skin: Skin,
  height: Field,
  { recess, inside, grid }: PanelRelief,
  { azimuth, elevation }: Lighting,
): Uint8ClampedArray<ArrayBuffer> {
  const { width, height: rows, millimetres } = grid;
  const turn = (azimuth * Math.PI) / 180;
  const rise = (elevation * Math.PI) / 180;
  const memory = new Memory();
  const pixels = memory.room(4 * width * rows);
  memory.run.light(
    pixels,
    memory.put(skin.red),
    memory.put(skin.green),
    memory.put(skin.blue),
    memory.put(skin.gloss),
    memory.put(skin.metal),
    memory.put(height),
    memory.put(recess),
    width,
    rows,
    millimetres,
    grid.wide / 2 + LAMP_AWAY * Math.cos(rise) * Math.cos(turn),
    grid.tall / 2 + LAMP_AWAY * Math.cos(rise) * Math.sin(turn),
    LAMP_AWAY * Math.sin(rise),
    Math.sin(rise),
    LAMP_AWAY,
    AMBIENT,
    memory.put(GLEAMS),
    memory.put(METAL_GLEAM),
    LOBE_STEPS,
    memory.put(SCREEN),
    SCREEN_STEPS,
  );
  const picture = new Uint8ClampedArray(memory.bytes(pixels, 4 * width * rows).buffer);
  if (inside) for (let at = 0; at < inside.length; at++) picture[4 * at + 3] = 255 * inside[at]!;
  return picture;
}
