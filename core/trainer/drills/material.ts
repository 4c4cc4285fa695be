import { colourDifference } from "../../colour/difference.ts";
import { isMetallic, isTranslucent } from "../../colour/material-colour.ts";
import { colourOfMix } from "../../colour/nearest-mix.ts";
import { CATALOGUE } from "../../materials/catalogue.ts";
import type { Material } from "../../materials/material.ts";
import { spokenName } from "../../materials/spoken-name.ts";
import { capital } from "../../rules/words.ts";
import { sayDuration } from "../../units/duration.ts";
import { DAY, HOUR, type Minutes } from "../../units/units.ts";
import { Chance } from "../chance.ts";
import type { Choice, Drill, DrillSource } from "../drill.ts";

const CHOICES = 4;
const plain = { stack: null, colour: null, board: null } as const;

const STAGES = {
  recoat: { asks: "before it takes another coat?", of: ({ drying }: Material) => drying.recoat },
  beforeClear: { asks: "before it is waxed or sealed?", of: ({ drying }: Material) => drying.beforeClear },
  cure: { asks: "before it may be used hard?", of: ({ drying }: Material) => drying.cure },
} as const;
type Stage = keyof typeof STAGES;

/** Times that a painter knows by heart; wrong answers are taken from these. */
const KNOWN: readonly Minutes[] = [
  20,
  40,
  HOUR,
  3 * HOUR,
  6 * HOUR,
  12 * HOUR,
  DAY,
  2 * DAY,
  3 * DAY,
  7 * DAY,
  14 * DAY,
  21 * DAY,
  30 * DAY,
];
/** Two times closer than this cannot be told apart fairly. */
const APART = 1.9;

/** One material of every kind: its times are those of the kind. */
const ONE_OF_EACH = [...new Map(CATALOGUE.map((material) => [material.family, material])).values()];

function howLong(material: Material, stage: Stage, id: string, seed: number): Drill | null {
  const chance = new Chance(seed);
  const { asks, of } = STAGES[stage];
  const figure = of(material);
  const far = (a: Minutes, b: Minutes) => Math.max(a, b) / Math.min(a, b) >= APART;
  const wrong: Minutes[] = [];
  for (const time of chance.shuffled(KNOWN))
    if (wrong.length < CHOICES - 1 && [figure.typical, ...wrong].every((other) => far(time, other))) wrong.push(time);
  if (wrong.length < CHOICES - 1) return null;
  const choices = [figure.typical, ...wrong]
    .sort((a, b) => a - b)
    .map((time): Choice => ({ id: String(time), says: sayDuration(time) }));
  return {
    id,
    kind: "wait",
    family: "Waits and windows",
    seed,
    ...plain,
    parts: [{ asks: `${capital(spokenName(material))} in a warm dry room: how long ${asks}`, is: "choose", choices }],
    right: [[String(figure.typical)]],
    because: `${sayDuration(figure.typical)} at 23 °C and 50 % (${figure.origin}); on the safe side ${sayDuration(figure.safe)}. The tin's own label wins.`,
  };
}

const PAINTS = CATALOGUE.filter(
  (material) => material.family === "chalk-type paint" && !isTranslucent(material) && !isMetallic(material),
);
const RATIOS = [
  [1, 1],
  [2, 1],
  [3, 1],
  [1, 2],
  [1, 3],
] as const;
/** Mixes closer than this are hard to tell apart on a screen. */
const CLEARLY_APART = 7;

function mixOf(a: Material, b: Material, [first, second]: (typeof RATIOS)[number]) {
  const colour = colourOfMix([
    { material: a, parts: first },
    { material: b, parts: second },
  ]);
  return { colour, says: `${first} ${spokenName(a)} : ${second} ${spokenName(b)}` };
}

function mixIt(one: Material, id: string, seed: number): Drill | null {
  const chance = new Chance(seed);
  const two = chance.pick(PAINTS.filter((paint) => paint !== one));
  const target = mixOf(one, two, chance.pick(RATIOS));
  const all = PAINTS.flatMap((first) =>
    PAINTS.filter((second) => second !== first).flatMap((second) => RATIOS.map((ratio) => mixOf(first, second, ratio))),
  );
  const wrong: typeof all = [];
  for (const mix of chance.shuffled(all))
    if (
      wrong.length < CHOICES - 1 &&
      [target, ...wrong].every(({ colour }) => colourDifference(colour, mix.colour) >= CLEARLY_APART)
    )
      wrong.push(mix);
  if (wrong.length < CHOICES - 1) return null;
  const choices = chance
    .shuffled([target, ...wrong])
    .map(({ says }, index): Choice => ({ id: `m${index + 1}`, says: capital(says) }));
  const right = choices.filter(({ says }) => says === capital(target.says)).map((choice) => choice.id);
  return {
    id,
    kind: "mix",
    family: "Mixing",
    seed,
    ...plain,
    colour: target.colour,
    parts: [{ asks: "Which mix gives this colour?", is: "choose", choices }],
    right: [right],
    because: `${capital(target.says)}. The others: ${wrong.map(({ says, colour }) => `${says} gives ${colour}`).join("; ")}.`,
  };
}

/** A wait for every kind of material and stage that has one, and a mix for every paint. */
export const materialDrills = (): DrillSource[] => [
  ...ONE_OF_EACH.flatMap((material) =>
    (Object.keys(STAGES) as Stage[])
      .filter((stage) => STAGES[stage].of(material).typical > 0)
      .map((stage): DrillSource => {
        const id = `wait/${material.family.replace(/[^a-z]+/g, "-")}/${stage}`;
        return { id, kind: "wait", family: "Waits and windows", make: (seed) => howLong(material, stage, id, seed) };
      }),
  ),
  ...PAINTS.map((paint): DrillSource => {
    const id = `mix/${paint.id}`;
    return { id, kind: "mix", family: "Mixing", make: (seed) => mixIt(paint, id, seed) };
  }),
];
