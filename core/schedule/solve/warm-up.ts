import { DAY } from "../../units/units.ts";
import type { Stretch } from "./network.ts";
import { NetworkFile, networkFrom } from "./network-file.ts";
import { Random } from "./random.ts";
import { solve } from "./solve.ts";

/** How many activities in which hours, and for how many milliseconds. */
const EXAMPLES: readonly { count: number; hours: readonly Stretch[]; budget: number }[] = [
  { count: 45, hours: [[1140, 1290]], budget: 120 },
  {
    count: 220,
    hours: [
      [540, 630],
      [660, 720],
      [810, 900],
    ],
    budget: 250,
  },
  {
    count: 240,
    hours: [
      [540, 750],
      [810, 1050],
    ],
    budget: 250,
  },
  {
    count: 60,
    hours: [
      [540, 750],
      [810, 1050],
    ],
    budget: 150,
  },
];

/** Zones of five coats, with waits of minutes, hours and a night. */
function example(count: number, hours: readonly Stretch[]): NetworkFile {
  const random = new Random(count);
  const activities: NetworkFile["activities"] = [];
  const lags: NetworkFile["lags"] = [];
  for (let at = 0; at < count; at++) {
    activities.push({ id: `${at}`, duration: 10 + 5 * random.below(6), uses: { painter: 1 } });
    const from = `${at - 1}`;
    const to = `${at}`;
    if (at % 5 === 1) lags.push({ from, to, min: 60 + 10 * random.below(18), max: null });
    if (at % 5 === 2) lags.push({ from, to, min: 5, max: 20 });
    if (at % 5 === 3) lags.push({ from, to, min: 300 + 10 * random.below(90), max: null });
    if (at % 5 === 4) lags.push({ from, to, min: 0, max: 60 });
  }
  const calendar = Array.from({ length: 2 * count }, (_, day) =>
    day % 7 > 4 ? [] : hours.map(([from, to]): [number, number] => [day * DAY + from, day * DAY + to]),
  ).flat();
  return { name: "warm-up", calendar, capacity: { painter: 1 }, activities, lags };
}

/**
 * Solves a few invented networks, so that the code is compiled by the time that counts. They are read as files are, so
 * that what is compiled is for what comes of reading files.
 */
export function warmUp(now: () => number) {
  for (const { count, hours, budget } of EXAMPLES) {
    const file = NetworkFile.parse(JSON.parse(JSON.stringify(example(count, hours))));
    solve(networkFrom(file), { budget, now });
  }
}
