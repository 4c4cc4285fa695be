import type { Plan } from "../plan/plan.ts";
import { sayDuration } from "../units/duration.ts";
import type { Minutes, WallMinutes } from "../units/units.ts";
import { readWallTime, sayWallTime } from "../units/wall-time.ts";
import { longestWindow } from "./calendar.ts";
import { type Claim, clashOf } from "./solve/clash.ts";
import { type Activity, FAR, fitsOf, type Lag, type Minute, type Network, PAINTER } from "./solve/problem.ts";
import { type Placed, Serial } from "./solve/serial.ts";
import { slackOf } from "./solve/slack.ts";
import { type Solution, solve } from "./solve/solve.ts";
import { tidied, visitsOf } from "./solve/tidy.ts";
import {
  type DryModes,
  HORIZON_DAYS,
  modeOf,
  networkOfWork,
  type ShopNetwork,
  sayLag,
  type Task,
  type Work,
} from "./work.ts";

export interface Booking {
  id: string;
  planId: string;
  pieceId: string;
  /** empty for taking apart and putting together */
  zoneId: string;
  stepId: string;
  phaseId: string;
  name: string;
  starts: WallMinutes;
  ends: WallMinutes;
  /** how late it could begin without anything finishing later */
  latest: WallMinutes;
  /** it belongs to the chain that sets the finish */
  critical: boolean;
  /** its time is set by the painter */
  pinned: boolean;
  /** it has been done, at that time */
  done: boolean;
}

/** Claims that cannot hold together, in words, told at the step that could not be fitted in. */
export interface Clash {
  planId: string;
  zoneId: string;
  stepId: string;
  says: string;
  /** one sentence for each of them; without any one the rest can be kept */
  claims: string[];
}

export interface Schedule {
  /** wall time of the first plan's start */
  start: WallMinutes;
  bookings: Booking[];
  clashes: Clash[];
  /** the last hands-on work is done; null when there is nothing to do */
  finish: WallMinutes | null;
  /** days on which there is work */
  visits: number;
  /** no schedule that keeps all this finishes sooner; null where that is not known */
  lowerBound: WallMinutes | null;
  proven: boolean;
}

export interface ScheduleOptions {
  /** milliseconds to look for a better one; without it a quick schedule is made that is the same every time */
  budget?: number;
  now?: () => number;
  /** told of every better schedule on the way; false calls it off */
  onBetter?: (schedule: Schedule) => boolean;
}

/** Claims that are given up one after another until the rest can be dated. */
const MOST_CLASHES = 40;
const CLASH_BUDGET = 400;
const QUICK_BUDGET = 600;
/** For quick schedules: looks at the counting clock, and dead ends, that a clash may take. */
const QUICK_CLASH = 2000;
const QUICK_FAILS = 40;
const PATIENCE = [0.05, 0, 0.5];
/** The same when what is due comes too late so far. */
const PRESSED = [1, 2];

/** A clock for quick schedules: it counts how often it was asked, so that the same work is done every time. */
function countingClock(): () => number {
  let count = 0;
  return () => count++;
}

interface Quick {
  starts: Record<string, Minute> | null;
  /** where it is null: the waits that were missed, else everything as it is when what is due comes too late */
  missed: Lag[];
  late: Record<string, Minute> | null;
}

/** A schedule by placing in turn, the best of a few; null where a wait was missed or a due date, with what was. */
function quickly(network: Network, patience: readonly number[] = PATIENCE): Quick {
  const serial = new Serial(network, fitsOf(network));
  let best: Placed | null = null;
  let late: Placed | null = null;
  let missed: Lag[] = [];
  for (const share of patience) {
    const placed = serial.run(share, () => 0);
    const whole = placed.missed.length === 0 && placed.makespan < FAR;
    if (whole && placed.late.length === 0) {
      if (best === null || placed.makespan < best.makespan) best = placed;
    } else if (whole) {
      if (late === null || placed.late.length < late.late.length) late = placed;
    } else if (missed.length === 0) missed = placed.missed;
    else break;
  }
  const byId = (placed: Placed | null) =>
    placed && Object.fromEntries(network.activities.map(({ id }, at) => [id, placed.starts[at]!]));
  return { starts: byId(best), missed: (best ?? late) ? [] : missed, late: best ? null : byId(late) };
}

interface Found {
  starts: Record<string, Minute> | null;
  lowerBound: Minute | null;
  proven: boolean;
  missed: readonly Lag[];
}

function find(
  network: Network,
  quick: Quick,
  options: ScheduleOptions,
  onBetter?: (solution: Solution) => boolean,
): Found {
  const { budget, now } = options;
  if (quick.starts && (budget === undefined || now === undefined))
    return { starts: quick.starts, lowerBound: null, proven: false, missed: [] };
  const solution = solve(network, {
    budget: budget ?? QUICK_BUDGET,
    now: now && budget !== undefined ? now : countingClock(),
    ...(onBetter ? { onBetter } : {}),
  });
  return {
    starts: solution.starts ?? quick.starts,
    lowerBound: solution.feasible ? solution.lowerBound : null,
    proven: solution.proven,
    missed: quick.missed,
  };
}

/** What is given up of a clash so that the rest can be dated: what was set by hand first, then what shuts, then hours and hands. */
function yielding(all: readonly Claim[]): Exclude<Claim, { due: Activity }> {
  const claims = all.flatMap((claim) => ("due" in claim ? [] : [claim]));
  const set = claims.find((claim) => "activity" in claim && claim.activity.anyHour);
  if (set) return set;
  const shutting = claims.flatMap((claim) => ("lag" in claim && claim.lag.max !== null ? [claim] : []));
  shutting.sort((one, two) => two.lag.max! - two.lag.min - (one.lag.max! - one.lag.min));
  return shutting[0] ?? claims.find((claim) => "activity" in claim) ?? claims[0]!;
}

function relaxed(network: Network, claim: Claim): Network {
  if ("due" in claim) return network;
  if ("lag" in claim) {
    const { from, to, min, max, varies } = claim.lag;
    const loose: Lag =
      max === null
        ? { from, to, min: 0, max: null }
        : { from, to, min, max: null, ...(varies ? { varies: { ...varies, shuts: null } } : {}) };
    return { ...network, lags: network.lags.map((lag) => (lag === claim.lag ? loose : lag)) };
  }
  const { id, duration, calendar, earliest, anyHour } = claim.activity;
  const free: Activity = anyHour
    ? { id, duration, uses: { [PAINTER]: 1 }, ...(calendar === undefined ? {} : { calendar }), earliest: 0 }
    : { id, duration, uses: {}, ...(earliest === undefined ? {} : { earliest }) };
  return { ...network, activities: network.activities.map((one) => (one.id === id ? free : one)) };
}

/** The same without due dates. */
const undated = (network: Network): Network => ({
  ...network,
  activities: network.activities.map(({ due: _, ...one }) => one),
});

const sayMoment = (wall: WallMinutes) => sayWallTime(wall).replace("T", " ");
const sayDue = ({ title, due }: Plan) => `"${title}" is due ${due!.replace("T", " ")}`;

class Scheduler {
  readonly clashes: Clash[] = [];
  private shop: ShopNetwork;
  private network: Network;
  private dry: DryModes = new Set();
  /** minutes by which jobs come after the day they are due */
  private readonly late = new Map<string, Minutes>();
  private readonly reasons = new Map<Lag, ReturnType<ShopNetwork["reasons"]["get"]>>();

  constructor(
    private readonly works: readonly Work[],
    private readonly options: ScheduleOptions,
  ) {
    this.shop = networkOfWork(works);
    this.network = this.shop.network;
    this.shop.reasons.forEach((reason, lag) => {
      this.reasons.set(lag, reason);
    });
  }

  run(): Schedule {
    for (let round = 0; ; round++) {
      const { onBetter, budget } = this.options;
      const network = this.dated();
      let quick = quickly(network);
      const more = round < MOST_CLASHES;
      // what could not be placed in turn most often cannot be at all: that is soonest found out where it stuck
      if (!quick.starts && !quick.late && more && this.giveWay(quick.missed)) continue;
      if (quick.late && more && this.cannotBeInTime(network, quick.late)) continue;
      if (quick.late) quick = quickly(network, PRESSED);
      if (quick.late && budget === undefined) {
        this.postpone(network, quick.late);
        continue;
      }
      const found = find(
        network,
        quick,
        this.options,
        onBetter &&
          ((solution) =>
            onBetter(this.scheduleOf({ starts: solution.starts, lowerBound: null, proven: false, missed: [] }))),
      );
      if (found.starts || !more) return this.finished(found);
      if (quick.late) this.postpone(network, quick.late);
      else if (!this.giveWay(found.missed)) return this.scheduleOf({ ...found, starts: this.anyhow() });
    }
  }

  /** The network with the due dates as far as they can be kept. */
  private dated(): Network {
    if (this.late.size === 0) return this.network;
    const activities = this.network.activities.map((one) => {
      const later = this.late.get(this.shop.tasks.get(one.id)!.plan.id);
      return later === undefined || one.due === undefined ? one : { ...one, due: one.due + later };
    });
    return { ...this.network, activities };
  }

  /** Of each job that comes too late: what comes latest, and by how much. */
  private lateJobs(network: Network, starts: Readonly<Record<string, Minute>>) {
    const jobs = new Map<string, { plan: Plan; worst: Activity; by: Minutes }>();
    for (const one of network.activities) {
      const by = starts[one.id]! - (one.due ?? FAR);
      if (by <= 0) continue;
      const { plan } = this.shop.tasks.get(one.id)!;
      if (by > (jobs.get(plan.id)?.by ?? 0)) jobs.set(plan.id, { plan, worst: one, by });
    }
    return [...jobs.values()];
  }

  /** Of jobs that come too late: those that by their own waits and hours alone have to. False where there is none. */
  private cannotBeInTime(network: Network, starts: Readonly<Record<string, Minute>>): boolean {
    let proven = false;
    for (const { plan, worst, by } of this.lateJobs(network, starts)) {
      const own = new Set(
        network.activities.filter(({ id }) => this.shop.tasks.get(id)!.plan === plan).map(({ id }) => id),
      );
      const alone: Network = {
        ...network,
        activities: network.activities.filter(({ id }) => own.has(id)),
        lags: network.lags.filter(({ from, to }) => own.has(from) && own.has(to)),
      };
      const claims = this.clash(alone, [worst]);
      if (!claims?.some((claim) => "due" in claim)) continue;
      proven = true;
      this.late.set(plan.id, by + (this.late.get(plan.id) ?? 0));
      this.clashes.push(
        this.say(
          claims,
          `${sayDue(plan)} and cannot be ready by then in whatever order: its waits, windows and hours take longer. As dated here it is ${sayDuration(by)} late.`,
        ),
      );
    }
    return proven;
  }

  /** Jobs for which no order was found that is in time: they are dated after the day they are due, and it is said. */
  private postpone(network: Network, starts: Readonly<Record<string, Minute>>) {
    for (const { plan, worst, by } of this.lateJobs(network, starts)) {
      this.late.set(plan.id, by + (this.late.get(plan.id) ?? 0));
      this.clashes.push(
        this.say(
          [{ due: worst }],
          `${sayDue(plan)} and no order of work was found in which it is ready by then. As dated here it is ${sayDuration(by)} late.`,
        ),
      );
    }
  }

  private clash(network: Network, suspects: readonly (Lag | Activity)[]): Claim[] | null {
    const quick = this.options.budget === undefined;
    return clashOf(
      network,
      quick
        ? { budget: QUICK_CLASH, now: countingClock(), fails: QUICK_FAILS }
        : { budget: CLASH_BUDGET, now: this.options.now! },
      suspects,
    );
  }

  /** Finds out what cannot hold together, says so, and gives the least of it up. False where that is not found in time. */
  private giveWay(missed: readonly Lag[]): boolean {
    const claims = this.clash(undated(this.network), missed);
    if (!claims) return false;
    if (this.waitsForDry(claims)) return true;
    this.clashes.push(this.say(claims));
    const network = relaxed(this.network, yielding(claims));
    network.lags.forEach((lag, at) => {
      const before = this.network.lags[at]!;
      if (lag !== before) this.reasons.set(lag, this.reasons.get(before));
    });
    this.network = network;
    return true;
  }

  /** Where a window that shuts is in the way and the same step may as well wait until all is dry, it does. */
  private waitsForDry(claims: readonly Claim[]): boolean {
    if (this.clashes.length > 0) return false;
    const modes = new Set(this.dry);
    for (const claim of claims) {
      if (!("lag" in claim) || claim.lag.max === null) continue;
      const task = this.shop.tasks.get(claim.lag.to);
      if (!task?.phase || (this.reasons.get(claim.lag)?.others.length ?? 0) === 0) continue;
      const { judged, placed } = task.phase;
      for (const demand of placed.demands)
        if (demand.gates.length > 1) modes.add(modeOf(task.plan.id, judged.zone.id, demand));
    }
    if (modes.size === this.dry.size) return false;
    this.dry = modes;
    this.shop = networkOfWork(this.works, modes);
    this.network = this.shop.network;
    this.reasons.clear();
    this.shop.reasons.forEach((reason, lag) => {
      this.reasons.set(lag, reason);
    });
    return true;
  }

  /** Everything in its order with what could not be kept left out: dates for the rest. */
  private anyhow(): Record<string, Minute> {
    const serial = new Serial(this.network, fitsOf(this.network));
    const { starts, missed } = serial.run(0, () => 0);
    for (const lag of missed) this.clashes.push(this.say([{ lag }]));
    let last = 0;
    for (const start of starts) if (start < FAR) last = Math.max(last, start);
    return Object.fromEntries(this.network.activities.map(({ id }, at) => [id, Math.min(starts[at]!, last)]));
  }

  private say(claims: readonly Claim[], says?: string): Clash {
    const told = claims.filter((claim) => !("lag" in claim) || this.reasons.get(claim.lag)?.kind !== "order");
    const task = this.taskOf(claims);
    const { phase, plan } = task;
    return {
      planId: plan.id,
      zoneId: phase?.judged.zone.id ?? "",
      stepId: phase?.placed.phase.step.id ?? "",
      says: says ?? this.sentence(claims, task),
      claims: (told.length > 0 ? told : claims).map((claim) => this.claim(claim)),
    };
  }

  /** The step that a clash is told at: the last of those it names. */
  private taskOf(claims: readonly Claim[]): Task {
    const yields = claims.find((claim) => "due" in claim) ?? yielding(claims);
    if ("due" in yields) return this.shop.tasks.get(yields.due.id)!;
    return this.shop.tasks.get("lag" in yields ? yields.lag.to : yields.activity.id)!;
  }

  private claim(claim: Claim): string {
    if ("lag" in claim) return sayLag(claim.lag, this.reasons.get(claim.lag)!);
    if ("due" in claim) {
      const { name } = this.shop.tasks.get(claim.due.id)!;
      return `"${name}" has to begin by ${sayMoment(this.shop.zero + claim.due.due!)} to be dry when the job is due`;
    }
    const task = this.shop.tasks.get(claim.activity.id)!;
    const { anyHour, earliest, duration } = claim.activity;
    if (task.done) return `"${task.name}" was done at ${sayMoment(this.shop.zero + earliest!)}`;
    if (anyHour) return `"${task.name}" is set to ${sayMoment(this.shop.zero + earliest!)}`;
    return `"${task.name}" takes ${sayDuration(duration)} of working hours in one go`;
  }

  private sentence(claims: readonly Claim[], task: Task): string {
    const { plan, name } = task;
    const longest = longestWindow(plan.pinned.hours);
    const [only] = claims;
    if (longest === 0) return "There are no working hours in the week. Give at least one day some hours.";
    if (claims.length === 1 && only && "activity" in only && !only.activity.anyHour)
      return `"${name}" takes ${sayDuration(only.activity.duration)} in one go and the longest working window is ${sayDuration(longest)}. Split the zone at a natural break, or lengthen the day.`;
    const yields = yielding(claims);
    const told = this.claim(yields);
    const author = claims.find(
      (claim) => claim !== yields && "lag" in claim && this.reasons.get(claim.lag)?.kind === "author",
    );
    const set = claims.find((claim) => claim !== yields && "activity" in claim && claim.activity.anyHour);
    const against = set ?? author;
    if (against && "lag" in against)
      return `${told}, and the plan itself makes it wait ${sayDuration(against.lag.min)}. Shorten the wait between, or do it sooner.`;
    if (against) return `${told}, and ${this.claim(against)}. Set one of the times free.`;
    const pinnedHere = "activity" in yields && yields.activity.anyHour;
    if (pinnedHere) return `${told}, and that cannot be kept. Set it free, or move it.`;
    return `${told}, and no working hours of the next ${HORIZON_DAYS} days allow it. Lengthen a working day, or loosen the wait.`;
  }

  private finished(found: Found): Schedule {
    return this.scheduleOf({ ...found, starts: found.starts && tidied(this.dated(), found.starts) });
  }

  private scheduleOf({ starts, lowerBound, proven }: Found): Schedule {
    const { zero, tasks } = this.shop;
    const start = Math.min(...this.works.map(({ plan }) => readWallTime(plan.start)!));
    const made: Schedule = {
      start,
      bookings: [],
      clashes: this.clashes.slice(),
      finish: null,
      visits: starts ? visitsOf(this.network, starts) : 0,
      lowerBound: lowerBound === null ? null : zero + lowerBound,
      proven: proven && this.clashes.length === 0,
    };
    if (!starts || this.network.activities.length === 0) return made;
    const network = this.dated();
    const { latest, critical } = slackOf(network, starts);
    const onChain = new Set(critical);
    for (const { id, duration, anyHour } of this.network.activities) {
      const { plan, pieceId, phase, name, done } = tasks.get(id)!;
      if (!phase && !id.endsWith("apart") && !id.endsWith("together")) continue;
      made.bookings.push({
        id,
        planId: plan.id,
        pieceId,
        zoneId: phase?.judged.zone.id ?? "",
        stepId: phase?.placed.phase.step.id ?? "",
        phaseId: phase?.placed.phase.id ?? "",
        name,
        starts: zero + starts[id]!,
        ends: zero + starts[id]! + duration,
        latest: zero + latest[id]!,
        critical: onChain.has(id),
        pinned: anyHour === true,
        done: done === true,
      });
    }
    made.bookings.sort((one, two) => one.starts - two.starts || (one.id < two.id ? -1 : 1));
    made.finish = made.bookings.reduce((last, { ends }) => Math.max(last, ends), Number.NEGATIVE_INFINITY);
    return made;
  }
}

/**
 * Dates for all work of some jobs: every wait, window, working hour and pair of hands kept, or said to be impossible with the
 * smallest set of claims that cannot hold together. Without a budget quick and the same every time; with one, the best found
 * in it, with a bound.
 */
export function schedule(works: readonly Work[], options: ScheduleOptions = {}): Schedule {
  if (works.length === 0)
    return { start: 0, bookings: [], clashes: [], finish: null, visits: 0, lowerBound: null, proven: true };
  return new Scheduler(works, options).run();
}

export type { Work } from "./work.ts";
