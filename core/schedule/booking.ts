import type { WallMinutes } from "../units/units.ts";
import type { Clash } from "./clash-words.ts";
import type { Around } from "./crew.ts";
import type { Section, TaskKind } from "./work.ts";

export interface Booking {
  id: string;
  kind: Exclude<TaskKind, "drying">;
  planId: string;
  pieceId: string;
  /** empty for taking apart and putting together */
  zoneId: string;
  stepId: string;
  phaseId: string;
  /** what is done in it: all phases of a go, and for a step done once, each zone it serves */
  does: readonly { zoneId: string; phaseId: string }[];
  /** which section of a go it is, where that is worked in several */
  section: Section | null;
  name: string;
  starts: WallMinutes;
  ends: WallMinutes;
  /** how late it could begin without anything finishing later */
  latest: WallMinutes;
  /** it belongs to the chain that sets the finish */
  critical: boolean;
  /** its time is set by the painter */
  pinned: boolean;
  /** whose hands do it; empty where none are needed */
  painter: string;
  /** it has been done, at that time */
  done: boolean;
}

/** A place to dry that is taken, where they are few. */
export interface Lies {
  planId: string;
  pieceId: string;
  name: string;
  from: WallMinutes;
  to: WallMinutes;
}

export interface Schedule {
  /** wall time of the first plan's start */
  start: WallMinutes;
  bookings: Booking[];
  lies: Lies[];
  clashes: Clash[];
  /** the last hands-on work is done; null when there is nothing to do */
  finish: WallMinutes | null;
  /** days on which there is work */
  visits: number;
  /** no schedule that meets all this finishes earlier; null if that is not known */
  lowerBound: WallMinutes | null;
  proven: boolean;
}

export interface ScheduleOptions extends Around {
  /** milliseconds to look for a better one; without it a quick schedule is made that is the same every time */
  budget?: number;
  now?: () => number;
  /** looks to take at it instead, counted: the same on any machine */
  looks?: number;
  /** what clashes is looked for in each job by itself only: among the others it is placed as well as it will go */
  clashesAlone?: boolean;
  /** called with every better schedule on the way; false cancels */
  onBetter?: (schedule: Schedule) => boolean;
}
