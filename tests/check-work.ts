import type { Judgement } from "#core/judge/judge";
import type { Hours } from "#core/plan/hours";
import type { Plan } from "#core/plan/plan";
import type { Shop } from "#core/plan/shop";
import type { JobPlan } from "#core/schedule/plan-of-work";
import type { Booking, Lies } from "#core/schedule/schedule";
import { handsOn, inOneGo } from "#core/surface/one-go";
import { DAY } from "#core/units/units";
import { readWallTime, sayWallTime, weekday } from "#core/units/wall-time";

// Checks schedules without knowing how they were made: order, waits, windows, painters, hours, skills and drying places straight
// from the judgement and the settings. Every check returns what is wrong, leaving out the steps the schedule itself admits to.

/** Order, waits and windows of one job. */
export function faultsOfJob(
  plan: Plan,
  judgement: Judgement,
  bookings: readonly Booking[],
  owned: ReadonlySet<string>,
): string[] {
  const faults: string[] = [];
  const sectionsOf = (zoneId: string, phaseId: string) =>
    bookings.filter(({ does }) => does.some((one) => one.zoneId === zoneId && one.phaseId === phaseId));
  const start = readWallTime(plan.start)!;
  for (const booking of bookings)
    if (booking.starts < start && !booking.done) faults.push(`${booking.id} before the start`);
  for (const { zone, phases, climate } of judgement.zones)
    for (const [index, placed] of phases.entries()) {
      const own = sectionsOf(zone.id, placed.phase.id);
      const [booking] = own;
      if (!booking) {
        faults.push(`${zone.id}/${placed.phase.id} has no place`);
        continue;
      }
      if (booking.done) continue;
      const worked = own.reduce((sum, booking) => sum + booking.ends - booking.starts, 0);
      const together = phases.filter(({ phase }) => booking.does.some(({ phaseId }) => phaseId === phase.id));
      const work = together.reduce((sum, { phase }) => sum + handsOn(phase), 0);
      const alone = booking.does.every((one) => one.zoneId === zone.id);
      // along with another zone the tools are out already
      const least = booking.zoneId === zone.id ? work : 0;
      if (worked < least || (alone && together.length === 1 && worked > work))
        faults.push(`${booking.id} is not as long as its work`);
      const before = phases[index - 1];
      const last = before && sectionsOf(zone.id, before.phase.id).at(-1)!;
      if (last && last.ends > booking.starts && !own.includes(last))
        faults.push(`${booking.id} before the step under it is done`);
      for (const demand of placed.demands) {
        // inside a go each section is through it by itself
        if (inOneGo(placed.phase, demand.from)) continue;
        const from = sectionsOf(zone.id, demand.from).at(-1)!.ends;
        const waited = booking.starts - from;
        // the gates of the label as they stand in the room from the time the coat below was really done
        const met = climate
          .gates(demand.label, demand.coat, from - start)
          .some((gate) => waited >= gate.opens.safe && (gate.shuts === null || waited <= gate.shuts.safe));
        if (!met && !owned.has(booking.stepId))
          faults.push(`${booking.id} waits ${waited} min, which ${demand.rule} does not allow`);
      }
    }
  return faults;
}

const hoursOn = ({ weekdays, exceptions }: Pick<Hours, "weekdays" | "exceptions">, wall: number) => {
  const date = sayWallTime(wall).slice(0, 10);
  return exceptions.find(({ on }) => on === date)?.stretches ?? weekdays[weekday(wall)]!;
};

/** Whether work lies inside the hours of its day; where one stretch touches the next, they are one. */
function isInHours(hours: Pick<Hours, "weekdays" | "exceptions">, { starts, ends }: Booking): boolean {
  const minute = ((starts % DAY) + DAY) % DAY;
  const joined: [number, number][] = [];
  for (const [from, to] of [...hoursOn(hours, starts)].sort((a, b) => a[0] - b[0])) {
    const last = joined.at(-1);
    if (last && last[1] >= from) last[1] = Math.max(last[1], to);
    else joined.push([from, to]);
  }
  return joined.some(([from, to]) => minute >= from && minute + (ends - starts) <= to);
}

/** That nobody does two things at once, or anything outside her hours. */
export function faultsOfHands(
  bookings: readonly Booking[],
  hoursOf: (booking: Booking) => Pick<Hours, "weekdays" | "exceptions">,
  owned: ReadonlySet<string> = new Set(),
): string[] {
  const faults: string[] = [];
  const work = bookings.filter(({ starts, ends, done }) => ends > starts && !done);
  for (const booking of work) {
    if (owned.has(booking.stepId)) continue;
    if (booking.painter === "") faults.push(`${booking.id} is nobody's`);
    if (!booking.pinned && !isInHours(hoursOf(booking), booking))
      faults.push(`${booking.id} outside the working hours`);
  }
  for (const painter of new Set(work.map((booking) => booking.painter))) {
    const own = work.filter((booking) => booking.painter === painter).sort((a, b) => a.starts - b.starts);
    for (const [index, booking] of own.entries()) {
      const before = own[index - 1];
      if (before && before.ends > booking.starts && !owned.has(booking.stepId) && !owned.has(before.stepId))
        faults.push(`${painter} does ${booking.id} and ${before.id} at once`);
    }
  }
  return faults;
}

/** That no more lies to dry at one time than there are places. */
export function faultsOfPlaces(lies: readonly Lies[], places: number): string[] {
  return lies.flatMap(({ from, name }) => {
    const at = lies.filter((lies) => lies.from <= from && lies.to > from).length;
    return at > places ? [`${at} in ${places} drying places when ${name} is laid down`] : [];
  });
}

/** All of a plan of work: each job by itself, and what the jobs share. */
export function faultsOfPlanOfWork(
  judged: readonly { plan: Plan; judgement: Judgement }[],
  shop: Shop,
  jobs: readonly JobPlan[],
): string[] {
  const planOf = new Map(judged.map(({ plan }) => [plan.id, plan]));
  const faults: string[] = [];
  const owned = new Set<string>();
  for (const { plan, judgement } of judged) {
    const job = jobs.find(({ planId }) => planId === plan.id);
    if (!job) {
      faults.push(`${plan.id} is not in it`);
      continue;
    }
    const own = new Set([
      ...job.clashes.map(({ stepId }) => stepId),
      ...judgement.zones.flatMap(({ findings }) =>
        findings.filter(({ severity }) => severity !== "note").map(({ stepId }) => stepId),
      ),
    ]);
    for (const stepId of own) owned.add(`${plan.id} ${stepId}`);
    faults.push(...faultsOfJob(plan, judgement, job.bookings, own).map((fault) => `${plan.id}: ${fault}`));
    for (const { zoneId, phaseId, starts } of plan.pins) {
      const booked = job.bookings.find(
        ({ does, section }) =>
          (section === null || section.at === 1) && does[0]?.zoneId === zoneId && does[0].phaseId === phaseId,
      );
      if (booked && booked.starts !== readWallTime(starts) && !own.has(booked.stepId) && !booked.done)
        faults.push(`${booked.id} is not at its set time`);
    }
    for (const { zoneId, phaseId, starts, ends } of plan.done ?? [])
      if (
        !job.bookings.some(
          (booking) =>
            booking.done &&
            booking.starts === readWallTime(starts) &&
            booking.ends === readWallTime(ends) &&
            booking.does.some((does) => does.zoneId === zoneId && does.phaseId === phaseId),
        )
      )
        faults.push(`${zoneId}/${phaseId} is not where it was done`);
  }
  // what clashes in a job may do so with the hours and painters too
  const sound = jobs.map((job) => ({
    ...job,
    bookings: job.bookings.filter(({ planId, stepId }) => !owned.has(`${planId} ${stepId}`)),
  }));
  const all = sound.flatMap(({ bookings }) => bookings);
  faults.push(
    ...faultsOfHands(all, ({ planId, painter }) => {
      const plan = planOf.get(planId)!;
      const who = shop.painters.find(({ id }) => id === painter)!;
      const base = plan.hoursFrom === "shop" ? shop.hours : plan.pinned.hours;
      const off =
        plan.hoursFrom === "shop" ? who.exceptions : who.exceptions.filter(({ stretches }) => !stretches.length);
      const days = new Set(off.map(({ on }) => on));
      return {
        weekdays: (plan.hoursFrom === "shop" && who.weekdays) || base.weekdays,
        exceptions: [...off, ...base.exceptions.filter(({ on }) => !days.has(on))],
      };
    }),
  );
  const skillOf = (booking: Booking) => {
    const phases = judged
      .find(({ plan }) => plan.id === booking.planId)!
      .judgement.zones.flatMap((zone) => zone.phases);
    const done = new Set(booking.does.map(({ phaseId }) => phaseId));
    return phases.filter(({ phase }) => done.has(phase.id)).flatMap(({ phase }) => phase.technique.skill ?? []);
  };
  for (const booking of all) {
    const who = shop.painters.find(({ id }) => id === booking.painter);
    const beyond = skillOf(booking).filter((skill) => who?.cannot.includes(skill));
    if (beyond.length > 0) faults.push(`${booking.painter} cannot ${beyond.join()}: ${booking.id}`);
  }
  const { dryingPlaces } = shop.hours;
  if (dryingPlaces !== undefined)
    faults.push(
      ...faultsOfPlaces(
        jobs.flatMap(({ lies }) => lies),
        dryingPlaces,
      ),
    );
  return faults;
}
