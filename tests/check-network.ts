import type { Network } from "#core/schedule/solve/network";

/**
 * Checks a schedule without knowing how it was made: whole starts of every activity, work inside one window, waits
 * between their bounds, and never more taken of anything than there is. Returns what is wrong.
 */
export function faultsOfSchedule(network: Network, starts: Readonly<Record<string, number>>): string[] {
  const faults: string[] = [];
  const at = new Map<string, { from: number; to: number }>();
  for (const { id, duration, uses, calendar, earliest, latest } of network.activities) {
    const from = starts[id];
    if (from === undefined || !Number.isInteger(from) || from < 0) {
      faults.push(`${id} has no start`);
      continue;
    }
    const to = from + duration;
    at.set(id, { from, to });
    const windows = network.calendars[calendar ?? 0]!;
    if ((uses.painter ?? 0) > 0 && !windows.some(([opens, shuts]) => from >= opens && to <= shuts))
      faults.push(`${id} is not inside one window`);
    if (earliest !== undefined && from < earliest) faults.push(`${id} before its earliest`);
    if (latest !== undefined && from > latest) faults.push(`${id} after its latest`);
  }
  if (Object.keys(starts).length !== network.activities.length) faults.push("starts of something else");
  for (const { from, to, min, max, varies } of network.lags) {
    const one = at.get(from);
    const two = at.get(to);
    if (!one || !two) continue;
    if (varies) {
      if (two.from < varies.opens(one.to)) faults.push(`${from} to ${to}: too early`);
      if (varies.shuts && two.from > varies.shuts(one.to)) faults.push(`${from} to ${to}: too late`);
      continue;
    }
    if (two.from - one.to < min) faults.push(`${from} to ${to}: ${two.from - one.to} is under ${min}`);
    if (max !== null && two.from - one.to > max) faults.push(`${from} to ${to}: ${two.from - one.to} is over ${max}`);
  }
  for (const [name, most] of Object.entries(network.capacity)) {
    const changes = network.activities.flatMap(({ id, uses }) => {
      const place = at.get(id);
      const use = uses[name] ?? 0;
      return place && use > 0 && place.to > place.from
        ? [
            { minute: place.from, change: use },
            { minute: place.to, change: -use },
          ]
        : [];
    });
    changes.sort((a, b) => a.minute - b.minute || a.change - b.change);
    let taken = 0;
    for (const { minute, change } of changes) {
      taken += change;
      if (taken > most) {
        faults.push(`${taken} of ${name} at minute ${minute}`);
        break;
      }
    }
  }
  return faults;
}

export const makespanOf = (network: Network, starts: Readonly<Record<string, number>>) =>
  Math.max(0, ...network.activities.map(({ id, duration }) => starts[id]! + duration));
