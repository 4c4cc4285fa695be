import { memo, useId } from "react";
import { marksOf } from "#core/board/hands/marks";
import { isTranslucent, onChart } from "#core/colour/material-colour";
import type { Material } from "#core/materials/material";
import { findTechnique } from "#core/surface/techniques";
import { MarkLines } from "./marks";
import { randomFrom, seedOf } from "./noise";

const shade = (colour: string, towards: "black" | "white", part: number) =>
  `color-mix(in oklab, ${colour} ${100 - part}%, ${towards})`;

const EDGES = { from: 4, to: 18 };

/** The technique a role is usually laid by, where none is named. */
const USUALLY: Partial<Record<Material["role"], string>> = {
  wax: "wax",
  leaf: "lay-leaf",
  tissue: "lay-tissue",
  transfer: "rub-transfer",
  crumb: "sprinkle",
  paste: "trowel",
  oil: "oil-on",
  patina: "spray",
  ink: "stamp",
};

/**
 * A dab of a material with the marks of the tool that lays it. Translucent materials are dabbed across the edge of a
 * painter's chart: half over white, half over black.
 */
export const Swatch = memo(function Swatch({
  material,
  how,
  size = 22,
}: {
  material: Material;
  how?: string;
  size?: number;
}) {
  const random = randomFrom(seedOf(material.id));
  const clip = useId();
  const bump = () => 1.2 * (random() - 0.5);
  const outline = `M${2 + bump()} ${7 + bump()}C${4 + bump()} ${2.4 + bump()} ${9 + bump()} 2 ${12 + bump()} ${2.2 + bump()}S${20.5 + bump()} 3 ${20 + bump()} ${8 + bump()}S${21 + bump()} ${15 + bump()} ${18 + bump()} ${18.5 + bump()}S${8 + bump()} ${20.5 + bump()} ${4.5 + bump()} ${18.6 + bump()}S${1.2 + bump()} ${11 + bump()} ${2} ${7}Z`;
  const technique = how ?? USUALLY[material.role] ?? "brush";
  const marks = marksOf(technique, material);
  const rows = [5.6, 7.6, 9.6, 11.6, 13.6, 15.6];
  const seen = isTranslucent(material) ? onChart(material) : null;
  const colour = seen?.overWhite ?? material.colour;
  return (
    <svg viewBox="0 0 22 22" width={size} height={size} aria-hidden="true" className="shrink-0">
      {seen && (
        <clipPath id={clip}>
          <path d={outline} />
        </clipPath>
      )}
      <path d={outline} fill={colour} />
      {seen && <path d="M22 0V22H6L15 0Z" fill={seen.overBlack} clipPath={`url(#${clip})`} />}
      <MarkLines marks={marks} colour={colour} rows={rows} {...EDGES} random={random} />
      <path d={outline} fill="none" stroke={shade(colour, "black", 45)} strokeWidth={0.8} />
    </svg>
  );
});

/** The bare ground: timber with grain, or a plain tile. */
export function GroundSwatch({ colour, timber, size = 22 }: { colour: string; timber: boolean; size?: number }) {
  return (
    <svg viewBox="0 0 22 22" width={size} height={size} aria-hidden="true" className="shrink-0">
      <rect
        x={2}
        y={2}
        width={18}
        height={18}
        rx={1.5}
        fill={colour}
        stroke={shade(colour, "black", 40)}
        strokeWidth={0.8}
      />
      {timber &&
        [5, 8, 11.5, 15, 18].map((y, index) => (
          <path
            key={y}
            d={`M3 ${y}q4 ${index % 2 ? -1.6 : 1.4} 8 0t8 ${index % 2 ? 0.8 : -0.8}`}
            fill="none"
            stroke={shade(colour, "black", 38)}
            strokeWidth={0.7}
            opacity={0.7}
          />
        ))}
    </svg>
  );
}

const HAND_MARKS: Record<string, string> = {
  clean: "M5 15c3-2 5 2 8-1s3-6 5-7M6 8a1.6 1.6 0 1 0 .1 0M11 5a1 1 0 1 0 .1 0",
  dewax: "M4 16c4-1 5-4 7-8M9 17c4-1 5-4 7-8M13 18c3-1 4-3 5-6",
  degloss: "M4 16c4-1 5-4 7-8M9 17c4-1 5-4 7-8M13 18c3-1 4-3 5-6",
  scuff: "M4 17l6-12M9 18l6-12M14 18l4-9",
  "knock-back": "M4 15l9-9 4 4-9 9zM4 19h6",
  strip: "M4 15l9-9 4 4-9 9zM12 18c3 0 5-1 6-3",
  "wipe-back": "M3 14c4-5 7 3 11-3 2-3 4-3 5-2M4 18c4-4 7 2 11-3",
  "rag-off": "M5 8c3-4 4 2 7-1s5 0 5 2M4 14c3-4 5 2 8-1s6 0 6 2",
  comb: "M5 4v9M9 4v9M13 4v9M17 4v9M4 13h14v3H4z",
  soften: "M8 3h6v7H8zM7 10h8l1 7M9 11v7M12 11v7M7 10l-1 7",
  "leaf-off": "M4 14l5-5 4 4-5 5zM13 8l5-4M15 11l4-1",
  "wet-sand": "M5 5v8M9 4v10M13 5v8M17 6v7M5 18c3-2 5 2 8 0s3-1 4 0",
  "wet-distress": "M4 9c3-3 5 3 8 0s4-3 7 0M4 14c3-3 5 3 8 0s4-3 7 0",
  chip: "M4 17l4-5 3 2 3-6 4 3M12 5l3-1 1 3z",
  scrape: "M4 17h14M6 14l9-9 3 3-9 9",
  buff: "M5 11a6 6 0 1 1 3 5M9 11a2.5 2.5 0 1 1 1.5 2.2",
  burnish: "M5 11a6 6 0 1 1 3 5M9 11a2.5 2.5 0 1 1 1.5 2.2",
  look: "M2 11c4-6 14-6 18 0-4 6-14 6-18 0zM11 8.4a2.6 2.6 0 1 1-.1 0",
  mist: "M5 6v.1M9 4v.1M13 6v.1M17 5v.1M6 11v.1M11 10v.1M15 11v.1M8 16v.1M13 16v.1",
  "hair-dryer": "M4 7h9l3 3-3 3H4zM7 13l1 5M17 8h2M17 12h2",
  "heat-gun": "M4 7h9l3 3-3 3H4zM7 13l1 5M17 8h2M17 12h2",
  mask: "M4 6h14v4H4zM4 14h14v4H4z",
  stand: "M11 3a8 8 0 1 1-.1 0M11 7v4l3 2",
  cure: "M11 3a8 8 0 1 1-.1 0M11 7v4l3 2",
  "turn-over": "M5 8a7 7 0 0 1 12 1M17 5v4h-4M17 14a7 7 0 0 1-12-1M5 17v-4h4",
};
const SANDED = "M5 5v12M9 4v14M13 5v12M17 6v10";
const HANDLED = "M4 8h14v9H4zM8 8V5h6v3";
const HELPED = "M5 16l6-10 6 10zM8 12h6";

function markOf(how: string): string {
  const known = HAND_MARKS[how];
  if (known) return known;
  const kind = findTechnique(how)?.kind;
  return kind === "handle" ? HANDLED : kind === "help" || kind === "prepare" ? HELPED : SANDED;
}

/** A mark for steps that remove or prepare and lay nothing. */
export const HandMark = memo(function HandMark({ how, size = 22 }: { how: string; size?: number }) {
  return (
    <svg viewBox="0 0 22 22" width={size} height={size} aria-hidden="true" className="shrink-0 text-soft">
      <path d={markOf(how)} fill="none" stroke="currentColor" strokeWidth={1.5} strokeLinecap="round" />
    </svg>
  );
});
