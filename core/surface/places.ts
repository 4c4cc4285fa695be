import { shareInside } from "../plan/outline.ts";
import { isReliefClass, PLACES, type PlaceOnFace, type ReliefClass, type Where, type Zone } from "../plan/plan.ts";
import type { Share } from "../units/units.ts";
import type { ByRelief } from "./effect.ts";

/** Where a step goes: one place or several, without what is left out of them. */
export interface Region {
  on: Where;
  /** more places, joined to the first */
  also: readonly Where[];
  /** left out of all of them: "all but the motif" */
  but: readonly PlaceOnFace[];
}

const NONE: readonly never[] = [];
export const EVERYWHERE: Region = { on: "everywhere", also: NONE, but: NONE };

/** Share of a face that each named place takes, where the zone says nothing of it (from memory). */
export const PLACE_SHARE: Readonly<Record<PlaceOnFace, Share>> = { border: 0.2, hands: 0.12, motif: 0.15, patch: 0.1 };

/** What says how large the places of a face are. */
export type Face = Pick<Zone, "sizes" | "outlines" | "shape">;

/** The least share that something drawn takes, so that no step goes to nothing. */
const LEAST_DRAWN = 0.002;

/** The share of a zone's face that each place takes: as drawn, as said, or as usual. */
export function sizesOf({ sizes, outlines, shape }: Face): Readonly<Record<PlaceOnFace, Share>> {
  if (!sizes && !outlines) return PLACE_SHARE;
  const drawn = Object.entries(outlines ?? {}).map(([place, lines]) => [
    place,
    Math.max(LEAST_DRAWN, shareInside(lines, shape)),
  ]);
  return { ...PLACE_SHARE, ...sizes, ...Object.fromEntries(drawn) };
}

/** Each named place as one bit, so that a patch can lie in several. */
export const bitOf = (place: PlaceOnFace) => 1 << PLACES.indexOf(place);

export const isPlace = (on: Where): on is PlaceOnFace => (PLACES as readonly string[]).includes(on);

/** A region that is one place and no more: most are. */
export const isSimple = ({ also, but }: Region): boolean => also.length === 0 && but.length === 0;

/** All that a region joins. */
export const joined = ({ on, also }: Region): readonly Where[] => (also.length === 0 ? [on] : [on, ...also]);

/** The named places that a region asks for, in it or left out. */
export const placesIn = (region: Region): readonly PlaceOnFace[] =>
  isSimple(region) ? (isPlace(region.on) ? [region.on] : NONE) : [...joined(region).filter(isPlace), ...region.but];

/** Whether a region takes in a whole relief class, but for what is left out. */
export const takesClass = (region: Region, relief: ReliefClass): boolean =>
  joined(region).some((on) => on === "everywhere" || on === relief);

/** Whether a region takes in a part of a relief class that lies in these places, one bit each. */
export function takesIn(region: Region, relief: ReliefClass, places: number): boolean {
  if (region.but.some((place) => (places & bitOf(place)) !== 0)) return false;
  return joined(region).some(
    (on) => on === "everywhere" || on === relief || (isPlace(on) && (places & bitOf(on)) !== 0),
  );
}

/** Whether a region could take in anything of a relief class. */
export const reachesClass = (region: Region, relief: ReliefClass): boolean =>
  joined(region).some((on) => !isReliefClass(on) || on === relief);

export const sameRegion = (a: Region, b: Region): boolean =>
  a === b ||
  (a.on === b.on &&
    a.also.length === b.also.length &&
    a.but.length === b.but.length &&
    a.also.every((on, index) => on === b.also[index]) &&
    a.but.every((on, index) => on === b.but[index]));

/** The share of each relief class that a region takes in: places lie across each other at random. */
export function shareOfClass(region: Region, relief: ReliefClass, sizes = PLACE_SHARE): Share {
  const out = region.but.reduce((left, place) => left * (1 - sizes[place]), 1);
  if (takesClass(region, relief)) return out;
  const free = joined(region).reduce((left, on) => (isPlace(on) ? left * (1 - sizes[on]) : left), 1);
  return (1 - free) * out;
}

/** The share of a face that a step's "where" takes in. */
export const shareWhere = (region: Region, relief: ByRelief, sizes = PLACE_SHARE): Share =>
  (["arris", "field", "high", "recess"] as const).reduce(
    (sum, name) => sum + relief[name] * shareOfClass(region, name, sizes),
    0,
  );

/** A step's "where" as a region. */
export const regionOfStep = ({
  where,
}: {
  where: { on: Where; also?: readonly Where[] | undefined; but?: readonly PlaceOnFace[] | undefined };
}): Region => ({ on: where.on, also: where.also ?? NONE, but: where.but ?? NONE });
