import { z } from "zod";
import { Material } from "../materials/material.ts";
import { Hours } from "../plan/hours.ts";
import { HouseRules } from "../plan/house-rules.ts";
import { asWrittenNow } from "../plan/old-step.ts";
import { PiecePhoto } from "../plan/photo-marks.ts";
import { Crust, DoneWork, DryingFactors, Id, Piece, Pin, Plan, Step, Zone } from "../plan/plan.ts";
import { Room } from "../plan/room.ts";
import { WallTime } from "../plan/time.ts";

const Index = z.int().min(0).max(400);

const StepPatch = Step.omit({ id: true }).partial().extend({
  what: Step.shape.what.nullable(),
  wait: Step.shape.wait.nullable(),
  oneGo: Step.shape.oneGo.nullable(),
  reveals: Step.shape.reveals.nullable(),
  amount: Step.shape.amount.nullable(),
  effort: Step.shape.effort.nullable(),
  uneven: Step.shape.uneven.nullable(),
  again: Step.shape.again.nullable(),
  mix: Step.shape.mix.nullable(),
  note: Step.shape.note.nullable(),
  branches: Step.shape.branches.nullable(),
  expected: Step.shape.expected.nullable(),
  branch: Step.shape.branch.nullable(),
});

/** Edits that were made with an older version, and are kept to be undone, are read as well. */
const AnyStep = z.preprocess(asWrittenNow, Step);
const AnyStepPatch = z.preprocess(asWrittenNow, StepPatch);

const ZonePatch = Zone.omit({ id: true }).partial().extend({
  sizes: Zone.shape.sizes.nullable(),
  outlines: Zone.shape.outlines.nullable(),
  place: Zone.shape.place.nullable(),
  along: Zone.shape.along.nullable(),
});

const JobPatch = z.strictObject({
  title: Plan.shape.title.optional(),
  client: Plan.shape.client.nullable(),
  start: Plan.shape.start.optional(),
  due: Plan.shape.due.nullable(),
  state: Plan.shape.state.nullable(),
  hoursFrom: Plan.shape.hoursFrom.nullable(),
});

/** Every way a plan can change. In a patch, null removes a field and a missing field leaves it. */
export const Command = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("set job"), patch: JobPatch }),
  z.strictObject({ do: z.literal("set house rules"), houseRules: HouseRules }),
  z.strictObject({ do: z.literal("set hours"), hours: Hours }),
  z.strictObject({ do: z.literal("set room"), room: Room }),
  z.strictObject({ do: z.literal("set drying"), drying: DryingFactors }),
  z.strictObject({ do: z.literal("set palette"), palette: Plan.shape.palette }),
  z.strictObject({ do: z.literal("set photo"), photoId: Id, photo: PiecePhoto.nullable() }),
  z.strictObject({ do: z.literal("set time"), zoneId: Id, phaseId: Pin.shape.phaseId, starts: WallTime.nullable() }),
  z.strictObject({
    do: z.literal("set done"),
    zoneId: Id,
    phaseId: Pin.shape.phaseId,
    when: DoneWork.pick({ starts: true, ends: true, signs: true }).nullable(),
  }),
  z.strictObject({ do: z.literal("acknowledge"), dangers: Plan.shape.acknowledged }),
  z.strictObject({ do: z.literal("insert step"), crustId: Id, at: Index, step: AnyStep }),
  z.strictObject({ do: z.literal("remove step"), crustId: Id, stepId: Id }),
  z.strictObject({ do: z.literal("move step"), crustId: Id, stepId: Id, to: Index }),
  z.strictObject({ do: z.literal("patch step"), crustId: Id, stepId: Id, patch: AnyStepPatch }),
  z.strictObject({ do: z.literal("insert crust"), at: Index, crust: Crust }),
  z.strictObject({ do: z.literal("remove crust"), crustId: Id }),
  z.strictObject({ do: z.literal("rename crust"), crustId: Id, name: Crust.shape.name }),
  z.strictObject({ do: z.literal("insert piece"), at: Index, piece: Piece }),
  z.strictObject({ do: z.literal("remove piece"), pieceId: Id }),
  z.strictObject({ do: z.literal("rename piece"), pieceId: Id, name: Piece.shape.name }),
  z.strictObject({ do: z.literal("insert zone"), pieceId: Id, at: Index, zone: Zone }),
  z.strictObject({ do: z.literal("remove zone"), zoneId: Id }),
  z.strictObject({ do: z.literal("patch zone"), zoneId: Id, patch: ZonePatch }),
  z.strictObject({ do: z.literal("pin material"), at: Index.optional(), material: Material }),
  z.strictObject({ do: z.literal("unpin material"), materialId: Id }),
]);
export type Command = z.infer<typeof Command>;

/** One edit as the painter sees it: a few commands under one name, done and undone together. */
export const Commands = z
  .array(Command)
  .min(1, "an edit changes something")
  .max(200, "an edit holds 200 changes at most");
