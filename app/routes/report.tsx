import { useLoaderData } from "react-router";
import { replay } from "#core/ledger/replay";
import { findTechnique } from "#core/surface/techniques";
import { sayClock, sayLongDate } from "#core/units/when";
import { ledgerOf } from "#db/ledger";
import { getJob } from "#db/plans";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import { byDay, lineSays, sayAround, shownLines } from "~/ledger/line-words";
import { PrintedPage } from "~/ledger/printed-page";
import type { Route } from "./+types/report";

export const loader = ({ params }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const planId = planIdOf(params);
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const { plan } = job;
    const lines = await ledgerOf(store, planId);
    const materials = plan.pinned.materials;
    return {
      planId,
      title: plan.title,
      client: plan.client ?? null,
      crusts: plan.crusts.map(({ id, name, steps }) => ({
        id,
        name,
        steps: steps.map(
          ({ what, how, coats }) =>
            `${materials.find((one) => one.id === what)?.name ?? findTechnique(how)?.name ?? how}${coats > 1 ? ` × ${coats}` : ""}`,
        ),
      })),
      lines: lines.map(({ event }) => event),
    };
  });

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Job report: ${(loaderData as { title?: string } | undefined)?.title ?? ""}` },
];

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
