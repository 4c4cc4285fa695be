import { SEVERITY_ORDER, type Severity } from "#core/rules/rule";

export const SEVERITY_WORDS: Record<Severity, { one: string; many: string; text: string; edge: string; line: string }> =
  {
    stop: { one: "stop", many: "stops", text: "text-ochre", edge: "border-l-ochre", line: "2 5" },
    caution: { one: "caution", many: "cautions", text: "text-sienna", edge: "border-l-sienna", line: "8 4" },
    note: { one: "note", many: "notes", text: "text-soft", edge: "border-l-edge", line: "" },
  };

/** The worst that was found. */
export const worstOf = (findings: readonly { severity: Severity }[]): Severity | null =>
  [...findings].sort((a, b) => SEVERITY_ORDER[a.severity] - SEVERITY_ORDER[b.severity])[0]?.severity ?? null;

/** A small seam: whole, dashed or broken, so that a verdict never depends on colour alone. */
export function SeamMark({ severity, width = 56 }: { severity: Severity | "none"; width?: number }) {
  const tone = severity === "none" ? "text-edge" : SEVERITY_WORDS[severity].text;
  return (
    <svg viewBox={`0 0 ${width} 8`} width={width} height={8} aria-hidden="true" className={`shrink-0 ${tone}`}>
      <path
        d={`M1 4c${width / 8} -3.4 ${width / 5} 3.4 ${width / 2.6} 0s${width / 4} 2.6 ${width - 2 - width / 2.6} 0`}
        fill="none"
        stroke="currentColor"
        strokeWidth={severity === "stop" ? 2.2 : severity === "caution" ? 1.9 : 1.2}
        strokeDasharray={severity === "none" ? undefined : SEVERITY_WORDS[severity].line || undefined}
        strokeLinecap="round"
      />
    </svg>
  );
}
