import { sayDuration } from "#core/units/duration";
import type { WallMinutes } from "#core/units/units";
import { sayDate } from "#core/units/when";
import { BoardCanvas } from "~/finishes/canvas";
import { sayRoundMoney, type Voice } from "~/words/measures";
import type { Shown } from "./messages";
import { PLACE_NAMES } from "./read-look";

interface Props {
  candidate: Shown;
  image: ImageData | undefined;
  /** when the job could leave with it, and what that costs; undefined until it is worked out */
  dated: { leaves: WallMinutes | null; price: number | null } | undefined;
  voice: Voice;
  /** lays all of it, or the steps of one move on top of what the zone has */
  onUse: (shown: Shown, stepIds: readonly string[] | null) => void;
  busy: boolean;
  /** a move can be added only to a crust that has something in it */
  hasCrust: boolean;
}

/** From here on a difference is worth saying. */
const SEEN = 3;

/** One stack that answers the look: how it would be, what each layer is for, and what it takes. */
export function CandidateCard({ candidate, image, dated, voice, onUse, busy, hasCrust }: Props) {
  const off = candidate.seen.filter(({ apart }) => apart > SEEN);
  return (
    <li className="look-card">
      <div className="look-picture">
        {image ? <BoardCanvas image={image} says="As on the sample board" /> : <div className="finish-board" />}
        <dl className="look-figures">
          <dt>off by</dt>
          <dd>ΔE {candidate.apart.toFixed(1)}</dd>
          <dt>hands-on</dt>
          <dd>{sayDuration(candidate.handsOn)}</dd>
          <dt>takes</dt>
          <dd>{candidate.days < 1 ? "a day" : `${candidate.days.toFixed(1)} days`}</dd>
          <dt>job leaves</dt>
          <dd>{dated ? (dated.leaves === null ? "no date" : sayDate(dated.leaves)) : "…"}</dd>
          {dated?.price != null && (
            <>
              <dt>job costs</dt>
              <dd>about {sayRoundMoney(dated.price, voice)}</dd>
            </>
          )}
          <dt>practice</dt>
          <dd>{candidate.practice}</dd>
        </dl>
      </div>
      <div className="min-w-0">
        <ol className="look-moves">
          {[...candidate.moves].reverse().map((move) => (
            <li key={move.stepIds.join(" ")}>
              <span className="look-dabs" aria-hidden="true">
                {coloursIn(candidate, move.stepIds).map((colour) => (
                  <span key={colour} style={{ background: colour }} />
                ))}
              </span>
              <span className="min-w-0">
                <b className="font-semibold">{namesIn(candidate, move.stepIds) || move.name}</b>
                <span className="block text-soft">{move.why}</span>
              </span>
              {hasCrust && (
                <button
                  type="button"
                  className="link min-h-6 text-note"
                  disabled={busy}
                  aria-label={`Add only this: ${namesIn(candidate, move.stepIds) || move.name}`}
                  onClick={() => onUse(candidate, move.stepIds)}
                >
                  Add only this
                </button>
              )}
            </li>
          ))}
        </ol>
        {off.length > 0 && (
          <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-note text-soft">
            {off.map(({ place, wanted, mean, apart }) => (
              <span key={place} className="inline-flex items-center gap-1.5">
                <span className="look-pair" aria-hidden="true">
                  <span style={{ background: wanted }} />
                  <span style={{ background: mean }} />
                </span>
                {PLACE_NAMES[place].toLowerCase()} off by ΔE {apart.toFixed(0)}
              </span>
            ))}
          </p>
        )}
        {candidate.repairs.length > 0 && (
          <p className="mt-1 text-note text-soft">Added so that it holds: {candidate.repairs.join("; ")}.</p>
        )}
        {candidate.buy.length > 0 && (
          <p className="mt-1 text-note text-soft">
            To buy:{" "}
            {candidate.buy
              .map((id) => candidate.materials.find((material) => material.id === id)?.name.toLowerCase() ?? id)
              .join("; ")}
            .
          </p>
        )}
        <button
          type="button"
          className="button button-main mt-2 px-5"
          disabled={busy}
          onClick={() => onUse(candidate, null)}
        >
          Use it
        </button>
      </div>
    </li>
  );
}

const materialOf = (shown: Shown, stepId: string) => {
  const step = shown.crust.steps.find(({ id }) => id === stepId);
  return shown.materials.find(({ id }) => id === step?.what);
};

const namesIn = (shown: Shown, stepIds: readonly string[]): string =>
  [...new Set(stepIds.flatMap((id) => materialOf(shown, id)?.name ?? []))].join(", ");

const coloursIn = (shown: Shown, stepIds: readonly string[]): string[] => [
  ...new Set(stepIds.flatMap((id) => materialOf(shown, id)?.colour ?? [])),
];
