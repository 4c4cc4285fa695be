/** A name in so many letters at most: "Chart cabinet, eight drawers" is cut at its comma, and anything else where it ends. */
export function short(text: string, most: number): string {
  if (text.length <= most) return text;
  const [first] = text.split(", ");
  return first!.length <= most ? first! : `${text.slice(0, most - 1)}…`;
}

interface Props {
  name: string;
  note: string;
  middle: number;
  /** letters that there is room for */
  most: number;
}

/** What a lane is of, at its left; the whole name where it is cut. */
export function LaneLabel({ name, note, middle, most }: Props) {
  const shown = short(name, most);
  return (
    <>
      <text x={0} y={note ? middle - 1 : middle + 5} className="fill-ink text-[14px] font-semibold">
        {shown}
        {shown !== name && <title>{name}</title>}
      </text>
      {note && (
        <text x={0} y={middle + 14} className="fill-soft text-[12px]">
          {short(note, most + 6)}
        </text>
      )}
    </>
  );
}
