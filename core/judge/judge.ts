import { gateVerdict, nextOpening } from "../drying/gate.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { Material } from "../materials/material.ts";
import type { HouseRules } from "../plan/house-rules.ts";
import { type Crust, type Plan, RELIEF_CLASSES, type ReliefClass, type Zone, zonesOf } from "../plan/plan.ts";
import {
  type Demand,
  type Draft,
  type Finding,
  type Placed,
  type Rule,
  SEVERITY_ORDER,
  type Seam,
  type Severity,
  type Shelf,
  type Top,
} from "../rules/rule.ts";
import { RULES } from "../rules/rules.ts";
import { compile, type Unreadable } from "../surface/compile.ts";
import type { Phase } from "../surface/phase.ts";
import { apply, bareSurface, type Film, type Surface } from "../surface/surface.ts";
import type { Instant, Share } from "../units/units.ts";

/** A phase on the nominal line, with the waits that hold it and the surface it leaves. */
export interface JudgedPhase extends Placed {
  demands: readonly Demand[];
  after: Surface;
}

export interface ZoneJudgement {
  zone: Zone;
  crust: Crust;
  phases: JudgedPhase[];
  unreadable: Unreadable[];
  findings: Finding[];
  /** when the last step is done, when it may be handled, and when the last film has cured */
  done: Instant;
  handled: Instant;
  fullUse: Instant;
}

export interface Judgement {
  zones: ZoneJudgement[];
  counts: Record<Severity, number>;
}

export interface JudgeOptions {
  /** what repairs may take besides the plan's own materials */
  catalogue?: readonly Material[];
  rules?: readonly Rule[];
}

function topsUnder(surface: Surface, zone: Zone, on: "everywhere" | ReliefClass): Top[] {
  const found: Top[] = [];
  for (const relief of RELIEF_CLASSES) {
    if (on !== "everywhere" && on !== relief) continue;
    for (const patch of surface.patches[relief]) {
      const share = zone.relief[relief] * patch.share;
      if (share <= 0) continue;
      const known = found.find((top) => (top.stack?.film.phaseId ?? null) === (patch.stack?.film.phaseId ?? null));
      if (known) known.share += share;
      else found.push({ stack: patch.stack, share });
    }
  }
  return found;
}

function filmsOf(tops: readonly Top[]): { film: Film; share: Share }[] {
  const films: { film: Film; share: Share }[] = [];
  for (const { stack, share } of tops) if (stack !== null) films.push({ film: stack.film, share });
  return films;
}

/** When a phase may start: the hands are free, the author's wait is over, and a gate of every demand stands open, if it can be. */
function place(phase: Phase, free: Instant, demands: readonly Demand[], endsOf: ReadonlyMap<string, Instant>): Instant {
  const wait = phase.coat === 1 ? phase.step.wait : undefined;
  if (wait?.kind === "exactly") return free + wait.minutes;
  let start = free + (wait?.minutes ?? 0);
  for (let pushed = true; pushed; ) {
    pushed = false;
    for (const demand of demands) {
      const from = endsOf.get(demand.from)!;
      const opening = nextOpening(demand.gates, start - from);
      if (opening !== null && from + opening > start) {
        start = from + opening;
        pushed = true;
      }
    }
  }
  return start;
}

class ZoneJudge {
  readonly findings = new Map<string, Finding>();
  readonly phases: JudgedPhase[] = [];
  private readonly endsOf = new Map<string, Instant>();
  private readonly looking: Record<"coat" | "take" | "prepare" | "finish", Rule[]>;

  constructor(
    private readonly zone: Zone,
    private readonly crust: Crust,
    private readonly houseRules: HouseRules,
    private readonly shelf: Shelf,
    private readonly rules: readonly Rule[],
  ) {
    const looksAt = (kind: Rule["looksAt"][number]) => rules.filter((rule) => rule.looksAt.includes(kind));
    this.looking = {
      coat: looksAt("coat"),
      take: looksAt("take"),
      prepare: looksAt("prepare"),
      finish: looksAt("finish"),
    };
  }

  /** Signs a draft; of the same rule at the same step the worst is kept. */
  private note(rule: string, stepId: string, draft: Draft, surface = false) {
    const id = [this.zone.id, stepId, rule, draft.part].filter(Boolean).join("/");
    const known = this.findings.get(id);
    if (known && SEVERITY_ORDER[known.severity] <= SEVERITY_ORDER[draft.severity]) return;
    this.findings.set(id, { ...draft, id, rule, stepId, surface, zoneId: this.zone.id, crustId: this.crust.id });
  }

  run(phases: readonly Phase[]) {
    let surface = bareSurface(this.zone.ground);
    let free: Instant = 0;
    for (const phase of phases) {
      const { zone, crust, houseRules, shelf } = this;
      const tops = topsUnder(surface, zone, phase.where.on);
      const seam: Seam = {
        zone,
        crust,
        houseRules,
        shelf,
        phase,
        before: surface,
        tops,
        films: filmsOf(tops),
        at: free,
        past: this.phases,
        phases,
      };
      const rules = this.looking[phase.step.kind];
      const demands: Demand[] = [];
      for (const rule of rules) if (rule.demands) demands.push(...rule.demands(seam));
      const starts = place(phase, free, demands, this.endsOf);
      for (const demand of demands) {
        const waited = starts - this.endsOf.get(demand.from)!;
        const verdict = gateVerdict(demand.gates, waited);
        const draft = verdict === "open" ? null : demand.tell(verdict, waited);
        if (draft) this.note(demand.rule, phase.step.id, draft);
      }
      seam.at = starts;
      for (const rule of rules)
        if (rule.check) for (const draft of rule.check(seam)) this.note(rule.meta.id, phase.step.id, draft);
      surface = apply(surface, phase, starts);
      free = starts + phase.hands;
      this.endsOf.set(phase.id, free);
      this.phases.push({ phase, starts, ends: free, demands, after: surface });
    }
    const last = this.phases.at(-1);
    if (!last) return;
    const finish = {
      zone: this.zone,
      crust: this.crust,
      houseRules: this.houseRules,
      shelf: this.shelf,
      after: surface,
      tops: topsUnder(surface, this.zone, "everywhere"),
      past: this.phases,
    };
    for (const rule of this.looking.finish)
      for (const draft of rule.finish?.(finish) ?? []) this.note(rule.meta.id, last.phase.step.id, draft, true);
  }

  /** Several rules on one seam: the one that subsumes speaks. */
  told(): Finding[] {
    const all = [...this.findings.values()];
    const silenced = new Set<string>();
    for (const rule of this.rules)
      for (const speaking of all)
        if (speaking.rule === rule.meta.id)
          for (const quiet of rule.meta.subsumes) silenced.add(`${speaking.stepId}/${quiet}`);
    return all.filter((finding) => !silenced.has(`${finding.stepId}/${finding.rule}`));
  }
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
    title: "This step cannot be judged",
    because: `${because} It is kept as it stands, and the rest is judged as if it were not there.`,
    fixes: [{ label: "Leave the step out", commands: [{ do: "remove step", crustId: crust.id, stepId: step.id }] }],
  };
}

function datesOf(phases: readonly JudgedPhase[]) {
  const last = phases.at(-1);
  const done = last?.ends ?? 0;
  let handled = done;
  let fullUse = done;
  for (const { phase, ends } of phases) {
    if (!phase.material) continue;
    handled = Math.max(handled, ends + phase.material.drying.touch.safe);
    fullUse = Math.max(fullUse, ends + phase.material.drying.cure.safe);
  }
  return { done, handled, fullUse };
}

/** Findings in the order they are met from the ground up, the worst first at each step. */
function inOrder(crust: Crust, findings: Finding[]): Finding[] {
  const place = new Map(crust.steps.map((step, index) => [step.id, index]));
  return findings.sort(
    (one, two) =>
      place.get(one.stepId)! - place.get(two.stepId)! ||
      SEVERITY_ORDER[one.severity] - SEVERITY_ORDER[two.severity] ||
      (one.id < two.id ? -1 : 1),
  );
}

/**
 * Judges one zone: compiles its crust, places every phase on the nominal line, folds the surface and checks each seam, once.
 * Depends on the zone, its crust, the house rules and the materials alone: no clock, no other zone.
 */
export function judgeZone(
  zone: Zone,
  crust: Crust,
  houseRules: HouseRules,
  shelf: Shelf,
  rules: readonly Rule[] = RULES,
): ZoneJudgement {
  const { phases, unreadable } = compile(crust, zone, shelf.pinned);
  const judge = new ZoneJudge(zone, crust, houseRules, shelf, rules);
  judge.run(phases);
  const findings = [...judge.told(), ...unreadable.map((one) => unreadableFinding(zone, crust, one))];
  return {
    zone,
    crust,
    phases: judge.phases,
    unreadable,
    findings: inOrder(crust, findings),
    ...datesOf(judge.phases),
  };
}

export function shelfOf(plan: Plan, catalogue: readonly Material[] = CATALOGUE): Shelf {
  return { pinned: new Map(plan.pinned.materials.map((material) => [material.id, material])), catalogue };
}

export function countFindings(findings: readonly Finding[]): Record<Severity, number> {
  const counts = { stop: 0, caution: 0, note: 0 };
  for (const finding of findings) counts[finding.severity]++;
  return counts;
}

/** Judges every zone of a plan on the nominal line. Equal input gives equal output, anywhere and at any time. */
export function judge(plan: Plan, options: JudgeOptions = {}): Judgement {
  const shelf = shelfOf(plan, options.catalogue);
  const crusts = new Map(plan.crusts.map((crust) => [crust.id, crust]));
  const zones = zonesOf(plan).map((zone) =>
    judgeZone(zone, crusts.get(zone.crustId)!, plan.pinned.houseRules, shelf, options.rules),
  );
  return { zones, counts: countFindings(zones.flatMap((zone) => zone.findings)) };
}
