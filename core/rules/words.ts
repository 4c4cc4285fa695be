import { spokenName } from "../materials/spoken-name.ts";
import type { Ground } from "../plan/ground.ts";
import type { Stack } from "../surface/stack.ts";
import { sayDuration, shortDuration } from "../units/duration.ts";
import type { Minutes, Share } from "../units/units.ts";
import type { FilmSeam, Miss } from "./rule.ts";

/** A material's name inside a sentence: "dark wax", "bone white chalk-type paint". */
export const named = spokenName;

/** Kinds whose name lists two things: inside a sentence one is enough. */
const SPOKEN: Partial<Record<Ground["kind"], string>> = { "glass or glazed": "glass", "plastic or resin": "plastic" };

/** A ground's name inside a sentence: "varnished pine", "old paint", "glass". */
export function groundNamed(ground: Ground): string {
  const name = SPOKEN[ground.kind] ?? ground.kind;
  return ground.species && ground.species !== "unknown" ? name.replace("timber", ground.species) : name;
}

export const topNamed = (stack: Stack, ground: Ground) =>
  stack === null ? groundNamed(ground) : named(stack.film.material);

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/**
 * "all of the surface", "most of the surface (70 %)", "12 % of the surface".
 * @example sayShare(0.5) // "50 % of the surface"
 */
export function sayShare(share: Share): string {
  const percent = Math.round(share * 100);
  if (percent >= 97) return "all of the surface";
  if (percent > 50) return `most of the surface (${percent} %)`;
  return `${percent} % of the surface`;
}

/**
 * Words as a sentence lists them.
 * @example listed(["wax", "oil", "glaze"]) // "wax, oil and glaze"
 */
export function listed(words: readonly string[]): string {
  if (words.length < 2) return words.join("");
  return `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
}

const sayHere = (here: Minutes, usual: Minutes) =>
  sayDuration(here) === sayDuration(usual)
    ? sayDuration(here)
    : `${sayDuration(here)} here (normally ${sayDuration(usual)})`;

/** When a wait is over, by the last of its gates: "1 day 12 h here (normally 24 h)" where the air or the coat changes it. */
export const sayOpens = ({ gates, label }: Pick<Miss, "gates" | "label">): string =>
  sayHere(gates.at(-1)!.opens.safe, label.at(-1)!.opens.safe);

/** When the first of its gates shuts, in the same words. */
export const sayShuts = ({ gates, label }: Pick<Miss, "gates" | "label">): string =>
  sayHere(gates[0]!.shuts!.safe, label[0]!.shuts!.safe);

/** "between 40 min and 2 h", "within 10 min", or that there is no safe time here. */
export function sayBetween({ gates }: Pick<Miss, "gates">): string {
  const { opens, shuts } = gates[0]!;
  if (opens.safe === 0) return `within ${sayDuration(shuts!.safe)}`;
  return shuts!.safe < opens.safe
    ? "at no safe time in this air"
    : `between ${sayDuration(opens.safe)} and ${sayDuration(shuts!.safe)}`;
}

const AT_ONCE: Minutes = 1;

/** Begins a sentence with how long a coat has had: "It has had 2 h". */
export const sayHad = (waited: Minutes, subject = "It"): string =>
  waited < AT_ONCE ? `${subject} was laid just before` : `${subject} has had ${sayDuration(waited)}`;

/** Begins a sentence with the age of a coat: "It is 2 h old". */
export const sayAge = (waited: Minutes, subject = "It"): string =>
  waited < AT_ONCE ? `${subject} was laid just before` : `${subject} is ${sayDuration(waited)} old`;

/** "2 h after the medium", "straight after the medium" */
export const sayAfter = (waited: Minutes, what: string): string =>
  waited < AT_ONCE ? `straight after ${what}` : `${sayDuration(waited)} after ${what}`;

/** "Leave it for 1 day 12 h": the label of a fix that clears the step's own wait. */
export const leaveFor = ({ gates }: Pick<Miss, "gates">): string =>
  `Leave it for ${shortDuration(gates.at(-1)!.opens.safe)}`;

/** Begins a sentence about the air: at once, or so long after the coat is laid where the air changes. */
export const sayWhen = ({ climate }: FilmSeam, after: Minutes, subject: string) =>
  climate.steady || after === 0 ? subject : `${sayDuration(after)} after it is laid, ${subject.toLowerCase()}`;
