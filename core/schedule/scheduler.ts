import type { Judgement } from "../judge/judge.ts";
import type { Plan } from "../plan/plan.ts";
import { sayDuration } from "../units/duration.ts";
import type { Minutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import type { Schedule, ScheduleOptions } from "./booking.ts";
import { type About, type Clash, sayBeyondAll, sayClash, sayDue, sayInstead } from "./clash-words.ts";
import { relaxed, undated, type Yielding, yielding } from "./giving-way.ts";
import { type DryModes, modeOf, networkOfWork, type ShopNetwork } from "./network.ts";
import { type Claim, clashOf } from "./solve/clash.ts";
import { type Activity, FAR, fitsOf, handedOut, type Lag, type Minute, type Network } from "./solve/network.ts";
import { Serial, type Timetable } from "./solve/serial.ts";
import { slackOf } from "./solve/slack.ts";
import { type Solution, solve } from "./solve/solve.ts";
import { tidied } from "./solve/tidy.ts";
import { type Found, scheduleFrom } from "./telling.ts";
import type { Work } from "./work.ts";

/** Claims that are given up one after another until the rest can be dated. */
const MOST_CLASHES = 40;
const CLASH_BUDGET = 400;
const QUICK_BUDGET = 600;
/** For quick schedules: looks at the counting clock, and dead ends, that a clash may take. */
const QUICK_CLASH = 2000;
/** Claims looked at together, and pushes of one start by another, that count as one more look at it. */
const CLAIMS_A_LOOK = 25;
const PUSHES_A_LOOK = 100;
/** Pushes after which one set of claims is left open. */
const QUICK_PUSHES = 20_000;
/**
 * Pieces of work that a schedule places at most while it looks for clashes; what is still open then is dated as it
 * comes.
 */
const MOST_PLACED = 16_000;
/** Beyond this size the first schedule that meets everything will do. */
const LARGE = 1000;
const QUICK_FAILS = 40;
const PATIENCE = [0.05, 0, 0.5];
/** The same when what is due is late so far. */
const PRESSED = [1, 2];

/** A clock for quick schedules: it counts what was done, so that the same work is done every time. */
function countingClock() {
  let count = 0;
  return {
    now: () => count++,
    spend: (claims: number) => {
      count += claims / CLAIMS_A_LOOK;
    },
    spendPushes: (pushes: number) => {
      count += pushes / PUSHES_A_LOOK;
    },
  };
}

type Missed = Lag | Activity;

interface Quick {
  starts: Record<string, Minute> | null;
  /**
   * if that is null: the waits that were missed and what was moved from its own time, or everything with due dates
   * missed
   */
  missed: Missed[];
  late: Record<string, Minute> | null;
}

/** A schedule by placing in turn, the best of a few; null where a wait was missed or a due date, with what was. */
function quickly(network: Network, patience: readonly number[] = PATIENCE): Quick {
  const serial = new Serial(network, fitsOf(network));
  let best: Timetable | null = null;
  let late: Timetable | null = null;
  let missed: Missed[] = [];
  for (const share of patience) {
    const placed = serial.run(share, () => 0);
    // what has its own time and could not have it: set by hand, or done
    const displaced = placed.late.flatMap((at) => {
      const activity = network.activities[at]!;
      return placed.starts[at]! > (activity.latest ?? FAR) ? [activity] : [];
    });
    const whole = placed.missed.length + displaced.length === 0 && placed.makespan < FAR;
    if (whole && placed.late.length === 0) {
      if (best === null || placed.makespan < best.makespan) best = placed;
      if (network.activities.length > LARGE) break;
    } else if (whole) {
      if (late === null || placed.late.length < late.late.length) late = placed;
    } else if (missed.length === 0) missed = [...placed.missed, ...displaced];
    else break;
  }
  const byId = (placed: Timetable | null) =>
    placed && Object.fromEntries(network.activities.map(({ id }, index) => [id, placed.starts[index]!]));
  return { starts: byId(best), missed: (best ?? late) ? [] : missed, late: best ? null : byId(late) };
}

interface Sought extends Found {
  missed: readonly Missed[];
}

function find(
  network: Network,
  quick: Quick,
  options: ScheduleOptions,
  onBetter?: (solution: Solution) => boolean,
): Sought {
  const { budget, now, looks } = options;
  const timed = budget !== undefined && now !== undefined;
  if (quick.starts && !timed && looks === undefined)
    return { starts: quick.starts, lowerBound: null, proven: false, missed: [] };
  const solution = solve(network, {
    budget: timed ? budget : (looks ?? QUICK_BUDGET),
    now: timed ? now : countingClock().now,
    ...(timed ? {} : { pushes: (looks ?? QUICK_BUDGET) * PUSHES_A_LOOK }),
    ...(onBetter ? { onBetter } : {}),
  });
  return {
    starts: solution.starts ?? quick.starts,
    lowerBound: solution.feasible ? solution.lowerBound : null,
    proven: solution.proven,
    missed: quick.missed,
  };
}

/** Jobs that will be late: by how many minutes at least, and what is said of it. */
type Late = Map<string, { by: Minutes; clash: Clash }>;

/** What a job had to give up by itself, by names that do not depend on what else is scheduled with it. */
interface Resolved {
  clashes: readonly GivenUp[];
  givenUp: readonly string[];
  dry: DryModes;
  late: Late;
}

const resolved = new WeakMap<Judgement, { asked: string; plan: Plan; found: Resolved }>();

/** What is impossible in a job by itself is impossible in every shop: worked out once for each version of it. */
function aloneOf(work: Work, painters: ScheduleOptions["painters"]): Resolved {
  const { plan, judgement, done, from, hours } = work;
  const asked = JSON.stringify([done, from, hours, painters]);
  const kept = resolved.get(judgement);
  if (kept?.plan === plan && kept.asked === asked) return kept.found;
  const alone = new Scheduler([work], painters ? { painters } : {});
  alone.findClashes();
  const found = alone.resolved();
  resolved.set(judgement, { asked, plan, found });
  return found;
}

/** Claims that clash, and which of them was given up for the rest. */
interface GivenUp {
  clash: Clash;
  yields: Yielding | null;
}

export class Scheduler {
  private readonly clashes: GivenUp[] = [];
  private shop: ShopNetwork;
  private network: Network;
  private dry: DryModes = new Set();
  private readonly late: Late = new Map();
  private readonly reasons = new Map<Lag, ReturnType<ShopNetwork["reasons"]["get"]>>();

  /** lags by a name that is the same however often the network is built */
  private readonly names = new Map<Lag, string>();
  private readonly givenUp: string[] = [];
  private rounds = 0;
  private placed = 0;

  constructor(
    private readonly works: readonly Work[],
    private readonly options: ScheduleOptions,
  ) {
    this.shop = networkOfWork(works, this.dry, options);
    this.network = shared(this.shop.network);
    this.learn();
    for (const id of this.shop.beyondAll) this.clashes.push({ clash: sayBeyondAll(this.shop, id), yields: null });
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
    const { painters, clashesAlone = false } = this.options;
    if (this.works.length > 1 || clashesAlone) for (const work of this.works) this.adopt(aloneOf(work, painters));
    const { onBetter, budget } = this.options;
    for (;;) {
      let quick = clashesAlone ? quickly(this.dated()) : this.findClashes();
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
          ((solution) => onBetter(this.scheduleOf({ starts: solution.starts, lowerBound: null, proven: false }))),
      );
      if (found.starts) return this.finished(found);
      if (clashesAlone || this.spent(network)) return this.scheduleOf({ ...found, starts: this.anyhow() });
      if (quick.late) this.postpone(network, quick.late);
      else if (!this.giveWay(found.missed)) return this.scheduleOf({ ...found, starts: this.anyhow() });
    }
  }

  /**
   * Places in turn and gives up what is proven impossible, until there is a schedule or nothing more is found
   * impossible.
   */
  findClashes(): Quick {
    for (; ; this.rounds++) {
      const network = this.dated();
      const quick = quickly(network);
      if (quick.starts || this.spent(network)) return quick;
      // what could not be placed in turn is usually impossible: looking where it got stuck shows that fastest
      if (!(quick.late ? this.cannotBeInTime(network, quick.late) : this.giveWay(quick.missed))) return quick;
    }
  }

  /** Whether enough was placed and given up: a plan full of clashes is not searched for ever. */
  private spent({ activities }: Network): boolean {
    this.placed += activities.length;
    return this.rounds >= MOST_CLASHES || this.placed > MOST_PLACED;
  }

  /** What was given up, to be given up by others of the same works. */
  resolved(): Resolved {
    return { clashes: this.clashes, givenUp: this.givenUp, dry: this.dry, late: this.late };
  }

  private adopt({ clashes, givenUp, dry, late }: Resolved) {
    if (dry.size > 0) this.wait(new Set([...this.dry, ...dry]));
    const known = new Set(this.clashes.map(({ clash }) => clash.says));
    this.clashes.push(...clashes.filter(({ clash }) => !known.has(clash.says)));
    for (const [plan, by] of late) this.late.set(plan, { ...by });
    for (const name of givenUp) {
      const lag = this.network.lags.find((lag) => this.names.get(lag) === name);
      const activity = this.network.activities.find(({ id }) => id === name);
      if (lag) this.giveUp({ lag });
      else if (activity) this.giveUp({ activity });
    }
  }

  /** The network with the due dates as far as they can be met. */
  private dated(): Network {
    if (this.late.size === 0) return this.network;
    const activities = this.network.activities.map((activity) => {
      const late = activity.due === undefined ? undefined : this.late.get(this.shop.tasks.get(activity.id)!.plan.id);
      return late === undefined ? activity : { ...activity, due: activity.due! + late.by };
    });
    return { ...this.network, activities };
  }

  /** Of each job that is late: what comes latest, and by how much. */
  private lateJobs(network: Network, starts: Readonly<Record<string, Minute>>) {
    const jobs = new Map<string, { plan: Plan; worst: Activity; by: Minutes }>();
    for (const activity of network.activities) {
      const by = starts[activity.id]! - (activity.due ?? FAR);
      if (by <= 0) continue;
      const { plan } = this.shop.tasks.get(activity.id)!;
      if (by > (jobs.get(plan.id)?.by ?? 0)) jobs.set(plan.id, { plan, worst: activity, by });
    }
    return [...jobs.values()];
  }

  /** Of late jobs: those that by their own waits and hours alone must be. False if there is none. */
  private cannotBeInTime(network: Network, starts: Readonly<Record<string, Minute>>): boolean {
    let proven = false;
    for (const { plan, worst, by } of this.lateJobs(network, starts)) {
      if (this.late.has(plan.id)) continue;
      const own = new Set(
        network.activities.filter(({ id }) => this.shop.tasks.get(id)?.plan === plan).map(({ id }) => id),
      );
      const alone: Network = {
        ...network,
        activities: network.activities.filter(({ id }) => own.has(id)),
        lags: network.lags.filter(({ from, to }) => own.has(from) && own.has(to)),
      };
      const claims = this.clash(alone, [worst]);
      if (!claims?.some((claim) => "due" in claim)) continue;
      proven = true;
      const why = "cannot be ready by then in any order: its waits, windows and working hours take longer";
      this.late.set(plan.id, { by, clash: this.say(claims, `${sayDue(plan)}, but ${why}.`) });
    }
    return proven;
  }

  /**
   * Jobs for which no order was found that is in time: they are dated after the day they are due, and that is said.
   */
  private postpone(network: Network, starts: Readonly<Record<string, Minute>>) {
    for (const { plan, worst, by } of this.lateJobs(network, starts)) {
      const before = this.late.get(plan.id);
      const why = "no order of work was found that finishes it by then";
      this.late.set(plan.id, {
        by: by + (before?.by ?? 0),
        clash: before?.clash ?? this.say([{ due: worst }], `${sayDue(plan)}, but ${why}.`),
      });
    }
  }

  /** What clashes, and what is late by how much. */
  private allClashes(starts: Readonly<Record<string, Minute>> | null): Clash[] {
    const late = new Map(starts ? this.lateJobs(this.network, starts).map(({ plan, by }) => [plan.id, by]) : []);
    return [
      ...this.clashes.map(({ clash, yields }) => {
        const instead = starts && yields ? sayInstead(yields, this.network, starts, this.about()) : null;
        return instead === null ? clash : { ...clash, says: `${clash.says} ${instead}` };
      }),
      ...[...this.late].flatMap(([plan, { clash }]) => {
        const by = late.get(plan);
        // a better order than the quick one may have been found
        if (starts && by === undefined) return [];
        return [
          by === undefined ? clash : { ...clash, says: `${clash.says} On these dates it is ${sayDuration(by)} late.` },
        ];
      }),
    ];
  }

  private clash(network: Network, suspects: readonly Missed[]): Claim[] | null {
    const quick = this.options.budget === undefined;
    return clashOf(
      network,
      quick
        ? { budget: QUICK_CLASH, ...countingClock(), fails: QUICK_FAILS, pushes: QUICK_PUSHES }
        : { budget: CLASH_BUDGET, now: this.options.now! },
      suspects,
    );
  }

  /** Finds out what cannot all be met, says so, and gives up the least of it. False if that is not found in time. */
  private giveWay(missed: readonly Missed[]): boolean {
    const claims = this.clash(undated(this.network), missed);
    if (!claims) return false;
    if (this.waitsForDry(claims)) return true;
    const yields = yielding(claims);
    // other work is in the way and cannot give way itself
    if (yields === null) return false;
    this.clashes.push({ clash: this.say(claims), yields });
    this.giveUp(yields);
    return true;
  }

  private giveUp(claim: Yielding) {
    this.givenUp.push("lag" in claim ? this.names.get(claim.lag)! : claim.activity.id);
    const { plan } = this.shop.tasks.get("lag" in claim ? claim.lag.to : claim.activity.id)!;
    const network = relaxed(this.network, claim, Math.max(0, this.shop.clock.elapsed(readWallTime(plan.start)!)));
    network.lags.forEach((lag, index) => {
      const before = this.network.lags[index]!;
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

  /**
   * Builds the network again with these steps waiting until what lies below them is dry; what was given up before is
   * given up again.
   */
  private wait(modes: DryModes) {
    this.dry = modes;
    this.shop = networkOfWork(this.works, modes, this.options);
    this.network = shared(this.shop.network);
    this.learn();
    const again = this.givenUp.splice(0);
    this.adopt({ clashes: [], givenUp: again, dry: new Set(), late: new Map() });
  }

  private say(claims: readonly Claim[], says?: string): Clash {
    return sayClash(claims, this.about(), says);
  }

  private about(): About {
    const { tasks, clock } = this.shop;
    return { tasks, clock, reasonOf: (lag) => this.reasons.get(lag) };
  }

  /** Everything in its order with what could not be met left out: dates for the rest. */
  private anyhow(): Record<string, Minute> {
    const serial = new Serial(this.network, fitsOf(this.network));
    const { starts, missed } = serial.run(0, () => 0);
    for (const lag of missed) this.clashes.push({ clash: this.say([{ lag }]), yields: { lag } });
    let last = 0;
    for (const start of starts) if (start < FAR) last = Math.max(last, start);
    return Object.fromEntries(this.network.activities.map(({ id }, index) => [id, Math.min(starts[index]!, last)]));
  }

  private finished(found: Sought): Schedule {
    if (!found.starts) return this.scheduleOf(found);
    const network = this.endingAsNow(found.starts);
    const { latest } = slackOf(network, found.starts);
    return this.scheduleOf({ ...found, starts: tidied(network, found.starts, latest) });
  }

  /** The network in which no job may end later than it does now. */
  private endingAsNow(starts: Readonly<Record<string, Minute>>): Network {
    const network = this.dated();
    if (this.works.length < 2) return network;
    const ends = new Map<Plan, Minute>();
    const planOf = ({ id }: Activity) => this.shop.tasks.get(id)?.plan;
    for (const activity of network.activities) {
      const plan = planOf(activity);
      if (plan) ends.set(plan, Math.max(ends.get(plan) ?? 0, starts[activity.id]! + activity.duration));
    }
    const activities = network.activities.map((activity) => {
      const plan = planOf(activity);
      return plan
        ? { ...activity, latest: Math.min(activity.latest ?? FAR, ends.get(plan)! - activity.duration) }
        : activity;
    });
    return { ...network, activities };
  }

  private scheduleOf(found: Found): Schedule {
    return scheduleFrom(this.works, this.shop, this.dated(), found, {
      clashes: this.allClashes(found.starts),
      settled: this.clashes.length + this.late.size === 0,
      taken: this.options.taken ?? [],
    });
  }
}

/** The network with whoever could do each piece of work first, by the quickest way of placing it; unchanged where all painters are alike. */
function shared(network: Network): Network {
  if (!network.activities.some(({ ways }) => ways)) return network;
  const serial = new Serial(network, fitsOf(network));
  const placed = PATIENCE.map((share) => serial.run(share, () => 0));
  const cost = ({ missed, late, makespan }: Timetable) => (missed.length + late.length) * FAR + makespan;
  return handedOut(network, placed.reduce((best, timetable) => (cost(timetable) < cost(best) ? timetable : best)).ways);
}
