import { type KeyboardEvent, useEffect, useRef } from "react";
import type { PhotoPoint } from "#core/plan/photo-marks";
import { arrowWay } from "~/keys/arrows";

interface Props {
  at: PhotoPoint;
  label: string;
  kind: "corner" | "inner" | "opening" | "end";
  /** how far beside its place it is drawn, in pixels of the page, so that it does not hide a corner there */
  beside?: readonly [number, number];
  /** one pixel of the photo, as a part of its width and of its height */
  pixel: readonly [number, number];
  /** a place on the page as a place on the photo */
  placeOf: (event: { clientX: number; clientY: number }) => PhotoPoint;
  onMove: (to: PhotoPoint) => void;
  /** it has come to rest */
  onRest: () => void;
  onHeld: (held: boolean) => void;
}

const AT_IT = [0, 0] as const;
const FARTHER = 10;
/** Milliseconds after the last key before a corner has come to rest. */
const REST = 500;

/** A corner that is dragged, or moved by the arrow keys a pixel at a time, with Shift ten. */
export function Handle({ at: [x, y], label, kind, beside = AT_IT, pixel, placeOf, onMove, onRest, onHeld }: Props) {
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const rest = useRef(onRest);
  rest.current = onRest;
  const settle = () => {
    if (timer.current === null) return;
    clearTimeout(timer.current);
    timer.current = null;
    rest.current();
  };
  // a corner that is taken away while it is being moved has come to rest too
  useEffect(
    () => () => {
      if (timer.current === null) return;
      clearTimeout(timer.current);
      rest.current();
    },
    [],
  );
  const onKeyDown = (event: KeyboardEvent) => {
    const way = arrowWay(event.key);
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    const step = event.shiftKey ? FARTHER : 1;
    onMove([x + way[0] * step * pixel[0], y + way[1] * step * pixel[1]]);
    if (timer.current !== null) clearTimeout(timer.current);
    timer.current = setTimeout(settle, REST);
  };
  return (
    <button
      type="button"
      className={`photo-handle photo-handle-${kind}`}
      style={{ left: `calc(${100 * x}% + ${beside[0]}px)`, top: `calc(${100 * y}% + ${beside[1]}px)` }}
      aria-label={`${label}, ${(100 * x).toFixed(1)} % from the left, ${(100 * y).toFixed(1)} % from the top`}
      onKeyDown={onKeyDown}
      onFocus={() => onHeld(true)}
      onBlur={() => {
        settle();
        onHeld(false);
      }}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        onHeld(true);
      }}
      onPointerMove={(event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId))
          onMove(placeOf({ clientX: event.clientX - beside[0], clientY: event.clientY - beside[1] }));
      }}
      onPointerUp={() => onRest()}
    />
  );
}
