import { useEffect, useRef, useState } from "react";
import type { Plan } from "#core/plan/plan";
import { type OffPage, offPage } from "~/first/off-page";
import type { JobStanding } from "~/plan-of-work/standing";
import type { Asking, Trials } from "./messages";
import type { Scheduling } from "./schedule.worker";

/** A program for one question at a time: a newer question ends it, whatever it is doing. */
class Desk {
  private program: OffPage<Scheduling> | null = null;
  private busy = false;

  /** What the ideas come to; null where they could not be tried. A question that a newer one has ended is never answered. */
  ask(question: Asking, onAnswer: (trials: Trials | null) => void) {
    if (this.busy) this.close();
    this.program ??= offPage<Scheduling>(
      new Worker(new URL("./schedule.worker.ts", import.meta.url), { type: "module" }),
      () => {
        this.close();
        onAnswer(null);
      },
    );
    const { program } = this;
    this.busy = true;
    const answer = (trials: Trials | null) => {
      if (this.program !== program) return;
      this.busy = false;
      onAnswer(trials);
    };
    program.run.trials(question).then(answer, () => answer(null));
  }

  close() {
    this.program?.close();
    this.program = null;
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
      desk.current.ask({ plan, shop, around, together: together.split(",") }, (trials) =>
        setKnown({ of: plan, together, trials }),
      );
    }, REST);
    return () => clearTimeout(rest);
  }, [plan, shop, around, wanted, together]);
  if (known?.of !== plan) return { trials: null, trying: true, failed: false };
  return { trials: known.trials, trying: known.together !== together, failed: known.trials === null };
}
