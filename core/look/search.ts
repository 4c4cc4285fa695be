import { colourDifference } from "../colour/difference.ts";
import { type Built, buildMoves, type Site } from "../finishes/build.ts";
import { PRACTICE, type Practice } from "../finishes/finish.ts";
import type { Move } from "../finishes/move.ts";
import { spokenName } from "../materials/spoken-name.ts";
import { materialsIn } from "../plan/mix.ts";
import { sayDuration } from "../units/duration.ts";
import { DAY, HOUR, type Minutes } from "../units/units.ts";
import { type Idea, ideasFor } from "./ideas.ts";
import { answersTo, apartOf, hasSheen, type SeenWish } from "./seen.ts";
import type { Look } from "./spec.ts";

/** A stack that answers a look: checked, dated, and how near it comes. */
export interface Candidate extends Built {
  /** the ways it takes; two of one shape differ in their materials only */
  shape: string;
  key: string;
  /** how far off it is, ΔE00: the weighted mean of its places */
  apart: number;
  seen: readonly SeenWish[];
  /** on the nominal line, from the first stroke to the last */
  days: number;
  handsOn: Minutes;
  practice: Practice;
  /** ids of materials that are not on the shelf; empty where no shelf is known */
  buy: readonly string[];
  /** what candidates are ranked by: how far off it is, and a little for days, hours and what has to be bought */
  total: number;
}

export interface Found {
  /** the best first, no two of one shape; those that others beat in everything come last */
  candidates: readonly Candidate[];
  /** why nothing gives the look, or what it falls short in; null where the first candidate has it all */
  says: string | null;
  /** where nothing keeps to all that was asked: what comes nearest */
  nearest: Candidate | null;
  /** stacks that were built and judged so far */
  tried: number;
}

export interface SearchOptions {
  /** ids of what is on the shelf */
  shelf?: ReadonlySet<string>;
  /** how many stacks may be built and judged */
  most?: number;
}

/** Enough for every shape in its likeliest materials, and the best of them tried lighter and harder. */
const MOST_TRIED = 150;
const EACH_SHAPE = 5;
const MOST_SHOWN = 8;
const LEAST_SHOWN = 4;
/** Of the best so many are tried with more and less effort, in more and fewer coats. */
const REFINED = 6;
/** What a day, an hour and a tin to buy weigh against a ΔE00 of look (from memory). */
const WEIGH = { day: 0.5, hour: 0.25, buy: 0.4 } as const;
/** What is so much further off than the nearest, in ΔE00, is another look, however quick it is. */
const MUCH_WORSE = 8;
/** From here on a look is another one. */
const FAR_OFF = 12;

/** The ideas in the order they are tried: by turns from every shape, the likeliest of each first. */
function byTurns(ideas: readonly Idea[]): Idea[] {
  const shapes = new Map<string, Idea[]>();
  for (const idea of ideas) {
    const known = shapes.get(idea.shape);
    if (!known) shapes.set(idea.shape, [idea]);
    else if (known.length < EACH_SHAPE) known.push(idea);
  }
  const rounds: Idea[] = [];
  for (let turn = 0; turn < EACH_SHAPE; turn++)
    for (const list of shapes.values()) if (list[turn]) rounds.push(list[turn]!);
  return rounds;
}

/** The same stack with a heavier or lighter hand. */
function variations({ key, shape, moves, practice, guess }: Idea): Idea[] {
  const change = (name: string, how: (step: ReturnType<Move["steps"]>[number]) => object | null): Idea => ({
    key: `${key} · ${name}`,
    shape,
    practice,
    guess,
    moves: () =>
      moves().map((move) => ({
        name: move.name,
        steps: (context) => move.steps(context).map((step) => ({ ...step, ...how(step) })),
      })),
  });
  const rubs = (passes: number, pressure: "light" | "usual" | "hard") => (step: { key: string; reveals?: string }) =>
    step.key.startsWith("rub") ? { effort: { passes, pressure } } : null;
  const coats = (count: number) => (step: { key: string }) => (step.key === "top" ? { coats: count } : null);
  return [
    change("rubbed harder", rubs(2, "hard")),
    change("rubbed lightly", rubs(1, "light")),
    change("one coat", coats(1)),
    change("three coats", coats(3)),
    change("a heavy tint", (step) =>
      step.key === "tint" || step.key === "hollows" ? { amount: { kind: "heavy" } } : null,
    ),
    change("a light tint", (step) =>
      step.key === "tint" || step.key === "hollows" ? { amount: { kind: "light" } } : null,
    ),
  ];
}

const handsOf = ({ judged }: Built): Minutes => judged.phases.reduce((sum, { phase }) => sum + phase.hands, 0);

/** Where a candidate falls short of what was asked besides its colours; empty where it keeps to all of it. */
function shortOf(candidate: Candidate, { days, hours, sheen }: Look): string[] {
  const last = candidate.judged.phases.findLast(({ phase }) => phase.material !== undefined && phase.where.share > 0.9);
  return [
    ...(days !== undefined && candidate.days > days ? [`it takes ${candidate.days.toFixed(1)} days, not ${days}`] : []),
    ...(hours !== undefined && candidate.handsOn > hours * HOUR
      ? [`it takes ${sayDuration(candidate.handsOn)} hands-on, not ${sayDuration(hours * HOUR)}`]
      : []),
    ...(hasSheen(last?.phase.material ?? undefined, sheen) ? [] : [`it does not end ${sheen}`]),
  ];
}

/** Whether one is as good as another in all that counts, and better in something. */
function beats(a: Candidate, b: Candidate): boolean {
  const figures = ({ apart, days, handsOn, practice, buy }: Candidate) => [
    apart,
    days,
    handsOn,
    PRACTICE.indexOf(practice),
    buy.length,
  ];
  const [first, second] = [figures(a), figures(b)];
  return first.every((value, index) => value <= second[index]!) && first.some((value, index) => value < second[index]!);
}

const byTotal = (a: Candidate, b: Candidate) => a.total - b.total || (a.key < b.key ? -1 : 1);

class Search {
  private readonly good: Candidate[] = [];
  private readonly stopped = new Map<string, number>();
  tried = 0;

  constructor(
    private readonly site: Site,
    private readonly look: Look,
    private readonly shelf: ReadonlySet<string> | undefined,
  ) {}

  /** Builds and judges one idea. */
  take(idea: Idea): void {
    this.tried++;
    const built = buildMoves(this.site, "Planned look", idea.moves(), false);
    if (built.stops.length > 0) {
      for (const { title } of built.stops) this.stopped.set(title, (this.stopped.get(title) ?? 0) + 1);
      return;
    }
    const seen = answersTo(built.judged, this.look.wishes);
    const apart = apartOf(seen);
    const days = built.judged.done / DAY;
    const handsOn = handsOf(built);
    const used = [...new Set(built.crust.steps.flatMap(materialsIn))];
    const buy = this.shelf ? used.filter((id) => !this.shelf!.has(id)) : [];
    const total = apart + WEIGH.day * days + (WEIGH.hour * handsOn) / HOUR + WEIGH.buy * buy.length;
    this.good.push({
      ...built,
      shape: idea.shape,
      key: idea.key,
      apart,
      seen,
      days,
      handsOn,
      practice: idea.practice,
      buy,
      total,
    });
  }

  /** The ideas behind the nearest looks so far, whatever they cost: a wider budget finds the same and more. */
  nearestIdeas(ideas: readonly Idea[]): Idea[] {
    const known = new Map(ideas.map((idea) => [idea.key, idea]));
    return [...this.good]
      .sort((a, b) => a.apart - b.apart || (a.key < b.key ? -1 : 1))
      .slice(0, REFINED)
      .flatMap(({ key }) => known.get(key) ?? []);
  }

  found(): Found {
    const within = this.good.filter((candidate) => shortOf(candidate, this.look).length === 0);
    const nearestOf = Math.min(...within.map(({ apart }) => apart));
    const near = within.filter(({ apart }) => apart <= nearestOf + MUCH_WORSE);
    const front = near.filter((candidate) => !near.some((other) => beats(other, candidate))).sort(byTotal);
    const shapes = new Set<string>();
    const unlike = ({ shape }: Candidate) => {
      const isNew = !shapes.has(shape);
      shapes.add(shape);
      return isNew;
    };
    // those that nothing beats; where they are few, the best of the other ways as well, for a painter has her reasons
    const best = front.filter(unlike).slice(0, MOST_SHOWN);
    const others = [...near].sort(byTotal).filter(unlike);
    const candidates = [...best, ...others.slice(0, Math.max(0, LEAST_SHOWN - best.length))];
    const [nearest] = [...this.good].sort(byTotal);
    return {
      candidates,
      says: this.says(candidates[0], nearest),
      nearest: candidates.length > 0 ? null : (nearest ?? null),
      tried: this.tried,
    };
  }

  private says(best: Candidate | undefined, nearest: Candidate | undefined): string | null {
    if (best) return best.apart > FAR_OFF ? farOff(best) : null;
    if (nearest)
      return `Nothing gives this look as it is asked. The nearest falls short: ${shortOf(nearest, this.look).join("; ")}.`;
    const worst = [...this.stopped].sort(([a, many], [b, more]) => more - many || (a < b ? -1 : 1))[0];
    return worst
      ? `Nothing gives this look on this ground. What stops most ways to it: ${worst[0].charAt(0).toLowerCase()}${worst[0].slice(1)}.`
      : "Nothing on the shelf lays what is asked for. Ask for less, or let it be bought.";
  }
}

/** Which place is furthest off, and what is nearest to it. */
function farOff({ seen, materials }: Candidate): string {
  const [worst] = [...seen].sort((a, b) => b.apart - a.apart);
  const near = [...materials].sort(
    (a, b) => colourDifference(a.colour, worst!.wanted) - colourDifference(b.colour, worst!.wanted),
  )[0];
  return `Nobody has this colour ready for the ${PLACE_WORDS[worst!.place]}: ${near ? spokenName(near) : "the nearest"} is ${worst!.apart.toFixed(0)} off (ΔE00), where 2 is hardly seen.`;
}

const PLACE_WORDS: Record<SeenWish["place"], string> = {
  field: "flats",
  arris: "edges",
  high: "high points",
  recess: "hollows",
  border: "border",
  hands: "places that hands touch",
  cracks: "cracks",
  chips: "chips",
};

/** How often the search says how far it is. */
const SAYS_EVERY = 4;

/**
 * Searches stacks that give a look, among moves: the likeliest by optics are built, repaired and judged like any crust, the nearest tried
 * with a heavier and a lighter hand, and those that others beat in everything are left out. It counts what it tries, so that it finds
 * the same on any machine; a wider budget never finds a worse best; the order of the shelf makes no difference.
 */
export function* search(
  site: Site,
  look: Look,
  { shelf, most = MOST_TRIED }: SearchOptions = {},
): Generator<Found, Found> {
  const own = shelf ? site.catalogue.filter(({ id }) => shelf.has(id)) : site.catalogue;
  // colours come from the shelf first; if that has too few, from anything that can be bought
  const ideas = [
    ...ideasFor(look, site.zone.ground, site.catalogue),
    ...(shelf ? ideasFor(look, site.zone.ground, own) : []),
  ];
  const unique = [...new Map(ideas.map((idea) => [idea.key, idea])).values()];
  const run = new Search(site, look, shelf);
  for (const idea of byTurns(unique)) {
    if (run.tried >= most * 0.75) break;
    run.take(idea);
    if (run.tried % SAYS_EVERY === 1) yield run.found();
  }
  for (const idea of run.nearestIdeas(unique).flatMap(variations)) {
    if (run.tried >= most) break;
    run.take(idea);
    if (run.tried % SAYS_EVERY === 1) yield run.found();
  }
  return run.found();
}

/** The same in one go. */
export function searchNow(site: Site, look: Look, options?: SearchOptions): Found {
  const running = search(site, look, options);
  for (;;) {
    const step = running.next();
    if (step.done) return step.value;
  }
}
