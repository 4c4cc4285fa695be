import { Board } from "#core/board/board";
import { boardWorkOf } from "#core/board/board-work";
import type { PanelId } from "#core/board/panels/panel";
import type { ZoneJudgement } from "#core/judge/judge";

/** Boards that are compared with each other are one board: only what lies on it differs. */
const SEED = 1;

/** The finished board of a judged zone, as pixels that a worker can hand over. */
export function boardPixels(judged: ZoneJudgement, panel: PanelId, width: number) {
  const board = new Board(boardWorkOf(judged, panel, SEED), width);
  return {
    pixels: board.picture(judged.phases.length).buffer as ArrayBuffer,
    width: board.grid.width,
    height: board.grid.height,
  };
}
