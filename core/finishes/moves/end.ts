import type { Where } from "../../plan/plan.ts";
import type { Move, MoveContext, MoveStep } from "../move.ts";

/** How a finish would like to end; what the piece has to stand and the habits of the house decide the rest. */
export interface Ending {
  /** a tinted wax over the clear, and where */
  tint?: string;
  on?: Where;
  over?: number;
  /** gilding wax on the high points, last of all */
  gilt?: string;
  /** what is chipped, cracked or powdery must not be brushed with a clear coat */
  fragile?: boolean;
  /** which wax */
  wax?: string;
  /** oil before the wax, as on milk paint */
  oil?: string;
  /** it looks right only flat: no satin films, however hard its life */
  matt?: boolean;
}

/** The glaze that comes nearest to a tinted wax, where nothing may be waxed. */
const AS_GLAZE: Record<string, string> = {
  "wax-dark": "glaze-umber",
  "wax-ageing-brown": "glaze-umber",
  "wax-liquid-dark": "glaze-umber",
  "wax-black": "glaze-black",
  "wax-white": "glaze-pale",
};

/** Whether wax stands what this piece has to (common practice: not hot cups, not standing water, not hard wear, not outdoors). */
const waxStands = ({ use }: Pick<MoveContext, "use">): boolean =>
  use.wear !== "hard" && !use.heat && use.water !== "standing" && !use.outdoors;

/** Whether what is made here ends in wax: where wax stands it, and the house waxes. */
export const endsInWax = (context: Pick<MoveContext, "use" | "houseRules">): boolean =>
  waxStands(context) && context.houseRules.end === "wax";

/** The film that stands what this piece has to. */
function filmFor({ use }: MoveContext, matt: boolean): { what: string; coats: number; why: string } {
  if (use.outdoors) return { what: "varnish-oil", coats: 3, why: "Nothing softer lasts outdoors." };
  if (use.heat) return { what: "varnish-heat", coats: 2, why: "Hot cups stick to anything softer." };
  if (use.wear === "hard" || use.water === "standing")
    return { what: "polyurethane-water", coats: 3, why: "A hard life needs a hard film." };
  return matt
    ? { what: "clear-coat-matt", coats: 2, why: "Shuts it in without a shine." }
    : { what: "clear-coat-satin", coats: 2, why: "Shuts it in, and wipes down." };
}

function waxed({ houseRules }: MoveContext, { tint, on, over, gilt, wax = "wax-clear" }: Ending): MoveStep[] {
  const place = { ...(on === undefined ? {} : { on }), ...(over === undefined ? {} : { over }) };
  const straight = houseRules.darkWax === "straight on the paint" && tint !== undefined;
  const steps: MoveStep[] = [];
  if (!straight)
    steps.push({
      key: "wax",
      how: "wax",
      what: wax,
      why:
        tint === undefined
          ? "Shuts the paint, and can be renewed by hand."
          : "Clear first: over it the tinted wax can be moved, and taken back.",
    });
  if (tint !== undefined)
    steps.push({
      key: "tint",
      how: "wax",
      what: tint,
      ...place,
      ...(straight ? { intents: ["stain" as const] } : {}),
      why:
        on === "recess"
          ? "Pressed into the hollows and wiped off at once."
          : "Worked in and wiped off at once; what stays is the age.",
    });
  if (straight && (on !== undefined || (over ?? 1) < 1))
    steps.push({ key: "wax", how: "wax", what: wax, why: "What the tinted wax left bare." });
  if (gilt !== undefined)
    steps.push({
      key: "gilt",
      how: "finger",
      what: gilt,
      on: "high",
      why: "A touch on beads and carving, where a hand would polish.",
    });
  steps.push({ key: "buff", how: "buff", why: "Brings up the shine." });
  return steps;
}

function filmed(context: MoveContext, { tint, on, gilt, fragile = false, matt = true }: Ending): MoveStep[] {
  const film = filmFor(context, matt);
  const glaze = tint === undefined ? undefined : AS_GLAZE[tint];
  const place = on === undefined ? {} : { on };
  const sprayed = fragile ? { how: "spray" } : { how: "brush" };
  const steps: MoveStep[] = [];
  if (glaze !== undefined) {
    steps.push(
      {
        key: "seal",
        ...sprayed,
        what: fragile ? "aerosol-clear-matt" : "clear-coat-matt",
        why: "Sealed, the paint cannot drink the glaze.",
      },
      {
        key: "tint",
        how: "brush",
        what: glaze,
        ...place,
        why: "Takes the place of tinted wax, which no film holds on.",
      },
      { key: "tint-off", how: "wipe-back", ...place, why: "It stays in the hollows." },
    );
  } else if (fragile)
    steps.push({
      key: "seal",
      ...sprayed,
      what: "aerosol-clear-matt",
      why: "A mist binds what a brush would drag off.",
    });
  if (gilt !== undefined)
    steps.push({
      key: "gilt",
      how: "dry-brush",
      what: "wax-metallic-bronze",
      on: "high",
      why: "Water-borne, so that the film over it holds.",
    });
  steps.push({ key: "film", how: "brush", ...film });
  return steps;
}

/** Seals the finish as the house does and the piece needs: wax where wax stands it, otherwise a film. */
export const end = (ending: Ending = {}): Move => ({
  name: "Seal",
  steps(context) {
    const oiled: MoveStep[] =
      ending.oil !== undefined && endsInWax(context)
        ? [{ key: "oil", how: "oil-on", what: ending.oil, why: "Deepens the colour and feeds the paint." }]
        : [];
    return [...oiled, ...(endsInWax(context) ? waxed(context, ending) : filmed(context, ending))];
  },
});
