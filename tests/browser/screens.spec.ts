import { AxeBuilder } from "@axe-core/playwright";
import { expect, test } from "./shop";

const SCREENS = [
  ["jobs", "/"],
  ["new job", "/jobs/new"],
  ["new job, own measures", "/jobs/new?measures=own"],
  ["finishes", "/jobs/carved-settle/finish?finish=worn-to-dark"],
  ["trainer", "/train"],
  ["a look", "/jobs/carved-settle/look?zone=back&field=%23a0b09e&arris=%23442b1a"],
  ["piece", "/jobs/carved-settle/piece"],
  ["a new zone", "/jobs/carved-settle/piece?add=0"],
  ["drawing a place", "/jobs/dough-bin/piece?zone=bin-lid&draw=motif"],
  ["a loop at an inspection", "/jobs/sailmakers-bench/crust?zone=bench-legs&step=enough"],
  ["crust", "/jobs/carved-settle/crust"],
  ["crust with findings", "/jobs/chart-cabinet/crust?zone=sides&step=seal"],
  ["adding a step", "/jobs/chart-cabinet/crust?add=2"],
  ["board", "/jobs/carved-settle/board?zone=back"],
  ["two boards", "/jobs/carved-settle/board?zone=back&against=step:bone&size=life"],
  ["mixing bench", "/jobs/carved-settle/mix?want=%235d8177"],
  ["days", "/jobs/carved-settle/days"],
  ["days with a clash", "/jobs/chart-cabinet/days"],
  ["days, selected work and what if", "/jobs/dough-bin/days?work=dough-bin:bin:clear&otherwise=yes&chain=yes"],
  ["days, alternatives side by side", "/jobs/chart-cabinet/days?otherwise=yes&beside=touch-dry,saturday"],
  ["days of the shop", "/days"],
  [
    "days of the shop, a piece opened and the hours charted",
    "/days?from=2026-11-30&span=3&open=carved-settle/carved-settle-piece&chart=hours",
  ],
  ["two months of the shop", "/days?from=2026-11-30&span=2m"],
  ["hours and painters", "/shop"],
  ["an idea", "/jobs/overmantel-mirror/days"],
  ["sheet for the wall", "/jobs/carved-settle/wall"],
  ["shelf", "/jobs/sailmakers-bench/shelf"],
  ["shelf of the shop", "/shelf"],
  ["a tin on the shelf", "/shelf?show=tins&tin=pot-2"],
  ["shopping list", "/shelf/list"],
  ["packs and prices", "/shelf/prices?good=chalk-slate"],
  ["costing", "/shelf/prices?show=costing"],
  ["handles and knobs", "/hardware?old=64"],
  ["other ways", "/jobs/carved-settle/quote?for=shop&ways=yes"],
  ["mix cards", "/jobs/dough-bin/mix-cards"],
  ["quote", "/jobs/carved-settle/quote"],
  ["quote, the shop's own page", "/jobs/carved-settle/quote?for=shop"],
  ["what can go on here", "/jobs/carved-settle/crust?zone=back&step=bone&aside=next"],
  ["two crusts side by side", "/jobs/sailmakers-bench/crust?aside=compare"],
  ["an inspection", "/jobs/carved-settle/crust?zone=back&step=look"],
  ["materials", "/jobs/carved-settle/materials?material=chalk-bone-white"],
  ["house rules", "/jobs/carved-settle/house"],
  ["guide", "/guide"],
  ["keys", "/keys"],
  ["a job that is not there", "/jobs/nobody/crust"],
] as const;

for (const [name, path] of SCREENS)
  test(`${name}: no serious fault of access, and nothing breaks the page's own content policy`, async ({ page }) => {
    const faults: string[] = [];
    page.on("console", (message) => {
      if (message.type() === "error" && !/404/.test(message.text())) faults.push(message.text());
    });
    page.on("pageerror", (error) => faults.push(error.message));
    await page.goto(path);
    await page.waitForLoadState("networkidle");
    const { violations } = await new AxeBuilder({ page })
      .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"])
      .analyze();
    for (const { id, impact, nodes } of violations)
      faults.push(`${id} (${impact}) at ${nodes.map((node) => node.html.slice(0, 160)).join(" | ")}`);
    expect(faults).toEqual([]);
  });

test("nothing runs out of the window at 1280 by 800", async ({ page }) => {
  for (const [name, path] of SCREENS) {
    await page.goto(path);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(wide, name).toBeLessThanOrEqual(0);
  }
});

/** Pages that are taken along to the shop or propped up at the bench. */
const TAKEN_ALONG = [
  "/shelf",
  "/shelf?show=tins&tin=pot-2",
  "/shelf/list",
  "/shelf/prices?good=chalk-slate",
  "/shelf/prices?show=costing",
  "/jobs/dough-bin/mix-cards",
  "/jobs/carved-settle/quote",
  "/jobs/carved-settle/quote?for=shop&ways=yes",
  "/hardware",
];

test("the pages of the shelf run out of no window, on a tablet or in a pocket", async ({ page }) => {
  for (const size of [
    { width: 820, height: 1180 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(size);
    for (const path of TAKEN_ALONG) {
      await page.goto(path);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(wide, `${path} at ${size.width}`).toBeLessThanOrEqual(0);
    }
  }
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
  await page.goto("/jobs/carved-settle/crust?zone=back");
  await page.locator("html[data-live]").waitFor();
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
  await page.goto("/jobs/carved-settle/piece?zone=seat-board");
  await page.locator("html[data-live]").waitFor();
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
  await page.getByRole("button", { name: "Use this schedule" }).click({ timeout: 30_000 });
  await expect(page.getByRole("contentinfo")).toContainText("Begins Mon 30 Nov, 14:00");
});
