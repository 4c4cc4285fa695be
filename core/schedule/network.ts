import { openFrom } from "../drying/gate.ts";
import type { JudgedPhase, ZoneJudgement } from "../judge/judge.ts";
import type { PlacedWait } from "../judge/line.ts";
import type { Hours } from "../plan/hours.ts";
import { fittedTo, type Piece, type Plan, type Zone } from "../plan/plan.ts";
import type { Skill } from "../plan/shop.ts";
import { boundsOf } from "../plan/wait.ts";
import { handsOn, inOneGo } from "../surface/one-go.ts";
import { ShopClock } from "../units/time-zone.ts";
import { DAY, type Minutes, type WallMinutes } from "../units/units.ts";
import { midnightBefore, readWallTime } from "../units/wall-time.ts";
import { workingWindows } from "./calendar.ts";
import { type Around, Crew } from "./crew.ts";
import { handlingOf } from "./handling.ts";
import { type Reason, reasonFor } from "./reason.ts";
import type { Activity, Lag, Network, Stretch, VaryingLag } from "./solve/network.ts";
import { boundsOf as takesBetween, varyingLag } from "./varying.ts";
import { apartId, type Done, hoursOf, phaseName, type Task, type TaskKind, taskId, type Work } from "./work.ts";

/** All work of some jobs as one network, and what its parts mean. */
export interface ShopNetwork {
  network: Network;
  /** the network counts minutes that have really passed since this clock's beginning */
  clock: ShopClock;
  tasks: ReadonlyMap<string, Task>;
  reasons: ReadonlyMap<Lag, Reason>;
  /** work that nobody of the shop can do */
  beyondAll: readonly string[];
  crew: Crew;
}

/** Days that are looked ahead at least, and at most: ten years. */
export const HORIZON_DAYS = 120;
export const MOST_HORIZON_DAYS = 3650;
/** This part of a working day may stay empty because the next piece of work is longer than what is left of it. */
const FILLED = 0.5;
/** A coat that dries for less does not need a place to itself. */
const NEEDS_A_PLACE: Minutes = 60;
export const PLACE = "drying place";

/**
 * If a demand may be met in two windows, the one that the nominal line used, unless it has to wait for the dry one.
 */
function gateUsed(demand: PlacedWait, waited: Minutes, dry: boolean): number {
  const { gates } = demand;
  if (dry) return gates.length - 1;
  const used = gates.findIndex(
    (gate) => waited >= gate.opens.safe && (gate.shuts === null || waited <= gate.shuts.safe),
  );
  return Math.max(0, used);
}

/** The visits to a zone: a phase each, but a go in one, unless a part of it has been done. */
function visitsTo({ phases }: ZoneJudgement, was: ReadonlyMap<string, Done>): JudgedPhase[][] {
  const visits: JudgedPhase[][] = [];
  for (const placed of phases) {
    const before = visits.at(-1)?.at(-1)?.phase;
    const together = before && inOneGo(placed.phase, before.id) && !was.has(before.id) && !was.has(placed.phase.id);
    if (together) visits.at(-1)!.push(placed);
    else visits.push([placed]);
  }
  return visits;
}

const onceKey = (piece: Piece, { crust }: ZoneJudgement, { phase }: JudgedPhase) =>
  `${piece.id} ${crust.id} ${phase.id}`;

/** More than this many phases of a go are not all named. */
const NAMED = 3;

function visitName(visit: readonly JudgedPhase[]): string {
  const [first, ...others] = visit.map(phaseName);
  const named = others.slice(0, visit.length > NAMED ? NAMED - 2 : NAMED - 1).map((name) => name.toLowerCase());
  const more = others.length - named.length;
  return [first, ...named, ...(more > 0 ? [`${more} more`] : [])].join(" + ");
}

/** Demands that are to wait until what lies below is dry, where the nominal line went into it wet. */
export type DryModes = ReadonlySet<string>;
export const modeOf = (planId: string, zoneId: string, { from, to, rule }: PlacedWait) =>
  `${taskId(planId, zoneId, from)} ${to} ${rule}`;

/**
 * Days a calendar has to look ahead so that all work of some jobs fits in: the hands-on time at the hours of the week, half
 * of them left empty, after the longest line of waits.
 */
export function horizonDays(works: readonly Work[]): number {
  let days = HORIZON_DAYS;
  let hands = 0;
  let waits = 0;
  for (const { judgement } of works)
    for (const { phases, done } of judgement.zones) {
      for (const { phase } of phases) hands += handsOn(phase);
      waits = Math.max(waits, done);
    }
  for (const work of works) {
    const week = hoursOf(work)
      .weekdays.flat()
      .reduce((sum, [from, to]) => sum + to - from, 0);
    if (week > 0) days = Math.max(days, HORIZON_DAYS + (7 * hands) / (week * FILLED) + (2 * waits) / DAY);
  }
  return Math.min(MOST_HORIZON_DAYS, Math.ceil(days));
}

class Builder {
  readonly activities: Activity[] = [];
  readonly lags: Lag[] = [];
  readonly tasks = new Map<string, Task>();
  readonly reasons = new Map<Lag, Reason>();
  readonly calendars: Stretch[][] = [];
  private readonly calendarOf = new Map<string, number>();
  /** of each zone's phases, the activities they are done in */
  private readonly placedIn = new Map<string, readonly string[]>();
  /** by piece and step, what is done once for all zones of a piece */
  private readonly once = new Map<string, string>();

  constructor(
    readonly clock: ShopClock,
    private readonly dry: DryModes,
    private readonly lastDay: number,
    private readonly crew: Crew,
  ) {}

  /** nobody can do these */
  readonly beyondAll: string[] = [];

  /** The network's minute of a time written in the plan. */
  private minute(wall: string): Minutes {
    return this.clock.elapsed(readWallTime(wall)!);
  }

  add(task: Task, activity: Omit<Activity, "id">) {
    this.tasks.set(task.id, task);
    this.activities.push({ id: task.id, ...activity });
  }

  lag(lag: Lag, reason: Reason) {
    // what is done is done, in whatever order
    if (this.tasks.get(lag.to)?.done) return;
    this.lags.push(lag);
    this.reasons.set(lag, reason);
  }

  private readonly calendar = (hours: Hours): number => {
    const key = JSON.stringify(hours);
    let number = this.calendarOf.get(key);
    if (number === undefined) {
      number = this.calendars.length;
      this.calendarOf.set(key, number);
      const { clock } = this;
      this.calendars.push(
        workingWindows(hours, clock.zero, this.lastDay)
          .map(({ opens, shuts }): Stretch => [clock.elapsed(opens), clock.elapsed(shuts)])
          // an hour that the clocks skip is no time to work in
          .filter(([opens, shuts]) => opens < shuts),
      );
    }
    return number;
  };

  /** Whose hands something takes; where nobody can do it, it is dated as if the first could. */
  private hands(work: Work, id: string, skills: ReadonlySet<Skill> = new Set()) {
    const hands = this.crew.handsFor(work, skills, this.calendar);
    if (hands) return hands;
    this.beyondAll.push(id);
    return this.crew.handsFor(work, new Set(), this.calendar)!;
  }

  zone(work: Work, piece: Piece, judged: ZoneJudgement) {
    const { plan, done = [] } = work;
    const start = this.minute(plan.start);
    const was = new Map(done.filter(({ zoneId }) => zoneId === judged.zone.id).map((done) => [done.phaseId, done]));
    const ends = new Map(judged.phases.map((placed) => [placed.phase.id, placed.ends]));
    let before: JudgedPhase | null = null;
    for (const visit of visitsTo(judged, was)) {
      const ids = this.visit(work, piece, judged, visit, was);
      for (const { phase } of visit) this.placedIn.set(taskId(plan.id, judged.zone.id, phase.id), ids);
      const [first] = visit;
      if (before) this.follow(work, judged, before, first!, ids[0]!);
      for (const placed of visit)
        for (const demand of placed.demands) {
          const from = this.sectionsOf(work, judged, demand.from);
          if (from === ids) continue;
          // what shuts is asked of every section there is, what opens of the last to be done
          const pairs = from.length > 1 && ids.length === 1 ? from.map((text) => [text, ids[0]!] as const) : [];
          const waited = placed.starts - ends.get(demand.from)!;
          for (const id of ids) this.demand(plan, judged, demand, placed, waited, start, [from.at(-1)!, id]);
          for (const pair of pairs.slice(0, -1)) this.demand(plan, judged, demand, placed, waited, start, pair);
        }
      const dries = visit.findLast(({ coat }) => coat !== null);
      const own = this.tasks.get(ids[0]!)!.phase?.judged === judged;
      // what stays fitted to something lies where that lies
      if (dries && own) this.dryingPlace(work, judged, dries, ids.at(-1)!);
      before = visit.at(-1)!;
    }
  }

  /** The activities that a phase is done in, section by section. */
  private sectionsOf({ plan }: Pick<Work, "plan">, { zone }: ZoneJudgement, phaseId: string): readonly string[] {
    return this.placedIn.get(taskId(plan.id, zone.id, phaseId))!;
  }

  /** One phase, or a go section by section: the activities it is done in. */
  private visit(
    work: Work,
    piece: Piece,
    judged: ZoneJudgement,
    visit: readonly JudgedPhase[],
    was: ReadonlyMap<string, Done>,
  ): readonly string[] {
    const { plan } = work;
    const [first] = visit;
    const last = visit.at(-1)!;
    const zoneId = judged.zone.id;
    const shared = this.onceFor(piece, judged, first!) ?? this.alongWith(work, piece, judged, visit, was);
    if (shared !== undefined) return shared;
    const id = taskId(plan.id, zoneId, first!.phase.id);
    const does = visit.map(({ phase }) => ({ zoneId, phaseId: phase.id }));
    const kind: TaskKind = "zone";
    const task = {
      kind,
      plan,
      hours: hoursOf(work),
      pieceId: piece.id,
      phase: { judged, placed: first! },
      does,
      name: visitName(visit),
    };
    const fact = was.get(first!.phase.id);
    if (fact) {
      const at = this.clock.elapsed(fact.starts);
      const took = this.clock.elapsed(fact.ends) - at;
      this.add({ ...task, id, section: null, done: true }, { duration: took, uses: {}, earliest: at, latest: at });
      return [id];
    }
    const start = this.minute(plan.start);
    const from = Math.max(0, start, this.clock.elapsed(work.from ?? 0));
    const skills = new Set(visit.flatMap(({ phase }) => phase.technique.skill ?? []));
    const set = this.timeSet(plan, piece, judged, visit);
    const of = visit.length > 1 ? (first!.phase.go?.sections ?? 1) : 1;
    const duration = visit.length > 1 ? last.sectionEnds - first!.starts : handsOn(first!.phase);
    const ids: string[] = [];
    for (let at = 1; at <= of; at++) {
      const own = at === 1 ? id : `${id}#${at}`;
      const isSet = set !== undefined && at === 1;
      this.add(
        { ...task, id: own, section: of > 1 ? { at, of } : null },
        {
          duration,
          ...(duration > 0 ? this.hands(work, own, skills) : { uses: {} }),
          earliest: isSet ? Math.max(0, set) : from,
          ...(isSet ? { latest: Math.max(0, set), anyHour: true } : this.due(plan, judged, last, start)),
        },
      );
      if (at > 1)
        this.lag(
          { from: ids.at(-1)!, to: own, min: 0, max: null },
          { kind: "order", from: task.name, to: task.name, reason: "the section before", others: [] },
        );
      ids.push(own);
    }
    if (first!.phase.technique.oncePerPiece) this.once.set(onceKey(piece, judged, first!), id);
    return ids;
  }

  /** When a visit is to begin by a time that was set for it; for what is done once, on whichever zone of the piece it was set. */
  private timeSet(
    plan: Plan,
    piece: Piece,
    { zone }: ZoneJudgement,
    visit: readonly JudgedPhase[],
  ): Minutes | undefined {
    const [first] = visit;
    const shares = (other: Zone) =>
      other.id === zone.id ||
      fittedTo(piece.zones, other) === zone ||
      (first!.phase.technique.oncePerPiece && other.crustId === zone.crustId);
    const zones = new Set(piece.zones.filter(shares).map(({ id }) => id));
    for (const { zoneId, phaseId, starts } of plan.pins) {
      const placed = zones.has(zoneId) ? visit.find(({ phase }) => phase.id === phaseId) : undefined;
      // a time of a later phase of a go is as much earlier for the go
      if (placed) return this.minute(starts) - (placed.starts - first!.starts);
    }
    return undefined;
  }

  /** The activity in which this has been done for another zone of the piece: drawers are taken out once, a mix rests once. */
  private onceFor(piece: Piece, judged: ZoneJudgement, placed: JudgedPhase): string[] | undefined {
    const { phase } = placed;
    if (!phase.technique.oncePerPiece) return undefined;
    const id = this.once.get(onceKey(piece, judged, placed));
    const task = id === undefined ? undefined : this.tasks.get(id);
    if (task) task.does = [...task.does, { zoneId: judged.zone.id, phaseId: phase.id }];
    return task && [task.id];
  }

  /** The activities of the zone that this one stays fitted to, where they are the same work: they take that much longer. */
  private alongWith(
    { plan }: Work,
    { zones }: Piece,
    { zone }: ZoneJudgement,
    visit: readonly JudgedPhase[],
    was: ReadonlyMap<string, Done>,
  ): readonly string[] | undefined {
    const host = fittedTo(zones, zone);
    if (!host || visit.some(({ phase }) => was.has(phase.id))) return undefined;
    const ids = this.placedIn.get(taskId(plan.id, host.id, visit[0]!.phase.id));
    const tasks = ids?.map((id) => this.tasks.get(id)!);
    if (!ids || tasks!.some(({ done }) => done)) return undefined;
    const hostDoes = new Set(tasks![0]!.does.map(({ phaseId }) => phaseId));
    if (!visit.every(({ phase }) => hostDoes.has(phase.id))) return undefined;
    // the tools are out already
    const more = visit.reduce((sum, { phase }) => sum + Math.max(0, handsOn(phase) - phase.technique.setUp), 0);
    for (const task of tasks!) {
      task.does = [...task.does, ...visit.map(({ phase }) => ({ zoneId: zone.id, phaseId: phase.id }))];
      const at = this.activities.findIndex(({ id }) => id === task.id);
      const activity = this.activities[at]!;
      if (activity.duration > 0)
        this.activities[at] = { ...activity, duration: activity.duration + Math.ceil(more / ids.length) };
    }
    return ids;
  }

  /** The latest start that leaves a coat time to be dry to the touch when the job is due. */
  private due(plan: Plan, judged: ZoneJudgement, { phase, coat }: JudgedPhase, start: Minutes): Pick<Activity, "due"> {
    if (plan.due === undefined) return {};
    const by = this.minute(plan.due);
    const { material } = phase;
    if (!material || !coat) return { due: by - phase.hands };
    const dry = varyingLag(judged.climate, coat, openFrom("touch", material.drying.touch), start);
    return { due: dry.opensBack(by) - phase.hands };
  }

  /** The step before, and the author's own wait after it. */
  private follow(work: Work, judged: ZoneJudgement, before: JudgedPhase, placed: JudgedPhase, to: string) {
    const { coat, step } = placed.phase;
    const wait = coat === 1 ? step.wait : undefined;
    const through = ({ phase }: JudgedPhase) => this.sectionsOf(work, judged, phase.id).at(-1)!;
    const named = judged.phases.findLast(({ phase }) => phase.step.id === wait?.after);
    if (named && through(named) !== through(before))
      this.lag({ from: through(before), to, min: 0, max: null }, reasonFor("order", before, placed));
    const from = through(named ?? before);
    if (from === to) return;
    const { least, most } = boundsOf(wait);
    const nextDay = wait?.kind === "next working day" ? { varies: this.nextDay() } : {};
    this.lag(
      { from, to, min: least, max: most, ...nextDay },
      reasonFor(wait ? "author" : "order", named ?? before, placed),
    );
  }

  /** A wait for the next day of the calendar; the working hours see to the rest. */
  private nextDay(): VaryingLag {
    const { clock } = this;
    const midnightAfter = (minute: Minutes) => clock.elapsed(midnightBefore(clock.wall(minute)) + DAY);
    return {
      opens: midnightAfter,
      opensBack: (start) => clock.elapsed(midnightBefore(clock.wall(start))) - 1,
      shuts: null,
      shutsBack: () => Number.NEGATIVE_INFINITY,
    };
  }

  private demand(
    plan: Plan,
    judged: ZoneJudgement,
    demand: PlacedWait,
    placed: JudgedPhase,
    waited: Minutes,
    start: Minutes,
    [from, to]: readonly [from: string, to: string],
  ) {
    const used = gateUsed(demand, waited, this.dry.has(modeOf(plan.id, judged.zone.id, demand)));
    const gate = demand.gates[used]!;
    const label = demand.label[used]!;
    const { climate } = judged;
    const before = judged.phases.find(({ phase }) => phase.id === demand.from)!;
    const ends = { from, to };
    const reason: Reason = {
      kind: "demand",
      from: phaseName(before),
      to: phaseName(placed),
      reason: demand.reason,
      others: demand.gates.filter((other) => other !== gate),
    };
    if (climate.steady || demand.coat.leaves === "nothing") {
      this.lag({ ...ends, min: gate.opens.safe, max: gate.shuts?.safe ?? null }, reason);
      return;
    }
    const [min] = takesBetween(climate, demand.coat, label.stage, label.opens.safe);
    const max = label.shuts ? takesBetween(climate, demand.coat, label.stage, label.shuts.safe)[1] : null;
    this.lag({ ...ends, min, max, varies: varyingLag(climate, demand.coat, label, start) }, reason);
  }

  /** Where places to dry are few, a coat that dries long holds one. */
  private dryingPlace(work: Work, judged: ZoneJudgement, placed: JudgedPhase, id: string) {
    const { plan } = work;
    const places = hoursOf(work).dryingPlaces;
    const { material } = placed.phase;
    if (places === undefined || !material || !placed.coat) return;
    const dries = Math.ceil(judged.climate.takes(placed.coat, "touch", placed.ends, material.drying.touch.safe));
    if (dries < NEEDS_A_PLACE) return;
    const holds = `${id} dries`;
    this.add(
      {
        id: holds,
        kind: "drying",
        plan,
        hours: hoursOf(work),
        pieceId: this.tasks.get(id)!.pieceId,
        phase: null,
        does: [],
        section: null,
        name: `${phaseName(placed)} drying`,
      },
      { duration: dries, uses: { [PLACE]: 1 } },
    );
    this.lag(
      { from: id, to: holds, min: 0, max: 0 },
      { kind: "order", from: phaseName(placed), to: "a drying place", reason: "it has to lie somewhere", others: [] },
    );
  }

  /** Taking apart before the first coat, and putting together when all is dry to the touch. */
  piece(work: Work, piece: Piece, zones: readonly ZoneJudgement[]) {
    const { plan } = work;
    const taken = zones.filter(({ zone, phases }) => zone.hands.length > 0 && phases.length > 0);
    if (taken.length === 0) return;
    const earliest = Math.max(0, this.minute(plan.start), this.clock.elapsed(work.from ?? 0));
    const apart = apartId(plan.id, piece.id, "apart");
    const together = apartId(plan.id, piece.id, "together");
    const handling = taken.map(({ zone }) => handlingOf(zone));
    const before = handling.reduce((sum, takes) => sum + takes.before, 0);
    const after = handling.reduce((sum, takes) => sum + takes.after, 0);
    const onlyMasked = taken.every(({ zone }) => zone.hands.every((way) => way === "masked"));
    const hands = { earliest, ...this.hands(work, together) };
    const due = plan.due === undefined ? {} : { due: this.minute(plan.due) - after };
    // the first coat is on: it has been taken apart by then
    const begun = zones.some(({ zone, phases }) =>
      phases.some(({ phase }) => work.done?.some((done) => done.zoneId === zone.id && done.phaseId === phase.id)),
    );
    const whole = { plan, hours: hoursOf(work), pieceId: piece.id, phase: null, does: [], section: null };
    const [taking, fitting] = onlyMasked
      ? [`Mask ${piece.name}`, `Pull the tape off ${piece.name}`]
      : [`Take ${piece.name} apart`, `Put ${piece.name} back together`];
    if (!begun) this.add({ ...whole, id: apart, kind: "apart", name: taking }, { duration: before, ...hands });
    this.add({ ...whole, id: together, kind: "together", name: fitting }, { duration: after, ...hands, ...due });
    for (const judged of zones) {
      const first = judged.phases[0];
      const last = judged.phases.at(-1);
      if (!first || !last) continue;
      const [begins] = this.sectionsOf(work, judged, first.phase.id);
      const through = this.sectionsOf(work, judged, last.phase.id).at(-1)!;
      if (!begun && taken.includes(judged))
        this.lag(
          { from: apart, to: begins!, min: 0, max: null },
          { kind: "apart", from: "taking apart", to: phaseName(first), reason: "it is off by then", others: [] },
        );
      const { material } = last.phase;
      const dry =
        material && last.coat
          ? Math.ceil(judged.climate.takes(last.coat, "touch", last.ends, material.drying.touch.safe))
          : 0;
      this.lag(
        { from: through, to: together, min: dry, max: null },
        { kind: "apart", from: phaseName(last), to: "putting together", reason: "touch dry", others: [] },
      );
    }
  }
}

/** What other work has already, as it stands in the network: hands and drying places, and nothing else of it. */
function alreadyTaken({ taken = [], lying = [] }: Around, clock: ShopClock, crew: Crew, places: boolean): Activity[] {
  const held = (id: string, from: WallMinutes, to: WallMinutes, uses: Activity["uses"]): Activity[] => {
    const ends = clock.elapsed(to);
    const starts = Math.max(0, clock.elapsed(from));
    if (ends <= starts) return [];
    return [{ id, duration: ends - starts, uses, earliest: starts, latest: starts, anyHour: true, aside: true }];
  };
  return [
    ...taken.flatMap(({ from, to, painter }, index) => held(`taken ${index}`, from, to, crew.usesOf(painter))),
    ...(places ? lying.flatMap(({ from, to }, index) => held(`lying ${index}`, from, to, { [PLACE]: 1 })) : []),
  ];
}

/** The network of some jobs: everything that hands have to do, with the waits and windows between. */
export function networkOfWork(works: readonly Work[], dry: DryModes = new Set(), around: Around = {}): ShopNetwork {
  const begin = works.map(({ plan }) => readWallTime(plan.start)!);
  const first = [...begin, ...works.flatMap(({ done = [] }) => done.map(({ starts }) => starts))];
  const zero = works.length === 0 ? 0 : midnightBefore(Math.min(...first));
  // one shop, one clock on the wall
  const timeZone = works.map((work) => hoursOf(work).timeZone).find((zone) => zone !== undefined);
  const latest = Math.max(zero, ...begin, ...works.map(({ from = zero }) => from));
  const crew = new Crew(works, around.painters);
  const lastDay = horizonDays(works) + Math.ceil((latest - zero) / DAY);
  const builder = new Builder(new ShopClock(zero, timeZone), dry, lastDay, crew);
  for (const work of works) {
    const { plan, judgement } = work;
    for (const piece of plan.pieces) {
      const ids = new Set(piece.zones.map(({ id }) => id));
      const own = judgement.zones.filter(({ zone }) => ids.has(zone.id));
      const fitted = own.filter(({ zone }) => fittedTo(piece.zones, zone));
      // what is worked along with another zone is added to that one's work
      const zones = [...own.filter((judged) => !fitted.includes(judged)), ...fitted];
      for (const judged of zones) builder.zone(work, piece, judged);
      builder.piece(work, piece, zones);
    }
  }
  const places = works.flatMap((work) => hoursOf(work).dryingPlaces ?? []);
  const { clock, tasks, reasons, beyondAll, lags, calendars } = builder;
  return {
    clock,
    tasks,
    reasons,
    beyondAll,
    crew,
    network: {
      name: works.map(({ plan }) => plan.id).join(" "),
      calendars: calendars.length > 0 ? calendars : [[]],
      capacity: { ...crew.capacity, ...(places.length > 0 ? { [PLACE]: Math.min(...places) } : {}) },
      activities: [...builder.activities, ...alreadyTaken(around, clock, crew, places.length > 0)],
      lags,
    },
  };
}
