import type { BrowserContext, Page } from "@playwright/test";
import { expect, live, open, saved, test } from "./shop";

const crust = "/jobs/dough-bin/crust?zone=bin-box";

/** The server does not answer edits, as when the machine it runs on sleeps. */
const away = (context: BrowserContext) => context.route("**/edit", (route) => route.abort());
const back = (context: BrowserContext) => context.unroute("**/edit");

/** Which version of the job a page has: every edit makes one. */
const versionOf = async (page: Page) => Number(await page.locator("input[name=base]").first().inputValue());

async function setCoats(page: Page, count: string) {
  await page.getByLabel("Coats").fill(count);
  await page.getByLabel("Coats").press("Tab");
  await expect(page.locator("footer output")).toContainText("Jolly Crust is not answering");
}

test("two tabs, offline, different steps, both closed: both edits are handed in, once", async ({ context }) => {
  const [one, two] = [await context.newPage(), await context.newPage()];
  await open(one, `${crust}&step=green`);
  await open(two, `${crust}&step=ochre`);
  const before = await versionOf(one);
  await away(context);
  await setCoats(one, "4");
  await setCoats(two, "3");
  await one.close();
  await two.close();
  await back(context);
  const after = await context.newPage();
  const sent: string[] = [];
  after.on("request", (request) => {
    if (request.url().endsWith("/edit")) sent.push((request.postDataJSON() as { id: string }).id);
  });
  await open(after, crust);
  await expect(after.locator("#ladder li", { hasText: "bottle green" }).first()).toContainText("4 coats");
  await expect(after.locator("#ladder li", { hasText: "ochre" }).first()).toContainText("3 coats");
  await saved(after);
  expect(new Set(sent).size).toBe(sent.length);
  // nothing is left to send again
  const again = await context.newPage();
  again.on("request", (request) => expect(request.url()).not.toMatch(/\/edit$/));
  await open(again, crust);
  await expect(again.locator("#ladder li", { hasText: "bottle green" }).first()).toContainText("4 coats");
  await again.waitForTimeout(2000);
  expect(await versionOf(again)).toBe(before + 2);
});

test("a tab that closes leaves its edits to the one still open, however long that has been open", async ({
  context,
}) => {
  const page = await context.newPage();
  await open(page, `${crust}&step=green`);
  await away(context);
  await setCoats(page, "4");
  const two = await context.newPage();
  await open(two, crust);
  const green = two.locator("#ladder li", { hasText: "bottle green" }).first();
  await two.waitForTimeout(2500);
  await expect(green).not.toContainText("4 coats");
  await page.close();
  await expect(green).toContainText("4 coats");
  await back(context);
  await saved(two);
});

test("edits left behind, whose place another has changed since, are put before the painter", async ({
  context,
  shop,
}) => {
  const page = await context.newPage();
  await open(page, `${crust}&step=green`);
  await away(context);
  await setCoats(page, "4");
  await page.close();
  await back(context);
  // the same place, changed in another browser
  const stranger = await context.browser()!.newContext({ baseURL: shop.address });
  const there = await stranger.newPage();
  await open(there, `${crust}&step=green`);
  await there.getByLabel("Coats").fill("2");
  await there.getByLabel("Coats").press("Tab");
  await saved(there);
  await stranger.close();
  const other = await context.newPage();
  await open(other, crust);
  const notice = other.getByRole("alert").filter({ hasText: "Edits from an earlier page were not saved" });
  await expect(notice).toContainText("Change Milk paint, bottle green");
  await expect(other.locator("#ladder li", { hasText: "bottle green" }).first()).toContainText("2 coats");
  await notice.getByRole("button", { name: "Use my edits" }).click();
  await expect(other.locator("#ladder li", { hasText: "bottle green" }).first()).toContainText("4 coats");
  await saved(other);
});

test("a value typed but not left is kept when the tab is closed", async ({ context }) => {
  const page = await context.newPage();
  await open(page, `${crust}&step=green`);
  await page.getByLabel("Coats").fill("5");
  await page.waitForTimeout(600);
  await page.close();
  const after = await context.newPage();
  await open(after, crust);
  await expect(after.locator("#ladder li", { hasText: "bottle green" }).first()).toContainText("5 coats");
  await saved(after);
});

test("what an older version left in the browser, or nobody can read, breaks nothing and is reported", async ({
  context,
}) => {
  const page = await context.newPage();
  await open(page, crust);
  // a page that is not about a job takes nothing over
  await page.goto("/guide");
  await page.evaluate(async () => {
    localStorage.setItem("jolly-crust/unsaved/dough-bin", '[{"id":"x","commands":7}]');
    const database = await new Promise<IDBDatabase>((resolve) => {
      const asked = indexedDB.open("jolly-crust", 1);
      asked.onsuccess = () => resolve(asked.result);
    });
    const put = database.transaction("unsent", "readwrite").objectStore("unsent");
    const edit = { id: "strange-edit", label: "Polish the moon", commands: [{ do: "polish moon" }] };
    put.put({ key: "dough-bin/gone/strange-edit", planId: "dough-bin", tab: "gone", at: 1, order: 0, edit });
    await new Promise((resolve) => {
      put.transaction.oncomplete = resolve;
    });
    database.close();
  });
  const faults: Error[] = [];
  const after = await context.newPage();
  after.on("pageerror", (error) => faults.push(error));
  await open(after, crust);
  await expect(after.getByText("These earlier edits no longer fit the plan: Polish the moon.")).toBeVisible();
  await expect(after.locator("#ladder li", { hasText: "bottle green" }).first()).toBeVisible();
  expect(faults).toEqual([]);
});

test("views that were not opened yet open while the server is away, and the edit is kept", async ({
  page,
  context,
}) => {
  await open(page, `${crust}&step=green`);
  // they come one after another, while the page has nothing else to do
  await expect(page.locator('link[rel="modulepreload"][href^="/assets/house-"]')).toBeAttached();
  await page.waitForLoadState("networkidle");
  await context.setOffline(true);
  await setCoats(page, "3");
  for (const name of ["Days", "Shelf", "Materials", "House rules", "Board", "Piece"]) {
    await page.getByRole("navigation", { name: "Views of this job" }).getByRole("link", { name }).click();
    await expect(page).toHaveURL(new RegExp(`/${name === "House rules" ? "house" : name.toLowerCase()}`));
    await expect(page.locator("footer")).toBeVisible();
    // the needs follow from the plan; only what is on the shelf is not known
    if (name === "Shelf") await expect(page.locator("[data-good]").first()).toBeVisible();
  }
  await context.setOffline(false);
  await saved(page);
});

test("going back shows the job as it is now, not as it was", async ({ page }) => {
  await open(page, `${crust}&step=green`);
  await page.getByLabel("Coats").fill("2");
  await page.getByLabel("Coats").press("Tab");
  await saved(page);
  await page.goto("/guide");
  await page.goBack();
  await live(page);
  await expect(page.locator("#ladder li", { hasText: "bottle green" }).first()).toContainText("2 coats");
  await page.getByLabel("Coats").fill("3");
  await page.getByLabel("Coats").press("Tab");
  await saved(page);
  await expect(page.getByRole("alert")).toHaveCount(0);
});
