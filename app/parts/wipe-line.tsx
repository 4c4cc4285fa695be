import type { RefObject } from "react";
import { KEYS } from "~/keys/keys";
import { pressed } from "~/keys/use-key";

const NUDGE = 2;

/** A line between two pictures that lie on each other, moved across by finger, mouse or arrow keys; in per cent from the left. */
export function WipeLine({
  at,
  onMove,
  label,
  frame,
}: {
  at: number;
  onMove: (at: number) => void;
  label: string;
  /** what the two pictures fill */
  frame: RefObject<HTMLElement | null>;
}) {
  const held = (value: number) => Math.min(100, Math.max(0, value));
  return (
    <div
      className="absolute inset-y-0 w-6 -translate-x-1/2 cursor-ew-resize touch-none"
      style={{ left: `${at}%` }}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round(at)}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        const box = frame.current?.getBoundingClientRect();
        if (box && event.currentTarget.hasPointerCapture(event.pointerId))
          onMove(held((100 * (event.clientX - box.left)) / box.width));
      }}
      onKeyDown={(event) => {
        const { left, right } = KEYS.wipe.keys;
        const by = pressed(left, event) ? -NUDGE : pressed(right, event) ? NUDGE : 0;
        if (by === 0) return;
        event.preventDefault();
        event.stopPropagation();
        onMove(held(at + by));
      }}
    >
      <span className="absolute inset-y-0 left-1/2 w-0.5 -translate-x-1/2 bg-board shadow-[0_0_0_1px_var(--color-ink)]" />
      <span className="absolute top-1/2 left-1/2 flex h-9 w-5 -translate-1/2 items-center justify-center rounded-full border border-ink bg-board text-note">
        ↔
      </span>
    </div>
  );
}
