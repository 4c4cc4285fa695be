import { z } from "zod";
import type { JobPlan } from "../schedule/plan-of-work.ts";

// What a kept plan of work holds of a job, read back from where it was kept. One that another version wrote is made again.

const Wall = z.number().min(-1e9).max(1e9);

const Booking = z.object({
  id: z.string(),
  kind: z.enum(["zone", "apart", "together"]),
  planId: z.string(),
  pieceId: z.string(),
  zoneId: z.string(),
  stepId: z.string(),
  phaseId: z.string(),
  does: z.array(z.object({ zoneId: z.string(), phaseId: z.string() })),
  section: z.object({ at: z.int(), of: z.int() }).nullable(),
  name: z.string(),
  starts: Wall,
  ends: Wall,
  latest: Wall,
  critical: z.boolean(),
  pinned: z.boolean(),
  painter: z.string(),
  done: z.boolean(),
});

const Dates = z.object({
  finish: Wall,
  leaves: Wall,
  lightUse: Wall,
  fullUse: Wall,
  typically: z.object({ leaves: Wall, lightUse: Wall, fullUse: Wall }),
});

const JobPlanFile: z.ZodType<JobPlan> = z.object({
  planId: z.string(),
  mark: z.string(),
  dates: Dates.nullable(),
  bookings: z.array(Booking),
  lies: z.array(z.object({ planId: z.string(), pieceId: z.string(), name: z.string(), from: Wall, to: Wall })),
  clashes: z.array(
    z.object({
      planId: z.string(),
      zoneId: z.string(),
      stepId: z.string(),
      says: z.string(),
      claims: z.array(z.string()),
    }),
  ),
  films: z.array(
    z.object({ booking: z.string(), zoneId: z.string(), phaseId: z.string(), colour: z.string(), ready: Wall }),
  ),
  colour: z.string(),
  changed: z.record(z.string(), z.object({ sequence: z.int(), at: z.number() })).optional(),
});

/** A job's part of a plan of work; null if it is damaged or was written by another version. */
export const readJobPlan = (raw: unknown): JobPlan | null => JobPlanFile.safeParse(raw).data ?? null;
