import { type Zone, zoneArea } from "../plan/plan.ts";
import { findTechnique } from "../surface/techniques.ts";
import type { Minutes } from "../units/units.ts";

// What it takes to get at a zone, and to put the piece back together afterwards.

type Way = Zone["hands"][number];

interface Takes {
  before: Minutes;
  after: Minutes;
}

/** Minutes to take off, and to put back (common practice). */
const OFF: Record<Exclude<Way, "masked">, Takes> = {
  "hardware off": { before: 10, after: 10 },
  "drawers out": { before: 10, after: 10 },
  "top off": { before: 15, after: 15 },
};
/** Minutes to pull the tape off (common practice). */
const TAPE_OFF: Minutes = 5;

/** Minutes that one way of handling a zone takes, before its first coat and after its last. */
export function takesOf(zone: Zone, way: Way): Takes {
  if (way !== "masked") return OFF[way];
  const { setUp, minutesPerSquareMetre } = findTechnique("mask")!;
  const before = setUp + zoneArea(zone) * minutesPerSquareMetre;
  return { before: Math.max(5, Math.round(before / 5) * 5), after: TAPE_OFF };
}

/** Minutes that all handling of a zone takes. */
export function handlingOf(zone: Zone): Takes {
  const takes = zone.hands.map((way) => takesOf(zone, way));
  return {
    before: takes.reduce((sum, { before }) => sum + before, 0),
    after: takes.reduce((sum, { after }) => sum + after, 0),
  };
}

/** Masking a zone instead of taking it off, or the other way round: minutes in all of either, where it is one or the other. */
export function otherHandling(zone: Zone): { masked: Minutes; off: Minutes } | null {
  const off = zone.hands.filter((way) => way !== "masked");
  const masked = zone.hands.includes("masked");
  if (masked === off.length > 0) return null;
  const all = ({ before, after }: Takes) => before + after;
  const taken = masked ? [takesOf(zone, "top off")] : off.map((way) => takesOf(zone, way));
  return { masked: all(takesOf(zone, "masked")), off: taken.reduce((sum, takes) => sum + all(takes), 0) };
}
