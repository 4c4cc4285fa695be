import { memo } from "react";
import { Link } from "react-router";
import type { Severity } from "#core/rules/rule";
import { DASHES } from "./marks";
import { randomFrom, seedOf } from "./noise";
import { bandPath, between, linePath, type SectionGeometry, type Strip } from "./section-profile";

interface Props {
  geometry: SectionGeometry;
  size: { width: number; height: number };
  groundColour: string;
  /** timber has grain; laminate, metal and glass have none */
  timber: boolean;
  /** what a screen reader says of the whole drawing */
  label: string;
  selected: string | null;
  nameOf: (stepId: string) => string;
  linkTo: (stepId: string) => string;
  /** the seam under a layer, where it has something to say */
  faults: ReadonlyMap<string, Severity>;
  surfaceFault: Severity | null;
  /** the mark over a layer, or over the bare ground (null), adds a step there */
  insertOver?: (stepId: string | null) => void;
}

const shade = (colour: string, towards: "black" | "white", part: number) =>
  `color-mix(in oklab, ${colour} ${100 - part}%, ${towards})`;

/** A stroke need not follow every waver of its strip. */
const EVERY = 3;
const sparse = <T,>(list: readonly T[]) => list.filter((_, index) => index % EVERY === 0 || index === list.length - 1);

function strokesOf(strip: Strip, xs: readonly number[]) {
  const along = sparse(xs);
  const random = randomFrom(seedOf(strip.layer.stepId) + 5);
  const tallest = Math.max(...strip.lower.map((low, index) => low - strip.upper[index]!));
  const count = Math.min(12, Math.floor(tallest / 3.4));
  return Array.from({ length: count }, (_, index) => {
    const part = (index + 0.5 + (random() - 0.5) * 0.8) / count;
    const dashes = Array.from(
      { length: 4 },
      () => `${Math.round(8 + random() * 60)} ${Math.round(4 + random() * 34)}`,
    ).join(" ");
    return {
      path: linePath(along, sparse(between(strip, part))),
      dashes,
      dark: random() > 0.5,
      offset: Math.round(random() * 60),
      width: 0.5 + random() * 0.7,
    };
  });
}

/** Tool marks along the strip, and a gleam on waxed, glazed or clear layers. */
function MarksAlong({ strip, xs }: { strip: Strip; xs: readonly number[] }) {
  const { colour, marks } = strip.layer;
  if (marks === "gleam")
    return (
      <path
        d={linePath(xs, between(strip, 0.8))}
        fill="none"
        stroke={shade(colour, "white", 45)}
        strokeWidth={1.1}
        strokeDasharray={DASHES.gleam}
        opacity={0.7}
      />
    );
  return strokesOf(strip, xs).map((stroke) => (
    <path
      key={stroke.path.slice(0, 40)}
      d={stroke.path}
      fill="none"
      stroke={shade(colour, stroke.dark ? "black" : "white", 26)}
      strokeWidth={marks === "dots" || marks === "dabs" ? stroke.width + 0.5 : stroke.width}
      strokeLinecap={marks === "dots" ? "round" : undefined}
      strokeDasharray={marks === "strokes" ? stroke.dashes : DASHES[marks]}
      strokeDashoffset={stroke.offset}
      opacity={0.5}
    />
  ));
}

/**
 * A layer in the section: its band, the tool marks, and the line it lies on. Drawn again only where the section has
 * changed.
 */
const Band = memo(function Band({ strip, xs, chosen }: { strip: Strip; xs: readonly number[]; chosen: boolean }) {
  const { colour, opacity } = strip.layer;
  const band = bandPath(xs, strip.lower, strip.upper);
  return (
    <>
      <path d={band} fill={colour} fillOpacity={opacity} className="settles group-hover:brightness-110" />
      <MarksAlong strip={strip} xs={xs} />
      <path
        d={linePath(xs, strip.lower)}
        fill="none"
        stroke={shade(colour, "black", 55)}
        strokeOpacity={0.55}
        strokeWidth={0.7}
      />
      {chosen && <path d={band} fill="none" stroke="var(--color-verdigris)" strokeWidth={2} strokeLinejoin="round" />}
    </>
  );
});

const TimberMarks = memo(function TimberMarks({
  geometry,
  height,
  colour,
}: {
  geometry: SectionGeometry;
  height: number;
  colour: string;
}) {
  const random = randomFrom(31);
  const lines = Array.from({ length: 15 }, (_, index) => {
    const part = (index + 0.6) / 15;
    const sway = (random() - 0.5) * 9;
    const ys = geometry.ground.map(
      (top, position) =>
        top +
        (height + 40 - top) * part * 0.9 +
        Math.sin(geometry.xs[position]! / (38 + index * 3) + index) * sway * part,
    );
    return {
      path: linePath(geometry.xs, ys),
      width: 0.5 + random() * 1,
      opacity: 0.22 + random() * 0.3,
      dashes: random() > 0.6 ? "70 5 120 3" : undefined,
    };
  });
  return lines.map((line) => (
    <path
      key={line.path.slice(0, 30)}
      d={line.path}
      fill="none"
      stroke={shade(colour, "black", 42)}
      strokeWidth={line.width}
      strokeDasharray={line.dashes}
      opacity={line.opacity}
    />
  ));
});

const SEAM_LINES: Record<Severity, { colour: string; dashes?: string; width: number }> = {
  stop: { colour: "var(--color-ochre)", dashes: "2 5", width: 2.4 },
  caution: { colour: "var(--color-sienna)", dashes: "7 4", width: 1.8 },
  note: { colour: "var(--color-soft)", width: 0.8 },
};

function SeamLine({ path, severity }: { path: string; severity: Severity }) {
  const seam = SEAM_LINES[severity];
  return (
    <g fill="none" strokeLinecap="round" pointerEvents="none">
      <path d={path} stroke="var(--color-board)" strokeWidth={seam.width + 2} strokeOpacity={0.75} />
      <path d={path} stroke={seam.colour} strokeWidth={seam.width} strokeDasharray={seam.dashes} />
    </g>
  );
}

/** Where along the drawing the marks go: on the field, clear of groove and bead. */
const MARK_AT = 0.34;

function InsertMark({
  geometry,
  over,
  insertOver,
}: {
  geometry: SectionGeometry;
  over: Strip | null;
  insertOver: (stepId: string | null) => void;
}) {
  const at = Math.round(MARK_AT * geometry.xs.length);
  const x = geometry.xs[at]!;
  const y = (over?.upper ?? geometry.ground)[at]!;
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: for the pointer alone; the keyboard has Enter and the ladder
    <g
      transform={`translate(${x} ${y})`}
      className="cursor-copy opacity-0 hover:opacity-100"
      data-insert-over={over?.layer.stepId ?? "ground"}
      onClick={() => insertOver(over?.layer.stepId ?? null)}
    >
      <circle r={9} fill="var(--color-board)" stroke="var(--color-verdigris)" strokeWidth={1.2} />
      <path d="M-4.5 0H4.5M0 -4.5V4.5" stroke="var(--color-verdigris)" strokeWidth={1.6} strokeLinecap="round" />
    </g>
  );
}

/** The section through a crust, timber at the bottom. Each layer is a link that selects it. */
export function SectionDrawing({
  geometry,
  size,
  groundColour,
  timber,
  label,
  selected,
  nameOf,
  linkTo,
  faults,
  surfaceFault,
  insertOver,
}: Props) {
  const { xs, ground, strips } = geometry;
  const floor = xs.map(() => size.height);
  return (
    <svg
      viewBox={`0 0 ${size.width} ${size.height}`}
      width={size.width}
      height={size.height}
      className="block max-w-full"
      role="group"
      aria-label={label}
    >
      <path d={bandPath(xs, floor, ground)} fill={groundColour} />
      {timber && <TimberMarks geometry={geometry} height={size.height} colour={groundColour} />}
      {strips.map((strip) => {
        const { stepId } = strip.layer;
        const chosen = stepId === selected;
        return (
          <Link
            key={stepId}
            to={linkTo(stepId)}
            replace
            preventScrollReset
            aria-label={nameOf(stepId)}
            aria-current={chosen ? "true" : undefined}
            className="group"
          >
            <Band strip={strip} xs={xs} chosen={chosen} />
          </Link>
        );
      })}
      <path
        d={linePath(xs, strips.at(-1)?.upper ?? ground)}
        fill="none"
        stroke="var(--color-ink)"
        strokeOpacity={0.55}
        strokeWidth={1}
        pointerEvents="none"
      />
      {strips.map(({ layer, lower }) => {
        const severity = faults.get(layer.stepId);
        return severity ? <SeamLine key={layer.stepId} path={linePath(xs, lower)} severity={severity} /> : null;
      })}
      {surfaceFault && <SeamLine path={linePath(xs, strips.at(-1)?.upper ?? ground)} severity={surfaceFault} />}
      {insertOver &&
        [null, ...strips].map((strip) => (
          <InsertMark key={strip?.layer.stepId ?? "ground"} geometry={geometry} over={strip} insertOver={insertOver} />
        ))}
    </svg>
  );
}
