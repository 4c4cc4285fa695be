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
] as const;

export const SPECIES = ["oak", "chestnut", "mahogany", "cedar", "pine", "beech", "walnut", "unknown"] as const;
/** Species whose tannin or dye comes through pale water-borne paint (common practice). */
export const BLEEDING_SPECIES: ReadonlySet<string> = new Set(["oak", "chestnut", "mahogany", "cedar"]);

/** What is there before you start. */
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
});
export type Ground = z.infer<typeof Ground>;
export type GroundKind = Ground["kind"];
export type Species = NonNullable<Ground["species"]>;

type Preset = Omit<Ground, "kind" | "species" | "knots" | "age">;
const plain = { bleeds: [], contamination: [], soundness: "sound" } satisfies Partial<Preset>;

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
};

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
export function groundOf(kind: GroundKind, species?: Species, knots = 0): Ground {
  const preset = PRESETS[kind];
  const timber = isTimber(kind) && species !== undefined;
  const bleeds: Ground["bleeds"] = [];
  if (timber && BLEEDING_SPECIES.has(species)) bleeds.push("tannin");
  if (knots > 0) bleeds.push("knots");
  return {
    ...preset,
    kind,
    ...(timber ? { species } : {}),
    colour: timber && kind === "raw timber" ? TIMBER_COLOURS[species] : preset.colour,
    contamination: [...preset.contamination],
    bleeds,
    knots,
    age: kind === "old paint" ? "unknown" : "after 1978",
  };
}
