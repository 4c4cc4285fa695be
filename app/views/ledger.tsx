import { useMemo, useState } from "react";
import { Form, Link, useLoaderData, useSearchParams } from "react-router";
import { replay } from "#core/ledger/replay";
import { judgementOf } from "#core/schedule/kept";
import { phaseName } from "#core/schedule/work";
import { readWallTime } from "#core/units/wall-time";
import { sayDate, sayLongDate, sayMoment } from "#core/units/when";
import { useOffline } from "~/bench/offline";
import { planOfText } from "~/editor/plan-text";
import { LedgerForm } from "~/ledger/ledger-form";
import { LedgerLine } from "~/ledger/ledger-line";
import { byDay, lineSays, shownLines } from "~/ledger/line-words";
import { PlanAndReal } from "~/ledger/plan-and-real";
import { Taught } from "~/ledger/taught";
import { JobHead } from "~/parts/job-head";
import type { loader } from "~/routes/ledger";
import { countOf } from "~/words/amount";

export default function LedgerRoute() {
  const { text, lines, learned, planned, ahead, leaves, token } = useLoaderData<typeof loader>();
  const plan = planOfText(text);
  useOffline();
  const [params] = useSearchParams();
  const [asked, setAsked] = useState(params.get("find") ?? "");
  const state = useMemo(() => replay(lines.map(({ event }) => event)), [lines]);
  const kept = useMemo(() => new Map(lines.map((line) => [line.event.id, line])), [lines]);
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
          <Taught learned={learned} used={plan.pinned.drying ?? {}} token={token} />
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
