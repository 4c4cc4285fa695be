import { readFileSync, statSync } from "node:fs";
import sharp from "sharp";
import { boardReport } from "#core/exchange/board-report";
import { readPlanFile, tooLarge } from "#core/exchange/plan-file";
import { checkReport, nextReport, scheduleReport, shopReport } from "#core/exchange/report";
import { readNetworkFile, solveReport } from "#core/exchange/solve-report";
import { LIMITS, type Plan } from "#core/plan/plan";
import { readWallTime } from "#core/units/wall-time";

const USAGE = `crust check|schedule|shop FILE
crust next FILE [--zone ID] [--at 2026-11-30T14:00]
crust solve FILE… [--budget MILLISECONDS]
crust board FILE --zone ID [--after STEP] [--panel carved|drawer|plain] [--seed N] [--width N] --png OUT

  check     verdicts with reasons and fixes, on the nominal line; exit 1 when there is a stop
  schedule  dates inside the working hours; exit 1 when something cannot be kept
  shop      how much of each material
  solve     the shortest schedule of network files, an answer a line; exit 1 when one has none
  next      what can go on a zone's surface at that time, each with its reason
  board     draws the zone's sample board into OUT, and prints what shows of each layer

Prints JSON. Exit 2: the input cannot be read; one line on standard error says where and why.
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
  const [fault] = read.faults;
  throw new Unreadable(
    `${path}: ${fault!.where ? `at ${fault!.where}: ` : ""}${fault!.says}${read.faults.length > 1 ? ` (and ${read.faults.length - 1} more)` : ""}`,
  );
}

type Flags = Readonly<Record<string, string>>;

interface Done {
  report: unknown;
  good: boolean;
}

interface Subcommand {
  /** the flags it takes, each with a value */
  flags?: readonly string[];
  run(plan: Plan, flags: Flags): Done | Promise<Done>;
}

function askNext(plan: Plan, flags: Flags) {
  const at = flags.at === undefined ? undefined : readWallTime(flags.at);
  if (at === null) throw new Unreadable(`--at ${flags.at}: write a date and time like 2026-11-30T14:00`);
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

const saysOf = (error: unknown) => (error instanceof Error ? error.message : String(error)).split("\n")[0]!.trim();

/** Draws a sample board: the same picture as on the screen. */
async function drawBoard(plan: Plan, flags: Flags): Promise<Done> {
  if (!flags.png) throw new Unreadable("board needs --png OUT, where the picture goes");
  const drawn = boardReport(plan, {
    ...(flags.zone ? { zone: flags.zone } : {}),
    ...(flags.after ? { after: flags.after } : {}),
    ...(flags.panel ? { panel: flags.panel } : {}),
    seed: whole(flags, "seed"),
    width: whole(flags, "width"),
  });
  if (typeof drawn === "string") throw new Unreadable(drawn);
  const { width, height } = drawn.report;
  try {
    await sharp(drawn.pixels, { raw: { width, height, channels: 4 } })
      .removeAlpha()
      .png()
      .toFile(flags.png);
  } catch (error) {
    throw new Unreadable(`${flags.png}: the picture cannot be written there (${saysOf(error)}). Check the folder.`);
  }
  return { report: { ...drawn.report, png: flags.png }, good: true };
}

const COMMANDS: Record<string, Subcommand> = {
  check: { run: check },
  schedule: { run: dates },
  shop: { run: (plan) => ({ report: shopReport(plan), good: true }) },
  next: { flags: ["zone", "at"], run: askNext },
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

const BUDGET = 1000;
const MOST_BUDGET = 60_000;

/** Solves network files, an answer a line as each is found. */
function solveFiles(words: readonly string[]): number {
  const paths = words.slice(0, words.findIndex((word) => word.startsWith("--")) >>> 0);
  const flags = readFlags(words.slice(paths.length), ["budget"]);
  const budget = whole(flags, "budget") ?? BUDGET;
  if (budget < 1 || budget > MOST_BUDGET)
    throw new Unreadable(`--budget ${budget}: from 1 to ${MOST_BUDGET} milliseconds`);
  if (paths.length === 0) throw new Unreadable("name a file: crust solve FILE… [--budget MILLISECONDS]");
  const files = paths.map((path) => {
    const read = readNetworkFile(readText(path));
    if (!read.ok) throw new Unreadable(`${path}: ${read.says}`);
    return read.file;
  });
  let good = true;
  for (const file of files) {
    const report = solveReport(file, budget, () => performance.now());
    process.stdout.write(`${JSON.stringify(report)}\n`);
    good &&= report.feasible;
  }
  return good ? 0 : 1;
}

/** Words after the file: --name value pairs that the command takes. */
function readFlags(words: readonly string[], takes: readonly string[]): Flags {
  const flags: Record<string, string> = {};
  for (let at = 0; at < words.length; at += 2) {
    const name = words[at]!.replace(/^--/, "");
    if (!words[at]!.startsWith("--") || !takes.includes(name))
      throw new Unreadable(`"${words[at]}" is one word too many: crust help says what it takes`);
    const value = words[at + 1];
    if (value === undefined) throw new Unreadable(`--${name} needs a value`);
    flags[name] = value;
  }
  return flags;
}

async function run(words: string[]): Promise<number> {
  if (words.length === 0 || words[0] === "help" || words[0] === "--help") {
    process.stdout.write(USAGE);
    return 0;
  }
  const [name, path, ...rest] = words;
  if (name === "solve") return solveFiles(words.slice(1));
  const command = COMMANDS[name ?? ""];
  if (!command || !path)
    throw new Unreadable(
      `${command ? "name a file" : `"${name}" is not a command`}: crust check|schedule|solve|shop|next|board FILE`,
    );
  const flags = readFlags(rest, command.flags ?? []);
  const { report, good } = await command.run(readFile(path), flags);
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
