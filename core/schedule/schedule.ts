import type { Judgement } from "../judge/judge.ts";
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

type Missed = Lag | Activity;

interface Quick {
  starts: Record<string, Minute> | null;
  /** where it is null: the waits that were missed and what was moved from its own time, else all as it is with due dates missed */
  missed: Missed[];
  late: Record<string, Minute> | null;
}

/** A schedule by placing in turn, the best of a few; null where a wait was missed or a due date, with what was. */
function quickly(network: Network, patience: readonly number[] = PATIENCE): Quick {
  const serial = new Serial(network, fitsOf(network));
  let best: Placed | null = null;
  let late: Placed | null = null;
  let missed: Missed[] = [];
  for (const share of patience) {
    const placed = serial.run(share, () => 0);
    // what has its own time and could not have it: set by hand, or done
    const displaced = placed.late.flatMap((at) => {
      const one = network.activities[at]!;
      return placed.starts[at]! > (one.latest ?? FAR) ? [one] : [];
    });
    const whole = placed.missed.length + displaced.length === 0 && placed.makespan < FAR;
    if (whole && placed.late.length === 0) {
      if (best === null || placed.makespan < best.makespan) best = placed;
    } else if (whole) {
      if (late === null || placed.late.length < late.late.length) late = placed;
    } else if (missed.length === 0) missed = [...placed.missed, ...displaced];
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
  missed: readonly Missed[];
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

/** Jobs that come after the day they are due: by how many minutes at least, and what is said of it. */
type Late = Map<string, { by: Minutes; clash: Clash }>;

/** What a job had to give up by itself, by names that do not hang on what else is scheduled with it. */
interface Resolved {
  clashes: readonly Clash[];
  givenUp: readonly string[];
  dry: DryModes;
  late: Late;
}

const resolved = new WeakMap<Judgement, { plan: Plan; found: Resolved }>();

/** What is impossible in a job by itself is so in every shop: found out once for each version of it. */
function aloneOf(work: Work): Resolved {
  const { plan, judgement, done, from } = work;
  const planned = done === undefined && from === undefined;
  const kept = resolved.get(judgement);
  if (planned && kept?.plan === plan) return kept.found;
  const alone = new Scheduler([work], {});
  alone.findClashes();
  const found = alone.resolved();
  if (planned) resolved.set(judgement, { plan, found });
  return found;
}

class Scheduler {
  readonly clashes: Clash[] = [];
  private shop: ShopNetwork;
  private network: Network;
  private dry: DryModes = new Set();
  private readonly late: Late = new Map();
  private readonly reasons = new Map<Lag, ReturnType<ShopNetwork["reasons"]["get"]>>();

  /** lags by a name that is the same however often the network is built */
  private readonly names = new Map<Lag, string>();
  private readonly givenUp: string[] = [];
  private rounds = 0;

  constructor(
    private readonly works: readonly Work[],
    private readonly options: ScheduleOptions,
  ) {
    this.shop = networkOfWork(works);
    this.network = this.shop.network;
    this.learn();
  }

  /** Takes over what the waits of a network that was built stand for. */
  private learn() {
    this.reasons.clear();
    this.names.clear();
    const between = new Map<string, number>();
    for (const lag of this.network.lags) {
      this.reasons.set(lag, this.shop.reasons.get(lag));
      const ends = `${lag.from} ${lag.to}`;
      const number = between.get(ends) ?? 0;
      between.set(ends, number + 1);
      this.names.set(lag, `${ends} ${number}`);
    }
  }

  run(): Schedule {
    if (this.works.length > 1) for (const work of this.works) this.adopt(aloneOf(work));
    const { onBetter, budget } = this.options;
    for (;;) {
      let quick = this.findClashes();
      const network = this.dated();
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
      if (found.starts || this.rounds >= MOST_CLASHES) return this.finished(found);
      if (quick.late) this.postpone(network, quick.late);
      else if (!this.giveWay(found.missed)) return this.scheduleOf({ ...found, starts: this.anyhow() });
    }
  }

  /** Places in turn and gives up what is proven impossible, until there is a schedule or nothing more is found impossible. */
  findClashes(): Quick {
    for (; ; this.rounds++) {
      const network = this.dated();
      const quick = quickly(network);
      if (quick.starts || this.rounds >= MOST_CLASHES) return quick;
      // what could not be placed in turn most often cannot be at all: that is soonest found out where it stuck
      if (!(quick.late ? this.cannotBeInTime(network, quick.late) : this.giveWay(quick.missed))) return quick;
    }
  }

  /** What was given up, to be given up by others of the same works. */
  resolved(): Resolved {
    return { clashes: this.clashes, givenUp: this.givenUp, dry: this.dry, late: this.late };
  }

  private adopt({ clashes, givenUp, dry, late }: Resolved) {
    if (dry.size > 0) this.wait(new Set([...this.dry, ...dry]));
    this.clashes.push(...clashes);
    for (const [plan, by] of late) this.late.set(plan, { ...by });
    for (const name of givenUp) {
      const lag = this.network.lags.find((one) => this.names.get(one) === name);
      const activity = this.network.activities.find(({ id }) => id === name);
      if (lag) this.giveUp({ lag });
      else if (activity) this.giveUp({ activity });
    }
  }

  /** The network with the due dates as far as they can be kept. */
  private dated(): Network {
    if (this.late.size === 0) return this.network;
    const activities = this.network.activities.map((one) => {
      const late = this.late.get(this.shop.tasks.get(one.id)!.plan.id);
      return late === undefined || one.due === undefined ? one : { ...one, due: one.due + late.by };
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
      if (this.late.has(plan.id)) continue;
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
      const why = "cannot be ready by then in whatever order: its waits, windows and hours take longer";
      this.late.set(plan.id, { by, clash: this.say(claims, `${sayDue(plan)} and ${why}.`) });
    }
    return proven;
  }

  /** Jobs for which no order was found that is in time: they are dated after the day they are due, and it is said. */
  private postpone(network: Network, starts: Readonly<Record<string, Minute>>) {
    for (const { plan, worst, by } of this.lateJobs(network, starts)) {
      const before = this.late.get(plan.id);
      const why = "no order of work was found in which it is ready by then";
      this.late.set(plan.id, {
        by: by + (before?.by ?? 0),
        clash: before?.clash ?? this.say([{ due: worst }], `${sayDue(plan)} and ${why}.`),
      });
    }
  }

  /** What clashes, and what comes too late by how much. */
  private allClashes(starts: Readonly<Record<string, Minute>> | null): Clash[] {
    const late = new Map(starts ? this.lateJobs(this.network, starts).map(({ plan, by }) => [plan.id, by]) : []);
    return [
      ...this.clashes,
      ...[...this.late].flatMap(([plan, { clash }]) => {
        const by = late.get(plan);
        // a better order than the quick one may have been found
        if (starts && by === undefined) return [];
        return [
          by === undefined ? clash : { ...clash, says: `${clash.says} As dated here it is ${sayDuration(by)} late.` },
        ];
      }),
    ];
  }

  private clash(network: Network, suspects: readonly Missed[]): Claim[] | null {
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
  private giveWay(missed: readonly Missed[]): boolean {
    const claims = this.clash(undated(this.network), missed);
    if (!claims) return false;
    if (this.waitsForDry(claims)) return true;
    this.clashes.push(this.say(claims));
    this.giveUp(yielding(claims));
    return true;
  }

  private giveUp(claim: Exclude<Claim, { due: Activity }>) {
    this.givenUp.push("lag" in claim ? this.names.get(claim.lag)! : claim.activity.id);
    const network = relaxed(this.network, claim);
    network.lags.forEach((lag, at) => {
      const before = this.network.lags[at]!;
      if (lag === before) return;
      this.reasons.set(lag, this.reasons.get(before));
      this.names.set(lag, this.names.get(before)!);
    });
    this.network = network;
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
    this.wait(modes);
    return true;
  }

  /** Builds the network anew with these steps waiting until what lies below them is dry; what was given up is so again. */
  private wait(modes: DryModes) {
    this.dry = modes;
    this.shop = networkOfWork(this.works, modes);
    this.network = this.shop.network;
    this.learn();
    const again = this.givenUp.splice(0);
    this.adopt({ clashes: [], givenUp: again, dry: new Set(), late: new Map() });
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
      return `"${name}" has to begin by ${sayMoment(this.shop.clock.wall(claim.due.due!))} to be dry when the job is due`;
    }
    const task = this.shop.tasks.get(claim.activity.id)!;
    const { anyHour, earliest, duration } = claim.activity;
    if (task.done) return `"${task.name}" was done at ${sayMoment(this.shop.clock.wall(earliest!))}`;
    if (anyHour) return `"${task.name}" is set to ${sayMoment(this.shop.clock.wall(earliest!))}`;
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
    if (against && "lag" in against && "lag" in yields && against.lag.min <= (yields.lag.max ?? 0))
      return `${told}, and ${this.claim(against)}. With what has to dry between, no working hours allow both.`;
    if (against && "lag" in against)
      return `${told}, and the plan itself makes it wait ${sayDuration(against.lag.min)}. Shorten the wait between, or do it sooner.`;
    if (against) return `${told}, and ${this.claim(against)}. Set one of the times free.`;
    const pinnedHere = "activity" in yields && yields.activity.anyHour;
    if (pinnedHere) return `${told}, and that cannot be kept. Set it free, or move it.`;
    return `${told}, and no working hours of the next ${HORIZON_DAYS} days allow it. Lengthen a working day, or loosen the wait.`;
  }

  private finished(found: Found): Schedule {
    if (!found.starts) return this.scheduleOf(found);
    const network = this.dated();
    const { latest } = slackOf(network, found.starts);
    return this.scheduleOf({ ...found, starts: tidied(network, found.starts, latest) });
  }

  private scheduleOf({ starts, lowerBound, proven }: Found): Schedule {
    const { clock, tasks } = this.shop;
    const start = Math.min(...this.works.map(({ plan }) => readWallTime(plan.start)!));
    const made: Schedule = {
      start,
      bookings: [],
      clashes: this.allClashes(starts),
      finish: null,
      visits: starts ? visitsOf(this.network, starts) : 0,
      lowerBound: lowerBound === null ? null : clock.wall(lowerBound),
      proven: proven && this.clashes.length + this.late.size === 0,
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
        starts: clock.wall(starts[id]!),
        ends: clock.wall(starts[id]! + duration),
        latest: clock.wall(latest[id]!),
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
