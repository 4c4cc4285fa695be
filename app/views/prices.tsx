import { Form, Link, useActionData, useLoaderData, useNavigation, useSearchParams } from "react-router";
import { goodIn, MEASURES, NUMBER_FORMATS, type ShelfBook } from "#core/shelf/book";
import { packField } from "~/forms/book-form";
import { Field, TextField } from "~/forms/edit-form-parts";
import type { FormFields } from "~/forms/fields";
import type { GoodName } from "~/forms/stock-form";
import { PageHead } from "~/parts/brand";
import { PageTabs } from "~/parts/page-tabs";
import type { loader, Result } from "~/routes/prices";
import { useVoice, VoiceOf } from "~/shelf/voice";
import { sayAmount, sayMoney, sayNumber } from "~/words/measures";

type Loaded = ReturnType<typeof useLoaderData<typeof loader>>;

function useAnswer(does: string, field?: [string, string]): Result | null {
  const result = useActionData() as Result | undefined;
  if (!result || result.values.do !== does) return null;
  return field === undefined || result.values[field[0]] === field[1] ? result : null;
}

const Wrong = ({ answer }: { answer: Result | null }) =>
  answer?.faults[""] ? (
    <p role="alert" className="mb-2 border-l-4 border-l-ochre bg-board px-3 py-2 text-ochre">
      {answer.faults[""]}
    </p>
  ) : null;

function Hidden({ does, to, version, more = {} }: { does: string; to: string; version: number; more?: FormFields }) {
  return (
    <>
      {Object.entries({ do: does, to, base: String(version), ...more }).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
    </>
  );
}

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
        Counted in {good.unit}. Empty a line to remove the pack. The cheapest packs for what is missing go on the
        shopping list.
      </p>
      <Wrong answer={answer} />
      {loaded.book.suppliers.length === 0 ? (
        <p className="text-soft">Add a supplier first.</p>
      ) : (
        <ul className="grid gap-2">
          {rows.map((pack, at) => (
            <li
              key={pack?.id ?? "new"}
              className="grid grid-cols-[88px_88px_minmax(0,1fr)] items-start gap-2 border-b border-hair pb-2"
            >
              <TextField
                name={packField(at, "holds")}
                label={pack ? "Holds" : "Another holds"}
                keys="decimal"
                value={value(at, "holds", pack ? sayNumber(pack.holds, pack.holds % 1 ? 1 : 0, { ...voice }) : "")}
                fault={answer?.faults[packField(at, "holds")]}
              />
              <TextField
                name={packField(at, "price")}
                label="Price"
                keys="decimal"
                value={value(at, "price", pack && pack.price !== null ? sayNumber(pack.price, 2, voice) : "")}
                fault={answer?.faults[packField(at, "price")]}
              />
              <Field
                name={packField(at, "supplier")}
                label="Supplier"
                fault={answer?.faults[packField(at, "supplier")]}
              >
                {(field) => (
                  <select {...field} defaultValue={value(at, "supplier", pack?.supplierId ?? "")}>
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

function Goods({ loaded }: { loaded: Loaded }) {
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
        {shown.length === 0 && <p className="text-soft">Nothing is called that. Try fewer letters.</p>}
        <ul>
          {shown.map((one) => {
            const packs = goodIn(own, one.id)?.packs ?? [];
            return (
              <li
                key={one.id}
                className={`grid gap-x-4 sm:grid-cols-[240px_minmax(0,1fr)] border-b border-hair py-1.5 ${one.id === chosen ? "bg-wash" : ""}`}
              >
                <Link
                  to={`?${new URLSearchParams({ ...(find ? { find } : {}), good: one.id })}`}
                  preventScrollReset
                  aria-current={one.id === chosen}
                  className="font-semibold hover:underline"
                >
                  {one.name}
                </Link>
                <span className="text-note text-soft">
                  {packs.length === 0
                    ? "no pack known"
                    : own.suppliers
                        .map(({ id, name }) => {
                          const sold = packs.filter(({ supplierId }) => supplierId === id);
                          return sold.length === 0
                            ? ""
                            : `${name} ${sold.map(({ holds, price }) => `${sayAmount(one.unit, holds, voice, one.words)} ${price === null ? "no price" : sayMoney(price, voice)}`).join(", ")}`;
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

function Suppliers({ loaded }: { loaded: Loaded }) {
  const added = useAnswer("supplier", ["supplierId", ""]);
  const to = "/shelf/prices";
  return (
    <section aria-label="Suppliers" className="border border-line bg-board px-4 py-3">
      <h2 className="mb-1 text-lg">Suppliers</h2>
      <ul key={loaded.version}>
        {loaded.book.suppliers.map((one) => (
          <Supplier key={one.id} one={one} version={loaded.version} />
        ))}
      </ul>
      <Form
        method="post"
        className="mt-2 grid grid-cols-[minmax(0,1fr)_auto] items-end gap-2"
        aria-label="Add a supplier"
      >
        <Hidden does="supplier" to={to} version={loaded.version} more={{ supplierId: "" }} />
        <TextField
          name="supplier"
          label="Another supplier"
          value={added?.values.supplier ?? ""}
          fault={added?.faults.supplier ?? added?.faults[""]}
        />
        <button className="button">Add</button>
      </Form>
    </section>
  );
}

function Supplier({ one, version }: { one: ShelfBook["suppliers"][number]; version: number }) {
  const answer = useAnswer("supplier", ["supplierId", one.id]);
  return (
    <li className="border-b border-hair py-1">
      <details open={answer !== null}>
        <summary className="cursor-pointer">
          {one.name} {one.note && <span className="text-note text-soft">· {one.note}</span>}
        </summary>
        <Form method="post" className="my-2 grid grid-cols-2 gap-2" aria-label={one.name}>
          <Hidden does="supplier" to="/shelf/prices" version={version} more={{ supplierId: one.id }} />
          <TextField
            name="supplier"
            label="Name"
            value={answer?.values.supplier ?? one.name}
            fault={answer?.faults.supplier ?? answer?.faults[""]}
          />
          <TextField name="supplierNote" label="Note" value={answer?.values.supplierNote ?? one.note ?? ""} />
          <button className="button">Save</button>
          <button className="button" name="way" value="remove">
            Remove, with its packs
          </button>
        </Form>
      </details>
    </li>
  );
}

function Files({ loaded }: { loaded: Loaded }) {
  const prices = useAnswer("import prices");
  const stock = useAnswer("import stock");
  const busy = useNavigation().formData?.get("do");
  return (
    <section aria-label="Files" className="border border-line bg-board px-4 py-3">
      <h2 className="text-lg">CSV files</h2>
      <p className="text-note text-soft">For a spreadsheet. A file with a wrong line is not imported at all.</p>
      {(
        [
          ["import prices", "Packs and prices", "/shelf/prices.csv", prices],
          ["import stock", "Tins on the shelf", "/shelf/stock.csv", stock],
        ] as const
      ).map(([does, name, href, answer]) => (
        <Form key={does} method="post" encType="multipart/form-data" className="mt-2" aria-label={`Import: ${name}`}>
          <Hidden
            does={does}
            to="/shelf/prices"
            version={loaded.version}
            more={{ movement: `${loaded.token}${does === "import stock" ? "s" : "p"}` }}
          />
          <p className="flex justify-between">
            <b className="font-semibold">{name}</b>
            <a href={href} download className="link">
              Export
            </a>
          </p>
          <p className="mt-1 flex items-center gap-2">
            <input
              type="file"
              name="file"
              accept=".csv,text/csv"
              aria-label={`CSV file: ${name}`}
              className="min-w-0 flex-1 text-note file:mr-2 file:min-h-8 file:rounded-std file:border file:border-edge file:bg-board file:px-3"
            />
            <button className="button" disabled={busy === does}>
              {busy === does ? "Reading …" : "Import"}
            </button>
          </p>
          {answer?.lines && (
            <ul role="alert" className="mt-1 list-disc pl-4 text-note text-ochre">
              {answer.lines.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          )}
        </Form>
      ))}
    </section>
  );
}

const COSTING: readonly (readonly [
  name: "hourly" | "overhead" | "margin" | "tax" | "touchUp" | "validDays",
  label: string,
  hint: string,
])[] = [
  ["hourly", "Hands-on hour", "what an hour of work costs the client before overhead and margin"],
  ["overhead", "Overhead, %", "on materials and work: rent, heat, tools, driving"],
  ["margin", "Margin, %", "on everything, overhead included"],
  ["tax", "Tax, %", "added at the end; 0 for none"],
  ["touchUp", "Put aside for touching up, ml", "of each colour, job by job"],
  ["validDays", "A quote is valid for, days", ""],
];

/** How the shop works out a price, and how it writes numbers. */
function CostingForm({ loaded }: { loaded: Loaded }) {
  const voice = useVoice();
  const answer = useAnswer("costing");
  const { costing, measures, numbers } = loaded.book;
  const values = answer?.values;
  return (
    <Form
      method="post"
      key={loaded.version}
      aria-label="Costing"
      className="grid max-w-[900px] gap-x-8 sm:grid-cols-2 gap-y-3"
    >
      <Hidden does="costing" to="/shelf/prices?show=costing" version={loaded.version} />
      <div className="sm:col-span-2">
        <Wrong answer={answer} />
      </div>
      {COSTING.map(([name, label, hint]) => (
        <TextField
          key={name}
          name={name}
          label={label}
          hint={hint || undefined}
          keys="decimal"
          fault={answer?.faults[name]}
          value={values?.[name] ?? sayNumber(costing[name], name === "hourly" ? 2 : 0, voice)}
        />
      ))}
      <Field name="materialsBy" label="Materials are charged" fault={undefined}>
        {(field) => (
          <select {...field} defaultValue={values?.materialsBy ?? costing.materialsBy}>
            <option value="use">by what is used of a pack</option>
            <option value="packs">by whole packs</option>
          </select>
        )}
      </Field>
      <TextField
        name="currency"
        label="Currency (optional)"
        placeholder="none"
        value={values?.currency ?? costing.currency}
        fault={answer?.faults.currency}
      />
      <Field name="measures" label="Measures" hint="What is kept is metric all the same." fault={undefined}>
        {(field) => (
          <select {...field} defaultValue={values?.measures ?? measures}>
            {MEASURES.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        )}
      </Field>
      <Field name="numbers" label="Numbers are written" fault={undefined}>
        {(field) => (
          <select {...field} defaultValue={values?.numbers ?? numbers}>
            {NUMBER_FORMATS.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        )}
      </Field>
      <div className="sm:col-span-2">
        <Field name="terms" label="Your terms, for the client's page of a quote" fault={answer?.faults.terms}>
          {(field) => <textarea {...field} rows={4} defaultValue={values?.terms ?? costing.terms} />}
        </Field>
      </div>
      <button className="button button-main justify-self-start">Save</button>
    </Form>
  );
}

/** What the shop buys where, and how it works out a price. */
export default function PricesRoute() {
  const loaded = useLoaderData<typeof loader>();
  const [params] = useSearchParams();
  const costing = params.get("show") === "costing";
  const undo = useAnswer("undo");
  return (
    <VoiceOf book={loaded.book}>
      <div className="flex min-h-screen flex-col">
        <PageHead title="Suppliers and prices">
          <Form method="post">
            <Hidden
              does="undo"
              to={costing ? "/shelf/prices?show=costing" : "/shelf/prices"}
              version={loaded.version}
            />
            <button className="button mr-2" disabled={loaded.undo === null}>
              {loaded.undo === null ? "Nothing to undo" : `Undo: ${loaded.undo}`}
            </button>
          </Form>
          <Link to="/shelf" className="button">
            Shelf
          </Link>
        </PageHead>
        <main className="mx-auto w-full max-w-[1240px] px-6 py-4">
          <PageTabs
            title="Suppliers and prices"
            tabs={[
              { to: "/shelf/prices", name: "Packs and prices", open: !costing },
              { to: "/shelf/prices?show=costing", name: "Costing and numbers", open: costing },
            ]}
          />
          <Wrong answer={undo} />
          {costing ? <CostingForm loaded={loaded} /> : <Goods loaded={loaded} />}
        </main>
      </div>
    </VoiceOf>
  );
}
