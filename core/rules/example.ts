import { CATALOGUE } from "../materials/catalogue.ts";
import { type Ground, type GroundKind, groundOf, type Species } from "../plan/ground.ts";
import { DEFAULT_HOURS } from "../plan/hours.ts";
import { DEFAULT_HOUSE_RULES, type HouseRules } from "../plan/house-rules.ts";
import { type Mix, materialsIn } from "../plan/mix.ts";
import { type Crust, MOULDED_RELIEF, PLAN_VERSION, type Plan, type Step, type Use, type Zone } from "../plan/plan.ts";
import { REFERENCE_ROOM, type Room } from "../plan/room.ts";
import { findTechnique } from "../surface/techniques.ts";

export type ExampleStep = [how: string, what?: string | null, more?: Partial<Omit<Step, "id" | "kind" | "how">>];

/** Two parts stirred together for a step: so much of its own material, so much of another. */
export const mixed = (parts: number, what: string, others: number, thinner = 0): Mix => ({
  by: "volume",
  parts,
  with: [{ what, parts: others }],
  thinner,
});

/** A small stack that shows a rule with or without a warning; tests and the guide are made from these. */
export interface ExampleStack {
  shows: string;
  ground: GroundKind;
  species?: Species;
  knots?: number;
  groundIs?: Partial<Ground>;
  use?: Partial<Use>;
  houseRules?: Partial<HouseRules>;
  room?: Partial<Room>;
  zone?: Partial<
    Pick<Zone, "shape" | "carving" | "faces" | "relief" | "orientation" | "hands" | "movingParts" | "sizes">
  >;
  steps: readonly ExampleStep[];
}

/** The step an example's shorthand stands for; ids are s1, s2 … from the ground up. */
export function exampleStep([how, what, more]: ExampleStep, index: number): Step {
  const technique = findTechnique(how);
  return {
    id: `s${index + 1}`,
    kind: technique?.kind ?? "coat",
    how,
    ...(what ? { what } : {}),
    where: { on: "everywhere", over: 1 },
    coats: 1,
    intents: [],
    ...more,
  };
}

/** A whole plan with one moulded panel of half a square metre that carries the example. */
export function examplePlan(example: ExampleStack): Plan {
  const crust: Crust = { id: "c1", name: example.shows.slice(0, 80), steps: example.steps.map(exampleStep) };
  const zone: Zone = {
    id: "z1",
    name: "Panel",
    shape: { kind: "panel", width: 1000, height: 500, count: 1 },
    carving: 1,
    faces: 1,
    relief: MOULDED_RELIEF,
    orientation: "upright",
    use: { wear: "gentle", heat: false, water: "dry", outdoors: false, near: "nothing", ...example.use },
    ground: { ...groundOf(example.ground, example.species, example.knots), ...example.groundIs },
    crustId: "c1",
    overrides: [],
    hands: [],
    movingParts: false,
    ...example.zone,
  };
  const used = new Set(crust.steps.flatMap(materialsIn));
  return {
    format: "jolly-crust",
    version: PLAN_VERSION,
    id: "example",
    title: "Example",
    start: "2026-11-30T09:00",
    pinned: {
      room: { ...REFERENCE_ROOM, ...example.room },
      hours: DEFAULT_HOURS,
      houseRules: { ...DEFAULT_HOUSE_RULES, ...example.houseRules },
      materials: CATALOGUE.filter((material) => used.has(material.id)),
    },
    acknowledged: [],
    palette: [],
    pins: [],
    crusts: [crust],
    pieces: [{ id: "p1", name: "Example piece", zones: [zone] }],
  };
}
