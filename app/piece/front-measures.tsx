import { type FrontMeasure, frontMeasure, WAYS, type Way } from "#core/plan/front";
import type { FrontZone } from "~/drawing/arrange";
import type { FrontLayout } from "~/drawing/front-layout";
import { EditForm } from "~/forms/edit-form-parts";

/** How far outside the piece a dimension line is drawn, in pixels of the drawing. */
const OUTSIDE = 26;
/** The room round a piece that its dimension lines need. */
export const DIMENSION_MARGIN = 62;
/** How far an end of a dimension line reaches over it. */
const TICK = 5;

interface Line {
  way: Way;
  measure: FrontMeasure;
  /** extension lines and the dimension line, as a path */
  path: string;
  /** where its figure stands */
  x: number;
  y: number;
}

/** The dimension lines of a zone: beneath the piece, and on the side that the zone is nearer to. */
function linesOf(zone: FrontZone, layout: FrontLayout, width: number): Line[] {
  const box = layout.boxOf(zone.place);
  const under = layout.floor + OUTSIDE;
  const isLeft = box.x + box.width / 2 <= width / 2;
  const beside = isLeft ? layout.from - OUTSIDE : layout.from + (layout.right - layout.left) * layout.scale + OUTSIDE;
  const near = isLeft ? box.x : box.x + box.width;
  const outwards = isLeft ? -TICK : TICK;
  const paths: Record<Way, Omit<Line, "way" | "measure">> = {
    across: {
      path: [box.x, box.x + box.width]
        .map((x) => `M${x} ${box.y + box.height + 4}V${under + TICK}`)
        .concat(`M${box.x} ${under}H${box.x + box.width}`)
        .join(""),
      x: box.x + box.width / 2,
      y: under,
    },
    up: {
      path: [box.y, box.y + box.height]
        .map((y) => `M${near + (isLeft ? -4 : 4)} ${y}H${beside + outwards}`)
        .concat(`M${beside} ${box.y}V${box.y + box.height}`)
        .join(""),
      x: beside,
      y: box.y + box.height / 2,
    },
  };
  return WAYS.flatMap((way) => {
    const measure = frontMeasure(zone, way);
    return measure ? [{ way, measure, ...paths[way] }] : [];
  });
}

const NAMES = {
  width: "Width",
  height: "Height",
  depth: "Depth",
  member: "Rails",
  diameter: "Diameter",
  length: "Length",
} as const;
const REACH: Record<Way, string> = { across: "From end to end", up: "From top to bottom" };

/** The figure of a dimension line, which can be typed over. */
function Figure({ zone, line }: { zone: FrontZone; line: Line }) {
  const { way, measure } = line;
  const name = measure.size ? NAMES[measure.size] : REACH[way];
  const shown = String(Math.round(measure.millimetres * 10) / 10);
  return (
    <EditForm
      key={`${zone.id}/${shown}`}
      does="measure zone"
      about={{ zoneId: zone.id, way }}
      label={`${name} on the drawing`}
      autosave
    >
      {({ faults, values }) => (
        <label className="figure" title={`${name}, mm`}>
          <span className="sr-only">{name}, mm</span>
          {measure.times > 1 && <span aria-hidden="true">{measure.times} × </span>}
          <input
            name="millimetres"
            inputMode="decimal"
            autoComplete="off"
            size={Math.max(3, shown.length)}
            defaultValue={values?.millimetres ?? shown}
            aria-invalid={faults.millimetres ? true : undefined}
          />
          {faults.millimetres && (
            <span role="alert" className="figure-fault">
              {faults.millimetres}
            </span>
          )}
        </label>
      )}
    </EditForm>
  );
}

interface Props {
  zone: FrontZone;
  layout: FrontLayout;
  width: number;
  height: number;
}

/** The dimension lines of the selected zone over the drawing of its piece; their figures can be typed over. */
export function FrontMeasures({ zone, layout, width, height }: Props) {
  const lines = linesOf(zone, layout, width);
  return (
    <>
      <svg viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className="pointer-events-none absolute inset-0">
        <path d={lines.map(({ path }) => path).join("")} fill="none" stroke="var(--color-soft)" strokeWidth={0.8} />
      </svg>
      {lines.map((line) => (
        <div
          key={line.way}
          className="absolute -translate-x-1/2 -translate-y-1/2"
          style={{ left: `${(line.x / width) * 100}%`, top: `${(line.y / height) * 100}%` }}
        >
          <Figure zone={zone} line={line} />
        </div>
      ))}
    </>
  );
}
