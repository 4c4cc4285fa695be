import { useSortable } from "@dnd-kit/sortable";
import { Link } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import type { Step } from "#core/plan/plan";
import { sayDuration } from "#core/units/duration";
import { SeamMark } from "~/drawing/severity";
import type { Selection } from "~/parts/selection";
import { Begins } from "./begins";
import { Dab, GoBar, Row, SWATCH } from "./row";
import { detailOf, type Named, wayOf } from "./rung-words";
import { isLoud, type Rung } from "./rungs";
import { InsertMark, Seam, SeamText } from "./seam";
import type { LadderSizes } from "./sizes";

interface Props {
  rung: Rung;
  judged: ZoneJudgement;
  sizes: LadderSizes;
  selection: Selection;
  named: Named;
  nameOf: (step: Step) => string;
}

/** One step: its dab, its name and how it is done, when it begins; and the seam under it. */
export function RungRow({ rung, judged, sizes, selection, named, nameOf }: Props) {
  const { step, seam, number, joined, hands } = rung;
  const { kind } = sizes;
  const chosen = selection.stepId === step.id;
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: step.id });
  const way = wayOf(judged.crust.steps, step);
  const inRow = kind === "close" && (isLoud(seam) || (seam.tight && seam.text !== ""));
  const insert = <InsertMark at={number - 1} above={`under ${nameOf(step)}`} selection={selection} />;
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      style={{ transform: transform ? `translateY(${Math.round(transform.y)}px)` : undefined, transition }}
      className={`relative ${isDragging ? "z-10 bg-board opacity-90 shadow-md" : ""}`}
    >
      {joined && <GoBar sizes={sizes} indented={way !== null} />}
      <Row chosen={chosen} height={sizes.row}>
        <span className="w-6 shrink-0 text-right text-note text-soft">{number}</span>
        {way !== null && <span className="w-3 shrink-0 self-stretch border-l-2 border-edge" aria-hidden="true" />}
        <Dab rung={rung} size={SWATCH[kind]} />
        <Link
          to={selection.linkTo({ step: step.id })}
          replace
          preventScrollReset
          draggable={false}
          data-step={step.id}
          aria-current={chosen ? "true" : undefined}
          className={`flex min-w-0 flex-1 self-stretch ${kind === "open" ? "flex-col justify-center" : "items-center gap-2"}`}
        >
          <span className={`shrink-0 font-semibold ${kind === "close" ? "" : "text-[0.9375rem]"}`}>{nameOf(step)}</span>
          {inRow && isLoud(seam) && <SeamMark severity={seam.severity} width={16} />}
          {inRow ? (
            <SeamText seam={seam} />
          ) : (
            <span className="truncate text-note text-soft">
              {way !== null && <b className="font-semibold">only if {way}: </b>}
              {detailOf(step, judged, named)}
            </span>
          )}
        </Link>
        <span className="flex shrink-0 flex-col items-end">
          <Begins zoneId={judged.zone.id} stepId={step.id} />
          {kind === "open" && hands > 0 && <span className="text-note text-soft">{sayDuration(hands)} of work</span>}
        </span>
        {kind === "close" && insert}
      </Row>
      {kind === "close" ? (
        <div style={{ height: sizes.seam }} />
      ) : (
        <Seam
          seam={seam}
          height={sizes.seam}
          kind={kind}
          marked={!joined || seam.severity !== "none"}
          insert={insert}
        />
      )}
    </li>
  );
}
