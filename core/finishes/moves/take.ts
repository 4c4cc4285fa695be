import { always, type Move, type MoveStep } from "../move.ts";

type Own = Partial<Omit<MoveStep, "key" | "how" | "what" | "why" | "reveals">>;

/** Rub with a damp cloth while the paint still opens, down to what holds. */
export const rubDamp = (key: string, shows: string, own: Own = {}): Move =>
  always("Rub back damp", {
    key,
    how: "wet-distress",
    reveals: shows,
    why: "Within a day a damp cloth still opens this paint, and wears it as hands would.",
    ...own,
  });

/** Sand edges and beads, dry or with wet paper. */
export const sandEdges = (
  key: string,
  shows: string | undefined,
  own: Own & { grit?: 150 | 220 | 320 | "wet" } = {},
): Move => {
  const { grit = 220, ...rest } = own;
  return always("Sand the edges", {
    key,
    how: grit === "wet" ? "wet-sand" : `sand-${grit}`,
    ...(shows === undefined ? {} : { reveals: shows }),
    why:
      shows === "ground"
        ? "Wears edges and beads down to the timber."
        : shows === undefined
          ? "Smooths it, and leaves fine lines."
          : "Wears edges and beads, as a hundred years would.",
    ...rest,
  });
};

/** Scrape a part back while it is young. */
export const scrapeBack = (key: string, over: number): Move =>
  always("Scrape back", {
    key,
    how: "scrape-back",
    over,
    why: "Takes the top colour off in streaks, so that the colours lie in one plane.",
  });
