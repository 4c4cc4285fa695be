import { mkdtempSync, rmSync } from "node:fs";
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

/** A shop of its own for a test: a server on a free port and a database in a fresh folder, empty or with the demo. */
export const test = base.extend<{ demo: boolean; sensor: Manner | null; shop: Shop }>({
  demo: [true, { option: true }],
  /** how the logger in the room goes; null for a shop without one */
  sensor: [null, { option: true }],
  shop: async ({ demo, sensor }, use) => {
    const folder = mkdtempSync(join(tmpdir(), "crust-shop-"));
    if (demo) {
      const store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
      await loadDemo(store);
      store.client.close();
    }
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
    server.stop();
    room?.closeAllConnections();
    room?.close();
    rmSync(folder, { recursive: true, force: true });
  },
  baseURL: async ({ shop }, use) => {
    await use(shop.address);
  },
});

export { expect } from "@playwright/test";

/** Opens a page and waits until it hears keys. */
export async function open(page: Page, path: string) {
  await page.goto(path);
  await page.locator("html[data-live]").waitFor();
}

/** Waits until everything typed is on the server. */
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

/** Fills the new job's form as a painter would, and sends it. */
export async function makeJob(
  page: Page,
  { title, piece, zone, species = "oak", ground = "raw timber", wear = "gentle" }: NewJob,
) {
  await page.goto("/jobs/new");
  await page.getByLabel("Name of the job").fill(title);
  await page.getByLabel("Piece", { exact: true }).fill(piece);
  await page.getByLabel("Name", { exact: true }).fill(zone);
  await page.getByLabel("Width, mm").fill("900");
  await page.getByLabel("Height, mm").fill("400");
  await page.getByLabel("It is").selectOption(ground);
  await page.getByLabel("Timber").selectOption(species);
  await page.getByLabel("Use").selectOption(wear);
  await page.getByRole("button", { name: "Make the job" }).click();
  await page.waitForURL(/\/jobs\/[^/]+\/crust/);
}

/** Adds a step on top of the crust by its name in the list. */
export async function addOnTop(page: Page, letters: string, name: string) {
  const before = await page.locator("#ladder a[data-step]").count();
  if (before > 0) await page.getByRole("link", { name: "+ step" }).click();
  await page.getByPlaceholder(/Type a few letters/).fill(letters);
  await page.getByRole("button", { name, exact: true }).click();
  await page.waitForFunction((count) => document.querySelectorAll("#ladder a[data-step]").length === count, before + 1);
}
