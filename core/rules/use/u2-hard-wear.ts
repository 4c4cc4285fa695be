import type { Material } from "../../materials/material.ts";
import { WEAR } from "../../plan/plan.ts";
import type { Stack } from "../../surface/stack.ts";
import { isWax, partWhere, stepOf } from "../read-surface.ts";
import { indexOfStep, insertAt, ofFamily } from "../repair.ts";
import type { Fix, RepairBasis, Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

/** Coats of an ordinary clear coat that withstand a hard life (common practice). */
const COATS_FOR_HARD_WEAR = 3;
const rank = (wear: Material["wear"]) => WEAR.indexOf(wear);

/**
 * The hardest use this stack is fit for: that of its wax, or of the film right under the wax, one step more with three coats of
 * it. What lies deeper is worn through to, and protects nothing.
 */
function stands(stack: Stack): number {
  let best = 0;
  let at = stack;
  for (; at?.film.material.binder === "wax"; at = at.below) best = Math.max(best, rank(at.film.material.wear));
  if (at === null) return best;
  best = Math.max(best, rank(at.film.material.wear));
  let clear = 0;
  for (; at?.film.material.role === "clear"; at = at.below) clear++;
  return clear >= COATS_FOR_HARD_WEAR ? Math.max(best, rank("hard")) : best;
}

/** Index below the run of waxes that ends the crust, where a clear coat belongs. */
function belowTheWax(place: RepairBasis): number {
  const { steps } = place.crust;
  let at = steps.length;
  while (at > 0 && ["wax", "buff"].includes(steps[at - 1]!.how)) at--;
  return at;
}

export const hardWear: Rule = {
  meta: {
    id: "U2",
    title: "A hard life needs a hard film",
    reason:
      "Wax marks, and has to be renewed, wherever things are dragged, leaned on and wiped down. A film takes the knocks instead of the finish.",
    origin: "common practice",
    schools: ["end"],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    const need = rank(finish.zone.use.wear);
    if (need < rank("daily")) return [];
    const weak = partWhere(finish, (stack) => stack !== null && stands(stack) < need);
    if (!weak?.stack) return [];
    const fixes = (place: RepairBasis): Fix[] => {
      const list: Fix[] = [];
      const at = belowTheWax(place);
      const tough = ofFamily(place.shelf, "tough water-borne polyurethane");
      const clear = ofFamily(place.shelf, "water-borne clear coat");
      const under = isWax(weak.stack) ? " under the wax" : "";
      if (tough)
        list.push({
          label: `Add two coats of tough polyurethane${under}`,
          commands: insertAt(place, at, [{ how: "brush", what: tough, coats: 2 }]),
          look: "a little less matt",
        });
      if (clear)
        list.push({
          label: `Add ${need === rank("hard") ? "three" : "two"} coats of ${named(clear)}${under}`,
          commands: insertAt(place, at, [
            { how: "brush", what: clear, coats: need === rank("hard") ? COATS_FOR_HARD_WEAR : 2 },
          ]),
        });
      const existing = place.crust.steps.find((step) => place.shelf.pinned.get(step.what ?? "")?.role === "clear");
      if (
        existing &&
        need === rank("hard") &&
        existing.coats < COATS_FOR_HARD_WEAR &&
        indexOfStep(place.crust, existing.id) >= 0
      )
        list.unshift({
          label: `Make the clear coat ${COATS_FOR_HARD_WEAR} coats`,
          commands: [
            { do: "patch step", crustId: place.crust.id, stepId: existing.id, patch: { coats: COATS_FOR_HARD_WEAR } },
          ],
        });
      return list;
    };
    // a house that ends with wax knows that it renews it
    if (isWax(weak.stack) && finish.houseRules.end === "wax" && finish.zone.use.wear === "daily")
      return [
        {
          severity: "note",
          title: "Wax in daily use is normally renewed once or twice a year",
          because: `${finish.zone.name}: planned for daily use. Say so when the piece is handed over.`,
          schools: "Others lay a film of clear coat under the wax, or instead of it.",
          lower: stepOf(weak.stack),
          fixes,
        },
      ];
    return [
      {
        severity: "caution",
        title: `${isWax(weak.stack) ? "Wax alone" : capital(named(weak.stack.film.material))} may not be enough for ${finish.zone.use.wear === "hard" ? "hard knocks" : "daily use"}`,
        because: `${finish.zone.name}: planned for ${finish.zone.use.wear} use; this finish is fit for ${WEAR[stands(weak.stack)]} use.`,
        schools: isWax(weak.stack) ? "Some shops wax table tops and have them re-waxed twice a year." : undefined,
        lower: stepOf(weak.stack),
        fixes,
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "polyurethane on a bench top",
        ground: "raw timber",
        species: "pine",
        use: { wear: "hard" },
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "polyurethane-water", { coats: 2 }],
        ],
      },
    ],
    faulty: [
      {
        shows: "wax alone on a bench top",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s2",
            says: "Wax alone may not be enough for hard knocks. Panel: planned for hard use; this finish is fit for gentle use.",
            repairs: [
              "Add two coats of tough polyurethane under the wax",
              "Add three coats of satin clear coat under the wax",
            ],
          },
        ],
        ground: "raw timber",
        species: "pine",
        use: { wear: "hard" },
        steps: [
          ["brush", "chalk-slate", { coats: 2 }],
          ["wax", "wax-clear"],
        ],
      },
      {
        shows: "one clear coat on a bench top",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s2",
            says: "Satin clear coat may not be enough for hard knocks. Panel: planned for hard use; this finish is fit for daily use.",
            repairs: [
              "Make the clear coat 3 coats",
              "Add two coats of tough polyurethane",
              "Add three coats of satin clear coat",
            ],
          },
        ],
        ground: "raw timber",
        species: "pine",
        use: { wear: "hard" },
        steps: [
          ["brush", "chalk-slate", { coats: 2 }],
          ["brush", "clear-coat-satin"],
        ],
      },
    ],
  },
};
