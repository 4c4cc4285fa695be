import { asc, desc, eq, inArray, isNotNull, isNull } from "drizzle-orm";
import { EMPTY_BOOK, SHELF_LIMITS, ShelfBook } from "#core/shelf/book";
import { Movement, sameReceipt, whyNot } from "#core/shelf/stock";
import { type Database, inTurn, type Store, within } from "./open";
import { movements, shelfBooks } from "./schema";
import { versionsOf } from "./versions";

/** The book of goods, packs and prices, with its versions. */
export const book = versionsOf<ShelfBook>({
  table: shelfBooks,
  schema: ShelfBook,
  first: async () => EMPTY_BOOK,
  firstLabel: "An empty shelf",
});

/** What was written down together. */
export interface MovementBatch {
  id: string;
  label: string;
  at: Date;
}

export interface Stock {
  movements: Movement[];
  /** what taking back would take back; null if there is nothing */
  undo: MovementBatch | null;
  /** what was taken back last, and can be put in again */
  redo: MovementBatch | null;
}

type Reader = Pick<Database, "select">;

/** What a shelf began with is a batch of this name: it is not taken back with one press. */
export const FIRST_BATCH = "first";

/** A row that cannot be read is left out: the shelf is counted rather than closed. */
async function readAll(db: Reader): Promise<Movement[]> {
  const rows = await db
    .select({ document: movements.document })
    .from(movements)
    .where(isNull(movements.takenBackAt))
    .orderBy(asc(movements.place));
  return rows.flatMap(({ document }) => Movement.safeParse(document).data ?? []);
}

const asBatch = (row: { batch: string; label: string; writtenAt: Date } | undefined): MovementBatch | null =>
  row ? { id: row.batch, label: row.label, at: row.writtenAt } : null;

/** All that happened to the shelf. */
export const getStock = (store: Store): Promise<Stock> =>
  within(store, async (db) => {
    const [last] = await db
      .select()
      .from(movements)
      .where(isNull(movements.takenBackAt))
      .orderBy(desc(movements.place))
      .limit(1);
    const [back] = await db
      .select()
      .from(movements)
      .where(isNotNull(movements.takenBackAt))
      .orderBy(desc(movements.takenBackAt), desc(movements.place))
      .limit(1);
    // what has been written down since puts an end to putting in again, as with any undo
    const redo = back && last && last.place > back.place ? undefined : back;
    const undo = last?.batch === FIRST_BATCH ? undefined : last;
    return { movements: await readAll(db), undo: asBatch(undo), redo: asBatch(redo) };
  });

export type MovementsWritten =
  | { is: "written" }
  | { is: "refused"; because: string }
  /** bought on a receipt that is booked in already */
  | { is: "twice"; at: string };

/**
 * Writes movements down together, each once, if all of them can be. What is on a receipt that is booked in already is written only
 * when that is asked for.
 */
export const writeMovements = (
  store: Store,
  {
    batch,
    label,
    list,
    anyway = false,
    asTheyAre = false,
  }: {
    batch: string;
    label: string;
    list: readonly Movement[];
    anyway?: boolean;
    /** from another shop's list, where they were checked when they were written */
    asTheyAre?: boolean;
  },
): Promise<MovementsWritten> =>
  inTurn(store, (db) =>
    db.transaction(
      async (tx): Promise<MovementsWritten> => {
        const ids = list.map(({ id }) => id);
        const known = await tx.select({ id: movements.id }).from(movements).where(inArray(movements.id, ids));
        const fresh = list.filter(({ id }) => !known.some((one) => one.id === id));
        const all = await readAll(tx);
        if (all.length + fresh.length > SHELF_LIMITS.movements)
          return { is: "refused", because: `The shelf's list holds ${SHELF_LIMITS.movements} entries at most.` };
        for (const movement of asTheyAre ? [] : fresh) {
          const because = whyNot(movement, all);
          if (because) return { is: "refused", because };
          const before = anyway ? null : sameReceipt(movement, all);
          if (before && before.does === "bought" && !fresh.includes(before)) return { is: "twice", at: before.at };
          all.push(movement);
        }
        const writtenAt = new Date();
        for (const document of fresh)
          await tx.insert(movements).values({ id: document.id, batch, label, document, writtenAt });
        return { is: "written" };
      },
      { behavior: "immediate" },
    ),
  );

/** Takes a batch back, or puts one that was taken back in again. */
export const setTakenBack = (store: Store, batch: string, back: boolean): Promise<boolean> =>
  inTurn(store, async (db) => {
    const { rowsAffected } = await db
      .update(movements)
      .set({ takenBackAt: back ? new Date() : null })
      .where(eq(movements.batch, batch));
    return rowsAffected > 0;
  });
