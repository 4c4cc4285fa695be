import { z } from "zod";
import { Colour, FAMILIES, Material } from "../materials/material.ts";
import { areaOf, Shape } from "../quantity/shape.ts";
import { plainLine, plainName, plainText } from "../units/plain-text.ts";
import { Amount } from "./amount.ts";
import { Effort } from "./effort.ts";
import { FrontPlace } from "./front.ts";
import { Ground } from "./ground.ts";
import { Hours } from "./hours.ts";
import { HouseRules } from "./house-rules.ts";
import { Mix } from "./mix.ts";
import { Outlines } from "./outline.ts";
import { PHOTO_MARKS, PiecePhoto } from "./photo-marks.ts";
import { Room } from "./room.ts";
import { Again } from "./rounds.ts";
import { MOST_ZONES, planFaults } from "./sense.ts";
import { WallTime } from "./time.ts";
import { Wait } from "./wait.ts";

/** Bounds of every input, stated in the messages. */
export const LIMITS = {
  zones: MOST_ZONES,
  pieces: 12,
  crusts: 40,
  steps: 80,
  materials: 400,
  pins: 200,
  done: 1000,
  coats: 12,
  projectFileBytes: 5_000_000,
} as const;

export const Id = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,60}$/, "an id is letters, digits, hyphen and underscore, 60 at most");
const Name = plainName(80);

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
  outdoors: z.boolean().default(false),
  near: z.enum(["nothing", "food", "children"]).default("nothing").describe("what it must not be promised for"),
});
export type Use = z.infer<typeof Use>;

/** Effects that turn what is a failure in one plan into what is wanted in this one. */
export const INTENTS = ["resist", "stain", "blend", "chips", "cracks", "weathered"] as const;
export type Intent = (typeof INTENTS)[number];

/** Places on a face that several steps can mean: they coincide, unlike two shares taken at random. */
export const PLACES = ["border", "hands", "motif", "patch"] as const;
export type PlaceOnFace = (typeof PLACES)[number];
export const WHERE = ["everywhere", ...RELIEF_CLASSES, ...PLACES] as const;
export type Where = (typeof WHERE)[number];

/** Whether a step's "where" is one of the relief classes. */
export const isReliefClass = (on: Where): on is ReliefClass => (RELIEF_CLASSES as readonly string[]).includes(on);

export const STEP_KINDS = ["prepare", "coat", "take", "help", "inspect", "handle", "hold"] as const;

/**
 * One answer of an inspection: the steps that carry its id lie between the inspection and where the answers meet
 * again.
 */
export const Branch = z.strictObject({ id: Id, name: Name });
export type Branch = z.infer<typeof Branch>;

export const Step = z.strictObject({
  id: Id,
  kind: z.enum(STEP_KINDS),
  what: Id.optional().describe("material id; only for coats"),
  how: Id.describe("technique id"),
  where: z.strictObject({
    on: z.enum(WHERE),
    also: z.array(z.enum(WHERE)).min(1).max(WHERE.length).optional().describe("more places, joined to the first"),
    but: z.array(z.enum(PLACES)).min(1).max(PLACES.length).optional().describe("left out: all but the motif"),
    over: z
      .number()
      .gt(0, "a step is worked over something")
      .max(1, "a step cannot be worked over more than the whole")
      .describe("how much of the place it is worked over; what it covers of that is its technique's"),
  }),
  coats: z
    .int("a whole number of coats")
    .min(1, "at least one coat")
    .max(LIMITS.coats, `${LIMITS.coats} coats at most`),
  intents: z.array(z.enum(INTENTS)).max(INTENTS.length),
  reveals: Id.optional().describe('the step whose layer this distressing is meant to show, or "ground"'),
  wait: Wait.optional().describe("a wait set by the author"),
  oneGo: z
    .boolean()
    .optional()
    .describe(
      "worked in one session with the step before, section by section; as is usual for the technique if not said",
    ),
  amount: Amount.optional().describe("how much of a coat goes on, where it is not the usual"),
  uneven: z.boolean().optional().describe("laid unevenly on purpose: thin here, thick there"),
  effort: Effort.optional().describe(
    "how often and how hard it is rubbed or sanded, where that is not once and as usual",
  ),
  mix: Mix.optional().describe("what is stirred together for it; on a brush with two colours, the second"),
  note: plainText(400).optional(),
  branches: z.array(Branch).min(2, "an inspection has at least two answers").max(4, "four answers at most").optional(),
  expected: Id.optional().describe("the answer that is planned and scheduled; the others are only checked"),
  again: Again.optional().describe("at an inspection: what is repeated from an earlier step until it is right"),
  branch: Id.optional().describe("the answer, at the nearest inspection beneath, that this step belongs to"),
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
  overrides: z
    .array(z.strictObject({ stepId: Id, skip: z.boolean(), coats: Step.shape.coats.optional() }))
    .max(LIMITS.steps)
    .default([])
    .describe("what differs on this zone from the crust it shares"),
  hands: z
    .array(z.enum(["hardware off", "drawers out", "top off", "masked"]))
    .max(4)
    .default([])
    .describe("what is taken apart or masked before this zone is painted"),
  sizes: z
    .partialRecord(
      z.enum(PLACES),
      z.number().gt(0, "a place takes some of the face").max(1, "a place is no larger than the face"),
    )
    .optional()
    .describe("shares of the face that the border, the motif and other places take here, where they are not the usual"),
  outlines: z
    .partialRecord(z.enum(PLACES), Outlines)
    .optional()
    .describe("places drawn by hand on the face; what is drawn has the size that it is drawn"),
  along: Id.optional().describe(
    "another zone of the piece that this one stays fitted to and is worked along with, under the same crust: knobs on their drawers",
  ),
  movingParts: z.boolean().default(false).describe("drawer sides, runners, and other faces that slide"),
  place: FrontPlace.optional().describe("where it is on the piece's front, in millimetres from its lower left"),
});
export type Zone = z.infer<typeof Zone>;

export const Piece = z.strictObject({ id: Id, name: Name, zones: z.array(Zone).max(LIMITS.zones) });
export type Piece = z.infer<typeof Piece>;

export const PALETTE_COLOURS = 256;

/** A target colour: from a swatch, a photo, the client's palette. */
export const PaletteColour = z.strictObject({ name: Name, colour: Colour });
export type PaletteColour = z.infer<typeof PaletteColour>;

/** Times that a kind of material takes as long in this shop as its tin says, learned from the ledger. */
export const DryingFactors = z.partialRecord(z.enum(FAMILIES), z.number().min(0.25).max(4));
export type DryingFactors = z.infer<typeof DryingFactors>;

export const PLAN_FORMAT = "jolly-crust";
export const PLAN_VERSION = 6;

/** A time that the painter has set for a phase on a zone: the schedule works around it. */
export const Pin = z.strictObject({
  zoneId: Id,
  phaseId: z
    .string()
    .regex(/^[A-Za-z0-9_-]{1,60}(\/\d{1,2})?(~\d)?$/, "a step's id, and which coat and round")
    .describe('step id, with "/2" for the second of several coats, and "~2" for the second round'),
  starts: WallTime,
});
export type Pin = z.infer<typeof Pin>;

/** What is looked and felt for on a film: dry, at tack, ready to buff. */
export const SIGN_STAGES = [
  "touch",
  "recoat",
  "before clear",
  "through",
  "set",
  "cure",
  "open",
  "wet",
  "tack",
  "buff",
  "habit",
] as const;

/** A sign that was looked for on a film: seen, or not yet. */
export const SignSeen = z.strictObject({
  stage: z.enum(SIGN_STAGES),
  seen: z.boolean(),
  at: WallTime,
  more: z.int().min(1).max(1440).optional().describe("minutes it was given when it was not ready yet"),
});
export type SignSeen = z.infer<typeof SignSeen>;

/** Signs of one film that are kept. */
const MOST_SIGNS = 24;

/** Work that has been done on a zone, and when: it stays where it was. */
export const DoneWork = Pin.extend({
  ends: WallTime,
  signs: z.array(SignSeen).max(MOST_SIGNS).optional().describe("what was seen and felt on the film since"),
});
export type DoneWork = z.infer<typeof DoneWork>;

/** How far a job has come: what is only an idea is not planned for, what is put away is over. */
export const JOB_STATES = ["idea", "promised", "under way", "finished", "put away"] as const;
export type JobState = (typeof JOB_STATES)[number];

export const Plan = z
  .strictObject({
    format: z.literal(PLAN_FORMAT),
    version: z.literal(PLAN_VERSION),
    id: Id,
    title: Name,
    client: plainLine(120).optional(),
    start: WallTime,
    due: WallTime.optional(),
    state: z.enum(JOB_STATES).optional().describe("promised, if left out"),
    hoursFrom: z
      .enum(["shop", "job"])
      .optional()
      .describe("whose working hours it keeps: those of the shop, or its own, which it does if left out"),
    pinned: z.strictObject({
      room: Room,
      hours: Hours,
      houseRules: HouseRules,
      materials: z.array(Material).max(LIMITS.materials),
      drying: DryingFactors.optional().describe("how much longer each kind dries in this shop than its tin says"),
    }),
    acknowledged: z.array(Id).max(40).default([]).describe("dangers the painter has read and accepted: lead, heat"),
    palette: z
      .array(PaletteColour)
      .max(PALETTE_COLOURS, `a palette holds ${PALETTE_COLOURS} colours at most`)
      .default([])
      .describe("target colours; the mixing bench looks for them"),
    pins: z.array(Pin).max(LIMITS.pins, `${LIMITS.pins} times can be set at most`).default([]),
    done: z
      .array(DoneWork)
      .max(LIMITS.done, `${LIMITS.done} pieces of work at most can be marked as done`)
      .optional()
      .describe("work that has been done"),
    photos: z
      .array(PiecePhoto)
      .max(PHOTO_MARKS.photos, `${PHOTO_MARKS.photos} photos of a piece at most can be marked`)
      .optional()
      .describe("what is marked on photos of the piece; the photos themselves are kept beside the plan"),
    crusts: z.array(Crust).max(LIMITS.crusts),
    pieces: z.array(Piece).max(LIMITS.pieces),
  })
  .superRefine((plan, context) => {
    for (const { path, says } of planFaults(plan)) context.addIssue({ code: "custom", path, message: says });
  });
export type Plan = z.infer<typeof Plan>;

export const stateOf = ({ state = "promised" }: Plan): JobState => state;
/** Whether its work is planned for, so that no other job can have those hands at that time. */
export const isPlannedFor = (plan: Plan): boolean => stateOf(plan) === "promised" || stateOf(plan) === "under way";

/** Names of the plan's materials by id. */
export const materialName =
  (plan: Plan) =>
  (id: string): string =>
    plan.pinned.materials.find((material) => material.id === id)?.name.toLowerCase() ?? id;

/** All zones of a plan, in the order of its pieces. */
export const zonesOf = (plan: Plan): Zone[] => plan.pieces.flatMap((piece) => piece.zones);
export const findZone = (plan: Plan, zoneId: string) => zonesOf(plan).find((zone) => zone.id === zoneId);
export const findCrust = (plan: Plan, crustId: string) => plan.crusts.find((crust) => crust.id === crustId);
/** The zones a crust is used on. */
export const zonesWithCrust = (plan: Plan, crustId: string) => zonesOf(plan).filter((zone) => zone.crustId === crustId);
/** The zone that another stays fitted to and is worked along with; undefined for one that is worked by itself. */
export function fittedTo(zones: readonly Zone[], { along, crustId, id }: Zone): Zone | undefined {
  const host = along === undefined || along === id ? undefined : zones.find((zone) => zone.id === along);
  return host?.crustId === crustId && host.along === undefined ? host : undefined;
}
/** Surface to cover, in square metres. */
export const zoneArea = (zone: Zone) => areaOf(zone.shape, zone.carving, zone.faces);

export const PLAIN_RELIEF: Relief = { arris: 0.06, field: 0.94, high: 0, recess: 0 };
export const MOULDED_RELIEF: Relief = { arris: 0.07, field: 0.68, high: 0.11, recess: 0.14 };
export const CARVED_RELIEF: Relief = { arris: 0.08, field: 0.45, high: 0.22, recess: 0.25 };
