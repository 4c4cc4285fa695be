import { namedFixes } from "#core/judge/fixes";
import { judge } from "#core/judge/judge";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Plan } from "#core/plan/plan";
import { named } from "#core/rules/words";
import { candidates } from "./corpus";

/** What is said without what it is said of: names of materials, figures and lengths of time left out. */
function withoutParticulars(): (text: string) => string {
  const names = CATALOGUE.map(named).sort((a, b) => b.length - a.length);
  const material = new RegExp(names.map((name) => name.replace(/[.*+?^${}()|[\]\\]/g, "\\$&")).join("|"), "gi");
  return (text) =>
    text
      .replace(/"[^"]*"/g, "…")
      .replace(material, "…")
      .replace(/\d+( (min|h|days?|days?))?/g, "#")
      .replace(/((…|#)(, | and | )?)+/g, "… ");
}

/** The names of plans that together have everything that any of the candidates has: every thing said, every repair, every change. */
export function chosenAgain(): string[] {
  const plain = withoutParticulars();
  const seen = new Set<string>();
  const chosen: string[] = [];
  const bases = new Map<string, Map<string, string>>();
  const has = (plan: Plan, kind: string, base: string): string[] => {
    const fires = new Map<string, string>();
    const found: string[] = [];
    for (const { findings } of judge(plan).zones)
      for (const finding of findings) {
        const { rule, severity, part, title, because } = finding;
        fires.set(rule, severity);
        found.push([rule, severity, part, plain(title)].join("|"), [rule, plain(because)].join("|"));
        for (const { label } of namedFixes(plan, finding)) found.push(`${rule}|offers ${plain(label)}`);
      }
    if (kind === "") bases.set(base, fires);
    const before = bases.get(base);
    for (const rule of before && kind !== "" ? new Set([...before.keys(), ...fires.keys()]) : [])
      if (before!.get(rule) !== fires.get(rule))
        found.push(`${rule}: ${before!.get(rule)} > ${fires.get(rule)} by ${kind.split(" ")[0]}`);
    return found;
  };
  for (const { name, kind, base, plan } of candidates()) {
    const fresh = has(plan(), kind, base).filter((ha) => !seen.has(ha));
    for (const text of fresh) seen.add(text);
    if (fresh.length > 0) chosen.push(name);
  }
  return chosen;
}
