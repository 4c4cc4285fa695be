import { type BenchTask, opensOf } from "#core/ledger/bench";
import type { Countdown } from "#core/ledger/countdown";
import { sayDuration } from "#core/units/duration";
import { midnightBefore } from "#core/units/wall-time";
import { sayClock, sayDayClock } from "#core/units/when";
import type { RingSays } from "./ring";
import { sayCountdown } from "./ring";

/** From here on a window is about to shut. */
export const SOON = 5;

/** "12:34", or with its day where that is another. */
export const sayAt = (wall: number, now: number): string =>
  midnightBefore(Math.ceil(wall)) === midnightBefore(Math.floor(now))
    ? sayClock(Math.ceil(wall))
    : sayDayClock(Math.ceil(wall));

const WHY_SHUT: Partial<Record<Countdown["stage"], string>> = {
  open: "too stiff to move",
  wet: "no longer wet",
  tack: "past its tack",
  buff: "too hard to polish",
};

/** The countdown that matters most for a task now. */
export function pressing({ countdowns }: Pick<BenchTask, "countdowns">, wall: number): Countdown | null {
  const shuts = countdowns
    .filter((countdown) => countdown.shuts !== null && countdown.opens <= wall)
    .sort((a, b) => a.shuts! - b.shuts!);
  const waits = countdowns.filter(({ opens }) => opens > wall);
  return waits[0] ?? shuts[0] ?? null;
}

/** What the ring shows of a task; null where nothing presses and it has not been begun. */
export function ringOf(task: BenchTask, wall: number, now: number): RingSays | null {
  const countdown = pressing(task, wall);
  if (countdown && countdown.opens > wall) {
    const whole = Math.max(1, countdown.opens - fromOf(countdown, wall));
    return {
      above: "opens in",
      figure: sayCountdown(countdown.opens - wall),
      below: `at ${sayAt(countdown.opens, wall)}: ${countdown.film.toLowerCase()} is dry enough then`,
      left: (countdown.opens - wall) / whole,
      presses: "no",
    };
  }
  if (countdown?.shuts) {
    const left = countdown.shuts - wall;
    if (left <= 0)
      return {
        above: "shut since",
        figure: sayAt(countdown.shuts, wall),
        below: `${WHY_SHUT[countdown.stage] ?? "past its time"}: look before you continue`,
        left: 0,
        presses: "shut",
      };
    if (left < 24 * 60)
      return {
        above: "gate shuts in",
        figure: sayCountdown(left),
        below: `at ${sayAt(countdown.shuts, wall)}, then it is ${WHY_SHUT[countdown.stage] ?? "past its time"}`,
        left: left / Math.max(1, countdown.shuts - countdown.opens),
        presses: left <= SOON ? "soon" : "no",
      };
  }
  if (task.begun !== null) {
    const since = (now - task.begun) / 60_000;
    return {
      above: "in hand for",
      figure: sayCountdown(since),
      below: `about ${sayDuration(task.hands)} of work`,
      left: Math.max(0, 1 - since / Math.max(1, task.hands)),
      presses: "no",
    };
  }
  return null;
}

/** When the film that a countdown is about was laid, as far as it can be told from its gates. */
const fromOf = ({ opens, opensTypically }: Countdown, wall: number) =>
  Math.min(wall, 2 * opensTypically - opens, opens - 60);

/** When a task can be taken up, in a word or two. */
export function whenWords(task: BenchTask, wall: number): string {
  if (!task.isNext) return "after the step before";
  const opens = opensOf(task);
  if (opens > wall) return `not before ${sayAt(opens, wall)}`;
  return "ready now";
}

/** The step in sentences, for reading out. */
export function readOut(task: BenchTask, wall: number, now: number): string {
  const ring = ringOf(task, wall, now);
  return [
    `${task.zones.join(", ")}, ${task.piece}.`,
    `${task.card.title}.`,
    task.card.how.endsWith(".") ? task.card.how : `${task.card.how}.`,
    task.mix ? `Mix ${task.mix.replaceAll(" : ", " to ")}.` : "",
    task.section ? `Section ${task.section.at} of ${task.section.of}.` : "",
    ring ? `${ring.above} ${ring.figure}, ${ring.below}.` : "",
    task.card.stop.length > 0 ? `Stop if: ${task.card.stop.join("; ")}.` : "",
  ]
    .filter((text) => text !== "")
    .join(" ");
}
