import { z } from "zod";
import { FAMILIES, type Family } from "../materials/material.ts";
import { CONSUMABLE_IDS, CONSUMABLES, type ConsumableId } from "../quantity/consumables.ts";
import { plainLine, plainName, plainText } from "../units/plain-text.ts";
import { DAY, type Minutes } from "../units/units.ts";

// What the shop knows of the things it buys, and how it works out a price. What stands on the shelf is not here: that is a list of
// movements (stock.ts).

export const SHELF_LIMITS = { suppliers: 40, goods: 600, packs: 12, movements: 20_000 } as const;

export const GoodId = z.string().regex(/^[a-z0-9:-]{1,60}$/, "an id is small letters, digits, hyphen and colon");

const SUPPLY = "supply:";

/** What a good is called that is no material: rags, paper, brushes. */
export const supplyId = (id: ConsumableId): string => `${SUPPLY}${id}`;

/** The consumable that a good is; null where it is a material. */
export function consumableOf(goodId: string): ConsumableId | null {
  const id = goodId.startsWith(SUPPLY) ? goodId.slice(SUPPLY.length) : null;
  return CONSUMABLE_IDS.find((consumableId) => consumableId === id) ?? null;
}

/** The number and name of one of a consumable: "3 rags", "1 metre". */
export const sayConsumables = (id: ConsumableId, count: number): string =>
  `${count} ${count === 1 ? CONSUMABLES[id].one : CONSUMABLES[id].many}`;

export const Supplier = z.strictObject({
  id: GoodId,
  name: plainName(60),
  note: plainLine(120).optional(),
});
export type Supplier = z.infer<typeof Supplier>;

const MOST_PRICE = 100_000;
const MOST_HELD = 1_000_000;
export const Price = z
  .number("write the price as a number, like 12.50")
  .min(0, "a price cannot be negative")
  .max(MOST_PRICE, `a pack costs ${MOST_PRICE} at most`);

export const GoodPack = z.strictObject({
  id: GoodId,
  supplierId: GoodId,
  holds: z
    .number("write what the pack holds as a number, like 750")
    .gt(0, "a pack holds more than nothing")
    .max(MOST_HELD, `a pack holds ${MOST_HELD} at most`)
    .describe("in the unit of the good: ml, g, sheets or pieces"),
  price: Price.nullable(),
});
export type GoodPack = z.infer<typeof GoodPack>;

/** Something that is bought: a material by its id, or a consumable. */
export const Good = z.strictObject({
  id: GoodId,
  packs: z.array(GoodPack).max(SHELF_LIMITS.packs, `${SHELF_LIMITS.packs} packs of a material at most`).default([]),
  keepsOpenedDays: z
    .int("a whole number of days")
    .min(1, "a day at least")
    .max(7300, "20 years at most")
    .optional()
    .describe("once opened, from the tin's label; by kind if left out"),
});
export type Good = z.infer<typeof Good>;

export const MEASURES = ["metric", "US customary"] as const;
export type Measures = (typeof MEASURES)[number];
/** How numbers are written: decimal mark and what groups thousands. */
export const NUMBER_FORMATS = ["1,234.50", "1.234,50", "1 234,50", "1'234.50"] as const;
export type NumberFormat = (typeof NUMBER_FORMATS)[number];

const percent = (most: number) =>
  z.number("write it as a number, like 15").min(0, "it cannot be negative").max(most, `${most} % at most`);

/** How the shop works out a price, and what it promises with it. */
export const Costing = z.strictObject({
  hourly: Price.default(0).describe("for an hour at the piece"),
  overhead: percent(500).default(15).describe("per cent on materials and work: rent, heat, tools"),
  margin: percent(500).default(20).describe("per cent on everything"),
  tax: percent(100).default(0).describe("per cent that is added for the client; 0 for none"),
  materialsBy: z.enum(["packs", "use"]).default("use").describe("charge whole packs, or what is used of them"),
  touchUp: z.number().min(0).max(500).default(15).describe("millilitres of each colour put aside for mending"),
  currency: plainLine(8).default("").describe("a sign or a code before or after the number; none if empty"),
  terms: plainText(2000).default("").describe("the shop's own terms, on the client's page of a quote"),
  validDays: z.int().min(1).max(365).default(30),
});
export type Costing = z.infer<typeof Costing>;

export const ShelfBook = z
  .strictObject({
    suppliers: z.array(Supplier).max(SHELF_LIMITS.suppliers, `${SHELF_LIMITS.suppliers} suppliers at most`).default([]),
    goods: z.array(Good).max(SHELF_LIMITS.goods, `${SHELF_LIMITS.goods} materials and consumables at most`).default([]),
    costing: Costing.default(Costing.parse({})),
    measures: z.enum(MEASURES).default("metric"),
    numbers: z.enum(NUMBER_FORMATS).default("1,234.50"),
  })
  .superRefine(({ suppliers, goods }, context) => {
    const known = new Set(suppliers.map(({ id }) => id));
    const seen = new Set<string>();
    goods.forEach(({ id, packs }, index) => {
      if (seen.has(id))
        context.addIssue({ code: "custom", path: ["goods", index, "id"], message: `"${id}" is listed twice` });
      seen.add(id);
      packs.forEach(({ supplierId }, pack) => {
        if (!known.has(supplierId))
          context.addIssue({
            code: "custom",
            path: ["goods", index, "packs", pack, "supplierId"],
            message: `there is no supplier "${supplierId}"`,
          });
      });
    });
    if (known.size < suppliers.length)
      context.addIssue({ code: "custom", path: ["suppliers"], message: "two suppliers have the same id" });
  });
export type ShelfBook = z.infer<typeof ShelfBook>;

export const EMPTY_BOOK: ShelfBook = ShelfBook.parse({});

export const goodIn = ({ goods }: ShelfBook, id: string): Good | undefined => goods.find((good) => good.id === id);

/** How long an opened tin is good for, by kind, in days (from memory; the tin's label wins). */
const OPENED_DAYS: Partial<Record<Family, number>> = {
  "milk paint": 365,
  "home-made chalk-type paint": 14,
  "chalk-type paint": 365,
  "clay-type paint": 365,
  "acrylic mineral paint": 730,
  "pigment powder": 7300,
  "texture crumb": 7300,
  "metal leaf": 3650,
  "printed tissue": 3650,
  "rub-on transfer": 730,
  "clear wax": 1825,
  "tinted wax": 1825,
  "gilding wax": 1095,
  "drying oil": 365,
  "solvent polyurethane": 365,
  "shellac sealer": 365,
  "stain-block primer, shellac": 365,
  "patina spray": 180,
  "wax and paint blend": 180,
};
const USUAL_DAYS = 540;

/** How long an opened tin of a family is good for. */
export const keepsOpened = (family: Family | null, good: Good | undefined): Minutes =>
  (good?.keepsOpenedDays ?? (family === null ? 7300 : (OPENED_DAYS[family] ?? USUAL_DAYS))) * DAY;

/** Every family the table of keeping knows is one there is. */
export const keepingIsKnown = (): boolean =>
  Object.keys(OPENED_DAYS).every((text) => FAMILIES.includes(text as Family));
