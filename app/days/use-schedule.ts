import { useCallback, useEffect, useRef, useState } from "react";
import type { Plan } from "#core/plan/plan";
import type { Schedule } from "#core/schedule/schedule";
import type { Tried } from "#core/schedule/what-if";
import type { Answer, Asking } from "./messages";

type Question = { ask: "schedule"; plans: readonly Plan[]; budget: number } | { ask: "what if"; plan: Plan };

/** A worker for one question at a time: a newer question ends it, whatever it is doing. */
class Desk {
  private worker: Worker | null = null;
  private busy = false;
  private asked = 0;

  ask(question: Question, onAnswer: (answer: Answer) => void) {
    if (this.busy) this.close();
    if (!this.worker) this.worker = new Worker(new URL("./schedule.worker.ts", import.meta.url), { type: "module" });
    const id = ++this.asked;
    this.busy = true;
    this.worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      if (data.id !== id) return;
      if (data.is !== "better") this.busy = false;
      onAnswer(data);
    };
    this.worker.onerror = (event) => {
      event.preventDefault();
      this.close();
      onAnswer({ is: "failed", id, says: event.message || "the planning program did not start" });
    };
    this.worker.postMessage({ ...question, id } satisfies Asking);
  }

  close() {
    this.worker?.terminate();
    this.worker = null;
    this.busy = false;
  }
}

export interface Looking {
  /** the best so far; the quick dates until there is a better one */
  schedule: Schedule;
  /** "dating": nothing is known yet, because dating this much work would hold up the page */
  state: "dating" | "looking" | "done" | "stopped" | "failed";
  stop: () => void;
}

/** Milliseconds without an edit before the worker looks for something better. */
const REST = 250;

/** Dates for some jobs: the quick ones at once, better ones as the worker finds them. */
export function useBestSchedule(plans: readonly Plan[], quick: Schedule, budget: number, heavy: boolean): Looking {
  const desk = useRef<Desk | null>(null);
  const [found, setFound] = useState<{ of: Schedule; schedule: Schedule; state: Looking["state"] } | null>(null);
  useEffect(() => () => desk.current?.close(), []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the quick schedule changes with the plans
  useEffect(() => {
    if (quick.bookings.length === 0 && !heavy) return;
    const rest = setTimeout(() => {
      desk.current ??= new Desk();
      desk.current.ask({ ask: "schedule", plans, budget }, (answer) => {
        if (answer.is === "better" || answer.is === "done")
          setFound({ of: quick, schedule: answer.schedule, state: answer.is === "done" ? "done" : "looking" });
        else if (answer.is === "failed") setFound({ of: quick, schedule: quick, state: "failed" });
      });
    }, REST);
    return () => clearTimeout(rest);
  }, [quick, budget, heavy]);
  const stop = useCallback(() => {
    desk.current?.close();
    setFound((before) => ({ of: quick, schedule: before?.of === quick ? before.schedule : quick, state: "stopped" }));
  }, [quick]);
  if (found?.of !== quick) {
    const known = quick.bookings.length > 0 ? "looking" : "done";
    return { schedule: quick, state: heavy ? "dating" : known, stop };
  }
  return { schedule: found.schedule, state: found.state, stop };
}

/** The ideas of What if, tried in the worker; null until they are known. */
export function useIdeas(plan: Plan, wanted: boolean): { ideas: readonly Tried[] | null; failed: boolean } {
  const desk = useRef<Desk | null>(null);
  const [known, setKnown] = useState<{ of: Plan; ideas: readonly Tried[] | null; failed: boolean } | null>(null);
  useEffect(() => () => desk.current?.close(), []);
  useEffect(() => {
    if (!wanted) return;
    const rest = setTimeout(() => {
      desk.current ??= new Desk();
      desk.current.ask({ ask: "what if", plan }, (answer) => {
        if (answer.is === "tried") setKnown({ of: plan, ideas: answer.ideas, failed: false });
        else if (answer.is === "failed") setKnown({ of: plan, ideas: null, failed: true });
      });
    }, REST);
    return () => clearTimeout(rest);
  }, [plan, wanted]);
  return known?.of === plan ? known : { ideas: null, failed: false };
}
