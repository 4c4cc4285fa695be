import { factsOf, NO_FACTS } from "../judge/facts.ts";
import type { Judgement, ZoneJudgement } from "../judge/judge.ts";
import type { JudgedPhase } from "../judge/line.ts";
import { sayMix } from "../plan/mix.ts";
import { materialName, type Piece, type Plan, type Step } from "../plan/plan.ts";
import { judgementOf } from "../schedule/kept.ts";
import type { Booking } from "../schedule/schedule.ts";
import { coatsOf } from "../shelf/needs.ts";
import { unitOf } from "../shelf/usage.ts";
import { handsOn } from "../surface/one-go.ts";
import type { Stack } from "../surface/stack.ts";
import type { Millilitres, Minutes, WallMinutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import { type BenchCard, benchCard } from "./card.ts";
import { type Countdown, countdownsFor } from "./countdown.ts";
import { placeKey, type WorkRef } from "./event.ts";
import { type LedgerState, type Worked, workedOn } from "./replay.ts";

// The bench: what is in hand, what can be taken up next, and what is drying, of all jobs under way. It follows from the plans, their
// ledgers and the shop's schedule; the time of day only decides what is shown first.

/** One job as the bench needs it: its plan with the ledger's work in it. */
export interface BenchJob {
  plan: Plan;
  state: LedgerState;
  /** of the shop's schedule, or of the job fitted in; none where it has not been dated */
  bookings: readonly Pick<Booking, "kind" | "does" | "section" | "starts" | "ends" | "name" | "painter">[];
}

/** A place in a go that is worked section by section. */
export interface SectionAt {
  at: number;
  of: number;
}

/** One press at the bench: a coat or other work on one or more zones. */
export interface BenchTask {
  id: string;
  planId: string;
  job: string;
  piece: string;
  zones: readonly string[];
  /** what a press of Done writes down */
  on: readonly WorkRef[];
  stepId: string;
  phaseId: string;
  card: BenchCard;
  /** further phases of the same go, in turn */
  followedBy: readonly string[];
  /** what is in the pot, and how much of it */
  mix: string | null;
  materialId: string | null;
  colour: string | null;
  millilitres: Millilitres | null;
  section: SectionAt | null;
  hands: Minutes;
  /** milliseconds; null while it has not been begun */
  begun: number | null;
  by: string | null;
  note: string | null;
  /** what is looked at and decided, with the ways on */
  inspect: Pick<Step, "branches" | "expected" | "again"> | null;
  /** by the schedule */
  starts: WallMinutes | null;
  painter: string | null;
  countdowns: readonly Countdown[];
  /** it is what comes next on all its zones */
  isNext: boolean;
}

/** Something that dries, and what waits for it. */
export interface Drying {
  planId: string;
  job: string;
  zone: string;
  colour: string | null;
  countdown: Countdown;
  waits: string;
}

/** What comes without a coat: taking apart, putting together. */
export interface Handling {
  planId: string;
  job: string;
  name: string;
  starts: WallMinutes;
}

export interface Bench {
  inHand: BenchTask[];
  next: BenchTask[];
  drying: Drying[];
  handling: Handling[];
}

interface OneZone {
  judged: ZoneJudgement;
  piece: Piece;
  /** the first phase that has not been done */
  next: JudgedPhase | null;
}

/** What lies on top of a face where most of it is. */
function topOf({ after }: ZoneJudgement): Stack {
  return after.patches.field[0]?.stack ?? null;
}

/** The film under a phase that matters for how it goes: the last one laid before it. */
function under(judged: ZoneJudgement, placed: JudgedPhase): Stack {
  const at = judged.phases.indexOf(placed);
  const lower = judged.phases.slice(0, at).findLast(({ phase }) => phase.material !== null);
  // a stand-in for the stack: only its film's material is asked
  return lower ? findFilm(topOf(judged), lower.phase.id) : null;
}

function findFilm(stack: Stack, phaseId: string): Stack {
  for (let at = stack; at; at = at.below) if (at.film.phaseId === phaseId) return at;
  return null;
}

class JobBench {
  private readonly plan: Plan;
  private readonly state: LedgerState;
  private readonly zones = new Map<string, OneZone>();
  readonly judgement: Judgement;

  constructor(
    private readonly job: BenchJob,
    private readonly now: WallMinutes,
  ) {
    this.plan = job.plan;
    this.state = job.state;
    this.judgement = judgementOf(this.plan);
    const pieceOf = new Map(this.plan.pieces.flatMap((piece) => piece.zones.map(({ id }) => [id, piece] as const)));
    for (const judged of this.judgement.zones) {
      const facts = this.facts(judged.zone.id);
      this.zones.set(judged.zone.id, {
        judged,
        piece: pieceOf.get(judged.zone.id)!,
        next: judged.phases.find(({ phase }) => !facts.has(phase.id)) ?? null,
      });
    }
  }

  private get clock() {
    return { start: readWallTime(this.plan.start)!, now: this.now };
  }

  private facts(zoneId: string) {
    return factsOf(this.plan).get(zoneId) ?? NO_FACTS;
  }

  private isDone({ zoneId, phaseId }: WorkRef): boolean {
    return this.facts(zoneId).has(phaseId);
  }

  private worked(place: WorkRef): Worked | undefined {
    return workedOn(this.state, place);
  }

  private placed({ zoneId, phaseId }: WorkRef): JudgedPhase | undefined {
    return this.zones.get(zoneId)?.judged.phases.find(({ phase }) => phase.id === phaseId);
  }

  /** What is done together by the schedule; each zone by itself where there is none. */
  private groups(): {
    does: readonly WorkRef[];
    starts: WallMinutes | null;
    painter: string | null;
    sections: number;
  }[] {
    const start = readWallTime(this.plan.start)!;
    const groups = this.job.bookings
      .filter(({ kind, section }) => kind === "zone" && (section === null || section.at === 1))
      .map(({ does, starts, painter, section }) => ({ does, starts, painter, sections: section?.of ?? 1 }));
    const booked = new Set(groups.flatMap(({ does }) => does.map(placeKey)));
    for (const { judged, next } of this.zones.values()) {
      if (!next || booked.has(placeKey({ zoneId: judged.zone.id, phaseId: next.phase.id }))) continue;
      const does = [{ zoneId: judged.zone.id, phaseId: next.phase.id }];
      groups.push({ does, starts: start + next.starts, painter: "", sections: 1 });
    }
    return groups.map(({ painter, ...group }) => ({ ...group, painter: painter || null }));
  }

  tasks(): BenchTask[] {
    return this.groups().flatMap(({ does, starts, painter, sections }): BenchTask[] => {
      const open = does.filter((place) => !this.isDone(place) && this.placed(place));
      const [first] = open;
      if (!first) return [];
      const bySection = sections > 1;
      // a go in sections is taken up as a whole; otherwise a phase is
      const on = bySection ? open : open.filter(({ phaseId }) => phaseId === first.phaseId);
      return [this.task(first, on, { starts, painter, sections: bySection ? sections : 1 })];
    });
  }

  private task(
    first: WorkRef,
    on: readonly WorkRef[],
    { starts, painter, sections }: { starts: WallMinutes | null; painter: string | null; sections: number },
  ): BenchTask {
    const { plan } = this;
    const { judged, piece } = this.zones.get(first.zoneId)!;
    const placed = this.placed(first)!;
    const { phase } = placed;
    const zoneIds = [...new Set(on.map(({ zoneId }) => zoneId))];
    const begun = on.flatMap((place) => this.worked(place)?.begun ?? []);
    const through = Math.max(0, ...on.map((place) => this.worked(place)?.section?.through ?? 0));
    const coats = coatsOf(plan).filter(
      (coat) => coat.phase.id === phase.id && zoneIds.includes(coat.zone.id) && phase.material !== null,
    );
    const millilitres = coats.reduce((sum, { net }) => sum + net, 0);
    const { step, material } = phase;
    const unit = material ? unitOf(material) : null;
    const phases = [...new Set(on.map(({ phaseId }) => phaseId))].slice(1);
    return {
      id: `${plan.id} ${first.phaseId} ${zoneIds.join(" ")}`,
      planId: plan.id,
      job: plan.title,
      piece: piece.name,
      zones: zoneIds.map((id) => this.zones.get(id)!.judged.zone.name),
      on,
      stepId: step.id,
      phaseId: phase.id,
      card: benchCard(judged, placed, under(judged, placed)),
      followedBy: phases.flatMap((id) => {
        const later = judged.phases.find((phase) => phase.phase.id === id);
        return later ? [benchCard(judged, later, null).title] : [];
      }),
      mix: step.mix ? sayMix(step.mix, materialName(plan)) : null,
      materialId: step.what ?? null,
      colour: material?.colour ?? null,
      millilitres: unit === "ml" && millilitres > 0 ? millilitres : null,
      section: sections > 1 ? { at: Math.min(sections, through + 1), of: sections } : null,
      hands: zoneIds.reduce((sum, id) => {
        const own = this.placed({ zoneId: id, phaseId: first.phaseId });
        return sum + (own ? handsOn(own.phase) : 0);
      }, 0),
      begun: begun.length > 0 ? Math.min(...begun) : null,
      by: on.map((place) => this.worked(place)?.by).find((by) => by) ?? null,
      note: step.note ?? null,
      inspect:
        step.kind === "inspect" && (step.branches || step.again)
          ? { branches: step.branches, expected: step.expected, again: step.again }
          : null,
      starts,
      painter,
      countdowns: this.countdowns(on),
      isNext: zoneIds.every((id) => this.zones.get(id)!.next?.phase.id === first.phaseId),
    };
  }

  /** The waits of all zones of a task as one: it opens when the last has, and shuts with the first. */
  private countdowns(on: readonly WorkRef[]): Countdown[] {
    const all = on.flatMap((place) => {
      const zone = this.zones.get(place.zoneId)!;
      const placed = this.placed(place);
      return placed ? countdownsFor(zone.judged, placed, this.facts(place.zoneId), this.clock) : [];
    });
    const byFilm = new Map<string, Countdown>();
    for (const countdown of all) {
      const known = byFilm.get(countdown.from);
      if (!known) byFilm.set(countdown.from, countdown);
      else
        byFilm.set(countdown.from, {
          ...(countdown.opens > known.opens ? countdown : known),
          shuts: least(countdown.shuts, known.shuts),
          shutsTypically: least(countdown.shutsTypically, known.shutsTypically),
        });
    }
    return [...byFilm.values()].sort((a, b) => b.opens - a.opens);
  }

  drying(): Drying[] {
    return [...this.zones.values()].flatMap(({ judged, next }): Drying[] => {
      if (!next) return [];
      const facts = this.facts(judged.zone.id);
      const waits = countdownsFor(judged, next, facts, this.clock);
      return waits
        .filter(({ opens, shuts }) => opens > this.now || (shuts !== null && shuts > this.now))
        .slice(0, 1)
        .map((countdown) => ({
          planId: this.plan.id,
          job: this.plan.title,
          zone: judged.zone.name,
          colour: judged.phases.find(({ phase }) => phase.id === countdown.from)?.phase.material?.colour ?? null,
          countdown,
          waits: benchCard(judged, next, null).title,
        }));
    });
  }

  handling(): Handling[] {
    const begun = this.state.work.size > 0;
    return this.job.bookings
      .filter(({ kind }) => kind === "together" || (kind === "apart" && !begun))
      .map(({ name, starts }) => ({ planId: this.plan.id, job: this.plan.title, name, starts }));
  }
}

const least = (a: number | null, b: number | null) => (a === null ? b : b === null ? a : Math.min(a, b));

/** When a task's window shuts; never, where it has none. */
export const shutsOf = ({ countdowns }: Pick<BenchTask, "countdowns">): WallMinutes | null =>
  countdowns.reduce<WallMinutes | null>((first, { shuts }) => least(first, shuts), null);

/** When a task may be begun, as far as what lies beneath is concerned; now, where nothing holds it. */
export const opensOf = ({ countdowns }: Pick<BenchTask, "countdowns">): WallMinutes =>
  countdowns.reduce((last, { opens }) => Math.max(last, opens), Number.NEGATIVE_INFINITY);

/**
 * What to take up first: what can be done now before what cannot, of that what has a window that shuts, then by the schedule.
 */
function byUrgency(now: WallMinutes): (a: BenchTask, b: BenchTask) => number {
  const rank = (task: BenchTask) => {
    if (!task.isNext) return 3;
    if (opensOf(task) > now) return 2;
    const shuts = shutsOf(task);
    return shuts !== null && shuts > now ? 0 : 1;
  };
  return (a, b) =>
    rank(a) - rank(b) ||
    (rank(a) === 0 ? shutsOf(a)! - shutsOf(b)! : 0) ||
    (rank(a) === 2 ? opensOf(a) - opensOf(b) : 0) ||
    (a.starts ?? Number.POSITIVE_INFINITY) - (b.starts ?? Number.POSITIVE_INFINITY) ||
    (a.id < b.id ? -1 : 1);
}

/** The bench of some jobs at a time on the shop's wall. Equal input gives equal output. */
export function benchOf(jobs: readonly BenchJob[], now: WallMinutes): Bench {
  const benches = jobs.map((job) => new JobBench(job, now));
  const tasks = benches.flatMap((bench) => bench.tasks());
  const order = byUrgency(now);
  const inHand = tasks.filter(({ begun }) => begun !== null);
  return {
    inHand: inHand.sort((a, b) => b.begun! - a.begun! || (a.id < b.id ? -1 : 1)),
    next: tasks.filter(({ begun }) => begun === null).sort(order),
    drying: benches
      .flatMap((bench) => bench.drying())
      .sort((a, b) => a.countdown.opens - b.countdown.opens || (a.zone < b.zone ? -1 : 1)),
    handling: benches.flatMap((bench) => bench.handling()).sort((a, b) => a.starts - b.starts),
  };
}
