import { describe, expect, it } from "vitest";
import { judge } from "#core/judge/judge";
import { schedule } from "#core/schedule/schedule";
import { readWallTime } from "#core/units/wall-time";
import { hobnailYard } from "#demo/hobnail-yard";
import { gatesHere } from "~/drawing/lane";
import { LANES, lanesOf, withPhases } from "./lanes";

const works = hobnailYard()
  .filter(({ id }) => id !== "chart-cabinet")
  .map((plan) => ({ plan, judgement: judge(plan) }));
const made = schedule(works);
const items = withPhases(works, made.bookings);

describe("lanes of a calendar", () => {
  it.each(LANES)("by %s hold every piece of work once", (kind) => {
    const lanes = lanesOf(works, items, kind);
    const held = lanes.flatMap((lane) => lane.bookings.map(({ booking }) => booking.id));
    expect(held.sort()).toEqual(made.bookings.map(({ id }) => id).sort());
    expect(new Set(lanes.map(({ id }) => id)).size).toBe(lanes.length);
  });

  it("say how many zones a piece has", () => {
    for (const { note } of lanesOf(works, items, "piece")) expect(note).toMatch(/^\d+ zones?$/);
  });

  it("know the phase of all work but taking apart and putting together", () => {
    for (const { booking, placed } of items) expect(placed === null).toBe(booking.zoneId === "");
  });
});

describe("gates on the calendar", () => {
  it("stand open when the work begins", () => {
    for (const { plan } of works) {
      const own = items.filter(({ booking }) => booking.planId === plan.id);
      const ends = new Map(own.map(({ booking }) => [`${booking.zoneId}:${booking.phaseId}`, booking.ends]));
      for (const item of own) {
        const gates = gatesHere(item, ends, readWallTime(plan.start)!);
        for (const from of new Set(gates.map(({ from: below, reason }) => `${below} ${reason}`))) {
          const same = gates.filter((gate) => `${gate.from} ${gate.reason}` === from);
          const { starts } = item.booking;
          expect(same.some(({ opens, shuts }) => starts >= opens && (shuts === null || starts <= shuts))).toBe(true);
        }
      }
    }
  });
});
