import { z } from "zod";
import type { Shape } from "../quantity/shape.ts";
import type { Share } from "../units/units.ts";

/** Bounds of what is drawn by hand. */
export const OUTLINES = { points: 60, each: 6 } as const;

const Part = z.number().min(0, "an outline stays on the face").max(1, "an outline stays on the face");
export const Point = z.tuple([Part, Part]);
/** From the left and from the top of the face, each from 0 to 1. */
export type Point = z.infer<typeof Point>;

/** A place drawn round by hand on one face; its last point joins its first. */
export const Outline = z
  .array(Point)
  .min(3, "an outline has three points at least")
  .max(OUTLINES.points, `an outline has ${OUTLINES.points} points at most`);
export type Outline = z.infer<typeof Outline>;

/** What is counted inside a line drawn there and back. */
const LEAST_INSIDE = 0.0005;

/** The rectangle round an outline, as parts of the face. */
export function boundsOf(outline: Outline): { width: Share; height: Share } {
  const across = outline.map(([x]) => x);
  const down = outline.map(([, y]) => y);
  return { width: Math.max(...across) - Math.min(...across), height: Math.max(...down) - Math.min(...down) };
}

/** A place is one outline or several. */
export const Outlines = z
  .array(Outline)
  .min(1)
  .max(OUTLINES.each, `a place has ${OUTLINES.each} outlines at most`)
  .refine(
    (drawn: readonly Outline[]) => drawn.every((one) => counted([one], () => true) > LEAST_INSIDE),
    "an outline goes round something",
  );
export type Outlines = readonly Outline[];

/** Rows and columns on which the inside of an outline is counted. */
const COUNTED_ON = 200;
/** Where in its cell a point is counted: on no line that is likely to be drawn. */
const OFF_CENTRE = Math.SQRT2 - 1;

/** Where the edges of an outline cross a line at that height, from left to right. */
const crossings = (outline: Outline, y: number): number[] =>
  outline
    .flatMap(([x1, y1], index) => {
      const [x2, y2] = outline[(index + 1) % outline.length]!;
      return y1 > y === y2 > y ? [] : [x1 + ((y - y1) / (y2 - y1)) * (x2 - x1)];
    })
    .sort((a, b) => a - b);

/** Whether a point of the rectangle round a face lies on the face. */
type OnFace = (x: number, y: number) => boolean;

/** A disc has no corners, a frame no middle. */
function faceOf(shape: Shape): OnFace {
  if (shape.kind === "disc") return (x, y) => (x - 0.5) ** 2 + (y - 0.5) ** 2 <= 0.25;
  if (shape.kind !== "frame") return () => true;
  const [across, down] = [shape.member / shape.width, shape.member / shape.height];
  return (x, y) => Math.min(x, 1 - x) < across || Math.min(y, 1 - y) < down;
}

function counted(outlines: Outlines, onFace: OnFace): Share {
  let inside = 0;
  let all = 0;
  for (let row = 0; row < COUNTED_ON; row++) {
    const spans = outlines.map((outline) => crossings(outline, (row + 0.5) / COUNTED_ON));
    for (let column = 0; column < COUNTED_ON; column++) {
      const x = (column + OFF_CENTRE) / COUNTED_ON;
      if (!onFace(x, (row + 0.5) / COUNTED_ON)) continue;
      all++;
      if (spans.some((crossed) => crossed.filter((at) => at < x).length % 2 === 1)) inside++;
    }
  }
  return inside / all;
}

const shares = new WeakMap<Outlines, { shape: Shape; share: Share }>();

/**
 * The share of a face that lies inside these outlines, to about half a per cent: what lies in two of them counts once, and what a
 * line crossing itself goes round twice is outside.
 */
export function shareInside(outlines: Outlines, shape: Shape): Share {
  const known = shares.get(outlines);
  if (known?.shape === shape) return known.share;
  const share = counted(outlines, faceOf(shape));
  shares.set(outlines, { shape, share });
  return share;
}

/** How far a point is from the nearest edge, in the units of the face's size given; negative inside. */
export function distanceToEdge(outlines: Outlines, [px, py]: Point, width: number, height: number): number {
  let nearest = Number.POSITIVE_INFINITY;
  let inside = false;
  for (const outline of outlines) {
    let odd = false;
    for (let at = 0; at < outline.length; at++) {
      const [x1, y1] = outline[at]!;
      const [x2, y2] = outline[at + 1 === outline.length ? 0 : at + 1]!;
      if (y1 > py !== y2 > py && px < x1 + ((py - y1) / (y2 - y1)) * (x2 - x1)) odd = !odd;
      const [dx, dy, fx, fy] = [(x2 - x1) * width, (y2 - y1) * height, (px - x1) * width, (py - y1) * height];
      const along = Math.min(1, Math.max(0, (fx * dx + fy * dy) / (dx * dx + dy * dy || 1)));
      nearest = Math.min(nearest, (fx - along * dx) ** 2 + (fy - along * dy) ** 2);
    }
    inside ||= odd;
  }
  return Math.sqrt(nearest) * (inside ? -1 : 1);
}

/** What is drawn by measure instead of by hand: square or round, from the left and from the top, as parts of the face. */
export interface Measured {
  round: boolean;
  left: number;
  top: number;
  width: number;
  height: number;
}

const ROUND_POINTS = 32;

/** The outline of a square or round place. */
export function outlineOf({ round, left, top, width, height }: Measured): Outline {
  const within = (part: number) => Math.round(10_000 * Math.min(1, Math.max(0, part))) / 10_000;
  if (!round)
    return [
      [within(left), within(top)],
      [within(left + width), within(top)],
      [within(left + width), within(top + height)],
      [within(left), within(top + height)],
    ];
  return Array.from({ length: ROUND_POINTS }, (_, index): Point => {
    const angle = (2 * Math.PI * index) / ROUND_POINTS;
    return [within(left + (width / 2) * (1 + Math.cos(angle))), within(top + (height / 2) * (1 + Math.sin(angle)))];
  });
}
