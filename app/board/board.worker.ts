import { expose, transfer } from "comlink";
import { Board } from "#core/board/board";
import { type BoardWork, inCommon, type View } from "#core/board/board-work";
import { measuredOnBoard } from "#core/board/shares";
import { newestOnly } from "~/first/newest-only";
import type { Asking, Drawn } from "./messages";

// Draws sample boards off the page: rough first, then fine. Gives up as soon as something newer is requested.

/** Pixels across of the rough picture. */
const ROUGH = 192;
const MOST_BOARDS = 6;

const begin = newestOnly();
/** the latest boards, newest first */
const boards: Board[] = [];

/** The board of a work at a size: one drawn before, or a new one that reuses whatever is the same. */
function boardFor(work: BoardWork, width: number): Board {
  const at = boards.findIndex(
    (board) =>
      board.grid.width === width &&
      board.work.phases.length === work.phases.length &&
      inCommon(board.work, work) === work.phases.length,
  );
  if (at >= 0) {
    const [known] = boards.splice(at, 1);
    boards.unshift(known!);
    return known!;
  }
  const board = new Board(work, width);
  for (const other of boards) if (other.work.panel === work.panel) board.takeOver(other);
  boards.unshift(board);
  boards.length = Math.min(boards.length, MOST_BOARDS);
  return board;
}

/** What is asked for now: who hears of it, and whether it is still wanted. */
interface Turn {
  tell: (drawn: Drawn) => void;
  stillWanted: () => Promise<boolean>;
}

function show({ tell }: Turn, side: number, board: Board, count: number, view: View, finished: boolean) {
  const pixels = board.picture(count, view).buffer;
  const measured = finished ? measuredOnBoard(board.after(count).layers, board.relief) : null;
  const { width, height } = board.grid;
  tell(transfer({ side, count, width, height, finished, pixels, measured }, [pixels]));
}

/** Paints up to a phase, one phase at a time, so that a newer request need not wait for the rest. */
async function painted({ stillWanted }: Turn, board: Board, count: number): Promise<boolean> {
  for (let done = 1; done <= count; done++) {
    board.after(done);
    if (!(await stillWanted())) return false;
  }
  return true;
}

const easel = {
  /** Tells pictures as they get better: rough ones at once, then fine ones, then other steps. */
  async draw({ sides, view, width, later }: Asking, tell: Turn["tell"]) {
    const turn = { tell, stillWanted: begin() };
    for (const [side, { work, count }] of sides.entries()) show(turn, side, boardFor(work, ROUGH), count, view, false);
    for (const [side, { work, count }] of sides.entries()) {
      if (!(await turn.stillWanted())) return;
      const board = boardFor(work, width);
      if (!(await painted(turn, board, count))) return;
      show(turn, side, board, count, view, true);
    }
    const first = sides[0];
    if (!first) return;
    const board = boardFor(first.work, width);
    for (const count of later) {
      if (!(await painted(turn, board, count))) return;
      show(turn, 0, board, count, view, true);
    }
  },
};

export type Easel = typeof easel;

expose(easel);
