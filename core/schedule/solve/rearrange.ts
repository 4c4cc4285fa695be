import { DAY } from "../../units/units.ts";
import { type Block, blocksOf } from "./blocks.ts";
import type { Bound } from "./bound.ts";
import { chainsOf, tailsOf } from "./chains.ts";
import { Decoder, mirrored, onlyHands } from "./decoder.ts";
import { FAR, isByHand, type Minute, type Network, type Stretch } from "./network.ts";
import { Random } from "./random.ts";

export interface RearrangeOptions {
  over: () => boolean;
  /** the earliest finish there could be */
  bound: () => Minute;
  onBetter: (starts: Int32Array, makespan: Minute) => void;
}

/** A change is taken while it is no worse than what was there so many changes ago. */
const MEMORY = 20;
/** Orders tried for a first schedule, beside the two by the longest way. */
const FIRST_TURNS = 8;
/** Every so many changes all is pushed as late as it may be, and brought forward again. */
const JUSTIFY_EVERY = 25;
/** Changes without a better finish after which the search begins again from the best. */
const PATIENCE = 3000;

/**
 * Looks for an order of the blocks that ends earlier than a schedule that is known: it aims for the last window but one,
 * and counts the work that still comes too late for it. Only for networks that need hands and nothing else.
 */
export class Rearranging {
  private readonly decoder: Decoder;
  private readonly backwards: Decoder;
  private readonly duration: Int32Array;
  private readonly byHand: Uint8Array;
  private readonly end: Minute;
  private readonly random: Random;
  private readonly blocks: readonly Block[];

  static for(network: Network, bound: Bound, seed: number): Rearranging | null {
    const windows = onlyHands(network);
    return windows && new Rearranging(network, windows, bound, seed);
  }

  private constructor(
    network: Network,
    private readonly windows: readonly Stretch[],
    private readonly late: Bound,
    seed: number,
  ) {
    const decoderOf = (network: Network, hours: readonly Stretch[]) => {
      const chains = chainsOf(network);
      const blocks = blocksOf(chains, tailsOf(chains, this.duration, this.duration));
      return { blocks, decoder: new Decoder(network, hours, chains, blocks) };
    };
    this.duration = Int32Array.from(network.activities, ({ duration }) => duration);
    this.byHand = Uint8Array.from(network.activities, (activity) => (isByHand(activity) ? 1 : 0));
    this.end = (windows.at(-1)?.[1] ?? 0) + DAY;
    const { blocks, decoder } = decoderOf(network, windows);
    this.blocks = blocks;
    this.decoder = decoder;
    const turned = mirrored(network, this.end);
    this.backwards = decoderOf(turned, onlyHands(turned)!).decoder;
    this.random = new Random(seed);
  }

  /** A first schedule: who has the longest way to go comes first, measured in minutes and then in days. */
  first(): { starts: Int32Array; makespan: Minute } | null {
    const { decoder, blocks, late } = this;
    let best: { starts: Int32Array; makespan: Minute } | null = null;
    const tryKeys = (keys: Float64Array) => {
      const starts = new Int32Array(this.duration.length);
      const makespan = decoder.decode(keys, starts);
      if (makespan < FAR && (best === null || makespan < best.makespan)) best = { starts, makespan };
      return makespan;
    };
    const keys = Float64Array.from(blocks, ({ tail }) => -tail);
    const finish = tryKeys(keys);
    const latest = late.latestFor(finish < FAR ? finish : this.end);
    if (latest === null) return best;
    decoder.keysOf(latest, keys);
    tryKeys(keys);
    const noisy = new Float64Array(keys.length);
    for (let turn = 0; turn < FIRST_TURNS; turn++) {
      keys.forEach((key, index) => {
        noisy[index] = key + DAY * (this.random.next() - 0.5);
      });
      tryKeys(noisy);
    }
    return best;
  }

  /** The finish to aim for: what lies in the last window worked in would have to go into those before. */
  private aim(starts: Int32Array, makespan: Minute, least: Minute): Minute {
    let last = 0;
    for (let at = 0; at < starts.length; at++)
      if (this.byHand[at] && starts[at]! + this.duration[at]! > last) last = starts[at]! + this.duration[at]!;
    let before = 0;
    for (const [, to] of this.windows) {
      if (to >= last) break;
      before = to;
    }
    return Math.max(least, Math.min(makespan - 1, makespan - (last - before)));
  }

  /** Work that comes too late for the finish aimed for. */
  private lateness(starts: Int32Array, latest: Int32Array): number {
    const { duration, byHand } = this;
    let sum = 0;
    for (let at = 0; at < starts.length; at++) {
      const over = starts[at]! - latest[at]!;
      if (over > 0) sum += 10 + (byHand[at] ? duration[at]! : 0) + 0.1 * over;
    }
    return sum;
  }

  /** Goes on from a schedule; answers where it got to, which may end a little later than the best. */
  run(known: Int32Array, makespan: Minute, { over, bound, onBetter }: RearrangeOptions): Int32Array {
    const { decoder } = this;
    const many = this.blocks.length;
    let best = makespan;
    let current = known.slice();
    let trial = new Int32Array(known.length);
    const keys = new Float64Array(many);
    const changed = new Float64Array(many);
    let latest = this.late.latestFor(this.aim(current, best, bound()));
    if (latest === null) return known;
    decoder.keysOf(current, keys);
    let worth = this.lateness(current, latest);
    const memory = new Float64Array(MEMORY).fill(worth);
    let bestStarts = known.slice();
    let since = 0;
    for (let turn = 0; best > bound() && !over(); turn++) {
      changed.set(keys);
      if (turn % JUSTIFY_EVERY === 0) this.justify(current, changed);
      else this.change(changed, current, latest);
      const finish = decoder.decode(changed, trial);
      since++;
      if (since > PATIENCE) {
        // stuck: again from the best
        since = 0;
        current.set(bestStarts);
        decoder.keysOf(current, keys);
        worth = this.lateness(current, latest);
        memory.fill(worth + 30);
        continue;
      }
      if (finish >= FAR) continue;
      const lateness = this.lateness(trial, latest);
      const place = turn % MEMORY;
      if (lateness > worth && lateness > memory[place]!) continue;
      [current, trial] = [trial, current];
      decoder.keysOf(current, keys);
      worth = lateness;
      memory[place] = worth;
      if (finish >= best) continue;
      best = finish;
      bestStarts = current.slice();
      since = 0;
      onBetter(bestStarts, best);
      const next = this.late.latestFor(this.aim(current, best, bound()));
      if (next === null) return bestStarts;
      latest = next;
      worth = this.lateness(current, latest);
      memory.fill(worth);
    }
    return current;
  }

  /** Keys that come of pushing all as late as it may be without ending later. */
  private justify(starts: Int32Array, keys: Float64Array) {
    const { backwards, duration, end } = this;
    const turned = new Int32Array(starts.length);
    let last = 0;
    for (let at = 0; at < starts.length; at++) {
      turned[at] = end - starts[at]! - duration[at]!;
      if (starts[at]! + duration[at]! > last) last = starts[at]! + duration[at]!;
    }
    const turnedKeys = new Float64Array(backwards.blocks);
    backwards.keysOf(turned, turnedKeys);
    if (backwards.decode(turnedKeys, turned, end - last) >= FAR) return;
    for (let at = 0; at < starts.length; at++) turned[at] = end - turned[at]! - duration[at]!;
    this.decoder.keysOf(turned, keys);
  }

  /** Changes a few keys: of a stretch of days, of two that change places, or of what is late and all before it. */
  private change(keys: Float64Array, starts: Int32Array, latest: Int32Array) {
    const { random } = this;
    const many = keys.length;
    const kind = random.below(3);
    if (kind === 0) {
      const middle = keys[random.below(many)]!;
      const length = DAY * (0.2 + 2 * random.next());
      for (let at = 0; at < many; at++)
        if (Math.abs(keys[at]! - middle) < length) keys[at] = keys[at]! + (random.next() - 0.5) * length;
      return;
    }
    if (kind === 1) {
      const one = random.below(many);
      let two = random.below(many);
      for (let tries = 0; tries < 6 && Math.abs(keys[two]! - keys[one]!) > 2 * DAY; tries++) two = random.below(many);
      const key = keys[one]!;
      keys[one] = keys[two]!;
      keys[two] = key;
      return;
    }
    // what is late, or anything: it and what it waits for go first by some days
    let block = random.below(many);
    for (let tries = 0; tries < 20 && !this.isLate(block, starts, latest); tries++) block = random.below(many);
    const by = DAY * 4 * random.next();
    for (let depth = 0; depth < 12; depth++) {
      keys[block] = keys[block]! - by;
      const before = [...this.blocks[block]!.after];
      if (before.length === 0) break;
      block = before[random.below(before.length)]!;
      if (random.next() < 0.15) break;
    }
  }

  private isLate(block: number, starts: Int32Array, latest: Int32Array): boolean {
    return this.blocks[block]!.members.some((at) => starts[at]! > latest[at]!);
  }
}
