// cspell:ignore aeio
import { describe, expect, it } from "vitest";
import { CATALOGUE } from "#core/materials/catalogue";
import { GROUND_KINDS, groundOf, SPECIES } from "#core/plan/ground";
import { RULES } from "#core/rules/rules";
import { groundNamed, named } from "#core/rules/words";
import { allFindings, type SaidFinding } from "./findings";

const FINDINGS = allFindings();
const which = (fits: (finding: SaidFinding) => boolean, says = (finding: SaidFinding) => finding.title) => [
  ...new Set(FINDINGS.filter(fits).map((finding) => `${finding.rule} ${finding.severity}: ${says(finding)}`)),
];

/** Rules that can only be set off by something the trials here do not have. */
const RARE: readonly string[] = [];

/** Four lines of a card, at its width and size. */
const FOUR_LINES = 172;
const TITLE_LINES = 125;

/** What a repair begins with: what to do, or what is wanted. */
const DOES =
  /^(Add|Brush|Buff|Clean|Crack|Dab|Distress|Do|Drop|End|Finish|I (want|do not want)|Keep|Lay|Leave|Let|Make|Mist|Mix|Move|Paint|Press|Put|Refit|Remove|Roll|Rub|Sand|Scrape|Scuff|Seal|Spray|Strip|Take|Tap|The wax is a resist|Turn|Use|Wait|Wash|Wax|Wet distress|Wipe|Work)\b/;

describe("every finding over the whole catalogue", () => {
  it("is there to be read: each rule speaks", () => {
    const spoken = new Set(FINDINGS.map(({ rule }) => rule));
    expect(RULES.map(({ meta }) => meta.id).filter((id) => !spoken.has(id) && !RARE.includes(id))).toEqual([]);
    expect(FINDINGS.length).toBeGreaterThan(3000);
  });

  it("begins with what happens, and says will only for a stop", () => {
    expect(which(({ severity, title }) => severity !== "stop" && /\bwill\b/.test(title))).toEqual([]);
    expect(which(({ severity, title }) => severity === "stop" && !/\b(will|can)\b|^Test for lead/.test(title))).toEqual(
      [],
    );
    expect(
      which(
        ({ severity, title }) => severity === "caution" && !/\bmay\b|^Your house rule:|^Do not promise/.test(title),
      ),
    ).toEqual([]);
    expect(which(({ severity, title }) => severity === "note" && /\bmay\b/.test(title))).toEqual([]);
  });

  it("is whole sentences without holes", () => {
    const odd = (text: string) =>
      / {2}|undefined|NaN|null|\bnone\b|\bthe the\b|\ba [aeio]\w+ (paint|wax|glaze)\b|\. \.|\.\.|,\.|\b0 min\b|\bbare raw\b/i.test(
        text,
      );
    expect(which(({ title }) => odd(title) || /[.;,]$/.test(title) || !/^["\p{Lu}\d]/u.test(title))).toEqual([]);
    expect(
      which(
        ({ because }) => odd(because) || !because.endsWith(".") || !/^["\p{Lu}\d]/u.test(because),
        ({ because }) => because,
      ),
    ).toEqual([]);
    expect(
      which(
        ({ schools }) => schools !== undefined && (odd(schools) || !schools.endsWith(".")),
        ({ schools }) => schools!,
      ),
    ).toEqual([]);
  });

  it("fits into four lines of its card", () => {
    expect(
      which(
        ({ because }) => because.length > FOUR_LINES,
        ({ because }) => because,
      ),
    ).toEqual([]);
    expect(which(({ title }) => title.length > TITLE_LINES)).toEqual([]);
    expect(RULES.filter(({ meta }) => meta.reason.length > 250).map(({ meta }) => meta.id)).toEqual([]);
  });

  it("offers repairs as instructions", () => {
    const repairs = new Set(FINDINGS.flatMap(({ rule, repairs: all }) => all.map((text) => `${rule}: ${text}`)));
    expect([...repairs].filter((repair) => !DOES.test(repair.slice(repair.indexOf(": ") + 2)))).toEqual([]);
  });

  it("says the same wait on the button as in the sentence", () => {
    const waits = FINDINGS.flatMap(({ because, repairs }) =>
      repairs.flatMap((repair) => {
        const wait = /^Leave it for (.+)$/.exec(repair)?.[1];
        return wait === undefined || because.replaceAll(/(\d h \d\d) min/g, "$1").includes(wait)
          ? []
          : [`${repair} / ${because}`];
      }),
    );
    expect(waits).toEqual([]);
  });
});

describe("names inside a sentence", () => {
  it("are what a painter would say", () => {
    const names = new Set(CATALOGUE.map(named));
    expect(names.size).toBe(CATALOGUE.length);
    for (const name of [
      "slate chalk-type paint",
      "oyster acrylic mineral paint",
      "iron black aerosol colour",
      "putty flat emulsion",
      "hemp-type drying oil",
      "dark wax",
      "satin clear coat",
    ])
      expect(names).toContain(name);
    expect([...names].filter((name) => /paint paint|wax paint|,|\s{2}/.test(name))).toEqual([]);
  });

  it("name one thing for every ground", () => {
    const grounds = GROUND_KINDS.flatMap((kind) => SPECIES.map((species) => groundNamed(groundOf(kind, species))));
    expect(grounds).toContain("varnished pine");
    expect(grounds).toContain("glass");
    expect(grounds.filter((name) => /unknown|glazed|resin/.test(name))).toEqual([]);
  });
});
