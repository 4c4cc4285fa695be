import type { Gate, Stage } from "../drying/gate.ts";
import type { Facts } from "../judge/facts.ts";
import type { ZoneJudgement } from "../judge/judge.ts";
import type { JudgedPhase } from "../judge/line.ts";
import { phaseName } from "../schedule/work.ts";
import type { WallMinutes } from "../units/units.ts";
import { type SignQuestion, signQuestion } from "./sign-words.ts";

// A countdown is no clock that runs in a page: it follows from when a coat was laid, from the air, and from what was seen on it.
// So it is the same after a reload, on another device and after a night.

/** How long a wait before the next piece of work on a zone still is: two gates on the wall clock. */
export interface Countdown {
  zoneId: string;
  /** the film that is waited for, and the phase that waits */
  from: string;
  to: string;
  /** what the film is called */
  film: string;
  /** what is waited for: "recoat", "tack" */
  reason: string;
  stage: Stage;
  /** minutes on the wall: the careful ends, and the typical ones */
  opens: WallMinutes;
  opensTypically: WallMinutes;
  shuts: WallMinutes | null;
  shutsTypically: WallMinutes | null;
  question: SignQuestion | null;
}

/** The window that is meant: the first that has not shut yet; the last of all, when every one has. */
function gateMeant(gates: readonly Gate[], age: number): Gate {
  return gates.find(({ shuts }) => shuts === null || age <= shuts.typical) ?? gates.at(-1)!;
}

/** What the next phase of a zone waits for, one countdown for each film: at a time on the wall. */
export function countdownsFor(
  { zone, phases }: Pick<ZoneJudgement, "zone" | "phases">,
  next: JudgedPhase,
  facts: Facts,
  { start, now }: { start: WallMinutes; now: WallMinutes },
): Countdown[] {
  const byFilm = new Map<string, Countdown>();
  for (const demand of next.demands) {
    const fact = facts.get(demand.from);
    const film = phases.find(({ phase }) => phase.id === demand.from);
    if (!fact || !film) continue;
    const gate = gateMeant(demand.gates, now - start - fact.ends);
    const wall = (minutes: number) => start + fact.ends + minutes;
    const { stage, opens, shuts } = gate;
    const countdown: Countdown = {
      zoneId: zone.id,
      from: demand.from,
      to: next.phase.id,
      film: phaseName(film),
      reason: demand.reason,
      stage,
      opens: wall(opens.safe),
      opensTypically: wall(opens.typical),
      shuts: shuts && wall(shuts.safe),
      shutsTypically: shuts && wall(shuts.typical),
      question: signQuestion(stage, film.phase.material),
    };
    const known = byFilm.get(demand.from);
    // of several waits on one film, the one that holds longest speaks; a window that shuts counts in any case
    if (!known) byFilm.set(demand.from, countdown);
    else
      byFilm.set(demand.from, {
        ...(known.opens >= countdown.opens ? known : countdown),
        shuts: earlier(known.shuts, countdown.shuts),
        shutsTypically: earlier(known.shutsTypically, countdown.shutsTypically),
      });
  }
  return [...byFilm.values()].sort((a, b) => b.opens - a.opens);
}

const earlier = (a: number | null, b: number | null) => (a === null ? b : b === null ? a : Math.min(a, b));
