import { transfer } from "comlink";
import { LRUCache } from "lru-cache";
import { useEffect, useRef, useState } from "react";
import type { Counts, ZoneWork } from "#core/photo/on-photo";
import type { PiecePhoto } from "#core/plan/photo-marks";
import { listening, type OffPage, offPage } from "~/first/off-page";
import type { Answer } from "./messages";
import type { OnPhotoProgram } from "./photo.worker";

export interface Painted {
  image: ImageData | null;
  /** the finished picture of what is asked for, not a rough one or an earlier step */
  finished: boolean;
  /** how far the fine picture is, from 0 to 1 */
  part: number;
  failed: string | null;
}

const MOST_KEPT = 10;

/** The finish on the photo, drawn in a worker: rough at once, then fine; steps that were drawn before appear at once. */
export function useOnPhoto(
  photo: ImageData | null,
  marks: PiecePhoto | undefined,
  zones: readonly ZoneWork[],
  counts: Counts,
): Painted {
  const program = useRef<OffPage<OnPhotoProgram> | null>(null);
  const kept = useRef(new LRUCache<string, ImageData>({ max: MOST_KEPT }));
  const [painted, setPainted] = useState<Painted>({ image: null, finished: false, part: 0, failed: null });

  const failed = (says: string) =>
    setPainted((before) => ({ ...before, failed: says || "the drawing program did not start" }));

  // biome-ignore lint/correctness/useExhaustiveDependencies: it is opened for each photo
  useEffect(() => {
    if (!photo) return;
    const made = offPage<OnPhotoProgram>(
      new Worker(new URL("./photo.worker.ts", import.meta.url), { type: "module" }),
      failed,
    );
    program.current = made;
    kept.current.clear();
    const pixels = photo.data.slice().buffer;
    made.run.show(transfer(pixels, [pixels]), photo.width, photo.height).catch(({ message }: Error) => failed(message));
    return () => {
      made.close();
      program.current = null;
    };
  }, [photo]);

  const wanted = JSON.stringify([marks, zones, counts]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: its text says all that is wanted
  useEffect(() => {
    if (!photo || !program.current || !marks) return;
    const known = kept.current.get(wanted);
    setPainted((before) => ({ image: known ?? before.image, finished: known !== undefined, part: 0, failed: null }));
    if (known) return;
    const { tell, gaveUp, end } = listening<Answer>((answer) => {
      if (answer.is === "working") return setPainted((before) => ({ ...before, part: answer.part }));
      const image = new ImageData(new Uint8ClampedArray(answer.pixels), answer.width, answer.height);
      if (answer.finished) kept.current.set(wanted, image);
      setPainted((before) => ({ ...before, image, finished: answer.finished }));
    }, failed);
    program.current.run.paint({ marks, zones, counts }, tell).catch(gaveUp);
    return end;
  }, [wanted, photo]);

  return painted;
}
