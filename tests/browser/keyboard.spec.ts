import { expect, open, saved, test } from "./shop";

const names = (page: import("@playwright/test").Page) =>
  page.locator("#ladder a[data-step] span.font-semibold").allTextContents();

test("the crust from the keyboard alone: pick, add, move, leave out, undo", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust?zone=seat-board");
  const before = await names(page);
  await page.keyboard.press("ArrowUp");
  await expect(page.locator("#ladder a[aria-current=true]")).toContainText("Scuff");
  await page.keyboard.press("ArrowUp");
  await expect(page.locator("#ladder a[aria-current=true]")).toContainText("walnut");

  await page.keyboard.press("Enter");
  await expect(page.getByPlaceholder(/Type a few letters/)).toBeFocused();
  await page.keyboard.type("duck");
  await page.keyboard.press("Enter");
  await expect(page.locator("#ladder a[aria-current=true]")).toContainText("duck egg");
  expect(await names(page)).toEqual([...before.slice(0, 2), "Chalk-type, duck egg", ...before.slice(2)]);

  await page.keyboard.press("Alt+ArrowUp");
  await expect.poll(() => names(page)).toEqual([before[0], "Chalk-type, duck egg", ...before.slice(1)]);
  await page.keyboard.press("Delete");
  await expect.poll(() => names(page)).toEqual(before);
  await saved(page);
  await page.keyboard.press("Control+z");
  await expect.poll(() => names(page)).toContain("Chalk-type, duck egg");
  await page.keyboard.press("Control+Shift+z");
  await expect.poll(() => names(page)).toEqual(before);
});

test("findings from the keyboard: to the next one, and its first repair", async ({ page }) => {
  await open(page, "/jobs/chart-cabinet/crust");
  await page.keyboard.press("n");
  await expect(page.locator("#ladder a[aria-current=true]")).toContainText("slate");
  await page.keyboard.press("f");
  await expect(page.locator("#ladder")).toContainText("Bonding primer");
  await expect(page.getByRole("contentinfo")).toContainText("6 stops");
});

test("zones, views and the list of keys have keys", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust");
  await page.keyboard.press("]");
  await expect(page.getByRole("heading", { level: 1, name: "Back panel" })).toBeVisible();
  await page.keyboard.press("[");
  await expect(page.getByRole("heading", { level: 1, name: "Frame and rails" })).toBeVisible();
  await page.keyboard.press("4");
  await expect(page).toHaveURL(/\/days/);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toHaveCount(0);
});
