import { Form, Link, useSearchParams } from "react-router";
import { goodIn } from "#core/shelf/book";
import { packField } from "~/forms/book-form";
import { Field, TextField } from "~/forms/edit-form-parts";
import type { GoodName } from "~/forms/stock-form";
import { useVoice } from "~/shelf/voice";
import { sayAmount, sayMoney, sayNumber } from "~/words/measures";
import { Hidden, type Loaded, useAnswer, Wrong } from "./answers";
import { Files, Suppliers } from "./suppliers";

/** The packs of one good: one line for each, and an empty one for another. */
function PacksForm({ good, loaded }: { good: GoodName; loaded: Loaded }) {
  const voice = useVoice();
  const answer = useAnswer("packs", ["goodId", good.id]);
  const known = goodIn(loaded.book, good.id);
  const rows = [...(known?.packs ?? []), null];
  const value = (at: number, name: "holds" | "price" | "supplier", own: string) =>
    answer?.values[packField(at, name)] ?? own;
  const to = `/shelf/prices?good=${encodeURIComponent(good.id)}`;
  return (
    <Form
      method="post"
      key={`${good.id} ${loaded.version}`}
      className="border border-line bg-board px-4 py-3"
      aria-label={`Packs of ${good.name}`}
      preventScrollReset
    >
      <Hidden does="packs" to={to} version={loaded.version} more={{ goodId: good.id }} />
      <h2 className="text-lg">{good.name}</h2>
      <p className="mb-2 text-note text-soft">
        Counted in {good.unit}. Clear a line to remove the pack. The shopping list takes the cheapest packs for what is
        missing.
      </p>
      <Wrong answer={answer} />
      {loaded.book.suppliers.length === 0 ? (
        <p className="text-soft">Add a supplier first.</p>
      ) : (
        <ul className="grid gap-2">
          {rows.map((pack, index) => (
            <li
              key={pack?.id ?? "new"}
              className="grid grid-cols-[88px_88px_minmax(0,1fr)] items-start gap-2 border-b border-hair pb-2"
            >
              <TextField
                name={packField(index, "holds")}
                label={pack ? "Holds" : "Another holds"}
                keys="decimal"
                value={value(index, "holds", pack ? sayNumber(pack.holds, pack.holds % 1 ? 1 : 0, { ...voice }) : "")}
                fault={answer?.faults[packField(index, "holds")]}
              />
              <TextField
                name={packField(index, "price")}
                label="Price"
                keys="decimal"
                value={value(index, "price", pack && pack.price !== null ? sayNumber(pack.price, 2, voice) : "")}
                fault={answer?.faults[packField(index, "price")]}
              />
              <Field
                name={packField(index, "supplier")}
                label="Supplier"
                fault={answer?.faults[packField(index, "supplier")]}
              >
                {(field) => (
                  <select {...field} defaultValue={value(index, "supplier", pack?.supplierId ?? "")}>
                    {loaded.book.suppliers.map(({ id, name }) => (
                      <option key={id} value={id}>
                        {name}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)_auto] items-end gap-3">
        <TextField
          name="keeps"
          label="Keeps once opened, days (optional)"
          keys="numeric"
          placeholder="by its kind"
          value={answer?.values.keeps ?? known?.keepsOpenedDays ?? ""}
          fault={answer?.faults.keeps}
        />
        <button className="button button-main">Save</button>
      </div>
    </Form>
  );
}

export function Goods({ loaded }: { loaded: Loaded }) {
  const voice = useVoice();
  const [params] = useSearchParams();
  const find = (params.get("find") ?? "").toLowerCase();
  const chosen = params.get("good");
  const { goods, book: own } = loaded;
  const shown = goods.filter(({ name, material }) => `${name} ${material?.family ?? ""}`.toLowerCase().includes(find));
  const good = goods.find(({ id }) => id === chosen) ?? null;
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_400px] items-start gap-8">
      <section aria-label="Packs and prices" className="min-w-0">
        <Form method="get" role="search" className="mb-2 flex items-end gap-2">
          <div className="min-w-0 max-w-72 flex-1">
            <TextField name="find" label="Find a material or consumable" value={params.get("find") ?? ""} />
          </div>
          <button className="button">Find</button>
        </Form>
        {shown.length === 0 && <p className="text-soft">Nothing has that name. Try fewer letters.</p>}
        <ul>
          {shown.map((good) => {
            const packs = goodIn(own, good.id)?.packs ?? [];
            return (
              <li
                key={good.id}
                className={`grid gap-x-4 sm:grid-cols-[240px_minmax(0,1fr)] border-b border-hair py-1.5 ${good.id === chosen ? "bg-wash" : ""}`}
              >
                <Link
                  to={`?${new URLSearchParams({ ...(find ? { find } : {}), good: good.id })}`}
                  preventScrollReset
                  aria-current={good.id === chosen}
                  className="font-semibold hover:underline"
                >
                  {good.name}
                </Link>
                <span className="text-note text-soft">
                  {packs.length === 0
                    ? "no pack known"
                    : own.suppliers
                        .map(({ id, name }) => {
                          const sold = packs.filter(({ supplierId }) => supplierId === id);
                          return sold.length === 0
                            ? ""
                            : `${name} ${sold.map(({ holds, price }) => `${sayAmount(good.unit, holds, voice, good.words)} ${price === null ? "no price" : sayMoney(price, voice)}`).join(", ")}`;
                        })
                        .filter(Boolean)
                        .join(" · ")}
                </span>
              </li>
            );
          })}
        </ul>
      </section>
      <div className="grid grid-cols-1 gap-4 max-lg:order-first lg:sticky lg:top-4">
        {good ? (
          <PacksForm good={good} loaded={loaded} />
        ) : (
          <p className="border border-line bg-board px-4 py-3 text-soft">Choose a line to set its packs and prices.</p>
        )}
        <Suppliers loaded={loaded} />
        <Files loaded={loaded} />
      </div>
    </div>
  );
}
