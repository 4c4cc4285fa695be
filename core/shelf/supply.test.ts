import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan as randomPlan } from "../../tests/random-crusts.ts";
import type { Plan } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { readWallTime } from "../units/wall-time.ts";
import { ShelfBook, supplyId } from "./book.ts";
import type { PotOnShelf } from "./stock.ts";
import { bySupplier, claimsIn, isOld, type SupplyQuestion, shoppingList, supplyOf } from "./supply.ts";

const job = (id: string, steps: readonly ExampleStep[]): Plan => ({
  ...examplePlan({ shows: id, ground: "raw timber", species: "pine", steps }),
  id,
});
const today = readWallTime("2026-11-28T09:00")!;
const tin = (amount: number, more: Partial<PotOnShelf> = {}): PotOnShelf => ({
  id: `tin-${amount}-${more.goodId ?? ""}`,
  goodId: "chalk-slate",
  amount,
  held: 500,
  place: null,
  condition: "good",
  opened: "2026-11-01",
  bought: null,
  counted: null,
  paid: null,
  supplierId: null,
  ...more,
});
const book = ShelfBook.parse({
  suppliers: [
    { id: "harbour", name: "Harbour Paints" },
    { id: "mill", name: "The Mill" },
  ],
  goods: [
    {
      id: "chalk-slate",
      packs: [
        { id: "small", supplierId: "harbour", holds: 120, price: 8 },
        { id: "large", supplierId: "mill", holds: 500, price: 20 },
      ],
    },
    { id: "wax-clear", packs: [{ id: "wax", supplierId: "mill", holds: 250, price: 11 }] },
  ],
});
const ask = (plans: readonly Plan[], more: Partial<SupplyQuestion> = {}): SupplyQuestion => ({
  plans,
  book,
  pots: [],
  startOf: () => undefined,
  today,
  ...more,
});
const line = (question: SupplyQuestion, id = "chalk-slate") => supplyOf(question).find(({ goodId }) => goodId === id)!;

const first = job("first", [["brush", "chalk-slate", { coats: 2 }]]);
const second = job("second", [["brush", "chalk-slate", { coats: 2 }]]);
const need = line(ask([first])).need;

describe("needs against the shelf", () => {
  it.each<[string, PotOnShelf[], string, number]>([
    ["a full tin is enough", [tin(500)], "enough", 0],
    ["two half-empty ones are enough", [tin(70), tin(60)], "enough", 0],
    ["a little is short", [tin(50)], "short", need - 50],
    ["nothing is missing", [], "missing", need],
    ["a tin past its time is old", [tin(500, { opened: "2025-01-10" })], "old", need],
    ["a skinned one is doubted", [tin(500, { condition: "skinned" })], "old", need],
  ])("%s", (_what, pots, standing, missing) => {
    const found = line(ask([first], { pots }));
    expect(found.standing).toBe(standing);
    expect(found.missing).toBeCloseTo(missing, 6);
  });

  it("a tin's own label says how long it keeps", () => {
    const stale = tin(500, { opened: "2025-10-01" });
    expect(isOld(stale, first.pinned.materials[0]!, book, today)).toBe(true);
    const own = ShelfBook.parse({ ...book, goods: [{ id: "chalk-slate", keepsOpenedDays: 900 }] });
    expect(isOld(stale, first.pinned.materials[0]!, own, today)).toBe(false);
  });

  it("who wants it first has it first", () => {
    const startOf: SupplyQuestion["startOf"] = (planId) =>
      readWallTime(planId === "first" ? "2026-12-01T09:00" : "2026-12-03T09:00")!;
    const question = { pots: [tin(need + 10)], startOf };
    expect(line(ask([first], { ...question, others: claimsIn([second], startOf, 15) })).standing).toBe("enough");
    const late = line(ask([second], { ...question, others: claimsIn([first], startOf, 15) }));
    expect([late.standing, late.runsOut]).toEqual(["short", readWallTime("2026-12-03T09:00")]);
    const both = line(ask([first, second], question));
    expect(both.need).toBeCloseTo(2 * need, 6);
    expect(both.runsOut).toBe(readWallTime("2026-12-03T09:00"));
    expect(both.wanted).toBe(readWallTime("2026-12-01T09:00"));
  });

  it("a brush serves job after job, a rag does not", () => {
    const waxed = ["one", "two"].map((id) => job(id, [["wax", "wax-dark"], ["buff"]]));
    const pots = [tin(1, { goodId: supplyId("dark-wax-brush") }), tin(1, { goodId: supplyId("dry-rag") })];
    const others = claimsIn(waxed.slice(0, 1), () => undefined, 15);
    const two = ask(waxed.slice(1), { pots, others });
    expect(line(two, supplyId("dark-wax-brush")).standing).toBe("enough");
    expect(line(ask(waxed, { pots }), supplyId("dry-rag")).standing).not.toBe("enough");
  });
});

describe("what is to be bought", () => {
  it("is the cheapest packs for what is missing, by supplier", () => {
    const list = shoppingList(supplyOf(ask([first], { pots: [tin(need - 100)] })), book);
    const slate = list.find(({ line: one }) => one.goodId === "chalk-slate")!;
    expect(slate.basket!.packs.map(({ pack, count }) => [pack.id, count])).toEqual([["small", 1]]);
    const parts = bySupplier(list, book);
    expect(parts[0]).toMatchObject({ supplierId: "harbour" });
    // brushes have no supplier yet, and are on the list all the same
    expect(parts.at(-1)!.supplierId).toBeNull();
    expect(parts.at(-1)!.items.map(({ line: one }) => one.consumable)).toContain("paint-brush");
  });

  it("covers what is missing and is never a pack too many, for any plan and shelf", () => {
    const amounts = fc.array(fc.integer({ min: 0, max: 400 }), { maxLength: 4 });
    fc.assert(
      fc.property(randomPlan, amounts, (plan, stocked) => {
        const bare = supplyOf(ask([plan]));
        const pots = bare
          .slice(0, stocked.length)
          .map(({ goodId }, index) => tin(stocked[index]!, { goodId, id: `t${index}` }));
        const goods = bare.map(({ goodId }) => ({
          id: goodId,
          packs: [120, 500].map((holds) => ({ id: `p${holds}`, supplierId: "mill", holds, price: holds / 20 })),
        }));
        const own = ShelfBook.parse({ ...book, goods });
        const lines = supplyOf(ask([plan], { pots, book: own }));
        const bought = new Map(shoppingList(lines, own).map(({ line: one, basket }) => [one.goodId, basket!]));
        for (const line of lines) {
          const holds = bought.get(line.goodId)?.holds ?? 0;
          expect(line.have + holds).toBeGreaterThanOrEqual(line.need - 1e-6);
          for (const { pack } of bought.get(line.goodId)?.packs ?? [])
            expect(line.have + holds - pack.holds).toBeLessThan(line.need);
        }
      }),
      { numRuns: 60 },
    );
  });
});
