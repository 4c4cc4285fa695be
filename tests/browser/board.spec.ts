import { readFileSync } from "node:fs";
import sharp from "sharp";
import { expect, open, saved, test } from "./shop";

const finished = "[data-board=finished]";

/** The picture on the easel, as its pixels. */
const pixels = (page: import("@playwright/test").Page, position = 0) =>
  page.evaluate(
    ([selector, index]) => {
      const canvas = document.querySelectorAll<HTMLCanvasElement>(`${selector} canvas`)[index as number]!;
      const { data } = canvas.getContext("2d")!.getImageData(0, 0, canvas.width, canvas.height);
      let hash = 0;
      let light = 0;
      for (let at4 = 0; at4 < data.length; at4 += 4) {
        light += data[at4]! + data[at4 + 1]! + data[at4 + 2]!;
        hash = (Math.imul(hash, 31) + data[at4]! * 7 + data[at4 + 1]! * 3 + data[at4 + 2]!) | 0;
      }
      return { width: canvas.width, height: canvas.height, hash, light: light / (data.length / 4) / 3 };
    },
    ["[data-board]", position] as const,
  );

/** A photo of a board: one even colour, with a white card in its corner. */
const photoOf = (colour: string, options: { width?: number; height?: number; exif?: boolean } = {}) => {
  const { width = 900, height = 600 } = options;
  const card = Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="${width}" height="${height}" fill="${colour}"/><rect x="${width * 0.9}" y="${height * 0.8}" width="${width * 0.1}" height="${height * 0.2}" fill="#f7f7f7"/></svg>`,
  );
  const picture = sharp(card).jpeg({ quality: 95 });
  return (options.exif ? picture.withExif({ IFD0: { Copyright: "a secret place" } }) : picture).toBuffer();
};

test("the board is drawn, scrubbed from bare ground to the end, and says what shows", async ({ page }) => {
  await open(page, "/jobs/carved-settle/board?zone=back");
  await page.locator(finished).waitFor();
  const done = await pixels(page);
  expect(done).toMatchObject({ width: 768, height: 512 });
  const table = page.locator("[data-shows]");
  await expect(table.getByRole("row", { name: /bone white/ })).toBeVisible();
  const all = await table.locator("tbody td:nth-child(2)").allTextContents();
  expect(all.reduce((sum, text) => sum + Number(text), 0)).toBeGreaterThan(95);

  await page.keyboard.press("Home");
  await expect(page.getByText("Bare ground", { exact: true })).toBeVisible();
  await page.locator(finished).waitFor();
  const bare = await pixels(page);
  expect(bare.hash).not.toBe(done.hash);
  expect(bare.light).toBeLessThan(done.light);

  await page.keyboard.press("ArrowRight");
  await expect(page).toHaveURL(/after=1/);
  await page.keyboard.press("End");
  await page.locator(finished).waitFor();
  await expect.poll(async () => (await pixels(page)).hash).toBe(done.hash);

  // the slider and the strip do the same
  await page.getByLabel("Show the board after").fill("5");
  await expect(page).toHaveURL(/after=5/);
  await page.getByRole("link", { name: "Bare ground" }).click();
  await expect(page).toHaveURL(/after=0/);
});

test("the page stays responsive while a board is drawn, and an edit is drawn again", async ({ page }) => {
  await open(page, "/jobs/chart-cabinet/board?zone=plinth");
  await expect(page.locator("[data-board]")).toBeVisible();
  // the page's own thread is never blocked for long, though the worker is busy
  const longest = await page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        let last = performance.now();
        let worst = 0;
        const until = last + 1500;
        const tick = () => {
          const now = performance.now();
          worst = Math.max(worst, now - last);
          last = now;
          if (now < until) requestAnimationFrame(tick);
          else resolve(worst);
        };
        requestAnimationFrame(tick);
      }),
  );
  expect(longest).toBeLessThan(1000);
  await page.locator(finished).waitFor();
  const before = await pixels(page);
  await page.getByRole("link", { name: /^Crust/ }).click();
  await page.locator("a[data-step=bone]").first().click();
  await page.getByRole("button", { name: "Remove", exact: true }).first().click();
  await saved(page);
  await page.getByRole("link", { name: /^Board/ }).click();
  await page.locator(finished).waitFor();
  await expect.poll(async () => (await pixels(page)).hash).not.toBe(before.hash);
});

test("wet and dry, daylight and lamp, the turned light, another panel and another board all look different", async ({
  page,
}) => {
  await open(page, "/jobs/carved-settle/board?zone=seat-board&after=3");
  await page.locator(finished).waitFor();
  const seen = new Set([(await pixels(page)).hash]);
  const next = async (act: () => Promise<unknown>) => {
    await act();
    await expect.poll(async () => seen.has((await pixels(page)).hash)).toBe(false);
    await page.locator(finished).waitFor();
    seen.add((await pixels(page)).hash);
  };
  await next(() => page.keyboard.press("v"));
  await next(() => page.keyboard.press("l"));
  await next(async () => {
    await page.getByRole("slider", { name: "Direction of the light" }).focus();
    await page.keyboard.press("ArrowRight");
  });
  await next(() => page.getByRole("link", { name: "Carved panel" }).click());
  await next(() => page.getByRole("link", { name: "Another board" }).click());
  await page.keyboard.press("z");
  await expect.poll(async () => (await pixels(page)).width).toBe(1134);
});

test("two boards are compared with a line that is moved across", async ({ page }) => {
  await open(page, "/jobs/carved-settle/board?zone=back");
  await page.getByLabel("Compare with").selectOption("zone:front-panels");
  await expect(page.locator("[data-board] canvas")).toHaveCount(2);
  await page.locator(finished).waitFor();
  expect((await pixels(page, 0)).hash).not.toBe((await pixels(page, 1)).hash);
  const line = page.getByRole("slider", { name: "Line between the two boards" });
  await line.focus();
  await page.keyboard.press("ArrowLeft");
  await expect(line).toHaveAttribute("aria-valuenow", "48");
  // the arrows moved the line, not the board
  expect(page.url()).not.toContain("after=");
  const box = (await line.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 40);
  await page.mouse.down();
  await page.mouse.move(box.x + 200, box.y + 40);
  await page.mouse.up();
  await expect(line).not.toHaveAttribute("aria-valuenow", "48");
  await page.getByLabel("Compare with").selectOption("step:ground");
  await page.locator(finished).waitFor();
});

test("a board is exported as the picture that is seen", async ({ page }) => {
  await open(page, "/jobs/carved-settle/board?zone=seat-board&after=2");
  await page.locator(finished).waitFor();
  const coming = page.waitForEvent("download");
  await page.getByRole("link", { name: "Export PNG" }).click();
  const file = await coming;
  expect(file.suggestedFilename()).toMatch(/^Seat.*\.png$/);
  const { data, info } = await sharp(readFileSync(await file.path()))
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect(info).toMatchObject({ width: 768, height: 512 });
  const light = data.reduce((sum, value) => sum + value, 0) / data.length;
  expect(Math.abs(light - (await pixels(page)).light)).toBeLessThan(0.01);
});

test("a real board stands beside its prediction: the difference is measured and a material corrected by it", async ({
  page,
}) => {
  await open(page, "/jobs/sailmakers-bench/board?zone=tool-rack&after=3");
  await page.locator(finished).waitFor();
  const photo = await photoOf("#8c4030", { exif: true });
  await page
    .getByLabel("Photo (up to 8 MB)")
    .setInputFiles({ name: "board.jpg", mimeType: "image/jpeg", buffer: photo });
  await page.getByLabel("Note: where it differs").fill("a touch lighter");
  await page.getByRole("button", { name: "Add photo" }).click();
  await page.getByRole("link", { name: "a touch lighter" }).click();
  const panel = page.locator("[data-difference]");
  await expect(panel).toContainText("ΔE00");
  await expect(panel).toContainText("#8c4030");
  const apart = async () => Number(/ΔE00 ([\d.]+)/.exec((await panel.textContent()) ?? "")![1]);
  const before = await apart();
  expect(before).toBeGreaterThan(2);

  // the saved photo is a new JPEG without the camera's notes
  const address = await page.locator("section[aria-label='Real boards'] img").first().getAttribute("src");
  const kept = await page.request.get(address!);
  expect(kept.headers()["content-type"]).toBe("image/jpeg");
  const { exif, width } = await sharp(await kept.body()).metadata();
  expect(exif).toBeUndefined();
  expect(width).toBe(900);

  await panel.getByRole("combobox", { name: "Material" }).selectOption({ label: "Milk paint, barn red" });
  await panel.getByRole("button", { name: "Correct" }).click();
  await saved(page);
  await page.locator(finished).waitFor();
  await expect.poll(apart).toBeLessThan(before * 0.6);
  await page.getByRole("button", { name: /^Undo: Correct Milk paint, barn red/ }).click();
  await expect.poll(apart).toBeCloseTo(before, 0);

  // rings move by the keyboard, and the white point can be set
  const ring = page.getByRole("button", { name: /Place on the photo/ });
  await ring.focus();
  await page.keyboard.press("ArrowDown");
  await expect(ring).toHaveAccessibleName(/7 % down/);
  await panel.getByRole("button", { name: "Set the white point" }).click();
  const board = (await page.locator("[data-board]").boundingBox())!;
  await page.mouse.click(board.x + board.width * 0.95, board.y + board.height * 0.9);
  await expect(panel.getByRole("button", { name: "White point set; pick again" })).toBeVisible();

  // removed, it can be restored
  await page.getByRole("button", { name: "Remove: a touch lighter" }).click();
  await expect(page.getByText("Removed: a touch lighter.")).toBeVisible();
  await page.getByRole("button", { name: "Restore" }).click();
  await expect(page.getByRole("link", { name: "a touch lighter" })).toBeVisible();
});

test("a file that is no photo, or too much of one, is refused in words and nothing is lost", async ({ page }) => {
  await open(page, "/jobs/sailmakers-bench/board?zone=tool-rack&after=1");
  const send = async (name: string, mimeType: string, buffer: Buffer, says: RegExp) => {
    await page.getByLabel("Photo (up to 8 MB)").setInputFiles({ name, mimeType, buffer });
    await page.getByLabel("Note: where it differs").fill("keep this note");
    await page.getByRole("button", { name: "Add photo" }).click();
    await expect(page.getByRole("alert")).toContainText(says);
    await expect(page.getByLabel("Note: where it differs")).toHaveValue("keep this note");
  };
  await send("board.jpg", "image/jpeg", Buffer.from("not a picture at all"), /cannot be read as a photo/);
  const drawing = '<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"><script>alert(1)</script></svg>';
  await send("board.jpg", "image/jpeg", Buffer.from(drawing), /This is not a photo/);
  const whole = await photoOf("#aaaaaa");
  await send("half.jpg", "image/jpeg", whole.subarray(0, whole.length / 3), /cannot be read as a photo/);
  const huge = await sharp({ create: { width: 8200, height: 6150, channels: 3, background: "#777777" } })
    .png({ compressionLevel: 9 })
    .toBuffer();
  await send("huge.png", "image/png", huge, /50 megapixels; the limit is 40/);
  await expect(page.getByText("None yet.")).toBeVisible();
});

test("the mixing bench predicts a mix, finds the nearest one, and keeps it as a paint", async ({ page }) => {
  await open(page, "/jobs/carved-settle/mix?mix=craft-ultramarine:1,chalk-mustard:1&want=%236a8f6a");
  const mixed = page.locator("[data-mix-colour]");
  const first = await mixed.textContent();
  const [red, green, blue] = [1, 3, 5].map((at) => Number.parseInt(first!.slice(at, at + 2), 16));
  expect(green!).toBeGreaterThanOrEqual(red!);
  expect(green!).toBeGreaterThan(blue!);
  await page.getByRole("link", { name: "One more part of Chalk-type, mustard" }).click();
  await expect(mixed).not.toHaveText(first!);

  await page.getByRole("list", { name: "Nearest mixes" }).getByRole("link").first().click();
  await expect(page.getByText(/^Against the target colour/)).toContainText(/ΔE00 [0-4]\./);
  await page.getByLabel("Save as").fill("Harbour green");
  await page.getByRole("button", { name: "Save mix" }).click();
  await expect(page.getByRole("button", { name: "Undo: Save the mix Harbour green" })).toBeVisible();
  await saved(page);
  await page.getByRole("link", { name: /^Materials/ }).click();
  await expect(page.getByRole("link", { name: /Harbour green/ })).toBeVisible();
});

test("a tin is locked into the mixes that are looked for, and only what is on the shelf is used", async ({ page }) => {
  await open(page, "/jobs/carved-settle/mix?mix=chalk-slate:1,chalk-bone-white:1&want=%237d8a80");
  const nearest = page.getByRole("list", { name: "Nearest mixes" });
  await page.getByRole("link", { name: "Lock Chalk-type, slate" }).click();
  await expect(page.getByRole("link", { name: "Unlock Chalk-type, slate" })).toBeVisible();
  await page.getByRole("link", { name: "On the shelf" }).click();
  for (const mix of await nearest.getByRole("link").all()) {
    await expect(mix).toContainText("Chalk-type, slate");
    // there is none of it in the loft
    await expect(mix).not.toContainText("Chalk-type, duck egg");
  }
});

test("a palette is taken in and given out; a wrong colour or palette says where and why", async ({ page }) => {
  await open(page, "/jobs/dough-bin/mix");
  await page.getByText("Save this colour, or import a palette").click();
  const palette = page.getByLabel("GIMP palette (*.gpl), as text");
  await palette.fill("GIMP Palette\nName: harbour\n169 189 300 too blue");
  await page.getByRole("button", { name: "Import" }).click();
  await expect(page.getByText("line 3: A colour is three numbers from 0 to 255 and a name.")).toBeVisible();
  await palette.fill("GIMP Palette\nName: harbour\nColumns: 2\n#\n169 189 179 duck egg\n86 100 107\tslate sea");
  await page.getByRole("button", { name: "Import" }).click();
  await page.getByRole("list", { name: "Target colours of this job" }).getByRole("link", { name: "slate sea" }).click();
  await expect(page).toHaveURL(/want=%2356646b/);
  await saved(page);
  const given = await page.request.get("/jobs/dough-bin/palette.gpl");
  expect(await given.text()).toContain("169 189 179\tduck egg");

  await page.goto("/jobs/dough-bin/mix?want=Lab+60+-120+120");
  await expect(page.getByText(/more vivid than a screen can show; the nearest it shows is #/)).toBeVisible();
  await page.goto("/jobs/dough-bin/mix?want=greenish");
  await expect(page.getByText("Write it like #a9bdb3, or in Lab like Lab 74 -8 4.")).toBeVisible();
});

test("a material's colour is written as Lab or as two swatches", async ({ page }) => {
  await open(page, "/jobs/carved-settle/materials?material=chalk-bone-white");
  const form = page.getByRole("form", { name: "Write the colour of Chalk-type, bone white" });
  await form.getByRole("textbox").fill("lab 200 0 0");
  await form.getByRole("button", { name: "Use it" }).click();
  await expect(page.getByText("L runs from 0, black, to 100, white; 200 is outside.")).toBeVisible();
  await form.getByRole("textbox").fill("Lab 80 2 12");
  await form.getByRole("button", { name: "Use it" }).click();
  await expect(form.getByText(/^Colour code: #/)).toContainText("Lab 80 2 12");
  await open(page, "/jobs/carved-settle/materials?material=wax-dark");
  const swatches = page.getByRole("form", { name: "Swatches of Dark wax" });
  await swatches.getByLabel("1 coat on white").fill("#101010");
  await swatches.getByLabel("1 coat on black").fill("#e0d0c0");
  await swatches.getByRole("button", { name: "Use both" }).click();
  await expect(page.getByText("Over black it must look darker than over white; are the two swapped?")).toBeVisible();
  await swatches.getByLabel("1 coat on white").fill("#c09a70");
  await swatches.getByLabel("1 coat on black").fill("#140f0b");
  await swatches.getByRole("button", { name: "Use both" }).click();
  await expect(page.getByRole("button", { name: "Undo: Colour of Dark wax" })).toBeVisible();
});

test.describe("without script", () => {
  test.use({ javaScriptEnabled: false });

  test("the board is a picture from the server, its steps are links, and a photo is taken in", async ({ page }) => {
    await page.goto("/jobs/carved-settle/board?zone=seat-board");
    await page.getByRole("link", { name: "Bare ground" }).click();
    const picture = page.getByRole("img", { name: "Sample board of Seat, after bare ground" });
    const drawn = await page.request.get((await picture.getAttribute("src"))!);
    expect(drawn.headers()["content-type"]).toBe("image/png");
    expect(await sharp(await drawn.body()).metadata()).toMatchObject({ width: 768, height: 512 });
    await page
      .getByLabel("Photo (up to 8 MB)")
      .setInputFiles({ name: "x.jpg", mimeType: "image/jpeg", buffer: Buffer.from("no") });
    await page.getByRole("button", { name: "Add photo" }).click();
    await expect(page.getByRole("alert")).toContainText("cannot be read as a photo");
    await page
      .getByLabel("Photo (up to 8 MB)")
      .setInputFiles({ name: "x.jpg", mimeType: "image/jpeg", buffer: await photoOf("#445566") });
    await page.getByRole("button", { name: "Add photo" }).click();
    await expect(page.getByRole("button", { name: /^Remove:/ })).toBeVisible();
  });

  test("a board of a zone that is not there is an error page with a sentence", async ({ page }) => {
    const answer = await page.goto("/jobs/carved-settle/board.png?zone=nowhere");
    expect(answer?.status()).toBe(404);
  });
});
