import { type ReactNode, Suspense } from "react";
import { Form, Link, useActionData, useLoaderData, useNavigation } from "react-router";
import { CONSUMABLES } from "#core/quantity/consumables";
import type { TriedWay } from "#core/shelf/alternatives";
import { consumableOf } from "#core/shelf/book";
import type { Cost, CostLine, Range } from "#core/shelf/cost";
import type { Quote } from "#core/shelf/quote";
import { sayDuration, shortDuration } from "#core/units/duration";
import { sayLongDate } from "#core/units/when";
import { lazyChart } from "~/charts/lazy-chart";
import type { loader } from "~/routes/quote";
import { Speaking, useVoice } from "~/shelf/voice";
import { sayDifference } from "~/words/difference";
import { sayAmount, sayAreaIn, sayMoney, sayRoundMoney, type Voice } from "~/words/measures";

/** Pixels across of each of the two pictures: enough for a printed page. */
const PHOTO_WIDTH = 800;

const CostChart = lazyChart(() => import("~/charts/cost-chart"));

function When({ name, at }: { name: string; at: number | null }) {
  if (at === null) return null;
  return (
    <div>
      <dt className="text-note text-soft">{name}</dt>
      <dd className="font-semibold">{sayLongDate(at)}</dd>
    </div>
  );
}

/** What is said to the client, and the photos of the piece that the finish is laid on. */
type Said = Omit<Quote, "cost"> & { photos: readonly string[] };

/** What is said to the client: no figure of the shop's own is on it. */
function ClientPage({ quote, id }: { quote: Said; id: string }) {
  const voice = useVoice();
  const { price } = quote;
  return (
    <article className="bg-white px-10 py-9 max-sm:px-4 print:p-0" aria-label="The client's page">
      <header className="flex items-baseline gap-6 border-b-2 border-ink pb-3">
        <h1 className="flex-1 text-3xl">{quote.title}</h1>
        <p className="text-right">
          Quote of {sayLongDate(quote.made)}
          <span className="block text-note text-soft">valid until {sayLongDate(quote.validUntil)}</span>
        </p>
      </header>
      {quote.client && <p className="mt-3 text-base">For {quote.client}</p>}
      <section className="mt-5" aria-label="The look">
        {quote.photos.map((photoId) => (
          <figure key={photoId} className="mb-3">
            <img
              src={`/jobs/${id}/photo.jpg?photo=${photoId}&both=yes&width=${PHOTO_WIDTH}`}
              alt="The piece as it is, and with the predicted finish"
              loading="lazy"
              className="w-full rounded-std border border-line"
            />
            <figcaption className="mt-1 text-note text-soft">Your piece as it is, and as predicted.</figcaption>
          </figure>
        ))}
        <ul className="grid grid-cols-4 gap-3 max-sm:grid-cols-2">
          {quote.shownBy.map((zoneId) => {
            const zone = quote.zones.find((one) => one.zoneId === zoneId)!;
            return (
              <li key={zoneId}>
                <img
                  src={`/jobs/${id}/board.png?zone=${encodeURIComponent(zoneId)}`}
                  alt={`Predicted look: ${zone.finish}`}
                  width={768}
                  height={512}
                  className="aspect-[3/2] w-full rounded-std border border-line object-cover"
                />
                <p className="mt-1 text-note">{zone.finish}</p>
              </li>
            );
          })}
        </ul>
        <p className="mt-1 text-note text-soft">
          Predicted sample boards. Wood, light and handwork vary; a real board can be made first.
        </p>
      </section>
      <section className="mt-5" aria-label="What is done">
        <h2 className="text-xl">What is done</h2>
        <table className="mt-1 w-full">
          <tbody>
            {quote.zones.map((zone) => (
              <tr key={zone.zoneId} className="border-b border-hair align-top">
                <th scope="row" className="w-48 py-1.5 pr-4 text-left font-semibold">
                  {zone.name}
                </th>
                <td className="py-1.5 pr-4">
                  {zone.finish}
                  <span className="block text-note text-soft">{zone.layers.join(" · ").toLowerCase()}</span>
                </td>
                <td className="py-1.5 text-right whitespace-nowrap text-soft">{sayAreaIn(zone.area, voice)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <div className="mt-5 grid grid-cols-1 gap-8 sm:grid-cols-2 print:grid-cols-2">
        <section aria-label="When">
          <h2 className="text-xl">When</h2>
          <dl className="mt-1 grid grid-cols-2 gap-2">
            <When name="Work begins" at={quote.begins} />
            <When name="Ready to leave" at={quote.leaves} />
            <When name="Gentle use from" at={quote.lightUse} />
            <When name="Full use from" at={quote.fullUse} />
          </dl>
        </section>
        <section aria-label="Price">
          <h2 className="text-xl">Price</h2>
          <p className="mt-1 text-3xl font-semibold" data-price="">
            {price.to > 0
              ? `${sayRoundMoney(price.from, voice)} – ${sayRoundMoney(price.to, voice)}`
              : "not worked out yet"}
          </p>
          <p className="text-note text-soft">
            {quote.taxed ? "Tax included. " : ""}The work is charged as it turns out, within this range.
          </p>
        </section>
      </div>
      <section className="mt-5" aria-label="Care">
        <h2 className="text-xl">Care</h2>
        <ul className="mt-1 grid gap-1">
          {quote.care.map((care) => (
            <li key={care.zones.join()}>
              <b className="font-semibold">{care.zones.join(", ")}.</b> {care.says.join(" ")}
            </li>
          ))}
        </ul>
      </section>
      {quote.terms && (
        <section className="mt-5" aria-label="Terms">
          <h2 className="text-xl">Terms</h2>
          <p className="mt-1 whitespace-pre-line">{quote.terms}</p>
        </section>
      )}
    </article>
  );
}

function Row({ name, range, strong }: { name: string; range: Range; strong?: boolean }) {
  const voice = useVoice();
  return (
    <tr className={`border-b border-hair ${strong ? "text-base font-semibold" : ""}`}>
      <th scope="row" className={`py-1 text-left ${strong ? "" : "font-normal"}`}>
        {name}
      </th>
      <td className="py-1 text-right">{sayMoney(range.likely, voice)}</td>
      <td className="py-1 pl-4 text-right text-soft">{sayMoney(range.most, voice)}</td>
    </tr>
  );
}

/** What is used of a good; of what is cleaned and used again, how much it is worn. */
function sayUsed(goodId: string, unit: CostLine["unit"], amount: number, voice: Voice): string {
  const consumable = consumableOf(goodId);
  if (!consumable) return sayAmount(unit, amount, voice);
  const supply = CONSUMABLES[consumable];
  return supply.keeps ? `${Math.max(1, Math.round(amount * 100))}\u00a0% worn` : sayAmount(unit, amount, voice, supply);
}

function Lines({ title, lines }: { title: string; lines: readonly CostLine[] }) {
  const voice = useVoice();
  if (lines.length === 0) return null;
  return (
    <section className="mt-4" aria-label={title}>
      <h3 className="text-base">{title}</h3>
      <table className="w-full">
        <tbody>
          {lines.map(({ goodId, name, unit, amount, cost }) => (
            <tr key={goodId} className="border-b border-hair">
              <th scope="row" className="py-0.5 text-left font-normal">
                {name}
              </th>
              <td className="py-0.5 text-right whitespace-nowrap text-soft">{sayUsed(goodId, unit, amount, voice)}</td>
              <td className="w-28 py-0.5 text-right">
                {cost === null ? <span className="text-ochre">no price</span> : sayMoney(cost.likely, voice)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** What the shop knows: what it costs, and where the money and the hours go. */
function OwnPage({
  quote,
  cost,
  hourly,
  id,
  children,
}: {
  quote: Said;
  cost: Cost;
  hourly: number;
  id: string;
  children: ReactNode;
}) {
  const voice = useVoice();
  const { sums } = cost;
  return (
    <article className="bg-white px-10 py-9 max-sm:px-4 print:p-0" aria-label="Your own page">
      <header className="flex items-baseline gap-6 border-b-2 border-ink pb-3">
        <h1 className="flex-1 text-3xl">{quote.title}</h1>
        <p className="text-ochre">For yourself, not for the client</p>
      </header>
      {hourly === 0 && (
        <p className="mt-3 border-l-4 border-l-ochre pl-3">
          An hour of work costs nothing yet.{" "}
          <Link className="link" to="/shelf/prices?show=costing">
            Set what an hour costs
          </Link>
          .
        </p>
      )}
      {cost.unpriced.length > 0 && (
        <p className="mt-3 border-l-4 border-l-ochre pl-3">
          Not in the sum, because no price is known: {cost.unpriced.join(", ").toLowerCase()}.{" "}
          <Link className="link" to="/shelf/prices">
            Set prices
          </Link>
          .
        </p>
      )}
      <div className="mt-4 grid grid-cols-1 gap-10 md:grid-cols-2 print:grid-cols-2">
        <section aria-label="How the price is made up">
          <table className="w-full">
            <thead className="text-note text-soft">
              <tr className="border-b border-line">
                <th scope="col" className="py-1 text-left font-normal">
                  How the price is made up
                </th>
                <th scope="col" className="py-1 text-right font-normal">
                  Likely
                </th>
                <th scope="col" className="py-1 pl-4 text-right font-normal">
                  At most
                </th>
              </tr>
            </thead>
            <tbody>
              <Row name="Materials" range={sums.materials} />
              <Row name="Consumables" range={sums.consumables} />
              <Row name={`Hands-on work, ${sayDuration(cost.minutes)}`} range={sums.work} />
              <Row name="Overhead" range={sums.overhead} />
              <Row name="Margin" range={sums.margin} />
              {quote.taxed && <Row name="Tax" range={sums.tax} />}
              <Row name="Price" range={sums.price} strong />
            </tbody>
          </table>
          <p className="mt-2 text-note text-soft">
            At most: every spreading rate at its careful end, and a quarter more time.
          </p>
          <h3 className="mt-4 mb-1 text-base">Where it goes</h3>
          <Suspense fallback={<p className="text-note text-soft">Drawing …</p>}>
            <CostChart zones={cost.byZone} hourly={hourly} voice={voice} height={60 + 30 * cost.byZone.length} />
          </Suspense>
        </section>
        <section aria-label="What goes into it">
          <Lines title="Materials" lines={cost.materials} />
          <Lines title="Consumables" lines={cost.consumables} />
        </section>
      </div>
      {children}
      <p className="mt-4 print:hidden">
        <Link className="link" to={`/jobs/${id}/shelf`}>
          How the amounts are worked out
        </Link>
      </p>
    </article>
  );
}

const signed = (value: number, say: (value: number) => string) =>
  Math.abs(value) < 0.005 ? "the same" : `${value < 0 ? "−" : "+"}${say(Math.abs(value))}`;

/** Other ways to much the same piece, with what each changes. */
function Ways({ ways, version }: { ways: readonly TriedWay[]; version: number }) {
  const voice = useVoice();
  const answer = useActionData() as { says: string } | undefined;
  const busy = useNavigation().state !== "idle";
  return (
    <section className="mt-6 print:hidden" aria-label="Other ways">
      <h2 className="text-xl">Other ways</h2>
      <p className="text-note text-soft">
        Each tried on the plan by itself; none brings a stop. What it stands is the weakest last coat of the zones that
        change.
      </p>
      {answer && (
        <p role="alert" className="mt-2 border-l-4 border-l-ochre pl-3 text-ochre">
          {answer.says}
        </p>
      )}
      {ways.length === 0 ? (
        <p className="mt-2 text-soft">Nothing was found that is cheaper, or ready earlier, without a stop.</p>
      ) : (
        <div className="relative overflow-x-auto">
          <table className="mt-2 w-full">
            <thead className="text-left text-note text-soft">
              <tr className="border-b border-line">
                {["What", "Price", "Leaves", "Hands-on", "Stands", "Looks", ""].map((heading) => (
                  <th key={heading} scope="col" className="py-1 pr-3 font-normal">
                    {heading || <span className="sr-only">Use it</span>}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {ways.map((way) => (
                <tr key={way.id} className="border-b border-hair align-top" data-way={way.id}>
                  <th scope="row" className="py-1.5 pr-3 text-left font-semibold">
                    {way.label}
                    {way.cautions.after > way.cautions.before && (
                      <span className="block text-note font-normal text-sienna">
                        {way.cautions.after - way.cautions.before} more to watch
                      </span>
                    )}
                  </th>
                  <td className="py-1.5 pr-3 whitespace-nowrap">
                    {signed(way.price, (value) => sayMoney(value, voice))}
                  </td>
                  <td className="py-1.5 pr-3 whitespace-nowrap">
                    {way.leaves === null ? "" : signed(way.leaves, shortDuration)}
                  </td>
                  <td className="py-1.5 pr-3 whitespace-nowrap">{signed(way.handsOn, shortDuration)}</td>
                  <td className="py-1.5 pr-3 whitespace-nowrap">
                    {way.wear.before === way.wear.after ? way.wear.after : `${way.wear.before} → ${way.wear.after}`}
                  </td>
                  <td className="py-1.5 pr-3">{sayDifference(way.look)}</td>
                  <td className="py-1">
                    <Form method="post">
                      <input type="hidden" name="way" value={way.id} />
                      <input type="hidden" name="base" value={version} />
                      <input type="hidden" name="edit" value={`way-${version}-${way.id}`.slice(0, 60)} />
                      <button className="button whitespace-nowrap" disabled={busy} aria-label={`Use it: ${way.label}`}>
                        Use it
                      </button>
                    </Form>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

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
              <Ways ways={ways} version={inside.version} />
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
