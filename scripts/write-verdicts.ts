// Writes down what every rule says over the corpus of plans; with --choose, chooses the plans again first.
import { readFileSync, writeFileSync } from "node:fs";
import { chosenAgain } from "../tests/verdicts/choose";
import { entriesNamed } from "../tests/verdicts/corpus";
import { talliesByGroup } from "../tests/verdicts/said";

const CHOSEN = "tests/verdicts/chosen.json";
const write = (file: string, value: unknown) => writeFileSync(file, `${JSON.stringify(value, null, 2)}\n`);

if (process.argv.includes("--choose")) write(CHOSEN, chosenAgain());
write("tests/verdicts/tallies.json", talliesByGroup(entriesNamed(JSON.parse(readFileSync(CHOSEN, "utf8")))));
