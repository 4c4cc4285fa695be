import { useEffect, useRef, useState } from "react";
import type { Plan } from "#core/plan/plan";
import type { JobStanding } from "~/plan-of-work/standing";
import type { Answer, Asking, Trials } from "./messages";

/** A worker for one question at a time: a newer question ends it, whatever it is doing. */
class Desk {
  private worker: Worker | null = null;
  private busy = false;
  private asked = 0;

  ask(question: Omit<Asking, "id">, onAnswer: (answer: Answer) => void) {
    if (this.busy) this.close();
    if (!this.worker) this.worker = new Worker(new URL("./schedule.worker.ts", import.meta.url), { type: "module" });
    const id = ++this.asked;
    this.busy = true;
    this.worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      if (data.id !== id) return;
      this.busy = false;
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

/** Milliseconds without an edit before ideas are tried. */
const REST = 250;

export interface Ideas {
  /** null until they are known */
  trials: Trials | null;
  /** those are of another choice of ideas to be tried together */
  trying: boolean;
  failed: boolean;
}

/** The ideas of What if, tried in the worker; `together` are the ids of those to be tried all at once. */
export function useIdeas(
  plan: Plan,
  { shop, around }: Pick<JobStanding, "shop" | "around">,
  wanted: boolean,
  together: string,
): Ideas {
  const desk = useRef<Desk | null>(null);
  const [known, setKnown] = useState<{ of: Plan; together: string; trials: Trials | null } | null>(null);
  useEffect(() => () => desk.current?.close(), []);
  useEffect(() => {
    if (!wanted) return;
    const rest = setTimeout(() => {
      desk.current ??= new Desk();
      desk.current.ask({ plan, shop, around, together: together.split(",") }, (answer) =>
        setKnown({ of: plan, together, trials: answer.is === "tried" ? answer : null }),
      );
    }, REST);
    return () => clearTimeout(rest);
  }, [plan, shop, around, wanted, together]);
  if (known?.of !== plan) return { trials: null, trying: true, failed: false };
  return { trials: known.trials, trying: known.together !== together, failed: known.trials === null };
}
