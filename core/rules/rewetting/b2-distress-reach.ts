import { holdsFrom } from "../../drying/solubility.ts";
import { RELIEF_CLASSES } from "../../plan/plan.ts";
import type { Effect } from "../../surface/effect.ts";
import type { Film } from "../../surface/film.ts";
import { lawOf } from "../../surface/laws/laws.ts";
import type { Phase } from "../../surface/phase.ts";
import type { Stack } from "../../surface/stack.ts";
import { opened, patchesWhere } from "../../surface/surface.ts";
import { sayDuration } from "../../units/duration.ts";
import type { Minutes } from "../../units/units.ts";
import { stepOf, topName, workingAt } from "../read-surface.ts";
import { indexOfStep, insertBefore, ofFamily, patchStep, waitBefore } from "../repair.ts";
import type { Draft, Fix, RepairBasis, Rule, Seam } from "../rule.ts";
import { listed, named, sayAge } from "../words.ts";

interface Reach {
  opened: readonly Film[];
  lands: Stack;
}

type Rubbing = Extract<Effect, { does: "dissolve" }>;

const rubbingIn = ({ effects }: Phase) => effects.find((effect): effect is Rubbing => effect.does === "dissolve");

/** The films from the top of a stack down to where the cloth stops. */
function filmsAbove(stack: Stack, lands: Stack): Film[] {
  const through: Film[] = [];
  for (let at = stack; at !== null && at !== lands; at = at.below) through.push(at.film);
  return through;
}

function countAbove(stack: Stack, lands: Stack): number {
  let count = 0;
  for (let at = stack; at !== null && at !== lands; at = at.below) count++;
  return count;
}

/** Where a cloth over a finger works if no place is named. */
const WORN = ["arris", "high"] as const;

/** The deepest place that the cloth reaches on edges and beads, where the wear goes. */
function deepest(seam: Seam, rubbing: Rubbing): Reach | null {
  let found: { stack: Stack; lands: Stack; count: number } | null = null;
  const { where } = seam.phase;
  const law = lawOf(rubbing);
  if (law.way !== "opens") return null;
  const working = workingAt(seam);
  let before: Stack = null;
  for (const relief of where.on === "everywhere" ? WORN : RELIEF_CLASSES) {
    if (seam.relief[relief] <= 0) continue;
    for (const { stack } of patchesWhere(seam.before, relief, where)) {
      if (stack === before) continue;
      before = stack;
      const lands = opened(stack, rubbing, law, working);
      const count = countAbove(stack, lands);
      if (count > (found?.count ?? 0)) found = { stack, lands, count };
    }
  }
  return found && { opened: filmsAbove(found.stack, found.lands), lands: found.lands };
}

const toHalfHour = (minutes: Minutes): Minutes => Math.ceil(minutes / 30) * 30;

const layerNames = (opened: readonly Film[]) => listed([...new Set(opened.map((film) => named(film.material)))]);

function goesThrough(seam: Seam, reach: Reach, reveals: string): Draft | null {
  const target = reach.opened.find((film) => film.stepId === reveals);
  if (!target) return null;
  const { phase } = seam;
  const holds = holdsFrom(target.material, "water", phase.technique.rubbing);
  const fixes = (place: RepairBasis): Fix[] => {
    const list: Fix[] = [];
    const over = place.crust.steps[indexOfStep(place.crust, reveals) + 1];
    if (over && over.id !== phase.step.id && Number.isFinite(holds)) {
      const stands = toHalfHour(target.climate.takes(target.coat, "set", target.laidAt, holds));
      list.push({
        label: `Leave the ${named(target.material)} for ${sayDuration(stands)} before the next layer`,
        commands: waitBefore(place, over.id, stands),
      });
    }
    const barrier = ofFamily(place.shelf, "water-borne clear coat");
    if (over && barrier)
      list.push({
        label: `Seal it with ${named(barrier)} so that the cloth stops there`,
        commands: insertBefore(place, over.id, [{ how: "brush", what: barrier }]),
      });
    list.push({
      label: "Sand the edges dry instead",
      commands: patchStep(place, phase.step.id, { how: "sand-220" }),
      look: "crisper wear, thin lines",
    });
    return list;
  };
  return {
    severity: "stop",
    title: `The wet cloth will go through the ${named(target.material)} that is meant to show`,
    because: `${sayAge(seam.at - target.laidAt)} and still dissolves, so the cloth goes through ${layerNames(reach.opened)} down to ${topName(seam, reach.lands)}.`,
    lower: reveals,
    fixes,
  };
}

export const distressReach: Rule = {
  meta: {
    id: "B2",
    title: "A wet cloth goes through every layer that still dissolves",
    reason:
      "It goes through the soluble layers from the top down and stops at the first that resists: sealed, insoluble, or old enough.",
    origin: "common practice",
    schools: [],
    subsumes: ["B1"],
  },
  looksAt: ["take"],
  dependsOn: "zone",
  when: { does: ["dissolve"] },
  check(seam) {
    const rubbing = rubbingIn(seam.phase);
    const reach = rubbing ? deepest(seam, rubbing) : null;
    if (!reach) return [];
    const { reveals } = seam.phase.step;
    if (reveals) {
      const fault = goesThrough(seam, reach, reveals);
      if (fault) return [fault];
    }
    return [
      {
        severity: "note",
        title: `The cloth goes through ${layerNames(reach.opened)}`,
        because: `It stops at ${topName(seam, reach.lands)}, which shows on the worn edges.`,
        lower: stepOf(reach.lands),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "nothing to distress wet",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-oyster", { coats: 2 }], ["sand-220"]],
      },
    ],
    faulty: [
      {
        shows: "both colours laid the same morning",
        finds: [
          {
            severity: "stop",
            at: "s3",
            over: "s1",
            says: "The wet cloth will go through the slate chalk-type paint that is meant to show. It is 2 h 41 min old and still dissolves, so the cloth goes through bone white chalk-type paint and slate chalk-type paint down to raw pine.",
            repairs: [
              "Leave the slate chalk-type paint for 20 h before the next layer",
              "Seal it with satin clear coat so that the cloth stops there",
              "Sand the edges dry instead",
            ],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["brush", "chalk-bone-white"],
          ["wet-distress", null, { reveals: "s1" }],
        ],
      },
      {
        shows: "the cloth stops at the tint-base",
        finds: [
          {
            severity: "note",
            at: "s3",
            over: "s1",
            says: "The cloth goes through bone white chalk-type paint. It stops at walnut sealing tint-base, which shows on the worn edges.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "tint-base-walnut", { coats: 2 }],
          ["brush", "chalk-bone-white"],
          ["wet-distress", null, { reveals: "s1" }],
        ],
      },
    ],
  },
};
