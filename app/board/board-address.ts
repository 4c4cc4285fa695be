import { BOARD_WIDTHS, MOST_SEED, panelFor, USUAL_VIEW, type View } from "#core/board/board-work";
import { PANEL_IDS, type PanelId } from "#core/board/panels/panel";
import type { ZoneJudgement } from "#core/judge/judge";

/** How wide a board is drawn, in pixels: to fit the easel, or life size on a screen of 96 dots an inch. */
export const WHOLE = BOARD_WIDTHS.usual;
export const LIFE_SIZE = 1134;

/**
 * What is on the easel. It lives in the address, so that links, the keyboard, a reload and a page without scripts
 * agree.
 */
export interface BoardAddress {
  /** how many phases are done; 0 is the bare ground */
  count: number;
  panel: PanelId;
  seed: number;
  view: View;
  lifeSize: boolean;
  /** what it is compared with: "step:ID" of this zone, or "zone:ID"; null for nothing */
  against: string | null;
}

const whole = (text: string | null, usual: number, low: number, high: number): number => {
  const value = Number(text);
  return text !== null && Number.isInteger(value) && value >= low && value <= high ? value : usual;
};

/** How many phases are done after this step; all of them where the step does not exist. */
export function countAfterStep({ phases }: Pick<ZoneJudgement, "phases">, stepId: string | null): number {
  let count = phases.length;
  phases.forEach(({ phase }, index) => {
    if (phase.step.id === stepId) count = index + 1;
  });
  return phases.some(({ phase }) => phase.step.id === stepId) ? count : phases.length;
}

export function readBoardAddress(params: URLSearchParams, judged: ZoneJudgement): BoardAddress {
  const panel = PANEL_IDS.find((panelId) => panelId === params.get("panel")) ?? panelFor(judged.zone);
  const after = params.get("after");
  return {
    count:
      after === null
        ? countAfterStep(judged, params.get("step"))
        : whole(after, judged.phases.length, 0, judged.phases.length),
    panel,
    seed: whole(params.get("seed"), 1, 1, MOST_SEED),
    view: {
      light: params.get("light") === "lamp" ? "lamp" : "daylight",
      wet: params.get("wet") === "yes",
      lighting: {
        azimuth: whole(params.get("from"), USUAL_VIEW.lighting.azimuth, 0, 359),
        elevation: whole(params.get("height"), USUAL_VIEW.lighting.elevation, 10, 80),
      },
    },
    lifeSize: params.get("size") === "life",
    against: params.get("against"),
  };
}

type Change = Partial<
  Record<"after" | "panel" | "seed" | "light" | "wet" | "from" | "height" | "size" | "against" | "zone", string | null>
>;

/** The address with something changed; null removes it. Another zone starts at its own last phase. */
export function boardAddress(params: URLSearchParams, change: Change): string {
  const next = new URLSearchParams(params);
  if (change.zone !== undefined || change.after !== undefined) next.delete("step");
  if (change.zone !== undefined) {
    next.delete("after");
    next.delete("panel");
    next.delete("against");
  }
  for (const [key, value] of Object.entries(change))
    if (value === null) next.delete(key);
    else next.set(key, value);
  return `?${next}`;
}
