import { useMemo } from "react";
import { useNavigate } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { isTimber } from "#core/plan/ground";
import { type ReliefClass, zoneArea, zonesWithCrust } from "#core/plan/plan";
import { SEVERITY_ORDER, type Severity } from "#core/rules/rule";
import { groundNamed } from "#core/rules/words";
import { SectionDrawing } from "~/drawing/section-drawing";
import { layersOf, type SectionGeometry, sectionGeometry } from "~/drawing/section-profile";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { sayArea } from "~/words/amount";
import { reachOnSection } from "./distress-reach";
import type { Selection } from "./selection";
import { ZonePicker } from "./zone-picker";

export const SECTION_WIDTH = 316;

/** The relief class under each name that is written below the drawing. */
const RELIEF_OF: Record<string, ReliefClass> = { arris: "arris", field: "field", groove: "recess", bead: "high" };

/** The section through a zone's crust as it is after the last step; nothing if there is no zone. */
export function useSection(
  judged: ZoneJudgement | undefined,
  height: number,
  stepId: string | null = null,
): SectionGeometry {
  return useMemo(() => {
    // with a distressing step selected, the section shows it as that step leaves it, not as later layers cover it
    const after = judged && (reachOnSection(judged, stepId)?.after ?? judged.after);
    const layers = judged && after ? layersOf(after, judged.crust.steps) : [];
    return sectionGeometry(layers, { width: SECTION_WIDTH, height });
  }, [judged, height, stepId]);
}

/** The section of the selected zone, its name and the way to the other zones. */
export function SectionPanel({
  judged,
  geometry,
  selection,
  height,
  linkBase = "",
}: {
  judged: ZoneJudgement;
  geometry: SectionGeometry;
  selection: Selection;
  height: number;
  linkBase?: string;
}) {
  const { plan } = useJob();
  const navigate = useNavigate();
  const { zone, crust, findings } = judged;
  const size = { width: SECTION_WIDTH, height };
  const faults = new Map<string, Severity>();
  let surfaceFault: Severity | null = null;
  for (const { stepId, severity, surface } of findings) {
    if (surface && severity !== "note") surfaceFault = severity;
    if (surface) continue;
    const known = faults.get(stepId);
    if (severity !== "note" && (!known || SEVERITY_ORDER[severity] < SEVERITY_ORDER[known]))
      faults.set(stepId, severity);
  }
  const reach = useMemo(() => reachOnSection(judged, selection.stepId), [judged, selection.stepId]);
  const shared = zonesWithCrust(plan, crust.id).length - 1;
  const stepOf = new Map(crust.steps.map((step) => [step.id, step]));
  return (
    <section aria-label="Section" className="flex h-full flex-col px-2.5 pt-4">
      <div className="px-2.5">
        <h1 className="text-view">{zone.name}</h1>
        <p className="mb-2 truncate text-note text-soft">
          {[groundNamed(zone.ground), sayArea(zoneArea(zone)), shared > 0 ? `crust shared with ${shared} more` : ""]
            .filter(Boolean)
            .join(" · ")}
        </p>
        <ZonePicker selection={selection} />
      </div>
      <div className="mt-auto">
        <SectionDrawing
          geometry={geometry}
          size={size}
          groundColour={zone.ground.colour}
          timber={isTimber(zone.ground.kind)}
          label={`Cut through the crust of ${zone.name}, ${geometry.strips.length} layers on ${groundNamed(zone.ground)}`}
          selected={selection.stepId}
          nameOf={(stepId) => stepName(plan, stepOf.get(stepId)!)}
          linkTo={(stepId) => `${linkBase}${selection.linkTo({ step: stepId })}`}
          faults={faults}
          surfaceFault={surfaceFault}
          insertOver={
            linkBase
              ? undefined
              : (stepId) =>
                  navigate(
                    selection.linkTo({
                      add: crust.steps.findIndex((step) => step.id === stepId) + 1,
                      step: null,
                    }),
                    { replace: true, preventScrollReset: true },
                  )
          }
        />
        <div className="relative h-9 text-note text-soft" aria-hidden="true" data-reach-marks={reach ? "" : undefined}>
          {geometry.landmarks.map(({ name, x }) => (
            <span key={name} className="absolute -translate-x-1/2 text-center leading-4" style={{ left: x }}>
              {name}
              {reach?.opened.get(RELIEF_OF[name]!) && (
                <span className="flex items-center justify-center gap-1 whitespace-nowrap font-semibold text-ink">
                  <span
                    className="size-2.5 rounded-full border border-edge"
                    style={{ background: reach.opened.get(RELIEF_OF[name]!)!.colour }}
                  />
                  {Math.round(reach.opened.get(RELIEF_OF[name]!)!.after * 100)} %
                </span>
              )}
            </span>
          ))}
        </div>
      </div>
    </section>
  );
}
