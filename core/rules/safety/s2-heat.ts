import { dried } from "../../surface/film.ts";
import { isWax } from "../read-surface.ts";
import { leaveOut } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named, sayAge } from "../words.ts";

export const heat: Rule = {
  meta: {
    id: "S2",
    title: "No heat on lead, wet solvent or wax",
    reason:
      "A heat gun turns lead to fume, sets fire to solvent and melts wax into the tool. Warm air from a hair-dryer is for water-borne coats only.",
    origin: "common practice; the makers' labels and local law decide",
    schools: [],
    subsumes: [],
  },
  looksAt: ["help"],
  dependsOn: "films",
  when: { does: ["force dry"] },
  check(seam) {
    const { phase } = seam;
    const gun = phase.technique.hazards.includes("heat");
    const wax = gun ? seam.seen.find((top) => isWax(top.stack))?.stack : undefined;
    const solvent = seam.seen.find(
      ({ stack }) =>
        stack !== null &&
        (stack.film.material.carrier === "solvent" || stack.film.material.carrier === "alcohol") &&
        dried(stack.film, "recoat", seam.at) < stack.film.material.drying.recoat.safe,
    )?.stack;
    const top = solvent ?? wax;
    if (!top) return [];
    return [
      {
        severity: "stop",
        title: solvent
          ? `Warm air can set the wet ${named(top.film.material)} alight`
          : `A heat gun will melt the ${named(top.film.material)}`,
        because: solvent
          ? `${sayAge(seam.at - top.film.laidAt)}, and its solvent has not left. No flames, no hot elements, and air the room.`
          : "Wax softens long before anything dries, and smokes soon after.",
        lower: top.film.stepId,
        fixes: (place) => [{ label: "Leave out the heat", commands: leaveOut(place, phase.step.id) }],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "warm air on water-borne paint",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-storm"], ["hair-dryer"]],
      },
    ],
    faulty: [
      {
        shows: "warm air on fresh oil paint",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s1",
            says: "Warm air can set the wet deep green oil paint alight. It was laid just before, and its solvent has not left. No flames, no hot elements, and air the room.",
            repairs: ["Leave out the heat"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "oil-deep-green"], ["hair-dryer"]],
      },
      {
        shows: "a heat gun on wax",
        finds: [
          {
            severity: "stop",
            at: "s3",
            over: "s2",
            says: "A heat gun will melt the clear paste wax. Wax softens long before anything dries, and smokes soon after.",
            repairs: ["Leave out the heat"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
          ["heat-gun", null, { wait: { kind: "at least", minutes: 2880 } }],
        ],
      },
    ],
  },
};
