import { nanoid } from "nanoid";
import { type PointerEvent, useEffect, useRef, useState } from "react";
import { type Corners, inTurn, type XY } from "#core/photo/homography";
import type { KnownLength, PhotoFace, PhotoPoint, PiecePhoto } from "#core/plan/photo-marks";
import { useJob } from "~/editor/job-editor";
import { readEditForm } from "~/forms/edit-form";
import { cornersOf, sayMarks } from "~/forms/edits/photo";
import { Handle } from "./handle";
import { Loupe } from "./loupe";

interface Props {
  src: string;
  alt: string;
  marks: PiecePhoto;
  chosen: PhotoFace | undefined;
  onChoose: (faceId: string) => void;
  /** corners are being pointed at for the chosen face */
  pointing: boolean;
  onPointed: () => void;
  onTrouble: (says: string | null) => void;
}

/** What is being moved, before it has come to rest. */
type Moving =
  | { what: "point"; at: number; to: PhotoPoint }
  | { what: "opening"; at: number; to: PhotoPoint }
  | { what: "end"; length: number; end: "from" | "to"; to: PhotoPoint };

const CORNER_NAMES = ["Upper left corner", "Upper right corner", "Lower right corner", "Lower left corner"];

/** The name of a point of a face, and whether it is one of the four outer ones. */
function namedPoint({ across, down }: PhotoFace, at: number): { label: string; outer: boolean } {
  const row = Math.floor(at / (across + 1));
  const column = at % (across + 1);
  const vertical = row === 0 ? 0 : row === down ? 1 : null;
  const side = column === 0 ? 0 : column === across ? 1 : null;
  if (vertical !== null && side !== null)
    return { label: CORNER_NAMES[vertical === 0 ? side : 3 - side]!, outer: true };
  return { label: `Point ${column + 1} of row ${row + 1}`, outer: false };
}

const withMoved = (face: PhotoFace, moving: Moving | null): PhotoFace => {
  if (moving?.what === "point")
    return { ...face, points: face.points.map((point, index) => (index === moving.at ? moving.to : point)) };
  if (moving?.what === "opening" && face.opening)
    return { ...face, opening: face.opening.map((point, index) => (index === moving.at ? moving.to : point)) };
  return face;
};

/** The lines of a face: its outline, and those between its cells. */
function linesOf({ points, across, down, opening }: PhotoFace, { width, height }: PiecePhoto): string {
  const at = (row: number, column: number) => {
    const [x, y] = points[row * (across + 1) + column]!;
    return `${x * width} ${y * height}`;
  };
  const rows = Array.from({ length: down + 1 }, (_, row) =>
    Array.from({ length: across + 1 }, (_, column) => `${column === 0 ? "M" : "L"}${at(row, column)}`).join(""),
  );
  const columns = Array.from({ length: across + 1 }, (_, column) =>
    Array.from({ length: down + 1 }, (_, row) => `${row === 0 ? "M" : "L"}${at(row, column)}`).join(""),
  );
  const hole = opening ? `M${opening.map(([x, y]) => `${x * width} ${y * height}`).join("L")}Z` : "";
  return [...rows, ...columns, hole].join("");
}

const outlineOf = (face: PhotoFace, { width, height }: PiecePhoto) =>
  cornersOf(face)
    .map(([x, y]) => `${x * width},${y * height}`)
    .join(" ");

/** How far beyond its place the end of a length is drawn, in pixels of the page. */
const BEYOND = 17;

/** The way from one place on to the next, in pixels of the page. */
function onwards(from: PhotoPoint, to: PhotoPoint, { width, height }: { width: number; height: number }) {
  const [x, y] = [(to[0] - from[0]) * width, (to[1] - from[1]) * height];
  const long = Math.hypot(x, y) || 1;
  return [(BEYOND * x) / long, (BEYOND * y) / long] as const;
}

/** The photo with the marks on it: faces are chosen by a press, their corners dragged or pointed at in turn. */
export function Marker({ src, alt, marks, chosen, onChoose, pointing, onPointed, onTrouble }: Props) {
  const { plan, send } = useJob();
  const frame = useRef<HTMLDivElement>(null);
  const [moving, setMoving] = useState<Moving | null>(null);
  const [held, setHeld] = useState<PhotoPoint | null>(null);
  const [pointed, setPointed] = useState<PhotoPoint[]>([]);
  const [size, setSize] = useState({ width: 800, height: 600 });

  useEffect(() => {
    const box = frame.current;
    if (!box) return;
    const watch = new ResizeObserver(() => setSize({ width: box.clientWidth, height: box.clientHeight }));
    watch.observe(box);
    return () => watch.disconnect();
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was pointed at is of one face
  useEffect(() => setPointed([]), [pointing, chosen?.id]);

  const placeOf = ({ clientX, clientY }: { clientX: number; clientY: number }): PhotoPoint => {
    const box = frame.current!.getBoundingClientRect();
    return [(clientX - box.left) / box.width, (clientY - box.top) / box.height];
  };
  const change = (fields: Record<string, string>) => {
    const read = readEditForm(plan, { photoId: marks.id, ...fields }, () => nanoid(10));
    onTrouble(read.ok ? send(read.label, read.commands) : Object.values(read.faults)[0]!);
  };
  const rest = () => {
    if (!moving) return;
    setMoving(null);
    if (moving.what === "end") {
      const length = marks.known[moving.length]!;
      const moved = { ...length, [moving.end]: moving.to };
      change({
        do: "mark length",
        length: String(moving.length),
        faceId: length.faceId,
        ends: sayMarks([moved.from, moved.to]),
      });
      return;
    }
    if (!chosen) return;
    const face = withMoved(chosen, moving);
    change({
      do: "mark face",
      faceId: face.id,
      ...(moving.what === "point" ? { points: sayMarks(face.points) } : { opening: sayMarks(face.opening!) }),
    });
  };
  const point = (event: PointerEvent) => {
    if (!pointing || !chosen || event.target instanceof HTMLButtonElement) return;
    const all = [...pointed, placeOf(event)];
    if (all.length < 4) {
      setPointed(all);
      return;
    }
    const [a, b, c, d] = inTurn(all as unknown as [XY, XY, XY, XY]) as Corners;
    setPointed([]);
    onPointed();
    change({
      do: "mark face",
      faceId: chosen.id,
      across: "1",
      down: "1",
      points: sayMarks([a, b, d, c].map(([x, y]): PhotoPoint => [x, y])),
    });
  };
  const handle = { pixel: [1 / marks.width, 1 / marks.height] as const, placeOf, onRest: rest };
  const shown = chosen && withMoved(chosen, moving);
  const lengths = marks.known.map((length, index): KnownLength & { index: number } => ({
    ...length,
    index,
    ...(moving?.what === "end" && moving.length === index ? { [moving.end]: moving.to } : {}),
  }));
  const others = marks.faces.filter(({ id }) => id !== chosen?.id);
  const inHand = moving?.to ?? held;

  return (
    <div
      ref={frame}
      className={`photo-stage ${pointing ? "cursor-crosshair" : ""}`}
      style={{ aspectRatio: `${marks.width} / ${marks.height}` }}
      onPointerDown={point}
    >
      <img src={src} alt={alt} draggable={false} />
      <svg viewBox={`0 0 ${marks.width} ${marks.height}`} preserveAspectRatio="none" aria-hidden="true">
        {others.map((face) => (
          <g key={face.id} onPointerDown={() => !pointing && onChoose(face.id)} className="photo-face">
            <polygon points={outlineOf(face, marks)} />
            <path d={linesOf(face, marks)} className="photo-halo" />
            <path d={linesOf(face, marks)} className={face.asItIs ? "photo-line photo-line-left" : "photo-line"} />
          </g>
        ))}
        {shown && !pointing && (
          <g className="photo-face-chosen">
            <path d={linesOf(shown, marks)} className="photo-halo" />
            <path d={linesOf(shown, marks)} className="photo-line" />
          </g>
        )}
        {lengths.map(({ from, to, index, faceId }) => (
          <g key={index} className={faceId === chosen?.id ? "photo-length photo-length-chosen" : "photo-length"}>
            <path
              d={`M${from[0] * marks.width} ${from[1] * marks.height}L${to[0] * marks.width} ${to[1] * marks.height}`}
              className="photo-halo"
            />
            <path
              d={`M${from[0] * marks.width} ${from[1] * marks.height}L${to[0] * marks.width} ${to[1] * marks.height}`}
              className="photo-line"
            />
          </g>
        ))}
      </svg>
      {lengths.map(({ from, to, millimetres, index }) => (
        <span
          key={index}
          className="photo-tag"
          style={{ left: `${50 * (from[0] + to[0])}%`, top: `${50 * (from[1] + to[1])}%` }}
        >
          {millimetres} mm
        </span>
      ))}
      {pointed.map(([x, y], index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: they differ by their order only
        <span key={index} className="photo-pointed" style={{ left: `${100 * x}%`, top: `${100 * y}%` }}>
          {index + 1}
        </span>
      ))}
      {shown &&
        !pointing &&
        shown.points.map((at, index) => {
          const { label, outer } = namedPoint(shown, index);
          return (
            <Handle
              key={label}
              at={at}
              label={label}
              kind={outer ? "corner" : "inner"}
              onMove={(to) => setMoving({ what: "point", at: index, to })}
              onHeld={(on) => setHeld(on ? at : null)}
              {...handle}
            />
          );
        })}
      {shown &&
        !pointing &&
        shown.opening?.map((at, index) => (
          <Handle
            key={CORNER_NAMES[index]}
            at={at}
            label={`${CORNER_NAMES[index]} of the opening`}
            kind="opening"
            onMove={(to) => setMoving({ what: "opening", at: index, to })}
            onHeld={(on) => setHeld(on ? at : null)}
            {...handle}
          />
        ))}
      {!pointing &&
        lengths
          .filter(({ faceId }) => faceId === chosen?.id)
          .flatMap((length) =>
            (["from", "to"] as const).map((end) => (
              <Handle
                key={`${length.index} ${end}`}
                at={length[end]}
                label={end === "from" ? "First end of the length" : "Second end of the length"}
                kind="end"
                beside={end === "to" ? onwards(length.from, length.to, size) : onwards(length.to, length.from, size)}
                onMove={(to) => setMoving({ what: "end", length: length.index, end, to })}
                onHeld={(on) => setHeld(on ? length[end] : null)}
                {...handle}
              />
            )),
          )}
      {inHand && <Loupe src={src} at={inHand} width={size.width} height={size.height} />}
      <p className="sr-only" aria-live="polite">
        {pointing ? `${pointed.length} of 4 corners` : ""}
      </p>
    </div>
  );
}
