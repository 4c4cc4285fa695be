import { AxeBuilder } from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { SCREENS } from "./every-screen";
import { arrive, expect, open, test } from "./shop";

const SIZES = [
  [1280, 800],
  [820, 1180],
  [390, 844],
] as const;

/** How many pixels of the page lie beyond the right edge of the screen. */
const beyondBy = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);

for (const [name, path] of SCREENS)
  test(`${name}: no serious fault of access, nothing off the screen, readable in the dark too, and nothing breaks the page's own content policy`, async ({
    page,
  }) => {
    const faults: string[] = [];
    page.on("console", (message) => {
      if (message.type() === "error" && !/404/.test(message.text())) faults.push(message.text());
    });
    page.on("pageerror", (error) => faults.push(error.message));
    await arrive(page, path);
    await page.waitForLoadState("networkidle");
    const { violations } = await new AxeBuilder({ page })
      .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"])
      .analyze();
    for (const { id, impact, nodes } of violations)
      faults.push(`${id} (${impact}) at ${nodes.map((node) => node.html.slice(0, 160)).join(" | ")}`);
    expect(faults).toEqual([]);
    expect(await beyondBy(page)).toBeLessThanOrEqual(0);

    await page.emulateMedia({ colorScheme: "dark" });
    const dark = await new AxeBuilder({ page }).withRules(["color-contrast"]).analyze();
    expect(dark.violations.flatMap(({ nodes }) => nodes.map((node) => node.html.slice(0, 160)))).toEqual([]);
  });

test.describe("before scripts load", () => {
  test.use({ javaScriptEnabled: false });
  test("nothing runs off the screen, on a desk, on a tablet, on a phone", async ({ page }) => {
    test.setTimeout(400_000);
    for (const [name, path] of SCREENS) {
      await arrive(page, path);
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        expect(await beyondBy(page), `${name} at ${width}`).toBeLessThanOrEqual(0);
      }
    }
  });
});

test("a press on a layer of the section selects its step", async ({ page }) => {
  await page.goto("/jobs/carved-settle/crust?zone=back");
  await page
    .getByRole("link", { name: "Sealing tint-base, walnut" })
    .first()
    .click({ position: { x: 120, y: 30 }, force: true });
  await expect(page).toHaveURL(/step=/);
});

test("a press on a seam of the section adds a step there", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust?zone=back");
  await page.locator("[data-insert-over=walnut]").click();
  await expect(page.getByRole("heading", { name: /over the walnut sealing tint-base/ })).toBeVisible();
  await page.getByPlaceholder(/Type a few letters/).fill("slate");
  await page.getByRole("button", { name: "Chalk-type, slate", exact: true }).click();
  const names = await page.locator("#ladder a[data-step] span.font-semibold").allTextContents();
  expect(names.indexOf("Chalk-type, slate")).toBe(names.indexOf("Sealing tint-base, walnut") - 1);
});

test("a zone is measured again where the piece is; hours and school are changed where the house rules are", async ({
  page,
}) => {
  await open(page, "/jobs/carved-settle/piece?zone=seat-board");
  await page.getByLabel("Width, mm").fill("2480");
  await page.getByLabel("Width, mm").press("Tab");
  await expect(page.getByRole("link", { name: /^Seat raw oak/ })).toContainText("1.09 m²");
  await page.getByRole("link", { name: "House rules" }).click();
  await page.getByRole("radio", { name: /^next day/ }).check();
  await expect(page.getByRole("button", { name: "Undo: Change the house rules" })).toBeVisible();
  await page.getByRole("radio", { name: "its own" }).check();
  await page.getByLabel("Monday").fill("whenever");
  await page.getByLabel("Monday").press("Tab");
  await expect(page.getByText("Write hours like 9:00–13:00")).toBeVisible();
  await page.getByLabel("Monday").fill("14–18");
  await page.getByLabel("Monday").press("Tab");
  await page.getByRole("button", { name: "Use this schedule" }).click();
  await expect(page.getByRole("contentinfo")).toContainText("Begins Mon 30 Nov, 14:00");
});
