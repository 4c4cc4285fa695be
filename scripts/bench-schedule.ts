import { readdirSync, readFileSync } from "node:fs";
import fc from "fast-check";
import { judge } from "#core/judge/judge";
import { schedule } from "#core/schedule/schedule";
import { clashOf } from "#core/schedule/solve/clash";
import type { Network } from "#core/schedule/solve/network";
import { NetworkFile, networkFrom } from "#core/schedule/solve/network-file";
import { solve } from "#core/schedule/solve/solve";
import { hobnailYard } from "#demo/hobnail-yard";
import { cheapestByMilp } from "../tests/milp";
import { networksOf } from "../tests/network-families";
import { smallNetwork } from "../tests/random-networks";

/**
 * What the solver takes and how close it comes: the networks with known answers, random ones against a MILP solver,
 * the demo shop.
 */

const FOLDER = "tests/networks";
const RANDOM = 60;
const now = () => performance.now();
/** Sizes of networks of all families and hours, how many of each, and what is wanted. */
const FAMILIES = [
  [5, 12, 40, "all proven"],
  [15, 31, 40, "mean ≤ 0.05 %, ≥ 95 % proven"],
  [40, 83, 40, "mean ≤ 0.5 %, worst ≤ 3 %, over the best known"],
  [200, 320, 14, "mean ≤ 1.5 %, worst ≤ 4 %"],
] as const;

interface Known {
  feasible: boolean;
  makespan: number | null;
  lowerBound: number;
}

interface Case {
  network: Network;
  known: Known | null;
}

const read = (name: string) => JSON.parse(readFileSync(`${FOLDER}/${name}`, "utf8"));

function cases(): Case[] {
  const names = readdirSync(FOLDER);
  return names
    .filter((name) => !name.includes("answer"))
    .map((name) => {
      const answer = name.replace(".json", ".answer.json");
      return {
        network: networkFrom(NetworkFile.parse(read(name))),
        known: names.includes(answer) ? read(answer) : null,
      };
    });
}

type Tell = (what: string, value: string, target?: string) => void;
const percent = (share: number) => `${(100 * share).toFixed(2)} %`;
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

function gaps(some: readonly Case[], budget: number) {
  const found = some.map(({ network, known }) => {
    const began = now();
    const { makespan, lowerBound, proven } = solve(network, { budget, now });
    const best = known?.makespan ?? lowerBound;
    return { gap: makespan === null ? 1 : Math.max(0, makespan / best - 1), proven, took: now() - began };
  });
  const worst = Math.max(...found.map(({ gap }) => gap));
  const proven = found.filter((one) => one.proven).length / found.length;
  const longest = Math.max(...found.map(({ took }) => took));
  return `mean gap ${percent(mean(found.map(({ gap }) => gap)))}, worst ${percent(worst)}, ${Math.round(100 * proven)} % proven, longest ${longest.toFixed(0)} ms`;
}

export async function benchSchedule(tell: Tell) {
  const all = cases();
  const size = ({ network }: Case) => network.activities.length;
  const feasible = all.filter(({ known }) => known?.feasible !== false);
  gaps(
    feasible.filter((one) => size(one) <= 31),
    50,
  );
  tell(
    "networks of up to 12 activities, 100 ms",
    gaps(
      feasible.filter((one) => size(one) <= 12),
      100,
    ),
    "all proven, ≤ 100 ms",
  );
  const small = feasible.filter((one) => size(one) <= 31);
  tell(`${small.length} networks of up to 31, 50 ms`, gaps(small, 50), "mean ≤ 0.3 %");
  tell(`${small.length} networks of up to 31, 500 ms`, gaps(small, 500), "mean ≤ 0.1 %, ≥ 90 % proven");
  const middle = feasible.filter((one) => size(one) >= 40 && size(one) <= 83);
  tell(`${middle.length} networks of 40 to 83, 500 ms`, gaps(middle, 500), "mean ≤ 1 %, worst ≤ 5 %");
  const large = feasible.filter((one) => size(one) >= 200);
  tell(`${large.length} networks of 200 to 850, 500 ms, over the bound`, gaps(large, 500), "mean ≤ 1.5 %");

  for (const [least, most, many, target] of FAMILIES) {
    const invented = networksOf(most, least, many).map((network) => ({ network, known: null }));
    const possible = invented.filter(({ network }) => solve(network, { budget: 100, now }).feasible);
    tell(
      `${possible.length} invented networks of ${least} to ${most} activities, 500 ms, over their own bounds`,
      gaps(possible, 500),
      target,
    );
  }

  const impossible = all.filter(({ known }) => known?.feasible === false);
  const times = impossible.map(({ network }) => {
    const began = now();
    const { proven } = solve(network, { budget: 1000, now });
    const proof = now() - began;
    clashOf(network, { budget: 1000, now });
    return { proven, proof, clash: now() - began - proof };
  });
  tell(
    `${impossible.length} networks without a schedule`,
    `${times.filter(({ proven }) => proven).length} proven in at most ${Math.max(...times.map(({ proof }) => proof)).toFixed(0)} ms, clash named in at most ${Math.max(...times.map(({ clash }) => clash)).toFixed(0)} ms`,
    "proven ≤ 250 ms, clash ≤ 1 s",
  );

  let agree = 0;
  for (const network of fc.sample(smallNetwork(6), { numRuns: RANDOM, seed: 5 }))
    if (solve(network, { budget: 5000, now }).makespan === (await cheapestByMilp(network))) agree++;
  tell(`${RANDOM} random small networks against a general MILP solver`, `${agree} agree`, "all");

  const works = hobnailYard().map((plan) => ({ plan, judgement: judge(plan) }));
  const quick = (runs: number) =>
    Array.from({ length: runs }, () => {
      const began = now();
      schedule(works);
      return now() - began;
    }).sort((a, b) => a - b);
  quick(3);
  const settle = works.filter(({ plan }) => plan.id === "carved-settle");
  const one = Array.from({ length: 9 }, () => {
    const began = now();
    schedule(settle);
    return now() - began;
  }).sort((a, b) => a - b);
  const began = now();
  const best = schedule(works, { budget: 1000, now });
  tell(
    "whole demo shop, one of its jobs full of faults: first valid, best",
    `${quick(7)[3]!.toFixed(0)} ms, ${(now() - began).toFixed(0)} ms with ${best.clashes.length} clashes found`,
    "≤ 50 ms, ≤ 1 s",
  );
  tell("a job of 54 activities: first valid", `${one[4]!.toFixed(0)} ms median`, "≤ 50 ms");
}
