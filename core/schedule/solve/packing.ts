import type { Minutes } from "../../units/units.ts";
import { isByHand, type Network, PAINTER, type Stretch } from "./network.ts";
import { fillings, LONGEST_FILLED, type Load, Room } from "./room.ts";

/** What is worked on without a break in between, as far as windows go: it shares a window, or is a single activity. */
interface Piece {
  members: number[];
  length: Minutes;
  /** pairs of hands it takes */
  hands: number;
}

/** Work of one length, and how much of it there is. */
interface Sort {
  length: Minutes;
  many: number;
}

/** Prices are found in this many rounds; each packs every window once for the dearest load. */
const ROUNDS = 60;
const FIRST_STEP = 0.5;
/** Whole numbers weigh: the dearest piece this much. */
const DEAREST = 20_000;

function painterWindows({ calendars, activities, capacity }: Network): readonly Stretch[] | null {
  const painters = activities.filter(({ uses }) => (uses[PAINTER] ?? 0) > 0);
  if (painters.length === 0 || (capacity[PAINTER] ?? 0) < 1) return null;
  if (painters.some((painter) => painter.anyHour || painter.ways || !isByHand(painter))) return null;
  const kept = new Set(painters.map(({ calendar }) => calendar ?? 0));
  return kept.size === 1 ? calendars[[...kept][0]!]! : null;
}

/** Activities that have to share a window, because the wait between them is shorter than any break, as one piece. */
function piecesOf(network: Network, windows: readonly Stretch[]): Piece[] {
  const { activities, lags, capacity } = network;
  const handsOf = (at: number) => activities[at]!.uses[PAINTER] ?? 0;
  const parent = activities.map((_, index) => index);
  const root = (at: number): number => {
    let top = at;
    while (parent[top] !== top) top = parent[top]!;
    return top;
  };
  const gaps = new Map<number, Minutes>();
  if (capacity[PAINTER] === 1) {
    let shortestBreak = Number.POSITIVE_INFINITY;
    for (let at = 1; at < windows.length; at++)
      shortestBreak = Math.min(shortestBreak, windows[at]![0] - windows[at - 1]![1]);
    let shortest = Number.POSITIVE_INFINITY;
    activities.forEach(({ duration }, index) => {
      if (handsOf(index) > 0) shortest = Math.min(shortest, duration);
    });
    const place = new Map(activities.map(({ id }, index) => [id, index]));
    for (const { from, to, min, max } of lags) {
      if (max === null || max >= shortestBreak || min < 0) continue;
      const one = place.get(from)!;
      const two = place.get(to)!;
      if (handsOf(one) === 0 || handsOf(two) === 0 || root(one) === root(two)) continue;
      parent[root(two)] = root(one);
      // too short for anything else: the wait is time taken
      if (max < shortest && min > 0) gaps.set(two, min);
    }
  }
  const pieces = new Map<number, Piece>();
  activities.forEach(({ duration }, index) => {
    if (handsOf(index) === 0 || duration === 0) return;
    const piece = pieces.get(root(index)) ?? { members: [], length: 0, hands: handsOf(index) };
    piece.members.push(index);
    piece.length += duration + (gaps.get(index) ?? 0);
    pieces.set(root(index), piece);
  });
  return [...pieces.values()];
}

/** The dearest filling of stretches of each length, and how many of each sort a stretch takes for it. */
class Filler {
  private readonly rows: { sort: number; many: number; length: Minutes }[] = [];
  private readonly taken: Uint8Array;
  readonly best: Float64Array;

  constructor(
    sorts: readonly Sort[],
    private readonly longest: Minutes,
  ) {
    sorts.forEach(({ length, many }, sort) => {
      let left = Math.min(many, Math.floor(longest / length));
      for (let part = 1; left > 0; part *= 2) {
        const take = Math.min(part, left);
        this.rows.push({ sort, many: take, length: take * length });
        left -= take;
      }
    });
    this.taken = new Uint8Array(this.rows.length * (longest + 1));
    this.best = new Float64Array(longest + 1);
  }

  fill(prices: ArrayLike<number>) {
    const { rows, taken, best, longest } = this;
    best.fill(0);
    taken.fill(0);
    for (let row = 0; row < rows.length; row++) {
      const { sort, many, length } = rows[row]!;
      const price = many * prices[sort]!;
      const base = row * (longest + 1);
      for (let room = longest; room >= length; room--) {
        const with_ = best[room - length]! + price;
        if (with_ <= best[room]!) continue;
        best[room] = with_;
        taken[base + room] = 1;
      }
    }
  }

  /** Adds what the dearest filling of such a stretch takes of each sort, so many times over. */
  countInto(counts: Float64Array, room: Minutes, times: number) {
    let left = room;
    for (let row = this.rows.length - 1; row >= 0; row--) {
      if (!this.taken[row * (this.longest + 1) + left]) continue;
      const { sort, many, length } = this.rows[row]!;
      counts[sort]! += many * times;
      left -= length;
    }
  }
}

/**
 * Prices at which the work is worth more than the windows can take, or nearly: the dual of packing whole pieces into
 * windows, climbed towards by making dearer what the dearest fillings leave over (after the published column
 * generation for cutting stock, with multiplied weights in place of a linear program). The windows are counted up until
 * the prices found no longer show that they are too few.
 */
function pricesOf(sorts: readonly Sort[], windows: readonly Stretch[], hands: number, longest: Minutes): Float64Array {
  const filler = new Filler(sorts, longest);
  const needed = sorts.reduce((sum, { length, many }) => sum + length * many, 0);
  let best = Float64Array.from(sorts, ({ length }) => length);
  let prices = best.slice();
  const lengths = new Map<Minutes, number>();
  let room = 0;
  let last = 0;
  const add = () => {
    const [from, to] = windows[last++]!;
    lengths.set(to - from, (lengths.get(to - from) ?? 0) + hands);
    room += hands * (to - from);
  };
  while (last < windows.length && room < needed) add();
  for (let round = 0; round < ROUNDS; round++) {
    filler.fill(prices);
    const counts = new Float64Array(sorts.length);
    let worth = 0;
    let holds = 0;
    for (const [length, times] of lengths) {
      holds += times * filler.best[length]!;
      filler.countInto(counts, length, times);
    }
    sorts.forEach(({ many }, sort) => {
      worth += many * prices[sort]!;
    });
    if (worth > holds * (1 + 1e-6)) {
      // these windows are too few: look whether one more is
      best = prices.slice();
      if (last === windows.length) break;
      add();
      round = 0;
      continue;
    }
    const step = FIRST_STEP / (1 + round / 6);
    prices = prices.map((price, sort) => {
      const { many } = sorts[sort]!;
      return price * Math.exp((step * (many - counts[sort]!)) / Math.max(many, counts[sort]!));
    });
  }
  return best;
}

const rooms = new WeakMap<readonly Stretch[], Map<string, Room>>();
const MOST_KEPT = 40;

/** The room of windows for work of these lengths; the same question comes up again and again while a clash is looked for. */
function roomOf(windows: readonly Stretch[], durations: readonly Minutes[] | null, hands: number): Room {
  const kept = rooms.get(windows) ?? new Map<string, Room>();
  rooms.set(windows, kept);
  const key = `${hands}:${durations === null ? "" : [...durations].sort((a, b) => a - b).join()}`;
  const known = kept.get(key);
  if (known) return known;
  if (kept.size >= MOST_KEPT) kept.clear();
  const room = new Room(windows, durations && fillings(durations, longestOf(windows)), hands);
  kept.set(key, room);
  return room;
}

const longestOf = (windows: readonly Stretch[]): Minutes =>
  windows.reduce((most, [from, to]) => Math.max(most, to - from), 0);

/** The hands-on work of a network by its minutes, in windows filled as well as whole activities fill them; none where hands or hours differ. */
export function loadsOf(network: Network): Load[] {
  const windows = painterWindows(network);
  if (windows === null) return [];
  const { activities, capacity } = network;
  const work = activities.flatMap(({ duration, uses }, index) =>
    duration > 0 && (uses[PAINTER] ?? 0) > 0 ? [{ at: index, duration, hands: uses[PAINTER]! }] : [],
  );
  const fills = longestOf(windows) <= LONGEST_FILLED;
  return [
    {
      pieces: work.map(({ at }) => [at]),
      weight: Int32Array.from(work, ({ duration, hands }) => hands * duration),
      room: roomOf(windows, fills ? work.map(({ duration }) => duration) : null, capacity[PAINTER]!),
    },
  ];
}

/** The same by prices that show how badly whole pieces pack into the windows; null where that shows nothing more. */
export function pricedLoadOf(network: Network): Load | null {
  const windows = painterWindows(network);
  if (windows === null) return null;
  const longest = longestOf(windows);
  const pieces = piecesOf(network, windows);
  if (longest > LONGEST_FILLED || pieces.some(({ length, hands }) => length > longest || hands > 1)) return null;
  const sorts: Sort[] = [];
  const sortOf = new Map<Minutes, number>();
  for (const { length } of pieces) {
    const sort = sortOf.get(length) ?? sorts.push({ length, many: 0 }) - 1;
    sortOf.set(length, sort);
    sorts[sort]!.many++;
  }
  const hands = network.capacity[PAINTER]!;
  const prices = pricesOf(sorts, windows, hands, longest);
  const dearest = Math.max(...prices);
  const whole = Int32Array.from(prices, (price) => Math.round((price * DEAREST) / dearest));
  const filler = new Filler(sorts, longest);
  filler.fill(whole);
  return {
    pieces: pieces.map(({ members }) => members),
    weight: Int32Array.from(pieces, ({ length }) => whole[sortOf.get(length)!]!),
    room: new Room(windows, Int32Array.from(filler.best), hands),
  };
}
