// Compiles kernels/kernels.ts to WebAssembly and returns the TypeScript that carries it: `npm run kernels` writes that file,
// and a test compares the two.
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import asc from "assemblyscript/asc";

const root = fileURLToPath(new URL("..", import.meta.url));
export const KERNELS_FILE = `${root}core/board/kernels.wasm.ts`;
const LINE = 112;

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
`;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) writeFileSync(KERNELS_FILE, await kernelsFile());
