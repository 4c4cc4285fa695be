import type { Outlines } from "#core/plan/outline";
import type { PlaceOnFace, Zone } from "#core/plan/plan";

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Outlines of a face as a path on the drawing. */
export const outlinePath = (outlines: Outlines, { x, y, width, height }: Box): string =>
  outlines
    .map((outline) => `M${outline.map(([px, py]) => `${x + px * width} ${y + py * height}`).join("L")}Z`)
    .join("");

/** Places differ by their dashes, as nothing is said by colour alone. */
const DASHES: Record<PlaceOnFace, string> = { border: "9 3", hands: "2 3", motif: "6 3 1.5 3", patch: "4 4" };

/** The places drawn by hand on a face: a pale line under a dashed dark one, to be seen on any finish. */
export function PlaceOutlines({ outlines, box }: { outlines: Zone["outlines"]; box: Box }) {
  return Object.entries(outlines ?? {}).map(([place, lines]) => {
    const d = outlinePath(lines, box);
    return (
      <g key={place} fill="none" pointerEvents="none" strokeLinejoin="round">
        <path d={d} stroke="#fbf7ef" strokeOpacity={0.8} strokeWidth={2.6} />
        <path d={d} stroke="#2a231d" strokeWidth={1.1} strokeDasharray={DASHES[place as PlaceOnFace]} />
      </g>
    );
  });
}
