import { LRUCache } from "lru-cache";
import { useEffect, useRef, useState } from "react";
import type { BoardWork, View } from "#core/board/board-work";
import type { Measured } from "#core/board/shares";
import { listening, type OffPage, offPage } from "~/first/off-page";
import type { Easel } from "./board.worker";
import type { Drawn, Held } from "./messages";

export interface BoardPicture {
  image: ImageData;
  count: number;
  finished: boolean;
  measured: Measured | null;
}

export interface Boards {
  /** by side; undefined until there is something to show */
  pictures: readonly (BoardPicture | undefined)[];
  /** the finished picture is still being drawn */
  drawing: boolean;
  failed: string | null;
}

/** How many finished pictures are kept, by what they show. */
const MOST_KEPT = 48;

const imageOf = ({ pixels, width, height }: Drawn) => new ImageData(new Uint8ClampedArray(pixels), width, height);

/** Phases nearest to the current one first: where someone scrubbing goes next. */
function nearestFirst(count: number, all: number): number[] {
  const order: number[] = [];
  for (let away = 1; away <= all; away++)
    for (const next of [count + away, count - away]) if (next >= 0 && next <= all) order.push(next);
  return order;
}

export interface Wanted {
  sides: readonly Held[];
  view: View;
  width: number;
}

const written = new WeakMap<BoardWork, string>();
function workName(work: BoardWork): string {
  const name = written.get(work) ?? JSON.stringify(work);
  written.set(work, name);
  return name;
}

/** Names what a side shows: the same name is the same picture. */
const nameOf = ({ work, count }: Held, { light, lighting, wet }: View, width: number) =>
  `${count} ${width} ${light} ${wet} ${lighting.azimuth} ${lighting.elevation} ${workName(work)}`;

/** Boards drawn in a worker as they are needed; pictures of steps that were drawn before appear at once. */
export function useBoards({ sides, view, width }: Wanted): Boards {
  const easel = useRef<OffPage<Easel> | null>(null);
  const kept = useRef(new LRUCache<string, BoardPicture>({ max: MOST_KEPT }));
  const [boards, setBoards] = useState<Boards>({ pictures: [], drawing: true, failed: null });
  const names = sides.map((side) => nameOf(side, view, width));
  const wanted = names.join("\n");

  const failed = (says: string) =>
    setBoards((before) => ({ ...before, drawing: false, failed: says || "the drawing program did not start" }));

  // biome-ignore lint/correctness/useExhaustiveDependencies: it is opened once
  useEffect(() => {
    easel.current = offPage<Easel>(
      new Worker(new URL("./board.worker.ts", import.meta.url), { type: "module" }),
      failed,
    );
    return () => {
      easel.current?.close();
      easel.current = null;
    };
  }, []);

  // biome-ignore lint/correctness/useExhaustiveDependencies: the names say all that is wanted
  useEffect(() => {
    const found = names.map((name) => kept.current.get(name));
    setBoards((before) => ({
      pictures: found.map((picture, side) => picture ?? before.pictures[side]),
      drawing: found.some((picture) => !picture),
      failed: null,
    }));
    const all = sides[0]?.work.phases.length ?? 0;
    const later = sides.length === 1 ? nearestFirst(sides[0]!.count, all) : [];
    const unknown = later.filter((count) => !kept.current.get(nameOf({ work: sides[0]!.work, count }, view, width)));
    const { tell, gaveUp, end } = listening<Drawn>((drawn) => {
      const side = sides[drawn.side]!;
      const { count, finished, measured } = drawn;
      const picture: BoardPicture = { image: imageOf(drawn), count, finished, measured };
      if (finished) kept.current.set(nameOf({ work: side.work, count }, view, width), picture);
      if (count !== side.count) return;
      setBoards((before) => {
        // a rough picture never replaces a finished one of the same thing
        if (!finished && found[drawn.side]) return before;
        const pictures = sides.map((_, index) => (index === drawn.side ? picture : before.pictures[index]));
        return {
          pictures,
          drawing: sides.some((side, index) => !pictures[index]?.finished || pictures[index]?.count !== side.count),
          failed: null,
        };
      });
    }, failed);
    if (found.some((picture) => !picture) || unknown.length > 0)
      easel.current?.run.draw({ sides, view, width, later: unknown }, tell).catch(gaveUp);
    return end;
  }, [wanted]);

  return boards;
}
