import type { Material } from "../../materials/material.ts";
import { scuffed, VERY_SLICK } from "../../surface/ground-state.ts";
import type { Stack } from "../../surface/stack.ts";
import { isWax, keyedTooth, metBefore, stepOf, THIRSTY } from "../read-surface.ts";
import { insertBefore, type NewStep, ofFamily, patchStep, withIntent } from "../repair.ts";
import type { Draft, Fix, RepairBasis, Rule, Seam } from "../rule.ts";
import { capital, named, topNamed } from "../words.ts";

/** Shortfall of tooth and grip from which it peels rather than may peel (from memory). */
const PEELS = 0.22;

const shortfall = (material: Material, tooth: number) => 1 - tooth - material.grip.typical;

function tooSlick(seam: Seam, material: Material, stack: Stack): Draft | null {
  const tooth = keyedTooth(seam, stack);
  const short = shortfall(material, tooth);
  if (short < 1e-9) return null;
  const { ground } = seam.before;
  if (stack === null && metBefore(seam, (phase) => shortfall(phase.material!, tooth) >= 1e-9)) return null;
  // a house that trusts a sound surface trusts it whatever it is made of
  const school = stack === null && ground.sound ? seam.houseRules.ground : null;
  const verySlick = stack === null && ground.ground.tooth < VERY_SLICK;
  const trusted = school === "cleaned" || (school === "deglossed" && ground.deglossed);
  const below = topNamed(stack, ground.ground);
  const stepId = seam.phase.step.id;
  const chips = seam.phase.intents.includes("chips");
  const keyed = stack === null ? ground.keyed : stack.film.keyed;
  const fixes = (place: RepairBasis): Fix[] => {
    const list: Fix[] = [];
    const scuff: NewStep[] = keyed ? [] : [{ how: "scuff" }];
    if (!keyed && shortfall(material, scuffed(tooth)) < 1e-9)
      list.push({
        label: `Scuff the ${stack === null ? "ground" : below} first`,
        commands: insertBefore(place, stepId, scuff),
      });
    const primer = ofFamily(place.shelf, "bonding primer");
    // over a colour, a primer would bury it
    if (primer && stack === null && ["paint", "tint-base"].includes(material.role))
      list.push({
        label: `${keyed ? "Add" : "Scuff, then"} two thin coats of bonding primer`,
        commands: insertBefore(place, stepId, [...scuff, { how: "brush", what: primer, coats: 2 }]),
        look: "lies under everything; a chip would show its white",
      });
    if (stack !== null)
      list.push({
        label: "Let it chip here",
        commands: withIntent(place, stepId, "chips"),
        look: "flakes come off on their own",
      });
    return list;
  };
  return {
    severity: chips || (trusted && !verySlick) ? "note" : !trusted && short > PEELS ? "stop" : "caution",
    title: chips
      ? `${capital(named(material))} should chip off the ${below}, as you want`
      : trusted
        ? verySlick
          ? `${capital(named(material))} may not hold on ${below} that was only ${school}`
          : `${capital(named(material))} goes on ${below} that was only ${school}`
        : `${capital(named(material))} ${short > PEELS ? "will not stick" : "may not stick"} to ${below}`,
    because: trusted
      ? "Your house rule trusts it; test a trial patch with tape the next day."
      : keyed
        ? `The ${below} is scuffed but still too slick: once dry, the coat can be pushed off with a thumbnail.`
        : `The ${below} is slick and not scuffed; there is nothing for the coat to key to.`,
    schools:
      school === null
        ? undefined
        : trusted
          ? "Others always scuff or prime it."
          : "Some shops trust a clean or deglossed surface here without scuffing.",
    lower: stepOf(stack),
    ...(chips || (trusted && !verySlick) ? {} : { fixes }),
  };
}

/** The school that always primes old varnish, even if it is scuffed. */
function alwaysPrimed(seam: Seam, material: Material, stack: Stack): Draft | null {
  if (seam.houseRules.ground !== "primed" || stack !== null || material.role === "primer") return null;
  const { ground } = seam.before.ground;
  // bare timber and board are no old finish, and a stain or an oil is meant to go into them
  if (ground.absorbency >= THIRSTY || metBefore(seam, ({ material: one }) => one!.role !== "primer")) return null;
  return {
    severity: "caution",
    title: `Your house rule: prime the ${topNamed(null, ground)} first`,
    because: `${capital(named(material))} goes straight onto it, with no primer between.`,
    schools: "Others trust a clean, scuffed surface.",
    lower: "ground",
    part: "primed",
    fixes: (place) => {
      const primer = ofFamily(place.shelf, "bonding primer");
      return primer
        ? [
            {
              label: "Add two thin coats of bonding primer",
              commands: insertBefore(place, seam.phase.step.id, [{ how: "brush", what: primer, coats: 2 }]),
            },
          ]
        : [];
    },
  };
}

export const slickGround: Rule = {
  meta: {
    id: "A1",
    title: "A slick surface needs a key",
    reason:
      "Paint grips by creeping into scratches and pores. Laminate, metal, glass and gloss varnish have none, so the film sits on them like a sticker.",
    origin: "common practice; the shares of tooth and grip are from memory",
    schools: ["ground"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "bare ground",
  onFirstCoat: true,
  check(seam) {
    const { material, step } = seam.phase;
    if (!material || material.role === "wax") return [];
    for (const { stack } of seam.seen) {
      if (isWax(stack)) continue;
      const draft = tooSlick(seam, material, stack);
      if (draft) return [draft];
      const unprimed = alwaysPrimed(seam, material, stack);
      if (unprimed) return [unprimed];
      if (
        stack === null &&
        seam.before.ground.ground.tooth < VERY_SLICK &&
        material.family === "bonding primer" &&
        step.coats < 2
      )
        return [
          {
            severity: "caution",
            title: "One coat of primer may not be enough on a surface this slick",
            because: "One coat leaves misses, and the paint may fail there.",
            lower: "ground",
            part: "thin",
            fixes: (place) => [{ label: "Make it two thin coats", commands: patchStep(place, step.id, { coats: 2 }) }],
          },
        ];
    }
    return [];
  },
  examples: {
    clean: [
      {
        shows: "laminate, scuffed and primed twice",
        ground: "laminate",
        steps: [
          ["clean"],
          ["scuff"],
          ["brush", "bonding-primer", { coats: 2 }],
          ["brush", "mineral-oyster", { coats: 2 }],
        ],
      },
      {
        shows: "varnish, scuffed",
        ground: "varnished timber",
        species: "pine",
        steps: [["clean"], ["scuff"], ["brush", "mineral-oyster", { coats: 2 }]],
      },
    ],
    faulty: [
      {
        shows: "paint straight on laminate",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "ground",
            says: "Oyster acrylic mineral paint will not stick to laminate. The laminate is slick and not scuffed; there is nothing for the coat to key to.",
            repairs: ["Scuff, then two thin coats of bonding primer"],
          },
        ],
        ground: "laminate",
        steps: [["clean"], ["brush", "mineral-oyster", { coats: 2 }]],
      },
      {
        shows: "paint on varnish that was only cleaned",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "ground",
            says: "Oyster acrylic mineral paint may not stick to varnished pine. The varnished pine is slick and not scuffed; there is nothing for the coat to key to.",
            repairs: ["Scuff the ground first", "Scuff, then two thin coats of bonding primer"],
          },
        ],
        ground: "varnished timber",
        species: "pine",
        steps: [["clean"], ["brush", "mineral-oyster", { coats: 2 }]],
      },
      {
        shows: "one coat of primer on laminate",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "ground",
            says: "One coat of primer may not be enough on a surface this slick. One coat leaves misses, and the paint may fail there.",
            repairs: ["Make it two thin coats"],
          },
        ],
        ground: "laminate",
        steps: [["clean"], ["scuff"], ["brush", "bonding-primer"], ["brush", "mineral-oyster"]],
      },
    ],
  },
};
