/**
 * Diameter of what is so many millimetres round.
 * @example diameterOf(314.159) // ≈ 100
 */
export const diameterOf = (circumference: number): number => circumference / Math.PI;

export type RoundThing = "leg" | "disc" | "knob";

/** Diameters that round parts of furniture have, in millimetres (common practice). */
const USUAL: Record<RoundThing, { least: number; most: number; name: string }> = {
  leg: { least: 12, most: 160, name: "A turned leg" },
  disc: { least: 20, most: 2000, name: "A round face" },
  knob: { least: 12, most: 80, name: "A knob" },
};

/**
 * Why a diameter is doubted; null where it is a usual one. What is too thick across but usual once divided by π was probably
 * measured round.
 *
 * @param diameter in millimetres
 */
export function doubtOf(thing: RoundThing, diameter: number): string | null {
  const { least, most, name } = USUAL[thing];
  if (diameter >= least && diameter <= most) return null;
  const across = Math.round(diameter);
  const isRoundIt = diameter > most && diameterOf(diameter) >= least && diameterOf(diameter) <= most;
  if (isRoundIt)
    return `${name} ${across} mm across is unusual. If the tape went round it, it is ${Math.round(diameterOf(diameter))} mm across.`;
  return `${name} ${across} mm across is unusual. Measure it again.`;
}

/** The lines that part a round knob: length of the arcs round its edge, and the square that fits inside it, in millimetres. */
export function quartersOf(diameter: number): { round: number; quarter: number; eighth: number; square: number } {
  const round = Math.PI * diameter;
  return { round, quarter: round / 4, eighth: round / 8, square: diameter / Math.SQRT2 };
}
