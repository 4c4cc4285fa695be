import { randomUUID } from "node:crypto";
import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import { setTimeout as pause } from "node:timers/promises";
import { LRUCache } from "lru-cache";
import sirv from "sirv";
import { markOf } from "#db/file-identity";
import { placeFrom } from "#db/place";
import { DOOR, DOOR_TOKEN, deviceIn } from "../app/http/access.server";
import { ALLOWED, bodyLimit, type Refusal, refusalOf, tooLarge } from "../app/http/guard.server";
import { plainPage } from "../app/http/plain-page";
import { PLAIN_HEADERS } from "../app/http/security.server";
import type { AnswerMessage, ChoreMessage } from "./messages";
import { type Job, type Lane, type Outcome, Pool, type PoolOptions } from "./pool";

// The front: reads requests, refuses those it should not answer, serves files, and has everything else done at a desk. It never
// works anything out itself, so it always has time for the next request.

/** For a machine of two cores: one can be busy with slow work, and the other always has time for a page. */
const DESKS = { quick: 2, slow: 1, summaries: 1, planning: 1 };
/** How long a page is waited for before the painter sees that it is still being worked out. */
const PATIENCE = 2500;
/** How long anything may take at all. */
const DEADLINE = 25_000;
/** How long planning the shop's work may take: it is called off before if somebody says so. */
const PLANNING_DEADLINE = 600_000;
/** How long is waited for another program that plans the same shop. */
const PLAN_AGAIN = 2000;
/** How long writing must pause before the list is brought up to date. */
const REST = 400;
/** How long an answer that came too late is kept for the page that asks again. */
const KEPT = 60_000;
/** Work that takes longer than this waits in the slow queue. */
const SLOW_FROM = 500;
/** How much of the time of an earlier answer is still expected of the next, if that took less. */
const FADES = 0.5;
/** Jobs with this many coats count as slow until their real time is known. */
const WEIGHTY = 600;
/** A file of this size takes long to read and check. */
const LARGE_BODY = 150_000;
/** Board pictures that one caller may have waiting. */
const MOST_BOARDS = 4;
const MOST_REMEMBERED = 2000;
/** How often it is looked whether today's copy of the shop has been made, and when first. */
const COPY_EVERY = 3_600_000;
const FIRST_COPY = 30_000;

const NEVER: Refusal = {
  status: 503,
  title: "This is taking too long to work out",
  says: "The plan is unchanged, and the other jobs are not affected. Open it again in a minute; if it still takes too long, split it into two jobs.",
};
/** What the jobs list says of such a job. */
const UNWORKED =
  "This takes too long to work out. It is tried again when the shop is next opened; if that does not help, split it into two jobs.";
const FULL: Refusal = {
  status: 503,
  title: "Jolly Crust is busy",
  says: "It is still working out other pages. Nothing was changed; try again in a few seconds.",
};
const MANY_BOARDS: Refusal = {
  status: 429,
  title: "Several boards are already being drawn",
  says: "Wait until they appear, then open the next.",
};
const NOT_PAIRED: Refusal = {
  status: 401,
  title: "This device is not paired",
  says: "Pair it with a code from the main machine, at /pair.",
};
const TOO_MANY_TRIES: Refusal = {
  status: 429,
  title: "Too many wrong codes",
  says: "Wait ten minutes, then make a new code on the main machine.",
};
const BROKEN: Refusal = {
  status: 500,
  title: "Something went wrong",
  says: "Nothing that was saved is lost. Reload the page; if it fails again, export the job from the jobs list and restart the tool.",
};

const pathOf = (target: string) => target.split("?", 1)[0]!;

/** The job that a path is about; null for what is about none or all. */
const THE_SHOP = "the whole shop";
const subjectOf = (path: string): string | null => {
  const id = /^\/jobs\/([A-Za-z0-9_-]+)/.exec(path)?.[1] ?? null;
  return id === "new" ? null : (id ?? (/^\/days(\.ics|\.data)?$/.test(path) ? THE_SHOP : null));
};

const isBoard = (path: string) => path.endsWith("/board.png") || path.endsWith("/photo.jpg");

function send(response: ServerResponse, status: number, headers: [string, string][], body: Uint8Array | string) {
  if (response.headersSent || response.destroyed) return;
  for (const [name, value] of Object.entries(PLAIN_HEADERS)) response.setHeader(name, value);
  for (const [name, value] of headers)
    if (name === "set-cookie") response.appendHeader(name, value);
    else response.setHeader(name, value);
  if (!response.hasHeader("Cache-Control")) response.setHeader("Cache-Control", "no-store");
  if (!response.hasHeader("Content-Security-Policy"))
    response.setHeader(
      "Content-Security-Policy",
      "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'",
    );
  if (status !== 304 && status !== 204) response.setHeader("Content-Length", Buffer.byteLength(body));
  response.writeHead(status);
  response.end(body);
}

/** A refusal in the form that was asked for: a page, two lines of text for a script, or the answer to an edit. */
function refuse(request: IncomingMessage, response: ServerResponse, refusal: Refusal) {
  const { status, title, says } = refusal;
  const path = pathOf(request.url ?? "/");
  const extra: [string, string][] = [];
  if (status === 405) extra.push(["Allow", ALLOWED]);
  if (status === 503 || status === 429) extra.push(["Retry-After", "3"]);
  if (status === 413) extra.push(["Connection", "close"]);
  if (path.endsWith("/edit"))
    send(
      response,
      status,
      [...extra, ["Content-Type", "application/json"]],
      JSON.stringify({ is: status === 503 ? "unsaved" : "refused", because: says }),
    );
  else if (path.endsWith(".data") || !request.headers.accept?.includes("text/html"))
    send(response, status, [...extra, ["Content-Type", "text/plain; charset=utf-8"]], `${title}\n${says}\n`);
  else send(response, status, [...extra, ["Content-Type", "text/html; charset=utf-8"]], plainPage(refusal));
}

/** The whole body, or null if it is larger than its path accepts. */
function readBody(request: IncomingMessage, limit: number): Promise<ArrayBuffer | null> {
  return new Promise((resolve, reject) => {
    const parts: Buffer[] = [];
    let size = 0;
    request.on("data", (part: Buffer) => {
      size += part.length;
      if (size > limit) {
        // the rest is not read: the connection is closed with the answer
        request.pause();
        resolve(null);
      } else parts.push(part);
    });
    request.on("end", () => {
      const body = new ArrayBuffer(size);
      const bytes = new Uint8Array(body);
      let at = 0;
      for (const part of parts) {
        bytes.set(part, at);
        at += part.length;
      }
      resolve(body);
    });
    request.on("error", reject);
    request.on("aborted", () => reject(new Error("aborted")));
  });
}

export interface FrontOptions {
  spawn: PoolOptions["spawn"];
  /** folder of the files that the pages load */
  files: string;
  /** what a press in the app does to open the shop to its network */
  openNetwork?: () => void;
  desks?: PoolOptions["desks"];
  patience?: number;
  deadline?: number;
}

export interface Front {
  server: Server;
  /** answers what came in by the network, under one of these names */
  fromNetwork(request: IncomingMessage, response: ServerResponse, own: readonly string[]): void;
  close(): Promise<void>;
}

/** Wrong codes from one address, and from all together, in so many milliseconds. */
const TRIES = { each: 5, all: 40, within: 10 * 60_000 };

/** Counts who tried a wrong code, so that nobody can try them all. */
class Knocks {
  private readonly wrong: { caller: string; at: number }[] = [];

  mayTry(caller: string, now = Date.now()): boolean {
    while (this.wrong.length > 0 && this.wrong[0]!.at < now - TRIES.within) this.wrong.shift();
    return this.wrong.length < TRIES.all && this.wrong.filter((one) => one.caller === caller).length < TRIES.each;
  }

  failed(caller: string, now = Date.now()) {
    this.wrong.push({ caller, at: now });
  }
}

/** What is being written, and has been: a page that is asked for after an edit never shows the job as it was before. */
class Writes {
  private readonly running = new Map<string, number>();
  private readonly done = new LRUCache<string, number>({ max: MOST_REMEMBERED });
  private ofTheShop = 0;
  private waiting: (() => void)[] = [];

  begin(subject: string) {
    this.running.set(subject, (this.running.get(subject) ?? 0) + 1);
  }

  end(subject: string) {
    const left = (this.running.get(subject) ?? 1) - 1;
    if (left > 0) this.running.set(subject, left);
    else this.running.delete(subject);
    if (subject === THE_SHOP) this.ofTheShop++;
    for (const about of new Set([subject, THE_SHOP])) this.done.set(about, (this.done.get(about) ?? 0) + 1);
    for (const look of this.waiting) look();
  }

  /** How many there have been that may concern it: a page made at another count may be of another version. */
  countOf(subject: string): number {
    return (this.done.get(subject) ?? 0) + this.ofTheShop;
  }

  /** When what is being written of it has been, or at once; never later than a page is waited for. */
  over(subject: string, patience: number): Promise<void> {
    if (!this.running.has(subject)) return Promise.resolve();
    return new Promise((resolve) => {
      const end = () => {
        clearTimeout(timer);
        this.waiting = this.waiting.filter((other) => other !== look);
        resolve();
      };
      const look = () => {
        if (!this.running.has(subject)) end();
      };
      const timer = setTimeout(end, patience);
      this.waiting.push(look);
    });
  }
}

/** An answer that came after the painter was asked to wait; null where none ever came. */
interface LateAnswer {
  answer: AnswerMessage | null;
  until: number;
  /** what had been written when it was begun, and to which file */
  written: string;
}

class ShopFront {
  readonly pool: Pool;
  private readonly files: ReturnType<typeof sirv>;
  private readonly patience: number;
  private readonly deadline: number;
  /** milliseconds that answers about a subject took, weighted to the latest */
  private readonly took = new LRUCache<string, number>({ max: MOST_REMEMBERED });
  private readonly weights = new LRUCache<string, number>({ max: MOST_REMEMBERED });
  private readonly knocks = new Knocks();
  /** answers that came after the painter was asked to wait, and addresses that never finished */
  private readonly late = new LRUCache<string, LateAnswer>({ max: MOST_REMEMBERED });
  private readonly writes = new Writes();
  /** the embedded database; another may be put in its place while the shop is open */
  private readonly database = placeFrom(process.env).file;
  private readonly boards = new Map<string, number>();
  private readonly toSummarise = new Set<string>();
  private summarising = false;
  private readonly toPlan: { looks: number | null; idea: string | null; again: boolean }[] = [];
  private planning = false;
  private closed = false;
  private soon: NodeJS.Timeout | undefined;
  private copies: NodeJS.Timeout | undefined;

  constructor({ spawn, files, openNetwork, desks = DESKS, patience = PATIENCE, deadline = DEADLINE }: FrontOptions) {
    this.patience = patience;
    this.deadline = deadline;
    this.files = sirv(files, {
      etag: true,
      gzip: true,
      dotfiles: false,
      setHeaders: (response, path) => {
        for (const [name, value] of Object.entries(PLAIN_HEADERS)) response.setHeader(name, value);
        response.setHeader("Content-Security-Policy", "frame-ancestors 'none'");
        response.setHeader(
          "Cache-Control",
          path.startsWith("/assets/")
            ? "public, max-age=31536000, immutable"
            : path === "/offline.js"
              ? "no-cache"
              : "public, max-age=3600",
        );
      },
    });
    this.pool = new Pool({
      spawn,
      desks,
      spare: 4,
      waiting: { quick: 200, slow: 24, summaries: 4, planning: 4 },
      onNote: (note) => {
        if (note.kind === "network") {
          openNetwork?.();
          return;
        }
        if (note.kind === "plan") {
          this.toPlan.push({ looks: note.looks, idea: note.idea, again: true });
          void this.planAll();
          return;
        }
        const { planId, weight } = note;
        if (planId !== null) {
          if (weight !== null) this.weights.set(planId, weight);
          this.toSummarise.add(planId);
        }
        this.summariseSoon();
      },
      onTook: ({ subject, message }, milliseconds) => {
        // pictures and summaries take long by nature, and say nothing of how long the pages of the job do
        if (message.kind !== "request" || isBoard(new URL(message.url).pathname)) return;
        // what was slow stays slow for a while: a page made from kept results says little about the next
        if (subject !== null) this.took.set(subject, Math.max(milliseconds, FADES * (this.took.get(subject) ?? 0)));
      },
    });
  }

  /** Learns which jobs are heavy and which summaries are missing. */
  async begin() {
    const heavy = await this.chore("weighty", []);
    if (Array.isArray(heavy)) for (const { id, phases } of heavy) this.weights.set(String(id), Number(phases));
    const pending = await this.chore("pending", [], "summaries");
    if (Array.isArray(pending)) for (const id of pending) this.toSummarise.add(String(id));
    void this.summariseAll();
    // a copy a day, whenever the shop is open on it
    const copy = () => void this.chore("copy", [], "slow");
    this.copies = setInterval(copy, COPY_EVERY);
    this.copies.unref();
    setTimeout(copy, FIRST_COPY).unref();
  }

  private async chore(chore: ChoreMessage["chore"], words: string[], lane: Lane = "quick"): Promise<unknown> {
    const outcome = await this.pool.run({
      message: { kind: "chore", chore, words },
      subject: words[0] ?? null,
      lane,
      deadline: lane === "planning" ? PLANNING_DEADLINE : this.deadline,
    });
    return outcome.is === "done" ? outcome.value : outcome.is;
  }

  /** Summaries of saved jobs are worked out when the writing pauses, one after another, beside the pages. */
  private summariseSoon() {
    clearTimeout(this.soon);
    this.soon = setTimeout(() => void this.summariseAll(), REST);
  }

  private async summariseAll() {
    if (this.summarising) return;
    this.summarising = true;
    for (const planId of this.toSummarise) {
      this.toSummarise.delete(planId);
      const came = await this.chore("summarise", [planId], "summaries");
      if (came === "ended") await this.chore("failed", [planId, UNWORKED]);
    }
    this.summarising = false;
    this.toPlan.push({ looks: null, idea: null, again: false });
    void this.planAll();
  }

  /** The shop's work is planned at a desk of its own, one question after another; the same question is asked once. */
  private async planAll() {
    if (this.planning) return;
    this.planning = true;
    for (let asked = this.toPlan.shift(); asked && !this.closed; asked = this.toPlan.shift()) {
      const { looks, idea, again } = asked;
      const isSame = (one: typeof asked) => one?.looks === looks && one?.idea === idea && one?.again === again;
      while (this.toPlan.some(isSame)) this.toPlan.splice(this.toPlan.findIndex(isSame), 1);
      const owner = randomUUID();
      const words = [owner, String(looks ?? ""), idea ?? "", again ? "again" : ""];
      const came = await this.chore("makePlan", words, "planning");
      if (came === "ended" && !this.closed) await this.chore("planningEnded", [owner]);
      if (came !== "busy") continue;
      // another program is at it: what it plans may be of the jobs as they were before
      this.toPlan.push(asked);
      await pause(PLAN_AGAIN, undefined, { ref: false });
    }
    this.planning = false;
  }

  async close() {
    this.closed = true;
    clearTimeout(this.soon);
    clearInterval(this.copies);
    await this.pool.close();
  }

  private isSlow(subject: string | null, path: string): boolean {
    if (isBoard(path)) return true;
    if (subject === null) return false;
    return (this.weights.get(subject) ?? 0) >= WEIGHTY || (this.took.get(subject) ?? 0) > SLOW_FROM;
  }

  /** By the network comes in who is let in, or who knocks at the page for that, a few times. */
  private async admit(request: IncomingMessage, response: ServerResponse, target: string): Promise<boolean> {
    request.headers[DOOR] = process.env[DOOR_TOKEN];
    if (pathOf(target) === "/pair") {
      if (request.method !== "POST") return true;
      const caller = request.socket.remoteAddress ?? "";
      if (this.knocks.mayTry(caller)) {
        response.once("finish", () => {
          if (response.statusCode === 403) this.knocks.failed(caller);
        });
        return true;
      }
      refuse(request, response, TOO_MANY_TRIES);
      return false;
    }
    if ((await deviceIn(request.headers.cookie)) !== null) return true;
    const isPage = request.method === "GET" && request.headers.accept?.includes("text/html");
    if (isPage) send(response, 303, [["Location", "/pair"]], "");
    else refuse(request, response, NOT_PAIRED);
    return false;
  }

  async answer(request: IncomingMessage, response: ServerResponse, own?: readonly string[]): Promise<void> {
    const target = request.url ?? "/";
    const method = request.method ?? "GET";
    // who says so must be the front itself
    delete request.headers[DOOR];
    const refusal = refusalOf({ method, target, header: (name) => headerOf(request, name), ...(own ? { own } : {}) });
    if (refusal) return refuse(request, response, refusal);
    if (own && !(await this.admit(request, response, target))) return;
    if (method === "OPTIONS") return send(response, 204, [["Allow", ALLOWED]], "");
    if (method === "POST") return this.write(request, response, target);
    const isFile = await new Promise<boolean>((resolve) => {
      response.once("finish", () => resolve(true));
      response.once("close", () => resolve(true));
      this.files(request, response, () => resolve(false));
    });
    if (isFile) return;
    return this.page(request, response, target, method);
  }

  private job(request: IncomingMessage, target: string, method: string, body: ArrayBuffer | null): Job {
    const path = pathOf(target);
    const subject = subjectOf(path);
    const headers = Object.entries(request.headers).flatMap(([name, value]): [string, string][] =>
      value === undefined || name === "content-length" || name === "transfer-encoding"
        ? []
        : [[name, Array.isArray(value) ? value.join(", ") : value]],
    );
    return {
      message: { kind: "request", method, url: `http://${request.headers.host}${target}`, headers, body },
      subject,
      lane: (method === "POST" ? body !== null && body.byteLength > LARGE_BODY : this.isSlow(subject, path))
        ? "slow"
        : "quick",
      deadline: this.deadline,
      beforehand: request.headers["sec-purpose"]?.includes("prefetch") ?? false,
    };
  }

  private async write(request: IncomingMessage, response: ServerResponse, target: string) {
    const limit = bodyLimit(target);
    if (Number(request.headers["content-length"] ?? 0) > limit) return refuse(request, response, tooLarge(limit));
    const body = await readBody(request, limit).catch(() => undefined);
    if (body === undefined) {
      response.destroy();
      return;
    }
    if (body === null) return refuse(request, response, tooLarge(limit));
    const subject = subjectOf(pathOf(target)) ?? THE_SHOP;
    this.writes.begin(subject);
    const outcome = await this.pool.run(this.job(request, target, "POST", body));
    this.writes.end(subject);
    this.give(request, response, outcome);
  }

  private async page(request: IncomingMessage, response: ServerResponse, target: string, method: string) {
    const path = pathOf(target);
    const about = subjectOf(path) ?? THE_SHOP;
    await this.writes.over(about, this.patience);
    if (response.destroyed) return;
    const written = `${this.writes.countOf(about)} ${this.database && markOf(this.database)}`;
    const before = this.late.get(target);
    if (before && before.until > Date.now() && before.written === written) {
      if (before.answer) {
        this.late.delete(target);
        return this.give(request, response, { is: "answered", answer: before.answer });
      }
      return refuse(request, response, NEVER);
    }
    this.late.delete(target);
    const caller = request.socket.remoteAddress ?? "";
    const board = isBoard(path);
    if (board) {
      const waiting = this.boards.get(caller) ?? 0;
      if (waiting >= MOST_BOARDS) return refuse(request, response, MANY_BOARDS);
      this.boards.set(caller, waiting + 1);
    }
    const away = new AbortController();
    response.once("close", () => response.writableFinished || away.abort());
    const work = this.pool.run(this.job(request, target, method, null), away.signal);
    if (board) void work.then(() => this.boards.set(caller, (this.boards.get(caller) ?? 1) - 1));
    const isPage = request.headers.accept?.includes("text/html") && !path.endsWith(".data");
    const subject = subjectOf(path);
    if (!isPage || subject === null || path.endsWith("/waiting")) return this.give(request, response, await work);
    const timer = new AbortController();
    const patience = new Promise<null>((resolve) => {
      const late = setTimeout(() => resolve(null), this.patience);
      timer.signal.addEventListener("abort", () => clearTimeout(late));
    });
    const outcome = await Promise.race([work, patience]);
    timer.abort();
    if (outcome) return this.give(request, response, outcome);
    void work.then((came) => {
      if (came.is === "full" || came.is === "left") return;
      this.late.set(target, { answer: came.is === "answered" ? came.answer : null, until: Date.now() + KEPT, written });
    });
    const to = encodeURIComponent(target);
    const waiting = subject === THE_SHOP ? `/waiting?to=${to}` : `/jobs/${subject}/waiting?to=${to}`;
    return send(response, 303, [["Location", waiting]], "");
  }

  private give(request: IncomingMessage, response: ServerResponse, outcome: Outcome) {
    if (outcome.is === "left") return;
    if (outcome.is === "answered") {
      const { status, headers, body } = outcome.answer;
      if (status === 500 && body.byteLength === 0) return refuse(request, response, BROKEN);
      return send(response, status, headers, request.method === "HEAD" ? "" : new Uint8Array(body));
    }
    return refuse(request, response, outcome.is === "full" ? FULL : NEVER);
  }
}

const headerOf = (request: IncomingMessage, name: string): string | null => {
  const value = request.headers[name.toLowerCase()];
  return (Array.isArray(value) ? value[0] : value) ?? null;
};

/**
 * How long, in milliseconds, a request may take to arrive, and how long a connection is kept for the next one: as long as one
 * looks at a page before the next press, so that a press hardly ever meets a connection just being closed.
 */
export const HTTP_TIMES = { requestTimeout: 60_000, headersTimeout: 15_000, keepAliveTimeout: 30_000 } as const;

/** The shop's server, not yet listening. */
export async function openFront(options: FrontOptions): Promise<Front> {
  const front = new ShopFront(options);
  const server = createServer(HTTP_TIMES, (request, response) => {
    response.on("error", () => undefined);
    front.answer(request, response).catch((error) => {
      console.error(error);
      refuse(request, response, BROKEN);
    });
  });
  server.maxConnections = 400;
  server.on("clientError", (_, socket) => socket.destroy());
  await front.begin();
  return {
    server,
    fromNetwork: (request, response, own) => {
      response.on("error", () => undefined);
      front.answer(request, response, own).catch((error) => {
        console.error(error);
        refuse(request, response, BROKEN);
      });
    },
    close: async () => {
      server.close();
      server.closeIdleConnections();
      await front.close();
    },
  };
}
