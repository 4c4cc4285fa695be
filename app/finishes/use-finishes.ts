import { useEffect, useState } from "react";
import type { FinishFacts } from "#core/finishes/facts";
import { listening, offPage } from "~/first/off-page";
import type { Finishes } from "./finishes.worker";
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
export function useFinishes(asking: Asking): Tried {
  const [tried, setTried] = useState<Tried>(NOTHING);
  const key = `${asking.text} ${asking.zoneIds.join(" ")} ${asking.panel} ${asking.width}`;

  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all that is asked
  useEffect(() => {
    setTried(NOTHING);
    const take = (change: (before: Tried) => Partial<Tried>) =>
      setTried((before) => ({ ...before, ...change(before) }));
    const failed = (says: string) =>
      take(() => ({ busy: false, failed: says || "the program that tries them did not start" }));
    const program = offPage<Finishes>(
      new Worker(new URL("./finishes.worker.ts", import.meta.url), { type: "module" }),
      failed,
    );
    const { tell, gaveUp, end } = listening<Answer>((answer) => {
      switch (answer.is) {
        case "worked out":
          return take(({ facts }) => ({ facts: new Map(facts).set(answer.finishId, answer.facts) }));
        case "drawn": {
          const image = new ImageData(new Uint8ClampedArray(answer.pixels), answer.width, answer.height);
          return take(({ pictures }) => ({ pictures: new Map(pictures).set(answer.finishId, image) }));
        }
        case "refused":
          return take(({ refused }) => ({ refused: new Map(refused).set(answer.finishId, answer.because) }));
      }
    }, failed);
    program.run.tryAll(asking, tell).then(() => take(() => ({ busy: false })), gaveUp);
    return () => {
      end();
      program.close();
    };
  }, [key]);

  return tried;
}
