/** A repeatable run of numbers from 0 to 1 (mulberry32): drawings are alive, but the same each time. */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

export function seedOf(text: string): number {
  let hash = 2_166_136_261;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 16_777_619);
  return hash >>> 0;
}

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
