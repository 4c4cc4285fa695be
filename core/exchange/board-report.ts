import { Board } from "../board/board.ts";
import { BOARD_WIDTHS, boardWorkOf, MOST_SEED, panelFor } from "../board/board-work.ts";
import { PANEL_IDS, type PanelId } from "../board/panels/panel.ts";
import { type Shown, shownInAll, shownOnBoard, shownOnSurface } from "../board/shares.ts";
import { judge, surfaceAfter } from "../judge/judge.ts";
import { type Plan, RELIEF_CLASSES } from "../plan/plan.ts";
import { bareSurface } from "../surface/surface.ts";

/** Which board to draw: of which zone, after which step, on which panel. */
export interface BoardQuestion {
  /** zone id; the plan's first zone when left out */
  zone?: string;
  /** step id, or "ground"; the end of the stack when left out */
  after?: string;
  panel?: string;
  seed?: number;
  width?: number;
}

export interface BoardReport {
  report: {
    plan: { id: string; title: string };
    zone: string;
    after: string;
    panel: PanelId;
    seed: number;
    width: number;
    height: number;
    /** share of the zone by step id, weighed by its own relief */
    shows: Record<string, number>;
    /** the same by relief class, as measured on the pixels */
    byRelief: Record<string, Record<string, number>>;
    /** and as the checks see it */
    checks: Record<string, Record<string, number>>;
  };
  pixels: Uint8ClampedArray<ArrayBuffer>;
}

const rounded = (shares: ReadonlyMap<string, number>) =>
  Object.fromEntries([...shares].map(([key, share]) => [key, Math.round(share * 1000) / 1000]));
const byClass = (shown: Shown) => Object.fromEntries(RELIEF_CLASSES.map((name) => [name, rounded(shown[name])]));

/** A sample board as the screen draws it, with what shows of each layer; a sentence where it cannot be drawn. */
export function boardReport(plan: Plan, question: BoardQuestion): BoardReport | string {
  const judged = judge(plan).zones.find(({ zone }) => question.zone === undefined || zone.id === question.zone);
  if (!judged) return question.zone === undefined ? "the plan has no zones yet" : `zone "${question.zone}" not found`;
  const { zone, phases, crust } = judged;
  let count = phases.length;
  if (question.after === "ground") count = 0;
  else if (question.after !== undefined) {
    count = phases.findLastIndex(({ phase }) => phase.step.id === question.after) + 1;
    if (count === 0) {
      const known = crust.steps.map(({ id }) => id).join(", ");
      return `step "${question.after}" not found on zone "${zone.id}"; it has ground${known ? `, ${known}` : ""}`;
    }
  }
  const panel = question.panel === undefined ? panelFor(zone) : PANEL_IDS.find((id) => id === question.panel);
  if (!panel) return `panel "${question.panel}" not found; there are ${PANEL_IDS.join(", ")}`;
  const { seed = 1, width = BOARD_WIDTHS.usual } = question;
  if (!Number.isInteger(seed) || seed < 1 || seed > MOST_SEED) return `a seed is a whole number from 1 to ${MOST_SEED}`;
  if (!Number.isInteger(width) || width < BOARD_WIDTHS.least || width > BOARD_WIDTHS.most)
    return `a board is ${BOARD_WIDTHS.least} to ${BOARD_WIDTHS.most} pixels wide`;
  const board = new Board(boardWorkOf(judged, panel, seed), width);
  const shown = shownOnBoard(board.after(count).layers, board.relief);
  return {
    report: {
      plan: { id: plan.id, title: plan.title },
      zone: zone.id,
      after: count === 0 ? "ground" : phases[count - 1]!.phase.step.id,
      panel,
      seed,
      width: board.grid.width,
      height: board.grid.height,
      shows: rounded(shownInAll(shown, zone.relief)),
      byRelief: byClass(shown),
      checks: byClass(shownOnSurface(count === 0 ? bareSurface(zone.ground) : surfaceAfter(judged, count - 1))),
    },
    pixels: board.picture(count),
  };
}
