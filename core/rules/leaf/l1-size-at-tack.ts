import { openBetween } from "../../drying/gate.ts";
import { stepOf } from "../read-surface.ts";
import { dropWait, insertBefore, ofFamily } from "../repair.ts";
import type { Demand, Rule } from "../rule.ts";
import { sayAfter, sayBetween } from "../words.ts";

export const sizeAtTack: Rule = {
  meta: {
    id: "L1",
    title: "Lay leaf while the size has tack",
    reason:
      "Wet size drowns the leaf and dulls it; dead size lets it blow away. In between, leaf sticks at a touch and keeps its shine.",
    origin: "common practice for when it opens, from memory for when it shuts",
    schools: [],
    subsumes: ["A1", "C1"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["leaf"] },
  demands(seam) {
    const { step } = seam.phase;
    return seam.films.flatMap(({ film }): Demand[] => {
      const { tack } = film.material.windows;
      if (film.material.role !== "size" || !tack) return [];
      return [
        {
          rule: "L1",
          from: film.phaseId,
          to: seam.phase.id,
          lower: film.stepId,
          gates: [openBetween("tack", tack.opens, tack.shuts)],
          reason: "size at tack",
          tell: ({ verdict, waited, ...at }) => ({
            severity: "stop",
            title: verdict === "late" ? "Leaf will not stick: the size is dead" : "Wet size will drown the leaf",
            because: `Laid ${sayAfter(waited, "the size")}. It has tack ${sayBetween(at)}, while it whistles under a knuckle and does not wet it.`,
            lower: film.stepId,
            fixes: (place) => dropWait(place, step.id, "Lay it while the size has tack"),
          }),
        },
      ];
    });
  },
  check(seam) {
    const { step } = seam.phase;
    // loose places of leaf that lies are mended on the size that is left
    if (seam.phase.technique.mends || seam.films.some(({ film }) => film.material.role === "size")) return [];
    return [
      {
        severity: "stop",
        title: "Leaf will not stick: there is no size under it",
        because: "Leaf sticks only to tacky size.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
        part: "nothing",
        fixes: (place) => {
          const size = ofFamily(place.shelf, "leaf size");
          return size
            ? [
                {
                  label: "Lay size first",
                  commands: insertBefore(place, step.id, [{ how: "brush", what: size, where: step.where }]),
                },
              ]
            : [];
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "leaf on size after half an hour",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-oxide-red", { coats: 2 }],
          ["brush", "clear-coat-satin"],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-genuine-gold"],
        ],
      },
    ],
    faulty: [
      {
        shows: "leaf on bare paint",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s1",
            says: "Leaf will not stick: there is no size under it. Leaf sticks only to tacky size.",
            repairs: ["Lay size first"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["lay-leaf", "leaf-genuine-gold"],
        ],
      },
      {
        shows: "leaf on size two days old",
        finds: [
          {
            severity: "stop",
            at: "s3",
            over: "s2",
            says: "Leaf will not stick: the size is dead. Laid 2 days after the size. It has tack between 30 min and 24 h, while it whistles under a knuckle and does not wet it.",
            repairs: ["Lay it while the size has tack"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-genuine-gold", { wait: { kind: "at least", minutes: 2880 } }],
        ],
      },
    ],
  },
};
