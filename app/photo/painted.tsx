import { useLayoutEffect, useRef, useState } from "react";
import type { PiecePhoto } from "#core/plan/photo-marks";
import { WipeLine } from "~/parts/wipe-line";
import type { Painted } from "./use-on-photo";

/** The photo with the finish on it right of a line that can be moved across, the photo as it is left of it. */
export function PaintedPhoto({
  src,
  marks,
  painted,
  says,
}: {
  src: string;
  marks: PiecePhoto;
  painted: Painted;
  says: string;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [wipe, setWipe] = useState(0);
  const { image } = painted;
  useLayoutEffect(() => {
    if (image) canvas.current?.getContext("2d")?.putImageData(image, 0, 0);
  }, [image]);
  return (
    <div ref={frame} className="photo-stage" style={{ aspectRatio: `${marks.width} / ${marks.height}` }}>
      <img src={src} alt="The piece as it is" draggable={false} />
      {image && (
        <canvas
          ref={canvas}
          width={image.width}
          height={image.height}
          role="img"
          aria-label={says}
          data-painted={painted.finished ? "finished" : "drawing"}
          style={{ clipPath: `inset(0 0 0 ${wipe}%)` }}
        />
      )}
      <WipeLine at={wipe} onMove={setWipe} label="Line between the piece as it is and the finish" frame={frame} />
      {!painted.finished && !painted.failed && (
        <span className="photo-busy" role="status">
          {painted.part > 0 ? `Painting … ${Math.round(100 * painted.part)} %` : "Painting …"}
        </span>
      )}
    </div>
  );
}
