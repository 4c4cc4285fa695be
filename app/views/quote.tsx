import { Link, useLoaderData } from "react-router";
import { ClientPage } from "~/quote/client-page";
import { OwnPage } from "~/quote/own-page";
import { Ways } from "~/quote/ways";
import type { loader } from "~/routes/quote";
import { Speaking } from "~/shelf/voice";

/** A quote on two pages: one for the client, one for the shop. Each prints by itself. */
export default function QuoteRoute() {
  const { id, voice, quote, inside, ways } = useLoaderData<typeof loader>();
  return (
    <Speaking voice={voice}>
      <main className="mx-auto max-w-[980px] p-6 max-sm:p-2 print:max-w-none print:p-0">
        <p className="mb-4 flex flex-wrap items-center gap-4 print:hidden">
          <Link className="link" to={`/jobs/${id}/shelf`}>
            Back to {quote.title}
          </Link>
          <Link className="link" to={`/jobs/${id}/quote`} aria-current={inside ? undefined : "page"}>
            The client's page
          </Link>
          <Link className="link" to={`/jobs/${id}/quote?for=shop`} aria-current={inside ? "page" : undefined}>
            Your own page
          </Link>
          <Link className="link" to="/shelf/prices?show=costing">
            Costing and terms
          </Link>
          <span className="flex-1" />
          <span className="text-note text-soft">Print it with the browser: only this page is printed.</span>
        </p>
        {inside ? (
          <OwnPage quote={quote} cost={inside.cost} hourly={inside.hourly} id={id}>
            {ways ? (
              <Ways ways={ways} version={inside.version} token={inside.token} />
            ) : (
              <p className="mt-5 print:hidden">
                <Link className="button" to={`/jobs/${id}/quote?for=shop&ways=yes`}>
                  Compare other ways
                </Link>
                <span className="ml-3 text-note text-soft">
                  A cheaper product, one fewer coat over a better under-colour, another seal, less decoration.
                </span>
              </p>
            )}
          </OwnPage>
        ) : (
          <ClientPage quote={quote} id={id} />
        )}
      </main>
    </Speaking>
  );
}
