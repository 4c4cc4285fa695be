import { useEffect, useRef, useState } from "react";
import type { Plan } from "#core/plan/plan";
import type { Tried } from "#core/schedule/what-if";
import type { JobStanding } from "~/plan-of-work/standing";
import type { Answer, Asking } from "./messages";

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

/** The ideas of What if, tried in the worker; null until they are known. */
export function useIdeas(
  plan: Plan,
  { shop, around }: Pick<JobStanding, "shop" | "around">,
  wanted: boolean,
): { ideas: readonly Tried[] | null; failed: boolean } {
  const desk = useRef<Desk | null>(null);
  const [known, setKnown] = useState<{ of: Plan; ideas: readonly Tried[] | null; failed: boolean } | null>(null);
  useEffect(() => () => desk.current?.close(), []);
  useEffect(() => {
    if (!wanted) return;
    const rest = setTimeout(() => {
      desk.current ??= new Desk();
      desk.current.ask({ plan, shop, around }, (answer) => {
        if (answer.is === "tried") setKnown({ of: plan, ideas: answer.ideas, failed: false });
        else setKnown({ of: plan, ideas: null, failed: true });
      });
    }, REST);
    return () => clearTimeout(rest);
  }, [plan, shop, around, wanted]);
  return known?.of === plan ? known : { ideas: null, failed: false };
}
