import { workingFixes } from "../../judge/fixes.ts";
import { judge } from "../../judge/judge.ts";
import { examplePlan } from "../../rules/example.ts";
import type { Rule } from "../../rules/rule.ts";
import { RULES } from "../../rules/rules.ts";
import { themeOf } from "../../rules/themes.ts";
import { Chance } from "../chance.ts";
import type { Drill, DrillSource } from "../drill.ts";
import { stackOf } from "../words.ts";

const MOST_CHOICES = 4;
const RIGHT_SHOWN = 1;

/** Repairs of other rules, from their own examples: what one might think of. */
const otherRepairs = (not: Rule): string[] => [
  ...new Set(
    RULES.filter((rule) => rule !== not)
      .flatMap(({ examples }) => examples.faulty)
      .flatMap(({ finds }) => finds.flatMap(({ repairs }) => repairs)),
  ),
];

/** A stack with one seeded mistake, from a rule's own faulty examples: where it goes wrong, and what mends it. */
function makeFault(rule: Rule, id: string, seed: number): Drill | null {
  const chance = new Chance(seed);
  const faulty = rule.examples.faulty.filter(
    ({ steps, finds }) => steps.length > 1 && finds.some(({ severity }) => severity !== "note"),
  );
  if (faulty.length === 0) return null;
  const example = chance.pick(faulty);
  const plan = examplePlan(example);
  const zone = judge(plan).zones[0]!;
  const bad = zone.findings.filter(({ severity }) => severity !== "note");
  // where a rule that subsumes it speaks, that one says it
  const own = bad.find((finding) => finding.rule === rule.meta.id) ?? bad[0];
  if (!own) return null;
  const stack = stackOf(plan);
  const fixes = workingFixes(plan, own).map(({ label }) => label);
  const wrong = chance
    .shuffled(otherRepairs(rule).filter((label) => !fixes.includes(label)))
    .slice(0, MOST_CHOICES - RIGHT_SHOWN);
  const repairs = chance
    .shuffled([...fixes.slice(0, RIGHT_SHOWN), ...wrong])
    .map((says, index) => ({ id: `r${index + 1}`, says }));
  const mends = repairs.filter(({ says }) => fixes.includes(says)).map((choice) => choice.id);
  const asksRepair = mends.length > 0;
  return {
    id,
    kind: "fault",
    family: themeOf(rule.meta.id),
    seed,
    stack,
    colour: null,
    board: null,
    parts: [
      { asks: "Which step goes wrong?", is: "choose", choices: stack.steps },
      ...(asksRepair ? [{ asks: "What mends it?", is: "choose" as const, choices: repairs }] : []),
    ],
    right: [[...new Set(bad.map(({ stepId }) => stepId))], ...(asksRepair ? [mends] : [])],
    because: `${own.title}. ${own.because} ${rule.meta.reason}`,
  };
}

/** One for every rule: a new rule brings its own. */
export const faultDrills = (): DrillSource[] =>
  RULES.map((rule) => ({
    id: `fault/${rule.meta.id}`,
    kind: "fault",
    family: themeOf(rule.meta.id),
    make: (seed) => makeFault(rule, `fault/${rule.meta.id}`, seed),
  }));
