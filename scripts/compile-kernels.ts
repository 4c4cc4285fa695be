// Compiles kernels/kernels.ts to WebAssembly and returns the TypeScript that carries it: `npm run kernels` writes that file,
// and a test compares the two.
import { readFileSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import asc from "assemblyscript/asc";

const root = fileURLToPath(new URL("..", import.meta.url));
export const KERNELS_FILE = `${root}core/board/kernels.wasm.ts`;
const LINE = 112;
/** The longest line of code, its end counted. */
const WIDEST = 121;

/** What the kernels are called with, from their source: to the page every one of its types is a number. */
function typesOf(source: string): string {
  const kernels = [...source.matchAll(/^export function (\w+)\(([^)]*)\): (\w+)/gm)];
  return kernels
    .map(([, name, given, gives]) => {
      const names = given!.split(",").flatMap((text) => text.split(":")[0]!.trim() || []);
      const typed = names.map((name) => `${name}: number`);
      const result = gives === "void" ? "void" : "number";
      const line = `  ${name}(${typed.join(", ")}): ${result};\n`;
      return line.length <= WIDEST
        ? line
        : `  ${name}(\n${typed.map((text) => `    ${text},\n`).join("")}  ): ${result};\n`;
    })
    .join("");
}

export async function kernelsFile(): Promise<string> {
  let binary: Uint8Array | undefined;
  const { error, stderr } = await asc.main(
    [
      "kernels/kernels.ts",
      "-O3",
      "--noAssert",
      "--runtime",
      "stub",
      "--enable",
      "simd",
      "-o",
      "kernels.wasm",
      "--baseDir",
      root,
    ],
    {
      writeFile: (_name: string, contents: string | Uint8Array) => {
        if (typeof contents !== "string") binary = contents;
      },
    },
  );
  if (error || !binary) throw new Error(`kernels/kernels.ts does not compile: ${stderr.toString()}`);
  const text = Buffer.from(binary).toString("base64");
  const lines = text.match(new RegExp(`.{1,${LINE}}`, "g")) ?? [];
  return `// Made from kernels/kernels.ts by \`npm run kernels\`; do not edit by hand.
export const KERNELS = [
${lines.map((line) => `  "${line}",`).join("\n")}
].join("");

export interface Kernels {
${typesOf(readFileSync(`${root}kernels/kernels.ts`, "utf8"))}}
`;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) writeFileSync(KERNELS_FILE, await kernelsFile());
