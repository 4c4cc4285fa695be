import { RELIEF_CLASSES, type ReliefClass } from "../plan/plan.ts";
import { hiding, type Surface } from "../surface/surface.ts";

type Linear = readonly [red: number, green: number, blue: number];

const toLinear = (value: number) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);
const toScreen = (value: number) => (value <= 0.0031308 ? 12.92 * value : 1.055 * value ** (1 / 2.4) - 0.055);

function linearOf(colour: string): Linear {
  const channel = (at: number) => toLinear(Number.parseInt(colour.slice(at, at + 2), 16) / 255);
  return [channel(1), channel(3), channel(5)];
}

const hexOf = (colour: Linear) =>
  `#${colour
    .map((value) => Math.round(255 * toScreen(Math.min(1, Math.max(0, value)))))
    .map((value) => value.toString(16).padStart(2, "0"))
    .join("")}`;

/**
 * The mean colour the eye sees in each relief class: layers by their hiding, patches by their share, mixed as light
 * (sRGB transfer of IEC 61966-2-1). A first guess by hiding alone; the sample board knows better.
 */
export function coloursSeen(surface: Surface): Record<ReliefClass, string> {
  const seen = {} as Record<ReliefClass, string>;
  for (const relief of RELIEF_CLASSES) {
    const sum: [number, number, number] = [0, 0, 0];
    const add = (colour: string, light: number) => {
      linearOf(colour).forEach((value, at) => {
        sum[at] = sum[at]! + light * value;
      });
    };
    for (const patch of surface.patches[relief]) {
      let light = patch.share;
      for (let at = patch.stack; at !== null && light > 1e-4; at = at.below) {
        const part = light * hiding(at.film);
        add(at.film.material.colour, part);
        light -= part;
      }
      add(surface.ground.ground.colour, light);
    }
    seen[relief] = hexOf(sum);
  }
  return seen;
}
