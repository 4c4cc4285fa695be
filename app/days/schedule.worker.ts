import { whatIf } from "#core/schedule/what-if";
import type { Answer, Asking } from "./messages";

// Tries ideas off the page. The page ends it when it needs something newer.

/** Counted looks at the dates of each idea: most jobs need fewer to find the best there are. */
const LOOKS_AT_EACH = 150;

const answer = (message: Answer) => postMessage(message);

addEventListener("message", ({ data: { id, plan, shop, around } }: MessageEvent<Asking>) => {
  try {
    answer({ is: "tried", id, ideas: whatIf(plan, { shop, ...around, looks: LOOKS_AT_EACH }) });
  } catch (error) {
    answer({ is: "failed", id, says: error instanceof Error ? error.message : String(error) });
  }
});
