import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountsOn } from "../../../tests/amounts.ts";
import { steps as anySteps } from "../../../tests/random-crusts.ts";
import { STANDARD_CLIMATE } from "../../drying/climate.ts";
import { CATALOGUE } from "../../materials/catalogue.ts";
import { groundOf } from "../../plan/ground.ts";
import { RELIEF_CLASSES, type Step } from "../../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../../rules/example.ts";
import { DAY, HOUR } from "../../units/units.ts";
import { compile, compileStep } from "../compile.ts";
import type { Effect } from "../effect.ts";
import { coatOf, coatThickness, type Film, freshFilm, TRACE } from "../film.ts";
import { untouched } from "../ground-state.ts";
import type { Phase } from "../phase.ts";
import { filmsOf, type PatchLimit } from "../stack.ts";
import { apply, bareSurface, type Surface } from "../surface.ts";
import { TECHNIQUES, techniquesFor } from "../techniques.ts";
import { flaking } from "./flaking.ts";
import { lawOf } from "./laws.ts";
import { CRACK_SHARE, cracksOver, depositing, meets } from "./laying.ts";
import { MIST_LASTS } from "./misting.ts";
import { dissolving } from "./opening.ts";
import { holdOf, lifting } from "./thinning.ts";
import { abrading } from "./wearing.ts";

const materials = new Map(CATALOGUE.map((material) => [material.id, material]));
const material = (id: string) => materials.get(id)!;
const plan = examplePlan({ shows: "laws", ground: "old paint", steps: [] });
const zone = plan.pieces[0]!.zones[0]!;
/** With room for every patch, so that nothing is counted together. */
const ROOMY: PatchLimit = { alike: 1e5, all: 1e5, speck: 0, grain: 0 };
const bare = () => bareSurface(zone.ground, STANDARD_CLIMATE, ROOMY);

const stepsOf = (list: ExampleStep[]): Step[] =>
  examplePlan({ shows: "laws", ground: "old paint", steps: list }).crusts[0]!.steps;
const phasesOf = (steps: Step[]) => compile({ ...plan.crusts[0]!, steps }, zone, materials).phases;
/** One phase, with an id that no step of a crust has. */
const phaseOf = (how: string, what?: string, more: Partial<Step> = {}): Phase =>
  (compileStep({ ...stepsOf([[how, what ?? null]])[0]!, id: "last", ...more }, zone, materials) as Phase[])[0]!;

const crusted = (steps: Step[], apart: number): Surface =>
  phasesOf(steps).reduce((surface, phase, index) => apply(surface, phase, index * apart), bare());

/** Each effect of a technique by itself, as a phase that has only that. */
const effectsApart = (phase: Phase): Phase[] =>
  phase.effects.map((effect) => ({ ...phase, effects: [effect], does: new Set([effect.does]) }));

/** Any crust of a few steps, a time apart, and any one step over it: a technique with a material that it lays. */
const anyMeeting = fc.record({
  steps: anySteps(4),
  apart: fc.constantFrom(10, 45, 3 * HOUR, DAY),
  next: fc.constantFrom(
    ...TECHNIQUES.flatMap((technique) =>
      technique.lays.length === 0
        ? [{ how: technique.id, what: undefined }]
        : CATALOGUE.filter((material) => techniquesFor(material).includes(technique)).map(({ id }) => ({
            how: technique.id,
            what: id as string | undefined,
          })),
    ),
  ),
});

/** Patches of one look are counted as one where films differ by less than a trace, and a trace is counted as gone. */
const LOST = 2 * TRACE;

describe("nothing comes from nothing", () => {
  it("every effect but taking keeps what lies there; taking says where it went, and takes no more than there was", () => {
    fc.assert(
      fc.property(anyMeeting, ({ steps, apart, next }) => {
        const before = crusted(steps, apart);
        const at = 40 * apart;
        for (const phase of effectsApart(phaseOf(next.how, next.what))) {
          const effect = phase.effects[0]!;
          const law = lawOf(effect);
          const left = apply(before, phase, at);
          for (const relief of RELIEF_CLASSES) {
            const [was, is] = [amountsOn(before, relief), amountsOn(left, relief)];
            for (const [id, amount] of was) {
              const now = is.get(id) ?? 0;
              expect(now, `${effect.does}: more of ${id} on the ${relief}`).toBeLessThanOrEqual(amount + LOST);
              if (now < amount - LOST) expect("to" in law, `${effect.does} loses ${id} on the ${relief}`).toBe(true);
            }
            const fresh = [...is.keys()].filter((id) => !was.has(id));
            expect(fresh).toEqual(law.way === "lays" && is.has(phase.id) ? [phase.id] : []);
          }
        }
      }),
      { numRuns: 250 },
    );
  });

  it("what is laid is what the law says, on as much of the face as holds it", () => {
    fc.assert(
      fc.property(anyMeeting, ({ steps, apart, next }) => {
        fc.pre(next.what !== undefined);
        const before = crusted(steps, apart);
        const at = 40 * apart;
        const phase = effectsApart(phaseOf(next.how, next.what)).find(
          ({ effects }) => lawOf(effects[0]!).way === "lays",
        )!;
        const effect = phase.effects[0]!;
        const law = lawOf(effect);
        if (law.way !== "lays") throw new Error("not a laying");
        const left = apply(before, phase, at);
        for (const relief of RELIEF_CLASSES) {
          let laid = 0;
          for (const { share, stack } of before.patches[relief]) {
            const under = stack?.film ?? null;
            const meeting = { phase, at, misted: before.misted, ground: before.ground };
            if (!law.holds(effect, under, meeting)) continue;
            const amount = law.amount(effect, relief, law.meets(phase.material!, under, before.ground));
            if (amount >= TRACE) laid += share * phase.where.share * amount;
          }
          // also where it tears: what lay in the cracks has drawn together
          expect(amountsOn(left, relief).get(phase.id) ?? 0).toBeCloseTo(laid, 6);
        }
      }),
      { numRuns: 150 },
    );
  });

  it("taking goes onto the cloth, off as dust or flakes, or with the stripper; dust and flakes are a hazard of dust", () => {
    const wastes = new Map<string, Set<string>>();
    for (const technique of TECHNIQUES)
      for (const effect of technique.effects) {
        const law = lawOf(effect);
        if (!("to" in law)) continue;
        wastes.set(law.to, (wastes.get(law.to) ?? new Set()).add(technique.id));
        const hardly = law.way === "wears" && law.effort(effect) < 5;
        // paper used wet makes slurry
        if ((law.to === "dust" && !hardly && technique.wets !== "water") || law.to === "flakes")
          expect(technique.hazards, technique.name).toContain("dust");
      }
    expect([...wastes.keys()].sort()).toEqual(["cloth", "dust", "flakes", "sludge"]);
    expect([...wastes.get("cloth")!]).toContain("wipe-back");
    expect([...wastes.get("sludge")!]).toEqual(["strip"]);
  });
});

/** Shares of one relief class by the films that lie there. */
function sharesOf(surface: Surface, relief: (typeof RELIEF_CLASSES)[number]) {
  const shares = new Map<string, number>();
  for (const { share, stack } of surface.patches[relief]) {
    const key = filmsOf(stack)
      .map(({ phaseId, micrometres, keyed, polished }) => `${phaseId} ${micrometres.toFixed(2)} ${keyed} ${polished}`)
      .join(" | ");
    shares.set(key, (shares.get(key) ?? 0) + share);
  }
  return shares;
}

describe("a step and its parts", () => {
  it("on half the face is half the change", () => {
    fc.assert(
      fc.property(anyMeeting, ({ steps, apart, next }) => {
        const before = crusted(steps, apart);
        const at = 40 * apart;
        for (const whole of effectsApart(phaseOf(next.how, next.what))) {
          const half = { ...whole, where: { ...whole.where, share: whole.where.share / 2 } };
          for (const relief of RELIEF_CLASSES) {
            const was = amountsOn(before, relief);
            const [all, some] = [
              amountsOn(apply(before, whole, at), relief),
              amountsOn(apply(before, half, at), relief),
            ];
            for (const id of new Set([...was.keys(), ...all.keys(), ...some.keys()])) {
              const change = (all.get(id) ?? 0) - (was.get(id) ?? 0);
              const part = (some.get(id) ?? 0) - (was.get(id) ?? 0);
              expect(Math.abs(part - change / 2), `${next.how} ${id} on the ${relief}`).toBeLessThan(LOST);
            }
          }
        }
      }),
      { numRuns: 150 },
    );
  });

  it("of a technique that lays, with nothing to lay, changes nothing", () => {
    fc.assert(
      fc.property(anyMeeting, ({ steps, apart, next }) => {
        fc.pre(next.what !== undefined);
        const before = crusted(steps, apart);
        const laying = effectsApart(phaseOf(next.how, next.what)).find(
          ({ effects }) => lawOf(effects[0]!).way === "lays",
        )!;
        const none = { ...laying, effects: laying.effects.map((effect) => ({ ...effect, micrometres: 0 }) as Effect) };
        for (const idle of [{ ...laying, material: null }, none])
          for (const relief of RELIEF_CLASSES)
            expect(sharesOf(apply(before, idle, 40 * apart), relief)).toEqual(sharesOf(before, relief));
      }),
      { numRuns: 60 },
    );
  });

  it("done twice takes no less than done once", () => {
    fc.assert(
      fc.property(anyMeeting, ({ steps, apart, next }) => {
        fc.pre(next.what === undefined);
        const at = 40 * apart;
        const phase = phaseOf(next.how);
        const once = apply(crusted(steps, apart), phase, at);
        const twice = apply(once, phase, at);
        for (const relief of RELIEF_CLASSES) {
          const one = amountsOn(once, relief);
          for (const [id, amount] of amountsOn(twice, relief))
            expect(amount, id).toBeLessThanOrEqual(one.get(id)! + LOST);
        }
      }),
      { numRuns: 150 },
    );
  });
});

/** A film of a material at the instant 0, as its usual technique lays it on a sealed face. */
const film = (id: string): Film => {
  const phase = phaseOf(techniquesFor(material(id))[0]!.id, id);
  return freshFilm(
    phase,
    -phase.hands,
    material(id),
    coatThickness(material(id), phase.technique.load),
    { drawnBy: 0, soaked: false },
    STANDARD_CLIMATE,
  );
};

describe("sanding", () => {
  const sanded = (coats: number, how: string, id = "chalk-slate") => {
    const surface = crusted(
      stepsOf([
        ["brush", id, { coats }],
        [how, null],
      ]),
      DAY,
    );
    const sum = (relief: "arris" | "high") =>
      [...amountsOn(surface, relief)].reduce((all, [, micrometres]) => all + micrometres, 0);
    return { arris: sum("arris"), high: sum("high") };
  };

  it("leaves a thicker film thicker", () => {
    for (const how of ["sand-320", "sand-220", "sand-150", "steel-wool", "scrape-back"])
      for (const coats of [1, 2, 3]) {
        const [thin, thick] = [sanded(coats, how), sanded(coats + 1, how)];
        expect(thick.arris, how).toBeGreaterThan(thin.arris);
        expect(thick.high, how).toBeGreaterThan(thin.high);
      }
  });

  it("takes less of a hard film than of a soft one", () => {
    expect(abrading.hardness(film("oil-deep-green"))).toBeGreaterThan(abrading.hardness(film("chalk-slate")));
    // papers are rated on chalk-type paint
    expect(abrading.hardness(film("chalk-slate"))).toBeCloseTo(1, 1);
  });
});

describe("wiping", () => {
  const working = (how: string, index: number, misted: number | null = null) => ({
    phase: phaseOf(how),
    at: index,
    misted,
  });
  const glaze = film("glaze-umber");

  it("takes less and less as a glaze sets: at 5, 20, 40 and 120 minutes", () => {
    const holds = [5, 20, 40, 120].map((at) => holdOf(glaze, working("wipe-back", at)));
    expect(holds).toEqual([...holds].sort((a, b) => b - a));
    expect(new Set(holds).size).toBe(4);
    expect(holds[0]).toBeGreaterThan(3 * holds[3]!);
  });

  it("takes more damp than dry, and more still from a face just misted", () => {
    for (const id of ["glaze-umber", "chalk-slate"])
      for (const at of [5, 20, 60]) {
        const one = film(id);
        const dry = holdOf(one, { ...working("rag-off", at) });
        const damp = holdOf(one, { ...working("wipe-back", at) });
        const misted = holdOf(one, working("wipe-back", at, at - 2));
        expect(damp, `${id} at ${at}`).toBeGreaterThan(dry);
        expect(misted, `${id} at ${at}`).toBeGreaterThan(damp);
        expect(holdOf(one, working("wipe-back", at, at - MIST_LASTS - 1))).toBe(damp);
      }
  });

  it("hardly reaches what has gone in, and clear wax does not lift it", () => {
    const [on, gone] = [film("wax-dark"), { ...film("wax-dark"), soaked: true }];
    const { phase } = working("erase-wax", 30);
    const lift = phase.effects.find((effect) => effect.does === "lift")!;
    expect(lifting.left(lift, on, "field", working("erase-wax", 30))).toBeLessThan(0.5);
    expect(lifting.left(lift, gone, "field", working("erase-wax", 30))).toBe(1);
    const drunk = { ...glaze, soaked: true };
    expect(holdOf(drunk, working("wipe-back", 5))).toBeLessThan(0.5 * holdOf(glaze, working("wipe-back", 5)));
  });
});

describe("a wet cloth", () => {
  const rub = phaseOf("wet-distress").effects.find((effect) => effect.does === "dissolve")!;
  const at = (minutes: number) => ({ phase: phaseOf("wet-distress"), at: minutes, misted: null });

  it("opens fresh chalk-type paint and milk paint, and no alkyd or fused paint", () => {
    expect(dissolving.goes(rub, film("chalk-slate"), at(3 * HOUR))).toBe(true);
    expect(dissolving.goes(rub, film("mineral-oyster"), at(30 * DAY))).toBe(false);
    expect(dissolving.goes(rub, film("oil-deep-green"), at(3 * HOUR))).toBe(false);
  });
});

describe("flaking", () => {
  const chip = phaseOf("chip").effects.find((effect) => effect.does === "chip")!;

  it("asks for a resist, a slick face or brittle paint over a sealed one", () => {
    const ground = untouched(groundOf("old paint"));
    const meeting = { phase: phaseOf("chip"), at: DAY, misted: null, ground };
    const paint = film("chalk-slate");
    expect(flaking.letsGo(chip, paint, { ...film("wax-clear"), resist: true }, meeting)).toBe(true);
    expect(flaking.letsGo(chip, paint, film("mineral-oyster"), meeting)).toBe(false);
    const milk = { ...film("milk-barn-red"), chips: true };
    expect(flaking.letsGo(chip, milk, film("polyurethane-water"), meeting)).toBe(true);
    expect(
      flaking.letsGo(chip, { ...milk, chips: false }, { ...film("polyurethane-water"), keyed: true }, meeting),
    ).toBe(false);
  });

  it("brings more off where brittle paint lies thick or was dried by warm air", () => {
    const milk = film("milk-barn-red");
    const thick = { ...milk, coat: { ...coatOf(phaseOf("brush", "milk-barn-red"), milk.material, 0), load: 2 } };
    expect(flaking.eager(chip, thick)).toBeGreaterThan(flaking.eager(chip, milk));
    expect(flaking.eager(chip, { ...milk, forced: true })).toBeGreaterThan(flaking.eager(chip, milk));
    expect(flaking.eager(chip, film("chalk-slate"))).toBe(1);
  });
});

describe("laying", () => {
  it("dark wax goes deeper and evener into open paint than onto a sealed one", () => {
    const ground = untouched(groundOf("old paint"));
    const wax = material("wax-dark");
    const [open, sealed] = [meets(wax, film("chalk-slate"), ground), meets(wax, film("polyurethane-water"), ground)];
    expect([open.soaked, sealed.soaked]).toEqual([true, false]);
    const deposit = phaseOf("wax", "wax-dark").effects.find((effect) => effect.does === "deposit")!;
    const share = (on: typeof open) =>
      depositing.amount(deposit, "recess", on) / depositing.amount(deposit, "field", on);
    expect(depositing.amount(deposit, "field", open)).toBeGreaterThan(depositing.amount(deposit, "field", sealed));
    expect(share(open)).toBeLessThan(share(sealed));
  });

  it("a coat over a medium at its tack tears once, draws together and loses nothing", () => {
    const size = film("crackle-medium");
    const { opens } = size.material.windows.tack!;
    expect(cracksOver(size, material("chalk-slate"), opens.typical + 1)).toBe(true);
    expect(cracksOver({ ...size, spent: true }, material("chalk-slate"), opens.typical + 1)).toBe(false);
    const phases = phasesOf(
      stepsOf([
        ["brush", "crackle-medium"],
        ["brush", "chalk-slate"],
      ]),
    );
    const laid = apply(apply(bare(), phases[0]!, 0), phases[1]!, phases[0]!.hands + opens.typical + 1);
    const coat = phases[1]!.technique.load * coatThickness(material("chalk-slate"), 1);
    const thickest = Math.max(...laid.patches.field.map(({ stack }) => stack?.film.micrometres ?? 0));
    expect(thickest).toBeCloseTo(coat / (1 - CRACK_SHARE), 6);
    expect(amountsOn(laid, "field").get(phases[1]!.id)).toBeCloseTo(coat, 6);
  });
});
