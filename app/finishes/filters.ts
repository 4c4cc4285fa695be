import type { FinishFacts } from "#core/finishes/facts";
import { type Finish, LOOKS, type Look, PRACTICE, type Practice } from "#core/finishes/finish";
import type { WallMinutes } from "#core/units/units";
import { readWallTime, sayWallTime } from "#core/units/wall-time";

/** What the gallery is narrowed down to; it stands in the address, so that a link shows the same. */
export interface Filters {
  /** with those that a check stops on this piece */
  all: boolean;
  by: WallMinutes | null;
  shelf: boolean;
  practice: Practice | null;
  look: Look | null;
}

const one = <const Word extends string>(words: readonly Word[], text: string | null): Word | null =>
  words.find((word) => word === text) ?? null;

export const readFilters = (asked: URLSearchParams): Filters => ({
  all: asked.get("all") === "yes",
  by: readWallTime(`${asked.get("by") ?? ""}T23:59`),
  shelf: asked.get("shelf") === "yes",
  practice: one(PRACTICE, asked.get("practice")),
  look: one(LOOKS, asked.get("look")),
});

/** Whether a finish stays in the gallery. What is not worked out yet stays. */
export function keeps(
  { all, by, shelf, practice, look }: Filters,
  { practice: asks, looks }: Finish,
  facts: FinishFacts | undefined,
): boolean {
  if (look !== null && !looks.includes(look)) return false;
  if (practice !== null && asks !== practice) return false;
  if (!facts) return true;
  if (!all && facts.stops.length > 0) return false;
  if (by !== null && (facts.leaves === null || facts.leaves > by)) return false;
  return !shelf || facts.buy.length === 0;
}

export interface Chip {
  name: string;
  /** what the address says when it is pressed, and when it is not */
  param: string;
  value: string;
  on: boolean;
  /** how many are left with it */
  left: number;
}

/** The presses above the gallery, each with how many it leaves. */
export function chipsFor(
  filters: Filters,
  finishes: readonly Finish[],
  factsOf: (id: string) => FinishFacts | undefined,
  latest: { day: WallMinutes; says: string },
): Chip[] {
  const left = (change: Partial<Filters>) =>
    finishes.filter((finish) => keeps({ ...filters, ...change }, finish, factsOf(finish.id))).length;
  const day = sayWallTime(latest.day).slice(0, 10);
  return [
    { name: latest.says, param: "by", value: day, on: filters.by !== null, left: left({ by: latest.day }) },
    { name: "from my shelf", param: "shelf", value: "yes", on: filters.shelf, left: left({ shelf: true }) },
    ...PRACTICE.map((practice) => ({
      name: practice,
      param: "practice",
      value: practice,
      on: filters.practice === practice,
      left: left({ practice }),
    })),
    ...LOOKS.map((look) => ({
      name: look,
      param: "look",
      value: look,
      on: filters.look === look,
      left: left({ look }),
    })),
  ];
}

/** The finishes as the gallery shows them: those for a first time first. */
export const inGallery = (finishes: readonly Finish[]): Finish[] =>
  [...finishes].sort(
    (first, second) =>
      PRACTICE.indexOf(first.practice) - PRACTICE.indexOf(second.practice) || first.name.localeCompare(second.name),
  );
