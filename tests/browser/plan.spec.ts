import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { APIRequestContext, Page } from "@playwright/test";
import ICAL from "ical.js";
import { freePort, startServer } from "../../scripts/server.mjs";
import { expect, handedIn, open, reload, saved, test } from "./shop";

const JOBS = ["carved-settle", "chart-cabinet", "iron-strongbox", "sailmakers-bench", "dough-bin", "overmantel-mirror"];
const SETTLE = "/jobs/carved-settle";

/** When a job leaves by a calendar file. */
async function leavesInFile(request: APIRequestContext, address: string, job: string): Promise<string> {
  const text = await (await request.get(address)).text();
  const events = new ICAL.Component(ICAL.parse(text))
    .getAllSubcomponents("vevent")
    .map((subcomponent) => new ICAL.Event(subcomponent));
  const leaves = events.find(({ uid }) => uid === `${job}-leaves@jolly-crust`)!;
  return leaves.startDate.toString().slice(0, 16);
}

interface ShopReport {
  planOfWork: string;
  jobs: { plan: { id: string }; leaves: string; bookings: { zone: string; step: string; starts: string }[] }[];
}

/** What the command line says of the exported shop. */
async function commandLine(request: APIRequestContext, address = ""): Promise<ShopReport> {
  const folder = mkdtempSync(join(tmpdir(), "crust-cli-"));
  const file = join(folder, "all.shop.json");
  writeFileSync(file, await (await request.get(`${address}/shop/export`)).text());
  try {
    return JSON.parse(execFileSync("node_modules/.bin/tsx", ["cli/crust.ts", "schedule", file], { encoding: "utf8" }));
  } catch (error) {
    // a job that clashes makes it end with 1
    return JSON.parse((error as { stdout: string }).stdout);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** When jobs leave, in every place that says so. */
async function dates(page: Page, jobs: readonly string[] = JOBS): Promise<Record<string, string[]>> {
  const { request } = page;
  const found: Record<string, string[]> = Object.fromEntries(jobs.map((job) => [job, []]));
  const read = async (job: string, where: string) =>
    found[job]!.push((await page.locator(where).first().getAttribute("data-leaves")) ?? `nothing at ${where}`);
  await open(page, "/");
  for (const job of jobs) await read(job, `tr[data-job='${job}'] [data-leaves]`);
  await open(page, "/days?from=2026-11-30&span=3w");
  for (const job of jobs) await read(job, `li[data-job='${job}'] [data-leaves]`);
  const report = await commandLine(request);
  for (const job of jobs) {
    await open(page, `/jobs/${job}/crust`);
    await read(job, "footer [data-leaves]");
    await page.goto(`/jobs/${job}/days`);
    await read(job, "aside [data-leaves]");
    await page.goto(`/jobs/${job}/wall`);
    await read(job, "main [data-leaves]");
    found[job]!.push(await leavesInFile(request, `/jobs/${job}/days.ics`, job));
    found[job]!.push(await leavesInFile(request, "/days.ics", job));
    found[job]!.push(report.jobs.find(({ plan }) => plan.id === job)!.leaves);
  }
  return found;
}

/** The one date of each job; fails where there are several. */
function oneEach(found: Record<string, string[]>): Record<string, string> {
  for (const [job, said] of Object.entries(found)) expect(new Set(said).size, `${job}: ${said.join()}`).toBe(1);
  return Object.fromEntries(Object.entries(found).map(([job, said]) => [job, said[0]!]));
}

const notice = (page: Page) => page.getByRole("region", { name: "Shop schedule" }).first();

/** So many coats of the clear on the settle's front panels, which keep it longest. */
async function setCoats(page: Page, coats: string) {
  await open(page, `${SETTLE}/crust?zone=front-panels&step=seal`);
  const field = page.getByLabel("Coats", { exact: true }).first();
  await field.fill(coats);
  await field.blur();
  await saved(page);
}

test("every job has one date, in all places, after an edit, when it is used, undone, reloaded and restarted", async ({
  page,
  shop,
}) => {
  test.setTimeout(400_000);
  const before = oneEach(await dates(page));
  // the ladder's times are those of the same schedule
  const report = await commandLine(page.request);
  expect(report.planOfWork).toBe("kept");
  const first = report.jobs
    .find(({ plan }) => plan.id === "carved-settle")!
    .bookings.find(({ zone }) => zone === "seat-board")!;
  await open(page, `${SETTLE}/crust?zone=seat-board`);
  await expect(page.locator("#ladder")).toContainText(first.starts.slice(11));

  await setCoats(page, "3");
  const button = page.getByRole("button", { name: "Use this schedule" });
  await button.waitFor();
  await expect(notice(page)).toContainText(/Carved settle leaves .*, was .*:/);
  // until then the dates stand, with a sign and a rough date for the edit
  await expect(page.locator("footer [data-finish]")).toContainText(/as scheduled; with it about/);
  expect(oneEach(await dates(page, ["carved-settle", "dough-bin"]))).toEqual({
    "carved-settle": before["carved-settle"],
    "dough-bin": before["dough-bin"],
  });
  await open(page, `${SETTLE}/crust`);
  await page.getByRole("button", { name: "Use this schedule" }).click();
  await expect(page.locator("footer [data-finish]")).not.toContainText(/as scheduled/);
  const after = oneEach(await dates(page));
  expect(after["carved-settle"]! > before["carved-settle"]!).toBe(true);

  await open(page, `${SETTLE}/crust`);
  await page.keyboard.press("Control+z");
  await saved(page);
  await page.getByRole("button", { name: "Use this schedule" }).click();
  await expect(page.locator("footer [data-finish]")).not.toContainText(/as scheduled/);
  await reload(page);
  expect(oneEach(await dates(page))).toEqual(before);

  // another server on the same data says the same
  const again = await startServer({
    port: await freePort(),
    environment: { JOLLY_CRUST_DATA: shop.folder, ROOM_SENSOR_URL: "" },
  });
  try {
    const there = await commandLine(page.request, again.address);
    expect(Object.fromEntries(there.jobs.map(({ plan, leaves }) => [plan.id, leaves]))).toMatchObject(before);
  } finally {
    again.stop();
  }
});

test("an idea is tried without touching the schedule, then promised", async ({ page }) => {
  await open(page, "/jobs/overmantel-mirror/days");
  const panel = page.getByRole("region", { name: "When it leaves" });
  await expect(panel).toContainText(/Could leave \w+ \d+ Dec/);
  await panel.getByRole("button", { name: "Try it on the schedule" }).click();
  await expect(panel).toContainText(/If you took this on, it could leave on/);
  await panel.getByRole("button", { name: "Promise it" }).click();
  await expect(panel).toContainText(/Leaves \w+ \d+ Dec/);
  await expect(panel.getByLabel("This job is")).toHaveValue("promised");
  await page.goto("/");
  await expect(page.locator("tr[data-job='overmantel-mirror']")).toContainText("promised");
});

test("scheduling can be stopped, and started again", async ({ page }) => {
  await open(page, "/days?from=2026-11-30");
  await page.getByRole("button", { name: "Search longer" }).click();
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(page.getByRole("progressbar")).toHaveCount(0);
  await expect(page.getByRole("heading", { name: "1 job will be late" })).toBeVisible();
});

test("the shop calendar shows who does what and what dries, at every zoom, with today one key away", async ({
  page,
}) => {
  await open(page, "/days?from=2026-11-30");
  await expect(page.locator("[data-lane='hands']")).toHaveCount(2);
  await expect(page.locator("[data-lane='piece']")).toHaveCount(7);
  const zoom = page.getByRole("navigation", { name: "How much to show" });
  const press = async (key: string, shown: readonly string[]) => {
    for (const name of shown) {
      await page.keyboard.press(key);
      await expect(zoom.getByRole("link", { name, exact: true })).toHaveAttribute("aria-current", "true");
    }
  };
  await press("Minus", ["2 weeks", "3 weeks", "2 months"]);
  await press("Equal", ["3 weeks", "2 weeks", "week", "3 days", "day", "½ day"]);
  await page.keyboard.press("]");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Mon 30 Nov, 12:00");
  await page.locator("[data-piece^='carved-settle/'] a").click();
  await expect(page.locator("[data-piece^='carved-settle/']")).toContainText("Back panel");
  await page.keyboard.press("t");
  await expect(page).toHaveURL(new RegExp(`from=${new Date().getFullYear()}`));
  // a block leads to its job's work being marked, and the day's list to the work itself
  await open(page, "/days?from=2026-11-30&chart=hours");
  await expect(page.getByRole("figure", { name: /^Hands-on hours\. Mon 30 Nov: / })).toBeVisible();
  await page.getByRole("region", { name: "Monday 30 November" }).getByRole("link").first().click();
  await expect(page).toHaveURL(/\/jobs\/carved-settle\/days\?work=/);
});

test("hours and painters: saved when a field is left, wrong ones explained, a change undone, the schedule made again", async ({
  page,
}) => {
  await open(page, "/shop");
  const form = page.getByRole("form", { name: "The shop" });
  const monday = form.getByLabel("Monday", { exact: true }).first();
  await monday.fill("nine to five");
  await monday.blur();
  await expect(form.getByText(/Write hours like 9:00–13:00/)).toBeVisible();
  await monday.fill("10:00–13:00");
  await monday.blur();
  await expect(page.getByRole("button", { name: "Undo: Change the shop's hours" })).toBeVisible();
  await page.getByRole("button", { name: "Use this schedule" }).waitFor();
  await form.getByRole("button", { name: "Add a painter" }).click();
  await expect(form.getByLabel("Painter", { exact: true })).toHaveCount(3);
  await page.getByRole("button", { name: "Undo: One more painter" }).click();
  await expect(form.getByLabel("Painter", { exact: true })).toHaveCount(2);
});

test("work marked as done stays where it was, and a job's own hours are its own", async ({ page }) => {
  await open(page, `${SETTLE}/days`);
  await page.locator("[data-booking^='carved-settle:arms']").first().click();
  const panel = page.getByRole("region", { name: /^Selected: / });
  await panel.getByRole("link", { name: "At the bench" }).click();
  await expect(page.getByText(/next · arms/)).toBeVisible();
  const logged = handedIn(page);
  await page.getByRole("button", { name: "Done", exact: true }).click();
  await logged;
  await open(page, `${SETTLE}/days`);
  await page.locator("[data-booking^='carved-settle:arms']").first().click();
  await expect(panel.getByRole("link", { name: "In the ledger" })).toBeVisible();
  await page.goto(`${SETTLE}/house`);
  await page.getByRole("radio", { name: "its own" }).check();
  await saved(page);
  await expect(page.getByRole("form", { name: "Working hours" }).getByLabel("Monday")).toHaveValue(
    "9:00–13:00, 13:45–18:00",
  );
});
