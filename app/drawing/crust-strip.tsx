import { seedOf, waver } from "./noise";

interface Props {
  layers: readonly { colour: string; hides: number }[];
  seed: string;
  width?: number;
  height?: number;
}

/** A small picture of a crust: its layers from the ground up, seen from the side. */
export function CrustStrip({ layers, seed, width = 92, height = 44 }: Props) {
  const groundShare = layers.length > 1 ? 0.3 : 0.55;
  const room = height * (1 - groundShare) - 3;
  const each = Math.min(height * 0.17, room / Math.max(1, layers.length - 1));
  const xs = Array.from({ length: 24 }, (_, index) => (index * width) / 23);
  let floor = height * (1 - groundShare);
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} aria-hidden="true" className="block">
      {layers
        .map((layer, index) => {
          const alive = waver(seedOf(seed) + index * 17, width / 5);
          const top = index === 0 ? floor : floor - each;
          const tops = xs.map((x) => `${x.toFixed(1)} ${(top + alive(x) * Math.min(1.6, each / 4)).toFixed(1)}`);
          floor = top;
          const path = `M${tops.join("L")}L${width} ${height}L0 ${height}Z`;
          return { path, colour: layer.colour, key: `${index}-${layer.colour}` };
        })
        .reverse()
        .map(({ path, colour, key }) => (
          <path key={key} d={path} fill={colour} stroke="#2a231d" strokeOpacity={0.35} strokeWidth={0.6} />
        ))}
    </svg>
  );
}
