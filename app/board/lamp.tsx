import { type KeyboardEvent, type PointerEvent, useState } from "react";
import type { Lighting } from "#core/board/light-place";
import { arrowWay } from "~/keys/arrows";

const WORDS = ["the right", "lower right", "below", "lower left", "the left", "upper left", "above", "upper right"];
const fromWhere = (azimuth: number) => WORDS[Math.round(azimuth / 45) % 8]!;
const TURN = 15;
const RISE = 6;
const RADIUS = 22;
/** How high the light stands at the rim of the dial and in its middle. */
const LOWEST = 14;
const HIGHEST = 76;

/** Direction of the light: a dial seen from above. Going round turns the light, going inwards raises it. */
export function LampDial({ lighting, onTurn }: { lighting: Lighting; onTurn: (lighting: Lighting) => void }) {
  const [dragged, setDragged] = useState<Lighting | null>(null);
  const shown = dragged ?? lighting;
  const out = (RADIUS * (HIGHEST - shown.elevation)) / (HIGHEST - LOWEST);
  const turn = (shown.azimuth * Math.PI) / 180;
  const at = (event: PointerEvent<HTMLElement>): Lighting => {
    const box = event.currentTarget.getBoundingClientRect();
    const x = event.clientX - box.left - box.width / 2;
    const y = event.clientY - box.top - box.height / 2;
    const reach = Math.min(1, Math.hypot(x, y) / (RADIUS * (box.width / 56)));
    return {
      azimuth: Math.round(((Math.atan2(y, x) * 180) / Math.PI + 360) % 360) % 360,
      elevation: Math.round(HIGHEST - reach * (HIGHEST - LOWEST)),
    };
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const way = arrowWay(event.key);
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    onTurn({
      azimuth: (lighting.azimuth + way[0] * TURN + 360) % 360,
      elevation: Math.min(HIGHEST, Math.max(LOWEST, lighting.elevation - way[1] * RISE)),
    });
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="Direction of the light"
      aria-valuemin={0}
      aria-valuemax={359}
      aria-valuenow={shown.azimuth}
      aria-valuetext={`from ${fromWhere(shown.azimuth)}, ${shown.elevation} degrees high`}
      className="size-11 shrink-0 cursor-grab touch-none rounded-full"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDragged(at(event));
        onTurn(at(event));
      }}
      onPointerMove={(event) => {
        if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
        setDragged(at(event));
        onTurn(at(event));
      }}
      onPointerUp={() => setDragged(null)}
      onKeyDown={onKeyDown}
    >
      <svg viewBox="-28 -28 56 56" width={44} height={44} aria-hidden="true">
        <circle r={RADIUS + 4} fill="var(--color-board)" stroke="var(--color-edge)" />
        <rect x={-9} y={-6} width={18} height={12} fill="none" stroke="var(--color-edge)" />
        <g transform={`translate(${out * Math.cos(turn)} ${out * Math.sin(turn)})`}>
          <circle r={5.5} fill="#e9b949" stroke="var(--color-ink)" strokeWidth={1.2} />
        </g>
      </svg>
    </div>
  );
}
