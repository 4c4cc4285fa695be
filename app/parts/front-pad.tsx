import { nanoid } from "nanoid";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { type DrawnAs, type FrontPlace, frontSize, linedUp, movedTo } from "#core/plan/front";
import type { Piece, Zone } from "#core/plan/plan";
import { arranged } from "~/drawing/arrange";
import { Elevation } from "~/drawing/elevation";
import { type FrontLayout, frontLayout } from "~/drawing/front-layout";
import { useJob } from "~/editor/job-editor";
import { readEditForm } from "~/forms/edit-form";
import { EditForm, Field, TextField, useRefused } from "~/forms/edit-form-parts";
import { FRONT_FIELDS } from "~/forms/edits/front";
import type { FormFields } from "~/forms/fields";
import { arrowWay } from "~/keys/arrows";
import { KEYS } from "~/keys/keys";
import { pressed } from "~/keys/use-key";
import type { Selection } from "./selection";

type Point = readonly [x: number, y: number];

/** Room round the piece to draw in, in pixels of the drawing. */
const MARGIN = 70;
/** How near to an edge a line falls in with it, in pixels of the drawing. */
const REACH = 9;
/** A press of an arrow key, in millimetres; with Shift ten times that. */
const PRESS = 5;
/** Anything smaller was a slip of the finger. */
const LEAST = 10;

/** What can be drawn as something new, and how the drawing shows it. */
const KINDS: readonly (readonly [DrawnAs, string])[] = [
  ["panel", "panel or board"],
  ["drawer", "drawer front"],
  ["frame", "frame"],
  ["moulded", "moulded panel"],
  ["carved", "carved panel"],
  ["disc", "disc"],
  ["leg", "leg"],
];

type Area = Pick<FrontPlace, "x" | "y" | "width" | "height">;

const between = (one: Point, other: Point): Area => ({
  x: Math.min(one[0], other[0]),
  y: Math.min(one[1], other[1]),
  width: Math.abs(one[0] - other[0]),
  height: Math.abs(one[1] - other[1]),
});
const say = (millimetres: number) => String(Math.round(millimetres));
const sayArea = ({ x, y, width, height }: Area) =>
  `${say(width)} × ${say(height)} mm, ${say(x)} from the left, ${say(y)} from the floor`;
const fieldsOf = ({ x, y, width, height }: Area): FormFields => ({
  left: say(x),
  floor: say(y),
  width: String(width),
  height: String(height),
});

interface Edges {
  across: number[];
  up: number[];
}

/** The edges of all other zones, which what is drawn lines up with, and the floor. */
const edgesOf = (zones: readonly Zone[], but: Zone | undefined): Edges => {
  const places = zones.flatMap(({ id, place }) => (place && id !== but?.id ? [place] : []));
  return {
    across: places.flatMap(({ x, width }) => [x, x + width]),
    up: [0, ...places.flatMap(({ y, height }) => [y, y + height])],
  };
};

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
function Sheet({ layout, size, edges, moved, label, onDone, onSay }: SheetProps) {
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
    onSay(next && sayArea(next));
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

interface Props {
  piece: Piece;
  /** the zone to be moved; left out, something new is drawn */
  zone?: Zone;
  judged: readonly ZoneJudgement[];
  width: number;
  height: number;
  selection: Selection;
}

/** Draws a new zone on the front of a piece, or puts one where it belongs: by finger, mouse, keys, or by measure. */
export function FrontPad({ piece, zone, judged, width, height, selection }: Props) {
  const { plan, send } = useJob();
  const navigate = useNavigate();
  const [kind, setKind] = useState<DrawnAs>("panel");
  const [says, setSays] = useState<string | null>(null);
  const does = zone ? "place zone" : "draw zone";
  const refused = useRefused(does);
  const shown = arranged(piece.zones);
  const layout = frontLayout(
    shown.map(({ place }) => place),
    { width, height },
    MARGIN,
  );
  const moved = zone ? (shown.find(({ id }) => id === zone.id)?.place ?? { ...frontSize(zone), x: 0, y: 0 }) : null;
  const about: FormFields = zone ? { zoneId: zone.id } : { pieceId: piece.id };
  const back = selection.linkTo(zone ? { zone: zone.id } : {});
  const done = (area: Area) => {
    const drawn: FormFields = zone ? {} : { drawn: kind };
    const read = readEditForm(plan, { do: does, ...about, ...fieldsOf(area), ...drawn }, () => nanoid(10));
    const fault = read.ok ? send(read.label, read.commands) : Object.values(read.faults)[0]!;
    if (fault || !read.ok) return setSays(fault);
    navigate(selection.linkTo({ zone: read.zone! }), { replace: true, preventScrollReset: true });
  };
  const label = zone
    ? `Move ${zone.name}: arrow keys move it, Enter puts it down.`
    : "Draw a new zone: arrow keys move the pencil, Enter sets a corner, and again the opposite one.";
  return (
    <section aria-label={zone ? `Move ${zone.name}` : "Draw a zone"} className="border-b border-line px-4 pb-4">
      <div className="flex flex-wrap items-baseline gap-x-4 px-2 pt-1">
        <h2 className="text-lg">{zone ? zone.name : "A new zone"}</h2>
        <span className="flex-1 text-note text-soft" aria-live="polite">
          {says ??
            (zone
              ? "drag it to its place; it falls in with the edges of the others"
              : "drag from corner to corner; edges fall in with those of the other zones")}
        </span>
        <Link to={back} replace preventScrollReset className="font-semibold text-verdigris hover:underline">
          Back to the piece
        </Link>
      </div>
      <div className="relative mx-auto max-w-full" style={{ width }}>
        {shown.length > 0 ? (
          <Elevation zones={piece.zones} judged={judged} width={width} height={height} margin={MARGIN} rodded />
        ) : (
          <svg viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className="w-full">
            <path d={`M20 ${layout.floor + 1}H${width - 20}`} stroke="var(--color-edge)" strokeWidth={1} />
          </svg>
        )}
        <Sheet
          layout={layout}
          size={{ width, height }}
          edges={edgesOf(piece.zones, zone)}
          moved={moved}
          label={label}
          onDone={done}
          onSay={setSays}
        />
      </div>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-2 px-2">
        {!zone && (
          <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1">
            <legend className="float-left mr-4 text-note text-soft">It is a</legend>
            {KINDS.map(([value, name]) => (
              <label key={value} className="flex min-h-7 items-center gap-1.5">
                <input
                  type="radio"
                  name="kind"
                  checked={kind === value}
                  onChange={() => setKind(value)}
                  className="accent-(--color-verdigris)"
                />
                {name}
              </label>
            ))}
          </fieldset>
        )}
        <details className="min-w-0 basis-full" open={refused}>
          <summary className="py-1.5 font-semibold text-verdigris">By measure</summary>
          <EditForm
            does={does}
            about={about}
            label="By measure, in millimetres"
            className="grid grid-cols-[repeat(auto-fit,minmax(120px,1fr))] items-end gap-3 pt-1"
          >
            {({ faults, values }) => (
              <>
                {!zone && (
                  <Field name="drawn" label="It is a">
                    {(field) => (
                      <select {...field} value={kind} onChange={(event) => setKind(event.target.value as DrawnAs)}>
                        {KINDS.map(([value, name]) => (
                          <option key={value} value={value}>
                            {name}
                          </option>
                        ))}
                      </select>
                    )}
                  </Field>
                )}
                {FRONT_FIELDS.map(([name, fieldLabel, key]) => (
                  <TextField
                    key={name}
                    name={name}
                    label={fieldLabel}
                    fault={faults[name]}
                    keys="decimal"
                    value={values?.[name] ?? (moved ? String(moved[key]) : "")}
                  />
                ))}
                <button className="button button-main">{zone ? "Put it there" : "Add it"}</button>
              </>
            )}
          </EditForm>
        </details>
      </div>
    </section>
  );
}
