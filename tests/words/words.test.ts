import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { type Avoided, NOT_ON_SCREEN, NOWHERE } from "./terms";
import { type Text, textsOf } from "./texts";

const tracked = execFileSync("git", ["ls-files", "-co", "--exclude-standard"], { encoding: "utf8" }).split("\n");
const files = (pattern: RegExp) => tracked.filter((file) => pattern.test(file) && !file.startsWith("tests/words/"));

const SOURCES = files(/^(app|core|db|cli|demo|server|hostile|kernels|scripts|tests)\/.*\.tsx?$/);
const TEXTS = SOURCES.flatMap(textsOf);
const ON_SCREEN = /^(app|core|db|cli|demo|server)\/(?!.*\.test\.ts)/;

/** Style sheets and paths in strings are not read by anybody; what is quoted keeps its own spelling. */
const isCode = (text: string) => /--color|prefers-color-scheme|color-mix\(|<style>|^[.#@/]|\bM\d+ \d/.test(text);
const withoutQuotes = (text: string) => text.replace(/"[^"]*("|$)|Color Research/g, "");

function found(texts: readonly Text[], list: readonly Avoided[]): string[] {
  return texts.flatMap(({ file, line, text }) =>
    list.flatMap(({ no, yes }) =>
      no.test(withoutQuotes(text)) && !isCode(text) ? [`${file}:${line}: ${text.slice(0, 90)} → ${yes}`] : [],
    ),
  );
}

describe("how the tool speaks", () => {
  it("uses none of the words that nobody says, in interface, comments or tests", () => {
    expect(found(TEXTS, NOWHERE)).toEqual([]);
  });

  it("shows a painter none of the words settled against", () => {
    expect(
      found(
        TEXTS.filter(({ file, kind }) => kind === "sentence" && ON_SCREEN.test(file)),
        NOT_ON_SCREEN,
      ),
    ).toEqual([]);
  });

  it("writes its docs in the same words", () => {
    const docs = files(/^(README\.md|docs\/.*\.md)$/).flatMap((file) =>
      readFileSync(file, "utf8")
        .split("\n")
        .map((text, index): Text => ({ file, line: index + 1, text, kind: "comment" })),
    );
    expect(docs.length).toBeGreaterThan(500);
    expect(found(docs, NOWHERE)).toEqual([]);
  });

  it("would find them", () => {
    const text = (text: string): Text => ({ file: "x", line: 1, text, kind: "sentence" });
    const bad = [
      "The photo did not come.",
      "Take it in",
      "3 touches, 2 h of hands",
      "What could be otherwise",
      "There is no such job here",
      "Put it back on the jobs list",
    ];
    expect(bad.filter((one) => found([text(one)], NOT_ON_SCREEN).length === 0)).toEqual([]);
    const archaic = [
      "It is told at the step.",
      "The paint shall come away",
      "drawn anew",
      "no order of work is done sooner",
    ];
    expect(archaic.filter((one) => found([text(one)], NOWHERE).length === 0)).toEqual([]);
    expect(TEXTS.length).toBeGreaterThan(4000);
  });
});
