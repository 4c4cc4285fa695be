import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { answersSince, type DrillAnswer, getKnown, noteAnswer } from "./drills";
import { openStore, type Store } from "./open";

let folder: string;
let store: Store;
const NOW = new Date("2026-11-29T10:00:00Z");
const DUE = new Date("2026-12-02T10:00:00Z");

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-drills-"));
  store = await openStore({ url: `file:${join(folder, "shop.db")}`, file: join(folder, "shop.db") });
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const answer = (id: string, more: Partial<DrillAnswer> = {}): DrillAnswer => ({
  id,
  drillId: "fault-1",
  kind: "fault",
  family: "wax",
  right: true,
  seconds: 4,
  ...more,
});

/** Counts how often a card was answered, as a schedule would keep it. */
const next = (card: unknown) => ({ card: { times: ((card as { times: number } | null)?.times ?? 0) + 1 }, due: DUE });
const note = (of: DrillAnswer, now = NOW) => noteAnswer(store, of, next, now);

describe("answers of the trainer", () => {
  it("are kept with their card, which says when it is due and how often it was right", async () => {
    await note(answer("one"));
    await note(answer("two", { right: false }));
    expect(await getKnown(store)).toEqual([
      { id: "fault-1", kind: "fault", family: "wax", due: DUE.getTime(), seen: 2, right: 1 },
    ]);
  });

  it("sent twice count once, and the card is not moved on again", async () => {
    expect(await note(answer("one"))).toBe(true);
    expect(await note(answer("one", { right: false }))).toBe(false);
    expect(await getKnown(store)).toMatchObject([{ seen: 1, right: 1 }]);
  });

  it("of different questions have cards of their own", async () => {
    await note(answer("one"));
    await note(answer("two", { drillId: "fault-2", family: "glaze" }));
    expect((await getKnown(store)).map(({ id, seen }) => [id, seen])).toEqual([
      ["fault-1", 1],
      ["fault-2", 1],
    ]);
  });

  it("are listed since a time, the oldest first", async () => {
    const at = (minutes: number) => new Date(NOW.getTime() + minutes * 60_000);
    await note(answer("late"), at(30));
    await note(answer("early"), at(-30));
    await note(answer("middle"), at(0));
    expect((await answersSince(store, NOW)).map(({ id }) => id)).toEqual(["middle", "late"]);
  });

  it("go on from the card that was kept before", async () => {
    const seen: unknown[] = [];
    const watch = (card: unknown) => {
      seen.push(card);
      return next(card);
    };
    await noteAnswer(store, answer("one"), watch, NOW);
    await noteAnswer(store, answer("two"), watch, NOW);
    expect(seen).toEqual([null, { times: 1 }]);
  });
});
