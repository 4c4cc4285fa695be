import { colourDifference } from "../colour/difference.ts";
import { bodyColour, isMetallic } from "../colour/material-colour.ts";
import { applyCommands } from "../edit/apply.ts";
import type { Command } from "../edit/command.ts";
import { judge } from "../judge/judge.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { Material } from "../materials/material.ts";
import { type Hours, MOST_PAINTERS } from "../plan/hours.ts";
import type { Plan, Step } from "../plan/plan.ts";
import { painterAt, type Shop } from "../plan/shop.ts";
import { named } from "../rules/words.ts";
import { techniquesFor } from "../surface/techniques.ts";
import { HOUR, type Minutes, type WallMinutes } from "../units/units.ts";
import { readWallTime, sayWallTime } from "../units/wall-time.ts";
import { sayDate, sayMoment } from "../units/when.ts";
import { datesOf } from "./dates.ts";
import { visitsOf, workOf } from "./plan-of-work.ts";
import { type Schedule, type ScheduleOptions, schedule } from "./schedule.ts";
import { hoursOf, type Work } from "./work.ts";

/** A change worth trying, as the edit that makes it. */
export interface Idea {
  id: string;
  label: string;
  commands: Command[];
  /** where it is a change of the shop and not of the job: the shop with it */
  shop?: Shop;
}

/** What an idea brings, tried on the plan. */
export interface Tried extends Idea {
  finish: WallMinutes | null;
  leaves: WallMinutes | null;
  /** change of the finish; negative is earlier, null where either has none */
  gain: Minutes | null;
  clashes: number;
  /** days on which there is work, and how much of it there is by hand */
  visits: number;
  handsOn: Minutes;
  /** stops of the rules, before and after */
  stops: { before: number; after: number };
}

const longer = (day: Hours["weekdays"][number], minutes: Minutes): Hours["weekdays"][number] => {
  const last = day.at(-1);
  return last ? [...day.slice(0, -1), [last[0], Math.min(24 * HOUR, last[1] + minutes)]] : day;
};

/** Hours for one job alone: from then on it keeps its own. */
const setHours = (hours: Hours): Command[] => [
  { do: "set hours", hours },
  { do: "set job", patch: { hoursFrom: "job" } },
];

function hoursIdeas(hours: Hours, dates: readonly string[], inShop: boolean): Idea[] {
  const ideas: Idea[] = [];
  const [monday] = hours.weekdays;
  for (const date of dates) {
    const weekday = (new Date(`${date}T00:00Z`).getUTCDay() + 6) % 7;
    const usual = hours.exceptions.find(({ on }) => on === date)?.stretches ?? hours.weekdays[weekday]!;
    if (usual.length === 0) continue;
    const others = hours.exceptions.filter(({ on }) => on !== date);
    ideas.push({
      id: `hour-${date}`,
      label: `Work an hour longer on ${sayDate(readWallTime(`${date}T00:00`)!)}`,
      commands: setHours({
        ...hours,
        exceptions: [...others, { on: date, stretches: longer(usual, HOUR), why: "an hour longer" }],
      }),
    });
  }
  if (hours.weekdays.some((day) => day.length > 0))
    ideas.push({
      id: "hours",
      label: "Work an hour longer every day",
      commands: setHours({ ...hours, weekdays: hours.weekdays.map((day) => longer(day, HOUR)) }),
    });
  if (hours.weekdays[5]!.length === 0 && monday!.length > 0)
    ideas.push({
      id: "saturday",
      label: "Work on Saturdays too",
      commands: setHours({ ...hours, weekdays: hours.weekdays.map((day, index) => (index === 5 ? monday! : day)) }),
    });
  // in a shop, who works is the shop's matter
  if (hours.painters < 2 && !inShop)
    ideas.push({ id: "painter", label: "Add a second painter", commands: setHours({ ...hours, painters: 2 }) });
  return ideas;
}

function roomIdeas({ pinned: { room } }: Plan): Idea[] {
  const ideas: Idea[] = [];
  const { course } = room;
  if (course?.kind === "day and night" && course.night.celsius < 16)
    ideas.push({
      id: "night",
      label: "Keep the room at 16 °C overnight",
      commands: [
        {
          do: "set room",
          room: {
            ...room,
            course: {
              kind: "day and night",
              night: { celsius: 16, relativeHumidity: Math.min(course.night.relativeHumidity, 65) },
            },
          },
        },
      ],
    });
  const { course: _, surfaceCelsius: __, ...steady } = room;
  for (const celsius of [18, 21, 23])
    if (room.celsius < celsius || course)
      ideas.push({
        id: `warm-${celsius}`,
        label: `Warm the room to ${celsius} °C and 50 % humidity, day and night`,
        commands: [{ do: "set room", room: { ...steady, celsius, relativeHumidity: 50 } }],
      });
  return ideas.slice(0, 3);
}

function schoolIdeas({ pinned: { houseRules } }: Plan): Idea[] {
  const ideas: Idea[] = [];
  const other = (id: string, label: string, change: Partial<typeof houseRules>) =>
    ideas.push({ id, label, commands: [{ do: "set house rules", houseRules: { ...houseRules, ...change } }] });
  if (houseRules.waitBeforeClear !== "touch dry")
    other("touch-dry", "Wax or seal when touch dry, as some shops do", { waitBeforeClear: "touch dry" });
  if (houseRules.forcedDry !== "counts as dry")
    other("forced", "Count force-dried paint as dry", { forcedDry: "counts as dry" });
  return ideas;
}

function nameIn(plan: Plan, materialId: string | undefined): string {
  const material = plan.pinned.materials.find(({ id }) => id === materialId);
  return material ? named(material) : "it";
}

/** Where several thin coats of a paint are planned, one fewer. */
function coatIdeas(plan: Plan, stepIds: readonly string[]): Idea[] {
  return plan.crusts.flatMap((crust) =>
    crust.steps
      .filter((step) => stepIds.includes(step.id) && step.coats > 1)
      .map((step) => ({
        id: `coat-${crust.id}-${step.id}`,
        label: `One fewer coat of ${nameIn(plan, step.what)}`,
        commands: [{ do: "patch step", crustId: crust.id, stepId: step.id, patch: { coats: step.coats - 1 } }],
      })),
  );
}

/** Steps for which another product is tried, the longest wait first. */
const MOST_SWAPS = 3;
const SWAPS_EACH = 2;
/** Beyond this CIEDE2000 difference it is another colour, not another product. */
const SAME_COLOUR = 12;

const standsFor = ({ drying }: Material) => Math.max(drying.recoat.safe, drying.beforeClear.safe);

/** Products that go on in the same way in about the same colour, and hold the work up less; the closest colour first. */
function insteadOf(plan: Plan, step: Step, material: Material): Material[] {
  const known = [
    ...plan.pinned.materials,
    ...CATALOGUE.filter(({ id }) => !plan.pinned.materials.some((material) => material.id === id)),
  ];
  const likeness = (other: Material) => colourDifference(bodyColour(material), bodyColour(other));
  return known
    .filter(
      (other) =>
        other.id !== material.id &&
        standsFor(other) < standsFor(material) &&
        other.role === material.role &&
        isMetallic(other) === isMetallic(material) &&
        techniquesFor(other).some(({ id }) => id === step.how) &&
        likeness(other) <= SAME_COLOUR,
    )
    .sort((a, b) => likeness(a) - likeness(b) || standsFor(a) - standsFor(b))
    .slice(0, SWAPS_EACH);
}

/** Another product for what clashes, and for what sets the finish. */
function productIdeas(plan: Plan, made: Schedule): Idea[] {
  const held = new Set([
    ...made.clashes.map(({ stepId }) => stepId),
    ...made.bookings.filter(({ critical }) => critical).map(({ stepId }) => stepId),
  ]);
  const steps = plan.crusts.flatMap((crust) =>
    crust.steps.flatMap((step) => {
      const material = held.has(step.id) && plan.pinned.materials.find(({ id }) => id === step.what);
      return material ? [{ crust, step, material }] : [];
    }),
  );
  steps.sort((a, b) => standsFor(b.material) - standsFor(a.material));
  return steps.slice(0, MOST_SWAPS).flatMap(({ crust, step, material }) =>
    insteadOf(plan, step, material).map((other) => ({
      id: `product-${crust.id}-${step.id}-${other.id}`,
      label: `Use ${named(other)} instead of ${named(material)}`,
      commands: [
        ...(plan.pinned.materials.some(({ id }) => id === other.id)
          ? []
          : [{ do: "pin material" as const, material: other }]),
        { do: "patch step" as const, crustId: crust.id, stepId: step.id, patch: { what: other.id } },
      ],
    })),
  );
}

/** A job that will be late could be promised for the day it is ready. */
function dueIdeas(work: Work, made: Schedule): Idea[] {
  const { plan } = work;
  const dates = datesOf(work, made);
  if (plan.due === undefined || !dates || dates.leaves <= readWallTime(plan.due)!) return [];
  const leaves = Math.ceil(dates.leaves / HOUR) * HOUR;
  return [
    {
      id: "due",
      label: `Promise it for ${sayMoment(leaves, made.start)}`,
      commands: [{ do: "set job", patch: { due: sayWallTime(leaves) } }],
    },
  ];
}

/** Set times, cleared. */
const pinIdeas = (plan: Plan): Idea[] =>
  plan.pins.length === 0
    ? []
    : [
        {
          id: "unpin",
          label: "Clear all set times",
          commands: plan.pins.map(({ zoneId, phaseId }) => ({ do: "set time", zoneId, phaseId, starts: null })),
        },
      ];

/** What the shop could change: one more who paints. */
const shopIdeas = (shop: Shop): Idea[] =>
  shop.painters.length < MOST_PAINTERS
    ? [
        {
          id: "shop-painter",
          label: `Have ${["a second", "a third", "a fourth"][shop.painters.length - 1] ?? "another"} painter in the shop`,
          commands: [],
          shop: { ...shop, painters: [...shop.painters, { ...painterAt(shop.painters.length), id: "one-more" }] },
        },
      ]
    : [];

/** Ideas worth trying on a plan: hours, painters, air, schools, products, set times, and for a clash the coats and days it names. */
export function ideasFor(work: Work, made: Schedule, shop?: Shop): Idea[] {
  const { plan } = work;
  const steps = made.clashes.map(({ stepId }) => stepId);
  const days = made.clashes.flatMap(({ zoneId, stepId }) =>
    made.bookings
      .filter((booking) => booking.zoneId === zoneId && booking.stepId === stepId)
      .map(({ starts }) => sayWallTime(starts).slice(0, 10)),
  );
  return [
    ...pinIdeas(plan),
    ...dueIdeas(work, made),
    ...hoursIdeas(hoursOf(work), [...new Set(days)].slice(0, 2), shop !== undefined),
    ...(shop ? shopIdeas(shop) : []),
    ...roomIdeas(plan),
    ...schoolIdeas(plan),
    ...coatIdeas(plan, steps),
    ...productIdeas(plan, made),
  ];
}

/** How ideas are tried: in which shop and among what other work, and how thoroughly. */
export interface TryOptions extends ScheduleOptions {
  shop?: Shop;
}

const workIn = (plan: Plan, shop: Shop | undefined): Work =>
  shop ? workOf(plan, shop) : { plan, judgement: judge(plan) };

/** A schedule of one job, as it is compared with others. */
function triedFrom(idea: Idea, work: Work, made: Schedule, before: Schedule, stops: number): Tried {
  return {
    ...idea,
    finish: made.finish,
    leaves: datesOf(work, made)?.leaves ?? null,
    gain: made.finish !== null && before.finish !== null ? made.finish - before.finish : null,
    clashes: made.clashes.length,
    visits: visitsOf(made),
    handsOn: made.bookings.reduce((sum, { starts, ends }) => sum + ends - starts, 0),
    stops: { before: stops, after: work.judgement.counts.stop },
  };
}

/** Tries an idea: the finish before and after, what clashes then, and whether a rule says stop that did not before; `stops` are those before. */
export function tryIdea(
  plan: Plan,
  before: Schedule,
  stops: number,
  idea: Idea,
  { shop, ...options }: TryOptions = {},
): Tried | null {
  const done = idea.commands.length === 0 ? { ok: true as const, plan } : applyCommands(plan, idea.commands);
  if (!done.ok) return null;
  const work = workIn(done.plan, idea.shop ?? shop);
  const made = schedule([work], idea.shop ? { ...options, painters: idea.shop.painters } : options);
  return triedFrom(idea, work, made, before, stops);
}

/** The plan as it is, to compare ideas with. */
export function asItIs(plan: Plan, { shop, ...options }: TryOptions = {}): Tried {
  const work = workIn(plan, shop);
  const made = schedule([work], options);
  return triedFrom({ id: "as-it-is", label: "As it is", commands: [] }, work, made, made, work.judgement.counts.stop);
}

/** Several ideas at once; where two change the same, the later one holds. Null where they cannot be had together. */
export function tryTogether(plan: Plan, ideas: readonly Idea[], options: TryOptions = {}): Tried | null {
  const { shop, ...how } = options;
  const work = workIn(plan, shop);
  const withShop = ideas.find((idea) => idea.shop)?.shop;
  const together: Idea = {
    id: "together",
    label: "All of them together",
    commands: ideas.flatMap(({ commands }) => commands),
    ...(withShop ? { shop: withShop } : {}),
  };
  return tryIdea(plan, schedule([work], how), work.judgement.counts.stop, together, options);
}

/** Another product that spoils the finish, or only makes it later, is not worth showing. */
const isWorthIt = ({ stops, gain, clashes }: Tried, before: Schedule) =>
  stops.after <= stops.before && (clashes < before.clashes.length || (gain !== null && gain < 0));

/**
 * Ideas that were tried, the best first: fewer clashes, then an earlier finish. Those that change nothing are left
 * out. Each gets as much time, or as many looks, as the plan itself, so that the comparison is fair.
 */
export function whatIf(plan: Plan, options: TryOptions = {}): Tried[] {
  const { shop, ...how } = options;
  const work = workIn(plan, shop);
  const before = schedule([work], how);
  return ideasFor(work, before, shop)
    .map((idea) => tryIdea(plan, before, work.judgement.counts.stop, idea, options))
    .filter((tried): tried is Tried => tried !== null && (tried.gain !== 0 || tried.clashes !== before.clashes.length))
    .filter((tried) => !tried.id.startsWith("product-") || isWorthIt(tried, before))
    .sort((a, b) => a.clashes - b.clashes || (a.finish ?? 0) - (b.finish ?? 0));
}
