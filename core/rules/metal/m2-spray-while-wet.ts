import { openUntil } from "../../drying/gate.ts";
import { stepOf } from "../read-surface.ts";
import { dropWait, insertBefore, leaveOut, ofFamily, patchStep } from "../repair.ts";
import type { RepairBasis, Rule } from "../rule.ts";
import { named, sayAge, sayShuts } from "../words.ts";
import { METAL } from "./m1-acid-on-bare-metal.ts";

export const sprayWhileWet: Rule = {
  meta: {
    id: "M2",
    title: "Spray patina into the wet second coat",
    reason:
      "The acid has to reach the metal in the paint, and a dry film seals it in. The first coat is for cover, the second for the reaction.",
    origin: "common practice",
    schools: [],
    subsumes: ["C1", "A1", "B1"],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  when: { lays: ["patina"] },
  demands(seam) {
    const { step } = seam.phase;
    return seam.films
      .filter(({ film }) => film.material.reacts)
      .map(({ film }) => ({
        rule: "M2",
        from: film.phaseId,
        to: seam.phase.id,
        lower: film.stepId,
        gates: [openUntil("wet", film.material.drying.touch)],
        reason: "while the metal paint is wet",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "early"
            ? null
            : {
                severity: "caution" as const,
                title: `The patina may hardly turn the ${named(film.material)}`,
                because: `${sayAge(waited)} and takes the spray only while wet, for about ${sayShuts(at)}.`,
                lower: film.stepId,
                fixes: (place: RepairBasis) => dropWait(place, step.id, "Spray while it is wet"),
              },
      }));
  },
  check(seam) {
    const { step } = seam.phase;
    const metal = seam.films.find(({ film }) => film.material.reacts)?.film;
    // straight on iron or brass it is the metal itself that turns; that is another rule's
    if (!metal && METAL.has(seam.zone.ground.kind) && seam.seen.some(({ stack }) => stack === null)) return [];
    if (!metal)
      return [
        {
          severity: "caution",
          title: "The patina may do nothing: there is no real metal here",
          because: "It reacts with metal in the paint, and with nothing else.",
          lower: stepOf(seam.tops[0]?.stack ?? null),
          part: "nothing",
          fixes: (place) => [
            ...(() => {
              const paint = ofFamily(place.shelf, "reactive metal paint");
              return paint
                ? [
                    {
                      label: `Add two coats of ${named(paint)} first`,
                      commands: insertBefore(place, step.id, [{ how: "brush", what: paint, coats: 2 }]),
                    },
                  ]
                : [];
            })(),
            { label: "Leave out the patina", commands: leaveOut(place, step.id) },
          ],
        },
      ];
    const coats = seam.past.filter(({ phase }) => phase.step.id === metal.stepId).length;
    if (coats >= 2) return [];
    return [
      {
        severity: "caution",
        title: "One coat of metal paint may not be enough for a patina",
        because: "The spray goes into the wet second coat; the first keeps it off what lies beneath.",
        lower: metal.stepId,
        part: "thin",
        fixes: (place) => [{ label: "Make it two coats", commands: patchStep(place, metal.stepId, { coats: 2 }) }],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "sprayed into the wet second coat",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "reactive-copper", { coats: 2 }],
          ["spray", "patina-verdigris"],
        ],
      },
    ],
    faulty: [
      {
        shows: "sprayed the next day",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: "The patina may hardly turn the copper reactive metal paint. It is 24 h old and takes the spray only while wet, for about 45 min.",
            repairs: ["Spray while it is wet"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "reactive-copper", { coats: 2 }],
          ["spray", "patina-verdigris", { wait: { kind: "at least", minutes: 1440 } }],
        ],
      },
      {
        shows: "patina on plain paint",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "The patina may do nothing: there is no real metal here. It reacts with metal in the paint, and with nothing else.",
            repairs: ["Add two coats of copper reactive metal paint first", "Leave out the patina"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["spray", "patina-verdigris"],
        ],
      },
    ],
  },
};
