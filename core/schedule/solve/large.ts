import { FAR, fitsOf, type Minute, type Network, PAINTER, Workload } from "./problem.ts";
import { Random } from "./random.ts";
import { Cutter, type Part } from "./repack.ts";
import { Serial } from "./serial.ts";

export interface LargeOptions {
  until: number;
  now: () => number;
  seed: number;
  /** a schedule of a small part: shorter than the known one, or where none is known the first there is; null where none was found */
  solvePart: (
    part: Part,
    budget: number,
    known: Readonly<Record<string, Minute>> | null,
  ) => { makespan: Minute; starts: Record<string, Minute> } | null;
  /** called with every better schedule; false cancels */
  onBetter: (starts: Int32Array, makespan: Minute) => boolean;
}

export interface LargeAnswer {
  starts: Int32Array | null;
  makespan: Minute;
  bound: Minute;
}

/** Windows that are packed again at a time, and how many activities at most they may hold. */
const WINDOWS = 3;
const MOST = 23;
const PART_BUDGET = 8;
const MOST_PLACES = 14;
const PATIENCE = [0.05, 0.1, 0.02, 0.3];
/** Beyond this size packing again gains too little for its time. */
const MOST_PACKED = 2000;

/** No schedule ends earlier: the longest way through the waits, window by window, and the work with what comes after it. */
function boundOf(network: Network, serial: Serial): Minute {
  const { activities, calendars, capacity } = network;
  let bound = serial.longestWay();
  const painters = activities.flatMap((one, at) => ((one.uses[PAINTER] ?? 0) > 0 ? [at] : []));
  if (calendars.length !== 1 || painters.length === 0) return bound;
  const hands = capacity[PAINTER]!;
  const workload = new Workload(calendars[0]!, hands === 1 ? painters.map((at) => activities[at]!.duration) : []);
  const after = (at: number) => serial.tails[at]! - activities[at]!.duration;
  painters.sort((one, two) => after(two) - after(one));
  let work = 0;
  for (const at of painters) {
    work += activities[at]!.duration * activities[at]!.uses[PAINTER]!;
    let low = 0;
    let high = calendars[0]!.at(-1)?.[1] ?? 0;
    while (low < high) {
      const middle = Math.floor((low + high) / 2);
      if (workload.until(middle) * hands >= work) high = middle;
      else low = middle + 1;
    }
    bound = Math.max(bound, low + after(at));
  }
  return bound;
}

/**
 * Good schedules of networks too large to decide pair by pair: placed in turn, then packed again a few windows at a
 * time.
 */
export function solveLarge(network: Network, options: LargeOptions): LargeAnswer {
  const serial = new Serial(network, fitsOf(network));
  const answer: LargeAnswer = { starts: null, makespan: FAR, bound: boundOf(network, serial) };
  const noise = new Random(options.seed);
  const over = () => options.now() >= options.until || answer.bound >= answer.makespan;
  let called = false;
  const keep = (starts: Int32Array, makespan: Minute) => {
    if (makespan >= answer.makespan) return;
    answer.starts = starts.slice();
    answer.makespan = makespan;
    called = !options.onBetter(answer.starts, makespan);
  };
  const packable =
    network.calendars.length === 1 && network.capacity[PAINTER] === 1 && network.activities.length <= MOST_PACKED;
  for (const [turn, patience] of PATIENCE.entries()) {
    const { starts, makespan, missed, late } = serial.run(patience, () => 0, true);
    if (missed.length + late.length === 0 && makespan < FAR) keep(starts, makespan);
    // whatever can be packed again gains more by that than by starting over
    if (called || over() || (packable && answer.starts !== null)) break;
    if (turn === 0 && missed.length > 0) break;
  }
  if (answer.starts !== null && packable) pack(network, answer, options, keep, noise, () => called || over());
  return answer;
}

type Keep = (starts: Int32Array, makespan: Minute) => void;

function pack(
  network: Network,
  answer: LargeAnswer,
  options: LargeOptions,
  keep: Keep,
  noise: Random,
  over: () => boolean,
) {
  const { activities } = network;
  const cutter = new Cutter(network);
  const starts = answer.starts!.slice();
  const makespanOf = () => activities.reduce((last, { duration }, at) => Math.max(last, starts[at]! + duration), 0);
  // with `shorter` only what ends earlier is taken; otherwise the first that holds all of the part
  const take = (part: Part | null, shorter: boolean): boolean => {
    const known =
      part && shorter ? Object.fromEntries(part.members.map((at) => [activities[at]!.id, starts[at]!])) : null;
    const found = part && options.solvePart(part, Math.min(PART_BUDGET, options.until - options.now()), known);
    if (!part || !found || (shorter && found.makespan >= part.makespan)) return false;
    for (const at of part.members) starts[at] = found.starts[activities[at]!.id]!;
    return true;
  };
  for (let sweep = 0; !over(); sweep++) {
    let better = 0;
    const windows = cutter.windowsUntil(makespanOf());
    for (let first = noise.below(2); first < windows && !over(); first += WINDOWS - 1) {
      const part = cutter.cut(starts, first, WINDOWS, MOST);
      if (take(part, true)) better++;
    }
    keep(starts, makespanOf());
    if (over()) return;
    better += bringForward(cutter, starts, makespanOf(), (part) => take(part, false), over);
    keep(starts, makespanOf());
    if (better === 0 && sweep > 1) return;
  }
}

/** Tries to find room in earlier windows for what stands in the last one. */
function bringForward(
  cutter: Cutter,
  starts: Int32Array,
  makespan: Minute,
  take: (part: Part | null) => boolean,
  over: () => boolean,
): number {
  const last = cutter.windowAt(makespan);
  if (!last) return 0;
  const before = cutter.windowsUntil(last[0]);
  const places: { first: number; idle: number }[] = [];
  for (let first = 0; first + WINDOWS <= before; first++) {
    let idle = 0;
    for (let at = first; at < first + WINDOWS; at++) idle += cutter.idle(starts, at);
    places.push({ first, idle });
  }
  places.sort((one, two) => two.idle - one.idle);
  let moved = 0;
  for (const group of cutter.endingAfter(starts, last[0])) {
    const work = cutter.handsOn(group);
    for (const { first, idle } of places.slice(0, MOST_PLACES)) {
      // the emptiest come first: from here on there is not even time enough left over
      if (idle < work) break;
      if (over()) return moved;
      if (!take(cutter.cut(starts, first, WINDOWS, MOST, group))) continue;
      moved++;
      break;
    }
  }
  return moved;
}
