import type { z } from "zod";
import { withoutUnseen } from "../units/plain-text.ts";
import { own } from "./own.ts";
import type { PlanFault } from "./sense.ts";

// What is wrong with a plan, in a painter's words: where it is, what is wrong, what would be right. Never the words of the
// library that checked it.

type Tree = Record<PropertyKey, unknown>;

const isTree = (value: unknown): value is Tree => typeof value === "object" && value !== null;

const MOST_NAME = 40;

/** A thing in a list by its name, its id, or its place. */
function called(kind: string, thing: unknown, at: number): string {
  if (isTree(thing))
    for (const key of ["name", "title", "id"]) {
      const name = thing[key];
      if (typeof name === "string" && withoutUnseen(name).trim() !== "")
        return `${kind} "${withoutUnseen(name).trim().slice(0, MOST_NAME)}"`;
    }
  return `${kind} ${at + 1}`;
}

/** Lists of a plan whose entries a painter knows by a word. */
const LISTS: Record<string, string> = {
  pieces: "piece",
  zones: "zone",
  crusts: "crust",
  materials: "material",
  palette: "colour",
  photos: "photo",
  overrides: "exception",
  "marked faces": "face",
  pins: "set time",
  done: "work done",
  painters: "painter",
  exceptions: "day",
  branches: "way",
};

/** Fields whose name in the file is not the word for it. */
const FIELDS: Record<string, string> = {
  what: "material",
  mix: "mix",
  with: "what is stirred in",
  how: "technique",
  where: "place",
  on: "place",
  pinned: "",
  hours: "working hours",
  weekdays: "day of the week",
  faces: "number of faces",
  coats: "number of coats",
  crustId: "crust",
  zoneId: "zone",
  stepId: "step",
  hands: "what is taken apart",
  due: "due date",
  start: "start",
  starts: "",
  reveals: "layer it is meant to show",
  relativeHumidity: "relative humidity",
  celsius: "temperature",
  surfaceCelsius: "temperature of the surface",
};

const fieldWord = (key: string) => own(FIELDS, key) ?? key.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

const isList = (key: string) => Object.hasOwn(LISTS, key);

/** Where in the plan a path leads, such as: zone "Back panel", ground, knots. */
export function sayPlace(raw: unknown, path: readonly PropertyKey[]): string {
  const words: string[] = [];
  let here: unknown = raw;
  let list = "";
  for (const key of path) {
    const index = typeof key === "number" ? key : null;
    here = isTree(here) ? here[key] : undefined;
    if (index === null) {
      list = key === "faces" && Array.isArray(here) ? "marked faces" : String(key);
      if (!isList(list) && list !== "steps") words.push(fieldWord(list));
    } else if (list === "steps") words.push(`step ${index + 1}`);
    else if (isList(list)) words.push(called(LISTS[list]!, here, index));
    else words.push(`${index + 1}`);
  }
  const last = path.at(-1);
  if (typeof last === "string" && (isList(last) || last === "steps")) words.push(last);
  const zone = words.findIndex((word) => word.startsWith("zone "));
  // a zone's name says which piece it is on
  return (zone > 0 ? words.slice(zone) : words).filter((word) => word !== "").join(", ");
}

/** A fault as one sentence, its place first. */
export function sayFault(raw: unknown, { path, says }: PlanFault): string {
  const place = sayPlace(raw, path);
  const text = place === "" ? says : `${place}: ${says}`;
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}${text.endsWith(".") ? "" : "."}`;
}

const TYPES: Record<string, string> = {
  number: "this must be a number",
  int: "this must be a whole number",
  string: "this must be text",
  boolean: "this must be true or false",
  array: "this must be a list",
  tuple: "this must be a list",
  object: "this must be a group of fields",
  record: "this must be a group of fields",
};

const MOST_CHOICES = 12;

const choices = (values: readonly unknown[]) => {
  const shown = values.slice(0, MOST_CHOICES).map((value) => `"${String(value)}"`);
  return values.length > MOST_CHOICES ? `${shown.join(", ")} …` : shown.join(", ");
};

const bounded = (origin: string, limit: string) =>
  origin === "string" ? `${limit} characters` : origin === "array" || origin === "set" ? `${limit} entries` : limit;

/** What the schema found, in plain words; fields with a sentence of their own keep it. */
export function sayIssue(issue: z.core.$ZodRawIssue): string {
  switch (issue.code) {
    case "invalid_type":
      return issue.input === undefined ? "this is missing" : (TYPES[issue.expected] ?? "this has the wrong type");
    case "too_big":
      return `${bounded(issue.origin, String(issue.maximum))} at most`;
    case "too_small":
      return issue.inclusive === false
        ? `more than ${bounded(issue.origin, String(issue.minimum))}`
        : `${bounded(issue.origin, String(issue.minimum))} at least`;
    case "unrecognized_keys":
      return `${issue.keys.map((key) => `"${withoutUnseen(String(key)).slice(0, MOST_NAME)}"`).join(", ")} is not known here: remove it`;
    case "invalid_value":
      return issue.values.length === 1
        ? `this must be ${choices(issue.values)}`
        : `choose one of ${choices(issue.values)}`;
    case "invalid_union":
      return "this is not one of the forms allowed here";
    case "invalid_format":
      return "this is not written as it should be";
    case "not_multiple_of":
      return `this must be a multiple of ${issue.divisor}`;
    default:
      return "this does not make sense here";
  }
}
