// Measures what ENGINE's targets speak of, as medians and as ratios to a plain loop in the same run, and writes docs/speed.md.
import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { cpus, tmpdir } from "node:os";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { chromium } from "@playwright/test";
import { judge } from "#core/judge/judge";
import { next } from "#core/judge/next";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Plan } from "#core/plan/plan";
import { type ExampleStep, examplePlan } from "#core/rules/example";
import { schedule } from "#core/schedule/schedule";
import { openStore, placeFrom } from "#db/open";
import { addPlan, listJobs } from "#db/plans";
import { loadDemo } from "#demo/load";
import { largePlan } from "../tests/large-plan.ts";
import { benchBoard } from "./bench-board";
import { benchLedger } from "./bench-ledger";
import { benchLook } from "./bench-look";
import { benchSchedule } from "./bench-schedule";
import { benchShelf } from "./bench-shelf";
import { freePort, startServer } from "./server.mjs";

/** This file's compiler names functions; the page has to know how. */
const NAMES = "globalThis.__name = (named) => named;";
const CHROMIUM = "/usr/bin/chromium";

function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1]!;
}

function measured(work: () => unknown, runs = 41): number {
  for (let warm = 0; warm < 6; warm++) work();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return median(times);
}

/** A loop of sums and small objects, to measure how fast this machine is at the moment. */
function plainLoop(): number {
  let sum = 0;
  for (let index = 0; index < 400_000; index++) sum += { value: Math.sqrt(index) }.value;
  return sum;
}

const rows: [what: string, value: string, target: string][] = [];
const tell = (what: string, value: string, target = "") => {
  rows.push([what, value, target]);
  console.log(`${what}: ${value}${target ? ` (target ${target})` : ""}`);
};
const ms = (value: number) => `${value < 10 ? value.toFixed(2) : value.toFixed(1)} ms`;

function judging(baseline: number) {
  const sizes = [10, 20, 40, 80];
  // each run judges a crust no run has seen, so that nothing kept from the run before can help
  let edits = 0;
  const edited = (plan: Plan, position: number): Plan => {
    const crust = plan.crusts[0]!;
    const steps = crust.steps.map((step, index) => (index === position ? { ...step, note: `edit ${++edits}` } : step));
    return { ...plan, crusts: [{ ...crust, steps }] };
  };
  const times = sizes.map((steps) => {
    const plan = largePlan(steps, 12);
    return measured(() => judge(edited(plan, 0)));
  });
  for (const [index, steps] of sizes.entries())
    tell(
      `judge from the ground, ${steps} steps on 12 zones with different grounds`,
      `${ms(times[index]!)} median, ${(times[index]! / baseline).toFixed(1)} × the loop`,
    );
  const growth = Math.log(times[3]! / times[0]!) / Math.log(8);
  tell("growth from 10 to 80 steps (1 is linear, 2 quadratic)", growth.toFixed(2), "about 1");

  const plan = largePlan(80, 12);
  const previous = judge(plan);
  for (const [where, at, target] of [
    ["the ground", 2, "≤ 15 ms"],
    ["the top", 77, "≤ 3 ms"],
  ] as const) {
    const time = measured(() => judge(edited(plan, at), { previous }));
    tell(
      `re-judge after an edit near ${where}, 80 steps on 12 zones`,
      `${ms(time)} median, ${(time / baseline).toFixed(1)} × the loop`,
      target,
    );
  }

  const many = Array.from({ length: 400 }, (_, index) => ({
    ...CATALOGUE[index % CATALOGUE.length]!,
    id: `material-${index}`,
  }));
  for (const [on, steps] of [
    ["bare oak", []],
    ["fresh chalk paint", [["brush", "chalk-slate"]]],
    [
      "a waxed face",
      [
        ["brush", "chalk-slate"],
        ["wax", "wax-clear"],
      ],
    ],
  ] as [string, ExampleStep[]][]) {
    const asked = examplePlan({ shows: on, ground: "raw timber", species: "oak", steps });
    const judged = judge(asked).zones[0]!;
    const time = measured(() => next(asked, judged, { materials: many }));
    tell(
      `next on ${on}, 400 materials in their usual techniques`,
      `${ms(time)} median, ${(time / baseline).toFixed(1)} × the loop`,
      "≤ 20 ms",
    );
  }

  const judgement = judge(plan);
  tell(
    "schedule of that plan, 960 activities or more",
    `${ms(measured(() => schedule([{ plan, judgement }]), 15))} median`,
    "quick schedule, placed in turn",
  );
  const usual = largePlan(25, 4);
  tell(
    "judge and schedule, 25 steps on 4 zones",
    `${ms(measured(() => schedule([{ plan: usual, judgement: judge(usual) }])))} median`,
    "an edit to its next paint ≤ 100 ms",
  );
}

async function serving() {
  const folder = mkdtempSync(join(tmpdir(), "crust-bench-"));
  const store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
  await loadDemo(store);
  await addPlan(store, { ...largePlan(25, 4), id: "bench", title: "Bench" });
  const server = await startServer({ port: await freePort(), environment: { JOLLY_CRUST_DATA: folder } });
  const firstByte = async (path: string, runs = 31) => {
    const times: number[] = [];
    for (let run = 0; run < runs + 5; run++) {
      const start = performance.now();
      const response = await fetch(server.address + path);
      const time = performance.now() - start;
      await response.arrayBuffer();
      if (run >= 5) times.push(time);
    }
    return median(times);
  };
  try {
    tell(
      "job view, production build, first byte (25 steps on 4 zones)",
      `${ms(await firstByte("/jobs/bench/crust"))} median`,
      "≤ 30 ms",
    );
    const browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    });
    const loads: number[] = [];
    const paints: number[] = [];
    const usable: number[] = [];
    const scripts = new Set<string>();
    for (let run = 0; run < 7; run++) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.addInitScript(NAMES);
      page.on("response", (response) => {
        if (response.url().endsWith(".js")) scripts.add(new URL(response.url()).pathname);
      });
      await page.goto(`${server.address}/jobs/bench/crust`, { waitUntil: "load" });
      await page.locator("html[data-live]").waitFor();
      usable.push(await page.evaluate(() => performance.now()));
      loads.push(
        await page.evaluate(
          () => (performance.getEntriesByType("navigation")[0] as PerformanceNavigationTiming).loadEventEnd,
        ),
      );
      paints.push(
        await page.evaluate(
          () =>
            new Promise<number>((resolve) => {
              new PerformanceObserver((list) => resolve(list.getEntries().at(-1)!.startTime)).observe({
                type: "largest-contentful-paint",
                buffered: true,
              });
            }),
        ),
      );
      await page.close();
    }
    tell("job view, full load in Chromium", `${ms(median(loads))} median`, "≤ 500 ms");
    tell("job view, until keys and buttons work", `${ms(median(usable))} median`);
    tell("job view, largest paint", `${ms(median(paints))} median`, "≤ 500 ms");

    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(NAMES);
    await page.goto(`${server.address}/jobs/bench/crust?step=s5`);
    await page.locator("html[data-live]").waitFor();
    const edits: number[] = [];
    for (let run = 0; run < 12; run++) {
      const time = await page.evaluate(
        async (key) => {
          const count = () => document.querySelector("#ladder a[aria-current=true]")?.closest("li");
          const before = [...document.querySelectorAll("#ladder li")].indexOf(count()!);
          const start = performance.now();
          document.dispatchEvent(new KeyboardEvent("keydown", { key, code: key, altKey: true, bubbles: true }));
          while ([...document.querySelectorAll("#ladder li")].indexOf(count()!) === before)
            await new Promise(requestAnimationFrame);
          await new Promise(requestAnimationFrame);
          return performance.now() - start;
        },
        run % 2 ? "ArrowDown" : "ArrowUp",
      );
      edits.push(time);
      await page.waitForTimeout(120);
    }
    tell("an edit to its next paint, 25 steps on 4 zones", `${ms(median(edits))} median`, "≤ 100 ms");
    const easel = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await easel.addInitScript(NAMES);
    await easel.goto(`${server.address}/jobs/carved-settle/board?zone=back`);
    await easel.locator("[data-board=finished]").waitFor();
    // by then every step has been drawn
    await easel.waitForTimeout(9000);
    const scrubs: number[] = [];
    for (let run = 0; run < 16; run++)
      scrubs.push(
        await easel.evaluate(
          async (key) => {
            const canvas = document.querySelector<HTMLCanvasElement>("[data-board] canvas")!;
            const sum = () =>
              canvas
                .getContext("2d")!
                .getImageData(300, 40, 60, 40)
                .data.reduce((all, value) => all + value, 0);
            const before = sum();
            const start = performance.now();
            document.dispatchEvent(new KeyboardEvent("keydown", { key, code: key, bubbles: true }));
            const until = start + 1000;
            while (sum() === before && performance.now() < until) await new Promise((next) => setTimeout(next, 0));
            return performance.now() - start;
          },
          run % 2 ? "ArrowRight" : "ArrowLeft",
        ),
      );
    tell("board, moving between steps already drawn, key to picture", `${ms(median(scrubs))} median`, "≤ 16 ms");
    await browser.close();
    const built = `build/${readFileSync("build/current", "utf8").trim()}`;
    const weigh = (files: Iterable<string>) => {
      let bytes = 0;
      for (const file of files) bytes += gzipSync(readFileSync(`${built}/client${file}`)).length;
      return `${(bytes / 1000).toFixed(0)} kB gzip`;
    };
    const html = await (await fetch(`${server.address}/jobs/bench/crust`)).text();
    const first = new Set([...html.matchAll(/\/assets\/[\w.-]+\.js/g)].map(([file]) => file));
    tell("scripts of the job view, before it is shown", weigh(first), "≤ 170 kB");
    tell("scripts of the job view, until all of it can be used", weigh(scripts));

    const template = largePlan(8, 2);
    for (let index = 0; index < 2000; index++)
      await addPlan(store, { ...template, id: `many-${index}`, title: `Job ${index}` });
    tell("jobs list with 2,000 plans, first byte", `${ms(await firstByte("/", 11))} median`, "≤ 100 ms");
    tell("the same list from the database", `${ms(await listed(store))} median`);
  } finally {
    server.stop();
    store.client.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function listed(store: Awaited<ReturnType<typeof openStore>>) {
  const times: number[] = [];
  for (let run = 0; run < 9; run++) {
    const start = performance.now();
    await listJobs(store);
    times.push(performance.now() - start);
  }
  return median(times);
}

function commandLine() {
  const times = Array.from({ length: 5 }, () => {
    const start = performance.now();
    spawnSync("node_modules/.bin/tsx", ["cli/crust.ts", "help"]);
    return performance.now() - start;
  });
  tell("command line, to its first output", `${ms(median(times))} median`);
}

const baseline = measured(plainLoop);
const PARTS: Record<string, () => unknown> = {
  judging: () => judging(baseline),
  shelf: () => benchShelf(tell, measured, ms),
  ledger: () => benchLedger(measured, tell),
  look: () => benchLook(measured, tell),
  schedule: () => benchSchedule(tell),
  board: () => benchBoard(tell, ms),
  serving,
  "command-line": commandLine,
};
const asked = process.argv.slice(2);
const unknown = asked.find((part) => !Object.hasOwn(PARTS, part));
if (unknown !== undefined) {
  console.error(`There is nothing called "${unknown}" to measure. There is ${Object.keys(PARTS).join(", ")}.`);
  process.exit(1);
}
tell("reference loop on this machine", `${ms(baseline)} median`);
for (const part of asked.length > 0 ? asked : Object.keys(PARTS)) await PARTS[part]!();

// a part alone is only looked at: the table is of one run
if (asked.length === 0) {
  const [{ model = "unknown" } = {}] = cpus();
  const table = rows.map(([what, value, target]) => `| ${what} | ${value} | ${target} |`).join("\n");
  // what was written below the table by hand stays
  const [, ...below] = readFileSync("docs/speed.md", "utf8").split(/^(?=## )/m);
  writeFileSync(
    "docs/speed.md",
    `# Speed\n\nThe last table of \`npm run bench\`, medians on ${cpus().length} cores (${model.trim()}), Node ${process.versions.node}. Nothing here fails a test.\n\n| what | measured | target |\n|---|---|---|\n${table}\n${below.length > 0 ? `\n${below.join("")}` : ""}`,
  );
}
