import { DAY, type WallMinutes } from "#core/units/units";
import { sayClocks, sayDate } from "#core/units/when";

/** Work in the hands of one painter. */
export interface Block {
  id: string;
  planId: string;
  from: WallMinutes;
  to: WallMinutes;
  colour: string;
  /** when each part of it begins */
  parts: readonly WallMinutes[];
  /** what is done, where, for which job */
  says: string;
  /** the job alone, written where there is room */
  title: string;
}

export interface HandsLane {
  id: string;
  name: string;
  note: string;
  blocks: readonly Block[];
}

/** What is laid on a piece in one session and dries from then on, whatever zones it is on. */
export interface Drying {
  id: string;
  from: WallMinutes;
  /** the last of it is laid */
  laid: WallMinutes;
  ready: WallMinutes;
  colour: string;
  says: string;
}

export interface PieceLane {
  id: string;
  planId: string;
  name: string;
  note: string;
  /** it leaves too late, or something clashes */
  trouble: boolean;
  /** only an idea */
  faint: boolean;
  /** drawn zone by zone */
  open: boolean;
  /** where a press leads that opens it, or shuts it again */
  opens: string;
  films: readonly Drying[];
  zones: readonly { id: string; name: string; films: readonly Drying[] }[];
}

/** A time in which every drying place is taken. */
export interface Full {
  from: WallMinutes;
  to: WallMinutes;
}

/** What a piece of work is, for whoever cannot see the drawing. */
export const sayBlock = (what: string, where: string, job: string, from: WallMinutes, to: WallMinutes) =>
  `${what}, ${where}, ${job}: ${sayDate(from)}, ${sayClocks(from, to)}`;

export const isOnDay = (one: { from: WallMinutes }, midnight: WallMinutes) =>
  one.from >= midnight && one.from < midnight + DAY;
