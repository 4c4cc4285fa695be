import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { isPlannedFor } from "#core/plan/plan";
import { planOfWorkNow } from "#core/schedule/plan-of-work";
import { DAY, HOUR } from "#core/units/units";
import { readWallTime } from "#core/units/wall-time";
import { hobnailShop, hobnailYard } from "#demo/hobnail-yard";
import { fullTimes, handsByDay, handsLanes, hoursThere, pieceLanes, type ShopJob } from "./shop-lanes";

const shop = hobnailShop();
const plans = hobnailYard().filter(isPlannedFor);
const made = planOfWorkNow(plans, shop, 8);
const jobs = plans.map(
  (plan): ShopJob => ({
    id: plan.id,
    title: plan.title,
    isKept: true,
    due: plan.due === undefined ? null : readWallTime(plan.due),
    edited: false,
    pieces: plan.pieces,
    job: made.jobs.find(({ planId }) => planId === plan.id)!,
  }),
);
const monday = readWallTime("2026-11-30T00:00")!;
const month = { from: monday, to: monday + 30 * DAY };
const links = (id: string) => `?open=${id}`;

describe("a lane for each painter", () => {
  const lanes = handsLanes(jobs, shop, month);

  it("holds all her work once, with nothing over anything else", () => {
    const parts = lanes.flatMap(({ blocks }) => blocks.flatMap(({ parts: all }) => all));
    const worked = jobs.flatMap(({ job }) => job.bookings.filter(({ starts, ends }) => ends > starts));
    expect(parts).toHaveLength(worked.length);
    for (const { blocks } of lanes)
      for (const [at, block] of blocks.entries())
        if (at > 0) expect(block.from).toBeGreaterThanOrEqual(blocks[at - 1]!.to);
  });

  it("says the hours she works of those she has", () => {
    const second = lanes[1]!;
    expect(second.note).toMatch(/^\d+ of \d+ h$/);
    // three full days and two mornings a week
    expect(
      hoursThere({ weekdays: shop.painters[1]!.weekdays!, exceptions: [] }, { from: monday, to: monday + 7 * DAY }),
    ).toBe((3 * 8.25 + 2 * 4) * HOUR);
  });

  it("adds up to the hours by day", () => {
    const days = handsByDay(jobs, shop, month);
    const byDay = days.reduce((sum, { worked }) => sum + worked.reduce((all, value) => all + value, 0), 0);
    const worked = jobs
      .flatMap(({ job }) => job.bookings)
      .reduce((sum, { starts, ends }) => sum + (ends - starts) / HOUR, 0);
    // pauses inside a block are short
    expect(byDay).toBeGreaterThanOrEqual(worked - 0.01);
    expect(byDay).toBeLessThan(worked * 1.25);
    expect(days[5]!.there).toBe(0);
  });
});

describe("a lane for each piece", () => {
  it("is opened zone by zone, and only that one", () => {
    const opened = `${jobs[0]!.id}/${jobs[0]!.pieces[0]!.id}`;
    const lanes = pieceLanes(jobs, opened, links);
    expect(lanes).toHaveLength(jobs.reduce((sum, { pieces }) => sum + pieces.length, 0));
    expect(lanes.filter(({ open }) => open).map(({ id }) => id)).toEqual([opened]);
    expect(lanes.find(({ open }) => open)!.zones).toHaveLength(jobs[0]!.pieces[0]!.zones.length);
  });

  it("marks what is late or clashes, in words too", () => {
    for (const lane of pieceLanes(jobs, null, links)) {
      const { due, job } = jobs.find(({ id }) => id === lane.planId)!;
      const late = due !== null && job.dates!.leaves > due;
      expect(lane.trouble).toBe(late || job.clashes.length > 0);
      expect(lane.note.startsWith("late, ")).toBe(late);
    }
  });

  it("draws every film, none ready before it is laid", () => {
    for (const { films } of pieceLanes(jobs, null, links))
      for (const { from, laid, ready } of films) {
        expect(laid).toBeGreaterThanOrEqual(from);
        expect(ready).toBeGreaterThanOrEqual(laid);
      }
  });
});

describe("full drying places", () => {
  const span = fc.record({ from: fc.integer({ min: 0, max: 200 }), long: fc.integer({ min: 1, max: 60 }) });

  it("are the minutes in which as many lie there as there are places", () => {
    fc.assert(
      fc.property(fc.array(span, { maxLength: 12 }), fc.integer({ min: 1, max: 4 }), (spans, places) => {
        const lies = spans.map(({ from, long }) => ({ planId: "", pieceId: "", name: "", from, to: from + long }));
        const full = fullTimes(lies, places);
        for (let minute = 0; minute < 270; minute++) {
          const taken = lies.filter(({ from, to }) => from <= minute && minute < to).length;
          expect(full.some(({ from, to }) => from <= minute && minute < to)).toBe(taken >= places);
        }
        for (const [at, { from }] of full.entries()) if (at > 0) expect(from).toBeGreaterThan(full[at - 1]!.to);
      }),
    );
  });
});
