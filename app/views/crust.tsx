import { nanoid } from "nanoid";
import { Link, useNavigate } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import type { Step } from "#core/plan/plan";
import { type Finding, SEVERITY_ORDER } from "#core/rules/rule";
import { cautionsFor } from "#core/safety/safety";
import { sayDuration } from "#core/units/duration";
import { AddStep } from "~/adding/add-step";
import { WhatNext } from "~/adding/what-next";
import { useJob } from "~/editor/job-editor";
import { readEditForm, stepName } from "~/forms/edit-form";
import { EditForm } from "~/forms/edit-form-parts";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { Ladder } from "~/ladder/ladder";
import { useLadder } from "~/ladder/use-ladder";
import { Answers } from "~/parts/answers";
import { CompareCrusts } from "~/parts/compare-crusts";
import { CrustButtons } from "~/parts/crust-buttons";
import { DistressReach } from "~/parts/distress-reach";
import { FindingCard } from "~/parts/finding-card";
import { useFold } from "~/parts/fold";
import { HidesBeneath } from "~/parts/hides-beneath";
import { Leaders } from "~/parts/leaders";
import { NoZone } from "~/parts/no-zone";
import { panes } from "~/parts/panes";
import { SafetyNote } from "~/parts/safety-note";
import { type Selection, useSelection } from "~/parts/selection";
import { SidePane } from "~/parts/side-pane";
import { StepButtons, StepForm } from "~/parts/step-form";
import { Explained } from "~/parts/term";
import { useRoom } from "~/parts/use-room";
import { WhatShows } from "~/parts/what-shows";
import { columnRoom, useSection, ZoneColumn } from "~/parts/zone-column";
import { countOf } from "~/words/amount";

const LADDER_TOP = 50;

function useCrustKeys(judged: ZoneJudgement | undefined, selection: Selection) {
  const editor = useJob();
  const navigate = useNavigate();
  const steps = judged?.crust.steps ?? [];
  const at = steps.findIndex((step) => step.id === selection.stepId);
  const step = steps[at];
  const go = (to: string) => navigate(to, { replace: true, preventScrollReset: true });
  const hold = (index: number) => {
    const next = steps[Math.max(0, Math.min(steps.length - 1, index))];
    if (next) go(selection.linkTo({ step: next.id }));
  };
  const form = (fields: Record<string, string>) => {
    if (!judged) return;
    const done = readEditForm(editor.plan, { crustId: judged.crust.id, stepId: step?.id ?? "", ...fields }, () =>
      nanoid(10),
    );
    if (!done.ok) return;
    if (editor.send(done.label, done.commands) === null && done.step !== step?.id)
      go(selection.linkTo({ step: done.step ?? null }));
  };
  const { keys } = KEYS.crust;
  useKey(keys.above, () => hold(at < 0 ? 0 : at + 1));
  useKey(keys.below, () => hold(at < 0 ? steps.length - 1 : at - 1));
  useKey(keys.moveUp, () => form({ do: "move step", to: "up" }));
  useKey(keys.moveDown, () => form({ do: "move step", to: "down" }));
  useKey(keys.remove, () => step && form({ do: "remove step" }));
  useKey(keys.addOver, () => go(selection.linkTo({ add: at < 0 ? steps.length : at + 1 })), {
    ignoreEventWhen: ({ target }) => target instanceof Element && answersEnter(target),
  });
  useKey(keys.addUnder, () => go(selection.linkTo({ add: Math.max(0, at) })));
  useKey(keys.edit, () =>
    document.querySelector<HTMLElement>("#selection select, #selection input:not([type=hidden])")?.focus(),
  );
  useKey(keys.repair, () => document.querySelector<HTMLElement>("[data-first-fix]")?.click());
  useKey(keys.nextFinding, () => {
    const all = editor.judgement.zones
      .flatMap((zone) => zone.findings)
      .filter((finding) => finding.severity !== "note");
    const here = all.findIndex(
      (finding) => finding.zoneId === selection.zone?.id && finding.stepId === selection.stepId,
    );
    const next = all[(here + 1) % Math.max(1, all.length)];
    if (next) go(selection.linkTo({ zone: next.zoneId, step: next.stepId }));
  });
  useKey(keys.whatNext, () => go(selection.linkTo({ aside: "next" })));
  useKey(keys.deselect, () => go(selection.linkTo({ step: selection.addAt === null ? null : undefined, add: null })), {
    enableOnFormTags: true,
  });
}

/** Whether what is in focus does something of its own on Enter. A step of the ladder does not: Enter adds over it. */
const answersEnter = (target: Element): boolean =>
  target.closest("a, button, summary") !== null && !target.closest("[data-step]");

function whereOf({ stepId, lower, surface }: Finding, numberOf: (stepId: string) => number): string {
  if (surface) return "the finished surface";
  const below = lower === undefined || lower === "ground" ? 0 : numberOf(lower);
  return below > 0 ? `step ${numberOf(stepId)} on ${below}` : `step ${numberOf(stepId)}`;
}

/** Findings of one place, the worst first; notes are folded away unless there is nothing else. */
function Findings({
  told,
  judged,
  selection,
}: {
  told: readonly Finding[];
  judged: ZoneJudgement;
  selection: Selection;
}) {
  const numberOf = (stepId: string) => judged.crust.steps.findIndex((step) => step.id === stepId) + 1;
  const asked = told.find((finding) => finding.id === selection.findingId);
  const card = (finding: Finding, open: boolean) => (
    <FindingCard
      key={finding.id}
      finding={finding}
      open={asked ? finding === asked : open}
      where={whereOf(finding, numberOf)}
      linkToOpen={selection.linkTo({ finding: finding.id })}
    />
  );
  const loud = told.filter((finding) => finding.severity !== "note");
  const notes = told.filter((finding) => finding.severity === "note");
  return (
    <>
      {loud.map((finding, index) => card(finding, index === 0))}
      {notes.length > 0 && (
        <details open={loud.length === 0 && notes.length <= 2} data-notes="">
          <summary className="py-1 text-soft">{countOf(notes.length, "note")}, normal and worth knowing</summary>
          <div className="mt-1 flex flex-col gap-2">{notes.map((finding) => card(finding, false))}</div>
        </details>
      )}
    </>
  );
}

function SelectionPanel({ judged, selection }: { judged: ZoneJudgement; selection: Selection }) {
  const { plan } = useJob();
  const { crust, zone, findings, phases } = judged;
  const step = crust.steps.find((one) => one.id === selection.stepId);
  if (selection.addAt !== null || crust.steps.length === 0)
    return <AddStep judged={judged} at={selection.addAt ?? 0} selection={selection} />;
  if (selection.aside === "next") return <WhatNext judged={judged} selection={selection} />;
  if (selection.aside === "compare") return <CompareCrusts judged={judged} selection={selection} />;
  const told = [...findings]
    .sort((one, two) => SEVERITY_ORDER[one.severity] - SEVERITY_ORDER[two.severity])
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
function selectionName(
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

export default function CrustView() {
  const { plan, send } = useJob();
  const selection = useSelection();
  const { judged } = selection;
  useCrustKeys(judged, selection);
  const { frame, height, narrow } = useRoom();
  const fold = useFold();
  const room = columnRoom({ height, narrow });
  const geometry = useSection(judged, room.section, selection.stepId);
  const layout = useLadder(judged, height - LADDER_TOP - 8, selection);
  if (!judged || !layout) return <NoZone says="Add a zone, and build its crust here" />;
  const { crust, phases } = judged;
  const hands = phases.reduce((sum, placed) => sum + placed.phase.hands, 0);
  return (
    <div ref={frame} className="panes relative" style={panes(`${fold.width} minmax(0, 1fr) 324px`)}>
      <div className="pane-left">
        {fold.folded ? (
          <div className="p-2">{fold.button}</div>
        ) : (
          <ZoneColumn judged={judged} geometry={geometry} selection={selection} room={room} fold={fold.button} />
        )}
      </div>
      <div className="pane" style={{ scrollbarGutter: "stable" }}>
        <div
          className="flex items-center gap-x-3 pr-4 pl-6 max-sm:flex-wrap max-sm:py-2 max-sm:pl-4"
          style={{ minHeight: LADDER_TOP }}
        >
          <EditForm
            key={crust.name}
            does="rename crust"
            about={{ crustId: crust.id }}
            autosave
            label="Name of the crust"
            className="min-w-0 flex-1 max-sm:basis-full"
          >
            {({ faults }) => (
              <>
                <input
                  name="crustName"
                  type="text"
                  aria-label="Name of the crust"
                  aria-invalid={faults.crustName ? true : undefined}
                  defaultValue={crust.name}
                  className="w-full truncate rounded-std border border-transparent bg-transparent px-1 font-head text-xl font-semibold hover:border-line focus:border-edge focus:bg-white"
                />
                {faults.crustName && <p className="text-note text-ochre">{faults.crustName}</p>}
              </>
            )}
          </EditForm>
          <span className="shrink-0 text-note text-soft">
            {countOf(crust.steps.length, "step")} · {sayDuration(hands)}
          </span>
          <Link
            to={`/jobs/${plan.id}/finish?zone=${judged.zone.id}`}
            className="shrink-0 py-1 font-semibold text-verdigris hover:underline"
          >
            Finishes
          </Link>
          <Link
            to={selection.linkTo({ aside: "next", step: selection.stepId })}
            replace
            preventScrollReset
            className="shrink-0 py-1 font-semibold text-verdigris hover:underline"
          >
            What next?
          </Link>
          <Link
            to={selection.linkTo({ add: crust.steps.length, step: null })}
            replace
            preventScrollReset
            className="shrink-0 py-1 font-semibold text-verdigris hover:underline"
          >
            Add step
          </Link>
        </div>
        <Ladder
          judged={judged}
          layout={layout}
          selection={selection}
          nameOf={(step) => stepName(plan, step)}
          onMove={(stepId, to) => {
            const done = readEditForm(plan, { do: "move step", crustId: crust.id, stepId, to: String(to) }, () =>
              nanoid(10),
            );
            if (done.ok) send(done.label, done.commands);
          }}
        />
        {crust.steps.length === 0 && (
          <p className="px-14 py-3 text-soft">
            No steps yet.{" "}
            <Link to={`/jobs/${plan.id}/finish?zone=${judged.zone.id}`} className="link">
              Choose a finish
            </Link>
            , or the first step on the right; work from the ground up.
          </p>
        )}
        {layout.height > height - LADDER_TOP && <div className="h-8" />}
      </div>
      {!fold.folded && LADDER_TOP + layout.height <= height && (
        <div className="contents max-lg:hidden">
          <Leaders
            geometry={geometry}
            sectionTop={room.sectionTop}
            ladderTop={LADDER_TOP}
            middles={layout.middles}
            sectionLeft={10}
            ladderLeft={364}
            height={height}
            selected={selection.stepId}
          />
        </div>
      )}
      <SidePane
        label="Selection"
        button={selectionName(judged, selection, (step) => stepName(plan, step))}
        wake={`${selection.addAt ?? ""} ${selection.aside ?? ""} ${selection.stepId ?? ""}`.trim()}
        opened={selection.addAt !== null || crust.steps.length === 0}
        className="p-4"
      >
        <SelectionPanel judged={judged} selection={selection} />
      </SidePane>
    </div>
  );
}
