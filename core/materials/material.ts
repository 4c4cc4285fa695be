import { z } from "zod";

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
      source: z.string().max(200).optional(),
    })
    .describe(unit);

/** Minutes at 23 °C and 50 % relative humidity, still air, normal coat. */
export const TimeFigure = figure("minutes at 23 °C, 50 % RH", YEAR_IN_MINUTES);
export type TimeFigure = z.infer<typeof TimeFigure>;
export const ShareFigure = figure("share, 0 to 1", 1);
export const RateFigure = figure("square metres per litre", 200).refine((rate) => rate.typical > 0, {
  message: "a spreading rate must be more than nothing",
});
export const PercentFigure = figure("per cent by volume", 100);

export const Colour = z.string().regex(/^#[0-9a-f]{6}$/, "a colour is written like #e6dfcf");

export const FAMILIES = [
  "bonding primer",
  "stain-block primer, shellac",
  "stain-block primer, water-borne",
  "chalk-type paint",
  "clay-type paint",
  "milk paint",
  "acrylic mineral paint",
  "flat emulsion",
  "sealing tint-base",
  "crackle medium",
  "clear glaze medium",
  "tinted glaze",
  "clear wax",
  "tinted wax",
  "water-borne clear coat",
  "tough water-borne polyurethane",
  "shellac sealer",
] as const;

/** What a material's stages and windows hang on. */
export const Material = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  name: z.string().min(1).max(80),
  family: z.enum(FAMILIES),
  role: z.enum(["primer", "paint", "tint-base", "medium", "glaze", "wax", "clear"]),
  carrier: z
    .enum(["water", "alcohol", "solvent"])
    .describe("what leaves as it dries, and what it would float on or bead from"),
  binder: z.enum(["acrylic", "chalk", "clay", "casein", "shellac", "gum", "glaze", "wax", "polyurethane"]),
  colour: Colour,
  contrastRatio: ShareFigure.describe("hiding of one normal coat, ISO 6504-3 contrast ratio"),
  drying: z.strictObject({
    touch: TimeFigure,
    recoat: TimeFigure,
    beforeClear: TimeFigure.describe("wait before wax or a clear coat"),
    cure: TimeFigure,
  }),
  windows: z.strictObject({
    recoatUntil: TimeFigure.optional().describe("after this it must be scuffed before the next coat"),
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
    .describe("null: nothing a painter uses re-opens it"),
  absorbency: ShareFigure,
  tooth: ShareFigure.describe("how well the next coat keys to it"),
  grip: ShareFigure.describe("how slick a surface it can still hold on"),
  hardness: ShareFigure.describe("resistance to paper and cloth once dry"),
  spreadingRate: RateFigure,
  volumeSolids: PercentFigure,
  tannin: z.enum(["blocks", "passes"]).describe("whether tannin and knots come through it"),
  wear: z
    .enum(["display", "gentle", "daily", "hard"])
    .describe("the hardest life it stands as the last coat, at its usual number of coats"),
  hazards: z.array(z.enum(["dust", "powder", "fumes", "flammable", "oily rags"])).max(5),
});
export type Material = z.infer<typeof Material>;
export type Family = Material["family"];
