import type { Step } from "../../plan/plan.ts";
import { absorbencyOf } from "../../surface/ground-state.ts";
import { seen, THIRSTY } from "../read-surface.ts";
import { insertAt, ofFamily } from "../repair.ts";
import type { Fix, RepairBasis, Rule } from "../rule.ts";
import { capital, named, sayShare } from "../words.ts";

/** What is laid last and stays on top: clear wax over gilding would take it off again. */
function underAccents({ crust: { steps }, shelf }: RepairBasis): number {
  const isAccent = ({ what, how }: Step) => {
    const material = what === undefined ? undefined : (shelf.pinned.get(what) ?? null);
    return material === undefined ? how === "buff" : material?.family === "gilding wax";
  };
  let at = steps.length;
  while (at > 0 && isAccent(steps[at - 1]!)) at--;
  return steps.slice(at).some(({ what }) => what !== undefined) ? at : steps.length;
}

export const leftUnsealed: Rule = {
  meta: {
    id: "U5",
    title: "Seal porous paint",
    reason:
      "Chalk, clay and milk paint left unsealed take every fingerprint, ring and splash, and none of it washes off.",
    origin: "common practice",
    schools: ["end"],
    subsumes: ["U2"],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    const open = seen(finish.tops).filter(
      (top) => top.stack?.film.material.role === "paint" && absorbencyOf(top.stack, finish.after.ground) >= THIRSTY,
    );
    const top = open[0]?.stack;
    if (!top) return [];
    const share = open.reduce((sum, top) => sum + top.share, 0);
    const display = finish.zone.use.wear === "display";
    const fixes = (place: RepairBasis): Fix[] => {
      const list: Fix[] = [];
      const end = underAccents(place);
      const wax = ofFamily(place.shelf, "clear wax");
      const clear = ofFamily(place.shelf, "water-borne clear coat");
      const tough = ofFamily(place.shelf, "tough water-borne polyurethane");
      const hard = finish.zone.use.wear === "hard" || finish.zone.use.wear === "daily";
      if (hard && tough)
        list.push({
          label: "Add two coats of tough polyurethane",
          commands: insertAt(place, end, [{ how: "brush", what: tough, coats: 2 }]),
          look: "a little deeper, a little less matt",
        });
      const waxed: Fix[] =
        !hard && wax
          ? [
              {
                label: "Finish with clear wax",
                commands: insertAt(place, end, [{ how: "wax", what: wax }, { how: "buff" }]),
                look: "deeper colour, soft sheen",
              },
            ]
          : [];
      const filmed: Fix[] = clear
        ? [
            {
              label: `Add two coats of ${named(clear)}`,
              commands: insertAt(place, end, [{ how: "brush", what: clear, coats: 2 }]),
              look: "a little deeper",
            },
          ]
        : [];
      list.push(...(finish.houseRules.end === "wax" ? [...waxed, ...filmed] : [...filmed, ...waxed]));
      return list;
    };
    return [
      {
        severity: display ? "note" : "stop",
        title: display
          ? `${capital(named(top.film.material))} stays unsealed: normal for display only`
          : `${capital(named(top.film.material))} will mark at the first touch`,
        because: `${finish.zone.name}: planned for ${finish.zone.use.wear} use, with ${sayShare(share)} unsealed.`,
        lower: top.film.stepId,
        ...(display ? {} : { fixes }),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "chalk paint waxed",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate", { coats: 2 }],
          ["wax", "wax-clear"],
        ],
      },
    ],
    faulty: [
      {
        shows: "chalk paint left bare",
        finds: [
          {
            severity: "stop",
            at: "s1",
            over: "s1",
            says: "Slate chalk-type paint will mark at the first touch. Panel: planned for gentle use, with all of the surface unsealed.",
            repairs: ["Finish with clear wax", "Add two coats of satin clear coat"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "chalk-slate", { coats: 2 }]],
      },
      {
        shows: "bare milk paint for display",
        finds: [
          {
            severity: "note",
            at: "s1",
            over: "s1",
            says: "Ochre milk paint stays unsealed: normal for display only. Panel: planned for display use, with all of the surface unsealed.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        use: { wear: "display" },
        steps: [["brush", "milk-ochre", { coats: 2 }]],
      },
    ],
  },
};
