import type { Material } from "../materials/material.ts";
import type { Ground } from "../plan/ground.ts";
import type { Stack } from "../surface/surface.ts";
import { sayDuration } from "../units/duration.ts";
import type { Minutes, Share } from "../units/units.ts";
import type { Seam } from "./rule.ts";

/** A material's name inside a sentence: "dark wax", "chalk-type, bone white" → "bone white chalk-type paint". */
export function named(material: Material): string {
  const [kind, colour] = material.name.split(", ");
  const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
  if (!colour) return lower(kind!);
  const noun = material.role === "paint" && !/paint/i.test(kind!) ? `${lower(kind!)} paint` : lower(kind!);
  return `${lower(colour)} ${noun}`;
}

export function groundNamed(ground: Ground): string {
  return ground.species && ground.species !== "unknown" ? ground.kind.replace("timber", ground.species) : ground.kind;
}

export const topNamed = (stack: Stack, ground: Ground) =>
  stack === null ? groundNamed(ground) : named(stack.film.material);

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** "all of it", "most of it (70 %)", "12 % of it". */
export function sayShare(share: Share): string {
  const percent = Math.round(share * 100);
  if (percent >= 97) return "all of it";
  if (percent > 50) return `most of it (${percent} %)`;
  return `${percent} % of it`;
}

export function listed(words: readonly string[]): string {
  if (words.length < 2) return words.join("");
  return `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
}

/** Begins a sentence about the air: at once, or so long after the coat is laid where the air changes. */
export const sayWhen = ({ climate }: Seam, after: Minutes, subject: string) =>
  climate.steady || after === 0 ? subject : `${sayDuration(after)} after it is laid, ${subject.toLowerCase()}`;
