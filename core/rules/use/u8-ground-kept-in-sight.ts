import { shows } from "../../surface/shares.ts";
import { WORTH_SAYING } from "../read-surface.ts";
import type { Rule } from "../rule.ts";
import { groundNamed } from "../words.ts";

/** At least this part of what was meant to stay in sight must show. */
const ENOUGH = 0.5;

export const groundKeptInSight: Rule = {
  meta: {
    id: "U8",
    title: "Leave bare what is meant to stay in sight",
    reason:
      "Old gilding, a carved date, a face of good timber: once it is under three coats nobody gets it back without a scar.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    const wanted = finish.zone.ground.inSight;
    if (wanted < WORTH_SAYING) return [];
    const seenNow = shows(finish.after, finish.zone.relief).get("ground") ?? 0;
    if (seenNow >= ENOUGH * wanted) return [];
    return [
      {
        severity: "caution",
        title: `The coats may hide the ${groundNamed(finish.zone.ground)} meant to stay in sight`,
        because: `${finish.zone.name}: ${Math.round(wanted * 100)} % was meant to show the ground, and ${Math.round(seenNow * 100)} % does.`,
        lower: "ground",
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "nothing meant to show",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-storm", { coats: 2 }]],
      },
    ],
    faulty: [
      {
        shows: "old gilding painted over",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "ground",
            says: "The coats may hide the old gilding meant to stay in sight. Panel: 30 % was meant to show the ground, and 1 % does.",
            repairs: [],
          },
        ],
        ground: "old gilding",
        groundIs: { inSight: 0.3, age: "after 1978" },
        steps: [["clean"], ["scuff"], ["brush", "mineral-storm", { coats: 2 }]],
      },
    ],
  },
};
