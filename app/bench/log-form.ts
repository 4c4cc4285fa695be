import { z } from "zod";
import type { Command } from "#core/edit/command";
import { LedgerEvent, READINGS, TROUBLES, WorkRef } from "#core/ledger/event";
import { ownCrust } from "#core/ledger/own-crust";
import { TROUBLE_WORDS, waysOn } from "#core/ledger/trouble";
import { sayIssue } from "#core/plan/fault-words";
import { findCrust, findZone, Id, type Plan, SIGN_STAGES } from "#core/plan/plan";
import { MOST_ROUNDS } from "#core/plan/rounds";
import { type FormFields, sentence } from "~/forms/fields";

// The presses of the bench and the forms of the ledger, read in one place: in the page before they are sent, and on the server where
// no script runs.

/** Lines to add to a job's ledger, and the edit of its plan that goes with them. */
export interface Logging {
  planId: string;
  events: LedgerEvent[];
  edit: { id: string; label: string; commands: Command[] } | null;
  /** the picture that goes with it */
  photo?: Blob;
}

export type ReadLog = ({ ok: true } & Logging) | { ok: false; says: string };

interface Context {
  plan: Plan;
  /** of the first line; the others are named after it */
  id: string;
  /** milliseconds */
  at: number;
  /** minutes by which the wall is ahead of UTC */
  offset: number;
}

const refuse = (says: string): ReadLog => ({ ok: false, says });
const INCOMPLETE = "The form arrived incomplete. Reload the page and try again.";

/** "zone:phase,zone:phase" */
export const writePlaces = (on: readonly WorkRef[]): string =>
  on.map(({ zoneId, phaseId }) => `${zoneId}:${phaseId}`).join();

function readPlaces(text: string | undefined): WorkRef[] | null {
  const pairs = (text ?? "")
    .split(",")
    .filter((pair) => pair !== "")
    .map((pair) => {
      const [zoneId = "", phaseId = ""] = pair.split(":");
      return WorkRef.safeParse({ zoneId, phaseId });
    });
  return pairs.every(({ success }) => success) ? pairs.map(({ data }) => data!) : null;
}

type Line = Pick<LedgerEvent, "id" | "at" | "offset" | "on"> & { by?: string };

/** The edit that a decision at an inspection makes to what lies ahead; null where it is as expected. */
function decided(plan: Plan, on: readonly WorkRef[], answer: { branch?: string; again?: boolean }): Command[] | string {
  const [first] = on;
  const zone = first && findZone(plan, first.zoneId);
  const crust = zone && findCrust(plan, zone.crustId);
  const step = crust?.steps.find(({ id }) => id === first!.phaseId.split(/[/~]/, 1)[0]);
  if (!step) return INCOMPLETE;
  const round = Number(/~(\d+)$/.exec(first!.phaseId)?.[1] ?? 1);
  let patch: Extract<Command, { do: "patch step" }>["patch"] | null = null;
  if (answer.branch !== undefined) {
    const expected = step.expected ?? step.branches?.[0]?.id;
    if (answer.branch !== expected) patch = { expected: answer.branch };
  } else if (step.again && answer.again === true && round >= step.again.rounds) {
    if (round >= MOST_ROUNDS) return `${MOST_ROUNDS} rounds at most. Continue from here, or change the plan.`;
    patch = { again: { ...step.again, rounds: round + 1 } };
  } else if (step.again && answer.again === false && round < step.again.rounds)
    patch = { again: round < 2 ? null : { ...step.again, rounds: round } };
  if (!patch) return [];
  const own = ownCrust(plan, [...new Set(on.map(({ zoneId }) => zoneId))]);
  if ("because" in own) return own.because;
  return [...own.commands, { do: "patch step", crustId: own.crust.id, stepId: step.id, patch }];
}

const minutes = z.coerce.number().int().min(1).max(1440);

/** One press or form as lines of the ledger. */
export function readLogForm(fields: FormFields, { plan, id, at, offset }: Context): ReadLog {
  const on = readPlaces(fields.on);
  if (!on || !Id.safeParse(id).success) return refuse(INCOMPLETE);
  const by = fields.by?.trim().slice(0, 40);
  const line: Line = { id, at, offset, on, ...(by ? { by } : {}) };
  const logged = (events: LedgerEvent[], label = "", commands: Command[] = []): ReadLog => {
    const lines = z.array(LedgerEvent).safeParse(events, { error: sayIssue });
    if (!lines.success) return refuse(sentence(lines.error.issues[0]!.message));
    const edit = commands.length > 0 ? { id: `${id}-edit`, label, commands } : null;
    return { ok: true, planId: plan.id, events: lines.data, edit };
  };
  const text = fields.text?.trim() ?? "";
  switch (fields.kind) {
    case "start":
    case "end":
      return on.length === 0 ? refuse(INCOMPLETE) : logged([{ kind: fields.kind, ...line }]);
    case "section": {
      const [section, of] = [Number(fields.section), Number(fields.of)];
      if (!(section >= 1 && of >= section)) return refuse(INCOMPLETE);
      const events: LedgerEvent[] = [{ kind: "section", ...line, section, of }];
      if (section === of) events.push({ kind: "end", ...line, id: `${id}-end` });
      return logged(events);
    }
    case "sign": {
      const stage = z.enum(SIGN_STAGES).safeParse(fields.stage);
      if (!stage.success || on.length === 0) return refuse(INCOMPLETE);
      const more = minutes.safeParse(fields.more);
      const seen = fields.seen === "yes";
      return logged([
        {
          kind: "sign",
          ...line,
          stage: stage.data,
          seen,
          ...(!seen && more.success ? { more: more.data } : {}),
          ...(fields.says ? { says: fields.says.slice(0, 160) } : {}),
        },
      ]);
    }
    case "note":
      return text === "" ? refuse("Write what you saw, then add it.") : logged([{ kind: "note", ...line, text }]);
    case "photo":
      return logged([{ kind: "photo", ...line, photoId: id, ...(text ? { text: text.slice(0, 200) } : {}) }]);
    case "test patch":
      return text === ""
        ? refuse("Write what was tried, and what came of it.")
        : logged([{ kind: "test patch", ...line, text, holds: fields.holds === "yes" }]);
    case "outcome":
      return text === ""
        ? refuse("Write how it turned out.")
        : logged([{ kind: "outcome", ...line, text, good: fields.good === "yes" }]);
    case "amount": {
      const amount = Number((fields.amount ?? "").replace(",", "."));
      const material = plan.pinned.materials.find((material) => material.id === fields.material);
      const unit = z.enum(["ml", "g", "sheets"]).safeParse(fields.unit);
      if (!material || !unit.success) return refuse("Choose the material first.");
      if (!(amount > 0)) return refuse("Write the amount as a number, like 90.");
      return logged([{ kind: "amount", ...line, materialId: material.id, amount, unit: unit.data }]);
    }
    case "reading": {
      const of = z.enum(READINGS).safeParse(fields.of);
      const value = Number((fields.value ?? "").replace(",", "."));
      if (!of.success) return refuse(INCOMPLETE);
      if (fields.value === undefined || fields.value.trim() === "" || !(value >= 0))
        return refuse("Write the reading as a number, like 12.5.");
      return logged([
        { kind: "reading", ...line, of: of.data, value, from: fields.from === "tool" ? "tool" : "typed" },
      ]);
    }
    case "decision": {
      const again = fields.again === undefined ? undefined : fields.again === "yes";
      const commands = decided(plan, on, {
        ...(fields.branch ? { branch: fields.branch } : {}),
        ...(again === undefined ? {} : { again }),
      });
      if (typeof commands === "string") return refuse(commands);
      const answer = (fields.answer ?? "").trim().slice(0, 120) || "as planned";
      return logged(
        [
          {
            kind: "decision",
            ...line,
            answer,
            ...(fields.branch ? { branch: fields.branch } : {}),
            ...(again === undefined ? {} : { again }),
          },
          { kind: "end", ...line, id: `${id}-end` },
        ],
        `Decided at the bench: ${answer}`,
        commands,
      );
    }
    case "trouble": {
      const trouble = z.enum(TROUBLES).safeParse(fields.trouble);
      if (!trouble.success) return refuse("Choose what is wrong.");
      const [first] = on;
      const zoneIds = [...new Set(on.map(({ zoneId }) => zoneId))];
      const ways = first
        ? waysOn(plan, {
            zoneIds,
            phaseId: first.phaseId,
            trouble: trouble.data,
            now: Math.floor(at / 60_000 + offset),
          })
        : [];
      const way = ways.find((way) => way.id === fields.way);
      if (fields.way && !way) return refuse("That way on no longer fits. Choose another.");
      const events: LedgerEvent[] = [
        {
          kind: "trouble",
          ...line,
          trouble: trouble.data,
          ...(way ? { way: way.label } : {}),
          ...(text ? { text } : {}),
        },
      ];
      const stage = z.enum(SIGN_STAGES).safeParse(fields.stage);
      if (way?.waits)
        events.push({
          kind: "sign",
          ...line,
          id: `${id}-wait`,
          stage: stage.success ? stage.data : "recoat",
          seen: false,
          more: way.waits,
        });
      const label = way ? `${TROUBLE_WORDS[trouble.data]}: ${way.label.toLowerCase()}` : TROUBLE_WORDS[trouble.data];
      return logged(events, label.slice(0, 200), [...(way?.commands ?? [])]);
    }
    case "correction": {
      if (!Id.safeParse(fields.corrects).success) return refuse(INCOMPLETE);
      const when = fields.when ? Date.parse(`${fields.when}Z`) - offset * 60_000 : undefined;
      if (when !== undefined && Number.isNaN(when)) return refuse("Write a date and time.");
      if (when !== undefined && when > at + 60_000)
        return refuse("That time is still to come. Write when it really happened.");
      const why = fields.why?.trim().slice(0, 200);
      const withdrawn = fields.withdrawn === "yes" ? true : fields.withdrawn === "no" ? false : undefined;
      if (when === undefined && withdrawn === undefined && text === "")
        return refuse("Say what was wrong: the time, the words, or that it did not happen.");
      return logged([
        {
          kind: "correction",
          ...line,
          corrects: fields.corrects!,
          ...(withdrawn === undefined ? {} : { withdrawn }),
          ...(when === undefined ? {} : { when }),
          ...(text ? { text } : {}),
          ...(why ? { why } : {}),
        },
      ]);
    }
    default:
      return refuse(INCOMPLETE);
  }
}
