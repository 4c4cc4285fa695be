import { applyCommands } from "#core/edit/apply";
import { siteOf } from "#core/finishes/dress";
import { type Candidate, type Found, search } from "#core/look/search";
import { CATALOGUE } from "#core/materials/catalogue";
import { findZone, type Plan } from "#core/plan/plan";
import { fittedIn, workOf } from "#core/schedule/plan-of-work";
import { costOfJob } from "#core/shelf/cost";
import { boardPixels } from "~/board/board-pixels";
import { newestOnly } from "~/board/newest-only";
import { layWhole } from "./lay";
import type { Answer, Asking, Shown } from "./messages";

// Searches stacks for a look off the page, and draws the best. A newer request ends the older one.

const newest = newestOnly();

function answer(message: Answer, transfer: Transferable[] = []) {
  postMessage(message, { transfer });
}

function shownOf(one: Candidate): Shown {
  const moves: (Shown["moves"][number] & { at: number })[] = [];
  for (const { id } of one.crust.steps) {
    const { at, move, why } = one.reasons.get(id)!;
    const last = moves.at(-1);
    if (last?.at === at) last.stepIds.push(id);
    else moves.push({ at, name: move, stepIds: [id], why });
  }
  const { key, crust, materials, apart, seen, days, handsOn, practice, buy } = one;
  return {
    key,
    crust,
    materials,
    moves,
    repairs: one.repairs.map(({ label }) => label),
    apart,
    seen,
    days,
    handsOn,
    practice,
    buy,
  };
}

const tell = (id: number, { candidates, says, nearest, tried }: Found, done: boolean) =>
  answer({ is: "found", id, shown: candidates.map(shownOf), says, nearest: nearest && shownOf(nearest), tried, done });

function draw({ id, panel, width }: Asking, { key, judged }: Candidate) {
  const drawn = boardPixels(judged, panel, width);
  answer({ is: "drawn", id, key, ...drawn }, [drawn.pixels]);
}

/** When the whole job could leave, and what it would cost, with this stack on the zone; no price where nothing has one. */
function date({ id, zoneId, inShop }: Asking, plan: Plan, one: Candidate) {
  const laid = applyCommands(plan, layWhole(plan, zoneId, shownOf(one), "Look"));
  if (!laid.ok) return;
  const { shop, around, book } = inShop;
  const job = fittedIn(workOf(laid.plan, shop), around);
  const { sums, unpriced } = costOfJob(laid.plan, book, job.bookings);
  const price = unpriced.length === 0 && sums.price.likely > 0 ? sums.price.likely : null;
  answer({ is: "dated", id, key: one.key, leaves: job.dates?.leaves ?? null, price });
}

async function run(asking: Asking) {
  const { id, text, zoneId, look, shelf } = asking;
  const plan = JSON.parse(text) as Plan;
  const zone = findZone(plan, zoneId);
  if (!zone) return answer({ is: "failed", id, says: "That zone is no longer in the plan." });
  const running = search(siteOf(plan, zone, CATALOGUE), look, shelf ? { shelf: new Set(shelf) } : {});
  for (;;) {
    const { value, done } = running.next();
    if (!(await newest.stillWanted(id))) return;
    tell(id, value, done ?? false);
    if (!done) continue;
    for (const one of [...value.candidates, ...(value.nearest ? [value.nearest] : [])]) {
      date(asking, plan, one);
      draw(asking, one);
      if (!(await newest.stillWanted(id))) return;
    }
    return;
  }
}

addEventListener("message", ({ data }: MessageEvent<Asking>) => {
  newest.take(data.id);
  run(data).catch((error: unknown) => {
    answer({ is: "failed", id: data.id, says: error instanceof Error ? error.message : String(error) });
  });
});
