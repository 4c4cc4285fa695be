import { stripOf } from "../judge/strip.ts";
import type { Hours } from "../plan/hours.ts";
import { isPlannedFor, type Plan } from "../plan/plan.ts";
import { hoursOfShop, type Shop } from "../plan/shop.ts";
import type { Minutes, WallMinutes } from "../units/units.ts";
import { midnightBefore, readWallTime } from "../units/wall-time.ts";
import type { Around, Lying, Taken } from "./crew.ts";
import { type Dates, datesOf } from "./dates.ts";
import { type Film, filmsOf } from "./films.ts";
import { isHeavy, judgementOf, phasesIn } from "./kept.ts";
import { MOST_LOOKS, USUAL_LOOKS } from "./looks.ts";
import { markOf } from "./mark.ts";
import { type Booking, type Clash, type Lies, type Schedule, schedule } from "./schedule.ts";
import { Random } from "./solve/random.ts";
import type { Work } from "./work.ts";

// One schedule of all jobs that are promised or under way, with the same hands and places for all. It follows from the jobs
// and the shop alone: the same shop gives the same plan on any machine, because what is counted is how often it is looked
// at, and not the time that takes.

/** What the plan of work holds of one job. */
export interface JobPlan {
  planId: string;
  /** of the job as it was planned: as long as it has the same, these dates are of it */
  mark: string;
  dates: Dates | null;
  bookings: Booking[];
  lies: Lies[];
  clashes: Clash[];
  /** what dries on it, and until when */
  films: Film[];
  /** what it looks like from afar: the first zone's last layer that covers */
  colour: string;
  /** how often each booking has changed since it was first kept, and when last: what a calendar goes by */
  changed?: Readonly<Record<string, Changed>>;
}

export interface Changed {
  sequence: number;
  /** milliseconds since 1970 */
  at: number;
}

export interface PlanOfWork {
  jobs: JobPlan[];
  /** how often it was looked at */
  looks: number;
}

export interface Progress {
  looks: number;
  of: number;
}

/** This part of the looks may bring nothing before it is left at that. */
const PATIENCE = 8;
/** A job with so many coats and other pieces of work counts as one look; a larger one as more. */
const ONE_LOOK = 150;
/** Counted looks of the search at one job among the others. */
const LOOKS_AT_ONE = 150;

/** A job with the hours it is worked in: the shop's, or its own. */
export function workOf(plan: Plan, shop: Shop): Work {
  const ownHours = plan.hoursFrom !== "shop";
  const from = shop.from === undefined ? undefined : readWallTime(shop.from)!;
  return {
    plan,
    judgement: judgementOf(plan),
    hours: ownHours ? inShop(plan.pinned.hours, shop) : hoursOfShop(shop),
    ownHours,
    ...(from === undefined ? {} : { from }),
    ...(plan.done ? { done: plan.done.map(wallTimes) } : {}),
  };
}

/** A job's own hours: places to dry and the clock on the wall are the shop's all the same. */
function inShop(
  hours: Hours,
  { hours: { dryingPlaces = hours.dryingPlaces, timeZone = hours.timeZone } }: Shop,
): Hours {
  const { weekdays, exceptions, painters } = hours;
  return {
    weekdays,
    exceptions,
    painters,
    ...(dryingPlaces === undefined ? {} : { dryingPlaces }),
    ...(timeZone === undefined ? {} : { timeZone }),
  };
}

const wallTimes = ({ starts, ends, ...one }: NonNullable<Plan["done"]>[number]) => ({
  ...one,
  starts: readWallTime(starts)!,
  ends: readWallTime(ends)!,
});

/** Hands that these bookings hold. */
export const takenBy = (bookings: readonly Booking[]): Taken[] =>
  bookings.flatMap(({ starts, ends, painter }) =>
    painter === "" || ends <= starts ? [] : [{ from: starts, to: ends, painter }],
  );

/** What a job has to fit into: the hands and places that all other jobs of a plan have. */
export function aroundOf(shop: Shop, others: readonly Pick<JobPlan, "bookings" | "lies">[]): Around {
  return {
    painters: shop.painters,
    taken: others.flatMap(({ bookings }) => takenBy(bookings)),
    lying: others.flatMap(({ lies }) => lies.map(({ from, to }): Lying => ({ from, to }))),
  };
}

/** A job among others that stay where they are: what it could be if nothing else gave way. */
export function fittedIn(work: Work, around: Around, looks?: number): JobPlan {
  return jobPlanOf(
    work,
    schedule([work], { ...around, clashesAlone: true, ...(looks === undefined ? {} : { looks }) }),
  );
}

function jobPlanOf(work: Work, made: Schedule): JobPlan {
  const isOwn = ({ planId }: { planId: string }) => planId === work.plan.id;
  const bookings = made.bookings.filter(isOwn);
  return {
    planId: work.plan.id,
    mark: markOf(work.plan),
    dates: datesOf(work, { bookings }),
    bookings,
    lies: made.lies.filter(isOwn),
    clashes: made.clashes.filter(isOwn),
    films: filmsOf(work, bookings),
    colour: colourOf(work),
  };
}

/** A layer that hides this much is what is seen from afar. */
const COVERS = 0.7;
const BARE = "#b98a58";

function colourOf({ judgement }: Work): string {
  const [first] = judgement.zones;
  return (first && stripOf(first).findLast(({ hides }) => hides >= COVERS)?.colour) ?? BARE;
}

/** Days on which somebody works on a job. */
export const visitsOf = ({ bookings }: Pick<JobPlan, "bookings">): number =>
  new Set(bookings.flatMap(({ starts, ends }) => (ends > starts ? [midnightBefore(starts)] : []))).size;

/** By how much a job comes too late; 0 in time. */
export function lateBy({ due }: Plan, dates: Dates | null): Minutes {
  const by = due === undefined ? null : readWallTime(due);
  return by === null || dates === null ? 0 : Math.max(0, dates.leaves - by);
}

/** What is minded first, second and so on: clashes, jobs that are late, by how much, and when all of them leave. */
type Cost = readonly [clashes: number, late: number, by: Minutes, leaves: WallMinutes];

const costOf = (plan: Plan, { clashes, dates }: JobPlan): Cost => {
  const by = lateBy(plan, dates);
  return [clashes.length, by > 0 ? 1 : 0, by, dates?.leaves ?? 0];
};

function isLess(a: Cost, b: Cost): boolean {
  const at = a.findIndex((part, index) => part !== b[index]);
  return at >= 0 && a[at]! < b[at]!;
}

/** The job as a file by itself has it: with the hours of its shop written into it. */
export const standingAlone = (plan: Plan, shop: Shop): Plan =>
  plan.hoursFrom === "shop" ? { ...plan, pinned: { ...plan.pinned, hours: hoursOfShop(shop) } } : plan;

/** A plan of all jobs while it is being made better. */
class Planner {
  private readonly works: readonly Work[];
  private readonly random = new Random(7);
  /** what looking at each counts as: a large job takes longer */
  private readonly weights: readonly number[];
  looks = 0;

  constructor(
    plans: readonly Plan[],
    private readonly shop: Shop,
    readonly most: number,
  ) {
    this.works = plans.map((plan) => workOf(plan, shop));
    this.weights = this.works.map(({ judgement }) => Math.ceil(phasesIn([judgement]) / ONE_LOOK));
  }

  private total(jobs: readonly JobPlan[]): Cost {
    const costs = jobs.map((job, index) => costOf(this.works[index]!.plan, job));
    const sum = (part: 0 | 1 | 2 | 3) => costs.reduce((all, cost) => all + cost[part], 0);
    return [sum(0), sum(1), sum(2), sum(3)];
  }

  /** All at once, by the schedule of the whole shop. */
  private together(): JobPlan[] {
    this.looks++;
    const made = schedule(this.works, { painters: this.shop.painters, clashesAlone: true });
    return this.works.map((work) => jobPlanOf(work, made));
  }

  /** One after another, each among those before it; some may stand already. */
  private *inOrder(order: readonly number[], standing: readonly (JobPlan | null)[]): Generator<void, JobPlan[]> {
    const jobs = [...standing];
    for (const at of order) {
      this.looks += this.weights[at]!;
      const others = jobs.filter((job): job is JobPlan => job !== null);
      jobs[at] = fittedIn(this.works[at]!, aroundOf(this.shop, others), LOOKS_AT_ONE);
      yield;
    }
    return jobs as JobPlan[];
  }

  /** What is due first is planned first, then what begins first. */
  private byDue(): number[] {
    const key = ({ plan }: Work) => `${plan.due ?? "9999"} ${plan.start} ${plan.id}`;
    return this.works.map((_, index) => index).sort((a, b) => (key(this.works[a]!) < key(this.works[b]!) ? -1 : 1));
  }

  *plan(): Generator<Progress, PlanOfWork> {
    const { works, most } = this;
    if (works.length === 0) return { jobs: [], looks: 0 };
    const heavy = isHeavy(works.map(({ judgement }) => judgement));
    const progress = (): Progress => ({ looks: Math.min(this.looks, most), of: most });
    let best = yield* told(
      this.inOrder(
        this.byDue(),
        works.map(() => null),
      ),
      progress,
    );
    if (!heavy) {
      const together = this.together();
      if (isLess(this.total(together), this.total(best))) best = together;
      yield progress();
    }
    let without = 0;
    const patience = Math.max(2 * works.length, most / PATIENCE);
    while (this.looks < most && works.length > 1 && without < patience) {
      const out = this.takenOut(best, without);
      const standing = best.map((job, index) => (out.includes(index) ? null : job));
      const tried = yield* told(this.inOrder(out, standing), progress);
      if (isLess(this.total(tried), this.total(best))) {
        best = tried;
        without = 0;
      } else without++;
    }
    return { jobs: best, looks: this.looks };
  }

  /** Jobs that are taken out and put in again in another order: one that is late or long under way, and now and then some others. */
  private takenOut(jobs: readonly JobPlan[], turn: number): number[] {
    const { works, random } = this;
    const trouble = (at: number) => {
      const { dates, clashes } = jobs[at]!;
      const { plan } = works[at]!;
      return lateBy(plan, dates) + clashes.length * 10_000 + ((dates?.leaves ?? 0) - readWallTime(plan.start)!) / 100;
    };
    const order = works.map((_, index) => index).sort((a, b) => trouble(b) - trouble(a) || a - b);
    const first = order[turn % order.length]!;
    const more = turn < order.length ? 1 : 1 + random.below(Math.min(4, works.length));
    const out = [first];
    while (out.length < Math.min(more, works.length)) {
      const other = random.below(works.length);
      if (!out.includes(other)) out.push(other);
    }
    return out;
  }
}

/** Runs work that pauses, with word of how far it is at every pause. */
function* told<T>(work: Generator<void, T>, progress: () => Progress): Generator<Progress, T> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    yield progress();
  }
}

/**
 * The plan of work of a shop: every job that is promised or under way, with the same hands. It pauses often, each time
 * with word of how far it is; whoever runs it may stop there.
 */
export function* planOfWork(plans: readonly Plan[], shop: Shop, looks = USUAL_LOOKS): Generator<Progress, PlanOfWork> {
  const planned = plans.filter(isPlannedFor).sort((a, b) => (a.id < b.id ? -1 : 1));
  return yield* new Planner(planned, shop, Math.min(looks, MOST_LOOKS)).plan();
}

/** The same without pauses. */
export function planOfWorkNow(plans: readonly Plan[], shop: Shop, looks?: number): PlanOfWork {
  const work = planOfWork(plans, shop, looks);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
