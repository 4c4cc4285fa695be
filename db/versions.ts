import { desc, lte } from "drizzle-orm";
import type { ZodType } from "zod";
import { type Database, inTurn, type Store, within } from "./open";
import type { shelfBooks, shops } from "./schema";

// A document that the whole shop shares: every version is a row, the latest counts, and a change that was based on another is refused.

type Reader = Pick<Database, "select">;
type Table = typeof shops | typeof shelfBooks;

/** Versions that can be gone back to. */
const MOST_KEPT = 50;
const UNDONE = "Undone: ";

/** A document with the version that an edit of it is based on. */
export interface Version<Document> {
  document: Document;
  version: number;
  /** what undo would take back; null if there is nothing */
  undo: string | null;
}

export type VersionWritten<Document> =
  | { is: "written"; row: Version<Document> }
  /** somebody else changed it since */
  | { is: "overtaken"; row: Version<Document> };

export interface Versions<Document> {
  get(store: Store): Promise<Version<Document>>;
  set(store: Store, edit: { base: number; document: Document; label: string }): Promise<VersionWritten<Document>>;
  /** takes the last change back, as a change of its own */
  undo(store: Store, base: number): Promise<VersionWritten<Document>>;
}

interface Kept<Document> {
  table: Table;
  schema: ZodType<Document>;
  /** what there was before anybody set anything, and what that version is called */
  first: (db: Reader) => Promise<Document>;
  firstLabel: string;
}

/** The versions of one shared document in a table of their own. */
export function versionsOf<Document>({ table, schema, first, firstLabel }: Kept<Document>): Versions<Document> {
  const lastTwo = (db: Reader) => db.select().from(table).orderBy(desc(table.version)).limit(2);

  /** What cannot be read is as if nobody had set anything; setting it again goes on from it. */
  async function now(db: Reader): Promise<Version<Document>> {
    const [row, before] = await lastTwo(db);
    const read = row && schema.safeParse(row.document);
    const document = read?.success ? read.data : await first(db);
    return { document, version: row?.version ?? 0, undo: row && before ? row.label : null };
  }

  const set: Versions<Document>["set"] = (store, { base, document, label }) =>
    inTurn(store, (db) =>
      db.transaction(
        async (tx): Promise<VersionWritten<Document>> => {
          const row = await now(tx);
          if (row.version !== base) return { is: "overtaken", row };
          const at = new Date();
          // what there was before anything was set can be gone back to as well
          if (row.version === 0)
            await tx.insert(table).values({ version: ++row.version, label: firstLabel, document: row.document, at });
          const version = row.version + 1;
          await tx.insert(table).values({ version, label, document, at });
          await tx.delete(table).where(lte(table.version, version - MOST_KEPT));
          return { is: "written", row: { document, version, undo: label } };
        },
        { behavior: "immediate" },
      ),
    );

  return {
    get: (store) => within(store, now),
    set,
    undo: (store, base) =>
      within(store, async (db) => {
        const [row, before] = await lastTwo(db);
        const read = before && schema.safeParse(before.document);
        if (!row || row.version !== base || !read?.success) return { is: "overtaken", row: await now(db) };
        const label = row.label.startsWith(UNDONE) ? row.label.slice(UNDONE.length) : `${UNDONE}${row.label}`;
        return set(store, { base, document: read.data, label });
      }),
  };
}
