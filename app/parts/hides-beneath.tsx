import { useMemo } from "react";
import { betterUnder, coatsToHide, FULL_HIDING } from "#core/colour/coats-to-hide";
import { isTranslucent } from "#core/colour/material-colour";
import { surfaceAfter, type ZoneJudgement } from "#core/judge/judge";
import { coloursSeen } from "#core/judge/look";
import { CATALOGUE } from "#core/materials/catalogue";
import { bareSurface } from "#core/surface/surface";
import { useJob } from "~/editor/job-editor";
import { countOf } from "~/words/amount";

/** How many coats of the selected step hide what really lies beneath it, beside how many it lays. */
export function HidesBeneath({ judged, stepId }: { judged: ZoneJudgement; stepId: string }) {
  const { plan } = useJob();
  const { zone, phases } = judged;
  const at = phases.findIndex(({ phase }) => phase.step.id === stepId);
  const phase = phases[at]?.phase;
  const told = useMemo(() => {
    if (!phase?.material || isTranslucent(phase.material) || phase.material.role === "leaf") return null;
    const under = coloursSeen(at === 0 ? bareSurface(zone.ground) : surfaceAfter(judged, at - 1)).field;
    const below = phases[at - 1]?.phase.material;
    const better =
      below?.role === "paint" && !isTranslucent(below)
        ? betterUnder(phase.material, below, phase.coats, [...plan.pinned.materials, ...CATALOGUE])
        : null;
    return { under, better, ...coatsToHide(phase.material, under) };
  }, [judged, phase, phases, at, zone, plan]);
  if (!told || !phase) return null;
  const { under, better, overGround, onChart } = told;
  return (
    <p className="mt-2 flex items-center gap-2 text-note" data-hides="">
      <span
        className="size-3.5 shrink-0 rounded-full border border-edge"
        style={{ background: under }}
        role="img"
        aria-label="What lies beneath"
      />
      <span title={`On a black and white chart (contrast ${FULL_HIDING}): ${onChart ?? "more than a dozen"}`}>
        {overGround === null ? "does not hide this in a dozen coats" : `hides this in ${countOf(overGround, "coat")}`},
        this step lays {phase.coats}
        {better && `; over ${better.under.name} ${countOf(better.coats, "coat")} would do`}
      </span>
    </p>
  );
}
