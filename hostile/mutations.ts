import { Random } from "#core/schedule/solve/random";

// Project files as they should not be: valid plans with something wrong in them, and text that is hardly one any
// more. By seed.

type Tree = Record<string, unknown> | unknown[];

const isTree = (value: unknown): value is Tree => typeof value === "object" && value !== null;

/** All places of a tree, as the thing they are in and their key there. */
function placesIn(root: Tree): { holder: Tree; key: string | number }[] {
  const places: { holder: Tree; key: string | number }[] = [];
  const walk = (holder: Tree) => {
    for (const key of Array.isArray(holder) ? holder.keys() : Object.keys(holder)) {
      places.push({ holder, key });
      const value = get(holder, key);
      if (isTree(value)) walk(value);
    }
  };
  walk(root);
  return places;
}

const get = (holder: Tree, key: string | number): unknown => (holder as Record<string | number, unknown>)[key];
const put = (holder: Tree, key: string | number, value: unknown) => {
  (holder as Record<string | number, unknown>)[key] = value;
};

/** Text at a place; whatever is there may not even convert to text. */
const textAt = (holder: Tree, key: string | number): string => {
  const value = get(holder, key);
  return typeof value === "string" ? value : "";
};

/** Values that are wrong in most places, and odd in all. */
const ODD: readonly unknown[] = [
  null,
  true,
  "",
  " ",
  "\u0000",
  "name\u202egnp.exe",
  "\ud800",
  "x".repeat(5000),
  "__proto__",
  "2026-02-30T09:00",
  "9999-12-31T23:59",
  "1000-01-01T00:00",
  "2026-11-30T09:00",
  "<script>alert(1)</script>",
  "' OR 1=1 --",
  0,
  -1,
  0.5,
  1e-300,
  1e308,
  2 ** 53,
  -0,
  {},
  [],
  [[[[[[[[]]]]]]]],
  { toString: "no" },
];

type Mutation = (root: Tree, random: Random) => void;

const somewhere = (root: Tree, random: Random) => {
  const places = placesIn(root);
  return places[random.below(places.length)]!;
};

const MUTATIONS: readonly Mutation[] = [
  (root, random) => {
    const { holder, key } = somewhere(root, random);
    put(holder, key, structuredClone(ODD[random.below(ODD.length)]));
  },
  (root, random) => {
    const { holder, key } = somewhere(root, random);
    if (Array.isArray(holder)) holder.splice(Number(key), 1);
    else delete holder[key];
  },
  (root, random) => {
    const one = somewhere(root, random);
    const two = somewhere(root, random);
    put(one.holder, one.key, structuredClone(get(two.holder, two.key)));
  },
  (root, random) => {
    const lists = placesIn(root).filter(({ holder, key }) => Array.isArray(get(holder, key)));
    const { holder, key } = lists[random.below(lists.length)]!;
    const list = get(holder, key) as unknown[];
    const times = [2, 3, 90][random.below(3)]!;
    put(
      holder,
      key,
      Array.from({ length: times }, () => structuredClone(list))
        .flat()
        .slice(0, 500),
    );
  },
  (root, random) => {
    const numbers = placesIn(root).filter(({ holder, key }) => typeof get(holder, key) === "number");
    const { holder, key } = numbers[random.below(numbers.length)]!;
    const by = [0, -1, 0.5, 2, 10, 1000, 1e6][random.below(7)]!;
    put(holder, key, Number(get(holder, key)) * by);
  },
  (root, random) => {
    const { holder } = somewhere(root, random);
    if (!Array.isArray(holder)) put(holder, ["colour", "constructor", "id", "note", "x"][random.below(5)]!, "odd");
  },
  (root, random) => {
    const texts = placesIn(root).filter(
      ({ holder, key }) => /id$/i.test(String(key)) && typeof get(holder, key) === "string",
    );
    if (texts.length === 0) return;
    const one = texts[random.below(texts.length)]!;
    const two = texts[random.below(texts.length)]!;
    put(one.holder, one.key, get(two.holder, two.key));
  },
  (root, random) => {
    const dates = placesIn(root).filter(({ holder, key }) => /^\d{4}-/.test(textAt(holder, key)));
    if (dates.length === 0) return;
    const { holder, key } = dates[random.below(dates.length)]!;
    const year = ["2026", "2027", "2099", "2000", "0001", "1969"][random.below(6)]!;
    put(holder, key, textAt(holder, key).replace(/^\d{4}/, year));
  },
];

const TEXTS: readonly ((text: string, random: Random) => string)[] = [
  (text, random) => text.slice(0, random.below(text.length)),
  (text, random) => {
    const at = random.below(text.length);
    return text.slice(0, at) + String.fromCharCode(random.below(0xd800)) + text.slice(at + 1);
  },
  (text, random) => {
    const at = random.below(text.length);
    return text.slice(0, at) + "[".repeat(20_000) + text.slice(at);
  },
  (text) => `\ufeff${text}`,
  (text) => text.replaceAll('"', "'"),
  (text) => text + text,
  (text) => text.replace(/"width": \d+/, '"width": 1e999'),
  (text) => text.replace('"id":', '"__proto__": {"polluted": true}, "id":'),
  (text) => text.replace(/"coats": \d+/, '"coats": 00012'),
];

/** One mutated file: one to four things wrong with the plan, now and then with its text. */
export function mutated(bases: readonly string[], seed: number): string {
  const random = new Random(seed);
  const base = bases[random.below(bases.length)]!;
  if (random.below(8) === 0) return TEXTS[random.below(TEXTS.length)]!(base, random);
  const root = JSON.parse(base) as Tree;
  for (let count = 1 + random.below(4); count > 0; count--) MUTATIONS[random.below(MUTATIONS.length)]!(root, random);
  return JSON.stringify(root);
}
