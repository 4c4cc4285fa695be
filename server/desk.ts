import { setPriority } from "node:os";
import { promisify } from "node:util";
import { parentPort, workerData } from "node:worker_threads";
import { gzip } from "node:zlib";
import { createRequestHandler, type ServerBuild } from "react-router";
import { DOOR } from "../app/http/access.server";
import type { Bookkeeping } from "../app/http/bookkeeping.server";
import type { Refusal } from "../app/http/guard.server";
import { plainPage } from "../app/http/plain-page";
import type { AnswerMessage, AskMessage, ChoreMessage, FromDesk, ToDesk } from "./messages";
import { timesOfThisThread } from "./thread-times";

// A desk: one thread that answers pages, one request at a time. It may take as long as it likes; the front ends it when its
// time is up, and nobody else has waited for it.

/** Nice by so much: against a thread that is not, about a quarter of a processor. */
const LOWER = 5;

const port = parentPort!;
const { build: place, waitsForNobody } = workerData as { build: string; waitsForNobody: boolean };
// On Linux a thread has a priority of its own; elsewhere this would be that of the whole shop. A step lower is enough for edits to
// go first; far lower, a busy machine would leave it no processor while it holds the lock of the database, or for minutes.
if (waitsForNobody && process.platform === "linux") setPriority(LOWER);
const build = (await import(place)) as ServerBuild;
const handle = createRequestHandler(build, "production");
const { bookkeeping } = build.entry.module as unknown as { bookkeeping: Bookkeeping };
const compress = promisify(gzip);

const WORTH_COMPRESSING = 1400;
const COMPRESSIBLE = /^(text\/|application\/(json|javascript|.*\+json)|image\/svg)/;
const NO_BODY: ReadonlySet<number> = new Set([204, 205, 304]);

const say = (message: FromDesk, transfer: ArrayBuffer[] = []) => port.postMessage(message, transfer);

/** A copy with its own buffer, to be handed over whole. */
const owned = (bytes: Uint8Array): ArrayBuffer => {
  const copy = new ArrayBuffer(bytes.byteLength);
  new Uint8Array(copy).set(bytes);
  return copy;
};

async function answer({ id, method, url, headers, body }: AskMessage): Promise<AnswerMessage> {
  const asked = new Headers(headers);
  const request = new Request(url, { method, headers: asked, ...(body && body.byteLength > 0 ? { body } : {}) });
  const response = await handle(request);
  if (isRawRefusal(response, url) && !asked.get("Accept")?.includes("application/json"))
    return page(id, plainRefusal(response.status));
  const said = [...response.headers].filter(([name]) => name !== "content-length");
  let bytes = NO_BODY.has(response.status) ? new ArrayBuffer(0) : await response.arrayBuffer();
  // on this machine itself the way is shorter than the packing
  const accepts = asked.has(DOOR) && /\bgzip\b/.test(asked.get("Accept-Encoding") ?? "");
  const type = response.headers.get("Content-Type") ?? "";
  if (COMPRESSIBLE.test(type)) said.push(["vary", "Accept-Encoding"]);
  if (accepts && bytes.byteLength > WORTH_COMPRESSING && COMPRESSIBLE.test(type)) {
    bytes = owned(await compress(new Uint8Array(bytes), { level: 4 }));
    said.push(["content-encoding", "gzip"]);
  }
  return { kind: "answer", id, status: response.status, headers: said, body: bytes };
}

/** Where there is no page for what went wrong, the framework answers with its raw data; whoever asked for data gets it. */
function isRawRefusal({ status, headers }: Response, url: string): boolean {
  const { pathname } = new URL(url);
  const type = headers.get("Content-Type") ?? "application/json";
  return status >= 400 && type.startsWith("application/json") && !/(\/edit|\.data)$/.test(pathname);
}

function plainRefusal(status: number): Refusal {
  if (status === 404)
    return {
      status,
      title: "Page not found",
      says: "The address may be incomplete. You can reach everything from the jobs list.",
    };
  if (status < 500)
    return { status, title: "That cannot be done here", says: "Go back to the page you came from and try again." };
  return { status, title: "Something went wrong", says: "Nothing that was saved is lost. Reload the page." };
}

const page = (id: number, refusal: Refusal): AnswerMessage => ({
  kind: "answer",
  id,
  status: refusal.status,
  headers: [["content-type", "text/html; charset=utf-8"]],
  body: owned(new TextEncoder().encode(plainPage(refusal))),
});

/** Looks and idea, as words: empty where they are not said. */
const readAsked = ([looks = "", idea = "", again = ""]: readonly string[]) => ({
  ...(looks === "" ? {} : { looks: Number(looks) }),
  ...(idea === "" ? {} : { idea }),
  again: again === "again",
});

async function chore({ chore: name, words }: ChoreMessage): Promise<unknown> {
  switch (name) {
    case "pending":
      return bookkeeping.pending();
    case "weighty":
      return bookkeeping.weighty();
    case "summarise":
      return bookkeeping.summarise(words[0]!);
    case "failed":
      return bookkeeping.failed(words[0]!, words[1]!);
    case "makePlan":
      return bookkeeping.makePlan(words[0]!, readAsked(words.slice(1)));
    case "copy":
      return bookkeeping.copy();
    case "planningEnded":
      return bookkeeping.planningEnded(words[0]!);
  }
}

port.on("message", async (message: ToDesk) => {
  if (message.kind === "chore") {
    const value = await chore(message).catch((error) => {
      console.error(error);
      return null;
    });
    say({ kind: "done", id: message.id, value: value ?? true });
    return;
  }
  const done = await answer(message).catch((error): AnswerMessage => {
    console.error(error);
    return { kind: "answer", id: message.id, status: 500, headers: [], body: new ArrayBuffer(0) };
  });
  say(done, [done.body]);
});
await bookkeeping.open();
say({ kind: "ready", times: timesOfThisThread() });
