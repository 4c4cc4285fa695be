import { useEffect, useRef, useState } from "react";
import type { FinishFacts } from "#core/finishes/facts";
import type { Answer, Asking } from "./messages";

export interface Tried {
  facts: ReadonlyMap<string, FinishFacts>;
  pictures: ReadonlyMap<string, ImageData>;
  /** why a finish cannot be laid here at all */
  refused: ReadonlyMap<string, string>;
  busy: boolean;
  failed: string | null;
}

const NOTHING: Tried = { facts: new Map(), pictures: new Map(), refused: new Map(), busy: true, failed: null };

/** Every finish tried on the piece in a worker, as the answers come in. */
export function useFinishes(asking: Omit<Asking, "id">): Tried {
  const [tried, setTried] = useState<Tried>(NOTHING);
  const asked = useRef(0);
  const key = `${asking.text} ${asking.zoneIds.join(" ")} ${asking.panel} ${asking.width}`;

  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all that is asked
  useEffect(() => {
    const id = ++asked.current;
    const worker = new Worker(new URL("./finishes.worker.ts", import.meta.url), { type: "module" });
    setTried(NOTHING);
    const take = (change: (before: Tried) => Partial<Tried>) =>
      setTried((before) => ({ ...before, ...change(before) }));
    worker.addEventListener("error", (event) => {
      event.preventDefault();
      take(() => ({ busy: false, failed: event.message || "the program that tries them did not start" }));
    });
    worker.addEventListener("message", ({ data }: MessageEvent<Answer>) => {
      if (data.id !== id) return;
      switch (data.is) {
        case "worked out":
          return take(({ facts }) => ({ facts: new Map(facts).set(data.finishId, data.facts) }));
        case "drawn": {
          const image = new ImageData(new Uint8ClampedArray(data.pixels), data.width, data.height);
          return take(({ pictures }) => ({ pictures: new Map(pictures).set(data.finishId, image) }));
        }
        case "refused":
          return take(({ refused }) => ({ refused: new Map(refused).set(data.finishId, data.because) }));
        case "done":
          return take(() => ({ busy: false }));
        case "failed":
          return take(() => ({ busy: false, failed: data.says }));
      }
    });
    worker.postMessage({ ...asking, id } satisfies Asking);
    return () => worker.terminate();
  }, [key]);

  return tried;
}
