import { stepOf } from "../read-surface.ts";
import type { Rule } from "../rule.ts";

export const neverCertified: Rule = {
  meta: {
    id: "U6",
    title: "No finish here is called safe for food or children",
    reason:
      "Whether a finish may touch food or go in a child's mouth is decided by law and by the maker's tests of that product, not by how it was laid.",
    origin: "common practice; local law decides",
    schools: [],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    const { near } = finish.zone.use;
    if (near === "nothing") return [];
    return [
      {
        severity: "caution",
        title: near === "food" ? "Do not promise it for food" : "Do not promise it for children's things",
        because: `${finish.zone.name}: used near ${near}. Ask the makers of every layer in writing, follow local law, and leave what touches ${near === "food" ? "food" : "mouths"} bare if in doubt.`,
        lower: stepOf(finish.tops[0]?.stack ?? null),
      },
    ];
  },
  examples: {
    clean: [{ shows: "a cupboard", ground: "raw timber", species: "pine", steps: [["brush", "mineral-storm"]] }],
    faulty: [
      {
        shows: "a dough bin",
        finds: [
          {
            severity: "caution",
            at: "s1",
            over: "s1",
            says: "Do not promise it for food. Panel: used near food. Ask the makers of every layer in writing, follow local law, and leave what touches food bare if in doubt.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        use: { near: "food" },
        steps: [["brush", "mineral-storm", { coats: 2 }]],
      },
    ],
  },
};
