import type { PanelId } from "#core/board/panels/panel";
import { type WayOn, waysFromNow } from "#core/look/from-now";
import type { Wishes } from "#core/look/spec";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Plan } from "#core/plan/plan";
import { boardPixels } from "~/board/board-pixels";

// Ways on from where a zone stands, worked out and drawn off the page.

export interface AskingNow {
  id: number;
  text: string;
  zoneId: string;
  now: number;
  wishes: Wishes;
  panel: PanelId;
  width: number;
}

export type ShownWay = Omit<WayOn, "judged">;

export type AnswerNow =
  | { is: "ways"; id: number; ways: ShownWay[] }
  | { is: "drawn"; id: number; key: string; pixels: ArrayBuffer; width: number; height: number }
  | { is: "failed"; id: number; says: string };

const answer = (message: AnswerNow, transfer: Transferable[] = []) => postMessage(message, { transfer });

addEventListener("message", ({ data }: MessageEvent<AskingNow>) => {
  const { id, text, zoneId, now, wishes, panel, width } = data;
  try {
    const asked = Object.keys(wishes).length > 0 ? { wishes } : {};
    const ways = waysFromNow(JSON.parse(text) as Plan, { zoneId, now, catalogue: CATALOGUE, ...asked });
    answer({ is: "ways", id, ways: ways.map(({ judged, ...way }) => way) });
    for (const { id: key, judged } of ways) {
      const drawn = boardPixels(judged, panel, width);
      answer({ is: "drawn", id, key, ...drawn }, [drawn.pixels]);
    }
  } catch (error) {
    answer({ is: "failed", id, says: error instanceof Error ? error.message : String(error) });
  }
});
