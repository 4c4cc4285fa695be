import type { KeyboardEvent } from "react";
import { colourOfWish } from "#core/look/seen";
import type { Wishes, WishPlace } from "#core/look/spec";
import { KEYS } from "~/keys/keys";
import { pressed } from "~/keys/use-key";
import { PLACE_NAMES } from "./read-look";

interface Props {
  wishes: Wishes;
  /** the colour of what the piece is made of */
  ground: string;
  /** the place that a colour is dragged over */
  over: WishPlace | null;
  onSet: (place: WishPlace) => void;
}

const WIDE = 560;
const TALL = 380;

/** Where a label is written: beside its place, clear of the others. */
const LABELS: Record<WishPlace, readonly [x: number, y: number, anchor: "start" | "middle" | "end"]> = {
  arris: [14, 22, "start"],
  border: [120, 52, "start"],
  recess: [300, 91, "start"],
  high: [420, 117, "start"],
  field: [330, 330, "middle"],
  hands: [455, 290, "middle"],
  cracks: [216, 249, "middle"],
  chips: [215, 337, "middle"],
};

/** A path of cracks and one of chips, drawn once: what lies beneath shows through them. */
const CRACKS =
  "M150 163l22 9 12-14 26 8 18-12 30 10 24-8M172 172l-6 22 18 16 30-6 14-22-4-16M150 205l34 5M214 204l12 22M228 182l28 4 26-12M256 186l6 24 22 10M184 210l-8 20";
const CHIPS =
  "M168 283q12-13 26-5t22 0q4 12-9 17t-24 2q-14-3-15-14zM226 307q9-9 20-3t4 13q-10 8-20 2t-4-12zM180 312q7-5 13 0t-2 8q-10 2-11-8z";

/** Whether ink or paper is read on a colour. */
const inkOn = (hex: string): string => {
  const [r, g, b] = [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16));
  return 0.3 * r! + 0.59 * g! + 0.11 * b! > 140 ? "#2a231d" : "#faf7f0";
};

/**
 * A corner of a panelled face, drawn large: its edges, border, hollows, beads and flats, a knob that hands touch, a cracked and a chipped
 * place. Each can be pressed, and takes a colour that is dropped on it.
 */
export function Corner({ wishes, ground, over, onSet }: Props) {
  const own = (place: WishPlace): string | null => {
    const wish = wishes[place];
    return wish === undefined ? null : colourOfWish(wish, ground);
  };
  const field = own("field");
  const fill = (place: WishPlace) => own(place) ?? field ?? "url(#nothing-yet)";
  const under = (place: WishPlace): string => own(place) ?? field ?? "#faf7f0";
  const region = (place: WishPlace) => ({
    role: "button",
    tabIndex: 0,
    "aria-label": `${PLACE_NAMES[place]}: ${wishes[place] ?? "nothing in particular"}`,
    className: "look-place",
    "data-place": place,
    "data-over": place === over ? "" : undefined,
    onClick: () => onSet(place),
    onKeyDown: (event: KeyboardEvent) => {
      if (!pressed(KEYS.look.keys.place, event)) return;
      event.preventDefault();
      onSet(place);
    },
  });
  const label = (place: WishPlace) => {
    const [x, y, anchor] = LABELS[place];
    const on = place === "hands" ? under("field") : under(place === "cracks" || place === "chips" ? "field" : place);
    return (
      <text
        x={x}
        y={y}
        textAnchor={anchor}
        fontSize={12.5}
        fontWeight={own(place) ? 600 : 400}
        fill={inkOn(on)}
        pointerEvents="none"
      >
        {PLACE_NAMES[place].toLowerCase()}
      </text>
    );
  };
  const line = { stroke: "#2a231d", strokeOpacity: 0.28, strokeWidth: 1 };
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} className="look-corner" role="group" aria-label="A corner of the piece">
      <defs>
        <pattern id="nothing-yet" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="9" height="9" fill="#faf7f0" />
          <path d="M0 0V9" stroke="#d9cfbf" strokeWidth="2" />
        </pattern>
      </defs>
      <g {...region("arris")}>
        <path d={`M0 ${TALL}V0H${WIDE}V32H32V${TALL}Z`} fill={fill("arris")} />
      </g>
      <g {...region("border")}>
        <path d={`M30 ${TALL}V30H${WIDE}V74H74V${TALL}Z`} fill={fill("border")} {...line} />
      </g>
      <g {...region("recess")}>
        <path d={`M74 ${TALL}V74H${WIDE}V98H98V${TALL}Z`} fill={fill("recess")} {...line} />
        <path d={`M124 ${TALL}V124H${WIDE}V132H132V${TALL}Z`} fill={fill("recess")} {...line} />
      </g>
      <g {...region("high")}>
        <path d={`M98 ${TALL}V98H${WIDE}V124H124V${TALL}Z`} fill={fill("high")} {...line} />
        <path
          d={`M105 ${TALL}V105H${WIDE}`}
          fill="none"
          stroke="#ffffff"
          strokeOpacity={0.35}
          strokeWidth={3}
          pointerEvents="none"
        />
      </g>
      <g {...region("field")}>
        <path d={`M132 ${TALL}V132H${WIDE}V${TALL}Z`} fill={fill("field")} {...line} />
      </g>
      <g {...region("hands")}>
        <circle
          cx={455}
          cy={210}
          r={62}
          fill={own("hands") ?? "transparent"}
          stroke="#2a231d"
          strokeOpacity={0.35}
          strokeDasharray="3 5"
        />
        <circle cx={455} cy={205} r={24} fill="#96783f" stroke="#2a231d" strokeOpacity={0.5} />
        <circle cx={448} cy={198} r={7} fill="#ffffff" fillOpacity={0.35} />
      </g>
      <g {...region("cracks")}>
        <rect
          x={146}
          y={146}
          width={140}
          height={88}
          fill="transparent"
          stroke="#2a231d"
          strokeOpacity={0.2}
          strokeDasharray="2 5"
        />
        <path
          d={CRACKS}
          fill="none"
          stroke={own("cracks") ?? "#8d806f"}
          strokeWidth={own("cracks") ? 4 : 1.4}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      </g>
      <g {...region("chips")}>
        <rect
          x={146}
          y={258}
          width={140}
          height={66}
          fill="transparent"
          stroke="#2a231d"
          strokeOpacity={0.2}
          strokeDasharray="2 5"
        />
        <path d={CHIPS} fill={own("chips") ?? "none"} stroke="#2a231d" strokeOpacity={0.5} />
      </g>
      <path d="M0 0L132 132" stroke="#2a231d" strokeOpacity={0.3} pointerEvents="none" />
      {(Object.keys(LABELS) as WishPlace[]).map((place) => (
        <g key={place}>{label(place)}</g>
      ))}
    </svg>
  );
}
