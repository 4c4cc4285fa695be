import type { Climate } from "../drying/climate.ts";
import type { Gate, Stage } from "../drying/gate.ts";
import type { Coat } from "../drying/law.ts";
import { DAY, HOUR, type Minutes } from "../units/units.ts";
import type { Minute, VaryingLag } from "./solve/problem.ts";

// Waits whose length hangs on the hour they begin, as functions the solver can ask both ways.

/** A gate of the label for a coat in a room, told for any beginning; `zero` is instant 0 of the climate on the network's clock. */
export function varyingLag(climate: Climate, coat: Coat, { stage, opens, shuts }: Gate, zero: Minute): VaryingLag {
  const later = (minutes: number) => Math.ceil(minutes - 1e-6);
  const sooner = (minutes: number) => Math.floor(minutes + 1e-6);
  const end = (finish: Minute, reference: Minutes, round: (minutes: number) => number) =>
    finish + round(climate.takes(coat, stage, finish - zero, reference));
  const opensAt = (finish: Minute) => end(finish, opens.safe, later);
  const shutsAt = shuts === null ? null : (finish: Minute) => end(finish, shuts.safe, sooner);
  return {
    opens: opensAt,
    opensBack(start) {
      let finish = start - sooner(climate.took(coat, stage, start - zero, opens.safe));
      while (opensAt(finish) > start) finish--;
      while (opensAt(finish + 1) <= start) finish++;
      return finish;
    },
    shuts: shutsAt,
    shutsBack(start) {
      if (shutsAt === null || shuts === null) return Number.NEGATIVE_INFINITY;
      let finish = start - later(climate.took(coat, stage, start - zero, shuts.safe));
      while (shutsAt(finish) < start) finish++;
      while (shutsAt(finish - 1) >= start) finish--;
      return finish;
    },
  };
}

const SAMPLE: Minutes = 15;
const bounds = new WeakMap<Climate, Map<string, [least: Minutes, most: Minutes]>>();

/** The shortest and longest that so many reference minutes can take, whenever they begin: a little wide, never narrow. */
export function boundsOf(climate: Climate, coat: Coat, stage: Stage, reference: Minutes): [Minutes, Minutes] {
  const known = bounds.get(climate) ?? new Map<string, [Minutes, Minutes]>();
  bounds.set(climate, known);
  const key = `${coat.leaves} ${coat.load} ${coat.drawnBy} ${coat.warmed} ${stage} ${reference}`;
  let found = known.get(key);
  if (!found) {
    let least = Number.POSITIVE_INFINITY;
    let most = 0;
    for (const at of beginnings(climate, reference)) {
      const takes = climate.takes(coat, stage, at, reference);
      least = Math.min(least, takes);
      most = Math.max(most, takes);
    }
    // between two samples a wait changes by no more than they lie apart, however much the air does
    found = [Math.max(0, Math.floor(least) - SAMPLE), Math.ceil(most) + WIDEST * SAMPLE];
    known.set(key, found);
  }
  return found;
}

/** How many times faster the best hour dries than the worst. */
const WIDEST = 60;

/** Beginnings among which every wait there is occurs: a usual day, and the hours that are known with what runs into them. */
function* beginnings({ course, zero, steady }: Climate, reference: Minutes): Generator<number> {
  if (steady) {
    yield 0;
    return;
  }
  const known = course.known;
  const first = known ? known.from - zero - Math.min(7 * DAY, 4 * reference + DAY) : -zero;
  const last = known ? known.from - zero + known.hours.length * HOUR + DAY : first + DAY;
  for (let at = first; at <= last; at += SAMPLE) yield at;
}
