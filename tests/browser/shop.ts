import { copyFileSync, mkdtempSync, readdirSync, renameSync, rmSync } from "node:fs";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { test as base, type Page } from "@playwright/test";
import { openStore, placeFrom } from "#db/open";
import { loadDemo } from "#demo/load";
import { logger, type Manner } from "#demo/sensor/logger";
import { freePort, startServer } from "../../scripts/server.mjs";

interface Shop {
  address: string;
  folder: string;
}

/** Databases that tests begin with. */
interface Template {
  demo: string;
  empty: string;
}

interface Options {
  demo: boolean;
  /** how the logger in the room behaves; null for a shop without one */
  sensor: Manner | null;
  /** a server of its own, for tests that stop it or remove its database */
  alone: boolean;
  shop: Shop;
}

/** Stops a server, and waits until it writes nothing any more. */
function ended({ child, stop }: Awaited<ReturnType<typeof startServer>>): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    child.once("exit", () => resolve());
    stop();
  });
}

/**
 * A fresh shop for every test: a database with the demo, or an empty one. A server takes seconds to start, so the
 * tests of one worker share one: the database replaces the one before, as a painter would restore a backup.
 */
export const test = base.extend<Options, { template: Template; shared: Shop }>({
  template: [
    // biome-ignore lint/correctness/noEmptyPattern: the runner wants the pattern
    async ({}, use) => {
      const folder = mkdtempSync(join(tmpdir(), "crust-template-"));
      const made = async (name: string, demo: boolean) => {
        const file = join(folder, name);
        const store = await openStore(placeFrom({ DATABASE_URL: `file:${file}` }));
        if (demo) await loadDemo(store);
        await store.client.execute("PRAGMA wal_checkpoint(TRUNCATE)");
        store.client.close();
        return file;
      };
      await use({ demo: await made("demo.db", true), empty: await made("empty.db", false) });
      rmSync(folder, { recursive: true, force: true, maxRetries: 8, retryDelay: 100 });
    },
    { scope: "worker" },
  ],
  shared: [
    async ({ template }, use) => {
      const folder = mkdtempSync(join(tmpdir(), "crust-shop-"));
      copyFileSync(template.demo, join(folder, "crust.db"));
      const server = await startServer({
        port: await freePort(),
        environment: { JOLLY_CRUST_DATA: folder, ROOM_SENSOR_URL: "" },
      });
      await use({ address: server.address, folder });
      await ended(server);
      rmSync(folder, { recursive: true, force: true, maxRetries: 8, retryDelay: 100 });
    },
    { scope: "worker" },
  ],
  demo: [true, { option: true }],
  sensor: [null, { option: true }],
  alone: [false, { option: true }],
  shop: async ({ demo, sensor, alone, template, shared }, use) => {
    const database = demo ? template.demo : template.empty;
    if (sensor === null && !alone) {
      for (const name of readdirSync(shared.folder))
        if (!["crust.db", "crust.db-wal", "crust.db-shm", "crust.db-marks"].includes(name))
          rmSync(join(shared.folder, name), { recursive: true, force: true });
      copyFileSync(database, join(shared.folder, "next.db"));
      renameSync(join(shared.folder, "next.db"), join(shared.folder, "crust.db"));
      await use(shared);
      return;
    }
    const folder = mkdtempSync(join(tmpdir(), "crust-shop-"));
    copyFileSync(database, join(folder, "crust.db"));
    const room = sensor && logger(sensor);
    if (room) await new Promise<void>((resolve) => room.listen(0, "127.0.0.1", resolve));
    const server = await startServer({
      port: await freePort(),
      environment: {
        JOLLY_CRUST_DATA: folder,
        ROOM_SENSOR_URL: room ? `http://127.0.0.1:${(room.address() as AddressInfo).port}` : "",
      },
    });
    await use({ address: server.address, folder });
    await ended(server);
    room?.closeAllConnections();
    room?.close();
    rmSync(folder, { recursive: true, force: true, maxRetries: 8, retryDelay: 100 });
  },
  baseURL: async ({ shop }, use) => {
    await use(shop.address);
  },
});

export { expect } from "@playwright/test";

/** When it is the page itself: on a busy machine one that says it is on its way comes first, and goes on by itself. */
const arrived = (page: Page) => page.waitForURL(({ pathname }) => !pathname.endsWith("/waiting"));

/** Waits until the page itself is there and its scripts handle keys. The page that says it is on its way has scripts too. */
export async function live(page: Page) {
  await arrived(page);
  try {
    await page.locator("html[data-live]").waitFor({ timeout: 100_000 });
  } catch {
    // what stands there instead is what one needs to know
    throw new Error(
      `${page.url()} never came to life. It says: ${(await page.locator("body").ariaSnapshot()).slice(0, 400)}`,
    );
  }
}

/** Goes to a page. */
export async function arrive(page: Page, path: string) {
  await page.goto(path);
  await arrived(page);
}

/** Opens a page and waits until its scripts handle keys. */
export async function open(page: Page, path: string) {
  await page.goto(path);
  await live(page);
}

/** Loads a page again and waits until its scripts handle keys. */
export async function reload(page: Page) {
  await page.reload();
  await live(page);
}

/** When the shop has what was pressed at the bench; it also asks, now and then, what others pressed. */
export const handedIn = (page: Page) =>
  page.waitForResponse((answer) => answer.url().endsWith("/bench/log") && answer.request().method() === "POST");

/** Waits until everything typed is saved. */
export async function saved(page: Page) {
  await page.waitForFunction(() => !document.querySelector("footer output"));
}

export interface NewJob {
  title: string;
  piece: string;
  zone: string;
  species?: string;
  ground?: string;
  wear?: string;
}

/** Fills in the form for one's own measures as a painter would, and begins with an empty crust. */
export async function makeJob(
  page: Page,
  { title, piece, zone, species = "oak", ground = "raw timber", wear = "gentle" }: NewJob,
) {
  await page.goto("/jobs/new?measures=own");
  await page.getByLabel("Job name").fill(title);
  await page.getByLabel("Piece", { exact: true }).fill(piece);
  await page.getByLabel("Name", { exact: true }).fill(zone);
  await page.getByLabel("Width, mm").fill("900");
  await page.getByLabel("Height, mm").fill("400");
  await page.getByLabel("Kind").selectOption(ground);
  await page.getByLabel("Timber").selectOption(species);
  await page.getByLabel("Use", { exact: true }).selectOption(wear);
  await page.getByRole("button", { name: "Begin with an empty crust" }).click();
  await page.waitForURL(/\/jobs\/[^/]+\/crust/);
}

/** Adds a step on top of the crust by its name in the list. */
export async function addOnTop(page: Page, letters: string, name: string) {
  const before = await page.locator("#ladder a[data-step]").count();
  if (before > 0) await page.getByRole("link", { name: "Add step" }).click();
  await page.getByPlaceholder(/Type a few letters/).fill(letters);
  await page.getByRole("button", { name, exact: true }).click();
  await page.waitForFunction((count) => document.querySelectorAll("#ladder a[data-step]").length === count, before + 1);
}
