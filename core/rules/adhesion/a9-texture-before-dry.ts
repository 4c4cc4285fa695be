import { openFrom, type Range } from "../../drying/gate.ts";
import type { Film } from "../../surface/film.ts";
import type { Stack } from "../../surface/stack.ts";
import { HOUR } from "../../units/units.ts";
import { films, stacksUnder, stepOf } from "../read-surface.ts";
import { dropWait, leaveOut } from "../repair.ts";
import type { Demand, Rule } from "../rule.ts";
import { leaveFor, named, sayHad, sayOpens } from "../words.ts";

/** How long paint over the crumb dries before the crumb is scraped (common practice). */
const OVER_CRUMB: Range = { typical: 2 * HOUR, safe: 2 * HOUR };

function crumbIn(stack: Stack): Film | null {
  for (const film of films(stack)) if (film.material.role === "crumb") return film;
  return null;
}

export const textureBeforeDry: Rule = {
  meta: {
    id: "A9",
    title: "Let texture dry before painting or scraping it",
    reason:
      "Under a skin of paint the wet paste never dries: it stays soft, sinks and splits. Crumb scraped wet smears instead of breaking off.",
    origin: "common practice",
    schools: [],
    subsumes: ["C1"],
  },
  looksAt: ["coat", "take"],
  dependsOn: "films",
  demands(seam) {
    const { phase } = seam;
    const scrapes = phase.does.has("scrape");
    if (!phase.material && !scrapes) return [];
    const demands: Demand[] = [];
    for (const { stack } of scrapes ? stacksUnder(seam) : seam.tops) {
      if (stack === null) continue;
      const crumb = scrapes ? crumbIn(stack) : null;
      const soft =
        crumb ??
        (phase.material && stack.film.material.role === "paste" && stack.film.stepId !== phase.step.id
          ? stack.film
          : null);
      if (!soft || phase.material?.role === "leaf") continue;
      const under = scrapes && stack.film !== soft;
      const opens = under ? OVER_CRUMB : soft.material.drying.recoat;
      const film = under ? stack.film : soft;
      demands.push({
        rule: "A9",
        from: film.phaseId,
        to: phase.id,
        lower: soft.stepId,
        gates: [openFrom("through", opens)],
        reason: scrapes ? "dry enough to scrape" : "texture dry",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "late"
            ? null
            : {
                severity: "stop",
                title: scrapes
                  ? "The scraper will smear the wet crumb"
                  : `The ${named(soft.material)} will stay soft under the next coat`,
                because: `${sayHad(waited)} and is dry through after ${sayOpens(at)}.`,
                lower: soft.stepId,
                fixes: (place) => dropWait(place, phase.step.id, leaveFor(at)),
              },
      });
    }
    return demands;
  },
  check(seam) {
    if (!seam.phase.does.has("scrape") || stacksUnder(seam).some(({ stack }) => crumbIn(stack) !== null)) return [];
    return [
      {
        severity: "caution",
        title: "Scraping may do nothing: there is no crumb here",
        because: "Nothing in this stack breaks off in craters.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
        part: "nothing",
        fixes: (place) => [{ label: "Leave out the scraping", commands: leaveOut(place, seam.phase.step.id) }],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "paste painted the next day",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["trowel", "texture-paste"],
          ["brush", "mineral-storm"],
        ],
      },
    ],
    faulty: [
      {
        shows: "paste painted after five hours",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s1",
            says: "The plaster white texture paste will stay soft under the next coat. It has had 5 h and is dry through after 24 h.",
            repairs: ["Leave it for 24 h"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["trowel", "texture-paste"],
          ["brush", "mineral-storm", { wait: { kind: "exactly", minutes: 300 } }],
        ],
      },
      {
        shows: "scraping where there is no crumb",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Scraping may do nothing: there is no crumb here. Nothing in this stack breaks off in craters.",
            repairs: ["Leave out the scraping"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-storm"], ["scrape"]],
      },
    ],
  },
};
