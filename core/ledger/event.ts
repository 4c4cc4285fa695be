import { z } from "zod";
import { Colour, FAMILIES } from "../materials/material.ts";
import { Id, Pin, SIGN_STAGES } from "../plan/plan.ts";
import { plainLine, plainName, plainText } from "../units/plain-text.ts";

// A line of the ledger: something that really happened to a job. Lines are only ever added. What was written down wrongly is put
// right by another line, and both stay.

export const LEDGER_LIMITS = {
  /** lines of one job */
  lines: 2000,
  /** handed in at once */
  handIn: 400,
  /** zones and coats that one line can be about */
  places: 80,
  text: 1000,
} as const;

/** From 2000 to 2099, in milliseconds. */
const Moment = z
  .int("a time is whole milliseconds")
  .min(946_684_800_000, "that time is before the year 2000")
  .max(4_102_444_800_000, "that time is after the year 2099");

/** Warm and damp to what a room can be. */
export const LedgerAir = z.strictObject({
  celsius: z.number().min(-20).max(60),
  relativeHumidity: z.number().min(0).max(100),
  from: z.enum(["sensor", "typed"]),
});
export type LedgerAir = z.infer<typeof LedgerAir>;

/** A coat, or other piece of work, on a zone. */
export const WorkRef = Pin.pick({ zoneId: true, phaseId: true });
export type WorkRef = z.infer<typeof WorkRef>;

/** The step as it was when the line was written: what is edited later does not change what was done. */
export const StepThen = z.strictObject({
  name: plainName(160),
  zones: plainLine(400).optional(),
  how: Id.optional(),
  material: z.strictObject({ id: Id, name: plainName(80), colour: Colour, family: z.enum(FAMILIES) }).optional(),
});
export type StepThen = z.infer<typeof StepThen>;

const Text = plainText(LEDGER_LIMITS.text);

/** What goes wrong at the bench, each with its own ways on. */
export const TROUBLES = [
  "too dark",
  "too pale",
  "too thick",
  "took off too much",
  "lifted",
  "missed patch",
  "not drying",
  "will not crack",
  "runs",
  "stray size",
  "torn tissue",
  "speckle too strong",
  "shed bristle",
  "smudged edge",
  "ran out",
  "changed my mind",
] as const;
export type Trouble = (typeof TROUBLES)[number];

/** What the tools on the bench measure. */
export const READINGS = ["weight", "moisture", "wet film"] as const;
export const READING_UNITS = { weight: "g", moisture: "%", "wet film": "µm" } as const;

const line = {
  id: Id.describe("made where it was written, so that it is written down once"),
  at: Moment.describe("when it happened, by the shop's clock"),
  offset: z.int().min(-840).max(840).describe("minutes by which the clock on the shop's wall was ahead of UTC"),
  device: Id.optional(),
  by: plainName(40).optional().describe("whose hands"),
  air: LedgerAir.optional(),
  on: z.array(WorkRef).max(LEDGER_LIMITS.places).describe("the coats it is about; none for the whole job"),
  step: StepThen.optional(),
};

/** One line of the ledger. */
export const LedgerEvent = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("start"), ...line }),
  z.strictObject({
    kind: z.literal("section"),
    ...line,
    section: z.int().min(1).max(200),
    of: z.int().min(1).max(200),
  }),
  z.strictObject({ kind: z.literal("end"), ...line }),
  z.strictObject({
    kind: z.literal("sign"),
    ...line,
    stage: z.enum(SIGN_STAGES),
    seen: z.boolean(),
    more: z.int().min(1).max(1440).optional().describe("minutes it is given when it has not come yet"),
    says: plainLine(160).optional().describe("the sign in words"),
  }),
  z.strictObject({ kind: z.literal("note"), ...line, text: Text }),
  z.strictObject({ kind: z.literal("test patch"), ...line, text: Text, holds: z.boolean() }),
  z.strictObject({ kind: z.literal("photo"), ...line, photoId: Id, text: Text.optional() }),
  z.strictObject({
    kind: z.literal("amount"),
    ...line,
    materialId: Id,
    amount: z.number().gt(0, "write an amount over 0").max(100_000, "that is more than a shop holds"),
    unit: z.enum(["ml", "g", "sheets"]),
  }),
  z.strictObject({
    kind: z.literal("trouble"),
    ...line,
    trouble: z.enum(TROUBLES),
    way: plainLine(200).optional().describe("how it goes on"),
    text: Text.optional(),
  }),
  z.strictObject({
    kind: z.literal("decision"),
    ...line,
    answer: plainLine(120),
    branch: Id.optional(),
    again: z.boolean().optional().describe("once more from the step that is repeated"),
  }),
  z.strictObject({ kind: z.literal("outcome"), ...line, text: Text, good: z.boolean() }),
  z.strictObject({
    kind: z.literal("reading"),
    ...line,
    of: z.enum(READINGS),
    value: z.number().min(0).max(100_000),
    from: z.enum(["tool", "typed"]),
  }),
  z.strictObject({
    kind: z.literal("correction"),
    ...line,
    corrects: Id,
    withdrawn: z.boolean().optional().describe("it did not happen"),
    when: Moment.optional().describe("when it really happened"),
    text: Text.optional().describe("what it should have said"),
    why: plainLine(200).optional(),
  }),
]);
export type LedgerEvent = z.infer<typeof LedgerEvent>;
export type EventKind = LedgerEvent["kind"];

/** What the clock on the shop's wall showed, in minutes. */
export const wallOf = ({ at, offset }: Pick<LedgerEvent, "at" | "offset">): number => at / 60_000 + offset;

export const placeKey = ({ zoneId, phaseId }: WorkRef): string => `${zoneId} ${phaseId}`;
