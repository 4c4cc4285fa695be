import { describe, expect, it } from "vitest";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { judgementOf } from "../schedule/kept.ts";
import { schedule } from "../schedule/schedule.ts";
import { DAY } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import { ShelfBook } from "./book.ts";
import { quoteOf } from "./quote.ts";

const STEPS: ExampleStep[] = [
  ["brush", "stain-block-shellac"],
  ["brush", "chalk-slate", { coats: 2 }],
  ["wax", "wax-clear"],
  ["buff"],
];
const plan = examplePlan({ shows: "quoted", ground: "raw timber", species: "pine", steps: STEPS });
const [zone] = plan.pieces[0]!.zones;
const today = readWallTime("2026-11-30T09:00")!;
const { bookings } = schedule([{ plan, judgement: judgementOf(plan) }]);
const noJob = { bookings, dates: null };
const book = (costing: object = {}) => ShelfBook.parse({ costing });
const quote = (of = plan, costing = {}) => quoteOf({ plan: of, book: book(costing), job: noJob, today });

/** The same crust on zones of these widths, in this order. */
const widths = (...all: number[]) => ({
  ...plan,
  pieces: [
    {
      ...plan.pieces[0]!,
      zones: all.map((width) => ({
        ...zone!,
        id: `wide-${width}`,
        name: `Wide ${width}`,
        shape: { kind: "panel" as const, width, height: 400, count: 1 },
      })),
    },
  ],
});

describe("what a client is quoted", () => {
  it("holds for as many days as the shop says", () => {
    expect(quote(plan, { validDays: 14 }).validUntil).toBe(today + 14 * DAY);
    expect(quote().validUntil).toBe(today + 30 * DAY);
  });

  it("names the finish of each zone and what is seen of it: no primer, no tool, nothing twice", () => {
    const [only] = quote().zones;
    expect(only).toMatchObject({ zoneId: zone!.id, name: zone!.name, finish: plan.crusts[0]!.name });
    expect(only!.layers).toEqual(["Chalk-type, slate", "Clear paste wax"]);
  });

  it("shows each crust once, on the largest of its zones", () => {
    expect(quote(widths(300, 900, 600)).shownBy).toEqual(["wide-900"]);
    expect(quote(widths(900, 300)).shownBy).toEqual(["wide-900"]);
  });

  it("shows no more boards than there is room for", () => {
    const many = widths(100, 200, 300, 400, 500, 600);
    const own = {
      ...many,
      crusts: many.pieces[0]!.zones.map(({ id }) => ({ ...plan.crusts[0]!, id })),
      pieces: [{ ...many.pieces[0]!, zones: many.pieces[0]!.zones.map((each) => ({ ...each, crustId: each.id })) }],
    };
    expect(quote(own).shownBy).toEqual(["wide-100", "wide-200", "wide-300", "wide-400"]);
    expect(quote(own).zones).toHaveLength(6);
  });

  it("says no date where none is known, and the first and last where they are", () => {
    expect(quote()).toMatchObject({ begins: bookings[0]!.starts, leaves: null, fullUse: null });
    const dated = quoteOf({
      plan,
      book: book(),
      job: {
        bookings: [],
        dates: { leaves: today + DAY, lightUse: today + 2 * DAY, fullUse: today + 30 * DAY } as never,
      },
      today,
    });
    expect(dated).toMatchObject({ leaves: today + DAY, lightUse: today + 2 * DAY, fullUse: today + 30 * DAY });
  });

  it("says a price that rises with what an hour costs, and whether tax is in it", () => {
    const [cheap, dear] = [quote(plan, { hourly: 20 }), quote(plan, { hourly: 60 })];
    expect(cheap.price.from).toBeLessThanOrEqual(cheap.price.to);
    expect(dear.price.from).toBeGreaterThan(cheap.price.from);
    expect(cheap.taxed).toBe(false);
    expect(quote(plan, { tax: 20 }).taxed).toBe(true);
  });

  it("goes with the shop's terms and with how to look after the finish", () => {
    expect(quote(plan, { terms: "Half on order." }).terms).toBe("Half on order.");
    expect(quote().care).toHaveLength(1);
  });
});
