import type { PhotoPoint } from "#core/plan/photo-marks";

/** How much the loupe enlarges, and how wide it is, in pixels of the page. */
const TIMES = 5;
const WIDE = 148;

/** A part of the photo enlarged round a corner, in the upper corner of the picture that is farther away. */
export function Loupe({
  src,
  at: [x, y],
  width,
  height,
}: {
  src: string;
  at: PhotoPoint;
  width: number;
  height: number;
}) {
  return (
    <div
      aria-hidden="true"
      className="photo-loupe"
      style={{
        width: WIDE,
        height: WIDE,
        ...(x > 0.5 ? { left: 10 } : { right: 10 }),
        backgroundImage: `url("${src}")`,
        backgroundSize: `${TIMES * width}px ${TIMES * height}px`,
        backgroundPosition: `${WIDE / 2 - x * TIMES * width}px ${WIDE / 2 - y * TIMES * height}px`,
      }}
    />
  );
}
