import { judge } from "#core/judge/judge";
import { schedule } from "#core/schedule/schedule";
import { whatIf } from "#core/schedule/what-if";
import type { Answer, Asking } from "./messages";

// Looks for better dates off the page. The page ends it when it needs something newer.

/** Milliseconds spent on the dates of each idea: most jobs need less to find the best there are. */
const IDEA_BUDGET = 200;

const now = () => performance.now();
const answer = (message: Answer) => postMessage(message);

function work(asking: Asking): Answer {
  const { id } = asking;
  if (asking.ask === "what if") return { is: "tried", id, ideas: whatIf(asking.plan, { budget: IDEA_BUDGET, now }) };
  const works = asking.plans.map((plan) => ({ plan, judgement: judge(plan) }));
  const made = schedule(works, {
    budget: asking.budget,
    now,
    onBetter: (better) => {
      answer({ is: "better", id, schedule: better });
      return true;
    },
  });
  return { is: "done", id, schedule: made };
}

addEventListener("message", ({ data }: MessageEvent<Asking>) => {
  try {
    answer(work(data));
  } catch (error) {
    answer({ is: "failed", id: data.id, says: error instanceof Error ? error.message : String(error) });
  }
});
