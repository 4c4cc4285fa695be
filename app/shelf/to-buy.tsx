import { Link } from "react-router";
import type { ShelfBook } from "#core/shelf/book";
import { bySupplier, type SupplyLine, shoppingList, type ToBuy } from "#core/shelf/supply";
import { countOf } from "~/words/amount";
import { sayMoney } from "~/words/measures";
import { amountOf } from "./supply-words";
import { useVoice } from "./voice";

/** What is bought of a good: "2 × 250 ml". */
export function SayPacks({ item: { line, basket } }: { item: ToBuy }) {
  const voice = useVoice();
  if (!basket) return <>{amountOf(line, line.missing, voice)}, no pack known</>;
  // of what comes singly, so many: "2 brushes", not "2 × 1 brush"
  const packs = basket.packs.map(({ pack, count }) =>
    line.unit === "pieces" && pack.holds === 1
      ? amountOf(line, count, voice)
      : `${count} × ${amountOf(line, pack.holds, voice)}`,
  );
  return <>{packs.join(" + ")}</>;
}

/** What all of it costs, and how many things have no price. */
export function priceOf(list: readonly ToBuy[]): { sum: number; unpriced: number } {
  const prices = list.map(({ basket }) => basket?.price ?? null);
  return {
    sum: prices.reduce<number>((sum, price) => sum + (price ?? 0), 0),
    unpriced: prices.filter((price) => price === null).length,
  };
}

/** What is to be bought, by supplier, with what it costs. */
export function ToBuyPanel({
  lines,
  book,
  planId,
}: {
  lines: readonly SupplyLine[];
  book: ShelfBook;
  planId?: string;
}) {
  const voice = useVoice();
  const list = shoppingList(lines, book);
  const { sum, unpriced } = priceOf(list);
  const params = planId ? `?job=${planId}` : "";
  if (list.length === 0)
    return (
      <section aria-label="To buy" className="border border-line bg-board px-4 py-3">
        <h2 className="text-lg">To buy</h2>
        <p className="mt-1 text-verdigris" data-nothing-missing="">
          Nothing is missing.
        </p>
        <Link to="/shelf" className="link mt-2 inline-block">
          See the whole shelf
        </Link>
      </section>
    );
  return (
    <section aria-label="To buy" className="border border-line bg-board px-4 py-3">
      <h2 className="text-lg">To buy</h2>
      {bySupplier(list, book).map(({ supplierId, items }) => (
        <div key={supplierId ?? ""} className="mt-2">
          <h3 className="kicker text-[0.9375rem]">
            {book.suppliers.find(({ id }) => id === supplierId)?.name ?? "Supplier not known"}
          </h3>
          <ul>
            {items.map((item) => (
              <li
                key={item.line.goodId}
                className="flex justify-between gap-3 border-b border-hair py-1"
                data-buy={item.line.goodId}
              >
                <span className="min-w-0">
                  <span className="block">{item.line.name}</span>
                  <span className="block text-note text-soft">
                    <SayPacks item={item} />
                  </span>
                </span>
                <span className="whitespace-nowrap">
                  {item.basket?.price === null || !item.basket ? (
                    <span className="text-soft">no price</span>
                  ) : (
                    sayMoney(item.basket.price, voice)
                  )}
                </span>
              </li>
            ))}
          </ul>
        </div>
      ))}
      <p className="mt-2 flex justify-between font-semibold">
        <span>{countOf(list.length, "thing")} to buy</span>
        <span>{sayMoney(sum, voice)}</span>
      </p>
      {unpriced > 0 && <p className="text-note text-soft">{countOf(unpriced, "price")} not known yet.</p>}
      <p className="mt-3">
        <Link to={`/shelf/list${params}`} className="button button-main w-full">
          Shopping list
        </Link>
      </p>
    </section>
  );
}
