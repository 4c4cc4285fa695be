import { describe, expect, it } from "vitest";
import { FINISHES, judgedFinish } from "../../tests/finishes";
import { RELIEF_CLASSES } from "../plan/plan.ts";
import { Board } from "./board.ts";
import { boardWorkOf } from "./board-work.ts";
import { shownOnBoard, shownOnSurface } from "./shares.ts";

/** Points that pixels and surface state may differ in any relief class, for any layer. */
const POINTS = 5;
const SEEDS = [1, 2, 3];
const WIDTH = 768;

describe("what the board shows and what the checks hold", () => {
  it.each(FINISHES.map((finish) => [finish.shows, finish] as const))("agree within 5 points: %s", (_shows, finish) => {
    const zone = judgedFinish(finish);
    expect(zone.unreadable).toEqual([]);
    const held = shownOnSurface(zone.after);
    for (const seed of SEEDS) {
      const board = new Board(boardWorkOf(zone, finish.panel, seed), WIDTH);
      const shown = shownOnBoard(board.after(zone.phases.length).layers, board.relief);
      for (const relief of RELIEF_CLASSES) {
        if (zone.zone.relief[relief] === 0) continue;
        for (const key of new Set([...shown[relief].keys(), ...held[relief].keys()])) {
          const apart = 100 * Math.abs((shown[relief].get(key) ?? 0) - (held[relief].get(key) ?? 0));
          expect(apart, `${relief}, ${key}, seed ${seed}`).toBeLessThanOrEqual(POINTS);
        }
      }
    }
  });
});
