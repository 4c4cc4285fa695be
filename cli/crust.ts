import { readFileSync, statSync } from "node:fs";
import { readPlanFile, tooLarge } from "#core/exchange/plan-file";
import { checkReport, scheduleReport, shopReport } from "#core/exchange/report";
import { LIMITS, type Plan } from "#core/plan/plan";

const USAGE = `crust check|schedule|shop FILE

  check     verdicts with reasons and fixes, on the nominal line; exit 1 when there is a stop
  schedule  dates inside the working hours; exit 1 when something cannot be kept
  shop      how much of each material

Prints JSON. Exit 2: the input cannot be read; one line on standard error says where and why.
`;

class Unreadable extends Error {}

function readFile(path: string): Plan {
  let text: string;
  try {
    const { size } = statSync(path);
    if (size > LIMITS.projectFileBytes) throw new Unreadable(`${path}: ${tooLarge(size)}`);
    text = readFileSync(path, "utf8");
  } catch (error) {
    if (error instanceof Unreadable) throw error;
    throw new Unreadable(
      `${path}: the file cannot be read (${(error as NodeJS.ErrnoException).code ?? "unknown"}). Check the path.`,
    );
  }
  const read = readPlanFile(text);
  if (read.ok) return read.plan;
  const [fault] = read.faults;
  throw new Unreadable(
    `${path}: ${fault!.where ? `at ${fault!.where}: ` : ""}${fault!.says}${read.faults.length > 1 ? ` (and ${read.faults.length - 1} more)` : ""}`,
  );
}

const COMMANDS: Record<string, (plan: Plan) => { report: unknown; good: boolean }> = {
  check(plan) {
    const report = checkReport(plan);
    return { report, good: report.counts.stop === 0 };
  },
  schedule(plan) {
    const report = scheduleReport(plan);
    return { report, good: report.clashes.length === 0 };
  },
  shop: (plan) => ({ report: shopReport(plan), good: true }),
};

function run(words: string[]): number {
  if (words.length === 0 || words[0] === "help" || words[0] === "--help") {
    process.stdout.write(USAGE);
    return 0;
  }
  const [name, path, ...rest] = words;
  const command = COMMANDS[name ?? ""];
  if (!command || !path || rest.length > 0) {
    const fault = !command ? `"${name}" is not a command` : !path ? "name a file" : `"${rest[0]}" is one word too many`;
    throw new Unreadable(`${fault}: crust check|schedule|shop FILE`);
  }
  const { report, good } = command(readFile(path));
  process.stdout.write(`${JSON.stringify(report, null, 2)}\n`);
  return good ? 0 : 1;
}

try {
  process.exitCode = run(process.argv.slice(2));
} catch (error) {
  if (!(error instanceof Unreadable)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
}
