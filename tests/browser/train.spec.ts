import { AxeBuilder } from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { expect, open, test } from "./shop";

/** Answers whatever is asked with the first choice of every part, and hands it in. */
async function answerAnything(page: Page) {
  for (const group of await page.getByRole("form", { name: "Your answer" }).getByRole("group").all()) {
    const choices = group.getByRole("radio");
    if ((await choices.count()) > 0) await choices.first().check();
  }
  await page.getByRole("button", { name: "Answer" }).click();
  await expect(page.getByRole("region", { name: "Your answer" })).toContainText(/Right|Partly right|Not this time/);
}

test("drills by keyboard: a figure picks, Enter hands in, the reason is read, the next one comes", async ({ page }) => {
  await open(page, "/train");
  const seen = new Set<string>();
  for (let round = 0; round < 6; round++) {
    const title = await page.getByRole("heading", { level: 1 }).textContent();
    seen.add(title ?? "");
    const form = page.getByRole("form", { name: "Your answer" });
    if ((await form.getByRole("radio").count()) > 0) {
      await page.keyboard.press("2");
      await expect(form.getByRole("radio").nth(1)).toBeChecked();
      const groups = form.getByRole("group");
      if ((await groups.count()) > 1) await groups.nth(1).getByRole("radio").first().check();
      await page.keyboard.press("Enter");
    } else {
      await form
        .getByRole("button", { name: /^Later: / })
        .first()
        .press("Enter");
      await form.getByRole("button", { name: "Answer" }).press("Enter");
    }
    await expect(page.getByRole("region", { name: "Your answer" })).toContainText(/Right|Partly right|Not this time/);
    await page.getByRole("link", { name: "Next" }).press("Enter");
    await expect(page.getByRole("button", { name: "Answer" })).toBeVisible();
  }
  // one kind after another
  expect(seen.size).toBeGreaterThan(3);
  await expect(page.getByRole("complementary", { name: "How it goes" })).toContainText("6 answers");
});

test("five minutes are enough for a day; one may go on all the same", async ({ page }) => {
  await page.clock.install({ time: new Date() });
  await open(page, "/train");
  for (let round = 0; round < 3; round++) {
    // asked a long time ago: counted as two minutes
    await page.locator("input[name=asked]").evaluate((input) => {
      (input as HTMLInputElement).value = "1000";
    });
    await answerAnything(page);
    await page.getByRole("link", { name: "Next" }).click();
  }
  await expect(page.getByRole("heading", { name: "That is enough for today" })).toBeVisible();
  await page.getByRole("link", { name: "Keep going" }).click();
  await expect(page.getByRole("button", { name: "Answer" })).toBeVisible();
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test("a drill fits, presses are large enough, and nothing is out of reach", async ({ page }) => {
    await open(page, "/train");
    await answerAnything(page);
    const next = page.getByRole("link", { name: "Next" });
    expect((await next.boundingBox())!.height).toBeGreaterThanOrEqual(44);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    const { violations } = await new AxeBuilder({ page }).withTags(["wcag2a", "wcag2aa", "wcag22aa"]).analyze();
    expect(violations.map(({ id }) => id)).toEqual([]);
  });
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });

  test("a drill is answered and graded", async ({ page }) => {
    await page.goto("/train");
    await answerAnything(page);
    await page.getByRole("link", { name: "Next" }).click();
    await expect(page.getByRole("button", { name: "Answer" })).toBeVisible();
  });
});
