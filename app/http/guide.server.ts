import { judge } from "#core/judge/judge";
import { stripOf } from "#core/judge/strip";
import { SCHOOLS } from "#core/plan/house-rules";
import { type ExampleStack, examplePlan } from "#core/rules/example";
import type { Rule, Severity } from "#core/rules/rule";
import { RULES } from "#core/rules/rules";
import { groundNamed, named } from "#core/rules/words";
import { findTechnique } from "#core/surface/techniques";

export interface Told {
  shows: string;
  ground: string;
  strip: { colour: string; hides: number }[];
  steps: string[];
  says: { severity: Severity; title: string } | null;
}

function toldOf(example: ExampleStack, ruleId: string): Told {
  const plan = examplePlan(example);
  const judged = judge(plan).zones[0]!;
  const finding = judged.findings.find((finding) => finding.rule === ruleId);
  return {
    shows: example.shows,
    ground: groundNamed(judged.zone.ground),
    strip: stripOf(judged),
    steps: judged.crust.steps.map((step) => {
      const material = plan.pinned.materials.find((material) => material.id === step.what);
      const technique = findTechnique(step.how)?.name.toLowerCase() ?? step.how;
      return material ? `${named(material)}${step.coats > 1 ? `, ${step.coats} coats` : ""}` : technique;
    }),
    says: finding ? { severity: finding.severity, title: finding.title } : null,
  };
}

const articleOf = (rule: Rule) => ({
  id: rule.meta.id,
  title: rule.meta.title,
  reason: rule.meta.reason,
  origin: rule.meta.origin,
  schools: rule.meta.schools.map((key) => ({
    key,
    title: SCHOOLS[key].title,
    choices: Object.keys(SCHOOLS[key].choices),
  })),
  faulty: rule.examples.faulty.slice(0, 2).map((example) => toldOf(example, rule.meta.id)),
  clean: rule.examples.clean.slice(0, 1).map((example) => toldOf(example, rule.meta.id)),
});

let articles: ReturnType<typeof articleOf>[] | null = null;

/** An article for each rule: made once, when the guide is first opened, from the rules themselves. */
export function guideArticles() {
  articles ??= RULES.map(articleOf);
  return articles;
}
