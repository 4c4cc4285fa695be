import { LRUCache } from "lru-cache";
import type { BoardWork } from "#core/board/board-work";
import type { PieceFace } from "#core/board/piece-face";
import { type OffPage, offPage } from "~/first/off-page";
import type { Films } from "./films.worker";

// One worker paints every picture of finished work that the drawings of a page want, one after another.

/** Finished work as it looks on a face, as a picture to put on a drawing. */
export interface Film {
  url: string;
}

export interface WantedFilm {
  zoneId: string;
  work: BoardWork;
  face: PieceFace;
}

interface Waiting extends WantedFilm {
  hear: (zoneId: string, film: Film) => void;
  /** taken back: what is painted of it is only kept */
  over: boolean;
}

const MOST_KEPT = 120;
/** How long nothing new must be wanted before painting begins: whoever is editing needs the machine more. */
const REST_MILLISECONDS = 320;
/** A worker that has had nothing to do for so long is let go, with what it keeps for the next edit. */
const IDLE_MILLISECONDS = 60_000;

/** The same name is the same picture. Long, and so made only where pictures are. */
const nameOf = ({ work, face }: WantedFilm): string => JSON.stringify([face, work]);

/** Pictures by what they show; they outlive the drawing that wanted them. */
const kept = new LRUCache<string, Film>({ max: MOST_KEPT, dispose: ({ url }) => URL.revokeObjectURL(url) });

let worker: OffPage<Films> | null = null;
/** it did not start: a drawing in plain colours is better than none */
let broken = false;
let painting = false;
let waiting: Waiting[] = [];
/** something new was wanted just now: painting waits for more of it */
let resting = false;
let timer: ReturnType<typeof setTimeout> | undefined;

function letGo() {
  worker?.close();
  worker = null;
}

function started(): OffPage<Films> {
  return offPage<Films>(new Worker(new URL("./films.worker.ts", import.meta.url), { type: "module" }), (says) => {
    console.error(says);
    broken = true;
    letGo();
  });
}

async function painted({ zoneId, work, face }: WantedFilm): Promise<Film> {
  worker ??= started();
  return { url: URL.createObjectURL(await worker.run.paint(zoneId, work, face)) };
}

async function paintAll() {
  resting = false;
  if (painting || broken) return;
  painting = true;
  while (!resting && !broken && waiting.length > 0) {
    const film = waiting.shift()!;
    const name = nameOf(film);
    const shown = kept.get(name) ?? (await painted(film).catch((error) => console.error(error)));
    // what went wrong costs its picture, and nothing else
    if (!shown) continue;
    kept.set(name, shown);
    if (!film.over) film.hear(film.zoneId, shown);
  }
  painting = false;
  if (!resting) timer = setTimeout(letGo, IDLE_MILLISECONDS);
}

/** The pictures that are there already, by their zones: for a drawing that shows nothing yet. */
export function keptOf(films: readonly WantedFilm[]): ReadonlyMap<string, Film> {
  if (kept.size === 0) return new Map();
  return new Map(
    films.flatMap((film) => {
      const picture = kept.get(nameOf(film));
      return picture ? [[film.zoneId, picture] as const] : [];
    }),
  );
}

/** Has pictures painted, when nothing new has been wanted for a moment; what is returned takes back what has not come yet. */
export function want(films: readonly WantedFilm[], hear: Waiting["hear"]): () => void {
  if (films.length === 0) return () => {};
  const own = films.map((film): Waiting => ({ ...film, hear, over: false }));
  // the one picture of a zone is looked at before those of a whole piece
  waiting = own.length === 1 ? [...own, ...waiting] : [...waiting, ...own];
  resting = true;
  clearTimeout(timer);
  timer = setTimeout(() => void paintAll(), REST_MILLISECONDS);
  return () => {
    for (const film of own) film.over = true;
    waiting = waiting.filter((film) => !film.over);
  };
}
