import type { Page } from "@playwright/test";
import sharp from "sharp";
import { expect, open, test } from "./shop";

const chosen = (page: Page) => page.getByRole("complementary", { name: /^Chosen: / });
const found = (page: Page) => page.getByRole("region", { name: "Ways to it" });

test("from the gallery to a dated crust in a few presses, by keyboard", async ({ page }) => {
  await open(page, "/jobs/new");
  await page.getByRole("radio", { name: "Chest of drawers" }).focus();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("heading", { name: "Your cabinet" })).toBeVisible();
  await page.getByLabel("What is on it now").selectOption("varnished timber");
  await page.getByRole("button", { name: "Choose a finish" }).press("Enter");
  await page.waitForURL(/\/finish/);
  // every finish is tried on this piece, and drawn there
  await expect(page.getByRole("contentinfo")).toContainText(/29 suit it/);
  await expect(page.locator("canvas").first()).toBeVisible();
  await page.getByRole("link", { name: /^Worn to the dark/ }).press("Enter");
  await expect(chosen(page)).toContainText("Worn to the dark");
  await expect(chosen(page)).toContainText("Paint does not hold on grease and polish.");
  const leaves = await chosen(page).locator("dd b").textContent();
  await chosen(page).getByRole("button", { name: "Use it" }).press("Enter");
  await page.waitForURL(/\/crust/);
  await expect(page.getByRole("contentinfo")).toContainText("0 stops");
  // the plain sides have no grooves for the tinted wax; the doors have
  await expect(page.locator("#ladder a[data-step]")).toHaveCount(7);
  await expect(page.getByRole("contentinfo")).toContainText(leaves ?? "a date");
  // one press takes all of it back
  await page.getByRole("button", { name: "Undo: Lay the finish Worn to the dark" }).click();
  await expect(page.locator("#ladder a[data-step]")).toHaveCount(0);
});

test("filters say how many are left, stand in the address, and can come to nothing", async ({ page }) => {
  await open(page, "/jobs/carved-settle/finish?look=cracked");
  await expect(page.locator("[data-finish]")).toHaveCount(2);
  await page.getByRole("link", { name: /^practised / }).click();
  await expect(page).toHaveURL(/practice=practised/);
  await expect(page.getByText("No finish matches all of that.")).toBeVisible();
  await page.getByRole("link", { name: "Show all of them" }).click();
  await expect(page.locator("[data-finish]")).toHaveCount(29);
  const worn = page.getByRole("link", { name: /^worn \d+$/ });
  const many = Number(((await worn.textContent()) ?? "").replace(/\D/g, ""));
  await worn.click();
  await expect(page.locator("[data-finish]")).toHaveCount(many);
});

test("a finish on one zone leaves the others as they are", async ({ page }) => {
  await open(page, "/jobs/carved-settle/finish?zone=arms&finish=driftwood");
  await chosen(page).getByRole("button", { name: "Use it" }).click();
  await page.waitForURL(/crust\?zone=arms/);
  await expect(page.getByRole("textbox", { name: "Name of the crust" })).toHaveValue("Driftwood");
  await page.goto("/jobs/carved-settle/crust?zone=back");
  await expect(page.getByRole("textbox", { name: "Name of the crust" })).not.toHaveValue("Driftwood");
});

test("from a wish to a crust: colours put on a corner, ways found while playing, one taken", async ({ page }) => {
  await open(page, "/jobs/overmantel-mirror/look");
  await expect(found(page)).toContainText("As soon as something is asked for");
  await page.getByRole("button", { name: "Chalk-type, duck egg" }).click();
  await page.getByRole("button", { name: /^Flats: / }).click();
  await expect(page).toHaveURL(/field=%23a9bdb3/);
  await expect(found(page).getByRole("button", { name: "Use it" }).first()).toBeVisible();
  // dragged there
  const swatch = (await page.getByRole("button", { name: "Sealing tint-base, walnut" }).boundingBox())!;
  const edges = page.getByRole("button", { name: /^Edges: / });
  const at = (await edges.boundingBox())!;
  await page.mouse.move(swatch.x + 8, swatch.y + 8);
  await page.mouse.down();
  await page.mouse.move(at.x + 6, at.y + 120, { steps: 8 });
  await expect(edges).toHaveAttribute("data-over", "");
  await page.mouse.up();
  await expect(edges).not.toHaveAttribute("data-over");
  await expect(page).toHaveURL(/arris=%233f2c1c/);
  await page.getByRole("button", { name: "worn", exact: true }).click();
  await expect(found(page).getByRole("status")).toContainText(/\d+ tried$/);
  await expect(found(page)).toContainText("a damp cloth rubs through the paint and stops here");
  await expect(found(page).locator("canvas").first()).toBeVisible();
  await found(page).getByRole("button", { name: "Use it" }).first().click();
  await page.waitForURL(/\/crust/);
  await expect(page.locator("#ladder")).toContainText("Sealing tint-base, walnut");
  await expect(page.getByRole("button", { name: "Undo: Lay a planned look" })).toBeVisible();
});

test("only a move of it goes on top of what is there", async ({ page }) => {
  await open(page, "/jobs/overmantel-mirror/look?field=%235d8177&recess=%23453d22");
  const only = found(page)
    .getByRole("button", { name: /^Add only this: .*Dark wax/ })
    .first();
  await expect(only).toBeVisible();
  await expect(found(page).getByRole("status")).toContainText(/\d+ tried$/);
  await only.click();
  await page.waitForURL(/\/crust/);
  await expect(page.getByRole("button", { name: "Undo: Add a move of a planned look" })).toBeVisible();
  await expect(page.locator("#ladder a[data-step]").nth(1)).toContainText("Dark wax");
});

test("what cannot be had is said in a sentence, and another colour changes the answer", async ({ page }) => {
  await open(page, "/jobs/carved-settle/look?field=%23ff00dd");
  await expect(found(page)).toContainText(/Nobody has this colour ready for the flats/);
  await page.goto("/jobs/carved-settle/look?field=%23a0b09e&arris=ground&wear=worn&with=damp+cloth&barrier=no&hours=1");
  await expect(found(page)).toContainText(/Nothing gives this look/);
  // an address that says nonsense asks for nothing
  await page.goto("/jobs/carved-settle/look?field=blueish&days=-3");
  await expect(found(page)).toContainText("As soon as something is asked for");
});

test("from a half-done piece to a way on: what is done stays", async ({ page }) => {
  await open(page, "/jobs/lamp-shelf/look");
  const now = page.getByRole("region", { name: "From where it stands" });
  await expect(now).toContainText("What has been done stays.");
  const umber = now.getByRole("button", { name: "Do this: Tone it down with umber glaze" });
  await expect(umber).toBeVisible();
  await expect(now.locator("canvas").first()).toBeVisible();
  await expect(now).toContainText(/more work/);
  await umber.click();
  await page.waitForURL(/\/crust/);
  await expect(page.getByRole("button", { name: "Undo: Tone it down with umber glaze" })).toBeVisible();
  await expect(page.locator("#ladder")).toContainText("Glaze, raw umber");
});

test("colours are taken from a picture by pointing and by keys; what is not a picture is refused", async ({ page }) => {
  await open(page, "/jobs/carved-settle/look");
  await page.getByText("From a picture of something old").click();
  const file = page.getByLabel("Picture");
  await file.setInputFiles({ name: "notes.txt", mimeType: "image/png", buffer: Buffer.from("no picture") });
  await expect(page.getByRole("alert").filter({ hasText: "notes.txt cannot be read as a picture" })).toBeVisible();
  // left half oxide red, right half bone white
  const half = await sharp({ create: { width: 80, height: 80, channels: 3, background: "#e6dfcf" } })
    .composite([{ input: { create: { width: 40, height: 80, channels: 3, background: "#8a4534" } }, left: 0, top: 0 }])
    .png()
    .toBuffer();
  await file.setInputFiles({ name: "old-door.png", mimeType: "image/png", buffer: half });
  const picture = page.getByRole("button", { name: /^The picture: / });
  await picture.click({ position: { x: 20, y: 20 } });
  await expect(page).toHaveURL(/field=%238a4534/);
  const pointed = page.getByRole("group", { name: "What you point at" });
  await pointed.getByRole("button", { name: "Edges" }).click();
  await picture.focus();
  for (let step = 0; step < 10; step++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/arris=%23e6dfcf/);
});
