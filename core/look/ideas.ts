import { colourDifference } from "../colour/difference.ts";
import { filmOver } from "../colour/film.ts";
import {
  coatsOver,
  innerSpectrum,
  isMetallic,
  isTranslucent,
  opticsOf,
  seenColour,
} from "../colour/material-colour.ts";
import { nearestMixes } from "../colour/nearest-mix.ts";
import { dryTerm } from "../colour/surface-term.ts";
import type { Practice } from "../finishes/finish.ts";
import type { Move, MoveStep } from "../finishes/move.ts";
import { chips, crackle, embossed } from "../finishes/moves/crack.ts";
import { leaf } from "../finishes/moves/decorate.ts";
import { type Ending, end } from "../finishes/moves/end.ts";
import { barrier, broken, colour, dryBrush, glaze, touch } from "../finishes/moves/lay.ts";
import { rubDamp, sandEdges } from "../finishes/moves/take.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { Material } from "../materials/material.ts";
import type { Ground } from "../plan/ground.ts";
import type { Mix } from "../plan/mix.ts";
import { dryFilm } from "../quantity/spread.ts";
import { together } from "../rules/mixing/p1-what-may-be-mixed.ts";
import type { Share } from "../units/units.ts";
import { colourOfWish } from "./seen.ts";
import { type Look, METALS, type Metal, type Wish, type Wishes } from "./spec.ts";

/** A part of a stack that could answer a wish: its moves, the colour it would have there, and what it asks of the hand. */
interface Way {
  /** what kind of way it is; candidates of the same ways are one another's variations */
  is: string;
  key: string;
  moves: readonly Move[];
  /** ΔE00 from the wish, by the optics of the films alone */
  off: number;
  practice: Practice;
}

/** A whole stack, not judged yet. */
export interface Idea {
  /** the same for the same stack, on any machine */
  key: string;
  /** which ways it takes, without its materials */
  shape: string;
  /** made when it is tried: most never are */
  moves: () => readonly Move[];
  practice: Practice;
  /** how far off it should be, by the optics alone, with a little for every move */
  guess: number;
}

const MOST_TOPS = 7;
const MOST_OF_EACH = 3;
/** Every further move costs so much ΔE00, so that of two stacks that look alike the simple one is tried first. */
const A_MOVE = 0.7;
/** What is left of a glaze on the flats when it is wiped back, and of a wax (from memory). */
const LEFT: Readonly<Record<"glaze" | "wax", Share>> = { glaze: 0.35, wax: 0.3 };
const RANK: Record<Practice, number> = { "first time": 0, "some practice": 1, practised: 2 };

const harder = (a: Practice, b: Practice): Practice => (RANK[a] >= RANK[b] ? a : b);

/** Paint that a damp cloth still opens within its first day. */
const opens = ({ solubility }: Material): boolean =>
  solubility?.by === "water" && solubility.curve.some(([age, readily]) => age >= 600 && readily > 0.2);

interface Palette {
  paints: readonly Material[];
  glazes: readonly Material[];
  tints: readonly Material[];
  of: (family: Material["family"]) => Material | undefined;
}

/** The materials a look is sought among, in an order that does not depend on the shelf's. */
function paletteOf(materials: readonly Material[]): Palette {
  const sorted = [...materials].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
  return {
    paints: sorted.filter(
      (material) =>
        (material.role === "paint" || material.role === "tint-base") &&
        !isMetallic(material) &&
        !isTranslucent(material) &&
        !material.reacts &&
        material.soldAs !== "aerosol",
    ),
    glazes: sorted.filter(({ family }) => family === "tinted glaze" || family === "thin pale glaze"),
    tints: sorted.filter(({ family }) => family === "tinted wax"),
    of: (family) => sorted.find((material) => material.family === family),
  };
}

/** The look of a film that most of was wiped off again. */
function thinly(material: Material, part: Share, under: string): string {
  const whole = coatsOver(material, 1, under);
  return mixHex(under, whole, part);
}

/** Between two colours, so much of the second. */
function mixHex(under: string, over: string, part: Share): string {
  const channel = (hex: string, index: number) => Number.parseInt(hex.slice(1 + 2 * index, 3 + 2 * index), 16);
  const value = (at: number) => Math.round(channel(under, at) * (1 - part) + channel(over, at) * part);
  return `#${[0, 1, 2].map((at) => value(at).toString(16).padStart(2, "0")).join("")}`;
}

/** What most finishes end in: it darkens what it seals, because it takes the dull surface away. */
const SEAL = CATALOGUE.find(({ family }) => family === "clear wax")!;
/** As much of it as stays on the flats when it is wiped off (from memory). */
const LEFT_OF_SEAL: Share = 0.7;
const sealedColours = new Map<string, string>();

/** What a dry colour of this gloss looks like when it is sealed in the end. */
function sealed(colour: string, gloss: Share): string {
  const key = `${colour} ${gloss}`;
  const known = sealedColours.get(key);
  if (known !== undefined) return known;
  const film = filmOver(opticsOf(SEAL), LEFT_OF_SEAL * dryFilm(SEAL), innerSpectrum(colour, gloss));
  const seen = seenColour(film, dryTerm(SEAL.gloss.typical));
  sealedColours.set(key, seen);
  return seen;
}

const sealedPaint = ({ colour, gloss }: Material): string => sealed(colour, gloss.typical);

const nearest = (materials: readonly Material[], wanted: string, most: number) =>
  materials
    .map((material) => ({ material, off: colourDifference(sealedPaint(material), wanted) }))
    .sort((a, b) => a.off - b.off || (a.material.id < b.material.id ? -1 : 1))
    .slice(0, most);

const isMetal = (wish: Wish | undefined): wish is Metal => (METALS as readonly string[]).includes(wish ?? "");

/** A flat top layer, before anything is done to it. */
interface Top {
  is: string;
  key: string;
  /** the paint on top, which decides how it can be worn; null for what is no paint */
  paint: Material | null;
  colour: string;
  off: number;
  practice: Practice;
  moves: (own: Partial<MoveStep>) => readonly Move[];
  /** it is chipped or cracked, and no brush may drag over it */
  fragile?: boolean;
  over?: readonly Move[];
}

const say = "What is seen on the flats.";

/** Tops that come near a colour: a paint, a paint under a wiped glaze, two paints stirred together. */
function paintTops(palette: Palette, wanted: string): Top[] {
  const plain = palette.paints.map((paint): Top => {
    const off = colourDifference(sealedPaint(paint), wanted);
    return {
      is: "paint",
      key: paint.id,
      paint,
      colour: sealedPaint(paint),
      off,
      practice: "first time",
      moves: (own) => [colour("top", paint.id, say, own)],
    };
  });
  const glazed = palette.paints.flatMap((paint) =>
    palette.glazes.map((tint): Top => {
      const seen = sealed(thinly(tint, LEFT.glaze, paint.colour), tint.gloss.typical);
      return {
        is: "paint and glaze",
        key: `${paint.id}+${tint.id}`,
        paint,
        colour: seen,
        off: colourDifference(seen, wanted),
        practice: "first time",
        moves: (own) => [colour("top", paint.id, say, own)],
        over: [
          glaze("glaze", tint.id, "wipe-back", "Brings the colour to where it should be, and stays in the hollows."),
        ],
      };
    }),
  );
  const mixes = nearestMixes(wanted, palette.paints, {
    together: (a, b) => a.family === b.family && together(a, b) === null,
    most: 2,
  }).flatMap(({ parts, colour: seen }): Top[] => {
    const [first, ...others] = parts;
    if (!first || others.length === 0) return [];
    const mix: Mix = {
      by: "volume",
      parts: first.parts,
      with: others.map(({ material, parts: count }) => ({ what: material.id, parts: count })),
      thinner: 0,
    };
    return [
      {
        is: "mix",
        key: parts.map(({ material, parts: count }) => `${count}${material.id}`).join("+"),
        paint: first.material,
        colour: sealed(seen, first.material.gloss.typical),
        off: colourDifference(sealed(seen, first.material.gloss.typical), wanted) + 1,
        practice: "first time",
        moves: (own) => [
          colour("top", first.material.id, `${say} Stirred together it comes nearer than any tin.`, { mix, ...own }),
        ],
      },
    ];
  });
  const byOff = (a: Top, b: Top) => a.off - b.off || (a.key < b.key ? -1 : 1);
  const best = plain.sort(byOff).slice(0, MOST_TOPS);
  // of each kind of paint the nearest is there: how a paint wears, cracks and chips matters as much as its colour
  const kinds = new Set(best.map(({ paint }) => paint!.family));
  const others = plain.filter(({ paint, off }) => !kinds.has(paint!.family) && off < 16);
  return [...best, ...firstOfKind(others), ...glazed.sort(byOff).slice(0, MOST_TOPS), ...mixes];
}

function firstOfKind(tops: readonly Top[]): Top[] {
  const seen = new Set<string>();
  return tops.filter(({ paint }) => {
    if (seen.has(paint!.family)) return false;
    seen.add(paint!.family);
    return true;
  });
}

/** Tops of metal: leaf, metal paint turned by acid, dry-brushed bronze, pewter glaze. */
function metalTops(palette: Palette, metal: Metal): Top[] {
  const dark = nearest(palette.paints, "#241f1b", 1)[0]?.material;
  const red = nearest(palette.paints, "#8a4534", 1)[0]?.material;
  const top = (is: string, practice: Practice, moves: readonly Move[] | null, fragile = false): Top[] =>
    moves
      ? [
          {
            is,
            key: is,
            paint: null,
            colour: colourOfWish(metal, "#000000"),
            off: 2,
            practice,
            moves: () => moves,
            fragile,
          },
        ]
      : [];
  const bronze = palette.of("metallic wax, water-borne");
  const pewter = palette.of("metallic glaze");
  switch (metal) {
    case "gold":
      return red
        ? top("leaf", "practised", [
            colour("red", red.id, "Red warms the leaf, and shows in its breaks."),
            leaf("top", "leaf-imitation-gold", "red"),
          ])
        : [];
    case "bronze":
      return dark && bronze
        ? top("bronze", "first time", [
            colour("dark", dark.id, "Dark for the bronze to sit in."),
            broken("top", "dry-brush", bronze.id, "Catches what stands proud.", {
              coats: 2,
              amount: { kind: "heavy" },
            }),
          ])
        : [];
    case "pewter":
      return dark && pewter
        ? top("pewter", "first time", [
            colour("dark", dark.id, "Almost black, under the silver."),
            colour("top", pewter.id, "Two thin coats; the dark shows where it is thin."),
          ])
        : [];
    default: {
      const paint = metal === "iron" ? "reactive-iron" : "reactive-copper";
      return top("metal paint", "some practice", [
        colour("dark", dark?.id ?? paint, "In case the metal coat is thin.", { coats: 1 }),
        colour("top", paint, "Real metal in a binder."),
      ]);
    }
  }
}

const NOTHING: Way = { is: "", key: "", moves: [], off: 0, practice: "first time" };

/** What lies under the top, so that wear shows it; with how it is worn down to there. */
interface Under {
  is: string;
  key: string;
  moves: readonly Move[];
  /** the layer that wear is to show; undefined where nothing is worn */
  shows: string | undefined;
  off: number;
}

const NO_UNDER: Under = { is: "", key: "", moves: [], shows: undefined, off: 0 };

function underCoats(palette: Palette, wanted: string, wish: Wish, look: Look): Under[] {
  if (wish === "ground") return [{ is: "down to the ground", key: "ground", moves: [], shows: "ground", off: 0 }];
  const under = (material: Material, off: number, shut: boolean): Under => ({
    is: shut ? "under-coat with a barrier" : "under-coat",
    key: `${material.id}${shut ? " shut" : ""}`,
    moves: [
      colour(
        "under",
        material.id,
        material.role === "tint-base"
          ? "It seals itself: a damp cloth rubs through the paint and stops here, and not at the timber."
          : "The colour that wear shows.",
      ),
      ...(shut ? [barrier("shut")] : []),
    ],
    shows: shut ? "shut" : "under",
    off,
  });
  return nearest(palette.paints, wanted, MOST_OF_EACH).flatMap(({ material, off }) =>
    opens(material) && look.barrier !== false
      ? [under(material, off, false), under(material, off + 0.5, true)]
      : [under(material, off, false)],
  );
}

/** Ways to wear the top down, the gentlest first: by what it is, damp or dry. */
function wears(top: Top, shows: string | undefined, on: "hands" | undefined, look: Look): Way[] {
  const place = on ? { on } : {};
  const key = on ? "rub-hands" : "rub";
  const layer = shows === "ground" ? undefined : shows;
  const ways: Way[] = [];
  if (top.paint && opens(top.paint) && look.wornWith !== "paper" && shows !== undefined)
    ways.push({ is: "rubbed damp", key: "damp", moves: [rubDamp(key, shows, place)], off: 0, practice: "first time" });
  if (look.wornWith !== "damp cloth")
    for (const [grit, passes, pressure] of [
      [220, 1, "usual"],
      [320, 2, "usual"],
      [150, 2, "hard"],
    ] as const)
      ways.push({
        is: "sanded",
        key: `sand ${grit}`,
        moves: [sandEdges(key, layer, { grit, effort: { passes, pressure }, ...place })],
        off: 0.3,
        practice: "first time",
      });
  return ways;
}

/** Ways to put a colour or a metal on what stands proud. */
function highs(palette: Palette, top: Top, wish: Wish, wanted: string, on: "high" | "arris"): Way[] {
  const key = `on-${on}`;
  if (isMetal(wish)) {
    const gilt = palette.of("gilding wax");
    const bronze = palette.of("metallic wax, water-borne");
    const way = (material: Material | undefined): Way[] =>
      material
        ? [
            {
              is: "touched with metal",
              key: material.id,
              moves: [touch(key, material.id, on, "A touch where a hand would polish.")],
              off: colourDifference(material.colour, wanted),
              practice: "first time",
            },
          ]
        : [];
    return [...way(gilt), ...way(bronze)];
  }
  const others = palette.paints.filter((paint) => paint !== top.paint);
  return nearest(others, wanted, 1).flatMap(({ material, off }): Way[] => [
    {
      is: "dry-brushed",
      key: material.id,
      moves: [dryBrush(key, material.id, "Skims what stands proud.", { coats: 2, amount: { kind: "heavy" } })],
      off: off + 4,
      practice: "first time",
    },
    {
      is: "picked out",
      key: `picked ${material.id}`,
      moves: [broken(key, "brush", material.id, "Picked out with a small brush.", { on })],
      off: off + 1,
      practice: "some practice",
    },
  ]);
}

/** How a stack ends: the tint that may lie in the hollows or all over, and what the shine asks for. */
interface Tail {
  is: string;
  key: string;
  before: readonly Move[];
  ending: Ending;
  off: number;
}

/** Ways to get a colour into the hollows. */
function recesses(palette: Palette, wanted: string, under: string): Tail[] {
  const waxes = palette.tints.map((tint): Tail => {
    const seen = coatsOver(tint, 1, under);
    return {
      is: "tinted wax in the hollows",
      key: tint.id,
      before: [],
      ending: { tint: tint.id, on: "recess" },
      off: colourDifference(seen, wanted),
    };
  });
  const glazes = palette.glazes.map((tint): Tail => {
    const seen = thinly(tint, 0.9, under);
    return {
      is: "glaze in the hollows",
      key: tint.id,
      before: [glaze("hollows", tint.id, "wipe-back", "It stays in the hollows.", { on: "recess" })],
      ending: {},
      off: colourDifference(seen, wanted),
    };
  });
  const paints = nearest(palette.paints, wanted, 2).map(
    ({ material, off }): Tail => ({
      is: "hollows painted",
      key: material.id,
      before: [
        broken("hollows", "brush", material.id, "Run into the hollows, and its edges softened.", { on: "recess" }),
      ],
      ending: {},
      off: off + 1.5,
    }),
  );
  const byOff = (a: Tail, b: Tail) => a.off - b.off || (a.key < b.key ? -1 : 1);
  return [...waxes.sort(byOff).slice(0, 2), ...glazes.sort(byOff).slice(0, 1), ...paints.slice(0, 1)];
}

/** No wish for the hollows: plain, or a tint over all of it. */
const plainTails = (palette: Palette): Tail[] => [
  { is: "", key: "plain", before: [], ending: {}, off: 0 },
  ...palette.tints.map(
    (tint): Tail => ({ is: "tinted wax", key: `all ${tint.id}`, before: [], ending: { tint: tint.id }, off: 2 }),
  ),
];

interface Parts {
  top: Top;
  under: Under;
  wear: Way;
  hands: Way;
  high: Way;
  arris: Way;
  border: Way;
  tail: Tail;
}

/** A move that shines as it is asked to: the last film in the right gloss. */
function ending(tail: Tail, look: Look, fragile: boolean): Move {
  const matt = look.sheen === "matt" || look.sheen === undefined;
  const base = end({ ...tail.ending, fragile, matt });
  if (look.sheen !== "gloss") return base;
  return {
    name: base.name,
    steps: (context) => {
      const steps = base.steps({ ...context, houseRules: { ...context.houseRules, end: "film" } });
      return steps.map((step) =>
        step.key === "film" && step.what?.startsWith("clear-coat") ? { ...step, what: "clear-coat-gloss" } : step,
      );
    },
  };
}

/** Puts the parts in the order that practitioners follow: base, barrier, colour, wear, hollows, highlights, seal. */
function ideaOf(parts: Parts, look: Look): Idea {
  const { top, under, wear, hands, high, arris, border, tail } = parts;
  const metalOnTop = [high, arris].filter(({ is }) => is === "touched with metal");
  const others = [high, arris].filter(({ is }) => is !== "" && is !== "touched with metal");
  const raised = look.texture === "raised" ? [embossed("paste")] : [];
  const moves = (): Move[] => [
    ...raised,
    ...under.moves,
    // one coat, where paper has to get through it to the piece itself
    ...top.moves(wear.is === "sanded" && under.shows === "ground" ? { coats: 1 } : {}),
    ...wear.moves,
    ...hands.moves,
    ...(top.over ?? []),
    ...border.moves,
    ...tail.before,
    ...others.flatMap(({ moves: own }) => own),
    ...gilded(metalOnTop, ending(tail, look, top.fragile ?? false)),
  ];
  const all = [under, top, wear, hands, high, arris, border, tail];
  const used = all.filter(({ is }) => is !== "");
  return {
    key: used.map(({ is, key }) => `${is}: ${key}`).join(" | "),
    shape: used.map(({ is }) => is).join(" | "),
    moves,
    practice: [top, wear, hands, high, arris, border].reduce<Practice>(
      (most, { practice }) => harder(most, practice),
      raised.length > 0 ? "practised" : "first time",
    ),
    guess:
      (4 * top.off + 2 * (under.off + wear.off) + 1.5 * (high.off + arris.off) + 2 * tail.off + 1.5 * border.off) / 8 +
      A_MOVE * (raised.length + used.reduce((sum, idea) => sum + movesIn(idea), 0)),
  };
}

/** How much there is to do in a part of a stack. */
function movesIn(part: Parts[keyof Parts]): number {
  if ("ending" in part) return part.before.length + 1;
  return "colour" in part ? 1 + (part.over?.length ?? 0) : part.moves.length;
}

/** Metal by finger goes on with the waxes, before the last buffing; under a film it goes beneath, and water-borne. */
function gilded(metal: readonly Way[], seal: Move): readonly Move[] {
  if (metal.length === 0) return [seal];
  return [
    {
      name: seal.name,
      steps(context) {
        const steps = seal.steps(context);
        const touches = metal.flatMap(({ moves }) => moves.flatMap((move) => move.steps(context)));
        const buff = steps.findIndex(({ how }) => how === "buff");
        const film = steps.findIndex(({ key }) => key === "film");
        if (buff >= 0) return [...steps.slice(0, buff), ...touches, ...steps.slice(buff)];
        const under = touches.map((step) => ({ ...step, how: "dry-brush", what: "wax-metallic-bronze" }));
        return [...steps.slice(0, film), ...under, ...steps.slice(film)];
      },
    },
  ];
}

/** Every top that could answer what is asked of the flats. */
function tops(palette: Palette, wishes: Wishes, ground: Ground): Top[] {
  const { field, cracks, chips: flakes } = wishes;
  if (isMetal(field)) return metalTops(palette, field);
  const wanted = colourOfWish(field ?? "ground", ground.colour);
  if (flakes !== undefined) {
    const milks = palette.paints.filter(({ family }) => family === "milk paint");
    const below = nearest(palette.paints, colourOfWish(flakes, ground.colour), MOST_OF_EACH);
    return nearest(milks, wanted, MOST_OF_EACH).flatMap(({ material, off }) =>
      [...(flakes === "ground" ? [null] : below)].flatMap((under): Top[] =>
        [0.8, 0.5].map((over) => ({
          is: "chipped",
          key: `${material.id} ${over} on ${under?.material.id ?? "ground"}`,
          paint: null,
          colour: material.colour,
          off: off + (under?.off ?? 0) / 2,
          practice: "some practice",
          fragile: true,
          moves: () => [
            ...(under ? [colour("older", under.material.id, "The older colour, that the chips show.")] : []),
            chips("top", material.id, over),
          ],
        })),
      ),
    );
  }
  if (cracks !== undefined) {
    const below = nearest(palette.paints, colourOfWish(cracks, ground.colour), MOST_OF_EACH);
    const mediums = [palette.of("crackle medium"), palette.of("craft glue")].flatMap((medium) => medium ?? []);
    return nearest(palette.paints, wanted, 4).flatMap(({ material, off }) =>
      below.flatMap((under) =>
        mediums.flatMap((medium): Top[] =>
          (["usual", "heavy"] as const).map((amount) => ({
            is: `cracked, ${medium.family}`,
            key: `${material.id} ${amount} over ${under.material.id}`,
            paint: null,
            colour: material.colour,
            off: off + under.off / 2,
            practice: "some practice",
            fragile: true,
            moves: () => [
              colour("older", under.material.id, "What the cracks show."),
              crackle(medium.id, "top", material.id, amount === "heavy" ? { amount: { kind: "heavy" } } : {}),
            ],
          })),
        ),
      ),
    );
  }
  if (field === undefined || field === "ground")
    return [
      {
        is: "left bare",
        key: "bare",
        paint: null,
        colour: ground.colour,
        off: 0,
        practice: "first time",
        moves: () => [],
      },
      ...(field === undefined ? paintTops(palette, wanted).slice(0, 2) : []),
    ];
  return paintTops(palette, wanted);
}

/** Whether a shape of stack is handled, or crisp, as it is asked to be. */
const isWornAs = (shape: string, wear: Look["wear"]): boolean =>
  wear === undefined || (wear === "worn") === /sanded|rubbed damp|chipped/.test(shape);

/** How unlike two places must be asked to look before something is done about it. */
const UNLIKE = 5;

/**
 * Every stack of moves that could answer a look, by the optics of its films alone, the likeliest first. What is possible in what air, on
 * what ground, by whose rules is not known here: that is the judge's business.
 */
export function ideasFor(look: Look, ground: Ground, materials: readonly Material[]): Idea[] {
  const palette = paletteOf(materials);
  const { wishes } = look;
  const at = (wish: Wish) => colourOfWish(wish, ground.colour);
  const ideas: Idea[] = [];
  for (const top of tops(palette, wishes, ground)) {
    const unlike = (wish: Wish | undefined): wish is Wish =>
      wish !== undefined && colourDifference(at(wish), top.colour) > UNLIKE;
    const { arris, high, recess, border, hands } = wishes;
    const wornFor = [arris, high, hands].find((wish) => unlike(wish) && !isMetal(wish));
    const byWear = wornFor === undefined || top.paint === null ? [] : underCoats(palette, at(wornFor), wornFor, look);
    const tails = unlike(recess) ? recesses(palette, at(recess), top.colour) : plainTails(palette);
    for (const under of [...byWear, NO_UNDER]) {
      const worn = (wish: Wish | undefined) =>
        under.shows !== undefined &&
        wornFor !== undefined &&
        wish !== undefined &&
        colourDifference(at(wish), at(wornFor)) <= 2 * UNLIKE;
      const edges = worn(arris) || worn(high);
      const wearWays = edges ? wears(top, under.shows, undefined, look) : [NOTHING];
      const handWays = worn(hands) && !edges ? wears(top, under.shows, "hands", look).slice(0, 2) : [NOTHING];
      if (under.key !== "" && under.key.split(" ")[0] === top.paint?.id) continue;
      const highWays = unlike(high) && !worn(high) ? highs(palette, top, high, at(high), "high") : [NOTHING];
      const arrisWays = unlike(arris) && !worn(arris) ? highs(palette, top, arris, at(arris), "arris") : [NOTHING];
      const borderWays = unlike(border)
        ? nearest(palette.paints, at(border), 2).map(
            ({ material, off }): Way => ({
              is: "border painted",
              key: material.id,
              moves: [
                broken("border", "brush", material.id, "A border, kept straight with tape or a steady hand.", {
                  on: "border",
                }),
              ],
              off,
              practice: "some practice",
            }),
          )
        : [NOTHING];
      for (const wear of wearWays)
        for (const touched of handWays)
          for (const onHigh of highWays)
            for (const onArris of arrisWays)
              for (const round of borderWays)
                for (const tail of tails)
                  ideas.push(
                    ideaOf(
                      { top, under, wear, hands: touched, high: onHigh, arris: onArris, border: round, tail },
                      look,
                    ),
                  );
    }
  }
  const limit = look.practice === undefined ? 2 : RANK[look.practice];
  const known = new Map(
    ideas
      .filter(({ practice, shape }) => RANK[practice] <= limit && isWornAs(shape, look.wear))
      .map((idea) => [idea.key, idea]),
  );
  return [...known.values()].sort((a, b) => a.guess - b.guess || (a.key < b.key ? -1 : 1));
}
