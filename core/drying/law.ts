import type { Minutes, Share } from "../units/units.ts";
import { type Air, evaporation, STANDARD_AIR } from "./air.ts";
import type { Stage } from "./gate.ts";

/** What a coat's drying depends on, besides the air. */
export interface DryingCoat {
  /** what has to leave it: water, or something that only warmth drives, or nothing that the air could hasten */
  leaves: "water" | "solvent" | "nothing";
  /** thickness against the usual coat of the material */
  load: number;
  /** how thirsty the surface under it is; 0.3 and less draws nothing */
  drawnBy: Share;
  /** minutes of a hair-dryer or heat gun it has had since it was laid */
  warmed: Minutes;
}

/** Part that evaporation has in each stage of a water-borne coat; the rest is warmth (engineering model, from memory). */
const BY_EVAPORATION: Record<Stage, number> = {
  touch: 0.8,
  wet: 0.8,
  open: 0.8,
  tack: 0.8,
  buff: 0.8,
  recoat: 0.6,
  "before clear": 0.4,
  through: 0.4,
  set: 0.4,
  cure: 0.1,
  habit: 0,
};

/** Power of the thickness in each stage: the skin dries with it, the depth with its square (from memory). */
const BY_THICKNESS: Record<Stage, number> = {
  touch: 1,
  wet: 1,
  open: 1,
  tack: 1,
  buff: 1,
  recoat: 1.5,
  "before clear": 1.5,
  through: 2,
  // solubility goes by age, for any coat
  set: 0,
  cure: 1,
  habit: 0,
};

const AT_THE_FACE: ReadonlySet<Stage> = new Set(["touch", "wet", "open", "tack"]);
/** A fully absorbent surface takes this much off the time to touch dry (from memory). */
const MOST_DRAWN = 0.25;
const DRAWS_FROM = 0.3;

/** Activation energy of coalescing, oxidising and cross-linking over the gas constant, in kelvin: 50 kJ/mol doubles about every 10 K. */
const ACTIVATION = 50_000 / 8.314;
/** Even full air takes up this share of what standard air does: a face is never quite as cold as its dew. */
const LEAST_EVAPORATION = 0.02;

const STANDARD_EVAPORATION = evaporation(STANDARD_AIR);

/** The part of evaporation in a stage of such a coat, 0 to 1. */
export const evaporationPart = ({ leaves }: DryingCoat, stage: Stage): number =>
  leaves === "water" ? BY_EVAPORATION[stage] : 0;

/**
 * Reference minutes of drying that a minute of this air is worth, with so much of the stage by evaporation: 1 in standard air,
 * less where it is cold or damp. t = t_ref · E^w · C^(1−w), an engineering model; film temperature in °C where it is not the air's.
 */
export function dryingRate(part: number, air: Air, filmCelsius: number = air.celsius): number {
  const evaporates = Math.max(LEAST_EVAPORATION, evaporation(air) / STANDARD_EVAPORATION);
  const warmth = Math.exp(ACTIVATION * (1 / (STANDARD_AIR.celsius + 273.15) - 1 / (filmCelsius + 273.15)));
  return evaporates ** part * warmth ** (1 - part);
}

/** How much longer than usual a stage takes for the coat's thickness and for what it lies on, whatever the air. */
export function stretchOf({ load, drawnBy, leaves }: DryingCoat, stage: Stage): number {
  if (leaves === "nothing") return 1;
  const thickness = load ** BY_THICKNESS[stage];
  if (leaves !== "water" || drawnBy <= DRAWS_FROM || !AT_THE_FACE.has(stage)) return thickness;
  return thickness * (1 - (MOST_DRAWN * (drawnBy - DRAWS_FROM)) / (1 - DRAWS_FROM));
}

/** The air before a hair-dryer held at arm's length: as moist as the room's, but hot and fast (from memory). */
const DRYER = { celsius: 45, relativeHumidity: 16, speed: 3 } as const;
const dryerRates = new Map<number, number>();

/** Reference minutes that a minute of warm air from a hair-dryer is worth at a stage. */
export function dryerRate(coat: DryingCoat, stage: Stage): number {
  const part = evaporationPart(coat, stage);
  let rate = dryerRates.get(part);
  if (rate === undefined) {
    rate = dryingRate(part, DRYER);
    dryerRates.set(part, rate);
  }
  return rate;
}
