import type { Page } from "@playwright/test";
import { expect, open, saved, test } from "./shop";

const step = "/jobs/carved-settle/crust?zone=front-panels&step=green";

const rowOf = (page: Page, id: string) => page.locator("#ladder li").filter({ has: page.locator(`[data-step=${id}]`) });

test("a mix is set by its parts, shown in the ladder and bought tin by tin", async ({ page }) => {
  await open(page, step);
  const row = rowOf(page, "green");
  await page.getByLabel("Mixed with").selectOption({ label: "Clear paste wax" });
  await expect(row).toContainText("1 : 1 with clear paste wax");
  await page.getByLabel("Parts", { exact: true }).first().fill("3");
  await page.getByLabel("Parts", { exact: true }).first().press("Tab");
  await expect(row).toContainText("3 : 1 with clear paste wax");
  // a third tin is offered once there are two
  await expect(page.getByLabel("And with")).toBeVisible();
  await saved(page);
  await open(page, "/jobs/carved-settle/shelf");
  await expect(page.locator('[data-good="wax-clear"]')).toBeVisible();
});

test("parts that make no sense are refused at their field, and nothing is lost", async ({ page }) => {
  await open(page, step);
  await page.getByLabel("Water, parts").fill("-2");
  await page.getByLabel("Water, parts").press("Tab");
  await expect(page.getByText("Parts cannot be negative.")).toBeVisible();
  await expect(page.getByLabel("Water, parts")).toHaveValue("-2");
});

test("how much goes on is set by hand or measured, and the form says what it covers", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust?zone=front-panels&step=spatter");
  await expect(page.getByText("Covers about 4 % of the face, in specks.")).toBeVisible();
  await page.getByLabel("How much").selectOption("heavy");
  await expect(page.getByText("Covers about 6 % of the face, in specks.")).toBeVisible();
  await expect(rowOf(page, "spatter")).toContainText("a heavy coat");
  await page.getByLabel("How much").selectOption("micrometres");
  await expect(page.getByText("Write how much, as a number.")).toBeVisible();
  await page.getByLabel("Measured as").fill("30");
  await page.getByLabel("Measured as").press("Tab");
  await expect(rowOf(page, "spatter")).toContainText("30 µm");
  await saved(page);
});
