import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { WISH_PLACES, type WishPlace } from "#core/look/spec";
import { arrowWay } from "~/keys/arrows";
import { KEYS } from "~/keys/keys";
import { pressed } from "~/keys/use-key";
import { FileChoice } from "~/parts/file-choice";
import { PLACE_NAMES } from "./read-look";

const MOST_BYTES = 8_000_000;
const MOST_PIXELS = 900;
/** A colour is the mean of so many pixels each way: one pixel of a photo is noise. */
const ROUND = 4;
const STEP = 6;

/** Colours taken by pointing into a picture of something old: the place is chosen, then its colour is pointed at. */
export function FromPicture({ onPick }: { onPick: (place: WishPlace, colour: string) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [picture, setPicture] = useState<ImageBitmap | null>(null);
  const [place, setPlace] = useState<WishPlace>("field");
  const [trouble, setTrouble] = useState<string | null>(null);
  const [at, setAt] = useState({ x: 0.5, y: 0.5 });

  useEffect(() => {
    const on = canvas.current;
    if (!on || !picture) return;
    const scale = Math.min(1, MOST_PIXELS / Math.max(picture.width, picture.height));
    on.width = Math.max(1, Math.round(picture.width * scale));
    on.height = Math.max(1, Math.round(picture.height * scale));
    on.getContext("2d", { willReadFrequently: true })?.drawImage(picture, 0, 0, on.width, on.height);
  }, [picture]);

  async function take(file: File | undefined) {
    setTrouble(null);
    if (!file) return;
    if (file.size > MOST_BYTES) return setTrouble(`${file.name} is larger than 8 MB. Use a smaller copy.`);
    try {
      setPicture(await createImageBitmap(file));
    } catch {
      setTrouble(`${file.name} cannot be read as a picture. Choose a JPEG, PNG or WebP.`);
    }
  }

  function pick(x: number, y: number) {
    const on = canvas.current;
    const context = on?.getContext("2d", { willReadFrequently: true });
    if (!on || !context) return;
    const left = Math.max(0, Math.min(on.width - 1, Math.round(x * on.width) - ROUND));
    const top = Math.max(0, Math.min(on.height - 1, Math.round(y * on.height) - ROUND));
    const wide = Math.min(2 * ROUND + 1, on.width - left);
    const tall = Math.min(2 * ROUND + 1, on.height - top);
    const { data } = context.getImageData(left, top, wide, tall);
    const sums = [0, 0, 0];
    for (let pixel = 0; pixel < data.length; pixel += 4)
      for (let channel = 0; channel < 3; channel++) sums[channel]! += data[pixel + channel]!;
    const colour = `#${sums
      .map((sum) =>
        Math.round((4 * sum) / data.length)
          .toString(16)
          .padStart(2, "0"),
      )
      .join("")}`;
    onPick(place, colour);
    const next = WISH_PLACES[WISH_PLACES.indexOf(place) + 1];
    if (next && WISH_PLACES.indexOf(next) < 4) setPlace(next);
  }

  const onKey = (event: KeyboardEvent) => {
    const on = canvas.current;
    const move = arrowWay(event.key);
    if (on && move) {
      event.preventDefault();
      const within = (value: number) => Math.min(1, Math.max(0, value));
      setAt(({ x, y }) => ({
        x: within(x + (move[0] * STEP) / on.width),
        y: within(y + (move[1] * STEP) / on.height),
      }));
    } else if (pressed(KEYS.look.keys.take, event)) {
      event.preventDefault();
      pick(at.x, at.y);
    }
  };

  return (
    <details className="mt-4 border-t border-line pt-2">
      <summary className="py-1 font-semibold">From a picture of something old</summary>
      <p className="text-soft">Choose a place, then point at it in the picture. The picture stays on this machine.</p>
      <FileChoice
        className="mt-2"
        accept="image/*"
        label="Picture"
        says="Choose a picture"
        onFile={(file) => take(file ?? undefined)}
      />
      {trouble && (
        <p role="alert" className="mt-2 font-medium text-ochre">
          {trouble}
        </p>
      )}
      {picture && (
        <>
          <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="What you point at">
            {WISH_PLACES.map((wishPlace) => (
              <button
                key={wishPlace}
                type="button"
                className="chip"
                aria-pressed={wishPlace === place}
                onClick={() => setPlace(wishPlace)}
              >
                {PLACE_NAMES[wishPlace]}
              </button>
            ))}
          </div>
          <button
            type="button"
            className="look-photo"
            aria-label={`The picture: arrow keys move the cross, Enter takes its colour for ${PLACE_NAMES[place].toLowerCase()}`}
            onKeyDown={onKey}
            onPointerDown={(event) => {
              const box = event.currentTarget.getBoundingClientRect();
              const [x, y] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
              setAt({ x, y });
              pick(x, y);
            }}
          >
            <canvas ref={canvas} />
            <span className="look-cross" style={{ left: `${100 * at.x}%`, top: `${100 * at.y}%` }} aria-hidden="true" />
          </button>
        </>
      )}
    </details>
  );
}
