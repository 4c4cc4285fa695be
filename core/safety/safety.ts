import type { Hazard } from "../materials/material.ts";
import type { Ground } from "../plan/ground.ts";
import type { Zone } from "../plan/plan.ts";
import type { Phase } from "../surface/phase.ts";

// The usual cautions, said with the step where the hazard arises. They never replace local law or the maker's label.

export type Danger = Hazard | "heat" | "lead" | "fibre dust" | "stripper";

export interface Caution {
  danger: Danger;
  title: string;
  says: string;
  /** must be read and taken on before the step is begun */
  mustBeRead: boolean;
  origin: string;
}

const CAUTIONS: Record<Danger, Omit<Caution, "danger">> = {
  lead: {
    title: "Lead",
    says: "Paint from before 1978, or of unknown age: test before any sanding, scraping or heat. No dry sanding, no burning, no chipping, scraping or wet rubbing of old layers. Children, pregnant women and animals away; collect every chip. Where the law asks for it, licensed people remove it.",
    mustBeRead: true,
    origin: "published: US EPA renovation rule 40 CFR 745; 90 ppm limit 16 CFR 1303; elsewhere local law",
  },
  heat: {
    title: "Heat gun",
    says: "Never on paint that may hold lead, on film wet with solvent, or on wax. Keep it moving; nothing that burns behind the piece; let the nozzle cool on metal.",
    mustBeRead: true,
    origin: "common practice",
  },
  dust: {
    title: "Dust",
    says: "Mask of class P2 or N95, or better; sand towards a vacuum, not towards your face; wipe up damp.",
    mustBeRead: false,
    origin: "common practice",
  },
  "fibre dust": {
    title: "Fibreboard dust",
    says: "Finer than wood dust and bound with resin: mask, vacuum, and outdoors if you can.",
    mustBeRead: false,
    origin: "common practice",
  },
  powder: {
    title: "Powders",
    says: "Casein, lime, plaster, pigment and metal powders are not for breathing: mask while weighing and stirring, lid back on.",
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
    title: "It burns",
    says: "No flame, no heater, no cigarette, no spark in the room until the smell has gone.",
    mustBeRead: false,
    origin: "common practice",
  },
  "oily rags": {
    title: "Rags heat themselves",
    says: "Rags with oil or wax solvent catch fire by themselves. Spread them flat outdoors to dry, or under water in a closed metal can; never in a heap, never in the bin.",
    mustBeRead: false,
    origin: "common practice",
  },
  acid: {
    title: "Acid",
    says: "Gloves and goggles; water at hand; nothing bare of metal near it. Residues by the local rules.",
    mustBeRead: false,
    origin: "common practice",
  },
  stripper: {
    title: "Stripper",
    says: "Gloves, goggles, open windows. Neutralise, rinse, and let it dry; what comes off goes where the local rules say.",
    mustBeRead: false,
    origin: "common practice",
  },
};

const DISTURBS: readonly Phase["effects"][number]["does"][] = [
  "abrade",
  "chip",
  "key",
  "knock back",
  "strip",
  "scrape",
  "dissolve",
  "force dry",
];

/** Whether an old finish may hold lead for all that is known of it. */
export const mayHoldLead = (ground: Ground): boolean =>
  ground.age !== "after 1978" &&
  ground.lead !== "none found" &&
  (ground.kind === "old paint" || ground.kind === "old gilding" || ground.kind === "varnished timber");

/** The dangers of one phase on one zone, the gravest first. */
export function cautionsFor(phase: Phase, zone: Pick<Zone, "ground">): Caution[] {
  const dangers = new Set<Danger>();
  const disturbs = DISTURBS.some((does) => phase.does.has(does));
  if (disturbs && mayHoldLead(zone.ground)) dangers.add("lead");
  for (const hazard of phase.technique.hazards) dangers.add(hazard);
  // a film makes dust when it is sanded, not when it is laid
  for (const hazard of phase.material?.hazards ?? []) if (hazard !== "dust") dangers.add(hazard);
  if (phase.does.has("strip")) dangers.add("stripper");
  if (dangers.has("dust") && zone.ground.kind === "fibreboard") dangers.add("fibre dust");
  const order = Object.keys(CAUTIONS) as Danger[];
  return order.filter((danger) => dangers.has(danger)).map((danger) => ({ danger, ...CAUTIONS[danger] }));
}
