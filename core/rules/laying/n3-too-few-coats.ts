import { colourDifference } from "../../colour/difference.ts";
import { coatsOver } from "../../colour/material-colour.ts";
import type { Material } from "../../materials/material.ts";
import { dryFilm } from "../../quantity/spread.ts";
import type { Effect } from "../../surface/effect.ts";
import type { Film } from "../../surface/film.ts";
import type { Stack } from "../../surface/stack.ts";
import type { Share } from "../../units/units.ts";
import { films, stacksAfter } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import type { Finish, Rule } from "../rule.ts";
import { capital, groundNamed, named } from "../words.ts";

/** From this ΔE00 a coat is seen not to hide (from memory; 1 is the least an eye tells side by side). */
const SEEN_THROUGH = 2.5;
/** So much of the face it must be, to be a fault of the coat rather than part of the finish. */
const MOST: Share = 0.5;
/** A paint that hides less than this is meant to be seen through. */
const OPAQUE = 0.8;
const MOST_COATS = 6;
const MOST_KNOWN = 500;

/** Ways of laying that mean to cover a face evenly. */
const COVERS: ReadonlySet<string> = new Set(["brush", "roller", "spray", "cross-hatch", "pad", "stipple"]);
const TRANSLUCENT: ReadonlySet<string> = new Set(["wax", "clear", "oil", "glaze", "medium"]);

/** A finish that is worn on purpose is not asked to hide evenly. */
const WEARS: readonly Effect["does"][] = ["abrade", "dissolve", "chip"];

const isCover = ({ past }: Finish, film: Film): boolean =>
  past.some(
    ({ phase }) =>
      phase.id === film.phaseId &&
      COVERS.has(phase.technique.id) &&
      phase.where.share >= 1 &&
      phase.step.amount?.kind !== "light" &&
      (phase.pot?.strength ?? 1) >= 0.9 &&
      phase.intents.length === 0,
  );

/** The paint that is meant to be the colour of a stack, how many usual coats of it lie there, and what they lie on. */
function colourOf(stack: Stack): { film: Film; coats: number; under: Film | null } | null {
  let at = stack;
  while (at !== null && TRANSLUCENT.has(at.film.material.role)) at = at.below;
  if (at === null || at.film.material.role !== "paint") return null;
  const { film } = at;
  let thick = 0;
  for (; at !== null && at.film.material.id === film.material.id; at = at.below) thick += at.film.micrometres;
  const under = [...films(at)].find(({ material }) => !TRANSLUCENT.has(material.role)) ?? null;
  return { film, coats: thick / dryFilm(film.material), under };
}

const known = new WeakMap<Material, Map<string, number>>();

/** How far so many coats over a colour are from what it is by itself (ΔE00); worked out once for each. */
function showsThrough(material: Material, coats: number, under: string): number {
  const ofMaterial = known.get(material) ?? new Map<string, number>();
  known.set(material, ofMaterial);
  const key = `${coats.toFixed(2)} ${under}`;
  let apart = ofMaterial.get(key);
  if (apart === undefined) {
    apart = colourDifference(coatsOver(material, coats, under), coatsOver(material, 100, under));
    if (ofMaterial.size < MOST_KNOWN) ofMaterial.set(key, apart);
  }
  return apart;
}

export const tooFewCoats: Rule = {
  meta: {
    id: "N3",
    title: "Enough coats to hide what lies beneath",
    reason:
      "A pale colour over a dark one looks thin and grey for longer than one thinks. What shines through a last coat shines through the wax on it, too.",
    origin:
      "Kubelka 1948 for what shows through; ISO 6504-3 calls a contrast ratio of 0.98 full hiding; the limit of ΔE00 2.5 is from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "zone",
  finish(finish) {
    if (finish.past.some(({ phase }) => WEARS.some((does) => phase.does.has(does)))) return [];
    const thin = new Map<string, { share: Share; found: NonNullable<ReturnType<typeof colourOf>> }>();
    for (const { stack, share } of stacksAfter(finish)) {
      const found = colourOf(stack);
      if (!found || found.film.material.contrastRatio.typical < OPAQUE || !isCover(finish, found.film)) continue;
      const under = found.under?.material.colour ?? finish.after.ground.ground.colour;
      if (showsThrough(found.film.material, found.coats, under) < SEEN_THROUGH) continue;
      const before = thin.get(found.film.stepId);
      thin.set(found.film.stepId, { share: share + (before?.share ?? 0), found: before?.found ?? found });
    }
    const worst = [...thin.values()].sort((a, b) => b.share - a.share)[0];
    if (!worst || worst.share < MOST) return [];
    const { film, under } = worst.found;
    const colour = under?.material.colour ?? finish.after.ground.ground.colour;
    let enough = Math.ceil(worst.found.coats + 0.01);
    while (enough < MOST_COATS && showsThrough(film.material, enough, colour) >= SEEN_THROUGH) enough++;
    const below = under ? named(under.material) : groundNamed(finish.after.ground.ground);
    const step = finish.past.find(({ phase }) => phase.step.id === film.stepId)?.phase.step;
    return [
      {
        severity: "caution",
        title: `${capital(below)} may show through the ${named(film.material)}`,
        because: `${Math.max(1, Math.round(worst.found.coats))} ${Math.round(worst.found.coats) > 1 ? "coats do" : "coat does"} not hide it; ${enough} would.`,
        lower: film.stepId,
        fixes: (place) =>
          step && enough > step.coats
            ? [
                {
                  label: `Lay ${enough} coats`,
                  commands: patchStep(place, step.id, { coats: Math.min(12, enough) }),
                },
                {
                  label: "I want it to show through",
                  commands: patchStep(place, step.id, { intents: [...step.intents, "weathered"] }),
                  look: "thin and worn",
                },
              ]
            : [],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "three coats of white over slate",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "mineral-oyster", { coats: 3 }],
        ],
      },
    ],
    faulty: [
      {
        shows: "one coat of white over slate",
        finds: [
          {
            severity: "caution",
            at: "s4",
            over: "s2",
            says: "Slate chalk-type paint may show through the bone white chalk-type paint. 1 coat does not hide it; 2 would.",
            repairs: ["Lay 2 coats", "I want it to show through"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "chalk-slate", { coats: 2 }], ["brush", "chalk-bone-white"], ["wax", "wax-clear"], ["buff"]],
      },
    ],
  },
};
