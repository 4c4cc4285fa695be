import type { Plan } from "../plan/plan.ts";
import { capital } from "../rules/words.ts";
import { sayDuration } from "../units/duration.ts";
import type { ShopClock } from "../units/time-zone.ts";
import { readWallTime } from "../units/wall-time.ts";
import { sayMoment } from "../units/when.ts";
import { longestWindow } from "./calendar.ts";
import { type Yielding, yielding } from "./giving-way.ts";
import { type Reason, sayLag } from "./reason.ts";
import type { Claim } from "./solve/clash.ts";
import type { Lag, Minute, Network } from "./solve/network.ts";
import type { Task } from "./work.ts";

/** Claims that cannot all be met, in words, shown at the step that did not fit in. */
export interface Clash {
  planId: string;
  zoneId: string;
  stepId: string;
  says: string;
  /** one sentence for each of them; without any one of them the rest can be met */
  claims: string[];
}

/** What the parts of a network stand for. */
export interface About {
  tasks: ReadonlyMap<string, Task>;
  clock: ShopClock;
  reasonOf: (lag: Lag) => Reason | undefined;
}

/** When a job is due, as the beginning of a sentence. */
export const sayDue = ({ title, due, start }: Plan) =>
  `"${title}" is due ${sayMoment(readWallTime(due!)!, readWallTime(start)!)}`;

/** A clash in words; `says` where the sentence is known already. */
export function sayClash(claims: readonly Claim[], about: About, says?: string): Clash {
  const worthSaying = claims.filter((claim) => !("lag" in claim) || about.reasonOf(claim.lag)?.kind !== "order");
  const task = taskOf(claims, about);
  const { phase, plan } = task;
  return {
    planId: plan.id,
    zoneId: phase?.judged.zone.id ?? "",
    stepId: phase?.placed.phase.step.id ?? "",
    says: says ?? sentence(claims, task, about),
    claims: (worthSaying.length > 0 ? worthSaying : claims).map((claim) => capital(sayClaim(claim, about))),
  };
}

/** The step that a clash is shown at: the last of those it names. */
function taskOf(claims: readonly Claim[], { tasks }: About): Task {
  const yields = claims.find((claim) => "due" in claim) ?? yielding(claims) ?? claims[0]!;
  if ("due" in yields) return tasks.get(yields.due.id)!;
  return tasks.get("lag" in yields ? yields.lag.to : yields.activity.id)!;
}

function sayClaim(claim: Claim, { tasks, clock, reasonOf }: About): string {
  const when = (minute: number) => sayMoment(clock.wall(minute), clock.wall(0));
  if ("lag" in claim) return sayLag(claim.lag, reasonOf(claim.lag)!);
  if ("due" in claim) {
    const { name } = tasks.get(claim.due.id)!;
    return `"${name}" must begin by ${when(claim.due.due!)} to be dry by the due date`;
  }
  const task = tasks.get(claim.activity.id);
  if (!task) return "the painters are busy with other jobs then";
  const { anyHour, earliest, duration } = claim.activity;
  if (task.done) return `"${task.name}" was done on ${when(earliest!)}`;
  if (anyHour) return `"${task.name}" is set for ${when(earliest!)}`;
  return `"${task.name}" takes ${sayDuration(duration)} of working time in one session`;
}

function sentence(claims: readonly Claim[], task: Task, about: About): string {
  const { name } = task;
  const longest = longestWindow(task.hours);
  const [only] = claims;
  if (longest === 0) return "The week has no working hours. Add hours to at least one day.";
  if (claims.length === 1 && only && "activity" in only && !only.activity.anyHour)
    return `"${name}" takes ${sayDuration(only.activity.duration)} in one session, but the longest spell of working hours is ${sayDuration(longest)}. Split the zone at a natural break, or lengthen the day.`;
  const yields = yielding(claims) ?? claims[0]!;
  const told = sayClaim(yields, about);
  const author = claims.find(
    (claim) => claim !== yields && "lag" in claim && about.reasonOf(claim.lag)?.kind === "author",
  );
  const set = claims.find(
    (claim) => claim !== yields && "activity" in claim && claim.activity.anyHour && !claim.activity.aside,
  );
  const against = set ?? author;
  if (against && "lag" in against && "lag" in yields && against.lag.min <= (yields.lag.max ?? 0))
    return `${told}, but ${sayClaim(against, about)}. With the drying time between them, no working hours allow both.`;
  if (against && "lag" in against)
    return `${told}, but the plan makes it wait ${sayDuration(against.lag.min)}. Shorten that wait, or do the step earlier.`;
  if (against) return `${told}, but ${sayClaim(against, about)}. Clear one of the set times.`;
  const pinnedHere = "activity" in yields && yields.activity.anyHour;
  if (pinnedHere) return `${told}, which is not possible. Clear that time, or move it.`;
  return `${told}, but no working hours allow it. Lengthen a working day, or relax the wait.`;
}

/** Where nobody of the shop can do a piece of work. */
export function sayBeyondAll({ tasks }: Pick<About, "tasks">, id: string): Clash {
  const { plan, phase, name } = tasks.get(id)!;
  return {
    planId: plan.id,
    zoneId: phase?.judged.zone.id ?? "",
    stepId: phase?.placed.phase.step.id ?? "",
    says: `Nobody in the shop can do "${name}". It is dated as if the first painter could. Choose another technique, or change what she cannot do.`,
    claims: [],
  };
}

/** What was given up, and how it is dated instead; null where it fits in after all. */
export function sayInstead(
  yields: Yielding,
  { activities }: Network,
  starts: Readonly<Record<string, Minute>>,
  { tasks, clock }: About,
): string | null {
  const id = "lag" in yields ? yields.lag.to : yields.activity.id;
  const task = tasks.get(id);
  const start = starts[id];
  if (!task || start === undefined || longestWindow(task.hours) === 0) return null;
  const when = sayMoment(clock.wall(start), clock.wall(0));
  if (!("lag" in yields)) return `It is dated ${when} instead.`;
  const { from, max, min, varies } = yields.lag;
  const finish = (starts[from] ?? 0) + (activities.find((activity) => activity.id === from)?.duration ?? 0);
  if (max === null) return start < finish + min ? `It is dated ${when}, before that wait is over.` : null;
  const shuts = varies?.shuts ? varies.shuts(finish) : finish + max;
  return start > shuts ? `For now it is dated ${when}, ${sayDuration(start - shuts)} too late.` : null;
}
