import { colourDifference } from "../colour/difference.ts";
import { applyCommands } from "../edit/apply.ts";
import { workingFixes } from "../judge/fixes.ts";
import { type Judgement, judge, type ZoneJudgement } from "../judge/judge.ts";
import { coloursSeen } from "../judge/look.ts";
import type { Material } from "../materials/material.ts";
import { materialsIn } from "../plan/mix.ts";
import { type Crust, type Plan, RELIEF_CLASSES, type Zone } from "../plan/plan.ts";
import type { Finding, Fix } from "../rules/rule.ts";
import { regionOfStep, shareWhere, sizesOf } from "../surface/places.ts";
import type { Finish } from "./finish.ts";
import { type Move, type MoveStep, type Setting, stepOf, stepsOf } from "./move.ts";
import { prepare } from "./moves/ground.ts";
import { shelfFirst } from "./shelf-first.ts";

/** A repair that was made: what was done, and the finding that asked for it. */
export interface Repair {
  label: string;
  because: string;
  /** the steps that it added */
  stepIds: readonly string[];
}

/** A crust for one zone, checked, with what was done so that it holds. */
export interface Built {
  crust: Crust;
  /** what the crust lays */
  materials: Material[];
  /** the move and the reason of each step, by step id; `at` tells moves of one name apart */
  reasons: ReadonlyMap<string, { move: string; why: string; at: number }>;
  /** what the checks asked for besides, in the order it was added */
  repairs: readonly Repair[];
  judged: ZoneJudgement;
  /** what nothing could be done about; empty for a crust that holds */
  stops: readonly Finding[];
}

/** Where a crust is built: a zone, with the air, hours and house rules that it is made under. */
export interface Site {
  zone: Zone;
  pinned: Omit<Plan["pinned"], "materials">;
  start: Plan["start"];
  /** what can be laid, and bought */
  catalogue: readonly Material[];
  /** dangers that were read and accepted on this piece */
  acknowledged?: Plan["acknowledged"];
}

const CRUST = "finish";
const MOST_REPAIRS = 14;
/** A repair of a mere caution may change the look by no more than this, CIEDE2000 (from memory: just seen side by side). */
const HARDLY_SEEN = 2.5;
/** Cautions that are worth a repair of their own; the rest are the painter's business. */
const MOST_CAUTIONS = 5;

/** Whether a zone has the place that a step is for: on a plain board, nothing is done in the grooves. */
const isThere = (step: MoveStep, zone: Zone) => shareWhere(regionOfStep(stepOf(step)), zone.relief, sizesOf(zone)) > 0;

const planFor = (site: Site, name: string, moves: readonly Move[]) => {
  const materials = new Map(site.catalogue.map((material) => [material.id, material]));
  const setting: Setting = {
    ground: site.zone.ground,
    use: site.zone.use,
    houseRules: site.pinned.houseRules,
    materials,
  };
  const made = stepsOf([prepare, ...moves], setting).map(({ move, steps }) => ({
    move,
    steps: steps.filter((step) => isThere(step, site.zone)),
  }));
  const steps = made.flatMap((one) => one.steps.map(stepOf));
  const used = new Set(steps.flatMap(materialsIn));
  const plan: Plan = {
    format: "jolly-crust",
    version: 6,
    id: "finish",
    title: "Finish",
    start: site.start,
    pinned: { ...site.pinned, materials: site.catalogue.filter(({ id }) => used.has(id)) },
    acknowledged: [...(site.acknowledged ?? [])],
    palette: [],
    pins: [],
    crusts: [{ id: CRUST, name: name.slice(0, 80), steps }],
    pieces: [
      { id: "piece", name: "Piece", zones: [{ ...site.zone, crustId: CRUST, overrides: [], along: undefined }] },
    ],
  };
  const reasons = new Map(
    made.flatMap(({ move, steps }, index) =>
      steps.map(({ key, why }) => [key, { move: move.name, why, at: index }] as const),
    ),
  );
  return { plan, reasons };
};

/** The largest difference of any relief class that the zone has. */
function lookApart(a: ZoneJudgement, b: ZoneJudgement): number {
  const [before, after] = [coloursSeen(a.after), coloursSeen(b.after)];
  return Math.max(
    ...RELIEF_CLASSES.map((relief) =>
      a.zone.relief[relief] > 0 ? colourDifference(before[relief], after[relief]) : 0,
    ),
  );
}

interface Standing {
  plan: Plan;
  judgement: Judgement;
}

const stopsIn = ({ zones }: Judgement): Finding[] => zones[0]!.findings.filter(({ severity }) => severity === "stop");

/** Makes a repair if it leaves less to say than before. */
function repaired({ plan, judgement }: Standing, fix: Fix, catalogue: readonly Material[]): Standing | null {
  const done = applyCommands(plan, fix.commands);
  if (!done.ok) return null;
  return { plan: done.plan, judgement: judge(done.plan, { catalogue, previous: judgement }) };
}

const repairOf = ({ label, commands }: Fix, { title }: Finding): Repair => ({
  label,
  because: title,
  stepIds: commands.flatMap((command) => (command.do === "insert step" ? [command.step.id] : [])),
});

function withoutStops(from: Standing, catalogue: readonly Material[], said: Repair[]): Standing {
  let at = from;
  for (let turn = 0; turn < MOST_REPAIRS; turn++) {
    const before = stopsIn(at.judgement);
    const next = before
      .flatMap((finding) =>
        workingFixes(at.plan, finding, { catalogue })
          .slice(0, 3)
          .map((fix) => ({ finding, fix })),
      )
      .map((one) => ({ ...one, after: repaired(at, one.fix, catalogue) }))
      .find(({ after }) => after !== null && stopsIn(after.judgement).length < before.length);
    if (!next?.after) return at;
    said.push(repairOf(next.fix, next.finding));
    at = next.after;
  }
  return at;
}

/** Repairs what may fail, where a repair costs nothing of the look. */
function withFewerCautions(from: Standing, catalogue: readonly Material[], said: Repair[]): Standing {
  let at = from;
  const tried = new Set<string>();
  for (let turn = 0; turn < MOST_CAUTIONS; turn++) {
    const finding = at.judgement.zones[0]!.findings.find(
      ({ id, severity, fixes }) => severity === "caution" && fixes !== undefined && !tried.has(id),
    );
    if (!finding) return at;
    tried.add(finding.id);
    for (const fix of workingFixes(at.plan, finding, { catalogue }).slice(0, 2)) {
      if (fix.commands.some((command) => command.do === "remove step")) continue;
      const then = repaired(at, fix, catalogue);
      if (!then || stopsIn(then.judgement).length > 0) continue;
      if (then.judgement.counts.caution >= at.judgement.counts.caution) continue;
      if (lookApart(at.judgement.zones[0]!, then.judgement.zones[0]!) > HARDLY_SEEN) continue;
      said.push(repairOf(fix, finding));
      at = then;
      break;
    }
  }
  return at;
}

/** What a repair added is there for the finding that asked for it. */
const reasonsOf = ({ stepIds, because }: Repair, index: number) =>
  stepIds.map((id) => [id, { move: "So that it holds", why: `${because}.`, at: index }] as const);

/**
 * Builds a crust from moves, on whatever the zone is made of, and repairs it until the checks have nothing to stop. Thoroughly, it also
 * mends what may fail, where that costs nothing of the look; a search that tries hundreds has no time for it.
 */
export function buildMoves(site: Site, name: string, moves: readonly Move[], thoroughly = true): Built {
  const { catalogue } = site;
  const { plan, reasons } = planFor(site, name, moves);
  const repairs: Repair[] = [];
  const first: Standing = { plan, judgement: judge(plan, { catalogue }) };
  let stands = withoutStops(first, catalogue, repairs);
  if (thoroughly && stopsIn(stands.judgement).length === 0) stands = withFewerCautions(stands, catalogue, repairs);
  return {
    crust: stands.plan.crusts[0]!,
    materials: stands.plan.pinned.materials,
    reasons: new Map([...reasons, ...repairs.flatMap((repair, index) => reasonsOf(repair, -1 - index))]),
    repairs,
    judged: stands.judgement.zones[0]!,
    stops: stopsIn(stands.judgement),
  };
}

export interface Wanted {
  finish: Finish;
  /** one of its variants; the finish itself, if left out */
  variant?: string;
  /** ids of what is on the shelf; what comes close to a colour of the finish is taken from there */
  shelf?: ReadonlySet<string>;
}

/** The materials of a finish by the part they play, in a variant and from the shelf where that has something like it. */
export function materialsFor(
  { finish, variant, shelf }: Wanted,
  catalogue: readonly Material[],
): Record<string, string> {
  const own = finish.variants.find(({ id }) => id === variant)?.materials ?? {};
  const materials = { ...finish.materials, ...own } as Record<string, string>;
  return shelf ? shelfFirst(materials, shelf, catalogue) : materials;
}

/**
 * A finish of the trade on a zone: prepared as its ground asks, sealed as its use and the house ask, and repaired until no check stops
 * it. The same for the same zone, house and shelf.
 */
export function buildFinish(site: Site, wanted: Wanted): Built {
  const variant = wanted.finish.variants.find(({ id }) => id === wanted.variant);
  const name = variant ? `${wanted.finish.name}: ${variant.name.toLowerCase()}` : wanted.finish.name;
  return buildMoves(site, name, wanted.finish.moves(materialsFor(wanted, site.catalogue)));
}
