import { lightMix } from "../colour/material-colour.ts";
import { type Binder, HAZARDS, type Material, type ShareFigure, type TimeFigure } from "../materials/material.ts";
import type { Share } from "../units/units.ts";
import { mixName } from "./mix-name.ts";
import type { Pot } from "./pot.ts";

// A mix is a material like any other, worked out from its tins: rules, board, schedule and amounts know nothing of pots.
// Times and handling go by wet volume, what the dry film is like by what is left of each tin when dry. All of it is a model from
// memory, but for the rules of thumb of the trade named beside them.

/** One tin of a pot, with its share of the wet mix and of the dry film. */
interface Tin {
  material: Material;
  wet: Share;
  dry: Share;
}

function tinsOf({ parts }: Pot): Tin[] {
  const solids = parts.map(({ material, share }) => share * material.volumeSolids.typical);
  const whole = solids.reduce((sum, solid) => sum + solid, 0);
  return parts.map(({ material, share }, index) => ({
    material,
    wet: share,
    dry: whole > 0 ? solids[index]! / whole : share,
  }));
}

const sumOf = (tins: readonly Tin[], of: (tin: Tin) => number) => tins.reduce((sum, tin) => sum + of(tin), 0);
const most = (tins: readonly Tin[], of: (tin: Tin) => number): Material =>
  tins.reduce((best, tin) => (of(tin) > of(best) ? tin : best)).material;

const rounded = (value: number) => Math.round(value * 1000) / 1000;

/** A figure as the mean of the tins' by their shares. */
function mean(tins: readonly Tin[], share: (tin: Tin) => number, of: (material: Material) => ShareFigure | TimeFigure) {
  const whole = sumOf(tins, share);
  const at = (key: "typical" | "safe") =>
    rounded(sumOf(tins, (tin) => share(tin) * of(tin.material)[key]) / (whole > 0 ? whole : 1));
  return { typical: at("typical"), safe: at("safe"), origin: "from memory" as const };
}

/** A time in whole minutes, as all times are. */
function meanTime(tins: readonly Tin[], of: (material: Material) => { typical: number; safe: number }): TimeFigure {
  const { typical, safe } = mean(tins, drying, (material) => ({ ...of(material), origin: "from memory" }));
  return { typical: Math.round(typical), safe: Math.max(Math.round(typical), Math.ceil(safe)), origin: "from memory" };
}

const wet = (tin: Tin) => tin.wet;
const dry = (tin: Tin) => tin.dry;
/** Powder has no drying of its own: it takes that of what it is stirred into. */
const drying = ({ material, wet: share }: Tin) => (material.role === "pigment" ? 0 : share);

/** How much of what binds a dry mix is wax. */
const WAX_IN_BLEND: Share = 0.5;
export const waxShare = (material: Material): Share =>
  material.binder === "wax" ? 1 : material.binder === "wax and acrylic" ? WAX_IN_BLEND : 0;

/** From so much wax a film takes no film over it, and from so much it is a wax (from memory; three parts of paint to one of wax is a blend: common practice). */
const WAXY: Share = 0.1;
const ALL_WAX: Share = 0.75;
/** Wax takes the grip from a film faster than its share (from memory). */
const WAX_SPOILS_TOOTH = 2;
/** What a tin of less than this share brings in counts for little. */
const COUNTS: Share = 0.2;

function binderOf(tins: readonly Tin[], wax: Share): Binder {
  if (wax >= ALL_WAX) return "wax";
  if (wax >= WAXY) return "wax and acrylic";
  return most(
    tins.filter(({ material }) => material.role !== "pigment"),
    dry,
  ).binder;
}

/** What kind of material the mix is: pigment and a dash of another leave it what it was. */
function kindOf(tins: readonly Tin[], binder: Binder): Pick<Material, "role" | "family"> {
  const main = most(
    tins.filter(({ material }) => material.role !== "pigment"),
    wet,
  );
  const tinted = sumOf(tins, (tin) => (tin.material === main ? 0 : tin.wet)) > 0 && tins.length > 1;
  const mostly = (role: Material["role"]) => sumOf(tins, (tin) => (tin.material.role === role ? tin.wet : 0));
  if (binder === "wax" && tinted)
    return { role: "wax", family: main.family === "clear wax" ? "tinted wax" : main.family };
  if (binder === "wax and acrylic" && main.binder !== "wax and acrylic")
    return { role: "glaze", family: "wax and paint blend" };
  if (main.role === "paste" || mostly("paste") >= 0.4) return { role: "paste", family: "texture paste" };
  // a glaze is more medium than paint (common practice)
  if (tinted && mostly("glaze") > 0.5)
    return { role: "glaze", family: main.family === "clear glaze medium" ? "tinted glaze" : main.family };
  return { role: main.role, family: main.family };
}

/** A workable time, where a tin brings one in; what has none dries at its touch time. */
function openOf(tins: readonly Tin[]): TimeFigure | undefined {
  if (!tins.some(({ material, wet: share }) => material.windows.open && share >= COUNTS)) return undefined;
  return meanTime(
    tins,
    ({ windows, drying: { touch } }) => windows.open ?? { typical: touch.typical / 3, safe: touch.safe / 3 },
  );
}

/** Of a window, the one that the largest tin brings in. */
function windowOf<Key extends "recoatUntil" | "closed" | "tack" | "buff">(
  tins: readonly Tin[],
  key: Key,
  least: Share,
) {
  const own = tins.filter(({ material, wet: share }) => material.windows[key] && share >= least);
  return own.length > 0 ? most(own, wet).windows[key] : undefined;
}

/** The mix dissolves as easily as the softer of its parts, where there is enough of it (common practice). */
const ENOUGH_TO_DISSOLVE: Share = 0.3;

function solubilityOf(tins: readonly Tin[]): Material["solubility"] {
  const soluble = tins.filter(({ material }) => material.solubility !== null && material.role !== "pigment");
  if (soluble.length === 0) return null;
  const by = most(soluble, dry).solubility!.by;
  const alike = soluble.filter(({ material }) => material.solubility!.by === by);
  const ages = [...new Set(alike.flatMap(({ material }) => material.solubility!.curve.map(([age]) => age)))]
    .sort((a, b) => a - b)
    .slice(0, 12);
  const curve = ages.map((age): [number, number] => [
    age,
    rounded(
      Math.max(
        ...alike.map(
          ({ material, dry: share }) =>
            Math.min(1, share / ENOUGH_TO_DISSOLVE) * onCurve(material.solubility!.curve, age),
        ),
      ),
    ),
  ]);
  return { by, curve, origin: "from memory" };
}

/** A curve read between its points. */
function onCurve(curve: readonly (readonly [number, number])[], age: number): number {
  const after = curve.findIndex(([at]) => at >= age);
  if (after < 0) return curve.at(-1)![1];
  if (after === 0) return curve[0]![1];
  const [from, low] = curve[after - 1]!;
  const [to, high] = curve[after]!;
  return to === from ? high : low + ((high - low) * (age - from)) / (to - from);
}

const UNDER_HEAT = ["stands", "marks", "softens"] as const;
const WEAR = ["display", "gentle", "daily", "hard"] as const;
const worst = <Word>(order: readonly Word[], words: readonly Word[]) =>
  order[Math.max(...words.map((word) => order.indexOf(word)))]!;

function stirred(pot: Pot): Material {
  const tins = tinsOf(pot);
  const own = tins[0]!.material;
  const counting = tins.filter((tin) => tin.dry >= COUNTS).map(({ material }) => material);
  const wax = sumOf(tins, (tin) => tin.dry * waxShare(tin.material));
  const binder = binderOf(tins, wax);
  const liquids = tins.filter(({ material }) => material.carrier !== "none");
  const solids = sumOf(tins, (tin) => tin.wet * tin.material.volumeSolids.typical) * pot.strength;
  // what the film is as thick as when wet is as the tins go on; powder takes the place of what it is stirred into
  const rate = mean(tins, drying, ({ spreadingRate }) => spreadingRate);
  const light = lightMix(pot.parts, (10 * solids) / rate.typical);
  const tooth = mean(tins, dry, (material) => material.tooth);
  const slick = Math.max(0, 1 - WAX_SPOILS_TOOTH * wax);
  return {
    ...own,
    id: `mix-${pot.parts.map(({ material, share }) => `${material.id}-${Math.round(share * 100)}`).join("-")}-${Math.round(pot.strength * 100)}`.slice(
      0,
      60,
    ),
    name: mixName(pot),
    ...kindOf(tins, binder),
    carrier: liquids.length > 0 ? most(liquids, wet).carrier : "none",
    binder,
    ...light,
    drying: {
      touch: meanTime(tins, (material) => material.drying.touch),
      recoat: meanTime(tins, (material) => material.drying.recoat),
      beforeClear: meanTime(tins, (material) => material.drying.beforeClear),
      cure: meanTime(tins, (material) => material.drying.cure),
    },
    windows: {
      recoatUntil: windowOf(tins, "recoatUntil", 0.5),
      closed: windowOf(tins, "closed", 0.5),
      open: openOf(tins),
      tack: windowOf(tins, "tack", 0.8),
      buff: windowOf(tins, "buff", COUNTS),
    },
    solubility: solubilityOf(tins),
    absorbency: mean(tins, dry, (material) => material.absorbency),
    tooth: { ...tooth, typical: rounded(tooth.typical * slick), safe: rounded(tooth.safe * slick) },
    grip: mean(tins, dry, (material) => material.grip),
    hardness: mean(tins, dry, (material) => material.hardness),
    gloss: mean(tins, dry, (material) => material.gloss),
    brittle: sumOf(tins, (tin) => (tin.material.brittle ? tin.dry : 0)) > 0.5,
    yellows: counting.some(({ yellows }) => yellows),
    tarnishes: counting.some(({ tarnishes }) => tarnishes),
    reacts: sumOf(tins, (tin) => (tin.material.reacts ? tin.dry : 0)) > 0.5,
    underHeat: worst(
      UNDER_HEAT,
      counting.map(({ underHeat }) => underHeat),
    ),
    outdoors: counting.every(({ outdoors }) => outdoors),
    soldAs: own.soldAs === "aerosol" ? "aerosol" : "litres",
    spreadingRate: rate,
    volumeSolids: {
      typical: Math.min(100, rounded(solids)),
      safe: Math.min(100, rounded(solids)),
      origin: "from memory",
    },
    tannin: sumOf(tins, (tin) => (tin.material.tannin === "blocks" ? tin.dry : 0)) > 0.8 ? "blocks" : "passes",
    wear: worst(
      [...WEAR].reverse(),
      counting.map(({ wear }) => wear),
    ),
    hazards: HAZARDS.filter((hazard) => tins.some(({ material }) => material.hazards.includes(hazard))),
  };
}

/** Thinned or thickened, it is the same material with less or more of itself in a coat. */
function thinned(material: Material, strength: number): Material {
  const solids = Math.min(100, rounded(material.volumeSolids.typical * strength));
  const dryFilm = (10 * solids) / material.spreadingRate.typical;
  return {
    ...material,
    ...lightMix([{ material, share: 1 }], dryFilm),
    volumeSolids: { ...material.volumeSolids, typical: solids, safe: solids },
  };
}

const made = new WeakMap<Material, Map<string, { pot: Pot; material: Material }[]>>();
const behind = new WeakMap<Material, Pot>();

/** The pot that a material was stirred in; undefined for one that comes from its own tin. */
export const potBehind = (material: Material): Pot | undefined => behind.get(material);

const samePot = (a: Pot, b: Pot) =>
  a.strength === b.strength &&
  a.parts.length === b.parts.length &&
  a.parts.every(
    ({ material, share }, index) => material === b.parts[index]!.material && share === b.parts[index]!.share,
  );

/**
 * What is in a pot as one material: colour, carrier, binder, solids, thickness, drying, windows and solubility by its parts. The
 * same object for the same pot.
 */
export function materialOf(pot: Pot): Material {
  const own = pot.parts[0]!.material;
  if (pot.parts.length === 1 && pot.strength === 1) return own;
  const key = `${pot.parts.length} ${pot.strength}`;
  const ofOwn = made.get(own) ?? new Map<string, { pot: Pot; material: Material }[]>();
  made.set(own, ofOwn);
  const alike = ofOwn.get(key) ?? [];
  ofOwn.set(key, alike);
  const known = alike.find((one) => samePot(one.pot, pot));
  if (known) return known.material;
  const material = pot.parts.length === 1 ? thinned(own, pot.strength) : stirred(pot);
  alike.push({ pot, material });
  behind.set(material, pot);
  return material;
}
