import { Suspense } from "react";
import { Link } from "react-router";
import type { Tried } from "#core/schedule/what-if";
import { sayDifference, shortDuration } from "#core/units/duration";
import { sayDate, sayMoment } from "#core/units/when";
import { lazyChart } from "~/charts/lazy-chart";
import { useJobEditor } from "~/editor/job-editor";
import { countOf } from "~/words/amount";
import type { Ideas as KnownIdeas } from "./use-ideas";

const GainChart = lazyChart(() => import("~/charts/gain-chart"));

/** Ideas shown in the list, beside a clash and otherwise. */
const MOST = 9;
const MOST_WAYS_OUT = 4;
/** Alternatives that stand beside the plan as it is. */
export const MOST_BESIDE = 3;
const ROW = 36;

const Trying = () => (
  <p className="text-note text-soft" role="status">
    Trying ideas …
  </p>
);

/** Ideas that change something, compared with the dates on the page, which may be better than those they were tried from. */
function useWorthShowing() {
  const { planned, rough } = useJobEditor();
  const now = rough ?? planned;
  const before = now?.dates?.finish ?? null;
  const clashes = now?.clashes.length ?? 0;
  const gainOf = ({ finish }: Tried) => (finish === null || before === null ? null : finish - before);
  return {
    gainOf,
    helps: (idea: Tried) => idea.clashes < clashes,
    changes: (idea: Tried) => gainOf(idea) !== 0 || idea.clashes !== clashes,
  };
}

/** What is edited when an idea is used; a change of the shop is made where the shop's hours are. */
function Use({
  idea,
  main = false,
  onUsed,
  children,
}: {
  idea: Tried;
  main?: boolean;
  onUsed: () => void;
  children: React.ReactNode;
}) {
  const { send } = useJobEditor();
  const look = `button flex w-full items-baseline gap-2 text-left whitespace-normal ${main ? "button-main" : ""}`;
  if (idea.shop && idea.commands.length === 0)
    return (
      <Link to="/shop" className={look}>
        {children}
      </Link>
    );
  return (
    <button type="button" onClick={() => send(idea.label, idea.commands) === null && onUsed()} className={look}>
      {children}
    </button>
  );
}

interface Props extends KnownIdeas {
  /** called when one of them has been made an edit */
  onUsed: () => void;
}

/** What resolves a clash, the best first, each with the finish it brings and a button to make it so. */
export function WaysOut({ trials, failed, onUsed }: Props) {
  const { gainOf, helps } = useWorthShowing();
  if (failed) return <p className="text-note text-ochre">The ideas could not be tried. Reload the page.</p>;
  if (trials === null) return <Trying />;
  const shown = trials.ideas.filter(helps).slice(0, MOST_WAYS_OUT);
  if (shown.length === 0)
    return (
      <p className="text-note text-soft">
        Longer hours, a warmer room, another product or another school would not fix this. Relax a wait, split the zone,
        or remove a step.
      </p>
    );
  return (
    <ul className="flex flex-col gap-1.5">
      {shown.map((idea, index) => (
        <IdeaRow key={idea.id} idea={idea} gain={gainOf(idea)} main={index === 0} onUsed={onUsed} />
      ))}
    </ul>
  );
}

function IdeaRow({
  idea,
  gain,
  main = false,
  onUsed,
  compare,
}: {
  idea: Tried;
  gain: number | null;
  main?: boolean;
  onUsed: () => void;
  compare?: { on: boolean; to: string } | null;
}) {
  return (
    <li>
      <Use idea={idea} main={main} onUsed={onUsed}>
        <span className="min-w-0 flex-1">{idea.label}</span>
        <span className="shrink-0 text-note tabular-nums">{gain === null ? "" : sayDifference(gain)}</span>
      </Use>
      <span className="flex flex-wrap items-baseline gap-x-2 px-1 text-note text-soft">
        <span className="flex-1">
          {idea.finish !== null && `done ${sayMoment(idea.finish)}`}
          {idea.clashes > 0 && ` · still clashing: ${idea.clashes}`}
          {idea.stops.after > idea.stops.before && " · but a rule then says stop"}
        </span>
        {compare && (
          <Link
            to={compare.to}
            replace
            preventScrollReset
            aria-label={`${compare.on ? "Stop comparing" : "Compare"}: ${idea.label}`}
            className="flex min-h-[24px] items-center text-ink underline"
          >
            {compare.on ? "✓ Compared" : "Compare"}
          </Link>
        )}
      </span>
    </li>
  );
}

/** All ideas worth trying; each can be used, or put beside the plan as it is. */
export function IdeaList({
  trials,
  failed,
  onUsed,
  beside,
  linkTo,
}: Props & { beside: readonly string[]; linkTo: (beside: readonly string[]) => string }) {
  const { gainOf, changes } = useWorthShowing();
  if (failed) return <p className="text-note text-ochre">The ideas could not be tried. Reload the page.</p>;
  if (trials === null) return <Trying />;
  const shown = trials.ideas.filter(changes).slice(0, MOST);
  if (shown.length === 0)
    return (
      <p className="text-note text-soft">No change of hours, painters, air, product or school would move the finish.</p>
    );
  const compareOf = (id: string) => {
    if (beside.includes(id)) return { on: true, to: linkTo(beside.filter((text) => text !== id)) };
    return beside.length < MOST_BESIDE ? { on: false, to: linkTo([...beside, id]) } : null;
  };
  return (
    <ul className="flex flex-col gap-1.5">
      {shown.map((idea) => (
        <IdeaRow key={idea.id} idea={idea} gain={gainOf(idea)} onUsed={onUsed} compare={compareOf(idea.id)} />
      ))}
    </ul>
  );
}

const ROWS: readonly { name: string; of: (tried: Tried, before: Tried) => string }[] = [
  { name: "Leaves", of: ({ leaves }) => (leaves === null ? "–" : sayDate(leaves)) },
  { name: "Last work", of: ({ finish }) => (finish === null ? "–" : sayMoment(finish)) },
  { name: "Days of work", of: ({ visits }) => countOf(visits, "day") },
  { name: "Hands-on", of: ({ handsOn }) => shortDuration(handsOn) },
  { name: "Clashes", of: ({ clashes }) => (clashes === 0 ? "none" : String(clashes)) },
  { name: "Stops", of: ({ stops }) => (stops.after === 0 ? "none" : String(stops.after)) },
];

/** The plan as it is and the alternatives chosen, a column each, with all of them together in the last. */
function SideBySide({ trials, trying, beside, onUsed }: Props & { beside: readonly string[] }) {
  if (trials === null) return <Trying />;
  const { before, together } = trials;
  const chosen = trials.ideas.filter(({ id }) => beside.includes(id));
  const columns = [before, ...chosen, ...(together && !trying && chosen.length > 1 ? [together] : [])];
  return (
    <table className="w-full table-fixed border-collapse text-note">
      <caption className="sr-only">The plan as it is, beside the alternatives chosen</caption>
      <thead>
        <tr className="align-bottom">
          <th className="w-[92px]" aria-label="What is compared" />
          {columns.map((column) => (
            <th key={column.id} scope="col" className="px-2 pb-1 text-left font-semibold">
              {column.label}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {ROWS.map(({ name, of }) => (
          <tr key={name} className="border-t border-hair">
            <th scope="row" className="py-1 pr-2 text-left font-normal text-soft">
              {name}
            </th>
            {columns.map((column) => {
              const differs = of(column, before) !== of(before, before);
              return (
                <td key={column.id} className={`px-2 py-1 tabular-nums ${differs ? "font-semibold" : ""}`}>
                  {of(column, before)}
                </td>
              );
            })}
          </tr>
        ))}
        <tr>
          <td />
          {columns.map((column) => (
            <td key={column.id} className="px-2 pt-1">
              {column !== before && (
                <Use idea={column} onUsed={onUsed}>
                  {column.shop && column.commands.length === 0 ? "Hours and painters" : "Use this"}
                </Use>
              )}
            </td>
          ))}
        </tr>
      </tbody>
    </table>
  );
}

/** Above the calendar: what each idea gains, and those that are compared side by side. */
export function WhatIfBoard(props: Props & { beside: readonly string[] }) {
  const { gainOf, changes } = useWorthShowing();
  const { trials, trying, beside } = props;
  const shown = (trials?.ideas ?? []).filter(changes).slice(0, MOST);
  if (trials !== null && shown.length === 0) return null;
  const bars = shown.map((idea) => ({ label: idea.label, gain: gainOf(idea) ?? 0, chosen: beside.includes(idea.id) }));
  return (
    <section
      aria-label="Side by side"
      className="grid max-h-[54%] shrink-0 grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-4 overflow-y-auto border-b border-line px-4 py-3"
    >
      <div>
        <p className="kicker mb-1">what each would gain</p>
        {trials === null ? (
          <Trying />
        ) : (
          <Suspense fallback={<Trying />}>
            <GainChart bars={bars} height={ROW * bars.length + 30} />
          </Suspense>
        )}
      </div>
      <div>
        <p className="kicker mb-1">
          side by side{trying && beside.length > 1 && trials !== null ? ", trying them together …" : ""}
        </p>
        {beside.length === 0 ? (
          <p className="text-note text-soft">
            Choose “Compare” on up to {MOST_BESIDE} ideas, and they stand here beside the plan as it is.
          </p>
        ) : (
          <SideBySide {...props} />
        )}
      </div>
    </section>
  );
}
