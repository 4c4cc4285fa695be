import { encode } from "fast-png";
import { Board } from "#core/board/board";
import { boardWorkOf, panelFor } from "#core/board/board-work";
import { type Plan, zoneArea } from "#core/plan/plan";
import { judgementOf } from "#core/schedule/kept";

/** Twice as fine as the list shows it. */
const PIXELS = 216;
const SEED = 1;

/** The predicted look of a job: the board of its largest zone when all is done, small. Null where nothing is laid. */
export function lookOf(plan: Plan): Buffer | null {
  const worked = judgementOf(plan).zones.filter(({ phases }) => phases.length > 0);
  const [largest] = worked.sort((a, b) => zoneArea(b.zone) - zoneArea(a.zone));
  if (!largest) return null;
  const board = new Board(boardWorkOf(largest, panelFor(largest.zone), SEED), PIXELS);
  const { width, height } = board.grid;
  const data = new Uint8Array(board.picture(largest.phases.length).buffer);
  return Buffer.from(encode({ width, height, channels: 4, depth: 8, data }));
}
