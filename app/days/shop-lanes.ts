import { hoursOfPainter, hoursOfShop, type Shop } from "#core/plan/shop";
import { listed } from "#core/rules/words";
import { type Open, workingWindows } from "#core/schedule/calendar";
import type { Film } from "#core/schedule/films";
import type { JobPlan } from "#core/schedule/plan-of-work";
import type { Booking, Lies } from "#core/schedule/schedule";
import { DAY, HOUR, type Minutes, type WallMinutes } from "#core/units/units";
import { midnightBefore } from "#core/units/wall-time";
import { sayClock, sayClocks, sayDate, sayMoment } from "#core/units/when";
import { type Block, type Drying, type Full, type HandsLane, type PieceLane, sayBlock } from "~/drawing/shop-lane";
import { countOf } from "~/words/amount";

/** A job as the shop's days show it: its part of the plan of work, and the names of what it works on. */
export interface ShopJob {
  id: string;
  title: string;
  isKept: boolean;
  due: WallMinutes | null;
  /** it has been changed since it was planned */
  edited: boolean;
  pieces: { id: string; name: string; zones: { id: string; name: string }[] }[];
  job: JobPlan;
}

export interface Span {
  from: WallMinutes;
  to: WallMinutes;
}

const zoneNames = ({ pieces }: ShopJob) =>
  new Map(pieces.flatMap(({ zones }) => zones.map(({ id, name }) => [id, name] as const)));

/** Where a booking is worked: its zones, or the piece. */
export function whereOf(shopJob: ShopJob, { does, pieceId }: Booking): string {
  const names = zoneNames(shopJob);
  const zones = [...new Set(does.map(({ zoneId }) => zoneId))].flatMap((id) => names.get(id) ?? []);
  if (zones.length > 2) return countOf(zones.length, "zone");
  if (zones.length > 0) return listed(zones.map((name) => name.toLowerCase()));
  return shopJob.pieces.find(({ id }) => id === pieceId)?.name.toLowerCase() ?? "the piece";
}

/** Minutes of working hours in a span. */
export function hoursThere(hours: Open, { from, to }: Span): Minutes {
  const first = midnightBefore(from);
  return workingWindows(hours, first, Math.ceil((to - first) / DAY)).reduce(
    (sum, { opens, shuts }) => sum + Math.max(0, Math.min(shuts, to) - Math.max(opens, from)),
    0,
  );
}

const inside = (starts: WallMinutes, ends: WallMinutes, { from, to }: Span): Minutes =>
  Math.max(0, Math.min(ends, to) - Math.max(starts, from));

const hoursOnly = (minutes: Minutes) => `${Math.round(minutes / HOUR)}`;

/** A lane for each pair of hands, with the hours it works of those it has. */
export function handsLanes(jobs: readonly ShopJob[], shop: Shop, span: Span): HandsLane[] {
  return shop.painters.map((painter): HandsLane => {
    const blocks = jobs.flatMap((job) =>
      job.isKept
        ? job.job.bookings
            .filter(({ painter: id, starts, ends }) => id === painter.id && ends > starts)
            .map((booking): Block => {
              const { id, starts: from, ends: to, name } = booking;
              const says = sayBlock(name, whereOf(job, booking), job.title, from, to);
              return { id, planId: job.id, from, to, parts: [from], colour: job.job.colour, says, title: job.title };
            })
        : [],
    );
    const worked = blocks.reduce((sum, { from, to }) => sum + inside(from, to, span), 0);
    const there = hoursThere(hoursOfPainter(hoursOfShop(shop), painter), span);
    return {
      id: painter.id,
      name: painter.name,
      note: `${hoursOnly(worked)} of ${hoursOnly(there)} h`,
      blocks: inRuns(blocks.sort((a, b) => a.from - b.from)),
    };
  });
}

/** Work on a job goes on without a pause, if this little lies between its parts. */
const PAUSE: Minutes = 10;

/** Work on the same job that follows without a pause, as one block with its parts. */
function inRuns(blocks: readonly Block[]): Block[] {
  const runs: Block[] = [];
  for (const block of blocks) {
    const last = runs.at(-1);
    if (last?.planId !== block.planId || block.from - last.to > PAUSE) {
      runs.push(block);
      continue;
    }
    const parts = [...last.parts, block.from];
    const says = `${last.title}: ${countOf(parts.length, "step")}, ${sayDate(last.from)}, ${sayClocks(last.from, block.to)}`;
    runs[runs.length - 1] = { ...last, to: block.to, parts, says };
  }
  return runs;
}

/** A session on a piece ends where nothing of the same layer is laid for so long. */
const APART: Minutes = 6 * HOUR;

/** Films of the same layer laid one after another, as one shape: from the first stroke to when the last of it is ready. */
function outerShapes(films: readonly Film[], bookings: ReadonlyMap<string, Booking>): Drying[] {
  const byLayer = new Map<string, { film: Film; booking: Booking }[]>();
  for (const film of films) {
    const booking = bookings.get(film.booking);
    if (!booking) continue;
    const key = `${booking.stepId} ${film.colour}`;
    byLayer.set(key, [...(byLayer.get(key) ?? []), { film, booking }]);
  }
  const shapes: (Drying & { zones: Set<string>; name: string })[] = [];
  for (const laid of byLayer.values()) {
    laid.sort((a, b) => a.booking.starts - b.booking.starts);
    for (const { film, booking } of laid) {
      const last = shapes.at(-1);
      const same = last?.name === booking.name && booking.starts - last.laid <= APART && last.colour === film.colour;
      if (last && same) {
        last.laid = Math.max(last.laid, booking.ends);
        last.ready = Math.max(last.ready, film.ready);
        last.zones.add(film.zoneId);
      } else
        shapes.push({
          id: `${booking.id} ${film.zoneId}`,
          from: booking.starts,
          laid: booking.ends,
          ready: film.ready,
          colour: film.colour,
          says: "",
          name: booking.name,
          zones: new Set([film.zoneId]),
        });
    }
  }
  return shapes
    .map(({ zones, name, ...shape }) => ({
      ...shape,
      says: `${name}, ${countOf(zones.size, "zone")}: laid ${sayMoment(shape.from)}–${sayClock(shape.laid)}, ready ${sayMoment(shape.ready)}`,
    }))
    .sort((a, b) => a.from - b.from);
}

/** A lane for each piece: what dries on it, zone by zone where it is opened. */
export function pieceLanes(
  jobs: readonly ShopJob[],
  opened: string | null,
  linkTo: (pieceId: string) => string,
): PieceLane[] {
  const begins = ({ job }: ShopJob) => job.bookings[0]?.starts ?? Number.MAX_SAFE_INTEGER;
  const inOrder = [...jobs].sort(
    (a, b) => Number(b.isKept) - Number(a.isKept) || begins(a) - begins(b) || (a.id < b.id ? -1 : 1),
  );
  return inOrder.flatMap((shopJob) =>
    shopJob.pieces.map((piece): PieceLane => {
      const { job, isKept } = shopJob;
      const bookings = new Map(job.bookings.map((booking) => [booking.id, booking]));
      const zoneIds = new Set(piece.zones.map(({ id }) => id));
      const films = job.films.filter(({ zoneId }) => zoneIds.has(zoneId));
      const leaves = job.dates?.leaves;
      const late = shopJob.due !== null && leaves !== undefined && leaves > shopJob.due;
      const says = leaves === undefined ? "nothing to do" : `${isKept ? "leaves" : "could leave"} ${sayDate(leaves)}`;
      const id = `${shopJob.id}/${piece.id}`;
      const open = opened === id;
      return {
        id,
        planId: shopJob.id,
        name: shopJob.pieces.length > 1 ? piece.name : shopJob.title,
        note: late ? `late, ${says}` : says,
        trouble: late || job.clashes.length > 0,
        faint: !isKept,
        open,
        opens: linkTo(id),
        films: outerShapes(films, bookings),
        zones: open
          ? piece.zones.map((zone) => ({
              id: zone.id,
              name: zone.name,
              films: outerShapes(
                films.filter(({ zoneId }) => zoneId === zone.id),
                bookings,
              ),
            }))
          : [],
      };
    }),
  );
}

/** When all of so many places to dry are taken. */
export function fullTimes(lies: readonly Lies[], places: number): Full[] {
  const moments = [...new Set(lies.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b);
  const full: Full[] = [];
  moments.slice(0, -1).forEach((from, index) => {
    const to = moments[index + 1]!;
    const taken = lies.filter((lies) => lies.from <= from && lies.to >= to).length;
    if (taken < places) return;
    const last = full.at(-1);
    if (last?.to === from) last.to = to;
    else full.push({ from, to });
  });
  return full;
}

/** The hours in which anybody works. */
export function hoursOfAnybody(shop: Shop): Open {
  const { weekdays, exceptions } = shop.hours;
  return {
    exceptions,
    weekdays: weekdays.map((day, index) => [
      ...day,
      ...shop.painters.flatMap((painter) => painter.weekdays?.[index] ?? []),
    ]),
  };
}

/** Hands by day: hours worked by each painter, and the hours there are. */
export function handsByDay(jobs: readonly ShopJob[], shop: Shop, span: Span) {
  const lanes = handsLanes(jobs, shop, span);
  const days = Array.from({ length: Math.max(1, Math.ceil((span.to - span.from) / DAY)) }, (_, index) => {
    const midnight = midnightBefore(span.from) + index * DAY;
    return { from: midnight, to: midnight + DAY };
  });
  return days.map((day) => ({
    midnight: day.from,
    worked: lanes.map(({ blocks }) => blocks.reduce((sum, { from, to }) => sum + inside(from, to, day), 0) / HOUR),
    there:
      shop.painters.reduce((sum, painter) => sum + hoursThere(hoursOfPainter(hoursOfShop(shop), painter), day), 0) /
      HOUR,
  }));
}
