import { useEffect, useState } from "react";
import type { ZoneJudgement } from "#core/judge/judge";
import { type NextOptions, next, type Option } from "#core/judge/next";
import type { Plan } from "#core/plan/plan";
import { pickOf } from "./choices";

type Verdicts = ReadonlyMap<string, Option>;

const NONE: Verdicts = new Map();

/** How many phases of a zone lie under a place among its steps. */
export function phasesUnder({ crust, phases }: ZoneJudgement, at: number): number {
  const under = new Set(crust.steps.slice(0, at).map(({ id }) => id));
  return phases.filter(({ phase }) => under.has(phase.step.id)).length;
}

/** What the checks say of what can be added at a place, by what is picked. Worked out when the list is on the screen. */
export function useVerdicts(plan: Plan, judged: ZoneJudgement, at: number, asked: NextOptions): Verdicts {
  const [found, setFound] = useState(NONE);
  useEffect(() => {
    const timer = setTimeout(() => {
      const options = next(plan, judged, { ...asked, done: phasesUnder(judged, at) });
      setFound(new Map(options.map((option) => [pickOf(option.technique, option.material), option])));
    });
    return () => clearTimeout(timer);
  }, [plan, judged, at, asked]);
  return found;
}
