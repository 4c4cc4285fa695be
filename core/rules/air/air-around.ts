import { type Air, dewPoint } from "../../drying/air.ts";
import type { Minutes } from "../../units/units.ts";
import type { FilmSeam } from "../rule.ts";

// The hours in which a coat dries, as the rules about air need them.

export interface Moment {
  /** minutes after the coat is laid */
  after: Minutes;
  air: Air;
  /** of the piece, °C */
  surface: number;
  dewsAt: number;
}

/**
 * Whether rules about air speak at this seam: once at the first coat if the air never changes, at every coat if it
 * does.
 */
export const airIsTold = ({ climate, phase, past }: FilmSeam) =>
  phase.material !== null && (!climate.steady || !past.some((placed) => placed.phase.material !== null));

/** The air of every hour from laying a coat until it has come so far, in reference minutes of its own stage. */
export function hoursUntil(seam: FilmSeam, stage: "touch" | "recoat"): Moment[] {
  const { material, hands } = seam.phase;
  if (!material) return [];
  const laid = seam.at + hands;
  const coat = { leaves: material.carrier === "water" ? "water" : "solvent", load: 1, drawnBy: 0, warmed: 0 } as const;
  const until = laid + seam.climate.takes(coat, stage, laid, material.drying[stage].safe);
  return [...seam.climate.between(seam.at, until)].map(({ at, air }) => ({
    after: Math.max(0, at - seam.at),
    air,
    surface: seam.room.surfaceCelsius ?? air.celsius,
    dewsAt: dewPoint(air.celsius, air.relativeHumidity),
  }));
}

/** The moment that is worst by some measure: the one with the least of it. */
export const worstOf = (moments: readonly Moment[], measure: (moment: Moment) => number): Moment | null =>
  moments.reduce<Moment | null>(
    (worst, moment) => (worst === null || measure(moment) < measure(worst) ? moment : worst),
    null,
  );
