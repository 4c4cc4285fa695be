import { lightness } from "../../colour/difference.ts";
import { isTimber } from "../../plan/ground.ts";
import { acceptsThirst, porousGlazeFixes } from "../porous-glaze.ts";
import { absorbs, isTinted, stepOf, THIRSTY, topName } from "../read-surface.ts";
import { insertBefore, ofFamily, withIntent } from "../repair.ts";
import type { Fix, RepairBasis, Rule } from "../rule.ts";
import { capital, named, sayShare } from "../words.ts";

const DARK_GLAZE = 45;

export const tintOnThirstyPaint: Rule = {
  meta: {
    id: "D1",
    title: "Tinted wax and dark glaze stain thirsty paint for good",
    reason:
      "Unsealed chalk, clay and milk paint are thirsty. The colour goes in where it first touches and cannot be wiped back to the paint.",
    origin: "common practice",
    schools: ["darkWax", "porousGlaze"],
    subsumes: ["D2"],
  },
  looksAt: ["coat"],
  dependsOn: "bare ground",
  when: { lays: ["wax", "glaze"] },
  check(seam) {
    const { material, step } = seam.phase;
    if (!material || !isTinted(material)) return [];
    // gilding is laid to stay where it is put
    const wax = material.role === "wax" && material.family !== "gilding wax";
    const darkGlaze = material.role === "glaze" && lightness(material.colour) < DARK_GLAZE;
    if (!wax && !darkGlaze) return [];
    const thirsty = seam.seen.filter((top) => absorbs(seam, top.stack) >= THIRSTY);
    const top = thirsty[0];
    if (!top) return [];
    const share = thirsty.reduce((sum, top) => sum + top.share, 0);
    const below = topName(seam, top.stack);
    const wanted = step.intents.includes("stain");
    // bare timber is stained to be stained
    const timber = top.stack === null && isTimber(seam.before.ground.ground.kind);
    const school = wax ? seam.houseRules.darkWax === "straight on the paint" : acceptsThirst(seam);
    const accepted = timber || school;
    const fixes = (place: RepairBasis): Fix[] => {
      if (!wax) return porousGlazeFixes(place, step.id, seam.houseRules);
      const list: Fix[] = [];
      const clearWax = ofFamily(place.shelf, "clear wax");
      const clearCoat = ofFamily(place.shelf, "water-borne clear coat");
      if (clearWax)
        list.push({
          label: "Lay clear wax first, then work the dark into it while fresh",
          commands: insertBefore(place, step.id, [{ how: "wax", what: clearWax }]),
          look: "stays paler on the flats, dark only in the grooves",
        });
      if (clearCoat)
        list.push({
          label: `Seal with ${named(clearCoat)} first`,
          commands: insertBefore(place, step.id, [{ how: "brush", what: clearCoat }]),
          look: "wipes back almost clean",
        });
      list.push({
        label: "I want it grimy all over",
        commands: withIntent(place, step.id, "stain"),
        look: "the paint takes the tint all over",
      });
      return list;
    };
    return [
      {
        severity: wanted || accepted ? "note" : "caution",
        title:
          wanted || accepted
            ? `${capital(named(material))} normally tints the ${below} all over`
            : `${capital(named(material))} may stain the ${below.startsWith("raw") ? below : `bare ${below}`} for good`,
        because: `${capital(sayShare(share))} is thirsty and unsealed: what goes in first stays, however soon it is wiped.`,
        schools: timber
          ? undefined
          : accepted
            ? "Others lay clear wax first, so that the dark can be moved."
            : "Some shops want it grimy all over and go straight on.",
        lower: stepOf(top.stack),
        ...(wanted || accepted ? {} : { fixes }),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "clear wax before the dark",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-bone-white", { coats: 2 }],
          ["wax", "wax-clear"],
          ["wax", "wax-dark"],
        ],
      },
    ],
    faulty: [
      {
        shows: "dark wax straight on chalk paint",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Dark wax may stain the bare bone white chalk-type paint for good. All of the surface is thirsty and unsealed: what goes in first stays, however soon it is wiped.",
            repairs: [
              "Lay clear wax first, then work the dark into it while fresh",
              "Seal with satin clear coat first",
              "I want it grimy all over",
            ],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-bone-white", { coats: 2 }],
          ["wax", "wax-dark"],
        ],
      },
      {
        shows: "umber glaze straight on clay paint",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Raw umber glaze may stain the bare linen clay-type paint for good. All of the surface is thirsty and unsealed: what goes in first stays, however soon it is wiped.",
            repairs: [
              "Lay a slip coat of clear glaze first",
              "Seal with satin clear coat first",
              "I want it grimy and patchy",
            ],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "clay-linen"],
          ["brush", "glaze-umber", { wait: { kind: "at least", minutes: 1440 } }],
        ],
      },
    ],
  },
};
