import { useEffect, useRef } from "react";

/** A board as it comes from the worker, stretched to the room it has. */
export function BoardCanvas({ image, says }: { image: ImageData; says: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    canvas.current?.getContext("2d")?.putImageData(image, 0, 0);
  }, [image]);
  return (
    <canvas
      ref={canvas}
      width={image.width}
      height={image.height}
      className="finish-board"
      role="img"
      aria-label={says}
    />
  );
}
