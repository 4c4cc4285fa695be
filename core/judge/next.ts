import { CATALOGUE } from "../materials/catalogue.ts";
import type { Family, Material } from "../materials/material.ts";
import { type Plan, type Step, zoneArea } from "../plan/plan.ts";
import { type Draft, SEVERITY_ORDER, type Severity } from "../rules/rule.ts";
import { RULES } from "../rules/rules.ts";
import { compileStep } from "../surface/compile.ts";
import { couldJoin, inGoes } from "../surface/one-go.ts";
import type { Phase } from "../surface/phase.ts";
import { apply } from "../surface/surface.ts";
import type { Technique } from "../surface/technique.ts";
import { findTechnique, TECHNIQUES, techniquesFor } from "../surface/techniques.ts";
import type { Instant, SquareMetres } from "../units/units.ts";
import { type JudgeOptions, lineAfter, madeUp, sortedRules, told, type ZoneJudgement } from "./judge.ts";
import type { Line, SortedRules } from "./line.ts";

/** What could be done next on a zone, and when. */
export interface Option {
  /** null for what takes off or helps */
  material: Material | null;
  technique: Technique;
  /** now; from a later time; only over what lies between; or not at all */
  can: "now" | "from" | "over" | "never";
  /** when it may start: on the zone's own line, minutes after the plan's start */
  from: Instant;
  /** the barrier it needs, if it can only go over one */
  over: Material | null;
  /** the worst that would be said of it then */
  severity: Severity | null;
  /** why it must wait, needs a barrier, or cannot; or what would be said of it */
  reason: string;
  /** the figures of the case, where there are any */
  because: string | null;
  rule: string | null;
}

/** The usual ways of laying each kind: what a painter would think of first. */
const USUAL: Partial<Record<Material["role"], readonly string[]>> = {
  paint: ["brush", "wash", "dry-brush"],
  clear: ["brush", "spray"],
  glaze: ["brush"],
  "tint-base": ["brush", "wash"],
  wax: ["wax"],
  primer: ["brush"],
  patina: ["spray"],
};

function usualTechniques(material: Material): readonly Technique[] {
  const all = techniquesFor(material);
  const usual = USUAL[material.role];
  return usual ? all.filter((technique) => usual.includes(technique.id)) : all.slice(0, 1);
}

/** What is laid between two layers that do not go together, the most usual first. */
const BARRIERS: readonly Family[] = [
  "water-borne clear coat",
  "shellac sealer",
  "bonding primer",
  "stain-block primer, shellac",
];

const TAKING: readonly Technique[] = TECHNIQUES.filter((technique) => technique.kind === "take");
const PREPARING: readonly Technique[] = TECHNIQUES.filter((technique) => technique.kind === "prepare");

interface Tried {
  starts: Instant;
  worst: { rule: string; draft: Draft } | null;
}

const NEXT_STEP = "next";

function stepFor(technique: Technique, material: Material | null, id: string): Step {
  return {
    id,
    kind: technique.kind,
    how: technique.id,
    ...(material ? { what: material.id } : {}),
    where: { on: "everywhere", over: 1 },
    coats: 1,
    intents: [],
  };
}

class Trial {
  private readonly materials = new Map<string, Material>();

  private readonly area: SquareMetres;
  private readonly rules: SortedRules;

  constructor(
    private readonly judged: ZoneJudgement,
    options: JudgeOptions,
  ) {
    this.rules = sortedRules(options.rules ?? RULES);
    this.area = zoneArea(judged.zone);
  }

  phase(technique: Technique, material: Material | null, id: string): Phase | null {
    if (material) this.materials.set(material.id, material);
    const phases = compileStep(stepFor(technique, material, id), this.judged.zone, this.materials, this.area);
    return typeof phases === "string" ? null : phases[0]!;
  }

  /** What would be said of a phase on this line, and when it could start. */
  on(line: Line, phase: Phase): Tried {
    const said: { rule: string; stepId: string; draft: Draft }[] = [];
    const { starts } = line.look(phase, (rule, draft) => said.push({ rule, stepId: phase.step.id, draft }));
    let worst: { rule: string; draft: Draft } | null = null;
    if (said.length > 0)
      for (const verdict of told(said, this.rules))
        if (!worst || SEVERITY_ORDER[verdict.draft.severity] < SEVERITY_ORDER[worst.draft.severity]) worst = verdict;
    return { starts, worst };
  }

  /** The same for a phase that has just been taken. */
  atTheEndOf(line: Line, phase: Phase): Tried {
    const found = [...line.findings.values()].filter(({ stepId, surface }) => stepId === phase.step.id && !surface);
    let worst: { rule: string; draft: Draft } | null = null;
    for (const finding of told(found, this.rules))
      if (!worst || SEVERITY_ORDER[finding.severity] < SEVERITY_ORDER[worst.draft.severity])
        worst = { rule: finding.rule, draft: finding };
    return { starts: line.phases.at(-1)!.starts, worst };
  }
}

/** What is tried as part of a go with what was laid last: the go is worked again from its first phase, with this at its end. */
function inItsGo(plan: Plan, judged: ZoneJudgement, phase: Phase, options: NextOptions, trial: Trial): Tried | null {
  const before = judged.phases[(options.done ?? judged.phases.length) - 1];
  if (!before || !couldJoin(before.phase, phase.step)) return null;
  const done = judged.phases.slice(0, options.done ?? judged.phases.length).map((placed) => placed.phase);
  const marked = inGoes([...done, phase]);
  const last = marked.at(-1);
  if (!last?.go || (options.at ?? 0) > (judged.phases[done.length - 1]?.ends ?? 0)) return null;
  const count = last.go.ids.length - 1;
  const line = lineAfter(plan, judged, done.length - count, options);
  line.takeAll(marked.slice(-count - 1));
  return trial.atTheEndOf(line, phase);
}

export interface NextOptions extends JudgeOptions {
  /** how many phases of the plan are done; all of them when left out */
  done?: number;
  /** the time in question; when the last done phase ends if left out */
  at?: Instant;
  /** what may be used; the plan's materials and the catalogue if left out */
  materials?: readonly Material[];
  /** whether each material is tried in its usual techniques, or in all that lay it */
  ways?: "usual" | "all";
  /** what lays nothing: ways of removing if left out; with ways of preparing; or none */
  hands?: "taking" | "taking and preparing" | "none";
}

const HANDS: Record<NonNullable<NextOptions["hands"]>, readonly Technique[]> = {
  taking: TAKING,
  "taking and preparing": [...PREPARING, ...TAKING],
  none: [],
};

/** Each material once, as its tin has it, the plan's own first. */
function allMaterials(plan: Plan, catalogue: readonly Material[]): Material[] {
  const pinned = new Set(plan.pinned.materials.map((material) => material.id));
  const all = [...plan.pinned.materials, ...catalogue.filter((material) => !pinned.has(material.id))];
  return all;
}

/**
 * What can go on a zone's surface now: every material in its usual techniques, and every way of removing, each with
 * the earliest start, the barrier it would need, and the reason. Agrees with adding that step and judging its seam;
 * what is only said of a finished stack is left for later.
 */
export function next(plan: Plan, judged: ZoneJudgement, options: NextOptions = {}): Option[] {
  const done = options.done ?? judged.phases.length;
  const line = lineAfter(plan, judged, done, options);
  line.free = Math.max(line.free, options.at ?? line.free);
  const now = line.free;
  const trial = new Trial(judged, options);
  const catalogue = options.catalogue ?? CATALOGUE;
  const barriers = barriersOn(plan, judged, { ...options, catalogue }, trial, line);

  const asMadeUp = (material: Material) => madeUp(material, plan.pinned.houseRules.milkMix);
  const option = (technique: Technique, material: Material | null): Option | null => {
    const phase = trial.phase(technique, material && asMadeUp(material), NEXT_STEP);
    if (!phase) return null;
    // a way of removing or preparing that would change nothing is not an option
    if (!material && apply(line.surface, phase, now).patches === line.surface.patches) return null;
    const { starts, worst } = inItsGo(plan, judged, phase, options, trial) ?? trial.on(line, phase);
    const rule = worst?.rule ?? null;
    const because = worst?.draft.because ?? null;
    const severity = worst?.draft.severity ?? null;
    const said = worst?.draft.title;
    if (severity !== "stop") {
      const can = starts > now ? "from" : "now";
      const reason = said ?? (can === "from" ? "What lies beneath is not ready before then." : "No warning.");
      return { material, technique, can, from: starts, over: null, severity, reason, because, rule };
    }
    const reason = said ?? "";
    for (const barrier of material ? barriers : []) {
      if (barrier.material.id === material?.id) continue;
      const over = trial.on(barrier.line, phase);
      const worstOver = over.worst?.draft.severity ?? null;
      if (worstOver === "stop") continue;
      const from = over.starts;
      return {
        material,
        technique,
        can: "over",
        from,
        over: barrier.material,
        severity: worstOver,
        reason,
        because,
        rule,
      };
    }
    return { material, technique, can: "never", from: starts, over: null, severity, reason, because, rule };
  };

  const found: Option[] = [];
  for (const material of options.materials ?? allMaterials(plan, catalogue))
    for (const technique of options.ways === "all" ? techniquesFor(material) : usualTechniques(material)) {
      const choice = option(technique, material);
      if (choice) found.push(choice);
    }
  for (const technique of HANDS[options.hands ?? "taking"]) {
    const choice = option(technique, null);
    if (choice) found.push(choice);
  }
  return found;
}

/** The surface under each barrier that could itself go on now. */
function barriersOn(
  plan: Plan,
  judged: ZoneJudgement,
  options: NextOptions & { catalogue: readonly Material[] },
  trial: Trial,
  line: Line,
): { material: Material; line: Line }[] {
  const shelf = allMaterials(plan, options.catalogue);
  return BARRIERS.flatMap((family) => {
    const material = shelf.find((other) => other.family === family);
    const phase = material && trial.phase(findTechnique("brush")!, material, "barrier");
    if (!phase || trial.on(line, phase).worst?.draft.severity === "stop") return [];
    const over = lineAfter(plan, judged, options.done ?? judged.phases.length, options);
    over.free = line.free;
    over.take(phase);
    return [{ material, line: over }];
  });
}
