import { useMemo } from "react";
import { Link } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { coloursSeen } from "#core/judge/look";
import type { ReliefClass, Zone } from "#core/plan/plan";
import { randomFrom, seedOf } from "./noise";
import { type Box, PlaceOutlines } from "./place-outlines";

// The piece as a plain front elevation, to scale, every zone filled with what it will look like. It is the zone
// picker.

type Placed = Zone & { place: NonNullable<Zone["place"]> };
type Colours = Record<ReliefClass, string>;

const GAP = 60;

/** A place for zones that have none: beside the piece, one above the other, to the same scale. */
function sizeOf({ shape }: Zone): { width: number; height: number; drawn: Placed["place"]["drawn"] } {
  switch (shape.kind) {
    case "panel":
      return {
        width: shape.width,
        height: shape.height * Math.min(shape.count, 8),
        drawn: shape.count > 1 ? "drawer" : "panel",
      };
    case "frame":
      return { width: shape.width, height: shape.height, drawn: "frame" };
    case "box":
      return { width: shape.width, height: shape.height, drawn: "panel" };
    case "disc":
      return { width: shape.diameter, height: shape.diameter, drawn: "disc" };
    case "leg":
      return { width: Math.max(shape.diameter * 2 * shape.count, shape.diameter), height: shape.length, drawn: "leg" };
  }
}

/** Every zone with its place; those without one are set beside the rest. */
export function arranged(zones: readonly Zone[]): Placed[] {
  const known = zones.filter((zone): zone is Placed => zone.place !== undefined);
  let right = Math.max(0, ...known.map(({ place }) => place.x + place.width)) + (known.length > 0 ? GAP * 2 : 0);
  const rest = zones
    .filter((zone) => zone.place === undefined)
    .map((zone): Placed => {
      const { width, height, drawn } = sizeOf(zone);
      const place = { x: right, y: 0, width, height, drawn };
      right += width + GAP;
      return { ...zone, place };
    });
  // smaller things are drawn over larger ones
  return [...known, ...rest].sort(
    (one, two) => two.place.width * two.place.height - one.place.width * one.place.height,
  );
}

interface Drawn {
  x: number;
  y: number;
  width: number;
  height: number;
  colours: Colours;
  seed: number;
  zone: Placed;
}

/**
 * Wear along the four edges of a face: slivers that eat inwards, thick in the middle and thin at their ends, more
 * often near the corners where hands and knees go.
 */
function wearPath(x: number, y: number, width: number, height: number, seed: number): string {
  const random = randomFrom(seed);
  const parts: string[] = [];
  const edge = (length: number, at: (along: number, inwards: number) => string) => {
    let along = random() * 10;
    while (along < length - 3) {
      const corner = Math.min(along, length - along) < length * 0.16 ? 1.6 : 1;
      const run = Math.min(length - along, (4 + random() ** 2 * 40) * corner);
      const deep = (0.6 + random() * 2.2) * Math.min(1.5, corner) * Math.min(1, run / 9);
      const [a, b] = [along + run * (0.2 + random() * 0.2), along + run * (0.6 + random() * 0.25)];
      parts.push(`M${at(along, 0)}L${at(a, deep)}L${at(b, deep * (0.5 + random() * 0.6))}L${at(along + run, 0)}Z`);
      along += run + 2 + random() ** 2 * 42 * (2.2 - corner);
    }
  };
  const point = (px: number, py: number) => `${px.toFixed(1)} ${py.toFixed(1)}`;
  edge(width, (along, deep) => point(x + along, y + deep));
  edge(width, (along, deep) => point(x + along, y + height - deep));
  edge(height, (along, deep) => point(x + deep, y + along));
  edge(height, (along, deep) => point(x + width - deep, y + along));
  return parts.join("");
}

function Face({ x, y, width, height, colours, seed }: Omit<Drawn, "zone">) {
  return (
    <>
      <rect x={x} y={y} width={width} height={height} fill={colours.field} />
      <path d={wearPath(x, y, width, height, seed)} fill={colours.arris} />
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        fill="none"
        stroke="#2a231d"
        strokeOpacity={0.55}
        strokeWidth={0.8}
      />
    </>
  );
}

function Moulding({ x, y, width, height, colours, inset }: Omit<Drawn, "zone" | "seed"> & { inset: number }) {
  const most = Math.min(inset, width / 3, height / 3);
  if (most < 1.5) return null;
  const ring = { x: x + most, y: y + most, width: width - 2 * most, height: height - 2 * most };
  return (
    <>
      <rect {...ring} fill="none" stroke={colours.recess} strokeWidth={Math.min(3, most * 0.5)} />
      <rect
        x={ring.x - 1.6}
        y={ring.y - 1.6}
        width={ring.width + 3.2}
        height={ring.height + 3.2}
        fill="none"
        stroke={colours.high}
        strokeWidth={1}
      />
    </>
  );
}

/** A carved spray of leaves, deliberately not an exact mirror image. */
function Carving({ x, y, width, height, colours, seed }: Omit<Drawn, "zone">) {
  const random = randomFrom(seed + 5);
  const cx = x + width / 2;
  const cy = y + height / 2;
  const reach = Math.min(width * 0.4, height * 1.1);
  const leaves = Array.from({ length: 7 }, (_, at) => {
    const angle = -Math.PI / 2 + (at - 3) * 0.42 + (random() - 0.5) * 0.1;
    const length = reach * (0.34 - 0.02 * Math.abs(at - 3)) * (0.9 + 0.2 * random());
    const [tx, ty] = [cx + Math.cos(angle) * length, cy + height * 0.12 + Math.sin(angle) * length * 0.75];
    const side = 0.26 * length;
    const [nx, ny] = [-Math.sin(angle) * side, Math.cos(angle) * side];
    return `M${cx} ${cy + height * 0.14}Q${(cx + tx) / 2 + nx} ${(cy + ty) / 2 + ny} ${tx} ${ty}Q${(cx + tx) / 2 - nx} ${(cy + ty) / 2 - ny} ${cx} ${cy + height * 0.14}Z`;
  });
  return (
    <g>
      {leaves.map((leaf) => (
        <path key={leaf} d={leaf} fill={colours.high} stroke={colours.recess} strokeWidth={1.6} />
      ))}
      <ellipse
        cx={cx}
        cy={cy + height * 0.16}
        rx={reach * 0.2}
        ry={height * 0.035}
        fill={colours.high}
        stroke={colours.recess}
        strokeWidth={1.4}
      />
    </g>
  );
}

/** Every face of a zone on the drawing: drawers one above the other, leaves and panels side by side. */
function facesOf({ x, y, width, height, zone }: Drawn): Box[] {
  const { drawn } = zone.place;
  const { kind, count } = zone.shape;
  if (drawn === "drawer") {
    const rows = Math.min(12, count);
    const gap = Math.min(4, height / rows / 6);
    const each = (height - gap * (rows - 1)) / rows;
    return Array.from({ length: rows }, (_, row) => ({ x, y: y + row * (each + gap), width, height: each }));
  }
  const columns = Math.min(MOST_BESIDE[drawn] ?? 1, drawn === "frame" && kind !== "frame" ? 1 : count);
  // the leaves of a frame touch
  const gap = drawn === "frame" || columns === 1 ? 0 : 6;
  const each = (width - gap * (columns - 1)) / columns;
  return Array.from({ length: columns }, (_, column) => ({ x: x + column * (each + gap), y, width: each, height }));
}

/** How many of a kind are drawn side by side. */
const MOST_BESIDE: Partial<Record<Placed["place"]["drawn"], number>> = { panel: 6, moulded: 6, carved: 6, frame: 4 };

function Rows(drawn: Drawn) {
  return (
    <>
      {facesOf(drawn).map((box, row) => {
        const face = { ...box, colours: drawn.colours, seed: drawn.seed + row };
        return (
          <g key={box.y}>
            <Face {...face} />
            {box.height > 14 && <Moulding {...face} inset={Math.min(8, box.height * 0.16)} />}
          </g>
        );
      })}
    </>
  );
}

function Ring({ scale, ...drawn }: Drawn & { scale: number }) {
  const { y, width, height, colours, seed, zone } = drawn;
  const member = zone.shape.kind === "frame" ? zone.shape.member * scale : Math.min(width, height) * 0.14;
  return (
    <>
      {facesOf(drawn).map(({ x: left, width: leaf }, at) => {
        const round = Math.min(member, leaf / 2.2, height / 2.2);
        const [inner, tall] = [leaf - 2 * round, height - 2 * round];
        return (
          <g key={left}>
            <path
              fillRule="evenodd"
              fill={colours.field}
              stroke="#2a231d"
              strokeOpacity={0.55}
              strokeWidth={0.8}
              d={`M${left} ${y}h${leaf}v${height}h${-leaf}ZM${left + round} ${y + round}h${inner}v${tall}h${-inner}Z`}
            />
            <path d={wearPath(left, y, leaf, height, seed + at)} fill={colours.arris} />
            <rect
              x={left + round * 0.62}
              y={y + round * 0.62}
              width={leaf - round * 1.24}
              height={height - round * 1.24}
              fill="none"
              stroke={colours.recess}
              strokeWidth={Math.min(3, round * 0.16)}
            />
            <rect
              x={left + round * 0.28}
              y={y + round * 0.28}
              width={leaf - round * 0.56}
              height={height - round * 0.56}
              fill="none"
              stroke={colours.high}
              strokeWidth={1.2}
            />
          </g>
        );
      })}
    </>
  );
}

/**
 * A turned leg from the top down: how far along, and how thick there; a square block, then beads, a long vase, a
 * foot.
 */
const TURNED: readonly (readonly [along: number, thick: number])[] = [
  [0.15, 0.62],
  [0.18, 0.92],
  [0.21, 0.62],
  [0.25, 0.8],
  [0.34, 0.98],
  [0.5, 0.7],
  [0.68, 0.54],
  [0.74, 0.52],
  [0.77, 0.84],
  [0.8, 0.52],
  [0.86, 0.72],
  [0.97, 0.46],
  [1, 0.54],
];
const BLOCK = 0.14;

function Legs({ x, y, width, height, colours, zone, scale }: Drawn & { scale: number }) {
  const thick = zone.shape.kind === "leg" ? Math.max(5, zone.shape.diameter * scale) : 10;
  const seen = Math.min(2, zone.shape.count);
  return (
    <>
      {Array.from({ length: seen }, (_, at) => {
        const cx = seen === 1 ? x + width / 2 : at === 0 ? x + thick / 2 : x + width - thick / 2;
        const half = (part: number) => (part * thick) / 2;
        const side = (sign: 1 | -1) =>
          TURNED.map(([along, part]) => [cx + sign * half(part), y + along * height] as const);
        const right = side(1);
        const left = side(-1).reverse();
        const turned = `M${right[0]![0]} ${right[0]![1]}${smooth(right)}L${left[0]![0]} ${left[0]![1]}${smooth(left)}Z`;
        const line = (along: number, part: number) => `M${cx - half(part)} ${y + along * height}h${2 * half(part)}`;
        const edge = { stroke: "#2a231d", strokeOpacity: 0.55, strokeWidth: 0.8 };
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: the legs differ only by their place
          <g key={at}>
            <path d={turned} fill={colours.field} {...edge} />
            <rect x={cx - thick / 2} y={y} width={thick} height={height * BLOCK} fill={colours.field} {...edge} />
            <path d={wearPath(cx - thick / 2, y, thick, height * BLOCK, seedOf(zone.id) + at)} fill={colours.arris} />
            {[0.18, 0.77].map((along) => (
              <path
                key={along}
                d={line(along, 0.8)}
                stroke={colours.high}
                strokeWidth={Math.max(1.4, height * 0.012)}
              />
            ))}
            {[0.15, 0.21, 0.74, 0.8].map((along) => (
              <path key={along} d={line(along, 0.56)} stroke={colours.recess} strokeWidth={1.6} />
            ))}
          </g>
        );
      })}
    </>
  );
}

const smooth = (points: readonly (readonly [number, number])[]) =>
  points
    .slice(1)
    .map(([x, y], at) => {
      const [px, py] = points[at]!;
      return `C${px} ${(py + y) / 2} ${x} ${(py + y) / 2} ${x} ${y}`;
    })
    .join("");

function Part({ drawn, scale }: { drawn: Drawn; scale: number }) {
  const { zone, x, y, width, height, colours } = drawn;
  switch (zone.place.drawn) {
    case "drawer":
      return <Rows {...drawn} />;
    case "frame":
      return <Ring {...drawn} scale={scale} />;
    case "leg":
      return <Legs {...drawn} scale={scale} />;
    case "disc":
      return (
        <>
          <ellipse
            cx={x + width / 2}
            cy={y + height / 2}
            rx={width / 2}
            ry={height / 2}
            fill={colours.field}
            stroke="#2a231d"
            strokeOpacity={0.55}
            strokeWidth={0.8}
          />
          <ellipse
            cx={x + width / 2}
            cy={y + height / 2}
            rx={width / 2 - 2}
            ry={height / 2 - 2}
            fill="none"
            stroke={colours.arris}
            strokeWidth={2}
            strokeDasharray="34 9 61 14 22 7"
          />
        </>
      );
    case "knob":
      return (
        <circle
          cx={x + width / 2}
          cy={y + height / 2}
          r={Math.max(4, Math.min(width, height) / 2)}
          fill={colours.high}
          stroke={colours.recess}
          strokeWidth={1.6}
        />
      );
    default:
      return facesOf(drawn).map((box, at) => {
        const face = { ...box, colours, seed: drawn.seed + at };
        return (
          <g key={box.x}>
            <Face {...face} />
            {(zone.place.drawn === "moulded" || zone.place.drawn === "carved") && <Moulding {...face} inset={11} />}
            {zone.place.drawn === "carved" && <Carving {...face} />}
          </g>
        );
      });
  }
}

const NO_COLOURS: Colours = { arris: "#ccc", field: "#ccc", high: "#ccc", recess: "#999" };

/** One face of a zone alone, filling a box. */
export function ZoneFace({ zone, judged, box }: { zone: Zone; judged: ZoneJudgement | undefined; box: Box }) {
  const { width } = sizeOf(zone);
  const drawn = zone.place?.drawn ?? sizeOf(zone).drawn;
  const one = { ...zone, shape: { ...zone.shape, count: 1 }, place: { ...box, drawn } };
  const colours = judged ? coloursSeen(judged.after) : NO_COLOURS;
  return <Part drawn={{ ...box, colours, seed: seedOf(zone.id), zone: one }} scale={box.width / width} />;
}

interface Props {
  zones: readonly Zone[];
  judged: readonly ZoneJudgement[];
  width: number;
  height: number;
  chosen?: string;
  /** where a zone leads; left out, it is a drawing and no picker */
  linkTo?: (zoneId: string) => string;
  /** what the drawing shows for a zone, such as its worst verdict in words */
  says?: (zone: Zone) => string;
}

/** The front of a piece to scale. Where it is a picker, each zone is a link that selects it. */
export function Elevation({ zones, judged, width, height, chosen, linkTo, says = () => "" }: Props) {
  const placed = useMemo(() => arranged(zones), [zones]);
  const colours = useMemo(() => new Map(judged.map((one) => [one.zone.id, coloursSeen(one.after)])), [judged]);
  if (placed.length === 0) return null;
  const left = Math.min(...placed.map(({ place }) => place.x));
  const right = Math.max(...placed.map(({ place }) => place.x + place.width));
  const bottom = Math.min(...placed.map(({ place }) => place.y));
  const top = Math.max(...placed.map(({ place }) => place.y + place.height));
  const margin = 26;
  const scale = Math.min(
    (width - 2 * margin) / Math.max(1, right - left),
    (height - 2 * margin) / Math.max(1, top - bottom),
  );
  const dx = (width - (right - left) * scale) / 2;
  const floor = height - (height - (top - bottom) * scale) / 2;
  const rod = [2000, 1000, 500, 200, 100, 50, 20].find((one) => one <= (right - left) / 2.2) ?? 10;
  const screen = new Map(
    placed.map((zone): [string, Drawn] => {
      const { place } = zone;
      return [
        zone.id,
        {
          x: dx + (place.x - left) * scale,
          y: floor - (place.y + place.height - bottom) * scale,
          width: place.width * scale,
          height: place.height * scale,
          colours: colours.get(zone.id) ?? NO_COLOURS,
          seed: seedOf(zone.id),
          zone,
        },
      ];
    }),
  );
  const selected = chosen ? screen.get(chosen) : undefined;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role={linkTo ? "group" : "img"}
      aria-label="The piece from the front, to scale"
    >
      <path d={`M${margin / 2} ${floor + 1}H${width - margin / 2}`} stroke="#8d806f" strokeWidth={1} />
      {placed.map((zone) => {
        const drawn = screen.get(zone.id)!;
        const faces = (
          <>
            <Part drawn={drawn} scale={scale} />
            {zone.outlines &&
              facesOf(drawn).map((box) => (
                <PlaceOutlines key={`${box.x} ${box.y}`} outlines={zone.outlines} box={box} />
              ))}
          </>
        );
        if (!linkTo) return <g key={zone.id}>{faces}</g>;
        return (
          <Link
            key={zone.id}
            to={linkTo(zone.id)}
            replace
            preventScrollReset
            aria-label={`${zone.name}${says(zone) ? `: ${says(zone)}` : ""}`}
            data-zone={zone.id}
          >
            <title>{zone.name}</title>
            {faces}
          </Link>
        );
      })}
      {selected && (
        <rect
          x={selected.x - 4}
          y={selected.y - 4}
          width={selected.width + 8}
          height={selected.height + 8}
          rx={3}
          fill="none"
          stroke="#2f6f62"
          strokeWidth={2.2}
          pointerEvents="none"
        />
      )}
      {linkTo && (
        <g>
          <path d={`M${dx} ${floor + 12}v6m0 -3h${rod * scale}m0 -3v6`} stroke="#665b4e" strokeWidth={1} fill="none" />
          <text x={dx + rod * scale + 6} y={floor + 19} fontSize={12} fill="#665b4e">
            {rod >= 1000 ? `${rod / 1000} m` : `${rod} mm`}
          </text>
        </g>
      )}
    </svg>
  );
}
