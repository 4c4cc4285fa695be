import { z } from "zod";
import { CATALOGUE } from "../materials/catalogue.ts";
import { sayIssue, sayPlace } from "../plan/fault-words.ts";
import { LIMITS, PLAN_FORMAT, PLAN_VERSION, Plan } from "../plan/plan.ts";
import { withTimesAndMaterials } from "./migrate-to-5.ts";
import { withStepsAsNow } from "./migrate-to-6.ts";

export interface Fault {
  /** where in the plan, in words: zone "Back panel", ground, knots; empty for the file as a whole */
  where: string;
  says: string;
}

export type ReadPlan = { ok: true; plan: Plan } | { ok: false; faults: Fault[] };

/** Version 3 knows glazes and waxes by their look over white and over black: those of the catalogue get theirs. */
function withSwatches(raw: Record<string, unknown>): Record<string, unknown> {
  const pinned = raw.pinned;
  if (typeof pinned !== "object" || pinned === null || !("materials" in pinned) || !Array.isArray(pinned.materials))
    return raw;
  const materials = pinned.materials.map((given: unknown) => {
    if (typeof given !== "object" || given === null || !("id" in given)) return given;
    const known = CATALOGUE.find((material) => material.id === given.id);
    const same = known?.swatches && "colour" in given && given.colour === known.colour;
    return same ? { swatches: known.swatches, ...given } : given;
  });
  return { ...raw, pinned: { ...pinned, materials } };
}

/** Steps from one version of the format to the next: the key is the version they start from. */
const MIGRATIONS: Record<number, (raw: Record<string, unknown>) => Record<string, unknown>> = {
  // what version 2 added has a usual value for every field, which the schema fills in
  1: (raw) => raw,
  2: withSwatches,
  // and so has what version 4 added: the course of the air, exceptions, painters, times that were set
  3: (raw) => raw,
  // version 5 refuses what makes no sense: times before the job begins, materials that do not exist
  4: withTimesAndMaterials,
  // version 6 knows a mix by its parts, and how much of a face a step is worked over apart from what its technique covers
  5: withStepsAsNow,
};

const refused = (says: string, where = ""): ReadPlan => ({ ok: false, faults: [{ where, says }] });

export const tooLarge = (bytes: number) =>
  `The file is ${(bytes / 1e6).toFixed(1)} MB; the limit for a crust file is ${LIMITS.projectFileBytes / 1e6} MB.`;

const MOST_FAULTS = 12;

/** What is wrong with data that was checked against a schema, each with its place in words: the first dozen. */
export function faultsOf(error: z.ZodError, raw: unknown): Fault[] {
  const faults = error.issues
    .slice(0, MOST_FAULTS)
    .map((issue) => ({ where: sayPlace(raw, issue.path), says: issue.message }));
  const more = error.issues.length - faults.length;
  return more > 0 ? [...faults, { where: "", says: `more problems in this file: ${more}` }] : faults;
}

/** A fault as one sentence, its place first. */
export function sayFault({ where, says }: Fault): string {
  const text = where === "" ? says : `${where}: ${says}`;
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}${text.endsWith(".") ? "" : "."}`;
}

/** Checks a plan against the schema and against itself. */
export function checkPlan(raw: unknown): ReadPlan {
  const parsed = Plan.safeParse(raw, { error: sayIssue });
  return parsed.success ? { ok: true, plan: parsed.data } : { ok: false, faults: faultsOf(parsed.error, raw) };
}

/** Checks data that claims to be a plan: version, migration, schema. */
export function readPlan(raw: unknown): ReadPlan {
  if (typeof raw !== "object" || raw === null || Array.isArray(raw))
    return refused("This is not a crust file: it should hold one plan.");
  let plan: Record<string, unknown> = Object.fromEntries(Object.entries(raw));
  if (plan.format !== PLAN_FORMAT)
    return refused(`This is not a crust file: "format" should be "${PLAN_FORMAT}".`, "format");
  if (typeof plan.version !== "number" || !Number.isInteger(plan.version) || plan.version < 1)
    return refused(`"version" should be a whole number from 1 to ${PLAN_VERSION}.`, "version");
  if (plan.version > PLAN_VERSION)
    return refused(
      `This file was written by a newer version (format ${plan.version}); this one reads up to ${PLAN_VERSION}. Update, then import it again.`,
      "version",
    );
  for (let version = plan.version; version < PLAN_VERSION; version++)
    plan = { ...MIGRATIONS[version]!(plan), version: version + 1 };
  return checkPlan(plan);
}

/** The line at which a text stops being JSON, as far as the engine says. */
export function placeOf(error: unknown, text: string): string {
  const at = error instanceof Error ? /position (\d+)/.exec(error.message)?.[1] : undefined;
  if (at === undefined) return "or incomplete";
  return `on line ${text.slice(0, Number(at)).split("\n").length}`;
}

/** The data in the text of a file, or why it cannot be read. */
export function readFileText(text: string): { ok: true; raw: unknown } | { ok: false; faults: Fault[] } {
  const refuse = (says: string) => ({ ok: false as const, faults: [{ where: "", says }] });
  if (text.length > LIMITS.projectFileBytes) return refuse(tooLarge(text.length));
  try {
    return { ok: true, raw: JSON.parse(text) };
  } catch (error) {
    return refuse(`The file is damaged ${placeOf(error, text)}. Export it again, or correct that place.`);
  }
}

/** Reads the text of a *.crust.json file. Every fault says where it is; nothing is guessed. */
export function readPlanFile(text: string): ReadPlan {
  const read = readFileText(text);
  return read.ok ? readPlan(read.raw) : read;
}

/** The text of a *.crust.json file; reading it gives the same plan. */
export const writePlanFile = (plan: Plan): string => `${JSON.stringify(plan, null, 2)}\n`;

/** JSON Schema of the file format, made from the schema that reads it. */
export const planJsonSchema = () => z.toJSONSchema(Plan, { io: "input" });
