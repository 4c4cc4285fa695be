import { type ReactNode, Suspense } from "react";
import { Link } from "react-router";
import { CONSUMABLES } from "#core/quantity/consumables";
import { consumableOf } from "#core/shelf/book";
import type { Cost, CostLine, Range } from "#core/shelf/cost";
import { sayDuration } from "#core/units/duration";
import { lazyChart } from "~/charts/lazy-chart";
import { useVoice } from "~/shelf/voice";
import { sayAmount, sayMoney, type Voice } from "~/words/measures";
import type { Said } from "./client-page";

const CostChart = lazyChart(() => import("~/charts/cost-chart"));

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
export function OwnPage({
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
