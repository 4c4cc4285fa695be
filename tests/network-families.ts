import type { Activity, Lag, Network, Stretch } from "#core/schedule/solve/network";
import { Random } from "#core/schedule/solve/random";

/**
 * Networks of the families that the ones with known answers are from, as many as are wanted: zones, each a chain of the
 * trade's techniques, over the hours of shops that differ. Equal seeds give equal networks.
 */

interface Family {
  zones: number;
  /** steps in all, shared out among the zones */
  steps: number;
  calendar: CalendarName;
  painters: number;
  /** drying of hours that fits in a day, or through the night as well */
  drying: "short" | "long";
  /** a piece is turned over in between, and put back together at the end */
  turned: boolean;
  seed: number;
}

export type CalendarName = "full" | "short" | "evening" | "naps" | "parttime" | "odd" | "unbroken";
export const CALENDARS: readonly CalendarName[] = ["full", "short", "evening", "naps", "parttime", "odd", "unbroken"];

const DAY = 1440;
const HOURS: Record<CalendarName, (random: Random, weekday: number) => Stretch[]> = {
  full: () => [
    [540, 750],
    [810, 1050],
  ],
  short: (_, weekday) => {
    if (weekday === 4)
      return [
        [480, 720],
        [750, 870],
      ];
    return weekday === 2
      ? [[540, 750]]
      : [
          [540, 750],
          [810, 1050],
        ];
  },
  evening: (_, weekday) => [weekday === 4 ? [1110, 1290] : [1140, 1290]],
  naps: () => [
    [540, 630],
    [660, 720],
    [810, 900],
    [1200, 1290],
  ],
  parttime: (_, weekday) => {
    if (weekday === 0)
      return [
        [540, 750],
        [810, 960],
      ];
    if (weekday === 1) return [[780, 1020]];
    return weekday === 3 ? [[600, 780]] : [];
  },
  odd: (random) => {
    if (random.below(4) === 0) return [];
    const from = 480 + 10 * random.below(18);
    const to = from + 10 * (13 + random.below(12));
    return random.below(2) === 0
      ? [[from, to]]
      : [
          [from, to],
          [to + 55, to + 55 + 10 * (11 + random.below(10))],
        ];
  },
  unbroken: (_, weekday) => [weekday === 4 ? [540, 720] : [540, 1020]],
};

function calendarOf(name: CalendarName, days: number, random: Random): Stretch[] {
  const windows: Stretch[] = [];
  for (let day = 0; day < days; day++) {
    const weekday = day % 7;
    if (weekday >= 5) continue;
    for (const [from, to] of HOURS[name](random, weekday)) windows.push([day * DAY + from, day * DAY + to]);
  }
  return windows;
}

type Range = readonly [number, number];
interface Step {
  name: string;
  takes: Range;
  /** the wait after it, to the next step of the same technique */
  min?: Range;
  max?: Range;
  passive?: boolean;
}

const open = { min: [0, 0] as Range };
/** Waits after a coat of paint, a ground and what is dry the next day, by how slowly it all dries. */
const techniques = (drying: Family["drying"]): readonly (readonly Step[])[] => {
  const long = drying === "long";
  const coat: Range = long ? [60, 240] : [60, 240];
  const night: Range = long ? [700, 1320] : [60, 240];
  return [
    [
      { name: "ground", takes: [20, 60], min: long ? [300, 660] : coat },
      { name: "glazed", takes: [10, 30], min: [0, 0], max: [0, 10] },
      { name: "vein", takes: [20, 45], min: [0, 5], max: [10, 10] },
      { name: "soften", takes: [5, 25], min: long ? [1900, 2900] : [120, 240] },
      { name: "varnish", takes: [15, 35] },
    ],
    [
      { name: "bole", takes: [10, 45], min: [80, 160] },
      { name: "size", takes: [10, 30], min: [60, 150], max: [120, long ? 890 : 230] },
      { name: "leaf", takes: [35, 110], min: long ? [720, 1440] : [80, 200] },
      { name: "burnish", takes: [15, 50] },
    ],
    [
      { name: "stripper", takes: [10, 30], min: [20, 20], max: [25, 40] },
      { name: "scrape", takes: [30, 90], min: [0, 0], max: [5, 30] },
      { name: "neutral", takes: [10, 20], min: long ? [1490, 2830] : [65, 190] },
      { name: "prime", takes: [15, 45] },
    ],
    [
      { name: "base", takes: [20, 70], min: [60, 240] },
      { name: "glaze", takes: [10, 25], min: [5, 5], max: [10, 20] },
      {
        name: "wipe",
        takes: [5, 15],
        min: long ? [745, 1310] : [140, 240],
        ...(long ? {} : { max: [1400, 1440] as Range }),
      },
      { name: "top", takes: [20, 45] },
    ],
    [
      { name: "clean", takes: [15, 60], min: [5, 30] },
      { name: "coat1", takes: [15, 60], min: [40, 120] },
      { name: "coat2", takes: [15, 60], min: night },
      { name: "wax", takes: [10, 30], min: [10, 10], max: [15, 15] },
      { name: "buff", takes: [5, 25] },
    ],
    [
      { name: "raise", takes: [5, 15], min: [60, 60] },
      { name: "sand", takes: [15, 40], ...open },
      { name: "stain", takes: [10, 40], min: [5, 5], max: [10, 15] },
      {
        name: "wipe",
        takes: [5, 15],
        min: long ? [700, 1330] : [45, 120],
        ...(long ? {} : { max: [180, 360] as Range }),
      },
      { name: "oil", takes: [10, 35], min: [10, 10], max: [15, 20] },
      { name: "rub", takes: [10, 20] },
    ],
    [
      { name: "base", takes: [20, 70], min: [60, 240] },
      { name: "medium", takes: [10, 30], min: [10, 10], max: [20, 60] },
      { name: "crackle", takes: [10, 35], min: long ? [765, 1070] : [100, 185] },
      { name: "seal", takes: [15, 40] },
    ],
    [
      { name: "mark", takes: [15, 45], ...open },
      { name: "st1", takes: [20, 80], min: [30, 60] },
      { name: "st2", takes: [20, 75], min: long ? [750, 1390] : [60, 200], max: [4320, 4320] },
      { name: "seal", takes: [15, 35] },
    ],
    [
      { name: "sand", takes: [20, 40], min: [0, 0], max: [240, 240] },
      { name: "v1", takes: [15, 40], min: [340, 400], max: [2240, 2750] },
      { name: "v2", takes: [15, 40], min: [340, 400], max: [2240, 2750] },
      { name: "v3", takes: [15, 40] },
    ],
    [
      { name: "glue", takes: [15, 35], min: [0, 0], max: [0, 0] },
      { name: "clamp", takes: [120, 260], ...open, passive: true },
      { name: "clean", takes: [10, 20], ...open },
      { name: "prime", takes: [15, 40] },
    ],
  ];
};

/** Whether what has to be done in one go, by the longest it may take, fits into a window of this length. */
function fitsInto(window: number, chain: readonly Step[]): boolean {
  let together = 0;
  for (const { takes, min, max, passive } of chain) {
    together += passive ? 0 : takes[1];
    if (together > window) return false;
    if (max && max[1] < DAY / 2) together += max[0] > 60 ? max[0] : (min?.[1] ?? 0);
    else together = 0;
  }
  return true;
}

/** A network of a family; what fits in none of its windows is shortened to fit. */
export function networkOfFamily({ zones, steps, calendar, painters, drying, turned, seed }: Family): Network {
  const random = new Random(seed);
  const five = ([from, to]: Range) => 5 * Math.round((from + random.next() * (to - from)) / 5);
  const days = Math.max(46, Math.ceil(steps * (drying === "long" ? 1.5 : 0.8)));
  const windows = calendarOf(calendar, calendar === "evening" || calendar === "parttime" ? 2 * days : days, random);
  const longest = Math.max(...windows.map(([from, to]) => to - from));
  const activities: Activity[] = [];
  const lags: Lag[] = [];
  const known = techniques(drying).filter((chain) => fitsInto(longest, chain));
  const firsts: string[] = [];
  const lasts: string[] = [];
  const coats: string[] = [];
  for (let zone = 1; zone <= zones; zone++) {
    const many = Math.floor(steps / zones) + (zone <= steps % zones ? 1 : 0);
    let before: { id: string; step: Step } | null = null;
    for (let at = 0, chain: Step[] = []; at < many; at++) {
      if (chain.length === 0) chain = [...known[random.below(known.length)]!];
      const step = chain.shift()!;
      const id = `z${zone}.${at + 1}.${step.name}`;
      const duration = step.passive ? five(step.takes) : Math.min(longest, five(step.takes));
      activities.push({ id, duration, uses: step.passive ? {} : { painter: 1 } });
      if (at === 0) firsts.push(id);
      if (step.name.startsWith("coat") || step.name === "base") coats.push(id);
      if (before) {
        const min = before.step.min ? five(before.step.min) : [0, 60, 120, 240, 720][random.below(5)]!;
        const max = before.step.max && before.step.min ? Math.max(min, five(before.step.max)) : null;
        lags.push({ from: before.id, to: id, min, max });
      }
      before = { id, step };
      if (at === many - 1) lasts.push(id);
    }
  }
  const half = Math.ceil(zones / 2);
  if (turned && zones > 2) {
    const waits = drying === "long" ? [240, 720, 1440] : [60, 120, 240];
    activities.push({ id: "turn", duration: 10, uses: { painter: 1 } });
    activities.push({ id: "refit", duration: 55, uses: { painter: 1 } });
    for (const last of lasts.slice(0, half))
      lags.push({ from: last, to: "turn", min: waits[random.below(3)]!, max: null });
    for (const first of firsts.slice(half)) lags.push({ from: "turn", to: first, min: 0, max: null });
    for (const last of lasts) lags.push({ from: last, to: "refit", min: waits[random.below(3)]!, max: null });
  }
  // coats of two zones of one side, laid in one go
  const zoneOf = (id: string) => Number(id.slice(1, id.indexOf(".")));
  for (let at = 0; at + 1 < coats.length; at += 6) {
    const [one, two] = [coats[at]!, coats[at + 1]!];
    if (zoneOf(one) === zoneOf(two) || zoneOf(one) <= half !== zoneOf(two) <= half) continue;
    if (random.below(2) === 0) lags.push({ from: one, to: two, min: 0, max: 60 * (1 + random.below(2)) });
  }
  return {
    name: `${zones}×${steps}-${calendar}${painters > 1 ? `-${painters}p` : ""}-${drying}-${seed}`,
    calendars: [windows],
    capacity: { painter: painters },
    activities,
    lags,
  };
}

/** So many networks of about these many steps: all hours by turns, short and long drying, one painter or two. */
export function networksOf(most: number, least: number, many: number, seed = 1): Network[] {
  return Array.from({ length: many }, (_, index) => {
    const random = new Random(seed * 7919 + index);
    const steps = least + random.below(most - least + 1);
    const perZone = [2.3, 3.4, 5, 9][random.below(4)]!;
    return networkOfFamily({
      steps,
      zones: Math.max(1, Math.round(steps / perZone)),
      calendar: CALENDARS[index % CALENDARS.length]!,
      painters: index % 5 === 4 ? 2 : 1,
      drying: random.below(2) === 0 ? "short" : "long",
      turned: random.below(3) > 0,
      seed: seed * 100_003 + index,
    });
  });
}
