import type { Stack } from "../../surface/stack.ts";
import { isResist, isWax } from "../read-surface.ts";
import { leaveOut, moveBefore } from "../repair.ts";
import type { FilmSeam, Fix, Place, Rule } from "../rule.ts";
import { capital, named, sayShare } from "../words.ts";

/** The lowest step of the run of waxes (and buffing) that lies directly under this one. */
function lowestWaxOfRun(seam: FilmSeam): string | null {
  let lowest: string | null = null;
  for (let at = seam.past.length - 1; at >= 0; at--) {
    const { phase } = seam.past[at]!;
    if (phase.technique.id === "buff" || phase.step.id === seam.phase.step.id) continue;
    if (phase.material?.binder !== "wax" && phase.material?.family !== "wax and paint blend") break;
    lowest = phase.step.id;
  }
  return lowest;
}

/** Up to this share of a face, gilding wax is an accent (from memory). */
const ACCENTS = 0.15;

const waxes = (stack: Stack) => isWax(stack) || stack?.film.material.family === "wax and paint blend";

export const clearCoatOverWax: Rule = {
  meta: {
    id: "A4",
    title: "No clear coat over wax",
    reason:
      "A film needs something to bite on. Over wax it beads, stays soft, and peels within weeks; the only remedy is to take the wax off again.",
    origin: "common practice",
    schools: ["filmOverWax"],
    subsumes: ["A1", "A3", "W6"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["clear"] },
  check(seam) {
    const { material, step } = seam.phase;
    if (material?.role !== "clear") return [];
    const waxed = seam.seen.filter((top) => waxes(top.stack) && !isResist(top.stack!.film));
    const top = waxed[0]?.stack;
    if (!top) return [];
    const share = waxed.reduce((sum, one) => sum + one.share, 0);
    const wax = named(top.film.material);
    const school = seam.houseRules.filmOverWax;
    const allowed =
      (school === "over a blend" &&
        waxed.every(({ stack }) => stack?.film.material.family === "wax and paint blend")) ||
      (school === "over accents" &&
        share <= ACCENTS &&
        waxed.every(({ stack }) => stack?.film.material.family === "gilding wax"));
    const fixes = (place: Place): Fix[] => {
      const list: Fix[] = [];
      const lowest = lowestWaxOfRun(seam);
      if (lowest !== null)
        list.push({
          label: `Seal before waxing, with the ${named(material)} under the wax`,
          commands: moveBefore(place, step.id, lowest),
          look: "the wax tints the surface, not the paint: a little paler",
        });
      list.push({
        label: "Leave the wax as the finish",
        commands: leaveOut(place, step.id),
        look: "softer sheen, gentler use",
      });
      return list;
    };
    return [
      {
        severity: allowed ? "caution" : "stop",
        title: `A ${material.carrier === "water" ? "water-borne " : ""}clear coat ${allowed ? "may" : "will"} not stick to wax`,
        because: `${capital(wax)} lies over ${sayShare(share)}. The ${named(material)} would bead, and peel within weeks.`,
        schools: allowed
          ? "Your house rule allows it here; most shops never do it."
          : "Some shops accept a clear coat over a thin, dry wax-and-paint blend, or over gilding-wax accents.",
        lower: top.film.stepId,
        fixes,
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "sealed first, waxed after",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-bone-white", { coats: 2 }],
          ["brush", "clear-coat-satin"],
          ["wax", "wax-dark"],
        ],
      },
    ],
    faulty: [
      {
        shows: "varnished over wax",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-bone-white", { coats: 2 }],
          ["wax", "wax-clear"],
          ["wax", "wax-dark"],
          ["brush", "clear-coat-satin"],
        ],
      },
    ],
  },
};
