import type { Material } from "../materials/material.ts";
import type { Stage } from "./gate.ts";

// What to look and feel for besides the clock (common practice): signs overrule it.

const BY_STAGE: Record<Stage, string> = {
  touch: "matt against the light, no longer tacky",
  wet: "still shines wet against the light",
  open: "still slides; too late when it drags the sponge",
  tack: "tacky to a knuckle, but does not wet it",
  buff: "its solvent has left and the colour has lightened",
  recoat: "matt all over against the light",
  "before clear": "warm, not cold, to the hand",
  through: "a thumb pressed and twisted leaves no mark",
  set: "a fingernail still bites into it",
  habit: "warm, not cold, to the hand",
  cure: "a fingernail leaves no dent",
};

/** The sign of a stage on a material: what to look or feel for when the clock says it has been reached. */
export function signOf(stage: Stage, material: Material | null): string {
  if (stage === "tack" && material?.role === "medium") return "milky with hair lines";
  if (stage === "tack" && material?.role === "size") return "whistles under a knuckle and does not wet it";
  if (material?.role === "wax" && stage === "recoat") return "dry to a cloth, no smear";
  return BY_STAGE[stage];
}
