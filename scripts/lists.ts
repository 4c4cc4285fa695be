// The lists of what has a file of its own: every rule, every finish. `npm run lists` writes them, and a test holds them, so that
// whoever adds a file need not know where it is listed.
import { readdirSync, readFileSync } from "node:fs";
import { THEMES } from "#core/rules/themes";

const camel = (id: string) => id.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());
const filesIn = (folder: string) =>
  readdirSync(folder).filter((file) => file.endsWith(".ts") && !file.endsWith(".test.ts"));

interface RuleFile {
  theme: number;
  number: number;
  path: string;
  name: string;
}

const ID = /^([a-z])(\d+)-/;

/** A file like `adhesion/a1-slick-ground.ts` is a rule; what it exports as `Rule` is its name. */
function ruleFiles(): RuleFile[] {
  const folders = readdirSync("core/rules", { withFileTypes: true }).filter((entry) => entry.isDirectory());
  return folders.flatMap(({ name: folder }) =>
    filesIn(`core/rules/${folder}`).flatMap((file) => {
      const id = ID.exec(file);
      if (!id) return [];
      const path = `${folder}/${file}`;
      const name = /^export const (\w+): Rule\b/m.exec(readFileSync(`core/rules/${path}`, "utf8"))?.[1];
      if (!name)
        throw new Error(`core/rules/${path} exports no rule: it should have a line "export const …: Rule = {"`);
      const theme = THEMES.findIndex(([letter]) => letter === id[1]!.toUpperCase());
      if (theme < 0)
        throw new Error(`core/rules/${path}: themes.ts has no theme with the letter ${id[1]!.toUpperCase()}`);
      return [{ theme, number: Number(id[2]), path, name }];
    }),
  );
}

function rulesList(): string {
  const files = ruleFiles().sort((a, b) => a.theme - b.theme || a.number - b.number);
  const imports = [
    ...files.map(({ path, name }) => ({ path, takes: `{ ${name} }` })),
    { path: "rule.ts", takes: "type { Rule }" },
  ]
    .sort((a, b) => a.path.localeCompare(b.path, "en", { numeric: true }))
    .map(({ path, takes }) => `import ${takes} from "./${path}";\n`)
    .join("");
  const names = files.map(({ name }) => `  ${name},\n`).join("");
  return `// Written by \`npm run lists\`: every rule in the folders here, by theme and number.
${imports}
/** Every rule the judge knows. */
export const RULES: readonly Rule[] = [
${names}];

const byId = new Map(RULES.map((rule) => [rule.meta.id, rule]));
export const findRule = (id: string): Rule | undefined => byId.get(id);
`;
}

function finishesList(): string {
  const ids = filesIn("core/finishes/each")
    .map((file) => file.replace(/\.ts$/, ""))
    .sort();
  const imports = ids.map((id) => `import ${camel(id)} from "./each/${id}.ts";\n`).join("");
  const names = ids.map((id) => `  ${camel(id)},\n`).join("");
  return `// Written by \`npm run lists\`: every file in each/, by name.
${imports}import type { Finish } from "./finish.ts";

/** All finishes, by id. */
export const FINISHES: readonly Finish[] = [
${names}];

export const findFinish = (id: string): Finish | undefined => FINISHES.find((finish) => finish.id === id);
`;
}

/** Each list by the file it is written to. */
export const lists = (): Record<string, string> => ({
  "core/rules/rules.ts": rulesList(),
  "core/finishes/finishes.ts": finishesList(),
});
