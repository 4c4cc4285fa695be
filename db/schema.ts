import { blob, index, integer, primaryKey, sqliteTable, text } from "drizzle-orm/sqlite-core";

/** One plan, as its whole document, with the figures the jobs list shows beside it. */
export const plans = sqliteTable(
  "plans",
  {
    id: text("id").primaryKey(),
    title: text("title").notNull(),
    client: text("client"),
    /** how far the job has come, as in its document */
    state: text("state").notNull().default("promised"),
    /** counts every write; a write based on another version is refused */
    version: integer("version").notNull(),
    document: text("document", { mode: "json" }).notNull(),
    summary: text("summary", { mode: "json" }).notNull(),
    /** the version that the summary is of */
    summarised: integer("summarised").notNull().default(0),
    /** the predicted look of its largest zone as a small PNG, made with the summary; null where nothing lies on it yet */
    look: blob("look", { mode: "buffer" }),
    createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
    updatedAt: integer("updated_at", { mode: "timestamp_ms" }).notNull(),
    removedAt: integer("removed_at", { mode: "timestamp_ms" }),
    /** when its work may begin and when it is promised for, as in its document */
    start: text("start"),
    due: text("due"),
  },
  (table) => [
    // all that is asked of every job at once: in the rows themselves most of it lies behind the documents
    index("plans_on_lists").on(
      table.removedAt,
      table.state,
      table.updatedAt,
      table.id,
      table.title,
      table.client,
      table.start,
      table.due,
      table.version,
    ),
  ],
);

/** Every edit of a plan with its inverse: the memory of undo and redo, and of what changed since a version. */
export const edits = sqliteTable(
  "edits",
  {
    /** made by the client, so that an edit sent twice is made once */
    id: text("id").primaryKey(),
    planId: text("plan_id")
      .notNull()
      .references(() => plans.id, { onDelete: "cascade" }),
    /** the version that this edit, or its last undo or redo, made */
    version: integer("version").notNull(),
    /** order of the edits of a plan, for undo */
    place: integer("place").notNull(),
    label: text("label").notNull(),
    commands: text("commands", { mode: "json" }).notNull(),
    inverse: text("inverse", { mode: "json" }).notNull(),
    state: text("state", { enum: ["done", "undone", "dropped"] }).notNull(),
    at: integer("at", { mode: "timestamp_ms" }).notNull(),
  },
  (table) => [index("edits_by_plan").on(table.planId, table.place)],
);

/** Photos of real boards to compare with the prediction, and of whole pieces to lay it on; re-encoded. Removed ones can be restored. */
export const photos = sqliteTable(
  "photos",
  {
    id: text("id").primaryKey(),
    planId: text("plan_id")
      .notNull()
      .references(() => plans.id, { onDelete: "cascade" }),
    kind: text("kind", { enum: ["board", "piece"] })
      .notNull()
      .default("board"),
    /** the zone of a board, or the piece */
    zoneId: text("zone_id").notNull(),
    /** the step after which it was taken; null for the finished board */
    stepId: text("step_id"),
    note: text("note").notNull(),
    width: integer("width").notNull(),
    height: integer("height").notNull(),
    jpeg: blob("jpeg", { mode: "buffer" }).notNull(),
    at: integer("at", { mode: "timestamp_ms" }).notNull(),
    removedAt: integer("removed_at", { mode: "timestamp_ms" }),
  },
  (table) => [index("photos_by_plan").on(table.planId, table.at)],
);

/** What all jobs share: hours, painters, places. Every version is a row, the latest counts. */
export const shops = sqliteTable("shops", {
  version: integer("version").primaryKey(),
  label: text("label").notNull(),
  document: text("document", { mode: "json" }).notNull(),
  at: integer("at", { mode: "timestamp_ms" }).notNull(),
});

/** What the shop buys where, and how it works out a price. Every version is a row, the latest counts. */
export const shelfBooks = sqliteTable("shelf_books", {
  version: integer("version").primaryKey(),
  label: text("label").notNull(),
  document: text("document", { mode: "json" }).notNull(),
  at: integer("at", { mode: "timestamp_ms" }).notNull(),
});

/** Everything that happened to what stands on the shelf. Nothing is ever deleted: what was wrong is taken back. */
export const movements = sqliteTable(
  "movements",
  {
    /** in the order they were written down */
    place: integer("place").primaryKey({ autoIncrement: true }),
    /** made by the client, so that a movement sent twice is made once */
    id: text("id").notNull().unique(),
    /** what was written down together, and is taken back together */
    batch: text("batch").notNull(),
    label: text("label").notNull(),
    document: text("document", { mode: "json" }).notNull(),
    writtenAt: integer("written_at", { mode: "timestamp_ms" }).notNull(),
    takenBackAt: integer("taken_back_at", { mode: "timestamp_ms" }),
  },
  (table) => [index("movements_by_batch").on(table.batch)],
);

/** Plans of work: the one that is kept, one that is offered instead, one in which an idea is tried, and a few that were kept before. */
export const plansOfWork = sqliteTable("plans_of_work", {
  id: integer("id").primaryKey({ autoIncrement: true }),
  state: text("state", { enum: ["kept", "offered", "tried", "past"] }).notNull(),
  /** of the jobs and the shop that it was made from: with the same it need not be made again */
  key: text("key").notNull(),
  /** versions of the shop and of the jobs, how often it was looked at, and the idea that is tried in it */
  madeFrom: text("made_from", { mode: "json" }).notNull(),
  /** what it changes, for one that is offered */
  changes: text("changes", { mode: "json" }).notNull(),
  at: integer("at", { mode: "timestamp_ms" }).notNull(),
});

/** What a plan of work holds of each job. */
export const jobPlans = sqliteTable(
  "job_plans",
  {
    planOfWork: integer("plan_of_work")
      .notNull()
      .references(() => plansOfWork.id, { onDelete: "cascade" }),
    planId: text("plan_id").notNull(),
    /** planned with the others, or only tried among them */
    kind: text("kind", { enum: ["planned", "tried"] }).notNull(),
    document: text("document", { mode: "json" }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.planOfWork, table.planId] })],
);

/** Who is making a plan of work, of all programs that use these data, and how far it is: one row at most. */
export const planning = sqliteTable("planning", {
  id: integer("id").primaryKey(),
  /** different for every run; null where nobody is at it */
  owner: text("owner"),
  /** the last sign of life */
  beat: integer("beat", { mode: "timestamp_ms" }).notNull(),
  looks: integer("looks").notNull(),
  of: integer("of").notNull(),
  /** it is to stop */
  calledOff: integer("called_off", { mode: "boolean" }).notNull(),
  /** the key of what is not planned until somebody asks: it was called off, or could not be planned */
  left: text("left"),
  /** why it could not be planned */
  trouble: text("trouble"),
});

/** The ledger of every job: lines are only ever added, in the order in which they came in. */
export const ledgerLines = sqliteTable(
  "ledger_lines",
  {
    place: integer("place").primaryKey({ autoIncrement: true }),
    /** made where it was written, so that a line handed in twice is kept once */
    id: text("id").notNull().unique(),
    planId: text("plan_id")
      .notNull()
      .references(() => plans.id, { onDelete: "cascade" }),
    /** when it happened, by the shop's clock */
    at: integer("at", { mode: "timestamp_ms" }).notNull(),
    /** when it came in */
    cameAt: integer("came_at", { mode: "timestamp_ms" }).notNull(),
    /** what the device's own clock said, where that was another time */
    claimedAt: integer("claimed_at", { mode: "timestamp_ms" }),
    document: text("document", { mode: "json" }).notNull(),
    /** what it changed of what lay ahead, in a sentence */
    changed: text("changed"),
  },
  (table) => [index("ledger_lines_by_plan").on(table.planId, table.place)],
);

/** Devices that were let in: a phone or a tablet of the shop. One that was put out stays on the list. */
export const devices = sqliteTable("devices", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  role: text("role", { enum: ["owner", "hand", "looker-on"] }).notNull(),
  pairedAt: integer("paired_at", { mode: "timestamp_ms" }).notNull(),
  seenAt: integer("seen_at", { mode: "timestamp_ms" }).notNull(),
  putOutAt: integer("put_out_at", { mode: "timestamp_ms" }),
});

/** Codes by which a device is let in, each once and for a few minutes; only their digest is kept. */
export const pairingCodes = sqliteTable("pairing_codes", {
  digest: text("digest").primaryKey(),
  role: text("role", { enum: ["owner", "hand", "looker-on"] }).notNull(),
  madeAt: integer("made_at", { mode: "timestamp_ms" }).notNull(),
  endsAt: integer("ends_at", { mode: "timestamp_ms" }).notNull(),
  usedAt: integer("used_at", { mode: "timestamp_ms" }),
});

/** What is practised in the trainer: how well it sits, and when it comes back. */
export const drillCards = sqliteTable("drill_cards", {
  drillId: text("drill_id").primaryKey(),
  kind: text("kind").notNull(),
  family: text("family").notNull(),
  /** the memory of the schedule of repetition, as its library keeps it */
  card: text("card", { mode: "json" }).notNull(),
  seen: integer("seen").notNull(),
  right: integer("right").notNull(),
  due: integer("due", { mode: "timestamp_ms" }).notNull(),
});

/** Every answer in the trainer, once. */
export const drillAnswers = sqliteTable(
  "drill_answers",
  {
    id: text("id").primaryKey(),
    drillId: text("drill_id").notNull(),
    at: integer("at", { mode: "timestamp_ms" }).notNull(),
    seconds: integer("seconds").notNull(),
    right: integer("right", { mode: "boolean" }).notNull(),
  },
  (table) => [index("drill_answers_by_time").on(table.at)],
);
