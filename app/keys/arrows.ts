const WAYS: Readonly<Record<string, readonly [right: number, down: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Which way an arrow key points: one to the right or to the left, one down or up; null for any other key. */
export const arrowWay = (key: string): readonly [right: number, down: number] | null => WAYS[key] ?? null;
