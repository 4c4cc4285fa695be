import type { Rule } from "../rule.ts";
import { airIsTold } from "./air-around.ts";

const HOT = 35;

export const heatAndDraught: Rule = {
  meta: {
    id: "E4",
    title: "Heat and moving air skin a coat",
    reason: "The top skins over a wet middle: laps show, and the skin wrinkles as the rest dries.",
    origin: "common practice; the limit of 35 °C is from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  check(seam) {
    if (!airIsTold(seam)) return [];
    const { draught } = seam.room;
    const { celsius } = seam.climate.at(seam.at);
    const told = seam.past.some(({ phase }) => phase.material !== null);
    if (celsius <= HOT && (!draught || told)) return [];
    return [
      {
        severity: "caution",
        title: celsius > HOT ? "The coats may skin in this heat" : "The coats may skin in the draught",
        because:
          celsius > HOT
            ? `It is ${celsius.toFixed(0)} °C; above about ${HOT} °C, work early in the day and in small areas.`
            : "The room is set as draughty. Keep the draught off wet surfaces; air the room between coats.",
        lower: "ground",
      },
    ];
  },
  examples: {
    clean: [{ shows: "a still room", ground: "raw timber", species: "pine", steps: [["brush", "mineral-storm"]] }],
    faulty: [
      {
        shows: "a fan on the wet face",
        finds: [
          {
            severity: "caution",
            at: "s1",
            over: "ground",
            says: "The coats may skin in the draught. The room is set as draughty. Keep the draught off wet surfaces; air the room between coats.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        room: { draught: true },
        steps: [["brush", "mineral-storm"]],
      },
    ],
  },
};
