import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Again, MOST_ROUNDS, phaseIdOf, roundsOf, turnsOf } from "./rounds.ts";

const step = (id: string, again?: Again) => ({ id, ...(again ? { again } : {}) });
const named = (steps: Parameters<typeof turnsOf>[0]) =>
  turnsOf(steps).map(({ step: { id }, round }) => `${id}${round}`);

/** Some steps, of which one may send the work back to an earlier one. */
const crust = fc
  .record({
    count: fc.integer({ min: 2, max: 12 }),
    from: fc.nat(),
    to: fc.nat(),
    rounds: fc.integer({ min: 2, max: 6 }),
  })
  .map(({ count, from, to, rounds }) => {
    const last = 1 + (to % (count - 1));
    const first = from % last;
    const steps = Array.from({ length: count }, (_, index) =>
      step(`s${index}`, index === last ? { from: `s${first}`, rounds } : undefined),
    );
    return { steps, first, last, rounds };
  });

describe("rounds", () => {
  it("wax, buff, look, and again: the work in the order it is done", () => {
    const steps = [step("paint"), step("wax"), step("buff"), step("look", { from: "wax", rounds: 3 }), step("label")];
    expect(named(steps)).toEqual([
      "paint1",
      "wax1",
      "buff1",
      "look1",
      "wax2",
      "buff2",
      "look2",
      "wax3",
      "buff3",
      "look3",
      "label1",
    ]);
    expect(roundsOf(steps)).toEqual([1, 3, 3, 3, 1]);
  });

  it("two loops one after the other are each gone round by themselves", () => {
    const steps = [step("a"), step("b", { from: "a", rounds: 2 }), step("c"), step("d", { from: "c", rounds: 2 })];
    expect(named(steps)).toEqual(["a1", "b1", "a2", "b2", "c1", "d1", "c2", "d2"]);
  });

  it("without a loop, or with one that begins nowhere beneath, each step is done once", () => {
    expect(named([step("a"), step("b")])).toEqual(["a1", "b1"]);
    expect(named([step("a", { from: "b", rounds: 2 }), step("b")])).toEqual(["a1", "b1"]);
    expect(named([step("a", { from: "a", rounds: 2 })])).toEqual(["a1"]);
  });

  it("come up as often as is said, in order, whatever loop there is", () => {
    fc.assert(
      fc.property(crust, ({ steps, first, last, rounds }) => {
        const turns = turnsOf(steps);
        expect(turns).toHaveLength(steps.length + (rounds - 1) * (last - first + 1));
        steps.forEach((step, position) => {
          const own = turns.filter((turn) => turn.step === step).map(({ round }) => round);
          expect(own).toEqual(Array.from({ length: roundsOf(steps)[position]! }, (_, index) => index + 1));
        });
        // within a round the order is the crust's
        for (let round = 1; round <= rounds; round++) {
          const order = turns.filter((turn) => turn.round === round).map((turn) => steps.indexOf(turn.step as never));
          expect(order).toEqual([...order].sort((a, b) => a - b));
        }
      }),
    );
  });

  it("give every coat of every round an id of its own, that a set time can name", () => {
    const ids = [1, 2].flatMap((coat) => [1, 2, 3].map((round) => phaseIdOf("s3", coat, 2, round)));
    expect(new Set(ids).size).toBe(6);
    expect(phaseIdOf("s3", 1, 1, 1)).toBe("s3");
    expect(phaseIdOf("s3", 2, 2, 3)).toBe("s3/2~3");
  });

  it.each([
    [1, /one is no repeating/],
    [MOST_ROUNDS + 1, /6 rounds at most/],
    [2.5, /whole number of rounds/],
  ])("are not %s", (rounds, says) => {
    const read = Again.safeParse({ from: "s1", rounds });
    expect(read.success ? "" : read.error.issues[0]!.message).toMatch(says);
  });
});
