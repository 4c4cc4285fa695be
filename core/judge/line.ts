import type { Climate } from "../drying/climate.ts";
import { type Gate, gateVerdict, nextOpening, type Stage, typically } from "../drying/gate.ts";
import type { DryingCoat } from "../drying/law.ts";
import type { Material } from "../materials/material.ts";
import type { HouseRules } from "../plan/house-rules.ts";
import { RELIEF_CLASSES, type Relief, type Zone } from "../plan/plan.ts";
import type { Room } from "../plan/room.ts";
import { boundsFrom } from "../plan/wait.ts";
import { seen as seenOf } from "../rules/read-surface.ts";
import {
  type Demand,
  type Draft,
  type Finding,
  type Finish,
  type Rule,
  SEVERITY_ORDER,
  type Seam,
  type TimedPhase,
  type Top,
  type Wait,
} from "../rules/rule.ts";
import { capital, named } from "../rules/words.ts";
import { coatOf, type Film } from "../surface/film.ts";
import { absorbencyOf, groundAt } from "../surface/ground-state.ts";
import { asGo, inOneGo, LONGEST_PAUSE } from "../surface/one-go.ts";
import type { Phase } from "../surface/phase.ts";
import { EVERYWHERE, type Region, sameRegion } from "../surface/places.ts";
import type { Stack } from "../surface/stack.ts";
import { apply, patchesWhere, type Surface } from "../surface/surface.ts";
import type { Technique } from "../surface/technique.ts";
import { asFarAsNeeded } from "../surface/until.ts";
import { sayDuration } from "../units/duration.ts";
import type { Instant, Minutes, Share } from "../units/units.ts";
import { asSeen, byTheWall, type Facts } from "./facts.ts";
import { onOneSection, sectionsOf } from "./sections.ts";

/**
 * A wait as it was placed: its gates are in minutes of the room's air, and it can be worked out again for another
 * beginning.
 */
export interface PlacedWait extends Wait {
  /** the gates in minutes of standard air, and what the coat waited for dries by */
  label: readonly Gate[];
  coat: DryingCoat;
}

/** A phase on the nominal line, with the waits that hold it back. */
export interface JudgedPhase extends TimedPhase {
  /** when it ends on the first section of its go; the same as `ends` where it is no part of one */
  sectionEnds: Instant;
  demands: readonly PlacedWait[];
  /** how what it lays dries; null where it lays nothing */
  coat: DryingCoat | null;
}

/** What a line is judged by: everything but its phases. */
export interface JudgedBy {
  zone: Zone;
  crustId: string;
  houseRules: HouseRules;
  room: Room;
  climate: Climate;
  rules: SortedRules;
  /** what has been done, by phase */
  facts: Facts;
  /** what is still to do begins no earlier; null where the time of day has no part in it */
  now: Instant | null;
}

/** Rules sorted by what they look at: for a kind of phase, those that could speak at all, and those of the finish. */
export interface SortedRules {
  for(phase: Phase): readonly Rule[];
  finish: readonly Rule[];
  /** for each rule, the ones it silences where it speaks */
  silences: ReadonlyMap<string, readonly string[]>;
}

function couldSpeak({ looksAt, when }: Rule, phase: Phase): boolean {
  if (!looksAt.includes(phase.ruledAs)) return false;
  if (!when) return true;
  if (phase.material && when.lays?.includes(phase.material.role)) return true;
  return when.does?.some((does) => phase.does.has(does)) ?? false;
}

export function sorted(rules: readonly Rule[]): SortedRules {
  const known = new Map<Technique, Map<Material["role"] | null, readonly Rule[]>>();
  return {
    for(phase) {
      const { technique, material } = phase;
      let byRole = known.get(technique);
      if (!byRole) {
        byRole = new Map();
        known.set(technique, byRole);
      }
      const role = material === null ? null : material.role;
      let found = byRole.get(role);
      if (!found) {
        found = rules.filter((rule) => couldSpeak(rule, phase));
        byRole.set(role, found);
      }
      return found;
    },
    finish: rules.filter((rule) => rule.looksAt.includes("finish")),
    silences: new Map(
      rules.filter((rule) => rule.meta.subsumes.length > 0).map((rule) => [rule.meta.id, rule.meta.subsumes]),
    ),
  };
}

const phaseOf = (stack: Stack) => stack?.film.phaseId ?? null;
/** A film that paper has been over is another top than the same film beside it. */
const sameTop = (a: Stack, b: Stack) => phaseOf(a) === phaseOf(b) && (a === null || a.film.keyed === b!.film.keyed);
const samePair = (a: Stack, b: Stack) => sameTop(a, b) && sameTop(a?.below ?? null, b?.below ?? null);

/** Tops with those that are alike counted as one, in the order in which they come. */
function counted(tops: Iterable<Top>, alike: (a: Stack, b: Stack) => boolean): Top[] {
  const found: Top[] = [];
  for (const { stack, share } of tops) {
    if (share <= 0) continue;
    let at = 0;
    while (at < found.length && !alike(found[at]!.stack, stack)) at++;
    if (at < found.length) found[at]!.share += share;
    else found.push({ stack, share });
  }
  return found;
}

function* patchesUnder(surface: Surface, zone: Zone, region: Region): Generator<Top> {
  for (const relief of RELIEF_CLASSES)
    for (const { stack, share } of patchesWhere(surface, relief, region))
      yield { stack, share: zone.relief[relief] * share };
}

/** What lies on top where a phase goes, each film once, with its share of the zone. */
export const topsUnder = (surface: Surface, zone: Zone, region: Region): Top[] =>
  counted(patchesUnder(surface, zone, region), sameTop);

/** Under this share of the zone a film on top holds nothing up. */
const SPECK: Share = 0.01;

function filmsOf(tops: readonly Top[]): { film: Film; share: Share }[] {
  const films: { film: Film; share: Share }[] = [];
  for (const { stack, share } of tops) if (stack !== null && share >= SPECK) films.push({ film: stack.film, share });
  return films;
}

interface Tops {
  region: Region;
  relief: Relief;
  tops: readonly Top[];
  seen: readonly Top[];
  pairs: readonly Top[];
  films: readonly { film: Film; share: Share }[];
}

const lastTops = new WeakMap<Surface["patches"], Tops>();

const sameRelief = (a: Relief, b: Relief) =>
  a === b || (a.arris === b.arris && a.field === b.field && a.high === b.high && a.recess === b.recess);

/**
 * When a phase may start: the painter is free, the author's wait is over, and a gate of every demand is open, if it
 * can be before that wait has to end.
 */
function place(
  { least, most }: { least: Instant; most: Instant | null },
  demands: readonly PlacedDemand[],
  endsOf: ReadonlyMap<string, Instant>,
): Instant {
  let start = least;
  for (let pushed = true; pushed; ) {
    pushed = false;
    for (const demand of demands) {
      const from = endsOf.get(demand.from)!;
      const opening = nextOpening(demand.gates, start - from);
      if (opening !== null && from + opening > start) {
        start = from + opening;
        pushed = true;
      }
    }
  }
  return most === null ? start : Math.min(start, Math.max(least, most));
}

const lastShut = (gates: readonly Gate[]): Minutes =>
  Math.max(...gates.map(({ shuts }) => shuts?.safe ?? Number.POSITIVE_INFINITY));
/** From when a wait that may be kept wet or dry is kept dry. */
const opening = ({ gates }: PlacedDemand): Minutes => gates.at(-1)!.opens.safe;

type PlacedDemand = { -readonly [Key in keyof PlacedWait]: PlacedWait[Key] } & Demand;

/** What is said of a wait that is typical, but not on the careful side. */
const withNothingToSpare = (draft: Draft): Draft => ({
  ...draft,
  severity: "note",
  title: "A wait like this is usual, with nothing to spare",
});

/** The wait without what would be said of it: a judgement is kept long, and must not keep every surface alive. */
const bare = ({ rule, from, to, lower, gates, reason, label, coat }: PlacedDemand): PlacedWait => ({
  rule,
  from,
  to,
  lower,
  gates,
  reason,
  label,
  coat,
});

/** What waits for work that lays nothing goes by the clock alone. */
const BY_THE_CLOCK: DryingCoat = { leaves: "nothing", load: 1, drawnBy: 0, warmed: 0 };

interface SharedLook {
  phase: Phase;
  free: Instant;
  misted: Instant | null;
  houseRules: HouseRules;
  room: Room;
  relief: Relief;
  at: Instant;
  demands: Map<Rule, readonly Demand[]>;
  checks: Map<Rule, readonly Draft[]>;
}

const lastLooks = new WeakMap<Surface["patches"], SharedLook>();

/** Whether what a rule says here holds for every zone with the same films: it has declared what it depends on. */
function holdsForAll({ dependsOn }: Rule, { tops }: Seam): boolean {
  return dependsOn === "films" || (dependsOn === "bare ground" && tops.every(({ stack }) => stack !== null));
}

/** Asks a rule, unless it has already said what it says for every zone with the same films. */
function askOnce<Said>(
  said: Map<Rule, readonly Said[]> | undefined,
  rule: Rule,
  seam: Seam,
  ask: (seam: Seam) => readonly Said[],
): readonly Said[] {
  if (said === undefined || !holdsForAll(rule, seam)) return ask(seam);
  const known = said.get(rule);
  if (known) return known;
  const fresh = ask(seam);
  said.set(rule, fresh);
  return fresh;
}

/** A go is begun later at most so often before it is taken as it comes. */
const MOST_TRIES = 2;

/** What goes into each other wet when it is worked in one go; a clear coat or wax on wet paint is none of it. */
const WET_TOGETHER: ReadonlySet<Material["role"]> = new Set(["paint", "tint-base", "stain", "glaze", "medium"]);

/** Whether a wait for a film to dry does not hold because the two are worked into each other wet, in one go. */
function meansWet({ go, material, technique }: Phase, { from, gates }: Demand, { films }: Seam): boolean {
  if (!go?.ids.includes(from) || gates.some(({ shuts }) => shuts !== null)) return false;
  const below = films.find(({ film }) => film.phaseId === from)?.film.material;
  if (!below) return false;
  if (material === null) return technique.goesWith.includes(below.role);
  if (below.role === "tissue" || below.role === "crumb" || below.role === "leaf") return true;
  if (below.carrier !== material.carrier) return false;
  return below.role === material.role || (WET_TOGETHER.has(below.role) && WET_TOGETHER.has(material.role));
}

/** The surface is remembered every so many phases, so that judging again need not begin at the ground. */
const REMEMBER_EVERY = 8;

/**
 * One zone's nominal line in progress: phases are placed, folded onto the surface and checked one after the other. It
 * can be resumed from what an earlier line left.
 */
export class Line {
  findings: Map<string, Finding> = new Map();
  readonly phases: JudgedPhase[] = [];
  /** surfaces before the phase of that index */
  readonly remembered: { at: number; surface: Surface }[] = [];
  private endsOf = new Map<string, Instant>();
  private readonly stepEnds = new Map<string, Instant>();
  private readonly coats = new Map<string, DryingCoat>();
  free: Instant = 0;
  /** the longest that a phase of the go at hand had to wait for what lay there before it */
  private heldBack: Minutes = 0;

  constructor(
    private readonly bench: JudgedBy,
    public surface: Surface,
  ) {}

  /** Takes over the first phases of an earlier line, with what was found at their steps. */
  resume(phases: readonly JudgedPhase[], remembered: Line["remembered"], findings: Iterable<Finding>) {
    for (const finding of findings) this.findings.set(finding.id, finding);
    let from = 0;
    for (const memory of remembered) {
      if (memory.at > phases.length) break;
      this.remembered.push(memory);
      this.surface = memory.surface;
      from = memory.at;
    }
    for (let at = 0; at < phases.length; at++) {
      const { phase, starts, ends, coat } = phases[at]!;
      if (at >= from) this.surface = apply(this.surface, phase, starts);
      this.endsOf.set(phase.id, ends);
      this.stepEnds.set(phase.step.id, ends);
      if (coat) this.coats.set(phase.id, coat);
      this.free = ends;
      this.phases.push(phases[at]!);
    }
  }

  /**
   * Places and checks a phase, and passes on what the rules say of it; nothing is laid. What similar zones share may
   * be passed in.
   */
  look(
    phase: Phase,
    say: (rule: string, draft: Draft) => void,
    shared: SharedLook | null = null,
  ): { starts: Instant; demands: readonly PlacedDemand[] } {
    const seam = this.seam(phase);
    const all = this.bench.rules.for(phase);
    const rules = seam.tops.length > 0 ? all : all.filter(({ evenWhereNothingIs }) => evenWhereNothingIs);
    const demands: PlacedDemand[] = [];
    for (const rule of rules)
      if (rule.demands)
        for (const demand of askOnce(shared?.demands, rule, seam, rule.demands))
          if (!meansWet(phase, demand, seam)) demands.push(this.inThisRoom(demand, seam));
    const fact = this.bench.facts.get(phase.id);
    const starts = fact ? fact.starts : place(this.allowed(phase), demands, this.endsOf);
    this.heldBack = Math.max(this.heldBack, this.heldBackFromBefore(phase, starts, demands));
    for (const demand of demands) {
      const waited = starts - this.endsOf.get(demand.from)!;
      const verdict = gateVerdict(demand.gates, waited);
      if (verdict === "open") continue;
      const { gates, label } = demand;
      const draft = demand.tell({ verdict, waited, gates, label, dried: this.driedSince(demand, starts) });
      // between what is typical and the careful side it usually goes well: the painter's own wait stands
      const usual = gateVerdict(gates, waited, "typical") === "open";
      if (usual) {
        demand.gates = gates.map(typically);
        demand.label = label.map(typically);
      }
      const against = verdict === "late" && !usual ? this.excluding(phase, demand, demands) : null;
      if (draft && against) say(demand.rule, this.asClash(draft, demand, against, seam));
      else if (draft) say(demand.rule, usual ? withNothingToSpare(draft) : draft);
    }
    seam.at = starts;
    if (shared && shared.at !== starts) {
      shared.at = starts;
      shared.checks.clear();
    }
    for (const rule of rules)
      if (rule.check && !(rule.onFirstCoat && phase.coat > 1))
        for (const draft of askOnce(shared?.checks, rule, seam, rule.check)) say(rule.meta.id, draft);
    return { starts, demands };
  }

  /** A wait of another rule at the same step without which this one would be kept; null where it is nobody's but the author's. */
  private excluding(phase: Phase, demand: PlacedDemand, demands: readonly PlacedDemand[]): PlacedDemand | null {
    const from = this.endsOf.get(demand.from)!;
    for (const other of demands) {
      if (other.rule === demand.rule || opening(other) === 0) continue;
      const alone = demands.filter((demand) => demand !== other);
      const starts = place(this.allowed(phase), alone, this.endsOf);
      if (gateVerdict(demand.gates, starts - from) === "open") return other;
    }
    return null;
  }

  /** What is said of two waits that cannot both be kept: both, and what would free either. */
  private asClash(draft: Draft, demand: PlacedDemand, against: PlacedDemand, { films }: Seam): Draft {
    const nameOf = ({ from }: PlacedDemand) => {
      const film = films.find((film) => film.film.phaseId === from)?.film;
      return film ? `the ${named(film.material)}` : "the step before";
    };
    const { gates, label } = against;
    const free = against.tell({ verdict: "early", waited: 0, gates, label, dried: () => 0 });
    return {
      ...draft,
      title: `This ${draft.severity === "stop" ? "will" : "may"} miss one of two windows`,
      because: `"${capital(demand.reason)}" ends ${sayDuration(lastShut(demand.gates))} after ${nameOf(demand)}; "${against.reason}" begins ${sayDuration(opening(against))} after ${against.from === demand.from ? "it" : nameOf(against)}.`,
      part: "clash",
      fixes: (place) => [...(draft.fixes?.(place) ?? []), ...(free?.fixes?.(place) ?? [])],
    };
  }

  /** Places, checks and lays phases in turn; those of a go together, on one section after the other. */
  takeAll(phases: readonly Phase[]) {
    for (let at = 0; at < phases.length; ) {
      const { go, id } = phases[at]!;
      const { facts, now } = this.bench;
      if (now !== null && !facts.has(id)) this.free = Math.max(this.free, now);
      // of a go that was begun, what is left is worked as it comes
      const together = go && !go.ids.some((id) => facts.has(id)) ? phases.slice(at, at + go.ids.length) : [];
      if (together.length > 0) this.takeGo(together);
      else this.take(phases[at]!);
      at += Math.max(1, together.length);
    }
  }

  /** All sections of a go: begun only when each of its phases can follow the one before without a pause for what lies beneath. */
  private takeGo(go: readonly Phase[]) {
    const { zone, climate } = this.bench;
    const before = { surface: this.surface, findings: new Map(this.findings), endsOf: new Map(this.endsOf) };
    const [count, memories] = [this.phases.length, this.remembered.length];
    const { free } = this;
    for (let begins = free, tries = 0; ; tries++) {
      this.free = begins;
      this.heldBack = 0;
      const sections = sectionsOf(go, zone, climate, begins);
      for (const phase of onOneSection(go, sections)) this.take(phase);
      const late = this.heldBack > 0 && tries < MOST_TRIES;
      const breaks = late
        ? -1
        : this.phases.findIndex((_, index) => index > count && this.pauseBefore(index) > LONGEST_PAUSE);
      if (!late && breaks < 0) return this.throughAllSections(count, sections);
      begins += this.heldBack;
      this.surface = before.surface;
      this.findings = new Map(before.findings);
      this.endsOf = new Map(before.endsOf);
      this.phases.length = count;
      this.remembered.length = memories;
      if (breaks < 0) continue;
      // with a pause like that it is two
      this.free = free;
      this.takeAll(asGo(go.slice(0, breaks - count)));
      return this.takeAll(asGo(go.slice(breaks - count)));
    }
  }

  private pauseBefore(at: number): Minutes {
    return this.phases[at]!.starts - this.phases[at - 1]!.sectionEnds;
  }

  /** The first section is done: so are the others after it, and what comes next waits for the last. */
  private throughAllSections(from: number, sections: number) {
    const others = (sections - 1) * (this.free - this.phases[from]!.starts);
    for (let at = from; at < this.phases.length; at++) {
      const placed = this.phases[at]!;
      const ends = placed.sectionEnds + others;
      this.phases[at] = { ...placed, ends };
      this.endsOf.set(placed.phase.id, ends);
      this.stepEnds.set(placed.phase.step.id, ends);
    }
    this.free += others;
  }

  /** How much longer a phase inside a go waits for what lay there before the go was begun. */
  private heldBackFromBefore(phase: Phase, starts: Instant, demands: readonly PlacedDemand[]): Minutes {
    if (!phase.go || phase.go.ids[0] === phase.id) return 0;
    const inside = demands.filter(({ from }) => inOneGo(phase, from));
    return inside.length === demands.length ? 0 : starts - place(this.allowed(phase), inside, this.endsOf);
  }

  /** From when to when the painter and the author's own wait allow a phase to start. */
  private allowed({ coat, step: { wait } }: Phase): { least: Instant; most: Instant | null } {
    if (coat > 1 || wait === undefined) return { least: this.free, most: null };
    const from = (wait.after !== undefined && this.stepEnds.get(wait.after)) || this.free;
    const { least, most } = boundsFrom(wait, from, this.bench.climate.zero);
    return { least: Math.max(this.free, from + least), most: most === null ? null : from + most };
  }

  /** A phase as it turns out on this surface: what is worked until something shows takes the passes that this needs. */
  private asItTurnsOut(phase: Phase): Phase {
    if (phase.step.effort?.until === undefined) return phase;
    const { starts } = this.look(phase, () => {});
    return asFarAsNeeded(phase, this.surface, starts, this.bench.zone);
  }

  /** Places, checks and lays one phase. */
  take(planned: Phase) {
    const fact = this.bench.facts.get(planned.id);
    if (fact) this.free = fact.starts;
    const phase = this.asItTurnsOut(planned);
    if (this.phases.length % REMEMBER_EVERY === 0)
      this.remembered.push({ at: this.phases.length, surface: this.surface });
    const { starts, demands } = this.look(
      phase,
      (rule, draft) => this.note(rule, phase.step.id, draft),
      this.sharedLook(phase),
    );
    const coat = this.coatLaid(phase);
    this.surface = apply(this.surface, phase, starts);
    this.free = fact ? fact.ends : starts + phase.hands;
    this.endsOf.set(phase.id, this.free);
    this.stepEnds.set(phase.step.id, this.free);
    if (coat) this.coats.set(phase.id, coat);
    this.phases.push({ phase, starts, ends: this.free, sectionEnds: this.free, demands: demands.map(bare), coat });
  }

  /** A rule's wait in the air of the room, for the coat that it waits for. */
  private inThisRoom(demand: Demand, seam: Seam): PlacedDemand {
    const known = this.coats.get(demand.from) ?? BY_THE_CLOCK;
    const warmed = seam.films.find(({ film }) => film.phaseId === demand.from)?.film.coat.warmed ?? 0;
    const coat = warmed > 0 ? { ...known, warmed } : known;
    const byClock = this.bench.climate.gates(demand.gates, coat, this.endsOf.get(demand.from)!);
    const gates = asSeen(byClock, this.bench.facts.get(demand.from));
    const label = gates === byClock ? demand.gates : byTheWall(gates);
    const { rule, from, to, lower, reason, tell } = demand;
    return { rule, from, to, lower, gates, reason, tell, label, coat };
  }

  private driedSince({ from, coat }: PlacedDemand, at: Instant): (stage: Stage) => Minutes {
    return (stage) => this.bench.climate.dried(coat, stage, this.endsOf.get(from)!, at);
  }

  /** What a phase lays, as it dries here: on a bare ground, what the ground soaks up counts. */
  private coatLaid(phase: Phase): DryingCoat | null {
    if (phase.material === null) return null;
    let drawn = 0;
    for (const { stack, share } of this.tops(phase.where).tops)
      drawn += share * absorbencyOf(stack, this.surface.ground);
    const whole = this.tops(phase.where).tops.reduce((sum, { share }) => sum + share, 0);
    return coatOf(phase, phase.material, whole > 0 ? drawn / whole : 0);
  }

  /** What the rules say of the whole stack. */
  finish() {
    const last = this.phases.at(-1);
    if (!last) return;
    const finish: Finish = {
      zone: this.bench.zone,
      houseRules: this.bench.houseRules,
      room: this.bench.room,
      after: this.surface,
      tops: topsUnder(this.surface, this.bench.zone, EVERYWHERE),
      past: this.phases,
    };
    for (const rule of this.bench.rules.finish)
      for (const draft of rule.finish?.(finish) ?? []) this.note(rule.meta.id, last.phase.step.id, draft, true);
  }

  /**
   * What lies on top; looked up once for everything tried on the same surface, and for zones with the same relief.
   */
  private tops(region: Region): Tops {
    const { zone } = this.bench;
    const known = lastTops.get(this.surface.patches);
    if (known && sameRegion(known.region, region) && sameRelief(known.relief, zone.relief)) return known;
    const pairs = counted(patchesUnder(this.surface, zone, region), samePair);
    const tops = counted(pairs, sameTop);
    const found: Tops = {
      region,
      relief: zone.relief,
      tops,
      seen: seenOf(tops),
      pairs: seenOf(pairs),
      films: filmsOf(tops),
    };
    lastTops.set(this.surface.patches, found);
    return found;
  }

  /** The surface with its ground as it is where a phase goes. */
  private whereItGoes({ where }: Phase): Surface {
    const { surface } = this;
    const ground = groundAt(surface.ground, where);
    return ground === surface.ground ? surface : { ...surface, ground };
  }

  private seam(phase: Phase): Seam {
    const { zone, houseRules, room, climate } = this.bench;
    const { tops, seen, pairs, films } = this.tops(phase.where);
    return {
      zone,
      houseRules,
      room,
      climate,
      phase,
      before: this.whereItGoes(phase),
      tops,
      seen,
      pairs,
      films,
      relief: zone.relief,
      at: this.free,
      past: this.phases,
    };
  }

  /** What was said of this phase on this surface before, by rules that depend on neither zone nor ground here. */
  private sharedLook(phase: Phase): SharedLook {
    const { houseRules, room, zone } = this.bench;
    const { patches, misted } = this.surface;
    const known = lastLooks.get(patches);
    if (
      known &&
      known.phase === phase &&
      known.free === this.free &&
      known.misted === misted &&
      known.houseRules === houseRules &&
      known.room === room &&
      sameRelief(known.relief, zone.relief)
    )
      return known;
    const fresh: SharedLook = {
      phase,
      free: this.free,
      misted,
      houseRules,
      room,
      relief: zone.relief,
      at: this.free,
      demands: new Map(),
      checks: new Map(),
    };
    lastLooks.set(patches, fresh);
    return fresh;
  }

  /** Signs a draft; of the same rule at the same step the worst is kept. */
  private note(rule: string, stepId: string, draft: Draft, surface = false) {
    const { zone, crustId } = this.bench;
    const { severity, title, because, schools, lower, part, fixes } = draft;
    const id = part === undefined ? `${zone.id}/${stepId}/${rule}` : `${zone.id}/${stepId}/${rule}/${part}`;
    const known = this.findings.get(id);
    if (known && SEVERITY_ORDER[known.severity] <= SEVERITY_ORDER[severity]) return;
    // written out, because spreading is several times slower here
    const zoneId = zone.id;
    this.findings.set(id, {
      id,
      rule,
      zoneId,
      crustId,
      stepId,
      surface,
      severity,
      title,
      because,
      schools,
      lower,
      part,
      fixes,
    });
  }
}
