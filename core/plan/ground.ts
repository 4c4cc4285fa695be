import { z } from "zod";
import { Colour } from "../materials/material.ts";

export const GROUND_KINDS = [
  "raw timber",
  "varnished timber",
  "waxed or oiled timber",
  "old paint",
  "laminate",
  "fibreboard",
  "ferrous metal",
  "brass",
  "glass or glazed",
  "plastic or resin",
  "old gilding",
] as const;

export const SPECIES = ["oak", "chestnut", "mahogany", "cedar", "pine", "beech", "walnut", "unknown"] as const;
/** Species whose tannin or dye comes through pale water-borne paint (common practice). */
export const BLEEDING_SPECIES: ReadonlySet<string> = new Set(["oak", "chestnut", "mahogany", "cedar"]);

/** What is there before you start. */
export const LEAD = ["not tested", "found", "none found"] as const;

/** What was tested on the piece, and the result. */
export const GroundTests = z.strictObject({
  solventRub: z.enum(["alcohol softens it", "solvent softens it", "nothing moves it"]).optional(),
  waterDrop: z.enum(["beads", "sits", "soaks in slowly", "soaks in at once"]).optional(),
  tapePull: z.enum(["clean", "flakes come off"]).optional(),
  leadSwab: z.enum(["turned colour", "no change"]).optional(),
  bleedPatch: z.enum(["stayed clean", "rings came through"]).optional(),
  clues: z
    .array(z.enum(["slotted screws", "hand-cut joints", "crazed varnish"]))
    .max(3)
    .default([]),
});
export type GroundTests = z.infer<typeof GroundTests>;

export const Ground = z.strictObject({
  kind: z.enum(GROUND_KINDS),
  species: z.enum(SPECIES).optional(),
  colour: Colour,
  absorbency: z.number().min(0).max(1),
  tooth: z.number().min(0).max(1),
  bleeds: z.array(z.enum(["tannin", "knots", "dye"])).max(3),
  knots: z.int().min(0).max(500),
  contamination: z.array(z.enum(["grease", "wax", "oil"])).max(3),
  soundness: z.enum(["sound", "flaking"]),
  age: z.enum(["after 1978", "before 1978", "unknown"]),
  lead: z.enum(LEAD).default("not tested"),
  grain: z.enum(["open", "close"]).default("close"),
  inSight: z.number().min(0).max(1).default(0).describe("share of the ground that is meant to stay in sight"),
  tests: GroundTests.default({ clues: [] }),
});
export type Ground = z.infer<typeof Ground>;
export type GroundKind = Ground["kind"];
export type Species = NonNullable<Ground["species"]>;

type Preset = Omit<Ground, "kind" | "species" | "knots" | "age" | "lead" | "tests">;
const plain = {
  bleeds: [],
  contamination: [],
  soundness: "sound",
  grain: "close",
  inSight: 0,
} satisfies Partial<Preset>;

/** Properties each kind of ground starts from (from memory); tests on the piece overwrite them. */
const PRESETS: Record<GroundKind, Preset> = {
  "raw timber": { ...plain, colour: "#c59a66", absorbency: 0.8, tooth: 0.9 },
  "varnished timber": { ...plain, colour: "#8a5a30", absorbency: 0.05, tooth: 0.3, contamination: ["grease"] },
  "waxed or oiled timber": {
    ...plain,
    colour: "#9a6b3b",
    absorbency: 0.1,
    tooth: 0.5,
    contamination: ["grease", "wax"],
  },
  "old paint": { ...plain, colour: "#b9b3a4", absorbency: 0.2, tooth: 0.45, contamination: ["grease"] },
  laminate: { ...plain, colour: "#d8cdb8", absorbency: 0, tooth: 0.05, contamination: ["grease"] },
  fibreboard: { ...plain, colour: "#a98a63", absorbency: 0.8, tooth: 0.8 },
  "ferrous metal": { ...plain, colour: "#5d5b58", absorbency: 0, tooth: 0.1, contamination: ["grease"] },
  brass: { ...plain, colour: "#b08d3c", absorbency: 0, tooth: 0.05, contamination: ["grease"] },
  "glass or glazed": { ...plain, colour: "#cfd6d4", absorbency: 0, tooth: 0, contamination: ["grease"] },
  "plastic or resin": { ...plain, colour: "#d9d6cf", absorbency: 0, tooth: 0.1, contamination: ["grease"] },
  "old gilding": { ...plain, colour: "#b9954f", absorbency: 0.05, tooth: 0.3, contamination: ["grease"] },
};

/** Species whose pores stay open under thin paint (common practice). */
const OPEN_GRAIN: ReadonlySet<string> = new Set(["oak", "chestnut", "mahogany", "walnut"]);

const TIMBER_COLOURS: Record<Species, string> = {
  oak: "#b98a58",
  chestnut: "#b0865a",
  mahogany: "#8c4a2e",
  cedar: "#a9643f",
  pine: "#d9b27c",
  beech: "#cfa57a",
  walnut: "#6f4a30",
  unknown: "#b58a5a",
};

const TIMBER: ReadonlySet<GroundKind> = new Set(["raw timber", "varnished timber", "waxed or oiled timber"]);
export const isTimber = (kind: GroundKind) => TIMBER.has(kind);

/** A ground of this kind with its usual properties. Old finish over a bleeding timber still bleeds. */
/** Whether an old finish may contain lead, for all that is known of it. */
export const mayHoldLead = ({ kind, age, lead }: Ground): boolean =>
  age !== "after 1978" &&
  lead !== "none found" &&
  (kind === "old paint" || kind === "old gilding" || kind === "varnished timber");

export function groundOf(kind: GroundKind, species?: Species, knots = 0): Ground {
  const preset = PRESETS[kind];
  const timber = isTimber(kind) && species !== undefined;
  const bleeds: Ground["bleeds"] = [];
  if (timber && BLEEDING_SPECIES.has(species)) bleeds.push("tannin");
  // a ground with no timber near its surface has no knots to bleed
  const knotty = isTimber(kind) || kind === "old paint" ? knots : 0;
  if (knotty > 0) bleeds.push("knots");
  return {
    ...preset,
    kind,
    ...(timber ? { species } : {}),
    colour: timber && kind === "raw timber" ? TIMBER_COLOURS[species] : preset.colour,
    contamination: [...preset.contamination],
    bleeds,
    knots: knotty,
    age: kind === "old paint" || kind === "old gilding" ? "unknown" : "after 1978",
    lead: "not tested",
    grain: timber && OPEN_GRAIN.has(species) ? "open" : "close",
    tests: { clues: [] },
  };
}
