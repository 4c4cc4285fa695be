import { z } from "zod";
import { own } from "#core/plan/own";

/** What is wrong with a form, by field; "" is the form as a whole. */
export type Faults = Record<string, string>;

export type FormFields = Record<string, string>;

const MOST_LETTERS = 2000;
/** A palette, and air by the hour, are files pasted into a form; their readers say where they are too long. */
const LONGER: Record<string, number> = { palette: 65_000, hours: 1_000_001 };

/** The text fields of a form; where a field occurs several times, all its values joined by a comma. */
export function fieldsOf(form: FormData): FormFields {
  const fields: FormFields = Object.create(null);
  for (const [name, value] of form) {
    if (typeof value !== "string") continue;
    const text = value.slice(0, own(LONGER, name) ?? MOST_LETTERS);
    fields[name] = name in fields ? `${fields[name]},${text}` : text;
  }
  return fields;
}

/** What a schema says, as a full sentence. */
export const sentence = (says: string): string =>
  `${says.charAt(0).toUpperCase()}${says.slice(1)}${/[.!?]$/.test(says) ? "" : "."}`;

export function faultsFrom(error: z.ZodError): Faults {
  const faults: Faults = {};
  for (const issue of error.issues) faults[issue.path.map(String).join(".")] ??= sentence(issue.message);
  return faults;
}

/** A whole or decimal number typed by hand; the sentence is for the field. */
export const typedNumber = (says: string) =>
  z
    .string()
    .trim()
    .refine((text) => text !== "" && Number.isFinite(Number(text)), says)
    .transform(Number);
