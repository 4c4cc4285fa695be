import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan as anyPlan } from "../../tests/random-crusts.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { HOUR } from "../units/units.ts";
import { filmsOf } from "./films.ts";
import { judgementOf } from "./kept.ts";
import { schedule } from "./schedule.ts";

const made = (steps: ExampleStep[]) => {
  const plan = examplePlan({ shows: "films", ground: "raw timber", species: "pine", steps });
  const work = { plan, judgement: judgementOf(plan) };
  const { bookings } = schedule([work]);
  return { bookings, films: filmsOf(work, bookings) };
};

describe("what dries on a piece", () => {
  it("is every coat, until what comes next may go on", () => {
    const { bookings, films } = made([["scuff"], ["brush", "chalk-slate", { coats: 2 }], ["wax", "wax-clear"]]);
    expect(films.map(({ phaseId }) => phaseId)).toEqual(["s2/1", "s2/2", "s3"]);
    const of = (phaseId: string) => ({
      film: films.find((film) => film.phaseId === phaseId)!,
      booking: bookings.find((booking) => booking.phaseId === phaseId)!,
    });
    const [first, second, wax] = [of("s2/1"), of("s2/2"), of("s3")];
    // a coat is ready no later than the next goes on, and not before it is laid
    expect(first.film.ready).toBeGreaterThan(first.booking.ends);
    expect(first.film.ready).toBeLessThanOrEqual(second.booking.starts);
    // paint waits for a day before it is waxed
    expect(second.film.ready - second.booking.ends).toBeGreaterThanOrEqual(20 * HOUR);
    expect(second.film.ready).toBeLessThanOrEqual(wax.booking.starts);
    expect(first.film.colour).toBe(second.film.colour);
  });

  it("is nothing where nothing is laid", () => {
    expect(made([["scuff"], ["tack-off"]]).films).toEqual([]);
  });

  it("of any job is laid in one of its bookings, and ready when that is through or later", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const work = { plan, judgement: judgementOf(plan) };
        const { bookings } = schedule([work]);
        const byId = new Map(bookings.map((booking) => [booking.id, booking]));
        for (const { booking, ready, zoneId, phaseId, colour } of filmsOf(work, bookings)) {
          const laid = byId.get(booking)!;
          expect(ready).toBeGreaterThanOrEqual(laid.ends);
          expect(laid.does).toContainEqual({ zoneId, phaseId });
          expect(colour).toMatch(/^#[0-9a-f]{6}$/i);
        }
      }),
      { numRuns: 30 },
    );
  });
});
