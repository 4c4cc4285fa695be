import type { SVGProps } from "react";
import type { ReliefClass } from "#core/plan/plan";
import type { Film } from "~/films/painter";
import { type FrontZone, facesOf, legsOf, memberOf } from "./arrange";
import type { Box } from "./place-outlines";

type Colours = Record<ReliefClass, string>;

export const NO_COLOURS: Colours = { arris: "#ccc", field: "#ccc", high: "#ccc", recess: "#999" };

/** Half the picture of a leg is the air on both sides of it: it is so many times as broad as the leg's block. */
const LEG_PICTURE = 2.5;
/** A leg is this much shorter than its picture, half of it at each end. */
const LEG_ENDS = 8 / 300;

const OUTLINE = { stroke: "#2a231d", strokeOpacity: 0.5, strokeWidth: 0.7, fill: "none" } as const;

interface Drawn {
  zone: FrontZone;
  box: Box;
  /** pixels a millimetre of the piece */
  scale: number;
  /** what is seen of it in plain colours, until its film is there */
  colours: Colours;
  film: Film | undefined;
  /** what fills a frame: a pane, its own rails between what stands in it, or air */
  opening: Opening;
}

export type Opening = "glass" | "rails" | "air";

function Glass({ x, y, width, height }: Box) {
  const sheen = (from: number, to: number) =>
    `M${x + from * width} ${y}H${x + to * width}L${x + (to - 0.3) * width} ${y + height}H${x + (from - 0.3) * width}Z`;
  return (
    <>
      <rect {...{ x, y, width, height }} fill="#c9d2cf" />
      <path d={sheen(0.5, 0.62)} fill="#e4eae6" opacity={0.7} />
      <path d={sheen(0.68, 0.72)} fill="#e4eae6" opacity={0.6} />
      <rect {...{ x, y, width, height }} {...OUTLINE} strokeOpacity={0.3} />
    </>
  );
}

/** Rails and stiles, a little in the shade of the moulding around them; their neighbours cover most of it. */
function Rails({ colour, ...box }: Box & { colour: string }) {
  return (
    <>
      <rect {...box} fill={colour} />
      <rect {...box} fill="#2a231d" fillOpacity={0.14} />
    </>
  );
}

/** A film that fills its box. What is clear in it must not take a press: the outline over it does that. */
function Painted({ film, ...box }: { film: Film; width: number; height: number } & SVGProps<SVGImageElement>) {
  return <image href={film.url} preserveAspectRatio="none" pointerEvents="none" {...box} />;
}

function Frames({ zone, box, scale, colours, film, opening }: Drawn) {
  return facesOf(zone, box).map(({ x, y, width, height }) => {
    const member = memberOf(zone, { x, y, width, height }, scale);
    const inner = { x: x + member, y: y + member, width: width - 2 * member, height: height - 2 * member };
    const ring = `M${x} ${y}h${width}v${height}h${-width}ZM${inner.x} ${inner.y}h${inner.width}v${inner.height}h${-inner.width}Z`;
    return (
      <g key={x}>
        {opening === "glass" && <Glass {...inner} />}
        {opening === "rails" && <Rails {...inner} colour={colours.field} />}
        {film ? (
          <Painted film={film} x={x} y={y} width={width} height={height} />
        ) : (
          <path d={ring} fillRule="evenodd" fill={colours.field} />
        )}
        <path d={ring} fillRule="evenodd" {...OUTLINE} fill="transparent" />
      </g>
    );
  });
}

function Legs({ zone, box, scale, colours, film }: Drawn) {
  return legsOf(zone, box, scale).map(({ x, y, width, height }) => {
    const broad = width * LEG_PICTURE;
    const long = height / (1 - LEG_ENDS);
    // it is painted lying between centres: the block at its left comes up to the rail
    return film ? (
      <g key={x}>
        <Painted
          film={film}
          width={long}
          height={broad}
          transform={`translate(${x + (width + broad) / 2} ${y - (long - height) / 2}) rotate(90)`}
        />
        <rect {...{ x, y, width, height }} fill="transparent" />
      </g>
    ) : (
      <path
        key={x}
        d={`M${x} ${y}h${width}L${x + width * 0.75} ${y + height}h${-width / 2}Z`}
        {...OUTLINE}
        fill={colours.field}
      />
    );
  });
}

function Round({ box: { x, y, width, height }, colours, film }: Drawn) {
  const middle = { cx: x + width / 2, cy: y + height / 2 };
  const outline = { ...middle, rx: width / 2, ry: height / 2 };
  if (!film) return <ellipse {...outline} {...OUTLINE} fill={colours.field} />;
  return (
    <>
      <Painted film={film} x={x} y={y} width={width} height={height} />
      <ellipse {...outline} fill="transparent" />
    </>
  );
}

function Knob({ box: { x, y, width, height }, colours }: Drawn) {
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
}

/** What a zone looks like on the front of its piece: painted with its films, in plain colours until they are there. */
export function ZonePart(drawn: Drawn) {
  const { zone, box, colours, film } = drawn;
  switch (zone.place.drawn) {
    case "frame":
      return <Frames {...drawn} />;
    case "leg":
      return <Legs {...drawn} />;
    case "disc":
      return <Round {...drawn} />;
    case "knob":
      return <Knob {...drawn} />;
    default:
      return facesOf(zone, box).map((face, index) => (
        <g key={`${face.x} ${face.y}`}>
          {film ? (
            <image
              href={film.url}
              {...face}
              preserveAspectRatio="xMidYMid slice"
              // one board serves all its faces: every other one is turned about, so that they do not look stamped
              transform={index % 2 === 1 ? `matrix(-1 0 0 1 ${2 * face.x + face.width} 0)` : undefined}
            />
          ) : (
            <rect {...face} fill={colours.field} />
          )}
          <rect {...face} {...OUTLINE} />
        </g>
      ));
  }
}
