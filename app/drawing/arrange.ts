import { type DrawnAs, type FrontPlace, frontSize } from "#core/plan/front";
import type { Zone } from "#core/plan/plan";
import type { Box } from "./place-outlines";

/** A zone with its place on the front of the piece, in millimetres. */
export type FrontZone = Zone & { place: FrontPlace };

const GAP = 60;

/** Every zone with its place; those without one are set beside the rest. */
export function arranged(zones: readonly Zone[]): FrontZone[] {
  const known = zones.filter((zone): zone is FrontZone => zone.place !== undefined);
  let right = Math.max(0, ...known.map(({ place }) => place.x + place.width)) + (known.length > 0 ? GAP * 2 : 0);
  const rest = zones
    .filter((zone) => zone.place === undefined)
    .map((zone): FrontZone => {
      const { width, height, drawn } = frontSize(zone);
      const place = { x: right, y: 0, width, height, drawn };
      right += width + GAP;
      return { ...zone, place };
    });
  // smaller things are drawn over larger ones
  return [...known, ...rest].sort((a, b) => b.place.width * b.place.height - a.place.width * a.place.height);
}

/** Every face of a zone on the drawing: drawers one above the other, leaves and panels side by side. */
export function facesOf({ place: { drawn }, shape: { kind, count } }: FrontZone, { x, y, width, height }: Box): Box[] {
  if (drawn === "drawer") {
    const rows = Math.min(12, count);
    const gap = Math.min(4, height / rows / 6);
    const each = (height - gap * (rows - 1)) / rows;
    return Array.from({ length: rows }, (_, row) => ({ x, y: y + row * (each + gap), width, height: each }));
  }
  const columns = Math.min(MOST_BESIDE[drawn] ?? 1, drawn === "frame" && kind !== "frame" ? 1 : count);
  // the leaves of a frame touch
  const gap = drawn === "frame" || columns === 1 ? 0 : 6;
  const each = (width - gap * (columns - 1)) / columns;
  return Array.from({ length: columns }, (_, column) => ({ x: x + column * (each + gap), y, width: each, height }));
}

/** How many of a kind are drawn side by side. */
const MOST_BESIDE: Partial<Record<DrawnAs, number>> = { panel: 6, moulded: 6, carved: 6, frame: 4 };

/** The breadth of the members of a frame, on a drawing at so many pixels a millimetre. */
export function memberOf({ shape }: Zone, { width, height }: Box, scale: number): number {
  const member = shape.kind === "frame" ? shape.member * scale : Math.min(width, height) * 0.14;
  return Math.min(member, width / 2.2, height / 2.2);
}

/** How thick a leg is drawn, on a drawing at so many pixels a millimetre. */
export const thicknessOf = ({ shape }: Zone, scale: number): number =>
  shape.kind === "leg" ? Math.max(5, shape.diameter * scale) : 10;

/** The legs that are seen from the front, as boxes from the rail to the floor. */
export function legsOf(zone: FrontZone, { x, y, width, height }: Box, scale: number): Box[] {
  const thick = thicknessOf(zone, scale);
  if (zone.shape.count < 2) return [{ x: x + (width - thick) / 2, y, width: thick, height }];
  return [x, x + width - thick].map((left) => ({ x: left, y, width: thick, height }));
}
