import { isReliefClass, type ReliefClass } from "../../plan/plan.ts";
import { isSimple } from "../../surface/places.ts";
import type { Rule } from "../rule.ts";

const MISSING: Record<ReliefClass, string> = {
  arris: "no arrises",
  field: "no flats",
  high: "nothing that stands proud",
  recess: "no grooves",
};

export const noSuchPlaceHere: Rule = {
  meta: {
    id: "N4",
    title: "A plain face has no grooves",
    reason:
      "One crust often goes over panels and plain boards alike. What is meant for the grooves or the beads does nothing on a face that has none, and is left out there.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat", "take", "help"],
  dependsOn: "zone",
  onFirstCoat: true,
  evenWhereNothingIs: true,
  check({ phase: { where, step }, zone, tops }) {
    if (tops.length > 0) return [];
    const what = isSimple(where) && isReliefClass(where.on) ? MISSING[where.on] : "no such place";
    const others = zone.overrides.filter(({ stepId }) => stepId !== step.id);
    return [
      {
        severity: "note",
        title: `Nothing to do here: this face has ${what}`,
        because: "The step does nothing on this zone, and its time is planned all the same.",
        fixes: () => [
          {
            label: "Leave it out on this zone",
            commands: [
              {
                do: "patch zone",
                zoneId: zone.id,
                patch: { overrides: [...others, { stepId: step.id, skip: true }] },
              },
            ],
          },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "glaze in the grooves of a moulded panel",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "glaze-umber", { where: { on: "recess", over: 1 } }],
        ],
      },
    ],
    faulty: [
      {
        shows: "glaze for the grooves on a plain board",
        finds: [
          {
            severity: "note",
            at: "s2",
            says: "Nothing to do here: this face has no grooves. The step does nothing on this zone, and its time is planned all the same.",
            repairs: ["Leave it out on this zone"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        zone: { relief: { arris: 0.06, field: 0.94, high: 0, recess: 0 } },
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "glaze-umber", { where: { on: "recess", over: 1 } }],
        ],
      },
    ],
  },
};
