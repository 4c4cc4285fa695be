import { useLoaderData } from "react-router";
import { replay } from "#core/ledger/replay";
import { sayClock, sayLongDate } from "#core/units/when";
import { byDay, lineSays, sayAround, shownLines } from "~/ledger/line-words";
import { PrintedPage } from "~/ledger/printed-page";
import type { loader } from "~/routes/report";

export default function ReportRoute() {
  const { planId, title, client, crusts, lines } = useLoaderData<typeof loader>();
  const shown = shownLines(replay(lines).lines).filter(({ withdrawn }) => !withdrawn);
  const days = byDay(shown);
  return (
    <PrintedPage planId={planId} kind="Job report" title={title} client={client}>
      <section className="mt-5" aria-label="The crusts">
        {crusts.map(({ id, name, steps }) => (
          <p key={id} className="mt-1">
            <b className="font-semibold">{name}:</b> {steps.join(", ").toLowerCase()}
          </p>
        ))}
      </section>
      {shown.length === 0 && <p className="mt-6 text-soft">Nothing has been written down yet.</p>}
      {[...days].map(([day, list]) => (
        <section key={day} className="mt-6 break-inside-avoid">
          <h2 className="text-xl">{sayLongDate(day)}</h2>
          <ul>
            {list.map((line) => {
              const { event, began } = line;
              const { what, text } = lineSays(line);
              const wall = Math.floor((began ?? event.at) / 60_000 + event.offset);
              return (
                <li key={event.id} className="flex gap-4 border-b border-hair py-1.5">
                  <span className="w-12 shrink-0 text-right font-semibold">{sayClock(wall)}</span>
                  <span className="min-w-0 flex-1">
                    <b className="font-semibold">{what}</b>
                    {event.step?.zones ? `, ${event.step.zones.toLowerCase()}` : ""}
                    {text && <span className="block">{text}</span>}
                    <span className="block text-note text-soft">{sayAround(event)}</span>
                    {event.kind === "photo" && (
                      <img
                        src={`/jobs/${planId}/photos/${event.photoId}`}
                        alt={text ?? what}
                        className="mt-1 max-h-64 border border-line"
                      />
                    )}
                  </span>
                </li>
              );
            })}
          </ul>
        </section>
      ))}
    </PrintedPage>
  );
}
