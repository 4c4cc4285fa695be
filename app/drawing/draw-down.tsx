import { randomFrom, seedOf } from "./noise";

/**
 * A draw-down: a band of colour pulled across a painter's chart, over its white half and its black, with brush marks.
 * Without a chart the colour is shown at full thickness.
 */
export function DrawDown({
  colour,
  chart,
  label,
  width = 300,
  height = 150,
}: {
  colour: string;
  /** one coat over white and over black */
  chart?: { overWhite: string; overBlack: string };
  label: string;
  width?: number;
  height?: number;
}) {
  const random = randomFrom(seedOf(colour + label));
  const strokes = Array.from({ length: Math.round(height / 2.2) }, (_, index) => {
    const y = 2.2 * index + 2 * random();
    const start = random() * width * 0.5;
    return { y, start, length: width * (0.3 + 0.7 * random()), dark: random() > 0.5, thick: 0.5 + 3.4 * random() ** 2 };
  });
  const foot = chart ? height * 0.34 : 0;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width="100%" role="img" aria-label={label} className="block rounded-std">
      <rect width={width} height={height} fill={colour} />
      {strokes.map(({ y, start, length, dark, thick }) => (
        <path
          key={y}
          d={`M${start.toFixed(1)} ${y.toFixed(1)}q${(length / 2).toFixed(1)} ${(random() * 2 - 1).toFixed(1)} ${length.toFixed(1)} 0`}
          fill="none"
          stroke={`color-mix(in oklab, ${colour} 88%, ${dark ? "black" : "white"})`}
          strokeWidth={thick}
          strokeLinecap="round"
          opacity={0.32}
        />
      ))}
      {chart && (
        <>
          <rect y={height - foot} width={width / 2} height={foot} fill={chart.overWhite} />
          <rect x={width / 2} y={height - foot} width={width / 2} height={foot} fill={chart.overBlack} />
          <rect y={height - 7} width={width / 2} height={7} fill="#fbfbfa" />
          <rect x={width / 2} y={height - 7} width={width / 2} height={7} fill="#1c1b1a" />
        </>
      )}
    </svg>
  );
}
