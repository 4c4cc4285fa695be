import { randomBytes } from "node:crypto";
import { Writable } from "node:stream";
import { renderToPipeableStream } from "react-dom/server";
import { type EntryContext, ServerRouter } from "react-router";
import { contentPolicy, PLAIN_HEADERS } from "./http/security.server";

export { bookkeeping } from "./http/bookkeeping.server";

/** Renders the whole page before it is sent, with a fresh nonce for its scripts. What takes too long the front ends. */
export default function handleRequest(request: Request, status: number, headers: Headers, context: EntryContext) {
  const nonce = randomBytes(16).toString("base64");
  let responseStatus = status;
  return new Promise<Response>((resolve, reject) => {
    const { pipe } = renderToPipeableStream(<ServerRouter context={context} url={request.url} nonce={nonce} />, {
      nonce,
      // a page is in its place before any script runs, however long it is
      progressiveChunkSize: Number.POSITIVE_INFINITY,
      onAllReady() {
        headers.set("Content-Type", "text/html; charset=utf-8");
        headers.set("Content-Security-Policy", contentPolicy(nonce));
        // a page shows one version of a job: going back to it must not show an older one
        headers.set("Cache-Control", "no-store");
        for (const [name, value] of Object.entries(PLAIN_HEADERS)) headers.set(name, value);
        const parts: Buffer[] = [];
        pipe(
          new Writable({
            write(part, _, done) {
              parts.push(part);
              done();
            },
            final(done) {
              resolve(new Response(Buffer.concat(parts), { headers, status: responseStatus }));
              done();
            },
          }),
        );
      },
      onShellError: reject,
      onError(error) {
        responseStatus = 500;
        console.error(error);
      },
    });
  });
}
