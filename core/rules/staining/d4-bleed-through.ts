import { lightness } from "../../colour/difference.ts";
import type { Material } from "../../materials/material.ts";
import type { Phase } from "../../surface/phase.ts";
import { films, metBefore, PALE } from "../read-surface.ts";
import { indexOfStep, insertAt, ofFamily, withIntent } from "../repair.ts";
import type { Fix, RepairBasis, Rule } from "../rule.ts";
import { capital, groundNamed, listed, named } from "../words.ts";

const showsBleed = (material: Material) =>
  material.carrier === "water" &&
  (material.role === "paint" || material.role === "primer") &&
  lightness(material.colour) >= PALE;

/** A wash is meant to let what lies beneath show. */
const letsTimberShow = ({ technique, pot }: Phase) => technique.letDown >= 1 || (pot?.strength ?? 1) <= 0.5;

/** Whether a phase blocks single places, as one does with knots. */
const blocksInPlaces = ({ material, technique, where }: Phase) =>
  material?.tannin === "blocks" && (technique.id === "seal-patches" || where.on === "patch");

export const bleedThrough: Rule = {
  meta: {
    id: "D4",
    title: "Tannin, knots and red dye bleed through pale paint",
    reason:
      "Water in the paint dissolves the tannin and carries it up. It shows as yellow or brown rings, often only after weeks; more coats do not stop it, a stain-block does.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  when: { lays: ["paint", "primer"] },
  check(seam) {
    const { material, step } = seam.phase;
    if (!material || !showsBleed(material) || material.tannin === "blocks") return [];
    const open = seam.seen.find((top) =>
      [...films(top.stack)].every((film) => film.material.tannin === "passes" && !showsBleed(film.material)),
    );
    if (!open) return [];
    // what a stripped face was before, it is no more
    const { ground } = seam.before.ground;
    if (ground.bleeds.length === 0 || metBefore(seam, (phase) => showsBleed(phase.material!))) return [];
    const onlyKnots = ground.bleeds.every((bleed) => bleed === "knots");
    if (onlyKnots && seam.past.some(({ phase }) => blocksInPlaces(phase))) return [];
    const raw = ground.kind === "raw timber";
    const wanted = step.intents.includes("stain");
    const lowest = [...films(open.stack)].at(-1)?.stepId ?? step.id;
    const what = listed(
      ground.bleeds.map((bleed) =>
        bleed === "knots" && ground.knots > 0 ? `${ground.knots} knot${ground.knots > 1 ? "s" : ""}` : bleed,
      ),
    );
    const fixes = (place: RepairBasis): Fix[] => {
      const list: Fix[] = [];
      const at = indexOfStep(place.crust, lowest);
      const shellac = ofFamily(place.shelf, "stain-block primer, shellac");
      const water = ofFamily(place.shelf, "stain-block primer, water-borne");
      if (shellac && onlyKnots)
        list.push({
          label: "Seal the knots alone with shellac stain-block first",
          commands: insertAt(place, at, [{ how: "seal-patches", what: shellac, coats: 2 }]),
        });
      const clear = ofFamily(place.shelf, "shellac sealer");
      // a wash lets the timber show, and a white primer would not
      if (clear && seam.phase.does.has("deposit") && letsTimberShow(seam.phase))
        return [
          {
            label: `Seal the timber with ${named(clear)} first`,
            commands: insertAt(place, at, [{ how: "brush", what: clear, coats: 2 }]),
            look: "a shade warmer, and the timber still shows",
          },
          ...list,
        ];
      if (shellac)
        list.push({
          label: "Add two thin coats of shellac stain-block first",
          commands: insertAt(place, at, [{ how: "brush", what: shellac, coats: 2 }]),
          look: "lies under everything; a chip would show its white",
        });
      if (water)
        list.push({
          label: "Add two coats of water-borne stain-block first",
          commands: insertAt(place, at, [{ how: "brush", what: water, coats: 2 }]),
          look: "lies under everything; a chip would show its white",
        });
      list.push({
        label: "Let it mark: it suits the age",
        commands: withIntent(place, step.id, "stain"),
        look: "brown rings and clouds, at random",
      });
      return list;
    };
    return [
      {
        severity: wanted ? "note" : raw ? "stop" : "caution",
        title: wanted
          ? `${capital(groundNamed(ground))} should mark the ${named(material)}, as you want`
          : `${capital(groundNamed(ground))} ${raw ? "will" : "may"} bleed through the ${named(material)}`,
        because: raw
          ? `Nothing blocks the ${what} under the first pale coat.`
          : `The old finish may hold back the ${what}. Leave a test patch overnight and see.`,
        lower: open.stack?.film.stepId ?? "ground",
        ...(wanted ? {} : { fixes }),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "stain-block under white on oak",
        ground: "raw timber",
        species: "oak",
        steps: [
          ["brush", "stain-block-shellac", { coats: 2 }],
          ["brush", "chalk-bone-white", { coats: 2 }],
        ],
      },
      {
        shows: "dark paint on oak",
        ground: "raw timber",
        species: "oak",
        steps: [["brush", "mineral-storm", { coats: 2 }]],
      },
    ],
    faulty: [
      {
        shows: "white on bare oak",
        finds: [
          {
            severity: "stop",
            at: "s1",
            over: "ground",
            says: "Raw oak will bleed through the bone white chalk-type paint. Nothing blocks the tannin under the first pale coat.",
            repairs: [
              "Add two thin coats of shellac stain-block first",
              "Add two coats of water-borne stain-block first",
              "Let it mark: it suits the age",
            ],
          },
        ],
        ground: "raw timber",
        species: "oak",
        steps: [["brush", "chalk-bone-white", { coats: 2 }]],
      },
      {
        shows: "white on knotty pine",
        finds: [
          {
            severity: "stop",
            at: "s1",
            over: "ground",
            says: "Raw pine will bleed through the oyster acrylic mineral paint. Nothing blocks the 3 knots under the first pale coat.",
            repairs: [
              "Seal the knots alone with shellac stain-block first",
              "Add two thin coats of shellac stain-block first",
              "Add two coats of water-borne stain-block first",
              "Let it mark: it suits the age",
            ],
          },
        ],
        ground: "raw timber",
        species: "pine",
        knots: 3,
        steps: [["brush", "mineral-oyster", { coats: 2 }]],
      },
      {
        shows: "white on varnished mahogany",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "ground",
            says: "Varnished mahogany may bleed through the oyster acrylic mineral paint. The old finish may hold back the tannin. Leave a test patch overnight and see.",
            repairs: [
              "Add two thin coats of shellac stain-block first",
              "Add two coats of water-borne stain-block first",
              "Let it mark: it suits the age",
            ],
          },
        ],
        ground: "varnished timber",
        species: "mahogany",
        steps: [["clean"], ["scuff"], ["brush", "mineral-oyster", { coats: 2 }]],
      },
    ],
  },
};
