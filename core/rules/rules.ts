// Written by `npm run lists`: every rule in the folders here, by theme and number.
import { slickGround } from "./adhesion/a1-slick-ground.ts";
import { dirtyGround } from "./adhesion/a2-dirty-ground.ts";
import { waterOverWax } from "./adhesion/a3-water-over-wax.ts";
import { clearCoatOverWax } from "./adhesion/a4-clear-coat-over-wax.ts";
import { recoatWindowShut } from "./adhesion/a5-recoat-window-shut.ts";
import { brittleOverSoft } from "./adhesion/a6-brittle-over-soft.ts";
import { tapeOnYoungPaint } from "./adhesion/a7-tape-on-young-paint.ts";
import { transfersAndStamps } from "./adhesion/a8-transfers-and-stamps.ts";
import { textureBeforeDry } from "./adhesion/a9-texture-before-dry.ts";
import { flakingPaintKept } from "./adhesion/a10-flaking-paint-kept.ts";
import { dew } from "./air/e1-dew.ts";
import { tooCold } from "./air/e2-too-cold.ts";
import { tooDamp } from "./air/e3-too-damp.ts";
import { heatAndDraught } from "./air/e4-heat-and-draught.ts";
import { coldNight } from "./air/e5-a-cold-night.ts";
import { baseForCracks } from "./crackle/k1-base-for-cracks.ts";
import { tackWindow } from "./crackle/k2-tack-window.ts";
import { onePass } from "./crackle/k3-one-pass.ts";
import { crackSize } from "./crackle/k4-crack-size.ts";
import { dampAir } from "./crackle/k5-damp-air.ts";
import { sealTheCracks } from "./crackle/k6-seal-the-cracks.ts";
import { paintOnWetGlue } from "./crackle/k7-paint-on-wet-glue.ts";
import { chipsNeedAResist } from "./crackle/k8-chips-need-a-resist.ts";
import { thickPasteCracks } from "./crackle/k9-thick-paste-cracks.ts";
import { heatBeforeSkin } from "./crackle/k10-heat-before-skin.ts";
import { mediumToEveryEdge } from "./crackle/k11-medium-to-every-edge.ts";
import { crumbOnWetPaint } from "./crumb/r1-crumb-on-wet-paint.ts";
import { paintOverCrumb } from "./crumb/r2-paint-over-crumb.ts";
import { scrapeWhenDry } from "./crumb/r3-scrape-when-dry.ts";
import { paleResidue } from "./crumb/r4-pale-residue.ts";
import { smallAreas } from "./crumb/r5-small-areas.ts";
import { recoat } from "./drying/c1-recoat.ts";
import { dryBeforeSanding } from "./drying/c2-dry-before-sanding.ts";
import { standBeforeClearCoat } from "./drying/c3-stand-before-clear-coat.ts";
import { workableArea } from "./glaze/g1-workable-area.ts";
import { wipeWindow } from "./glaze/g2-wipe-window.ts";
import { glazeBeforeClear } from "./glaze/g3-glaze-before-clear.ts";
import { moreMediumThanPaint } from "./glaze/g4-more-medium-than-paint.ts";
import { uprightFacesRun } from "./glaze/g5-upright-faces-run.ts";
import { putBackTogether } from "./handling/h1-put-back-together.ts";
import { aBrushForDarkWax } from "./handling/h2-a-brush-for-dark-wax.ts";
import { blockDryBeforeTurning } from "./handling/h3-block-dry-before-turning.ts";
import { lookInTime } from "./handling/h4-look-in-time.ts";
import { noLongerOneGo } from "./handling/o1-one-go.ts";
import { laysNothing } from "./laying/n1-lays-nothing.ts";
import { rawFibreboardEdges } from "./laying/n2-raw-fibreboard-edges.ts";
import { tooFewCoats } from "./laying/n3-too-few-coats.ts";
import { noSuchPlaceHere } from "./laying/n4-no-such-place-here.ts";
import { sizeAtTack } from "./leaf/l1-size-at-tack.ts";
import { noDraught } from "./leaf/l2-no-draught.ts";
import { imitationLeafTarnishes } from "./leaf/l3-imitation-leaf-tarnishes.ts";
import { sizeOnThirstyPaint } from "./leaf/l4-size-on-thirsty-paint.ts";
import { acidOnBareMetal } from "./metal/m1-acid-on-bare-metal.ts";
import { sprayWhileWet } from "./metal/m2-spray-while-wet.ts";
import { sealAfterTheReaction } from "./metal/m3-seal-after-the-reaction.ts";
import { whatMayBeMixed } from "./mixing/p1-what-may-be-mixed.ts";
import { pickUp } from "./rewetting/b1-pick-up.ts";
import { distressReach } from "./rewetting/b2-distress-reach.ts";
import { setTooHard } from "./rewetting/b3-set-too-hard.ts";
import { acrylicTears } from "./rewetting/b4-acrylic-tears.ts";
import { milkPaintDry } from "./rewetting/b5-milk-paint-dry.ts";
import { brushOnChippyPaint } from "./rewetting/b6-brush-on-chippy-paint.ts";
import { clayUnderClearCoat } from "./rewetting/b7-clay-under-clear-coat.ts";
import { darkensAndLightens } from "./rewetting/b8-darkens-and-lightens.ts";
import { blendWhileWet } from "./rewetting/b9-blend-while-wet.ts";
import { staysCovered } from "./rewetting/b10-stays-covered.ts";
import { alcoholOverOldShellac } from "./rewetting/b11-alcohol-over-shellac.ts";
import type { Rule } from "./rule.ts";
import { lead } from "./safety/s1-lead.ts";
import { heat } from "./safety/s2-heat.ts";
import { tintOnThirstyPaint } from "./staining/d1-tint-on-thirsty-paint.ts";
import { glazeGrabs } from "./staining/d2-glaze-grabs.ts";
import { missedSlipCoat } from "./staining/d3-missed-slip-coat.ts";
import { bleedThrough } from "./staining/d4-bleed-through.ts";
import { varnishAmbersWhite } from "./staining/d6-varnish-ambers-white.ts";
import { clearCoatUnderAndOver } from "./tissue/t1-clear-coat-under-and-over.ts";
import { tissueDriesBeforePaint } from "./tissue/t2-tissue-dries-before-paint.ts";
import { tissueEdges } from "./tissue/t3-edges-and-what-lies-beneath.ts";
import { hotCups } from "./use/u1-hot-cups.ts";
import { hardWear } from "./use/u2-hard-wear.ts";
import { standingWater } from "./use/u3-standing-water.ts";
import { outdoors } from "./use/u4-outdoors.ts";
import { leftUnsealed } from "./use/u5-left-unsealed.ts";
import { neverCertified } from "./use/u6-never-certified.ts";
import { movingParts } from "./use/u7-moving-parts.ts";
import { groundKeptInSight } from "./use/u8-ground-kept-in-sight.ts";
import { clearBeforeDark } from "./wax/w1-clear-before-dark.ts";
import { clearOverDark } from "./wax/w2-clear-over-dark.ts";
import { darkOnClear } from "./wax/w3-dark-on-clear.ts";
import { waxOnUnreadyPaint } from "./wax/w4-wax-on-unready-paint.ts";
import { buffWindow } from "./wax/w5-buff-window.ts";
import { nothingAfterWax } from "./wax/w6-nothing-after-wax.ts";
import { wideFaceInHalves } from "./wax/w7-wide-face-in-halves.ts";
import { aMonthToCure } from "./wax/w8-a-month-to-cure.ts";
import { waxInHeatAndWet } from "./wax/w9-wax-in-heat-and-wet.ts";
import { secondClearWax } from "./wax/w10-second-clear-wax.ts";
import { wipingMarks } from "./wax/w11-wiping-marks.ts";
import { notBuffed } from "./wax/w12-not-buffed.ts";

/** Every rule the judge knows. */
export const RULES: readonly Rule[] = [
  slickGround,
  dirtyGround,
  waterOverWax,
  clearCoatOverWax,
  recoatWindowShut,
  brittleOverSoft,
  tapeOnYoungPaint,
  transfersAndStamps,
  textureBeforeDry,
  flakingPaintKept,
  pickUp,
  distressReach,
  setTooHard,
  acrylicTears,
  milkPaintDry,
  brushOnChippyPaint,
  clayUnderClearCoat,
  darkensAndLightens,
  blendWhileWet,
  staysCovered,
  alcoholOverOldShellac,
  recoat,
  dryBeforeSanding,
  standBeforeClearCoat,
  laysNothing,
  rawFibreboardEdges,
  tooFewCoats,
  noSuchPlaceHere,
  noLongerOneGo,
  tintOnThirstyPaint,
  glazeGrabs,
  missedSlipCoat,
  bleedThrough,
  varnishAmbersWhite,
  clearBeforeDark,
  clearOverDark,
  darkOnClear,
  waxOnUnreadyPaint,
  buffWindow,
  nothingAfterWax,
  wideFaceInHalves,
  aMonthToCure,
  waxInHeatAndWet,
  secondClearWax,
  wipingMarks,
  notBuffed,
  baseForCracks,
  tackWindow,
  onePass,
  crackSize,
  dampAir,
  sealTheCracks,
  paintOnWetGlue,
  chipsNeedAResist,
  thickPasteCracks,
  heatBeforeSkin,
  mediumToEveryEdge,
  workableArea,
  wipeWindow,
  glazeBeforeClear,
  moreMediumThanPaint,
  uprightFacesRun,
  sizeAtTack,
  noDraught,
  imitationLeafTarnishes,
  sizeOnThirstyPaint,
  crumbOnWetPaint,
  paintOverCrumb,
  scrapeWhenDry,
  paleResidue,
  smallAreas,
  clearCoatUnderAndOver,
  tissueDriesBeforePaint,
  tissueEdges,
  acidOnBareMetal,
  sprayWhileWet,
  sealAfterTheReaction,
  hotCups,
  hardWear,
  standingWater,
  outdoors,
  leftUnsealed,
  neverCertified,
  movingParts,
  groundKeptInSight,
  dew,
  tooCold,
  tooDamp,
  heatAndDraught,
  coldNight,
  putBackTogether,
  aBrushForDarkWax,
  blockDryBeforeTurning,
  lookInTime,
  whatMayBeMixed,
  lead,
  heat,
];

const byId = new Map(RULES.map((rule) => [rule.meta.id, rule]));
export const findRule = (id: string): Rule | undefined => byId.get(id);
