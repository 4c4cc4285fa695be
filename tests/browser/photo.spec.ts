import type { Page } from "@playwright/test";
import sharp from "sharp";
import type { PhotoPoint } from "#core/plan/photo-marks";
import { PHOTOS_OF_PIECES } from "#demo/photo/pieces";
import { expect, makeJob, open, saved, test } from "./shop";

const CABINET = PHOTOS_OF_PIECES[0]!();
const FILE = `demo/photo/${CABINET.id}.jpg`;
const faceOf = (id: string) => CABINET.marks.faces.find((face) => face.id === id)!;

const finished = (page: Page) => page.locator("canvas[data-painted=finished]");
const faces = (page: Page) => page.getByRole("complementary", { name: "Faces of the photo" });
const stage = (page: Page) => page.locator(".photo-stage");

/** Presses on a place of the photo. */
async function pressAt(page: Page, [x, y]: PhotoPoint) {
  const box = (await stage(page).boundingBox())!;
  await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
}

async function addPhoto(page: Page, file: string | { name: string; mimeType: string; buffer: Buffer } = FILE) {
  await page.getByLabel("Photo of the piece (up to 8 MB)").setInputFiles(file);
  await page.getByRole("button", { name: "Add photo" }).click();
}

/** Mean colour of a part of the picture on the page. */
async function colourAt(page: Page, [x, y]: PhotoPoint): Promise<[number, number, number]> {
  const picture = await finished(page).screenshot();
  const { width = 0, height = 0 } = await sharp(picture).metadata();
  const part = await sharp(picture)
    .extract({ left: Math.round(x * width) - 4, top: Math.round(y * height) - 4, width: 8, height: 8 })
    .toBuffer();
  const { channels } = await sharp(part).stats();
  return [channels[0]!.mean, channels[1]!.mean, channels[2]!.mean];
}

test("from a photo to zones to a picture", async ({ page }) => {
  await makeJob(page, { title: "Cabinet by photo", piece: "Cabinet", zone: "Front", species: "pine" });
  await page.getByRole("button", { name: "Chalk-type, slate", exact: true }).click();
  await saved(page);
  const job = new URL(page.url()).pathname.split("/")[2]!;
  await open(page, `/jobs/${job}/photo`);
  await addPhoto(page);
  await expect(page).toHaveURL(/view=mark/);

  // the front: its four corners pointed at in any order, and a length by tape along its lower edge
  await faces(page).getByRole("button", { name: "Add face" }).click();
  await expect(faces(page).getByRole("button", { name: /^Now press on the four corners/ })).toBeVisible();
  const [a, b, d, c] = faceOf("carcass-front").points as [PhotoPoint, PhotoPoint, PhotoPoint, PhotoPoint];
  for (const corner of [c, a, d, b]) await pressAt(page, corner);
  await expect(faces(page).getByText(/nothing says how large it is/)).toBeVisible();
  await faces(page).getByLabel("A length by tape, mm").fill("980");
  await faces(page).getByRole("button", { name: "Mark it" }).click();
  await expect(faces(page).getByText(/by the length on it/)).toBeVisible();

  // the side becomes a zone of its own; what it shares with the front says how large it is
  await faces(page).getByLabel("Shows").first().selectOption({ label: "a new zone" });
  await faces(page).getByLabel("Looks").first().selectOption({ label: "to a side" });
  await faces(page).getByRole("button", { name: "Add face" }).click();
  for (const corner of faceOf("carcass-side").points) await pressAt(page, corner);
  await expect(faces(page).getByText(/by a corner it shares/)).toBeVisible();
  const measures = faces(page).getByRole("region", { name: "Sizes from the photo" });
  await measures.getByRole("button", { name: "Use these sizes for the zones" }).click();
  await saved(page);
  await expect(measures.getByRole("row")).toHaveCount(3);

  await page.goto(`/jobs/${job}/piece`);
  const zones = page.getByRole("region", { name: "Zones of the piece" }).getByRole("listitem");
  const sizes = async (name: string) => {
    const text = (await zones.filter({ hasText: new RegExp(`^${name}`) }).textContent()) ?? "";
    return (/(\d+) × (\d+) mm/.exec(text) ?? []).slice(1).map(Number);
  };
  const [width = 0, height = 0] = await sizes("Front");
  expect(Math.abs(width / 980 - 1)).toBeLessThan(0.01);
  expect(Math.abs(height / 720 - 1)).toBeLessThan(0.02);
  const [depth = 0] = await sizes("New zone");
  expect(Math.abs(depth / 640 - 1)).toBeLessThan(0.06);

  // the finish on it: slate where there was laminate, the wall as it was
  await page.goto(`/jobs/${job}/photo`);
  await expect(finished(page)).toBeVisible();
  const [red, green, blue] = await colourAt(page, [(c[0] + d[0]) / 2, (c[1] + d[1]) / 2 - 0.03]);
  expect(red).toBeLessThan(blue + 12);
  expect(red + green + blue).toBeLessThan(260);
  const wall = await colourAt(page, [0.1, 0.1]);
  expect(Math.min(...wall)).toBeGreaterThan(150);
});

test("scrubbing goes from the piece as it is to the finished one, the line wipes between the two", async ({ page }) => {
  await open(page, "/jobs/carved-settle/photo");
  await expect(finished(page)).toBeVisible();
  await expect(page.getByText("30 of 30")).toBeVisible();
  const panel = [0.4, 0.6] as const;
  const done = await colourAt(page, [...panel]);
  await page.keyboard.press("Home");
  await expect(page.getByText("As it is", { exact: true })).toBeVisible();
  await expect(finished(page)).toBeVisible();
  await expect(page).toHaveURL(/after=0/);
  const bare = await colourAt(page, [...panel]);
  expect(Math.abs(bare[2] - done[2])).toBeGreaterThan(20);
  await page.keyboard.press("ArrowRight");
  await expect(page.getByText("1 of 30")).toBeVisible();
  const line = page.getByRole("slider", { name: /^Line between the piece as it is/ });
  await line.focus();
  for (let press = 0; press < 5; press++) await page.keyboard.press("ArrowRight");
  await expect(line).toHaveAttribute("aria-valuenow", "10");
  await expect(finished(page)).toHaveCSS("clip-path", "inset(0px 0px 0px 10%)");
});

test("corners move by the arrow keys, a pixel at a time, and undo puts them back", async ({ page }) => {
  await open(page, "/jobs/chart-cabinet/photo?view=mark&face=carcass-front");
  const corner = page.getByRole("button", { name: /^Upper left corner, / });
  const before = await corner.getAttribute("aria-label");
  await corner.focus();
  await page.keyboard.press("Shift+ArrowLeft");
  await page.keyboard.press("ArrowLeft");
  await expect(page.getByRole("button", { name: "Undo: Mark Carcass, front on the photo" })).toBeVisible();
  await saved(page);
  expect(await corner.getAttribute("aria-label")).not.toBe(before);
  await page.getByRole("button", { name: "Undo: Mark Carcass, front on the photo" }).click();
  await expect(corner).toHaveAttribute("aria-label", before!);
});

test("a photo that is no photo, corners that cross, a bow and an opening: each says what to do", async ({ page }) => {
  await makeJob(page, { title: "Faults", piece: "Box", zone: "Lid", species: "pine" });
  const job = new URL(page.url()).pathname.split("/")[2]!;
  await open(page, `/jobs/${job}/photo`);
  await addPhoto(page, { name: "piece.jpg", mimeType: "image/jpeg", buffer: Buffer.from("a note, not a photo") });
  await expect(page.getByRole("alert")).toHaveText(/cannot be read as a photo|not a photo/);
  await addPhoto(page);
  await faces(page).getByRole("button", { name: "Add face" }).click();
  await faces(page).getByText("Corners by figures").click();
  const figures = faces(page).getByRole("form", { name: "Corners by figures" });
  await figures.getByRole("textbox").fill("80,20 20,20 20,80 80,80");
  await figures.getByRole("button", { name: "Set" }).click();
  await expect(faces(page).getByRole("alert").first()).toHaveText(/^Its corners cross/);
  await figures.getByRole("textbox").fill("20,20 80,20 20,80 nowhere");
  await figures.getByRole("button", { name: "Set" }).click();
  await expect(figures.getByText("Write each corner as from the left")).toBeVisible();
  await figures.getByRole("textbox").fill("20,20 80,20 20,80 80,80");
  await figures.getByRole("button", { name: "Set" }).click();
  await faces(page).getByLabel("Opening").selectOption("yes");
  await expect(page.getByRole("button", { name: /^Upper left corner of the opening/ })).toBeVisible();
  await faces(page).getByLabel("Bowed from left to right").selectOption("3");
  await expect(page.getByRole("button", { name: /^Point 2 of row 1/ })).toBeVisible();
  await saved(page);
});

test("the picture goes to the customer and onto the quote, with the piece as it was beside it", async ({ page }) => {
  await open(page, "/jobs/carved-settle/photo");
  const link = page.getByRole("link", { name: "Before and after" });
  const answer = await page.request.get((await link.getAttribute("href"))!);
  expect(answer.headers()["content-type"]).toBe("image/jpeg");
  const { width, height } = await sharp(await answer.body()).metadata();
  expect([width, height]).toEqual([3216, 1200]);
  const alone = await page.request.get((await page.getByRole("link", { name: "Export JPEG" }).getAttribute("href"))!);
  expect((await sharp(await alone.body()).metadata()).width).toBe(1600);
  await page.goto("/jobs/carved-settle/quote");
  const picture = page.getByRole("img", { name: "The piece as it is, and with the predicted finish" });
  await expect(picture).toBeVisible();
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(1616);
  expect((await page.request.get("/jobs/carved-settle/photo.jpg?photo=nobody")).status()).toBe(404);
});

test("a photo that is removed can be restored, with everything that was marked on it", async ({ page }) => {
  await open(page, "/jobs/chart-cabinet/photo?view=mark");
  await page.getByRole("button", { name: "Remove this photo" }).click();
  await expect(page.getByRole("heading", { name: "See the finish on your own photo" })).toBeVisible();
  await page.getByRole("button", { name: "Restore" }).click();
  await expect(page.getByRole("heading", { name: "See the finish on your own photo" })).toBeHidden();
  await page.goto("/jobs/chart-cabinet/photo?view=mark");
  await expect(faces(page).getByRole("listitem").filter({ hasText: "Drawer 8" })).toBeVisible();
});
