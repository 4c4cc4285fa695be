import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import { nanoid } from "nanoid";
import { z } from "zod";
import { Commands } from "#core/edit/command";
import type { PendingEdit } from "./queue";

// Edits that have not reached the server, kept in the browser: a list for every tab, so that no tab overwrites another's. A tab
// that is gone leaves its list to the next one that opens the job.

/**
 * The shape of what is kept in the browser, checked when it is read: an older version of the tool may have written
 * it.
 */
const Kept = z.object({
  key: z.string(),
  planId: z.string(),
  tab: z.string(),
  at: z.number(),
  order: z.number(),
  edit: z.object({
    id: z.string().min(8).max(64),
    label: z.string().min(1).max(200),
    commands: Commands,
    inverse: Commands.optional(),
  }),
});
type Kept = z.infer<typeof Kept>;

interface Shelf extends DBSchema {
  unsent: { key: string; value: Kept; indexes: { byJob: string } };
}

const DATABASE = "jolly-crust";
const LOCK = "jolly-crust/tab/";
/** Where a version before this one kept them. */
const oldKey = (planId: string) => `jolly-crust/unsaved/${planId}`;
/** Where edits not yet confirmed by the browser's store go when the page is closed: this place is written at once. */
const lastWords = (planId: string) => `jolly-crust/last/${planId}/`;

let opening: Promise<IDBPDatabase<Shelf> | null> | null = null;

/** The browser's store; null where there is none. The page itself still holds what was typed. */
function shelf(): Promise<IDBPDatabase<Shelf> | null> {
  opening ??= openDB<Shelf>(DATABASE, 1, {
    upgrade: (database) => {
      database.createObjectStore("unsent", { keyPath: "key" }).createIndex("byJob", "planId");
    },
    terminated: () => {
      opening = null;
    },
  }).catch(() => null);
  return opening;
}

/** What a tab that is gone left behind. */
export interface LeftBehind {
  edits: PendingEdit[];
  /** names of edits that this version cannot read */
  unreadable: string[];
}

const labelOf = (raw: unknown): string => {
  const read = z.object({ edit: z.object({ label: z.string().max(200) }) }).safeParse(raw);
  return read.success ? read.data.edit.label : "an edit";
};

/** The list of this tab for one job. */
export class Unsent {
  private readonly tab = nanoid(12);
  private turn: Promise<unknown> = Promise.resolve();
  private kept: readonly PendingEdit[] = [];
  private drafts = new Map<string, PendingEdit>();
  private unconfirmed = 0;
  /** tabs whose end is waited for: a page just left may take a moment to go */
  private readonly awaited = new Set<string>();

  constructor(private readonly planId: string) {
    void shelf();
    window.addEventListener("pagehide", () => this.sayLast());
    // held as long as the page lives: other tabs see by it that this list is not theirs to take over
    void navigator.locks?.request(LOCK + this.tab, () => new Promise(() => {}));
  }

  private key = (id: string) => `${this.planId}/${this.tab}/${id}`;

  /** Keeps exactly these, in this order. */
  keep(edits: readonly PendingEdit[]) {
    this.kept = edits;
    this.store();
  }

  /** Keeps what is being typed in a field until it is left; null when it has been. */
  keepDraft(field: string, edit: PendingEdit | null) {
    if (edit) this.drafts.set(field, edit);
    else if (!this.drafts.delete(field)) return;
    this.store();
  }

  private get all(): PendingEdit[] {
    const kept = new Set(this.kept.map(({ id }) => id));
    return [...this.kept, ...[...this.drafts.values()].filter(({ id }) => !kept.has(id))];
  }

  /** The page is closing: anything the store has not confirmed is written where that happens at once. */
  private sayLast() {
    try {
      const key = lastWords(this.planId) + this.tab;
      if (this.unconfirmed > 0 && this.all.length > 0) localStorage.setItem(key, JSON.stringify(this.all));
      else localStorage.removeItem(key);
    } catch {
      // a browser that keeps nothing still had the page itself
    }
  }

  private store() {
    const edits = this.all;
    this.unconfirmed++;
    this.turn = this.turn
      .then(async () => {
        const database = await shelf();
        if (!database) return;
        const transaction = database.transaction("unsent", "readwrite", { durability: "strict" });
        const wanted = new Set(edits.map(({ id }) => this.key(id)));
        for (const { key, tab } of await transaction.store.index("byJob").getAll(this.planId))
          if (tab === this.tab && !wanted.has(key)) await transaction.store.delete(key);
        for (const [order, edit] of edits.entries())
          await transaction.store.put({
            key: this.key(edit.id),
            planId: this.planId,
            tab: this.tab,
            at: Date.now(),
            order,
            edit: {
              id: edit.id,
              label: edit.label,
              commands: edit.commands,
              ...(edit.inverse ? { inverse: edit.inverse } : {}),
            },
          });
        await transaction.done;
      })
      .catch(() => {})
      .finally(() => {
        this.unconfirmed--;
      });
  }

  /**
   * Takes over what closed tabs have left for this job, the oldest first. Lists of open tabs stay with them until they
   * are gone too; then there is more to take over.
   */
  async takeOver(more: () => void): Promise<LeftBehind> {
    const found: LeftBehind = { edits: this.takeOld(), unreadable: [] };
    await this.takeLastWords(found, more);
    const database = await shelf();
    if (!database) return found;
    const left = await database.getAllFromIndex("unsent", "byJob", this.planId).catch(() => []);
    const tabs = new Map<string, number>();
    for (const { tab, at } of left) if (tab !== this.tab) tabs.set(tab, Math.min(at, tabs.get(tab) ?? at));
    for (const [tab] of [...tabs].sort(([, one], [, two]) => one - two))
      await this.whenGone(tab, more, async () => {
        const transaction = database.transaction("unsent", "readwrite");
        const rows = (await transaction.store.index("byJob").getAll(this.planId)).filter((row) => row.tab === tab);
        for (const row of rows.sort((a, b) => a.order - b.order)) {
          const read = Kept.safeParse(row);
          const twice = read.success && found.edits.some(({ id }) => id === read.data.edit.id);
          if (read.success) found.edits.push(...(twice ? [] : [read.data.edit]));
          else found.unreadable.push(labelOf(row));
          await transaction.store.delete(row.key);
          // it belongs to this tab from here on, before anything else can happen to it
          if (read.success)
            await transaction.store.put({ ...read.data, key: this.key(read.data.edit.id), tab: this.tab });
        }
        await transaction.done;
      });
    return found;
  }

  /** Does this if the tab is gone; if it is still there, says so once it has gone. */
  private async whenGone(tab: string, more: () => void, work: () => Promise<void>) {
    if (!navigator.locks) return work();
    const wasGone = await navigator.locks.request(LOCK + tab, { ifAvailable: true }, async (lock) => {
      if (lock) await work();
      return lock !== null;
    });
    if (wasGone || this.awaited.has(tab)) return;
    this.awaited.add(tab);
    void navigator.locks.request(LOCK + tab, () => {}).then(more);
  }

  /** What pages wrote as they were closed. */
  private async takeLastWords(found: LeftBehind, more: () => void) {
    const prefix = lastWords(this.planId);
    for (const key of keysOfStorage().filter((key) => key.startsWith(prefix)))
      await this.whenGone(key.slice(prefix.length), more, async () => {
        found.edits.push(...takeText(key));
      });
    if (found.edits.length > 0) this.keep([...this.kept, ...found.edits]);
  }

  /** What an older version of the tool kept elsewhere. */
  private takeOld = (): PendingEdit[] => takeText(oldKey(this.planId));
}

function keysOfStorage(): string[] {
  try {
    return Object.keys(localStorage);
  } catch {
    return [];
  }
}

/** Reads edits kept as text under a key and removes them; none if they cannot be read. */
function takeText(key: string): PendingEdit[] {
  try {
    const text = localStorage.getItem(key);
    if (text === null) return [];
    localStorage.removeItem(key);
    return z.array(Kept.shape.edit).safeParse(JSON.parse(text)).data ?? [];
  } catch {
    return [];
  }
}
