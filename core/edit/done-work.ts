import {
  type Crust,
  type DoneWork,
  findCrust,
  findZone,
  materialName,
  type Plan,
  type Step,
  type Zone,
} from "../plan/plan.ts";
import type { Command } from "./command.ts";

// What has been done lies on the piece: no edit of the plan changes it. What was written down wrongly is put right in the ledger.

/** What of a step can still be said after it was done: what it means, and what comes of it. */
const STILL_OPEN: ReadonlySet<keyof Step> = new Set([
  "note",
  "intents",
  "reveals",
  "wait",
  "oneGo",
  "branches",
  "expected",
  "again",
  "branch",
  "coats",
]);

const stepOf = ({ phaseId }: Pick<DoneWork, "phaseId">) => phaseId.split(/[/~]/, 1)[0]!;
const coatOf = ({ phaseId }: Pick<DoneWork, "phaseId">) => Number(/\/(\d+)/.exec(phaseId)?.[1] ?? 1);

function isSameWork(before: Step, after: Step): boolean {
  if (before === after) return true;
  const keys = new Set([...Object.keys(before), ...Object.keys(after)] as (keyof Step)[]);
  return [...keys].every((key) => STILL_OPEN.has(key) || JSON.stringify(before[key]) === JSON.stringify(after[key]));
}

const quoted = (plan: Plan, { what, how }: Step) => `"${what ? materialName(plan)(what) : how.replaceAll("-", " ")}"`;

/** Steps that were done, with the last coat that was. */
type Done = ReadonlyMap<string, number>;

/** The first thing that is wrong between a crust as it was and as it would be, for the steps that were done of it. */
function wrongWith(plan: Plan, before: Crust, after: Crust, done: Done): string | null {
  const place = new Map(after.steps.map(({ id }, index) => [id, index]));
  const known = new Set(before.steps.map(({ id }) => id));
  let last = -1;
  for (const step of before.steps) {
    if (!done.has(step.id)) continue;
    const at = place.get(step.id);
    if (at === undefined) return `${quoted(plan, step)} has been done, so it stays`;
    if (!isSameWork(step, after.steps[at]!)) return `${quoted(plan, step)} has been done, so it stays as it was`;
    if (at < last) return `${quoted(plan, step)} has been done after what it would come before`;
    last = at;
  }
  const slipped = after.steps.slice(0, last).find(({ id }) => !known.has(id));
  return slipped ? `${quoted(plan, slipped)} would go under work that has been done` : null;
}

function tooFew(plan: Plan, { overrides }: Zone, crust: Crust, done: Done): string | null {
  for (const step of crust.steps) {
    const laid = done.get(step.id) ?? 1;
    const coats = overrides.find(({ stepId }) => stepId === step.id)?.coats ?? step.coats;
    if (laid > coats) return `${laid} coats of ${quoted(plan, step)} are on already`;
  }
  return null;
}

/**
 * Why an edit cannot be made because of what has been done already; null where it leaves that alone. What the commands themselves
 * mark as done, or as not done, is the ledger's business.
 */
export function touchesWhatIsDone(before: Plan, after: Plan, commands: readonly Command[]): string | null {
  if (!before.done || (before.crusts === after.crusts && before.pieces === after.pieces)) return null;
  const marked = new Set(
    commands.flatMap((command) =>
      command.do === "set done" && command.when === null ? [`${command.zoneId} ${command.phaseId}`] : [],
    ),
  );
  const byZone = new Map<string, Map<string, number>>();
  for (const work of before.done) {
    if (marked.has(`${work.zoneId} ${work.phaseId}`)) continue;
    const steps = byZone.get(work.zoneId) ?? new Map<string, number>();
    const step = stepOf(work);
    byZone.set(work.zoneId, steps.set(step, Math.max(steps.get(step) ?? 1, coatOf(work))));
  }
  for (const [zoneId, steps] of byZone) {
    const was = findZone(before, zoneId);
    const is = findZone(after, zoneId);
    const crust = was && findCrust(before, was.crustId);
    const next = is && findCrust(after, is.crustId);
    if (!crust || !next) continue;
    const left = is.overrides.find(({ stepId, skip }) => skip && steps.has(stepId));
    const wrong = left
      ? `${quoted(before, crust.steps.find(({ id }) => id === left.stepId)!)} has been done, so it cannot be left out`
      : crust === next
        ? tooFew(after, is, next, steps)
        : (wrongWith(after, crust, next, steps) ?? tooFew(after, is, next, steps));
    if (wrong)
      return `On ${is.name}, ${wrong}. Put it right in the ledger if it was written down wrongly; give the zone a crust of its own to go on differently.`;
  }
  return null;
}
