import AxeBuilder from "@axe-core/playwright";
import { expect, open, test } from "./shop";

// The trade's words explain themselves: by pointer, by keyboard, at a tap, and without scripts.

const FINDING = "/jobs/chart-cabinet/crust?zone=sides";

test("a trade word is explained where a page first uses it, by pointer and by keyboard", async ({ page }) => {
  await open(page, FINDING);
  const word = page.getByRole("link", { name: "scuffed", exact: true });
  await expect(word).toHaveCount(1);
  await word.hover();
  const tip = page.getByRole("tooltip");
  await expect(tip).toContainText("Scuff: dull a surface with fine paper");
  await page.keyboard.press("Escape");
  await expect(tip).toHaveCount(0);
  await page.mouse.move(0, 0);
  await word.focus();
  await expect(tip).toContainText("Scuff: dull a surface");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/words#scuff$/);
  await expect(page.locator("#scuff")).toBeInViewport();
});

test.describe("on a touch screen", () => {
  test.use({ hasTouch: true });
  test("a tap explains a word and stays on the page", async ({ page }) => {
    await open(page, FINDING);
    await page.getByRole("link", { name: "scuffed", exact: true }).tap();
    await expect(page.getByRole("tooltip")).toContainText("Scuff: dull a surface");
    await expect(page).toHaveURL(/\/crust/);
  });
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });
  test("a word leads to its place among the Words", async ({ page }) => {
    await page.goto(FINDING);
    await page.getByRole("link", { name: "scuffed", exact: true }).click();
    await expect(page).toHaveURL(/\/words#scuff$/);
    await expect(page.getByText("dull a surface with fine paper")).toBeVisible();
  });
});

test("Words and keys lead to each other, and are read by everybody", async ({ page }) => {
  await open(page, FINDING);
  await page.keyboard.press("?");
  await page.getByRole("dialog", { name: "Keys" }).getByRole("link", { name: "Words" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Words" })).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await page.getByRole("link", { name: "Keys" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Keys" })).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

test("no finding is longer than four lines in its card", async ({ page }) => {
  const longest = async () => {
    await page.evaluate(() => {
      for (const card of document.querySelectorAll<HTMLDetailsElement>("details")) card.open = true;
    });
    return page
      .locator("[data-finding] [data-because]")
      .evaluateAll((all) =>
        all.map((one) =>
          Math.round(one.getBoundingClientRect().height / Number.parseFloat(getComputedStyle(one).lineHeight)),
        ),
      );
  };
  let cards = 0;
  for (const path of [
    "chart-cabinet/crust?zone=sides",
    "chart-cabinet/crust?zone=drawers",
    "chart-cabinet/crust?zone=plinth",
    "overmantel-mirror/crust",
  ]) {
    await open(page, `/jobs/${path}`);
    const lines = await longest();
    cards += lines.length;
    expect(Math.max(0, ...lines), path).toBeLessThanOrEqual(4);
  }
  expect(cards).toBeGreaterThan(10);
});
