import { sayDuration } from "#core/units/duration";

/** What the ring shows: how much of a time is left, and what that is. */
export interface RingSays {
  above: string;
  figure: string;
  below: string;
  /** what is left, 0 to 1 */
  left: number;
  /** a window that is about to shut, or has */
  presses: "no" | "soon" | "shut";
}

const TURN = 2 * Math.PI;

/** "11:20" under an hour, "3 h 05" above. */
export function sayCountdown(minutes: number): string {
  if (minutes >= 60) return sayDuration(minutes).replace(" min", "");
  const seconds = Math.max(0, Math.floor(minutes * 60));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

/** A countdown as a ring that empties, with its figure inside; the words say the same. */
export function Ring({ above, figure, below, left, presses }: RingSays) {
  const radius = 106;
  const arc = Math.max(0, Math.min(1, left)) * TURN * radius;
  return (
    <div className="bench-ring" data-presses={presses} role="timer" aria-label={`${above} ${figure}, ${below}`}>
      <svg viewBox="0 0 260 260" aria-hidden="true">
        <circle cx="130" cy="130" r={radius} className="bench-ring-ground" />
        <circle
          cx="130"
          cy="130"
          r={radius}
          className="bench-ring-arc"
          strokeDasharray={`${arc} ${TURN * radius}`}
          transform="rotate(-90 130 130)"
        />
        <line x1="130" y1="12" x2="130" y2="36" className="bench-ring-mark" />
      </svg>
      <div className="bench-ring-says" aria-hidden="true">
        <span>{above}</span>
        <b>{figure}</b>
        <span>{below}</span>
      </div>
    </div>
  );
}
