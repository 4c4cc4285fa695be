import { Link } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import type { Step } from "#core/plan/plan";
import { SEVERITY_ORDER } from "#core/rules/rule";
import { cautionsFor } from "#core/safety/safety";
import { AddStep } from "~/adding/add-step";
import { WhatNext } from "~/adding/what-next";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { Answers } from "~/parts/answers";
import { CompareCrusts } from "~/parts/compare-crusts";
import { CrustButtons } from "~/parts/crust-buttons";
import { DistressReach } from "~/parts/distress-reach";
import { HidesBeneath } from "~/parts/hides-beneath";
import { SafetyNote } from "~/parts/safety-note";
import type { Selection } from "~/parts/selection";
import { StepButtons } from "~/parts/step/step-buttons";
import { StepForm } from "~/parts/step/step-form";
import { Explained } from "~/parts/term";
import { WhatShows } from "~/parts/what-shows";
import { countOf } from "~/words/amount";
import { Findings } from "./findings";

export function SelectionPanel({ judged, selection }: { judged: ZoneJudgement; selection: Selection }) {
  const { plan } = useJob();
  const { crust, zone, findings, phases } = judged;
  const step = crust.steps.find((step) => step.id === selection.stepId);
  if (selection.addAt !== null || crust.steps.length === 0)
    return <AddStep judged={judged} at={selection.addAt ?? 0} selection={selection} />;
  if (selection.aside === "next") return <WhatNext judged={judged} selection={selection} />;
  if (selection.aside === "compare") return <CompareCrusts judged={judged} selection={selection} />;
  const told = [...findings]
    .sort((a, b) => SEVERITY_ORDER[a.severity] - SEVERITY_ORDER[b.severity])
    .filter((finding) => !step || finding.stepId === step.id);
  if (!step)
    return (
      <div className="flex flex-col gap-3">
        <h2 className="text-lg">{told.some((finding) => finding.severity !== "note") ? "Problems" : "No problems"}</h2>
        {told.every((finding) => finding.severity === "note") && (
          <p className="text-soft">
            <Explained text="Every seam of this crust is sound under your house rules, on this ground and for this use." />{" "}
            Select a step to change it.
          </p>
        )}
        <Findings told={told} judged={judged} selection={selection} />
        {/* where there is room, it is beside the small board of the zone */}
        <div className="lg:hidden">
          <WhatShows judged={judged} />
        </div>
        <CrustButtons judged={judged} selection={selection} />
      </div>
    );
  const phase = phases.find((placed) => placed.phase.step.id === step.id)?.phase;
  const number = crust.steps.indexOf(step) + 1;
  return (
    <div className="flex flex-col gap-4">
      {told.length > 0 && (
        <div className="flex flex-col gap-2">
          <Findings told={told} judged={judged} selection={selection} />
        </div>
      )}
      {phase && <SafetyNote cautions={cautionsFor(phase, zone)} />}
      <DistressReach judged={judged} stepId={step.id} />
      <section id="selection" aria-label="Selected step">
        <div className="mb-2 flex items-baseline justify-between gap-2">
          <h2 className="text-lg">
            <span className="kicker mr-1 text-[0.9375rem] text-soft">{number}</span> {stepName(plan, step)}
          </h2>
          <Link to={selection.linkTo({ step: null })} replace preventScrollReset className="link text-note">
            Deselect
          </Link>
        </div>
        {step.branches && <Answers crust={crust} step={step} />}
        <StepForm crust={crust} step={step} zone={zone} />
        <HidesBeneath judged={judged} stepId={step.id} />
        {phase?.technique.sign && (
          <p className="mt-3 border-l-4 border-l-edge pl-3 text-note">
            <b className="font-semibold">Look for:</b> <Explained text={phase.technique.sign} />. The sign overrules the
            clock.
          </p>
        )}
        <div className="mt-4">
          <StepButtons crust={crust} step={step} />
        </div>
      </section>
    </div>
  );
}

/** What the pane beside the ladder shows, in a word or two. */
export function selectionName(
  { crust, findings }: ZoneJudgement,
  selection: Selection,
  nameOf: (step: Step) => string,
): string {
  if (selection.addAt !== null || crust.steps.length === 0) return "Add a step";
  if (selection.aside === "next") return "What next?";
  if (selection.aside === "compare") return "Compare crusts";
  const step = crust.steps.find(({ id }) => id === selection.stepId);
  if (step) return nameOf(step);
  const problems = findings.filter(({ severity }) => severity !== "note").length;
  return problems > 0 ? countOf(problems, "problem") : "No problems";
}
