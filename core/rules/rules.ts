import { slickGround } from "./adhesion/a1-slick-ground.ts";
import { dirtyGround } from "./adhesion/a2-dirty-ground.ts";
import { waterOverWax } from "./adhesion/a3-water-over-wax.ts";
import { clearCoatOverWax } from "./adhesion/a4-clear-coat-over-wax.ts";
import { recoatWindowShut } from "./adhesion/a5-recoat-window-shut.ts";
import { baseForCracks } from "./crackle/k1-base-for-cracks.ts";
import { tackWindow } from "./crackle/k2-tack-window.ts";
import { recoat } from "./drying/c1-recoat.ts";
import { dryBeforeSanding } from "./drying/c2-dry-before-sanding.ts";
import { standBeforeClearCoat } from "./drying/c3-stand-before-clear-coat.ts";
import { wipeWindow } from "./glaze/g2-wipe-window.ts";
import { pickUp } from "./rewetting/b1-pick-up.ts";
import { distressReach } from "./rewetting/b2-distress-reach.ts";
import { setTooHard } from "./rewetting/b3-set-too-hard.ts";
import { acrylicTears } from "./rewetting/b4-acrylic-tears.ts";
import { milkPaintDry } from "./rewetting/b5-milk-paint-dry.ts";
import { clayUnderClearCoat } from "./rewetting/b7-clay-under-clear-coat.ts";
import type { Rule } from "./rule.ts";
import { tintOnThirstyPaint } from "./staining/d1-tint-on-thirsty-paint.ts";
import { glazeGrabs } from "./staining/d2-glaze-grabs.ts";
import { bleedThrough } from "./staining/d4-bleed-through.ts";
import { hardWear } from "./use/u2-hard-wear.ts";
import { leftUnsealed } from "./use/u5-left-unsealed.ts";
import { clearOverDark } from "./wax/w2-clear-over-dark.ts";
import { darkOnClear } from "./wax/w3-dark-on-clear.ts";
import { waxOnUnreadyPaint } from "./wax/w4-wax-on-unready-paint.ts";
import { buffWindow } from "./wax/w5-buff-window.ts";
import { nothingAfterWax } from "./wax/w6-nothing-after-wax.ts";
import { waxInHeatAndWet } from "./wax/w9-wax-in-heat-and-wet.ts";

/** Every rule the judge knows. A new one is a file beside the others and a line here. */
export const RULES: readonly Rule[] = [
  slickGround,
  dirtyGround,
  waterOverWax,
  clearCoatOverWax,
  recoatWindowShut,
  pickUp,
  distressReach,
  setTooHard,
  acrylicTears,
  milkPaintDry,
  clayUnderClearCoat,
  recoat,
  dryBeforeSanding,
  standBeforeClearCoat,
  tintOnThirstyPaint,
  glazeGrabs,
  bleedThrough,
  baseForCracks,
  tackWindow,
  wipeWindow,
  clearOverDark,
  darkOnClear,
  waxOnUnreadyPaint,
  buffWindow,
  nothingAfterWax,
  waxInHeatAndWet,
  hardWear,
  leftUnsealed,
];

const byId = new Map(RULES.map((rule) => [rule.meta.id, rule]));
export const findRule = (id: string): Rule | undefined => byId.get(id);
