import { z } from "zod";
import { PRACTICE } from "../finishes/finish.ts";
import { Colour } from "../materials/material.ts";
import { GROUND_KINDS, SPECIES } from "../plan/ground.ts";
import { HouseRules } from "../plan/house-rules.ts";
import { Id, Use } from "../plan/plan.ts";
import { Room } from "../plan/room.ts";
import { WallTime } from "../plan/time.ts";

/** Metals that a painter can ask for by name. */
export const METALS = ["gold", "bronze", "pewter", "copper", "iron"] as const;
export type Metal = (typeof METALS)[number];

/** Where something can be asked to show. */
export const WISH_PLACES = ["field", "arris", "high", "recess", "border", "hands", "cracks", "chips"] as const;
export type WishPlace = (typeof WISH_PLACES)[number];

/** What should show at a place: a colour, a metal, or whatever the piece is made of. */
export const Wish = z
  .string()
  .refine(
    (text) => Colour.safeParse(text).success || text === "ground" || (METALS as readonly string[]).includes(text),
    `write a colour like "#a9bdb3", a metal (${METALS.join(", ")}), or "ground"`,
  );
export type Wish = z.infer<typeof Wish>;

export const Wishes = z.partialRecord(z.enum(WISH_PLACES), Wish);
export type Wishes = z.infer<typeof Wishes>;

/** How something is worn, where that matters. */
export const WEARING = ["damp cloth", "paper"] as const;

/** A look that is asked for, and what it has to keep to; everything but the wishes may be left out. */
export const Look = z.strictObject({
  wishes: Wishes,
  texture: z.enum(["raised"]).optional().describe("a pattern raised in paste; smooth, if left out"),
  sheen: z.enum(["matt", "satin", "gloss"]).optional(),
  wear: z.enum(["worn", "crisp"]).optional().describe("whether its edges look handled, where that matters"),
  wornWith: z.enum(WEARING).optional().describe("how edges are worn, where it has to be this way"),
  barrier: z.boolean().optional().describe("false: nothing may be laid only to protect what lies beneath"),
  days: z.number().gt(0, "more than no days").max(90, "90 days at most").optional(),
  hours: z.number().gt(0, "more than no hours").max(400, "400 hours at most").optional().describe("hands-on"),
  practice: z.enum(PRACTICE).optional().describe("nothing that asks for more than this"),
});
export type Look = z.infer<typeof Look>;

/** The file that `crust look` reads: a look, and the board or zone that it is for. */
export const LookFile = Look.extend({
  format: z.literal("jolly-crust-look"),
  version: z.literal(1),
  ground: z.strictObject({ kind: z.enum(GROUND_KINDS), species: z.enum(SPECIES).optional() }),
  relief: z.enum(["plain", "moulded", "carved"]),
  width: z.number().min(20).max(5000).default(1000).describe("millimetres"),
  height: z.number().min(20).max(5000).default(500).describe("millimetres"),
  use: Use.optional(),
  houseRules: HouseRules.partial().optional(),
  room: Room.optional(),
  start: WallTime.optional(),
  shelf: z.array(Id).max(400).optional().describe("ids of the materials at hand; all kinds, if left out"),
});
export type LookFile = z.infer<typeof LookFile>;
