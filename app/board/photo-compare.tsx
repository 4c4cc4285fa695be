import { useEffect, useMemo, useRef, useState } from "react";
import type { Shown } from "#core/board/shares";
import { colourDifference } from "#core/colour/difference";
import { hexOf, type Linear, linearOf } from "#core/colour/screen";
import type { ZoneJudgement } from "#core/judge/judge";
import type { Phase } from "#core/surface/phase";
import { EditForm } from "~/forms/edit-form-parts";

/** A place on a picture, as parts of its width and height. */
export interface Spot {
  x: number;
  y: number;
}

/** Half the side of the square that is averaged for a sample, as a part of the picture's width. */
const REACH = 0.006;

/** Mean colour around a place of a picture. */
export function sampleAt({ data, width, height }: ImageData, { x, y }: Spot): string {
  const reach = Math.max(1, Math.round(REACH * width));
  const column = Math.min(width - 1, Math.floor(x * width));
  const row = Math.min(height - 1, Math.floor(y * height));
  const sum: [number, number, number] = [0, 0, 0];
  let count = 0;
  for (let r = Math.max(0, row - reach); r <= Math.min(height - 1, row + reach); r++)
    for (let c = Math.max(0, column - reach); c <= Math.min(width - 1, column + reach); c++) {
      const at = 4 * (r * width + c);
      const hex = `#${[0, 1, 2].map((channel) => data[at + channel]!.toString(16).padStart(2, "0")).join("")}`;
      linearOf(hex).forEach((value, channel) => {
        sum[channel] = sum[channel]! + value;
      });
      count++;
    }
  return hexOf(sum.map((value) => value / count) as [number, number, number]);
}

/** The white of a primed card. */
const CARD = 0.86;

/** A colour as it would be if the thing picked as white in the photo had been white. */
export function balanced(hex: string, white: string | null): string {
  if (white === null) return hex;
  const card = linearOf(white);
  return hexOf(linearOf(hex).map((value, index) => (value * CARD) / Math.max(0.02, card[index]!)) as unknown as Linear);
}

/** The pixels of a photo once it has loaded; "lost" if it fails to load. */
export function usePhotoPixels(src: string | null): ImageData | "lost" | null {
  const [pixels, setPixels] = useState<ImageData | "lost" | null>(null);
  const wanted = useRef(src);
  useEffect(() => {
    wanted.current = src;
    setPixels(null);
    if (src === null) return;
    const image = new Image();
    image.src = src;
    image.decode().then(
      () => {
        if (wanted.current !== src) return;
        const canvas = new OffscreenCanvas(image.naturalWidth, image.naturalHeight);
        const context = canvas.getContext("2d")!;
        context.drawImage(image, 0, 0);
        setPixels(context.getImageData(0, 0, canvas.width, canvas.height));
      },
      () => wanted.current === src && setPixels("lost"),
    );
  }, [src]);
  return pixels;
}

const sayDifference = (difference: number) =>
  difference < 2.5 ? "as predicted" : difference < 6 ? "close; a change of light would do as much" : "different";

interface Props {
  judged: ZoneJudgement;
  shown: Shown | null;
  prediction: ImageData | null;
  photo: ImageData | "lost" | null;
  spots: { prediction: Spot; photo: Spot };
  white: Spot | null;
  onWhite: (picking: boolean) => void;
  pickingWhite: boolean;
}

const tinsOf = ({ pot, beside }: Phase) => [
  ...(pot?.parts.map(({ material }) => material) ?? []),
  ...(beside ? [beside.material] : []),
];

/** How a prediction and a real board differ at one place each, and the form that corrects a material by it. */
export function PhotoCompare({ judged, shown, prediction, photo, spots, white, onWhite, pickingWhite }: Props) {
  const materials = useMemo(() => {
    // a mix is corrected by its tins
    const found = new Map(judged.phases.flatMap(({ phase }) => tinsOf(phase).map((tin) => [tin.id, tin] as const)));
    return [...found.values()];
  }, [judged]);
  const loudest = useMemo(() => {
    const step = [...(shown?.field ?? [])].sort((a, b) => b[1] - a[1])[0]?.[0];
    const phase = judged.phases.find((placed) => placed.phase.step.id === step)?.phase;
    return (phase && tinsOf(phase)[0]?.id) ?? materials.at(-1)?.id ?? "";
  }, [shown, judged, materials]);
  if (photo === "lost")
    return (
      <p role="alert" className="border-l-4 border-l-ochre bg-board px-3 py-2">
        The photo failed to load. Select it again below; if it is missing there too, add it again.
      </p>
    );
  if (!prediction || !photo) return <p className="text-note text-soft">Loading the photo …</p>;
  const whiteSeen = white ? sampleAt(photo, white) : null;
  const predicted = sampleAt(prediction, spots.prediction);
  const real = balanced(sampleAt(photo, spots.photo), whiteSeen);
  const difference = colourDifference(predicted, real);
  return (
    <section
      aria-label="Prediction and real board"
      className="rounded-std border border-line bg-board p-3"
      data-difference=""
    >
      <div className="flex items-center gap-3">
        {[
          ["predicted", predicted],
          ["real", real],
        ].map(([name, colour]) => (
          <span key={name} className="flex items-center gap-2">
            <span className="size-9 rounded-std border border-edge" style={{ background: colour }} aria-hidden="true" />
            <span className="text-note">
              <span className="block text-soft">{name}</span>
              <b className="font-semibold">{colour}</b>
            </span>
          </span>
        ))}
        <span className="min-w-0 flex-1 text-right">
          <b className="text-[1.0625rem] font-semibold">ΔE00 {difference.toFixed(1)}</b>
          <span className="block text-note text-soft">{sayDifference(difference)}</span>
        </span>
      </div>
      <p className="mt-2 text-note text-soft">
        Pick a flat place left of the line, then the same kind of place on the photo. Arrow keys move the rings too.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <button type="button" className="button" aria-pressed={pickingWhite} onClick={() => onWhite(!pickingWhite)}>
          {pickingWhite ? "Pick something white …" : whiteSeen ? "White point set; pick again" : "Set the white point"}
        </button>
        <EditForm
          does="correct colour"
          about={{ predicted, real }}
          label="Correct a material from this board"
          className="flex items-end gap-2"
        >
          <label>
            <span className="sr-only">Material</span>
            <select name="materialId" className="field !w-40" defaultValue={loudest} key={loudest}>
              {materials.map((material) => (
                <option key={material.id} value={material.id}>
                  {material.name}
                </option>
              ))}
            </select>
          </label>
          <button className="button">Correct</button>
        </EditForm>
      </div>
    </section>
  );
}
