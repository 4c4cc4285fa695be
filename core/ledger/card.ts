import type { ZoneJudgement } from "../judge/judge.ts";
import type { JudgedPhase } from "../judge/line.ts";
import type { Material } from "../materials/material.ts";
import { spokenName } from "../materials/spoken-name.ts";
import { capital } from "../rules/words.ts";
import { type Caution, cautionsFor } from "../safety/safety.ts";
import type { Phase } from "../surface/phase.ts";
import type { Stack } from "../surface/stack.ts";

// What a painter wants to know of a step while her hands are wet (common practice).

type Lines = readonly string[];

/** What a fresh film looks like that would worry whoever does not know it, by what it is. */
function looksWrongOf(material: Material): Lines {
  const { role, family, carrier } = material;
  if (family === "milk paint") return ["Froth and small lumps that settle", "Chalky and streaky until it is waxed"];
  if (family === "reactive metal paint") return ["Dull and grainy, with no shine yet"];
  if (family.startsWith("stain-block")) return ["Streaky and patchy: it blocks, it does not have to hide"];
  switch (role) {
    case "primer":
      return ["Thin and see-through: it grips, it does not have to hide"];
    case "paint":
      return ["Darker while it is wet", "Streaks in the first coat"];
    case "tint-base":
      return ["Darker and shinier while it is wet"];
    case "clear":
      return carrier === "water"
        ? ["Milky while it is wet", "The colour beneath looks darker, and lightens as it dries"]
        : ["The colour beneath looks darker and warmer", "Bubbles that burst by themselves"];
    case "glaze":
      return ["Milky and uneven while it is wet", "A shade darker than it will be"];
    case "medium":
      return ["Thin and shiny like syrup, then milky"];
    case "wax":
      return ["Much darker at first; it lightens when the solvent has left", "Dull until it is buffed"];
    case "oil":
      return ["Dark and uneven where the ground is thirsty"];
    case "patina":
      return ["Nothing for the first minutes; the colour comes over hours"];
    case "size":
      return ["Milky, then clear"];
    case "leaf":
      return ["Loose laps and small gaps"];
    case "tissue":
      return ["Wrinkles that lie down as it dries"];
    case "paste":
      return ["Grey and soft; it lightens as it sets"];
    case "crumb":
      return ["It looks too coarse and too much until it is scraped"];
    case "stain":
      return ["Darker while it is wet, then flat and dull until it is sealed"];
    default:
      return [];
  }
}

/** What to stop at, whatever it is laid over. */
function stopOf(material: Material): Lines {
  switch (material.role) {
    case "wax":
      return ["The paint drags, or comes off on the cloth", "A dark patch stays when you wipe"];
    case "glaze":
      return ["It grabs in patches and will not move", "The colour beneath comes up on the brush"];
    case "clear":
      return ["Colour comes up on the brush", "It beads, or draws back from the edges"];
    case "medium":
      return ["The paint beneath softens and moves"];
    case "leaf":
      return ["The size wets your finger", "A draught lifts the sheet"];
    case "tissue":
      return ["It tears as you brush: press through plastic sheet"];
    case "patina":
      return ["Bare metal shows: it would be eaten"];
    case "oil":
      return ["It stays wet on the face: wipe it all off"];
    default:
      return ["The coat beneath comes up on the brush", "It beads, or crawls back from the edges"];
  }
}

/** The top film where a phase goes; its kind decides what can come up. */
export function cracks(over: Stack, material: Material | null): boolean {
  return over?.film.material.role === "medium" && material?.role === "paint";
}
const CRACKING = {
  normal: ["Hair lines within minutes, wider until it is dry", "Wild at first, calmer when dry"],
  stop: ["No line at all after five minutes", "It slides off the medium: it is too wet"],
};

/** How a step is done, in the words of the bench. */
export interface BenchCard {
  title: string;
  how: string;
  tool: string | null;
  stroke: string | null;
  normal: Lines;
  stop: Lines;
  cautions: readonly Caution[];
  /** the sign that its technique goes by */
  sign: string | null;
}

/** What is done, as one would say it: "Brush on the bone white chalk paint", "Wipe back". */
export function workTitle({ technique, material, coat, coats }: Phase): string {
  const which = coats > 1 ? (coat === 1 ? ", first coat" : coat === coats ? ", last coat" : `, coat ${coat}`) : "";
  if (!material) return technique.name;
  return `${capital(spokenName(material))}${which}`;
}

/** The step as it is worked on a zone, over what lies there. */
export function benchCard(
  { zone }: Pick<ZoneJudgement, "zone">,
  { phase }: Pick<JudgedPhase, "phase">,
  under: Stack,
): BenchCard {
  const { technique, material } = phase;
  const { tool, stroke, normal, stop } = technique.bench;
  const cracking = cracks(under, material) ? CRACKING : null;
  return {
    title: workTitle(phase),
    how: capital(technique.hint),
    tool,
    stroke,
    normal: cracking?.normal ?? (material ? looksWrongOf(material) : normal),
    stop: cracking?.stop ?? (material ? stopOf(material) : stop),
    cautions: cautionsFor(phase, zone),
    sign: technique.sign,
  };
}
