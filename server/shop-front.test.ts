import { mkdtempSync, renameSync, rmSync, writeFileSync } from "node:fs";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Worker } from "node:worker_threads";
import { afterEach, describe, expect, it, vi } from "vitest";
import { type Front, openFront } from "./shop-front.ts";

/**
 * A desk that paints a picture in so many milliseconds as its address says, with its thread held up, and makes any page at once.
 * The address also says for how much of that it had no processor: it keeps its times as the system would.
 */
const DESK = `
const { parentPort, threadId } = require("node:worker_threads");
const { mkdtempSync, writeFileSync } = require("node:fs");
const times = mkdtempSync(require("node:path").join(require("node:os").tmpdir(), "crust-desk-")) + "/times";
let waited = 0;
const keep = () => writeFileSync(times, "0 " + 1e6 * waited + " 1");
keep();
parentPort.on("message", (message) => {
  if (message.kind === "chore") return parentPort.postMessage({ kind: "done", id: message.id, value: [] });
  const { pathname, searchParams } = new URL(message.url);
  const until = performance.now() + Number(searchParams.get("takes") ?? 0);
  waited += Number(searchParams.get("waits") ?? 0);
  keep();
  while (performance.now() < until) {}
  const body = new TextEncoder().encode(pathname + " by " + threadId).buffer;
  parentPort.postMessage({ kind: "answer", id: message.id, status: 200, headers: [["content-type", "text/plain"]], body });
});
parentPort.postMessage({ kind: "ready", times });
`;

const fronts: Front[] = [];
afterEach(async () => {
  await Promise.all(fronts.splice(0).map((front) => front.close()));
});

async function opened(options: { patience?: number; deadline?: number } = {}): Promise<string> {
  const front = await openFront({ spawn: () => new Worker(DESK, { eval: true }), files: "public", ...options });
  fronts.push(front);
  await new Promise<void>((resolve) => front.server.listen(0, "127.0.0.1", resolve));
  return `http://127.0.0.1:${(front.server.address() as AddressInfo).port}`;
}

const page = (address: string) => fetch(address, { headers: { Accept: "text/html" }, redirect: "manual" });

describe("the front of the shop", () => {
  it("lets the pages of a job go on while a picture of it is painted, however long the last one took", async () => {
    const shop = await opened();
    const picture = (takes: number) => fetch(`${shop}/jobs/settle/photo.jpg?takes=${takes}`);
    expect((await picture(700)).status).toBe(200);
    const done: string[] = [];
    const painting = picture(2000).then(() => done.push("picture"));
    for (const view of ["crust", "board", "shelf"])
      expect(await (await page(`${shop}/jobs/settle/${view}`)).text()).toContain(view);
    expect(done).toEqual([]);
    await painting;
  });

  it("keeps a job whose own pages are slow away from all others", async () => {
    const shop = await opened();
    expect((await page(`${shop}/jobs/heavy/crust?takes=700`)).status).toBe(200);
    const done: string[] = [];
    const heavy = [1, 2].map((at) =>
      page(`${shop}/jobs/heavy/crust?takes=700&at=${at}`).then(() => done.push("heavy")),
    );
    await page(`${shop}/jobs/light/crust`);
    expect(done).toEqual([]);
    await Promise.all(heavy);
  });

  it("does not take a job for slow because the machine had other things to do", async () => {
    const shop = await opened();
    expect((await page(`${shop}/jobs/heavy/crust?takes=700`)).status).toBe(200);
    expect((await page(`${shop}/jobs/light/crust?takes=700&waits=650`)).status).toBe(200);
    const done: string[] = [];
    const heavy = page(`${shop}/jobs/heavy/crust?takes=1200`).then(() => done.push("heavy"));
    await page(`${shop}/jobs/light/crust`).then(() => done.push("light"));
    expect(done).toEqual(["light"]);
    await heavy;
  });

  it("ends no page because the machine had other things to do", async () => {
    const shop = await opened({ deadline: 200 });
    expect((await page(`${shop}/jobs/light/crust?takes=700&waits=600`)).status).toBe(200);
    expect((await page(`${shop}/jobs/heavy/crust?takes=700`)).status).toBe(503);
    // however busy it is, nothing goes on for ever
    expect((await page(`${shop}/jobs/stuck/crust?takes=60000&waits=60000`)).status).toBe(503);
  });

  it("begins no page for whoever has gone on to another, nor says of it later that it never comes", async () => {
    const shop = await opened({ patience: 300, deadline: 1500 });
    // every desk is at work, and one more is not opened before this has gone on for a while
    const busy = [1, 2].map((which) => page(`${shop}/jobs/other-${which}/crust?takes=600`));
    await new Promise((resolve) => setTimeout(resolve, 30));
    const away = new AbortController();
    const left = fetch(`${shop}/jobs/settle/crust?takes=60000`, {
      headers: { Accept: "text/html" },
      signal: away.signal,
    });
    await new Promise((resolve) => setTimeout(resolve, 30));
    away.abort();
    await expect(left).rejects.toThrow();
    await Promise.all(busy);
    await new Promise((resolve) => setTimeout(resolve, 2200));
    expect((await page(`${shop}/jobs/settle/crust?takes=60000`)).status).toBe(303);
  });

  it("shows a page that takes longer than one waits for as on its way, and then the page itself, worked out once", async () => {
    const shop = await opened({ patience: 200 });
    const address = "/jobs/settle/crust?takes=600";
    const first = await page(shop + address);
    expect(first.status).toBe(303);
    expect(first.headers.get("location")).toBe(`/jobs/settle/waiting?to=${encodeURIComponent(address)}`);
    await new Promise((resolve) => setTimeout(resolve, 700));
    const asked = performance.now();
    expect((await page(shop + address)).status).toBe(200);
    expect(performance.now() - asked).toBeLessThan(500);
  });

  it("never shows a page that was begun before an edit to whoever asks for it after that edit", async () => {
    const shop = await opened({ patience: 150 });
    const address = "/jobs/settle/crust?takes=500";
    expect((await page(shop + address)).status).toBe(303);
    await fetch(`${shop}/jobs/settle/edit`, { method: "POST", headers: { Origin: shop }, body: "{}" });
    await new Promise((resolve) => setTimeout(resolve, 500));
    // what came late is of the version before: it is worked out again, and so has to be waited for again
    expect((await page(shop + address)).status).toBe(303);
  });

  it("never shows a page of a database that has been replaced since", async () => {
    const folder = mkdtempSync(join(tmpdir(), "crust-front-"));
    const [file, backup] = [join(folder, "crust.db"), join(folder, "backup.db")];
    for (const path of [file, backup]) writeFileSync(path, "");
    vi.stubEnv("JOLLY_CRUST_DATA", folder);
    const shop = await opened({ patience: 150 });
    const address = "/jobs/settle/crust?takes=500";
    expect((await page(shop + address)).status).toBe(303);
    await new Promise((resolve) => setTimeout(resolve, 500));
    renameSync(backup, file);
    expect((await page(shop + address)).status).toBe(303);
    vi.unstubAllEnvs();
    rmSync(folder, { recursive: true });
  });

  it("has a page wait for an edit of its job that is being written, and for no other", async () => {
    const shop = await opened();
    const ended: string[] = [];
    const post = (takes: number) =>
      fetch(`${shop}/jobs/settle/edit?takes=${takes}`, { method: "POST", headers: { Origin: shop }, body: "{}" });
    const writing = post(400).then(() => ended.push("edit"));
    await new Promise((resolve) => setTimeout(resolve, 50));
    const own = page(`${shop}/jobs/settle/crust`).then(() => ended.push("its page"));
    await Promise.all([writing, own]);
    expect(ended).toEqual(["edit", "its page"]);
  });

  it("says so where a page is never finished, and goes on with the next", async () => {
    const shop = await opened({ deadline: 300 });
    const never = await page(`${shop}/jobs/settle/crust?takes=100000`);
    expect(never.status).toBe(503);
    expect(await never.text()).toMatch(/<h1/);
    expect((await page(`${shop}/jobs/settle/board`)).status).toBe(200);
  });
});
