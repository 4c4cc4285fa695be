import { Board } from "#core/board/board";
import { type BoardWork, inCommon, type View } from "#core/board/board-work";
import { measuredOnBoard } from "#core/board/shares";
import type { Answer, Asking } from "./messages";
import { newestOnly } from "./newest-only";

// Draws sample boards off the page: rough first, then fine. Gives up as soon as something newer is requested.

/** Pixels across of the rough picture. */
const ROUGH = 192;
const MOST_BOARDS = 6;

const newest = newestOnly();
/** the latest boards, newest first */
const boards: Board[] = [];

/** The board of a work at a size: one drawn before, or a new one that reuses whatever is the same. */
function boardFor(work: BoardWork, width: number): Board {
  const at = boards.findIndex(
    (one) =>
      one.grid.width === width &&
      one.work.phases.length === work.phases.length &&
      inCommon(one.work, work) === work.phases.length,
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

function answer(message: Answer, transfer: Transferable[] = []) {
  postMessage(message, { transfer });
}

function show(id: number, side: number, board: Board, count: number, view: View, finished: boolean) {
  const pixels = board.picture(count, view).buffer;
  const measured = finished ? measuredOnBoard(board.after(count).layers, board.relief) : null;
  const { width, height } = board.grid;
  answer({ is: "drawn", drawn: { id, side, count, width, height, finished, pixels, measured } }, [pixels]);
}

/** Paints up to a phase, one phase at a time, so that a newer request need not wait for the rest. */
async function painted(id: number, board: Board, count: number): Promise<boolean> {
  for (let done = 1; done <= count; done++) {
    board.after(done);
    if (!(await newest.stillWanted(id))) return false;
  }
  return true;
}

async function draw({ id, sides, view, width, later }: Asking) {
  for (const [side, { work, count }] of sides.entries()) show(id, side, boardFor(work, ROUGH), count, view, false);
  for (const [side, { work, count }] of sides.entries()) {
    if (!(await newest.stillWanted(id))) return;
    const board = boardFor(work, width);
    if (!(await painted(id, board, count))) return;
    show(id, side, board, count, view, true);
  }
  const first = sides[0];
  if (!first) return;
  const board = boardFor(first.work, width);
  for (const count of later) {
    if (!(await painted(id, board, count))) return;
    show(id, 0, board, count, view, true);
  }
}

addEventListener("message", ({ data }: MessageEvent<Asking>) => {
  newest.take(data.id);
  draw(data).catch((error: unknown) => {
    answer({ is: "failed", id: data.id, says: error instanceof Error ? error.message : String(error) });
  });
});
