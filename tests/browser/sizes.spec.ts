import { AxeBuilder } from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { SCREENS } from "./every-screen";
import { expect, makeJob, open, test } from "./shop";

const TABLET = { width: 820, height: 1180 };
const PHONE = { width: 390, height: 844 };

/** What reaches beyond the right edge of the screen and is not inside something that scrolls by itself. */
const beyond = (page: Page) =>
  page.evaluate(() => {
    if (document.documentElement.scrollWidth <= window.innerWidth) return [];
    return [...document.body.querySelectorAll("*")]
      .filter((element) => {
        const { right, width } = element.getBoundingClientRect();
        if (width === 0 || right <= window.innerWidth + 1) return false;
        for (let at = element.parentElement; at && at !== document.body; at = at.parentElement)
          if (getComputedStyle(at).overflowX !== "visible") return false;
        return true;
      })
      .slice(0, 5)
      .map((element) => `${element.tagName} ${element.textContent?.trim().slice(0, 40)}`);
  });

for (const [name, size] of [
  ["tablet", TABLET],
  ["phone", PHONE],
] as const)
  for (const [screen, path] of SCREENS)
    test(`${screen}, on a ${name}: nothing runs off the screen, and no serious fault of access`, async ({ page }) => {
      await page.setViewportSize(size);
      await open(page, path);
      expect(await beyond(page)).toEqual([]);
      const { violations } = await new AxeBuilder({ page }).withTags(["wcag2a", "wcag2aa", "wcag22aa"]).analyze();
      const serious = violations.filter(({ impact }) => impact === "serious" || impact === "critical");
      expect(serious.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 160)}`)).toEqual([]);
    });

test("on a phone: add a layer, read its verdict, mend it, go on to the board by the bar", async ({ page }) => {
  await page.setViewportSize(PHONE);
  await makeJob(page, { title: "On the go", piece: "Chest", zone: "Front", species: "pine" });
  await page.getByRole("button", { name: "Chalk-type, slate", exact: true }).click();
  await expect(page.locator("#ladder a[data-step]")).toHaveCount(1);
  const sheet = page.getByRole("complementary", { name: "Selection" });
  await expect(sheet.getByRole("button", { name: /^Close/ })).toBeVisible();
  await sheet.getByRole("button", { name: /^Close/ }).click();
  await expect(sheet.getByRole("button", { name: /^Close/ })).toBeHidden();
  await page.getByRole("navigation", { name: "Views, at hand" }).getByRole("link", { name: "Board" }).click();
  await expect(page).toHaveURL(/\/board/);
  await expect(page.locator("[data-board=finished]")).toBeVisible();
});

test("on a tablet: what is chosen comes over the view as a sheet, and Escape puts it away", async ({ page }) => {
  await page.setViewportSize(TABLET);
  await open(page, "/jobs/carved-settle/materials");
  const sheet = page.getByRole("complementary", { name: "Selected material" });
  await expect(sheet.getByRole("heading").first()).toBeHidden();
  await page.getByRole("link", { name: /^Chalk-type, bone white/ }).click();
  await expect(sheet.getByRole("heading", { name: "Chalk-type, bone white" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(sheet.getByRole("heading").first()).toBeHidden();
});

test("the list of jobs is searched and filtered; what is looked for stands in the address", async ({ page }) => {
  await open(page, "/");
  await page.getByRole("searchbox", { name: "Find a job or a client" }).fill("settle");
  await page.getByRole("button", { name: "Find", exact: true }).click();
  await expect(page).toHaveURL(/q=settle/);
  await expect(page.locator("[data-job]")).toHaveCount(1);
  await page.goto("/");
  await page
    .getByRole("navigation", { name: "Jobs by state" })
    .getByRole("link", { name: /^ideas/ })
    .click();
  await expect(page.locator("[data-job]")).toHaveCount(1);
  await expect(page.getByRole("link", { name: "Overmantel mirror", exact: true })).toBeVisible();
  await page.goto("/?q=%25");
  await expect(page.getByText("No job matches that.")).toBeVisible();
  // each shows how it will look
  await page.goto("/?q=settle");
  const look = page.locator("[data-job=carved-settle] img");
  await expect.poll(() => look.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(216);
});

test("Enter before anything is typed adds nothing", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust?zone=back&add=0");
  const steps = page.locator("#ladder a[data-step]");
  const many = await steps.count();
  await page.getByRole("searchbox", { name: /^Type a few letters/ }).press("Enter");
  await page.getByRole("searchbox", { name: /^Type a few letters/ }).pressSequentially("scuff");
  await expect(steps).toHaveCount(many);
  await page.keyboard.press("Enter");
  await expect(steps).toHaveCount(many + 1);
});
