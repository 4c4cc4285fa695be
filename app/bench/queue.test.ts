import "fake-indexeddb/auto";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { LedgerEvent } from "#core/ledger/event";
import type { Logging } from "./log-form";
import { handIn, keep, kept } from "./queue";

// The shop is stood in for by what it would answer: what is tested is that nothing logged at the bench is lost or goes twice.

interface Line {
  planId: string;
  events: { id: string }[];
}
interface Sent {
  ids: string[];
  photo: boolean;
}

const press = (id: string, photo?: Blob): Logging => ({
  planId: "lamp-shelf",
  events: [
    LedgerEvent.parse({ id, kind: "note", at: Date.UTC(2026, 10, 23, 9), offset: 0, on: [], text: `as ${id} says` }),
  ],
  edit: null,
  ...(photo ? { photo } : {}),
});

const sent: Sent[] = [];
/** What the shop answers to some lines; a Response where it is no list of results. */
let answers: (ids: string[]) => Response | { id: string; is: string; says: string | null }[];

const logged = (ids: string[]) => ids.map((id) => ({ id, is: "logged", says: null }));

beforeEach(() => {
  sent.length = 0;
  answers = logged;
  // a browser without locks: the ids of the lines see to it that each counts once
  vi.stubGlobal("navigator", {});
  vi.stubGlobal("fetch", async (_: string, { body }: { body: string | FormData }) => {
    const text = typeof body === "string" ? body : String(body.get("press"));
    const ids = (JSON.parse(text) as { lines: Line[] }).lines.map(({ events }) => events[0]!.id);
    sent.push({ ids, photo: typeof body !== "string" && body.get("photo") !== null });
    const answer = answers(ids);
    return answer instanceof Response ? answer : Response.json({ now: Date.now(), results: answer });
  });
});

afterEach(async () => {
  // whatever a test has left is taken by a shop that takes all of it
  answers = logged;
  await handIn();
  vi.unstubAllGlobals();
});

const idsKept = async () => (await kept()).map(({ events }) => events[0]!.id);

describe("what is logged at the bench", () => {
  it("is kept on the device until the shop has it, and goes in the order in which it happened", async () => {
    for (const id of ["scuff", "prime", "paint"]) await keep(press(id));
    expect(await idsKept()).toEqual(["scuff", "prime", "paint"]);
    expect(await handIn()).toEqual({ is: "done", told: [], refused: [] });
    expect(sent).toEqual([{ ids: ["scuff", "prime", "paint"], photo: false }]);
    expect(await idsKept()).toEqual([]);
  });

  it("stays where it is while the shop does not answer, and goes once when it does again", async () => {
    await keep(press("wax"));
    answers = () => {
      throw new TypeError("no network");
    };
    expect(await handIn()).toEqual({ is: "away" });
    expect(await idsKept()).toEqual(["wax"]);
    answers = () => new Response("busy", { status: 503 });
    expect(await handIn()).toEqual({ is: "away" });
    expect(await idsKept()).toEqual(["wax"]);
    answers = logged;
    await handIn();
    await handIn();
    expect(sent.map(({ ids }) => ids)).toEqual([["wax"], ["wax"], ["wax"]]);
  });

  it("stays where this device may not log any more", async () => {
    await keep(press("wax"));
    for (const status of [401, 403]) {
      answers = () => new Response("no", { status });
      expect(await handIn()).toMatchObject({ is: "put out" });
    }
    expect(await idsKept()).toEqual(["wax"]);
  });

  it("sends a picture by itself, in its place", async () => {
    await keep(press("before"));
    await keep(press("photo", new Blob(["jpeg"])));
    await keep(press("after"));
    await handIn();
    expect(sent).toEqual([
      { ids: ["before"], photo: false },
      { ids: ["photo"], photo: true },
      { ids: ["after"], photo: false },
    ]);
  });

  it("does not hold up the others when one of them can never be read by the shop", async () => {
    for (const id of ["good", "odd", "late"]) await keep(press(id));
    answers = (ids) => (ids.includes("odd") ? new Response("what?", { status: 400 }) : logged(ids));
    const done = await handIn();
    expect(done).toMatchObject({ is: "done", told: [] });
    expect(done.is === "done" && done.refused).toHaveLength(1);
    expect(sent.map(({ ids }) => ids)).toEqual([["good", "odd", "late"], ["good"], ["odd"], ["late"]]);
    expect(await idsKept()).toEqual([]);
  });

  it("says what the shop says of each, apart for what it took and what it refused", async () => {
    for (const id of ["taken", "refused"]) await keep(press(id));
    answers = (ids) =>
      ids.map((id) =>
        id === "taken"
          ? { id, is: "logged", says: "The coat was begun early." }
          : { id, is: "refused", says: "That step is no longer in the plan." },
      );
    expect(await handIn()).toEqual({
      is: "done",
      told: ["The coat was begun early."],
      refused: ["That step is no longer in the plan."],
    });
  });

  it("goes a hundred lines at once, and then the rest", async () => {
    for (let index = 0; index < 130; index++) await keep(press(`line-${index}`));
    await handIn();
    expect(sent.map(({ ids }) => ids.length)).toEqual([100, 30]);
  });

  it("stays where the answer does not mention it, and is not sent again and again for that", async () => {
    for (const id of ["one", "two"]) await keep(press(id));
    answers = (ids) => (ids.includes("one") ? logged(["one"]) : logged(["something else"]));
    expect(await handIn()).toEqual({ is: "away" });
    expect(sent.map(({ ids }) => ids)).toEqual([["one", "two"], ["two"]]);
    expect(await idsKept()).toEqual(["two"]);
  });
});
