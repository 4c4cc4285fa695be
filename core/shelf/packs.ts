/** A pack as one supplier sells it. */
export interface Pack {
  id: string;
  /** what it holds, in the unit of what is bought */
  holds: number;
  /** in the shop's currency; null where it is not known */
  price: number | null;
}

export interface Basket {
  /** packs to buy, the largest first */
  packs: { pack: Pack; count: number }[];
  holds: number;
  /** null where a pack has no price */
  price: number | null;
  /** what is left over when the need is used up */
  over: number;
}

/** Needs beyond so many steps are bought in the cheapest pack first, and the rest exactly. */
const MOST_STEPS = 20_000;
/** Hundredths of a currency: prices are compared as whole numbers. */
const CENTS = 100;

/** A pack that another of the same size undercuts is never bought. */
function worthBuying(packs: readonly Pack[]): Pack[] {
  const best = new Map<number, Pack>();
  for (const pack of packs) {
    const other = best.get(pack.holds);
    if (!other || priceOf(pack) < priceOf(other)) best.set(pack.holds, pack);
  }
  return [...best.values()].sort((a, b) => b.holds - a.holds);
}

/** Packs without a price are compared by what they hold: so little is left over, in few packs. */
const priceOf = ({ price, holds }: Pack) => (price === null ? holds * CENTS : Math.round(price * CENTS));

const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b));

/** What is better: cheaper, then less left over, then fewer packs. */
interface Best {
  price: number;
  holds: number;
  packs: number;
  /** the pack bought last, by its place; −1 for none */
  last: number;
}

const isBetter = (a: Best, b: Best | undefined): boolean =>
  b === undefined ||
  a.price < b.price ||
  (a.price === b.price && (a.holds < b.holds || (a.holds === b.holds && a.packs < b.packs)));

/**
 * The cheapest packs that together hold at least so much; of equally cheap ones those that leave the least, then the fewest.
 * Exact, by dynamic programming over what is still missing, in steps of the greatest common measure of the packs. Null where
 * there is no pack.
 *
 * @param need in the unit of the packs; nothing is bought for nothing
 */
export function cheapestPacks(need: number, packs: readonly Pack[]): Basket | null {
  const choices = worthBuying(packs.filter(({ holds }) => holds > 0));
  if (choices.length === 0) return null;
  if (need <= 1e-9) return basketOf(new Map(), 0);
  // tenths are measured, hundredths of a millilitre are not
  const tenths = choices.map(({ holds }) => Math.max(1, Math.round(holds * 10)));
  const step = tenths.reduce(greatestDivisor);
  const sizes = tenths.map((size) => size / step);
  let missing = Math.ceil((need * 10) / step - 1e-6);
  const bought = new Map<Pack, number>();
  const [cheap, size] = cheapestByContent(choices, sizes);
  const ahead = Math.max(...sizes) * Math.max(...sizes);
  if (missing > MOST_STEPS && missing > ahead) {
    // beyond the square of the largest pack the cheapest by content is always among those bought
    const times = Math.floor((missing - Math.max(ahead, MOST_STEPS)) / size);
    if (times > 0) {
      bought.set(cheap, times);
      missing -= times * size;
    }
  }
  for (const [pack, count] of exactly(missing, choices, sizes)) bought.set(pack, (bought.get(pack) ?? 0) + count);
  return basketOf(bought, need);
}

function cheapestByContent(choices: readonly Pack[], sizes: readonly number[]): [Pack, number] {
  let at = 0;
  for (let other = 1; other < choices.length; other++)
    if (priceOf(choices[other]!) * sizes[at]! < priceOf(choices[at]!) * sizes[other]!) at = other;
  return [choices[at]!, sizes[at]!];
}

function exactly(missing: number, choices: readonly Pack[], sizes: readonly number[]): Map<Pack, number> {
  const best: Best[] = [{ price: 0, holds: 0, packs: 0, last: -1 }];
  for (let steps = 1; steps <= missing; steps++) {
    let found: Best | undefined;
    choices.forEach((pack, last) => {
      const before = best[Math.max(0, steps - sizes[last]!)]!;
      const one = {
        price: before.price + priceOf(pack),
        holds: before.holds + sizes[last]!,
        packs: before.packs + 1,
        last,
      };
      if (isBetter(one, found)) found = one;
    });
    best.push(found!);
  }
  const counts = new Map<Pack, number>();
  for (let steps = missing; steps > 0; ) {
    const { last } = best[steps]!;
    counts.set(choices[last]!, (counts.get(choices[last]!) ?? 0) + 1);
    steps = Math.max(0, steps - sizes[last]!);
  }
  return counts;
}

function basketOf(bought: ReadonlyMap<Pack, number>, need: number): Basket {
  const packs = [...bought].map(([pack, count]) => ({ pack, count }));
  packs.sort((a, b) => b.pack.holds - a.pack.holds);
  const holds = packs.reduce((sum, { pack, count }) => sum + pack.holds * count, 0);
  const price = packs.reduce<number | null>(
    (sum, { pack, count }) => (sum === null || pack.price === null ? null : sum + pack.price * count),
    0,
  );
  return { packs, holds, price: price === null ? null : Math.round(price * CENTS) / CENTS, over: holds - need };
}
