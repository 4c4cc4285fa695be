import { dried } from "../../surface/film.ts";
import type { Stack } from "../../surface/stack.ts";
import { isResist, isWax } from "../read-surface.ts";
import { isTakenOff, leaveOut, withIntent } from "../repair.ts";
import type { FilmSeam, Rule } from "../rule.ts";
import { capital, named, sayShare } from "../words.ts";

/** Oil carries nothing until it has dried through (common practice). */
const isFreshOil = (seam: FilmSeam, stack: Stack) =>
  stack?.film.material.role === "oil" &&
  dried(stack.film, "before clear", seam.at) < stack.film.material.drying.beforeClear.typical;

export const waterOverWax: Rule = {
  meta: {
    id: "A3",
    title: "Coats do not stick to wax or fresh oil",
    reason:
      "Wax and oil keep water off, and other carriers only soften them. Paint beads as it is laid, or dries and comes away at a touch: unwelcome under a finish, wanted where wax or oil is laid as a resist.",
    origin: "common practice",
    schools: [],
    subsumes: ["A1"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  check(seam) {
    const { material } = seam.phase;
    if (!material || material.role === "wax") return [];
    // oil goes over its own kind as a second coat, which waits by its label
    const oiled = (stack: Stack) => material.role !== "oil" && isFreshOil(seam, stack);
    const waxed = seam.seen.filter((top) => isWax(top.stack) || oiled(top.stack));
    const top = waxed[0]?.stack;
    if (!top) return [];
    const share = waxed.reduce((sum, top) => sum + top.share, 0);
    const resist = isResist(top.film);
    const wax = named(top.film.material);
    return [
      {
        severity: resist ? "note" : "stop",
        title: resist
          ? `${capital(named(material))} should come away from the ${wax}, as you want`
          : `${capital(named(material))} will not stick to ${wax}`,
        because: resist
          ? `The ${wax} covers ${sayShare(share)}; rub those places when dry and the layer beneath shows.`
          : `The ${wax} covers ${sayShare(share)}. ${material.carrier === "water" ? "Water-borne coats bead on it and rub off." : "It stays soft beneath, and the coat comes away."}`,
        lower: top.film.stepId,
        fixes: (place) =>
          resist
            ? []
            : [
                ...(!isTakenOff(place, seam.phase)
                  ? []
                  : [
                      {
                        label: "Make it a resist: the paint is meant to come away",
                        commands: withIntent(place, top.film.stepId, "resist"),
                        look: "what lies under it will show",
                      },
                    ]),
                { label: `Leave out the ${wax}`, commands: leaveOut(place, top.film.stepId) },
              ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "wax after the last paint",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster", { coats: 2 }],
          ["wax", "wax-clear"],
        ],
      },
    ],
    faulty: [
      {
        shows: "wax dabbed on as a resist",
        finds: [
          {
            severity: "note",
            at: "s3",
            over: "s2",
            says: "Oyster acrylic mineral paint should come away from the clear paste wax, as you want. The clear paste wax covers 6 % of the surface; rub those places when dry and the layer beneath shows.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear", { intents: ["resist"], where: { on: "arris", over: 0.8 } }],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
  },
};
