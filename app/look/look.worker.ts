import { expose, transfer } from "comlink";
import { applyCommands } from "#core/edit/apply";
import { siteOf } from "#core/finishes/dress";
import { type Candidate, type Found, search } from "#core/look/search";
import { CATALOGUE } from "#core/materials/catalogue";
import { findZone, type Plan } from "#core/plan/plan";
import { fittedIn, workOf } from "#core/schedule/plan-of-work";
import { costOfJob } from "#core/shelf/cost";
import { boardPixels } from "~/board/board-pixels";
import { planOfText } from "~/editor/plan-text";
import { newestOnly } from "~/first/newest-only";
import { layWhole } from "./lay";
import type { Answer, Asking, Shown } from "./messages";

// Searches stacks for a look off the page, and draws the best. A newer request ends the older one.

const begin = newestOnly();

type Tell = (answer: Answer) => void;

function shownOf(candidate: Candidate): Shown {
  const moves: (Shown["moves"][number] & { at: number })[] = [];
  for (const { id } of candidate.crust.steps) {
    const { at, move, why } = candidate.reasons.get(id)!;
    const last = moves.at(-1);
    if (last?.at === at) last.stepIds.push(id);
    else moves.push({ at, name: move, stepIds: [id], why });
  }
  const { key, crust, materials, apart, seen, days, handsOn, practice, buy } = candidate;
  return {
    key,
    crust,
    materials,
    moves,
    repairs: candidate.repairs.map(({ label }) => label),
    apart,
    seen,
    days,
    handsOn,
    practice,
    buy,
  };
}

const foundOf = ({ candidates, says, nearest, tried }: Found, done: boolean): Answer => ({
  is: "found",
  shown: candidates.map(shownOf),
  says,
  nearest: nearest && shownOf(nearest),
  tried,
  done,
});

function draw({ panel, width }: Asking, { key, judged }: Candidate, tell: Tell) {
  const drawn = boardPixels(judged, panel, width);
  tell(transfer({ is: "drawn", key, ...drawn }, [drawn.pixels]));
}

/** When the whole job could leave, and what it would cost, with this stack on the zone; no price where nothing has one. */
function date({ zoneId, inShop }: Asking, plan: Plan, candidate: Candidate, tell: Tell) {
  const laid = applyCommands(plan, layWhole(plan, zoneId, shownOf(candidate), "Look"));
  if (!laid.ok) return;
  const { shop, around, book } = inShop;
  const job = fittedIn(workOf(laid.plan, shop), around);
  const { sums, unpriced } = costOfJob(laid.plan, book, job.bookings);
  const price = unpriced.length === 0 && sums.price.likely > 0 ? sums.price.likely : null;
  tell({ is: "dated", key: candidate.key, leaves: job.dates?.leaves ?? null, price });
}

const look = {
  /** Tells what is found as it gets better, then dates and draws the best. */
  async search(asking: Asking, tell: Tell) {
    const stillWanted = begin();
    const { text, zoneId, look, shelf } = asking;
    const plan = planOfText(text);
    const zone = findZone(plan, zoneId);
    if (!zone) throw new Error("That zone is no longer in the plan.");
    const running = search(siteOf(plan, zone, CATALOGUE), look, shelf ? { shelf: new Set(shelf) } : {});
    for (;;) {
      const { value, done } = running.next();
      if (!(await stillWanted())) return;
      tell(foundOf(value, done ?? false));
      if (!done) continue;
      for (const candidate of [...value.candidates, ...(value.nearest ? [value.nearest] : [])]) {
        date(asking, plan, candidate, tell);
        draw(asking, candidate, tell);
        if (!(await stillWanted())) return;
      }
      return;
    }
  },
};

export type LookSearch = typeof look;

expose(look);
