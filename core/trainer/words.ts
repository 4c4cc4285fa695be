import { bodyColour } from "../colour/material-colour.ts";
import type { Material } from "../materials/material.ts";
import { spokenName } from "../materials/spoken-name.ts";
import type { Plan, Step } from "../plan/plan.ts";
import { capital, groundNamed } from "../rules/words.ts";
import { findTechnique } from "../surface/techniques.ts";
import type { Choice, ShownStack } from "./drill.ts";

const HOW_WORDS: Record<string, string> = {
  everywhere: "",
  recess: " in the hollows",
  high: " on high points",
  arris: " on the edges",
};

/** A step as it stands on a card: "Bone white chalk-type paint, 2 coats". */
export function stepChoice(step: Step, materials: readonly Material[]): Choice {
  const technique = findTechnique(step.how)?.name ?? step.how;
  const material = materials.find(({ id }) => id === step.what);
  const where = HOW_WORDS[step.where.on] ?? ` on the ${step.where.on}`;
  const coats = step.coats > 1 ? `, ${step.coats} coats` : "";
  if (!material) return { id: step.id, says: `${technique}${where}` };
  const how = step.how === "brush" || step.how === "wax" ? "" : `, ${technique.toLowerCase()}`;
  return { id: step.id, says: `${capital(spokenName(material))}${how}${where}${coats}`, colour: bodyColour(material) };
}

/** The stack of a plan's first zone, from the ground up. */
export function stackOf(plan: Plan): ShownStack {
  const zone = plan.pieces[0]!.zones[0]!;
  return {
    ground: capital(groundNamed(zone.ground)),
    steps: plan.crusts[0]!.steps.map((step) => stepChoice(step, plan.pinned.materials)),
  };
}
