import { DAY, HOUR, type Instant, type Minutes, type WallMinutes } from "../units/units.ts";
import { type Air, STANDARD_AIR } from "./air.ts";
import type { Gate, Range, Stage } from "./gate.ts";
import { type DryingCoat, dryerRate, dryingRate, evaporationPart, stretchOf } from "./law.ts";

/** The air of a room over time, by the hour: a usual day that repeats, and hours that are known better. */
export interface Course {
  /** 24 hours from midnight, or one for all of them */
  usual: readonly Air[];
  /** air hour by hour from an instant on a whole hour */
  known?: { from: WallMinutes; hours: readonly Air[] };
  /** of the films, where the piece is warmer or colder than the air */
  filmCelsius?: number;
}

/** Drying gathered since a beginning, as a sum over hours that can also be inverted. */
class Gathered {
  /** reference minutes gathered by each hour of the usual day, and in all of it */
  private readonly usual = new Float64Array(25);
  private readonly known: Float64Array;
  private readonly from: WallMinutes;
  private readonly to: WallMinutes;

  constructor(course: Course, part: number) {
    const rate = (air: Air) => dryingRate(part, air, course.filmCelsius);
    for (let hour = 0; hour < 24; hour++)
      this.usual[hour + 1] = this.usual[hour]! + HOUR * rate(course.usual[hour % course.usual.length]!);
    const hours = course.known?.hours ?? [];
    this.from = course.known?.from ?? 0;
    this.to = this.from + hours.length * HOUR;
    this.known = new Float64Array(hours.length + 1);
    hours.forEach((air, index) => {
      this.known[index + 1] = this.known[index]! + HOUR * rate(air);
    });
  }

  private usually(wall: WallMinutes): Minutes {
    const day = Math.floor(wall / DAY);
    const minute = wall - day * DAY;
    const hour = Math.min(23, Math.floor(minute / HOUR));
    const within = (minute - hour * HOUR) / HOUR;
    return day * this.usual[24]! + this.usual[hour]! + within * (this.usual[hour + 1]! - this.usual[hour]!);
  }

  private usuallyAt(gathered: Minutes): WallMinutes {
    const day = Math.floor(gathered / this.usual[24]!);
    return day * DAY + HOUR * placeIn(this.usual, gathered - day * this.usual[24]!);
  }

  /** Reference minutes from the beginning of all time to an instant. */
  by(wall: WallMinutes): Minutes {
    if (wall <= this.from || this.known.length === 1) return this.usually(wall);
    const before = this.usually(this.from);
    if (wall >= this.to) return before + this.known.at(-1)! + this.usually(wall) - this.usually(this.to);
    const hour = Math.floor((wall - this.from) / HOUR);
    const within = (wall - this.from) / HOUR - hour;
    return before + this.known[hour]! + within * (this.known[hour + 1]! - this.known[hour]!);
  }

  /** The instant by which so much is gathered. */
  at(gathered: Minutes): WallMinutes {
    const before = this.usually(this.from);
    if (this.known.length === 1 || gathered <= before) return this.usuallyAt(gathered);
    const inside = gathered - before;
    if (inside <= this.known.at(-1)!) return this.from + HOUR * placeIn(this.known, inside);
    return this.usuallyAt(inside - this.known.at(-1)! + this.usually(this.to));
  }
}

/** Where a value falls in a list that rises, as a place between its entries. */
function placeIn(rising: Float64Array, value: number): number {
  let low = 0;
  let high = rising.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (rising[middle]! <= value) low = middle;
    else high = middle;
  }
  const step = rising[high]! - rising[low]!;
  return step > 0 ? low + (value - rising[low]!) / step : low;
}

const onlyOne = (course: Course) => course.usual.length === 1 && !course.known?.hours.length;

/**
 * How drying goes in a room's air. Converts label minutes, at 23 °C and 50 %, into minutes of this room and back, for
 * a coat that began to dry at some instant, hour by hour.
 */
export class Climate {
  /** the same air at all times */
  readonly steady: boolean;
  private readonly gathered = new Map<number, Gathered>();
  private readonly rates = new Map<number, number>();

  /** `zero` is the wall time of instant 0. */
  constructor(
    readonly course: Course,
    readonly zero: WallMinutes = 0,
  ) {
    this.steady = onlyOne(course);
  }

  /** The air at an instant. */
  at(instant: Instant): Air {
    const wall = this.zero + instant;
    const { usual, known } = this.course;
    const hour = known ? Math.floor((wall - known.from) / HOUR) : -1;
    return known?.hours[hour] ?? usual[Math.floor((wall - Math.floor(wall / DAY) * DAY) / HOUR) % usual.length]!;
  }

  /** The hours' airs between two instants, at least one. */
  *between(from: Instant, to: Instant): Generator<{ at: Instant; air: Air }> {
    yield { at: from, air: this.at(from) };
    if (this.steady) return;
    const first = (Math.floor((this.zero + from) / HOUR) + 1) * HOUR - this.zero;
    for (let at = first; at < to; at += HOUR) yield { at, air: this.at(at) };
  }

  private rate(part: number): number {
    let rate = this.rates.get(part);
    if (rate === undefined) {
      rate = dryingRate(part, this.course.usual[0]!, this.course.filmCelsius);
      this.rates.set(part, rate);
    }
    return rate;
  }

  private sum(part: number): Gathered {
    let sum = this.gathered.get(part);
    if (!sum) {
      sum = new Gathered(this.course, part);
      this.gathered.set(part, sum);
    }
    return sum;
  }

  /** How far a stage of a coat has come between two instants, in reference minutes. */
  dried(coat: DryingCoat, stage: Stage, from: Instant, to: Instant): Minutes {
    if (byTheClock(coat, stage)) return to - from;
    const part = evaporationPart(coat, stage);
    const reference = this.steady
      ? (to - from) * this.rate(part)
      : this.sum(part).by(this.zero + to) - this.sum(part).by(this.zero + from);
    return (reference + ahead(coat, stage)) / stretchOf(coat, stage);
  }

  /** Minutes from an instant until a stage that takes so many reference minutes is reached. */
  takes(coat: DryingCoat, stage: Stage, from: Instant, reference: Minutes): Minutes {
    if (byTheClock(coat, stage)) return reference;
    const part = evaporationPart(coat, stage);
    const left = toGather(coat, stage, reference);
    if (this.steady) return left / this.rate(part);
    const sum = this.sum(part);
    return sum.at(sum.by(this.zero + from) + left) - (this.zero + from);
  }

  /** Minutes before an instant at which a coat must have begun, for a stage of so many reference minutes to be reached then. */
  took(coat: DryingCoat, stage: Stage, to: Instant, reference: Minutes): Minutes {
    if (byTheClock(coat, stage)) return reference;
    const part = evaporationPart(coat, stage);
    const left = toGather(coat, stage, reference);
    if (this.steady) return left / this.rate(part);
    const sum = this.sum(part);
    return this.zero + to - sum.at(sum.by(this.zero + to) - left);
  }

  private range(
    { typical, safe }: Range,
    round: (minutes: number) => number,
    coat: DryingCoat,
    stage: Stage,
    from: Instant,
  ) {
    const minutes = (reference: Minutes) => round(this.takes(coat, stage, from, reference));
    return { typical: minutes(typical), safe: minutes(safe) };
  }

  /**
   * A label's gates in this room, for a coat that begins to dry at an instant; opened late and shut early, to the
   * minute.
   */
  gates(gates: readonly Gate[], coat: DryingCoat, from: Instant): readonly Gate[] {
    if (coat.leaves === "nothing" || (this.steady && gates.every(({ stage }) => this.asOnTheTin(coat, stage))))
      return gates;
    return gates.map(({ stage, opens, shuts }) => ({
      stage,
      opens: this.range(opens, later, coat, stage, from),
      shuts: shuts && this.range(shuts, sooner, coat, stage, from),
    }));
  }

  private asOnTheTin(coat: DryingCoat, stage: Stage): boolean {
    return (
      byTheClock(coat, stage) ||
      (coat.warmed === 0 && this.rate(evaporationPart(coat, stage)) === 1 && stretchOf(coat, stage) === 1)
    );
  }
}

/** What no air hastens: a habit, and what does not dry at all. */
const byTheClock = ({ leaves }: DryingCoat, stage: Stage): boolean => leaves === "nothing" || stage === "habit";

/** Reference minutes that warm air has put a coat ahead of the clock. */
const ahead = (coat: DryingCoat, stage: Stage): Minutes =>
  coat.warmed === 0 ? 0 : coat.warmed * Math.max(0, dryerRate(coat, stage) - 1);

/** Reference minutes that the air has to bring for a stage: more for a thick coat, fewer after warm air. */
const toGather = (coat: DryingCoat, stage: Stage, reference: Minutes): Minutes =>
  Math.max(0, reference * stretchOf(coat, stage) - ahead(coat, stage));

// a rounding error is not a minute
const later = (minutes: number) => Math.ceil(minutes - 1e-6);
const sooner = (minutes: number) => Math.floor(minutes + 1e-6);

/** Standard air at all times: drying as on the tins. */
export const STANDARD_CLIMATE = new Climate({ usual: [STANDARD_AIR] });
