import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { expect, open, saved, test } from "./shop";

const line = (page: Page, good: string) => page.locator(`[data-good="${good}"]`);

test("from plan to shopping list to booked in to nothing missing", async ({ page }) => {
  await open(page, "/jobs/carved-settle/shelf");
  await expect(line(page, "stain-block-shellac")).toHaveAttribute("data-standing", "short");
  await line(page, "stain-block-shellac").locator("summary").click();
  await expect(line(page, "stain-block-shellac")).toContainText(/m²\s×\s2 coats ÷ 11\sm²\/L/);
  await expect(line(page, "stain-block-shellac")).toContainText("left in brush and kettle");
  await page.getByRole("link", { name: "Shopping list" }).click();
  await expect(page.getByRole("heading", { name: "Harbour Road Paints" })).toBeVisible();
  await page.getByLabel("Receipt no. (optional)").fill("R 2041");
  await page.getByLabel("Place (optional)").fill("by the door");
  await page.getByRole("button", { name: "Book it in" }).click();
  await expect(page.locator("[data-nothing-missing]")).toBeVisible();
  await open(page, "/jobs/carved-settle/shelf");
  await expect(page.getByText("Nothing is missing.")).toBeVisible();
  await expect(page.locator('[data-standing="short"], [data-standing="missing"]')).toHaveCount(0);
  // and taken back it is missing again
  await open(page, "/shelf?show=tins");
  await page.getByRole("button", { name: /^Undo: \d+ packs booked in/ }).click();
  await expect(page.getByRole("button", { name: /^Redo: \d+ packs booked in/ })).toBeVisible();
  await open(page, "/jobs/carved-settle/shelf");
  await expect(line(page, "stain-block-shellac")).toHaveAttribute("data-standing", "short");
});

test("an edit of the crust is in the needs at once", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust?zone=seat-board&step=seal");
  const needed = async () => {
    await page
      .getByRole("link", { name: /^Shelf/ })
      .first()
      .click();
    await expect(page.getByRole("heading", { name: "What the job needs" })).toBeVisible();
    return (await line(page, "polyurethane-water").locator("b").last().textContent())!;
  };
  const before = await needed();
  await open(page, "/jobs/carved-settle/crust?zone=seat-board&step=seal");
  await page.getByLabel("Coats").fill("5");
  await page.getByLabel("Coats").press("Tab");
  await saved(page);
  expect(await needed()).not.toBe(before);
});

test("the same receipt is asked about, and a tin cannot give more than it holds", async ({ page }) => {
  await open(page, "/shelf?show=tins");
  const add = async () => {
    await page.getByLabel("Material or consumable").selectOption("chalk-mustard");
    await page.getByLabel("How much").fill("0,5 L");
    await page.getByLabel("Supplier (optional)").selectOption("mill-store");
    await page.getByLabel("Receipt no. (optional)").fill("R 7");
    await page.getByRole("button", { name: "Put it on the shelf" }).click();
  };
  await add();
  await expect(page.getByRole("link", { name: "Chalk-type, mustard" })).toHaveCount(1);
  await open(page, "/shelf?show=tins");
  await add();
  await expect(page.getByRole("alert")).toContainText("This receipt was booked in on");
  await expect(page.getByLabel("How much")).toHaveValue("0,5 L");
  await page.getByLabel("It is another receipt").check();
  await page.getByRole("button", { name: "Put it on the shelf" }).click();
  await expect(page.getByRole("link", { name: "Chalk-type, mustard" })).toHaveCount(2);
  await page.getByRole("link", { name: "Chalk-type, mustard" }).first().click();
  const panel = page.getByRole("region", { name: "Chalk-type, mustard" });
  await panel.getByLabel("Used, ml").fill("900");
  await panel.getByRole("button", { name: "Used" }).click();
  await expect(panel.getByRole("alert")).toContainText("Only 500 is left");
  await panel.getByLabel("Used, ml").fill("120");
  await panel.getByRole("button", { name: "Used" }).click();
  await expect(panel).toContainText("380 ml of 500 ml");
});

test("prices: a wrong line of a file is named and nothing of it is taken; a pack is put in by hand", async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), "crust-csv-"));
  const file = join(folder, "prices.csv");
  writeFileSync(
    file,
    "good;supplier;holds;price\nchalk-slate;Harbour Road Paints;500;18,20\nchalk-slate;Harbour Road Paints;0;1\n",
  );
  await open(page, "/shelf/prices?good=chalk-slate");
  await page.getByLabel("CSV file: Packs and prices").setInputFiles(file);
  await page.getByRole("form", { name: "Import: Packs and prices" }).getByRole("button", { name: "Import" }).click();
  await expect(page.getByRole("alert")).toContainText("Line 3: A pack holds more than nothing.");
  const packs = page.getByRole("form", { name: "Packs of Chalk-type, slate" });
  await expect(packs.getByLabel("Price").nth(1)).toHaveValue("19.50");
  await packs.getByLabel("Price").nth(1).fill("-4");
  await packs.getByRole("button", { name: "Save" }).click();
  await expect(packs.getByRole("alert")).toContainText("A price cannot be negative.");
  await packs.getByLabel("Price").nth(1).fill("17.80");
  await packs.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("500 ml 17.80").first()).toBeVisible();
  await page.getByRole("button", { name: "Undo: Packs of Chalk-type, slate" }).click();
  await expect(page.getByText("500 ml 19.50").first()).toBeVisible();
  rmSync(folder, { recursive: true });
});

test("a mix card is scaled to the jar", async ({ page }) => {
  await open(page, "/jobs/dough-bin/mix-cards");
  const card = page.getByRole("article", { name: "Mix card: Milk paint, ochre" });
  await expect(card.locator("[data-made]")).toContainText("150 ml");
  await card.getByRole("slider").fill("300");
  await expect(card.locator("[data-made]")).toContainText("300 ml");
  await expect(card).toContainText("covers 3.30 m² once");
  await expect(card).toContainText("Let it rest for 5–10 min");
});

test("a quote is on paper without a figure of the shop's own, and says what the command line says", async ({
  page,
}) => {
  await open(page, "/jobs/carved-settle/quote");
  const said = (await page.locator("[data-price]").textContent())!;
  const html = await (await page.request.get("/jobs/carved-settle/quote")).text();
  expect(html).not.toMatch(/overhead|margin|hourly"?:\s*\d/i);
  const paper = await page.pdf({ format: "A4" });
  expect(paper.toString("latin1").match(/\/Type\s*\/Page\b/g)!.length).toBeLessThanOrEqual(2);
  const folder = mkdtempSync(join(tmpdir(), "crust-quote-"));
  const file = join(folder, "all.shop.json");
  writeFileSync(file, await (await page.request.get("/shop/export")).text());
  const { stdout } = spawnSync(process.execPath, ["scripts/crust.mjs", "quote", file, "--job", "carved-settle"], {
    encoding: "utf8",
  });
  const report = JSON.parse(stdout);
  expect(said.replace(/\D+/g, " ").trim()).toBe(`${report.price.from} ${report.price.to}`);
  await page.getByRole("link", { name: "Your own page" }).click();
  await expect(page.getByRole("row", { name: /^Price/ })).toContainText(report.sums.price.likely.toFixed(2));
  const needs = JSON.parse(
    spawnSync(process.execPath, ["scripts/crust.mjs", "shop", file], { encoding: "utf8" }).stdout,
  ).needs as { good: string; standing: string }[];
  await open(page, "/shelf");
  for (const { good, standing } of needs.slice(0, 12))
    await expect(line(page, good)).toHaveAttribute("data-standing", standing);
  rmSync(folder, { recursive: true });
});

test("a cheaper way is compared, used, and undone in the job", async ({ page }) => {
  await open(page, "/jobs/carved-settle/quote?for=shop");
  await page.getByRole("link", { name: "Compare other ways" }).click();
  const ways = page.getByRole("region", { name: "Other ways" });
  const cheapest = ways.locator("[data-way]").first();
  await expect(cheapest).toContainText("−");
  const label = (await cheapest.getByRole("rowheader").textContent())!;
  await cheapest.getByRole("button", { name: /^Use it/ }).click();
  await expect(ways.getByRole("rowheader", { name: label, exact: true })).toHaveCount(0);
  await open(page, "/jobs/carved-settle/crust");
  await expect(page.getByRole("button", { name: `Undo: ${label}` })).toBeVisible();
});

test("hole centres, screw and template come from two measures; nonsense is explained", async ({ page }) => {
  await open(page, "/hardware");
  await page.getByLabel("Between inner edges").fill("59");
  await page.getByLabel("Between outer edges").fill("69,0");
  await page.getByLabel("Measured").fill("157");
  await page.getByLabel("How", { exact: true }).selectOption("round");
  await page.getByRole("button", { name: "Work it out" }).click();
  await expect(page.locator("[data-holes]")).toHaveText("64 mm between centres, holes of 5 mm");
  await expect(page.locator("[data-knob]")).toContainText("50 mm across");
  const template = page.locator("[data-template]");
  // at true size: a CSS millimetre is a millimetre on paper
  expect(await template.getAttribute("width")).toMatch(/mm$/);
  expect((await template.getAttribute("viewBox"))!.split(" ")[2]).toBe(
    (await template.getAttribute("width"))!.slice(0, -2),
  );
  await page.getByLabel("Between outer edges").fill("40");
  await page.getByRole("button", { name: "Work it out" }).click();
  await expect(page.getByRole("alert")).toContainText("The outer measure has to be the longer one.");
});

test.describe("without scripts", () => {
  test.use({ javaScriptEnabled: false });

  test("what is missing is booked in, and a wrong count comes back as it was typed", async ({ page }) => {
    await page.goto("/shelf/list?job=carved-settle");
    const slot = page.getByLabel(/^Packs bought: 250\sml of Stain-block, shellac/);
    await slot.fill("a few");
    await page.getByRole("button", { name: "Book it in" }).click();
    await expect(page.getByRole("alert")).toContainText("Write how many packs you bought");
    await expect(slot).toHaveValue("a few");
    await slot.fill("1");
    await page.getByRole("button", { name: "Book it in" }).click();
    await expect(page.locator("[data-nothing-missing]")).toBeVisible();
  });
});

test.describe("an empty shelf", () => {
  test.use({ demo: false });

  test("says what goes there and how to begin", async ({ page }) => {
    await open(page, "/shelf");
    await expect(page.getByText("No job is promised or under way, so nothing is needed.")).toBeVisible();
    await page.getByRole("link", { name: "What is there" }).click();
    await expect(page.getByText("Nothing is on the shelf yet.")).toBeVisible();
    await open(page, "/shelf/prices?good=chalk-slate");
    await expect(page.getByText("Add a supplier first.")).toBeVisible();
    await page.getByLabel("Another supplier").fill("Rope Walk Stores");
    await page.getByRole("button", { name: "Add" }).click();
    await expect(page.getByText("Rope Walk Stores").first()).toBeVisible();
  });
});
