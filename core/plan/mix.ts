import { z } from "zod";

/** How parts are measured out: a scoop of powder is not packed down. */
export const MIX_BY = ["volume", "weight", "scoop"] as const;

/** A step's own material and so many others at most. */
export const MOST_TINS = 4;
const MOST_PARTS = 1000;

const Parts = z
  .number("write parts as a number")
  .gt(0, "parts must be more than 0")
  .max(MOST_PARTS, `${MOST_PARTS} parts at most`);

/** What is stirred together for a step: parts of its own material, of others, and of water or what else thins it. */
export const Mix = z
  .strictObject({
    by: z.enum(MIX_BY).default("volume"),
    parts: Parts.describe("of the step's own material"),
    with: z
      .array(
        z.strictObject({
          what: z
            .string()
            .regex(/^[A-Za-z0-9_-]{1,60}$/, "an id is letters, digits, hyphen and underscore, 60 at most")
            .describe("material id"),
          parts: Parts,
        }),
      )
      .max(MOST_TINS - 1, `${MOST_TINS} materials at most in one mix`)
      .default([]),
    thinner: z
      .number("write parts as a number")
      .min(0, "parts cannot be negative")
      .max(MOST_PARTS, `${MOST_PARTS} parts at most`)
      .default(0)
      .describe("parts of water, or of what thins the material"),
  })
  .refine((mix) => mix.with.length > 0 || mix.thinner > 0, "a mix has a second part, or water")
  .refine(
    (mix) => new Set(mix.with.map(({ what }) => what)).size === mix.with.length,
    "each material is in a mix only once: add its parts together",
  );
export type Mix = z.infer<typeof Mix>;

/** A step's own material, let down with water. */
export const watered = (parts: number, thinner: number): Mix => ({ by: "volume", parts, with: [], thinner });

/** The ids of all materials that a step takes, its own first. */
export const materialsIn = ({ what, mix }: { what?: string; mix?: Mix }): string[] => [
  ...(what === undefined ? [] : [what]),
  ...(mix?.with.map((part) => part.what) ?? []),
];

/** A mix in words: "3 : 1 with clear wax", "1 : 2 with water, by scoop". */
export function sayMix({ by, parts, with: others, thinner }: Mix, nameOf: (what: string) => string): string {
  const all = [
    ...others.map((one) => ({ parts: one.parts, name: nameOf(one.what) })),
    ...(thinner > 0 ? [{ parts: thinner, name: "water" }] : []),
  ];
  const names = all.map(({ name }) => name);
  const listed = names.length < 2 ? names.join("") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;
  return `${[parts, ...all.map((one) => one.parts)].join(" : ")} with ${listed}${by === "volume" ? "" : `, by ${by}`}`;
}

const NUMBER = /\d+(?:[.,]\d+)?/g;

/** What older files wrote as text, "70 : 30" or "1 : 2 with water", as a mix; null where it cannot be read. */
export function readMixText(ratio: string, second: string | undefined): Mix | null {
  const numbers = [...(/^\s*\d[\d\s:.,]*/.exec(ratio)?.[0] ?? "").matchAll(NUMBER)].map(([text]) =>
    Number.parseFloat(text.replace(",", ".")),
  );
  const water = /water/i.test(ratio);
  const [parts, other, third] = numbers;
  if (parts === undefined || other === undefined || numbers.length > 3) return null;
  const thinner = second === undefined ? (water ? other : 0) : (third ?? 0);
  const read = Mix.safeParse({
    by: /weight/i.test(ratio) ? "weight" : /scoop/i.test(ratio) ? "scoop" : "volume",
    parts,
    with: second === undefined ? [] : [{ what: second, parts: other }],
    thinner,
  });
  return read.success ? read.data : null;
}
