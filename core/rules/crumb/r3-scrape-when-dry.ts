import { films, stacksUnder } from "../read-surface.ts";
import type { Rule } from "../rule.ts";
import { CRUMB_ON_WET, SMALL_FACE } from "./stack.ts";

export const scrapeWhenDry: Rule = {
  meta: {
    id: "R3",
    title: "Scraped craters are thirsty and need a rest",
    reason:
      "Scraping opens what lay under the crumb all at once. Brush the dust out and leave it a while before anything wet goes in.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["take"],
  dependsOn: "films",
  when: { does: ["scrape"] },
  check(seam) {
    const crumb = stacksUnder(seam)
      .flatMap(({ stack }) => [...films(stack)])
      .find((film) => film.material.role === "crumb");
    if (!crumb) return [];
    return [
      {
        severity: "note",
        title: "Scrape when everything is dry, then brush out the dust",
        because:
          "The crumb breaks off with the paint on it and leaves a crater with a clean rim; what lies under it shows.",
        lower: crumb.stepId,
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "no crumb to scrape",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
    faulty: [
      {
        shows: "crumb scraped off",
        finds: [
          {
            severity: "note",
            at: "s5",
            over: "s3",
            says: "Scrape when everything is dry, then brush out the dust. The crumb breaks off with the paint on it and leaves a crater with a clean rim; what lies under it shows.",
            repairs: [],
          },
        ],
        ...SMALL_FACE,
        steps: [...CRUMB_ON_WET, ["tap", "chalk-bone-white"], ["scrape"]],
      },
    ],
  },
};
