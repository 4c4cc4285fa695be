import { BLEEDING_SPECIES, type Ground, type GroundTests, isTimber } from "./ground.ts";

// Guided tests on the piece: what to do, what each answer means for the ground, and what cannot be true together.

export type TestName = keyof GroundTests;

export interface GuidedTest {
  name: TestName;
  title: string;
  /** what to do, on a place nobody sees */
  todo: string;
  answers: Record<string, string>;
}

/** The tests in the order they are done at the piece; all common practice. */
export const GUIDED_TESTS: readonly GuidedTest[] = [
  {
    name: "leadSwab",
    title: "Lead swab",
    todo: "Before anything else on old paint: cut a small notch through all layers where nobody sees it, wet the swab as its packet says, and hold it on the cut. Wear gloves; wash your hands.",
    answers: { "turned colour": "There is lead.", "no change": "The swab found none here." },
  },
  {
    name: "solventRub",
    title: "Solvent rub",
    todo: "Put a drop of alcohol on a rag and rub a hidden place for half a minute; then do the same with white spirit. Air the room; no flames.",
    answers: {
      "alcohol softens it": "Shellac: alcohol lifts it, so block with something else or take it off.",
      "solvent softens it": "Wax or oil: it comes off before anything goes on.",
      "nothing moves it": "A cured varnish or paint.",
    },
  },
  {
    name: "waterDrop",
    title: "Water drop",
    todo: "Put a drop of water on a flat place. Watch it for a minute.",
    answers: {
      beads: "Wax or grease keeps it off.",
      sits: "Sealed.",
      "soaks in slowly": "Partly sealed.",
      "soaks in at once": "Thirsty.",
    },
  },
  {
    name: "tapePull",
    title: "Tape pull",
    todo: "Score a small cross, press masking tape over it, pull it off at a right angle. Not on paint that may contain lead.",
    answers: { clean: "The old finish is sound.", "flakes come off": "It cannot carry a new finish." },
  },
  {
    name: "bleedPatch",
    title: "Overnight bleed patch",
    todo: "Brush on a hand's breadth of the palest paint you will use. Look at it the next morning, and again by lamplight.",
    answers: {
      "stayed clean": "Nothing came through overnight.",
      "rings came through": "It bleeds: stain-block first.",
    },
  },
];

const ABSORBENCY: Record<NonNullable<GroundTests["waterDrop"]>, number> = {
  beads: 0,
  sits: 0.05,
  "soaks in slowly": 0.4,
  "soaks in at once": 0.85,
};

const without = <T>(list: readonly T[], gone: readonly T[]): T[] => list.filter((one) => !gone.includes(one));
const withAll = <T>(list: readonly T[], more: readonly T[]): T[] => [...new Set([...list, ...more])];

/** The ground after a test: the answer is kept, and the properties it implies are set. */
export function groundAfterTest(ground: Ground, answer: Partial<GroundTests>): Ground {
  const next: Ground = { ...ground, tests: { ...ground.tests, ...answer } };
  if (answer.leadSwab) next.lead = answer.leadSwab === "turned colour" ? "found" : "none found";
  if (answer.waterDrop) {
    next.absorbency = ABSORBENCY[answer.waterDrop];
    next.contamination =
      answer.waterDrop === "beads" ? withAll(next.contamination, ["wax"]) : without(next.contamination, ["wax"]);
  }
  if (answer.solventRub === "solvent softens it") next.contamination = withAll(next.contamination, ["wax"]);
  if (answer.tapePull) next.soundness = answer.tapePull === "clean" ? "sound" : "flaking";
  if (answer.bleedPatch === "stayed clean") next.bleeds = [];
  if (answer.bleedPatch === "rings came through" && next.bleeds.length === 0)
    next.bleeds = next.species === "mahogany" ? ["dye"] : ["tannin"];
  // old screws and joints point to an age in which paint contained lead
  if (answer.clues && answer.clues.length > 0 && next.age === "after 1978") next.age = "unknown";
  return next;
}

const SLICK: ReadonlySet<Ground["kind"]> = new Set([
  "laminate",
  "ferrous metal",
  "brass",
  "glass or glazed",
  "plastic or resin",
]);

/** What cannot be true together in a ground, as sentences that say what to change. Empty if all is well. */
export function contradictionsIn(ground: Ground): string[] {
  const said: string[] = [];
  if (SLICK.has(ground.kind) && ground.absorbency > 0.3)
    said.push(`Absorbency ${ground.absorbency} belongs to bare timber: ${ground.kind} soaks up nothing.`);
  if (SLICK.has(ground.kind) && ground.tooth > 0.6)
    said.push(`A tooth of ${ground.tooth} comes only after scuffing, which is a step: ${ground.kind} is slick.`);
  if (ground.kind === "raw timber" && ground.soundness === "flaking")
    said.push("Raw timber cannot flake: choose old paint or varnished timber.");
  if (ground.kind === "raw timber" && ground.contamination.includes("wax") && ground.absorbency > 0.6)
    said.push("Waxed timber is not thirsty: choose waxed or oiled timber, or take wax off the list.");
  if (ground.species && !isTimber(ground.kind) && ground.kind !== "old paint" && ground.kind !== "old gilding")
    said.push(`There is no timber species in ${ground.kind}.`);
  if (ground.bleeds.length > 0 && SLICK.has(ground.kind))
    said.push(`Nothing bleeds out of ${ground.kind}: take ${ground.bleeds.join(" and ")} off the list.`);
  if (ground.knots > 0 && !ground.bleeds.includes("knots") && ground.tests.bleedPatch !== "stayed clean")
    said.push(`Knots counted: ${ground.knots}, but knots are not set to bleed.`);
  if (
    ground.species &&
    ground.kind === "raw timber" &&
    BLEEDING_SPECIES.has(ground.species) &&
    ground.bleeds.length === 0 &&
    ground.tests.bleedPatch === undefined
  )
    said.push(`Bare ${ground.species} is set not to bleed, but no test patch has shown it.`);
  if (ground.lead === "found" && ground.age === "after 1978")
    said.push("Lead was found, so the paint is older than 1978: correct its age.");
  if (ground.tests.tapePull === "clean" && ground.soundness === "flaking")
    said.push("The tape came off clean, but the ground is set to flaking.");
  return said;
}
