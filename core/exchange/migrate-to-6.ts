import { withMix } from "../plan/old-mix.ts";

// Version 6 writes a mix as parts where version 5 had a second material and a ratio in words.

type Raw = Record<string, unknown>;

const isRaw = (value: unknown): value is Raw => typeof value === "object" && value !== null && !Array.isArray(value);

/** Version 5 plans: every step's mix. */
export function withMixes(raw: Raw): Raw {
  if (!Array.isArray(raw.crusts)) return raw;
  const crusts = raw.crusts.map((crust: unknown) =>
    isRaw(crust) && Array.isArray(crust.steps) ? { ...crust, steps: crust.steps.map(withMix) } : crust,
  );
  return { ...raw, crusts };
}
