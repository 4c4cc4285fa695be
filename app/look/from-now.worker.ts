import { expose, transfer } from "comlink";
import type { PanelId } from "#core/board/panels/panel";
import { type WayOn, waysFromNow } from "#core/look/from-now";
import type { Wishes } from "#core/look/spec";
import { CATALOGUE } from "#core/materials/catalogue";
import { boardPixels } from "~/board/board-pixels";
import { type PlanText, planOfText } from "~/editor/plan-text";

// Ways on from where a zone stands, worked out and drawn off the page.

export interface AskingNow {
  text: PlanText;
  zoneId: string;
  now: number;
  wishes: Wishes;
  panel: PanelId;
  width: number;
}

export type ShownWay = Omit<WayOn, "judged">;

export type AnswerNow =
  | { is: "ways"; ways: ShownWay[] }
  | { is: "drawn"; key: string; pixels: ArrayBuffer; width: number; height: number };

const fromNow = {
  /** Tells the ways on, then draws each. */
  waysOn({ text, zoneId, now, wishes, panel, width }: AskingNow, tell: (answer: AnswerNow) => void) {
    const asked = Object.keys(wishes).length > 0 ? { wishes } : {};
    const ways = waysFromNow(planOfText(text), { zoneId, now, catalogue: CATALOGUE, ...asked });
    tell({ is: "ways", ways: ways.map(({ judged, ...way }) => way) });
    for (const { id: key, judged } of ways) {
      const drawn = boardPixels(judged, panel, width);
      tell(transfer({ is: "drawn", key, ...drawn }, [drawn.pixels]));
    }
  },
};

export type FromNowProgram = typeof fromNow;

expose(fromNow);
