import { labOf } from "../colour/difference.ts";
import { applyCommands } from "../edit/apply.ts";
import type { Command } from "../edit/command.ts";
import { workingFixes } from "../judge/fixes.ts";
import { type JudgeOptions, judgeZones, shelfOf, type ZoneJudgement } from "../judge/judge.ts";
import { coloursSeen } from "../judge/look.ts";
import { ownCrust } from "../ledger/own-crust.ts";
import type { Material } from "../materials/material.ts";
import { watered } from "../plan/mix.ts";
import { findCrust, findZone, type Plan, RELIEF_CLASSES, type ReliefClass } from "../plan/plan.ts";
import { insertAt, type NewStep, ofFamily, patchStep } from "../rules/repair.ts";
import type { RepairBasis } from "../rules/rule.ts";
import { DAY, type Minutes, type WallMinutes } from "../units/units.ts";
import { answersTo, apartOf, type SeenWish } from "./seen.ts";
import type { Wishes } from "./spec.ts";

// From where a piece stands: what could be done to it now so that it comes nearer to a look (common practice). Each way goes on after
// what has been done, in place of or before what was still to come, and is judged from now.

/** One way on from the surface as it is. */
export interface WayOn {
  id: string;
  label: string;
  says: string;
  /** edits of what lies ahead */
  commands: readonly Command[];
  /** how far the end is from what is wished, ΔE00; the whole difference to the end as planned where nothing is */
  apart: number;
  seen: readonly SeenWish[];
  /** how the finished classes look then */
  colours: Readonly<Record<ReliefClass, string>>;
  /** how many days of the zone's own line it adds, and how much hands-on work */
  days: number;
  handsOn: Minutes;
  /** the worst that is said of it short of a stop */
  cautions: readonly string[];
  judged: ZoneJudgement;
}

interface Idea {
  id: string;
  label: string;
  says: string;
  steps: (at: At) => readonly (NewStep & { mix?: ReturnType<typeof watered> })[];
}

interface At {
  place: RepairBasis;
  /** what is seen on the flats now */
  colour: string;
  /** the paint that shows there */
  top: Material | undefined;
  /** the wax that lies on it */
  waxed: Material | undefined;
  paints: readonly Material[];
}

const glazeOf = ({ place }: At, name: RegExp): Material | undefined =>
  [...place.shelf.pinned.values(), ...place.shelf.catalogue].find(
    ({ family, id }) => (family === "tinted glaze" || family === "thin pale glaze") && name.test(id),
  );

/** Wiped back where it lies, so that it tones and does not cover. */
const toned = (what: Material | undefined): NewStep[] => (what ? [{ how: "brush", what }, { how: "wipe-back" }] : []);

/** The paint whose hue lies most nearly opposite: a thin wash of it takes the edge off a colour (colour theory, from memory). */
function oppositeOf({ colour, paints }: At): Material | undefined {
  const { l, a, b } = labOf(colour);
  // one as light as it is changes the hue and not the depth
  const against = (paint: Material) => {
    const other = labOf(paint.colour);
    const size = Math.hypot(a, b) * Math.hypot(other.a, other.b);
    return (size < 1 ? 0 : (a * other.a + b * other.b) / size) + Math.abs(other.l - l) / 60;
  };
  return [...paints].sort((a, b) => against(a) - against(b) || (a.id < b.id ? -1 : 1))[0];
}

const byLightness = ({ paints }: At, way: "lighter" | "darker"): Material | undefined =>
  [...paints].sort((a, b) => {
    const apart = labOf(b.colour).l - labOf(a.colour).l;
    return (way === "lighter" ? apart : -apart) || (a.id < b.id ? -1 : 1);
  })[0];

/** The paint next to what shows, a little lighter: blended in, it clouds and softens. */
function neighbourOf({ paints, colour, top }: At): Material | undefined {
  const { l, a, b } = labOf(colour);
  const off = (paint: Material) => {
    const other = labOf(paint.colour);
    return Math.hypot(other.l - (l + 12), other.a - a, other.b - b);
  };
  return [...paints].filter((paint) => paint !== top).sort((a, b) => off(a) - off(b) || (a.id < b.id ? -1 : 1))[0];
}

const EVERYWHERE = { on: "everywhere", over: 1 } as const;

const IDEAS: readonly Idea[] = [
  {
    id: "tone-umber",
    label: "Tone it down with umber glaze",
    says: "Wiped back, it warms and dirties what is too clean.",
    steps: (at) => toned(glazeOf(at, /umber/)),
  },
  {
    id: "tone-black",
    label: "Tone it down with black glaze",
    says: "Wiped back, it greys what is too warm.",
    steps: (at) => toned(glazeOf(at, /black/)),
  },
  {
    id: "veil",
    label: "Veil it with a pale glaze",
    says: "A thin white glaze softens a colour that is too strong.",
    steps: (at) => toned(glazeOf(at, /pale/)),
  },
  {
    id: "opposite",
    label: "Wash it with the opposite tone",
    says: "One part paint to three of water, in the colour across from it: what is too green wants a little red.",
    steps: (at) => {
      const what = oppositeOf(at);
      return what ? [{ how: "wash", what, mix: watered(1, 3) }] : [];
    },
  },
  {
    id: "dry-lighter",
    label: "Dry-brush it lighter",
    says: "Almost no paint on the brush; it lights up what stands proud.",
    steps: (at) => {
      const what = byLightness(at, "lighter");
      return what ? [{ how: "dry-brush", what }] : [];
    },
  },
  {
    id: "dry-darker",
    label: "Dry-brush it darker",
    says: "Almost no paint on the brush; it breaks up a flat that is too clean.",
    steps: (at) => {
      const what = byLightness(at, "darker");
      return what ? [{ how: "dry-brush", what }] : [];
    },
  },
  {
    id: "blend",
    label: "Blend a neighbouring colour in",
    says: "A fresh coat, and a lighter neighbour blended into it while both are wet.",
    steps: (at) => {
      const next = neighbourOf(at);
      return at.top && next
        ? [
            { how: "brush", what: at.top },
            { how: "blend", what: next, where: { on: "everywhere", over: 0.5 } },
          ]
        : [];
    },
  },
  {
    id: "knock",
    label: "Knock it back with fine paper",
    says: "Takes the strength out of the last layer, and smooths it.",
    steps: () => [{ how: "sand-320" }],
  },
  {
    id: "mend-wax",
    label: "Take the wax off, touch up, go on",
    says: "Foam or a cloth with solvent takes the wax off; then the colour can be mended and waxed again.",
    steps: ({ top, waxed }) =>
      top && waxed
        ? [
            { how: "dewax" },
            { how: "brush", what: top, where: { on: "patch", over: 1 } },
            { how: "wax", what: waxed },
            { how: "buff" },
          ]
        : [],
  },
  {
    id: "over",
    label: "Seal it and paint over",
    says: "A barrier, so that nothing beneath comes up, and two coats of another colour.",
    steps: (at) => {
      const seal = ofFamily(at.place.shelf, "shellac sealer") ?? ofFamily(at.place.shelf, "water-borne clear coat");
      const next = neighbourOf(at);
      return seal && next
        ? [
            { how: "brush", what: seal },
            { how: "brush", what: next, coats: 2 },
          ]
        : [];
    },
  },
  {
    id: "strip",
    label: "Strip it and begin again",
    says: "The last way: everything off, and what was planned from the ground up.",
    steps: () => [{ how: "strip" }],
  },
];

/** Steps of a crust that have been done on a zone, the ones that a way on must come after. */
function doneThrough(plan: Plan, zoneId: string, steps: readonly { id: string }[]): number {
  const done = new Set(
    (plan.done ?? []).filter((work) => work.zoneId === zoneId).map(({ phaseId }) => phaseId.split(/[/~]/, 1)[0]),
  );
  return steps.findLastIndex(({ id }) => done.has(id)) + 1;
}

const MOST_FIXES = 6;
const stops = ({ findings }: ZoneJudgement) => findings.filter(({ severity }) => severity === "stop");

/** Repairs what a way on is stopped by, as often as that helps; null where a stop stays that was not there before. */
function held(
  plan: Plan,
  zoneId: string,
  before: number,
  options: JudgeOptions,
): { plan: Plan; commands: Command[] } | null {
  const commands: Command[] = [];
  let at = plan;
  for (let turn = 0; ; turn++) {
    const found = stops(judgedOn(at, zoneId, options));
    if (found.length <= before) return { plan: at, commands };
    if (turn === MOST_FIXES) return null;
    const next = found
      .flatMap((finding) => workingFixes(at, finding, options).slice(0, 2))
      .flatMap((fix) => {
        const done = applyCommands(at, fix.commands);
        return done.ok && stops(judgedOn(done.plan, zoneId, options)).length < found.length
          ? [{ fix, plan: done.plan }]
          : [];
      })[0];
    if (!next) return null;
    commands.push(...next.fix.commands);
    at = next.plan;
  }
}

const judgedOn = (plan: Plan, zoneId: string, options: JudgeOptions): ZoneJudgement =>
  judgeZones(plan, options).find(({ zone }) => zone.id === zoneId)!;

const handsOf = ({ phases }: ZoneJudgement): Minutes => phases.reduce((sum, { phase }) => sum + phase.hands, 0);

export interface FromNow {
  zoneId: string;
  now: WallMinutes;
  /** what the piece should come to; the ways are compared with what is planned where nothing is wished */
  wishes?: Wishes;
  catalogue?: readonly Material[];
}

/** The surface as it is when everything done so far is done, in the colours that are seen. */
export function standsNow(plan: Plan, zoneId: string, now: WallMinutes): Readonly<Record<ReliefClass, string>> | null {
  const zone = findZone(plan, zoneId);
  const crust = zone && findCrust(plan, zone.crustId);
  if (!zone || !crust) return null;
  const through = doneThrough(plan, zoneId, crust.steps);
  const only: Plan = {
    ...plan,
    crusts: plan.crusts.map((other) =>
      other.id === crust.id ? { ...other, steps: other.steps.slice(0, through) } : other,
    ),
  };
  return coloursSeen(judgedOn(only, zoneId, { now }).after);
}

/**
 * Ways on for a zone from the surface as it really is, each repaired until nothing stops it, dated from now, and compared with what is
 * wished; the nearest first. A way that a rule stops is left out, and so is one that changes nothing.
 */
export function waysFromNow(plan: Plan, { zoneId, now, wishes, catalogue }: FromNow): WayOn[] {
  const options: JudgeOptions = { now, ...(catalogue ? { catalogue } : {}) };
  const own = ownCrust(plan, [zoneId]);
  if ("because" in own) return [];
  const colours = standsNow(plan, zoneId, now);
  if (!colours) return [];
  const planned = judgedOn(plan, zoneId, options);
  const through = doneThrough(plan, zoneId, own.crust.steps);
  const place: RepairBasis = { crust: own.crust, shelf: shelfOf(plan, catalogue) };
  const known = [...place.shelf.pinned.values(), ...place.shelf.catalogue];
  const isPaint = new Map(
    known.filter(({ role }) => role === "paint" || role === "tint-base").map((material) => [material.id, material]),
  );
  const done = own.crust.steps.slice(0, through);
  const top = isPaint.get(done.findLast(({ what }) => isPaint.has(what ?? ""))?.what ?? "");
  const waxed = known.find(({ id, role }) => role === "wax" && done.some(({ what }) => what === id));
  const kind = top?.family ?? "chalk-type paint";
  const paints = known.filter(({ family }) => family === kind);
  const at: At = { place, colour: colours.field, top, waxed, paints };
  const wanted: Wishes = wishes ?? coloursSeen(planned.after);
  const before = stops(planned).length;
  const plain = apartOf(answersTo(planned, wanted));
  return IDEAS.flatMap((idea): WayOn[] => {
    const steps = idea.steps(at);
    if (steps.length === 0) return [];
    const inserted = insertAt(
      place,
      through,
      steps.map(({ where = EVERYWHERE, ...step }) => ({ ...step, where })),
    );
    const mixes = inserted
      .filter((command) => command.do === "insert step")
      .flatMap(({ step }, index) => {
        const { mix } = steps[index]!;
        return mix ? patchStep(place, step.id, { mix, amount: { kind: "light" } }) : [];
      });
    const first = [...own.commands, ...inserted, ...mixes];
    const applied = applyCommands(plan, first);
    if (!applied.ok) return [];
    const holds = held(applied.plan, zoneId, before, options);
    if (!holds) return [];
    const after = judgedOn(holds.plan, zoneId, options);
    const seen = answersTo(after, wanted);
    const looks = coloursSeen(after.after);
    if (RELIEF_CLASSES.every((relief) => looks[relief] === coloursSeen(planned.after)[relief]) && plain > 0) return [];
    return [
      {
        id: idea.id,
        label: idea.label,
        says: idea.says,
        commands: [...first, ...holds.commands],
        apart: apartOf(seen),
        seen,
        colours: looks,
        days: (after.done - planned.done) / DAY,
        handsOn: handsOf(after) - handsOf(planned),
        judged: after,
        cautions: [
          ...new Set(after.findings.filter(({ severity }) => severity === "caution").map(({ title }) => title)),
        ],
      },
    ];
  }).sort((a, b) => a.apart - b.apart || a.handsOn - b.handsOn || (a.id < b.id ? -1 : 1));
}
