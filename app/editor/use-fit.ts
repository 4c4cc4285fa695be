import { useEffect, useRef, useState } from "react";
import type { Plan } from "#core/plan/plan";
import type { Around } from "#core/schedule/crew";
import { markOf } from "#core/schedule/mark";
import type { JobPlan } from "#core/schedule/plan-of-work";
import type { Scheduling } from "~/days/schedule.worker";
import { type OffPage, offPage } from "~/first/off-page";
import type { JobStanding } from "~/plan-of-work/standing";

/** Whether what is known of a job is of the job as it is. */
export const isOf = (own: JobPlan | null, plan: Plan): own is JobPlan => own !== null && own.mark === markOf(plan);

/** Edits that follow each other so soon are dated together. */
const REST_MILLISECONDS = 200;

type Within = Pick<JobStanding, "own" | "fit" | "shop" | "around">;

export interface Fit {
  /** the job as it would fit in; null where its dates are of it as it is, or nothing is known yet */
  rough: JobPlan | null;
  /** that is of the job before the last edit: the new one is being worked out */
  settling: boolean;
}

/**
 * How a job fits in among the others after an edit: worked out off the page, so that the next edit never waits for it.
 * `heavy` work is left to the shop's own planning.
 */
export function useFit(plan: Plan, { own, fit, shop, around }: Within, heavy: boolean): Fit {
  const program = useRef<OffPage<Scheduling> | null>(null);
  const [worked, setWorked] = useState<{ of: Plan; within: Around; job: JobPlan } | null>(null);
  // where the worker does not start, the page is held up a little; where that fails too, the dates before stand
  const [way, setWay] = useState<"worker" | "page" | "none">("worker");
  useEffect(
    () => () => {
      program.current?.close();
      program.current = null;
    },
    [],
  );
  const stands = heavy || isOf(own, plan);
  const isWorked = worked?.of === plan && worked.within === around;
  const isAsked = !(stands || isOf(fit, plan) || isWorked || way === "none");
  useEffect(() => {
    if (!isAsked) return;
    let over = false;
    const hear = (job: JobPlan | null) => {
      if (job && !over) setWorked({ of: plan, within: around, job });
    };
    const inWorker = () => {
      const failed = () => setWay("page");
      program.current ??= offPage<Scheduling>(
        new Worker(new URL("../days/schedule.worker.ts", import.meta.url), { type: "module" }),
        failed,
      );
      program.current.run.fitted({ plan, shop, around }).then(hear, failed);
    };
    const onPage = async () => {
      const { fittedIn, workOf } = await import("#core/schedule/plan-of-work");
      if (!over) hear(fittedIn(workOf(plan, shop), around));
    };
    const work = () => (way === "worker" ? inWorker() : void onPage().catch(() => setWay("none")));
    const rested = setTimeout(work, REST_MILLISECONDS);
    return () => {
      over = true;
      clearTimeout(rested);
    };
  }, [plan, shop, around, isAsked, way]);
  if (stands) return { rough: null, settling: false };
  return { rough: isOf(fit, plan) ? fit : (worked?.job ?? fit), settling: isAsked };
}
