import type { Plan } from "../plan/plan.ts";

/** What has no part in when a job is done. */
const NO_MATTER: ReadonlySet<string> = new Set(["title", "client", "palette", "format", "version"]);

/** A value as text that is the same in whatever order its fields were written; `within` does so for what it holds. */
function inOrder(value: unknown, within: (part: unknown) => string = (part) => inOrder(part)): string {
  if (Array.isArray(value)) return `[${value.map((part) => within(part)).join()}]`;
  if (typeof value !== "object" || value === null) return JSON.stringify(value) ?? "null";
  const fields = Object.entries(value).filter(([, of]) => of !== undefined);
  fields.sort(([one], [two]) => (one < two ? -1 : 1));
  return `{${fields.map(([key, of]) => `${JSON.stringify(key)}:${within(of)}`).join()}}`;
}

const texts = new WeakMap<object, string>();

/** The same for a part of a plan, made once: an edit leaves most parts as they were. */
function partInOrder(part: unknown): string {
  if (typeof part !== "object" || part === null) return inOrder(part);
  const kept = texts.get(part) ?? inOrder(part, Array.isArray(part) ? partInOrder : undefined);
  texts.set(part, kept);
  return kept;
}

/** A short text of two mixed halves: other texts as good as never have the same. */
function digest(text: string): string {
  let high = 0xdeadbeef;
  let low = 0x41c6ce57;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    high = Math.imul(high ^ code, 2654435761);
    low = Math.imul(low ^ code, 1597334677);
  }
  high = Math.imul(high ^ (high >>> 16), 2246822507) ^ Math.imul(low ^ (low >>> 13), 3266489909);
  low = Math.imul(low ^ (low >>> 16), 2246822507) ^ Math.imul(high ^ (high >>> 13), 3266489909);
  return (high >>> 0).toString(36).padStart(7, "0") + (low >>> 0).toString(36).padStart(7, "0");
}

const marks = new WeakMap<object, string>();

/** The same for two versions of a job that are planned alike: undone edits leave no trace, and its name does not matter. */
export function markOf(plan: Plan): string {
  const kept = marks.get(plan);
  if (kept !== undefined) return kept;
  const mattering = Object.fromEntries(Object.entries(plan).filter(([key]) => !NO_MATTER.has(key)));
  const made = digest(inOrder(mattering, partInOrder));
  marks.set(plan, made);
  return made;
}

/** The same for equal values. */
export const markOfAny = (value: unknown): string => digest(inOrder(value));
