import { ask, ownPage } from "./client.ts";
import type { Trial } from "./trial.ts";

const PATHS = [
  "/",
  "/jobs/new",
  "/jobs/new?measures=own",
  "/train",
  "/days",
  "/days.ics",
  "/guide",
  "/keys",
  "/room-sensor",
  "/waiting?to=//evil.example",
  "/nowhere",
  ...[
    "",
    "/piece",
    "/crust",
    "/board",
    "/finish",
    "/look",
    "/days",
    "/shelf",
    "/mix",
    "/materials",
    "/house",
    "/edit",
    "/days.ics",
    "/wall",
  ].map((view) => `/jobs/ID${view}`),
  ...["/board.png?zone=back", "/photos/ID", "/palette.gpl", "/export", "/waiting", "/crust.data", "/edit.data"].map(
    (view) => `/jobs/ID${view}`,
  ),
];
const METHODS = ["GET", "HEAD", "POST", "PUT", "DELETE", "PATCH", "OPTIONS", "TRACE", "PROPFIND"];
const IDS = [
  "carved-settle",
  "no-such-job",
  "%00",
  "..%2f..%2fetc%2fpasswd",
  "%E0%A4%A",
  "a".repeat(300),
  "'%20OR%201=1",
  "%F0%9F%90%99",
];
const HOSTS = ["own", "evil.example", "localhost.evil.example", "0.0.0.0"];
const ORIGINS = ["own", "http://evil.example", "null", null];
const SITES = ["same-origin", "cross-site", null];
const BODIES: { name: string; type: string | null; body: string; chunked?: boolean }[] = [
  { name: "none", type: null, body: "" },
  { name: "a form", type: "application/x-www-form-urlencoded", body: "do=undo&base=1" },
  {
    name: "odd fields",
    type: "application/x-www-form-urlencoded",
    body: "do=%00&base=NaN&base=2&__proto__=1&planId=%FF",
  },
  { name: "JSON", type: "application/json", body: '{"base":1,"way":"undo"}' },
  { name: "half JSON", type: "application/json", body: '{"base":1,' },
  { name: "deep JSON", type: "application/json", body: "[".repeat(100_000) },
  {
    name: "half a multipart form",
    type: "multipart/form-data; boundary=x",
    body: '--x\r\nContent-Disposition: form-data; name="file"',
  },
  { name: "a multipart form without edge", type: "multipart/form-data", body: "hello" },
  { name: "XML", type: "text/xml", body: "<a/>" },
  { name: "bytes", type: "application/octet-stream", body: "\u0000\u0001\u0002" },
];

/** A body beyond every limit, sent in pieces without a length. */
const ENDLESS = "x".repeat(12_000_000);

/**
 * The matrix: every route with every method, host, origin, body and id. Nothing makes the server fail, and nothing
 * foreign is answered.
 */
export const routes: Trial = {
  name: "routes",
  says: "every route × method × host × origin × body × id",
  async run({ address, short, note }) {
    const own = new URL(address).host;
    let tried = 0;
    let faults = 0;
    let at = 0;
    const statuses = new Map<number, number>();
    const one = async (
      path: string,
      method: string,
      host: string,
      origin: string | null,
      site: string | null,
      body: (typeof BODIES)[number],
    ) => {
      const headers: Record<string, string> = {
        Host: host === "own" ? own : host,
        Accept: at % 2 ? "text/html" : "*/*",
      };
      if (origin !== null) headers.Origin = origin === "own" ? address : origin;
      if (site !== null) headers["Sec-Fetch-Site"] = site;
      if (body.type !== null) headers["Content-Type"] = body.type;
      const sent = method === "GET" || method === "HEAD" ? undefined : body.body;
      const {
        status,
        text,
        headers: said,
      } = await ask(address, path, { method, headers, body: sent, timeout: 30_000 });
      tried++;
      statuses.set(status, (statuses.get(status) ?? 0) + 1);
      const foreign =
        host !== "own" || (method === "POST" && (site === "cross-site" || (site === null && origin !== "own")));
      const wrong =
        status === 0
          ? `broke off (${text})`
          : status >= 500
            ? `answered ${status}`
            : foreign && status < 400
              ? `answered a foreign page with ${status}`
              : status !== 304 && said["x-content-type-options"] !== "nosniff"
                ? "came without its headers"
                : status >= 400 && /^\s*[{[]/.test(text) && !path.includes("/edit") && !path.includes(".data")
                  ? "was refused in raw data"
                  : null;
      if (wrong) {
        faults++;
        note(`${method} ${path} host ${host} origin ${origin} site ${site} body ${body.name}: ${wrong}`);
      }
    };
    const combinations: Parameters<typeof one>[] = [];
    for (const path of PATHS)
      for (const id of path.includes("ID") ? IDS : [""])
        for (const method of METHODS)
          for (const host of HOSTS)
            for (const origin of ORIGINS)
              for (const site of SITES)
                for (const body of method === "POST" ? BODIES : BODIES.slice(0, 1))
                  combinations.push([path.replaceAll("ID", id), method, host, origin, site, body]);
    // the short form takes a steady sample; a board takes seconds to draw and is requested only a few times
    const every = short ? 97 : 3;
    for (; at < combinations.length; at += every) {
      const combination = combinations[at]!;
      if (combination[0].includes("board.png?zone=back") && at % 50 !== 0) continue;
      await one(...combination);
    }
    for (const path of ["/", "/jobs/carved-settle/edit", "/jobs/carved-settle/board", "/jobs/new"]) {
      tried++;
      const before = process.memoryUsage().rss;
      const { status } = await ask(address, path, {
        method: "POST",
        headers: { ...ownPage(address), "Content-Type": "application/x-www-form-urlencoded" },
        body: ENDLESS,
        chunked: true,
      });
      // the server may close the connection before all is sent
      if (status !== 413 && status !== 0) {
        faults++;
        note(
          `an endless body to ${path} was answered ${status} (${Math.round((process.memoryUsage().rss - before) / 1e6)} MB)`,
        );
      }
    }
    const alive = await ask(address, "/jobs/carved-settle/crust", { headers: { Accept: "text/html" } });
    if (alive.status !== 200) {
      faults++;
      note(`afterwards the settle's page answered ${alive.status}`);
    }
    const said = [...statuses].sort(([one], [two]) => one - two).map(([status, count]) => `${count} × ${status}`);
    return { tried, faults, came: said.join(", ") };
  },
};
