// Written by `npm run lists`: every file in each/, by name.
import brownOnMilk from "./each/brown-on-milk.ts";
import chippedMilk from "./each/chipped-milk.ts";
import cloudy from "./each/cloudy.ts";
import combed from "./each/combed.ts";
import crackleGlue from "./each/crackle-glue.ts";
import crackleMedium from "./each/crackle-medium.ts";
import craters from "./each/craters.ts";
import darkAndGilt from "./each/dark-and-gilt.ts";
import driftwood from "./each/driftwood.ts";
import embossedBronze from "./each/embossed-bronze.ts";
import fadedStencil from "./each/faded-stencil.ts";
import fauxBronze from "./each/faux-bronze.ts";
import leafAndSky from "./each/leaf-and-sky.ts";
import manyCoats from "./each/many-coats.ts";
import rustedIron from "./each/rusted-iron.ts";
import scrapedMetal from "./each/scraped-metal.ts";
import seaChest from "./each/sea-chest.ts";
import smokedWash from "./each/smoked-wash.ts";
import softenedBlue from "./each/softened-blue.ts";
import stamped from "./each/stamped.ts";
import stone from "./each/stone.ts";
import twoColourMilk from "./each/two-colour-milk.ts";
import verdigris from "./each/verdigris.ts";
import waxBlend from "./each/wax-blend.ts";
import waxesOnly from "./each/waxes-only.ts";
import whiteInTheGrain from "./each/white-in-the-grain.ts";
import wornSilver from "./each/worn-silver.ts";
import wornToDark from "./each/worn-to-dark.ts";
import wornToTimber from "./each/worn-to-timber.ts";
import type { Finish } from "./finish.ts";

/** All finishes, by id. */
export const FINISHES: readonly Finish[] = [
  brownOnMilk,
  chippedMilk,
  cloudy,
  combed,
  crackleGlue,
  crackleMedium,
  craters,
  darkAndGilt,
  driftwood,
  embossedBronze,
  fadedStencil,
  fauxBronze,
  leafAndSky,
  manyCoats,
  rustedIron,
  scrapedMetal,
  seaChest,
  smokedWash,
  softenedBlue,
  stamped,
  stone,
  twoColourMilk,
  verdigris,
  waxBlend,
  waxesOnly,
  whiteInTheGrain,
  wornSilver,
  wornToDark,
  wornToTimber,
];

export const findFinish = (id: string): Finish | undefined => FINISHES.find((finish) => finish.id === id);
