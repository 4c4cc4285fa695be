import type { JudgedPhase, ZoneJudgement } from "#core/judge/judge";
import { fittedTo } from "#core/plan/plan";
import { listed } from "#core/rules/words";
import { lastFilm } from "#core/schedule/films";
import type { Booking } from "#core/schedule/schedule";
import { hoursOf, taskId, type Work } from "#core/schedule/work";
import { ShopClock } from "#core/units/time-zone";
import { readWallTime } from "#core/units/wall-time";
import type { Lane, LaneBooking } from "~/drawing/lane";
import { countOf } from "~/words/amount";

export const LANES = ["zone", "piece"] as const;
export type LaneKind = (typeof LANES)[number];

/** Bookings with the phases they are for. */
export function withPhases(works: readonly Work[], bookings: readonly Booking[]): LaneBooking[] {
  const phases = new Map<string, { judged: ZoneJudgement; placed: JudgedPhase }>();
  const placedIn = ({ planId }: Booking, { zoneId, phaseId }: Booking["does"][number]) =>
    phases.get(taskId(planId, zoneId, phaseId));
  const clocks = new Map(
    works.map((work) => [work.plan.id, new ShopClock(readWallTime(work.plan.start)!, hoursOf(work).timeZone)]),
  );
  for (const { plan, judgement } of works)
    for (const judged of judgement.zones)
      for (const placed of judged.phases)
        phases.set(taskId(plan.id, judged.zone.id, placed.phase.id), { judged, placed });
  return bookings.map((booking) => ({
    booking,
    judged: null,
    placed: null,
    clock: clocks.get(booking.planId)!,
    ...phases.get(taskId(booking.planId, booking.zoneId, booking.phaseId)),
    dries: lastFilm(booking.does.flatMap((one) => placedIn(booking, one)?.placed ?? [])),
  }));
}

/** Lanes of a calendar: one per zone, or one per piece with all its zones. */
export function lanesOf(works: readonly Work[], items: readonly LaneBooking[], kind: LaneKind): Lane[] {
  return works.flatMap(({ plan }) =>
    plan.pieces.flatMap((piece): Lane[] => {
      const own = items.filter(({ booking }) => booking.planId === plan.id && booking.pieceId === piece.id);
      const begun = new Set(own.map(({ booking }) => booking.zoneId));
      // all work on what stays fitted to another zone is in that one's lane
      const lanes = piece.zones.filter((zone) => begun.has(zone.id) || !fittedTo(piece.zones, zone));
      const zones = lanes.map((zone): Lane => {
        const bookings = own.filter(({ booking }) => booking.zoneId === zone.id);
        const steps = new Set(bookings.map(({ booking }) => booking.stepId)).size;
        const along = piece.zones.filter((other) => fittedTo(piece.zones, other)?.id === zone.id);
        const note =
          along.length > 0 ? `with ${listed(along.map((other) => other.name))}` : countOf(steps, "step", "steps");
        return { id: `${plan.id}/${zone.id}`, name: zone.name, note, bookings };
      });
      const whole = own.filter(({ booking }) => booking.zoneId === "");
      if (kind === "piece")
        return [
          {
            id: `${plan.id}/${piece.id}`,
            name: piece.name,
            note: countOf(piece.zones.length, "zone", "zones"),
            bookings: own,
          },
        ];
      const together: Lane = {
        id: `${plan.id}/${piece.id}`,
        name: piece.name,
        note: "take apart, refit",
        bookings: whole,
      };
      return whole.length > 0 ? [...zones, together] : zones;
    }),
  );
}
