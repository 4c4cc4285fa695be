import { type Gate, openBetween, openFrom, openUntil, type Range } from "../../drying/gate.ts";
import type { HouseRules } from "../../plan/house-rules.ts";
import type { Film } from "../../surface/film.ts";
import { HOUR } from "../../units/units.ts";
import { dropWait } from "../repair.ts";
import type { Demand, FilmSeam, Rule } from "../rule.ts";
import { leaveFor, named, sayHad, sayOpens, sayShuts } from "../words.ts";
import { dryByWarmAir } from "./before-clear.ts";

/** When the next coat may go over this one, by the school followed. */
function recoatFrom(film: Film, houseRules: HouseRules): Range {
  const { family, drying } = film.material;
  if (family === "milk paint" && houseRules.milkRecoat === "label, 2 h") return { typical: 2 * HOUR, safe: 2 * HOUR };
  return dryByWarmAir(film, houseRules) ?? drying.recoat;
}

/** Whether the next coat is meant to go into this one while it is wet. */
const wetInWet = ({ phase }: FilmSeam, film: Film) =>
  phase.technique.id === "blend" ||
  phase.intents.includes("blend") ||
  (phase.material?.role === "glaze" && film.material.role === "glaze");

/** Milk paint left until the next morning is a habit; what dries in that time is no matter of the air. */
const isHabit = ({ material, forced }: Film, { milkRecoat }: HouseRules) =>
  material.family === "milk paint" && milkRecoat === "12 h" && !forced;

/** The times at which the next coat may start; some films have two, wet in wet and dry, with nothing between. */
function gatesOver(seam: FilmSeam, film: Film): Gate[] {
  const { open, closed } = film.material.windows;
  const opens = recoatFrom(film, seam.houseRules);
  if (isHabit(film, seam.houseRules)) return [openFrom("habit", opens)];
  if (closed) return [openBetween("recoat", opens, closed.from), openFrom("recoat", closed.until)];
  if (open && wetInWet(seam, film)) return [openUntil("open", open), openFrom("recoat", opens)];
  return [openFrom("recoat", opens)];
}

/** Seams that wait by a rule of their own: leaf on size, crumb into wet paint, patina on metal, transfers, tissue. */
const OWN_RULE: ReadonlySet<string> = new Set(["leaf", "crumb", "patina", "transfer", "tissue"]);

export const recoat: Rule = {
  meta: {
    id: "C1",
    title: "Let the coat below dry",
    reason: "A coat laid too early drags the one beneath, wrinkles, and dries slowly all the way down.",
    origin: "the recoat figure of each material",
    schools: ["milkRecoat", "forcedDry"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  demands(seam) {
    const { step, material } = seam.phase;
    if (!material || material.role === "wax" || OWN_RULE.has(material.role)) return [];
    return seam.films.flatMap(({ film }): Demand[] => {
      const below = film.material;
      // no wait lets paint go over wax, tack has its own window, and a clear coat waits by its own rule
      if (below.binder === "wax" || (below.role === "medium" && !film.spent)) return [];
      if (OWN_RULE.has(below.role) && below.role !== "leaf" && below.role !== "transfer") return [];
      if (material.role === "clear" && below.role !== "clear") return [];
      const gates = gatesOver(seam, film);
      return [
        {
          rule: "C1",
          from: film.phaseId,
          to: seam.phase.id,
          lower: film.stepId,
          gates,
          reason: "recoat",
          tell: ({ verdict, waited, dried, ...at }) =>
            verdict === "late"
              ? null
              : {
                  severity: dried("touch") < below.drying.touch.typical && gates.length === 1 ? "stop" : "caution",
                  title:
                    gates.length > 1
                      ? `The next coat may wrinkle the ${named(below)}`
                      : `The next coat ${dried("touch") < below.drying.touch.typical ? "will" : "may"} drag the ${named(below)}`,
                  because:
                    gates.length > 1
                      ? `${sayHad(waited)}. Recoat within ${sayShuts(at)} or after ${sayOpens(at)}, but not between.`
                      : `${sayHad(waited)} and needs ${sayOpens(at)}.`,
                  schools:
                    below.family === "milk paint"
                      ? "Some labels recoat milk paint after 2 h, careful shops after 12 h."
                      : undefined,
                  lower: film.stepId,
                  fixes: (place) => dropWait(place, step.id, leaveFor(at)),
                },
        },
      ];
    });
  },
  examples: {
    clean: [
      {
        shows: "coats laid when the last is dry",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["brush", "chalk-bone-white"],
        ],
      },
    ],
    faulty: [
      {
        shows: "the second colour after ten minutes",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s1",
            says: "The next coat will drag the slate chalk-type paint. It has had 10 min and needs 2 h.",
            repairs: ["Leave it for 2 h"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["brush", "chalk-bone-white", { wait: { kind: "exactly", minutes: 10 } }],
        ],
      },
      {
        shows: "aerosol again after four hours: neither wet in wet nor dry",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "The next coat may wrinkle the iron black aerosol colour. It has had 4 h. Recoat within 1 h or after 24 h, but not between.",
            repairs: ["Leave it for 24 h"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["spray", "aerosol-iron-black"],
          ["spray", "aerosol-iron-black", { wait: { kind: "exactly", minutes: 240 } }],
        ],
      },
    ],
  },
};
