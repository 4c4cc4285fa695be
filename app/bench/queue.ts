import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import { z } from "zod";
import type { Logging } from "./log-form";

// What was logged on this device and has not reached the shop yet. It is written to the browser's own store first and sent after
// that, in the order in which it happened; it goes only when the shop has said that it is on its disk.

interface Kept {
  place?: number;
  at: number;
  press: Logging;
}

interface Shelf extends DBSchema {
  presses: { key: number; value: Kept };
}

const DATABASE = "jolly-crust-bench";
const LOCK = "jolly-crust/hand-in";
const BEHIND = "jolly-crust/behind";
const MOST_AT_ONCE = 100;

let opening: Promise<IDBPDatabase<Shelf>> | null = null;
const shelf = () => {
  opening ??= openDB<Shelf>(DATABASE, 1, {
    upgrade: (database) => {
      database.createObjectStore("presses", { keyPath: "place", autoIncrement: true });
    },
    terminated: () => {
      opening = null;
    },
  });
  return opening;
};

/** Keeps a press until it has been handed in; safe from then on. */
export async function keep(press: Logging): Promise<void> {
  await (await shelf()).add("presses", { at: Date.now(), press });
}

/** What has not been handed in, in the order in which it was logged. */
export async function kept(): Promise<Logging[]> {
  try {
    return (await (await shelf()).getAll("presses")).map(({ press }) => press);
  } catch {
    return [];
  }
}

const Answer = z.object({
  now: z.number(),
  results: z.array(
    z.object({ id: z.string(), is: z.string(), says: z.string().nullable(), changed: z.string().nullish() }),
  ),
});

export type HandedIn =
  | { is: "done"; told: string[]; refused: string[] }
  /** the shop does not answer */
  | { is: "away" }
  /** this device may not log any more */
  | { is: "put out"; says: string };

/** How far this device's clock is behind the shop's, as it was last seen. */
export function behindShop(): number {
  try {
    return Number(localStorage.getItem(BEHIND) ?? 0) || 0;
  } catch {
    return 0;
  }
}

function noteClock(now: number) {
  const behind = now - Date.now();
  try {
    localStorage.setItem(BEHIND, String(Math.abs(behind) < 2000 ? 0 : behind));
  } catch {
    // without a place to keep it, it is asked again
  }
}

/** Asks the shop for its clock; null where it does not answer. */
export async function askClock(): Promise<number | null> {
  try {
    const response = await fetch("/bench/log", { headers: { Accept: "application/json" } });
    if (!response.ok) return null;
    const { now } = (await response.json()) as { now: number };
    noteClock(now);
    return now;
  } catch {
    return null;
  }
}

/** What can be sent together: a press with a photo goes by itself, and keeps its place. */
function nextOf(all: readonly Kept[]): readonly Kept[] {
  if (all[0]?.press.photo) return all.slice(0, 1);
  const until = all.findIndex(({ press }) => press.photo);
  return all.slice(0, Math.min(MOST_AT_ONCE, until < 0 ? all.length : until));
}

function bodyOf(waiting: readonly Kept[]): { body: BodyInit; headers: Record<string, string> } {
  const headers = { Accept: "application/json" };
  const lines = waiting.map(({ press: { planId, events, edit } }) => ({ planId, events, edit }));
  const text = JSON.stringify({ sentAt: Date.now(), lines });
  const photo = waiting[0]?.press.photo;
  if (!photo) return { body: text, headers: { ...headers, "Content-Type": "application/json" } };
  const form = new FormData();
  form.set("press", text);
  form.set("photo", photo, "photo");
  return { body: form, headers };
}

/** Statuses of what will never be taken, however often it is sent. */
const HOPELESS: ReadonlySet<number> = new Set([400, 413, 415]);
const UNREADABLE = "One entry could not be read by the shop and was left out.";

/** Hands in what is kept, the first first; one tab at a time. */
export async function handIn(): Promise<HandedIn> {
  const work = async (): Promise<HandedIn> => {
    const told: string[] = [];
    const refused: string[] = [];
    // where the shop refuses some of many, each is sent by itself
    let single = false;
    for (;;) {
      const db = await shelf();
      const waiting = nextOf(await db.getAll("presses")).slice(0, single ? 1 : MOST_AT_ONCE);
      if (waiting.length === 0) return { is: "done", told, refused };
      let response: Response;
      try {
        response = await fetch("/bench/log", { method: "POST", ...bodyOf(waiting) });
      } catch {
        return { is: "away" };
      }
      if (response.status === 401 || response.status === 403)
        return { is: "put out", says: "This device may no longer log. Ask at the main machine." };
      const answer = response.ok ? Answer.safeParse(await response.json().catch(() => null)).data : undefined;
      if (!answer) {
        if (!HOPELESS.has(response.status)) return { is: "away" };
        // one of them cannot be read there: the others must not wait behind it
        if (waiting.length === 1) {
          refused.push(UNREADABLE);
          await db.delete("presses", waiting[0]!.place!);
          single = false;
        } else single = true;
        continue;
      }
      noteClock(answer.now);
      const results = new Map(answer.results.map((result) => [result.id, result]));
      const answered = waiting.filter(({ press }) => results.has(press.events[0]!.id));
      // an answer about something else: asking again at once would bring the same
      if (answered.length === 0) return { is: "away" };
      for (const { place, press } of answered) {
        const result = results.get(press.events[0]!.id)!;
        if (result.changed) told.push(result.changed);
        if (result.says) (result.is === "logged" ? told : refused).push(result.says);
        await db.delete("presses", place!);
      }
    }
  };
  // one tab hands in at a time; where the browser has no locks, the ids of the lines see to it that each counts once
  return navigator.locks ? navigator.locks.request(LOCK, work) : work();
}
