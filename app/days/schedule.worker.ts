import { asItIs, type Tried, tryTogether, whatIf } from "#core/schedule/what-if";
import type { Answer, Asking, Trials } from "./messages";

// Tries ideas off the page. The page ends it when it needs something newer.

/** Counted looks at the dates of each idea: most jobs need fewer to find the best there are. */
const LOOKS_AT_EACH = 150;

const answer = (message: Answer) => postMessage(message);

let known: { of: string; before: Tried; ideas: Tried[] } | null = null;

/** What the same plan came to before is not tried again when only the choice of ideas changes. */
function trialsOf({ plan, shop, around, together }: Asking): Trials {
  const options = { shop, ...around, looks: LOOKS_AT_EACH };
  const of = JSON.stringify([plan, shop, around]);
  if (known?.of !== of) known = { of, before: asItIs(plan, options), ideas: whatIf(plan, options) };
  const { before, ideas } = known;
  const chosen = ideas.filter(({ id }) => together.includes(id));
  return { before, ideas, together: chosen.length > 1 ? tryTogether(plan, chosen, options) : null };
}

addEventListener("message", ({ data }: MessageEvent<Asking>) => {
  const { id } = data;
  try {
    answer({ is: "tried", id, ...trialsOf(data) });
  } catch (error) {
    answer({ is: "failed", id, says: error instanceof Error ? error.message : String(error) });
  }
});
