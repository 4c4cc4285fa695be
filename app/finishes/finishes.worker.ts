import { expose, transfer } from "comlink";
import { type Dressed, dress, zonesToDress } from "#core/finishes/dress";
import { factsOf } from "#core/finishes/facts";
import { findFinish } from "#core/finishes/finishes";
import { CATALOGUE } from "#core/materials/catalogue";
import { boardPixels } from "~/board/board-pixels";
import { planOfText } from "~/editor/plan-text";
import type { Answer, Asking } from "./messages";
import { shelfIn } from "./shelf-in";

// Tries every finish on a piece off the page: first what each comes to, so that the filters know, then how it looks there.

type Tell = (answer: Answer) => void;

function draw(finishId: string, { crusts }: Dressed, { panel, width }: Asking, tell: Tell) {
  const { judged } = crusts[0]!.built;
  const drawn = boardPixels(judged, panel, width);
  tell(transfer({ is: "drawn", finishId, ...drawn }, [drawn.pixels]));
}

const finishes = {
  tryAll(asking: Asking, tell: Tell) {
    const { text, zoneIds, finishIds, inShop } = asking;
    const plan = planOfText(text);
    const zones = zonesToDress(plan, zoneIds);
    const shelf = shelfIn(inShop.pots);
    const held = new Map<string, Dressed>();
    for (const finishId of finishIds) {
      const finish = findFinish(finishId);
      if (!finish) continue;
      const dressed = dress(plan, zones, { finish, shelf }, CATALOGUE);
      if ("refused" in dressed) {
        tell({ is: "refused", finishId, because: dressed.refused });
        continue;
      }
      held.set(finishId, dressed);
      tell({ is: "worked out", finishId, facts: factsOf(dressed, inShop) });
    }
    for (const [finishId, dressed] of held) draw(finishId, dressed, asking, tell);
  },
};

export type Finishes = typeof finishes;

expose(finishes);
