import { type KeyboardEvent, type PointerEvent, useLayoutEffect, useRef, useState } from "react";
import { arrowWay } from "~/keys/arrows";
import { WipeLine } from "~/parts/wipe-line";
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
    const step = arrowWay(event.key);
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const hold = (value: number) => Math.min(1, Math.max(0, value));
    onMove({ x: hold(spot.x + step[0] / 100), y: hold(spot.y + step[1] / 100) });
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
      style={{ maxWidth: WHOLE + 2, ...(lifeSize ? { height: 514 } : {}) }}
    >
      <div
        ref={frame}
        className={`relative ${spots ? "cursor-crosshair" : ""}`}
        style={{ width: lifeSize ? width : "100%", aspectRatio: "3 / 2" }}
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
        {compared && <WipeLine at={wipe} onMove={setWipe} label="Line between the two boards" frame={frame} />}
      </div>
      {spots && (
        <div
          className="pointer-events-none absolute top-0 left-0 *:pointer-events-auto"
          style={{ width: lifeSize ? width : "100%", aspectRatio: "3 / 2" }}
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
