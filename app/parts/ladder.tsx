import { Plus } from "lucide-react";
import type { ReactNode } from "react";
import { Link } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { isTimber } from "#core/plan/ground";
import type { Step } from "#core/plan/plan";
import { groundNamed } from "#core/rules/words";
import { findTechnique } from "#core/surface/techniques";
import { GroundSwatch, HandMark, Swatch } from "~/drawing/swatch";
import { type SeamSays, seamSays } from "./seam-words";
import type { Selection } from "./selection";
import { SEVERITY_WORDS, SeamMark } from "./severity";
import { INTENT_SHORT, sayShare, WHERE_SHORT } from "./step-words";

export interface Rung {
  step: Step;
  number: number;
  seam: SeamSays;
  when: string | null;
}

/** From this many steps on the rows stand closer and quiet seams say nothing. */
export const CLOSE_FROM = 12;
export const rowHeight = (count: number) => (count >= CLOSE_FROM ? 30 : 36);
/** What is told of the finished surface stands over the first row. */
export const surfaceSays = (judged: ZoneJudgement): SeamSays =>
  seamSays(
    undefined,
    judged.findings.filter((finding) => finding.surface),
  );
export const surfaceHeight = (judged: ZoneJudgement) => (surfaceSays(judged).text ? 26 : 0);

export const seamHeight = (count: number, seam: SeamSays) =>
  count < CLOSE_FROM ? 24 : seam.tight && seam.text ? 20 : 6;

/** The steps of a zone's crust from the surface down, each with the seam under it. */
export function rungsOf(judged: ZoneJudgement, whenOf: (stepId: string) => string | null): Rung[] {
  return judged.crust.steps
    .map((step, index): Rung => {
      const first = judged.phases.find((placed) => placed.phase.step.id === step.id);
      return {
        step,
        number: index + 1,
        seam: seamSays(
          first,
          judged.findings.filter((finding) => finding.stepId === step.id && !finding.surface),
        ),
        when: whenOf(step.id),
      };
    })
    .reverse();
}

/** How far from the top of the ladder the middle of each row lies, by step id; the ground last. */
export function rungMiddles(judged: ZoneJudgement, rungs: readonly Rung[]): Map<string, number> {
  const middles = new Map<string, number>();
  const count = rungs.length;
  let y = surfaceHeight(judged);
  for (const rung of rungs) {
    middles.set(rung.step.id, y + rowHeight(count) / 2);
    y += rowHeight(count) + seamHeight(count, rung.seam);
  }
  middles.set("ground", y + rowHeight(count) / 2);
  return middles;
}

function detailOf(step: Step): string {
  const technique = findTechnique(step.how);
  const words: string[] = [];
  if (step.what && technique && technique.name !== "Brush") words.push(technique.name.toLowerCase());
  if (step.coats > 1) words.push(`${step.coats} coats`);
  if (step.where.on !== "everywhere") words.push(WHERE_SHORT[step.where.on]);
  if (step.where.share < 1) words.push(sayShare(step.where.share));
  if (step.ratio) words.push(step.ratio);
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
      className="flex size-5 shrink-0 items-center justify-center rounded-full border border-edge bg-board text-verdigris opacity-0 hover:border-verdigris focus-visible:opacity-100 group-hover/seam:opacity-100"
    >
      <Plus size={13} strokeWidth={1.75} aria-hidden="true" />
    </Link>
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

interface Props {
  judged: ZoneJudgement;
  rungs: readonly Rung[];
  selection: Selection;
  nameOf: (step: Step) => string;
}

export function Ladder({ judged, rungs, selection, nameOf }: Props) {
  const count = rungs.length;
  const height = rowHeight(count);
  const { ground } = judged.zone;
  const surface = surfaceSays(judged);
  return (
    <ol aria-label="Steps, from the surface down to the ground" id="ladder">
      {surface.text && (
        <li className="flex items-center gap-2 pr-4 pl-[44px]" style={{ height: surfaceHeight(judged) }}>
          <SeamMark severity={surface.severity} />
          <span
            className={`min-w-0 flex-1 truncate text-note font-semibold ${surface.severity === "none" ? "" : SEVERITY_WORDS[surface.severity].text}`}
          >
            {surface.severity !== "none" && <span className="sr-only">{SEVERITY_WORDS[surface.severity].one}: </span>}
            {surface.text}
          </span>
        </li>
      )}
      {rungs.map((rung) => {
        const { step, seam, number } = rung;
        const chosen = selection.stepId === step.id;
        const material = judged.phases.find((placed) => placed.phase.step.id === step.id)?.phase.material;
        const says = count < CLOSE_FROM || seam.tight ? seam.text : "";
        return (
          <li key={step.id}>
            <Row chosen={chosen} height={height}>
              <span className="w-6 shrink-0 text-right text-note text-soft">{number}</span>
              {material ? <Swatch material={material} /> : <HandMark how={step.how} />}
              <Link
                to={selection.linkTo({ step: step.id })}
                replace
                preventScrollReset
                data-step={step.id}
                aria-current={chosen ? "true" : undefined}
                className="flex min-w-0 flex-1 items-baseline gap-2 self-stretch py-1"
              >
                <span className="my-auto flex min-w-0 items-baseline gap-2">
                  <span className="shrink-0 text-[0.9375rem] font-semibold">{nameOf(step)}</span>
                  <span className="truncate text-note text-soft">{detailOf(step)}</span>
                </span>
              </Link>
              {rung.when && <span className="shrink-0 text-note text-soft">{rung.when}</span>}
            </Row>
            <div
              className="group/seam flex items-center gap-2 pr-4 pl-[44px]"
              style={{ height: seamHeight(count, seam) }}
            >
              <SeamMark severity={seam.severity} />
              <span
                className={`min-w-0 flex-1 truncate text-note ${seam.severity === "none" ? "text-soft" : `font-semibold ${SEVERITY_WORDS[seam.severity].text}`}`}
              >
                {says && seam.severity !== "none" && (
                  <span className="sr-only">{SEVERITY_WORDS[seam.severity].one}: </span>
                )}
                {says}
              </span>
              <InsertMark at={number - 1} above={`under ${nameOf(step)}`} selection={selection} />
            </div>
          </li>
        );
      })}
      <li>
        <Row chosen={false} height={height}>
          <span className="w-6 shrink-0" />
          <GroundSwatch colour={ground.colour} timber={isTimber(ground.kind)} />
          <span className="text-[0.9375rem] font-semibold first-letter:uppercase">{groundNamed(ground)}</span>
          <span className="truncate text-note text-soft">
            {[
              ground.bleeds.includes("tannin") && "bleeds tannin",
              ground.knots > 0 && `${ground.knots} knots`,
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
