import { colourDifference } from "../colour/difference.ts";
import { applyCommands } from "../edit/apply.ts";
import type { Command } from "../edit/command.ts";
import { factsOf } from "../judge/facts.ts";
import { judgeZones, shelfOf, type ZoneJudgement } from "../judge/judge.ts";
import { coloursSeen } from "../judge/look.ts";
import type { Material } from "../materials/material.ts";
import { watered } from "../plan/mix.ts";
import { findCrust, findZone, type Plan, type Step } from "../plan/plan.ts";
import { choose, insertAt, type NewStep, ofFamily } from "../rules/repair.ts";
import type { RepairBasis, Severity } from "../rules/rule.ts";
import type { Minutes, WallMinutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import type { Trouble } from "./event.ts";
import { ownCrust } from "./own-crust.ts";

// What can go wrong while hands are wet, and the ways on from the surface as it is (common practice). A way is an edit of what
// still lies ahead, tried and judged before it is offered: with what it costs in time, and what it does to the look.

/** How a trouble is said on a press. */
export const TROUBLE_WORDS: Record<Trouble, string> = {
  "too dark": "Too dark or too strong",
  "too pale": "Too pale or harsh",
  "too thick": "Too thick",
  "took off too much": "Took off too much",
  lifted: "The layer beneath lifted",
  "missed patch": "Missed a patch",
  "not drying": "Will not dry",
  "will not crack": "Will not crack",
  runs: "Runs and drips",
  "stray size": "Stray size or leaf",
  "torn tissue": "Torn tissue",
  "speckle too strong": "Speckle too strong",
  "shed bristle": "A bristle or a hair in it",
  "smudged edge": "Smudged edge",
  "ran out": "Ran out of it",
  "changed my mind": "I changed my mind",
};

/** One way on. */
export interface Way {
  id: string;
  label: string;
  says: string;
  /** edits of the plan; none where nothing is added to it */
  commands: readonly Command[];
  /** minutes it is given before anybody looks again */
  waits: Minutes | null;
  /** how much later the zone is done */
  costs: Minutes;
  /** the worst that is said because of it; null where nothing is */
  severity: Severity | null;
  warning: string | null;
  /** what it does to the finished look */
  look: string | null;
}

interface Idea {
  id: string;
  label: string;
  says: string;
  steps?: (place: RepairBasis, on: Ground) => readonly NewStep[];
  /** another change of what lies ahead */
  commands?: (place: RepairBasis, on: Ground) => Command[];
  waits?: Minutes;
  /** only where this holds */
  when?: (on: Ground) => boolean;
}

/** Where the trouble is: the step, and what it laid or worked. */
interface Ground {
  step: Step;
  material: Material | null;
  /** the last layer of colour beneath */
  below: Material | null;
  /** still wet enough to be moved */
  open: boolean;
  plan: Plan;
}

const WIPED: ReadonlySet<Material["role"]> = new Set(["glaze", "paint", "tint-base", "stain"]);
const canBeWiped = ({ open, material }: Ground) => open && material !== null && WIPED.has(material.role);
const isWax = ({ material }: Ground) => material?.role === "wax";
const isDryFilm = (on: Ground) => !isWax(on) && on.material !== null;
const lays = ({ material }: Ground) => material !== null;
const somewhere = (share: number): Step["where"] => ({ on: "everywhere", over: share });

const WIPE: Idea = {
  id: "wipe",
  label: "Wipe it back now",
  says: "While it is open: damp takes more than dry. Look again after each pass.",
  when: canBeWiped,
  steps: () => [{ how: "wipe-back" }],
};
const SAND: Idea = {
  id: "sand",
  label: "Let it dry, then rub it down",
  says: "320 paper, lightly, when it no longer clogs.",
  when: isDryFilm,
  steps: () => [{ how: "sand-320" }],
};
const TOUCH_UP: Idea = {
  id: "touch-up",
  label: "Touch it up when it is dry",
  says: "A small brush, only on the spot, with what belongs there.",
  when: ({ material, below }) => (material ?? below) !== null && TOUCHED.has((material ?? below)!.role),
  steps: (_, { material, below }) => [{ how: "touch-up", what: (material ?? below)!, where: somewhere(0.05) }],
};
const TOUCHED: ReadonlySet<Material["role"]> = new Set(["paint", "tint-base", "leaf", "glaze", "primer"]);
const LEAVE: Idea = {
  id: "leave",
  label: "Leave it and look again when it is dry",
  says: "Wet shows darker than dry, and harsher. Judge it matt, in raking light.",
  waits: 60,
};
const ONCE_MORE: Idea = {
  id: "once-more",
  label: "One more coat",
  says: "The same again, as soon as this one allows it.",
  when: lays,
  commands: ({ crust }, { step }) => [
    { do: "patch step", crustId: crust.id, stepId: step.id, patch: { coats: Math.min(12, step.coats + 1) } },
  ],
};
const COVER: Idea = {
  id: "cover",
  label: "Lay the colour beneath over it again",
  says: "One coat of the layer below, then go on from there.",
  when: ({ below, material }) => below !== null && below !== material,
  steps: (_, { below }) => [{ how: "brush", what: below! }],
};
const HOLD: Idea = {
  id: "hold",
  label: "Let it dry, hold it with a clear coat, go on",
  says: "A thin barrier, so that the next rag does not go through again.",
  when: ({ material }) => material?.role !== "wax",
  steps: ({ shelf }) => {
    const clear = ofFamily(shelf, "water-borne clear coat");
    return clear ? [{ how: "brush", what: clear }] : [];
  },
};
const nothing = (id: string, label: string, says: string, waits?: Minutes): Idea => ({
  id,
  label,
  says,
  ...(waits === undefined ? {} : { waits }),
});

/** The ways on from each trouble, the gentlest first. */
const IDEAS: Record<Trouble, readonly Idea[]> = {
  "too dark": [
    WIPE,
    {
      id: "erase",
      label: "Lift it with a little clear wax",
      says: "Clear wax on a clean cloth takes tinted wax with it. Turn the cloth at every pass.",
      when: isWax,
      steps: ({ shelf }) => {
        const clear = choose(shelf, ({ family }) => family === "clear wax");
        return clear ? [{ how: "erase-wax" }] : [];
      },
    },
    LEAVE,
    {
      id: "veil",
      label: "Veil it with a thin wash of the colour beneath",
      says: "One part to three of water over about half, when it is dry.",
      when: ({ below, material }) => below !== null && below.role === "paint" && material?.role !== "wax",
      commands: (place, { below, step }) => veil(place, step, below!),
    },
    SAND,
    COVER,
  ],
  "too pale": [
    LEAVE,
    ONCE_MORE,
    {
      id: "dark-wax",
      label: "Bring it down with tinted wax at the end",
      says: "Over clear wax, in the recesses, wiped off the flats.",
      when: ({ plan, step }) => plan.crusts.some(({ steps }) => steps.includes(step)) && step.kind !== "help",
      steps: ({ shelf }) => {
        const dark = choose(shelf, ({ family }) => family === "tinted wax");
        const clear = choose(shelf, ({ family }) => family === "clear wax");
        return dark && clear
          ? [
              { how: "wax", what: clear },
              { how: "wax", what: dark, where: { on: "recess", over: 1 } },
            ]
          : [];
      },
    },
    SAND,
  ],
  "too thick": [
    WIPE,
    {
      id: "soften",
      label: "Draw it out with a dry brush",
      says: "Tips only, now, while it moves.",
      when: ({ open, material }) => open && (material?.role === "glaze" || material?.role === "paint"),
      steps: () => [{ how: "soften" }],
    },
    nothing("wait-longer", "Give it longer", "A thick coat dries with the square of its thickness.", 120),
    SAND,
  ],
  "took off too much": [
    TOUCH_UP,
    COVER,
    ONCE_MORE,
    nothing("keep", "Keep it: it will pass for wear", "Step back three paces before you decide."),
  ],
  lifted: [
    nothing(
      "stop",
      "Stop, and let all of it dry",
      "Do not rub on: every stroke opens more. Judge it when it is dry.",
      120,
    ),
    TOUCH_UP,
    HOLD,
    SAND,
  ],
  "missed patch": [
    TOUCH_UP,
    ONCE_MORE,
    nothing("now", "Lay it in now", "If the edge is still wet, feather it in; if not, let it dry first."),
  ],
  "not drying": [
    nothing("ten", "Ten more minutes", "Then look again.", 10),
    nothing("hour", "An hour more", "Cold and damp air holds it back: warm the room, and air it.", 60),
    {
      id: "dryer",
      label: "Help it with a hair-dryer",
      says: "A hand's breadth away, always moving, until it no longer feels cold.",
      when: ({ material }) => material?.carrier === "water",
      steps: () => [{ how: "hair-dryer" }],
    },
    nothing("tomorrow", "Leave it until tomorrow", "Nothing is lost by it but the time.", 960),
  ],
  "will not crack": [
    {
      id: "warm",
      label: "Warm it with a hair-dryer",
      says: "Gently, once the top has lost its shine: heat before that makes coarse cracks.",
      steps: () => [{ how: "hair-dryer" }],
    },
    {
      id: "again",
      label: "Lay medium and top coat once more",
      says: "When it is dry. A thicker film of medium gives wider cracks.",
      steps: ({ shelf, crust }, { material }) => {
        const medium = choose(
          shelf,
          ({ id, role }) => role === "medium" && crust.steps.some(({ what }) => what === id),
        );
        return medium && material
          ? [
              { how: "brush", what: medium },
              { how: "brush", what: material, intents: ["cracks"] },
            ]
          : [];
      },
    },
    { ...SAND, id: "without", label: "Go on without cracks, and rub it worn instead" },
  ],
  runs: [
    nothing("brush-out", "Brush it out now", "Dry brush, tips only, upwards; only while it is wet."),
    {
      ...SAND,
      id: "level",
      label: "Let it dry, level it, touch it up",
      steps: (place, on) => [
        { how: "sand-220", where: somewhere(0.1) },
        ...(TOUCH_UP.when!(on) ? TOUCH_UP.steps!(place, on) : []),
      ],
    },
  ],
  "stray size": [
    {
      id: "off",
      label: "Brush the loose leaf off",
      says: "Soft brush, then a barely damp cloth for stray size while it is soft.",
      steps: () => [{ how: "leaf-off" }],
    },
    TOUCH_UP,
    COVER,
  ],
  "torn tissue": [
    {
      id: "patch",
      label: "Lay a torn scrap over it",
      says: "Torn, not cut, into a little wet clear coat; its edge vanishes.",
      when: ({ material }) => material?.role === "tissue",
      steps: (_, { material }) => [{ how: "lay-tissue", what: material!, where: somewhere(0.05) }],
    },
    TOUCH_UP,
    nothing("keep", "Keep it: paper that old is torn", "Press the edge down through plastic sheet."),
  ],
  "speckle too strong": [
    WIPE,
    {
      id: "veil",
      label: "Veil it with a thin wash of the colour beneath",
      says: "One part to three of water over about half, when it is dry.",
      when: ({ below }) => below !== null && below.role === "paint",
      commands: (place, { below, step }) => veil(place, step, below!),
    },
    SAND,
  ],
  "shed bristle": [
    nothing("lift", "Lift it out now", "The corner of the brush or tweezers, then one stroke over the spot."),
    {
      ...SAND,
      id: "cut",
      label: "Let it dry, then cut it out and rub the spot down",
      steps: () => [{ how: "sand-320", where: somewhere(0.02) }],
    },
  ],
  "smudged edge": [
    nothing("wipe-edge", "Wipe the edge clean now", "Damp cloth over a fingernail, along the line, once."),
    TOUCH_UP,
  ],
  "ran out": [
    nothing(
      "natural-break",
      "Stop at the next natural break",
      "An arris, a moulding or the end of the face. Mix more; keep a wet sample to match it.",
    ),
    nothing(
      "stretch",
      "Draw it out to the edge thinly",
      "A thin end shows less than a lap line. Mend it with the next coat.",
    ),
  ],
  "changed my mind": [
    { ...COVER, id: "paint-over", label: "Paint it out and go on from there" },
    {
      id: "leave-rest",
      label: "Stop here: leave the rest of the steps out",
      says: "What lies ahead is taken out of the plan; undo brings it back.",
      commands: ({ crust }, { step }) =>
        crust.steps
          .slice(crust.steps.indexOf(step) + 1)
          .map(({ id }): Command => ({ do: "remove step", crustId: crust.id, stepId: id })),
    },
  ],
};

function veil(place: RepairBasis, step: Step, colour: Material): Command[] {
  const at = place.crust.steps.findIndex(({ id }) => id === step.id) + 1;
  return insertAt(place, at, [{ how: "wash", what: colour, where: somewhere(0.5) }]).map((command) =>
    command.do === "insert step" ? { ...command, step: { ...command.step, mix: watered(1, 3) } } : command,
  );
}

/** The last layer of colour that lies under a step. */
function belowOf(plan: Plan, steps: readonly Step[], step: Step): Material | null {
  const under = steps.slice(0, steps.indexOf(step)).reverse();
  for (const { kind, what } of under) {
    const material = kind === "coat" && plan.pinned.materials.find(({ id }) => id === what);
    if (material && (material.role === "paint" || material.role === "tint-base" || material.role === "primer"))
      return material;
  }
  return null;
}

/** A difference of colour that the eye sees at once, in CIEDE2000. */
const SEEN_AT_ONCE = 3;

function lookOf(before: ZoneJudgement, after: ZoneJudgement): string | null {
  const [was, is] = [coloursSeen(before.after), coloursSeen(after.after)];
  const field = colourDifference(was.field, is.field);
  if (field < SEEN_AT_ONCE) return null;
  return `The face comes out ${field > 12 ? "clearly" : "a little"} different from the plan.`;
}

/** What can be tried at a trouble. */
export interface TroubleAt {
  zoneIds: readonly string[];
  phaseId: string;
  trouble: Trouble;
  now: WallMinutes;
}

const worstOf = (before: ZoneJudgement, after: ZoneJudgement) => {
  const known = new Set(before.findings.map(({ rule, stepId, severity }) => `${rule} ${stepId} ${severity}`));
  const fresh = after.findings.filter(
    ({ rule, stepId, severity }) => severity !== "note" && !known.has(`${rule} ${stepId} ${severity}`),
  );
  return fresh.find(({ severity }) => severity === "stop") ?? fresh[0] ?? null;
};

/**
 * The ways on from a trouble, from the surface as it is: each tried on the plan and judged from now on. A way that would end in a
 * stop that was not there before is not offered.
 */
export function waysOn(
  plan: Plan,
  { zoneIds, phaseId, trouble, now }: TroubleAt,
  catalogue?: readonly Material[],
): Way[] {
  const zone = findZone(plan, zoneIds[0] ?? "");
  const crust = zone && findCrust(plan, zone.crustId);
  const stepId = phaseId.split(/[/~]/, 1)[0]!;
  const step = crust?.steps.find(({ id }) => id === stepId);
  if (!zone || !crust || !step) return [];
  const judgedOn = (of: Plan) => judgeZones(of, { now }).find((judged) => judged.zone.id === zone.id)!;
  const before = judgedOn(plan);
  const placed = before.phases.find(({ phase }) => phase.id === phaseId);
  const fact = factsOf(plan).get(zone.id)?.get(phaseId);
  const age = fact ? now - readWallTime(plan.start)! - fact.ends : 0;
  const material = placed?.phase.material ?? null;
  const open = material?.windows.open ?? material?.drying.touch;
  const on: Ground = {
    step,
    material,
    below: belowOf(plan, crust.steps, step),
    open: material !== null && open !== undefined && age < (open.safe ?? 0),
    plan,
  };
  return IDEAS[trouble].flatMap((idea): Way[] => {
    if (idea.when && !idea.when(on)) return [];
    const plain = { id: idea.id, label: idea.label, says: idea.says, waits: idea.waits ?? null };
    if (!idea.steps && !idea.commands)
      return [{ ...plain, commands: [], costs: idea.waits ?? 0, severity: null, warning: null, look: null }];
    const own = ownCrust(plan, zoneIds);
    if ("because" in own) return [];
    const place: RepairBasis = { crust: own.crust, shelf: shelfOf(plan, catalogue) };
    const at = own.crust.steps.findIndex(({ id }) => id === stepId) + 1;
    const change = idea.commands?.(place, on) ?? insertAt(place, at, idea.steps!(place, on));
    if (change.length === 0) return [];
    const commands = [...own.commands, ...change];
    const done = applyCommands(plan, commands);
    if (!done.ok) return [];
    const after = judgedOn(done.plan);
    const worst = worstOf(before, after);
    if (worst?.severity === "stop") return [];
    return [
      {
        ...plain,
        commands,
        costs: Math.max(0, after.done - before.done),
        severity: worst?.severity ?? null,
        warning: worst?.title ?? null,
        look: lookOf(before, after),
      },
    ];
  });
}

/** Troubles that can arise at a step, the likeliest first; the rest can be chosen as well. */
export function likelyTroubles(material: Pick<Material, "role" | "family"> | null, how: string): Trouble[] {
  const likely = new Set<Trouble>();
  const add = (...list: Trouble[]) => {
    for (const one of list) likely.add(one);
  };
  const role = material?.role;
  if (how === "spatter") add("speckle too strong");
  if (role === "glaze" || role === "wax") add("too dark", "too pale", "missed patch");
  if (role === "leaf" || role === "size") add("stray size", "missed patch");
  if (role === "tissue") add("torn tissue");
  if (role === "medium") add("missed patch", "not drying", "runs");
  if (role === "paint" || role === "tint-base") add("too pale", "lifted", "will not crack", "runs", "missed patch");
  if (role === "clear" || role === "primer") add("runs", "lifted", "missed patch");
  if (how === "stencil" || how === "stamp") add("smudged edge");
  if (!material) add("took off too much", "lifted", "too dark");
  else add("too thick", "not drying", "shed bristle", "ran out");
  return [...likely];
}
