import type { ReactNode } from "react";
import type { Voice } from "~/words/measures";
import { CandidateCard } from "./candidate";
import type { Shown } from "./messages";
import type { useSearch } from "./use-search";

interface Props {
  searched: ReturnType<typeof useSearch>;
  voice: Voice;
  busy: boolean;
  /** the zone has a crust already */
  hasCrust: boolean;
  onUse: (shown: Shown, stepIds: readonly string[] | null) => void;
  /** said while nothing is asked for */
  children: ReactNode;
}

/** The stacks that give the look, the best first, as far as they have been found. */
export function Ways({ searched, voice, busy, hasCrust, onUse, children }: Props) {
  const { tried, shown, nearest, failed, says, pictures, dates } = searched;
  return (
    <section aria-label="Ways to it">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-view">Ways to it</h2>
        <p className="text-note text-soft" role="status">
          {searched.busy ? `${tried} tried …` : tried > 0 ? `${tried} tried` : ""}
        </p>
      </div>
      {children}
      {failed && <p className="mt-2 font-medium text-ochre">The planner stopped: {failed}.</p>}
      {says && <p className="mt-2 border-l-4 border-l-sienna bg-board px-3 py-2">{says}</p>}
      <ul className="mt-2 flex flex-col gap-4">
        {[...shown, ...(nearest ? [nearest] : [])].map((candidate) => (
          <CandidateCard
            key={candidate.key}
            candidate={candidate}
            image={pictures.get(candidate.key)}
            dated={dates.get(candidate.key)}
            {...{ voice, busy, hasCrust, onUse }}
          />
        ))}
      </ul>
    </section>
  );
}
