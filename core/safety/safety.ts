import type { Hazard } from "../materials/material.ts";
import { mayHoldLead } from "../plan/ground.ts";
import type { Zone } from "../plan/plan.ts";
import { disturbsOldFinish, type Phase } from "../surface/phase.ts";

// The usual cautions, said with the step where the hazard arises. They never replace local law or the maker's label.

export type Danger = Hazard | "heat" | "lead" | "fibre dust" | "stripper";

export interface Caution {
  danger: Danger;
  title: string;
  says: string;
  /** must be read and accepted before the step is begun */
  mustBeRead: boolean;
  origin: string;
}

const CAUTIONS: Record<Danger, Omit<Caution, "danger">> = {
  lead: {
    title: "Lead",
    says: "Paint from before 1978, or of unknown age: test before any sanding, scraping or heat. No dry sanding, no burning, no chipping, scraping or wet rubbing of old layers. Keep children, pregnant women and animals away; collect every chip. Where the law requires it, leave removal to licensed people.",
    mustBeRead: true,
    origin: "published: US EPA renovation rule 40 CFR 745; 90 ppm limit 16 CFR 1303; elsewhere local law",
  },
  heat: {
    title: "Heat gun",
    says: "Never on paint that may contain lead, on a film wet with solvent, or on wax. Keep it moving; have nothing that burns behind the piece; let the nozzle cool on metal.",
    mustBeRead: true,
    origin: "common practice",
  },
  dust: {
    title: "Dust",
    says: "Wear a P2 or N95 mask, or better; sand towards a vacuum, not towards your face; wipe up with a damp cloth.",
    mustBeRead: false,
    origin: "common practice",
  },
  "fibre dust": {
    title: "Fibreboard dust",
    says: "Finer than wood dust and bound with resin: wear a mask, use a vacuum, and work outdoors if you can.",
    mustBeRead: false,
    origin: "common practice",
  },
  powder: {
    title: "Powders",
    says: "Do not breathe casein, lime, plaster, pigment or metal powders: wear a mask to weigh and stir, and put the lid back on.",
    mustBeRead: false,
    origin: "common practice",
  },
  fumes: {
    title: "Fumes",
    says: "Air the room while you work and while it dries. A dust mask does not stop vapour.",
    mustBeRead: false,
    origin: "common practice",
  },
  flammable: {
    title: "Flammable",
    says: "No flame, no heater, no cigarette, no spark in the room until the smell has gone.",
    mustBeRead: false,
    origin: "common practice",
  },
  "oily rags": {
    title: "Oily rags",
    says: "Rags with oil or wax solvent catch fire by themselves. Spread them flat outdoors to dry, or keep them under water in a closed metal can; never in a heap or in the bin.",
    mustBeRead: false,
    origin: "common practice",
  },
  acid: {
    title: "Acid",
    says: "Gloves and goggles; water to hand; no bare metal near it. Dispose of residues by local rules.",
    mustBeRead: false,
    origin: "common practice",
  },
  stripper: {
    title: "Stripper",
    says: "Gloves, goggles, open windows. Neutralise, rinse and let it dry; dispose of what comes off by local rules.",
    mustBeRead: false,
    origin: "common practice",
  },
};

/** The dangers of one phase on one zone, the most serious first. */
export function cautionsFor(phase: Phase, zone: Pick<Zone, "ground">): Caution[] {
  const dangers = new Set<Danger>();
  if (disturbsOldFinish(phase) && mayHoldLead(zone.ground)) dangers.add("lead");
  for (const hazard of phase.technique.hazards) dangers.add(hazard);
  // a film makes dust when it is sanded, not when it is laid
  for (const hazard of phase.material?.hazards ?? []) if (hazard !== "dust") dangers.add(hazard);
  if (phase.does.has("strip")) dangers.add("stripper");
  if (dangers.has("dust") && zone.ground.kind === "fibreboard") dangers.add("fibre dust");
  const order = Object.keys(CAUTIONS) as Danger[];
  return order.filter((danger) => dangers.has(danger)).map((danger) => ({ danger, ...CAUTIONS[danger] }));
}
