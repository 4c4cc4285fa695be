import type { Material } from "./material.ts";

/** Kinds that are an adjective by themselves: "chalk-type", "acrylic mineral". */
const NEEDS_NOUN = /(type|mineral|acrylic|metallic)$/i;

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
const spoken = new WeakMap<Material, string>();

/** A material's name inside a sentence: "dark wax", "chalk-type, bone white" → "bone white chalk-type paint". */
export function spokenName(material: Material): string {
  let name = spoken.get(material);
  if (name === undefined) {
    name = inASentence(material);
    spoken.set(material, name);
  }
  return name;
}

function inASentence(material: Material): string {
  const [kind, colour] = material.name.split(", ");
  if (!colour) return lower(kind!);
  const noun = material.role === "paint" && NEEDS_NOUN.test(kind!) ? `${lower(kind!)} paint` : lower(kind!);
  return `${lower(colour)} ${noun}`;
}
