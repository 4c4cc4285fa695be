import { boardWorkOf, panelFor } from "#core/board/board-work";
import type { Judgement, ZoneJudgement } from "#core/judge/judge";
import type { ZoneWork } from "#core/photo/on-photo";
import type { PhotoStep } from "#core/photo/steps";
import type { PiecePhoto } from "#core/plan/photo-marks";

/** Boards that lie on one piece are laid by one hand; each face has a seed of its own besides. */
const SEED = 1;

/** The zones that a photo shows and that can be painted on it, in the order of the plan. */
export const zonesShown = (marks: PiecePhoto | undefined, { zones }: Pick<Judgement, "zones">): ZoneJudgement[] => {
  const shown = new Set(marks?.faces.map(({ zoneId }) => zoneId));
  return zones.filter(({ zone }) => shown.has(zone.id));
};

/** What the faces of a photo are painted with. */
export const worksOf = (zones: readonly ZoneJudgement[]): ZoneWork[] =>
  zones.map((judged) => ({ zone: judged.zone, work: boardWorkOf(judged, panelFor(judged.zone), SEED) }));

/** The step that an address names, or the last. */
export function stepAt(params: URLSearchParams, steps: readonly PhotoStep[]): number {
  const text = params.get("after");
  const value = Number(text);
  return text && Number.isInteger(value) && value >= 0 && value < steps.length ? value : steps.length - 1;
}
