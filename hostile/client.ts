import { type IncomingMessage, type RequestOptions, request } from "node:http";

/** What came back: its status, its headers, its text, and how long it took in milliseconds. */
export interface Reply {
  status: number;
  headers: IncomingMessage["headers"];
  text: string;
  took: number;
}

export interface Ask {
  method?: string;
  headers?: Record<string, string>;
  body?: string | Buffer;
  /** sends the body in pieces, without saying how long it is */
  chunked?: boolean;
  timeout?: number;
}

/** Asks a server of this machine by the plain client, which sends any method, host and header. Never throws: status 0 is a connection that broke. */
export function ask(
  address: string,
  path: string,
  { method = "GET", headers = {}, body, chunked, timeout = 60_000 }: Ask = {},
): Promise<Reply> {
  const { hostname, port } = new URL(address);
  const began = performance.now();
  return new Promise((resolve) => {
    const broken = (because: string) =>
      resolve({ status: 0, headers: {}, text: because, took: performance.now() - began });
    const length: Record<string, string> =
      body === undefined || chunked ? {} : { "Content-Length": String(Buffer.byteLength(body)) };
    const options: RequestOptions = {
      hostname,
      port,
      path,
      method,
      headers: { ...length, ...headers },
      timeout,
      agent: false,
    };
    const sent = request(options, (response) => {
      const parts: Buffer[] = [];
      response.on("data", (part: Buffer) => parts.push(part));
      response.on("error", () => broken("the answer broke off"));
      response.on("end", () =>
        resolve({
          status: response.statusCode ?? 0,
          headers: response.headers,
          text: Buffer.concat(parts).toString("utf8"),
          took: performance.now() - began,
        }),
      );
    });
    sent.on("timeout", () => sent.destroy(new Error("timed out")));
    sent.on("error", (error) => broken(error.message));
    if (body !== undefined && chunked)
      for (let at = 0; at < body.length; at += 65_536) sent.write(body.slice(at, at + 65_536));
    else if (body !== undefined) sent.write(body);
    sent.end();
  });
}

/** Headers of a page of the tool's own. */
export const ownPage = (address: string): Record<string, string> => ({
  "Sec-Fetch-Site": "same-origin",
  Origin: address,
});

/** Sends a crust file to the jobs list as its form would; answers the address of the new job. */
export async function importPlan(address: string, text: string): Promise<Reply> {
  const edge = "crust-edge";
  const field = (name: string, value: string, file = "") =>
    `--${edge}\r\nContent-Disposition: form-data; name="${name}"${file}\r\n\r\n${value}\r\n`;
  const body = `${field("token", `t${Date.now()}${Math.random().toString(36).slice(2, 8)}`)}${field("do", "import")}${field("file", text, '; filename="a.crust.json"\r\nContent-Type: application/json')}--${edge}--\r\n`;
  return ask(address, "/?index", {
    method: "POST",
    headers: { ...ownPage(address), "Content-Type": `multipart/form-data; boundary=${edge}` },
    body,
  });
}

/** Gives the dough bin another title, as its page would; answers what came of it. */
export async function rename(address: string, base: number, title: string) {
  const { status, text } = await ask(address, "/jobs/dough-bin/edit", {
    method: "POST",
    headers: { ...ownPage(address), "Content-Type": "application/json" },
    body: JSON.stringify({
      base,
      id: `edit-${title.replaceAll(/\W/g, "-")}`,
      label: title,
      commands: [{ do: "set job", patch: { title, client: null, due: null } }],
    }),
  });
  const came = text.startsWith("{") ? (JSON.parse(text) as { is: string; version: number }) : null;
  return { is: came?.is ?? `status ${status}`, version: came?.version ?? 0, title };
}
