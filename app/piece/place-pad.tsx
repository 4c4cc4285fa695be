import { nanoid } from "nanoid";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { Link } from "react-router";
import simplify from "simplify-js";
import type { ZoneJudgement } from "#core/judge/judge";
import { OUTLINES, type Point } from "#core/plan/outline";
import type { PlaceOnFace, Zone } from "#core/plan/plan";
import { capital } from "#core/rules/words";
import { sizesOf } from "#core/surface/places";
import { ZoneFace } from "~/drawing/elevation";
import { type Box, outlinePath, PlaceOutlines } from "~/drawing/place-outlines";
import { useJob } from "~/editor/job-editor";
import { readEditForm } from "~/forms/edit-form";
import { EditForm, Field, TextField, useRefused } from "~/forms/edit-form-parts";
import { arrowWay } from "~/keys/arrows";
import { KEYS } from "~/keys/keys";
import { pressed } from "~/keys/use-key";
import { sayPercent, WHERE_WORDS } from "~/parts/step-words";

/** How far a finger may stray before a point of its line is kept, in pixels of the drawing. */
const STRAY = 1.5;
/** One press of an arrow key, as a part of the face; with Shift five times that. */
const PRESS = 0.01;

/** A line drawn by hand as an outline: as few points as show it. */
function outlineFrom(line: readonly Point[], { width, height }: Box): Point[] {
  const points = line.map(([x, y]) => ({ x: x * width, y: y * height }));
  let tolerance = STRAY;
  let few = simplify(points, tolerance, true);
  while (few.length > OUTLINES.points) {
    tolerance *= 1.4;
    few = simplify(points, tolerance, true);
  }
  return few.map(({ x, y }): Point => [x / width, y / height]);
}

const within = (part: number) => Math.min(1, Math.max(0, part));
const percent = (part: number) => Math.round(part * 1000) / 10;
const sayPoints = (points: readonly Point[]) => points.map(([x, y]) => `${percent(x)},${percent(y)}`).join(" ");

interface Props {
  zone: Zone;
  place: PlaceOnFace;
  judged: ZoneJudgement | undefined;
  width: number;
  back: string;
}

/** The drawing of one face on which a place is drawn round, by finger, mouse or arrow keys. */
function Face({ zone, place, judged, width, onDrawn }: Omit<Props, "back"> & { onDrawn: (points: Point[]) => void }) {
  const [line, setLine] = useState<Point[]>([]);
  const [pencil, setPencil] = useState<Point | null>(null);
  /** the line as the pointer goes; what is drawn of it may be a few points behind */
  const drawn = useRef<Point[] | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const { box, size } = padFor(zone, width);
  const pointAt = ({ clientX, clientY }: PointerEvent): Point => {
    const on = svg.current!.getBoundingClientRect();
    const [x, y] = [((clientX - on.left) / on.width) * size.width, ((clientY - on.top) / on.height) * size.height];
    return [within((x - box.x) / box.width), within((y - box.y) / box.height)];
  };
  const finish = (points: Point[]) => {
    setLine([]);
    if (points.length >= 3) onDrawn(points);
  };
  const follow = (event: PointerEvent) => {
    if (!drawn.current) return;
    drawn.current.push(pointAt(event));
    setLine([...drawn.current]);
  };
  const { keys } = KEYS.place;
  const press = (event: KeyboardEvent) => {
    const by = PRESS * (event.shiftKey ? 5 : 1);
    const [x, y] = pencil ?? [0.5, 0.5];
    const way = arrowWay(event.key);
    if (way) setPencil([within(x + by * way[0]), within(y + by * way[1])]);
    else if (pressed(keys.corner, event)) setLine([...line, [x, y]]);
    else if (pressed(keys.back, event)) setLine(line.slice(0, -1));
    else if (pressed(keys.close, event)) finish(line);
    else if (pressed(keys.drop, event) && line.length > 0) setLine([]);
    else return;
    if (!pencil) setPencil([x, y]);
    event.preventDefault();
    event.stopPropagation();
  };
  const mine = zone.outlines?.[place];
  const { [place]: _mine, ...others } = zone.outlines ?? {};
  return (
    <>
      <svg
        ref={svg}
        viewBox={`0 0 ${size.width} ${size.height}`}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it is drawn on with the arrow keys
        tabIndex={0}
        role="application"
        aria-label={`${zone.name}: draw round ${WHERE_WORDS[place]}. Arrow keys move the pencil, Enter sets a corner, C closes the outline.`}
        className="w-full cursor-crosshair touch-none select-none"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setPencil(null);
          drawn.current = [];
          follow(event);
        }}
        onPointerMove={follow}
        onPointerUp={() => {
          const points = drawn.current ?? [];
          drawn.current = null;
          finish(outlineFrom(points, box));
        }}
        onPointerCancel={() => {
          drawn.current = null;
          setLine([]);
        }}
        onKeyDown={press}
        onFocus={(event) => event.currentTarget.matches(":focus-visible") && setPencil((now) => now ?? [0.5, 0.5])}
      >
        <ZoneFace zone={zone} judged={judged} box={box} />
        <PlaceOutlines outlines={others} box={box} />
        {mine && (
          <path
            d={outlinePath(mine, box)}
            fill="#2f6f62"
            fillOpacity={0.28}
            stroke="#fbf7ef"
            strokeWidth={2}
            strokeLinejoin="round"
          />
        )}
        {line.length > 0 && (
          <path
            d={`M${line.map(([x, y]) => `${box.x + x * box.width} ${box.y + y * box.height}`).join("L")}`}
            fill="#fbf7ef"
            fillOpacity={0.25}
            stroke="#2a231d"
            strokeWidth={1.6}
          />
        )}
        {pencil && (
          <path
            d={`M${box.x + pencil[0] * box.width - 9} ${box.y + pencil[1] * box.height}h18m-9 -9v18`}
            stroke="#2a231d"
            strokeWidth={2}
          />
        )}
      </svg>
      <p className="sr-only" aria-live="polite">
        {pencil &&
          `${line.length > 0 ? `${line.length} corners set. ` : ""}${percent(pencil[0])} % from the left, ${percent(pencil[1])} % from the top.`}
      </p>
    </>
  );
}

const MARGIN = 20;
const TALLEST = 360;
/** In pixels; a narrower face is drawn out of scale, for no one could draw on it. */
const NARROWEST = 90;

/** How large a face is drawn, and what is left round it. */
function padFor({ shape }: Zone, width: number): { box: Box; size: { width: number; height: number } } {
  const across = width - 2 * MARGIN;
  const [w, h] =
    shape.kind === "disc"
      ? [shape.diameter, shape.diameter]
      : shape.kind === "leg"
        ? [shape.diameter, shape.length]
        : [shape.width, shape.height];
  const scale = Math.min(across / w, TALLEST / h);
  const [wide, tall] = [Math.max(NARROWEST, w * scale), Math.max(NARROWEST, h * scale)];
  return {
    box: { x: (width - wide) / 2, y: MARGIN, width: wide, height: tall },
    size: { width, height: tall + 2 * MARGIN },
  };
}

/** Draws a place of a zone by hand on its face, or by measure. */
export function PlacePad({ back, ...props }: Props) {
  const { zone, place } = props;
  const { plan, send } = useJob();
  const [says, setSays] = useState<string | null>(null);
  const drawn = zone.outlines?.[place];
  const draw = (points: Point[]) => {
    const fields = { do: "draw place", zoneId: zone.id, place, points: sayPoints(points) };
    const read = readEditForm(plan, fields, () => nanoid(10));
    setSays(read.ok ? send(read.label, read.commands) : Object.values(read.faults)[0]!);
  };
  const about = { zoneId: zone.id, place };
  const refused = useRefused("draw place");
  return (
    <section aria-label={`Draw ${WHERE_WORDS[place]} on ${zone.name}`} className="border-b border-line px-6 pb-4">
      <div className="flex flex-wrap items-baseline gap-x-4 pt-1">
        <h2 className="text-lg">
          {capital(WHERE_WORDS[place])}: {zone.name}
        </h2>
        <span className="flex-1 text-note text-soft max-sm:order-last max-sm:basis-full" aria-live="polite">
          {says ??
            (drawn
              ? `takes ${sayPercent(sizesOf(zone)[place])} of the face, on every face of this zone alike`
              : "draw round it with a finger or the mouse, or with the arrow keys, Enter and C")}
        </span>
        <Link to={back} replace preventScrollReset className="font-semibold text-verdigris hover:underline">
          Back to the piece
        </Link>
      </div>
      <Face {...props} onDrawn={draw} />
      <div className="flex flex-wrap items-start gap-3">
        {drawn && (
          <EditForm does="draw place" about={about} className="flex gap-3">
            <button className="button" name="take" value="last">
              Remove the last outline
            </button>
            {drawn.length > 1 && (
              <button className="button" name="take" value="all">
                Remove all
              </button>
            )}
          </EditForm>
        )}
        <details className="min-w-0 flex-1" open={refused}>
          <summary className="py-1.5 font-semibold text-verdigris">By measure</summary>
          <EditForm
            does="draw place"
            about={about}
            label="Type it in per cent of the face"
            className="grid grid-cols-[repeat(auto-fit,minmax(110px,1fr))] items-end gap-3 pt-1"
          >
            {({ faults, values }) => (
              <>
                <Field name="form" label="Shape">
                  {(field) => (
                    <select {...field} defaultValue={values?.form ?? "round"}>
                      <option value="round">round</option>
                      <option value="square">square</option>
                    </select>
                  )}
                </Field>
                {(
                  [
                    ["left", "From the left, %", "35"],
                    ["top", "From the top, %", "35"],
                    ["width", "Width, %", "30"],
                    ["height", "Height, %", "30"],
                  ] as const
                ).map(([name, label, usual]) => (
                  <TextField
                    key={name}
                    name={name}
                    label={label}
                    fault={faults[name]}
                    keys="decimal"
                    value={values?.[name] ?? usual}
                  />
                ))}
                <button className="button button-main">Add it</button>
              </>
            )}
          </EditForm>
        </details>
      </div>
    </section>
  );
}
