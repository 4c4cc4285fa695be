import { useMemo } from "react";
import { Link, useLoaderData } from "react-router";
import { startsIn, supplyOf } from "#core/shelf/supply";
import { useJobEditor } from "~/editor/job-editor";
import { useFold } from "~/parts/fold";
import { panes } from "~/parts/panes";
import { useSelection } from "~/parts/selection";
import { useRoom } from "~/parts/use-room";
import { columnRoom, ZoneColumn } from "~/parts/zone-column";
import type { Shelf } from "~/routes/shelf";
import { SupplyList } from "~/shelf/supply-list";
import { byUrgency } from "~/shelf/supply-words";
import { ToBuyPanel } from "~/shelf/to-buy";
import { VoiceOf } from "~/shelf/voice";
import { countOf } from "~/words/amount";

/** How many needs stand in which way. */
function Summary({ lines }: { lines: ReturnType<typeof supplyOf> }) {
  const count = (...standings: string[]) => lines.filter(({ standing }) => standings.includes(standing)).length;
  const missing = count("missing", "short");
  const old = count("old");
  return (
    <p className="text-note text-soft">
      {missing === 0 && old === 0 ? (
        "Everything is on the shelf."
      ) : (
        <>
          {missing > 0 && <b className="font-semibold text-ochre">{countOf(missing, "thing")} missing or short</b>}
          {missing > 0 && old > 0 && " · "}
          {old > 0 && <b className="font-semibold text-sienna">{old} only in old tins</b>} · {count("enough")} there.
        </>
      )}{" "}
      What other jobs want earlier is left for them.
    </p>
  );
}

export default function ShelfView() {
  const { plan, planned } = useJobEditor();
  const shelf = useLoaderData<Shelf>();
  const selection = useSelection();
  const { frame, height, narrow } = useRoom();
  const fold = useFold();
  const room = columnRoom({ height, narrow });
  const lines = useMemo(
    () =>
      supplyOf({
        plans: [plan],
        others: shelf.others,
        book: shelf.book,
        pots: shelf.pots,
        startOf: startsIn(planned ? [planned] : []),
        today: shelf.today,
      }),
    [plan, planned, shelf],
  );
  const materials = lines.filter(({ material }) => material !== null).sort(byUrgency);
  const consumables = lines.filter(({ material }) => material === null);
  return (
    <VoiceOf book={shelf.book}>
      <div ref={frame} className="panes" style={panes(`${fold.width} minmax(0, 1fr)`)}>
        <div className="pane-left max-lg:hidden">
          {fold.folded && <div className="p-2">{fold.button}</div>}
          {selection.judged && !fold.folded && (
            <ZoneColumn
              judged={selection.judged}
              selection={selection}
              room={room}
              fold={fold.button}
              linkBase={`/jobs/${plan.id}/crust`}
            />
          )}
        </div>
        <section className="pane border-r-0 px-7 pt-4 pb-8 max-sm:px-4" aria-label="What the job needs">
          <div className="mb-3 flex flex-wrap items-start gap-3">
            <div className="min-w-0 flex-1">
              <h2 className="text-view">What the job needs</h2>
              {shelf.away ? (
                <p className="text-note font-semibold text-sienna">
                  Jolly Crust is not answering, so what is on the shelf is not known.
                </p>
              ) : (
                lines.length > 0 && <Summary lines={lines} />
              )}
            </div>
            <Link to={`/jobs/${plan.id}/mix-cards`} className="button">
              Mix cards
            </Link>
            <Link to={`/jobs/${plan.id}/quote`} className="button">
              Quote
            </Link>
            <Link to="/shelf" className="button">
              Whole shelf
            </Link>
          </div>
          {lines.length === 0 ? (
            <p className="max-w-md border-l-4 border-l-edge bg-board px-4 py-3">
              No coats yet. Add the first step to the crust, and its amount shows here.
            </p>
          ) : (
            <div className="grid items-start gap-7 xl:grid-cols-[minmax(0,1fr)_236px]">
              <div className="grid gap-6">
                <SupplyList
                  lines={materials}
                  book={shelf.book}
                  today={shelf.today}
                  label="Materials"
                  away={shelf.away}
                />
                {consumables.length > 0 && (
                  <SupplyList
                    lines={consumables}
                    book={shelf.book}
                    today={shelf.today}
                    label="Consumables"
                    away={shelf.away}
                  />
                )}
              </div>
              {!shelf.away && <ToBuyPanel lines={lines} book={shelf.book} planId={plan.id} />}
            </div>
          )}
        </section>
      </div>
    </VoiceOf>
  );
}
