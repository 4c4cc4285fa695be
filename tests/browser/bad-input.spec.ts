import { writeFileSync } from "node:fs";
import { hobnailYard } from "#demo/hobnail-yard";
import { expect, open, test } from "./shop";

const crustFile = (change: (plan: Record<string, unknown>) => void) => {
  const plan = structuredClone(hobnailYard()[0]!) as unknown as Record<string, unknown>;
  change(plan);
  return JSON.stringify(plan);
};

const FILES: [name: string, text: string, says: RegExp][] = [
  ["cut short", '{"format":"jolly-crust"', /is damaged on line 1/],
  ["another kind", '{"format":"shopping-list"}', /This is not a crust file/],
  ["from the future", crustFile((plan) => Object.assign(plan, { version: 99 })), /written by a newer version/],
  [
    "negative coats",
    crustFile((plan) => Object.assign((plan.crusts as { steps: object[] }[])[0]!.steps[1]!, { coats: -1 })),
    /crust "[^"]+", step 2, number of coats:.*at least one coat/is,
  ],
  [
    "a zone without size",
    crustFile((plan) =>
      Object.assign((plan.pieces as { zones: { shape: object }[] }[])[0]!.zones[0]!.shape, { width: 0 }),
    ),
    /zone "[^"]+", shape, width:.*a size must be more than 0 mm/is,
  ],
  ["too large", `{"format":"jolly-crust","title":"${"x".repeat(5_050_000)}"}`, /the limit for a crust file is 5 MB/],
];

test("a broken project file is refused with where and what to do, and the jobs stay as they are", async ({
  page,
}, info) => {
  await page.goto("/");
  const rows = await page.locator("tbody tr").count();
  for (const [name, text, says] of FILES) {
    const file = info.outputPath(`${name.replace(/ /g, "-")}.crust.json`);
    writeFileSync(file, text);
    await page.getByLabel("Crust file", { exact: true }).setInputFiles(file);
    await page.getByRole("button", { name: "Import" }).click();
    await expect(
      page.getByRole("alert").or(page.getByRole("heading", { name: "That is too large" })),
      name,
    ).toBeVisible();
    await expect(page.locator("main"), name).toContainText(says);
    await page.goto("/");
    await expect(page.locator("tbody tr")).toHaveCount(rows);
  }
});

test("a plan that does not exist gets a page that says so and leads on", async ({ page }) => {
  const answer = await page.goto("/jobs/no-such-job/days");
  expect(answer?.status()).toBe(404);
  await expect(page.getByRole("heading", { name: "Job not found" })).toBeVisible();
  await page.getByRole("link", { name: "Go to the jobs list" }).click();
  await expect(page.getByRole("heading", { name: "Jobs" })).toBeVisible();
});

test("a wrong figure on the page is said at its field and changes nothing", async ({ page }) => {
  await open(page, "/jobs/carved-settle/crust?zone=back&step=bone");
  await page.getByLabel("Coats").fill("-3");
  await page.getByLabel("Coats").press("Tab");
  await expect(page.getByText("At least one coat.")).toBeVisible();
  await page.getByLabel("Wait before it").selectOption("at least");
  await page.getByLabel("How long").fill("a while");
  await page.getByLabel("How long").press("Tab");
  await expect(page.getByText("Write the wait like 45 min, 2 h or 1 day.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Nothing to undo" })).toBeVisible();
});

test("changes from another page, and edits that are no edits, are refused", async ({ page, shop }) => {
  const edit = {
    base: 1,
    id: "12345678",
    label: "From afar",
    commands: [{ do: "remove step", crustId: "seat", stepId: "seal" }],
  };
  const address = `${shop.address}/jobs/carved-settle/edit`;
  const afar = await page.request.post(address, {
    data: edit,
    headers: { Origin: "http://elsewhere.example", "Sec-Fetch-Site": "cross-site" },
  });
  expect(afar.status()).toBe(403);
  const none = await page.request.post(address, { data: edit });
  expect(none.status()).toBe(403);
  const ours = { Origin: shop.address };
  for (const broken of [
    {},
    { ...edit, base: 0 },
    { ...edit, commands: [] },
    { ...edit, commands: [{ do: "burn it" }] },
    { ...edit, extra: true },
  ]) {
    const answer = await page.request.post(address, { data: broken, headers: ours });
    expect(answer.status()).toBe(400);
    expect(await answer.json()).toMatchObject({ is: "refused" });
  }
  const cut = await page.request.post(address, {
    data: '{"base":',
    headers: { ...ours, "Content-Type": "application/json" },
  });
  expect(cut.status()).toBe(400);
  await page.goto("/jobs/carved-settle/crust?zone=seat-board");
  await expect(page.locator("#ladder")).toContainText("Tough polyurethane");
});

test("a removed job can be restored", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "Remove Dough bin" }).click();
  await expect(page.getByRole("link", { name: "Dough bin" })).toHaveCount(0);
  await page.getByText("1 removed job").click();
  await page.getByRole("button", { name: "Restore" }).click();
  await expect(page.getByRole("link", { name: "Dough bin", exact: true })).toBeVisible();
});

test("what the schedule cannot be asked is refused with a sentence, and nothing changes", async ({ page, shop }) => {
  const address = `${shop.address}/plan-of-work`;
  const stands = async () => (await page.request.get(address)).json();
  const before = await stands();
  const ours = { Origin: shop.address, Accept: "application/json" };
  const post = (form: Record<string, string>) => page.request.post(address, { form, headers: ours });
  const forms: Record<string, string>[] = [
    { do: "burn it" },
    { do: "take on" },
    { do: "take on", id: "first" },
    { do: "plan", looks: "1e9" },
    { do: "plan", looks: "-4" },
    { do: "try", idea: "../../etc" },
    { do: "promise", id: "0" },
  ];
  for (const broken of forms) {
    const answer = await post(broken);
    expect(answer.status(), JSON.stringify(broken)).toBe(422);
    expect(await answer.json()).toMatchObject({ trouble: expect.stringMatching(/Reload the page/) });
  }
  // there is nothing to use, to go back to, or to promise
  for (const gone of [
    { do: "take on", id: "99" },
    { do: "go back", id: "99" },
    { do: "promise", id: "99" },
  ]) {
    const answer = await post(gone);
    expect(answer.status(), JSON.stringify(gone)).toBe(409);
    expect(await answer.json()).toMatchObject({ trouble: expect.stringMatching(/nothing was changed/) });
  }
  const afar = await page.request.post(address, {
    form: { do: "call off" },
    headers: { "Sec-Fetch-Site": "cross-site" },
  });
  expect(afar.status()).toBe(403);
  expect(await stands()).toEqual(before);
});

test("a shop calendar asked for at a place that is none shows the usual one", async ({ page }) => {
  for (const search of ["?from=soon", "?from=2026-02-30", "?span=ever&from=1999", "?day=x&open=nobody&job=nobody"]) {
    await page.goto(`/days${search}`);
    await expect(page.getByRole("region", { name: "Shop schedule" })).toContainText("1 job will be late");
    await expect(page.locator("[data-lane='piece']")).toHaveCount(7);
  }
});

test("two windows on the shop's hours: the later one hears of the other, and loses nothing it typed", async ({
  page,
  context,
}) => {
  await open(page, "/shop");
  const other = await context.newPage();
  await open(other, "/shop");
  const places = (of: typeof page) => of.getByLabel("Drying places");
  await places(page).fill("9");
  await places(page).blur();
  await expect(page.getByRole("button", { name: "Undo: Change the drying places" })).toBeVisible();
  await places(other).fill("5");
  await places(other).blur();
  await expect(other.getByText(/The shop was changed in another window/)).toBeVisible();
  await expect(places(other)).toHaveValue("5");
});

test("a shop file is taken in with all its jobs; a wrong one says in which job, and adds nothing", async ({ page }) => {
  const text = await (await page.request.get("/shop/export")).text();
  const file = (name: string, content: string) => ({
    name,
    mimeType: "application/json",
    buffer: Buffer.from(content),
  });
  const send = async (name: string, content: string) => {
    await open(page, "/");
    await page.getByLabel("Crust file", { exact: true }).setInputFiles(file(name, content));
    await page.getByRole("button", { name: "Import" }).click();
  };
  const raw = JSON.parse(text) as { plans: { title: string }[] };
  await send(
    "wrong.shop.json",
    JSON.stringify({ ...raw, plans: raw.plans.map((plan, index) => (index === 1 ? { ...plan, title: "" } : plan)) }),
  );
  await expect(page.getByRole("alert")).toContainText(/job 2/);
  await expect(page.locator("tr[data-job]")).toHaveCount(8);
  await send("whole.shop.json", text);
  await expect(page.locator("tr[data-job]")).toHaveCount(16);
});
