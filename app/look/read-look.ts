import { PRACTICE } from "#core/finishes/finish";
import { Look, WEARING, WISH_PLACES, Wish, type Wishes, type WishPlace } from "#core/look/spec";

/** How places are called on the drawing and in the list beside it. */
export const PLACE_NAMES: Record<WishPlace, string> = {
  field: "Flats",
  arris: "Edges",
  high: "High points",
  recess: "Hollows",
  border: "Border",
  hands: "Where hands touch",
  cracks: "In cracks",
  chips: "In chips",
};

/** The look that an address asks for; what cannot be read is left out. */
export function readLook(asked: URLSearchParams): Look {
  const wishes: Wishes = {};
  for (const place of WISH_PLACES) {
    const wish = Wish.safeParse(asked.get(place));
    if (wish.success) wishes[place] = wish.data;
  }
  const one = <const Word extends string>(words: readonly Word[], name: string): Word | undefined =>
    words.find((word) => word === asked.get(name));
  const figure = (name: string): number | undefined => {
    const text = asked.get(name);
    return text === null || text.trim() === "" ? undefined : Number(text);
  };
  const said = {
    wishes,
    wear: one(["worn", "crisp"], "wear"),
    wornWith: one(WEARING, "with"),
    texture: one(["raised"], "texture"),
    sheen: one(["matt", "satin", "gloss"], "sheen"),
    practice: one(PRACTICE, "practice"),
    barrier: asked.get("barrier") === "no" ? false : undefined,
    days: figure("days"),
    hours: figure("hours"),
  };
  const read = Look.safeParse(said);
  return read.success ? read.data : { wishes };
}

/** Whether anything is asked for at all. */
export const isAsked = ({ wishes }: Look): boolean => Object.keys(wishes).length > 0;
