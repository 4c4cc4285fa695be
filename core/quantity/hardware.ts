// Handles and knobs: where their holes are, what becomes of the old ones, and how long a screw may be. Everything in millimetres.

/** What two measures over a pair of holes say. */
export interface Holes {
  /** between the centres */
  centres: number;
  /** of one hole */
  diameter: number;
}

/**
 * The distance between the centres of two equal holes, and their diameter, from the distance between their inner edges and that
 * between their outer ones: the centre of a hole cannot be measured, its edges can. Null where the measures contradict each other.
 * @example holesFrom(91, 101) // {"centres":96,"diameter":5}
 */
export function holesFrom(inner: number, outer: number): Holes | null {
  if (!(inner > 0) || !(outer > inner)) return null;
  return { centres: (inner + outer) / 2, diameter: (outer - inner) / 2 };
}

/** What is wrong with such measures, in a sentence; null if nothing is. */
export function doubtOfHoles({ centres, diameter }: Holes): string | null {
  if (diameter > 15) return `Holes ${Math.round(diameter)} mm wide are unusual. Check which edges were measured.`;
  if (diameter < 2) return "Holes under 2 mm are for nails. Check which edges were measured.";
  return centres > 600 ? "More than 600 mm between two holes of one handle is unusual." : null;
}

/** Where the holes of a handle are on a front, from its left and its lower edge: in the middle of it, or as high as is said. */
export function placesOn(
  front: { width: number; height: number },
  { centres, count, fromTop }: { centres: number; count: 1 | 2; fromTop?: number },
): { x: number; y: number }[] {
  const y = fromTop === undefined ? front.height / 2 : front.height - fromTop;
  const middle = front.width / 2;
  return count === 1
    ? [{ x: middle, y }]
    : [
        { x: middle - centres / 2, y },
        { x: middle + centres / 2, y },
      ];
}

export type OldHole = "use" | "hidden" | "plug" | "plug before drilling";

/** Timber that has to be left between an old hole and a new one, or the drill runs into the old (common practice). */
const BRIDGE = 3;

/**
 * What to do with an old hole when a new one is drilled so far from it: used again where they meet, hidden where the plate of the
 * new handle covers it, plugged with a dowel where it would be seen, and plugged first where the drill would run into it.
 */
export function oldHole(apart: number, { hole, plate }: { hole: number; plate: number }): OldHole {
  if (apart < 0.5) return "use";
  if (apart < hole + BRIDGE) return "plug before drilling";
  return apart + hole / 2 <= plate / 2 ? "hidden" : "plug";
}

/** Lengths that machine screws for handles come in (common practice). */
export const SCREW_LENGTHS = [16, 20, 22, 25, 28, 30, 35, 40, 45, 50, 55, 60] as const;
/** So much of the thread has to be in the handle, or it strips (common practice: one and a half diameters of M4). */
const LEAST_HOLD = 6;
/** So much the screw stays off the bottom of its thread, or it lifts the face. */
const OFF_THE_BOTTOM = 1;

export interface Screw {
  /** null where no usual length fits */
  length: number | null;
  least: number;
  most: number;
}

/**
 * The screw for a handle: long enough to hold in its thread, short enough not to reach the bottom of it. The shortest usual length
 * that fits.
 *
 * @param panel thickness of the front, coats and washer included
 * @param thread depth of the thread in the handle
 */
export function screwFor(panel: number, thread: number): Screw {
  const least = panel + Math.min(LEAST_HOLD, Math.max(0, thread - OFF_THE_BOTTOM));
  const most = panel + thread - OFF_THE_BOTTOM;
  return {
    length: SCREW_LENGTHS.find((screwLength) => screwLength >= least && screwLength <= most) ?? null,
    least,
    most,
  };
}
