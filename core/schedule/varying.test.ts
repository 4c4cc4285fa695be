import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Climate } from "../drying/climate.ts";
import { openBetween } from "../drying/gate.ts";
import type { DryingCoat } from "../drying/law.ts";
import { HOUR } from "../units/units.ts";
import { boundsOf, varyingLag } from "./varying.ts";

const air = fc.record({
  celsius: fc.integer({ min: 4, max: 32 }),
  relativeHumidity: fc.integer({ min: 20, max: 95 }),
  speed: fc.constant(0),
});
const climate = fc
  .record({
    usual: fc.array(air, { minLength: 24, maxLength: 24 }),
    known: fc.option(
      fc.record({
        from: fc.integer({ min: 0, max: 60 }).map((hour) => hour * HOUR),
        hours: fc.array(air, { minLength: 1, maxLength: 40 }),
      }),
      { nil: undefined },
    ),
    zero: fc.integer({ min: 0, max: 1440 }),
  })
  .map(({ usual, known, zero }) => new Climate({ usual, known }, zero));
const coat: DryingCoat = { leaves: "water", load: 1, drawnBy: 0, warmed: 0 };
const window = fc
  .tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 1, max: 3000 }))
  .map(([opens, more]) =>
    openBetween("recoat", { typical: opens, safe: opens }, { typical: opens + more, safe: opens + more }),
  );
const minute = fc.integer({ min: 0, max: 8000 });

describe("a wait that hangs on when it begins", () => {
  it("opens and shuts no earlier for a later beginning", () => {
    fc.assert(
      fc.property(climate, window, minute, fc.integer({ min: 0, max: 2000 }), (climate, gate, finish, more) => {
        const lag = varyingLag(climate, coat, gate, 0);
        expect(lag.opens(finish + more)).toBeGreaterThanOrEqual(lag.opens(finish));
        expect(lag.shuts!(finish + more)).toBeGreaterThanOrEqual(lag.shuts!(finish) - 1);
      }),
    );
  });

  it("can be asked both ways: the latest beginning that is open by then, the earliest that is not shut", () => {
    fc.assert(
      fc.property(climate, window, fc.integer({ min: 4000, max: 9000 }), (climate, gate, start) => {
        const lag = varyingLag(climate, coat, gate, 0);
        const latest = lag.opensBack(start);
        expect(lag.opens(latest)).toBeLessThanOrEqual(start);
        expect(lag.opens(latest + 1)).toBeGreaterThan(start);
        const earliest = lag.shutsBack(start);
        expect(lag.shuts!(earliest)).toBeGreaterThanOrEqual(start);
        expect(lag.shuts!(earliest - 1)).toBeLessThan(start);
      }),
    );
  });

  it("lies between its bounds whenever it begins", () => {
    fc.assert(
      fc.property(
        climate,
        fc.integer({ min: 1, max: 2000 }),
        fc.integer({ min: 0, max: 12_000 }),
        (climate, label, from) => {
          const [least, most] = boundsOf(climate, coat, "recoat", label);
          const takes = climate.takes(coat, "recoat", from, label);
          expect(takes).toBeGreaterThanOrEqual(least - 1e-6);
          expect(takes).toBeLessThanOrEqual(most + 1e-6);
        },
      ),
    );
  });
});
