import type { Climate } from "../drying/climate.ts";
import type { Gate, Stage } from "../drying/gate.ts";
import type { DryingCoat } from "../drying/law.ts";
import { DAY, HOUR, type Minutes } from "../units/units.ts";
import type { Minute, VaryingLag } from "./solve/network.ts";

// Waits whose length depends on the hour they begin, as functions the solver can also invert.

/**
 * A gate of the label for a coat in a room, for any beginning; `zero` is instant 0 of the climate on the network's
 * clock.
 */
export function varyingLag(
  climate: Climate,
  coat: DryingCoat,
  { stage, opens, shuts }: Gate,
  zero: Minute,
): VaryingLag {
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

const bounds = new WeakMap<Climate, Map<string, [least: Minutes, most: Minutes]>>();

/**
 * The shortest and longest that so many reference minutes can take, whenever they begin. Air changes on the hour, so a wait is
 * a broken line over its beginning, and its extremes lie where it begins or ends on one.
 */
export function boundsOf(climate: Climate, coat: DryingCoat, stage: Stage, reference: Minutes): [Minutes, Minutes] {
  const known = bounds.get(climate) ?? new Map<string, [Minutes, Minutes]>();
  bounds.set(climate, known);
  const key = `${coat.leaves} ${coat.load} ${coat.drawnBy} ${coat.warmed} ${stage} ${reference}`;
  let found = known.get(key);
  if (!found) {
    let least = Number.POSITIVE_INFINITY;
    let most = 0;
    for (const hour of hoursOf(climate)) {
      for (const takes of [climate.takes(coat, stage, hour, reference), climate.took(coat, stage, hour, reference)]) {
        least = Math.min(least, takes);
        most = Math.max(most, takes);
      }
    }
    found = [Math.floor(least + 1e-6), Math.ceil(most - 1e-6)];
    known.set(key, found);
  }
  return found;
}

/** Hours among which every wait there is begins or ends: a usual day, and the hours that are known with a day on either side. */
function* hoursOf({ course, zero, steady }: Climate): Generator<number> {
  if (steady) {
    yield 0;
    return;
  }
  const { known } = course;
  const first = known ? known.from - zero - DAY : -zero;
  const last = known ? known.from - zero + known.hours.length * HOUR + DAY : first + DAY;
  for (let at = first; at <= last; at += HOUR) yield at;
}
