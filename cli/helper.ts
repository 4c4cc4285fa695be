import { parentPort } from "node:worker_threads";
import { networkFrom } from "#core/schedule/solve/network-file";
import { Peers } from "#core/schedule/solve/peers";
import { solve } from "#core/schedule/solve/solve";
import { warmUp } from "#core/schedule/solve/warm-up";
import type { BesideTask } from "./beside";

// The thread of the second solver: it tries other orders for most of the time, where the first decides pair by pair.

const SEED = 7;
const REARRANGING = 0.8;

warmUp(() => performance.now());
parentPort!.on("message", ({ file, buffer, budget }: BesideTask) => {
  const peers = new Peers(buffer);
  const began = performance.now();
  const now = () => (peers.stopped ? Number.POSITIVE_INFINITY : performance.now());
  const left = budget - (performance.now() - began);
  solve(networkFrom(file), { budget: left, now, seed: SEED, rearranging: REARRANGING, peers });
});
parentPort!.postMessage("warm");
