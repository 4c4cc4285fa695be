import { expect, open, reload, saved, test } from "./shop";

const SETTLE = "/jobs/carved-settle/days";

test("a piece of work is dragged to another time, everything gives way, and its time is cleared again", async ({
  page,
}) => {
  await open(page, SETTLE);
  const work = page
    .locator("[data-booking='carved-settle:seat-board:stain/1'], [data-booking^='carved-settle:seat-board']")
    .first();
  const before = await work.getAttribute("aria-label");
  const box = (await work.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + box.height / 2, { steps: 4 });
  await page.mouse.move(box.x + 120, box.y + box.height / 2, { steps: 4 });
  // the result is shown while it is dragged
  await expect(page.getByRole("status").filter({ hasText: /done|cannot/ })).toBeVisible();
  await page.mouse.up();
  await expect(work).toHaveAttribute("aria-label", /time set/);
  expect(await work.getAttribute("aria-label")).not.toBe(before);
  await saved(page);
  await reload(page);
  await expect(work).toHaveAttribute("aria-label", /time set/);
  await work.click();
  await page.getByRole("button", { name: "Clear the time" }).click();
  await expect(work).not.toHaveAttribute("aria-label", /time set/);
});

test("with the keyboard a time is moved by a quarter of an hour, and undone", async ({ page }) => {
  await open(page, SETTLE);
  const work = page.locator("[data-booking^='carved-settle:arms']").first();
  await work.focus();
  await page.keyboard.press("Shift+ArrowRight");
  await expect(work).toHaveAttribute("aria-label", /time set/);
  await page.keyboard.press("Control+z");
  await expect(work).not.toHaveAttribute("aria-label", /time set/);
});

test("selected work says when, how late it could be, what it waits for and the sign to look for; a time is typed", async ({
  page,
}) => {
  await open(page, SETTLE);
  await page.locator("[data-booking^='carved-settle:front-panels']").nth(3).click();
  const panel = page.getByRole("region", { name: /^Selected: / });
  await expect(panel.getByText(/Look for:/).first()).toBeVisible();
  await expect(panel.getByText(/Can begin as late as|Sets the finish/)).toBeVisible();
  await panel.getByLabel("Begin at").fill("2026-11-01T09:00");
  await panel.getByRole("button", { name: "Set this time" }).click();
  await expect(panel.getByText(/before the job begins/)).toBeVisible();
  await panel.getByLabel("Begin at").fill("2026-12-03T10:00");
  await panel.getByRole("button", { name: "Set this time" }).click();
  await expect(page.locator("[data-booking][aria-label*='Thu 3 Dec, 10:00'][aria-label*='time set']")).toHaveCount(1);
});

test("what if: ideas are tried, with the finish they come to, and one is taken", async ({ page }) => {
  await open(page, SETTLE);
  const finish = page.locator("[data-finish]");
  const before = await finish.textContent();
  await page.getByRole("link", { name: /What if/ }).click();
  const idea = page.getByRole("region", { name: "What if" }).getByRole("button").first();
  await expect(idea).toContainText(/−|\+/);
  await idea.click();
  await saved(page);
  await expect.poll(() => finish.textContent()).not.toBe(before);
});

test("what if: alternatives stand beside the plan as it is, alone and together, and the choice is in the address", async ({
  page,
}) => {
  await open(page, "/jobs/chart-cabinet/days?otherwise=yes");
  const board = page.getByRole("region", { name: "Side by side" });
  await expect(board.getByText(/stand here beside the plan/)).toBeVisible();
  const list = page.getByRole("region", { name: "What if" });
  await list.getByRole("link", { name: /^Compare: Wax or seal when touch dry/ }).click();
  await list.getByRole("link", { name: "Compare: Work on Saturdays too" }).click();
  await expect(page).toHaveURL(/beside=touch-dry.*saturday/);
  await expect(board.getByRole("figure", { name: /Work on Saturdays too: −/ })).toBeVisible();
  const columns = board.getByRole("columnheader");
  await expect(columns.filter({ hasText: "All of them together" })).toBeVisible();
  await expect(columns).toHaveText([/What|^$/, "As it is", /touch dry/, /Saturdays/, /together/]);
  const clashes = board.getByRole("row", { name: /^Clashes/ }).getByRole("cell");
  await expect(clashes).toHaveText(["2", "1", "2", "1"]);
  // the same choice from the address alone
  await reload(page);
  await expect(columns).toHaveCount(5);
  const leaves = board.getByRole("row", { name: /^Leaves/ }).getByRole("cell");
  await expect(leaves.first()).toHaveText(/Dec/);
  await board.getByRole("button", { name: "Use this" }).last().click();
  await saved(page);
  await expect(page.getByRole("region", { name: "Clashes" }).getByRole("listitem").first()).toBeVisible();
});

test("a plan with a clash says which claims clash, and what would help", async ({ page }) => {
  await open(page, "/jobs/chart-cabinet/days");
  const clash = page.getByRole("region", { name: "Clashes" });
  await expect(clash.getByText(/must begin between .* after "Crackle medium"/).first()).toBeVisible();
  const tack = clash.locator("details", { hasText: /wait 3 h/ });
  await tack.getByText(/These cannot all be met/).click();
  await expect(tack.getByText(/The plan makes .* wait 3 h/)).toBeVisible();
  await expect(clash.getByText("What would help")).toBeVisible();
  await expect(clash.getByText(/Trying ideas/)).toBeHidden();
});

test("a job that is due too soon says so with the waits in its way; a later promise is a way out", async ({ page }) => {
  await open(page, "/jobs/chart-cabinet/days");
  const clash = page.getByRole("region", { name: "Clashes" });
  const due = clash.locator("li", { hasText: /"Chart cabinet" is due Wed 9 Dec, 12:00, but cannot be ready by then/ });
  await expect(due).toContainText(/On these dates it is .* late/);
  await due.getByText(/These cannot all be met/).click();
  await expect(due.getByText(/to be dry by the due date/)).toBeVisible();
  await expect(due.getByText(/waits \d days?.* after "/).first()).toBeVisible();
  await clash.getByRole("button", { name: /Promise it for \w+ \d+ Dec/ }).click();
  await expect(due).toHaveCount(0);
  await saved(page);
  await reload(page);
  await expect(page.getByText(/in time for/)).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(due).toHaveCount(1);
});

test("the chain that sets the finish stands out on demand, and lanes are by zone or by piece", async ({ page }) => {
  await open(page, SETTLE);
  await page.keyboard.press("c");
  await expect(page).toHaveURL(/chain=yes/);
  await expect(page.locator("[data-booking][aria-label*='sets the finish']").first()).toBeVisible();
  const lanes = await page.locator("[data-booking]").count();
  await page.getByRole("link", { name: "By piece" }).click();
  await expect(page.locator("[data-booking]")).toHaveCount(lanes);
});

test("the calendar file and the sheet for the wall are made from the same days", async ({ page, request }) => {
  await open(page, SETTLE);
  const file = await request.get("/jobs/carved-settle/days.ics");
  expect(await file.text()).toMatch(/BEGIN:VEVENT[\s\S]*Back panel/);
  await page.getByRole("link", { name: "Sheet for the wall" }).click();
  await expect(page.getByRole("heading", { name: "Monday 30 November" })).toBeVisible();
  const pdf = await page.pdf({ format: "A4", margin: { top: "10mm", bottom: "10mm", left: "10mm", right: "10mm" } });
  expect(pdf.toString("latin1").match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
});

test("the room's air by night, pasted by the hour, and nonsense explained; waits follow", async ({ page }) => {
  await open(page, "/jobs/dough-bin/house");
  const finish = page.locator("[data-finish]");
  const before = await finish.textContent();
  await page.getByLabel("At night, °C").fill("6");
  await page.getByLabel("At night, %").fill("85");
  await page.getByLabel("At night, %").blur();
  await expect.poll(() => finish.textContent()).not.toBe(before);
  await page.getByLabel(/one line per hour/).fill("2026-11-30 09:00, 18, 60\n2026-11-30 20:00, 12, 70");
  await page.getByLabel("Over the day").selectOption("by the hour");
  await expect(page.getByText(/10 hours are missing before Mon 30 Nov, 20:00/)).toBeVisible();
});
