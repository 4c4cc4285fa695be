import { holdsFrom, opens } from "../../drying/solubility.ts";
import { type Film, ripeness } from "../../surface/film.ts";
import { sayDuration } from "../../units/duration.ts";
import { indexOfStep, insertBefore, ofFamily, waitBefore, withIntent } from "../repair.ts";
import type { FilmSeam, Fix, RepairBasis, Rule, Top } from "../rule.ts";
import { capital, named, sayAge } from "../words.ts";

/** What the rag or the flood reaches that is not meant to move: the film on top, or under a wet glaze the one beneath it. */
function reached(seam: FilmSeam, top: Top): Film | null {
  const stack = top.stack;
  if (stack === null || stack.film.stepId === seam.phase.step.id) return null;
  const wipes = seam.phase.effects.some((effect) => effect.does === "thin");
  const target = wipes && isOpen(seam, stack.film) ? stack.below : stack;
  // glaze over glaze, or over a slip coat, is wiped as one
  if (wipes && target?.film.material.role === "glaze") return null;
  return target !== null && isOpen(seam, target.film) ? target.film : null;
}

const isOpen = (seam: FilmSeam, film: Film) =>
  opens(film.material, "water", ripeness(film, seam.at), seam.phase.technique.rubbing);

export const pickUp: Rule = {
  meta: {
    id: "B1",
    title: "Flooding and rubbing lift a soluble layer",
    reason:
      "Chalk and clay paints redissolve in water for a day or longer. A coat simply laid on does no harm; a wash, a blend or a wet rag lifts them and muddies both.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat", "take"],
  dependsOn: "films",
  check(seam) {
    const { technique, step, material } = seam.phase;
    const wet = technique.wets === "water" || material?.carrier === "water";
    const distresses = seam.phase.effects.some((effect) => effect.does === "dissolve");
    if (!wet || distresses || technique.rubbing === 0) return [];
    for (const top of seam.pairs) {
      const film = reached(seam, top);
      if (!film) continue;
      const below = named(film.material);
      const age = seam.at - film.laidAt;
      if (seam.phase.intents.includes("blend") || technique.id === "blend")
        return [
          {
            severity: "note",
            title: `The ${below} moves with it: normal for a blend`,
            because: `${sayAge(age)} and still dissolves.`,
            lower: film.stepId,
          },
        ];
      const holds = holdsFrom(film.material, "water", technique.rubbing);
      const fixes = (place: RepairBasis): Fix[] => {
        const list: Fix[] = [];
        // the step that lies directly on the film is the one to hold back or to put a barrier under
        const next = place.crust.steps[indexOfStep(place.crust, film.stepId) + 1]?.id ?? step.id;
        if (Number.isFinite(holds))
          list.push({
            label: `Leave the ${below} for ${sayDuration(holds)} first`,
            commands: waitBefore(place, next, holds),
          });
        const barrier = ofFamily(place.shelf, "water-borne clear coat");
        if (barrier)
          list.push({
            label: `Put a thin ${named(barrier)} between`,
            commands: insertBefore(place, next, [{ how: "brush", what: barrier }]),
            look: "the wash slides more and soaks in less",
          });
        list.push({
          label: "Let them blend",
          commands: withIntent(place, step.id, "blend"),
          look: "soft, cloudy borders",
        });
        return list;
      };
      return [
        {
          severity: "caution",
          title: `"${capital(technique.name)}" may lift the ${below}`,
          because: `${sayAge(age, `The ${below}`)} and is not sealed. ${
            Number.isFinite(holds)
              ? `It withstands this much rubbing after about ${sayDuration(holds)}.`
              : "It dissolves in water until it is sealed."
          }`,
          lower: film.stepId,
          fixes,
        },
      ];
    }
    return [];
  },
  examples: {
    clean: [
      {
        shows: "a second coat on dry chalk paint",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate", { coats: 2 }],
          ["wax", "wax-clear"],
        ],
      },
      {
        shows: "a wash over paint a day old",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["wash", "mineral-oyster", { wait: { kind: "at least", minutes: 1440 } }],
        ],
      },
    ],
    faulty: [
      {
        shows: "a wash two hours after the base",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: '"Wash" may lift the slate chalk-type paint. The slate chalk-type paint is 2 h old and is not sealed. It withstands this much rubbing after about 15 h 42 min.',
            repairs: [
              "Leave the slate chalk-type paint for 15 h 42 min first",
              "Put a thin satin clear coat between",
              "Let them blend",
            ],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["wash", "mineral-oyster"],
        ],
      },
      {
        shows: "a glaze wiped back over fresh chalk paint",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s1",
            says: '"Wipe back" may lift the slate chalk-type paint. The slate chalk-type paint is 2 h 15 min old and is not sealed. It withstands this much rubbing after about 18 h 09 min.',
            repairs: [
              "Leave the slate chalk-type paint for 18 h 09 min first",
              "Put a thin satin clear coat between",
              "Let them blend",
            ],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "chalk-slate"], ["brush", "glaze-umber"], ["wipe-back"]],
      },
    ],
  },
};
