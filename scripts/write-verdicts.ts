// Writes down what every rule says over the corpus of plans; with --choose, chooses the plans anew first.
import { readFileSync, writeFileSync } from "node:fs";
import { chosenAnew } from "../tests/verdicts/choose";
import { entriesNamed } from "../tests/verdicts/corpus";
import { talliesOf } from "../tests/verdicts/said";

const CHOSEN = "tests/verdicts/chosen.json";
if (process.argv.includes("--choose")) writeFileSync(CHOSEN, `${JSON.stringify(chosenAnew(), null, 1)}\n`);
const chosen: string[] = JSON.parse(readFileSync(CHOSEN, "utf8"));
const tallies = talliesOf(entriesNamed(chosen).map(({ plan }) => plan()));
const lines = [...tallies]
  .sort(([one], [two]) => (one < two ? -1 : 1))
  .map(([of, tally]) => `  ${JSON.stringify(of)}: ${JSON.stringify(tally)}`);
writeFileSync("tests/verdicts/tallies.json", `{\n${lines.join(",\n")}\n}\n`);
