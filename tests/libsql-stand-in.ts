import { randomUUID } from "node:crypto";
import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";
import { setTimeout as pause } from "node:timers/promises";
import Database from "libsql";
import { z } from "zod";

// cspell:ignore conds
// A stand-in for a libSQL server: its published HTTP protocol (Hrana 2, as JSON: pipelines of requests on streams that
// batons carry on) over an embedded file. Just what the tool's client speaks; for trials and tests, on this machine only.

const Value = z.discriminatedUnion("type", [
  z.object({ type: z.literal("null") }),
  z.object({ type: z.literal("integer"), value: z.string() }),
  z.object({ type: z.literal("float"), value: z.number() }),
  z.object({ type: z.literal("text"), value: z.string() }),
  z.object({ type: z.literal("blob"), base64: z.string() }),
]);
type Value = z.infer<typeof Value>;

const Statement = z.object({
  sql: z.string().nullish(),
  sql_id: z.number().nullish(),
  args: z.array(Value).default([]),
  named_args: z.array(z.object({ name: z.string(), value: Value })).default([]),
  want_rows: z.boolean().default(true),
});
type Statement = z.infer<typeof Statement>;

type Condition =
  | { type: "ok"; step: number }
  | { type: "error"; step: number }
  | { type: "not"; cond: Condition }
  | { type: "and"; conds: Condition[] }
  | { type: "or"; conds: Condition[] }
  | { type: "is_autocommit" };
const Condition: z.ZodType<Condition> = z.lazy(() =>
  z.union([
    z.object({ type: z.literal("ok"), step: z.number() }),
    z.object({ type: z.literal("error"), step: z.number() }),
    z.object({ type: z.literal("not"), cond: Condition }),
    z.object({ type: z.literal("and"), conds: z.array(Condition) }),
    z.object({ type: z.literal("or"), conds: z.array(Condition) }),
    z.object({ type: z.literal("is_autocommit") }),
  ]),
);

const Request = z.discriminatedUnion("type", [
  z.object({ type: z.literal("close") }),
  z.object({ type: z.literal("execute"), stmt: Statement }),
  z.object({
    type: z.literal("batch"),
    batch: z.object({ steps: z.array(z.object({ condition: Condition.nullish(), stmt: Statement })) }),
  }),
  z.object({ type: z.literal("sequence"), sql: z.string().nullish(), sql_id: z.number().nullish() }),
  z.object({ type: z.literal("store_sql"), sql_id: z.number(), sql: z.string() }),
  z.object({ type: z.literal("close_sql"), sql_id: z.number() }),
]);
type Request = z.infer<typeof Request>;
const Pipeline = z.object({ baton: z.string().nullish(), requests: z.array(Request) });

/** How long one stream waits for another that is writing. */
const PATIENCE_MILLISECONDS = 5000;
const TRY_EVERY_MILLISECONDS = 5;
/** A stream that nobody carries on is ended, and what it had begun is undone. */
const FORGOTTEN_MILLISECONDS = 10_000;

interface Stream {
  connection: Database.Database;
  stored: Map<number, string>;
  timer: NodeJS.Timeout | null;
}

interface Failure {
  message: string;
  code: string;
}

const failureOf = (error: unknown): Failure => ({
  message: error instanceof Error ? error.message : String(error),
  code: error instanceof Error && "code" in error && typeof error.code === "string" ? error.code : "SQLITE_ERROR",
});
const isBusy = ({ code }: Failure) => /^SQLITE_(BUSY|LOCKED)/.test(code);

function bound(value: Value): unknown {
  if (value.type === "null") return null;
  if (value.type === "integer") return BigInt(value.value);
  return value.type === "blob" ? Buffer.from(value.base64, "base64") : value.value;
}

function answered(value: unknown): Value {
  if (value === null || value === undefined) return { type: "null" };
  if (typeof value === "bigint") return { type: "integer", value: String(value) };
  if (typeof value === "number") return { type: "float", value };
  if (typeof value === "string") return { type: "text", value };
  return { type: "blob", base64: Buffer.from(value as Uint8Array).toString("base64") };
}

export interface StandIn {
  url: string;
  /** requests answered so far */
  readonly answered: () => number;
  stop(): Promise<void>;
}

/** Serves an embedded file as a libSQL server would; every stream has a connection of its own. */
export async function startStandIn(file: string, token: string): Promise<StandIn> {
  const streams = new Map<string, Stream>();
  let count = 0;

  function open(): Stream {
    const connection = new Database(file);
    connection.exec("PRAGMA journal_mode = WAL; PRAGMA foreign_keys = ON; PRAGMA busy_timeout = 0");
    return { connection, stored: new Map(), timer: null };
  }

  /** Waits for others without holding up the thread, so that they can come to an end. */
  async function patiently<T>(work: () => T): Promise<T> {
    for (const until = performance.now() + PATIENCE_MILLISECONDS; ; await pause(TRY_EVERY_MILLISECONDS))
      try {
        return work();
      } catch (error) {
        if (!isBusy(failureOf(error)) || performance.now() >= until) throw error;
      }
  }

  async function execute({ connection, stored }: Stream, { sql, sql_id, args, named_args }: Statement) {
    // prepared once: another of the same that was refused before would keep its transaction from ending
    const statement = connection.prepare(sql ?? stored.get(sql_id ?? -1) ?? "").safeIntegers(true);
    const named = Object.fromEntries(named_args.map(({ name, value }) => [name.replace(/^[:@$]/, ""), bound(value)]));
    const given: unknown[] = named_args.length > 0 ? [named] : args.map(bound);
    if (!statement.reader) {
      const { changes, lastInsertRowid } = await patiently(() => statement.run(...given));
      return { cols: [], rows: [], affected_row_count: Number(changes), last_insert_rowid: String(lastInsertRowid) };
    }
    const rows = await patiently(() => statement.raw(true).all(...given) as unknown[][]);
    // read to the end, for the same reason
    const [changed] = connection.prepare("SELECT changes() AS many").all() as { many: number }[];
    return {
      cols: statement.columns().map(({ name, type }) => ({ name, decltype: type })),
      rows: rows.map((row) => row.map(answered)),
      affected_row_count: changed?.many ?? 0,
      last_insert_rowid: null,
    };
  }

  const holds = (stream: Stream, condition: Condition, results: unknown[], errors: unknown[]): boolean => {
    if (condition.type === "ok") return results[condition.step] !== null;
    if (condition.type === "error") return errors[condition.step] !== null;
    if (condition.type === "not") return !holds(stream, condition.cond, results, errors);
    if (condition.type === "is_autocommit") return !stream.connection.inTransaction;
    const each = condition.conds.map((cond) => holds(stream, cond, results, errors));
    return condition.type === "and" ? each.every(Boolean) : each.some(Boolean);
  };

  async function answer(stream: Stream, request: Request): Promise<object> {
    if (request.type === "execute") return { type: "execute", result: await execute(stream, request.stmt) };
    if (request.type === "sequence") {
      const sql = request.sql ?? stream.stored.get(request.sql_id ?? -1) ?? "";
      await patiently(() => stream.connection.exec(sql));
    }
    if (request.type === "store_sql") stream.stored.set(request.sql_id, request.sql);
    if (request.type === "close_sql") stream.stored.delete(request.sql_id);
    if (request.type !== "batch") return { type: request.type };
    const results: (object | null)[] = [];
    const errors: (Failure | null)[] = [];
    for (const { condition, stmt } of request.batch.steps) {
      let result: object | null = null;
      let failure: Failure | null = null;
      if (!condition || holds(stream, condition, results, errors))
        try {
          result = await execute(stream, stmt);
        } catch (error) {
          failure = failureOf(error);
        }
      results.push(result);
      errors.push(failure);
    }
    return { type: "batch", result: { step_results: results, step_errors: errors } };
  }

  function end({ connection, timer }: Stream) {
    if (timer) clearTimeout(timer);
    if (connection.inTransaction) connection.exec("ROLLBACK");
    connection.close();
  }

  async function pipeline(text: string) {
    const { baton, requests } = Pipeline.parse(JSON.parse(text));
    const stream = baton ? streams.get(baton) : open();
    if (!stream) return { status: 400, body: { message: "no such stream", code: "STREAM_EXPIRED" } };
    if (baton) streams.delete(baton);
    if (stream.timer) clearTimeout(stream.timer);
    const results: object[] = [];
    for (const request of requests)
      try {
        results.push({ type: "ok", response: await answer(stream, request) });
      } catch (error) {
        results.push({ type: "error", error: failureOf(error) });
      }
    count += requests.length;
    if (requests.some(({ type }) => type === "close")) {
      end(stream);
      return { status: 200, body: { baton: null, base_url: null, results } };
    }
    const next = randomUUID();
    streams.set(next, stream);
    stream.timer = setTimeout(() => {
      streams.delete(next);
      end(stream);
    }, FORGOTTEN_MILLISECONDS);
    return { status: 200, body: { baton: next, base_url: null, results } };
  }

  async function reply(request: IncomingMessage, response: ServerResponse) {
    const send = (status: number, body: object) => {
      response.writeHead(status, { "Content-Type": "application/json" });
      response.end(JSON.stringify(body));
    };
    if (request.headers.authorization !== `Bearer ${token}`)
      return send(401, { message: "the token is missing or wrong" });
    if (request.method === "GET" && request.url === "/v2") return send(200, {});
    if (request.method !== "POST" || request.url !== "/v2/pipeline") return send(404, { message: "not found" });
    const parts: Buffer[] = [];
    for await (const part of request) parts.push(part as Buffer);
    const { status, body } = await pipeline(Buffer.concat(parts).toString("utf8"));
    send(status, body);
  }

  const server: Server = createServer((request, response) => {
    reply(request, response).catch((error) => {
      response.writeHead(400, { "Content-Type": "application/json" });
      response.end(JSON.stringify(failureOf(error)));
    });
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    answered: () => count,
    async stop() {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      for (const stream of streams.values()) end(stream);
      streams.clear();
    },
  };
}
