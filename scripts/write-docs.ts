// Writes the parts of docs that are made from the code: the JSON Schema of the crust file, and the rules with their reasons.
import { writeFileSync } from "node:fs";
import { planJsonSchema } from "#core/exchange/plan-file";
import { SCHOOLS } from "#core/plan/house-rules";
import { RULES } from "#core/rules/rules";

writeFileSync("docs/crust-file.schema.json", `${JSON.stringify(planJsonSchema(), null, 2)}\n`);

const lines = RULES.map(({ meta, examples }) =>
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
  ].join("\n"),
);
writeFileSync(
  "docs/rules.md",
  `# The rules\n\nGenerated from the rule files by \`npm run docs\`; do not edit by hand.\n\n${lines.join("\n")}`,
);
