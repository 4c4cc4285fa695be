/** Size of every sample panel, in millimetres. */
export const PANEL_WIDTH = 300;
export const PANEL_HEIGHT = 200;

/** A picture's pixels on a face. Everything on a board is laid out in millimetres, so that it looks alike at every size. */
export interface Grid {
  width: number;
  height: number;
  /** millimetres of the face from pixel to pixel */
  millimetres: number;
  /** size of the face itself, in millimetres */
  wide: number;
  tall: number;
}

/** The grid of a board this many pixels wide. */
export const gridOf = (width: number): Grid => ({
  width,
  height: Math.round((width * PANEL_HEIGHT) / PANEL_WIDTH),
  millimetres: PANEL_WIDTH / width,
  wide: PANEL_WIDTH,
  tall: PANEL_HEIGHT,
});

/** The grid of a face of any size, in millimetres, at so many millimetres a pixel. */
export function gridOver(wide: number, tall: number, millimetres: number): Grid {
  const width = Math.max(1, Math.round(wide / millimetres));
  return { width, height: Math.max(1, Math.round((tall * width) / wide)), millimetres: wide / width, wide, tall };
}

/** How many sample panels a face is as large as: what lies scattered on it lies there so many times. */
export const panelsIn = ({ wide, tall }: Grid): number => (wide * tall) / (PANEL_WIDTH * PANEL_HEIGHT);

/** One value a pixel, row by row. */
export type Field = Float32Array;

export const pixelsOf = ({ width, height }: Grid): number => width * height;
export const fieldOn = (grid: Grid): Field => new Float32Array(pixelsOf(grid));

export const smoothstep = (from: number, to: number, value: number): number => {
  const part = Math.min(1, Math.max(0, (value - from) / (to - from)));
  return part * part * (3 - 2 * part);
};
/** How far a place lies from another: the plain root, for the built-in one guards against overflow and is many times slower. */
export const away = (dx: number, dy: number): number => Math.sqrt(dx * dx + dy * dy);
