import type { Material } from "../materials/material.ts";
import type { StepKind } from "../plan/plan.ts";
import type { Minutes } from "../units/units.ts";
import type { ByRelief, Effect } from "./phase.ts";

export interface Technique {
  id: string;
  name: string;
  kind: StepKind;
  /** the roles of material it lays; none for techniques that take or prepare */
  lays: readonly Material["role"][];
  /** how much of a normal coat goes on */
  load: number;
  profile: ByRelief;
  /** how hard it works what lies beneath, 0 a laid brush, 1 a wet rag worked hard */
  rubbing: number;
  /** what it wets the surface with, beyond the material's own carrier */
  wets: "water" | "solvent" | null;
  minutesPerSquareMetre: number;
  setUp: Minutes;
  /** effects besides the deposit */
  effects: readonly Effect[];
  hint: string;
}

const EVEN: ByRelief = { arris: 1, field: 1, high: 1, recess: 1 };
const NONE: ByRelief = { arris: 0, field: 0, high: 0, recess: 0 };
const BRUSHED: ByRelief = { arris: 0.6, field: 1, high: 0.85, recess: 1.3 };
const WASHED: ByRelief = { arris: 0.4, field: 0.9, high: 0.55, recess: 2 };
const WAXED: ByRelief = { arris: 0.35, field: 0.7, high: 0.45, recess: 2.6 };

type Row = Partial<Technique> & Pick<Technique, "id" | "name" | "kind" | "minutesPerSquareMetre" | "hint">;
const technique = (row: Row): Technique => ({
  lays: [],
  load: 1,
  profile: NONE,
  rubbing: 0,
  wets: null,
  setUp: 5,
  effects: [],
  ...row,
});

const sand = (grit: number, micrometres: number, hint: string): Technique =>
  technique({
    id: `sand-${grit}`,
    name: `Sand ${grit}`,
    kind: "take",
    minutesPerSquareMetre: 14,
    effects: [
      { does: "abrade", micrometres, worked: { arris: 0.75, field: 0.05, high: 0.35, recess: 0 } },
      { does: "key" },
    ],
    hint,
  });

/** Ways of laying, taking and preparing. Work rates and hands by relief are common practice unless a rule says otherwise. */
export const TECHNIQUES: readonly Technique[] = [
  technique({
    id: "clean",
    name: "Clean, grease off",
    kind: "prepare",
    minutesPerSquareMetre: 10,
    effects: [{ does: "clean", removes: ["grease"] }],
    hint: "degreasing cleaner, rinse, let dry",
  }),
  technique({
    id: "dewax",
    name: "Take old wax off",
    kind: "prepare",
    wets: "solvent",
    minutesPerSquareMetre: 25,
    effects: [{ does: "clean", removes: ["wax", "oil", "grease"] }],
    hint: "solvent and fine wool, clean rags until they stay white; air the room",
  }),
  technique({
    id: "scuff",
    name: "Scuff",
    kind: "prepare",
    minutesPerSquareMetre: 10,
    effects: [{ does: "key" }],
    hint: "150 to 220, until the shine is gone; dust off",
  }),
  technique({
    id: "brush",
    name: "Brush",
    kind: "coat",
    lays: ["primer", "paint", "tint-base", "medium", "glaze", "clear"],
    profile: BRUSHED,
    rubbing: 0.15,
    minutesPerSquareMetre: 16,
    hint: "along the grain, off the edge, leave it alone",
  }),
  technique({
    id: "cross-hatch",
    name: "Brush, cross-hatched",
    kind: "coat",
    lays: ["paint", "tint-base"],
    load: 1.2,
    profile: BRUSHED,
    rubbing: 0.3,
    minutesPerSquareMetre: 18,
    hint: "short strokes both ways for texture",
  }),
  technique({
    id: "spray",
    name: "Spray",
    kind: "coat",
    lays: ["primer", "paint", "clear"],
    load: 0.7,
    profile: EVEN,
    minutesPerSquareMetre: 8,
    setUp: 20,
    hint: "two mists rather than one wet pass",
  }),
  technique({
    id: "wash",
    name: "Wash",
    kind: "coat",
    lays: ["paint", "tint-base"],
    load: 0.35,
    profile: WASHED,
    rubbing: 0.5,
    wets: "water",
    minutesPerSquareMetre: 12,
    hint: "paint let down with water, 1 : 1 to 1 : 3",
  }),
  technique({
    id: "wax",
    name: "Wax on, wipe",
    kind: "coat",
    lays: ["wax"],
    profile: WAXED,
    rubbing: 0.4,
    minutesPerSquareMetre: 22,
    hint: "thin, worked in; offload to a plate so the tin stays clean",
  }),
  technique({
    id: "wipe-back",
    name: "Wipe back",
    kind: "take",
    rubbing: 0.7,
    wets: "water",
    minutesPerSquareMetre: 10,
    setUp: 0,
    effects: [{ does: "thin", leaves: { arris: 0.12, field: 0.35, high: 0.18, recess: 0.9 } }],
    hint: "damp takes more than dry; along the grooves, not into them",
  }),
  technique({
    id: "wet-distress",
    name: "Wet distress",
    kind: "take",
    rubbing: 1,
    wets: "water",
    minutesPerSquareMetre: 18,
    effects: [
      { does: "dissolve", solvent: "water", rubbing: 1, worked: { arris: 0.85, field: 0.05, high: 0.45, recess: 0 } },
    ],
    hint: "damp cloth over a finger, edges and beads",
  }),
  sand(320, 10, "paper folded into the grooves; fine lines and smoothing"),
  sand(220, 30, "worn edges"),
  sand(150, 110, "through to the timber on the arrises"),
  technique({
    id: "buff",
    name: "Buff",
    kind: "take",
    minutesPerSquareMetre: 12,
    setUp: 2,
    effects: [{ does: "polish" }],
    hint: "lint-free cloth, turned often",
  }),
];

const byId = new Map(TECHNIQUES.map((one) => [one.id, one]));
export const findTechnique = (id: string): Technique | undefined => byId.get(id);

/** The techniques that lay a material, the usual one first. */
export const techniquesFor = (material: Material): Technique[] =>
  TECHNIQUES.filter((one) => one.lays.includes(material.role));
