import type { Material } from "../materials/material.ts";
import type { Minutes } from "../units/units.ts";

/** Below this product of solubility and rubbing a film holds. At a day old, chalk-type paint holds a damp cloth (common practice). */
export const HOLDS_BELOW = 0.35;

/**
 * How readily a film dissolves in what it meets, 0 not at all to 1 at once, at a given age.
 * Straight lines between the material's points; after the last one it keeps that value.
 */
export function solubility(material: Material, solvent: "water" | "alcohol" | "solvent", age: Minutes): number {
  const law = material.solubility;
  if (law?.by !== solvent) return 0;
  const curve = law.curve;
  let [fromAge, fromDegree] = curve[0]!;
  for (const [toAge, toDegree] of curve) {
    if (age <= toAge) {
      if (toAge === fromAge) return toDegree;
      return fromDegree + ((toDegree - fromDegree) * (age - fromAge)) / (toAge - fromAge);
    }
    [fromAge, fromDegree] = [toAge, toDegree];
  }
  return fromDegree;
}

/** Whether rubbing (0 a laid brush, 1 a wet rag worked hard) goes through a film of this age. */
export function opens(
  material: Material,
  solvent: "water" | "alcohol" | "solvent",
  age: Minutes,
  rubbing: number,
): boolean {
  return solubility(material, solvent, age) * rubbing > HOLDS_BELOW + 1e-9;
}

/**
 * The age from which that rubbing no longer goes through the film; Infinity if it always does, 0 if it never does.
 */
export function holdsFrom(material: Material, solvent: "water" | "alcohol" | "solvent", rubbing: number): Minutes {
  const law = material.solubility;
  if (law?.by !== solvent || rubbing === 0) return 0;
  const need = HOLDS_BELOW / rubbing;
  const curve = law.curve;
  if (curve[0]![1] <= need) return 0;
  for (let at = 1; at < curve.length; at++) {
    const [age0, degree0] = curve[at - 1]!;
    const [age1, degree1] = curve[at]!;
    if (degree1 <= need) return age0 + ((degree0 - need) / (degree0 - degree1)) * (age1 - age0);
  }
  return Number.POSITIVE_INFINITY;
}
