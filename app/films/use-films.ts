import { useEffect, useRef, useState } from "react";
import { type Film, keptOf, type WantedFilm, want } from "./painter";

const NOTHING: ReadonlyMap<string, Film> = new Map();

/**
 * Films by their zone, painted in a worker. Until a zone's new film is there it keeps the one before; there is none on
 * the server, and none before the first is painted.
 */
export function useFilms(wanted: readonly WantedFilm[]): ReadonlyMap<string, Film> {
  const [films, setFilms] = useState(NOTHING);
  const shown = useRef(films);
  shown.current = films;
  useEffect(() => {
    const known = keptOf(wanted.filter(({ zoneId }) => !shown.current.has(zoneId)));
    if (known.size > 0) setFilms((before) => new Map([...before, ...known]));
    return want(
      wanted.filter(({ zoneId }) => !known.has(zoneId)),
      (zoneId, film) => setFilms((before) => new Map(before).set(zoneId, film)),
    );
  }, [wanted]);
  return films;
}
