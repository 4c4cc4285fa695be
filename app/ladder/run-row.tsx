import { Link } from "react-router";
import type { Step } from "#core/plan/plan";
import { SeamMark } from "~/drawing/severity";
import type { Selection } from "~/parts/selection";
import { countOf } from "~/words/amount";
import { Dab, Row, SWATCH } from "./row";
import { sayRun } from "./rung-words";
import { differingIn, patternOf, type Run, worstIn } from "./runs";
import { Seam, SeamText } from "./seam";
import type { LadderSizes } from "./sizes";

interface Props {
  run: Run;
  sizes: LadderSizes;
  selection: Selection;
  nameOf: (step: Step) => string;
}

/** Steps that come again and again, as one row. Selecting its first step opens it, and it stays open while one of them is selected. */
export function RunRow({ run, sizes, selection, nameOf }: Props) {
  const pattern = patternOf(run);
  const [first, last] = [pattern[0]!, run.rungs[0]!];
  const differing = differingIn(run);
  const worst = worstIn(run);
  const isClose = sizes.kind === "close";
  return (
    <li>
      <Row chosen={false} height={sizes.row}>
        <span className="w-10 shrink-0 text-right text-note text-soft">
          {first.number}–{last.number}
        </span>
        <span className="flex shrink-0">
          {(differing.length > 0 ? differing : pattern).map((rung) => (
            <Dab key={rung.step.id} rung={rung} size={SWATCH[sizes.kind]} />
          ))}
        </span>
        <Link
          to={selection.linkTo({ step: first.step.id })}
          replace
          preventScrollReset
          data-run={run.rungs.length}
          className="flex min-w-0 flex-1 items-center gap-2 self-stretch"
        >
          <span className="truncate font-semibold first-letter:uppercase">{sayRun(run, nameOf)}</span>
          {isClose && worst && (
            <>
              <SeamMark severity={worst.severity} width={16} />
              <SeamText seam={worst} />
            </>
          )}
          <span className="ml-auto shrink-0 text-note text-verdigris">{countOf(run.rungs.length, "step")}, open</span>
        </Link>
      </Row>
      {isClose ? (
        <div style={{ height: sizes.seam }} />
      ) : (
        <Seam seam={worst ?? first.seam} height={sizes.seam} kind={sizes.kind} marked insert={null} />
      )}
    </li>
  );
}
