import type { Command } from "../../edit/command.ts";
import { isWax, seen } from "../read-surface.ts";
import { insertAt, ofFamily } from "../repair.ts";
import type { RepairBasis, Rule } from "../rule.ts";

/** Takes the waxes off the end of the crust and seals with polyurethane instead. */
function filmInsteadOfWax(place: RepairBasis): Command[] {
  const tough = ofFamily(place.shelf, "tough water-borne polyurethane");
  if (!tough) return [];
  const { steps, id } = place.crust;
  let at = steps.length;
  while (at > 0 && ["wax", "buff"].includes(steps[at - 1]!.how)) at--;
  const gone: Command[] = steps.slice(at).map((step) => ({ do: "remove step", crustId: id, stepId: step.id }));
  return [...gone, ...insertAt(place, at, [{ how: "brush", what: tough, coats: 2 }])];
}

export const waxInHeatAndWet: Rule = {
  meta: {
    id: "W9",
    title: "Wax does not withstand heat or standing water",
    reason: "A warm cup melts a ring into it, and water left standing turns it white.",
    origin: "common practice; schools differ",
    schools: [],
    subsumes: ["U2"],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    const { heat, water } = finish.zone.use;
    const wet = water === "standing";
    const what = [heat ? "hot cups" : "", wet ? "standing water" : ""].filter(Boolean).join(" and ");
    const top = seen(finish.tops).find((top) => isWax(top.stack))?.stack;
    if (!top || (!heat && !wet)) return [];
    return [
      {
        severity: heat && wet ? "stop" : "caution",
        title: `Wax ${heat && wet ? "will" : "may"} mark under ${what}`,
        because: `${finish.zone.name}: planned for ${what}, but finished with wax.`,
        schools: "Some shops wax such tops anyway, and hand over a tin for touching up.",
        lower: top.film.stepId,
        fixes: (place) => {
          const commands = filmInsteadOfWax(place);
          return commands.length > 1
            ? [
                {
                  label: "End with two coats of tough polyurethane instead of wax",
                  commands,
                  look: "crisper sheen, no wax in the grooves",
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
        shows: "polyurethane where cups stand",
        ground: "raw timber",
        species: "pine",
        use: { heat: true },
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "polyurethane-water", { coats: 2 }],
        ],
      },
    ],
    faulty: [
      {
        shows: "wax where cups stand",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s2",
            says: "Wax may mark under hot cups. Panel: planned for hot cups, but finished with wax.",
            repairs: ["End with two coats of tough polyurethane instead of wax"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        use: { heat: true },
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
        ],
      },
    ],
  },
};
