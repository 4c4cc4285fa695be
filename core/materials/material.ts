import { z } from "zod";
import { plainLine, plainName } from "../units/plain-text.ts";

/** Where a figure comes from. A figure from the tin's label wins over every other. */
export const Origin = z.enum(["published", "common practice", "from memory", "label"]);
export type Origin = z.infer<typeof Origin>;

const YEAR_IN_MINUTES = 527_040;

const figure = (unit: string, max: number) =>
  z
    .strictObject({
      typical: z.number().min(0).max(max).describe(`${unit}, as the tin would say it`),
      safe: z.number().min(0).max(max).describe(`${unit}, on the careful side`),
      origin: Origin,
      source: plainLine(200).optional(),
    })
    .describe(unit);

/** Minutes at 23 °C and 50 % relative humidity, still air, normal coat. */
export const TimeFigure = figure("minutes at 23 °C, 50 % RH", YEAR_IN_MINUTES);
export type TimeFigure = z.infer<typeof TimeFigure>;
export const ShareFigure = figure("share, 0 to 1", 1);
export type ShareFigure = z.infer<typeof ShareFigure>;
/** A litre of paste, 10 mm thick, still covers so much. */
const LEAST_SPREAD = 0.1;
export const RateFigure = figure("square metres per litre", 200).refine(
  (rate) => Math.min(rate.typical, rate.safe) >= LEAST_SPREAD,
  `a litre covers at least ${LEAST_SPREAD} m²`,
);
export const PercentFigure = figure("per cent by volume", 100);
const LEAST_DENSITY = 0.3;
export const DensityFigure = figure("grams a millilitre", 8).refine(
  (density) => Math.min(density.typical, density.safe) >= LEAST_DENSITY,
  `a millilitre weighs at least ${LEAST_DENSITY} g`,
);

const sheetSide = z
  .number("give this size in millimetres")
  .min(10, "a sheet is at least 10 mm wide")
  .max(5000, "a sheet is 5 m at most");

export const Colour = z.string().regex(/^#[0-9a-f]{6}$/, "a colour is written like #e6dfcf");

export const FAMILIES = [
  "bonding primer",
  "stain-block primer, shellac",
  "stain-block primer, water-borne",
  "metal barrier primer",
  "chalk-type paint",
  "home-made chalk-type paint",
  "clay-type paint",
  "milk paint",
  "acrylic mineral paint",
  "craft acrylic",
  "flat emulsion",
  "oil paint",
  "aerosol colour",
  "hardware metallic paint",
  "reactive metal paint",
  "patina spray",
  "sealing tint-base",
  "wood stain, water",
  "wood stain, oil",
  "gel stain",
  "crackle medium",
  "craft glue",
  "texture paste",
  "texture crumb",
  "clear glaze medium",
  "tinted glaze",
  "thin pale glaze",
  "metallic glaze",
  "leaf size",
  "metal leaf",
  "printed tissue",
  "rub-on transfer",
  "stamping ink",
  "pigment powder",
  "clear wax",
  "tinted wax",
  "liquid dark wax",
  "gilding wax",
  "metallic wax, water-borne",
  "wax and paint blend",
  "drying oil",
  "water-borne clear coat",
  "tough water-borne polyurethane",
  "solvent polyurethane",
  "aerosol clear",
  "découpage varnish",
  "penetrating clear sealer",
  "shellac sealer",
  "heat-resisting varnish",
] as const;

/** Families whose shine is the metal's own: the colour turns with the light. */
export const METALLIC_FAMILIES: ReadonlySet<string> = new Set([
  "metal leaf",
  "metallic glaze",
  "gilding wax",
  "metallic wax, water-borne",
  "hardware metallic paint",
  "reactive metal paint",
]);

export const ROLES = [
  "primer",
  "paint",
  "tint-base",
  "stain",
  "medium",
  "paste",
  "crumb",
  "glaze",
  "size",
  "leaf",
  "tissue",
  "transfer",
  "ink",
  "pigment",
  "patina",
  "wax",
  "oil",
  "clear",
] as const;

export const BINDERS = [
  "acrylic",
  "alkyd",
  "chalk",
  "clay",
  "casein",
  "shellac",
  "gum",
  "glue",
  "glaze",
  "dye",
  "metal",
  "paper",
  "salt",
  "wax",
  "wax and acrylic",
  "oil",
  "polyurethane",
] as const;

export type Binder = (typeof BINDERS)[number];

export const HAZARDS = ["dust", "powder", "fumes", "flammable", "oily rags", "acid"] as const;
export type Hazard = (typeof HAZARDS)[number];

/** A time in which the next coat of the same kind must not be laid: before it, wet in wet; after it, dry. */
const ClosedTime = z.strictObject({ from: TimeFigure, until: TimeFigure });

/** What a material's stages and windows depend on. */
export const Material = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  name: plainName(80),
  family: z.enum(FAMILIES),
  role: z.enum(ROLES),
  carrier: z
    .enum(["water", "alcohol", "solvent", "none"])
    .describe("what leaves as it dries, and what it would float on or bead from"),
  binder: z.enum(BINDERS),
  colour: Colour,
  contrastRatio: ShareFigure.describe("hiding of one normal coat, ISO 6504-3 contrast ratio"),
  swatches: z
    .strictObject({ overWhite: Colour, overBlack: Colour })
    .optional()
    .describe("how one normal coat looks over white and over black; for glazes, waxes and thin whites"),
  drying: z.strictObject({
    touch: TimeFigure,
    recoat: TimeFigure,
    beforeClear: TimeFigure.describe("wait before wax or a clear coat"),
    cure: TimeFigure,
  }),
  windows: z.strictObject({
    recoatUntil: TimeFigure.optional().describe("after this it must be scuffed before the next coat"),
    closed: ClosedTime.optional().describe("lay the next coat of it before or after this time, not in between"),
    open: TimeFigure.optional().describe("how long it can be worked wet"),
    tack: z.strictObject({ opens: TimeFigure, shuts: TimeFigure }).optional(),
    buff: z.strictObject({ opens: TimeFigure, shuts: TimeFigure }).optional(),
  }),
  solubility: z
    .strictObject({
      by: z.enum(["water", "alcohol", "solvent"]),
      curve: z
        .array(z.tuple([z.number().min(0).max(YEAR_IN_MINUTES), z.number().min(0).max(1)]))
        .min(1)
        .max(12)
        .describe("pairs of age in minutes and how readily it dissolves under rubbing, 0 to 1"),
      origin: Origin,
    })
    .nullable()
    .describe("no value: nothing a painter uses dissolves it again"),
  absorbency: ShareFigure,
  tooth: ShareFigure.describe("how well the next coat grips it"),
  grip: ShareFigure.describe("how slick a surface it can still hold on"),
  hardness: ShareFigure.describe("resistance to paper and cloth once dry"),
  gloss: ShareFigure.default({ typical: 0.1, safe: 0.1, origin: "from memory" }).describe("sheen once dry or buffed"),
  brittle: z.boolean().default(false).describe("cracks over a film that stays soft"),
  yellows: z.boolean().default(false).describe("ambers what lies beneath, more so the paler it is"),
  tarnishes: z.boolean().default(false).describe("metal that darkens in air until it is sealed"),
  reacts: z.boolean().default(false).describe("real metal that an acid patina turns"),
  underHeat: z.enum(["stands", "marks", "softens"]).default("stands").describe("what a hot cup does to it"),
  outdoors: z.boolean().default(false).describe("withstands weather"),
  soldAs: z.enum(["litres", "sheets", "square metres", "powder", "aerosol"]).default("litres"),
  spreadingRate: RateFigure,
  volumeSolids: PercentFigure,
  density: DensityFigure.optional().describe("as it comes from the tin, powder as grains; by kind if left out"),
  sheet: z
    .strictObject({ width: sheetSide, height: sheetSide })
    .optional()
    .describe("millimetres of a sheet, for what is sold in sheets; the usual size if left out"),
  tannin: z.enum(["blocks", "passes"]).describe("whether tannin and knots come through it"),
  wear: z
    .enum(["display", "gentle", "daily", "hard"])
    .describe("the hardest use it withstands as the last coat, at its usual number of coats"),
  hazards: z.array(z.enum(HAZARDS)).max(HAZARDS.length),
  copyOf: z
    .string()
    .regex(/^[a-z0-9-]{1,60}$/)
    .optional()
    .describe("the catalogue material this house copy began as"),
  recipe: z
    .array(
      z.strictObject({
        what: z.string().regex(/^[a-z0-9-]{1,60}$/),
        parts: z.number().gt(0, "parts must be more than 0").max(1000, "1000 parts at most"),
      }),
    )
    .min(2, "a mix has two parts at least")
    .max(5, "five tins at most in one mix")
    .optional()
    .describe("tins it is stirred from, in parts by volume; it is bought and used as those"),
});
export type Material = z.infer<typeof Material>;
export type Family = Material["family"];
