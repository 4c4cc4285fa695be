import { DEW_MARGIN } from "../../drying/air.ts";
import type { Rule } from "../rule.ts";
import { sayWhen } from "../words.ts";
import { airIsTold, hoursUntil, worstOf } from "./air-around.ts";

export const dew: Rule = {
  meta: {
    id: "E1",
    title: "Keep the piece 3 °C above the dew point",
    reason: "On a colder surface water is already settling, unseen, and the coat dries over it.",
    origin: "published: ISO 8502-4 practice, 3 °C margin",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  check(seam) {
    if (!airIsTold(seam)) return [];
    const worst = worstOf(hoursUntil(seam, "touch"), ({ surface, dewsAt }) => surface - dewsAt);
    if (worst === null || worst.surface - worst.dewsAt >= DEW_MARGIN) return [];
    const { surface, dewsAt, after } = worst;
    return [
      {
        severity: "stop",
        title: "Dew will settle under the coat",
        because: `${sayWhen(seam, after, "The piece")} is at ${surface.toFixed(0)} °C and dew settles at ${dewsAt.toFixed(1)} °C; keep them ${DEW_MARGIN} °C apart. Warm the room or dry the air, and let the piece warm up.`,
        lower: "ground",
      },
    ];
  },
  examples: {
    clean: [{ shows: "a warm dry room", ground: "raw timber", species: "pine", steps: [["brush", "mineral-storm"]] }],
    faulty: [
      {
        shows: "a cold piece brought into a warm room",
        finds: [
          {
            severity: "stop",
            at: "s1",
            over: "ground",
            says: "Dew will settle under the coat. The piece is at 10 °C and dew settles at 13.2 °C; keep them 3 °C apart. Warm the room or dry the air, and let the piece warm up.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        room: { celsius: 20, relativeHumidity: 65, surfaceCelsius: 10 },
        steps: [["brush", "mineral-storm"]],
      },
    ],
  },
};
