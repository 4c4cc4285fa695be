import type { LadderRow } from "./runs";

/** How tall the parts of the ladder are, so that the whole stack stays in view. */
export interface LadderSizes {
  row: number;
  seam: number;
  surface: number;
  /**
   * Open: each step with its work, each seam with its reason. Close: rows stand so near that what a seam says moves into the row
   * above it.
   */
  kind: "open" | "usual" | "close";
}

const LEAST_PITCH = 24;
const HIGHEST_PITCH = 34;

const ROOMY = [
  { row: 48, seam: 60, surface: 48, kind: "open" },
  { row: 36, seam: 24, surface: 26, kind: "usual" },
  { row: 30, seam: 20, surface: 24, kind: "usual" },
  { row: 25, seam: 18, surface: 22, kind: "usual" },
] as const satisfies readonly LadderSizes[];

/**
 * The roomiest sizes that show so many rows and the ground in this height, down to rows that are still large enough
 * to select.
 */
export function ladderSizes(count: number, available: number): LadderSizes {
  const fitting = ROOMY.find(({ row, seam, surface }) => count * (row + seam) + row + surface <= available);
  if (fitting) return fitting;
  const share = Math.floor((available - 22 - LEAST_PITCH) / Math.max(1, count));
  const pitch = Math.max(LEAST_PITCH, Math.min(HIGHEST_PITCH, share));
  return { row: pitch - 3, seam: 3, surface: 22, kind: "close" };
}

/** How far from the top of the ladder the middle of each step's row is, by step id; the ground last. */
export function rowMiddles(rows: readonly LadderRow[], { row, seam, surface }: LadderSizes, hasSurface: boolean) {
  const middles = new Map<string, number>();
  let y = hasSurface ? surface : 0;
  for (const line of rows) {
    for (const { step } of line.is === "run" ? line.run.rungs : [line.rung]) middles.set(step.id, y + row / 2);
    y += row + seam;
  }
  middles.set("ground", y + row / 2);
  return middles;
}
