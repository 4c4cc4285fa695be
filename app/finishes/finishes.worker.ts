import { type Dressed, dress, zonesToDress } from "#core/finishes/dress";
import { factsOf } from "#core/finishes/facts";
import { findFinish } from "#core/finishes/finishes";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Plan } from "#core/plan/plan";
import { boardPixels } from "~/board/board-pixels";
import { newestOnly } from "~/board/newest-only";
import type { Answer, Asking } from "./messages";
import { shelfIn } from "./shelf-in";

// Tries every finish on a piece off the page: first what each comes to, so that the filters know, then how it looks there.

const newest = newestOnly();

function answer(message: Answer, transfer: Transferable[] = []) {
  postMessage(message, { transfer });
}

function draw(id: number, finishId: string, { crusts }: Dressed, { panel, width }: Asking) {
  const { judged } = crusts[0]!.built;
  const drawn = boardPixels(judged, panel, width);
  answer({ is: "drawn", id, finishId, ...drawn }, [drawn.pixels]);
}

async function tryAll(asking: Asking) {
  const { id, text, zoneIds, finishIds, inShop } = asking;
  const plan = JSON.parse(text) as Plan;
  const zones = zonesToDress(plan, zoneIds);
  const shelf = shelfIn(inShop.pots);
  const held = new Map<string, Dressed>();
  for (const finishId of finishIds) {
    if (!(await newest.stillWanted(id))) return;
    const finish = findFinish(finishId);
    if (!finish) continue;
    const dressed = dress(plan, zones, { finish, shelf }, CATALOGUE);
    if ("refused" in dressed) {
      answer({ is: "refused", id, finishId, because: dressed.refused });
      continue;
    }
    held.set(finishId, dressed);
    answer({ is: "worked out", id, finishId, facts: factsOf(dressed, inShop) });
  }
  for (const [finishId, dressed] of held) {
    if (!(await newest.stillWanted(id))) return;
    draw(id, finishId, dressed, asking);
  }
  answer({ is: "done", id });
}

addEventListener("message", ({ data }: MessageEvent<Asking>) => {
  newest.take(data.id);
  tryAll(data).catch((error: unknown) => {
    answer({ is: "failed", id: data.id, says: error instanceof Error ? error.message : String(error) });
  });
});
