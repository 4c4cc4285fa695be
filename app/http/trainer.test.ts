import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { findSource } from "#core/trainer/drills";
import { getKnown } from "#db/drills";
import { openStore, placeFrom, type Store } from "#db/open";
import { drillAnswers, drillCards } from "#db/schema";
import { answerDrill, askNext, recordOf } from "./trainer.server";

let folder: string;
let store: Store;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-trainer-"));
  store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
});
beforeEach(async () => {
  await store.db.delete(drillCards);
  await store.db.delete(drillAnswers);
});
afterAll(() => {
  store.client.close();
  rmSync(folder, { recursive: true, force: true });
});

const NOON = new Date(2026, 10, 30, 12);
const later = (minutes: number) => new Date(NOON.getTime() + minutes * 60_000);
const DAY = 24 * 60;

/** Answers a question rightly or wrongly, half a minute after it was asked. */
async function answer(id: string, right: boolean, at: Date, token = `${id.replace(/\W/g, "")}-${at.getTime()}`) {
  const drill = findSource(id)!.make(3)!;
  const fields: Record<string, string> = {
    id: token.slice(-40),
    drill: id,
    seed: "3",
    asked: String(at.getTime() - 30_000),
  };
  drill.parts.forEach(({ choices }, part) => {
    const wrong = choices.find((choice) => !drill.right[part]!.includes(choice.id))!;
    fields[`part${part}`] = right ? drill.right[part]![0]! : wrong.id;
  });
  return answerDrill(store, fields, at);
}

const WAIT = "wait/oil-paint/recoat";

describe("the trainer", () => {
  it("grades on the server, with the reason; the page is never sent the answer", async () => {
    const graded = await answer(WAIT, true, NOON);
    expect(graded).toMatchObject({ parts: [true], because: expect.stringMatching(/23 °C/) });
    expect(Object.keys(typeof graded === "string" ? {} : graded.drill)).not.toContain("right");
    expect(await answer(WAIT, false, later(1))).toMatchObject({ parts: [false] });
  });

  it("what was wrong comes back within minutes, what was right after days, and later every time", async () => {
    await answer(WAIT, false, NOON);
    const wrong = (await getKnown(store))[0]!.due - NOON.getTime();
    expect(wrong).toBeLessThan(60 * 60_000);
    let at = 0;
    let before = 0;
    for (let round = 0; round < 4; round++) {
      at = Math.max(at + 1, ((await getKnown(store))[0]!.due - NOON.getTime()) / 60_000 + 1);
      await answer(WAIT, true, later(at));
      const wait = ((await getKnown(store))[0]!.due - later(at).getTime()) / 60_000;
      expect(wait).toBeGreaterThanOrEqual(before);
      before = wait;
    }
    expect(before).toBeGreaterThan(2 * DAY);
  });

  it("a form sent twice is one answer", async () => {
    await answer(WAIT, true, NOON, "the-same-form");
    await answer(WAIT, true, NOON, "the-same-form");
    expect((await recordOf(store, NOON)).today).toEqual({ seconds: 30, answers: 1 });
    expect((await getKnown(store))[0]).toMatchObject({ seen: 1, right: 1 });
  });

  it("asks what is due before anything new", async () => {
    await answer(WAIT, false, NOON);
    expect((await askNext(store, later(DAY)))?.id).toBe(WAIT);
    const fresh = await askNext(store, later(-DAY));
    expect(fresh?.id).not.toBe(WAIT);
  });

  it("keeps a record by week and by what it is about", async () => {
    await answer(WAIT, true, NOON);
    await answer("mix/chalk-slate", false, later(1));
    await answer("mix/chalk-slate", true, later(-8 * DAY));
    const { weeks, families } = await recordOf(store, later(2));
    expect(weeks).toHaveLength(8);
    expect(weeks.at(-1)).toMatchObject({ right: 1, wrong: 1 });
    expect(weeks.reduce((sum, { right, wrong }) => sum + right + wrong, 0)).toBe(3);
    expect(families.find(({ family }) => family === "Mixing")).toMatchObject({ seen: 2, right: 1 });
  });

  it.each<[string, Record<string, string>]>([
    ["nobody's drill", { drill: "fault/Z9" }],
    ["a seed of letters", { seed: "many" }],
    ["no id", { id: "" }],
    ["a time of letters", { asked: "yesterday" }],
  ])("%s is refused in a sentence, and nothing is kept", async (_what, change) => {
    const fields = { id: "12345678", drill: WAIT, seed: "3", asked: String(NOON.getTime()), part0: "60", ...change };
    expect(await answerDrill(store, fields, NOON)).toMatch(/no longer asked/);
    expect(await getKnown(store)).toEqual([]);
  });

  it("a clock that was set back does not stop it", async () => {
    await answer(WAIT, true, NOON);
    await answer(WAIT, true, later(-3 * DAY));
    expect((await getKnown(store))[0]).toMatchObject({ seen: 2, right: 2 });
  });

  it("an answer that took all night counts as two minutes", async () => {
    const fields = { id: "all-night-long", drill: WAIT, seed: "3", asked: String(later(-600).getTime()), part0: "60" };
    await answerDrill(store, fields, NOON);
    expect((await recordOf(store, NOON)).today.seconds).toBe(120);
  });

  it("a memory that cannot be read starts again", async () => {
    await answer(WAIT, true, NOON);
    await store.db.update(drillCards).set({ card: { due: "soon" } });
    await answer(WAIT, true, later(5));
    expect((await getKnown(store))[0]).toMatchObject({ seen: 2 });
  });
});
