import type { Material } from "../materials/material.ts";
import type { Technique } from "./technique.ts";
import { HANDLING, HELPING, HOLDING, INSPECTING } from "./techniques/help.ts";
import { LAYING } from "./techniques/lay.ts";
import { PREPARING } from "./techniques/prepare.ts";
import { TAKING } from "./techniques/take.ts";

/** Every way of preparing, laying, taking, helping, looking and handling, in the order they come at work. */
export const TECHNIQUES: readonly Technique[] = [
  ...PREPARING,
  ...LAYING,
  ...TAKING,
  ...HELPING,
  ...INSPECTING,
  ...HANDLING,
  ...HOLDING,
];

const byId = new Map(TECHNIQUES.map((one) => [one.id, one]));
export const findTechnique = (id: string): Technique | undefined => byId.get(id);

const laying = new Map<Material["role"], Technique[]>();

/** The techniques that lay a material, the usual one first. */
export function techniquesFor(material: Material): readonly Technique[] {
  const known = laying.get(material.role);
  if (known) return known;
  const found = TECHNIQUES.filter((one) => one.lays.includes(material.role));
  const usual = (one: Technique) => (one.lays[0] === material.role || one.id === "brush" ? 0 : 1);
  const sorted = [...found].sort((one, two) => usual(one) - usual(two));
  laying.set(material.role, sorted);
  return sorted;
}
