import type { Follows } from "#core/judge/likely";
import type { Material } from "#core/materials/material";
import type { Technique } from "#core/surface/technique";
import { TECHNIQUES, techniquesFor } from "#core/surface/techniques";

/** A material, and the ways to lay it that were asked for, the usual one first. */
export interface CoatChoice {
  material: Material;
  ways: readonly Technique[];
}

/** What can be added to a crust: a coat of something, or a hand that lays nothing. */
export type Choice = CoatChoice | Technique;

export const isCoat = (choice: Choice): choice is CoatChoice => "material" in choice;
export const pickOf = (technique: Technique, material: Material | null) =>
  material ? `${technique.id}|${material.id}` : technique.id;

const HANDS = TECHNIQUES.filter((technique) => technique.lays.length === 0);

/** What was typed, in words. */
export const wordsIn = (typed: string): string[] =>
  typed
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);

/** A material answers to words of its own; the words left over must name a way to lay it. */
function coatFor(material: Material, words: readonly string[]): CoatChoice | null {
  const own = `${material.name} ${material.family} ${material.role}`.toLowerCase();
  const left = words.filter((word) => !own.includes(word));
  const ways = techniquesFor(material).filter(({ name }) => left.every((word) => name.toLowerCase().includes(word)));
  return ways.length > 0 ? { material, ways } : null;
}

/** Every material once, and every hand, that answers to the words. */
export function choicesFor(materials: readonly Material[], words: readonly string[]): Choice[] {
  const coats = materials.map((material) => coatFor(material, words)).filter((coat) => coat !== null);
  const hands = HANDS.filter(({ name, hint }) => {
    const own = `${name} ${hint}`.toLowerCase();
    return words.every((word) => own.includes(word));
  });
  return [...hands, ...coats];
}

const MOST_LIKELY = 9;
const MOST_OF_A_ROLE = 3;

/**
 * What comes to mind first of all that can be added: what usually follows, of each kind the material that lies there
 * already, then what the job has, then what it would have to get.
 */
export function mostLikely(
  choices: readonly Choice[],
  follows: readonly Follows[],
  { beneath, ofJob }: { beneath: string | null; ofJob: ReadonlySet<string> },
): Choice[] {
  const nearness = ({ material }: CoatChoice) => (material.id === beneath ? 0 : ofJob.has(material.id) ? 1 : 2);
  return follows
    .flatMap((follows): Choice[] => {
      if ("technique" in follows) return choices.filter((choice) => !isCoat(choice) && choice.id === follows.technique);
      const coats = choices.filter(isCoat).filter(({ material }) => material.role === follows.role);
      return coats.sort((a, b) => nearness(a) - nearness(b)).slice(0, MOST_OF_A_ROLE);
    })
    .slice(0, MOST_LIKELY);
}

const ofKind =
  (...kinds: Technique["kind"][]) =>
  (choice: Choice) =>
    !isCoat(choice) && kinds.includes(choice.kind);
const ofRole =
  (...roles: Material["role"][]) =>
  (choice: Choice) =>
    isCoat(choice) && roles.includes(choice.material.role);

/** The kinds of what can be added, in the order they come at work. */
export const GROUPS: readonly { title: string; fits: (choice: Choice) => boolean }[] = [
  { title: "Prepare", fits: ofKind("prepare") },
  { title: "Primers", fits: ofRole("primer") },
  { title: "Paints and stains", fits: ofRole("paint", "tint-base", "stain", "ink") },
  { title: "Mediums, pastes and crumb", fits: ofRole("medium", "paste", "crumb") },
  { title: "Glazes", fits: ofRole("glaze") },
  { title: "Leaf, tissue, transfers, patina", fits: ofRole("size", "leaf", "tissue", "transfer", "patina", "pigment") },
  { title: "Sand, distress, wipe, buff", fits: ofKind("take") },
  { title: "Waxes and oils", fits: ofRole("wax", "oil") },
  { title: "Clear coats", fits: ofRole("clear") },
  { title: "Look and decide", fits: ofKind("inspect") },
  { title: "Aids and waits", fits: ofKind("help", "hold") },
  { title: "Take apart, turn, refit", fits: ofKind("handle") },
];
