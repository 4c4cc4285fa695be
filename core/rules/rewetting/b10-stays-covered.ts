import type { Material } from "../../materials/material.ts";
import { type Effort, sayEffort } from "../../plan/effort.ts";
import { RELIEF_CLASSES } from "../../plan/plan.ts";
import { compileStep } from "../../surface/compile.ts";
import { lawOf } from "../../surface/laws/laws.ts";
import type { Phase } from "../../surface/phase.ts";
import { barePart, covers } from "../../surface/shares.ts";
import { apply } from "../../surface/surface.ts";
import { findTechnique } from "../../surface/techniques.ts";
import { asFarAsNeeded } from "../../surface/until.ts";
import type { Share } from "../../units/units.ts";
import { films, sharesOf } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import type { Draft, Rule, Seam } from "../rule.ts";
import { capital, groundNamed, named } from "../words.ts";

/** Less than this more of a layer than before, and nobody would say that it shows. */
const SHOWS: Share = 0.01;
/** What else could bring it out, from the gentlest to the hardest. */
const HARDER: readonly string[] = ["wet-distress", "sand-320", "sand-220", "sand-150", "scrape-back"];

/** More of the same, from the least effort to the most that is worth one's while. */
const MORE: readonly Effort[] = [2, 3, 5].map((passes) => ({ passes, pressure: "hard" }));

const takes = ({ effects }: Phase) => effects.some((effect) => "to" in lawOf(effect));

const bareShare = ({ relief }: Seam, surface: Seam["before"], layer: string): Share =>
  covers(surface, relief).get(layer) ?? 0;

/** How much more of a layer lies bare once this is done, or is gone: what goes through it has got down to it. */
function reaches(seam: Seam, phase: Phase, layer: string): Share {
  const after = apply(seam.before, phase, seam.at);
  const lies = ({ patches }: Seam["before"]) =>
    RELIEF_CLASSES.reduce(
      (sum, relief) =>
        sum +
        seam.relief[relief] *
          sharesOf(patches[relief].filter(({ stack }) => [...films(stack)].some(({ stepId }) => stepId === layer))),
      0,
    );
  return Math.max(bareShare(seam, after, layer) - bareShare(seam, seam.before, layer), lies(seam.before) - lies(after));
}

const NO_MATERIALS: ReadonlyMap<string, Material> = new Map();

/** The same step done otherwise. */
function otherwise(seam: Seam, how: string, effort = seam.phase.step.effort): Phase | null {
  const phases = compileStep({ ...seam.phase.step, how, effort }, seam.zone, NO_MATERIALS);
  return typeof phases === "string" ? null : phases[0]!;
}

/** What is worked until a layer shows, and never gets so far. */
function fallsShort(seam: Seam, reveals: string, name: string, comesTo: Share, until: Share): Draft {
  const { phase } = seam;
  const least = Math.floor(100 * comesTo) / 100;
  return {
    severity: "caution",
    title: `Less of the ${name} may show than you ask for`,
    because: `However often it is gone over, "${phase.technique.name.toLowerCase()}" brings out ${sayPart(comesTo)} of it here, not ${sayPart(until)}.`,
    lower: reveals,
    fixes: (place) => [
      ...HARDER.filter((how) => {
        const other = how === phase.technique.id ? null : otherwise(seam, how);
        if (!other) return false;
        const needed = asFarAsNeeded(other, seam.before, seam.at, seam.zone);
        return barePart(apply(seam.before, needed, seam.at), seam.relief, phase.where, reveals) >= until;
      })
        .slice(0, 2)
        .map((how) => ({
          label: `Use "${findTechnique(how)!.name}" instead`,
          commands: patchStep(place, phase.step.id, { how }),
        })),
      {
        label: `Leave it at ${sayPart(least)}`,
        commands: patchStep(place, phase.step.id, { effort: { ...phase.step.effort!, until: Math.max(0.01, least) } }),
      },
    ],
  };
}

const sayPart = (part: Share) => `${Math.floor(100 * part)} %`;

export const staysCovered: Rule = {
  meta: {
    id: "B10",
    title: "What is meant to show has to be reached",
    reason:
      "A cloth goes no further than what still dissolves, and fine paper wears out before a thick coat does. What lies beneath stays where it is.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["take"],
  dependsOn: "zone",
  check(seam) {
    const { phase } = seam;
    const { reveals, effort: asked } = phase.step;
    if (reveals === undefined || !takes(phase)) return [];
    const layer = seam.past.find((placed) => placed.phase.step.id === reveals)?.phase.material;
    const name = layer ? named(layer) : groundNamed(seam.zone.ground);
    const comesTo = barePart(apply(seam.before, phase, seam.at), seam.relief, phase.where, reveals);
    const until = asked?.until ?? 0;
    if (until > 0 && comesTo < until && comesTo >= SHOWS) return [fallsShort(seam, reveals, name, comesTo, until)];
    if (reaches(seam, phase, reveals) >= SHOWS) return [];
    // it shows already, and this is to bring out more of it
    if (bareShare(seam, seam.before, reveals) >= SHOWS) return [];
    return [
      {
        severity: "caution",
        title: `The ${name} meant to show may stay covered`,
        because: `"${capital(phase.technique.name)}" does not get down to it here.`,
        lower: reveals,
        fixes: (place) => [
          ...MORE.filter((effort) => {
            const more = otherwise(seam, phase.technique.id, effort);
            return more !== null && reaches(seam, more, reveals) >= SHOWS;
          })
            .slice(0, 1)
            .map((effort) => ({
              label: `Take ${sayEffort(effort)}`,
              commands: patchStep(place, phase.step.id, { effort }),
            })),
          ...HARDER.flatMap((how) => {
            const other = how === phase.technique.id ? null : otherwise(seam, how);
            if (!other || reaches(seam, other, reveals) < SHOWS) return [];
            return [
              {
                label: `Use "${findTechnique(how)!.name}" instead`,
                commands: patchStep(place, phase.step.id, { how }),
              },
            ];
          }).slice(0, 2),
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "edges sanded through one coat with 220",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "tint-base-walnut", { coats: 2 }],
          ["brush", "clay-linen"],
          ["sand-150", null, { reveals: "s1", wait: { kind: "at least", minutes: 1440 } }],
        ],
      },
    ],
    faulty: [
      {
        shows: "three coats of clay over a dark base, sanded with 320",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s1",
            says: 'The walnut sealing tint-base meant to show may stay covered. "Sand 320" does not get down to it here.',
            repairs: ["Take 5 passes, pressing hard", 'Use "Sand 150" instead', 'Use "Scrape back" instead'],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "tint-base-walnut", { coats: 2 }],
          ["brush", "clay-linen", { coats: 3 }],
          ["sand-320", null, { reveals: "s1", wait: { kind: "at least", minutes: 2880 } }],
        ],
      },
    ],
  },
};
