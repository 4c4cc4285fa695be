import { colourDifference } from "../colour/difference.ts";
import { hexOf, linearOf } from "../colour/screen.ts";
import type { ZoneJudgement } from "../judge/judge.ts";
import { colourOfStack } from "../judge/look.ts";
import type { Material } from "../materials/material.ts";
import { isReliefClass, RELIEF_CLASSES, type ReliefClass } from "../plan/plan.ts";
import { EVERYWHERE } from "../surface/places.ts";
import { patchesWhere } from "../surface/surface.ts";
import type { Share } from "../units/units.ts";
import type { Look, Metal, Wish, Wishes, WishPlace } from "./spec.ts";

/** Colours of metals as they are asked for; a material of the kind that comes nearest plays it (from memory). */
export const METAL_COLOURS: Record<Metal, string> = {
  gold: "#b8923f",
  bronze: "#7f5f3a",
  pewter: "#8b8a86",
  copper: "#9a5b3c",
  iron: "#5a5450",
};

/** The colour that stands for a wish on this ground. */
export const colourOfWish = (wish: Wish, ground: string): string => {
  if (wish === "ground") return ground;
  return wish in METAL_COLOURS ? METAL_COLOURS[wish as Metal] : wish;
};

export interface Seen {
  colour: string;
  share: Share;
}

/** What is seen at a place, colour by colour, the most of it first; shares make one whole. */
export function seenAt({ after, zone }: ZoneJudgement, place: WishPlace): Seen[] {
  const { ground } = after.ground;
  const shares = new Map<string, Share>();
  const add = (relief: ReliefClass, on: "everywhere" | "border" | "hands", weight: Share) => {
    const patches = patchesWhere(after, relief, on === "everywhere" ? EVERYWHERE : { on, also: [], but: [] });
    for (const { stack, share } of patches) {
      const colour = colourOfStack(stack, ground);
      shares.set(colour, (shares.get(colour) ?? 0) + share * weight);
    }
  };
  if (place === "border" || place === "hands")
    for (const relief of RELIEF_CLASSES) add(relief, place, zone.relief[relief]);
  else add(isReliefClass(place as ReliefClass) ? (place as ReliefClass) : "field", "everywhere", 1);
  const whole = [...shares.values()].reduce((sum, share) => sum + share, 0);
  return [...shares]
    .map(([colour, share]) => ({ colour, share: whole > 0 ? share / whole : 0 }))
    .sort((a, b) => b.share - a.share || a.colour.localeCompare(b.colour));
}

function meanOf(seen: readonly Seen[]): string {
  const sum: [number, number, number] = [0, 0, 0];
  for (const { colour, share } of seen)
    linearOf(colour).forEach((value, channel) => {
      sum[channel] = sum[channel]! + share * value;
    });
  return hexOf(sum);
}

/** The wishes that a judged crust would answer: what most of each place is, as one sees it when pointing there. */
export function wishesOf(judged: ZoneJudgement): Wishes {
  const places = RELIEF_CLASSES.filter((relief) => judged.zone.relief[relief] > 0);
  const wishes: Wishes = Object.fromEntries(places.map((place) => [place, seenAt(judged, place)[0]!.colour]));
  const opened = judged.crust.steps
    .flatMap(({ intents }) => intents)
    .find((one) => one === "cracks" || one === "chips");
  const beneath = seenAt(judged, "field").find(
    ({ colour, share }) => share >= OPEN[0] && colourDifference(colour, wishes.field as string) > SAME,
  );
  return opened && beneath ? { ...wishes, [opened]: beneath.colour } : wishes;
}

/** Of a crack or a chip, so much of the flats at least has to show what lies beneath, and so much at most (from memory). */
const OPEN: readonly [Share, Share] = [0.03, 0.45];
/** Alike enough to be the same colour laid by another hand. */
const SAME = 9;
/** Less than this of a place is no touch. */
const A_TOUCH: Share = 0.08;
/** How much worse it is, in ΔE00, if none of a place shows what is asked for there. */
const NONE_OF_IT = 14;

export interface SeenWish {
  place: WishPlace;
  wanted: string;
  /** the mean of what is predicted there */
  mean: string;
  /** how far it is from what is wanted, ΔE00; of mixed places, by what makes up most of them */
  apart: number;
}

/** How a judged crust answers one wish. */
function answers(judged: ZoneJudgement, place: WishPlace, wish: Wish): SeenWish {
  const wanted = colourOfWish(wish, judged.zone.ground.colour);
  const seen = seenAt(judged, place);
  const mean = meanOf(seen);
  if (wish in METAL_COLOURS && place !== "field") {
    // a touch of metal is seen as metal, however little of it there is
    const touched = seen.filter(
      ({ colour, share }) => share >= A_TOUCH && colourDifference(colour, wanted) <= 2 * SAME,
    );
    const nearest = Math.min(...touched.map(({ colour }) => colourDifference(colour, wanted)));
    return { place, wanted, mean, apart: touched.length > 0 ? nearest / 2 : colourDifference(mean, wanted) };
  }
  if (place === "cracks" || place === "chips") {
    const near = seen.filter(({ colour }) => colourDifference(colour, wanted) <= SAME);
    const share = near.reduce((sum, seen) => sum + seen.share, 0);
    const nearest = Math.min(
      ...seen.filter((seen) => seen.share >= OPEN[0]).map(({ colour }) => colourDifference(colour, wanted)),
    );
    const missed = share < OPEN[0] ? (OPEN[0] - share) / OPEN[0] : share > OPEN[1] ? share - OPEN[1] : 0;
    return { place, wanted, mean, apart: Math.min(60, nearest) + NONE_OF_IT * missed };
  }
  // of a worn edge one sees the colour that most of it has, and how much it has of it
  const byPart = seen.map(({ colour, share }) => colourDifference(colour, wanted) + NONE_OF_IT * (1 - share));
  return { place, wanted, mean, apart: Math.min(colourDifference(mean, wanted), ...byPart) };
}

/** How much each place counts in a look: what is seen most, most (from memory). */
const WEIGHTS: Record<WishPlace, number> = {
  field: 4,
  arris: 2,
  high: 1.5,
  recess: 2,
  border: 1.5,
  hands: 1,
  cracks: 2.5,
  chips: 2.5,
};

const PLACES_OF_ZONE = (judged: ZoneJudgement, place: WishPlace): boolean =>
  !isReliefClass(place as ReliefClass) || judged.zone.relief[place as ReliefClass] > 0;

/** How a judged crust answers every wish; places that the zone does not have are left out. */
export const answersTo = (judged: ZoneJudgement, wishes: Wishes): SeenWish[] =>
  (Object.entries(wishes) as [WishPlace, Wish][])
    .filter(([place]) => PLACES_OF_ZONE(judged, place))
    .map(([place, wish]) => answers(judged, place, wish));

/** One figure for a look: the weighted mean of how far its places are off, ΔE00. */
export function apartOf(seen: readonly SeenWish[]): number {
  const weight = seen.reduce((sum, { place }) => sum + WEIGHTS[place], 0);
  return weight === 0 ? 0 : seen.reduce((sum, { place, apart }) => sum + WEIGHTS[place] * apart, 0) / weight;
}

/** A shine that is asked for, in the gloss of the last film. */
const GLOSS: Record<NonNullable<Look["sheen"]>, readonly [number, number]> = {
  matt: [0, 0.2],
  satin: [0.12, 0.6],
  gloss: [0.5, 1],
};

export const hasSheen = (last: Material | undefined, sheen: Look["sheen"]): boolean =>
  sheen === undefined ||
  (last !== undefined && last.gloss.typical >= GLOSS[sheen][0] && last.gloss.typical <= GLOSS[sheen][1]);
