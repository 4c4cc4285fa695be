import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { backUp, faultOfCopy } from "#db/backup";
import { openStore } from "#db/open";
import { addPlan } from "#db/plans";
import { harbourStool } from "#demo/hobnail-yard";
import { expect, open, test } from "./shop";

test("a backup is downloaded while the shop runs, and is whole", async ({ page }) => {
  await open(page, "/shop/backup");
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Download a backup" }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^jolly-crust-\d{4}-\d{2}-\d{2}\.db$/);
  expect(await faultOfCopy(await download.path())).toBe(null);
  await expect(page.getByText(/restored into a shop without jobs/)).toBeVisible();
});

test.describe("into an empty shop", () => {
  test.use({ demo: false });

  test("a press restores it; what is no backup is refused and changes nothing", async ({ page }) => {
    const folder = mkdtempSync(join(tmpdir(), "crust-backup-"));
    const file = join(folder, "shop.db");
    const store = await openStore({ url: `file:${file}`, file });
    await addPlan(store, harbourStool());
    const copy = join(folder, "backup.db");
    await backUp(store, copy);
    store.client.close();
    await open(page, "/shop/backup");
    const choose = page.getByLabel("The backup");
    await choose.setInputFiles({ name: "x.db", mimeType: "application/octet-stream", buffer: Buffer.from("not one") });
    await page.getByRole("button", { name: "Restore it here" }).click();
    await expect(page.getByRole("alert")).toContainText("Nothing was changed");
    await choose.setInputFiles({ name: "b.db", mimeType: "application/octet-stream", buffer: readFileSync(copy) });
    await page.getByRole("button", { name: "Restore it here" }).click();
    await page.waitForURL(({ pathname }) => pathname === "/");
    await expect(page.getByText("Harbour stool")).toBeVisible();
    rmSync(folder, { recursive: true, force: true });
  });
});

test("a job travels with its ledger and photos in one file", async ({ page }) => {
  await open(page, "/jobs/harbour-stool/ledger");
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Export with ledger and photos" }).click(),
  ]);
  expect(download.suggestedFilename()).toBe("harbour-stool.job.zip");
  const bytes = readFileSync(await download.path());
  await open(page, "/");
  await page
    .getByLabel("Crust file", { exact: true })
    .setInputFiles({ name: "stool.job.zip", mimeType: "application/zip", buffer: bytes });
  await page.getByRole("button", { name: "Import" }).click();
  await page.waitForURL(/\/jobs\/import-[^/]+\/ledger/);
  await expect(page.getByText("Turned out well")).toBeVisible();
  await expect(page.getByRole("img", { name: "Finished" }).first()).toBeVisible();
});
