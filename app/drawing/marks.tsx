import type { Marks } from "#core/board/hands/marks";

// Small tool marks for swatches and sections: the sample board draws the same marks pixel by pixel.

const shade = (colour: string, towards: "black" | "white", part: number) =>
  `color-mix(in oklab, ${colour} ${100 - part}%, ${towards})`;

interface Rows {
  /** middle of each row of marks, from the top */
  rows: readonly number[];
  from: number;
  to: number;
  random: () => number;
}

type Draw = (rows: Rows) => string;

const lines =
  (sway: number, shortest: number): Draw =>
  ({ rows, from, to, random }) =>
    rows
      .map((y) => {
        const start = from + random() * (to - from) * (1 - shortest) * 0.6;
        const length = (to - start) * (shortest + random() * (1 - shortest) * 0.9);
        const bend = () => ((random() - 0.5) * sway).toFixed(1);
        return `M${start.toFixed(1)} ${y.toFixed(1)}q${(length / 2).toFixed(1)} ${bend()} ${length.toFixed(1)} ${bend()}`;
      })
      .join("");

const spots =
  (size: number, each: number): Draw =>
  ({ rows, from, to, random }) =>
    rows
      .flatMap((y) =>
        Array.from({ length: each }, () => {
          const x = from + random() * (to - from);
          const long = (0.2 + random() * size).toFixed(1);
          return `M${x.toFixed(1)} ${(y + (random() - 0.5) * 3).toFixed(1)}h${long}`;
        }),
      )
      .join("");

const DRAWN: Record<Marks, Draw> = {
  strokes: lines(1.2, 0.5),
  hatch: ({ rows, from, to, random }) =>
    rows
      .map((y, index) => {
        const x = from + random() * (to - from - 4);
        return index % 2 === 0 ? `M${x.toFixed(1)} ${y.toFixed(1)}h4` : `M${x.toFixed(1)} ${(y - 2).toFixed(1)}v4`;
      })
      .join(""),
  dots: spots(0.3, 4),
  dabs: spots(2.4, 2),
  folds: ({ rows, from, to, random }) =>
    rows
      .map((y) => `M${(from + random() * (to - from) * 0.6).toFixed(1)} ${y.toFixed(1)}l2.5 -2 2.2 1.6 2 -1.4`)
      .join(""),
  figures: ({ rows, from, to }) =>
    rows
      .filter((_, index) => index % 2 === 0)
      .map((y) => `M${((from + to) / 2 - 2).toFixed(1)} ${y.toFixed(1)}h4m-2 -2v4`)
      .join(""),
  sheets: ({ rows, from, to }) =>
    rows
      .filter((_, index) => index % 2 === 0)
      .map(
        (y, index) =>
          `M${from} ${y.toFixed(1)}H${to}M${(from + ((to - from) * (1 + index)) / 3).toFixed(1)} ${y.toFixed(1)}v5`,
      )
      .join(""),
  ridges: lines(0.3, 0.8),
  gleam: lines(2.6, 0.65),
  none: () => "",
};

/** Marks on a patch of colour, alternately light and dark. */
export function MarkLines({ marks, colour, ...rows }: Rows & { marks: Marks; colour: string }) {
  const drawn = DRAWN[marks];
  const [light, dark] = [0, 1].map((turn) =>
    drawn({ ...rows, rows: rows.rows.filter((_, index) => index % 2 === turn) }),
  );
  const part = marks === "gleam" ? 34 : 20;
  return (
    <g fill="none" strokeLinecap="round" opacity={0.8} strokeWidth={0.9}>
      <path d={light} stroke={shade(colour, "white", part)} />
      <path d={dark} stroke={shade(colour, "black", marks === "gleam" ? 12 : part)} />
    </g>
  );
}

/** How the tool marks run along a strip of a section, as dashes. */
export const DASHES: Record<Marks, string> = {
  strokes: "34 9 14 21 52 13",
  hatch: "7 6 9 8",
  dots: "1 5",
  dabs: "4 7 2 9",
  folds: "6 3 3 7",
  figures: "3 9",
  sheets: "40 3",
  ridges: "70 6",
  gleam: "30 7 62 11",
  none: "0 400",
};
