import { z } from "zod";
import { Material } from "../materials/material.ts";
import { areaOf, Shape } from "../quantity/shape.ts";
import { readWallTime } from "../units/wall-time.ts";
import { Ground } from "./ground.ts";
import { HouseRules } from "./house-rules.ts";

/** Bounds of every input, stated in the messages. */
export const LIMITS = {
  zones: 40,
  pieces: 12,
  crusts: 40,
  steps: 80,
  materials: 400,
  coats: 12,
  projectFileBytes: 5_000_000,
} as const;

export const Id = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,60}$/, "an id is letters, digits, hyphen and underscore, 60 at most");
const Name = z.string().trim().min(1, "give it a name").max(80, "80 letters at most");
export const WallTime = z
  .string()
  .refine((text) => readWallTime(text) !== null, "write a date and time like 2026-11-30T09:00");

export const RELIEF_CLASSES = ["arris", "field", "high", "recess"] as const;
export type ReliefClass = (typeof RELIEF_CLASSES)[number];

/** Shares of a zone's area by relief: sharp edges, flats, raised detail, grooves. They make one whole. */
export const Relief = z
  .strictObject({
    arris: z.number().min(0).max(1),
    field: z.number().min(0).max(1),
    high: z.number().min(0).max(1),
    recess: z.number().min(0).max(1),
  })
  .refine(
    (relief) => Math.abs(relief.arris + relief.field + relief.high + relief.recess - 1) < 0.005,
    "the four shares of relief must add up to 1",
  );
export type Relief = z.infer<typeof Relief>;

export const WEAR = ["display", "gentle", "daily", "hard"] as const;
export const Use = z.strictObject({
  wear: z.enum(WEAR),
  heat: z.boolean().describe("hot cups or pans"),
  water: z.enum(["dry", "splashes", "standing"]),
});
export type Use = z.infer<typeof Use>;

/** Effects that turn what is a failure in one plan into what is wanted in this one. */
export const INTENTS = ["resist", "stain", "blend", "chips", "cracks"] as const;
export type Intent = (typeof INTENTS)[number];

export const Wait = z.strictObject({
  kind: z.enum(["at least", "exactly"]),
  minutes: z.int("whole minutes").min(0, "a wait cannot be negative").max(129_600, "90 days at most"),
});
export type Wait = z.infer<typeof Wait>;

export const Step = z.strictObject({
  id: Id,
  kind: z.enum(["prepare", "coat", "take"]),
  what: Id.optional().describe("material id; only for coats"),
  how: Id.describe("technique id"),
  where: z.strictObject({
    on: z.enum(["everywhere", ...RELIEF_CLASSES]),
    share: z.number().gt(0, "a step covers more than nothing").max(1, "a step covers at most the whole"),
  }),
  coats: z
    .int("coats are counted whole")
    .min(1, "at least one coat")
    .max(LIMITS.coats, `${LIMITS.coats} coats at most`),
  intents: z.array(z.enum(INTENTS)).max(INTENTS.length),
  reveals: Id.optional().describe('the step whose layer this distressing is meant to show, or "ground"'),
  wait: Wait.optional().describe("after the step before: the author's own wait"),
});
export type Step = z.infer<typeof Step>;
export type StepKind = Step["kind"];

export const Crust = z.strictObject({
  id: Id,
  name: Name,
  steps: z
    .array(Step)
    .max(LIMITS.steps, `a crust holds ${LIMITS.steps} steps at most; split it into two zones' crusts`),
});
export type Crust = z.infer<typeof Crust>;

export const Zone = z.strictObject({
  id: Id,
  name: Name,
  shape: Shape,
  carving: z.number().min(1, "1 is plain").max(2.5, "2.5 is as carved as it gets"),
  faces: z.int().min(1).max(2),
  relief: Relief,
  orientation: z.enum(["upright", "flat"]),
  use: Use,
  ground: Ground,
  crustId: Id,
});
export type Zone = z.infer<typeof Zone>;

export const Piece = z.strictObject({ id: Id, name: Name, zones: z.array(Zone).max(LIMITS.zones) });
export type Piece = z.infer<typeof Piece>;

const MinuteOfDay = z.int().min(0).max(1440);
/** Working hours: for Monday to Sunday, intervals in minutes after midnight. */
export const Hours = z.strictObject({
  weekdays: z
    .array(
      z
        .array(z.tuple([MinuteOfDay, MinuteOfDay]).refine(([from, to]) => from < to, "work ends after it begins"))
        .max(6, "six stretches a day at most"),
    )
    .length(7),
});
export type Hours = z.infer<typeof Hours>;

const FULL_DAY: [number, number][] = [
  [9 * 60, 13 * 60],
  [13 * 60 + 45, 18 * 60],
];
export const DEFAULT_HOURS: Hours = { weekdays: [FULL_DAY, FULL_DAY, FULL_DAY, FULL_DAY, FULL_DAY, [], []] };

/** The air the times are counted in. This version plans at the reference air of the tins alone. */
export const Room = z.strictObject({ celsius: z.literal(23), relativeHumidity: z.literal(50) });
export const REFERENCE_ROOM = { celsius: 23, relativeHumidity: 50 } as const;

export const PLAN_FORMAT = "jolly-crust";
export const PLAN_VERSION = 1;

export const Plan = z
  .strictObject({
    format: z.literal(PLAN_FORMAT),
    version: z.literal(PLAN_VERSION),
    id: Id,
    title: Name,
    client: z.string().trim().max(120).optional(),
    start: WallTime,
    due: WallTime.optional(),
    pinned: z.strictObject({
      room: Room,
      hours: Hours,
      houseRules: HouseRules,
      materials: z.array(Material).max(LIMITS.materials),
    }),
    crusts: z.array(Crust).max(LIMITS.crusts),
    pieces: z.array(Piece).max(LIMITS.pieces),
  })
  .superRefine((plan, context) => {
    const at = (path: (string | number)[], message: string) => context.addIssue({ code: "custom", path, message });
    const twice = (path: (string | number)[], things: readonly { id: string }[]) => {
      const seen = new Set<string>();
      things.forEach((thing, index) => {
        if (seen.has(thing.id)) at([...path, index, "id"], `the id "${thing.id}" stands twice`);
        seen.add(thing.id);
      });
      return seen;
    };
    const crusts = twice(["crusts"], plan.crusts);
    twice(["pinned", "materials"], plan.pinned.materials);
    twice(["pieces"], plan.pieces);
    twice(
      ["pieces"],
      plan.pieces.flatMap((piece) => piece.zones),
    );
    plan.crusts.forEach((crust, index) => {
      twice(["crusts", index, "steps"], crust.steps);
    });
    plan.pieces.forEach((piece, pieceAt) => {
      piece.zones.forEach((zone, zoneAt) => {
        if (!crusts.has(zone.crustId))
          at(["pieces", pieceAt, "zones", zoneAt, "crustId"], `there is no crust "${zone.crustId}" in this plan`);
      });
    });
    const zones = plan.pieces.reduce((sum, piece) => sum + piece.zones.length, 0);
    if (zones > LIMITS.zones) at(["pieces"], `a plan holds ${LIMITS.zones} zones at most; this one has ${zones}`);
  });
export type Plan = z.infer<typeof Plan>;

/** All zones of a plan, in the order of its pieces. */
export const zonesOf = (plan: Plan): Zone[] => plan.pieces.flatMap((piece) => piece.zones);
export const findZone = (plan: Plan, zoneId: string) => zonesOf(plan).find((zone) => zone.id === zoneId);
export const findCrust = (plan: Plan, crustId: string) => plan.crusts.find((crust) => crust.id === crustId);
/** The zones a crust is laid on. */
export const zonesWithCrust = (plan: Plan, crustId: string) => zonesOf(plan).filter((zone) => zone.crustId === crustId);
/** Surface to cover, in square metres. */
export const zoneArea = (zone: Zone) => areaOf(zone.shape, zone.carving, zone.faces);

export const PLAIN_RELIEF: Relief = { arris: 0.06, field: 0.94, high: 0, recess: 0 };
export const MOULDED_RELIEF: Relief = { arris: 0.07, field: 0.68, high: 0.11, recess: 0.14 };
export const CARVED_RELIEF: Relief = { arris: 0.08, field: 0.45, high: 0.22, recess: 0.25 };
