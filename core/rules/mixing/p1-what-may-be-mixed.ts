import type { Material } from "../../materials/material.ts";
import type { Pot } from "../../mixing/pot.ts";
import { mixed } from "../example.ts";
import { stepOf } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import { type Rule, SEVERITY_ORDER } from "../rule.ts";
import { capital, named } from "../words.ts";

type Verdict = { severity: "stop" | "caution" | "note"; because: string } | null;

const CHALKY: ReadonlySet<string> = new Set(["chalk", "clay", "acrylic"]);
const isWaxy = (material: Material) => material.binder === "wax" || material.binder === "wax and acrylic";

/** Whether two materials may be mixed, from what carries and what binds them; null where nothing is against it. */
export function together(a: Material, b: Material): Verdict {
  const either = (fits: (material: Material) => boolean) => fits(a) || fits(b);
  if (either(({ soldAs }) => soldAs === "aerosol"))
    return { severity: "stop", because: "What comes in a can is sprayed as it is." };
  // a powder goes into anything that is stirred
  if (either(({ role }) => role === "pigment")) return null;
  const both = (fits: (material: Material) => boolean) => fits(a) && fits(b);
  // paint into paste wax is an old trick: the wax takes it up although one is water and the other is not
  if (either(isWaxy)) {
    if (both(isWaxy)) return null;
    return either((material) => material.role === "paint")
      ? null
      : { severity: "caution", because: "Wax takes up paint and wax; with anything else it may curdle." };
  }
  if (a.carrier !== b.carrier && either(({ carrier }) => carrier === "water")) {
    const other = a.carrier === "water" ? b.carrier : a.carrier;
    return {
      severity: "stop",
      because:
        other === "none"
          ? "Only one of them takes water, so they separate or curdle."
          : `Water and ${other} separate or curdle.`,
    };
  }
  if (either(({ role }) => role === "patina"))
    return { severity: "stop", because: "The acid spoils whatever it is mixed into." };
  if (either(({ role }) => role === "glaze"))
    return either(({ role }) => role === "paint" || role === "glaze" || role === "tint-base")
      ? null
      : { severity: "caution", because: "Glaze medium takes paint; with this it is untried." };
  if (both(({ binder }) => CHALKY.has(binder))) return null;
  if (a.binder === b.binder) return null;
  return {
    severity: "caution",
    because: "Their binders differ. Try it on a board, and keep a wet sample and the written ratio.",
  };
}

/** The two tins of a pot that go together worst, and what is against it. */
function worstPair({ parts }: Pot): { one: Material; two: Material; verdict: Verdict } {
  const pairs = parts.flatMap(({ material: one }, index) =>
    parts.slice(index + 1).map(({ material: two }) => ({ one, two, verdict: together(one, two) })),
  );
  const rank = ({ verdict }: { verdict: Verdict }) => (verdict === null ? 3 : SEVERITY_ORDER[verdict.severity]);
  return pairs.sort((a, b) => rank(a) - rank(b))[0]!;
}

export const whatMayBeMixed: Rule = {
  meta: {
    id: "P1",
    title: "What may be mixed",
    reason:
      "Clay with chalk, paint into glaze medium, paint into wax and wax with wax are usual, and the mix dissolves as easily as the softer of the two. Oil and water separate; an acid spoils everything.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  onFirstCoat: true,
  check(seam) {
    const { pot, beside, step } = seam.phase;
    if (!pot || beside || pot.parts.length < 2) return [];
    const worst = worstPair(pot);
    const own = pot.parts[0]!.material;
    if (!worst.verdict)
      return [
        {
          severity: "note",
          title: `Keep the ratio and a wet sample of the ${named(seam.phase.material!)}`,
          because:
            "The mix dissolves as easily as the softer of its parts. A dab on card, with the ratio beside it, is the only record you can match.",
          lower: stepOf(seam.tops[0]?.stack ?? null),
        },
      ];
    const { verdict, one, two } = worst;
    return [
      {
        severity: verdict.severity,
        title: `${capital(named(two))} and ${named(one)} ${verdict.severity === "stop" ? "will" : "may"} not mix`,
        because: verdict.because,
        lower: stepOf(seam.tops[0]?.stack ?? null),
        fixes: (place) => [
          { label: `Use the ${named(own)} alone`, commands: patchStep(place, step.id, { mix: null }) },
        ],
      },
    ];
  },
  examples: {
    clean: [{ shows: "nothing mixed", ground: "raw timber", species: "pine", steps: [["brush", "mineral-oyster"]] }],
    faulty: [
      {
        shows: "emulsion into oil varnish",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s1",
            says: "Putty flat emulsion and oil varnish will not mix. Water and solvent separate or curdle.",
            repairs: ["Use the oil varnish alone"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "varnish-oil", { mix: mixed(80, "emulsion-putty", 20) }],
        ],
      },
      {
        shows: "clay with chalk",
        finds: [
          {
            severity: "note",
            at: "s1",
            over: "ground",
            says: "Keep the ratio and a wet sample of the slate chalk-type paint mix. The mix dissolves as easily as the softer of its parts. A dab on card, with the ratio beside it, is the only record you can match.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "chalk-slate", { mix: mixed(1, "clay-moss", 1) }]],
      },
    ],
  },
};
