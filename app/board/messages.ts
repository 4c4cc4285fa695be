import type { BoardWork, View } from "#core/board/board-work";
import type { Measured } from "#core/board/shares";

/** One side of what is on the easel: a board after a number of phases. */
export interface Held {
  work: BoardWork;
  count: number;
}

/** What the page requests of the worker. A newer request cancels the older. */
export interface Asking {
  /** one board, or two that are compared */
  sides: readonly Held[];
  view: View;
  /** pixels across of the finished picture */
  width: number;
  /** other steps of the first side to draw when there is nothing else to do, in this order */
  later: readonly number[];
}

/** What the worker sends back: pictures as they get better, and what shows on the finished one. */
export interface Drawn {
  side: number;
  count: number;
  width: number;
  height: number;
  /** the requested size, not a first rough one */
  finished: boolean;
  pixels: ArrayBuffer;
  measured: Measured | null;
}
