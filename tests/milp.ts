import loadHighs from "highs";
import { type Network, PAINTER } from "#core/schedule/solve/network";

let solver: ReturnType<typeof loadHighs> | null = null;

/**
 * The least makespan of a small network by a general MILP solver; null where there is none. Starts are continuous, a binary
 * chooses the window of each piece of work, and another who goes first of each pair that cannot run together. With two
 * painters, who may run beside whom is a choice of hands.
 */
export async function cheapestByMilp(network: Network): Promise<number | null> {
  solver ??= loadHighs();
  const highs = await solver;
  const { activities, lags, capacity, calendars } = network;
  const windows = calendars[0]!;
  const end = windows.at(-1)![1];
  const most = end + activities.reduce((sum, { duration }) => sum + duration + 1000, 0);
  const rules: string[] = [];
  const binary: string[] = [];
  const bounds: string[] = [" 0 <= m"];
  const place = new Map(activities.map(({ id }, index) => [id, index]));
  activities.forEach(({ duration, uses }, index) => {
    rules.push(`m - s${index} >= ${duration}`);
    bounds.push(` 0 <= s${index} <= ${most}`);
    if (!((uses[PAINTER] ?? 0) > 0)) return;
    const fitting = windows.flatMap(([from, to], window) => (to - from >= duration ? [{ from, to, window }] : []));
    if (fitting.length === 0) {
      rules.push(`s${index} >= ${most + 1}`);
      return;
    }
    for (const { window } of fitting) binary.push(`w${index}x${window}`);
    rules.push(`${fitting.map(({ window }) => `w${index}x${window}`).join(" + ")} = 1`);
    rules.push(`s${index} ${fitting.map(({ from, window }) => `- ${from} w${index}x${window}`).join(" ")} >= 0`);
    rules.push(`s${index} ${fitting.map(({ to, window }) => `- ${to - duration} w${index}x${window}`).join(" ")} <= 0`);
  });
  for (const { from, to, min, max } of lags) {
    const one = place.get(from)!;
    const two = place.get(to)!;
    const { duration } = activities[one]!;
    rules.push(`s${two} - s${one} >= ${duration + min}`);
    if (max !== null) rules.push(`s${two} - s${one} <= ${duration + max}`);
  }
  const workers = activities.flatMap(({ uses, duration }, index) =>
    (uses[PAINTER] ?? 0) > 0 && duration > 0 ? [index] : [],
  );
  const hands = capacity[PAINTER] ?? 0;
  for (const at of workers) {
    const chosen = Array.from({ length: hands }, (_, hand) => `h${at}x${hand}`);
    binary.push(...chosen);
    rules.push(`${chosen.join(" + ")} = 1`);
  }
  workers.forEach((worker, index) => {
    for (const two of workers.slice(index + 1)) {
      binary.push(`y${worker}x${two}`);
      for (let hand = 0; hand < hands; hand++) {
        // with the same hands, one is done before the other begins
        const same = `- ${most} h${worker}x${hand} - ${most} h${two}x${hand}`;
        rules.push(
          `s${two} - s${worker} - ${most} y${worker}x${two} ${same} >= ${activities[worker]!.duration - 3 * most}`,
        );
        rules.push(
          `s${worker} - s${two} + ${most} y${worker}x${two} ${same} >= ${activities[two]!.duration - 2 * most}`,
        );
      }
    }
  });
  const text = `Minimize\n obj: m\nSubject To\n${rules.map((rule, index) => ` c${index}: ${rule}`).join("\n")}\nBounds\n${bounds.join("\n")}\nBinary\n ${binary.join("\n ")}\nEnd\n`;
  const answer = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0.4 });
  return answer.Status === "Optimal" ? Math.round(answer.ObjectiveValue) : null;
}

/** The least price of packs that hold at least so much, by the same solver: a whole number of each. */
export async function cheapestBasket(
  need: number,
  packs: readonly { holds: number; price: number | null }[],
): Promise<number | null> {
  solver ??= loadHighs();
  const highs = await solver;
  const sum = (of: (pack: { holds: number; price: number | null }) => number) =>
    packs.map((pack, index) => `${of(pack)} p${index}`).join(" + ");
  const found = highs.solve(
    `Minimize\n cost: ${sum(({ price }) => price ?? 0)}\nSubject To\n ${sum(({ holds }) => holds)} >= ${need}\nGeneral\n ${packs
      .map((_, index) => `p${index}`)
      .join(" ")}\nEnd`,
    { mip_rel_gap: 0, mip_abs_gap: 0 },
  );
  return found.Status === "Optimal" ? found.ObjectiveValue : null;
}
