import type { PanelId } from "#core/board/panels/panel";
import type { FinishFacts, InShop } from "#core/finishes/facts";
import type { PlanText } from "~/editor/plan-text";

/** What the gallery asks of the worker: every finish on these zones, in this order. */
export interface Asking {
  /** the plan, as the server wrote it */
  text: PlanText;
  zoneIds: readonly string[];
  finishIds: readonly string[];
  inShop: InShop;
  /** the panel most like the piece */
  panel: PanelId;
  /** pixels across of each picture */
  width: number;
}

/** What comes back, one finish at a time: first what each comes to, then how it looks on this piece. */
export type Answer =
  | { is: "worked out"; finishId: string; facts: FinishFacts }
  | { is: "drawn"; finishId: string; pixels: ArrayBuffer; width: number; height: number }
  | { is: "refused"; finishId: string; because: string }
  | { is: "done"; id: number }
  | { is: "failed"; says: string };
