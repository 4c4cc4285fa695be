import { randomFrom } from "#core/board/random";

export { randomFrom, seedOf } from "#core/board/random";

/** Smooth one-dimensional noise, about −1 to 1, with features `scale` long. */
export function waver(seed: number, scale: number): (x: number) => number {
  const value = (index: number) => randomFrom(seed + index * 2_654_435)() * 2 - 1;
  return (x) => {
    const at = x / scale;
    const from = Math.floor(at);
    const part = at - from;
    const ease = part * part * (3 - 2 * part);
    return value(from) * (1 - ease) + value(from + 1) * ease;
  };
}
