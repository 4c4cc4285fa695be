import type { Rule } from "../rule.ts";
import { capital, named, sayWhen } from "../words.ts";
import { hoursUntil, type Moment, worstOf } from "./air-around.ts";

/** Below this water-borne films do not form (from memory; the label decides). */
const COLDEST = 10;
const warmthOf = ({ air, surface }: Moment) => Math.min(air.celsius, surface);

export const tooCold: Rule = {
  meta: {
    id: "E2",
    title: "Water-borne films do not form in the cold",
    reason:
      "The grains of binder must be warm enough to fuse. Colder than that they dry to powder side by side, and later warmth does not mend it.",
    origin: "from memory; the label decides",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  check(seam) {
    const { material } = seam.phase;
    if (material?.carrier !== "water") return [];
    if (seam.climate.steady && seam.past.some(({ phase }) => phase.material?.carrier === "water")) return [];
    const worst = worstOf(hoursUntil(seam, "recoat"), warmthOf);
    if (worst === null || warmthOf(worst) >= COLDEST) return [];
    return [
      {
        severity: "stop",
        title: `${capital(named(material))} will not form a film in this cold`,
        because: `${sayWhen(seam, worst.after, "The piece")} is at ${warmthOf(worst).toFixed(0)} °C; below ${COLDEST} °C water-borne films do not form. Warm the room and the piece, and keep them warm overnight.`,
        lower: "ground",
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "shellac in a cool room",
        ground: "raw timber",
        species: "pine",
        room: { celsius: 9 },
        steps: [["brush", "shellac-sealer"]],
      },
    ],
    faulty: [
      {
        shows: "paint in a cold shed",
        finds: [
          {
            severity: "stop",
            at: "s1",
            over: "ground",
            says: "Storm blue acrylic mineral paint will not form a film in this cold. The piece is at 7 °C; below 10 °C water-borne films do not form. Warm the room and the piece, and keep them warm overnight.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        room: { celsius: 7 },
        steps: [["brush", "mineral-storm"]],
      },
    ],
  },
};
