import { sayIssue } from "../plan/fault-words.ts";
import { clashOf } from "../schedule/solve/clash.ts";
import { NetworkFile, networkFrom } from "../schedule/solve/network-file.ts";
import type { Peers } from "../schedule/solve/peers.ts";
import { solve } from "../schedule/solve/solve.ts";
import { placeOf } from "./plan-file.ts";

export interface SolveReport {
  name: string;
  feasible: boolean;
  makespan: number | null;
  starts: Record<string, number> | null;
  lowerBound: number;
  proven: boolean;
  elapsedMs: number;
  /** claims that cannot all be met; dropping any one of them frees the rest */
  clash?: ({ lag: { from: string; to: string; min: number; max: number | null } } | { activity: string })[];
}

const sayPath = (path: readonly PropertyKey[]) =>
  path
    .map((part, index) => (typeof part === "number" ? `[${part}]` : `${index === 0 ? "" : "."}${String(part)}`))
    .join("");

/** Reads the text of a network file; a fault says where and what. */
export function readNetworkFile(text: string): { ok: true; file: NetworkFile } | { ok: false; says: string } {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return { ok: false, says: `the file is not valid JSON: it is damaged ${placeOf(error, text)}` };
  }
  const read = NetworkFile.safeParse(raw, { error: sayIssue });
  if (read.success) return { ok: true, file: read.data };
  const { path, message } = read.error.issues[0]!;
  return { ok: false, says: path.length === 0 ? message : `at ${sayPath(path)}: ${message}` };
}

/** The share of the time that looking for a clash may take on top. */
const CLASH_SHARE = 1;
const LEAST_FOR_CLASH = 500;

/** The shortest schedule of a network within a budget of milliseconds, or why there is none. */
export function solveReport(
  file: NetworkFile,
  budget: number,
  now: () => number,
  peers?: Peers | undefined,
): SolveReport {
  const network = networkFrom(file);
  const began = now();
  const { feasible, makespan, starts, lowerBound, proven } = solve(network, { budget, now, ...(peers && { peers }) });
  peers?.stop();
  const report = { name: file.name, feasible, makespan, starts, lowerBound, proven };
  if (feasible || !proven) return { ...report, elapsedMs: Math.round(now() - began) };
  const claims = clashOf(network, { budget: Math.max(LEAST_FOR_CLASH, CLASH_SHARE * budget), now });
  const clash = claims?.map((claim) => {
    if ("activity" in claim) return { activity: claim.activity.id };
    // network files know no due dates
    if ("due" in claim) return { activity: claim.due.id };
    const { from, to, min, max } = claim.lag;
    return { lag: { from, to, min, max } };
  });
  return { ...report, elapsedMs: Math.round(now() - began), ...(clash ? { clash } : {}) };
}
