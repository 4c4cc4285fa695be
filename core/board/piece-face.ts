import type { Zone } from "../plan/plan.ts";
import { panelFor } from "./board-work.ts";
import { type Grid, gridOver, PANEL_HEIGHT, PANEL_WIDTH } from "./grid.ts";
import { lipped } from "./panels/drawer.ts";
import { MEMBER } from "./panels/frame.ts";
import type { PanelId, PanelShape } from "./panels/panel.ts";
import { panelNamed } from "./panels/panels.ts";
import { type PanelRelief, reliefOf } from "./relief.ts";

// The faces of a piece in small: each in its own proportions, with mouldings, grain and wear as broad as on a sample
// board, so that a piece drawn in a few hundred pixels still shows its finish.

/** How a face of a zone is drawn: what is on it, and its proportions as millimetres of a sample board. */
export interface PieceFace {
  panel: PanelId;
  /** a moulded face without the knob that a drawer has */
  plain: boolean;
  wide: number;
  tall: number;
  /** it is drawn lying down, and stands on the piece */
  lying: boolean;
}

/** As large as a sample board. */
const AREA = PANEL_WIDTH * PANEL_HEIGHT;
/** Longer faces are drawn as long as this against their breadth, and what is over is cut off. */
const MOST_SLENDER = 5;
/** A frame whose members are narrower against its size is drawn with broader ones. */
const LARGEST_FRAME = 1200;
/** Breadth of the members of a frame that does not say, as a part of its shorter side (from memory). */
const USUAL_MEMBER = 0.14;

const sized = (panel: PanelId, wide: number, tall: number): PieceFace => ({
  panel,
  plain: false,
  wide,
  tall,
  lying: false,
});

/** The face of a zone, of the size it has on the piece's front in millimetres. */
export function pieceFace(
  zone: Pick<Zone, "shape" | "relief" | "place">,
  { width, height }: { width: number; height: number },
): PieceFace {
  const panel = panelFor(zone);
  if (panel === "leg") return { ...sized(panel, PANEL_WIDTH, PANEL_HEIGHT), lying: true };
  if (panel === "disc") return sized(panel, PANEL_HEIGHT, PANEL_HEIGHT);
  if (panel === "frame") {
    const member = zone.shape.kind === "frame" ? zone.shape.member : USUAL_MEMBER * Math.min(width, height);
    const scale = Math.min(MEMBER / member, LARGEST_FRAME / Math.max(width, height));
    return sized(panel, width * scale, height * scale);
  }
  const slender = Math.min(MOST_SLENDER, Math.max(1 / MOST_SLENDER, width / height));
  const wide = Math.sqrt(AREA * slender);
  return { ...sized(panel, wide, AREA / wide), plain: zone.place?.drawn !== "drawer" };
}

function shapeOf({ panel, plain, wide, tall }: PieceFace, grid: Grid): PanelShape {
  const shape = panel === "drawer" && plain ? lipped(grid, false) : panelNamed(panel).shape(grid);
  // boards run along what is longer
  if (panel !== "frame" && tall > wide) shape.upright.fill(1);
  return shape;
}

/** A face made ready for work, of about so many pixels in all. */
export function pieceRelief(face: PieceFace, pixels: number): PanelRelief {
  const grid = gridOver(face.wide, face.tall, Math.sqrt((face.wide * face.tall) / pixels));
  const id = `${face.panel} ${face.plain} ${Math.round(face.wide)} ${Math.round(face.tall)}`;
  return reliefOf({ id, shape: (on) => shapeOf(face, on) }, grid);
}

/** The sample board of a zone, as a face. */
export const sampleFace = (zone: Pick<Zone, "shape" | "relief" | "place">): PieceFace =>
  sized(panelFor(zone), PANEL_WIDTH, PANEL_HEIGHT);

/** The boards of a piece are one board: only what lies on it differs. */
export const PIECE_SEED = 1;
