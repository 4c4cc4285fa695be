import { FAR, fitsOf, type Minute, type Network } from "./network.ts";

export interface Slack {
  /** how late each activity may begin without anything finishing after the last finish, in the order it has */
  latest: Record<string, Minute>;
  /** the chain that sets the last finish, from its first activity to its last */
  critical: string[];
}

/**
 * Room in a schedule, and the chain of waits and work that decides when it ends. The order on every resource stays as
 * it is.
 */
export function slackOf(network: Network, starts: Readonly<Record<string, Minute>>): Slack {
  const { activities, lags, capacity } = network;
  const count = activities.length;
  const place = new Map(activities.map(({ id }, index) => [id, index]));
  const fits = fitsOf(network);
  const start = Int32Array.from(activities, ({ id }) => starts[id]!);
  const duration = Int32Array.from(activities, (activity) => activity.duration);
  const end = (at: number) => start[at]! + duration[at]!;
  const makespan = activities.reduce((last, { aside }, index) => (aside ? last : Math.max(last, end(index))), 0);
  const after: { to: number; min: number }[][] = activities.map(() => []);
  const before: { from: number; earliest: (finish: Minute) => Minute }[][] = activities.map(() => []);
  const link = (from: number, to: number, min: number, earliest = (finish: Minute) => finish + min) => {
    after[from]!.push({ to, min });
    before[to]!.push({ from, earliest });
  };
  for (const { from, to, min, varies } of lags) {
    const first = place.get(from)!;
    const next = place.get(to)!;
    // a wait that varies counts as long as it is from where it now begins
    link(first, next, varies ? varies.opens(end(first)) - end(first) : min, varies?.opens);
  }
  for (const [name, most] of Object.entries(capacity)) {
    const users = activities.flatMap((activity, index) =>
      (activity.uses[name] ?? 0) > 0 && activity.duration > 0 ? [index] : [],
    );
    users.sort((a, b) => start[a]! - start[b]! || a - b);
    users.forEach((user, index) => {
      for (const later of most === 1 ? users.slice(index + 1, index + 2) : users.slice(index + 1))
        if (end(user) <= start[later]!) link(user, later, 0);
    });
  }
  // a due date that is missed anyway holds nobody back
  const latest = Int32Array.from(activities, (activity, index) =>
    Math.min(
      activity.latest ?? FAR,
      Math.max(start[index]!, Math.min(makespan - duration[index]!, activity.due ?? FAR)),
    ),
  );
  const inOrder = Array.from({ length: count }, (_, index) => index).sort((a, b) => start[b]! - start[a]!);
  for (let moved = true, rounds = 0; moved && rounds < count; rounds++) {
    moved = false;
    for (const at of inOrder) {
      let bound = latest[at]!;
      for (const { to, min } of after[at]!) bound = Math.min(bound, latest[to]! - min - duration[at]!);
      const fit = fits[at]!;
      const held = Math.max(start[at]!, fit === null ? bound : fit.previous(bound));
      if (held < latest[at]!) {
        latest[at] = held;
        moved = true;
      }
    }
    for (const { from, to, max, varies } of lags) {
      if (max === null) continue;
      const first = place.get(from)!;
      const next = place.get(to)!;
      const ends = latest[first]! + duration[first]!;
      const most = varies?.shuts ? varies.shuts(ends) : ends + max;
      // a window that is missed anyway holds nobody back either
      const held = Math.max(start[next]!, most);
      if (held < latest[next]!) {
        latest[next] = held;
        moved = true;
      }
    }
  }
  return {
    latest: Object.fromEntries(activities.map(({ id }, index) => [id, latest[index]!])),
    critical: chainTo(),
  };

  /** From the last finish back along whatever held each start where it is. */
  function chainTo(): string[] {
    if (count === 0) return [];
    const own = inOrder.filter((place) => !activities[place]!.aside);
    let at = own.reduce((last, place) => (end(place) > end(last) ? place : last), own[0] ?? inOrder[0]!);
    const chain = [at];
    const seen = new Set(chain);
    for (;;) {
      let holds = -1;
      let best = Number.NEGATIVE_INFINITY;
      for (const { from, earliest } of before[at]!) {
        if (seen.has(from)) continue;
        const pushes = earliest(end(from));
        const fit = fits[at]!;
        const lands = fit === null ? pushes : fit.next(pushes);
        if (lands === start[at] && pushes > best) {
          best = pushes;
          holds = from;
        }
      }
      if (holds < 0) break;
      at = holds;
      seen.add(at);
      chain.push(at);
    }
    return chain.reverse().map((place) => activities[place]!.id);
  }
}
