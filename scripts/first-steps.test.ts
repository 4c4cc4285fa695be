import { execFileSync } from "node:child_process";
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";

// docs/first-steps.md, done: what it says to write is written into a copy of the project, which then has to type and to pass.

const MOST = 300_000;
const COPIED = ["app", "core", "db", "demo", "scripts", "tests", "server", "cli", "hostile", "kernels"];
const FILES = [
  "package.json",
  "tsconfig.json",
  "vite.config.ts",
  "vitest.config.ts",
  "react-router.config.ts",
  "biome.json",
];

interface Block {
  does: "file" | "insert";
  path: string;
  after: string | undefined;
  text: string;
}

const blocks = [
  ...readFileSync("docs/first-steps.md", "utf8").matchAll(
    /^```tsx? (?<does>file|insert) (?<path>\S+)(?: after "(?<after>[^"]+)")?\n(?<text>.*?)^```$/gms,
  ),
].map(({ groups }) => groups as unknown as Block);

let copy: string;
const run = (...command: string[]) =>
  execFileSync(process.execPath, command, { cwd: copy, encoding: "utf8", stdio: ["ignore", "pipe", "pipe"] });
const tool = (path: string) => join("node_modules", path);

function write({ does, path, after, text }: Block) {
  const file = join(copy, path);
  if (does === "file") {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, text);
    return;
  }
  const lines = readFileSync(file, "utf8").split("\n");
  const at = lines.findIndex((line) => line.includes(after!));
  expect(at, `a line with ${after} in ${path}`).toBeGreaterThan(-1);
  lines.splice(at + 1, 0, text.trimEnd());
  writeFileSync(file, lines.join("\n"));
}

beforeAll(() => {
  copy = mkdtempSync(join(tmpdir(), "first-steps-"));
  for (const folder of COPIED) cpSync(folder, join(copy, folder), { recursive: true });
  for (const file of FILES) cpSync(file, join(copy, file));
  symlinkSync(join(process.cwd(), "node_modules"), join(copy, "node_modules"));
  for (const block of blocks) write(block);
  run("--import", "tsx", "scripts/write-lists.ts");
}, MOST);
afterAll(() => rmSync(copy, { recursive: true, force: true }));

describe("the first steps", () => {
  it("say all of it: a material, a rule, a finish, and a view with its five places", () => {
    expect(blocks.filter(({ does }) => does === "file")).toHaveLength(4);
    expect(blocks.filter(({ does }) => does === "insert")).toHaveLength(5);
  });

  it("end in a project that types", { timeout: MOST }, () => {
    run(tool("@react-router/dev/bin.js"), "typegen");
    expect(run(tool("@typescript/native-preview/bin/tsgo"), "-p", "core")).toBe("");
    expect(run(tool("@typescript/native-preview/bin/tsgo"), "-p", ".")).toBe("");
  });

  it("end in a rule whose examples hold, a finish that builds everywhere, and keys that do not collide", {
    timeout: MOST,
  }, () => {
    const passed = run(
      tool("vitest/vitest.mjs"),
      "run",
      ...[
        "core/judge/rules.test.ts",
        "core/finishes/finishes.test.ts",
        "app/keys",
        "app/parts",
        "scripts/lists.test.ts",
      ],
      ...["--testNamePattern", "H5|Plain brick|the keys|the views|lists every file"],
    );
    expect(passed).toMatch(/passed/);
    expect(passed).not.toMatch(/failed/);
  });
});
