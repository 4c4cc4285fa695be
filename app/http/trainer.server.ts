import { type Card, createEmptyCard, fsrs, Rating, State } from "ts-fsrs";
import { z } from "zod";
import { type Drill, type DrillKind, grade } from "#core/trainer/drill";
import { drillFrom, findSource, SOURCES } from "#core/trainer/drills";
import { pickNext } from "#core/trainer/pick";
import { DAY } from "#core/units/units";
import { answersSince, getKnown, noteAnswer } from "#db/drills";
import type { Store } from "#db/open";

// The trainer: what is asked next, what an answer comes to, and the record. When something comes back is worked out by a published
// schedule of spaced repetition (FSRS), from how it went every time.

/** Enough for a day, in seconds. */
export const ENOUGH = 300;
/** An answer is never counted as longer than this: somebody was called away. */
const LONGEST = 120;
const WEEKS = 8;
const MINUTE = 60_000;
const WEEK = 7 * DAY * MINUTE;
const MOST_SEED = 1_000_000;

const repetition = fsrs({ enable_fuzz: false });

/** The memory of a drill, after it went well, partly, or badly. */
function repeated(
  card: unknown,
  rating: Rating.Again | Rating.Hard | Rating.Good,
  now: Date,
): { card: Card; due: Date } {
  const kept = Stored.safeParse(card);
  const before = kept.success ? kept.data : createEmptyCard(now);
  // a clock that was set back does not undo what has been practised
  const at = before.last_review && before.last_review > now ? before.last_review : now;
  const next = repetition.next(before, at, rating);
  return { card: next.card, due: next.card.due };
}

/** A memory as it was kept; one that cannot be read starts again. */
const Stored = z.object({
  due: z.coerce.date(),
  last_review: z.coerce.date().optional(),
  stability: z.number(),
  difficulty: z.number(),
  elapsed_days: z.number(),
  scheduled_days: z.number(),
  learning_steps: z.number(),
  reps: z.number(),
  lapses: z.number(),
  state: z.enum(State),
});

/** A question as the page shows it: without its answers. */
export type Asked = Omit<Drill, "right" | "because">;

export const withoutAnswers = ({ right, because, ...asked }: Drill): Asked => asked;

/** Midnight of today on this machine's clock. */
const midnight = (now: Date): Date => new Date(now.getFullYear(), now.getMonth(), now.getDate());

export interface TrainingRecord {
  /** seconds practised today, and answers */
  today: { seconds: number; answers: number };
  /** how many things are due now */
  due: number;
  /** the last weeks, the oldest first */
  weeks: { from: number; right: number; wrong: number }[];
  families: { family: string; seen: number; right: number }[];
}

export async function recordOf(store: Store, now = new Date()): Promise<TrainingRecord> {
  const first = midnight(now).getTime() - (WEEKS - 1) * WEEK;
  const answers = await answersSince(store, new Date(first));
  const known = await getKnown(store);
  const today = answers.filter(({ at }) => at >= midnight(now));
  const weeks = Array.from({ length: WEEKS }, (_, week) => {
    const from = first + week * WEEK;
    const own = answers.filter(({ at }) => at.getTime() >= from && at.getTime() < from + WEEK);
    const right = own.filter((one) => one.right).length;
    return { from, right, wrong: own.length - right };
  });
  const families = new Map<string, { family: string; seen: number; right: number }>();
  for (const { family, seen, right } of known) {
    const sum = families.get(family) ?? { family, seen: 0, right: 0 };
    families.set(family, { family, seen: sum.seen + seen, right: sum.right + right });
  }
  return {
    today: { seconds: today.reduce((sum, { seconds }) => sum + seconds, 0), answers: today.length },
    due: known.filter(({ due }) => due <= now.getTime()).length,
    weeks,
    families: [...families.values()].sort((a, b) => a.right / a.seen - b.right / b.seen),
  };
}

/** The next question; null where everything sits and nothing is due. */
export async function askNext(store: Store, now = new Date()): Promise<Drill | null> {
  const known = await getKnown(store);
  const answered = known.reduce((sum, { seen }) => sum + seen, 0);
  const not = new Set<string>();
  for (;;) {
    const source = pickNext(SOURCES, known, now.getTime(), not);
    if (!source) return null;
    // another question of the same thing every time it comes back
    const drill = drillFrom(source, (Math.floor(now.getTime() / (DAY * MINUTE)) + 31 * answered) % MOST_SEED);
    if (drill) return drill;
    not.add(source.id);
  }
}

const Answer = z.object({
  id: z.string().regex(/^[A-Za-z0-9_-]{8,40}$/),
  drill: z.string().max(80),
  seed: z.coerce
    .number()
    .int()
    .min(0)
    .max(2 * MOST_SEED),
  asked: z.coerce.number().int().min(0),
});

export interface Graded {
  drill: Asked;
  answers: string[][];
  parts: boolean[];
  right: readonly (readonly string[])[];
  because: string;
}

/** The answer of a part: the choice, or the order that was made by hand or by numbers. */
function answerIn(fields: Readonly<Record<string, string>>, drill: Drill, at: number): string[] {
  const part = drill.parts[at]!;
  if (part.is === "choose") return fields[`part${at}`] ? [fields[`part${at}`]!] : [];
  const byHand = (fields[`part${at}`] ?? "").split(" ").filter(Boolean);
  if (byHand.length > 0) return byHand;
  return [...part.choices]
    .map(({ id }, index) => ({ id, place: Number(fields[`place${at}-${id}`] ?? index + 1) }))
    .sort((a, b) => a.place - b.place)
    .map(({ id }) => id);
}

/** Grades an answer and keeps it; a sentence where the form cannot be read. */
export async function answerDrill(
  store: Store,
  fields: Readonly<Record<string, string>>,
  now = new Date(),
): Promise<Graded | string> {
  const read = Answer.safeParse(fields);
  const source = read.success ? findSource(read.data.drill) : undefined;
  const drill = source && read.success ? source.make(read.data.seed) : null;
  if (!source || !drill || !read.success) return "This question is no longer asked. Here is another one.";
  const answers = drill.parts.map((_part, index) => answerIn(fields, drill, index));
  const parts = grade(source, drill, answers);
  const right = parts.every(Boolean);
  const rating = right ? Rating.Good : parts.some(Boolean) ? Rating.Hard : Rating.Again;
  const seconds = Math.min(LONGEST, Math.max(1, Math.round((now.getTime() - read.data.asked) / 1000)));
  await noteAnswer(
    store,
    { id: read.data.id, drillId: drill.id, kind: drill.kind satisfies DrillKind, family: drill.family, right, seconds },
    (card) => repeated(card, rating, now),
    now,
  );
  return { drill: withoutAnswers(drill), answers, parts, right: drill.right, because: drill.because };
}
