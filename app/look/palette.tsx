import { type Paint, PaintButton } from "./dragged";

interface Props {
  paints: readonly Paint[];
  /** the ground itself, and metals */
  others: readonly Paint[];
  /** what is picked; empty for nothing at all */
  active: string | null;
  onPick: (value: string | null) => void;
}

/** The colours that can be put on a place: paints as swatches, the ground and metals by name, any other by the system's picker. */
export function Palette({ paints, others, active, onPick }: Props) {
  const toggled = (value: string) => onPick(active === value ? null : value);
  return (
    <>
      <div className="look-palette" role="group" aria-label="Colours">
        {paints.map((paint) => (
          <PaintButton
            key={`${paint.value} ${paint.name}`}
            paint={paint}
            className="look-swatch"
            aria-pressed={active === paint.value}
            title={paint.name}
            aria-label={paint.name}
            onClick={() => toggled(paint.value)}
            style={{ background: paint.colour }}
          />
        ))}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-1.5" role="group" aria-label="The piece itself, and metals">
        {others.map((paint) => (
          <PaintButton
            key={paint.value}
            paint={paint}
            className="chip"
            aria-pressed={active === paint.value}
            onClick={() => toggled(paint.value)}
          >
            <span className="look-dab" style={{ background: paint.colour }} aria-hidden="true" />
            {paint.name}
          </PaintButton>
        ))}
        <label className="chip">
          <input
            type="color"
            className="look-any"
            onChange={({ target }) => onPick(target.value)}
            aria-label="Any other colour"
          />
          any other
        </label>
        <button type="button" className="chip" aria-pressed={active === ""} onClick={() => toggled("")}>
          nothing there
        </button>
      </div>
    </>
  );
}
