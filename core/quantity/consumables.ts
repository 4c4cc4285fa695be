import type { SquareMetres } from "../units/units.ts";

/** What is used up at the bench and lies on no piece. */
export interface Consumable {
  name: string;
  /** what one of it is called, and several */
  one: string;
  many: string;
  /** square metres that one goes over before it is worn; null where one is used up at once */
  lasts: SquareMetres | null;
  /** cleaned and used again: it is bought once, and what a job takes from it is wear */
  keeps: boolean;
  /** a separate one for every colour */
  forEachColour: boolean;
}

type Row = Partial<Consumable> & Pick<Consumable, "name" | "one">;

const consumable = (row: Row): Consumable => ({
  many: `${row.one}s`,
  lasts: null,
  keeps: false,
  forEachColour: false,
  ...row,
});

/** Areas that tools and cloths last for are from memory; the painter's own counts on the shelf overrule them. */
const TABLE = {
  "dry-rag": consumable({ name: "Rags, dry and lint-free", one: "rag", lasts: 1 }),
  "damp-rag": consumable({ name: "Rags, damp", one: "rag", lasts: 2 }),
  "solvent-rag": consumable({ name: "Rags, for solvent", one: "rag", lasts: 0.5 }),
  "tack-cloth": consumable({ name: "Tack cloth", one: "cloth", lasts: 5 }),
  "paper-150": consumable({ name: "Abrasive paper, 150", one: "sheet", lasts: 1 }),
  "paper-220": consumable({ name: "Abrasive paper, 220", one: "sheet", lasts: 1.2 }),
  "paper-320": consumable({ name: "Abrasive paper, 320", one: "sheet", lasts: 1.5 }),
  "paper-600": consumable({ name: "Wet-and-dry paper, 600", one: "sheet", lasts: 1.5 }),
  "sanding-disc": consumable({ name: "Sanding discs, fine", one: "disc", lasts: 0.8 }),
  "steel-wool": consumable({ name: "Steel wool, finest", one: "pad", lasts: 0.8 }),
  "fine-foam": consumable({ name: "Melamine foam", one: "block", lasts: 0.5 }),
  "brown-paper": consumable({ name: "Brown paper, for burnishing", one: "sheet", lasts: 1 }),
  tape: consumable({ name: "Masking tape", one: "metre" }),
  gloves: consumable({ name: "Gloves", one: "pair" }),
  "paint-brush": consumable({
    name: "Paint brush",
    one: "brush",
    many: "brushes",
    lasts: 25,
    keeps: true,
    forEachColour: true,
  }),
  "wax-brush": consumable({ name: "Wax brush, clear wax only", one: "brush", many: "brushes", lasts: 40, keeps: true }),
  "dark-wax-brush": consumable({
    name: "Wax brush, dark wax only",
    one: "brush",
    many: "brushes",
    lasts: 40,
    keeps: true,
  }),
  "stiff-brush": consumable({
    name: "Stiff brush, for stippling and stencils",
    one: "brush",
    many: "brushes",
    lasts: 15,
    keeps: true,
  }),
  "soft-brush": consumable({
    name: "Soft brush, for softening and leaf",
    one: "brush",
    many: "brushes",
    lasts: 60,
    keeps: true,
  }),
  roller: consumable({ name: "Foam roller sleeve", one: "sleeve", lasts: 6, forEachColour: true }),
  sponge: consumable({ name: "Sponge or pad", one: "sponge", lasts: 10, keeps: true }),
} as const satisfies Record<string, Consumable>;

export type ConsumableId = keyof typeof TABLE;
export const CONSUMABLES: Readonly<Record<ConsumableId, Consumable>> = TABLE;
export const CONSUMABLE_IDS = Object.keys(TABLE) as ConsumableId[];

export const isConsumable = (id: string): id is ConsumableId => Object.hasOwn(TABLE, id);
