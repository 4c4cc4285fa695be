import { useMemo } from "react";
import { boardWorkOf } from "#core/board/board-work";
import { PIECE_SEED, pieceFace, sampleFace } from "#core/board/piece-face";
import type { ZoneJudgement } from "#core/judge/judge";
import { type FrontZone, facesOf } from "~/drawing/arrange";
import type { Film, WantedFilm } from "./painter";
import { useFilms } from "./use-films";

/** The films of the zones of a piece by the zone's id, each in the proportions of one of its faces. */
export function usePieceFilms(
  zones: readonly FrontZone[],
  judged: readonly ZoneJudgement[],
): ReadonlyMap<string, Film> {
  const wanted = useMemo(
    () =>
      zones.flatMap((zone): WantedFilm[] => {
        const own = judged.find((zoneJudgement) => zoneJudgement.zone.id === zone.id);
        const box = facesOf(zone, zone.place)[0];
        if (!own || !box) return [];
        const face = pieceFace(zone, box);
        const work = boardWorkOf(own, face.panel, PIECE_SEED);
        return [{ zoneId: zone.id, work, face }];
      }),
    [zones, judged],
  );
  return useFilms(wanted);
}

/** The sample board of a zone when all is done, small. */
export function useSampleFilm(judged: ZoneJudgement): Film | undefined {
  const wanted = useMemo(() => {
    const face = sampleFace(judged.zone);
    const work = boardWorkOf(judged, face.panel, PIECE_SEED);
    return [{ zoneId: judged.zone.id, work, face }];
  }, [judged]);
  return useFilms(wanted).get(judged.zone.id);
}
