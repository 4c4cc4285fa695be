import type { Hours } from "../plan/hours.ts";
import { areAlike, hoursOfPainter, type Painter, type Skill } from "../plan/shop.ts";
import type { WallMinutes } from "../units/units.ts";
import { type Activity, PAINTER, type Way } from "./solve/network.ts";
import { hoursOf, type Work } from "./work.ts";

// Whose hands there are. Where all painters are alike they are one resource, and who does what is settled afterwards; where
// they differ, each is a resource of her own with hours of her own.

/** Hands that other work has already. */
export interface Taken {
  from: WallMinutes;
  to: WallMinutes;
  /** whose */
  painter: string;
}

/** A place that something else lies in to dry. */
export interface Lying {
  from: WallMinutes;
  to: WallMinutes;
}

/** What the work of some jobs has to fit into besides its own waits. */
export interface Around {
  /** who paints; as many alike as the jobs themselves say, if left out */
  painters?: readonly Painter[];
  taken?: readonly Taken[];
  lying?: readonly Lying[];
}

export const handsOfPainter = (id: string) => `${PAINTER} ${id}`;

export class Crew {
  private readonly apart: readonly Painter[] | null;
  readonly capacity: Readonly<Record<string, number>>;

  constructor(
    works: readonly Work[],
    private readonly painters: readonly Painter[] | undefined,
  ) {
    this.apart = painters && !areAlike(painters) ? painters : null;
    const many = painters?.length ?? Math.max(1, ...works.map((work) => hoursOf(work).painters));
    this.capacity = this.apart
      ? Object.fromEntries(this.apart.map(({ id }) => [handsOfPainter(id), 1]))
      : { [PAINTER]: many };
  }

  /** Who could do this, each with her hours; with `calendar` their number is found. Empty where nobody can. */
  handsFor(
    work: Work,
    skills: ReadonlySet<Skill>,
    calendar: (hours: Hours) => number,
  ): Pick<Activity, "uses" | "calendar" | "ways" | "byHand"> | null {
    if (this.apart === null) return { uses: { [PAINTER]: 1 }, calendar: calendar(hoursOf(work)) };
    const able = this.apart.filter(({ cannot }) => !cannot.some((skill) => skills.has(skill)));
    const ways = able.map(
      (painter): Way => ({ uses: { [handsOfPainter(painter.id)]: 1 }, calendar: calendar(hoursWith(work, painter)) }),
    );
    const [first] = ways;
    return first ? { ...first, byHand: true, ...(ways.length > 1 ? { ways } : {}) } : null;
  }

  /** What hands hold that other work has already; nothing for a painter who is no longer there. */
  usesOf(painter: string): Readonly<Record<string, number>> {
    if (this.apart === null) return { [PAINTER]: 1 };
    return this.apart.some(({ id }) => id === painter) ? { [handsOfPainter(painter)]: 1 } : {};
  }

  /** Ids of the painters, first things first. */
  get ids(): string[] {
    if (this.painters) return this.painters.map(({ id }) => id);
    return Array.from({ length: this.capacity[PAINTER] ?? 1 }, (_, index) => `painter-${index + 1}`);
  }
}

/** When a painter can work on a job: a job with hours of its own has her at those, but not on her days off. */
function hoursWith(work: Work, painter: Painter): Hours {
  if (!work.ownHours) return hoursOfPainter(hoursOf(work), painter);
  const off = painter.exceptions.filter(({ stretches }) => stretches.length === 0);
  return hoursOfPainter(hoursOf(work), { ...painter, weekdays: undefined, exceptions: off });
}

interface Held {
  starts: WallMinutes;
  ends: WallMinutes;
  pieceId: string;
  /** whose hands they are, where that is settled; null where any will do, "" where none are needed */
  painter: string | null;
}

/** Who does what, where that does not matter: whoever worked on the piece last, if she is free; otherwise the first who is. */
export function sharedOut(works: readonly Held[], ids: readonly string[], taken: readonly Taken[] = []): string[] {
  const held = new Map(ids.map((id) => [id, taken.filter(({ painter }) => painter === id)]));
  const lastAt = new Map<string, string>();
  const given = works.map(({ painter }) => painter ?? "");
  const inOrder = works.map((_, index) => index).sort((a, b) => works[a]!.starts - works[b]!.starts || a - b);
  for (const at of inOrder) {
    const { starts, ends, pieceId, painter } = works[at]!;
    if (painter === null && ends > starts) {
      const free = (id: string) => !held.get(id)?.some(({ from, to }) => from < ends && starts < to);
      const before = lastAt.get(pieceId);
      given[at] = before !== undefined && free(before) ? before : (ids.find(free) ?? ids[0] ?? "");
    }
    if (given[at] === "") continue;
    held.set(given[at]!, [...(held.get(given[at]!) ?? []), { from: starts, to: ends, painter: given[at]! }]);
    lastAt.set(pieceId, given[at]!);
  }
  return given;
}
