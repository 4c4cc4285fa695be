import { useDeferredValue, useMemo } from "react";
import { Link } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { coloursSeen } from "#core/judge/look";
import { frontSize } from "#core/plan/front";
import type { Zone } from "#core/plan/plan";
import type { Severity } from "#core/rules/rule";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import { usePieceFilms } from "~/films/use-piece-films";
import { arranged, type FrontZone, facesOf, memberOf } from "./arrange";
import { frontLayout } from "./front-layout";
import { type Box, PlaceOutlines } from "./place-outlines";
import { NO_COLOURS, type Opening, ZonePart } from "./zone-part";

// The piece from the front, to scale, every zone painted with its own films. It is the zone picker.

/** One face of a zone alone, filling a box. */
export function ZoneFace({ zone, judged, box }: { zone: Zone; judged: ZoneJudgement | undefined; box: Box }) {
  const { width } = frontSize(zone);
  const drawn = zone.place?.drawn ?? frontSize(zone).drawn;
  const frontZone = useMemo(
    (): FrontZone => ({ ...zone, shape: { ...zone.shape, count: 1 }, place: { ...box, drawn } }),
    [zone, box, drawn],
  );
  const film = usePieceFilms(
    useMemo(() => [frontZone], [frontZone]),
    useMemo(() => (judged ? [judged] : []), [judged]),
  ).get(zone.id);
  const colours = judged ? coloursSeen(judged.after) : NO_COLOURS;
  return <ZonePart zone={frontZone} box={box} scale={box.width / width} colours={colours} film={film} opening="air" />;
}

interface Props {
  zones: readonly Zone[];
  judged: readonly ZoneJudgement[];
  width: number;
  height: number;
  /** room round the piece; without much of it there is no measuring rod */
  margin?: number;
  chosen?: string;
  /** where a zone leads; left out, it is a drawing and no picker */
  linkTo?: (zoneId: string) => string;
  /** the worst that was found on a zone: stops and cautions are marked on the drawing */
  worst?: (zone: Zone) => Severity | null;
  /** with a measuring rod beneath it */
  rodded?: boolean;
}

/** Where other zones stand in the opening of a frame, its rails are between them; an empty one is glazed, but for the back of a chair. */
function openingOf(
  frame: FrontZone,
  box: Box,
  scale: number,
  others: ReadonlyMap<string, Box>,
  hasLegs: boolean,
): Opening {
  if (frame.place.drawn !== "frame" || frame.shape.kind !== "frame" || frame.shape.count > 1) return "air";
  const member = memberOf(frame, box, scale);
  const isWithin = (low: number, size: number, from: number, whole: number) =>
    low + size / 2 > from + member && low + size / 2 < from + whole - member && size < whole;
  const isFilled = [...others].some(
    ([id, { x, y, width, height }]) =>
      id !== frame.id && isWithin(x, width, box.x, box.width) && isWithin(y, height, box.y, box.height),
  );
  if (isFilled) return "rails";
  return hasLegs ? "air" : "glass";
}

const loudOf = (severity: Severity | null) => (severity === "note" ? null : severity);

/** The mark of a verdict, in the corner of its zone and over all that is drawn there. */
function VerdictMark({ severity, box, atRight }: { severity: Severity; box: Box; atRight: boolean }) {
  return (
    <g pointerEvents="none" transform={`translate(${atRight ? box.x + box.width - 26 : box.x + 4} ${box.y + 4})`}>
      <rect width={22} height={12} rx={2} className="fill-board stroke-edge" strokeWidth={0.6} />
      <g transform="translate(2 2)">
        <SeamMark severity={severity} width={18} />
      </g>
    </g>
  );
}

const MARGIN = 26;

/** The front of a piece to scale. Where it is a picker, each zone is a link that selects it. */
export function Elevation({
  zones,
  judged,
  width,
  height,
  margin = MARGIN,
  chosen,
  linkTo,
  worst = () => null,
  rodded = linkTo !== undefined,
}: Props) {
  const placed = useMemo(() => arranged(zones), [zones]);
  // an edit is shown in the ladder first, and on the piece right after
  const looked = useDeferredValue(judged);
  const colours = useMemo(
    () => new Map(looked.map((zoneJudgement) => [zoneJudgement.zone.id, coloursSeen(zoneJudgement.after)])),
    [looked],
  );
  const films = usePieceFilms(placed, looked);
  if (placed.length === 0) return null;
  const layout = frontLayout(
    placed.map(({ place }) => place),
    { width, height },
    margin,
  );
  const { scale, from, floor } = layout;
  const rod = [2000, 1000, 500, 200, 100, 50, 20].find((length) => length <= (layout.right - layout.left) / 2.2) ?? 10;
  const screen = new Map(placed.map(({ id, place }): [string, Box] => [id, layout.boxOf(place)]));
  const hasLegs = placed.some(({ place }) => place.drawn === "leg");
  const selected = chosen ? screen.get(chosen) : undefined;
  const withRod = rodded && margin >= MARGIN;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role={linkTo ? "group" : "img"}
      aria-label="The piece from the front, to scale"
      data-painted={placed.every(({ id }) => films.has(id)) ? "" : undefined}
      className="h-auto max-w-full"
    >
      <path d={`M${margin / 2} ${floor + 1}H${width - margin / 2}`} stroke="var(--color-edge)" strokeWidth={1} />
      {placed.map((zone) => {
        const box = screen.get(zone.id)!;
        const faces = (
          <>
            <ZonePart
              zone={zone}
              box={box}
              scale={scale}
              colours={colours.get(zone.id) ?? NO_COLOURS}
              film={films.get(zone.id)}
              opening={openingOf(zone, box, scale, screen, hasLegs)}
            />
            {zone.outlines &&
              facesOf(zone, box).map((face) => (
                <PlaceOutlines key={`${face.x} ${face.y}`} outlines={zone.outlines} box={face} />
              ))}
          </>
        );
        const loud = loudOf(worst(zone));
        if (!linkTo) return <g key={zone.id}>{faces}</g>;
        return (
          <Link
            key={zone.id}
            to={linkTo(zone.id)}
            replace
            preventScrollReset
            aria-label={loud ? `${zone.name}: ${SEVERITY_WORDS[loud].one}` : zone.name}
            aria-current={zone.id === chosen ? "true" : undefined}
            data-zone={zone.id}
          >
            <title>{zone.name}</title>
            {faces}
          </Link>
        );
      })}
      {linkTo &&
        placed.map((zone, index) => {
          const verdict = loudOf(worst(zone));
          return (
            verdict && (
              <VerdictMark key={zone.id} severity={verdict} box={screen.get(zone.id)!} atRight={index % 2 === 1} />
            )
          );
        })}
      {selected && (
        <rect
          x={selected.x - 3}
          y={selected.y - 3}
          width={selected.width + 6}
          height={selected.height + 6}
          rx={3}
          fill="none"
          stroke="var(--color-verdigris)"
          strokeWidth={2.4}
          pointerEvents="none"
        />
      )}
      {withRod && (
        <g>
          <path
            d={`M${from} ${floor + 12}v6m0 -3h${rod * scale}m0 -3v6`}
            stroke="var(--color-soft)"
            strokeWidth={1}
            fill="none"
          />
          <text x={from + rod * scale + 6} y={floor + 19} fontSize={12} fill="var(--color-soft)">
            {rod >= 1000 ? `${rod / 1000} m` : `${rod} mm`}
          </text>
        </g>
      )}
    </svg>
  );
}
