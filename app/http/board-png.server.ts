import { createHash } from "node:crypto";
import { LRUCache } from "lru-cache";
import sharp from "sharp";
import { Board } from "#core/board/board";
import { BOARD_WIDTHS, boardWorkOf } from "#core/board/board-work";
import { materialsIn } from "#core/plan/mix";
import { findCrust, findZone, type Plan } from "#core/plan/plan";
import { judgementOf } from "#core/schedule/kept";
import { readBoardAddress, WHOLE } from "~/board/board-address";

/** Bytes of pictures kept; the one not requested for longest goes first. */
const MOST_BYTES = 24_000_000;

const kept = new LRUCache<string, Buffer>({ maxSize: MOST_BYTES, sizeCalculation: ({ length }) => length });

const widthOf = (params: URLSearchParams) => {
  const asked = Number(params.get("width") ?? WHOLE);
  return Number.isFinite(asked) ? Math.round(Math.min(BOARD_WIDTHS.most, Math.max(BOARD_WIDTHS.least, asked))) : WHOLE;
};

/**
 * What a board depends on: its zone, its crust, their materials, the air, the schools, and how it is looked at. Null
 * without such a zone.
 */
export function boardKey(plan: Plan, params: URLSearchParams): string | null {
  const zone = findZone(plan, params.get("zone") ?? "");
  const crust = zone && findCrust(plan, zone.crustId);
  if (!crust) return null;
  const used = new Set(crust.steps.flatMap(materialsIn));
  const { room, houseRules, materials, drying } = plan.pinned;
  const done = plan.done?.filter(({ zoneId }) => zoneId === zone.id);
  const about = [zone, crust, plan.start, room, houseRules, materials.filter(({ id }) => used.has(id)), done, drying];
  return createHash("sha256")
    .update(JSON.stringify([about, [...params].sort()]))
    .digest("base64url");
}

/**
 * A board as PNG, for pages without scripts and for export. The same content is drawn once, whatever version of the
 * job it is in.
 */
export async function boardPng(plan: Plan, params: URLSearchParams, key: string): Promise<Buffer | null> {
  const known = kept.get(key);
  if (known) return known;
  const judged = judgementOf(plan).zones.find(({ zone }) => zone.id === params.get("zone"));
  if (!judged) return null;
  const { panel, seed, count, view } = readBoardAddress(params, judged);
  const board = new Board(boardWorkOf(judged, panel, seed), widthOf(params));
  const png = await sharp(board.picture(count, view), {
    raw: { width: board.grid.width, height: board.grid.height, channels: 4 },
  })
    .png()
    .toBuffer();
  kept.set(key, png);
  return png;
}
