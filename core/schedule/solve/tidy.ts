import { DAY } from "../../units/units.ts";
import { type Activity, fitsOf, isByHand, latestOf, type Minute, type Network } from "./network.ts";

// A schedule that is as early as possible has many starts and gaps: here work moves later where nothing finishes
// later for it.

/** How often in a row everything may be pushed before it counts as stuck. */
const MOST_ROUNDS = 60;
/** Days that are tried, the emptiest first. */
const MOST_DAYS = 24;
/** Beyond this many it would take longer than it is worth. */
const MOST_ACTIVITIES = 600;

const byHand = (activity: Activity) => !activity.aside && isByHand(activity) && activity.duration > 0;
const dayOf = (minute: Minute) => Math.floor(minute / DAY);

/** Days on which somebody works. */
export function visitsOf({ activities }: Network, starts: Readonly<Record<string, Minute>>): number {
  return new Set(activities.filter(byHand).map(({ id }) => dayOf(starts[id]!))).size;
}

/** Moves starts to later ones, everything else giving way in the order it has. */
class Mover {
  private readonly fits;
  private readonly ends: { from: number; to: number; lag: Network["lags"][number] }[];
  /** on each resource, who goes before whom */
  private readonly orders: [number, number][] = [];
  /** who comes right behind an activity on some resource, and the waits it has part in */
  private readonly behind: number[][];
  private readonly about: Mover["ends"][];
  private readonly duration: number[];
  private readonly latest: number[];

  constructor(
    network: Network,
    starts: readonly Minute[],
    private readonly makespan: Minute,
  ) {
    const { activities, lags, capacity } = network;
    const place = new Map(activities.map(({ id }, index) => [id, index]));
    this.fits = fitsOf(network);
    this.duration = activities.map((activity) => activity.duration);
    this.latest = activities.map(latestOf);
    this.ends = lags.map((lag) => ({ from: place.get(lag.from)!, to: place.get(lag.to)!, lag }));
    this.behind = activities.map(() => []);
    this.about = activities.map(() => []);
    for (const end of this.ends) {
      this.about[end.from]!.push(end);
      this.about[end.to]!.push(end);
    }
    for (const name of Object.keys(capacity)) {
      const users = activities.flatMap((activity, index) =>
        (activity.uses[name] ?? 0) > 0 && activity.duration > 0 ? [index] : [],
      );
      users.sort((a, b) => starts[a]! - starts[b]! || a - b);
      users.forEach((user, index) => {
        const end = starts[user]! + this.duration[user]!;
        // a start that only comes after the next one need not be pushed
        let told = Number.POSITIVE_INFINITY;
        for (let at = index + 1; at < users.length && starts[users[at]!]! < told; at++) {
          const two = users[at]!;
          if (starts[two]! < end) continue;
          this.orders.push([user, two]);
          this.behind[user]!.push(two);
          told = Math.min(told, starts[two]! + this.duration[two]!);
        }
      });
    }
  }

  /** The starts with some of them no earlier than asked; null where something would end, or have to begin, too late. */
  later(starts: readonly Minute[], notBefore: ReadonlyMap<number, Minute>): Minute[] | null {
    const moved = [...starts];
    let stuck = false;
    const push = (at: number, to: Minute): boolean => {
      if (to <= moved[at]!) return false;
      const fit = this.fits[at]!;
      const start = fit === null ? to : fit.next(to);
      if (start > this.latest[at]! || start + this.duration[at]! > this.makespan) stuck = true;
      moved[at] = start;
      return true;
    };
    for (const [at, to] of notBefore) push(at, to);
    for (let round = 0, more = !stuck; more && !stuck; round++) {
      if (round > MOST_ROUNDS) return null;
      more = false;
      for (const [one, two] of this.orders) more = push(two, moved[one]! + this.duration[one]!) || more;
      for (const { from, to, lag } of this.ends) {
        const finish = moved[from]! + this.duration[from]!;
        more = push(to, lag.varies ? lag.varies.opens(finish) : finish + lag.min) || more;
        if (lag.max === null) continue;
        const needed = lag.varies?.shuts ? lag.varies.shutsBack(moved[to]!) : moved[to]! - lag.max;
        more = push(from, needed - this.duration[from]!) || more;
      }
    }
    return stuck ? null : moved;
  }

  /** The latest start of one, up to what is asked, while all others stay where they are and it stays on its day. */
  towards(at: number, asked: Minute, starts: readonly Minute[]): Minute {
    const own = this.duration[at]!;
    let bound = Math.min(asked, this.latest[at]!, this.makespan - own, (dayOf(starts[at]!) + 1) * DAY - 1);
    for (const two of this.behind[at]!) bound = Math.min(bound, starts[two]! - own);
    for (const { from, to, lag } of this.about[at]!) {
      if (from === at)
        bound = Math.min(bound, (lag.varies ? lag.varies.opensBack(starts[to]!) : starts[to]! - lag.min) - own);
      else if (lag.max !== null) {
        const finish = starts[from]! + this.duration[from]!;
        bound = Math.min(bound, lag.varies?.shuts ? lag.varies.shuts(finish) : finish + lag.max);
      }
    }
    const fit = this.fits[at]!;
    return Math.max(starts[at]!, fit === null ? bound : fit.previous(bound));
  }
}

/** Work of a day moves to the next day there is work anyway, if that leaves a day free. */
function fewerDays(network: Network, mover: Mover, first: Minute[], latest: readonly Minute[]): Minute[] {
  const hands = network.activities.flatMap((activity, index) => (byHand(activity) ? [index] : []));
  let starts = first;
  const daysOf = (of: readonly Minute[]) => [...new Set(hands.map((at) => dayOf(of[at]!)))].sort((a, b) => a - b);
  const workOf = (day: number) =>
    hands.reduce((sum, index) => sum + (dayOf(starts[index]!) === day ? network.activities[index]!.duration : 0), 0);
  const emptiest = daysOf(starts)
    .map((day) => ({ day, work: workOf(day) }))
    .sort((a, b) => a.work - b.work);
  for (const { day } of emptiest.slice(0, MOST_DAYS)) {
    const days = daysOf(starts);
    const next = days[days.indexOf(day) + 1];
    if (!days.includes(day) || next === undefined) continue;
    const asked = hands.filter((at) => dayOf(starts[at]!) === day).map((at) => [at, next * DAY] as const);
    if (asked.some(([at]) => latest[at]! < next * DAY)) continue;
    const moved = mover.later(starts, new Map(asked));
    if (moved && daysOf(moved).length < days.length) starts = moved;
  }
  return starts;
}

/** Where a window shuts, what opens it moves towards what has to be done in it, everything else staying: more room before the gate. */
function roomInWindows(network: Network, mover: Mover, first: Minute[]): Minute[] {
  const place = new Map(network.activities.map(({ id }, index) => [id, index]));
  const starts = [...first];
  for (const lag of network.lags) {
    if (lag.max === null || lag.max <= lag.min) continue;
    const from = place.get(lag.from)!;
    const to = place.get(lag.to)!;
    const ideal =
      (lag.varies ? lag.varies.opensBack(starts[to]!) : starts[to]! - lag.min) - network.activities[from]!.duration;
    if (ideal > starts[from]!) starts[from] = mover.towards(from, ideal, starts);
  }
  return starts;
}

/**
 * The same finish with fewer days of work, and more room in the windows that shut. Waits, windows, due dates and the
 * order on every resource are kept. `latest` is how late each could begin, to leave out what cannot move. If nothing
 * can be gained the starts come back unchanged.
 */
export function tidied(
  network: Network,
  starts: Readonly<Record<string, Minute>>,
  latest: Readonly<Record<string, Minute>>,
): Record<string, Minute> {
  const { activities } = network;
  if (activities.length > MOST_ACTIVITIES) return { ...starts };
  const before = activities.map(({ id }) => starts[id]!);
  const makespan = before.reduce((last, start, index) => Math.max(last, start + activities[index]!.duration), 0);
  const mover = new Mover(network, before, makespan);
  const fewer = fewerDays(
    network,
    mover,
    before,
    activities.map(({ id }) => latest[id]!),
  );
  const roomy = roomInWindows(network, mover, fewer);
  return Object.fromEntries(activities.map(({ id }, index) => [id, roomy[index]!]));
}
