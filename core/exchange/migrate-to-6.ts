import { asWrittenNow } from "../plan/old-step.ts";

// Version 6 writes a mix as parts where version 5 had a second material and a ratio in words, and what a step is worked over
// where version 5 had what it covers.

type Raw = Record<string, unknown>;

const isRaw = (value: unknown): value is Raw => typeof value === "object" && value !== null && !Array.isArray(value);

/** Version 5 plans: every step as it is written now. */
export function withStepsAsNow(raw: Raw): Raw {
  if (!Array.isArray(raw.crusts)) return raw;
  const crusts = raw.crusts.map((crust: unknown) =>
    isRaw(crust) && Array.isArray(crust.steps) ? { ...crust, steps: crust.steps.map(asWrittenNow) } : crust,
  );
  return { ...raw, crusts };
}
