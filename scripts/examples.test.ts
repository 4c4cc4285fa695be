import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";

// Doc comments show what a function gives: ` * @example sayDuration(200) // "3 h 20 min"`, with ≈ before a figure that is rounded.

interface Example {
  file: string;
  code: string;
  gives: string;
}

const EXAMPLE = /^ \* @example (.+) \/\/ (.+)$/gm;

const sources = readdirSync("core", { recursive: true, encoding: "utf8" })
  .filter((file) => file.endsWith(".ts"))
  .map((file) => `core/${file}`);

const examples = sources.flatMap((file): Example[] =>
  [...readFileSync(file, "utf8").matchAll(EXAMPLE)].map(([, code = "", gives = ""]) => ({ file, code, gives })),
);

/** A line of code, as if it stood in the file that it is written in. */
async function done(file: string, code: string): Promise<unknown> {
  const exported = (await import(`../${file}`)) as Record<string, unknown>;
  return new Function(...Object.keys(exported), `return ${code};`)(...Object.values(exported));
}

describe("examples in doc comments", () => {
  it("are there", () => {
    expect(examples.length).toBeGreaterThan(20);
  });

  it.each(examples)("$code gives $gives", async ({ file, code, gives }) => {
    const found = await done(file, code);
    const about = /^≈ (-?\d+(?:\.(\d+))?)$/.exec(gives);
    if (about) expect(found).toBeCloseTo(Number(about[1]), about[2]?.length ?? 0);
    else expect(found).toEqual(JSON.parse(gives));
  });
});
