import { openFrom } from "../../drying/gate.ts";
import { isReliefClass } from "../../plan/plan.ts";
import type { Film } from "../../surface/film.ts";
import type { Stack } from "../../surface/stack.ts";
import type { Share } from "../../units/units.ts";
import { isResist } from "../read-surface.ts";
import { dropWait, leaveOut, moveBefore } from "../repair.ts";
import type { Demand, FilmSeam, Fix, RepairBasis, Rule } from "../rule.ts";
import { capital, leaveFor, named, sayHad, sayOpens, sayShare } from "../words.ts";

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

/** Up to this share of a face, gilding wax is an accent however it was laid (from memory). */
const ACCENTS = 0.15;
/** So little of a resist left in places gives way with the finish, rather than under it (from memory). */
const TRACES = 0.03;

/** Gilding wax that touches what stands proud is an accent; laid over a whole face it is a coat of wax. */
const isAccent = ({ past }: FilmSeam, film: Film, share: Share) =>
  film.material.family === "gilding wax" &&
  (share <= ACCENTS ||
    past.some(
      ({ phase }) => phase.id === film.phaseId && (phase.technique.covers < 1 || isReliefClass(phase.where.on)),
    ));

const isWaxy = ({ material }: Film) => material.binder === "wax" || material.family === "wax and paint blend";
const waxes = (stack: Stack) => stack !== null && isWaxy(stack.film);

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
  demands(seam) {
    const { step } = seam.phase;
    const material = seam.phase.material!;
    if (seam.houseRules.filmOverWax === "never") return [];
    return seam.films
      .filter(({ film }) => isWaxy(film))
      .map(
        ({ film }): Demand => ({
          rule: "A4",
          from: film.phaseId,
          to: seam.phase.id,
          lower: film.stepId,
          gates: [openFrom("recoat", film.material.drying.recoat)],
          reason: "wax dry",
          tell: ({ verdict, waited, ...at }) =>
            verdict === "late"
              ? null
              : {
                  severity: "stop",
                  title: `The ${named(material)} will craze over soft ${named(film.material)}`,
                  because: `${sayHad(waited)}, and needs ${sayOpens(at)} to harden, even where a film over wax is allowed.`,
                  lower: film.stepId,
                  part: "soft",
                  fixes: (place) => dropWait(place, step.id, leaveFor(at)),
                },
        }),
      );
  },
  check(seam) {
    const { step } = seam.phase;
    const material = seam.phase.material!;
    // a resist has done its work when the colour over it has come away: a film that is meant to stay does not
    const waxed = seam.seen.filter((top) => waxes(top.stack));
    const top = waxed[0]?.stack;
    if (!top) return [];
    const share = waxed.reduce((sum, top) => sum + top.share, 0);
    const wax = named(top.film.material);
    const school = seam.houseRules.filmOverWax;
    const allowed =
      (school === "over a blend" &&
        waxed.every(({ stack }) => stack?.film.material.family === "wax and paint blend")) ||
      (school === "over accents" && waxed.every(({ stack }) => isAccent(seam, stack!.film, share)));
    const traces = share <= TRACES && waxed.every(({ stack }) => isResist(stack!.film));
    const fixes = (place: RepairBasis): Fix[] => {
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
        severity: allowed || traces ? "caution" : "stop",
        title: `A ${material.carrier === "water" ? "water-borne " : ""}clear coat ${allowed || traces ? "may" : "will"} not stick to wax`,
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
        finds: [
          {
            severity: "stop",
            at: "s4",
            over: "s3",
            says: "A water-borne clear coat will not stick to wax. Dark wax lies over all of the surface. The satin clear coat would bead, and peel within weeks.",
            repairs: ["Seal before waxing, with the satin clear coat under the wax", "Leave the wax as the finish"],
          },
        ],
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
