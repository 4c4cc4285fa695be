import fc from "fast-check";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import { type HouseRules, SCHOOLS } from "#core/plan/house-rules";
import type { Crust, Plan, Step } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { RULES } from "#core/rules/rules";
import { findTechnique, techniquesFor } from "#core/surface/techniques";
import { plan as anyPlan } from "../random-crusts";

// Plans that are near to one on which a rule speaks, or keeps quiet: its examples with one thing changed. And some of any kind.

/** A plan of the corpus, made when it is needed. */
export interface Entry {
  /** the same for as long as the example is there */
  name: string;
  /** what was changed, for plans that are near to another */
  kind: string;
  base: string;
  plan: () => Plan;
}

const SCALES = [0.4, 0.9, 1.1, 2.5];

const withSteps = (plan: Plan, steps: readonly Step[]): Plan => ({
  ...plan,
  crusts: plan.crusts.map((crust): Crust => ({ ...crust, steps: [...steps] })),
});
const withStep = (plan: Plan, position: number, step: Step): Plan =>
  withSteps(
    plan,
    plan.crusts[0]!.steps.map((old, index) => (index === position ? step : old)),
  );
const withZone = (plan: Plan, change: Partial<Plan["pieces"][number]["zones"][number]>): Plan => ({
  ...plan,
  pieces: plan.pieces.map((piece) => ({ ...piece, zones: piece.zones.map((zone) => ({ ...zone, ...change })) })),
});

/** One material of every other family that could be laid in its place. */
function swapsFor({ what, how }: Step): Material[] {
  const own = CATALOGUE.find(({ id }) => id === what);
  const families = new Set([own?.family]);
  return CATALOGUE.filter((material) => {
    if (families.has(material.family) || !techniquesFor(material).some(({ id }) => id === how)) return false;
    families.add(material.family);
    return true;
  });
}

type Change = [kind: string, plan: () => Plan];

function* changesOf(plan: Plan, schools: readonly (keyof HouseRules)[]): Generator<Change> {
  const { steps } = plan.crusts[0]!;
  const [zone] = plan.pieces[0]!.zones;
  for (const key of schools)
    for (const choice of Object.keys(SCHOOLS[key].choices))
      if (choice !== plan.pinned.houseRules[key])
        yield [
          `${key}: ${choice}`,
          () => ({
            ...plan,
            pinned: { ...plan.pinned, houseRules: { ...plan.pinned.houseRules, [key]: choice } as HouseRules },
          }),
        ];
  for (const [at, step] of steps.entries()) {
    const { wait, coats, kind, where } = step;
    if (wait && "minutes" in wait)
      for (const scale of SCALES)
        yield [
          `wait ${at} × ${scale}`,
          () =>
            withStep(plan, at, {
              ...step,
              wait: { ...wait, minutes: Math.round(wait.minutes * scale) } as Step["wait"],
            }),
        ];
    if (!wait)
      yield [`wait ${at} long`, () => withStep(plan, at, { ...step, wait: { kind: "at least", minutes: 2880 } })];
    if (!wait) yield [`wait ${at} short`, () => withStep(plan, at, { ...step, wait: { kind: "exactly", minutes: 5 } })];
    yield [
      `without ${at}`,
      () =>
        withSteps(
          plan,
          steps.filter((one) => one !== step),
        ),
    ];
    yield [`${at} over a part`, () => withStep(plan, at, { ...step, where: { ...where, over: 0.3 } })];
    yield [`${at} on the recess`, () => withStep(plan, at, { ...step, where: { on: "recess", over: 1 } })];
    if (kind === "coat") {
      yield [`coats ${at}`, () => withStep(plan, at, { ...step, coats: coats > 1 ? 1 : 3 })];
      for (const intent of ["resist", "stain", "blend", "chips", "cracks"] as const)
        yield [`${at} meant: ${intent}`, () => withStep(plan, at, { ...step, intents: [intent] })];
      for (const swap of swapsFor(step))
        yield [`${at} as ${swap.id}`, () => withStep(plan, at, { ...step, what: swap.id })];
      const other = step.what ? techniquesFor(CATALOGUE.find(({ id }) => id === step.what)!) : [];
      for (const { id } of other)
        if (id !== step.how)
          yield [`${at} by ${id}`, () => withStep(plan, at, { ...step, how: id, kind: findTechnique(id)!.kind })];
    }
    yield [
      `hot air after ${at}`,
      () => {
        const dry: Step = {
          id: "x",
          kind: "help",
          how: "hair-dryer",
          where: { on: "everywhere", over: 1 },
          coats: 1,
          intents: [],
        };
        return withSteps(plan, [...steps.slice(0, at + 1), dry, ...steps.slice(at + 1)]);
      },
    ];
  }
  if (!zone) return;
  for (const wear of ["display", "daily", "hard"] as const)
    yield [`use: ${wear}`, () => withZone(plan, { use: { ...zone.use, wear } })];
  yield ["lying flat", () => withZone(plan, { orientation: zone.orientation === "flat" ? "upright" : "flat" })];
  yield ["small", () => withZone(plan, { shape: { kind: "panel", width: 200, height: 150, count: 1 } })];
  yield ["large", () => withZone(plan, { shape: { kind: "box", width: 1200, height: 900, depth: 500, count: 2 } })];
  for (const [celsius, relativeHumidity] of [
    [8, 60],
    [16, 90],
    [30, 30],
  ] as const)
    yield [
      `air ${celsius} ${relativeHumidity}`,
      () => ({ ...plan, pinned: { ...plan.pinned, room: { ...plan.pinned.room, celsius, relativeHumidity } } }),
    ];
}

/** Plans of any kind that may be in it. */
export const MOST_SEEDS = 4000;
export function seeded(seed: number): Plan {
  const [plan] = fc.sample(anyPlan, { numRuns: 1, seed });
  // one zone says what there is to say
  return { ...plan!, pieces: plan!.pieces.map((piece) => ({ ...piece, zones: piece.zones.slice(0, 1) })) };
}

const anyOf = (seed: number): Entry => ({ name: `any ${seed}`, kind: "any", base: "", plan: () => seeded(seed) });

/** All plans that the corpus is chosen from. */
export function* candidates(): Generator<Entry> {
  yield* nearExamples();
  for (let seed = 1; seed <= MOST_SEEDS; seed++) yield anyOf(seed);
}

function* nearExamples(): Generator<Entry> {
  for (const { meta, examples } of RULES)
    for (const [kind, stacks] of Object.entries({ clean: examples.clean, faulty: examples.faulty }))
      for (const stack of stacks) {
        const base = `${meta.id} ${kind}: ${stack.shows}`;
        const plan = examplePlan(stack);
        yield { name: base, kind: "", base, plan: () => plan };
        for (const [change, changed] of changesOf(plan, meta.schools))
          yield { name: `${base} / ${change}`, kind: change.replace(/\d+/g, "#"), base, plan: changed };
      }
}

/** What a plan is near to: the examples of the rules of one letter, or none of them. */
export const groupOf = ({ base }: Entry): string => (base === "" ? "any plan" : `near ${base.charAt(0)} rules`);

/** The plans of these names; a name whose example is gone is left out. */
export function entriesNamed(names: readonly string[]): Entry[] {
  const wanted = new Set(names);
  const seeds = names.flatMap((name) => (name.startsWith("any ") ? [Number(name.slice(4))] : []));
  const near = [...nearExamples()].filter(({ name }) => wanted.has(name));
  return [...near, ...seeds.map(anyOf)];
}
