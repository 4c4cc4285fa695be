import { readWallTime } from "../units/wall-time.ts";
import type { Booking, Lies, Schedule } from "./booking.ts";
import type { Clash } from "./clash-words.ts";
import { handsOfPainter, sharedOut, type Taken } from "./crew.ts";
import type { ShopNetwork } from "./network.ts";
import type { Activity, Minute, Network } from "./solve/network.ts";
import { slackOf } from "./solve/slack.ts";
import { visitsOf } from "./solve/tidy.ts";
import type { Work } from "./work.ts";

/** What was found in a network: when everything starts, and what is known of how good that is. */
export interface Found {
  starts: Record<string, Minute> | null;
  lowerBound: Minute | null;
  proven: boolean;
}

interface Besides {
  clashes: Clash[];
  /** nothing had to be given up */
  settled: boolean;
  taken: readonly Taken[];
}

/** The hands that something was given, where painters differ; null where any will do, "" where it needs none. */
function givenTo({ uses, duration }: Activity, ids: readonly string[]): string | null {
  const held = Object.keys(uses);
  if (held.length === 0 || duration === 0) return "";
  return ids.find((id) => held.includes(handsOfPainter(id))) ?? null;
}

/** What was found, as the painter reads it: her work by the clock on the wall, and whose hands do it. */
export function scheduleFrom(
  works: readonly Work[],
  shop: ShopNetwork,
  network: Network,
  { starts, lowerBound, proven }: Found,
  { clashes, settled, taken }: Besides,
): Schedule {
  const { clock, tasks, crew } = shop;
  const made: Schedule = {
    start: Math.min(...works.map(({ plan }) => readWallTime(plan.start)!)),
    bookings: [],
    lies: [],
    clashes,
    finish: null,
    visits: starts ? visitsOf(network, starts) : 0,
    lowerBound: lowerBound === null ? null : clock.wall(lowerBound),
    proven: proven && settled,
  };
  if (!starts || tasks.size === 0) return made;
  const { latest, critical } = slackOf(network, starts);
  const onChain = new Set(critical);
  const { ids } = crew;
  const held: { booking: Booking; painter: string | null }[] = [];
  const lies: Lies[] = [];
  for (const activity of network.activities) {
    const { id, duration, anyHour } = activity;
    const task = tasks.get(id);
    if (!task) continue;
    const { plan, pieceId, phase, does, section, name, done, kind } = task;
    const span = { starts: clock.wall(starts[id]!), ends: clock.wall(starts[id]! + duration) };
    if (kind === "drying") {
      lies.push({ planId: plan.id, pieceId, name, from: span.starts, to: span.ends });
      continue;
    }
    const booking: Booking = {
      id,
      kind,
      planId: plan.id,
      pieceId,
      zoneId: phase?.judged.zone.id ?? "",
      stepId: phase?.placed.phase.step.id ?? "",
      phaseId: phase?.placed.phase.id ?? "",
      does,
      section,
      name: section ? `${name} (${section.at} of ${section.of})` : name,
      ...span,
      latest: clock.wall(latest[id]!),
      critical: onChain.has(id),
      pinned: anyHour === true,
      painter: "",
      done: done === true,
    };
    held.push({ booking, painter: done ? "" : givenTo(activity, ids) });
  }
  const painters = sharedOut(
    held.map(({ booking: { starts: from, ends, pieceId }, painter }) => ({ starts: from, ends, pieceId, painter })),
    ids,
    taken,
  );
  made.bookings = held
    .map(({ booking }, index) => ({ ...booking, painter: painters[index]! }))
    .sort((a, b) => a.starts - b.starts || (a.id < b.id ? -1 : 1));
  made.lies = lies.sort((a, b) => a.from - b.from);
  made.finish = made.bookings.reduce((last, { ends }) => Math.max(last, ends), Number.NEGATIVE_INFINITY);
  return made;
}
