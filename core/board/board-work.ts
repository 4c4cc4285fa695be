import type { Light } from "../colour/observer.ts";
import type { Course } from "../drying/climate.ts";
import type { ZoneJudgement } from "../judge/judge.ts";
import type { Ground } from "../plan/ground.ts";
import type { Relief, Zone } from "../plan/plan.ts";
import type { Phase } from "../surface/phase.ts";
import type { Face } from "../surface/places.ts";
import type { Instant, WallMinutes } from "../units/units.ts";
import { type Lighting, USUAL_LIGHTING } from "./light-place.ts";
import type { PanelId } from "./panels/panel.ts";

/** What a board is made of: a ground, and the phases of a crust at the instants they begin. */
export interface BoardWork {
  ground: Ground;
  phases: readonly { phase: Phase; starts: Instant }[];
  panel: PanelId;
  seed: number;
  /** the air that the coats dried in; instant 0 is that wall time */
  air: { course: Course; zero: WallMinutes };
  /** the face whose places these are, where they are not the usual */
  places?: Face;
}

const recessed = ({ high, recess }: Relief) => high + recess;

/** The panel that is most like a zone. */
export function panelFor({ shape, relief, place }: Pick<Zone, "shape" | "relief" | "place">): PanelId {
  const drawn = place?.drawn;
  if (drawn === "carved" || drawn === "drawer" || drawn === "leg" || drawn === "disc" || drawn === "frame")
    return drawn;
  if (drawn === "knob") return "drawer";
  if (shape.kind !== "panel") return shape.kind;
  if (recessed(relief) > 0.35) return "carved";
  if (recessed(relief) > 0.08) return "drawer";
  return drawn === "panel" ? "plain" : "top";
}

/** The work of a judged zone on a sample panel. */
export const boardWorkOf = (
  { zone, phases, climate }: Pick<ZoneJudgement, "zone" | "phases" | "climate">,
  panel: PanelId,
  seed: number,
): BoardWork => ({
  ground: zone.ground,
  phases: phases.map(({ phase, starts }) => ({ phase, starts })),
  panel,
  seed,
  air: { course: climate.course, zero: climate.zero },
  ...(zone.sizes || zone.outlines ? { places: { sizes: zone.sizes, outlines: zone.outlines, shape: zone.shape } } : {}),
});

/** Widths in pixels, and seeds, that a board can be drawn at: bounds of every address and flag. */
export const BOARD_WIDTHS = { least: 96, usual: 768, most: 1536 } as const;
export const MOST_SEED = 999;

/** Everything about a phase that a board could show, and how long after the one before it begins. */
const keyOf = ({ phases }: BoardWork, index: number): string => {
  const { phase, starts } = phases[index]!;
  const { id, technique, material, pot, beside, where, intents, uneven } = phase;
  const waited = starts - (phases[index - 1]?.starts ?? 0);
  return JSON.stringify([id, technique.id, material, pot, beside, phase.effects, where, intents, uneven, waited]);
};

/**
 * How many of the first phases two works have in common, so that one board can take them over; −1 for unlike boards.
 */
export function inCommon(a: BoardWork, b: BoardWork): number {
  const place = ({ panel, seed, ground, air, places }: BoardWork) => JSON.stringify([panel, seed, ground, air, places]);
  if (place(a) !== place(b)) return -1;
  let count = 0;
  while (count < a.phases.length && count < b.phases.length && keyOf(a, count) === keyOf(b, count)) count++;
  return count;
}

export interface View {
  light: Light;
  lighting: Lighting;
  /** show the last coat laid as it looks wet */
  wet: boolean;
}

export const USUAL_VIEW: View = { light: "daylight", lighting: USUAL_LIGHTING, wet: false };
