import { readFileSync, statSync } from "node:fs";
import { parseArgs } from "node:util";
import { boardReport } from "#core/exchange/board-report";
import { fromNowReport, lookReport, readLookFile } from "#core/exchange/look-report";
import { readPlanFile, sayFault, tooLarge } from "#core/exchange/plan-file";
import { checkReport, nextReport, scheduleReport, shopReport, shopScheduleReport } from "#core/exchange/report";
import { quoteReport, supplyReport } from "#core/exchange/shelf-report";
import { isShopFile, readShopFile, type ShopFile } from "#core/exchange/shop-file";
import { readNetworkFile, solveReport } from "#core/exchange/solve-report";
import { own } from "#core/plan/own";
import { LIMITS, type Plan } from "#core/plan/plan";
import { warmUp } from "#core/schedule/solve/warm-up";
import { readWallTime } from "#core/units/wall-time";
import { helperOf } from "./beside";

const USAGE = `crust check|schedule FILE…
crust shop FILE
crust quote FILE [--job ID]
crust next FILE [--zone ID] [--at 2026-11-30T14:00]
crust solve FILE… [--budget MILLISECONDS]
crust look SPEC.json
crust look FILE [--zone ID] --from-now [--at 2026-11-30T14:00]
crust board FILE --zone ID [--after STEP] [--panel carved|drawer|plain|top|disc|leg|frame|box] [--seed N] [--width N] --png OUT

  check     verdicts with reasons and fixes, for an unhurried painter with no other work; exit 1 on a stop
  schedule  dates inside the working hours; of a *.shop.json file, its plan of work; exit 1 on a clash
  shop      how much of each material, how that is made up, consumables and mixes; of a *.shop.json file, what all jobs need
            against the shelf, and what is to be bought
  quote     what a job costs: of a *.shop.json file with its prices, of a job's own file the hours and amounts alone
  solve     the shortest schedule of network files; exit 1 when one has none
  look      stacks that give a look, the best first; of a job's file with --from-now, ways on from where a zone stands; exit 1
            when there is none
  next      what can go on a zone's surface at a given time, each with its reason
  board     draws the zone's sample board into OUT, and prints how much of each layer shows

Prints JSON; for several files one line per file, in order, with the file's name. Exit 2: an input cannot be read; a line on
standard error says where and why, and the other files are still answered.
`;

class Unreadable extends Error {}

function readText(path: string): string {
  try {
    const { size } = statSync(path);
    if (size > LIMITS.projectFileBytes) throw new Unreadable(`${path}: ${tooLarge(size)}`);
    return readFileSync(path, "utf8");
  } catch (error) {
    if (error instanceof Unreadable) throw error;
    throw new Unreadable(
      `${path}: the file cannot be read (${(error as NodeJS.ErrnoException).code ?? "unknown"}). Check the path.`,
    );
  }
}

function readFile(path: string): Plan {
  const read = readPlanFile(readText(path));
  if (read.ok) return read.plan;
  const more = read.faults.length > 1 ? ` (and ${read.faults.length - 1} more)` : "";
  throw new Unreadable(`${path}: ${sayFault(read.faults[0]!)}${more}`);
}

type Flags = Readonly<Record<string, string>>;

interface Done {
  report: unknown;
  good: boolean;
}

interface Subcommand {
  /** the flags it takes, each with a value */
  flags?: readonly string[];
  /** flags without a value */
  switches?: readonly string[];
  /** it takes several files at once, and prints a line for each */
  many?: boolean;
  /** what it answers of a job's file; of another kind of file it is asked by its path */
  run(plan: Plan, flags: Flags): Done | Promise<Done>;
  other?: (path: string, flags: Flags) => Done | null;
}

function askNext(plan: Plan, flags: Flags) {
  const at = atIn(flags);
  const report = nextReport(plan, { ...(flags.zone ? { zone: flags.zone } : {}), ...(at === undefined ? {} : { at }) });
  if (typeof report === "string") throw new Unreadable(report);
  return { report, good: true };
}

const whole = (flags: Flags, name: string): number | undefined => {
  const text = flags[name];
  if (text === undefined) return undefined;
  if (!/^\d{1,5}$/.test(text)) throw new Unreadable(`--${name} ${text}: write a whole number`);
  return Number(text);
};

const atIn = (flags: Flags): number | undefined => {
  if (flags.at === undefined) return undefined;
  const at = readWallTime(flags.at);
  if (at === null) throw new Unreadable(`--at ${flags.at}: write a date and time like 2026-11-30T14:00`);
  return at;
};

/** Ways on for a zone from where it stands. */
function waysOn(plan: Plan, flags: Flags): Done {
  const done = fromNowReport(plan, flags.zone ?? null, atIn(flags) ?? now());
  if (typeof done === "string") throw new Unreadable(done);
  return done;
}

/** A look is asked for in a file of its own; with --from-now, of a job's file. */
function lookFor(path: string, flags: Flags): Done | null {
  if (flags["from-now"] !== undefined) return null;
  const read = readLookFile(readText(path));
  if (!read.ok) throw new Unreadable(`${path}: ${read.says}`);
  return lookReport(read.file);
}

const saysOf = (error: unknown) => (error instanceof Error ? error.message : String(error)).split("\n")[0]!.trim();

/** Draws a sample board: the same picture as on the screen. */
async function drawBoard(plan: Plan, flags: Flags): Promise<Done> {
  if (!flags.png) throw new Unreadable("board needs --png OUT, the file to write the picture to");
  const drawn = boardReport(plan, {
    ...(flags.zone ? { zone: flags.zone } : {}),
    ...(flags.after ? { after: flags.after } : {}),
    ...(flags.panel ? { panel: flags.panel } : {}),
    seed: whole(flags, "seed"),
    width: whole(flags, "width"),
  });
  if (typeof drawn === "string") throw new Unreadable(drawn);
  const { width, height } = drawn.report;
  // only this command needs it, and it takes a while to load
  const { default: sharp } = await import("sharp");
  try {
    await sharp(drawn.pixels, { raw: { width, height, channels: 4 } })
      .png()
      .toFile(flags.png);
  } catch (error) {
    throw new Unreadable(`${flags.png}: the picture could not be written (${saysOf(error)}). Check the folder.`);
  }
  return { report: { ...drawn.report, png: flags.png }, good: true };
}

const COMMANDS: Record<string, Subcommand> = {
  check: { run: check, many: true },
  schedule: { run: dates, many: true },
  shop: { run: (plan) => ({ report: shopReport(plan), good: true }) },
  quote: { flags: ["job"], run: (plan) => ({ report: quoted(plan, {}), good: true }) },
  next: { flags: ["zone", "at"], run: askNext },
  look: { flags: ["zone", "at"], switches: ["from-now"], run: waysOn, other: lookFor },
  board: { flags: ["zone", "after", "panel", "seed", "width", "png"], run: drawBoard },
};

function check(plan: Plan) {
  const report = checkReport(plan);
  return { report, good: report.counts.stop === 0 };
}

function dates(plan: Plan) {
  const report = scheduleReport(plan);
  return { report, good: report.clashes.length === 0 };
}

/** The time on this machine's clock. */
const now = (): number => Math.floor((Date.now() - new Date().getTimezoneOffset() * 60_000) / 60_000);

function quoted(file: ShopFile | Plan, { job }: Flags) {
  const report = quoteReport(file, job ?? null, now());
  if (typeof report === "string") throw new Unreadable(report);
  return report;
}

/** What is answered of a whole shop. */
const OF_A_SHOP: Record<string, (file: ShopFile, flags: Flags) => Done> = {
  schedule(file) {
    const report = shopScheduleReport(file);
    return { report, good: report.jobs.every(({ clashes }) => clashes.length === 0) };
  },
  shop: (file) => ({ report: supplyReport(file, now()), good: true }),
  quote: (file, flags) => ({ report: quoted(file, flags), good: true }),
};

/** The answer of a command for a whole shop, where the file is one; null for the file of a job. */
function ofShop(name: string, path: string, flags: Flags): Done | null {
  const answer = own(OF_A_SHOP, name);
  const text = answer && readText(path);
  if (!answer || text === undefined || !isShopFile(text)) return null;
  const read = readShopFile(text);
  if (!read.ok) throw new Unreadable(`${path}: ${sayFault(read.faults[0]!)}`);
  return answer(read.file, flags);
}

const BUDGET = 1000;
const MOST_BUDGET = 60_000;

const sayLine = (report: unknown) => process.stdout.write(`${JSON.stringify(report)}\n`);

/** Answers file after file; one that cannot be read is reported, and the next is still answered. */
async function eachOf(paths: readonly string[], answer: (path: string) => Done | Promise<Done>): Promise<number> {
  let exit = 0;
  for (const path of paths)
    try {
      const { report, good } = await answer(path);
      sayLine(typeof report === "object" ? { file: path, ...report } : report);
      if (!good) exit = Math.max(exit, 1);
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      sayLine({ file: path, unreadable: error.message });
      process.stderr.write(`${error.message}\n`);
      exit = 2;
    }
  return exit;
}

/** Solves network files, printing each answer on a line as it is found. */
async function solveFiles(paths: readonly string[], flags: Flags): Promise<number> {
  const budget = whole(flags, "budget") ?? BUDGET;
  if (budget < 1 || budget > MOST_BUDGET)
    throw new Unreadable(`--budget ${budget}: from 1 to ${MOST_BUDGET} milliseconds`);
  const now = () => performance.now();
  // both threads are warm before the budget counts
  const starting = helperOf();
  warmUp(now);
  const helper = await starting;
  try {
    return await eachOf(paths, (path) => {
      const read = readNetworkFile(readText(path));
      if (!read.ok) throw new Unreadable(`${path}: ${read.says}`);
      const report = solveReport(read.file, budget, now, helper?.begin(read.file, budget));
      return { report, good: report.feasible };
    });
  } finally {
    await helper?.end();
  }
}

/** Files and flags of a command; anything it does not take is reported. */
function readWords(name: string, words: readonly string[], takes: readonly string[], switches: readonly string[] = []) {
  try {
    const options = Object.fromEntries([
      ...takes.map((flag) => [flag, { type: "string" as const }] as const),
      ...switches.map((flag) => [flag, { type: "boolean" as const }] as const),
    ]);
    const { values, positionals } = parseArgs({ args: [...words], options, allowPositionals: true, strict: true });
    const flags: Flags = Object.fromEntries(Object.entries(values).map(([flag, value]) => [flag, String(value)]));
    return { paths: positionals, flags };
  } catch (error) {
    const said = error instanceof Error ? error.message : "";
    const flag = /'(--?[^ '=]+)/.exec(said)?.[1] ?? "";
    const takesIt = takes.includes(flag.replace(/^--/, ""));
    throw new Unreadable(
      takesIt ? `${flag} needs a value` : `crust ${name} does not take ${flag || "that"}: see crust help`,
    );
  }
}

const NAMES = [...Object.keys(COMMANDS), "solve"];

async function run(words: string[]): Promise<number> {
  const [name, ...rest] = words;
  if (name === undefined || name === "help" || name === "--help" || name === "-h") {
    process.stdout.write(USAGE);
    return 0;
  }
  const command = own(COMMANDS, name);
  if (!command && name !== "solve")
    throw new Unreadable(`"${name}" is not a command: crust ${NAMES.join("|")}; see crust help`);
  const { paths, flags } = readWords(name, rest, command ? (command.flags ?? []) : ["budget"], command?.switches);
  if (paths.length === 0) throw new Unreadable(`give a file: crust ${name} FILE`);
  if (!command) return solveFiles(paths, flags);
  if (paths.length > 1 && !command.many)
    throw new Unreadable(`crust ${name} takes one file; ${paths.length} were given`);
  const answer = (path: string) =>
    ofShop(name, path, flags) ?? command.other?.(path, flags) ?? command.run(readFile(path), flags);
  if (paths.length > 1) return eachOf(paths, answer);
  const { report, good } = await answer(paths[0]!);
  process.stdout.write(`${JSON.stringify(report, null, 2)}\n`);
  return good ? 0 : 1;
}

try {
  process.exitCode = await run(process.argv.slice(2));
} catch (error) {
  if (!(error instanceof Unreadable)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
}
