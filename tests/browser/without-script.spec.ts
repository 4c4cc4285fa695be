import { expect, makeJob, test } from "./shop";

test.use({ javaScriptEnabled: false, demo: false });

test("without script: make a job, add layers, see the verdict, mend it, take it back", async ({ page }) => {
  await makeJob(page, { title: "Plain chest", piece: "Chest", zone: "Front", species: "pine" });
  await page.getByRole("button", { name: "Chalk-type, slate", exact: true }).click();
  await expect(page.locator("#ladder a[data-step]")).toHaveCount(1);
  await expect(page.getByRole("contentinfo")).toContainText("1 stop");

  await page.getByRole("link", { name: "Add step" }).click();
  await page.getByRole("button", { name: "Dark wax", exact: true }).click();
  await expect(page.locator("#ladder a[data-step]")).toHaveCount(2);
  await expect(page.getByRole("contentinfo")).toContainText("1 caution");
  await expect(page.getByRole("heading", { name: /for good/ })).toBeVisible();

  await page.getByRole("button", { name: /clear wax first/ }).click();
  await expect(page.getByRole("contentinfo")).toContainText("0 cautions");
  await page.getByRole("button", { name: /^Undo: Lay clear wax first/ }).click();
  await expect(page.getByRole("contentinfo")).toContainText("1 caution");

  // the days and the amounts are there as well
  await page.getByRole("link", { name: /^Days/ }).click();
  await expect(
    page.getByRole("img", { name: /Work and drying/ }).or(page.getByRole("group", { name: /Work and drying/ })),
  ).toBeVisible();
  await page.getByRole("link", { name: /^Shelf/ }).click();
  await expect(page.locator('[data-good="wax-dark"]')).toBeVisible();
});

test("without script: a wrong field comes back with everything that was typed", async ({ page }) => {
  await page.goto("/jobs/new?measures=own");
  await page.getByLabel("Job name").fill("Sea chest");
  await page.getByLabel("Piece", { exact: true }).fill("Chest");
  await page.getByLabel("Name", { exact: true }).fill("Lid");
  await page.getByLabel("Height, mm").fill("-40");
  await page.getByRole("button", { name: "Choose a finish" }).click();
  await expect(page.getByText("Width: measure it, in millimetres.")).toBeVisible();
  await expect(page.getByLabel("Job name")).toHaveValue("Sea chest");
  await expect(page.getByLabel("Height, mm")).toHaveValue("-40");
  await page.getByLabel("Width, mm").fill("800");
  await page.getByRole("button", { name: "Choose a finish" }).click();
  await expect(page.getByText("Height: a size must be more than 0 mm.")).toBeVisible();
});

test("without script: a negative coat count is refused where it was typed, and a form sent twice is done once", async ({
  page,
  shop,
}) => {
  await makeJob(page, { title: "Twice", piece: "Box", zone: "Side", species: "pine" });
  const form = page.getByRole("form", { name: "Add a step" });
  const fields = await form
    .locator("input[type=hidden]")
    .evaluateAll((inputs) =>
      inputs.map((input) => [(input as HTMLInputElement).name, (input as HTMLInputElement).value]),
    );
  const address = page.url();
  for (const _time of [1, 2]) {
    const sent = await page.request.post(address, {
      form: { ...Object.fromEntries(fields), pick: "brush|mineral-storm" },
      headers: { Origin: shop.address },
      maxRedirects: 0,
    });
    expect(sent.status()).toBe(302);
  }
  await page.reload();
  await expect(page.locator("#ladder a[data-step]")).toHaveCount(1);

  await page.locator("#ladder a[data-step]").click();
  await page.getByLabel("Coats").fill("-2");
  await page.getByRole("button", { name: "Save the step" }).click();
  await expect(page.getByText("At least one coat.")).toBeVisible();
  await expect(page.getByLabel("Coats")).toHaveValue("-2");
});

test("without script: a page that is out of date shows what changed and keeps what was typed", async ({
  page,
  context,
}) => {
  await makeJob(page, { title: "Two windows", piece: "Box", zone: "Side", species: "pine" });
  await page.getByRole("button", { name: "Acrylic mineral, oyster", exact: true }).click();
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByLabel("Coats").fill("3");
  await other.getByRole("button", { name: "Save the step" }).click();
  await expect(other.getByLabel("Coats")).toHaveValue("3");

  await page.getByLabel("Worked over, %").fill("40");
  await page.getByRole("button", { name: "Save the step" }).click();
  await expect(page.getByRole("alert").first()).toContainText(
    "changed in another window: Change Acrylic mineral, oyster",
  );
  await expect(page.getByLabel("Worked over, %")).toHaveValue("40");
});

test("without script: a place is drawn by measure, and removed again", async ({ page }) => {
  await makeJob(page, { title: "Panel with a rose", piece: "Panel", zone: "Front", species: "pine" });
  await page.getByRole("link", { name: /^Piece/ }).click();
  await page.getByRole("link", { name: "Draw the motif" }).click();
  await page.getByText("By measure").click();
  await page.getByLabel("From the left, %").fill("90");
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(page.getByText("It goes over the right edge. Make it narrower.")).toBeVisible();
  await expect(page.getByLabel("From the left, %")).toHaveValue("90");
  await page.getByLabel("From the left, %").fill("20");
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(page.getByText(/^takes 7 % of the face/)).toBeVisible();
  await page.getByRole("button", { name: "Remove the last outline" }).click();
  await expect(page.getByText(/^draw round it/)).toBeVisible();
});

test("without script: what is wrong in a folded form is not folded away", async ({ page }) => {
  await makeJob(page, { title: "Two at once", piece: "Chest", zone: "Front", species: "pine" });
  await page.getByRole("link", { name: /^Piece/ }).click();
  await page.getByText("The job", { exact: true }).click();
  await page.getByLabel("Job", { exact: true }).fill("");
  await page.getByRole("button", { name: "Save the job" }).click();
  await expect(page.getByRole("alert").first()).toBeVisible();
  await page.getByRole("link", { name: "Add zone" }).click();
  await page.getByText("Or start from a standard piece").click();
  await page
    .getByLabel(/Height, mm/)
    .last()
    .fill("tall");
  await page.getByRole("button", { name: "Add its zones" }).click();
  await expect(page.getByText(/measure it, in millimetres\./).last()).toBeVisible();
});

test.describe("without script, in the demo shop", () => {
  test.use({ demo: true });

  test("a job changes its state, its schedule is made and used, and the shop's hours are saved", async ({ page }) => {
    await page.goto("/jobs/overmantel-mirror/days");
    await page.getByLabel("This job is").selectOption("promised");
    await page.getByRole("form", { name: "How far the job has come" }).getByRole("button", { name: "Save" }).click();
    await expect(page.getByLabel("This job is")).toHaveValue("promised");
    const use = page.getByRole("button", { name: "Use this schedule" });
    await expect
      .poll(
        async () => {
          await page.reload();
          return use.count();
        },
        { intervals: [1000] },
      )
      .toBe(1);
    await use.click();
    await expect(page.getByRole("region", { name: "When it leaves" })).toContainText(/Leaves \w+ \d+ Dec/);
    await page.goto("/shop");
    await page.getByLabel("Drying places").fill("6");
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByLabel("Drying places")).toHaveValue("6");
    await page.getByRole("button", { name: "Undo: Change the drying places" }).click();
    await expect(page.getByLabel("Drying places")).toHaveValue("14");
  });
});

test("without script: a standard piece, a finish from the gallery, and its crust stands", async ({ page }) => {
  await page.goto("/jobs/new");
  await page.getByRole("radio", { name: "Box" }).check({ force: true });
  await page.getByLabel("What is on it now").selectOption("laminate");
  await page.getByRole("button", { name: "Choose a finish" }).click();
  await page.waitForURL(/\/finish/);
  await page.getByRole("link", { name: /^worn / }).click();
  await page.locator("[data-finish='worn-to-dark']").click();
  const chosen = page.getByRole("complementary", { name: "Chosen: Worn to the dark" });
  await expect(chosen).toContainText("Nothing else grips a face as slick as this");
  await chosen.getByRole("link", { name: "Bone white over walnut" }).click();
  await chosen.getByRole("button", { name: "Use it" }).click();
  await page.waitForURL(/\/crust/);
  await expect(page.getByRole("contentinfo")).toContainText("0 stops");
  await expect(page.locator("#ladder")).toContainText("Bonding primer");
  await expect(page.locator("#ladder")).toContainText("bone white");
});

test("without script: a photo is added, a face marked by figures, a length given, the finish laid on it by the shop", async ({
  page,
}) => {
  await makeJob(page, { title: "Cabinet by post", piece: "Cabinet", zone: "Front", species: "pine" });
  await page.getByRole("button", { name: "Chalk-type, slate", exact: true }).click();
  const job = new URL(page.url()).pathname.split("/")[2]!;
  await page.goto(`/jobs/${job}/photo`);
  await page.getByLabel("Photo of the piece (up to 8 MB)").setInputFiles("demo/photo/chart-cabinet-photo.jpg");
  await page.getByRole("button", { name: "Add photo" }).click();
  await page.getByRole("button", { name: "Add face" }).click();
  await page.getByText("Corners by figures").click();
  const figures = page.getByRole("form", { name: "Corners by figures" });
  await figures.getByRole("textbox").fill("20,20 80,20 20,80 80,80");
  await figures.getByRole("button", { name: "Set" }).click();
  await page.getByLabel("A length by tape, mm").fill("980");
  await page.getByRole("button", { name: "Mark it" }).click();
  await expect(page.getByText(/980.* × .* mm/).first()).toBeVisible();
  await page.getByRole("link", { name: "See the finish" }).click();
  const picture = page.getByRole("img", { name: /^The finish on the photo, / });
  await expect(picture).toBeVisible();
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(1600);
});
