import "fake-indexeddb/auto";
import { openDB } from "idb";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { PendingEdit } from "./queue";
import { type LeftBehind, Unsent } from "./unsent";

// A browser with several tabs, as far as this needs one: locks that a tab holds until it is closed, a store they share, and the
// place that is written at once.

class Locks {
  private readonly held = new Map<string, Promise<unknown>>();

  async request(name: string, ...rest: unknown[]): Promise<unknown> {
    const work = rest.at(-1) as (lock: object | null) => unknown;
    const { ifAvailable = false } = (rest.length > 1 ? rest[0] : {}) as { ifAvailable?: boolean };
    if (ifAvailable && this.held.has(name)) return work(null);
    while (this.held.has(name)) await this.held.get(name);
    const running = Promise.race([Promise.resolve(work({ name })), this.closing(name)]);
    this.held.set(name, running);
    try {
      return await running;
    } finally {
      this.held.delete(name);
    }
  }

  private readonly ends = new Map<string, () => void>();
  private closing = (name: string) =>
    new Promise<void>((resolve) => {
      this.ends.set(name, resolve);
    });

  /** A tab is gone: what it held is free. */
  async release(name: string) {
    this.ends.get(name)?.();
    await new Promise((resolve) => setTimeout(resolve));
  }

  names = () => [...this.held.keys()];
}

class Tabs {
  readonly locks = new Locks();
  private readonly closers = new Map<Unsent, { lock: string; hide: () => void }>();

  open(planId: string): Unsent {
    const before = new Set(this.locks.names());
    let hide = () => {};
    vi.stubGlobal("window", {
      addEventListener: (_: string, work: () => void) => {
        hide = work;
      },
    });
    const tab = new Unsent(planId);
    const lock = this.locks.names().find((name) => !before.has(name))!;
    this.closers.set(tab, { lock, hide });
    return tab;
  }

  async close(tab: Unsent) {
    const { lock, hide } = this.closers.get(tab)!;
    hide();
    await this.locks.release(lock);
  }
}

const edit = (id: string, label = `Edit ${id}`): PendingEdit => ({
  id: `edit-${id}-long`,
  label,
  commands: [{ do: "remove step", crustId: "c1", stepId: id }],
});
const ids = ({ edits }: LeftBehind) => edits.map(({ id }) => id);

/** The store is written in the background: waits until everything asked for so far is there. */
const written = () => new Promise((resolve) => setTimeout(resolve, 30));

let tabs: Tabs;
let said: Map<string, string>;
let planId: string;
let jobs = 0;

beforeEach(() => {
  tabs = new Tabs();
  said = new Map();
  planId = `job-${++jobs}`;
  vi.stubGlobal("navigator", { locks: tabs.locks });
  const storage = {
    getItem: (key: string) => said.get(key) ?? null,
    setItem: (key: string, value: string) => void said.set(key, value),
    removeItem: (key: string) => void said.delete(key),
  };
  vi.stubGlobal(
    "localStorage",
    new Proxy(storage, {
      ownKeys: () => [...said.keys()],
      getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true, writable: true, value: "" }),
    }),
  );
});
afterEach(() => {
  vi.unstubAllGlobals();
});

const never = () => {
  throw new Error("nothing more is to come");
};

describe("edits that have not reached the server", () => {
  it("are taken over, in their order, by the next tab that opens the job once theirs is closed", async () => {
    const first = tabs.open(planId);
    first.keep([edit("a"), edit("b"), edit("c")]);
    await written();
    await tabs.close(first);
    const next = tabs.open(planId);
    expect(ids(await next.takeOver(never))).toEqual([edit("a").id, edit("b").id, edit("c").id]);
  });

  it("are the next tab's from then on: a third finds them there, once that is closed too, and only once", async () => {
    const first = tabs.open(planId);
    first.keep([edit("a")]);
    await written();
    await tabs.close(first);
    const second = tabs.open(planId);
    await second.takeOver(never);
    await tabs.close(second);
    const third = tabs.open(planId);
    expect(ids(await third.takeOver(never))).toEqual([edit("a").id]);
    third.keep([]);
    await written();
    await tabs.close(third);
    expect(ids(await tabs.open(planId).takeOver(never))).toEqual([]);
  });

  it("stay with a tab that is still open; when it has gone, there is word of it", async () => {
    const open = tabs.open(planId);
    open.keep([edit("a")]);
    await written();
    const other = tabs.open(planId);
    const more = vi.fn();
    expect(ids(await other.takeOver(more))).toEqual([]);
    expect(more).not.toHaveBeenCalled();
    await tabs.close(open);
    await written();
    expect(more).toHaveBeenCalledTimes(1);
    expect(ids(await other.takeOver(never))).toEqual([edit("a").id]);
  });

  it("of another job are left alone", async () => {
    const first = tabs.open(planId);
    first.keep([edit("a")]);
    await written();
    await tabs.close(first);
    expect(ids(await tabs.open(`${planId}-other`).takeOver(never))).toEqual([]);
  });

  it("that have been saved are forgotten", async () => {
    const first = tabs.open(planId);
    first.keep([edit("a"), edit("b")]);
    first.keep([edit("b")]);
    await written();
    await tabs.close(first);
    expect(ids(await tabs.open(planId).takeOver(never))).toEqual([edit("b").id]);
  });

  it("what is being typed is kept until the field is left, and counts once where it has become an edit", async () => {
    const first = tabs.open(planId);
    first.keepDraft("note", edit("typing"));
    first.keepDraft("title", edit("left"));
    first.keepDraft("title", null);
    first.keep([edit("a"), edit("typing")]);
    await written();
    await tabs.close(first);
    expect(ids(await tabs.open(planId).takeOver(never))).toEqual([edit("a").id, edit("typing").id]);
  });

  it("that the store had no time for are written down as the page closes", async () => {
    const first = tabs.open(planId);
    first.keep([edit("hasty")]);
    // closed in the same breath: nothing can have been stored yet
    await tabs.close(first);
    expect([...said.keys()]).toHaveLength(1);
    await written();
    const next = tabs.open(planId);
    // found in both places, it counts once
    expect(ids(await next.takeOver(never))).toEqual([edit("hasty").id]);
    expect(said.size).toBe(0);
  });

  it("are not written down twice where the store has them", async () => {
    const first = tabs.open(planId);
    first.keep([edit("a")]);
    await written();
    await tabs.close(first);
    expect(said.size).toBe(0);
  });

  it("of a version before this one are found where that kept them", async () => {
    said.set(`jolly-crust/unsaved/${planId}`, JSON.stringify([edit("old")]));
    const tab = tabs.open(planId);
    expect(ids(await tab.takeOver(never))).toEqual([edit("old").id]);
    expect(said.size).toBe(0);
  });

  it.each(["", "{", "null", '{"edits":1}', '[{"id":1}]'])(
    "that cannot be read where an older version kept them stop nothing: %j",
    async (text) => {
      said.set(`jolly-crust/unsaved/${planId}`, text);
      expect(await tabs.open(planId).takeOver(never)).toEqual({ edits: [], unreadable: [] });
    },
  );

  it("that this version cannot read are named, so that they can be made again", async () => {
    const first = tabs.open(planId);
    first.keep([edit("good")]);
    await written();
    const database = await openDB("jolly-crust", 1);
    const [row] = await database.getAllFromIndex("unsent", "byJob", planId);
    const made = { ...row, key: `${row.key}-x`, order: 1 };
    await database.put("unsent", {
      ...made,
      edit: { ...row.edit, label: "Gild the edge", commands: [{ do: "gild" }] },
    });
    database.close();
    await tabs.close(first);
    const found = await tabs.open(planId).takeOver(never);
    expect(ids(found)).toEqual([edit("good").id]);
    expect(found.unreadable).toEqual(["Gild the edge"]);
    // and they are gone: nobody reads of them twice
    expect((await tabs.open(planId).takeOver(() => {})).unreadable).toEqual([]);
  });

  it("come from several closed tabs, the one that began first before the others", async () => {
    const [first, second] = [tabs.open(planId), tabs.open(planId)];
    first.keep([edit("a")]);
    await written();
    second.keep([edit("b")]);
    await written();
    await tabs.close(second);
    await tabs.close(first);
    expect(ids(await tabs.open(planId).takeOver(never))).toEqual([edit("a").id, edit("b").id]);
  });

  it("are the page's alone in a browser that keeps nothing", async () => {
    vi.stubGlobal("localStorage", {
      getItem: () => {
        throw new Error("denied");
      },
      setItem: () => {
        throw new Error("denied");
      },
    });
    const tab = tabs.open(planId);
    tab.keep([edit("a")]);
    await written();
    await expect(tabs.close(tab)).resolves.toBeUndefined();
  });
});
