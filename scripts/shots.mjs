// Takes the pictures in docs/screenshots from the demo data, one of each main view, at 1280 × 800.
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { bin, build, CHROMIUM, ensureChromium, ensurePackages, quietly, root, stopWith } from "./ready.mjs";
import { freePort, startSensor, startServer } from "./server.mjs";

const VIEWS = [
  ["jobs", "/"],
  ["finishes", "/jobs/overmantel-mirror/finish?finish=worn-to-dark"],
  ["look", "/jobs/carved-settle/look?zone=back&field=%23a0b09e&arris=%23442b1a&recess=%236a522d&high=gold"],
  ["piece", "/jobs/sailmakers-bench/piece?zone=bench-legs"],
  ["crust", "/jobs/carved-settle/crust?zone=back"],
  ["crust-findings", "/jobs/chart-cabinet/crust?zone=sides&step=seal"],
  ["board", "/jobs/carved-settle/board?zone=back"],
  ["mix", "/jobs/carved-settle/mix?mix=chalk-mustard:2,mineral-storm:1&want=%236c7050"],
  ["days", "/jobs/carved-settle/days"],
  ["shop-days", "/days?from=2026-11-30"],
  ["shelf", "/jobs/carved-settle/shelf"],
  ["quote", "/jobs/carved-settle/quote"],
  ["materials", "/jobs/carved-settle/materials?material=chalk-bone-white"],
  ["house-rules", "/jobs/iron-strongbox/house"],
  ["guide", "/guide"],
  ["trainer", "/train"],
  ["ledger", "/jobs/lamp-shelf/ledger"],
  ["photo", "/jobs/carved-settle/photo"],
];

const atBench = (phase) => `/bench?task=${encodeURIComponent(`lamp-shelf ${phase} shelf-board`)}`;
/** The bench as it is in use: a glaze on, and its window running. */
const BENCH = { width: 820, height: 1180 };

ensurePackages();
ensureChromium();
build();
const folder = mkdtempSync(join(tmpdir(), "crust-shots-"));
const environment = { JOLLY_CRUST_DATA: folder };
const loaded = quietly(bin("tsx"), ["demo/main.ts"], { env: { ...process.env, ...environment } });
if (loaded.code !== 0) stopWith(loaded.said);
const sensor = await startSensor();
if (!sensor) stopWith("The stand-in logger did not start.");
environment.ROOM_SENSOR_URL = sensor.address;
const server = await startServer({ port: await freePort(), environment });
const { chromium } = await import("@playwright/test");
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: [
    "--no-sandbox",
    "--lang=en-GB",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
  ],
});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: "en-GB" });
  mkdirSync(`${root}docs/screenshots`, { recursive: true });
  // all of them, or those that are named
  const only = process.argv.slice(2);
  for (const [name, path] of VIEWS) {
    if (only.length > 0 && !only.includes(name)) continue;
    await page.goto(server.address + path);
    await page.waitForURL(({ pathname }) => !pathname.endsWith("/waiting"));
    await page.locator("html[data-live]").waitFor();
    await page.evaluate(() => document.fonts.ready);
    // the days are pictured when the worker has found the best order and tried what would help
    if (path.startsWith("/jobs/") && path.endsWith("/days"))
      await page.getByRole("status").filter({ hasText: /…/ }).first().waitFor({ state: "hidden" });
    if (path.endsWith("/house")) await page.getByText("finishing loft").waitFor();
    if (path.endsWith("/ledger")) await page.waitForLoadState("networkidle");
    // pictures that the server paints when they are asked for
    if (path.endsWith("/quote"))
      await page.waitForFunction(() => [...document.images].every(({ naturalWidth }) => naturalWidth > 0));
    if (path.includes("/board")) await page.locator("[data-board=finished]").waitFor();
    if (path.endsWith("/photo")) {
      await page.locator("[data-painted=finished]").waitFor();
      // half of the piece as it is, half of it finished
      await page.getByRole("slider", { name: /^Line between/ }).focus();
      for (let press = 0; press < 22; press++) await page.keyboard.press("ArrowRight");
    }
    // every finish is tried on the piece, and drawn there
    if (path.includes("/finish")) await page.waitForFunction(() => document.querySelectorAll("canvas").length >= 29);
    // the piece is painted zone by zone, and so is the small board beneath it
    if (/\/(piece|crust|shelf)\b/.test(path)) {
      await page.locator("svg[data-painted]").first().waitFor();
      if (!path.includes("/piece")) await page.locator(".zone-board-picture img").waitFor();
    }
    if (path.includes("/look?")) await page.waitForFunction(() => document.querySelectorAll("canvas").length >= 3);
    await page.screenshot({ path: `${root}docs/screenshots/${name}.png` });
  }
  if (only.length === 0) {
    for (const phase of ["slip", "drift"]) {
      await page.goto(server.address + atBench(phase));
      await page.locator("html[data-live]").waitFor();
      const logged = page.waitForResponse(
        (answer) => answer.url().endsWith("/bench/log") && answer.request().method() === "POST",
      );
      await page.getByRole("button", { name: "Done", exact: true }).click();
      await logged;
    }
    await page.setViewportSize(BENCH);
    await page.goto(server.address + atBench("wipe"));
    await page.locator("html[data-live]").waitFor();
    await page.getByRole("timer").waitFor();
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `${root}docs/screenshots/bench.png` });
    console.log(`${VIEWS.length + 1} pictures in docs/screenshots`);
    const boards = quietly(bin("tsx"), ["scripts/board-pictures.ts"], {});
    if (boards.code !== 0) stopWith(boards.said);
    console.log(boards.said.trim());
  }
} finally {
  await browser.close();
  server.stop();
  sensor.stop();
  rmSync(folder, { recursive: true, force: true });
}
