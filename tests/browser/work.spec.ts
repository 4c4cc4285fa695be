import type { Page } from "@playwright/test";
import { expect, open, saved, test } from "./shop";

const rowOf = (page: Page, id: string) => page.locator("#ladder li").filter({ has: page.locator(`[data-step=${id}]`) });

test("a step is worked in one go with the one before, or on its own, and the days follow", async ({ page }) => {
  await open(page, "/jobs/dough-bin/crust?zone=bin-lid&step=crumb");
  await expect(rowOf(page, "crumb")).toContainText("in one go with the step before");
  await page.getByLabel("Worked", { exact: true }).selectOption("apart");
  await expect(rowOf(page, "crumb")).not.toContainText("in one go with the step before");
  await page.getByLabel("Worked", { exact: true }).selectOption("together");
  await expect(rowOf(page, "crumb")).toContainText("in one go with the step before");
  await saved(page);
  await open(page, "/jobs/dough-bin/days");
  const go = page.getByRole("link", { name: /mist with water \+ coarse texture crumb/i }).first();
  await go.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("One go: no pause between its steps but for what they need.")).toBeVisible();
});

test("a wait is said as painters say it, counted from any step", async ({ page }) => {
  await open(page, "/jobs/dough-bin/crust?zone=bin-lid&step=scrape");
  const row = rowOf(page, "scrape");
  await page.getByLabel("Wait before it").selectOption("next working day");
  await expect(row).toContainText("your wait: until the next working day");
  await page.getByLabel("Wait before it").selectOption("between");
  await expect(page.getByText("Write both ends, like 2 h to 3 h.")).toBeVisible();
  await page.getByLabel("How long, or which sign").fill("5 h to 3 h");
  await page.getByLabel("How long, or which sign").press("Tab");
  await expect(page.getByText("The longest wait is shorter than the shortest.")).toBeVisible();
  await page.getByLabel("How long, or which sign").fill("3 h to 5 h");
  await page.getByLabel("How long, or which sign").press("Tab");
  await expect(row).toContainText("your wait: 3–5 h");
  await page.getByLabel("Counted from").selectOption({ label: "Chalk-type, slate" });
  await expect(page.getByLabel("Counted from").locator("option:checked")).toHaveText("Chalk-type, slate");
  await page.getByLabel("Wait before it").selectOption("by sign");
  await page.getByLabel("How long, or which sign").fill("the crumb breaks off dry");
  await page.getByLabel("How long, or which sign").press("Tab");
  await expect(row).toContainText("your wait: until the crumb breaks off dry");
  await saved(page);
});

test("places join and leave out, with a size of their own", async ({ page }) => {
  await open(page, "/jobs/dough-bin/crust?zone=bin-lid&step=bone");
  await page.getByText("More places, or all but some").click();
  await page.getByLabel("the motif").last().check();
  await expect(page.getByText("Covers about 85 % of the face.")).toBeVisible();
  await expect(rowOf(page, "bone")).toContainText("everywhere, but not on the motif");
  await saved(page);
});

test("passes and pressure are set where something is taken off", async ({ page }) => {
  await open(page, "/jobs/dough-bin/crust?zone=bin-box&step=rub");
  await page.getByLabel("Passes").fill("3");
  await page.getByLabel("Passes").press("Tab");
  await expect(rowOf(page, "rub")).toContainText("3 passes");
  await page.getByLabel("Pressure").selectOption("hard");
  await expect(rowOf(page, "rub")).toContainText("3 passes, pressing hard");
  await page.getByLabel("Passes").fill("40");
  await page.getByLabel("Passes").press("Tab");
  await expect(page.getByText("12 passes at most.")).toBeVisible();
  await saved(page);
});
