// The whole test command: what is missing is installed, then type check, lint, layering, spelling, unit and published-source tests,
// and the browser tests. Ends with the true counts alone on a line.
import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { bin, build, ensureChromium, ensurePackages, quietly, root } from "./ready.mjs";

const LAYERS = ["core", "app", "db", "server", "cli", "demo", "hostile"];
const LONGEST_TELLING = 6000;
let passed = 0;
let failed = 0;

function count(name, good, bad, said = "") {
  passed += good;
  failed += bad;
  console.log(`${bad === 0 ? "ok  " : "FAIL"} ${name}: ${good} passed${bad > 0 ? `, ${bad} failed` : ""}`);
  if (bad > 0 && said) console.log(said.slice(-LONGEST_TELLING));
}

function check(name, command, words) {
  const { code, said } = quietly(bin(command), words);
  count(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1, said);
}

const TEST_FILE = /\.(test|spec)\.tsx?$/;
/** Ways of leaving a test out, singling one out, or trying one until it passes. */
const NOT_WHOLE =
  /\.(only|skip|skipIf|runIf|todo|fixme|fails|fail)\s*\(|\b(xit|xdescribe|fdescribe|fit)\s*\(|\bretr(y|ies)\b\s*[:=(]/;

function testFiles(folder) {
  return readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile() && TEST_FILE.test(entry.name) && !entry.parentPath.includes("node_modules"))
    .map((entry) => join(entry.parentPath, entry.name));
}

function checkWholeness() {
  const files = [...LAYERS, "scripts", "tests"].flatMap((folder) => testFiles(join(root, folder)));
  const broken = files.flatMap((file) =>
    readFileSync(file, "utf8")
      .split("\n")
      .flatMap((line, index) =>
        NOT_WHOLE.test(line) ? [`${file.slice(root.length)}:${index + 1}: ${line.trim()}`] : [],
      ),
  );
  count(
    "no test focused, skipped or retried",
    broken.length === 0 ? 1 : 0,
    broken.length === 0 ? 0 : 1,
    broken.join("\n"),
  );
}

function unitTests(folder) {
  const file = join(folder, "unit.json");
  const { said } = quietly(
    bin("vitest"),
    ["run", "--reporter=default", "--reporter=json", `--outputFile.json=${file}`],
    { env: { ...process.env, NO_COLOR: "1" } },
  );
  try {
    const told = JSON.parse(readFileSync(file, "utf8"));
    const left = told.numPendingTests + told.numTodoTests;
    // a file that does not load has no tests to count, but it has failed
    const unloaded = told.testResults.filter(
      (one) => one.status === "failed" && one.assertionResults.length === 0,
    ).length;
    count(
      "unit and published-source tests",
      told.numPassedTests,
      told.numFailedTests + left + unloaded + (told.numPassedTests === 0 ? 1 : 0),
      said,
    );
  } catch {
    count("unit and published-source tests", 0, 1, said);
  }
}

function browserTests(folder) {
  const file = join(folder, "browser.json");
  const { said } = quietly(bin("playwright"), ["test", "--reporter=json"], {
    env: { ...process.env, NO_COLOR: "1", PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  });
  try {
    const told = JSON.parse(readFileSync(file, "utf8"));
    const { expected, unexpected, flaky, skipped } = told.stats;
    const faults = [...told.errors.map((error) => error.message), ...faultsIn(told.suites)].join("\n\n");
    count(
      "browser tests",
      expected,
      unexpected + flaky + skipped + told.errors.length + (expected === 0 ? 1 : 0),
      faults || said,
    );
  } catch {
    count("browser tests", 0, 1, said);
  }
}

/** The short forms of the trials: each counts as a test. */
function hostileTests() {
  const { said } = quietly(process.execPath, ["scripts/hostile.mjs", "--short"]);
  const [, good, bad] = /(\d+) passed, (\d+) failed\s*$/.exec(said) ?? [null, "0", "1"];
  count("hostile and unlucky use", Number(good), Number(bad), said);
}

function faultsIn(suites) {
  return suites.flatMap((suite) => [
    ...faultsIn(suite.suites ?? []),
    ...(suite.specs ?? [])
      .filter((spec) => !spec.ok)
      .map(
        (spec) =>
          `${spec.file}: ${spec.title}\n${spec.tests.flatMap((test) => test.results.flatMap((result) => result.errors?.map(({ message }) => message) ?? [result.status])).join("\n")}`,
      ),
  ]);
}

ensurePackages();
ensureChromium();
const folder = mkdtempSync(join(tmpdir(), "crust-tests-"));
try {
  check("route types", "react-router", ["typegen"]);
  check("types of the core, without a browser or a machine", "tsgo", ["-p", "core"]);
  check("types", "tsgo", ["-p", "."]);
  check("format and lint", "biome", ["ci", "--colors=off", "."]);
  check("layering", "depcruise", ["--config", ".dependency-cruiser.cjs", ...LAYERS]);
  check("spelling", "cspell", ["lint", "--no-progress", "--no-summary", "."]);
  checkWholeness();
  unitTests(folder);
  build();
  browserTests(folder);
  hostileTests();
} finally {
  rmSync(folder, { recursive: true, force: true });
}
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
