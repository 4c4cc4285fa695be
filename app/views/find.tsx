import { Form, Link, useLoaderData } from "react-router";
import { PageHead } from "~/parts/brand";
import type { loader } from "~/routes/find";
import { countOf } from "~/words/amount";

export default function FindRoute() {
  const { asked, found } = useLoaderData<typeof loader>();
  return (
    <div className="min-h-screen">
      <PageHead title="Past work" />
      <main className="mx-auto max-w-4xl px-5 py-6">
        <h1 className="text-view">What was that colour, and how did you do it?</h1>
        <Form method="get" role="search" className="mt-3 flex flex-wrap items-end gap-3">
          <label className="grow">
            A material, a colour like #4f7a6b, a look, a client, what went wrong
            <input type="search" name="q" className="field min-h-11" defaultValue={asked} maxLength={200} />
          </label>
          <button className="button button-main min-h-11">Find</button>
        </Form>
        {asked !== "" && (
          <p className="mt-4 text-soft" role="status">
            {found.length === 0
              ? `Nothing matches "${asked}". Try one word of it, or the six-digit code of a colour.`
              : `${countOf(found.length, "place")}, the nearest first`}
          </p>
        )}
        <ul className="mt-2">
          {found.map((found) => (
            <li
              key={`${found.planId} ${found.zoneId} ${found.what} ${found.lineId}`}
              className="grid grid-cols-[2.5rem_minmax(0,1fr)] items-start gap-x-4 border-b border-hair py-3 sm:grid-cols-[2.5rem_minmax(0,1fr)_auto]"
            >
              <span
                className="mt-1 block h-9 w-9 border border-line"
                style={{ background: found.colour ?? "var(--color-wash)" }}
                title={found.colour ?? undefined}
              />
              <span className="min-w-0">
                <b className="font-semibold">{found.what}</b>
                {found.distance > 1 && <span className="text-soft"> · {found.distance.toFixed(1)} off (ΔE00)</span>}
                <span className="block">
                  {found.title}
                  {found.zone ? `, ${found.zone.toLowerCase()}` : ""}
                  {found.client ? ` · ${found.client}` : ""}
                </span>
                <span className="block text-note text-soft">{found.how.toLowerCase()}</span>
              </span>
              <span className="flex gap-2 max-sm:col-start-2">
                {found.lineId ? (
                  <Link className="button" to={`/jobs/${found.planId}/ledger#line-${found.lineId}`}>
                    In the ledger
                  </Link>
                ) : (
                  <Link
                    className="button"
                    to={`/jobs/${found.planId}/recipe${found.zoneId ? `?zone=${found.zoneId}` : ""}`}
                  >
                    How it was done
                  </Link>
                )}
              </span>
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}
