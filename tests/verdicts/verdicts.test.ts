import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { RULES } from "#core/rules/rules";
import { entriesNamed } from "./corpus";
import { type Tally, talliesOf } from "./said";

// What every rule says over a thousand plans near to its examples, or of any kind. A change here has to be meant: then
// `npm run verdicts` writes it down anew, and the counts show how far it reaches.

const read = (file: string) => JSON.parse(readFileSync(new URL(file, import.meta.url), "utf8"));
const chosen: string[] = read("./chosen.json");
const written: Record<string, Tally> = read("./tallies.json");

it("every rule says over the plans of the corpus what was written down", () => {
  const entries = entriesNamed(chosen);
  expect(entries.map(({ name }) => name).sort()).toEqual([...chosen].sort());
  const tallies = talliesOf(entries.map(({ plan }) => plan()));
  expect(RULES.map(({ meta }) => meta.id).filter((id) => !tallies.has(id))).toEqual([]);
  expect(Object.fromEntries(tallies)).toEqual(written);
});
