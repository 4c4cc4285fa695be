import { describe, expect, it } from "vitest";
import { faultsOfSchedule } from "../../../tests/check-network.ts";
import { networksOf } from "../../../tests/network-families.ts";
import { blocksOf } from "./blocks.ts";
import { Bound } from "./bound.ts";
import { chainsOf, tailsOf } from "./chains.ts";
import { Decoder, mirrored, onlyHands } from "./decoder.ts";
import { Gaps } from "./gaps.ts";
import { FAR, type Network } from "./network.ts";
import { Rearranging } from "./rearrange.ts";

const networks = networksOf(70, 20, 14, 3);

function decoderOf(network: Network) {
  const chains = chainsOf(network);
  const duration = Int32Array.from(network.activities, (activity) => activity.duration);
  const blocks = blocksOf(chains, tailsOf(chains, duration, duration));
  return { blocks, decoder: new Decoder(network, onlyHands(network)!, chains, blocks) };
}

const named = (network: Network, starts: Int32Array) =>
  Object.fromEntries(network.activities.map(({ id }, index) => [id, starts[index]!]));

describe("the free time of the painters", () => {
  it("finds the first gap that is long enough, and gives back what was taken", () => {
    const gaps = new Gaps(
      [
        [0, 60],
        [100, 200],
      ],
      1,
      5,
    );
    expect(gaps.takeFirst(0, 40)).toBe(0);
    expect(gaps.takeFirst(0, 30)).toBe(100);
    expect(gaps.takeFirst(0, 20)).toBe(40);
    expect(gaps.takeFirst(0, 70)).toBe(130);
    expect(gaps.takeFirst(0, 1)).toBe(FAR);
    gaps.giveBack();
    expect(gaps.takeFirst(150, 10)).toBe(150);
    expect(gaps.takeFirst(0, 20)).toBe(130);
    expect(gaps.takeFirst(0, 41)).toBe(FAR);
    expect(gaps.takeFirst(0, 40)).toBe(160);
  });

  it("takes the first of two painters who is free", () => {
    const gaps = new Gaps([[0, 60]], 2, 4);
    expect([gaps.takeFirst(0, 40), gaps.takeFirst(0, 40), gaps.takeFirst(0, 20), gaps.takeFirst(0, 40)]).toEqual([
      0,
      0,
      40,
      FAR,
    ]);
  });
});

describe("placing blocks by their keys", () => {
  it.each(networks.map((network) => [network.name, network] as const))(
    "%s: keeps every wait and window",
    (_, network) => {
      const { decoder, blocks } = decoderOf(network);
      const starts = new Int32Array(network.activities.length);
      const keys = Float64Array.from(blocks, ({ tail }) => -tail);
      const finish = decoder.decode(keys, starts);
      if (finish >= FAR) return;
      expect(faultsOfSchedule(network, named(network, starts))).toEqual([]);
      // in the order of its own starts it comes out no later
      decoder.keysOf(starts, keys);
      expect(decoder.decode(keys, starts)).toBeLessThanOrEqual(finish);
    },
  );

  it("is the same network when time is turned round twice", () => {
    for (const network of networks) expect(mirrored(mirrored(network, 50_000), 50_000)).toEqual(network);
  });

  it("is only for networks that need hands of the same hours", () => {
    const [network] = networks;
    const with_ = (changed: Partial<Network["activities"][number]>): Network => ({
      ...network!,
      activities: network!.activities.map((activity, index) => (index === 0 ? { ...activity, ...changed } : activity)),
    });
    expect(onlyHands(network!)).toBe(network!.calendars[0]);
    expect(onlyHands(with_({ anyHour: true }))).toBeNull();
    expect(onlyHands(with_({ uses: { painter: 1, place: 1 } }))).toBeNull();
    expect(onlyHands(with_({ uses: { painter: 2 } }))).toBeNull();
    expect(onlyHands(with_({ calendar: 1 }))).toBeNull();
  });
});

describe("rearranging", () => {
  it("only ever gives schedules that hold and end earlier, and the same for the same seed", () => {
    for (const network of networks) {
      const run = () => {
        const rearranging = Rearranging.for(network, new Bound(network, chainsOf(network).order), 5)!;
        const first = rearranging.first();
        if (!first) return [];
        const finishes = [first.makespan];
        let turns = 0;
        rearranging.run(first.starts, first.makespan, {
          over: () => turns++ > 300,
          bound: () => 0,
          onBetter: (starts, makespan) => {
            expect(makespan).toBeLessThan(finishes.at(-1)!);
            expect(faultsOfSchedule(network, named(network, starts))).toEqual([]);
            finishes.push(makespan);
          },
        });
        return finishes;
      };
      expect(run()).toEqual(run());
    }
  });
});
