import { type KeyboardEvent, type PointerEvent, useLayoutEffect, useRef, useState } from "react";
import { LIFE_SIZE, WHOLE } from "./board-address";
import type { Spot } from "./photo-compare";
import type { BoardPicture } from "./use-board";

/** Draws a picture into a canvas of its own size; the page stretches a rough one. */
function Picture({ picture }: { picture: BoardPicture }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { image } = picture;
  // before the page is painted, so that a board called finished is the one on screen
  useLayoutEffect(() => {
    canvas.current?.getContext("2d")?.putImageData(image, 0, 0);
  }, [image]);
  return <canvas ref={canvas} width={image.width} height={image.height} className="pointer-events-none size-full" />;
}

/** A ring over a place of a picture, moved by the arrow keys. */
function Ring({ spot, label, onMove }: { spot: Spot; label: string; onMove: (spot: Spot) => void }) {
  const onKeyDown = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const hold = (value: number) => Math.min(1, Math.max(0, value));
    onMove({ x: hold(spot.x + step[0]! / 100), y: hold(spot.y + step[1]! / 100) });
  };
  return (
    <button
      type="button"
      aria-label={`${label}, ${Math.round(spot.x * 100)} % across, ${Math.round(spot.y * 100)} % down`}
      onKeyDown={onKeyDown}
      className="absolute size-6 -translate-1/2 rounded-full border-2 border-white shadow-[0_0_0_2px_var(--color-ink)]"
      style={{ left: `${spot.x * 100}%`, top: `${spot.y * 100}%` }}
    />
  );
}

interface Props {
  pictures: readonly (BoardPicture | undefined)[];
  /** a real board to the right of the line, instead of a second picture */
  photo: string | null;
  labels: readonly string[];
  lifeSize: boolean;
  drawing: boolean;
  /** places that are sampled, where a photo is compared with the board */
  spots: { prediction: Spot; photo: Spot } | null;
  onSpot: (side: "prediction" | "photo", spot: Spot) => void;
}

const NUDGE = 2;

/** The board on the easel; two boards, or a board and a photo, with a line between them that can be moved across. */
export function Easel({ pictures, photo, labels, lifeSize, drawing, spots, onSpot }: Props) {
  const [first, second] = pictures;
  const [wipe, setWipe] = useState(50);
  const frame = useRef<HTMLDivElement>(null);
  const width = lifeSize ? LIFE_SIZE : WHOLE;
  const compared = labels.length > 1;
  const placeOf = (event: PointerEvent): Spot => {
    const box = frame.current!.getBoundingClientRect();
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  };
  return (
    <div
      className="relative overflow-auto rounded-std border border-edge bg-wash"
      style={{ maxWidth: WHOLE + 2, height: 514 }}
    >
      <div
        ref={frame}
        className={`relative ${spots ? "cursor-crosshair" : ""}`}
        style={{ width, height: (width * 2) / 3 }}
        onPointerDown={(event) => {
          if (!spots || event.target instanceof HTMLButtonElement) return;
          const spot = placeOf(event);
          onSpot(spot.x * 100 < wipe ? "prediction" : "photo", spot);
        }}
      >
        <div
          role="img"
          aria-label={compared ? `${labels[0]} on the left, ${labels[1]} on the right of the line` : labels[0]}
          data-board={drawing ? "drawing" : "finished"}
          className="absolute inset-0"
        >
          {first && <Picture picture={first} />}
          {compared && (
            <div className="absolute inset-0" style={{ clipPath: `inset(0 0 0 ${wipe}%)` }}>
              {photo ? (
                <img src={photo} alt="" className="pointer-events-none size-full object-fill" />
              ) : (
                second && <Picture picture={second} />
              )}
            </div>
          )}
        </div>
        {compared && (
          <div
            className="absolute inset-y-0 w-6 -translate-x-1/2 cursor-ew-resize touch-none"
            style={{ left: `${wipe}%` }}
            role="slider"
            tabIndex={0}
            aria-label="Line between the two boards"
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(wipe)}
            onPointerDown={(event) => {
              event.stopPropagation();
              event.currentTarget.setPointerCapture(event.pointerId);
            }}
            onPointerMove={(event) => {
              if (event.currentTarget.hasPointerCapture(event.pointerId))
                setWipe(Math.min(100, Math.max(0, placeOf(event).x * 100)));
            }}
            onKeyDown={(event) => {
              if (event.key !== "ArrowLeft" && event.key !== "ArrowRight") return;
              event.preventDefault();
              event.stopPropagation();
              setWipe((now) => Math.min(100, Math.max(0, now + (event.key === "ArrowLeft" ? -NUDGE : NUDGE))));
            }}
          >
            <span className="absolute inset-y-0 left-1/2 w-0.5 -translate-x-1/2 bg-board shadow-[0_0_0_1px_var(--color-ink)]" />
            <span className="absolute top-1/2 left-1/2 flex h-9 w-5 -translate-1/2 items-center justify-center rounded-full border border-ink bg-board text-note">
              ↔
            </span>
          </div>
        )}
      </div>
      {spots && (
        <div
          className="pointer-events-none absolute top-0 left-0 *:pointer-events-auto"
          style={{ width, height: (width * 2) / 3 }}
        >
          <Ring spot={spots.prediction} label="Place on the prediction" onMove={(spot) => onSpot("prediction", spot)} />
          <Ring spot={spots.photo} label="Place on the photo" onMove={(spot) => onSpot("photo", spot)} />
        </div>
      )}
      {drawing && (
        <span
          className="absolute right-2 bottom-2 rounded-std bg-board/90 px-2 py-0.5 text-note text-soft"
          role="status"
        >
          Drawing …
        </span>
      )}
    </div>
  );
}
