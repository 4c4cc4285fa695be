import type { Minutes } from "../../units/units.ts";
import type { Activity, Lag, Minute, Network, Stretch } from "./network.ts";

/** A span of a schedule as a network of its own: what lies entirely in it is free, all the rest is fixed. */
export interface Part {
  network: Network;
  /** numbers of the free activities in the whole */
  members: number[];
  makespan: Minute;
}

/** What is left of windows when some of their time is taken. */
function without(windows: readonly Stretch[], taken: readonly Stretch[]): Stretch[] {
  const left: Stretch[] = [];
  for (const [from, to] of windows) {
    let at = from;
    for (const [begins, ends] of taken) {
      if (ends <= at || begins >= to) continue;
      if (begins > at) left.push([at, begins]);
      at = Math.max(at, ends);
    }
    if (at < to) left.push([at, to]);
  }
  return left;
}

/** For networks of one calendar and one painter: cuts schedules into parts that can be packed again. */
export class Cutter {
  private readonly place: Map<string, number>;
  /** activities that maximum waits tie together move together */
  private readonly group: Int32Array;
  private readonly lagsOf: Lag[][];
  private readonly windows: readonly Stretch[];

  constructor(private readonly network: Network) {
    const { activities, lags, calendars } = network;
    this.windows = calendars[0]!;
    this.place = new Map(activities.map(({ id }, index) => [id, index]));
    this.group = Int32Array.from(activities, (_, index) => index);
    this.lagsOf = activities.map(() => []);
    for (const lag of lags) {
      const from = this.place.get(lag.from)!;
      const to = this.place.get(lag.to)!;
      this.lagsOf[from]!.push(lag);
      this.lagsOf[to]!.push(lag);
      if (lag.max !== null) this.join(from, to);
    }
    activities.forEach((_, index) => {
      this.group[index] = this.root(index);
    });
  }

  private root(at: number): number {
    let top = at;
    while (this.group[top] !== top) top = this.group[top]!;
    return top;
  }

  private join(a: number, b: number) {
    this.group[this.root(a)] = this.root(b);
  }

  /** How many windows are worked in up to a finish. */
  windowsUntil(makespan: Minute): number {
    return this.windows.filter(([from]) => from < makespan).length;
  }

  /** Minutes of work that some activities take. */
  handsOn(members: readonly number[]): Minutes {
    const { activities } = this.network;
    return members.reduce(
      (sum, index) => sum + ((activities[index]!.uses.painter ?? 0) > 0 ? activities[index]!.duration : 0),
      0,
    );
  }

  /** Minutes of a window in which nobody works. */
  idle(starts: Int32Array, window: number): Minutes {
    const [from, to] = this.windows[window]!;
    let left = to - from;
    this.network.activities.forEach(({ duration, uses }, index) => {
      if ((uses.painter ?? 0) > 0 && starts[index]! >= from && starts[index]! < to) left -= duration;
    });
    return left;
  }

  /** Groups with something that ends after a minute, each as its activities. */
  endingAfter(starts: Int32Array, minute: Minute): number[][] {
    const groups = new Map<number, number[]>();
    const late = new Set<number>();
    this.network.activities.forEach(({ duration }, index) => {
      const group = this.group[index]!;
      groups.set(group, [...(groups.get(group) ?? []), index]);
      if (starts[index]! + duration > minute) late.add(group);
    });
    return [...late].map((group) => groups.get(group)!);
  }

  /** Activities that move together, each group in the order in which it began in the network. */
  groups(): number[][] {
    const groups = new Map<number, number[]>();
    this.network.activities.forEach((_, index) => {
      const group = groups.get(this.group[index]!) ?? [];
      groups.set(this.group[index]!, group);
      group.push(index);
    });
    return [...groups.values()];
  }

  window(at: number): Stretch {
    return this.windows[at]!;
  }

  windowAt(minute: Minute): Stretch | undefined {
    return this.windows.find(([, to]) => to >= minute);
  }

  /**
   * The part that lies whole in some windows, and some that is brought there from elsewhere; null where there is too little or
   * too much of it.
   */
  cut(starts: Int32Array, first: number, many: number, most: number, brought: readonly number[] = []): Part | null {
    const { activities } = this.network;
    const inside = this.windows.slice(first, first + many);
    if (inside.length === 0) return null;
    const begins = inside[0]![0];
    const ends = inside.at(-1)![1];
    const apart = new Set<number>();
    activities.forEach(({ duration }, index) => {
      if (starts[index]! < begins || starts[index]! + duration > ends) apart.add(this.group[index]!);
    });
    for (const at of brought) apart.delete(this.group[at]!);
    const members: number[] = [];
    const taken: Stretch[] = [];
    activities.forEach(({ duration, uses }, index) => {
      if (!apart.has(this.group[index]!)) members.push(index);
      else if ((uses.painter ?? 0) > 0 && starts[index]! < ends && starts[index]! + duration > begins)
        taken.push([starts[index]!, starts[index]! + duration]);
    });
    if (members.length < 3 || members.length > most) return null;
    taken.sort((a, b) => a[0] - b[0]);
    const free = new Set(members);
    const bounds = new Map(members.map((at) => [at, { earliest: begins, latest: ends - activities[at]!.duration }]));
    const lags: Lag[] = [];
    for (const at of members)
      for (const lag of this.lagsOf[at]!) {
        const from = this.place.get(lag.from)!;
        const to = this.place.get(lag.to)!;
        if (free.has(from) && free.has(to)) {
          if (from === at) lags.push(lag);
          continue;
        }
        const bound = bounds.get(at)!;
        if (to === at) {
          const finish = starts[from]! + activities[from]!.duration;
          bound.earliest = Math.max(bound.earliest, lag.varies ? lag.varies.opens(finish) : finish + lag.min);
        } else {
          const latest = lag.varies ? lag.varies.opensBack(starts[to]!) : starts[to]! - lag.min;
          bound.latest = Math.min(bound.latest, latest - activities[from]!.duration);
        }
      }
    let makespan = 0;
    for (const at of members) makespan = Math.max(makespan, starts[at]! + activities[at]!.duration);
    return {
      members,
      makespan,
      network: {
        name: this.network.name,
        calendars: [without(inside, taken)],
        capacity: this.network.capacity,
        activities: members.map((at): Activity => {
          const { earliest, latest } = bounds.get(at)!;
          const own = activities[at]!;
          return {
            ...own,
            earliest: Math.max(earliest, own.earliest ?? 0),
            latest: Math.min(latest, own.latest ?? latest),
          };
        }),
        lags,
      },
    };
  }
}
