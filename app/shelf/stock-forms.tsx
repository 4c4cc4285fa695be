import { useId } from "react";
import { Form, useActionData } from "react-router";
import type { ShelfBook } from "#core/shelf/book";
import { CONDITIONS, type PotOnShelf } from "#core/shelf/stock";
import { Field, TextField } from "~/forms/edit-form-parts";
import type { FormFields } from "~/forms/fields";
import type { GoodName } from "~/forms/stock-form";
import { WhenInput } from "~/forms/when-input";
import type { StockResult } from "~/http/stock-action.server";

/** What the last form of this kind came back with, if it was refused. */
function useAnswer(does: string, potId?: string): StockResult | null {
  const result = useActionData() as StockResult | undefined;
  if (!result || result.values.do !== does) return null;
  return potId === undefined || result.values.potId === potId ? result : null;
}

/** Why a form of the shelf was refused; a receipt that is booked in already can be said to be another. */
export const Refused = ({ answer }: { answer: StockResult | null }) =>
  answer?.faults[""] ? (
    <p role="alert" className="mb-2 border-l-4 border-l-ochre bg-board px-3 py-2 text-ochre print:hidden">
      {answer.faults[""]}
      {answer.twice && (
        <label className="mt-1 flex min-h-8 items-center gap-2 text-ink">
          <input type="checkbox" name="anyway" className="accent-verdigris" /> It is another receipt
        </label>
      )}
    </p>
  ) : null;

interface StockFormProps {
  does: string;
  to: string;
  about?: FormFields;
  token: string;
  label: string;
  className?: string;
  answer: StockResult | null;
  children: React.ReactNode;
}

/** A form of the shelf; it works without scripts, and is written down once however often it is sent. */
function StockForm({ does, to, about = {}, token, label, className, answer, children }: StockFormProps) {
  const id = useId();
  return (
    <Form method="post" action={to} aria-label={label} className={className} preventScrollReset>
      <input type="hidden" name="do" value={does} />
      <input type="hidden" name="to" value={to} />
      <input type="hidden" name="movement" value={`${token}${id.replace(/\W/g, "")}`} />
      {Object.entries(about).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <Refused answer={answer} />
      {children}
    </Form>
  );
}

interface OfPot {
  pot: PotOnShelf;
  good: GoodName;
  to: string;
  token: string;
}

const unitWord = ({ unit, words }: GoodName) => (unit === "pieces" ? words.many : unit);

/** One amount and one button: used, or counted. */
function AmountForm({ pot, good, to, token, does, button }: OfPot & { does: "used" | "counted"; button: string }) {
  const answer = useAnswer(does, pot.id);
  return (
    <StockForm
      does={does}
      to={to}
      about={{ goodId: good.id, potId: pot.id }}
      token={token}
      label={button}
      answer={answer}
      className="grid grid-cols-[minmax(0,1fr)_96px] items-end gap-2"
    >
      <TextField
        name="amount"
        label={does === "used" ? `Used, ${unitWord(good)}` : `Counted: what is left, ${unitWord(good)}`}
        keys="decimal"
        fault={answer?.faults.amount}
        value={answer?.values.amount ?? ""}
      />
      <button className="button">{button}</button>
    </StockForm>
  );
}

/** Where a tin stands, and how it is. */
function LookForm({ pot, good, to, token }: OfPot) {
  const answer = useAnswer("looked at", pot.id);
  return (
    <StockForm
      does="looked at"
      to={to}
      about={{ goodId: good.id, potId: pot.id }}
      token={token}
      label="Place and condition"
      answer={answer}
      className="grid grid-cols-2 gap-2"
    >
      <TextField
        name="place"
        label="Place"
        value={answer?.values.place ?? pot.place ?? ""}
        fault={answer?.faults.place}
      />
      <Field name="condition" label="Condition" fault={answer?.faults.condition}>
        {(field) => (
          <select {...field} defaultValue={answer?.values.condition ?? pot.condition}>
            {CONDITIONS.map((condition) => (
              <option key={condition}>{condition}</option>
            ))}
          </select>
        )}
      </Field>
      <Field name="opened" label="Opened on" fault={answer?.faults.opened}>
        {(field) => <WhenInput {...field} type="date" defaultValue={answer?.values.opened ?? pot.opened ?? ""} />}
      </Field>
      <button className="button self-end">Save</button>
    </StockForm>
  );
}

/** All that can happen to a tin. */
export function PotForms(its: OfPot) {
  const { pot, good, to, token } = its;
  const answer = useAnswer("thrown away", pot.id);
  return (
    <div className="grid gap-3">
      <AmountForm {...its} does="used" button="Used" />
      <AmountForm {...its} does="counted" button="Counted" />
      <LookForm {...its} />
      <StockForm
        does="thrown away"
        to={to}
        about={{ goodId: good.id, potId: pot.id }}
        token={token}
        label="Throw it away"
        answer={answer}
      >
        <button className="button">Thrown away</button>
        <span className="ml-3 text-note text-soft">
          Paint, solvents and their rags go to the collection point, by local rules.
        </span>
      </StockForm>
    </div>
  );
}

/** A tin that is put on the shelf. */
export function AddTin({
  goods,
  book,
  to,
  token,
}: {
  goods: readonly GoodName[];
  book: ShelfBook;
  to: string;
  token: string;
}) {
  const answer = useAnswer("bought");
  const values = answer?.values;
  return (
    <StockForm
      does="bought"
      to={to}
      about={{ potId: `p-${token}` }}
      token={token}
      label="Put a tin on the shelf"
      answer={answer}
      className="grid grid-cols-2 gap-2"
    >
      <div className="col-span-2">
        <Field name="goodId" label="Material or consumable" fault={answer?.faults.goodId}>
          {(field) => (
            <select {...field} defaultValue={values?.goodId ?? goods[0]?.id}>
              {goods.map(({ id, name, unit }) => (
                <option key={id} value={id}>
                  {name} ({unit})
                </option>
              ))}
            </select>
          )}
        </Field>
      </div>
      <TextField
        name="amount"
        label="How much"
        keys="decimal"
        placeholder="500 or 0.5 L"
        fault={answer?.faults.amount}
        value={values?.amount ?? ""}
      />
      <TextField name="place" label="Place (optional)" value={values?.place ?? ""} fault={answer?.faults.place} />
      <Field name="opened" label="Opened on (optional)" fault={answer?.faults.opened}>
        {(field) => <WhenInput {...field} type="date" defaultValue={values?.opened ?? ""} />}
      </Field>
      <TextField
        name="paid"
        label="Paid (optional)"
        keys="decimal"
        value={values?.paid ?? ""}
        fault={answer?.faults.paid}
      />
      <Field name="supplierId" label="Supplier (optional)" fault={answer?.faults.supplierId}>
        {(field) => (
          <select {...field} defaultValue={values?.supplierId ?? ""}>
            <option value="">not known</option>
            {book.suppliers.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        )}
      </Field>
      <TextField
        name="receipt"
        label="Receipt no. (optional)"
        value={values?.receipt ?? ""}
        fault={answer?.faults.receipt}
      />
      <button className="button button-main col-span-2">Put it on the shelf</button>
    </StockForm>
  );
}

/** Takes the last entry of the shelf's list back, or puts it in again. */
export function StockUndo({
  undo,
  redo,
  to,
}: {
  undo: { id: string; label: string } | null;
  redo: { id: string; label: string } | null;
  to: string;
}) {
  return (
    <>
      {(
        [
          ["take back", "Undo", undo],
          ["restore", "Redo", redo],
        ] as const
      ).map(([does, word, batch]) => (
        <Form key={does} method="post" action="/shelf" className="mr-2">
          <input type="hidden" name="do" value={does} />
          <input type="hidden" name="to" value={to} />
          <input type="hidden" name="batch" value={batch?.id ?? ""} />
          <button
            className="button max-w-64"
            disabled={batch === null}
            title={batch ? `${word}: ${batch.label}` : undefined}
          >
            <span className="truncate">{batch ? `${word}: ${batch.label}` : `Nothing to ${word.toLowerCase()}`}</span>
          </button>
        </Form>
      ))}
    </>
  );
}
