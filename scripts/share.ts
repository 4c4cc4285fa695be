// How much of the code is tests, in lines that are not blank, by folder. Tests are files named so, what is in `tests` and
// `hostile`, and the examples of the rules, each of which is run as one.
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";

const CODE = /\.(ts|tsx|mjs|cjs)$/;
const TEST = /\.test\.tsx?$|^(tests|hostile)\//;
const RULE = /^core\/rules\/\w+\/[a-z]\d+-/;
/** Written by a command, not by hand. */
const MADE = /^core\/(board\/kernels\.wasm|rules\/rules|finishes\/finishes)\.ts$/;

const files = execFileSync("git", ["ls-files"], { encoding: "utf8" })
  .split("\n")
  .filter((file) => CODE.test(file) && !MADE.test(file));

/** Lines of a file that are tests, and those that are not. */
function countIn(file: string): { tests: number; code: number } {
  const lines = readFileSync(file, "utf8")
    .split("\n")
    .filter((line) => line.trim() !== "");
  if (TEST.test(file)) return { tests: lines.length, code: 0 };
  const examples = RULE.test(file) ? lines.indexOf("  examples: {") : -1;
  if (examples < 0) return { tests: 0, code: lines.length };
  const tests = lines.indexOf("  },", examples) + 1 - examples;
  return { tests, code: lines.length - tests };
}

const byFolder = new Map<string, { tests: number; code: number }>();
const all = { tests: 0, code: 0 };
for (const file of files) {
  const { tests, code } = countIn(file);
  const folder = file.includes("/") ? file.slice(0, file.indexOf("/")) : "beside them";
  for (const sum of [all, byFolder.get(folder) ?? { tests: 0, code: 0 }]) {
    sum.tests += tests;
    sum.code += code;
    if (sum !== all) byFolder.set(folder, sum);
  }
}

const line = (name: string, { tests, code }: { tests: number; code: number }) =>
  `${name.padEnd(14)}${String(tests).padStart(8)} of tests${String(code).padStart(9)} of code${`${Math.round((1000 * tests) / (tests + code)) / 10} %`.padStart(9)}`;
for (const [folder, sum] of [...byFolder].sort(([one], [two]) => one.localeCompare(two)))
  console.log(line(folder, sum));
console.log(line("all", all));
