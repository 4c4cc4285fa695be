import { Board } from "#core/board/board";
import { boardWorkOf } from "#core/board/board-work";
import { type Dressed, dress, zonesToDress } from "#core/finishes/dress";
import { factsOf } from "#core/finishes/facts";
import { findFinish } from "#core/finishes/finishes";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Plan } from "#core/plan/plan";
import type { Answer, Asking } from "./messages";
import { shelfIn } from "./shelf-in";

// Tries every finish on a piece off the page: first what each comes to, so that the filters know, then how it looks there.

let latest = 0;
const SEED = 1;

function answer(message: Answer, transfer: Transferable[] = []) {
  postMessage(message, { transfer });
}

/** Lets messages in, and says whether this request is still the latest. */
const stillWanted = (id: number) =>
  new Promise<boolean>((resolve) => {
    setTimeout(() => resolve(id === latest), 0);
  });

function draw(id: number, finishId: string, { crusts }: Dressed, { panel, width }: Asking) {
  const { judged } = crusts[0]!.built;
  const board = new Board(boardWorkOf(judged, panel, SEED), width);
  const pixels = board.picture(judged.phases.length).buffer;
  answer({ is: "drawn", id, finishId, pixels, width: board.grid.width, height: board.grid.height }, [pixels]);
}

async function tryAll(asking: Asking) {
  const { id, text, zoneIds, finishIds, inShop } = asking;
  const plan = JSON.parse(text) as Plan;
  const zones = zonesToDress(plan, zoneIds);
  const shelf = shelfIn(inShop.pots);
  const held = new Map<string, Dressed>();
  for (const finishId of finishIds) {
    if (!(await stillWanted(id))) return;
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
    if (!(await stillWanted(id))) return;
    draw(id, finishId, dressed, asking);
  }
  answer({ is: "done", id });
}

addEventListener("message", ({ data }: MessageEvent<Asking>) => {
  latest = data.id;
  tryAll(data).catch((error: unknown) => {
    answer({ is: "failed", id: data.id, says: error instanceof Error ? error.message : String(error) });
  });
});
