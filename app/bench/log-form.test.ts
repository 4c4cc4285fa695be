import { describe, expect, it } from "vitest";
import { applyCommands } from "#core/edit/apply";
import { LedgerEvent } from "#core/ledger/event";
import { lampShelf } from "#demo/hobnail-yard";
import type { FormFields } from "~/forms/fields";
import { readLogForm, writePlaces } from "./log-form";

const plan = lampShelf();
const at = Date.UTC(2026, 10, 23, 9);
const on = writePlaces([{ zoneId: "brackets", phaseId: "scuff" }]);
const read = (fields: FormFields) => readLogForm({ on, ...fields }, { plan, id: "line-1", at, offset: 0 });
const says = (fields: FormFields) => {
  const answer = read(fields);
  return answer.ok ? "" : answer.says;
};
const events = (fields: FormFields) => {
  const answer = read(fields);
  if (!answer.ok) throw new Error(answer.says);
  for (const event of answer.events) expect(LedgerEvent.safeParse(event).success).toBe(true);
  return answer.events;
};

describe("a press at the bench", () => {
  it.each([
    [{ kind: "start" }, ["start"]],
    [{ kind: "end" }, ["end"]],
    [{ kind: "section", section: "1", of: "3" }, ["section"]],
    [{ kind: "section", section: "3", of: "3" }, ["section", "end"]],
    [{ kind: "sign", stage: "recoat", seen: "no", more: "10" }, ["sign"]],
    [{ kind: "note", text: "matt" }, ["note"]],
    [{ kind: "test patch", text: "thumb", holds: "yes" }, ["test patch"]],
    [{ kind: "amount", material: "chalk-slate", amount: "42,5", unit: "ml" }, ["amount"]],
    [{ kind: "reading", of: "moisture", value: "11", from: "tool" }, ["reading"]],
    [{ kind: "outcome", text: "well", good: "yes" }, ["outcome"]],
    [{ kind: "trouble", trouble: "runs" }, ["trouble"]],
  ] as [FormFields, string[]][])("%j", (fields, kinds) => {
    expect(events(fields).map(({ kind }) => kind)).toEqual(kinds);
  });

  it.each([
    [{ kind: "note", text: "  " }, /write what you saw/i],
    [{ kind: "amount", material: "chalk-slate", amount: "much", unit: "ml" }, /number/],
    [{ kind: "amount", material: "gold", amount: "1", unit: "ml" }, /material/],
    [{ kind: "reading", of: "weight", value: "" }, /number/],
    [{ kind: "trouble", trouble: "sorrow" }, /what is wrong/],
    [{ kind: "section", section: "4", of: "3" }, /incomplete/],
    [{ kind: "end", on: "" }, /incomplete/],
    [{ kind: "end", on: "brackets:<script>" }, /incomplete/],
    [{ kind: "sign", stage: "soon" }, /incomplete/],
    [{ kind: "correction", corrects: "x" }, /what was wrong/],
    [{ kind: "correction", corrects: "x", when: "2027-01-01T09:00" }, /still to come/],
    [{ kind: "nothing" }, /incomplete/],
    [{ kind: "amount", material: "chalk-slate", amount: "1e999", unit: "ml" }, /./],
    [{ kind: "amount", material: "chalk-slate", amount: "250000", unit: "ml" }, /more than a shop holds/],
    [{ kind: "reading", of: "weight", value: "1e9" }, /100000 at most/],
    [{ kind: "section", section: "201", of: "201" }, /200 at most/],
    [{ kind: "section", section: "1.5", of: "2" }, /whole number/],
    [{ kind: "note", text: "x".repeat(2001) }, /characters at most/],
  ] as [FormFields, RegExp][])("%j is refused with a sentence", (fields, sentence) => {
    expect(says(fields)).toMatch(sentence);
  });

  it("a decision that was not expected turns the plan, for its own zone", () => {
    const look = writePlaces([{ zoneId: "brackets", phaseId: "look" }]);
    const answer = read({ kind: "decision", on: look, branch: "more", answer: "too tidy still" });
    if (!answer.ok) throw new Error(answer.says);
    expect(answer.events.map(({ kind }) => kind)).toEqual(["decision", "end"]);
    const done = applyCommands(plan, answer.edit!.commands);
    expect(done.ok && done.plan.crusts[0]!.steps.find(({ id }) => id === "look")!.expected).toBe("more");
    const expected = read({ kind: "decision", on: look, branch: "enough", answer: "worn enough" });
    expect(expected.ok && expected.edit).toBe(null);
  });

  it("a way on from trouble brings its edit, and one that has to wait its countdown", () => {
    const green = writePlaces([{ zoneId: "brackets", phaseId: "green/1" }]);
    const wait = events({ kind: "trouble", on: green, trouble: "not drying", way: "ten", stage: "recoat" });
    expect(wait[1]).toMatchObject({ kind: "sign", seen: false, more: 10, stage: "recoat" });
    const more = read({ kind: "trouble", on: green, trouble: "missed patch", way: "touch-up" });
    expect(more.ok && more.edit!.commands.length).toBeGreaterThan(0);
  });
});
