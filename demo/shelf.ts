import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import { CONSUMABLE_IDS, type ConsumableId } from "#core/quantity/consumables";
import { type GoodPack, ShelfBook, supplyId } from "#core/shelf/book";
import type { Movement } from "#core/shelf/stock";
import { unitOf } from "#core/shelf/usage";

// The shelf of Hobnail Yard: three suppliers, what they sell in which packs, and what stands in the loft. Prices are in no currency.

const HARBOUR = "harbour-road";
const MILL = "mill-store";
const CORNER = "gilding-corner";

type Packs = readonly (readonly [supplierId: string, holds: number, price: number])[];

const PAINT: Packs = [
  [HARBOUR, 120, 7.5],
  [HARBOUR, 500, 19.5],
  [MILL, 1000, 34],
];
const POWDER: Packs = [
  [HARBOUR, 90, 9],
  [HARBOUR, 500, 32],
];
const CLEAR: Packs = [
  [MILL, 250, 11],
  [MILL, 1000, 33],
];
const MEDIUM: Packs = [
  [HARBOUR, 120, 8],
  [MILL, 500, 21],
];
const WAX: Packs = [
  [HARBOUR, 200, 12],
  [MILL, 500, 24],
];

const BY_ROLE: Record<Material["role"], Packs> = {
  primer: [
    [HARBOUR, 250, 10],
    [MILL, 1000, 29],
  ],
  paint: PAINT,
  "tint-base": [
    [MILL, 250, 13],
    [MILL, 1000, 38],
  ],
  stain: [[MILL, 250, 9.5]],
  medium: MEDIUM,
  paste: [
    [HARBOUR, 300, 9],
    [MILL, 1000, 22],
  ],
  crumb: [[HARBOUR, 250, 6]],
  glaze: MEDIUM,
  size: [[CORNER, 100, 12]],
  leaf: [
    [CORNER, 25, 9],
    [CORNER, 100, 31],
  ],
  tissue: [[HARBOUR, 2, 7]],
  transfer: [[HARBOUR, 1, 14]],
  ink: [[HARBOUR, 50, 8]],
  pigment: [[MILL, 100, 6]],
  patina: [[CORNER, 100, 15]],
  wax: WAX,
  oil: [
    [MILL, 250, 10],
    [MILL, 1000, 28],
  ],
  clear: CLEAR,
};

/** What is dearer, or sold otherwise than its kind. */
const OWN: Readonly<Record<string, Packs>> = {
  "leaf-genuine-gold": [[CORNER, 25, 68]],
  "wax-gilding": [[CORNER, 30, 11]],
  "wax-metallic-bronze": [[CORNER, 50, 10]],
  "aerosol-iron-black": [[MILL, 400, 9]],
  "aerosol-clear-matt": [[MILL, 400, 10]],
  "craft-glue": [[HARBOUR, 250, 4]],
};

const packsFor = (material: Material): Packs =>
  OWN[material.id] ?? (unitOf(material) === "g" && material.role === "paint" ? POWDER : BY_ROLE[material.role]);

const CONSUMABLE_PACKS: Readonly<Record<ConsumableId, Packs>> = {
  "dry-rag": [[MILL, 20, 6]],
  "damp-rag": [[MILL, 20, 5]],
  "solvent-rag": [[MILL, 20, 5]],
  "tack-cloth": [[MILL, 5, 6]],
  "paper-150": [[MILL, 10, 5]],
  "paper-220": [[MILL, 10, 5]],
  "paper-320": [[MILL, 10, 5.5]],
  "paper-600": [[MILL, 10, 7]],
  "sanding-disc": [[MILL, 25, 12]],
  "steel-wool": [[MILL, 8, 5]],
  "fine-foam": [[MILL, 4, 4]],
  "brown-paper": [[MILL, 20, 3]],
  tape: [
    [MILL, 41, 4],
    [MILL, 164, 13],
  ],
  gloves: [[MILL, 50, 8]],
  "paint-brush": [[HARBOUR, 1, 14]],
  "wax-brush": [[HARBOUR, 1, 22]],
  "dark-wax-brush": [[HARBOUR, 1, 22]],
  "stiff-brush": [[HARBOUR, 1, 9]],
  "soft-brush": [[CORNER, 1, 26]],
  roller: [[MILL, 5, 6]],
  sponge: [[HARBOUR, 2, 5]],
};

const goodPacks = (packs: Packs): GoodPack[] =>
  packs.map(([supplierId, holds, price]) => ({ id: `${supplierId}-${holds}`, supplierId, holds, price }));

export const hobnailBook = (): ShelfBook =>
  ShelfBook.parse({
    suppliers: [
      { id: HARBOUR, name: "Harbour Road Paints", note: "opens at 8, closed on Mondays" },
      { id: MILL, name: "The Mill Store" },
      { id: CORNER, name: "Gilding Corner", note: "by post, three days" },
    ],
    goods: [
      ...CATALOGUE.map((material) => ({ id: material.id, packs: goodPacks(packsFor(material)) })),
      ...CONSUMABLE_IDS.map((id) => ({ id: supplyId(id), packs: goodPacks(CONSUMABLE_PACKS[id]) })),
    ],
    costing: {
      hourly: 32,
      overhead: 15,
      margin: 20,
      terms:
        "Half of the price is due when the work begins, the rest when the piece leaves. The piece is kept for two weeks after it is finished. Old finishes can hide surprises: if one changes the price, you hear before the work goes on.",
    },
  });

/** What stands on the shelf: good, amount, place, and when it was opened. */
const STOCK: readonly (readonly [goodId: string, amount: number, place: string, opened?: string])[] = [
  ["chalk-bone-white", 1000, "left rack, top"],
  ["chalk-bone-white", 310, "left rack, top", "2026-10-06"],
  ["chalk-slate", 220, "left rack, top", "2026-09-14"],
  ["chalk-sea-green", 60, "left rack, middle", "2026-08-02"],
  ["chalk-oxide-red", 120, "left rack, middle"],
  ["chalk-lamp-black", 400, "left rack, middle", "2026-07-20"],
  ["mineral-storm", 350, "left rack, middle", "2026-10-20"],
  ["mineral-oyster", 1000, "left rack, bottom"],
  ["milk-bottle-green", 160, "dry box", "2026-06-11"],
  ["milk-ochre", 500, "dry box"],
  ["milk-curd", 90, "dry box", "2025-07-01"],
  ["bonding-primer", 700, "right rack", "2026-05-30"],
  ["stain-block-shellac", 250, "right rack", "2026-09-28"],
  ["tint-base-walnut", 180, "right rack", "2026-10-12"],
  ["clear-coat-satin", 620, "right rack", "2026-08-19"],
  ["polyurethane-water", 1000, "right rack"],
  ["shellac-sealer", 140, "right rack", "2025-09-05"],
  ["wax-clear", 430, "bench", "2026-03-10"],
  ["wax-dark", 150, "bench", "2026-03-10"],
  ["wax-black", 60, "bench", "2026-02-21"],
  ["wax-gilding", 18, "bench", "2026-01-15"],
  ["glaze-clear", 240, "right rack", "2026-10-01"],
  ["glaze-umber", 90, "right rack", "2026-10-01"],
  ["leaf-size", 70, "leaf drawer", "2026-06-30"],
  ["leaf-imitation-gold", 40, "leaf drawer", "2026-06-30"],
  ["hemp-oil", 600, "right rack", "2025-09-01"],
  [supplyId("dry-rag"), 34, "rag bin"],
  [supplyId("damp-rag"), 12, "rag bin"],
  [supplyId("tack-cloth"), 3, "rag bin"],
  [supplyId("paper-220"), 9, "paper drawer"],
  [supplyId("paper-320"), 2, "paper drawer"],
  [supplyId("tape"), 60, "paper drawer"],
  [supplyId("gloves"), 26, "by the door"],
  [supplyId("paint-brush"), 6, "brush rail"],
  [supplyId("wax-brush"), 1, "brush rail"],
  [supplyId("dark-wax-brush"), 1, "brush rail"],
  [supplyId("soft-brush"), 1, "leaf drawer"],
];

/** What was used of the bone white over the last weeks, so that its course can be seen. */
const USED: readonly (readonly [date: string, amount: number])[] = [
  ["2026-10-06", 140],
  ["2026-10-15", 210],
  ["2026-10-29", 180],
  ["2026-11-12", 160],
];

const before = (opened: string | undefined) => `${opened ?? "2026-11-02"}T08:00`;

export function hobnailMovements(): Movement[] {
  const moves: Movement[] = [];
  STOCK.forEach(([goodId, amount, place, opened], position) => {
    const own = { goodId, potId: `pot-${position + 1}` };
    const used = position === 1 ? USED.reduce((sum, [, each]) => sum + each, 0) : 0;
    moves.push({
      does: "bought",
      id: `bought-${position + 1}`,
      ...own,
      at: before(opened),
      amount: amount + used,
      place,
    });
    if (opened) moves.push({ does: "looked at", id: `opened-${position + 1}`, ...own, at: `${opened}T08:30`, opened });
    if (position === 1)
      USED.forEach(([date, each], index) => {
        moves.push({ does: "used", id: `used-${index + 1}`, ...own, at: `${date}T16:00`, amount: each });
      });
  });
  return moves;
}
