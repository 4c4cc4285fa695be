import { sayMix } from "../plan/mix.ts";
import { findCrust, materialName, type Plan, zonesOf } from "../plan/plan.ts";
import { LEAVES } from "../schedule/changes.ts";
import type { JobPlan } from "../schedule/plan-of-work.ts";
import type { Booking } from "../schedule/schedule.ts";
import type { Minutes, WallMinutes } from "../units/units.ts";

/** One entry of a calendar: the work of a session at one zone, or a job's leaving. */
export interface CalendarEntry {
  /** the same as long as it is the same work */
  id: string;
  starts: WallMinutes;
  ends: WallMinutes;
  title: string;
  about: string;
  /** counts how often it has changed */
  sequence: number;
  /** when it changed last, in milliseconds since 1970; null where that is not known */
  changed: number | null;
  /** it is only an idea */
  tentative: boolean;
}

/** A job on a calendar: its part of the plan of work, and whether that is promised. */
export interface CalendarJob {
  plan: Plan;
  job: JobPlan;
  isKept: boolean;
}

/** How long a job's leaving is shown. */
const LEAVING: Minutes = 15;

/** The work of some jobs and their leaving as calendar entries, each with its job, zone and note; what takes no time is left out. */
export function calendarEntries(jobs: readonly CalendarJob[]): CalendarEntry[] {
  return jobs.flatMap(({ plan, job, isKept }): CalendarEntry[] => {
    const kept = (id: string) => ({
      sequence: job.changed?.[id]?.sequence ?? 0,
      changed: job.changed?.[id]?.at ?? null,
      tentative: !isKept,
    });
    const work = job.bookings
      .filter(({ starts, ends }) => ends > starts)
      .map((booking) => ({ ...entryOf(plan, booking), ...kept(booking.id) }));
    const leaves = job.dates?.leaves;
    if (leaves === undefined) return work;
    const leaving = {
      id: `${plan.id}:${LEAVES}`,
      starts: leaves,
      ends: leaves + LEAVING,
      title: isKept ? `${plan.title} leaves` : `${plan.title} could leave`,
      about: plan.client ?? "",
    };
    return [...work, { ...leaving, ...kept(LEAVES) }];
  });
}

function entryOf(plan: Plan, booking: Booking) {
  const zone = zonesOf(plan).find(({ id }) => id === booking.zoneId);
  const piece = plan.pieces.find(({ id }) => id === booking.pieceId);
  const step = zone && findCrust(plan, zone.crustId)?.steps.find(({ id }) => id === booking.stepId);
  const where = [piece?.name, zone?.name].filter(Boolean).join(", ");
  return {
    id: booking.id,
    starts: booking.starts,
    ends: booking.ends,
    title: zone ? `${booking.name}: ${zone.name}` : booking.name,
    about: [plan.title, where, step?.mix && `Mix ${sayMix(step.mix, materialName(plan))}`, step?.note]
      .filter(Boolean)
      .join("\n"),
  };
}
