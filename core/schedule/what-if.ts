import { applyCommands } from "../edit/apply.ts";
import type { Command } from "../edit/command.ts";
import { judge } from "../judge/judge.ts";
import type { Hours } from "../plan/hours.ts";
import type { Plan } from "../plan/plan.ts";
import { HOUR, type Minutes, type WallMinutes } from "../units/units.ts";
import { sayWallTime } from "../units/wall-time.ts";
import { datesOf } from "./dates.ts";
import { type Schedule, schedule } from "./schedule.ts";

/** Something that could be otherwise: as the edit that would make it so. */
export interface Idea {
  id: string;
  label: string;
  commands: Command[];
}

/** What an idea comes to, tried on the plan. */
export interface Tried extends Idea {
  finish: WallMinutes | null;
  leaves: WallMinutes | null;
  /** change of the finish; negative is sooner, null where either has none */
  gain: Minutes | null;
  clashes: number;
  /** stops of the rules, before and after */
  stops: { before: number; after: number };
}

const longer = (day: Hours["weekdays"][number], minutes: Minutes): Hours["weekdays"][number] => {
  const last = day.at(-1);
  return last ? [...day.slice(0, -1), [last[0], Math.min(24 * HOUR, last[1] + minutes)]] : day;
};

const setHours = (hours: Hours): Command[] => [{ do: "set hours", hours }];

function hoursIdeas({ pinned: { hours } }: Plan, dates: readonly string[]): Idea[] {
  const ideas: Idea[] = [];
  const [monday] = hours.weekdays;
  for (const date of dates) {
    const weekday = (new Date(`${date}T00:00Z`).getUTCDay() + 6) % 7;
    const usual = hours.exceptions.find(({ on }) => on === date)?.stretches ?? hours.weekdays[weekday]!;
    if (usual.length === 0) continue;
    const others = hours.exceptions.filter(({ on }) => on !== date);
    ideas.push({
      id: `hour-${date}`,
      label: `Work an hour longer on ${date}`,
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
      commands: setHours({ ...hours, weekdays: hours.weekdays.map((day, at) => (at === 5 ? monday! : day)) }),
    });
  if (hours.painters < 2)
    ideas.push({ id: "painter", label: "A second painter", commands: setHours({ ...hours, painters: 2 }) });
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
        label: `Warm the room to ${celsius} °C, 50 %, day and night`,
        commands: [{ do: "set room", room: { ...steady, celsius, relativeHumidity: 50 } }],
      });
  return ideas.slice(0, 3);
}

function schoolIdeas({ pinned: { houseRules } }: Plan): Idea[] {
  const ideas: Idea[] = [];
  const other = (id: string, label: string, change: Partial<typeof houseRules>) =>
    ideas.push({ id, label, commands: [{ do: "set house rules", houseRules: { ...houseRules, ...change } }] });
  if (houseRules.waitBeforeClear !== "touch dry")
    other("touch-dry", "Wax or seal when touch dry, as another school does", { waitBeforeClear: "touch dry" });
  if (houseRules.forcedDry !== "counts as dry")
    other("forced", "Let force-dried paint count as dry", { forcedDry: "counts as dry" });
  return ideas;
}

/** Where several thin coats of a paint are planned, one fewer. */
function coatIdeas(plan: Plan, stepIds: readonly string[]): Idea[] {
  return plan.crusts.flatMap((crust) =>
    crust.steps
      .filter((step) => stepIds.includes(step.id) && step.coats > 1)
      .map((step) => ({
        id: `coat-${crust.id}-${step.id}`,
        label: `One coat less of ${plan.pinned.materials.find(({ id }) => id === step.what)?.name ?? "it"}`,
        commands: [{ do: "patch step", crustId: crust.id, stepId: step.id, patch: { coats: step.coats - 1 } }],
      })),
  );
}

/** Times that are set, set free. */
const pinIdeas = (plan: Plan): Idea[] =>
  plan.pins.length === 0
    ? []
    : [
        {
          id: "unpin",
          label: "Set all times free",
          commands: plan.pins.map(({ zoneId, phaseId }) => ({ do: "set time", zoneId, phaseId, starts: null })),
        },
      ];

/** Ideas worth trying on a plan: hours, hands, air, schools, times that are set, and for a clash the coats and days that it names. */
export function ideasFor(plan: Plan, made: Schedule): Idea[] {
  const steps = made.clashes.map(({ stepId }) => stepId);
  const days = made.clashes.flatMap(({ zoneId, stepId }) =>
    made.bookings
      .filter((booking) => booking.zoneId === zoneId && booking.stepId === stepId)
      .map(({ starts }) => sayWallTime(starts).slice(0, 10)),
  );
  return [
    ...pinIdeas(plan),
    ...hoursIdeas(plan, [...new Set(days)].slice(0, 2)),
    ...roomIdeas(plan),
    ...schoolIdeas(plan),
    ...coatIdeas(plan, steps),
  ];
}

/** Tries an idea: the finish before and after, what clashes then, and whether a rule says stop that did not before. */
export function tryIdea(plan: Plan, before: Schedule, idea: Idea): Tried | null {
  const done = applyCommands(plan, idea.commands);
  if (!done.ok) return null;
  const judgement = judge(done.plan);
  const made = schedule([{ plan: done.plan, judgement }]);
  return {
    ...idea,
    finish: made.finish,
    leaves: datesOf({ plan: done.plan, judgement }, made)?.leaves ?? null,
    gain: made.finish !== null && before.finish !== null ? made.finish - before.finish : null,
    clashes: made.clashes.length,
    stops: { before: judge(plan).counts.stop, after: judgement.counts.stop },
  };
}

/** Ideas that were tried, the best first: fewer clashes, then an earlier finish. Those that change nothing are left out. */
export function whatIf(plan: Plan): Tried[] {
  const before = schedule([{ plan, judgement: judge(plan) }]);
  return ideasFor(plan, before)
    .map((idea) => tryIdea(plan, before, idea))
    .filter((tried): tried is Tried => tried !== null && (tried.gain !== 0 || tried.clashes !== before.clashes.length))
    .sort((one, two) => one.clashes - two.clashes || (one.finish ?? 0) - (two.finish ?? 0));
}
