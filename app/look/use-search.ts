import { useEffect, useRef, useState } from "react";
import type { WallMinutes } from "#core/units/units";
import { listening, type OffPage, offPage } from "~/first/off-page";
import type { LookSearch } from "./look.worker";
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
export function useSearch(asking: Asking | null): Searched {
  const program = useRef<OffPage<LookSearch> | null>(null);
  const [searched, setSearched] = useState<Searched>(NOTHING);
  const key = asking && JSON.stringify([asking.zoneId, asking.look, asking.shelf, asking.panel, asking.text.length]);
  const failed = (says: string) =>
    setSearched((before) => ({ ...before, busy: false, failed: says || "the planner did not start" }));

  // biome-ignore lint/correctness/useExhaustiveDependencies: it is opened once
  useEffect(() => {
    program.current = offPage<LookSearch>(
      new Worker(new URL("./look.worker.ts", import.meta.url), { type: "module" }),
      failed,
    );
    return () => {
      program.current?.close();
      program.current = null;
    };
  }, []);

  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all that is asked
  useEffect(() => {
    if (!asking) return setSearched(NOTHING);
    setSearched((before) => ({ ...NOTHING, pictures: before.pictures, busy: true }));
    const { tell, gaveUp, end } = listening<Answer>((answer) => {
      if (answer.is === "found") {
        const { shown, nearest, says, tried, done } = answer;
        setSearched((before) => ({ ...before, shown, nearest, says, tried, busy: !done, failed: null }));
      } else if (answer.is === "dated") {
        const { leaves, price } = answer;
        setSearched((before) => ({ ...before, dates: new Map(before.dates).set(answer.key, { leaves, price }) }));
      } else {
        const image = new ImageData(new Uint8ClampedArray(answer.pixels), answer.width, answer.height);
        setSearched((before) => ({ ...before, pictures: new Map(before.pictures).set(answer.key, image) }));
      }
    }, failed);
    program.current?.run.search(asking, tell).catch(gaveUp);
    return end;
  }, [key]);

  return searched;
}
