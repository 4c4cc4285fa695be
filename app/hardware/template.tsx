import type { OldHole } from "#core/quantity/hardware";

export const OLD_WORDS: Record<OldHole, string> = {
  use: "They meet: use the old holes again.",
  "plug before drilling":
    "They nearly meet: glue a dowel into the old hole and let it set before drilling, or the drill runs into it.",
  hidden: "The plate of the new handle hides the old hole. It can stay.",
  plug: "The old hole would be seen: plug it with a dowel, cut it flush, fill, sand and prime it with the rest.",
};

export const mm = (value: number) => `${Math.round(value * 10) / 10} mm`;

const MARGIN = 8;

/** The front at true size: its outline where it fits on the paper, its middle lines and the holes. */
export function Template({
  width,
  height,
  holes,
  hole,
}: {
  width: number;
  height: number;
  holes: { x: number; y: number }[];
  hole: number;
}) {
  const xs = holes.map(({ x }) => x);
  const middle = width / 2;
  // only what surrounds the holes is drawn, so that it fits on a sheet
  const half = Math.min(width / 2, Math.max(...xs.map((x) => Math.abs(x - middle))) + 40);
  const w = 2 * half + 2 * MARGIN;
  const h = Math.min(height, 240) + 2 * MARGIN;
  const left = middle - half - MARGIN;
  const y = (own: number) => MARGIN + Math.min(height, 240) - own;
  return (
    <svg
      viewBox={`${left} 0 ${w} ${h}`}
      width={`${w}mm`}
      height={`${h}mm`}
      role="img"
      aria-label={`Template at true size: ${holes.length} holes of ${mm(hole)}`}
      className="max-w-none bg-white"
      data-template=""
    >
      <rect
        x={middle - half}
        y={MARGIN}
        width={2 * half}
        height={h - 2 * MARGIN}
        fill="none"
        stroke="#2a231d"
        strokeWidth={0.35}
      />
      <path
        d={`M${middle} ${MARGIN - 4}V${h - MARGIN + 4}`}
        stroke="#2a231d"
        strokeWidth={0.25}
        strokeDasharray="3 1.5"
      />
      <path
        d={`M${middle - half - 4} ${y(holes[0]!.y)}H${middle + half + 4}`}
        stroke="#2a231d"
        strokeWidth={0.25}
        strokeDasharray="3 1.5"
      />
      {holes.map(({ x, y: own }) => (
        <g key={x} fill="none" stroke="#2a231d" strokeWidth={0.3}>
          <circle cx={x} cy={y(own)} r={hole / 2} />
          <path d={`M${x - 6} ${y(own)}h12M${x} ${y(own) - 6}v12`} />
        </g>
      ))}
      <path d={`M${middle - half} ${h - 3}h50`} stroke="#2a231d" strokeWidth={0.5} />
      <text x={middle - half + 52} y={h - 1.8} fontSize={3.4} fill="#2a231d">
        50 mm: measure this before you drill
      </text>
    </svg>
  );
}
