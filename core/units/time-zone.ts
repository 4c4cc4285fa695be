import { DAY, type Minutes, type WallMinutes } from "./units.ts";

// Where the shop's time zone is known: what the clock on the wall does on the days it is changed.

const formats = new Map<string, Intl.DateTimeFormat>();

function formatIn(timeZone: string): Intl.DateTimeFormat {
  const kept = formats.get(timeZone);
  if (kept) return kept;
  const format = new Intl.DateTimeFormat("en-US", {
    timeZone,
    hourCycle: "h23",
    year: "numeric",
    month: "numeric",
    day: "numeric",
    hour: "numeric",
    minute: "numeric",
  });
  formats.set(timeZone, format);
  return format;
}

/**
 * Whether this names a time zone, such as Europe/London.
 * @example isTimeZone("Europe/London") // true
 */
export function isTimeZone(text: string): boolean {
  try {
    return text.length <= 60 && formatIn(text) !== undefined;
  } catch {
    return false;
  }
}

/**
 * The instant of a wall time in a time zone, in milliseconds since 1970 UTC. A time that the clocks skip in spring is taken as
 * that much later; of one that comes twice in autumn, the first.
 */
export function instantIn(timeZone: string, wall: WallMinutes): number {
  const format = formatIn(timeZone);
  const wallOf = (instant: number): number => {
    const part = Object.fromEntries(format.formatToParts(instant).map(({ type, value }) => [type, Number(value)]));
    return Date.UTC(part.year!, part.month! - 1, part.day!, part.hour!, part.minute!);
  };
  const asUtc = wall * 60_000;
  // before and after a change of clocks the zone lies differently off; the earlier instant that shows this wall time is it
  const offsets = [asUtc - 86_400_000, asUtc + 86_400_000].map((near) => wallOf(near) - near);
  const fits = offsets.map((offset) => asUtc - offset).filter((instant) => wallOf(instant) === asUtc);
  return fits.length > 0 ? Math.min(...fits) : asUtc - offsets[0]!;
}

interface Change {
  /** the first wall time that only the new clock shows */
  from: WallMinutes;
  /** minutes that have passed less, or more, than the wall shows */
  shift: Minutes;
}

const WEEK = 7 * DAY;
const WEEKS_AHEAD = 60;
const changes = new Map<string, readonly Change[]>();

const offsetOf = (timeZone: string, wall: WallMinutes): Minutes => instantIn(timeZone, wall) / 60_000 - wall;

/** The changes of clocks in the year after a week begins. */
function changesFrom(timeZone: string, week: number): readonly Change[] {
  const key = `${timeZone} ${week}`;
  const kept = changes.get(key);
  if (kept) return kept;
  const found: Change[] = [];
  let before = offsetOf(timeZone, week * WEEK);
  for (let at = 1; at <= WEEKS_AHEAD; at++) {
    const after = offsetOf(timeZone, (week + at) * WEEK);
    if (after === before) continue;
    let low = (week + at - 1) * WEEK;
    let high = (week + at) * WEEK;
    while (high - low > 1) {
      const middle = Math.floor((low + high) / 2);
      if (offsetOf(timeZone, middle) === before) low = middle;
      else high = middle;
    }
    found.push({ from: high, shift: after - before });
    before = after;
  }
  changes.set(key, found);
  return found;
}

/**
 * Turns times on the wall into minutes that have really passed since a beginning, and back. Without a time zone both are the
 * same: then the clocks never change. Exact for a year and more after the beginning.
 */
export class ShopClock {
  private readonly changes: readonly Change[];

  constructor(
    readonly zero: WallMinutes,
    timeZone?: string | undefined,
  ) {
    const week = Math.floor(zero / WEEK);
    this.changes = timeZone === undefined ? [] : changesFrom(timeZone, week).filter(({ from }) => from > zero);
  }

  /** Minutes from the beginning to a time on the wall. A time that is skipped counts as that much later, one that comes twice as the first. */
  elapsed(wall: WallMinutes): Minutes {
    let shift = 0;
    for (const change of this.changes) if (wall >= change.from) shift += change.shift;
    return wall - this.zero + shift;
  }

  /** What the wall shows so many minutes after the beginning. */
  wall(elapsed: Minutes): WallMinutes {
    let shift = 0;
    for (const change of this.changes) {
      if (this.zero + elapsed - shift < change.from) break;
      shift += change.shift;
    }
    return this.zero + elapsed - shift;
  }

  /** What the wall shows so many minutes after a time on it. */
  after(wall: WallMinutes, minutes: Minutes): WallMinutes {
    return this.changes.length === 0 ? wall + minutes : this.wall(this.elapsed(wall) + minutes);
  }
}
