import { stepOf } from "../read-surface.ts";
import type { Rule } from "../rule.ts";

const TOO_DAMP = 70;

export const dampAir: Rule = {
  meta: {
    id: "K5",
    title: "Damp air weakens crackle",
    reason:
      "The paint has to shrink faster than the medium gives. In damp air it dries as slowly as the medium, and they settle together.",
    origin: "common practice; the limit of 70 % is from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["medium"] },
  onFirstCoat: true,
  check(seam) {
    const { relativeHumidity } = seam.climate.at(seam.at);
    if (relativeHumidity <= TOO_DAMP) return [];
    return [
      {
        severity: "caution",
        title: "Cracks may come late and thin in air this damp",
        because: `The room is at ${Math.round(relativeHumidity)} % humidity; above ${TOO_DAMP} % there are few cracks. Wait for a dry day, or warm the room.`,
        lower: stepOf(seam.tops[0]?.stack ?? null),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "crackle in a dry room",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
    faulty: [
      {
        shows: "crackle at 82 %",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Cracks may come late and thin in air this damp. The room is at 82 % humidity; above 70 % there are few cracks. Wait for a dry day, or warm the room.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        room: { relativeHumidity: 82 },
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
  },
};
