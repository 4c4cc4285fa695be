import { causesOf } from "../judge/causes.ts";
import { workingFixes } from "../judge/fixes.ts";
import { type Judgement, judge, materialsOf } from "../judge/judge.ts";
import { next } from "../judge/next.ts";
import { findCrust, isPlannedFor, type Plan, stateOf, type Zone, zoneArea, zonesOf } from "../plan/plan.ts";
import { shopOf } from "../plan/shop.ts";
import { datesOf } from "../schedule/dates.ts";
import { markOf } from "../schedule/mark.ts";
import { aroundOf, fittedIn, type JobPlan, planOfWorkNow, visitsOf, workOf } from "../schedule/plan-of-work.ts";
import { schedule } from "../schedule/schedule.ts";
import { needsOf } from "../shelf/needs.ts";
import { batchesOf, recipeFor } from "../shelf/recipe.ts";
import { suppliesFor } from "../shelf/supplies.ts";
import type { Unit } from "../shelf/usage.ts";
import { covers, shows } from "../surface/shares.ts";
import type { Surface } from "../surface/surface.ts";
import type { Instant, WallMinutes } from "../units/units.ts";
import { readWallTime, sayWallTime } from "../units/wall-time.ts";
import type { ShopFile } from "./shop-file.ts";

// What the command line prints: documented, stable shapes made from the same functions the screen uses.

const rounded = (shares: Map<string, number>) =>
  Object.fromEntries([...shares].map(([key, share]) => [key, Math.round(share * 1000) / 1000]));

const looksOf = (surface: Surface, zone: Zone) => ({
  covers: rounded(covers(surface, zone.relief)),
  shows: rounded(shows(surface, zone.relief)),
});

/** Verdicts on the nominal line, each with its reason and priced fixes, and per zone the dates and what covers and shows. */
export function checkReport(plan: Plan, judgement: Judgement = judge(plan)) {
  const start = readWallTime(plan.start)!;
  const wall = (instant: Instant) => sayWallTime(start + instant);
  return {
    plan: { id: plan.id, title: plan.title },
    counts: judgement.counts,
    causes: causesOf(judgement.zones).map(({ finding, zoneIds }) => ({
      rule: finding.rule,
      severity: finding.severity,
      step: finding.stepId,
      title: finding.title,
      zones: zoneIds,
    })),
    findings: judgement.zones.flatMap(({ zone, crust, findings }) =>
      findings.map((finding) => ({
        id: finding.id,
        rule: finding.rule,
        severity: finding.severity,
        zone: zone.id,
        crust: crust.id,
        step: finding.stepId,
        ...(finding.surface ? { surface: true } : {}),
        ...(finding.lower ? { lower: finding.lower } : {}),
        title: finding.title,
        because: finding.because,
        ...(finding.schools ? { schools: finding.schools } : {}),
        fixes: workingFixes(plan, finding).map((fix) => ({
          label: fix.label,
          priceMinutes: fix.price,
          ...(fix.look ? { look: fix.look } : {}),
        })),
      })),
    ),
    zones: judgement.zones.map(({ zone, crust, after, done, handled, fullUse }) => ({
      id: zone.id,
      name: zone.name,
      crust: crust.id,
      areaSquareMetres: Math.round(zoneArea(zone) * 1000) / 1000,
      nominal: { done: wall(done), handled: wall(handled), fullUse: wall(fullUse) },
      ...looksOf(after, zone),
    })),
  };
}

/** A job by itself: its forward schedule inside its working hours, with clashes and the customer's dates. */
export function scheduleReport(plan: Plan) {
  const shop = shopOf(plan.pinned.hours);
  const work = { ...workOf(plan, shop), hours: plan.pinned.hours };
  const made = schedule([work]);
  return jobReport(plan, { ...made, dates: datesOf(work, made) }, visitsOf(made));
}

/** What a plan of work says of one job. */
function jobReport(
  plan: Plan,
  { dates, bookings, clashes }: Pick<JobPlan, "dates" | "bookings" | "clashes">,
  visits: number,
) {
  const at = (wall: WallMinutes) => sayWallTime(wall);
  const stepOf = new Map(
    zonesOf(plan).flatMap((zone) =>
      (findCrust(plan, zone.crustId)?.steps ?? []).map((step) => [`${zone.id}/${step.id}`, step]),
    ),
  );
  return {
    plan: { id: plan.id, title: plan.title },
    finish: dates ? at(dates.finish) : null,
    leaves: dates ? at(dates.leaves) : null,
    fullUse: dates ? at(dates.fullUse) : null,
    visits,
    bookings: bookings.map(({ zoneId, stepId, phaseId, painter, starts, ends }) => {
      const step = stepOf.get(`${zoneId}/${stepId}`);
      return {
        zone: zoneId,
        step: stepId,
        phase: phaseId,
        how: step?.how,
        ...(step?.what ? { what: step.what } : {}),
        ...(painter ? { hands: painter } : {}),
        starts: at(starts),
        ends: at(ends),
      };
    }),
    clashes: clashes.map(({ zoneId, stepId, says, claims }) => ({ zone: zoneId, step: stepId, says, claims })),
  };
}

/**
 * A whole shop: its plan of work as it is kept, which says of each job whether that was edited since; where the file holds
 * none, the one that follows from its jobs. Ideas as they would fit in.
 */
export function shopScheduleReport({ shop, plans, planned }: Pick<ShopFile, "shop" | "plans" | "planned">) {
  const promised = plans.filter(isPlannedFor);
  const kept = new Map(planned.map((job) => [job.planId, job]));
  const isKept = promised.every(({ id }) => kept.has(id));
  const jobs = isKept ? promised.map(({ id }) => kept.get(id)!) : planOfWorkNow(plans, shop).jobs;
  const ideas = plans
    .filter((plan) => stateOf(plan) === "idea")
    .map((plan) => fittedIn(workOf(plan, shop), aroundOf(shop, jobs)));
  const planOf = new Map(plans.map((plan) => [plan.id, plan]));
  const say = (job: JobPlan) => {
    const plan = planOf.get(job.planId)!;
    const edited = job.mark !== markOf(plan);
    return { state: stateOf(plan), ...(edited ? { edited } : {}), ...jobReport(plan, job, visitsOf(job)) };
  };
  return { planOfWork: isKept ? "kept" : "made", jobs: [...jobs, ...ideas].map(say) };
}

/** What to ask of a zone's surface: where, and from when on. */
export interface NextQuestion {
  /** zone id; the plan's first zone when left out */
  zone?: string;
  /** wall time; the end of the planned stack when left out */
  at?: WallMinutes;
}

/**
 * What can go on a zone now: every material of the plan and the catalogue in its usual techniques, each with its
 * verdict, earliest start and reason. A sentence if the zone does not exist, or the time is before the plan.
 */
export function nextReport(plan: Plan, question: NextQuestion = {}) {
  const judged = judge(plan).zones.find(({ zone }) => question.zone === undefined || zone.id === question.zone);
  if (!judged) return question.zone === undefined ? "the plan has no zones yet" : `zone "${question.zone}" not found`;
  const start = readWallTime(plan.start)!;
  const asked = question.at === undefined ? undefined : question.at - start;
  if (asked !== undefined && asked < 0) return `that is before the plan begins at ${plan.start}`;
  const done =
    asked === undefined ? judged.phases.length : judged.phases.filter(({ starts }) => starts <= asked).length;
  const last = judged.phases[done - 1];
  return {
    plan: { id: plan.id, title: plan.title },
    zone: judged.zone.id,
    at: sayWallTime(start + Math.max(asked ?? 0, last?.ends ?? 0)),
    after: last ? last.phase.step.id : "ground",
    options: next(plan, judged, { done, ...(asked === undefined ? {} : { at: asked }) }).map((option) => ({
      ...(option.material ? { material: option.material.id } : {}),
      how: option.technique.id,
      can: option.can,
      ...(option.can === "never" ? {} : { from: sayWallTime(start + option.from) }),
      ...(option.over ? { over: option.over.id } : {}),
      ...(option.severity ? { severity: option.severity } : {}),
      ...(option.rule ? { rule: option.rule } : {}),
      reason: option.reason,
    })),
  };
}

/** How much of each material the plan takes. */
export function shopReport(plan: Plan) {
  const fine = (value: number) => Math.round(value * 10) / 10;
  const amountIn = (unit: Unit, value: number) => (unit === "ml" ? { millilitres: Math.ceil(value) } : {});
  return {
    plan: { id: plan.id, title: plan.title },
    materials: needsOf([plan]).map(({ material, unit, amount, careful, open, onPiece, lost, left, touchUp, uses }) => ({
      id: material.id,
      name: material.name,
      unit,
      amount: fine(amount),
      ...amountIn(unit, amount),
      careful: fine(careful),
      stillToDo: fine(open),
      madeUpOf: { onPiece: fine(onPiece), lost: fine(lost), leftInTools: fine(left), putAside: fine(touchUp) },
      uses: uses.map((use) => ({
        zone: use.zoneId,
        step: use.stepId,
        coats: use.coats,
        areaSquareMetres: Math.round(use.area * 1000) / 1000,
        amount: fine(use.amount),
        ...amountIn(unit, use.amount),
      })),
    })),
    consumables: suppliesFor([plan]).map(({ id, supply, count, worn, open }) => ({
      id,
      name: supply.name,
      count,
      worn: fine(worn),
      stillToDo: open,
    })),
    mixes: batchesOf(plan).map(({ pot, uses, sessions, potLife }) => {
      const made = sessions.reduce((sum, session) => sum + session, 0);
      return {
        for: uses.map(({ zoneId, stepId }) => ({ zone: zoneId, step: stepId })),
        millilitres: Math.ceil(made),
        sessions: sessions.map((session) => Math.ceil(session)),
        ...(potLife === null ? {} : { usableMinutes: potLife }),
        ingredients: recipeFor(pot, made, materialsOf(plan)).ingredients.map(
          ({ material, name, millilitres, grams }) => ({
            ...(material ? { id: material.id } : {}),
            name,
            millilitres: fine(millilitres),
            grams: fine(grams),
          }),
        ),
      };
    }),
  };
}
