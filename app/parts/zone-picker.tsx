import { Link, useNavigate } from "react-router";
import { zonesOf } from "#core/plan/plan";
import { SEVERITY_WORDS, SeamMark, worstOf } from "~/drawing/severity";
import { useJob } from "~/editor/job-editor";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import type { Selection } from "./selection";

/** The zones of the job, the selected one filled; each shows the worst finding on it. */
export function ZonePicker({ selection }: { selection: Selection }) {
  const { plan, judgement } = useJob();
  const navigate = useNavigate();
  const zones = zonesOf(plan);
  const at = zones.findIndex((zone) => zone.id === selection.zone?.id);
  const go = (step: number) => {
    const zone = zones[(at + step + zones.length) % zones.length];
    if (zone) navigate(selection.linkTo({ zone: zone.id }), { replace: true, preventScrollReset: true });
  };
  useKey(KEYS.job.keys.previousZone, () => go(-1));
  useKey(KEYS.job.keys.nextZone, () => go(1));
  return (
    <nav aria-label="Zones" className="flex max-h-[50vh] flex-wrap gap-1.5 overflow-y-auto">
      {zones.map((zone) => {
        const chosen = zone.id === selection.zone?.id;
        const findings = judgement.zones.find((zoneJudgement) => zoneJudgement.zone.id === zone.id)?.findings ?? [];
        const worst = worstOf(findings);
        return (
          <Link
            key={zone.id}
            to={selection.linkTo({ zone: zone.id })}
            replace
            preventScrollReset
            aria-current={chosen ? "true" : undefined}
            className={`flex min-h-[26px] items-center gap-1.5 rounded-std border px-2 text-note font-medium ${chosen ? "border-ink bg-ink text-board" : "border-line bg-board hover:border-ink"}`}
          >
            {zone.name}
            {worst && worst !== "note" && (
              <span className={`flex ${chosen ? "rounded-std bg-board px-0.5" : ""}`}>
                <SeamMark severity={worst} width={14} />
                <span className="sr-only">: {SEVERITY_WORDS[worst].one}</span>
              </span>
            )}
          </Link>
        );
      })}
    </nav>
  );
}
