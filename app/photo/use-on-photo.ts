import { LRUCache } from "lru-cache";
import { useEffect, useRef, useState } from "react";
import type { Counts, ZoneWork } from "#core/photo/on-photo";
import type { PiecePhoto } from "#core/plan/photo-marks";
import type { Answer, Question } from "./messages";

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
  const worker = useRef<Worker | null>(null);
  const asked = useRef(0);
  const kept = useRef(new LRUCache<string, ImageData>({ max: MOST_KEPT }));
  const [painted, setPainted] = useState<Painted>({ image: null, finished: false, part: 0, failed: null });

  useEffect(() => {
    if (!photo) return;
    const made = new Worker(new URL("./photo.worker.ts", import.meta.url), { type: "module" });
    worker.current = made;
    kept.current.clear();
    const { width, height } = photo;
    const pixels = photo.data.slice().buffer;
    made.postMessage({ is: "photo", pixels, width, height } satisfies Question, [pixels]);
    made.addEventListener("error", (event) => {
      event.preventDefault();
      setPainted((before) => ({ ...before, failed: event.message || "the drawing program did not start" }));
    });
    return () => {
      made.terminate();
      worker.current = null;
    };
  }, [photo]);

  const wanted = JSON.stringify([marks, zones, counts]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: its text says all that is wanted
  useEffect(() => {
    const made = worker.current;
    if (!photo || !made || !marks) return;
    const id = ++asked.current;
    const known = kept.current.get(wanted);
    setPainted((before) => ({ image: known ?? before.image, finished: known !== undefined, part: 0, failed: null }));
    if (known) return;
    const onAnswer = ({ data }: MessageEvent<Answer>) => {
      if (data.id !== id) return;
      if (data.is === "failed") setPainted((before) => ({ ...before, failed: data.says }));
      else if (data.is === "working") setPainted((before) => ({ ...before, part: data.part }));
      else {
        const image = new ImageData(new Uint8ClampedArray(data.pixels), data.width, data.height);
        if (data.finished) kept.current.set(wanted, image);
        setPainted((before) => ({ ...before, image, finished: data.finished }));
      }
    };
    made.addEventListener("message", onAnswer);
    made.postMessage({ is: "paint", id, marks, zones, counts } satisfies Question);
    return () => made.removeEventListener("message", onAnswer);
  }, [wanted, photo]);

  return painted;
}
