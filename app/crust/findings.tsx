import type { ZoneJudgement } from "#core/judge/judge";
import type { Finding } from "#core/rules/rule";
import { FindingCard } from "~/parts/finding-card";
import type { Selection } from "~/parts/selection";
import { countOf } from "~/words/amount";

function whereOf({ stepId, lower, surface }: Finding, numberOf: (stepId: string) => number): string {
  if (surface) return "the finished surface";
  const below = lower === undefined || lower === "ground" ? 0 : numberOf(lower);
  return below > 0 ? `step ${numberOf(stepId)} on ${below}` : `step ${numberOf(stepId)}`;
}

/** Findings of one place, the worst first; notes are folded away unless there is nothing else. */
export function Findings({
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
