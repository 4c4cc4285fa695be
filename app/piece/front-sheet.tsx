import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { type FrontPlace, linedUp, movedTo } from "#core/plan/front";
import type { FrontLayout } from "~/drawing/front-layout";
import { arrowWay } from "~/keys/arrows";
import { KEYS } from "~/keys/keys";
import { pressed } from "~/keys/use-key";

type Point = readonly [x: number, y: number];
/** How near to an edge a line falls in with it, in pixels of the drawing. */
const REACH = 9;
/** A press of an arrow key, in millimetres; with Shift ten times that. */
const PRESS = 5;
/** Anything smaller was a slip of the finger. */
const LEAST = 10;

export type Area = Pick<FrontPlace, "x" | "y" | "width" | "height">;

const between = (point: Point, other: Point): Area => ({
  x: Math.min(point[0], other[0]),
  y: Math.min(point[1], other[1]),
  width: Math.abs(point[0] - other[0]),
  height: Math.abs(point[1] - other[1]),
});
export const say = (millimetres: number) => String(Math.round(millimetres));
const sayPlace = ({ x, y, width, height }: Area) =>
  `${say(width)} × ${say(height)} mm, ${say(x)} from the left, ${say(y)} from the floor`;

export interface Edges {
  across: number[];
  up: number[];
}

interface SheetProps {
  layout: FrontLayout;
  size: { width: number; height: number };
  edges: Edges;
  /** what is moved; drawing something new where there is nothing */
  moved: Area | null;
  label: string;
  onDone: (area: Area) => void;
  onSay: (says: string | null) => void;
}

/** The transparent sheet over the drawing of a piece on which is drawn, or over which a zone is moved. */
export function Sheet({ layout, size, edges, moved, label, onDone, onSay }: SheetProps) {
  const svg = useRef<SVGSVGElement>(null);
  const [area, setArea] = useState<Area | null>(moved);
  /** the first corner of something new, or where what is moved has been taken hold of */
  const held = useRef<Point | null>(null);
  const [pencil, setPencil] = useState<Point | null>(null);
  const [corner, setCorner] = useState<Point | null>(null);
  const reach = REACH / layout.scale;
  const lined = ([x, y]: Point): Point => [linedUp(x, edges.across, reach), linedUp(y, edges.up, reach)];
  const pointAt = ({ clientX, clientY }: PointerEvent): Point => {
    const on = svg.current!.getBoundingClientRect();
    return layout.millimetresAt(
      ((clientX - on.left) / on.width) * size.width,
      ((clientY - on.top) / on.height) * size.height,
    );
  };
  const show = (next: Area | null) => {
    setArea(next);
    onSay(next && sayPlace(next));
  };
  const stop = () => {
    held.current = null;
    setCorner(null);
    show(moved);
  };
  const put = (done: Area | null) => {
    held.current = null;
    setCorner(null);
    if (done && done.width >= LEAST && done.height >= LEAST) onDone(done);
    else show(moved);
  };
  const follow = (event: PointerEvent) => {
    if (!held.current) return;
    const [x, y] = pointAt(event);
    if (!moved) return show(between(held.current, lined([x, y])));
    show({
      ...moved,
      x: movedTo(moved.x + x - held.current[0], moved.width, edges.across, reach),
      y: movedTo(moved.y + y - held.current[1], moved.height, edges.up, reach),
    });
  };
  const press = (event: KeyboardEvent) => {
    const { keys } = KEYS.front;
    const way = arrowWay(event.key);
    const by = PRESS * (event.shiftKey ? 10 : 1);
    if (way && moved && area) show({ ...area, x: area.x + way[0] * by, y: area.y - way[1] * by });
    else if (way) {
      const [x, y] = pencil ?? middle;
      const next: Point = [x + way[0] * by, y - way[1] * by];
      setPencil(next);
      if (corner) show(between(corner, next));
      else onSay(`${say(next[0])} from the left, ${say(next[1])} from the floor`);
    } else if (pressed(keys.corner, event)) {
      if (moved) put(area);
      else if (corner && pencil) put(between(corner, pencil));
      else {
        setPencil(pencil ?? middle);
        setCorner(pencil ?? middle);
      }
    } else if (pressed(keys.drop, event)) stop();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const middle: Point = lined([(layout.left + layout.right) / 2, (layout.bottom + layout.top) / 2]);
  const box = area && layout.boxOf(area);
  const at = pencil && layout.boxOf({ x: pencil[0], y: pencil[1], width: 0, height: 0 });
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${size.width} ${size.height}`}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: it is drawn on with the arrow keys
      tabIndex={0}
      role="application"
      aria-label={label}
      className={`absolute inset-0 touch-none select-none ${moved ? "cursor-move" : "cursor-crosshair"}`}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setPencil(null);
        held.current = moved ? pointAt(event) : lined(pointAt(event));
        follow(event);
      }}
      onPointerMove={follow}
      onPointerUp={() => put(held.current ? area : null)}
      onPointerCancel={stop}
      onKeyDown={press}
    >
      {box && (
        <rect
          {...box}
          rx={1}
          fill="var(--color-verdigris)"
          fillOpacity={0.22}
          stroke="var(--color-verdigris)"
          strokeWidth={2}
          strokeDasharray={moved ? "6 4" : undefined}
        />
      )}
      {at && <path d={`M${at.x - 9} ${at.y}h18m-9 -9v18`} stroke="var(--color-ink)" strokeWidth={2} />}
    </svg>
  );
}
