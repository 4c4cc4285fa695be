import { mayHoldLead } from "../../plan/ground.ts";
import { disturbsOldFinish } from "../../surface/phase.ts";
import { insertBefore, leaveOut, ofFamily } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { capital, groundNamed } from "../words.ts";

export const lead: Rule = {
  meta: {
    id: "S1",
    title: "Test old paint for lead before you disturb it",
    reason:
      "Paint from before 1978, or of unknown age, may contain lead. Sanding and scraping turn it to dust, heat turns it to fume, and a wet rag spreads it. Keep children, pregnant women and animals away; the law may require licensed removal.",
    origin: "published: US EPA renovation rule 40 CFR 745; 90 ppm limit 16 CFR 1303; elsewhere local law decides",
    schools: [],
    subsumes: ["S2"],
  },
  looksAt: ["prepare", "take", "help", "finish"],
  dependsOn: "zone",
  check(seam) {
    const { ground } = seam.zone;
    if (!mayHoldLead(ground) || !disturbsOldFinish(seam.phase) || seam.before.ground.stripped) return [];
    const bare = seam.tops.some((top) => top.stack === null);
    // a heat gun goes through what was laid over it
    const reaches =
      bare ||
      seam.phase.technique.hazards.includes("heat") ||
      seam.phase.effects.some((effect) => effect.does === "abrade" && effect.micrometres >= 60);
    if (!reaches) return [];
    const found = ground.lead === "found";
    return [
      {
        severity: "stop",
        title: found
          ? `"${capital(seam.phase.technique.name)}" will disturb paint that contains lead`
          : `Test for lead before you ${seam.phase.technique.name.toLowerCase().replace(/^sand \d+$/, "sand")}`,
        because: found
          ? "No dry sanding, no scraping, no heat, no wet rubbing of the old layers. Seal it in while it is sound, or leave it to licensed people; follow local law."
          : `The ${groundNamed(ground)} is ${ground.age === "unknown" ? "of unknown age" : "from before 1978"}. Swab through all its layers first, and enter the result under Piece.`,
        lower: "ground",
        fixes: (place) => {
          const primer = ofFamily(place.shelf, "bonding primer");
          return [
            ...(primer && seam.phase.step.kind === "prepare"
              ? [
                  {
                    label: "Lay two coats of bonding primer over the old layers instead",
                    commands: [
                      ...insertBefore(place, seam.phase.step.id, [{ how: "brush", what: primer, coats: 2 }]),
                      ...leaveOut(place, seam.phase.step.id),
                    ],
                    look: "the old surface keeps its shape",
                  },
                ]
              : []),
            { label: "Remove this step", commands: leaveOut(place, seam.phase.step.id) },
          ];
        },
      },
    ];
  },
  finish({ zone: { ground, name }, after }) {
    if (ground.lead !== "found" || !mayHoldLead(ground) || after.ground.stripped) return [];
    return [
      {
        severity: "note",
        title: "The old paint that contains lead stays beneath",
        because: `${name}: sealed in and sound, it does no harm. Write it on the back and tell the customer: nobody is to sand, burn or scrape it. Local law decides.`,
        lower: "ground",
        part: "covered",
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "old paint, swabbed and clear",
        ground: "old paint",
        groundIs: { age: "before 1978", lead: "none found" },
        steps: [["clean"], ["scuff"], ["brush", "mineral-storm"]],
      },
    ],
    faulty: [
      {
        shows: "scuffing old paint of unknown age",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "ground",
            says: "Test for lead before you scuff. The old paint is of unknown age. Swab through all its layers first, and enter the result under Piece.",
            repairs: ["Lay two coats of bonding primer over the old layers instead", "Remove this step"],
          },
        ],
        ground: "old paint",
        groundIs: { age: "unknown" },
        steps: [["clean"], ["scuff"], ["brush", "mineral-storm"]],
      },
    ],
  },
};
