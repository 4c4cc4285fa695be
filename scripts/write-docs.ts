// The parts of docs that are made from the code: the JSON Schema of the crust file, and the rules with their reasons. `npm run docs`
// writes them; a test compares them with what is there.
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { planJsonSchema } from "#core/exchange/plan-file";
import { SCHOOLS } from "#core/plan/house-rules";
import { RULES } from "#core/rules/rules";

const ruleText = ({ meta, examples }: (typeof RULES)[number]): string =>
  [
    `### ${meta.id} · ${meta.title}`,
    "",
    meta.reason,
    "",
    `- Origin: ${meta.origin}`,
    ...(meta.schools.length > 0
      ? [`- Depends on the house rules: ${meta.schools.map((key) => SCHOOLS[key].title.toLowerCase()).join(", ")}`]
      : []),
    ...(meta.subsumes.length > 0 ? [`- When it applies, these are left out: ${meta.subsumes.join(", ")}`] : []),
    `- No warning: ${examples.clean.map((example) => example.shows).join("; ")}`,
    `- Warning: ${examples.faulty.map((example) => example.shows).join("; ")}`,
    "",
  ].join("\n");

/** What each of these files holds. */
export const docs = (): Record<string, string> => ({
  "docs/crust-file.schema.json": `${JSON.stringify(planJsonSchema(), null, 2)}\n`,
  "docs/rules.md": `# The rules\n\nGenerated from the rule files by \`npm run docs\`; do not edit by hand.\n\n${RULES.map(ruleText).join("\n")}`,
});

if (process.argv[1] === fileURLToPath(import.meta.url))
  for (const [file, text] of Object.entries(docs())) writeFileSync(file, text);
