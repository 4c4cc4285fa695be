import { useEffect, useRef, useState } from "react";
import type { WallMinutes } from "#core/units/units";
import type { Answer, Asking, Shown } from "./messages";

export interface Searched {
  shown: readonly Shown[];
  nearest: Shown | null;
  says: string | null;
  tried: number;
  busy: boolean;
  failed: string | null;
  pictures: ReadonlyMap<string, ImageData>;
  /** when the job could leave with each, and what it would cost */
  dates: ReadonlyMap<string, { leaves: WallMinutes | null; price: number | null }>;
}

const NOTHING: Searched = {
  shown: [],
  nearest: null,
  says: null,
  tried: 0,
  busy: false,
  failed: null,
  pictures: new Map(),
  dates: new Map(),
};

/** Stacks for a look, found in a worker while she plays; null asks for nothing. */
export function useSearch(asking: Omit<Asking, "id"> | null): Searched {
  const worker = useRef<Worker | null>(null);
  const asked = useRef(0);
  const [searched, setSearched] = useState<Searched>(NOTHING);
  const key = asking && JSON.stringify([asking.zoneId, asking.look, asking.shelf, asking.panel, asking.text.length]);

  useEffect(() => {
    const made = new Worker(new URL("./look.worker.ts", import.meta.url), { type: "module" });
    worker.current = made;
    made.addEventListener("error", (event) => {
      event.preventDefault();
      setSearched((before) => ({ ...before, busy: false, failed: event.message || "the planner did not start" }));
    });
    made.addEventListener("message", ({ data }: MessageEvent<Answer>) => {
      if (data.id !== asked.current) return;
      if (data.is === "failed") return setSearched((before) => ({ ...before, busy: false, failed: data.says }));
      if (data.is === "found") {
        const { shown, nearest, says, tried, done } = data;
        return setSearched((before) => ({ ...before, shown, nearest, says, tried, busy: !done, failed: null }));
      }
      if (data.is === "dated") {
        const { key: dated, leaves, price } = data;
        return setSearched((before) => ({ ...before, dates: new Map(before.dates).set(dated, { leaves, price }) }));
      }
      const image = new ImageData(new Uint8ClampedArray(data.pixels), data.width, data.height);
      setSearched((before) => ({ ...before, pictures: new Map(before.pictures).set(data.key, image) }));
    });
    return () => {
      made.terminate();
      worker.current = null;
    };
  }, []);

  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all that is asked
  useEffect(() => {
    const id = ++asked.current;
    if (!asking) return setSearched(NOTHING);
    setSearched((before) => ({ ...NOTHING, pictures: before.pictures, busy: true }));
    worker.current?.postMessage({ ...asking, id } satisfies Asking);
  }, [key]);

  return searched;
}
