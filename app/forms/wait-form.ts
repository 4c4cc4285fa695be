import type { Crust, Step } from "#core/plan/plan";
import { WAIT_KINDS, Wait } from "#core/plan/wait";
import { readDuration, writeDuration } from "#core/units/duration";
import { type FormFields, sentence } from "./fields";

/** What the kinds of wait are called where one is chosen; what is written beside them follows the dots. */
export const WAIT_WORDS: Record<Wait["kind"], string> = {
  "at least": "at least …",
  about: "about …",
  exactly: "exactly …",
  between: "between … and …",
  "next working day": "until the next working day",
  "by sign": "until a sign shows: …",
};

const LONGEST = 129_600;
const HOW_TO: Record<"one" | "two", string> = {
  one: "Write the wait like 45 min, 2 h or 1 day.",
  two: "Write both ends, like 2 h to 3 h.",
};

type Read = { wait: Wait | null } | { fault: string };

function measured(fields: FormFields, kind: "at least" | "about" | "exactly" | "between"): Read | Wait {
  const parts = (fields.wait ?? "").split(/\s*(?:–|\bto\b|\band\b)\s*/);
  const [from, to] = parts.map((part) => readDuration(part));
  const says = kind === "between" ? HOW_TO.two : HOW_TO.one;
  if (from === null || from === undefined || parts.length > 2) return { fault: says };
  if (Math.max(from, to ?? 0) > LONGEST) return { fault: "90 days at most." };
  if (kind === "between") return to === null || to === undefined ? { fault: says } : { kind, minutes: from, most: to };
  return to === undefined ? { kind, minutes: from } : { fault: says };
}

/** The wait that a step's form says; null for as long as is needed. */
export function readWait(fields: FormFields, step: Step, crust: Crust): Read {
  if (fields.waitKind === undefined) return { wait: step.wait ?? null };
  const kind = WAIT_KINDS.find((waitKind) => waitKind === fields.waitKind);
  if (kind === undefined) return { wait: null };
  const after = fields.waitAfter === undefined ? step.wait?.after : fields.waitAfter || undefined;
  if (after !== undefined && !stepsBefore(crust, step).some(({ id }) => id === after))
    return { fault: "Count the wait from a step that comes before this one." };
  const sign = (fields.wait ?? "").trim();
  const wait =
    kind === "next working day"
      ? { kind }
      : kind === "by sign"
        ? { kind, ...(sign === "" ? {} : { sign }) }
        : measured(fields, kind);
  if ("fault" in wait || "wait" in wait) return wait;
  const read = Wait.safeParse({ ...wait, ...(after === undefined ? {} : { after }) });
  return read.success ? { wait: read.data } : { fault: sentence(read.error.issues[0]!.message) };
}

/** The steps that a wait can be counted from. */
export const stepsBefore = (crust: Crust, step: Step): readonly Step[] =>
  crust.steps.slice(
    0,
    crust.steps.findIndex(({ id }) => id === step.id),
  );

/** How a wait reads in the form: to the minute, so that saving the form again changes nothing. */
export function waitText({ wait }: Pick<Step, "wait">): string {
  if (wait === undefined || wait.kind === "next working day") return "";
  if (wait.kind === "by sign") return wait.sign ?? "";
  const from = writeDuration(wait.minutes);
  return wait.kind === "between" ? `${from} to ${writeDuration(wait.most)}` : from;
}
