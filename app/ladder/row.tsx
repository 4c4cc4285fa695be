import type { ReactNode } from "react";
import type { ZoneJudgement } from "#core/judge/judge";
import { isTimber } from "#core/plan/ground";
import { groundNamed } from "#core/rules/words";
import { GroundSwatch, HandMark, Swatch } from "~/drawing/swatch";
import { countOf } from "~/words/amount";
import type { Rung } from "./rungs";
import type { LadderSizes } from "./sizes";

export const SWATCH: Record<LadderSizes["kind"], number> = { open: 30, usual: 22, close: 17 };

export function Row({ chosen, children, height }: { chosen: boolean; children: ReactNode; height: number }) {
  return (
    <div
      className={`group/row flex items-center gap-2 border-l-[3px] pr-4 pl-3 ${chosen ? "border-l-verdigris bg-board" : "border-l-transparent hover:bg-board/60"}`}
      style={{ height }}
    >
      {children}
    </div>
  );
}

export const Dab = ({ rung: { step, material }, size }: { rung: Rung; size: number }) =>
  material ? <Swatch material={material} how={step.how} size={size} /> : <HandMark how={step.how} size={size} />;

/** The bar between the swatches of two steps that are worked in one session. */
export function GoBar({ sizes: { row, seam, kind }, indented }: { sizes: LadderSizes; indented: boolean }) {
  const swatch = SWATCH[kind];
  return (
    <span
      aria-hidden="true"
      className="pointer-events-none absolute w-[5px] border-x-2 border-ink/70"
      style={{ left: 44 + swatch / 2 - 1 + (indented ? 20 : 0), top: (row + swatch) / 2, height: row + seam - swatch }}
    />
  );
}

/** What everything lies on, as it is now. */
export function GroundRow({ judged, sizes }: { judged: ZoneJudgement; sizes: LadderSizes }) {
  const { ground } = judged.zone;
  const state = [
    ground.bleeds.includes("tannin") && "bleeds tannin",
    ground.knots > 0 && countOf(ground.knots, "knot"),
    ground.contamination.length > 0 && `${ground.contamination.join(", ")} on it`,
  ].filter(Boolean);
  return (
    <Row chosen={false} height={sizes.row}>
      <span className="w-6 shrink-0" />
      <GroundSwatch colour={ground.colour} timber={isTimber(ground.kind)} size={SWATCH[sizes.kind]} />
      <span className="text-[0.9375rem] font-semibold first-letter:uppercase">{groundNamed(ground)}</span>
      <span className="truncate text-note text-soft">{state.join(", ")}</span>
    </Row>
  );
}
