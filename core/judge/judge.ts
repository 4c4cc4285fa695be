import type { Climate } from "../drying/climate.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { driesAs } from "../materials/drying-factor.ts";
import type { Material } from "../materials/material.ts";
import { materialOf } from "../mixing/mixed-material.ts";
import { potOf } from "../mixing/pot.ts";
import type { HouseRules } from "../plan/house-rules.ts";
import type { Mix } from "../plan/mix.ts";
import { type Branch, type Crust, type Plan, type Step, type Zone, zonesOf } from "../plan/plan.ts";
import { climateOf, type Room } from "../plan/room.ts";
import { type Finding, type Rule, SEVERITY_ORDER, type Severity, type Shelf } from "../rules/rule.ts";
import { RULES } from "../rules/rules.ts";
import { compile, type Unreadable } from "../surface/compile.ts";
import { couldJoin, inOneGo } from "../surface/one-go.ts";
import { sizesOf } from "../surface/places.ts";
import { apply, bareSurface, type Surface } from "../surface/surface.ts";
import type { Instant, WallMinutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import { countCauses } from "./causes.ts";
import { asReallyDone, type Facts, factsOf, NO_FACTS } from "./facts.ts";
import { type JudgedPhase, Line, type SortedRules, sorted } from "./line.ts";

export type { JudgedPhase } from "./line.ts";

export interface ZoneJudgement {
  zone: Zone;
  crust: Crust;
  phases: JudgedPhase[];
  unreadable: readonly Unreadable[];
  findings: Finding[];
  /** the air it was judged in */
  climate: Climate;
  /** the surface when the last step is done */
  after: Surface;
  /** when the last step is done, when it may be handled, and when the last film has cured */
  done: Instant;
  handled: Instant;
  fullUse: Instant;
}

export interface Judgement {
  zones: ZoneJudgement[];
  /** causes, not places: what is said of five zones counts once */
  counts: Record<Severity, number>;
}

export interface JudgeOptions {
  /** what repairs may use besides the plan's own materials */
  catalogue?: readonly Material[];
  rules?: readonly Rule[];
  /** the time on the wall: what is still to do begins no earlier. Left out, verdicts are the same at any time */
  now?: WallMinutes;
  /** a judgement of the plan before an edit: what lies under the edit is taken from it, and the result is the same */
  previous?: Judgement;
}

/** What one zone is judged by. */
interface Setting {
  houseRules: HouseRules;
  room: Room;
  climate: Climate;
  materials: ReadonlyMap<string, Material>;
  rules: readonly Rule[];
  /** what has been done on it */
  facts: Facts;
  now: Instant | null;
}

/** What a zone's judgement leaves for the next: never part of a result. */
interface KeptJudgement {
  setting: Setting;
  remembered: Line["remembered"];
  /** findings before the louder ones silence the rest */
  found: ReadonlyMap<string, Finding>;
}
const memories = new WeakMap<ZoneJudgement, KeptJudgement>();

const sortings = new WeakMap<readonly Rule[], SortedRules>();
export function sortedRules(rules: readonly Rule[]): SortedRules {
  const known = sortings.get(rules);
  if (known) return known;
  const made = sorted(rules);
  sortings.set(rules, made);
  return made;
}

/** Several rules on one seam: the one that subsumes speaks. What is said of the finished surface silences nothing at a seam. */
export function told<Told extends { rule: string; stepId: string; surface?: boolean }>(
  found: Iterable<Told>,
  rules: SortedRules,
): Told[] {
  const all = [...found];
  if (all.length < 2) return all;
  const silenced = new Set<string>();
  const where = ({ stepId, surface }: Told) => (surface ? `${stepId} when finished` : stepId);
  for (const told of all)
    for (const quiet of rules.silences.get(told.rule) ?? []) silenced.add(`${where(told)}/${quiet}`);
  return silenced.size === 0 ? all : all.filter((told) => !silenced.has(`${where(told)}/${told.rule}`));
}

function unreadableFinding(zone: Zone, crust: Crust, { step, because }: Unreadable): Finding {
  return {
    id: `${zone.id}/${step.id}/unread`,
    rule: "unread",
    severity: "caution",
    zoneId: zone.id,
    crustId: crust.id,
    stepId: step.id,
    surface: false,
    title: "This step cannot be checked",
    because: `${because} It is kept as it is, and the rest is checked without it.`,
    fixes: (place) => [
      {
        label: "Remove the step",
        commands: [{ do: "remove step", crustId: place.crust.id, stepId: step.id }],
      },
    ],
  };
}

function datesOf(phases: readonly JudgedPhase[], climate: Climate) {
  const last = phases.at(-1);
  const done = last?.ends ?? 0;
  let handled = done;
  let fullUse = done;
  for (const { phase, ends, coat } of phases) {
    if (!phase.material || !coat) continue;
    const { touch, cure } = phase.material.drying;
    handled = Math.max(handled, ends + Math.ceil(climate.takes(coat, "touch", ends, touch.safe)));
    fullUse = Math.max(fullUse, ends + Math.ceil(climate.takes(coat, "cure", ends, cure.safe)));
  }
  return { done, handled, fullUse };
}

/** Findings in the order they are met from the ground up, the worst first at each step. */
function inOrder(crust: Crust, findings: Finding[]): Finding[] {
  const place = new Map(crust.steps.map((step, index) => [step.id, index]));
  return findings.sort(
    (a, b) =>
      place.get(a.stepId)! - place.get(b.stepId)! ||
      SEVERITY_ORDER[a.severity] - SEVERITY_ORDER[b.severity] ||
      (a.id < b.id ? -1 : 1),
  );
}

/** Coats of one step, and the phases of a go, are judged together. */
const belongTogether = ({ phase }: JudgedPhase, next: JudgedPhase | undefined): boolean =>
  next !== undefined && (next.phase.step === phase.step || inOneGo(phase, next.phase.id));

/** How many of the first phases are as they were judged before: the same steps, with the same materials. */
function unchangedPhases(before: ZoneJudgement, crust: Crust, materials: ReadonlyMap<string, Material>): number {
  const steps = new Set<string>();
  const unread = new Set(before.unreadable.map(({ step }) => step));
  for (let at = 0; at < crust.steps.length; at++) {
    const step = crust.steps[at]!;
    if (step !== before.crust.steps[at] || unread.has(step)) break;
    steps.add(step.id);
  }
  let count = 0;
  for (const { phase } of before.phases) {
    if (!steps.has(phase.step.id)) break;
    if (phase.pot?.parts.some(({ material }) => materials.get(material.id) !== material)) break;
    if (phase.beside && materials.get(phase.beside.material.id) !== phase.beside.material) break;
    count++;
  }
  // a help step is placed by what comes after it
  while (count > 0 && before.phases[count - 1]!.phase.step.kind === "help") count--;
  // what follows may be worked in one go with the last of them
  const last = before.phases[count - 1]?.phase;
  if (last && crust.steps.slice(steps.size).some((step) => couldJoin(last, step))) count--;
  while (count > 0 && belongTogether(before.phases[count - 1]!, before.phases[count])) count--;
  return count;
}

/** Whether some work was done before what the crust has beneath it. */
function isOutOfOrder(crust: Crust, phases: readonly JudgedPhase[]): boolean {
  const place = new Map(crust.steps.map(({ id }, index) => [id, index]));
  return phases.some(
    ({ phase }, index) => index > 0 && place.get(phase.step.id)! < place.get(phases[index - 1]!.phase.step.id)!,
  );
}

const sameSetting = (a: Setting, b: Setting) =>
  a.houseRules === b.houseRules &&
  a.room === b.room &&
  a.climate === b.climate &&
  a.rules === b.rules &&
  a.facts === b.facts &&
  a.now === b.now;

/**
 * Judges one zone: compiles its crust, places every phase on the nominal line, folds the surface and checks each
 * seam, once. Depends on the zone, its crust, the house rules, the room and the materials alone: no clock, no other
 * zone. With an earlier judgement of the same zone, whatever lies under the first changed step is taken from it.
 */
function judgeZone(zone: Zone, crust: Crust, setting: Setting, previous?: ZoneJudgement): ZoneJudgement {
  const memory = previous && memories.get(previous);
  if (previous && memory && previous.zone === zone && sameSetting(memory.setting, setting)) {
    if (previous.crust === crust && memory.setting.materials === setting.materials) return previous;
    return judgedFrom(zone, crust, setting, { previous, memory });
  }
  return judgedFrom(zone, crust, setting);
}

function judgedFrom(
  zone: Zone,
  crust: Crust,
  setting: Setting,
  before?: { previous: ZoneJudgement; memory: KeptJudgement },
): ZoneJudgement {
  const { materials, rules } = setting;
  // what was done in an order of its own is judged from the ground
  const asPlanned = before !== undefined && !isOutOfOrder(before.previous.crust, before.previous.phases);
  const kept = before && asPlanned ? unchangedPhases(before.previous, crust, materials) : 0;
  const { phases: planned, unreadable } = compile(
    crust,
    zone,
    materials,
    before?.previous.phases.slice(0, kept).map((judged) => judged.phase),
  );
  const phases = asReallyDone(planned, setting.facts);
  const line = lineOn(zone, crust.id, setting);
  if (
    before &&
    kept > 0 &&
    before.previous.phases.slice(0, kept).every(({ phase }, index) => phases[index] === phase)
  ) {
    const judged = before.previous.phases.slice(0, kept);
    const steps = new Set(judged.map((judgedPhase) => judgedPhase.phase.step.id));
    const found = [...before.memory.found.values()].filter((finding) => !finding.surface && steps.has(finding.stepId));
    line.resume(judged, before.memory.remembered, found);
  }
  line.takeAll(phases.slice(line.phases.length));
  line.finish();
  const findings = told(line.findings.values(), sortedRules(rules));
  for (const finding of onOtherWays(line, zone, crust, setting)) findings.push(finding);
  for (const one of unreadable) findings.push(unreadableFinding(zone, crust, one));
  const judgement: ZoneJudgement = {
    zone,
    crust,
    phases: line.phases,
    unreadable,
    findings: inOrder(crust, findings),
    climate: setting.climate,
    after: line.surface,
    ...datesOf(line.phases, setting.climate),
  };
  memories.set(judgement, { setting, remembered: line.remembered, found: line.findings });
  return judgement;
}

/** The surface as it is after the phase with that index, folded again from the ground. */
export function surfaceAfter({ zone, phases, climate }: ZoneJudgement, index: number): Surface {
  let surface = bareSurface(zone.ground, climate, undefined, sizesOf(zone));
  for (const { phase, starts } of phases.slice(0, index + 1)) surface = apply(surface, phase, starts);
  return surface;
}

/** The crust as it would continue if an inspection came out otherwise, up to where the answers meet again. */
function detour(crust: Crust, inspection: Step, branch: Branch): { crust: Crust; own: ReadonlySet<string> } {
  const from = crust.steps.indexOf(inspection);
  const own = new Set<string>();
  const steps: Step[] = crust.steps.slice(0, from);
  steps.push({ ...inspection, expected: branch.id, again: undefined });
  for (const step of crust.steps.slice(from + 1)) {
    if (step.branches || (step.branch === undefined && own.size > 0)) {
      steps.push(step);
      break;
    }
    if (step.branch === branch.id || step.branch === undefined) {
      own.add(step.id);
      steps.push(step);
      if (step.branch === undefined) break;
    }
  }
  return { crust: { ...crust, steps }, own };
}

/** Findings under the answers that are not expected, and where they rejoin the planned one. */
function onOtherWays(main: Line, zone: Zone, crust: Crust, setting: Setting): Finding[] {
  const found: Finding[] = [];
  for (const inspection of crust.steps) {
    const expected = inspection.expected ?? inspection.branches?.[0]?.id;
    for (const branch of inspection.branches ?? []) {
      if (branch.id === expected) continue;
      const other = detour(crust, inspection, branch);
      const { phases } = compile(other.crust, zone, setting.materials);
      const from = phases.findIndex((phase) => phase.step.id === inspection.id);
      if (from < 0) continue;
      const line = lineOn(zone, crust.id, setting);
      line.resume(main.phases.slice(0, from), main.remembered, []);
      line.takeAll(phases.slice(from));
      for (const finding of told(line.findings.values(), sortedRules(setting.rules))) {
        const planned = main.findings.get(finding.id);
        const onBranch = crust.steps.find((step) => step.id === finding.stepId)?.branch === branch.id;
        if (onBranch) found.push(finding);
        else if (!planned || SEVERITY_ORDER[finding.severity] < SEVERITY_ORDER[planned.severity])
          found.push({ ...finding, id: `${finding.id}/${branch.id}`, title: `If "${branch.name}": ${finding.title}` });
      }
    }
  }
  return found;
}

const lineOn = (zone: Zone, crustId: string, { houseRules, room, climate, rules, facts, now }: Setting) =>
  new Line(
    { zone, crustId, houseRules, room, climate, rules: sortedRules(rules), facts, now },
    bareSurface(zone.ground, climate, undefined, sizesOf(zone)),
  );

/** A line resumed after that many phases of a zone's judgement, to try what could come next. */
export function lineAfter(plan: Plan, judged: ZoneJudgement, count: number, options: JudgeOptions = {}): Line {
  const line = lineOn(judged.zone, judged.crust.id, settingOf(plan, options, judged.zone.id));
  line.resume(judged.phases.slice(0, count), memories.get(judged)?.remembered ?? [], []);
  return line;
}

export function shelfOf(plan: Plan, catalogue: readonly Material[] = CATALOGUE): Shelf {
  return { pinned: materialsOf(plan), catalogue };
}

const materialMaps = new WeakMap<readonly Material[], Map<string, ReadonlyMap<string, Material>>>();

/** Milk paint as the house makes it up, where a step says nothing of it. */
const MILK: Record<HouseRules["milkMix"], Mix> = {
  "1 : 1 by scoop": { by: "scoop", parts: 1, with: [], thinner: 1 },
  "2 : 1 by weight": { by: "weight", parts: 2, with: [], thinner: 1 },
};

/** A material as this house makes it up. */
export function madeUp(material: Material, milkMix: HouseRules["milkMix"]): Material {
  if (material.family !== "milk paint") return material;
  return materialOf(potOf(MILK[milkMix], material, NO_OTHERS)!);
}

const NO_OTHERS: ReadonlyMap<string, Material> = new Map();

/** The materials of a plan by id, as this house makes them up and as they have been seen to dry in it. */
export function materialsOf({
  pinned: { materials, houseRules, drying },
}: Pick<Plan, "pinned">): ReadonlyMap<string, Material> {
  const known = materialMaps.get(materials) ?? new Map<string, ReadonlyMap<string, Material>>();
  materialMaps.set(materials, known);
  const key = `${houseRules.milkMix} ${drying ? JSON.stringify(drying) : ""}`;
  let made = known.get(key);
  if (!made) {
    made = new Map(
      materials.map((material) => [
        material.id,
        driesAs(madeUp(material, houseRules.milkMix), drying?.[material.family] ?? 1),
      ]),
    );
    known.set(key, made);
  }
  return made;
}

export function countFindings(findings: readonly Finding[]): Record<Severity, number> {
  const counts = { stop: 0, caution: 0, note: 0 };
  for (const finding of findings) counts[finding.severity]++;
  return counts;
}

const settingOf = (plan: Plan, { rules = RULES, now }: JudgeOptions, zoneId: string): Setting => ({
  houseRules: plan.pinned.houseRules,
  room: plan.pinned.room,
  climate: climateOf(plan.pinned.room, readWallTime(plan.start)!),
  materials: materialsOf(plan),
  rules,
  facts: factsOf(plan).get(zoneId) ?? NO_FACTS,
  now: now === undefined ? null : now - readWallTime(plan.start)!,
});

/** Judges the zones of a plan under one crust, or all of them. */
export function judgeZones(plan: Plan, options: JudgeOptions = {}, crustId?: string): ZoneJudgement[] {
  const crusts = new Map(plan.crusts.map((crust) => [crust.id, crust]));
  const before = new Map(options.previous?.zones.map((judged) => [judged.zone.id, judged]));
  return zonesOf(plan)
    .filter((zone) => crustId === undefined || zone.crustId === crustId)
    .map((zone) => judgeZone(zone, crusts.get(zone.crustId)!, settingOf(plan, options, zone.id), before.get(zone.id)));
}

/** Judges every zone of a plan on the nominal line. Equal input gives equal output, anywhere and at any time. */
export function judge(plan: Plan, options: JudgeOptions = {}): Judgement {
  const zones = judgeZones(plan, options);
  return { zones, counts: countCauses(zones) };
}
