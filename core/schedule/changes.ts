import type { WallMinutes } from "../units/units.ts";
import { sayDate, sayMoment } from "../units/when.ts";
import type { Dates } from "./dates.ts";
import type { Changed, JobPlan } from "./plan-of-work.ts";
import type { Booking } from "./schedule.ts";

/** What a new plan of work changes for one job, as a sentence. */
export interface Change {
  planId: string;
  says: string;
  /** it leaves earlier, later, at the same time, or was not planned, or is not any more */
  kind: "earlier" | "later" | "same" | "new" | "gone";
}

export interface AboutJobs {
  titleOf: (planId: string) => string;
  /** what was done to a job since it was planned, the last edit last */
  editsOf: (planId: string) => readonly string[];
  /** what was changed in the shop since */
  shop: readonly string[];
}

const MOST_NAMED = 2;

/** The last few of some edits, in the middle of a sentence. */
function sayEdits(labels: readonly string[]): string {
  const told = [...new Set(labels)].slice(-MOST_NAMED).map((label) => label.charAt(0).toLowerCase() + label.slice(1));
  return told.join("; ");
}

/** "Fri 4 Dec, was Thu 3 Dec"; with the hour where the day is the same. */
function sayMove(now: WallMinutes, before: WallMinutes): string {
  const sameDay = sayDate(now) === sayDate(before);
  return sameDay
    ? `${sayMoment(now)}, was ${sayMoment(before).split(", ")[1]}`
    : `${sayDate(now)}, was ${sayDate(before)}`;
}

const leavesOf = ({ dates }: { dates: Dates | null }) => dates?.leaves ?? null;

const isSame = (a: Booking | undefined, b: Booking) =>
  a?.starts === b.starts && a.ends === b.ends && a.painter === b.painter && a.name === b.name;

/** A job as it is kept from now on, with a count of changes for every booking: what is as it was keeps its own. */
export function countingChanges(before: JobPlan | undefined, after: JobPlan, at: number): JobPlan {
  const was = new Map(before?.bookings.map((booking) => [booking.id, booking]));
  const known = before?.changed ?? {};
  const leaves = (job: JobPlan | undefined) => job?.dates?.leaves ?? null;
  const count = (id: string, same: boolean): [string, Changed] => {
    const old = known[id];
    if (!old) return [id, { sequence: 0, at }];
    return [id, same ? old : { sequence: old.sequence + 1, at }];
  };
  return {
    ...after,
    // of what is gone the count is kept: it may come back
    changed: {
      ...known,
      ...Object.fromEntries(after.bookings.map((booking) => count(booking.id, isSame(was.get(booking.id), booking)))),
      ...Object.fromEntries([count(LEAVES, leaves(before) === leaves(after))]),
    },
  };
}

/** Stands for a job's leaving among the ids of its bookings. */
export const LEAVES = "leaves";

/** How many pieces of work are at another time, or in other hands. */
export function movedIn(before: JobPlan, after: JobPlan): number {
  const was = new Map(before.bookings.map((booking) => [booking.id, booking]));
  const moved = after.bookings.filter((booking) => {
    const old = was.get(booking.id);
    return !old || old.starts !== booking.starts || old.ends !== booking.ends || old.painter !== booking.painter;
  });
  const now = new Set(after.bookings.map(({ id }) => id));
  return moved.length + before.bookings.filter(({ id }) => !now.has(id)).length;
}

/**
 * What changes from one plan of work to another, job by job and why: what moves its leaving first, then what only
 * moves work. Jobs of which nothing moves are left out.
 */
export function changesOf(before: readonly JobPlan[], after: readonly JobPlan[], about: AboutJobs): Change[] {
  const was = new Map(before.map((job) => [job.planId, job]));
  const now = new Map(after.map((job) => [job.planId, job]));
  const edited = after.filter(({ planId, mark }) => was.get(planId)?.mark !== mark).map(({ planId }) => planId);
  const gone = before.filter(({ planId }) => !now.has(planId)).map(({ planId }) => planId);
  const because = (planId: string, kind: Change["kind"]): string => {
    const own = about.editsOf(planId);
    if (edited.includes(planId) && own.length > 0) return `: ${sayEdits(own)}`;
    if (about.shop.length > 0) return `: ${sayEdits(about.shop)}`;
    const others = [...edited, ...gone].filter((id) => id !== planId).map((id) => about.titleOf(id));
    if (others.length === 0) return "";
    const named = others.slice(0, MOST_NAMED).join(" and ");
    if (kind === "same") return ` around ${named}`;
    return kind === "later" ? `, to make room for ${named}` : `, because ${named} needs less time`;
  };
  const changes = after.flatMap((job): Change[] => {
    const { planId } = job;
    const title = about.titleOf(planId);
    const old = was.get(planId);
    const leaves = leavesOf(job);
    if (!old) {
      const says = `${title} is now on the schedule${leaves === null ? "" : ` and leaves ${sayDate(leaves)}`}.`;
      return [{ planId, kind: "new", says }];
    }
    const moved = movedIn(old, job);
    const left = leavesOf(old);
    if (leaves !== null && left !== null && leaves !== left) {
      const kind = leaves < left ? "earlier" : "later";
      return [{ planId, kind, says: `${title} leaves ${sayMove(leaves, left)}${because(planId, kind)}.` }];
    }
    if (leaves !== left)
      return [
        {
          planId,
          kind: leaves === null ? "gone" : "new",
          says: leaves === null ? `Nothing is left to do on ${title}.` : `${title} leaves ${sayDate(leaves)}.`,
        },
      ];
    if (moved === 0) return [];
    const steps = moved === 1 ? "1 of its steps moves" : `${moved} of its steps move`;
    const still = leaves === null ? `${title}:` : `${title} still leaves ${sayDate(leaves)};`;
    return [{ planId, kind: "same", says: `${still} ${steps}${because(planId, "same")}.` }];
  });
  const rank: Record<Change["kind"], number> = { later: 0, new: 1, earlier: 2, gone: 3, same: 4 };
  return [
    ...changes,
    ...gone.map((planId): Change => ({ planId, kind: "gone", says: `${about.titleOf(planId)} is off the schedule.` })),
  ].sort((a, b) => rank[a.kind] - rank[b.kind]);
}
