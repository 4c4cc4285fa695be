import { blob, index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";

/** One plan, as its whole document, with the figures the jobs list shows beside it. */
export const plans = sqliteTable(
  "plans",
  {
    id: text("id").primaryKey(),
    title: text("title").notNull(),
    client: text("client"),
    /** counts every write; a write based on another version is refused */
    version: integer("version").notNull(),
    document: text("document", { mode: "json" }).notNull(),
    summary: text("summary", { mode: "json" }).notNull(),
    /** the version that the summary is of */
    summarised: integer("summarised").notNull().default(0),
    createdAt: integer("created_at", { mode: "timestamp_ms" }).notNull(),
    updatedAt: integer("updated_at", { mode: "timestamp_ms" }).notNull(),
    removedAt: integer("removed_at", { mode: "timestamp_ms" }),
  },
  (table) => [index("plans_by_update").on(table.removedAt, table.updatedAt)],
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

/** Photos of real boards, re-encoded, to compare with the prediction. Removed ones can be restored. */
export const photos = sqliteTable(
  "photos",
  {
    id: text("id").primaryKey(),
    planId: text("plan_id")
      .notNull()
      .references(() => plans.id, { onDelete: "cascade" }),
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
