import type { Rule } from "../rule.ts";
import { sayWhen } from "../words.ts";
import { airIsTold, hoursUntil, worstOf } from "./air-around.ts";

const DAMP = 85;
const WET = 92;

export const tooDamp: Rule = {
  meta: {
    id: "E3",
    title: "Coats hardly dry above 85 % humidity",
    reason:
      "The air cannot take up more water. Water-borne coats stay open for hours, run and cloud; shellac goes white.",
    origin: "common practice; the limits are from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  check(seam) {
    if (!airIsTold(seam)) return [];
    const worst = worstOf(hoursUntil(seam, "touch"), ({ air }) => -air.relativeHumidity);
    const relativeHumidity = worst?.air.relativeHumidity ?? 0;
    if (worst === null || relativeHumidity <= DAMP) return [];
    return [
      {
        severity: relativeHumidity > WET ? "stop" : "caution",
        title: `The coat ${relativeHumidity > WET ? "will" : "may"} hardly dry in air this damp`,
        because: `${sayWhen(seam, worst.after, "The room")} is at ${Math.round(relativeHumidity)} % humidity. Above ${DAMP} % coats hardly dry; warm the room or run a dehumidifier.`,
        lower: "ground",
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "a room at 60 %",
        ground: "raw timber",
        species: "pine",
        room: { relativeHumidity: 60 },
        steps: [["brush", "mineral-storm"]],
      },
    ],
    faulty: [
      {
        shows: "a room at 88 %",
        finds: [
          {
            severity: "caution",
            at: "s1",
            over: "ground",
            says: "The coat may hardly dry in air this damp. The room is at 88 % humidity. Above 85 % coats hardly dry; warm the room or run a dehumidifier.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        room: { relativeHumidity: 88, surfaceCelsius: 30, celsius: 24 },
        steps: [["brush", "mineral-storm"]],
      },
    ],
  },
};
