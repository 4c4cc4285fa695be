import { useEffect } from "react";
import { Link } from "react-router";
import { readWallTime } from "#core/units/wall-time";
import { sayDate } from "#core/units/when";
import { getRow } from "#db/plans";
import { SEVERITY_WORDS } from "~/drawing/severity";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import { Brand } from "~/parts/brand";
import { countOf } from "~/words/amount";
import type { Route } from "./+types/waiting";

const AGAIN_SECONDS = 2;

/** Only leads back to pages of this tool. */
const pathFrom = (asked: string | null): string => (asked && /^\/(?![/\\])[\x20-\x7e]*$/.test(asked) ? asked : "/");

export async function loader({ params, request }: Route.LoaderArgs) {
  const to = pathFrom(new URL(request.url).searchParams.get("to"));
  if (params.planId === undefined) return { to, row: null };
  const planId = planIdOf({ planId: params.planId });
  const row = await withStore((store) => getRow(store, planId));
  if (!row) throw noSuchJob(planId);
  return { to, row };
}

export const meta: Route.MetaFunction = () => [{ title: "Working it out · Jolly Crust" }];

/** Without scripts the page reloads by itself. */
export const headers: Route.HeadersFunction = () => ({ "Cache-Control": "no-store" });

/** What is known of a job whose page is still being worked out; opens that page by itself when it is ready. */
export default function Waiting({ loaderData: { to, row } }: Route.ComponentProps) {
  useEffect(() => {
    const timer = setTimeout(() => window.location.replace(to), AGAIN_SECONDS * 1000);
    return () => clearTimeout(timer);
  }, [to]);
  const known = row?.summary?.known;
  const worked = row?.summary?.worked;
  const starts = known ? readWallTime(known.start) : null;
  return (
    <div className="mx-auto max-w-2xl px-8 py-6">
      <noscript>
        <meta httpEquiv="refresh" content={`${AGAIN_SECONDS};url=${to}`} />
      </noscript>
      <header className="border-b border-line pb-4">
        <Brand />
      </header>
      <main className="mt-10">
        <p className="kicker text-soft">working it out</p>
        <h1 className="text-2xl">{row?.title ?? "Shop calendar"}</h1>
        <p className="mt-3 text-base" role="status">
          Verdicts and dates are still being worked out. That takes longest for a large job, or while the machine is
          busy. The page opens by itself when they are ready. Nothing you saved is affected.
        </p>
        {known && (
          <dl className="mt-6 grid grid-cols-[9rem_1fr] gap-y-1.5 border-t border-line pt-4">
            <dt className="text-soft">Pieces</dt>
            <dd>
              {known.pieces.join(", ")} · {countOf(known.zones, "zone")}
            </dd>
            {starts !== null && (
              <>
                <dt className="text-soft">Begins</dt>
                <dd>{sayDate(starts)}</dd>
              </>
            )}
            {worked && (
              <>
                <dt className="text-soft">Last worked out</dt>
                <dd>
                  {countOf(worked.counts.stop, SEVERITY_WORDS.stop.one)},{" "}
                  {countOf(worked.counts.caution, SEVERITY_WORDS.caution.one)}
                </dd>
              </>
            )}
          </dl>
        )}
        <p className="mt-8 flex gap-3">
          <a href={to} className="button button-main">
            Try now
          </a>
          <Link to="/" className="button">
            Go to the jobs list
          </Link>
        </p>
      </main>
    </div>
  );
}
