import { wrap } from "comlink";
import { LRUCache } from "lru-cache";
import { useEffect, useState } from "react";
import type { BoardWork } from "#core/board/board-work";
import type { PieceFace } from "#core/board/piece-face";
import type { Films } from "./films.worker";

/** Finished work as it looks on a face, as a picture to put on a drawing. */
export interface Film {
  url: string;
}

export interface WantedFilm {
  zoneId: string;
  work: BoardWork;
  face: PieceFace;
}

/** The same name is the same picture. Long, and so made only where pictures are. */
const nameOf = ({ work, face }: WantedFilm): string => JSON.stringify([face, work]);

const MOST_KEPT = 120;
/** Pictures by what they show; they outlive the view that wanted them. */
const kept = new LRUCache<string, Film>({ max: MOST_KEPT, dispose: ({ url }) => URL.revokeObjectURL(url) });

const NOTHING: ReadonlyMap<string, Film> = new Map();

/**
 * Films by their zone, painted in a worker. Until a zone's new film is there it keeps the one before; there is none on
 * the server, and none before the first is painted.
 */
export function useFilms(wanted: readonly WantedFilm[]): ReadonlyMap<string, Film> {
  const [films, setFilms] = useState(NOTHING);
  useEffect(() => {
    const named = wanted.map((film) => ({ ...film, name: nameOf(film) }));
    const known = named.flatMap(({ zoneId, name }) => {
      const film = kept.get(name);
      return film ? [[zoneId, film] as const] : [];
    });
    setFilms((before) => new Map([...before, ...known]));
    const missing = named.filter(({ name }) => !kept.has(name));
    if (missing.length === 0) return;
    const worker = new Worker(new URL("./films.worker.ts", import.meta.url), { type: "module" });
    const painter = wrap<Films>(worker);
    let stopped = false;
    const paintAll = async () => {
      for (const { zoneId, name, work, face } of missing) {
        const picture = kept.has(name) ? null : await painter.paint(work, face);
        // another drawing may have wanted the same meanwhile: the picture that is already shown is not thrown away for its like
        const film = kept.get(name) ?? { url: URL.createObjectURL(picture!) };
        kept.set(name, film);
        if (stopped) return;
        setFilms((before) => new Map(before).set(zoneId, film));
      }
      worker.terminate();
    };
    // a drawing in plain colours is better than none: what goes wrong in the worker costs its films, and nothing else
    paintAll().catch((error) => console.error(error));
    return () => {
      stopped = true;
      worker.terminate();
    };
  }, [wanted]);
  return films;
}
