import type { Material } from "../materials/material.ts";
import { materialOf, potBehind } from "../mixing/mixed-material.ts";
import { letDown, type Pot, potOf } from "../mixing/pot.ts";
import type { Mix } from "../plan/mix.ts";
import type { Crust, Step, StepKind, Zone } from "../plan/plan.ts";
import { isReliefClass, zoneArea } from "../plan/plan.ts";
import { phaseIdOf, turnsOf } from "../plan/rounds.ts";
import { HOUR } from "../units/units.ts";
import { howItLies, type Lies } from "./coverage.ts";
import type { Effect } from "./effect.ts";
import { withEffort } from "./effort.ts";
import { coatThickness } from "./film.ts";
import { inGoes } from "./one-go.ts";
import type { Phase, RuledAs } from "./phase.ts";
import { regionOfStep, shareWhere, sizesOf } from "./places.ts";
import type { Technique } from "./technique.ts";
import { findTechnique, techniquesFor } from "./techniques.ts";

/** A step the engine cannot read: an unknown technique or material. It is kept and shown, and lays nothing. */
export interface Unreadable {
  step: Step;
  because: string;
}

/** How much slower relief makes the work: carving half as long again and more (common practice). */
const reliefFactor = (zone: Zone) => 1 + 0.8 * (zone.relief.recess + zone.relief.high);

function handsOn(technique: Technique, zone: Zone, area: number, share: number): number {
  if (!technique.hands) return 0;
  const minutes = technique.setUp + area * technique.minutesPerSquareMetre * share * reliefFactor(zone);
  return Math.min(12 * HOUR, Math.max(5, Math.round(minutes / 5) * 5));
}

/** Working only the edges or the grooves still means going over the face: so much of its time at least (common practice). */
const OVER_THE_FACE = 0.3;

/** How much of a face is gone over: a border is no more than it is, edges and grooves are found all over it. */
function reachedBy(step: Step, zone: Zone): number {
  const region = regionOfStep(step);
  const share = shareWhere(region, zone.relief, sizesOf(zone));
  return [step.where.on, ...(step.where.also ?? [])].some(isReliefClass) ? Math.max(share, OVER_THE_FACE) : share;
}

function whyUnreadable(
  { what, how }: Pick<Step, "what" | "how">,
  technique: Technique | undefined,
  material: Material | undefined,
): string | null {
  if (!technique) return `There is no technique called "${how}".`;
  if (technique.lays.length === 0) return null;
  if (what === undefined) return `${technique.name} needs a material.`;
  if (!material) return `The material "${what}" is not in this plan.`;
  if (!techniquesFor(material).includes(technique)) return `${material.name} cannot be laid with "${technique.name}".`;
  return null;
}

const RULED_AS: Record<StepKind, RuledAs> = {
  prepare: "prepare",
  coat: "coat",
  take: "take",
  help: "help",
  inspect: "help",
  handle: "help",
  hold: "help",
};

/** How a material goes onto the surface: most are laid, leaf and crumb stick to what is tacky or wet. */
function layingOf(material: Material, technique: Technique, load: number): Effect {
  const micrometres = coatThickness(material, load);
  if (material.role === "leaf") return { does: "stick", micrometres, to: "size" };
  if (material.role === "crumb") return { does: "stick", micrometres, to: "wet" };
  return { does: "deposit", micrometres, profile: technique.profile };
}

interface Laying {
  effects: readonly Effect[];
  does: ReadonlySet<Effect["does"]>;
}

const layings = new WeakMap<Technique, WeakMap<Material, Map<number, Laying>>>();
const takings = new WeakMap<Technique, Laying>();

const laying = (effects: readonly Effect[]): Laying => ({
  effects,
  does: new Set(effects.map((effect) => effect.does)),
});

/** What a technique does with so much of a material, worked out once for all that lay it so. */
function effectsOf(technique: Technique, material: Material | null, load: number): Laying {
  if (material === null) {
    const known = takings.get(technique) ?? laying(technique.effects);
    takings.set(technique, known);
    return known;
  }
  const ofTechnique = layings.get(technique) ?? new WeakMap<Material, Map<number, Laying>>();
  layings.set(technique, ofTechnique);
  const byLoad = ofTechnique.get(material) ?? new Map<number, Laying>();
  ofTechnique.set(material, byLoad);
  let known = byLoad.get(load);
  if (!known) {
    const lays = layingOf(material, technique, load);
    const reacts: Effect[] = material.role === "patina" ? [{ does: "react" }] : [];
    // the metal turns before the patina covers it
    known = laying([...reacts, lays, ...technique.effects]);
    byLoad.set(load, known);
  }
  return known;
}

/** The same with the effort that a step asks for; a hand that lays presses as its technique does. */
const workedWith = ({ effort }: Step, laying: Laying, lays: boolean): Laying =>
  effort === undefined || lays ? laying : { ...laying, effects: withEffort(laying.effects, effort) };

/** The steps that a zone really gets: the planned ways of inspections, without what the zone skips. */
export function stepsOn(crust: Crust, zone: Zone): readonly Step[] {
  const skipped = new Set(zone.overrides.filter((override) => override.skip).map((override) => override.stepId));
  let expected: string | undefined;
  return crust.steps.filter((step) => {
    if (step.branches) expected = step.expected ?? step.branches[0]?.id;
    return !skipped.has(step.id) && (step.branch === undefined || step.branch === expected);
  });
}

export interface Compiled {
  phases: readonly Phase[];
  unreadable: readonly Unreadable[];
}

/** What a step stirs together, or why it cannot; a technique that lets paint down does so where the step says nothing of water. */
function potIn(
  { mix }: Step,
  technique: Technique,
  material: Material,
  materials: ReadonlyMap<string, Material>,
): Pot | string {
  const stirred = mix && technique.carriesTwo ? { ...mix, with: [] } : mix;
  if (!stirred) return letDown(material, technique.letDown);
  // whoever says how much water goes in, says it of the powder and not of what the house makes of it
  const [own, others] = stirred.thinner > 0 ? [asPowder(material), asPowders(materials)] : [material, materials];
  const thinner = stirred.thinner > 0 ? stirred.thinner : technique.letDown * partsIn(stirred);
  return potOf({ ...stirred, thinner }, own, others) ?? "A material of its mix is not in this plan.";
}

const asPowder = (material: Material): Material => potBehind(material)?.parts[0]?.material ?? material;

const asPowders = (materials: ReadonlyMap<string, Material>) => ({
  get: (id: string) => {
    const material = materials.get(id);
    return material && asPowder(material);
  },
});

const partsIn = ({ parts, with: others }: Mix) => others.reduce((sum, one) => sum + one.parts, parts);

/** The second colour on a brush that carries two. */
function besideIn({ mix }: Step, materials: ReadonlyMap<string, Material>): Phase["beside"] {
  const second = mix?.with[0];
  const material = second && materials.get(second.what);
  return mix && second && material ? { material, share: second.parts / (mix.parts + second.parts) } : null;
}

/** What lays nothing works on the whole of what it is worked over. */
const WHOLE: Lies = { load: 1, covers: 1 };

/** One step as phases, a phase a coat; or why it cannot be read. What mends an earlier coat may be handed what that laid. */
export function compileStep(
  step: Step,
  zone: Zone,
  materials: ReadonlyMap<string, Material>,
  area: number = zoneArea(zone),
  { mended, round = 1 }: { mended?: string | undefined; round?: number } = {},
): Phase[] | string {
  const technique = findTechnique(step.how);
  const what = step.what ?? (technique?.mends ? mended : undefined);
  const material = what === undefined ? undefined : materials.get(what);
  const because = whyUnreadable({ what, how: step.how }, technique, material);
  if (because !== null || !technique) return because ?? "";
  const pot = technique.lays.length > 0 ? potIn(step, technique, material!, materials) : null;
  if (typeof pot === "string") return pot;
  const lays = pot === null ? null : materialOf(pot);
  const lies = lays === null ? WHOLE : howItLies(step, technique, lays);
  const { effects, does } = workedWith(step, effectsOf(technique, lays, lies.load), lays !== null);
  const passes = lays === null ? (step.effort?.passes ?? 1) : 1;
  const hands = handsOn(technique, zone, area, reachedBy(step, zone) * step.where.over * passes);
  const coats = lays ? (zone.overrides.find((override) => override.stepId === step.id)?.coats ?? step.coats) : 1;
  const phases: Phase[] = [];
  for (let coat = 1; coat <= coats; coat++)
    phases.push({
      id: phaseIdOf(step.id, coat, coats, round),
      step,
      technique,
      material: lays,
      pot,
      beside: lays && technique.carriesTwo ? besideIn(step, materials) : null,
      coat,
      coats,
      round,
      passes,
      uneven: lays !== null && step.uneven === true,
      ruledAs: RULED_AS[technique.kind],
      effects,
      does,
      load: lies.load,
      where: { ...regionOfStep(step), share: step.where.over * lies.covers },
      intents: step.intents,
      hands,
      go: null,
    });
  return phases;
}

/**
 * Turns a crust on a zone into phases, from the first to the last: coats become single coats, and every phase carries
 * its effects on the surface and its minutes of hands. Phases already compiled from the first steps may be handed in.
 */
export function compile(
  crust: Crust,
  zone: Zone,
  materials: ReadonlyMap<string, Material>,
  known: readonly Phase[] = [],
): Compiled {
  if (zone.overrides.length > 0) return compileFrom(crust, zone, materials, known);
  const twin = twins.get(crust);
  const goesOnFrom = (phases: readonly Phase[]) => known.length === 0 || phases[known.length - 1] === known.at(-1);
  if (twin && twin.materials === materials && sameSize(twin.zone, zone) && goesOnFrom(twin.compiled.phases))
    return twin.compiled;
  const compiled = compileFrom(crust, zone, materials, known);
  twins.set(crust, { zone, materials, compiled });
  return compiled;
}

/** The zone a crust was last compiled for: zones of one size under one crust share their phases. */
const twins = new WeakMap<Crust, { zone: Zone; materials: ReadonlyMap<string, Material>; compiled: Compiled }>();

const sameSize = (a: Zone, b: Zone) =>
  b.overrides.length === 0 && zoneArea(a) === zoneArea(b) && reliefFactor(a) === reliefFactor(b);

/** The material of the last coat before a step that its technique could lay again. */
function lastThatFits(steps: readonly Step[], at: number): string | undefined {
  if (!findTechnique(steps[at]!.how)?.mends || steps[at]!.what !== undefined) return undefined;
  return steps.slice(0, at).findLast(({ kind, what }) => kind === "coat" && what !== undefined)?.what;
}

function compileFrom(
  crust: Crust,
  zone: Zone,
  materials: ReadonlyMap<string, Material>,
  known: readonly Phase[],
): Compiled {
  const phases: Phase[] = [...known];
  const unreadable: Unreadable[] = [];
  const area = zoneArea(zone);
  const steps = stepsOn(crust, zone);
  const turns = turnsOf(steps);
  const last = known.at(-1);
  const from = last ? turns.findIndex(({ step, round }) => step === last.step && round === last.round) + 1 : 0;
  for (const { step, round } of turns.slice(from)) {
    const made = compileStep(step, zone, materials, area, { mended: lastThatFits(steps, steps.indexOf(step)), round });
    if (typeof made !== "string") for (const phase of made) phases.push(phase);
    else if (round === 1) unreadable.push({ step, because: made });
  }
  return { phases: inGoes(phases, known.length), unreadable };
}
