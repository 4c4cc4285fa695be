import type { Page } from "@playwright/test";
import { expect, open, saved, test } from "./shop";

/** Types into a field and leaves it, which saves it. */
async function write(page: Page, label: string, text: string) {
  await page.getByLabel(label).fill(text);
  await page.getByLabel(label).press("Tab");
}
const rowOf = (page: Page, id: string) => page.locator("#ladder li").filter({ has: page.locator(`[data-step=${id}]`) });

test("a step is worked in one session with the one before, or on its own, and the days follow", async ({ page }) => {
  await open(page, "/jobs/dough-bin/crust?zone=bin-lid&step=crumb");
  await expect(rowOf(page, "crumb")).toContainText("in one session with the step before");
  await page.getByLabel("Worked", { exact: true }).selectOption("apart");
  await expect(rowOf(page, "crumb")).not.toContainText("in one session with the step before");
  await page.getByLabel("Worked", { exact: true }).selectOption("together");
  await expect(rowOf(page, "crumb")).toContainText("in one session with the step before");
  await saved(page);
  await open(page, "/jobs/dough-bin/days");
  const go = page.getByRole("link", { name: /mist with water \+ coarse texture crumb/i }).first();
  await go.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("One session: no pause between its steps but for what they need.")).toBeVisible();
});

test("a wait is said as painters say it, counted from any step", async ({ page }) => {
  await open(page, "/jobs/dough-bin/crust?zone=bin-lid&step=scrape");
  const row = rowOf(page, "scrape");
  await page.getByLabel("Wait before it").selectOption("next working day");
  await expect(row).toContainText("your wait: until the next working day");
  await page.getByLabel("Wait before it").selectOption("between");
  await expect(page.getByText("Write both ends, like 2 h to 3 h.")).toBeVisible();
  await write(page, "How long, or which sign", "5 h to 3 h");
  await expect(page.getByText("The longest wait is shorter than the shortest.")).toBeVisible();
  await write(page, "How long, or which sign", "3 h to 5 h");
  await expect(row).toContainText("your wait: 3–5 h");
  await page.getByLabel("Counted from").selectOption({ label: "Chalk-type, slate" });
  await expect(page.getByLabel("Counted from").locator("option:checked")).toHaveText("Chalk-type, slate");
  await page.getByLabel("Wait before it").selectOption("by sign");
  await write(page, "How long, or which sign", "the crumb breaks off dry");
  await expect(row).toContainText("your wait: until the crumb breaks off dry");
  await saved(page);
});

test("places join and leave out, with a size of their own", async ({ page }) => {
  await open(page, "/jobs/dough-bin/crust?zone=bin-lid&step=bone");
  await page.getByText("More places, or all but some").click();
  await page.getByLabel("the motif").last().check();
  await expect(page.getByText("Covers about 81 % of the face.")).toBeVisible();
  await expect(rowOf(page, "bone")).toContainText("everywhere, but not on the motif");
  await saved(page);
});

test("a place is drawn on the face by hand, by keys and by measure", async ({ page }) => {
  await open(page, "/jobs/dough-bin/piece?zone=bin-box");
  await page.getByRole("link", { name: "Draw the motif" }).click();
  const face = page.getByRole("application", { name: /draw round the motif/ });
  const box = (await face.boundingBox())!;
  const to = (x: number, y: number) => page.mouse.move(box.x + x * box.width, box.y + y * box.height, { steps: 8 });
  await to(0.3, 0.3);
  await page.mouse.down();
  for (const [x, y] of [
    [0.6, 0.3],
    [0.6, 0.7],
    [0.3, 0.7],
    [0.3, 0.32],
  ] as const)
    await to(x, y);
  await page.mouse.up();
  const takes = page.getByText(/takes \d+ % of the face/);
  await expect(takes).toBeVisible();
  const first = await takes.textContent();
  await face.focus();
  for (const key of ["Enter", "Shift+ArrowRight", "Shift+ArrowRight", "Enter", "Shift+ArrowUp", "Enter", "c"])
    await page.keyboard.press(key);
  await expect(page.getByRole("button", { name: "Remove all" })).toBeVisible();
  await page.getByRole("button", { name: "Remove the last outline" }).click();
  await expect(page.getByRole("button", { name: "Remove all" })).toBeHidden();
  await expect(takes).toHaveText(first!);
  await page.getByText("By measure").click();
  await page.getByLabel("Width, %").fill("80");
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(page.getByText("It goes over the right edge. Make it narrower.")).toBeVisible();
  await page.getByLabel("Width, %").fill("10");
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(page.getByRole("button", { name: "Remove all" })).toBeVisible();
  await saved(page);
  await page.getByRole("link", { name: "Back to the piece" }).click();
  await expect(page.getByText(/^drawn, \d+ %$/)).toBeVisible();
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect(page.getByText(/^drawn, \d+ %$/)).toBeVisible();
});

test("passes and pressure are set where something is taken off", async ({ page }) => {
  await open(page, "/jobs/dough-bin/crust?zone=bin-box&step=rub");
  await write(page, "Passes", "3");
  await expect(rowOf(page, "rub")).toContainText("3 passes");
  await page.getByLabel("Pressure").selectOption("hard");
  await expect(rowOf(page, "rub")).toContainText("3 passes, pressing hard");
  await write(page, "Passes", "40");
  await expect(page.getByText("12 passes at most.")).toBeVisible();
  await saved(page);
});

test("rubbing goes on until it shows, and what is looked at goes round again", async ({ page }) => {
  await open(page, "/jobs/dough-bin/crust?zone=bin-box&step=rub");
  await page.getByLabel("Should show").selectOption({ label: "Milk paint, ochre" });
  await write(page, "Until it shows over, %", "400");
  await expect(page.getByText("Write how much is to show, from 1 to 90 %.")).toBeVisible();
  await write(page, "Until it shows over, %", "3");
  await expect(page.getByText(/^needs \d+ pass(es)? here$/)).toBeVisible();
  await expect(rowOf(page, "rub")).toContainText(/until it shows over 3 %.*\d+ pass(es)? here/);
  await saved(page);
  await open(page, "/jobs/sailmakers-bench/crust?zone=bench-legs&step=enough");
  const row = rowOf(page, "enough");
  await expect(row).toContainText(/then again from .*wax.*, 2 rounds in all/i);
  await write(page, "Rounds expected in all", "9");
  await expect(page.getByText("6 rounds at most.")).toBeVisible();
  await write(page, "Rounds expected in all", "3");
  await expect(row).toContainText("3 rounds in all");
  await saved(page);
});

test("a coat is laid unevenly on purpose", async ({ page }) => {
  await open(page, "/jobs/dough-bin/crust?zone=bin-lid&step=slate");
  await page.getByLabel("Laid", { exact: true }).selectOption("unevenly");
  await expect(rowOf(page, "slate")).toContainText("thin here, thick there");
  await saved(page);
  await page.keyboard.press("Control+z");
  await expect(rowOf(page, "slate")).not.toContainText("thin here, thick there");
});
