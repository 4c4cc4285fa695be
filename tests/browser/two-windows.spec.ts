import { expect, open, reload, saved, test } from "./shop";

const crust = "/jobs/dough-bin/crust?zone=bin-box";

test("two windows never overwrite each other silently: the slower one is asked, and loses nothing", async ({
  page,
  context,
}) => {
  const other = await context.newPage();
  await open(page, `${crust}&step=green`);
  await open(other, `${crust}&step=ochre`);
  await page.getByLabel("Coats").fill("2");
  await page.getByLabel("Coats").press("Tab");
  await saved(page);

  await other.getByLabel("Coats").fill("3");
  await other.getByLabel("Coats").press("Tab");
  const notice = other.getByRole("alert").filter({ hasText: "changed in another window" });
  await expect(notice).toContainText("Change Milk paint, bottle green");
  await expect(notice).toContainText("Change Milk paint, ochre");
  await notice.getByRole("button", { name: "Keep both" }).click();
  await expect(notice).toHaveCount(0);
  await saved(other);
  await reload(other);
  await expect(other.locator("#ladder li", { hasText: "bottle green" }).first()).toContainText("2 coats");
  await expect(other.locator("#ladder li", { hasText: "ochre" }).first()).toContainText("3 coats");
});

test("what was typed while the server was away is kept over a reload and saved when it is back", async ({
  page,
  context,
}) => {
  await open(page, `${crust}&step=green`);
  await page.route("**/edit", (route) => route.abort());
  await page.getByLabel("Coats").fill("4");
  await page.getByLabel("Coats").press("Tab");
  await expect(page.locator("footer output")).toContainText("Jolly Crust is not answering");
  await expect(page.locator("#ladder")).toContainText("4 coats");
  await reload(page);
  await expect(page.locator("#ladder")).toContainText("4 coats");
  await page.unroute("**/edit");
  await saved(page);
  const other = await context.newPage();
  await open(other, crust);
  await expect(other.locator("#ladder")).toContainText("4 coats");
});

test.describe("with a database of its own", () => {
  test.use({ alone: true });
  test("an edit that the database cannot take stays on the page with a sentence, and is written once it can", async ({
    page,
    shop,
  }) => {
    const { renameSync } = await import("node:fs");
    await open(page, `${crust}&step=green`);
    renameSync(`${shop.folder}/crust.db`, `${shop.folder}/away.db`);
    await page.getByLabel("Coats").fill("2");
    await page.getByLabel("Coats").press("Tab");
    await expect(page.locator("footer output")).toContainText("is gone. Everything in it was copied to");
    const other = await page.context().newPage();
    // on a busy machine the first answer may be that the page is on its way
    await expect.poll(async () => (await other.goto("/"))?.status(), { timeout: 30_000 }).toBe(503);
    await expect(other.getByRole("heading", { name: "The shop's data cannot be used" })).toBeVisible();
    renameSync(`${shop.folder}/away.db`, `${shop.folder}/crust.db`);
    await saved(page);
    await open(other, crust);
    await expect(other.locator("#ladder li", { hasText: "bottle green" }).first()).toContainText("2 coats");
  });
});
