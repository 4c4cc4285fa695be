import { absorbencyOf } from "../../surface/surface.ts";
import { isTinted, seen, stepOf, THIRSTY } from "../read-surface.ts";
import { insertBefore, ofFamily, withIntent } from "../repair.ts";
import type { Fix, Place, Rule } from "../rule.ts";
import { capital, named, topNamed } from "../words.ts";

export const glazeGrabs: Rule = {
  meta: {
    id: "D2",
    title: "Glaze grabs in patches on thirsty paint",
    reason:
      "The paint drinks the water out of the glaze before it can be moved; it sets where it lands, darker in one place than in the next.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  check(seam) {
    const { material, step } = seam.phase;
    if (material?.role !== "glaze" || !isTinted(material)) return [];
    const top = seen(seam.tops).find((one) => absorbencyOf(one.stack, seam.before.ground) >= THIRSTY);
    if (!top) return [];
    const wanted = step.intents.includes("stain");
    const fixes = (place: Place): Fix[] => {
      const list: Fix[] = [];
      const slip = ofFamily(place.shelf, "clear glaze medium");
      const clearCoat = ofFamily(place.shelf, "water-borne clear coat");
      if (slip)
        list.push({
          label: "A slip coat of clear glaze first",
          commands: insertBefore(place, step.id, [{ how: "brush", what: slip }]),
        });
      if (clearCoat)
        list.push({
          label: `Seal with ${named(clearCoat)} first`,
          commands: insertBefore(place, step.id, [{ how: "brush", what: clearCoat }]),
        });
      list.push({ label: "Patches are wanted", commands: withIntent(place, step.id, "stain"), look: "uneven, grimed" });
      return list;
    };
    return [
      {
        severity: wanted ? "note" : "caution",
        title: `${capital(named(material))} will grab on ${topNamed(top.stack, seam.zone.ground)}`,
        because: "It is thirsty and unsealed, so the glaze will not move after the first touch.",
        schools: "Some mist the face with water instead of sealing it.",
        lower: stepOf(top.stack),
        ...(wanted ? {} : { fixes }),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "glaze on a slip coat",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-bone-white", { coats: 2 }],
          ["brush", "glaze-clear", { wait: { kind: "at least", minutes: 1440 } }],
          ["brush", "glaze-umber"],
        ],
      },
    ],
    faulty: [
      {
        shows: "a pale glaze on milk paint",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "milk-ochre"],
          ["brush", "glaze-umber"],
        ],
      },
    ],
  },
};
