import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { RULES } from "#core/rules/rules";
import { entriesNamed, groupOf } from "./corpus";
import { talliesOf } from "./said";

// What every rule says over a thousand plans near to its examples, or of any kind. A change here has to be meant: then
// `npm run verdicts` writes it down again, and the counts (stops, cautions, notes) show how far it reaches.

const read = (file: string) => JSON.parse(readFileSync(new URL(file, import.meta.url), "utf8"));
const chosen: string[] = read("./chosen.json");
const written: Record<string, Record<string, string>> = read("./tallies.json");
const entries = entriesNamed(chosen);

describe("over the corpus of plans", () => {
  it("every rule speaks, and no plan is missing", () => {
    const speaks = new Set(Object.values(written).flatMap((group) => Object.keys(group)));
    expect(RULES.map(({ meta }) => meta.id).filter((id) => !speaks.has(id))).toEqual([]);
    expect(entries.map(({ name }) => name).sort()).toEqual([...chosen].sort());
    expect(new Set(entries.map(groupOf))).toEqual(new Set(Object.keys(written)));
  });

  it.each(Object.keys(written))("%s: each rule says what was written down", (group) => {
    const plans = entries.filter((entry) => groupOf(entry) === group).map(({ plan }) => plan());
    expect(talliesOf(plans)).toEqual(written[group]);
  });
});
