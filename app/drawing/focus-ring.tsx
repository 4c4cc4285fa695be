interface Props {
  x: number;
  y: number;
  width: number;
  height: number;
  /** how far outside of what it goes round */
  by: number;
}

/** The ring round what is in focus on a drawing, inside a link of the class `group`. */
export function FocusRing({ x, y, width, height, by }: Props) {
  return (
    <rect
      x={x - by}
      y={y - by}
      width={width + 2 * by}
      height={height + 2 * by}
      rx={by + 1}
      fill="none"
      stroke="var(--color-verdigris)"
      strokeWidth={2}
      className="pointer-events-none opacity-0 group-focus-visible:opacity-100"
    />
  );
}
