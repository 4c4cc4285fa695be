import { sayDuration } from "#core/units/duration";
import { sayWallTime } from "#core/units/wall-time";
import { sayClock, sayMoment } from "#core/units/when";
import { WhenInput } from "~/forms/when-input";
import { LedgerForm } from "~/ledger/ledger-form";
import { lineSays, sayAround, type shownLines } from "~/ledger/line-words";
import type { loader } from "~/routes/ledger";

type Kept = Awaited<ReturnType<typeof loader>>["lines"][number];

/** A line, with what can be put right in it. */
export function LedgerLine({
  line,
  kept,
  planId,
  token,
}: {
  line: ReturnType<typeof shownLines>[number];
  kept: Kept | undefined;
  planId: string;
  token: string;
}) {
  const { event, withdrawn, corrections, remark, first, began } = line;
  const { what, mark, text } = lineSays(line);
  const wall = Math.floor(event.at / 60_000 + event.offset);
  const shown = began === null ? wall : Math.floor(began / 60_000 + event.offset);
  const late = kept && kept.cameAt - event.at > 10 * 60_000;
  const claimed = kept?.claimedAt;
  return (
    <li className="ledger-line" data-struck={withdrawn || undefined} id={`line-${event.id}`}>
      <time dateTime={sayWallTime(shown)}>{sayClock(shown)}</time>
      <span className="ledger-mark" data-mark={mark} aria-hidden="true" />
      <div className="min-w-0">
        <p>
          <b className="font-semibold">{what}</b>
          {event.step?.zones ? `, ${event.step.zones.toLowerCase()}` : ""}
          {withdrawn && <span className="text-ochre"> (did not happen)</span>}
        </p>
        <p className="text-note text-soft">
          {[
            began !== null ? `until ${sayClock(wall)}, ${sayDuration((event.at - began) / 60_000)}` : "",
            sayAround(event),
            late ? `handed in ${sayMoment(Math.floor(kept.cameAt / 60_000 + event.offset))}` : "",
            claimed && Math.abs(claimed - event.at) > 60_000
              ? `the device's clock said ${sayClock(Math.floor(claimed / 60_000 + event.offset))}`
              : "",
            remark ?? "",
          ]
            .filter((text) => text !== "")
            .join(" · ")}
        </p>
        {text && <p>{text}</p>}
        {kept?.changed && <p className="text-sienna">{kept.changed}</p>}
        {corrections.length > 0 && (
          <p className="text-note text-soft">
            Put right{" "}
            {corrections
              .map(({ at, why }) => `${sayMoment(Math.floor(at / 60_000 + event.offset))}${why ? `: ${why}` : ""}`)
              .join("; ")}
            {first
              ? `. First written as ${sayClock(Math.floor(first.at / 60_000 + first.offset))}${"text" in first && first.text ? `, "${first.text}"` : ""}`
              : ""}
          </p>
        )}
        <details className="ledger-fix">
          <summary>Put it right</summary>
          <LedgerForm
            planId={planId}
            kind="correction"
            line={`${token}-c-${event.id}`}
            on={event.on}
            label={`Put right: ${what}`}
          >
            <input type="hidden" name="corrects" value={event.id} />
            <label>
              It happened at
              <WhenInput type="datetime-local" name="when" className="field" />
            </label>
            {"text" in event && (
              <label>
                It should say
                <input name="text" className="field" maxLength={400} />
              </label>
            )}
            <label>
              Why (optional)
              <input name="why" className="field" maxLength={200} />
            </label>
            <span className="flex flex-wrap gap-2">
              <button className="button">Put it right</button>
              <button className="button" name="withdrawn" value={withdrawn ? "no" : "yes"}>
                {withdrawn ? "It did happen" : "It did not happen"}
              </button>
            </span>
          </LedgerForm>
        </details>
      </div>
      {event.kind === "photo" && (
        <a href={`/jobs/${planId}/photos/${event.photoId}`} className="ledger-photo">
          <img src={`/jobs/${planId}/photos/${event.photoId}`} alt={event.text || what} loading="lazy" />
        </a>
      )}
    </li>
  );
}
