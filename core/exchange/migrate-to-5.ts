import { CATALOGUE } from "../materials/catalogue.ts";
import { DEFAULT_HOURS } from "../plan/hours.ts";
import { withoutUnseen } from "../units/plain-text.ts";
import { readWallTime } from "../units/wall-time.ts";

// Version 5 refuses what could never be met. Older plans may contain it; it is put right here, so that they can still
// be read.

type Raw = Record<string, unknown>;

const isRaw = (value: unknown): value is Raw => typeof value === "object" && value !== null && !Array.isArray(value);
/** Text, or none: whatever a file has in its place may not even convert to text. */
const textOf = (value: unknown): string => (typeof value === "string" ? value : "");
const list = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);

/** Names without invisible characters, wherever they are. */
function withPlainTexts(value: unknown, depth = 0): unknown {
  if (typeof value === "string") return value.includes("\n") ? value : withoutUnseen(value);
  if (depth > 12) return value;
  if (Array.isArray(value)) return value.map((part) => withPlainTexts(part, depth + 1));
  if (!isRaw(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, withPlainTexts(part, depth + 1)]));
}

/**
 * A coat of a material that the plan does not have laid nothing; it is kept as a look at the surface that says what
 * it was.
 */
function asInspection(step: Raw): Raw {
  const { what, with: _, ratio: __, ...rest } = step;
  const was = `Was a coat of "${textOf(what) || "no material"}", which this plan did not hold.`;
  return {
    ...rest,
    kind: "inspect",
    how: "look",
    coats: 1,
    note: `${was} ${textOf(step.note)}`.trim().slice(0, 400),
  };
}

function stepOf(raw: unknown, at: number, steps: readonly unknown[], pinned: ReadonlySet<unknown>): unknown {
  if (!isRaw(raw)) return raw;
  let step = raw;
  if ((step.what !== undefined && !pinned.has(step.what)) || (step.kind === "coat" && step.what === undefined))
    step = asInspection(step);
  if (step.with !== undefined && !pinned.has(step.with)) {
    const { with: _, ...rest } = step;
    step = rest;
  }
  const ids = new Set(steps.flatMap((step, index) => (isRaw(step) && index !== at ? [step.id] : [])));
  if (step.reveals !== undefined && step.reveals !== "ground" && !ids.has(step.reveals)) {
    const { reveals: _, ...rest } = step;
    step = rest;
  }
  return step;
}

/** Figures whose careful side was the shorter: both are set to the longer. */
function withSafeFigures(raw: unknown): unknown {
  if (!isRaw(raw) || !isRaw(raw.drying)) return raw;
  const drying = Object.fromEntries(
    Object.entries(raw.drying).map(([stage, figure]) => {
      if (!isRaw(figure) || typeof figure.typical !== "number" || typeof figure.safe !== "number")
        return [stage, figure];
      return [stage, { ...figure, safe: Math.max(figure.safe, figure.typical) }];
    }),
  );
  return { ...raw, drying };
}

function coatsOf(step: Raw, zone: Raw): Set<string> {
  const counts = [
    step.coats,
    ...list(zone.overrides).flatMap((override) =>
      isRaw(override) && override.stepId === step.id ? [override.coats] : [],
    ),
  ];
  const ids = new Set<string>();
  for (const count of counts)
    if (typeof count === "number" && count > 1)
      for (let coat = 1; coat <= Math.min(count, 12); coat++) ids.add(`${textOf(step.id)}/${coat}`);
    else if (count === 1) ids.add(textOf(step.id));
  return ids;
}

/** Version 4 plans: times, materials and names that version 5 would refuse. */
export function withTimesAndMaterials(before: Raw): Raw {
  const plain = withPlainTexts(before);
  const raw = isRaw(plain) ? plain : { ...before };
  const pinned = isRaw(raw.pinned) ? raw.pinned : {};
  const materials = list(pinned.materials).map(withSafeFigures);
  const held = new Set(materials.flatMap((material) => (isRaw(material) ? [material.id] : [])));
  for (const crust of list(raw.crusts))
    for (const step of isRaw(crust) ? list(crust.steps) : [])
      for (const id of isRaw(step) ? [step.what, step.with] : []) {
        const known = held.has(id) ? undefined : CATALOGUE.find((material) => material.id === id);
        if (!known) continue;
        held.add(id);
        materials.push(known);
      }
  const crusts = list(raw.crusts).map((crust) => {
    if (!isRaw(crust)) return crust;
    const steps = list(crust.steps);
    return { ...crust, steps: steps.map((step, index) => stepOf(step, index, steps, held)) };
  });
  const stepsOf = new Map(
    crusts.flatMap((crust) => (isRaw(crust) ? [[crust.id, list(crust.steps).filter(isRaw)] as const] : [])),
  );
  const phases = new Map<unknown, Set<string>>();
  const pieces = list(raw.pieces).map((piece) => {
    if (!isRaw(piece)) return piece;
    const zones = list(piece.zones).map((zone) => {
      if (!isRaw(zone)) return zone;
      const steps = stepsOf.get(zone.crustId) ?? [];
      phases.set(zone.id, new Set(steps.flatMap((step) => [...coatsOf(step, zone)])));
      const ids = new Set(steps.map(({ id }) => id));
      return Array.isArray(zone.overrides)
        ? { ...zone, overrides: zone.overrides.filter((override) => !isRaw(override) || ids.has(override.stepId)) }
        : zone;
    });
    return { ...piece, zones };
  });
  const start = readWallTime(textOf(raw.start));
  const due = readWallTime(textOf(raw.due));
  if (start !== null && due !== null && due <= start) delete raw.due;
  const pins = list(raw.pins).filter((pin) => {
    if (!isRaw(pin)) return true;
    const starts = readWallTime(textOf(pin.starts));
    const inTime = start === null || starts === null || starts >= start;
    return inTime && (phases.get(pin.zoneId)?.has(textOf(pin.phaseId)) ?? false);
  });
  return {
    ...raw,
    ...(Array.isArray(raw.pins) ? { pins } : {}),
    ...(Array.isArray(raw.crusts) ? { crusts } : {}),
    ...(Array.isArray(raw.pieces) ? { pieces } : {}),
    ...(isRaw(raw.pinned)
      ? {
          pinned: {
            ...pinned,
            ...(Array.isArray(pinned.materials) ? { materials } : {}),
            ...(isRaw(pinned.hours) ? { hours: withSomeHours(pinned.hours) } : {}),
          },
        }
      : {}),
  };
}

/** A week in which nobody works could not be dated; it gets the usual hours. */
function withSomeHours(hours: Raw): Raw {
  const week = hours.weekdays;
  const none = Array.isArray(week) && week.length === 7 && week.every((day) => Array.isArray(day) && day.length === 0);
  return none ? { ...hours, weekdays: DEFAULT_HOURS.weekdays } : hours;
}
