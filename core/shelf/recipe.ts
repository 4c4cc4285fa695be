import { materialsOf } from "../judge/judge.ts";
import type { Family, Material } from "../materials/material.ts";
import { densityOf, isMadeUp, isPowder, LOOSE, powderIn } from "../materials/measures.ts";
import { materialOf } from "../mixing/mixed-material.ts";
import type { Pot } from "../mixing/pot.ts";
import { findZone, type Plan } from "../plan/plan.ts";
import type { Phase } from "../surface/phase.ts";
import { DAY, HOUR, type Millilitres, type Minutes, type SquareMetres } from "../units/units.ts";
import { coatsOf } from "./needs.ts";
import { type CoatOnZone, inTins } from "./usage.ts";

/** A spoon and a scoop as they lie on the bench, in millilitres (common practice). */
export const SPOON: Millilitres = 5;
export const SCOOP: Millilitres = 30;

/** One thing that goes into a mix, measured in every way it can be. */
export interface Ingredient {
  /** null for water, or what thins the mix */
  material: Material | null;
  name: string;
  /** as it is measured out: of a powder, loose in the scoop */
  millilitres: Millilitres;
  grams: number;
  spoons: number;
  scoops: number;
  /** against the smallest part of the mix */
  parts: number;
}

/** A mix for a volume of it, and how it is made. */
export interface Recipe {
  pot: Pot;
  made: Millilitres;
  grams: number;
  ingredients: Ingredient[];
  /** how it is made, in order */
  steps: string[];
  /** how long it can be used once it is mixed; null where it keeps as long as its tins */
  potLife: Minutes | null;
  /** if it is too thick, if it is too thin */
  thicker: string;
  thinner: string;
  /** one coat of this much covers so much */
  covers: SquareMetres;
}

/** How long a mix can be used, by what is in it (milk paint: common practice; the others from memory). */
const POT_LIFE: Partial<Record<Family, Minutes>> = {
  "milk paint": DAY,
  "home-made chalk-type paint": 3 * DAY,
  "wax and paint blend": 2 * DAY,
  "texture paste": 2 * HOUR,
};

/** What powder is stirred in: a millilitre made up as usual holds so much powder, and so much water. */
function measure(material: Material, millilitres: Millilitres): { loose: Millilitres; grams: number; water: number } {
  if (isMadeUp(material)) {
    const grams = millilitres * powderIn(material);
    return { loose: grams / LOOSE, grams, water: millilitres - grams / densityOf(material) };
  }
  const grams = millilitres * (material.role === "crumb" ? LOOSE : densityOf(material));
  return { loose: isPowder(material) ? grams / LOOSE : millilitres, grams, water: 0 };
}

/** What is made at the bench from something else: flat paint, a fine mineral filler, water, in parts by the scoop (common practice). */
const HOME_MADE = { paint: 3, filler: 1, water: 1 } as const;
const isHomeMade = ({ family }: Material) => family === "home-made chalk-type paint";
/** Grams a millilitre of the grains of a filler (from memory of chalk and plaster). */
const FILLER_GRAINS = 2.5;

/** What goes into so much home-made paint, as it is measured out. The air between the grains of the filler goes. */
function homeMade(material: Material, made: Millilitres): Ingredient[] {
  const { paint, filler, water } = HOME_MADE;
  const part = made / (paint + (filler * LOOSE) / FILLER_GRAINS + water);
  return [
    ingredient(
      material,
      `Flat paint, for ${material.name.toLowerCase()}`,
      paint * part,
      paint * part * densityOf(material),
    ),
    ingredient(null, "Fine mineral filler", filler * part, filler * part * LOOSE),
    ingredient(null, "Water", water * part, water * part),
  ];
}

/** What thins a mix: its own kind of solvent. */
function thinnerOf({ carrier }: Material): string {
  if (carrier === "alcohol") return "methylated spirit";
  return carrier === "solvent" ? "its own thinner" : "water";
}

const WATER_DENSITY = 1;
const SOLVENT_DENSITY = 0.8;
const round = (value: number, step: number) => Math.round(value / step) * step;

/** A mix as it is measured out for so many millilitres of it. */
export function recipeFor(pot: Pot, made: Millilitres, materials?: ReadonlyMap<string, Material>): Recipe {
  const mixed = materialOf(pot);
  let water = made;
  const tins = new Map<Material, { loose: number; grams: number }>();
  for (const [material, share] of inTins(pot, materials)) {
    const part = measure(material, share * made);
    const known = tins.get(material) ?? { loose: 0, grams: 0 };
    tins.set(material, { loose: known.loose + part.loose, grams: known.grams + part.grams });
    water -= share * made - part.water;
  }
  const thinner = thinnerOf(mixed);
  const ingredients = [...tins].flatMap(([material, { loose, grams }]) =>
    isHomeMade(material) ? homeMade(material, loose) : [ingredient(material, material.name, loose, grams)],
  );
  const density = thinner === "water" ? WATER_DENSITY : SOLVENT_DENSITY;
  if (water > made * 0.002) ingredients.push(ingredient(null, capital(thinner), water, water * density));
  const measured = together(ingredients);
  const least = Math.min(...measured.map(({ millilitres }) => millilitres));
  const measuredOut = measured.map((ingredient) => ({ ...ingredient, parts: partsOf(ingredient.millilitres / least) }));
  return {
    pot,
    made,
    grams: measuredOut.reduce((sum, { grams }) => sum + grams, 0),
    ingredients: measuredOut,
    steps: stepsFor([...tins.keys()], water > 0 ? thinner : null),
    potLife: potLifeOf(pot),
    ...byThickness(mixed, thinner),
    covers: (made / 1000) * mixed.spreadingRate.typical,
  };
}

/** What goes in twice, water above all, is measured once. */
function together(ingredients: readonly Ingredient[]): Ingredient[] {
  const byName = new Map<string, Ingredient>();
  for (const part of ingredients) {
    const known = byName.get(part.name);
    byName.set(
      part.name,
      known
        ? ingredient(part.material, part.name, known.millilitres + part.millilitres, known.grams + part.grams)
        : part,
    );
  }
  return [...byName.values()];
}

/** Parts that a spoon can measure: halves up to six, whole ones beyond. */
const partsOf = (ratio: number) => (ratio < 6 ? round(ratio, 0.5) || 0.5 : Math.round(ratio));

const ingredient = (material: Material | null, name: string, millilitres: number, grams: number): Ingredient => ({
  material,
  name,
  millilitres,
  grams,
  spoons: millilitres / SPOON,
  scoops: millilitres / SCOOP,
  parts: 1,
});

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** How long a mix can be used, by the part of it that keeps least; what comes ready from one tin keeps as the tin does. */
export function potLifeOf(pot: Pot): Minutes | null {
  const lives = inTins(pot).flatMap(([{ family }]) => POT_LIFE[family] ?? []);
  const mixed = pot.parts.length > 1 ? (POT_LIFE[materialOf(pot).family] ?? []) : [];
  const all = [...lives, ...[mixed].flat()];
  return all.length > 0 ? Math.min(...all) : null;
}

function stepsFor(tins: readonly Material[], thinner: string | null): string[] {
  const powders = tins.filter(isPowder);
  const wet = tins.filter((material) => !isPowder(material));
  const steps: string[] = [];
  if (tins.some(isHomeMade))
    steps.push(
      "Stir the filler into the water to a cream without lumps. Wear a mask: do not breathe the powder.",
      "Stir the cream into the paint a little at a time.",
    );
  if (powders.some(isMadeUp)) {
    steps.push("Put half of the water in the jar, then the powder on it.");
    steps.push("Stir for 3–4 min, then add the rest of the water a little at a time.");
    steps.push("Let it rest for 5–10 min: it thickens.");
    steps.push("Sieve it for a smooth finish, or leave the lumps for a rustic one.");
    if (wet.length > 0) steps.push(`Stir in the ${listed(wet)}.`);
    steps.push("Stir again each time you load the brush.");
    return steps;
  }
  const [first, ...others] = wet;
  if (powders.length > 0 && first) {
    const wets =
      first.carrier === "water" && thinner === "water" ? "a little of the water" : `a spoon of the ${name(first)}`;
    steps.push(`Wet the ${listed(powders)} with ${wets} and work it to a smooth paste.`);
    steps.push(`Stir the paste into the ${listed(wet)}.`);
  } else if (first && others.length > 0) {
    steps.push(
      first.role === "wax"
        ? `Soften the ${name(first)} on a plate, then work the ${listed(others)} into it with a knife.`
        : `Stir the tins first. Put the ${name(first)} in the jar and stir in the ${listed(others)} a little at a time.`,
    );
  } else if (first && !isHomeMade(first)) steps.push("Stir the tin from the bottom, then measure it out.");
  if (thinner) steps.push(`Add the ${thinner} last, a little at a time, stirring.`);
  if (tins.length > 1 && first?.carrier === "water")
    steps.push("Let it stand for a few minutes until the bubbles are gone.");
  if (tins.some(isHomeMade)) steps.push("Sieve it: dry lumps tear streaks.");
  return steps;
}

const name = (material: Material) => material.name.toLowerCase();
const listed = (materials: readonly Material[]) => {
  const names = materials.map(name);
  return names.length < 2 ? names.join("") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;
};

function byThickness(mixed: Material, thinner: string): Pick<Recipe, "thicker" | "thinner"> {
  if (mixed.role === "wax")
    return {
      thicker: "Leave the lid off for an hour.",
      thinner: "Warm it in the hands, or let it down with clear wax.",
    };
  if (mixed.soldAs === "powder" || mixed.binder === "casein")
    return { thicker: "Stir in a spoon of powder, and let it rest again.", thinner: "Add a spoon of water and stir." };
  if (mixed.role === "glaze") return { thicker: "Add medium, not paint.", thinner: `Add a spoon of ${thinner}.` };
  if (mixed.role === "paste")
    return { thicker: "Leave the lid off for a while.", thinner: `Add a few drops of ${thinner}.` };
  return {
    thicker: "Leave the lid off for a while, or stir in a little paste.",
    thinner: `Add a spoon of ${thinner}.`,
  };
}

/** A mix that is wanted on a plan: what for, how much, and in which batches. */
export interface Batch {
  /** the same for the same mix */
  key: string;
  pot: Pot;
  material: Material;
  uses: { zoneId: string; zone: string; stepId: string; phaseId: string; made: Millilitres }[];
  /** what the coats of one session take with what is lost, coat by coat in the order they are laid */
  sessions: Millilitres[];
  potLife: Minutes | null;
}

const keyOf = ({ parts, strength }: Pot) =>
  `${parts.map(({ material, share }) => `${material.id}*${share.toFixed(4)}`).join("+")}@${strength.toFixed(4)}`;

/** Whether something is stirred together or let down before it goes on. */
export const isMixed = (pot: Pot): boolean =>
  pot.parts.length > 1 ||
  pot.strength !== 1 ||
  inTins(pot).some(([material]) => isPowder(material) || isHomeMade(material) || material.recipe !== undefined);

const madeFor = ({ net, phase: { technique } }: CoatOnZone) => net * (1 + technique.loss);

/** The mixes that are stirred for a plan, in the order they are first wanted: each with its uses and what each session takes. */
export function batchesOf(plan: Plan): Batch[] {
  const batches = new Map<string, Batch & { bySession: Map<string, Millilitres> }>();
  for (const coat of coatsOf(plan)) {
    const { pot, step, coat: number, round: turn, id, technique } = coat.phase;
    if (!pot || !isMixed(pot)) continue;
    const key = keyOf(pot);
    const batch = batches.get(key) ?? {
      key,
      pot,
      material: materialOf(pot),
      uses: [],
      sessions: [],
      potLife: potLifeOf(pot),
      bySession: new Map<string, Millilitres>(),
    };
    batches.set(key, batch);
    const made = madeFor(coat);
    batch.uses.push({ zoneId: coat.zone.id, zone: coat.zone.name, stepId: step.id, phaseId: id, made });
    const session = `${step.id} ${number} ${turn}`;
    // what stays in the tools stays there once a session
    const before = batch.bySession.get(session) ?? technique.residue;
    batch.bySession.set(session, before + made);
  }
  return [...batches.values()].map(({ bySession, ...batch }) => ({ ...batch, sessions: [...bySession.values()] }));
}

/** The mix that a phase is laid from, for all it takes on its zone. */
export function recipeForPhase(plan: Plan, zoneId: string, phaseId: Phase["id"]): Recipe | null {
  const coat = coatsOf(plan).find(({ zone, phase }) => zone.id === zoneId && phase.id === phaseId);
  if (!coat?.phase.pot || !findZone(plan, zoneId)) return null;
  return recipeFor(coat.phase.pot, madeFor(coat) + coat.phase.technique.residue, materialsOf(plan));
}
