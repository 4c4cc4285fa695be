import { z } from "zod";
import type { Shape } from "../quantity/shape.ts";

// The front of a piece: where its zones stand there, and how their own sizes are read off it.

/** What a zone is drawn as on the front. */
export const DRAWN_AS = ["panel", "moulded", "carved", "drawer", "frame", "leg", "disc", "top", "knob"] as const;
export type DrawnAs = (typeof DRAWN_AS)[number];

/** How far to the left and down, and to the right and up, a piece may reach, in millimetres. */
export const FRONT = { least: -5000, most: 20_000 } as const;

const position = z
  .number("give this distance in millimetres")
  .min(FRONT.least, `${-FRONT.least / 1000} m to the left of the piece, or below it, is too far`)
  .max(FRONT.most, `${FRONT.most / 1000} m is further than a piece of furniture reaches`);
const extent = z
  .number("give this size in millimetres")
  .gt(0, "a size must be more than 0 mm")
  .max(FRONT.most, "a size over 20 m is not furniture");

/** Where a zone stands on the front of its piece, in millimetres from the lower left of the piece. */
export const FrontPlace = z.strictObject({
  x: position,
  y: position,
  width: extent,
  height: extent,
  drawn: z.enum(DRAWN_AS),
});
export type FrontPlace = z.infer<typeof FrontPlace>;

interface OnFront {
  shape: Shape;
  place?: FrontPlace | undefined;
}

/** The most drawers of a kind that are drawn one above the other where nobody has said how high they are together. */
const MOST_DRAWERS = 8;

/**
 * How large a zone without a place of its own is drawn, in millimetres, and what as: its front face; several boards
 * of a kind one above the other, as drawers; legs with as much room between them as they are thick.
 */
export function frontSize({ shape }: OnFront): { width: number; height: number; drawn: DrawnAs } {
  switch (shape.kind) {
    case "panel":
      return {
        width: shape.width,
        height: shape.height * Math.min(shape.count, MOST_DRAWERS),
        drawn: shape.count > 1 ? "drawer" : "panel",
      };
    case "frame":
      return { width: shape.width, height: shape.height, drawn: "frame" };
    case "box":
      return { width: shape.width, height: shape.height, drawn: "panel" };
    case "disc":
      return { width: shape.diameter, height: shape.diameter, drawn: "disc" };
    case "leg":
      return { width: shape.diameter * 2 * shape.count, height: shape.length, drawn: "leg" };
  }
}

/** The two ways a measure runs on the front. */
export const WAYS = ["across", "up"] as const;
export type Way = (typeof WAYS)[number];

/** The name of one of a shape's sizes. */
export type SizeName = "width" | "height" | "member" | "depth" | "diameter" | "length";

/** A measure as it is read off the front of a piece. */
export interface FrontMeasure {
  /** in millimetres: of one, where there are several beside or above each other */
  millimetres: number;
  /** which of the zone's own sizes it is; null for how far the zone reaches on the front, as between the outermost of its legs */
  size: SizeName | null;
  /** how many of that size make up how far the zone reaches */
  times: number;
}

const SIDE: Record<Way, "width" | "height"> = { across: "width", up: "height" };
/** Sizes that may lie in a way, the likeliest first. */
const MAY_LIE: Record<Way, readonly SizeName[]> = {
  across: ["width", "diameter", "length", "depth", "height"],
  up: ["height", "length", "diameter", "depth", "width"],
};

/** Whether the zone's reach in a way says nothing of its sizes: legs stand apart, and a top is seen on its edge. */
const isApart = ({ shape, place }: OnFront, way: Way): boolean =>
  way === "across" ? shape.kind === "leg" && shape.count > 1 : place?.drawn === "top";

/** A zone reaches as far as one of its sizes says, but for this part of it, or this many millimetres: joints and reveals. */
const ALIKE = { part: 0.02, millimetres: 3 } as const;
/** With more of a kind, any size would come out as one of theirs by chance. */
const MOST_IN_A_ROW = 12;

const sizeIn = (shape: Shape, name: SizeName): number | undefined => (shape as Partial<Record<SizeName, number>>)[name];

/**
 * What is measured of a zone in one way on the front of its piece: one of its sizes, if so many of that size reach as
 * far as the zone does, otherwise how far it reaches.
 *
 * @returns null where the zone has no place, and no size that lies that way
 */
export function frontMeasure(zone: OnFront, way: Way): FrontMeasure | null {
  const reach = (zone.place ?? frontSize(zone))[SIDE[way]];
  const most = isApart(zone, way) ? 0 : Math.min(zone.shape.count, MOST_IN_A_ROW);
  for (const size of MAY_LIE[way])
    for (let times = 1; times <= most; times++) {
      const millimetres = sizeIn(zone.shape, size);
      if (millimetres === undefined) continue;
      if (Math.abs(millimetres * times - reach) <= Math.max(ALIKE.millimetres, reach * ALIKE.part))
        return { millimetres, size, times };
    }
  return zone.place ? { millimetres: reach, size: null, times: 1 } : null;
}

/**
 * A zone after one of its measures on the front has been given: the size it shows, and how far the zone reaches there;
 * its lower left corner stays. A size that lies both ways, as the diameter of a disc, changes both.
 *
 * @param millimetres more than 0, at most {@link FRONT}.most; not checked here
 */
export function withFrontMeasure<Zone extends OnFront>(zone: Zone, way: Way, millimetres: number): Zone {
  const measure = frontMeasure(zone, way);
  if (!measure) return zone;
  const { size } = measure;
  const shape = size === null ? zone.shape : { ...zone.shape, [size]: millimetres };
  if (!zone.place) return { ...zone, shape };
  const place = { ...zone.place };
  for (const other of WAYS) {
    const there = frontMeasure(zone, other);
    if (other === way || (there && size !== null && there.size === size))
      place[SIDE[other]] = Math.min(FRONT.most, millimetres * (there?.times ?? 1));
  }
  return { ...zone, shape, place };
}

/** A zone that stands at another place on the front: the sizes that are seen there become those of its place. */
export function withFrontPlace<Zone extends OnFront>(zone: Zone, place: FrontPlace): Zone & { place: FrontPlace } {
  const there: Zone = { ...zone, place: zone.place ?? { ...frontSize(zone), x: 0, y: 0 } };
  const measured = WAYS.reduce((so, way) => {
    const times = frontMeasure(so, way)?.times ?? 1;
    const reach = place[SIDE[way]];
    return reach === so.place?.[SIDE[way]] ? so : withFrontMeasure(so, way, reach / times);
  }, there);
  return { ...measured, place };
}

/**
 * The shape of something new that is drawn on the front, of so many millimetres; only its front is known. The rails of a frame are
 * taken as an eighth of its shorter side until somebody measures them (from memory).
 */
export function shapeDrawn({ width, height, drawn }: Pick<FrontPlace, "width" | "height" | "drawn">): Shape {
  switch (drawn) {
    case "frame":
      return {
        kind: "frame",
        width,
        height,
        member: Math.max(1, Math.round(Math.min(width, height) / 8)),
        count: 1,
      };
    case "leg":
      return { kind: "leg", diameter: width, length: height, count: 1 };
    case "disc":
    case "knob":
      return { kind: "disc", diameter: Math.min(width, height), count: 1 };
    default:
      return { kind: "panel", width, height, count: 1 };
  }
}

/** What a zone of such a shape is drawn as, unless it is said otherwise; mouldings and carving are seen on flat shapes. */
export function drawnAs(shape: Shape, relief: "plain" | "moulded" | "carved"): DrawnAs {
  const { drawn } = frontSize({ shape });
  return relief !== "plain" && drawn === "panel" ? relief : drawn;
}

/** Where nothing is near enough to line up with, measures are drawn in whole steps of so many millimetres. */
const STEP = 5;

/** Where a line drawn freely is meant to be: at the nearest edge within reach, otherwise at a whole five millimetres. */
export function linedUp(millimetres: number, edges: readonly number[], reach: number): number {
  let nearest = Math.round(millimetres / STEP) * STEP;
  let away = reach;
  for (const edge of edges)
    if (Math.abs(edge - millimetres) <= away) {
      nearest = edge;
      away = Math.abs(edge - millimetres);
    }
  return nearest;
}

/** The same for something of a given size that is moved: whichever of its two ends comes nearer to an edge lines up. */
export function movedTo(low: number, size: number, edges: readonly number[], reach: number): number {
  const ends = [linedUp(low, edges, reach), linedUp(low + size, edges, reach) - size];
  const isAtEdge = (end: number) => edges.some((edge) => edge === end || edge === end + size);
  const [best] = ends.filter(isAtEdge).sort((end, other) => Math.abs(end - low) - Math.abs(other - low));
  return best ?? ends[0]!;
}
