import { watered } from "../../plan/mix.ts";
import type { Where } from "../../plan/plan.ts";
import { always, isThirsty, lastLaid, type Move, type MoveStep } from "../move.ts";

type Own = Partial<Omit<MoveStep, "key" | "what" | "why">>;

/** A coat or two that hide what lies beneath. */
export const colour = (key: string, what: string, why: string, own: Own = {}): Move =>
  always("Lay a colour", { key, how: "brush", what, coats: 2, why, ...own });

/** Another colour over a part of the face, by sponge, scraper, card or brush. */
export const broken = (key: string, how: string, what: string, why: string, own: Own = {}): Move =>
  always("Break up the colour", { key, how, what, why, ...own });

/** A dark under-coat that seals itself, so that a damp cloth stops there. */
export const sealedUnder = (key: string, what: string): Move =>
  always("Seal a dark under-coat", {
    key,
    how: "brush",
    what,
    coats: 2,
    why: "It seals itself: a damp cloth rubs through the paint and stops here.",
  });

/** A film that what is rubbed or wetted above it does not go through. */
export const barrier = (key: string, what = "clear-coat-matt"): Move =>
  always("Lay a barrier", {
    key,
    how: "brush",
    what,
    why: "What lies beneath stays whole when the next colour is rubbed back.",
  });

/** Colour let down with water, so that it is seen through. */
export const wash = (key: string, what: string, water: number, why: string, own: Own = {}): Move =>
  always("Wash", { key, how: "wash", what, mix: watered(1, water), why, ...own });

/** Almost dry: what stands proud takes the colour, grooves keep what they have. */
export const dryBrush = (key: string, what: string, why: string, own: Own = {}): Move =>
  always("Dry-brush", { key, how: "dry-brush", what, why, ...own });

/** A touch of metal or wax by finger on beads and carving. */
export const touch = (key: string, what: string, on: Where, why: string, own: Own = {}): Move =>
  always("Touch the high points", { key, how: "finger", what, on, why, ...own });

/** A glaze, wiped back or ragged. On thirsty paint the way of the house goes first. */
export const glaze = (
  key: string,
  what: string,
  take: "wipe-back" | "rag-off" | "comb" | null,
  why: string,
  own: Own = {},
): Move => ({
  name: take === null ? "Glaze" : take === "comb" ? "Glaze and comb" : "Glaze and wipe back",
  steps(context) {
    const thirsty = isThirsty(lastLaid(context));
    const { porousGlaze } = context.houseRules;
    const first: MoveStep[] = [];
    if (thirsty && porousGlaze === "slip coat")
      first.push({
        key: `${key}-slip`,
        how: "brush",
        what: "glaze-clear",
        why: "On a slip coat the glaze moves, and wipes back clean.",
      });
    if (thirsty && porousGlaze === "film")
      first.push({
        key: `${key}-film`,
        how: "brush",
        what: "clear-coat-matt",
        why: "Sealed, the paint cannot drink the glaze.",
      });
    if (thirsty && porousGlaze === "mist")
      first.push({ key: `${key}-mist`, how: "mist", why: "Damp paint lets the glaze move." });
    const straight = thirsty && porousGlaze === "straight";
    return [
      ...first,
      { key, how: "brush", what, why, ...(straight ? { intents: ["stain" as const] } : {}), ...own },
      ...(take === null
        ? []
        : [
            {
              key: `${key}-off`,
              how: take,
              why:
                take === "comb"
                  ? "The teeth leave a straight figure in it."
                  : "It comes off what stands proud and stays in the hollows.",
              ...(own.on === undefined ? {} : { on: own.on }),
            },
          ]),
    ];
  },
});
