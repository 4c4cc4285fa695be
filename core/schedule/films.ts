import { bodyColour } from "../colour/material-colour.ts";
import type { JudgedPhase, ZoneJudgement } from "../judge/judge.ts";
import { ShopClock } from "../units/time-zone.ts";
import type { WallMinutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import type { Booking } from "./schedule.ts";
import { hoursOf, taskId, type Work } from "./work.ts";

/** What a piece of work leaves on a zone, and until when it has to be left alone. */
export interface Film {
  /** the booking it is laid in */
  booking: string;
  zoneId: string;
  phaseId: string;
  colour: string;
  /** ready for what comes next; dry to the touch where nothing does */
  ready: WallMinutes;
}

/** Of what is worked together, the film laid last. */
export const lastFilm = (together: readonly JudgedPhase[]): JudgedPhase | null =>
  together.findLast(({ coat }) => coat) ?? null;

/**
 * When the layer of a phase is ready for what comes next: the latest opening that anything waits for, otherwise touch dry.
 * `ends` is when its work is through.
 */
export function readyAt(
  { climate, phases }: ZoneJudgement,
  { phase, coat }: JudgedPhase,
  ends: WallMinutes,
  start: WallMinutes,
  clock: ShopClock,
): WallMinutes | null {
  if (!phase.material || !coat) return null;
  const from = ends - start;
  let wait = 0;
  for (const later of phases)
    for (const { from: waited, label, coat: below } of later.demands)
      if (waited === phase.id)
        wait = Math.max(wait, Math.min(...climate.gates(label, below, from).map((gate) => gate.opens.safe)));
  const touch = phase.material.drying.touch.safe;
  return clock.after(ends, wait || Math.ceil(climate.takes(coat, "touch", from, touch)));
}

/** All films of a job, by the bookings they are laid in. */
export function filmsOf(work: Work, bookings: readonly Booking[]): Film[] {
  const { plan, judgement } = work;
  const start = readWallTime(plan.start)!;
  const clock = new ShopClock(start, hoursOf(work).timeZone);
  const placed = new Map<string, { judged: ZoneJudgement; one: JudgedPhase }>();
  for (const judged of judgement.zones)
    for (const phase of judged.phases)
      placed.set(taskId(plan.id, judged.zone.id, phase.phase.id), { judged, one: phase });
  return bookings.flatMap((booking): Film[] => {
    const zones = new Set(booking.does.map(({ zoneId }) => zoneId));
    return [...zones].flatMap((zoneId): Film[] => {
      const own = booking.does.flatMap(({ zoneId: id, phaseId }) =>
        id === zoneId ? (placed.get(taskId(plan.id, id, phaseId)) ?? []) : [],
      );
      const film = lastFilm(own.map(({ one }) => one));
      const ready = film && readyAt(own[0]!.judged, film, booking.ends, start, clock);
      if (!film?.phase.material || ready === null) return [];
      return [{ booking: booking.id, zoneId, phaseId: film.phase.id, colour: bodyColour(film.phase.material), ready }];
    });
  });
}
