import sharp from "sharp";
import { Board } from "#core/board/board";
import { BOARD_WIDTHS, boardWorkOf } from "#core/board/board-work";
import type { Plan } from "#core/plan/plan";
import { judgementOf } from "#core/schedule/kept";
import { readBoardAddress, WHOLE } from "~/board/board-address";

const MOST_KEPT = 12;

const kept = new Map<string, Promise<Buffer>>();

/** A board as PNG, for pages without script and for saving; null where the plan has no such zone. */
export async function boardPng(plan: Plan, version: number, params: URLSearchParams): Promise<Buffer | null> {
  const judged = judgementOf(plan).zones.find(({ zone }) => zone.id === params.get("zone"));
  if (!judged) return null;
  const { panel, seed, count, view } = readBoardAddress(params, judged);
  const asked = Number(params.get("width") ?? WHOLE);
  const width = Number.isFinite(asked)
    ? Math.round(Math.min(BOARD_WIDTHS.most, Math.max(BOARD_WIDTHS.least, asked)))
    : WHOLE;
  const key = JSON.stringify([plan.id, version, judged.zone.id, panel, seed, count, view, width]);
  let made = kept.get(key);
  if (!made) {
    const board = new Board(boardWorkOf(judged, panel, seed), width);
    const pixels = board.picture(count, view);
    made = sharp(pixels, { raw: { width: board.grid.width, height: board.grid.height, channels: 4 } })
      .removeAlpha()
      .png()
      .toBuffer();
    kept.set(key, made);
    if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  }
  return made;
}
