import fc from "fast-check";
import type { Activity, Lag, Network, Stretch } from "#core/schedule/solve/network";

/** Small networks like the shop's: a few zones, each a chain of coats with waits, now and then a window that shuts. */
export const smallNetwork = (most = 6): fc.Arbitrary<Network> =>
  fc
    .record({
      painters: fc.constantFrom(1, 1, 1, 2),
      days: fc.integer({ min: 3, max: 5 }),
      hours: fc.constantFrom<Stretch[]>(
        [
          [540, 780],
          [825, 1080],
        ],
        [[1140, 1290]],
        [[480, 720]],
        [
          [600, 660],
          [840, 900],
          [960, 1080],
        ],
      ),
      steps: fc.array(
        fc.record({
          duration: fc.integer({ min: 1, max: 18 }).map((five) => 5 * five),
          passive: fc.constantFrom(false, false, false, false, true),
          chained: fc.constantFrom(true, true, true, false),
          min: fc.constantFrom(0, 10, 60, 180, 480, 720),
          window: fc.constantFrom<number | null>(null, null, 0, 10, 45, 300),
        }),
        { minLength: 2, maxLength: most },
      ),
    })
    .map(({ painters, days, hours, steps }) => {
      const activities: Activity[] = [];
      const lags: Lag[] = [];
      steps.forEach(({ duration, passive, chained, min, window }, index) => {
        activities.push({ id: `a${index}`, duration, uses: passive ? {} : { painter: 1 } });
        if (index > 0 && chained)
          lags.push({ from: `a${index - 1}`, to: `a${index}`, min, max: window === null ? null : min + window });
      });
      return {
        name: "random",
        calendars: [
          Array.from({ length: days }, (_, day) =>
            hours.map(([from, to]): Stretch => [day * 1440 + from, day * 1440 + to]),
          ).flat(),
        ],
        capacity: { painter: painters },
        activities,
        lags,
      };
    });
