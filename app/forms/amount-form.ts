import { Amount } from "#core/plan/amount";
import { type FormFields, sentence } from "./fields";

/** Kinds of amount that need a figure beside them, and its unit. */
export const MEASURED: Partial<Record<Amount["kind"], string>> = {
  times: "times the usual",
  micrometres: "µm of dry film",
  millilitres: "ml a square metre",
};

/** How much a step's form says goes on; null for the usual, and as it was where the form does not ask. */
export function readAmountFields(
  fields: FormFields,
  before: Amount | undefined,
): { amount: Amount | null } | { fault: string } {
  const { amount: kind } = fields;
  if (kind === undefined) return { amount: before ?? null };
  if (kind === "" || kind === "usual") return { amount: null };
  const measured = Object.hasOwn(MEASURED, kind);
  const typed = (fields.amountOf ?? "").trim().replace(",", ".");
  if (measured && typed === "") return { fault: "Write how much, as a number." };
  const read = Amount.safeParse(measured ? { kind, of: Number(typed) } : { kind });
  return read.success ? { amount: read.data } : { fault: sentence(read.error.issues[0]!.message) };
}
