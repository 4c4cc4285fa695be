import { Suspense, useMemo, useState } from "react";
import { Form, Link, useLoaderData, useSearchParams } from "react-router";
import type { Learned } from "#core/ledger/learned";
import { replay } from "#core/ledger/replay";
import { judgementOf } from "#core/schedule/kept";
import { phaseName } from "#core/schedule/work";
import { sayDuration } from "#core/units/duration";
import { readWallTime, sayWallTime } from "#core/units/wall-time";
import { sayClock, sayDate, sayLongDate, sayMoment } from "#core/units/when";
import { useOffline } from "~/bench/offline";
import { lazyChart } from "~/charts/lazy-chart";
import { planOfText } from "~/editor/plan-text";
import { WhenInput } from "~/forms/when-input";
import { LedgerForm } from "~/ledger/ledger-form";
import { byDay, lineSays, sayAround, shownLines } from "~/ledger/line-words";
import { PlanAndReal } from "~/ledger/plan-and-real";
import { JobHead } from "~/parts/job-head";
import type { loader } from "~/routes/ledger";
import { countOf } from "~/words/amount";
import { sayRange } from "~/words/room";

const LearnedChart = lazyChart(() => import("~/charts/learned-chart"));

type Kept = Awaited<ReturnType<typeof loader>>["lines"][number];

/** A line, with what can be put right in it. */
function LedgerLine({
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
            .filter((one) => one !== "")
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

function Taught({
  learned,
  used,
  version,
}: {
  learned: readonly Learned[];
  used: Readonly<Record<string, number>>;
  version: number;
}) {
  if (learned.length === 0)
    return (
      <p className="text-soft">
        Nothing yet. Every "still tacky" and "matt all over" at the bench teaches it how long things dry here.
      </p>
    );
  return learned.map(({ family, before, now, factor, observations }) => {
    const isUsed = used[family] !== undefined;
    const airs = observations.map(({ celsius }) => celsius);
    return (
      <section key={family} className="mb-4" aria-label={family}>
        <p>
          <b className="font-semibold">{family.charAt(0).toUpperCase() + family.slice(1)}</b>: {factor.toFixed(2)} times
          as long here as the tin says, in the same air ({countOf(observations.length, "observation")},{" "}
          {sayRange(Math.min(...airs), Math.max(...airs), "°C")}).
        </p>
        <Form method="post" className="mt-1 flex flex-wrap items-center gap-3" reloadDocument>
          <input type="hidden" name="family" value={family} />
          <input
            type="hidden"
            name="edit"
            value={`learned-${version}-${isUsed ? "tin" : "use"}-${family.replaceAll(/[^a-z]/g, "")}`.slice(0, 40)}
          />
          <button className="button" name="do" value={isUsed ? "tin" : "use"}>
            {isUsed ? "Use the tin again" : "Use it in this job"}
          </button>
          <span className="text-note text-soft">
            {isUsed ? `This job reckons with ${used[family]!.toFixed(2)}.` : "This job goes by the tin."}
          </span>
        </Form>
        <Suspense fallback={<div className="h-[150px]" />}>
          <LearnedChart
            before={before}
            now={now}
            ratios={observations.map(({ ratio }) => ratio)}
            height={150}
            family={family}
          />
        </Suspense>
      </section>
    );
  });
}

export default function LedgerRoute() {
  const { text, version, lines, learned, planned, ahead, leaves, token } = useLoaderData<typeof loader>();
  const plan = planOfText(text);
  useOffline();
  const [params] = useSearchParams();
  const [asked, setAsked] = useState(params.get("find") ?? "");
  const state = useMemo(() => replay(lines.map(({ event }) => event)), [lines]);
  const kept = useMemo(() => new Map(lines.map((one) => [one.event.id, one])), [lines]);
  const all = useMemo(() => shownLines(state.lines), [state]);
  const wanted = asked.trim().toLowerCase();
  const shown = all.filter((line) => {
    if (wanted === "") return true;
    const { what, text: says } = lineSays(line);
    return `${what} ${says ?? ""} ${line.event.step?.zones ?? ""} ${line.event.step?.material?.name ?? ""}`
      .toLowerCase()
      .includes(wanted);
  });
  const days = byDay(shown);
  const judged = judgementOf(plan);
  const count = judged.zones.reduce((sum, { phases }) => sum + phases.length, 0);
  const done = judged.zones.reduce(
    (sum, { zone, phases }) =>
      sum +
      phases.filter(({ phase }) => plan.done?.some((one) => one.zoneId === zone.id && one.phaseId === phase.id)).length,
    0,
  );
  const [coming] = ahead;
  const photos = state.lines.flatMap(({ event, withdrawn }) => (event.kind === "photo" && !withdrawn ? [event] : []));
  return (
    <div className="flex min-h-screen flex-col">
      <JobHead planId={plan.id} title={plan.title} view="ledger" />
      <main className="ledger">
        <section aria-label="What was done" className="min-w-0">
          <div className="flex flex-wrap items-center justify-between gap-3">
            <h1 className="text-view">What was done</h1>
            <Form method="get" role="search" className="flex items-center gap-2">
              <label className="sr-only" htmlFor="find">
                Find a material, a zone, a word
              </label>
              <input
                id="find"
                name="find"
                type="search"
                className="field"
                placeholder="Find in this ledger"
                value={asked}
                onChange={(event) => setAsked(event.target.value)}
              />
            </Form>
          </div>
          {all.length === 0 && (
            <p className="mt-4 max-w-prose text-soft">
              Nothing has been written down yet. Press Start and Done at the{" "}
              <Link className="link" to="/bench">
                bench
              </Link>
              , and every coat, sign and photo stands here with its time and its air.
            </p>
          )}
          {[...days].map(([day, list]) => (
            <section key={day} className="mt-4">
              <h2 className="text-[1.0625rem]">{sayLongDate(day)}</h2>
              <ol>
                {list.map((line) => (
                  <LedgerLine
                    key={line.event.id}
                    line={line}
                    kept={kept.get(line.event.id)}
                    planId={plan.id}
                    token={token}
                  />
                ))}
              </ol>
            </section>
          ))}
          {coming && wanted === "" && (
            <p className="ledger-line text-soft">
              <span className="text-right">next</span>
              <span className="ledger-mark" data-mark="next" aria-hidden="true" />
              <span>
                <b className="font-semibold">{coming.name}</b>, {sayMoment(coming.starts)}
              </span>
            </p>
          )}
          <LedgerForm planId={plan.id} kind="note" line={`${token}-note`} label="Add a note" className="ledger-add">
            <label className="grow">
              A note on the whole job
              <input name="text" className="field" maxLength={1000} />
            </label>
            <button className="button">Add a note</button>
          </LedgerForm>
          <LedgerForm
            planId={plan.id}
            kind="outcome"
            line={`${token}-outcome`}
            label="How it turned out"
            className="ledger-add"
          >
            <label className="grow">
              How it turned out
              <input name="text" className="field" maxLength={1000} />
            </label>
            <button className="button" name="good" value="yes">
              Well
            </button>
            <button className="button" name="good" value="no">
              Not well
            </button>
          </LedgerForm>
        </section>
        <section aria-label="Plan and real" className="min-w-0">
          <h2 className="mb-2 text-view">Plan and real</h2>
          <PlanAndReal
            rows={judged.zones.flatMap(({ zone, phases }) =>
              phases.map((placed) => {
                const isIt = (one: { zoneId: string; phaseId: string }) =>
                  one.zoneId === zone.id && one.phaseId === placed.phase.id;
                const was = planned.find(({ does }) => does.some(isIt));
                const real = plan.done?.find(isIt);
                const later = ahead.find(({ does }) => does.some(isIt));
                return {
                  id: `${zone.id} ${placed.phase.id}`,
                  zone: zone.name,
                  name: phaseName(placed),
                  planned: was ? { from: was.starts, to: was.ends } : null,
                  real: real ? { from: readWallTime(real.starts)!, to: readWallTime(real.ends)! } : null,
                  ahead: later && !real ? { from: later.starts, to: later.ends } : null,
                };
              }),
            )}
          />
          {photos.length > 0 && (
            <>
              <h2 className="mt-6 mb-2 text-view">Board and piece</h2>
              <ul className="flex flex-wrap gap-4">
                {photos.slice(-3).map(({ id, photoId, on: [place], text: says, step }) => (
                  <li key={id} className="ledger-pair">
                    <span className="flex gap-1">
                      {place && (
                        <img
                          src={`/jobs/${plan.id}/board.png?zone=${place.zoneId}&step=${place.phaseId.split(/[/~]/, 1)[0]}&width=320`}
                          alt={`The board as it was predicted: ${step?.name ?? ""}`}
                          loading="lazy"
                        />
                      )}
                      <img src={`/jobs/${plan.id}/photos/${photoId}`} alt={says || "Photo"} loading="lazy" />
                    </span>
                    <span className="text-note text-soft">{says ?? step?.name}: the board, and the piece</span>
                  </li>
                ))}
              </ul>
            </>
          )}
          <h2 className="mt-6 mb-2 text-view">What this shop has taught the tool</h2>
          <Taught learned={learned} used={plan.pinned.drying ?? {}} version={version} />
          <div className="mt-4 flex flex-wrap gap-2 border-t border-hair pt-3">
            <Link className="button" to={`/jobs/${plan.id}/recipe`}>
              Use it as a recipe
            </Link>
            <Link className="button" to={`/jobs/${plan.id}/care`}>
              Care card
            </Link>
            <Link className="button" to={`/jobs/${plan.id}/report`}>
              Job report
            </Link>
            <a className="button" href={`/jobs/${plan.id}/export?as=archive`} download>
              Export with ledger and photos
            </a>
          </div>
        </section>
      </main>
      <footer className="flex min-h-10 flex-wrap items-center gap-x-6 border-t border-line bg-wash px-5">
        <span>
          {done} of {countOf(count, "step")} done
        </span>
        <span className="flex-1" />
        {leaves !== null && (
          <span>
            Leaves <b className="font-semibold">{sayDate(leaves)}</b>
          </span>
        )}
      </footer>
    </div>
  );
}
