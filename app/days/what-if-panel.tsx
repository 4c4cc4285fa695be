import type { Tried } from "#core/schedule/what-if";
import { sayDifference } from "#core/units/duration";
import { sayMoment } from "#core/units/when";
import { useJobEditor } from "~/editor/job-editor";

interface Props {
  ideas: readonly Tried[] | null;
  failed: boolean;
  /** shown beside a clash: only what resolves it */
  waysOut?: boolean;
  /** called when one of them has been made an edit */
  onUsed: () => void;
}

/** Changes worth trying, each with the finish it brings and a button to make it so. */
export function Ideas({ ideas, failed, waysOut = false, onUsed }: Props) {
  const { planned, rough, send } = useJobEditor();
  const now = rough ?? planned;
  const before = now?.dates?.finish ?? null;
  const clashes = now?.clashes.length ?? 0;
  if (failed) return <p className="text-note text-ochre">The ideas could not be tried. Reload the page.</p>;
  if (ideas === null)
    return (
      <p className="text-note text-soft" role="status">
        Trying ideas …
      </p>
    );
  // compared with the dates on the page, which may be better than those the ideas were tried from
  const gainOf = ({ finish }: Tried) => (finish === null || before === null ? null : finish - before);
  const shown = ideas.filter((idea) =>
    waysOut ? idea.clashes < clashes : gainOf(idea) !== 0 || idea.clashes !== clashes,
  );
  if (shown.length === 0)
    return (
      <p className="text-note text-soft">
        {waysOut
          ? "Longer hours, a warmer room, another product or another school would not fix this. Relax a wait, split the zone, or remove a step."
          : "No change of hours, painters, air, product or school would move the finish."}
      </p>
    );
  return (
    <ul className="flex flex-col gap-1.5">
      {shown.slice(0, waysOut ? 4 : 9).map((idea, at) => {
        const gain = gainOf(idea);
        return (
          <li key={idea.id}>
            <button
              type="button"
              onClick={() => send(idea.label, idea.commands) === null && onUsed()}
              className={`button flex w-full items-baseline gap-2 text-left whitespace-normal ${at === 0 && waysOut ? "button-main" : ""}`}
            >
              <span className="min-w-0 flex-1">{idea.label}</span>
              <span className="shrink-0 text-note tabular-nums">{gain === null ? "" : sayDifference(gain)}</span>
            </button>
            <span className="block px-1 text-note text-soft">
              {idea.finish !== null && `done ${sayMoment(idea.finish)}`}
              {idea.clashes > 0 && ` · still clashing: ${idea.clashes}`}
              {idea.stops.after > idea.stops.before && " · but a rule then says stop"}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
