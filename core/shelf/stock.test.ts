import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { courseOf, inOrder, Movement, potsOf, sameReceipt, whyNot } from "./stock.ts";

let made = 0;
const at = (day: number, hour = 9) => `2026-11-${String(day).padStart(2, "0")}T${String(hour).padStart(2, "0")}:00`;
type Given = Movement extends infer One ? (One extends Movement ? Omit<One, "id" | "goodId" | "potId"> : never) : never;
const moves = (...given: (Given & { potId?: string })[]): Movement[] =>
  given.map((one) => ({ id: `m${++made}`, goodId: "chalk-slate", potId: "tin-1", ...one }) as Movement);

const bought = (amount: number, day = 1, more: object = {}) => ({
  does: "bought" as const,
  amount,
  at: at(day),
  ...more,
});
const used = (amount: number, day: number) => ({ does: "used" as const, amount, at: at(day) });

describe("what stands on the shelf", () => {
  it("is what was bought less what was used, opened when it was first used", () => {
    const [pot] = potsOf(moves(bought(500, 1, { place: "left rack" }), used(120, 3), used(80, 5)));
    expect(pot).toMatchObject({ amount: 300, held: 500, place: "left rack", condition: "good", opened: "2026-11-03" });
  });

  it("is what was counted, from then on", () => {
    expect(potsOf(moves(bought(500), { does: "counted", amount: 210, at: at(4) }, used(10, 5)))[0]!.amount).toBe(200);
  });

  it("goes by when it happened, and not by when it was written down", () => {
    const all = moves(bought(500), used(10, 5), { does: "counted", amount: 210, at: at(4) });
    expect(potsOf(all)[0]!.amount).toBe(200);
    expect(inOrder(all).map(({ does }) => does)).toEqual(["bought", "counted", "used"]);
  });

  it("is nothing once it is thrown away, and never less than nothing", () => {
    expect(potsOf(moves(bought(500), { does: "thrown away", at: at(9) }))[0]!.amount).toBe(0);
    expect(potsOf(moves(bought(50), used(80, 2)))[0]!.amount).toBe(0);
  });

  it("knows place and condition of each tin", () => {
    const pots = potsOf(
      moves(
        bought(500),
        { ...bought(250), potId: "tin-2" },
        {
          does: "looked at",
          at: at(6),
          potId: "tin-2",
          condition: "skinned",
          place: "cellar",
          opened: "2026-10-02",
        },
      ),
    );
    expect(pots.map(({ condition, opened, place }) => [condition, opened, place])).toEqual([
      ["sealed", null, null],
      ["skinned", "2026-10-02", "cellar"],
    ]);
  });

  it("over time is a line that goes with its tins", () => {
    const course = courseOf(moves(bought(500), used(100, 2), { ...bought(250, 3), potId: "tin-2" }), "chalk-slate");
    expect(course.map(({ amount }) => amount)).toEqual([500, 400, 650]);
  });

  it("is the same in whatever order it was written down", () => {
    const day = fc.integer({ min: 1, max: 28 });
    const amount = fc.integer({ min: 1, max: 900 });
    const movement = fc.oneof(
      fc.record({ does: fc.constant("used" as const), amount, day }),
      fc.record({ does: fc.constant("counted" as const), amount, day }),
    );
    fc.assert(
      fc.property(
        fc.uniqueArray(movement, { selector: ({ day: own }) => own, maxLength: 12 }),
        fc.nat(),
        (list, seed) => {
          const all = moves(bought(1000, 1), ...list.map(({ day: own, ...one }) => ({ ...one, at: at(own, 12) })));
          const turned = [...all].sort((a, b) => ((a.id.length * 7 + seed) % 5) - ((b.id.length * 3 + seed) % 5));
          expect(potsOf(turned)[0]!.amount).toBe(potsOf(all)[0]!.amount);
          expect(potsOf(all)[0]!.amount).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});

describe("what cannot be", () => {
  const shelf = moves(bought(500, 1, { receipt: "R 12", supplierId: "harbour" }));
  const next = (one: Given) => moves(one)[0]!;

  it("is using more than there is, or a tin that is not there", () => {
    expect(whyNot(next(used(501, 2)), shelf)).toMatch(/Only 500 is left/);
    expect(whyNot(next(used(500, 2)), shelf)).toBeNull();
    expect(whyNot({ ...next(used(5, 2)), potId: "gone" }, shelf)).toMatch(/not on the shelf/);
    expect(whyNot({ ...next(used(5, 2)), goodId: "milk-ochre" }, shelf)).toMatch(/something else/);
  });

  it("is a negative amount, or no amount", () => {
    const read = (one: object) => Movement.safeParse({ id: "m", goodId: "chalk-slate", potId: "t", at: at(1), ...one });
    expect(read({ does: "used", amount: -5 }).error!.issues[0]!.message).toBe("write an amount over 0");
    expect(read({ does: "counted", amount: -1 }).error!.issues[0]!.message).toBe("an amount cannot be negative");
    expect(read({ does: "bought" }).success).toBe(false);
    expect(read({ does: "counted", amount: 0 }).success).toBe(true);
  });

  it("the same receipt is found again", () => {
    const again = next(bought(500, 3, { receipt: "R 12", supplierId: "harbour" }) as Given);
    expect(sameReceipt(again, shelf)?.at).toBe(at(1));
    expect(sameReceipt({ ...again, id: shelf[0]!.id }, shelf)).toBeNull();
    expect(sameReceipt({ ...again, receipt: "R 13" } as Movement, shelf)).toBeNull();
  });
});
