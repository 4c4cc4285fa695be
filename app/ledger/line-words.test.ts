import { describe, expect, it } from "vitest";
import type { LedgerEvent } from "#core/ledger/event";
import { replay } from "#core/ledger/replay";
import { harbourStool, lampShelf } from "#demo/hobnail-yard";
import { harbourStoolLedger, lampShelfLedger } from "#demo/ledger";
import { lineAt, planOf } from "../../tests/ledger-lines";
import { byDay, lineSays, sayAround, shownLines } from "./line-words";

const shelf = replay(lampShelfLedger(lampShelf())).lines;

describe("the ledger as it is read", () => {
  it("a coat's beginning and end are one line, with how long it took", () => {
    const shown = shownLines(shelf);
    expect(shown.some(({ event }) => event.kind === "start")).toBe(false);
    const [scuff] = shown;
    expect((scuff!.event.at - scuff!.began!) / 60_000).toBe(45);
  });

  it("what is only begun stays in sight, and a second press of Done is a line of its own", () => {
    const plan = planOf([["scuff"]]);
    const on = [{ zoneId: "z1", phaseId: "s1" }];
    const begun = lineAt(plan, "start", 0, on, {});
    expect(shownLines(replay([begun]).lines)).toHaveLength(1);
    const ends = [20, 25].map((minutes) => lineAt(plan, "end", minutes, on, {}));
    const shown = shownLines(replay([begun, ...ends]).lines);
    expect(shown.map(({ began }) => began)).toEqual([begun.at, null]);
    expect(shown[1]!.remark).toMatch(/done already/);
  });

  it("days begin at the shop's midnight, whatever the clock of the world says", () => {
    const plan = planOf([["scuff"]]);
    const late = { ...lineAt(plan, "note", 14 * 60 + 30, [], { text: "late" }), offset: 120 };
    const days = byDay(replay([lineAt(plan, "note", 0, [], { text: "early" }), late]).lines);
    expect(days.size).toBe(2);
    expect(byDay(shownLines(shelf)).size).toBe(4);
  });

  it("every line of the demo has something to say, with air and hands", () => {
    for (const line of [...shelf, ...replay(harbourStoolLedger(harbourStool())).lines]) {
      expect(lineSays(line).what.length).toBeGreaterThan(3);
      expect(sayAround(line.event)).toMatch(/°C.* · (First|Second) painter/);
    }
  });

  it.each([
    [{ kind: "sign", stage: "recoat", seen: false, more: 10, says: "still tacky" }, /still tacky/, "heed", /10 more/],
    [{ kind: "test patch", text: "thumb", holds: false }, /does not hold/, "heed", /thumb/],
    [{ kind: "trouble", trouble: "runs", way: "Brush it out now" }, /Runs/, "heed", /Brush it out now/],
    [{ kind: "reading", of: "moisture", value: 11, from: "tool" }, /11 %/, "word", null],
    [{ kind: "outcome", text: "well", good: true }, /well/, "done", /well/],
    [{ kind: "decision", answer: "once more" }, /once more/, "word", null],
  ] as const)("%j", (rest, what, mark, text) => {
    const plan = planOf([["scuff"]]);
    const { kind, ...more } = rest;
    const event = lineAt(plan, kind, 0, [], more as never) as LedgerEvent;
    const said = lineSays({ event });
    expect(said.what).toMatch(what);
    expect(said.mark).toBe(mark);
    if (text) expect(said.text).toMatch(text);
    else expect(said.text).toBe(null);
  });
});
