import { comesAway } from "../../surface/laws/flaking.ts";
import { absorbs, films, sharesOf, stacksUnder, stepOf, topName } from "../read-surface.ts";
import { insertBefore, leaveOut, ofFamily, patchStep } from "../repair.ts";
import type { Fix, Rule, Seam, Top } from "../rule.ts";
import { capital, named, sayShare } from "../words.ts";

/** From this absorbency milk paint soaks in and stays. */
const SOAKS_IN = 0.5;

const letsGo = (seam: Seam, { stack }: Top): boolean =>
  comesAway(seam.phase.material!, true, stack?.film ?? null, seam.before.ground);

export const chipsNeedAResist: Rule = {
  meta: {
    id: "K8",
    title: "Chips need something to come away from",
    reason:
      "Milk paint flakes off wax, sealed surfaces and old finish. On raw timber it soaks in and grips; other paints hardly chip at all without a resist.",
    origin: "common practice",
    schools: [],
    subsumes: ["A1"],
  },
  looksAt: ["coat", "take"],
  dependsOn: "bare ground",
  when: { lays: ["paint"], does: ["chip"] },
  onFirstCoat: true,
  check(seam) {
    const { material, step, intents } = seam.phase;
    if (seam.phase.does.has("chip") && seam.phase.technique.id === "chip") {
      const anything = stacksUnder(seam).some(({ stack }) =>
        [...films(stack)].some((film) => film.chips || film.resist),
      );
      if (anything) return [];
      return [
        {
          severity: "caution",
          title: "The blade may only scratch: nothing here chips",
          because: "There is no resist in this stack and no layer meant to chip.",
          lower: stepOf(seam.tops[0]?.stack ?? null),
          part: "nothing",
          fixes: (place) => [
            {
              label: "Sand the edges instead",
              commands: patchStep(place, step.id, { how: "sand-220" }),
              look: "thin lines instead of flakes",
            },
            { label: "Leave out the chipping", commands: leaveOut(place, step.id) },
          ],
        },
      ];
    }
    if (material?.role !== "paint" || !intents.includes("chips")) return [];
    const open = seam.seen;
    const some = open.find((top) => letsGo(seam, top));
    if (some) {
      const lower = topName(seam, some.stack);
      return [
        {
          severity: "note",
          title: `${capital(named(material))} should chip off the ${lower}, as you want`,
          because: `${capital(sayShare(sharesOf(open.filter((top) => letsGo(seam, top)))))} gives it nothing to grip. Forced drying makes more flakes.`,
          lower: stepOf(some.stack),
        },
      ];
    }
    const top = open[0];
    // a second coat goes with the first, which is meant to chip too
    if (!top || open.some(({ stack }) => stack?.film.chips === true)) return [];
    const soaks = absorbs(seam, top.stack) >= SOAKS_IN;
    return [
      {
        severity: "caution",
        title: `${capital(named(material))} may hardly chip here`,
        because: soaks
          ? `The ${topName(seam, top.stack)} is thirsty: the paint soaks in and grips.`
          : `It grips the ${topName(seam, top.stack)} well.`,
        lower: stepOf(top.stack),
        fixes: (place) => {
          const wax = ofFamily(place.shelf, "clear wax");
          const oil = ofFamily(place.shelf, "drying oil");
          const list: Fix[] = [];
          if (wax)
            list.push({
              label: "Dab wax on first, as a resist",
              commands: insertBefore(place, step.id, [
                { how: "wax", what: wax, intents: ["resist"], where: { on: "arris", over: 0.7 } },
              ]),
              look: "flakes off the edges",
            });
          if (oil)
            list.push({
              label: "Rub oil in first, as a resist",
              commands: insertBefore(place, step.id, [{ how: "oil-on", what: oil, intents: ["resist"] }]),
              look: "flakes all over, at random",
            });
          list.push({
            label: "I do not want chips",
            commands: patchStep(place, step.id, { intents: intents.filter((intent) => intent !== "chips") }),
          });
          return list;
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "chipping where a resist lies",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear", { intents: ["resist"], where: { on: "arris", over: 0.7 } }],
          ["brush", "chalk-bone-white"],
          ["chip"],
        ],
      },
    ],
    faulty: [
      {
        shows: "chips wanted on raw timber",
        finds: [
          {
            severity: "caution",
            at: "s1",
            over: "ground",
            says: "Ochre milk paint may hardly chip here. The raw pine is thirsty: the paint soaks in and grips.",
            repairs: ["Dab wax on first, as a resist", "Rub oil in first, as a resist", "I do not want chips"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "milk-ochre", { intents: ["chips"] }]],
      },
      {
        shows: "a blade where nothing chips",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "The blade may only scratch: nothing here chips. There is no resist in this stack and no layer meant to chip.",
            repairs: ["Sand the edges instead", "Leave out the chipping"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-storm", { coats: 2 }], ["chip"]],
      },
    ],
  },
};
