import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { boardReport } from "#core/exchange/board-report";
import { writePlanFile } from "#core/exchange/plan-file";
import { checkReport } from "#core/exchange/report";
import { writeShopFile } from "#core/exchange/shop-file";
import { examplePlan } from "#core/rules/example";
import { planOfWorkNow } from "#core/schedule/plan-of-work";
import { hobnailShop, hobnailYard } from "#demo/hobnail-yard";
import { hobnailBook, hobnailMovements } from "#demo/shelf";
import { bundleCommandLine } from "../scripts/bundle.mjs";

let folder: string;
/** the tested bundle is inside the project, where its packages are found */
let bundle: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-cli-"));
  mkdirSync("build", { recursive: true });
  bundle = mkdtempSync("build/cli-test-");
  await bundleCommandLine(bundle);
});
afterAll(() => {
  rmSync(folder, { recursive: true });
  rmSync(bundle, { recursive: true });
});

function crust(...words: string[]) {
  const done = spawnSync(process.execPath, [join(bundle, "crust.js"), ...words], { encoding: "utf8" });
  return { code: done.status, out: done.stdout, said: done.stderr };
}

function file(name: string, text: string): string {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
}

const faulty = examplePlan({
  shows: "white on oak",
  ground: "raw timber",
  species: "oak",
  steps: [
    ["brush", "chalk-bone-white"],
    ["wax", "wax-clear"],
  ],
});
const sound = examplePlan({
  shows: "mineral on pine",
  ground: "raw timber",
  species: "pine",
  steps: [["brush", "mineral-storm", { coats: 2 }]],
});
const late = examplePlan({
  shows: "late on tack",
  ground: "raw timber",
  species: "pine",
  steps: [
    ["brush", "mineral-storm"],
    ["brush", "crackle-medium"],
    ["brush", "mineral-oyster", { wait: { kind: "at least", minutes: 300 } }],
  ],
});

describe("crust on the command line", () => {
  it("board: draws the zone's sample board headless, with what shows as JSON", async () => {
    const path = file("board.crust.json", writePlanFile(faulty));
    const png = join(folder, "board.png");
    const { code, out, said } = crust("board", path, "--zone", "z1", "--after", "s1", "--png", png, "--width", "120");
    expect(said).toBe("");
    expect(code).toBe(0);
    const report = JSON.parse(out);
    expect(report).toMatchObject({ zone: "z1", after: "s1", panel: "drawer", seed: 1, width: 120, height: 80, png });
    expect(Object.values(report.shows as Record<string, number>).reduce((sum, share) => sum + share, 0)).toBeCloseTo(
      1,
      1,
    );
    expect(Math.abs(report.byRelief.field.s1 - report.checks.field.s1)).toBeLessThan(0.05);
    const picture = await sharp(png).metadata();
    expect(picture).toMatchObject({ format: "png", width: 120, height: 80 });
    const drawn = boardReport(faulty, { zone: "z1", after: "s1", width: 120 });
    const pixels = await sharp(png).ensureAlpha().raw().toBuffer();
    expect(typeof drawn !== "string" && Buffer.compare(pixels, Buffer.from(drawn.pixels))).toBe(0);
  });

  it.each([
    [["--zone", "nowhere", "--png", "x.png"], 'zone "nowhere" not found'],
    [["--after", "s9", "--png", "x.png"], 'step "s9" not found on zone "z1"; it has ground, s1, s2'],
    [
      ["--panel", "round", "--png", "x.png"],
      'panel "round" not found; there are carved, drawer, plain, top, disc, leg, frame, box',
    ],
    [["--seed", "many", "--png", "x.png"], "--seed many: write a whole number"],
    [["--seed", "0", "--png", "x.png"], "a seed is a whole number from 1 to 999"],
    [["--width", "9000", "--png", "x.png"], "a board is 96 to 1536 pixels wide"],
    [["--zone", "z1"], "board needs --png OUT, the file to write the picture to"],
    [["--width", "96", "--png", "/no/such/folder/x.png"], "/no/such/folder/x.png: the picture could not be written"],
  ])("board refuses %j and says why", (words, says) => {
    const { code, out, said } = crust("board", file("no-board.crust.json", writePlanFile(faulty)), ...words);
    expect(code).toBe(2);
    expect(out).toBe("");
    expect(said).toContain(says);
    expect(said.trim().split("\n")).toHaveLength(1);
  });

  it("next: what can go on a zone at a time, each with its reason", () => {
    const path = file("sound-next.crust.json", writePlanFile(sound));
    const { code, out } = crust("next", path, "--zone", "z1");
    expect(code).toBe(0);
    const report = JSON.parse(out);
    const wax = report.options.find((option: { material?: string }) => option.material === "wax-clear");
    expect(wax).toMatchObject({ how: "wax", can: "from", reason: expect.stringMatching(/./) });
    const bare = JSON.parse(crust("next", path, "--at", "2026-11-30T09:00").out);
    expect(bare.after).toBe("s1");
  });

  it.each([
    [["--zone", "attic"], /zone "attic" not found/],
    [["--at", "tomorrow"], /write a date and time/],
    [["--at", "2020-01-01T09:00"], /before the plan begins/],
    [["--zone"], /needs a value/],
    [["--colour", "blue"], /crust next does not take --colour/],
  ])("next %j: exit 2 and a sentence", (words, says) => {
    const { code, said } = crust("next", file("sound-bad.crust.json", writePlanFile(sound)), ...words);
    expect(code).toBe(2);
    expect(said).toMatch(says);
  });

  it("check: exit 1 where there is a stop, and the same words as the core", () => {
    const { code, out, said } = crust("check", file("faulty.crust.json", writePlanFile(faulty)));
    expect(code).toBe(1);
    expect(said).toBe("");
    expect(JSON.parse(out)).toEqual(JSON.parse(JSON.stringify(checkReport(faulty))));
  });

  it("check: of many files a line each, and one that cannot be read does not stop the others", () => {
    const [one, two] = [file("many-1.json", writePlanFile(sound)), file("many-2.json", writePlanFile(faulty))];
    const { code, out, said } = crust("check", one, "/nowhere.json", two);
    const lines = out
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line));
    expect(lines.map((line) => line.file)).toEqual([one, "/nowhere.json", two]);
    expect(lines[0].counts.stop).toBe(0);
    expect(lines[1].unreadable).toMatch(/cannot be read/);
    expect(lines[2].counts.stop).toBe(1);
    expect(said).toMatch(/nowhere\.json: the file cannot be read/);
    expect(code).toBe(2);
    expect(crust("check", one, two).code).toBe(1);
  });

  it("check: exit 0 where there is no stop", () => {
    const { code, out } = crust("check", file("sound.crust.json", writePlanFile(sound)));
    expect(code).toBe(0);
    expect(JSON.parse(out).counts).toEqual({ stop: 0, caution: 0, note: 0 });
  });

  it("schedule: exit 1 where a window cannot be met, 0 where all are", () => {
    const broken = crust("schedule", file("late.crust.json", writePlanFile(late)));
    expect(broken.code).toBe(1);
    expect(JSON.parse(broken.out).clashes).toHaveLength(1);
    const kept = crust("schedule", file("sound.crust.json", writePlanFile(sound)));
    expect(kept.code).toBe(0);
    expect(JSON.parse(kept.out).bookings).toHaveLength(2);
  });

  it("shop: what is needed", () => {
    const { code, out } = crust("shop", file("sound.crust.json", writePlanFile(sound)));
    expect(code).toBe(0);
    expect(JSON.parse(out).materials[0]).toMatchObject({
      id: "mineral-storm",
      millilitres: Math.ceil(((0.5 * 2 * 1000) / 14) * 1.05 + 2 * 12 + 15),
    });
  });

  it.each<[string, () => string[], RegExp]>([
    [
      "a file that is not there",
      () => ["check", "/nowhere/at-all.crust.json"],
      /at-all\.crust\.json: the file cannot be read \(ENOENT\)\. Check the path\./,
    ],
    ["a folder", () => ["check", folder], /cannot be read \(EISDIR\)/],
    ["half a file", () => ["check", file("half.json", '{"format":')], /half\.json: The file is damaged or incomplete/],
    [
      "a fault in it",
      () => ["check", file("fault.json", writePlanFile(sound).replace('"coats": 2', '"coats": -2'))],
      /Crust "mineral on pine", step 1, number of coats: at least one coat/,
    ],
    [
      "a file too large",
      () => ["check", file("large.json", " ".repeat(5_100_000))],
      /5\.1 MB; the limit for a crust file is 5 MB/,
    ],
    ["no file", () => ["check"], /give a file/],
    ["a file too many", () => ["shop", "a", "b"], /crust shop takes one file; 2 were given/],
    ["an unknown command", () => ["polish", "a"], /"polish" is not a command/],
  ])("exit 2 and one line for %s", (_what, words, says) => {
    const { code, out, said } = crust(...words());
    expect(code).toBe(2);
    expect(out).toBe("");
    expect(said).toMatch(says);
    expect(said.trimEnd().split("\n")).toHaveLength(1);
  });

  it("tells how it is used when asked nothing", () => {
    const { code, out } = crust();
    expect(code).toBe(0);
    expect(out).toMatch(/check {5}verdicts/);
  });
});

describe("crust look", () => {
  const spec = (change: object = {}) =>
    JSON.stringify({
      format: "jolly-crust-look",
      version: 1,
      ground: { kind: "raw timber", species: "oak" },
      relief: "carved",
      wishes: { field: "#a0b09e", arris: "#442b1a" },
      ...change,
    });

  it("gives stacks for a look, with the reason of every layer, the same every time", () => {
    const { code, out } = crust("look", "demo/looks/sea-worn.look.json");
    expect(code).toBe(0);
    const { candidates } = JSON.parse(out);
    expect(candidates.length).toBeGreaterThan(1);
    expect(candidates[0].steps[0]).toMatchObject({ what: "stain-block-shellac", why: expect.stringMatching(/bleeds/) });
    expect(candidates[0].places.field.deltaE00).toBeLessThan(5);
    expect(crust("look", "demo/looks/sea-worn.look.json").out).toBe(out);
  });

  it("ends with 1 and a sentence where nothing gives it", () => {
    const { code, out } = crust("look", file("none.json", spec({ hours: 0.2 })));
    expect(code).toBe(1);
    const { says, nearest, candidates } = JSON.parse(out);
    expect(candidates).toEqual([]);
    expect(says).toMatch(/hands-on, not 12 min/);
    expect(nearest.handsOnMinutes).toBeGreaterThan(12);
  });

  it.each([
    [spec({ wishes: { field: "greenish" } }), /at wishes\.field: write a colour/],
    [spec({ shelf: ["no-such-tin"] }), /at shelf: no material has the id "no-such-tin"/],
    [spec({ days: -1 }), /at days/],
    ["{", /not valid JSON/],
  ])("ends with 2 and says where a file is wrong", (text, says) => {
    const { code, said } = crust("look", file("bad.look.json", text));
    expect(code).toBe(2);
    expect(said).toMatch(says);
    expect(said.trimEnd().split("\n")).toHaveLength(1);
  });

  it("gives ways on from where a zone of a job stands", () => {
    const settle = file("settle.json", writePlanFile(hobnailYard()[0]!));
    const { code, out } = crust("look", settle, "--zone", "arms", "--from-now", "--at", "2026-11-30T09:00");
    expect(code).toBe(0);
    const { zone, ways } = JSON.parse(out);
    expect(zone).toBe("arms");
    expect(ways.length).toBeGreaterThan(2);
    expect(ways[0].commands.length).toBeGreaterThan(0);
    const wrong = crust("look", settle, "--zone", "nose", "--from-now");
    expect(wrong.code).toBe(2);
    expect(wrong.said).toMatch(/no zone of this plan has the id "nose"/);
  });
});

describe("crust solve", () => {
  const network = (change: object = {}) => ({
    name: "two coats",
    calendar: [
      [540, 780],
      [1980, 2220],
    ],
    capacity: { painter: 1 },
    activities: [
      { id: "one", duration: 30, uses: { painter: 1 } },
      { id: "two", duration: 30, uses: { painter: 1 } },
    ],
    lags: [{ from: "one", to: "two", min: 240, max: null }],
    ...change,
  });

  it("answers a line for each file: the shortest schedule, its bound and that it is proven", () => {
    const sound = file("sound.json", JSON.stringify(network()));
    const faulty = file(
      "faulty.json",
      JSON.stringify(network({ lags: [{ from: "one", to: "two", min: 240, max: 300 }] })),
    );
    const { code, out, said } = crust("solve", sound, faulty, "--budget", "500");
    expect(said).toBe("");
    expect(code).toBe(1);
    const [first, second] = out
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line));
    expect(first).toMatchObject({
      name: "two coats",
      feasible: true,
      makespan: 2010,
      starts: { two: 1980 },
      lowerBound: 2010,
      proven: true,
    });
    expect(second).toMatchObject({ feasible: false, proven: true, starts: null });
    expect(second.clash).toContainEqual({ lag: { from: "one", to: "two", min: 240, max: 300 } });
  });

  it.each([
    ["no whole JSON", '{"calendar": [', /not valid JSON/],
    [
      "windows that overlap",
      JSON.stringify(
        network({
          calendar: [
            [0, 60],
            [30, 90],
          ],
        }),
      ),
      /at calendar\[1\]: windows must be in order/,
    ],
    [
      "a wait for nothing",
      JSON.stringify(network({ lags: [{ from: "one", to: "three", min: 0 }] })),
      /no activity "three"/,
    ],
    [
      "half minutes",
      JSON.stringify(network({ activities: [{ id: "one", duration: 1.5 }], lags: [] })),
      /activities\[0\]\.duration: whole minutes/,
    ],
  ])("says where %s is", (_what, text, says) => {
    const { code, said } = crust("solve", file("bad.json", text));
    expect(code).toBe(2);
    expect(said).toMatch(says);
  });

  it("refuses a budget that is none", () => {
    const { code, said } = crust("solve", file("ok.json", JSON.stringify(network())), "--budget", "soon");
    expect(code).toBe(2);
    expect(said).toMatch(/--budget soon: write a whole number/);
  });
});

describe("the shelf of a whole shop", () => {
  const plans = hobnailYard();
  const { jobs: planned } = planOfWorkNow(plans, hobnailShop(), 1);
  const shelf = { book: hobnailBook(), movements: hobnailMovements() };
  const whole = () => file("yard.shop.json", writeShopFile({ shop: hobnailShop(), plans, planned, shelf }));

  it("shop says what all jobs need against it, and what to buy where", () => {
    const { code, out } = crust("shop", whole());
    expect(code).toBe(0);
    const report = JSON.parse(out);
    const slate = report.needs.find(({ good }: { good: string }) => good === "chalk-slate");
    expect(slate).toMatchObject({ standing: "short", onTheShelf: 220, unit: "ml" });
    expect(slate.missing).toBeCloseTo(slate.need - 220, 1);
    expect(report.toBuy.map(({ supplier }: { supplier: string }) => supplier)).toContain("Harbour Road Paints");
  });

  it("quote says what a job of it costs, and of a job's own file the hours alone", () => {
    const { code, out } = crust("quote", whole(), "--job", "carved-settle");
    expect(code).toBe(0);
    const report = JSON.parse(out);
    expect(report.unpriced).toEqual([]);
    expect(report.price.from).toBeLessThanOrEqual(report.sums.price.likely);
    expect(report.price.to).toBeGreaterThanOrEqual(report.sums.price.atMost);
    const { materials, consumables, work, overhead, margin, tax, price } = report.sums;
    const parts = [materials, consumables, work, overhead, margin, tax];
    expect(parts.reduce((sum, { likely }) => sum + likely, 0)).toBeCloseTo(price.likely, 1);
    const settle = plans.find(({ id }) => id === "carved-settle")!;
    const alone = JSON.parse(crust("quote", file("settle.crust.json", writePlanFile(settle))).out);
    expect(alone.price).toEqual({ from: 0, to: 0 });
    expect(alone.handsOnMinutes).toBe(report.handsOnMinutes);
  });

  it("quote asks which job, and names those there are", () => {
    const asked = crust("quote", whole());
    expect(asked.code).toBe(2);
    expect(asked.said).toMatch(/give the job with --job: .*carved-settle/);
    expect(crust("quote", whole(), "--job", "no-such").said).toMatch(/there is no job "no-such"/);
  });
});

describe("the schedule of a whole shop", () => {
  const plans = hobnailYard();
  const whole = () => file("yard.shop.json", writeShopFile({ shop: hobnailShop(), plans, planned: [] }));

  it("is the same under any time zone and load, and names every job with its state", () => {
    const path = whole();
    const runs = ["Pacific/Apia", "America/St_Johns", "Europe/London"].map((TZ) =>
      spawnSync(process.execPath, [join(bundle, "crust.js"), "schedule", path], {
        encoding: "utf8",
        env: { ...process.env, TZ },
      }),
    );
    expect(new Set(runs.map(({ stdout }) => stdout)).size).toBe(1);
    // the chart cabinet clashes
    expect(runs[0]!.status).toBe(1);
    const { planOfWork, jobs } = JSON.parse(runs[0]!.stdout) as {
      planOfWork: string;
      jobs: { plan: { id: string }; state: string; leaves: string }[];
    };
    expect(planOfWork).toBe("made");
    expect(jobs.map(({ plan }) => plan.id).sort()).toEqual(plans.map(({ id }) => id).sort());
    for (const { leaves } of jobs) expect(leaves).toMatch(/^2026-12-\d\dT\d\d:\d\d$/);
  });

  it("that is wrong says in which job, and is taken by no other command", () => {
    const wrong = file(
      "wrong.shop.json",
      JSON.stringify({ ...JSON.parse(writeShopFile({ shop: hobnailShop(), plans: [], planned: [] })), plans: [{}] }),
    );
    expect(crust("schedule", wrong)).toMatchObject({ code: 2, said: expect.stringMatching(/job 1, /i) });
    expect(crust("check", whole()).code).toBe(2);
  });
});
