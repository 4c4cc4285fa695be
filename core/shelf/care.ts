import type { Judgement } from "../judge/judge.ts";
import type { Material } from "../materials/material.ts";
import type { Plan, Use } from "../plan/plan.ts";

/** How a client looks after a piece: what lies on top of it decides. */
export interface Care {
  /** the zones it is said for */
  zones: string[];
  finish: string;
  says: string[];
}

const CLEAN: Partial<Record<Material["role"], string>> = {
  wax: "Dust with a dry cloth; buff with a soft one when it dulls. No cleaners with solvent or spirit. Renew the wax about once a year.",
  oil: "Wipe with a barely damp cloth. Renew the oil once a year, thinly, and take off all that is left.",
  clear: "Wipe with a damp cloth and a little mild soap, then dry. No scouring, no spirit.",
};
const UNSEALED = "Dust only. It is not sealed: water and grease leave marks.";

const HEAT: Record<Material["underHeat"], string | null> = {
  stands: null,
  marks: "Hot cups and pans leave rings: use a mat.",
  softens: "Keep it from heat: hot cups stick and mark, and a radiator softens it.",
};

function careOf(top: Material | null, use: Use): string[] {
  const clean = (top && CLEAN[top.role]) ?? UNSEALED;
  const heat = top ? HEAT[top.underHeat] : null;
  const wet = top?.role === "clear" || use.water === "dry" ? null : "Wipe up spills at once.";
  const outside = use.outdoors && !top?.outdoors ? "Keep it under a roof." : null;
  const promise = use.near === "nothing" ? null : "The finish is not certified for food or for toys.";
  return [clean, heat, wet, outside, promise].filter((one) => one !== null);
}

/** The layer that is touched, on the face of a zone: the top film where most of the face is. */
function topOf({ after }: Judgement["zones"][number]): Material | null {
  const [largest] = [...after.patches.field].sort((a, b) => b.share - a.share);
  return largest?.stack?.film.material ?? null;
}

/** How to look after a finished piece, zone by zone; zones that are alike are said together. */
export function careFor(plan: Plan, judgement: Judgement): Care[] {
  const cares = new Map<string, Care>();
  for (const judged of judgement.zones) {
    if (judged.phases.length === 0) continue;
    const top = topOf(judged);
    const says = careOf(top, judged.zone.use);
    const finish = top ? top.name : "bare";
    const key = `${finish} ${says.join(" ")}`;
    const care = cares.get(key) ?? { zones: [], finish, says };
    cares.set(key, care);
    care.zones.push(judged.zone.name);
  }
  return plan.pieces.length > 0 ? [...cares.values()] : [];
}
