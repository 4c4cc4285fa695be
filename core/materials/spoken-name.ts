import type { Material } from "./material.ts";

/** Kinds that are an adjective by themselves: "chalk-type", "acrylic mineral". */
const NEEDS_NOUN = /(type|mineral|acrylic|metallic)$/i;

/** A material's name inside a sentence: "dark wax", "chalk-type, bone white" → "bone white chalk-type paint". */
export function spokenName(material: Material): string {
  const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
  const [kind, colour] = material.name.split(", ");
  if (!colour) return lower(kind!);
  const noun = material.role === "paint" && NEEDS_NOUN.test(kind!) ? `${lower(kind!)} paint` : lower(kind!);
  return `${lower(colour)} ${noun}`;
}
