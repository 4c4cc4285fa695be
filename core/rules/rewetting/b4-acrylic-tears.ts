import { holdsFrom } from "../../drying/solubility.ts";
import { dried } from "../../surface/film.ts";
import { sayDuration } from "../../units/duration.ts";
import { patchStep, waitBefore } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { capital, named, sayAge } from "../words.ts";

export const acrylicTears: Rule = {
  meta: {
    id: "B4",
    title: "Acrylic and emulsion tear under paper",
    reason:
      "The film is a skin of plastic. Until it has cured, paper warms it, rolls it up and tears it in strips instead of wearing it thin.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["take"],
  dependsOn: "films",
  when: { does: ["abrade"] },
  check(seam) {
    const { phase } = seam;
    const soft = seam.films.find(
      ({ film }) =>
        film.material.role === "paint" &&
        film.material.binder === "acrylic" &&
        dried(film, "cure", seam.at) < film.material.drying.cure.safe,
    );
    if (!soft) return [];
    const { film } = soft;
    const cure = film.material.drying.cure.safe;
    return [
      {
        severity: "caution",
        title: `${capital(named(film.material))} may roll up under the paper`,
        because: `${sayAge(seam.at - film.laidAt)} and cures in about ${sayDuration(cure)}.`,
        lower: film.stepId,
        fixes: (place) => [
          {
            label: `Wet distress it within ${sayDuration(holdsFrom(film.material, "water", 1))} instead`,
            commands: patchStep(place, phase.step.id, { how: "wet-distress", wait: null }),
            look: "softer, feathered wear",
          },
          { label: "Sand it once it has cured", commands: waitBefore(place, phase.step.id, cure) },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "chalk paint sanded",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "chalk-slate"], ["sand-220"]],
      },
    ],
    faulty: [
      {
        shows: "emulsion sanded the same day",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Putty flat emulsion may roll up under the paper. It is 50 min old and cures in about 30 days.",
            repairs: ["Wet distress it within 1 h 20 min instead", "Sand it once it has cured"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "emulsion-putty"], ["sand-220"]],
      },
    ],
  },
};
