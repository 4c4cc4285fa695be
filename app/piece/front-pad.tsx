import { nanoid } from "nanoid";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { type DrawnAs, frontSize } from "#core/plan/front";
import type { Piece, Zone } from "#core/plan/plan";
import { arranged } from "~/drawing/arrange";
import { Elevation } from "~/drawing/elevation";
import { frontLayout } from "~/drawing/front-layout";
import { useJob } from "~/editor/job-editor";
import { readEditForm } from "~/forms/edit-form";
import { EditForm, Field, TextField, useRefused } from "~/forms/edit-form-parts";
import { FRONT_FIELDS } from "~/forms/edits/front";
import type { FormFields } from "~/forms/fields";
import type { Selection } from "~/parts/selection";
import { type Area, type Edges, Sheet } from "./front-sheet";

/** Room round the piece to draw in, in pixels of the drawing. */
const MARGIN = 70;

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
/** As fields of the form, to a tenth of a millimetre: an edge that it falls in with need not be a whole one. */
const measuresOf = (area: Area): FormFields =>
  Object.fromEntries(FRONT_FIELDS.map(([name, , key]) => [name, String(Math.round(area[key] * 10) / 10)]));

/** The edges of all other zones, which what is drawn lines up with, and the floor. */
const edgesOf = (zones: readonly Zone[], but: Zone | undefined): Edges => {
  const places = zones.flatMap(({ id, place }) => (place && id !== but?.id ? [place] : []));
  return {
    across: places.flatMap(({ x, width }) => [x, x + width]),
    up: [0, ...places.flatMap(({ y, height }) => [y, y + height])],
  };
};

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
    const read = readEditForm(plan, { do: does, ...about, ...measuresOf(area), ...drawn }, () => nanoid(10));
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
        <span className="flex-1 text-note text-soft max-sm:order-last max-sm:basis-full" aria-live="polite">
          {says ??
            (zone
              ? "drag it to its place; it snaps to the edges of the others"
              : "drag from corner to corner; edges snap to those of the other zones")}
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
            label="Type it in millimetres"
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
