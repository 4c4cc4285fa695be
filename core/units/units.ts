// Plain numbers with a unit in the type's name. A value crosses a function boundary in these units and no others.

/** A length of time, in minutes. */
export type Minutes = number;
/** An instant, in minutes after the plan's start. */
export type Instant = number;
/** A wall-clock instant without a time zone, in minutes after 1970-01-01T00:00. */
export type WallMinutes = number;
/** Film thickness, in micrometres. */
export type Micrometres = number;
/** Length of what is measured with a tape, in millimetres. */
export type Millimetres = number;
/** Length, in metres. */
export type Metres = number;
/** Area, in square metres. */
export type SquareMetres = number;
/** Volume, in millilitres. */
export type Millilitres = number;
/** A part of a whole, 0 to 1. */
export type Share = number;

export const HOUR: Minutes = 60;
export const DAY: Minutes = 24 * HOUR;
