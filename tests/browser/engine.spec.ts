import { spawnSync } from "node:child_process";
import { CATALOGUE } from "#core/materials/catalogue";
import { type ExampleStep, examplePlan } from "#core/rules/example";
import { expect, live, open, reload, saved, test } from "./shop";

const foot = "contentinfo";

/** A project file of a crust, to be imported. */
function fileOf(
  title: string,
  steps: ExampleStep[],
  change: (plan: ReturnType<typeof examplePlan>) => void = () => {},
) {
  const plan = examplePlan({ shows: title, ground: "raw timber", species: "pine", steps });
  plan.id = title.toLowerCase().replace(/\W+/g, "-");
  plan.title = title;
  change(plan);
  return { name: `${plan.id}.crust.json`, mimeType: "application/json", buffer: Buffer.from(JSON.stringify(plan)) };
}

async function imported(page: import("@playwright/test").Page, file: ReturnType<typeof fileOf>) {
  await open(page, "/");
  await page.getByLabel("Crust file", { exact: true }).setInputFiles(file);
  await page.getByRole("button", { name: "Import" }).click();
  await page.waitForURL(/\/jobs\/[^/]+\//);
  await live(page);
}

test("the piece is drawn to scale and its zones are picked on the drawing", async ({ page }) => {
  await open(page, "/jobs/chart-cabinet/piece");
  const drawing = page.getByRole("group", { name: /from the front/ });
  await expect(drawing.getByRole("link", { name: "Carcass: stop" })).toBeVisible();
  await drawing.locator("[data-zone=cabinet-top]").click({ force: true });
  await expect(page.getByRole("heading", { level: 2, name: "Top", exact: true })).toBeVisible();
});

test("a standard piece brings its zones, measured and in their places", async ({ page }) => {
  await open(page, "/jobs/sailmakers-bench/piece?add=0");
  await page.getByText("Or start from a standard piece").click();
  await page.getByLabel("Piece", { exact: true }).selectOption("chest");
  await page.getByLabel("Width, mm").last().fill("900");
  await page.getByRole("button", { name: "Add its zones" }).click();
  const drawing = page.getByRole("group", { name: /from the front/ });
  await expect(drawing.getByRole("link", { name: /^Drawer fronts/ })).toBeVisible();
  await page.getByRole("button", { name: /^Undo: Add the zones of a chest of drawers/ }).click();
  await expect(drawing.getByRole("link", { name: /^Drawer fronts/ })).toHaveCount(0);
});

test("a test on the ground sets what it tells: lead not tested stops the scuffing, a clean swab lets it go on", async ({
  page,
}) => {
  await imported(
    page,
    fileOf("Old door", [["clean"], ["scuff"], ["brush", "mineral-storm", { coats: 2 }]], (plan) => {
      Object.assign(plan.pieces[0]!.zones[0]!.ground, { kind: "old paint", age: "unknown", contamination: ["grease"] });
    }),
  );
  await expect(page.getByRole(foot)).toContainText("1 stop");
  await page.getByRole("link", { name: /^Piece/ }).click();
  await page.getByRole("button", { name: "no change" }).click();
  await expect(page.getByRole(foot)).toContainText("0 stops");
  await page.getByText("Water drop").click();
  await page.getByRole("button", { name: "soaks in at once" }).click();
  await expect(page.getByText(/^thirsty/i)).toBeVisible();
});

test("what can go on here: asked of a step, it says now, later and never, and adds what is chosen", async ({
  page,
}) => {
  await open(page, "/jobs/carved-settle/crust?zone=back&step=clear");
  await page.getByRole("link", { name: "What next?" }).click();
  const panel = page.getByRole("region", { name: "What can go on here" });
  await expect(panel.locator("[data-can=never]")).toContainText("No clear coat over wax");
  await expect(panel.locator("[data-can=now]")).toContainText("Dark wax");
  await panel.getByLabel("Find a material").fill("white wax");
  await panel.getByRole("button", { name: "Add White wax" }).last().click();
  await expect(page.locator("#ladder")).toContainText("White wax");
  await saved(page);
});

test("a long crust stays in view whole, with its verdicts", async ({ page }) => {
  const steps: ExampleStep[] = Array.from({ length: 24 }, (_, index) =>
    index % 3 === 2 ? ["sand-320"] : ["brush", index % 3 === 0 ? "chalk-slate" : "chalk-bone-white"],
  );
  await imported(
    page,
    fileOf("Many coats", [...steps, ["brush", "clear-coat-matt", { wait: { kind: "exactly", minutes: 30 } }]]),
  );
  // the same steps coming again and again are one row, which says the worst of them and opens
  await expect(page.locator("#ladder a[data-step]")).toHaveCount(1);
  await expect(page.locator("#ladder")).toContainText("8 times ");
  await page.locator("#ladder a[data-run='24']").click();
  await expect(page.locator("#ladder a[data-step]")).toHaveCount(25);
  // the rows shrink to fit once there are this many, also with the news of a schedule under them, which moves nothing
  const top = async () => (await page.locator("#ladder > li").first().boundingBox())!.y;
  const topBefore = await top();
  const news = page.getByRole("region", { name: "Shop schedule" });
  await news.getByText("A new schedule is ready").waitFor();
  const below = async () => {
    const last = await page.locator("#ladder > li").last().boundingBox();
    const newsLine = await news.boundingBox();
    return last!.y + last!.height - newsLine!.y;
  };
  await expect.poll(below).toBeLessThanOrEqual(0);
  expect(await top()).toBe(topBefore);
  await expect(page.locator("#ladder")).toContainText("The clear coat may pull at the");
  for (const row of await page.locator("#ladder a[data-step]").all())
    expect((await row.boundingBox())!.height).toBeGreaterThanOrEqual(20);
});

test("heat is read and taken on before the step is begun", async ({ page }) => {
  await imported(page, fileOf("Warm air", [["brush", "mineral-storm"], ["heat-gun"]]));
  await page.locator("#ladder a[data-step=s2]").click();
  const safety = page.getByRole("region", { name: "Safety" });
  await expect(safety).toContainText("Never on paint that may contain lead");
  await safety.getByRole("button", { name: /I have read this/ }).click();
  await expect(safety.getByRole("button")).toHaveCount(0);
  await reload(page);
  await expect(page.getByRole("region", { name: "Safety" }).getByRole("button")).toHaveCount(0);
});

test("another school judges at once, and the finding says which", async ({ page }) => {
  await imported(
    page,
    fileOf("Two hours", [
      ["brush", "chalk-slate"],
      ["wax", "wax-clear", { wait: { kind: "exactly", minutes: 120 } }],
    ]),
  );
  await expect(page.getByRole(foot)).toContainText("1 caution");
  await page.locator("[data-finding=W4]").first().click();
  await expect(page.locator("[data-finding=W4]")).toContainText(
    "Paint before wax or clear coat, touch dry: no warning",
  );
  await page.getByRole("link", { name: "House rules" }).click();
  await page.getByRole("radio", { name: /^touch dry/ }).check();
  await expect(page.getByRole(foot)).toContainText("0 cautions");
});

test("the label on the tin wins, nonsense on it is reported, and a copy leaves the original alone", async ({
  page,
}) => {
  await open(page, "/jobs/carved-settle/materials?material=chalk-bone-white");
  const hand = page.getByRole("complementary", { name: "Selected material" });
  await hand.getByText("From my tin's label").click();
  await hand.getByLabel("Recoat from").fill("5 min");
  await hand.getByRole("button", { name: "Save these figures" }).click();
  await expect(hand.getByText(/comes before touch dry/)).toBeVisible();
  await hand.getByLabel("Recoat from").fill("90 min");
  await hand.getByRole("button", { name: "Save these figures" }).click();
  await expect(hand.getByRole("row", { name: /Recoat from/ })).toContainText("your tin's label");
  await hand.getByRole("button", { name: "Make our own copy" }).click();
  await expect(page.getByRole("heading", { name: "Chalk-type, bone white, our own" })).toBeVisible();
});

test("a row is dragged to another place, and the step moves there", async ({ page }) => {
  await open(page, "/jobs/sailmakers-bench/crust?zone=bench-top");
  const names = () => page.locator("#ladder a[data-step] span.font-semibold").allTextContents();
  const before = await names();
  const middleOf = async (step: string) => {
    const { x, y, width, height } = (await page.locator(`#ladder a[data-step=${step}]`).boundingBox())!;
    return [x + width / 2, y + height / 2] as const;
  };
  const [from, to] = [await middleOf("smooth"), await middleOf("wear")];
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move(from[0], (from[1] + to[1]) / 2, { steps: 5 });
  await page.mouse.move(...to, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByRole("button", { name: /^Undo: Move Sand 320/ })).toBeVisible();
  expect(await names()).not.toEqual(before);
});

test("a shared crust is split off for one zone, compared with another, and used again", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust?zone=back");
  await page.getByRole("button", { name: "Own copy for this zone" }).click();
  await expect(page.getByRole("textbox", { name: "Name of the crust" })).toHaveValue("Pale, worn to walnut, 2");
  await page.getByRole("link", { name: "Compare" }).click();
  await page.getByLabel("Compare with").selectOption({ label: "Seat, sealed dark" });
  await expect(page.getByRole("heading", { level: 3, name: "Seat, sealed dark" })).toBeVisible();
  await page.getByRole("link", { name: "Close" }).click();
  await page.getByLabel("Use another crust from this job").selectOption({ label: "Pale, worn to walnut" });
  await page.getByRole("button", { name: "Use it" }).click();
  await expect(page.getByRole("textbox", { name: "Name of the crust" })).toHaveValue("Pale, worn to walnut");
  // a crust no zone uses can be removed, and what lies under a step kept for use elsewhere
  const unused = page.getByRole("form", { name: "Remove Pale, worn to walnut, 2" });
  await unused.getByRole("button", { name: "Remove" }).click();
  await expect(unused).toHaveCount(0);
  await page.locator("#ladder a[data-step=bone]").click();
  await page.getByRole("button", { name: "Split" }).click();
  await page.getByRole("link", { name: "Deselect" }).click();
  await expect(page.getByText("Pale, worn to walnut, 2, not used")).toBeVisible();
});

test("an inspection has ways: the planned one is dated, the other only checked", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust?zone=back&step=look");
  await expect(page.locator("#ladder")).toContainText("only if not worn enough");
  const before = await page.locator("[data-finish]").textContent();
  await page.getByRole("radio", { name: "Plan by: not worn enough" }).check();
  await expect(page.getByRole("button", { name: /^Undo: Change Look and decide/ })).toBeVisible();
  await page.locator("#ladder a[data-step=more]").click();
  await expect(page.locator("[data-reach]")).toContainText("Arris");
  expect(before).toContain("Leaves");
});

test("a technique nobody knows is kept, shown and judged as unknown", async ({ page }) => {
  await imported(
    page,
    fileOf("From elsewhere", [["brush", "mineral-storm"]], (plan) => {
      plan.crusts[0]!.steps.push({
        ...plan.crusts[0]!.steps[0]!,
        id: "odder",
        kind: "take",
        how: "moonwalk",
        what: undefined,
      });
    }),
  );
  await expect(page.getByText("This step cannot be checked").first()).toBeVisible();
  await expect(page.locator("#ladder")).toContainText("moonwalk");
});

test("the guide says every rule with its reason and its examples, and findings lead there", async ({ page }) => {
  await open(page, "/jobs/chart-cabinet/crust?zone=sides&step=seal");
  await page.locator("[data-finding=A4]").getByRole("link", { name: "Guide" }).click();
  await expect(page).toHaveURL(/\/guide#A4$/);
  await expect(page.locator("#A4")).toContainText("A film needs something to bite on");
  await expect(page.locator("#A4")).toContainText("stop: A water-borne clear coat will not stick to wax");
});

test("what next says the same on the command line as in the panel", async ({ page }, info) => {
  await open(page, "/jobs/carved-settle/crust?zone=seat-board&aside=next");
  const shown = await page.locator("[data-can=never]").textContent();
  const download = page.waitForEvent("download");
  await page.goto("/");
  await page.getByRole("link", { name: "Export Carved settle" }).click();
  const file = info.outputPath("settle.crust.json");
  await (await download).saveAs(file);
  const done = spawnSync("node_modules/.bin/tsx", ["cli/crust.ts", "next", file, "--zone", "seat-board"], {
    encoding: "utf8",
  });
  expect(done.status).toBe(0);
  const report = JSON.parse(done.stdout);
  expect(report.options.length).toBeGreaterThan(80);
  const never = report.options.filter(
    (option: { can: string; material?: string }) => option.can === "never" && option.material,
  );
  expect(never.length).toBeGreaterThan(0);
  for (const { material } of never) expect(shown).toContain(CATALOGUE.find((one) => one.id === material)!.name);
});
