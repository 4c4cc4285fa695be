import { memo } from "react";
import { isTranslucent, onChart } from "#core/colour/material-colour";
import type { Material } from "#core/materials/material";

const WIDTH = 30;
const HEIGHT = 36;
const TOP = 7;
const BOTTOM = 33;
const INSIDE = BOTTOM - TOP;
/** The mark of what is needed stands at this part of the height, so that more than enough can be seen too. */
const NEED_AT = 0.72;

/**
 * A tin seen from the side, filled to what there is of a material; the broken line is what is needed. What is past its time is
 * hatched.
 */
export const Tin = memo(function Tin({
  material,
  need,
  there,
  old,
}: {
  material: Material;
  need: number;
  there: number;
  old: number;
}) {
  const full = need > 0 ? need / NEED_AT : Math.max(there, 1);
  const height = (amount: number) => Math.min(1, amount / full) * INSIDE;
  const good = height(there);
  const stale = Math.min(INSIDE - good, height(old));
  const colour = isTranslucent(material) ? onChart(material).overWhite : material.colour;
  const line = BOTTOM - NEED_AT * INSIDE;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width={WIDTH} height={HEIGHT} aria-hidden="true" className="shrink-0">
      <path d={`M5 ${TOP}V${BOTTOM}q10 2.5 20 0V${TOP}`} fill="var(--color-board)" />
      {good > 0.3 && (
        <path
          d={`M5 ${BOTTOM - good}h20V${BOTTOM}q-10 2.5 -20 0z`}
          fill={colour}
          stroke="var(--color-ink)"
          strokeWidth={0.7}
        />
      )}
      {stale > 0.5 && (
        <g stroke="var(--color-sienna)" strokeWidth={0.9}>
          {Array.from({ length: Math.ceil(stale / 3) }, (_, index) => {
            const y = BOTTOM - good - index * 3;
            // biome-ignore lint/suspicious/noArrayIndexKey: lines of a hatching have no other name
            return <path key={index} d={`M6 ${y}L24 ${y - 2.4}`} />;
          })}
        </g>
      )}
      <path
        d={`M5 ${TOP}V${BOTTOM}q10 2.5 20 0V${TOP}`}
        fill="none"
        stroke="var(--color-ink)"
        strokeWidth={1.1}
        strokeLinejoin="round"
      />
      <path d={`M3.5 ${TOP - 3.5}h23v3.5h-23z`} fill="var(--color-wash)" stroke="var(--color-ink)" strokeWidth={1} />
      {need > 0 && <path d={`M2 ${line}H28`} stroke="var(--color-ochre)" strokeWidth={1.2} strokeDasharray="2.5 2" />}
    </svg>
  );
});

const SLOTS = 6;

/** What is counted: six places for what is needed, and as many of them taken as are there. */
export const Pegs = memo(function Pegs({ need, there }: { need: number; there: number }) {
  const taken = need > 0 ? Math.floor(Math.min(1, there / need) * SLOTS + 1e-6) : there > 0 ? SLOTS : 0;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width={WIDTH} height={HEIGHT} aria-hidden="true" className="shrink-0">
      <path d="M3 12.5H27M3 24.5H27" stroke="var(--color-edge)" strokeWidth={1} />
      {[0, 1, 2, 3, 4, 5].map((slot) => (
        <rect
          key={slot}
          x={5 + (slot % 3) * 7.5}
          y={slot < 3 ? 12.5 : 24.5}
          width={5}
          height={7}
          rx={1}
          fill={slot < taken ? "var(--color-edge)" : "var(--color-board)"}
          stroke="var(--color-edge)"
          strokeDasharray={slot < taken ? undefined : "1.5 1.5"}
        />
      ))}
    </svg>
  );
});
