import { describe, expect, it } from "vitest";
import { networksOf } from "../../../tests/network-families.ts";
import { FAR } from "./network.ts";
import { Peers } from "./peers.ts";
import { solve } from "./solve.ts";

const now = () => performance.now();

describe("solvers side by side", () => {
  it("know the best schedule and the highest bound of any of them", () => {
    const peers = Peers.of(3);
    const two = new Peers(peers.buffer);
    expect(peers.makespan).toBe(FAR);
    two.offer(Int32Array.of(0, 10, 20), 30);
    expect(peers.earlierThan(31)).toEqual({ starts: Int32Array.of(0, 10, 20), makespan: 30 });
    expect(peers.earlierThan(30)).toBeNull();
    peers.offer(Int32Array.of(9, 9, 9), 40);
    expect(two.makespan).toBe(30);
    peers.raise(20);
    two.raise(15);
    expect([peers.bound, two.bound]).toEqual([20, 20]);
    two.stop();
    expect(peers.stopped).toBe(true);
  });

  it("take over what another has found, and are done when it is as good as the bound", () => {
    const [network] = networksOf(20, 18, 1, 2);
    const alone = solve(network!, { budget: 3000, now });
    expect(alone.proven).toBe(true);
    const peers = Peers.of(network!.activities.length);
    peers.offer(
      Int32Array.from(network!.activities, ({ id }) => alone.starts![id]!),
      alone.makespan!,
    );
    peers.raise(alone.lowerBound);
    const together = solve(network!, { budget: 3000, now, peers });
    expect(together).toMatchObject({ makespan: alone.makespan, proven: true });
  });
});
