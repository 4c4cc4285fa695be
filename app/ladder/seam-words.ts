import type { JudgedPhase } from "#core/judge/judge";
import { sayWait } from "#core/plan/wait";
import type { Finding, Severity, Wait } from "#core/rules/rule";
import { SEVERITY_ORDER } from "#core/rules/rule";
import { sayDurations, shortDuration } from "#core/units/duration";

export interface SeamSays {
  severity: Severity | "none";
  text: string;
  /** the reason, where there is room for it; empty where the text says all */
  why: string;
  /** a window that shuts within two days: worth saying even in a long crust */
  tight: boolean;
}

const TIGHT = 48 * 60;

function window(demand: Wait): { opens: number; shuts: number | null; reason: string } {
  const gate = demand.gates[0]!;
  return { opens: gate.opens.safe, shuts: gate.shuts?.safe ?? null, reason: demand.reason };
}

/** "in one session with the step before, 4 sections"; null for a step that begins its own. */
export function sayGo({ phase: { go, id } }: JudgedPhase): string | null {
  if (go === null || go.ids[0] === id) return null;
  return `in one session with the step before${go.sections > 1 ? `, ${go.sections} sections` : ""}`;
}

/** What the seam under a step says: the worst verdict, otherwise the wait that binds, otherwise nothing. */
export function seamSays(first: JudgedPhase | undefined, findings: readonly Finding[]): SeamSays {
  const worst = [...findings].sort((a, b) => SEVERITY_ORDER[a.severity] - SEVERITY_ORDER[b.severity])[0];
  if (worst && worst.severity !== "note")
    return { severity: worst.severity, text: worst.title, why: worst.because, tight: true };
  const windows = (first?.demands ?? []).map(window);
  const shutting = windows
    .filter((window) => window.shuts !== null && window.shuts <= TIGHT)
    .sort((a, b) => a.shuts! - b.shuts!)[0];
  const opening = windows.filter((window) => window.opens > 0).sort((a, b) => b.opens - a.opens)[0];
  const own = first?.phase.step.wait;
  const parts: string[] = [];
  const together = first && sayGo(first);
  if (together) parts.push(together);
  if (shutting) {
    const opens = Math.max(shutting.opens, opening?.opens ?? 0);
    const until = shortDuration(shutting.shuts!);
    parts.push(
      `${opens === 0 ? `within ${until}` : shutting.opens > 0 ? sayDurations(opens, shutting.shuts!) : `after ${shortDuration(opens)} and within ${until}`}: ${shutting.reason}`,
    );
  } else if (opening) parts.push(`${shortDuration(opening.opens)}: ${opening.reason}`);
  if (own) parts.push(`your wait: ${sayWait(own)}`);
  if (worst && parts.length === 0) return { severity: "note", text: worst.title, why: worst.because, tight: false };
  return { severity: "none", text: parts.join(" · "), why: worst ? worst.title : "", tight: shutting !== undefined };
}
