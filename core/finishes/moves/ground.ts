import { BLEEDING_SPECIES, type GroundKind, isTimber } from "../../plan/ground.ts";
import type { Move, MoveStep, Setting } from "../move.ts";

/** Nothing grips these without a primer made for it (common practice: two thin coats). */
const SLICK: ReadonlySet<GroundKind> = new Set(["laminate", "glass or glazed", "plastic or resin", "brass"]);

const clean: MoveStep = { key: "clean", how: "clean", why: "Paint does not hold on grease and polish." };
const scuff: MoveStep = { key: "scuff", how: "scuff", why: "Takes the shine off, so that the first coat can grip." };

/** How the house prepares what is sound and shiny. */
function roughened({ ground, houseRules }: Setting): readonly MoveStep[] {
  if (ground.kind === "varnished timber" || ground.kind === "waxed or oiled timber") {
    if (houseRules.ground === "cleaned" && ground.kind === "varnished timber") return [];
    if (houseRules.ground === "deglossed")
      return [{ key: "scuff", how: "degloss", why: "The house deglosses instead of scuffing." }];
  }
  return [scuff];
}

/** Whether tannin, knots or dye of this ground come through what is laid on it. */
const bleeds = ({ ground }: Setting): boolean =>
  ground.bleeds.length > 0 || (isTimber(ground.kind) && BLEEDING_SPECIES.has(ground.species ?? ""));

function primed(setting: Setting): readonly MoveStep[] {
  const { kind } = setting.ground;
  if (SLICK.has(kind))
    return [
      {
        key: "primer",
        how: "brush",
        what: "bonding-primer",
        coats: 2,
        why: "Nothing else grips a face as slick as this; two thin coats.",
      },
    ];
  if (kind === "ferrous metal")
    return [
      {
        key: "primer",
        how: "brush",
        what: "metal-primer",
        coats: 2,
        why: "Keeps water off the iron, and rust out of the paint.",
      },
    ];
  if (bleeds(setting))
    return [
      {
        key: "block",
        how: "brush",
        what: "stain-block-shellac",
        coats: 2,
        why: "This timber bleeds: without it, brown rings come through pale paint.",
      },
    ];
  if (kind === "old gilding")
    return [
      { key: "primer", how: "brush", what: "shellac-sealer", why: "Keeps old gilding from coming up into the paint." },
    ];
  if (kind === "fibreboard")
    return [
      {
        key: "primer",
        how: "brush",
        what: "bonding-primer",
        why: "Fibreboard drinks; primed, the coats over it lie even.",
      },
    ];
  if (kind === "varnished timber" && setting.houseRules.ground === "primed")
    return [{ key: "primer", how: "brush", what: "bonding-primer", why: "The house primes every old varnish." }];
  return [];
}

/** What the ground asks for before anything is laid on it: cleaned, scuffed, primed or blocked. */
export const prepare: Move = {
  name: "Prepare the ground",
  steps(setting) {
    const { kind, contamination, soundness } = setting.ground;
    const steps: MoveStep[] = [];
    if (contamination.includes("wax") || contamination.includes("oil") || kind === "waxed or oiled timber")
      steps.push({ key: "dewax", how: "dewax", why: "Nothing water-borne holds on wax or oil." });
    if (contamination.includes("grease")) steps.push(clean);
    if (kind === "fibreboard")
      steps.push({ key: "edges", how: "fill-edges", why: "Its cut edges drink paint and stay rough." });
    if (soundness === "flaking")
      steps.push({ key: "sand", how: "sand-150", why: "What flakes now takes the new coats off with it." });
    if (kind !== "raw timber" && kind !== "fibreboard") steps.push(...roughened(setting));
    return [...steps, ...primed(setting)];
  },
};
