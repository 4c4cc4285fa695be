import type { ZoneJudgement } from "../judge/judge.ts";
import type { JudgedPhase } from "../judge/line.ts";
import type { Material } from "../materials/material.ts";
import { spokenName } from "../materials/spoken-name.ts";
import { capital } from "../rules/words.ts";
import { type Caution, cautionsFor } from "../safety/safety.ts";
import type { Phase } from "../surface/phase.ts";
import type { Stack } from "../surface/stack.ts";

// What a painter wants to know of a step while her hands are wet (common practice).

/** The direction of the hand, by technique. */
const STROKES: Readonly<Record<string, string>> = {
  brush: "along the grain, off the edge, and leave it alone",
  "cross-hatch": "short strokes, both ways",
  "thin-coat": "along the grain, one pass",
  roller: "lay on crosswise, finish lengthwise",
  pad: "one way, off the edge, no going back",
  sponge: "dab, turning your hand every time",
  stipple: "straight down, straight up",
  tap: "straight down; never stroke",
  "dry-brush": "skim across what stands proud, from the middle out",
  wash: "along the grain, top to bottom",
  "two-tone": "one long pull from edge to edge",
  blend: "short crossing strokes where the colours meet, then one soft pass along",
  stencil: "straight down, from the edge of the stencil inwards",
  "card-smear": "card at a low angle, one way",
  trowel: "one way, lifting off at the end",
  spray: "side to side, begin and end off the piece",
  drag: "one pull from edge to edge",
  wax: "work it in any way, wipe off along the grain",
  "oil-on": "along the grain, wipe across and then along",
  "wipe-back": "along the grooves, not into them",
  "rag-off": "dab, turning the rag",
  comb: "one pull from edge to edge",
  soften: "across the figure, then along it",
  "wet-distress": "along edges and beads, a finger under the cloth",
  buff: "along the grain, full length, turning the cloth",
  burnish: "along the grain",
  "steel-wool": "along the grain",
  scrape: "blade low, away from you",
  "scrape-back": "blade upright, towards you",
  "lay-leaf": "sheet by sheet, each lapping the last",
  "lay-tissue": "from the middle out",
};
const sanding = (id: string) => (/^(sand-|wet-sand|scuff|power-sand)/.test(id) ? "along the grain, lightly" : null);

/** The tool in the hand, by technique; what is not named is brushed. */
const TOOLS: Readonly<Record<string, string>> = {
  brush: "Flat brush",
  "cross-hatch": "Flat brush, stiff",
  "thin-coat": "Flat brush, soft",
  roller: "Foam roller, and a brush for the grooves",
  pad: "Paint pad",
  sponge: "Natural sponge, damp",
  stipple: "Stippling brush",
  tap: "Stiff brush",
  "dry-brush": "Dry flat brush, and a board to rub it off",
  wash: "Wide soft brush",
  "rag-on": "Crumpled rag",
  "two-tone": "Wide brush, a colour on each half",
  blend: "Three brushes: one for each colour, one to blend",
  spatter: "Stiff brush and a stick",
  stencil: "Stencil brush",
  "card-smear": "Old card",
  trowel: "Palette knife",
  emboss: "Knife, and a patterned roller",
  sprinkle: "Fingers or a sieve",
  spray: "Spray",
  drag: "Scraper",
  wax: "Wax brush, and a lint-free cloth to wipe off",
  finger: "Fingertip",
  "oil-on": "Brush, and rags to wipe off",
  "lay-leaf": "Gilder's tip or the leaf's own paper, soft brush",
  "lay-tissue": "Soft brush and plastic sheet",
  "rub-transfer": "Rubbing stick",
  stamp: "Stamp and pad",
  "touch-up": "Small brush",
  "seal-patches": "Small brush",
  "wipe-back": "Damp sponge or rag, wrung out",
  "rag-off": "Crumpled rag",
  comb: "Comb, and a rag for its teeth",
  soften: "Softening brush, dry",
  "leaf-off": "Soft brush, barely damp cloth",
  "wet-distress": "Damp cloth",
  "wet-sand": "600 paper and a little soapy water",
  "power-sand": "Small sander, fine disc",
  chip: "Fingers, or a blade held flat",
  scrape: "Scraper, brush, cloth",
  "scrape-back": "Blade",
  "erase-wax": "Clean cloth, a little clear wax",
  "foam-off": "Fine foam, damp",
  buff: "Lint-free cloth",
  "steel-wool": "Finest steel wool",
  burnish: "Crumpled brown paper",
  "hair-dryer": "Hair-dryer",
  "heat-gun": "Heat gun, lowest setting",
  mist: "Mister",
  "tack-off": "Tack cloth, folded",
};
const paper = (id: string) => (id.startsWith("sand-") ? `${id.slice(5)} paper` : null);

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

const WORKING: Readonly<Record<string, { normal: Lines; stop: Lines }>> = {
  "wipe-back": {
    normal: ["Milky smears while it is wet", "More comes off the beads than off the flats"],
    stop: ["The colour beneath comes off on the sponge", "The glaze rolls up in crumbs"],
  },
  "rag-off": {
    normal: ["A hard pattern that softens as it dries"],
    stop: ["The glaze rolls up in crumbs", "The colour beneath comes off on the rag"],
  },
  comb: { normal: ["Small ridges at the edges"], stop: ["The ridges run together: it is too wet"] },
  soften: { normal: ["The figure blurs at first"], stop: ["It drags: it is too late to soften"] },
  "wet-distress": {
    normal: ["The face dulls where it is damp, and clears as it dries", "Nothing at the first rub or two"],
    stop: ["Another colour than the one meant to show", "It goes soft beside the edge"],
  },
  chip: { normal: ["Flakes of very different sizes"], stop: ["Sound paint tears off with the flake"] },
  scrape: { normal: ["A pale dust in the hollows"], stop: ["The crumb smears: it is not dry"] },
  buff: { normal: ["No shine for the first strokes"], stop: ["The cloth drags, or takes colour"] },
  "leaf-off": { normal: ["Skewings everywhere"], stop: ["Sound leaf lifts: the size is not dry"] },
  "hair-dryer": { normal: ["It goes matt in patches"], stop: ["The skin wrinkles, or bubbles rise"] },
  "heat-gun": { normal: ["It goes matt at once"], stop: ["Bubbles, smoke or a smell of burning"] },
  "erase-wax": { normal: ["The cloth takes colour"], stop: ["Paint comes off with the tint"] },
  dewax: { normal: ["Brown rags"], stop: ["The finish beneath goes soft"] },
  strip: { normal: ["Blisters and slime"], stop: ["It dries on the piece: lay on more"] },
};
const SANDED = {
  normal: ["A dull, scratched face that the next coat takes away", "Pale dust in the grooves"],
  stop: ["The paper clogs: it is not dry", "Another colour shows where it should not", "Paint rolls up in crumbs"],
};

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
  const { id } = technique;
  const working = WORKING[id] ?? (sanding(id) ? SANDED : null);
  const cracking = cracks(under, material) ? CRACKING : null;
  return {
    title: workTitle(phase),
    how: capital(technique.hint),
    tool: TOOLS[id] ?? paper(id),
    stroke: STROKES[id] ?? sanding(id),
    normal: cracking?.normal ?? (material ? looksWrongOf(material) : (working?.normal ?? [])),
    stop: cracking?.stop ?? (material ? stopOf(material) : (working?.stop ?? [])),
    cautions: cautionsFor(phase, zone),
    sign: technique.sign,
  };
}
