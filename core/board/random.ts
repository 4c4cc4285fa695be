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

/** A seed from a text, the same each time (FNV-1a). */
export function seedOf(text: string): number {
  let hash = 2_166_136_261;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 16_777_619);
  return hash >>> 0;
}

/** A number from 0 to 1 for a place on a lattice. */
export function hashed(x: number, y: number, seed: number): number {
  let mixed = Math.imul(x, 374_761_393) ^ Math.imul(y, 668_265_263) ^ Math.imul(seed, 2_246_822_519);
  mixed = Math.imul(mixed ^ (mixed >>> 13), 1_274_126_177);
  mixed = Math.imul(mixed ^ (mixed >>> 16), 2_146_121_005);
  return ((mixed ^ (mixed >>> 15)) >>> 0) / 4_294_967_296;
}
