import { useSearchParams } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { type Zone, zonesOf } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";

export interface Selection {
  zone: Zone | undefined;
  judged: ZoneJudgement | undefined;
  stepId: string | null;
  /** where the next step would be added, counted from the ground; null while nothing is being added */
  addAt: number | null;
  /** the finding named in the address, for pages without scripts */
  findingId: string | null;
  /** what is shown instead of the selected step */
  aside: "next" | "compare" | null;
  /** the crust compared with this one */
  compareWith: string | null;
  linkTo: (change: {
    zone?: string;
    step?: string | null;
    add?: number | null;
    finding?: string;
    aside?: "next" | "compare";
    compareWith?: string;
  }) => string;
}

/** What is selected. It lives in the address, so that links, the keyboard and a reload all agree. */
export function useSelection(): Selection {
  const { plan, judgement } = useJob();
  const [params] = useSearchParams();
  const zones = zonesOf(plan);
  const zone = zones.find((zone) => zone.id === params.get("zone")) ?? zones[0];
  const judged = judgement.zones.find((zoneJudgement) => zoneJudgement.zone.id === zone?.id);
  const stepId = params.get("step");
  const add = params.get("add");
  const addAt = add === null || !/^\d{1,3}$/.test(add) ? null : Math.min(Number(add), judged?.crust.steps.length ?? 0);
  return {
    zone,
    judged,
    stepId: judged?.crust.steps.some((step) => step.id === stepId) ? stepId : null,
    addAt,
    findingId: params.get("finding"),
    aside: params.get("aside") === "next" ? "next" : params.get("aside") === "compare" ? "compare" : null,
    compareWith: params.get("with"),
    linkTo: (change) => {
      const next = new URLSearchParams();
      const zoneId = change.zone ?? zone?.id;
      if (zoneId) next.set("zone", zoneId);
      const step = change.step === undefined ? (change.zone ? null : stepId) : change.step;
      if (step) next.set("step", step);
      if (change.add !== undefined && change.add !== null) next.set("add", String(change.add));
      if (change.finding) next.set("finding", change.finding);
      if (change.aside) next.set("aside", change.aside);
      if (change.compareWith) next.set("with", change.compareWith);
      return `?${next}`;
    },
  };
}
