import type { Effect } from "../phase.ts";
import { type Technique, technique } from "../technique.ts";

const take = (row: Omit<Parameters<typeof technique>[0], "kind">) => technique({ ...row, kind: "take" });

/** The fold of fine paper bears on little, and there it cuts through a coat: in grooves and along what is carved (from memory). */
const FOLDED: readonly Effect[] = [
  { does: "abrade", micrometres: 36, worked: { arris: 0, field: 0, high: 0.06, recess: 0.06 } },
];

const sand = (grit: number, micrometres: number, hint: string, fold: readonly Effect[] = []): Technique =>
  take({
    id: `sand-${grit}`,
    name: `Sand ${grit}`,
    minutesPerSquareMetre: 14,
    effects: [
      { does: "abrade", micrometres, worked: { arris: 0.75, field: 0.05, high: 0.35, recess: 0 } },
      ...fold,
      { does: "key" },
    ],
    hazards: ["dust"],
    hint,
  });

/** What can be worked for a while after it is laid. */
const WORKABLE = ["paint", "tint-base", "stain", "glaze", "medium"] as const;

export const TAKING: readonly Technique[] = [
  take({
    id: "wipe-back",
    goesWith: WORKABLE,
    name: "Wipe back",
    rubbing: 0.7,
    wets: "water",
    minutesPerSquareMetre: 10,
    setUp: 0,
    effects: [{ does: "thin", leaves: { arris: 0.12, field: 0.35, high: 0.18, recess: 0.9 } }],
    hint: "damp takes more than dry; along the grooves, not into them",
    sign: "at tack it drags the sponge",
  }),
  take({
    id: "rag-off",
    goesWith: WORKABLE,
    name: "Rag off",
    rubbing: 0.5,
    minutesPerSquareMetre: 12,
    setUp: 0,
    effects: [{ does: "thin", leaves: { arris: 0.3, field: 0.6, high: 0.45, recess: 0.95 } }],
    hint: "dab with a crumpled rag: dabbing gives the pattern, wiping only thins",
  }),
  take({
    id: "comb",
    name: "Comb",
    goesWith: WORKABLE,
    rubbing: 0.4,
    minutesPerSquareMetre: 12,
    setUp: 2,
    effects: [{ does: "thin", leaves: { arris: 0.5, field: 0.55, high: 0.5, recess: 0.95 } }],
    hint: "rubber or steel comb in one pull from edge to edge; wipe its teeth after every pull",
    sign: "the ridges stand and do not run together",
  }),
  take({
    id: "soften",
    name: "Soften",
    goesWith: WORKABLE,
    rubbing: 0.15,
    minutesPerSquareMetre: 8,
    setUp: 0,
    effects: [{ does: "thin", leaves: { arris: 0.95, field: 0.97, high: 0.95, recess: 1 } }],
    hint: "dry soft brush, tips only, across the figure and then along it",
    sign: "brush marks vanish and the figure stays",
  }),
  take({
    id: "leaf-off",
    name: "Brush off loose leaf",
    goesWith: ["leaf"],
    minutesPerSquareMetre: 8,
    setUp: 2,
    hint: "soft brush, then a barely damp cloth for stray size while it is soft; keep the skewings",
    sign: "nothing more lifts at the laps",
  }),
  take({
    id: "wet-distress",
    name: "Wet distress",
    rubbing: 1,
    wets: "water",
    minutesPerSquareMetre: 18,
    effects: [
      { does: "dissolve", solvent: "water", rubbing: 1, worked: { arris: 0.85, field: 0.05, high: 0.45, recess: 0 } },
    ],
    hint: "damp cloth over a finger, edges and beads",
    sign: "colour comes onto the cloth at the second or third rub",
  }),
  sand(320, 10, "paper folded into the grooves; fine lines and smoothing", FOLDED),
  sand(220, 30, "worn edges"),
  sand(150, 110, "through to the timber on the arrises"),
  take({
    id: "wet-sand",
    name: "Wet-sand",
    wets: "water",
    rubbing: 0.3,
    minutesPerSquareMetre: 16,
    effects: [
      { does: "abrade", micrometres: 8, worked: { arris: 0.6, field: 0.35, high: 0.5, recess: 0 } },
      { does: "key" },
    ],
    hint: "600 grit and a little soapy water, along the grain; wipe off the slurry and look",
    sign: "the slurry stays the colour of the top coat; another colour means stop",
  }),
  take({
    id: "power-sand",
    name: "Power-sand",
    minutesPerSquareMetre: 6,
    setUp: 10,
    effects: [
      { does: "abrade", micrometres: 60, worked: { arris: 0.8, field: 0.12, high: 0.3, recess: 0 } },
      { does: "chip", worked: { arris: 0.4, field: 0.25, high: 0.3, recess: 0 } },
      { does: "key" },
    ],
    hazards: ["dust"],
    hint: "small sander, fine disc, flat and moving; loosens badly seated flakes",
  }),
  take({
    id: "chip",
    name: "Chip with fingers or blade",
    minutesPerSquareMetre: 15,
    effects: [{ does: "chip", worked: { arris: 0.7, field: 0.3, high: 0.5, recess: 0.05 } }],
    hazards: ["dust"],
    hint: "find a lifting edge and flick; stop while it still looks like an accident",
  }),
  take({
    id: "scrape",
    name: "Scrape off crumb",
    minutesPerSquareMetre: 12,
    effects: [{ does: "scrape" }],
    hazards: ["dust"],
    hint: "scraper at a low angle when everything is dry, then brush and wipe",
    sign: "the crumb breaks off dry and leaves a clean rim",
  }),
  take({
    id: "scrape-back",
    name: "Scrape back",
    minutesPerSquareMetre: 16,
    effects: [{ does: "abrade", micrometres: 80, worked: { arris: 0.6, field: 0.15, high: 0.5, recess: 0 } }],
    hazards: ["dust"],
    hint: "blade upright, drawn towards you",
  }),
  take({
    id: "erase-wax",
    name: "Erase tinted wax with clear",
    rubbing: 0.3,
    wets: "solvent",
    minutesPerSquareMetre: 12,
    effects: [{ does: "lift", binder: "wax", leaves: { arris: 0.15, field: 0.35, high: 0.2, recess: 0.85 } }],
    hazards: ["oily rags"],
    hint: "a little clear wax on a clean cloth lifts the tint where it is too strong",
    sign: "the tint comes onto the cloth and the paint beneath brightens",
  }),
  take({
    id: "foam-off",
    name: "Take off wax with fine foam",
    rubbing: 0.3,
    minutesPerSquareMetre: 14,
    effects: [{ does: "lift", binder: "wax", leaves: { arris: 0.1, field: 0.2, high: 0.1, recess: 0.7 } }],
    hint: "fine melamine foam, damp, on a sealed face only",
  }),
  take({
    id: "buff",
    name: "Buff",
    minutesPerSquareMetre: 12,
    setUp: 2,
    effects: [{ does: "polish" }],
    hint: "lint-free cloth, turned often",
    sign: "the solvent has left and the colour has lightened",
  }),
  take({
    id: "steel-wool",
    name: "Rub with fine steel wool",
    minutesPerSquareMetre: 12,
    effects: [
      { does: "abrade", micrometres: 5, worked: { arris: 0.6, field: 0.2, high: 0.5, recess: 0 } },
      { does: "key" },
    ],
    hazards: ["dust"],
    hint: "finest grade, along the grain; pick strands out of the grooves, as they rust if wetted",
  }),
  take({
    id: "burnish",
    name: "Burnish with brown paper",
    minutesPerSquareMetre: 12,
    setUp: 2,
    effects: [
      { does: "abrade", micrometres: 2, worked: { arris: 0.6, field: 0.3, high: 0.5, recess: 0 } },
      { does: "polish" },
    ],
    hint: "crumpled brown paper, along the grain, until it feels like skin",
  }),
];
