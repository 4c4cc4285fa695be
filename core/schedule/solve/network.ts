import type { Minutes } from "../../units/units.ts";

/** Minutes from the network's zero, whole. */
export type Minute = number;

/** A wait whose ends depend on when it begins: both functions never fall, and each has its inverse. */
export interface VaryingLag {
  /** the earliest start of the later activity, when the earlier ends at this minute */
  opens(finish: Minute): Minute;
  /** the latest finish of the earlier activity that still lets the later start at this minute */
  opensBack(start: Minute): Minute;
  /** the latest start of the later activity; null where it never shuts */
  shuts: ((finish: Minute) => Minute) | null;
  /** the earliest finish of the earlier activity for a start at this minute */
  shutsBack(start: Minute): Minute;
}

/** One of several pairs of hands that could do something, with the hours they keep. */
export interface Way {
  uses: Readonly<Record<string, number>>;
  calendar: number;
}

export interface Activity {
  id: string;
  duration: Minutes;
  /** resources held while it runs */
  uses: Readonly<Record<string, number>>;
  /** it is done by hand: it lies entirely in one working window. What uses the painter is, without being marked */
  byHand?: boolean;
  /** which of the calendars it keeps; the first where left out */
  calendar?: number;
  /** where it does not matter who does it: whose hands and hours it can have; its own `uses` and `calendar` are the first of them */
  ways?: readonly Way[];
  /** it belongs to other work and is there already: it holds its hands, and does not count in the finish */
  aside?: boolean;
  earliest?: Minute;
  latest?: Minute;
  /** the latest start that still keeps a due date: a claim of its own, that can be given up apart from the rest */
  due?: Minute;
  /** its time is set by hand: it may lie outside the windows */
  anyHour?: boolean;
}

/** start(to) − finish(from) lies between min and max; max null for no upper bound. */
export interface Lag {
  from: string;
  to: string;
  min: Minutes;
  max: Minutes | null;
  /** where the wait hangs on its beginning: min and max are then its bounds over all beginnings */
  varies?: VaryingLag;
}

export type Stretch = readonly [from: Minute, to: Minute];

export interface Network {
  name: string;
  calendars: readonly (readonly Stretch[])[];
  capacity: Readonly<Record<string, number>>;
  activities: readonly Activity[];
  lags: readonly Lag[];
}

/** Work with the painter's hands keeps to the working windows. */
export const PAINTER = "painter";
export const isByHand = ({ byHand, uses }: Pick<Activity, "byHand" | "uses">): boolean =>
  byHand ?? (uses[PAINTER] ?? 0) > 0;
export const FAR: Minute = 100_000_000;
/** The latest start that an activity's own time and its due date leave. */
export const latestOf = ({ latest = FAR, due = FAR }: Activity): Minute => Math.min(latest, due);
/** No path between two activities. */
export const NONE = -1_000_000_000;

/** How many of these whole minutes, in order, are no later than one. */
export function countUpTo(inOrder: Int32Array, minute: Minute): number {
  let low = 0;
  let high = inOrder.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (inOrder[middle]! <= minute) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Where work of a length fits into a calendar: the first and last start in each window that is long enough. */
export class Fit {
  private readonly first: Int32Array;
  private readonly last: Int32Array;

  constructor(windows: readonly Stretch[], duration: Minutes) {
    const long = windows.filter(([from, to]) => to - from >= duration);
    this.first = Int32Array.from(long, ([from]) => from);
    this.last = Int32Array.from(long, ([, to]) => to - duration);
  }

  /** The earliest start that is no earlier; FAR past the last window. */
  next(from: Minute): Minute {
    const { first, last } = this;
    const at = countUpTo(last, Math.ceil(from) - 1);
    if (at === last.length) return FAR;
    return first[at]! > from ? first[at]! : from;
  }

  /** The latest start that is no later; −1 before the first window. */
  previous(from: Minute): Minute {
    const { first, last } = this;
    const at = countUpTo(first, from);
    if (at === 0) return -1;
    return last[at - 1]! < from ? last[at - 1]! : from;
  }
}

const fits = new WeakMap<readonly Stretch[], Map<Minutes, Fit>>();

/** Where work of a length fits into a calendar. Calendars are not changed once they are made. */
export function fitOf(windows: readonly Stretch[], duration: Minutes): Fit {
  const made = fits.get(windows) ?? new Map<Minutes, Fit>();
  fits.set(windows, made);
  const fit = made.get(duration) ?? new Fit(windows, duration);
  made.set(duration, fit);
  return fit;
}

/** Where each activity fits into its calendar; null for what runs at any time. */
export function fitsOf({ activities, calendars }: Network): (Fit | null)[] {
  return activities.map((activity) =>
    isByHand(activity) && !activity.anyHour ? fitOf(calendars[activity.calendar ?? 0]!, activity.duration) : null,
  );
}

/** The same with everything that several could do given to the hands chosen for it. */
export function handedOut(network: Network, chosen: readonly number[]): Network {
  if (!network.activities.some(({ ways }) => ways)) return network;
  const activities = network.activities.map(({ ways, ...one }, index): Activity => {
    const way = ways?.[chosen[index] ?? 0];
    return way ? { ...one, ...way } : one;
  });
  return { ...network, activities };
}
