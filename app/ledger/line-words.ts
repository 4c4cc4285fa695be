import type { LedgerEvent } from "#core/ledger/event";
import { READING_UNITS, wallOf } from "#core/ledger/event";
import type { Line } from "#core/ledger/replay";
import { TROUBLE_WORDS } from "#core/ledger/trouble";
import type { WallMinutes } from "#core/units/units";
import { midnightBefore } from "#core/units/wall-time";

/** A line as it is read: what happened, and what there is to say of it. */
export interface LineSays {
  what: string;
  /** the mark beside it: work done, something to heed, or a word */
  mark: "done" | "begun" | "heed" | "word";
  text: string | null;
}

const READING_WORDS = { weight: "Weighed", moisture: "Moisture of the timber", "wet film": "Wet film" } as const;

/** What a line says; of a coat, the step as it was when it was written. */
export function lineSays({ event }: Pick<Line, "event">): LineSays {
  const step = event.step?.name ?? "The job";
  switch (event.kind) {
    case "start":
      return { what: `${step}: begun`, mark: "begun", text: null };
    case "section":
      return { what: `${step}: section ${event.section} of ${event.of}`, mark: "begun", text: null };
    case "end":
      return { what: step, mark: "done", text: null };
    case "sign":
      return {
        what: `${step}: ${event.says ?? (event.seen ? "ready" : "not ready yet")}`,
        mark: event.seen ? "word" : "heed",
        text: event.more ? `Given ${event.more} more minutes.` : null,
      };
    case "note":
      return { what: event.step ? `Note: ${lower(step)}` : "Note", mark: "word", text: event.text };
    case "test patch":
      return {
        what: `Test patch ${event.holds ? "holds" : "does not hold"}`,
        mark: event.holds ? "word" : "heed",
        text: event.text,
      };
    case "photo":
      return { what: `Photo: ${lower(step)}`, mark: "word", text: event.text ?? null };
    case "amount":
      return { what: `Used ${event.amount} ${event.unit}: ${lower(step)}`, mark: "word", text: null };
    case "trouble":
      return {
        what: `${TROUBLE_WORDS[event.trouble]}: ${lower(step)}`,
        mark: "heed",
        text: [event.way ? `${event.way}.` : "", event.text ?? ""].filter((text) => text !== "").join(" ") || null,
      };
    case "decision":
      return { what: `Decided: ${event.answer}`, mark: "word", text: null };
    case "outcome":
      return {
        what: event.good ? "Turned out well" : "Did not turn out well",
        mark: event.good ? "done" : "heed",
        text: event.text,
      };
    case "reading":
      return {
        what: `${READING_WORDS[event.of]}: ${event.value} ${READING_UNITS[event.of]}`,
        mark: "word",
        text: null,
      };
    case "correction":
      return { what: "Put right", mark: "word", text: event.why ?? null };
  }
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** Air and hands of a line: "15 °C, 64 % · First painter". */
export function sayAround({ air, by }: Pick<LedgerEvent, "air" | "by">): string {
  return [air ? `${air.celsius} °C, ${air.relativeHumidity} %` : "", by ?? ""]
    .filter((text) => text !== "")
    .join(" · ");
}

/** Lines as they are shown: a beginning and its end are one. */
export function shownLines(lines: readonly Line[]): (Line & { began: number | null })[] {
  const begins = new Map<string, Line>();
  const shown: (Line & { began: number | null })[] = [];
  for (const line of lines) {
    const { event, withdrawn } = line;
    const key = event.on.map(({ zoneId, phaseId }) => `${zoneId} ${phaseId}`).join();
    if (event.kind === "start" && !withdrawn && line.remark === null) {
      begins.set(key, line);
      shown.push({ ...line, began: null });
      continue;
    }
    const begun = event.kind === "end" && !withdrawn && line.remark === null ? begins.get(key) : undefined;
    if (begun && begun.corrections.length === 0) {
      shown.splice(
        shown.findIndex((one) => one.event.id === begun.event.id),
        1,
      );
      shown.push({ ...line, began: begun.event.at });
    } else shown.push({ ...line, began: null });
  }
  return shown;
}

/** Lines by the day on which they happened, from the shop's midnight. */
export function byDay<Shown extends Pick<Line, "event">>(lines: readonly Shown[]): Map<WallMinutes, Shown[]> {
  const days = new Map<WallMinutes, Shown[]>();
  for (const line of lines) {
    const day = midnightBefore(Math.floor(wallOf(line.event)));
    const known = days.get(day);
    if (known) known.push(line);
    else days.set(day, [line]);
  }
  return days;
}
