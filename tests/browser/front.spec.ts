import { examplePlan } from "#core/rules/example";
import { expect, live, open, saved, test } from "./shop";

const piece = "/jobs/chart-cabinet/piece";

test("the sizes of a zone are typed on the dimension lines of the drawing, and undone", async ({ page }) => {
  await open(page, "/jobs/sailmakers-bench/piece?zone=top");
  const width = page.getByRole("form", { name: "Width on the drawing" }).getByRole("textbox");
  await expect(width).toHaveValue("1900");
  const high = page.getByRole("form", { name: "From top to bottom on the drawing" }).getByRole("textbox");
  await high.fill("60");
  await high.press("Enter");
  await width.fill("1800");
  await width.press("Tab");
  await expect(page.getByLabel("Width, mm").last()).toHaveValue("1800");
  await expect(page.getByRole("list").getByText("panel or board 1800 × 420 mm")).toBeVisible();
  await saved(page);
  // out of the field, where the keys would undo the typing
  await page.getByRole("heading", { level: 1 }).click();
  await page.keyboard.press("Control+z");
  await expect(width).toHaveValue("1900");
  await expect(high).toHaveValue("60");
  await width.fill("none");
  await width.press("Enter");
  await expect(page.getByRole("alert")).toContainText("Measure it, in millimetres.");
});

test("a zone is drawn on the front by mouse: it has the size that is drawn, and lines up with its neighbours", async ({
  page,
}) => {
  await open(page, piece);
  await page.getByRole("link", { name: "Draw zone" }).click();
  const sheet = page.getByRole("application", { name: /Draw a new zone/ });
  await page.getByLabel("moulded panel").check();
  const box = (await sheet.boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.06, box.y + box.height * 0.4);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.6, { steps: 6 });
  await expect(page.getByText(/^\d+ × \d+ mm, −?-?\d+ from the left/)).toBeVisible();
  await page.mouse.up();
  await expect(page.getByRole("heading", { level: 2, name: /^Part \d/ })).toBeVisible();
  await expect(page.getByLabel("Relief")).toHaveValue("moulded");
  await page.getByLabel("Name", { exact: true }).fill("Side shelf");
  await page.getByLabel("Name", { exact: true }).press("Tab");
  await expect(page.locator("svg [data-zone]", { has: page.getByText("Side shelf") })).toHaveCount(1);
  await saved(page);
});

test("with the keys alone a zone is drawn, and moved to where it belongs", async ({ page }) => {
  await open(page, `${piece}?draw=zone`);
  const sheet = page.getByRole("application", { name: /Draw a new zone/ });
  await sheet.focus();
  for (const key of ["Enter", "Shift+ArrowRight", "Shift+ArrowRight", "Shift+ArrowUp", "Enter"])
    await page.keyboard.press(key);
  await expect(page.getByLabel("Width, mm").last()).toHaveValue("100");
  await expect(page.getByLabel("Height, mm").last()).toHaveValue("50");
  await page.getByRole("link", { name: /^Move Part/ }).click();
  const moving = page.getByRole("application", { name: /^Move Part/ });
  await moving.focus();
  await page.keyboard.press("Shift+ArrowLeft");
  await page.keyboard.press("ArrowUp");
  const there = await page.getByText(/^100 × 50 mm/).textContent();
  await page.keyboard.press("Enter");
  await expect(moving).toBeHidden();
  await page.getByRole("link", { name: /^Move Part/ }).click();
  await page.getByText("By measure").click();
  const [, left, floor] = /(-?\d+) from the left, (-?\d+) from the floor/.exec(there!)!;
  const measures = page.getByRole("form", { name: "Type it in millimetres" });
  await expect(measures.getByLabel("From the left, mm")).toHaveValue(left!);
  await expect(measures.getByLabel("From the floor, mm")).toHaveValue(floor!);
  await measures.getByLabel("Width, mm").fill("0");
  await measures.getByRole("button", { name: "Put it there" }).click();
  await expect(measures.getByText("A size must be more than 0 mm.")).toBeVisible();
  await saved(page);
});

test.describe("before scripts load", () => {
  test.use({ javaScriptEnabled: false });
  test("a zone is drawn by measure, and its size is typed on the drawing", async ({ page }) => {
    await page.goto(`${piece}?draw=zone`);
    await page.getByText("By measure").click();
    const measures = page.getByRole("form", { name: "Type it in millimetres" });
    await measures.getByLabel("From the left, mm").fill("1100");
    await measures.getByLabel("From the floor, mm").fill("0");
    await measures.getByLabel("Width, mm").fill("300");
    await measures.getByLabel("Height, mm").fill("400");
    await measures.getByRole("button", { name: "Add it" }).click();
    const width = page.getByRole("form", { name: "Width on the drawing" }).getByRole("textbox");
    await expect(width).toHaveValue("300");
    await width.fill("320");
    await width.press("Enter");
    await expect(width).toHaveValue("320");
  });
});

test("a new zone goes to the piece it was asked for, and the form says which", async ({ page }) => {
  const plan = examplePlan({
    shows: "Chair",
    ground: "raw timber",
    species: "beech",
    steps: [["brush", "chalk-slate"]],
  });
  const [chair] = plan.pieces;
  const table = {
    ...chair!,
    id: "table",
    name: "Table",
    zones: [{ ...chair!.zones[0]!, id: "table-top", name: "Top" }],
  };
  const file = { ...plan, id: "chair-and-table", title: "Chair and table", pieces: [chair!, table] };
  await open(page, "/");
  await page.getByLabel("Crust file", { exact: true }).setInputFiles({
    name: "two.crust.json",
    mimeType: "application/json",
    buffer: Buffer.from(JSON.stringify(file)),
  });
  await page.getByRole("button", { name: "Import" }).click();
  await page.waitForURL(/\/jobs\/[^/]+\//);
  await live(page);
  await open(page, new URL(page.url()).pathname.replace(/[^/]+$/, "piece"));
  const zones = page.getByRole("region", { name: "Zones of the piece" }).getByRole("list");
  await page.getByRole("link", { name: "Add zone" }).last().click();
  const form = page.getByRole("form", { name: "New zone" });
  await expect(form.getByLabel("Piece", { exact: true })).toHaveValue("table");
  await form.getByLabel("Name", { exact: true }).fill("Leg");
  await form.getByLabel("Width, mm").fill("60");
  await form.getByLabel("Height, mm").fill("700");
  await form.getByRole("button", { name: "Add the zone" }).click();
  await expect(zones.last()).toContainText("Leg");
  await expect(zones.first()).not.toContainText("Leg");
  await saved(page);
  // and to the other, chosen in the form
  await page.getByRole("link", { name: "Add zone" }).last().click();
  await form.getByLabel("Piece", { exact: true }).selectOption({ index: 0 });
  await form.getByLabel("Name", { exact: true }).fill("Seat");
  await form.getByLabel("Width, mm").fill("400");
  await form.getByLabel("Height, mm").fill("400");
  await form.getByRole("button", { name: "Add the zone" }).click();
  await expect(zones.first()).toContainText("Seat");
  await saved(page);
});
