import { Form, Link, useActionData, useLoaderData } from "react-router";
import { bySupplier, shoppingList, type ToBuy } from "#core/shelf/supply";
import { sayLongDate, sayMoment } from "#core/units/when";
import { TextField } from "~/forms/edit-form-parts";
import type { StockResult } from "~/http/stock-action.server";
import type { loader } from "~/routes/shopping-list";
import { Refused } from "~/shelf/stock-forms";
import { amountOf, needOf } from "~/shelf/supply-words";
import { priceOf, SayPacks } from "~/shelf/to-buy";
import { useVoice, VoiceOf } from "~/shelf/voice";
import { sayMoney } from "~/words/measures";

type Loaded = ReturnType<typeof useLoaderData<typeof loader>>;

/** One thing to buy: what, how many packs, what for and by when; and how many were bought. */
function Item({ item, loaded, answer }: { item: ToBuy; loaded: Loaded; answer: StockResult | null }) {
  const voice = useVoice();
  const { line, basket } = item;
  return (
    <tr className="border-b border-hair align-top" data-buy={line.goodId}>
      <td className="w-7 py-2 pr-2 max-sm:hidden">
        <span className="block size-4 rounded-[2px] border border-edge" aria-hidden="true" />
      </td>
      <th scope="row" className="py-2 pr-4 text-left font-normal">
        <b className="font-semibold">{line.name}</b>
        <span className="block text-note text-soft">
          {needOf(line, line.missing, voice)} missing
          {line.wanted !== null && ` · for ${sayMoment(line.wanted, loaded.today)}`}
          {basket && basket.over > 0.5 && ` · ${amountOf(line, basket.over, voice)} left over`}
        </span>
      </th>
      <td className="py-2 pr-4 text-[1.0625rem] font-semibold whitespace-nowrap">
        <SayPacks item={item} />
      </td>
      <td className="py-2 pr-4 text-right whitespace-nowrap max-sm:hidden">
        {basket?.price === null || !basket ? (
          <span className="text-soft">no price</span>
        ) : (
          sayMoney(basket.price, voice)
        )}
      </td>
      <td className="w-20 py-1 text-right print:hidden">
        {basket?.packs.map(({ pack, count }) => {
          const name = `buy|${line.goodId}|${pack.id}`;
          const fault = answer?.faults[name];
          return (
            <span key={pack.id} className="block">
              <input
                className="field ml-auto !w-16 text-right"
                inputMode="numeric"
                name={name}
                aria-label={`Packs bought: ${amountOf(line, pack.holds, voice)} of ${line.name}`}
                aria-invalid={fault ? true : undefined}
                aria-describedby={fault ? `${name}-fault` : undefined}
                defaultValue={answer?.values[name] ?? String(count)}
              />
              {fault && (
                <span id={`${name}-fault`} role="alert" className="block max-w-40 text-note text-ochre">
                  {fault}
                </span>
              )}
            </span>
          );
        })}
      </td>
    </tr>
  );
}

/** What is to be bought, by supplier: to print, to take along, and to book in afterwards. */
export default function ShoppingListRoute() {
  const loaded = useLoaderData<typeof loader>();
  const result = (useActionData() as StockResult | undefined) ?? null;
  const { job, careful, lines, book } = loaded;
  const list = shoppingList(lines, book, { careful });
  const query = (more: Record<string, string>) => {
    const params = new URLSearchParams({
      ...(job ? { job: job.id } : {}),
      ...(careful ? { careful: "" } : {}),
      ...more,
    });
    return params.size > 0 ? `?${params}` : "";
  };
  const to = `/shelf/list${query({})}`;
  return (
    <VoiceOf book={book}>
      <main className="mx-auto max-w-[900px] bg-board p-8 max-sm:p-4 print:max-w-none print:bg-white print:p-0">
        <p className="mb-4 flex flex-wrap gap-4 print:hidden">
          <Link className="link" to={job ? `/jobs/${job.id}/shelf` : "/shelf"}>
            {job ? `Back to ${job.title}` : "Back to the shelf"}
          </Link>
          {job && (
            <Link className="link" to="/shelf/list">
              List for all jobs
            </Link>
          )}
          <Link
            className="link"
            to={careful ? `/shelf/list${job ? `?job=${job.id}` : ""}` : `/shelf/list${query({ careful: "" })}`}
          >
            {careful ? "Buy what is likely to do" : "Buy on the careful side"}
          </Link>
          <a className="link" href={`/shelf/list.csv${query({})}`} download>
            As CSV
          </a>
        </p>
        <h1 className="text-2xl">Shopping list</h1>
        <p className="mb-4 text-soft">
          {job ? job.title : "All jobs that are promised or under way"} · {sayLongDate(loaded.today)}
          {careful ? " · on the careful side" : ""}
        </p>
        {list.length === 0 ? (
          <p className="border-l-4 border-l-verdigris px-4 py-3" data-nothing-missing="">
            Nothing is missing: everything is on the shelf.
          </p>
        ) : (
          <Form method="post" aria-label="Shopping list">
            <input type="hidden" name="do" value="buy list" />
            <input type="hidden" name="to" value={to} />
            <input type="hidden" name="movement" value={loaded.token} />
            <Refused answer={result} />
            {bySupplier(list, book).map(({ supplierId, items }) => {
              const supplier = book.suppliers.find(({ id }) => id === supplierId);
              const { sum } = priceOf(items);
              return (
                <section key={supplierId ?? ""} className="mb-6 break-inside-avoid" aria-label={supplier?.name}>
                  <h2 className="flex items-baseline gap-3 border-b border-line pb-1 text-lg">
                    {supplier?.name ?? "Supplier not known"}
                    {supplier?.note && (
                      <span className="font-text text-note font-normal text-soft">{supplier.note}</span>
                    )}
                  </h2>
                  <table className="w-full">
                    <thead className="text-note text-soft print:hidden">
                      <tr>
                        <td />
                        <td className="max-sm:hidden" />
                        <th scope="col" className="pt-1 pr-4 text-left font-normal">
                          Packs
                        </th>
                        <th scope="col" className="pt-1 pr-4 text-right font-normal max-sm:hidden">
                          Price
                        </th>
                        <th scope="col" className="pt-1 text-right font-normal">
                          Bought
                        </th>
                      </tr>
                    </thead>
                    <tbody>
                      {items.map((item) => (
                        <Item key={item.line.goodId} item={item} loaded={loaded} answer={result} />
                      ))}
                    </tbody>
                  </table>
                  <SupplierSum sum={sum} />
                </section>
              );
            })}
            <fieldset className="mt-6 border-t-2 border-line pt-3 print:hidden">
              <legend className="sr-only">Book in</legend>
              <h2 className="text-lg">Book in</h2>
              <p className="mb-2 text-note text-soft">
                Change the numbers above to what you really bought. Each pack becomes a tin on the shelf.
              </p>
              <div className="grid items-end gap-3 sm:grid-cols-[200px_200px_auto]">
                <TextField
                  name="receipt"
                  label="Receipt no. (optional)"
                  value={result?.values.receipt ?? ""}
                  fault={result?.faults.receipt}
                />
                <TextField
                  name="place"
                  label="Place (optional)"
                  value={result?.values.place ?? ""}
                  fault={result?.faults.place}
                />
                <button className="button button-main justify-self-start">Book it in</button>
              </div>
            </fieldset>
          </Form>
        )}
      </main>
    </VoiceOf>
  );
}

function SupplierSum({ sum }: { sum: number }) {
  const voice = useVoice();
  return <p className="mt-1 text-right font-semibold">{sayMoney(sum, voice)}</p>;
}
