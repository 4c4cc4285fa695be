import type { Material } from "../materials/material.ts";
import type { Technique } from "./technique.ts";
import { HANDLING, HELPING, HOLDING, INSPECTING } from "./techniques/help.ts";
import { LAYING } from "./techniques/lay.ts";
import { PREPARING } from "./techniques/prepare.ts";
import { TAKING } from "./techniques/take.ts";

const ALL = [...PREPARING, ...LAYING, ...TAKING, ...HELPING, ...INSPECTING, ...HANDLING, ...HOLDING];

export type TechniqueId = (typeof ALL)[number]["id"];

/** Every way of preparing, laying, taking, helping, looking and handling, in the order they come at work. */
export const TECHNIQUES: readonly (Technique & { id: TechniqueId })[] = ALL;

const byId = new Map<string, (typeof TECHNIQUES)[number]>(TECHNIQUES.map((technique) => [technique.id, technique]));
export const findTechnique = (id: string): Technique | undefined => byId.get(id);

/** The usual way of laying what is not brushed. */
const USUAL: Partial<Record<Material["role"], string>> = {
  wax: "wax",
  paste: "trowel",
  ink: "stamp",
  patina: "spray",
};

const laying = new Map<string, readonly Technique[]>();

/** The techniques that lay a material, the usual one first. What comes in a can is sprayed and nothing else. */
export function techniquesFor({ role, soldAs }: Material): readonly Technique[] {
  const key = `${role}/${soldAs === "aerosol"}`;
  const known = laying.get(key);
  if (known) return known;
  const usual = USUAL[role] ?? "brush";
  const found = TECHNIQUES.filter(
    (technique) => technique.lays.includes(role) && (soldAs !== "aerosol" || technique.id === "spray"),
  );
  const sorted = found.sort((a, b) => Number(b.id === usual) - Number(a.id === usual));
  laying.set(key, sorted);
  return sorted;
}
