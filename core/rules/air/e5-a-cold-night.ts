import { sayDuration } from "../../units/duration.ts";
import { HOUR } from "../../units/units.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";
import { hoursUntil, worstOf } from "./air-around.ts";

/** Less than this is not worth mentioning. */
const WORTH_SAYING = 3 * HOUR;

export const coldNight: Rule = {
  meta: {
    id: "E5",
    title: "A cold or damp night stretches the wait",
    reason:
      "Cold or damp air slows drying, so a wait through the night is worked out hour by hour, not read off the tin.",
    origin: "an engineering model: evaporation and warmth by the hour",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  onFirstCoat: true,
  check(seam) {
    const { material } = seam.phase;
    if (!material || seam.climate.steady) return [];
    const hours = hoursUntil(seam, "recoat");
    const label = material.drying.recoat.safe;
    const takes = (hours.at(-1)?.after ?? 0) - seam.phase.hands;
    const worst = worstOf(hours, ({ air }) => air.celsius);
    if (worst === null || takes - label < WORTH_SAYING) return [];
    const { celsius, relativeHumidity } = worst.air;
    return [
      {
        severity: "note",
        title: `The ${named(material)} dries slowly through a cold spell`,
        because: `At ${celsius.toFixed(0)} °C and ${Math.round(relativeHumidity)} % it takes about ${sayDuration(takes)} until the next coat; the tin says ${sayDuration(label)}. Laid in the morning, or kept warm overnight, it is ready earlier.`,
        lower: "ground",
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "a coat that is dry before the evening",
        ground: "raw timber",
        species: "pine",
        room: { course: { kind: "day and night", night: { celsius: 16, relativeHumidity: 60 } } },
        steps: [["brush", "chalk-slate"]],
      },
    ],
    faulty: [
      {
        shows: "oil paint in a shed that goes cold at night",
        finds: [
          {
            severity: "note",
            at: "s1",
            over: "ground",
            says: "The deep green oil paint dries slowly through a cold spell. At 5 °C and 75 % it takes about 2 days 3 h until the next coat; the tin says 24 h. Laid in the morning, or kept warm overnight, it is ready earlier.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        room: { celsius: 18, course: { kind: "day and night", night: { celsius: 5, relativeHumidity: 75 } } },
        steps: [["brush", "oil-deep-green"]],
      },
    ],
  },
};
