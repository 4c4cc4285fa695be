import { Plus } from "lucide-react";
import { Link } from "react-router";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import type { Selection } from "~/parts/selection";
import { isLoud } from "./rungs";
import type { SeamSays } from "./seam-words";
import type { LadderSizes } from "./sizes";

export function InsertMark({ at, above, selection }: { at: number; above: string; selection: Selection }) {
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

export function SeamText({ seam }: { seam: SeamSays }) {
  const { severity, text } = seam;
  return (
    <span
      className={`min-w-0 truncate text-note ${isLoud(seam) ? `font-semibold ${SEVERITY_WORDS[severity as "stop"].text}` : "text-soft"}`}
    >
      {text && severity !== "none" && <span className="sr-only">{SEVERITY_WORDS[severity].one}: </span>}
      {text}
    </span>
  );
}

/** A seam as tall as its sizes say: its mark, what it says, and the reason where there is room for it. */
export function Seam({
  seam,
  height,
  kind,
  marked,
  insert,
}: {
  seam: SeamSays;
  height: number;
  kind: LadderSizes["kind"];
  marked: boolean;
  insert: React.ReactNode;
}) {
  return (
    <div className="group/seam flex items-center gap-2 pr-4 pl-[44px]" style={{ height }}>
      {marked ? <SeamMark severity={seam.severity} /> : <span className="w-14 shrink-0" />}
      <span className="flex min-w-0 flex-1 flex-col">
        <SeamText seam={seam} />
        {kind === "open" && seam.why && <span className="line-clamp-2 text-note text-soft">{seam.why}</span>}
      </span>
      {insert}
    </div>
  );
}
