import { betterUnder } from "../colour/coats-to-hide.ts";
import { colourDifference } from "../colour/difference.ts";
import { bodyColour, isMetallic, isTranslucent } from "../colour/material-colour.ts";
import { applyCommands } from "../edit/apply.ts";
import type { Command } from "../edit/command.ts";
import { type Judgement, judge } from "../judge/judge.ts";
import { coloursSeen } from "../judge/look.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { Material } from "../materials/material.ts";
import { type Crust, type Plan, type Step, WEAR } from "../plan/plan.ts";
import type { Shop } from "../plan/shop.ts";
import { named } from "../rules/words.ts";
import { datesOf } from "../schedule/dates.ts";
import { workOf } from "../schedule/plan-of-work.ts";
import { type Schedule, schedule } from "../schedule/schedule.ts";
import { findTechnique, techniquesFor } from "../surface/techniques.ts";
import type { Minutes } from "../units/units.ts";
import type { ShelfBook } from "./book.ts";
import { costOfJob } from "./cost.ts";
import { packsOf } from "./supply.ts";

// Other ways to much the same piece: what they would cost, when it could leave, what it would stand and how it would look.

export interface Way {
  id: string;
  label: string;
  commands: Command[];
}

type Wear = Material["wear"];

/** A way, tried: every difference is against the plan as it is. */
export interface TriedWay extends Way {
  /** change of the price; negative is cheaper */
  price: number;
  handsOn: Minutes;
  /** change of the time it leaves; null where either has none */
  leaves: Minutes | null;
  /** what the weakest of the changed zones stands as its last coat */
  wear: { before: Wear; after: Wear };
  /** the largest CIEDE2000 difference of the flats of any zone */
  look: number;
  cautions: { before: number; after: number };
}

const SAME_COLOUR = 12;
const MOST_EACH = 3;
const MOST_WAYS = 12;
/** What covers no more than this is decoration. */
const A_TOUCH = 0.1;

/** The price of a square metre of one coat; null where no pack has a price. */
function priceOfCoat(book: ShelfBook, { id, spreadingRate, soldAs }: Material): number | null {
  const prices = packsOf(book, id).flatMap(({ price, holds }) => (price === null ? [] : [price / holds]));
  if (prices.length === 0 || soldAs === "sheets" || soldAs === "square metres") return null;
  return (Math.min(...prices) * 1000) / spreadingRate.typical;
}

const all = (plan: Plan): Material[] => [
  ...plan.pinned.materials,
  ...CATALOGUE.filter(({ id }) => !plan.pinned.materials.some((material) => material.id === id)),
];
const find = (plan: Plan, id: string | undefined) => all(plan).find((one) => one.id === id);

const pinned = (plan: Plan, material: Material): Command[] =>
  plan.pinned.materials.some(({ id }) => id === material.id) ? [] : [{ do: "pin material", material }];

const patch = (crust: Crust, step: Step, change: Extract<Command, { do: "patch step" }>["patch"]): Command => ({
  do: "patch step",
  crustId: crust.id,
  stepId: step.id,
  patch: change,
});

/** The steps of a crust that lay something, with what they lay. */
const layingIn = (plan: Plan, crust: Crust): { step: Step; material: Material }[] =>
  crust.steps.flatMap((step) => {
    const material = step.kind === "coat" ? find(plan, step.what) : undefined;
    return material ? [{ step, material }] : [];
  });

/** A cheaper product that goes on in the same way in about the same colour. */
function productWays(plan: Plan, book: ShelfBook): Way[] {
  const ways = plan.crusts.flatMap((crust) =>
    layingIn(plan, crust).flatMap(({ step, material }) => {
      const own = priceOfCoat(book, material);
      if (own === null || step.mix) return [];
      const likeness = (other: Material) => colourDifference(bodyColour(material), bodyColour(other));
      return all(plan)
        .filter(
          (other) =>
            other.id !== material.id &&
            other.role === material.role &&
            isMetallic(other) === isMetallic(material) &&
            techniquesFor(other).some(({ id }) => id === step.how) &&
            likeness(other) <= SAME_COLOUR &&
            (priceOfCoat(book, other) ?? Number.POSITIVE_INFINITY) < 0.9 * own,
        )
        .sort((a, b) => likeness(a) - likeness(b))
        .slice(0, 1)
        .map((other) => ({
          id: `product-${crust.id}-${step.id}-${other.id}`,
          label: `Use ${named(other)} instead of ${named(material)}`,
          commands: [...pinned(plan, other), patch(crust, step, { what: other.id })],
        }));
    }),
  );
  return ways.slice(0, MOST_EACH);
}

/** One coat fewer over an under-colour that hides what lies beneath in fewer coats; of the same kind as the one it replaces. */
function underColourWays(plan: Plan): Way[] {
  const ways = plan.crusts.flatMap((crust) => {
    const laying = layingIn(plan, crust);
    return laying.flatMap(({ step, material }, index) => {
      const below = laying[index - 1];
      if (index === 0 || !below || step.coats < 2 || material.role !== "paint" || isTranslucent(material)) return [];
      if (below.material.role !== "paint" || isTranslucent(below.material) || below.step.mix) return [];
      const better = betterUnder(material, below.material, step.coats, all(plan))?.under;
      return better
        ? [
            {
              id: `under-${crust.id}-${step.id}`,
              label: `One fewer coat of ${named(material)}, over ${named(better)} instead of ${named(below.material)}`,
              commands: [
                ...pinned(plan, better),
                patch(crust, below.step, { what: better.id }),
                patch(crust, step, { coats: step.coats - 1 }),
              ],
            },
          ]
        : [];
    });
  });
  return ways.slice(0, MOST_EACH);
}

/** One coat fewer of what is laid in several. */
const coatWays = (plan: Plan): Way[] =>
  plan.crusts
    .flatMap((crust) =>
      layingIn(plan, crust)
        .filter(({ step }) => step.coats > 1)
        .map(({ step, material }) => ({
          id: `coat-${crust.id}-${step.id}`,
          label: `One fewer coat of ${named(material)}`,
          commands: [patch(crust, step, { coats: step.coats - 1 })],
        })),
    )
    .slice(0, MOST_EACH);

const WAX = "wax-clear";
const FILM = "clear-coat-matt";

/** Wax in place of the film that seals, or film in place of the wax. */
function sealWays(plan: Plan): Way[] {
  const ways = plan.crusts.flatMap((crust): Way[] => {
    const last = layingIn(plan, crust).at(-1);
    if (!last || last.step.branch !== undefined) return [];
    const { step, material } = last;
    const to = material.role === "clear" ? find(plan, WAX) : material.family === "clear wax" ? find(plan, FILM) : null;
    if (!to) return [];
    const buffs = crust.steps.filter((step) => step.how === "buff");
    return [
      {
        id: `seal-${crust.id}`,
        label: `${crust.name}: seal with ${named(to)} instead of ${named(material)}`,
        commands: [
          ...pinned(plan, to),
          patch(crust, step, {
            what: to.id,
            how: techniquesFor(to)[0]!.id,
            coats: to.role === "wax" ? 1 : 2,
          }),
          ...(to.role === "wax"
            ? []
            : buffs.map((buff): Command => ({ do: "remove step", crustId: crust.id, stepId: buff.id }))),
        ],
      },
    ];
  });
  return ways.slice(0, MOST_EACH);
}

/** A simpler finish of like look: without what only touches it. */
function simplerWays(plan: Plan): Way[] {
  const ways = plan.crusts.flatMap((crust) => {
    const shown = new Set(crust.steps.flatMap(({ reveals }) => reveals ?? []));
    return layingIn(plan, crust)
      .filter(({ step }) => (findTechnique(step.how)?.covers ?? 1) * step.where.over <= A_TOUCH && !shown.has(step.id))
      .map(({ step, material }) => ({
        id: `without-${crust.id}-${step.id}`,
        label: `${crust.name}: without the ${(findTechnique(step.how)?.name ?? step.how).toLowerCase()} of ${named(material)}`,
        commands: [{ do: "remove step", crustId: crust.id, stepId: step.id } as const],
      }));
  });
  return ways.slice(0, MOST_EACH);
}

/** Ways worth trying on a plan. */
export const waysFor = (plan: Plan, book: ShelfBook): Way[] =>
  [
    ...productWays(plan, book),
    ...underColourWays(plan),
    ...coatWays(plan),
    ...sealWays(plan),
    ...simplerWays(plan),
  ].slice(0, MOST_WAYS);

/** What the last coat of a zone stands. */
function wearOf({ after }: Judgement["zones"][number]): Wear {
  const [largest] = [...after.patches.field].sort((a, b) => b.share - a.share);
  return largest?.stack?.film.material.wear ?? "display";
}

const weaker = (a: Wear, b: Wear): Wear => (WEAR.indexOf(a) <= WEAR.indexOf(b) ? a : b);

interface Known {
  plan: Plan;
  judgement: Judgement;
  made: Schedule;
  price: number;
  leaves: number | null;
  handsOn: Minutes;
}

function known(plan: Plan, shop: Shop, book: ShelfBook): Known {
  const work = workOf(plan, shop);
  const made = schedule([work]);
  const { sums, minutes } = costOfJob(plan, book, made.bookings);
  return {
    plan,
    judgement: judge(plan),
    made,
    price: sums.price.likely,
    leaves: datesOf(work, made)?.leaves ?? null,
    handsOn: minutes,
  };
}

/** The worst of what its zones stand and the largest difference of their flats, over the zones that changed. */
function compared(before: Judgement, after: Judgement): Pick<TriedWay, "wear" | "look"> {
  let look = 0;
  let wear: { before: Wear; after: Wear } = { before: "hard", after: "hard" };
  for (const own of after.zones) {
    const was = before.zones.find(({ zone }) => zone.id === own.zone.id);
    if (!was || was.crust === own.crust) continue;
    look = Math.max(look, colourDifference(coloursSeen(was.after).field, coloursSeen(own.after).field));
    wear = { before: weaker(wear.before, wearOf(was)), after: weaker(wear.after, wearOf(own)) };
  }
  return { look, wear };
}

/**
 * Ways to much the same piece, tried one by one: a cheaper product, a better under-colour, one coat fewer, another seal, less
 * decoration. Those that a rule would stop, and those that change nothing, are left out; the cheapest first.
 */
export function tryWays(plan: Plan, shop: Shop, book: ShelfBook): TriedWay[] {
  const before = known(plan, shop, book);
  return waysFor(plan, book)
    .flatMap((way): TriedWay[] => {
      const done = applyCommands(plan, way.commands);
      if (!done.ok) return [];
      const after = known(done.plan, shop, book);
      if (after.judgement.counts.stop > before.judgement.counts.stop) return [];
      const leaves = before.leaves === null || after.leaves === null ? null : after.leaves - before.leaves;
      return [
        {
          ...way,
          price: after.price - before.price,
          handsOn: after.handsOn - before.handsOn,
          leaves,
          ...compared(before.judgement, after.judgement),
          cautions: { before: before.judgement.counts.caution, after: after.judgement.counts.caution },
        },
      ];
    })
    .filter(({ price, leaves }) => Math.abs(price) > 0.005 || (leaves ?? 0) !== 0)
    .sort((a, b) => a.price - b.price);
}
