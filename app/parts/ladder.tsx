import { Plus } from "lucide-react";
import { type ReactNode, useMemo, useState } from "react";
import { Link } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { sayEffort } from "#core/plan/effort";
import { isTimber } from "#core/plan/ground";
import { sayMix } from "#core/plan/mix";
import { materialName, type Step } from "#core/plan/plan";
import { groundNamed } from "#core/rules/words";
import type { JobPlan } from "#core/schedule/plan-of-work";
import { findTechnique } from "#core/surface/techniques";
import type { WallMinutes } from "#core/units/units";
import { sayDayClock } from "#core/units/when";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import { GroundSwatch, HandMark, Swatch } from "~/drawing/swatch";
import { useJob, useJobEditor } from "~/editor/job-editor";
import { countOf } from "~/words/amount";
import { type SeamSays, sayGo, seamSays } from "./seam-words";
import type { Selection } from "./selection";
import { INTENT_SHORT, sayAmount, sayShare, sayWhere } from "./step-words";

export interface Rung {
  step: Step;
  number: number;
  seam: SeamSays;
  /** it is worked in one go with the step under it */
  joined: boolean;
}

/** How tall the parts of the ladder are, so that the whole stack stays in view. */
export interface LadderSizes {
  row: number;
  seam: number;
  surface: number;
  /** rows stand close, and what a seam says moves into the row above it */
  dense: boolean;
}

const LEAST_PITCH = 24;

/**
 * The roomiest sizes that show so many steps and the ground in this height, down to rows that are still large enough
 * to select.
 */
export function ladderSizes(count: number, available: number): LadderSizes {
  for (const [row, seam, surface] of [
    [36, 24, 26],
    [30, 20, 24],
    [25, 18, 22],
  ] as const)
    if (count * (row + seam) + row + surface <= available) return { row, seam, surface, dense: false };
  const pitch = Math.max(LEAST_PITCH, Math.min(34, Math.floor((available - 22 - LEAST_PITCH) / Math.max(1, count))));
  return { row: pitch - 3, seam: 3, surface: 22, dense: true };
}

/** What is said of the finished surface stands over the first row. */
export const surfaceSays = (judged: ZoneJudgement): SeamSays =>
  seamSays(
    undefined,
    judged.findings.filter((finding) => finding.surface),
  );

/** The steps of a zone's crust from the surface down, each with the seam under it. */
export function rungsOf(judged: ZoneJudgement): Rung[] {
  return judged.crust.steps
    .map((step, index): Rung => {
      const first = judged.phases.find((placed) => placed.phase.step.id === step.id);
      return {
        step,
        number: index + 1,
        joined: first !== undefined && sayGo(first) !== null,
        seam: seamSays(
          first,
          judged.findings.filter((finding) => finding.stepId === step.id && !finding.surface),
        ),
      };
    })
    .reverse();
}

/** How far from the top of the ladder the middle of each row is, by step id; the ground last. */
export function rungMiddles(
  judged: ZoneJudgement,
  rungs: readonly Rung[],
  { row, seam, surface }: LadderSizes,
): Map<string, number> {
  const middles = new Map<string, number>();
  let y = surfaceSays(judged).text ? surface : 0;
  for (const rung of rungs) {
    middles.set(rung.step.id, y + row / 2);
    y += row + seam;
  }
  middles.set("ground", y + row / 2);
  return middles;
}

interface Named {
  material: (id: string) => string;
  step: (id: string) => string;
}

/** Passes that a step needs here until what it is meant to show does. */
const passesOf = ({ phases }: ZoneJudgement, { id, effort }: Step): string => {
  const phase = effort?.until === undefined ? undefined : phases.find((one) => one.phase.step.id === id)?.phase;
  return phase ? `, ${countOf(phase.passes, "pass", "passes")} here` : "";
};

function detailOf(step: Step, judged: ZoneJudgement, named: Named): string {
  const technique = findTechnique(step.how);
  const words: string[] = [];
  if (step.what && technique && technique.name !== "Brush") words.push(technique.name.toLowerCase());
  if (step.coats > 1) words.push(`${step.coats} coats`);
  const where = sayWhere(step.where);
  if (where) words.push(where);
  if (step.where.over < 1) words.push(sayShare(step.where.over));
  if (step.again) words.push(`then again from ${named.step(step.again.from)}, ${step.again.rounds} rounds in all`);
  if (step.effort) words.push(`${sayEffort(step.effort)}${passesOf(judged, step)}`);
  if (step.amount) words.push(sayAmount(step.amount));
  if (step.uneven) words.push("thin here, thick there");
  if (step.mix) words.push(sayMix(step.mix, named.material));
  for (const intent of step.intents) words.push(INTENT_SHORT[intent]);
  if (!step.what && technique) words.push(technique.hint);
  return words.join(", ");
}

function InsertMark({ at, above, selection }: { at: number; above: string; selection: Selection }) {
  return (
    <Link
      to={selection.linkTo({ add: at, step: null })}
      replace
      preventScrollReset
      aria-label={`Add a step ${above}`}
      className="flex size-5 shrink-0 items-center justify-center rounded-full border border-edge bg-board text-verdigris opacity-0 hover:border-verdigris focus-visible:opacity-100 group-hover/seam:opacity-100 group-hover/row:opacity-100"
    >
      <Plus size={13} strokeWidth={1.75} aria-hidden="true" />
    </Link>
  );
}

const begins = new WeakMap<JobPlan, Map<string, WallMinutes>>();

/** When each step of each zone is first worked on. */
function beginningsIn(job: JobPlan): Map<string, WallMinutes> {
  const kept = begins.get(job);
  if (kept) return kept;
  const first = new Map<string, WallMinutes>();
  for (const { does, starts } of job.bookings)
    for (const { zoneId, phaseId } of does) {
      const key = `${zoneId}/${phaseId.split("/")[0]}`;
      if (!first.has(key)) first.set(key, starts);
    }
  begins.set(job, first);
  return first;
}

/** When a step begins: by the plan of work, or roughly where an edit has only just brought it in. Only this is drawn again when dates change. */
function Begins({ zoneId, stepId }: { zoneId: string; stepId: string }) {
  const { planned, rough } = useJobEditor();
  const key = `${zoneId}/${stepId}`;
  const at = planned ? beginningsIn(planned).get(key) : undefined;
  const about = at === undefined && rough ? beginningsIn(rough).get(key) : undefined;
  if (at !== undefined) return <span className="shrink-0 text-note text-soft">{sayDayClock(at)}</span>;
  if (about === undefined) return null;
  return (
    <span className="shrink-0 text-note text-soft italic" title="Not scheduled yet: roughly then">
      about {sayDayClock(about)}
    </span>
  );
}

function Row({ chosen, children, height }: { chosen: boolean; children: ReactNode; height: number }) {
  return (
    <div
      className={`flex items-center gap-2 border-l-[3px] pr-4 pl-3 ${chosen ? "border-l-verdigris bg-board" : "border-l-transparent hover:bg-board/60"}`}
      style={{ height }}
    >
      {children}
    </div>
  );
}

/** The bar between the swatches of two steps that are worked in one go. */
function GoBar({ sizes: { row, seam, dense }, indented }: { sizes: LadderSizes; indented: boolean }) {
  const swatch = dense ? 17 : 22;
  return (
    <span
      aria-hidden="true"
      className="pointer-events-none absolute w-[5px] border-x-2 border-ink/70"
      style={{ left: 44 + swatch / 2 - 1 + (indented ? 20 : 0), top: (row + swatch) / 2, height: row + seam - swatch }}
    />
  );
}

interface Props {
  judged: ZoneJudgement;
  rungs: readonly Rung[];
  sizes: LadderSizes;
  selection: Selection;
  nameOf: (step: Step) => string;
  /** a row was dragged to another place, counted from the ground */
  onMove: (stepId: string, to: number) => void;
}

function SeamText({ seam }: { seam: SeamSays }) {
  return (
    <span
      className={`min-w-0 truncate text-note ${seam.severity === "none" || seam.severity === "note" ? "text-soft" : `font-semibold ${SEVERITY_WORDS[seam.severity].text}`}`}
    >
      {seam.text && seam.severity !== "none" && <span className="sr-only">{SEVERITY_WORDS[seam.severity].one}: </span>}
      {seam.text}
    </span>
  );
}

/** The answer of an inspection that a step belongs to, by name. */
function wayOf(steps: readonly Step[], step: Step): string | null {
  if (step.branch === undefined) return null;
  for (const other of steps) {
    const branch = other.branches?.find((one) => one.id === step.branch);
    if (branch) return branch.name;
  }
  return null;
}

export function Ladder({ judged, rungs, sizes, selection, nameOf, onMove }: Props) {
  const [dragged, setDragged] = useState<string | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const { row: height, dense } = sizes;
  const { ground } = judged.zone;
  const { plan } = useJob();
  const named = useMemo<Named>(() => {
    const byId = new Map(judged.crust.steps.map((step) => [step.id, step]));
    const stepNamed = (id: string) => (byId.has(id) ? nameOf(byId.get(id)!).toLowerCase() : id);
    return { material: materialName(plan), step: stepNamed };
  }, [plan, judged.crust, nameOf]);
  const surface = surfaceSays(judged);
  const steps = judged.crust.steps;
  return (
    <ol aria-label="Steps, from the surface down to the ground" id="ladder" data-dense={dense}>
      {surface.text && (
        <li className="flex items-center gap-2 pr-4 pl-[44px]" style={{ height: sizes.surface }}>
          <SeamMark severity={surface.severity} />
          <SeamText seam={surface} />
        </li>
      )}
      {rungs.map((rung) => {
        const { step, seam, number, joined } = rung;
        const chosen = selection.stepId === step.id;
        const material = judged.phases.find((placed) => placed.phase.step.id === step.id)?.phase.material;
        const way = wayOf(steps, step);
        const loud = seam.severity === "stop" || seam.severity === "caution";
        const inRow = dense && (loud || (seam.tight && seam.text !== ""));
        return (
          <li
            key={step.id}
            draggable
            onDragStart={(event) => {
              event.dataTransfer.effectAllowed = "move";
              event.dataTransfer.setData("text/plain", step.id);
              setDragged(step.id);
            }}
            onDragOver={(event) => {
              if (dragged && dragged !== step.id) {
                event.preventDefault();
                setOver(step.id);
              }
            }}
            onDragEnd={() => {
              setDragged(null);
              setOver(null);
            }}
            onDrop={(event) => {
              event.preventDefault();
              if (dragged && dragged !== step.id) onMove(dragged, number - 1);
              setDragged(null);
              setOver(null);
            }}
            className={`relative ${dragged === step.id ? "opacity-50" : ""} ${over === step.id ? "bg-wash" : ""}`}
          >
            {joined && <GoBar sizes={sizes} indented={way !== null} />}
            <Row chosen={chosen} height={height}>
              <span className="w-6 shrink-0 text-right text-note text-soft">{number}</span>
              {way !== null && <span className="w-3 shrink-0 self-stretch border-l-2 border-edge" aria-hidden="true" />}
              {material ? (
                <Swatch material={material} how={step.how} size={dense ? 17 : 22} />
              ) : (
                <HandMark how={step.how} size={dense ? 17 : 22} />
              )}
              <Link
                to={selection.linkTo({ step: step.id })}
                replace
                preventScrollReset
                draggable={false}
                data-step={step.id}
                aria-current={chosen ? "true" : undefined}
                className="flex min-w-0 flex-1 items-center gap-2 self-stretch"
              >
                <span className={`shrink-0 font-semibold ${dense ? "" : "text-[0.9375rem]"}`}>{nameOf(step)}</span>
                {inRow && loud && <SeamMark severity={seam.severity} width={16} />}
                {inRow ? (
                  <SeamText seam={seam} />
                ) : (
                  <span className="truncate text-note text-soft">
                    {way !== null && <b className="font-semibold">only if {way}: </b>}
                    {detailOf(step, judged, named)}
                  </span>
                )}
              </Link>
              <Begins zoneId={judged.zone.id} stepId={step.id} />
              {dense && <InsertMark at={number - 1} above={`under ${nameOf(step)}`} selection={selection} />}
            </Row>
            {dense ? (
              <div style={{ height: sizes.seam }} />
            ) : (
              <div className="group/seam flex items-center gap-2 pr-4 pl-[44px]" style={{ height: sizes.seam }}>
                {joined && seam.severity === "none" ? (
                  <span className="w-14 shrink-0" />
                ) : (
                  <SeamMark severity={seam.severity} />
                )}
                <span className="flex min-w-0 flex-1">
                  <SeamText seam={seam} />
                </span>
                <InsertMark at={number - 1} above={`under ${nameOf(step)}`} selection={selection} />
              </div>
            )}
          </li>
        );
      })}
      <li>
        <Row chosen={false} height={height}>
          <span className="w-6 shrink-0" />
          <GroundSwatch colour={ground.colour} timber={isTimber(ground.kind)} size={dense ? 17 : 22} />
          <span className="text-[0.9375rem] font-semibold first-letter:uppercase">{groundNamed(ground)}</span>
          <span className="truncate text-note text-soft">
            {[
              ground.bleeds.includes("tannin") && "bleeds tannin",
              ground.knots > 0 && countOf(ground.knots, "knot"),
              ground.contamination.length > 0 && `${ground.contamination.join(", ")} on it`,
            ]
              .filter(Boolean)
              .join(", ")}
          </span>
        </Row>
      </li>
    </ol>
  );
}
