import { appended } from "../repair.ts";
import type { Draft, Rule } from "../rule.ts";

const PAIRS = [
  ["hardware-off", "hardware-on", "The hardware is"],
  ["drawers-out", "drawers-in", "The drawers are"],
  ["top-off", "top-on", "The top is"],
] as const;

export const putBackTogether: Rule = {
  meta: {
    id: "H1",
    title: "What is taken off goes back on",
    reason:
      "Taken off, a part lies flat and saves masking. Hardware is kept, recoloured off the piece, or fitted before painting so that it blends: it is a zone of its own. Plan when it goes back, because wax in a screw hole is hard to undo.",
    origin: "common practice; schools differ",
    schools: ["drawers"],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    const at = (how: string) => finish.past.findLastIndex(({ phase }) => phase.technique.id === how);
    const drafts: Draft[] = [];
    for (const [off, on, what] of PAIRS)
      if (at(off) >= 0 && at(on) < at(off))
        drafts.push({
          severity: "note",
          title: `${what} never put back`,
          because: "No step refits what was taken off, so the plan allows no time for it.",
          lower: finish.past[at(off)]!.phase.step.id,
          part: off,
          fixes: (place) => [{ label: "Refit at the end", commands: appended(place, [{ how: on }]) }],
        });
    const waxed = finish.past.findIndex(({ phase }) => phase.material?.role === "wax");
    const drawersIn = at("drawers-in");
    if (waxed >= 0 && drawersIn >= 0) {
      const inForWaxing = drawersIn < waxed;
      const wants = finish.houseRules.drawers === "in for waxing";
      if (inForWaxing !== wants)
        drafts.push({
          severity: "note",
          title: wants ? "Your house rule: wax with the drawers in" : "Your house rule: wax with the drawers out",
          because: wants
            ? "In, the look runs through from front to front."
            : "Out, each front lies flat and its edges get their wax.",
          schools: "Shops do it both ways.",
          lower: finish.past[waxed]!.phase.step.id,
          part: "waxing",
        });
    }
    return drafts;
  },
  examples: {
    clean: [
      {
        shows: "hardware off and on again",
        ground: "raw timber",
        species: "pine",
        steps: [["hardware-off"], ["brush", "mineral-storm", { coats: 2 }], ["hardware-on"]],
      },
    ],
    faulty: [
      {
        shows: "hardware off for good",
        finds: [
          {
            severity: "note",
            at: "s2",
            over: "s1",
            says: "The hardware is never put back. No step refits what was taken off, so the plan allows no time for it.",
            repairs: ["Refit at the end"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["hardware-off"], ["brush", "mineral-storm", { coats: 2 }]],
      },
      {
        shows: "waxed with the drawers in, against the house rule",
        finds: [
          {
            severity: "note",
            at: "s4",
            over: "s4",
            says: "Your house rule: wax with the drawers out. Out, each front lies flat and its edges get their wax.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["drawers-out"], ["brush", "mineral-storm", { coats: 2 }], ["drawers-in"], ["wax", "wax-clear"]],
      },
    ],
  },
};
