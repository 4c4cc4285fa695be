import { away, type Field, fieldOn, type Grid } from "../grid.ts";

/** The bare shape of a panel, in millimetres. Mouldings are as broad on a face of any size. */
export interface PanelShape {
  /** height of the face */
  height: Field;
  /** how far it is to the nearest sharp edge */
  sharp: Field;
  /** how far it is to the outer border */
  border: Field;
  /** how far it is from the ornament, or from the middle where there is none */
  motif: Field;
  /** 1 where grain and strokes run up and down, as on the stiles of a frame */
  upright: Uint8Array;
  /** what a hand and a block of paper feel as height, where that is not the height that is seen */
  felt: Field | null;
  /** 0 to 1, how much of each pixel the thing itself takes up; null where it fills the picture */
  inside: Field | null;
}

export const PANEL_IDS = ["carved", "drawer", "plain", "top", "disc", "leg", "frame", "box"] as const;
export type PanelId = (typeof PANEL_IDS)[number];

/** What each panel is, as a painter would call it, in a word and in full. */
export const PANEL_NAMES: Record<PanelId, { short: string; full: string }> = {
  carved: { short: "Carved", full: "Carved panel" },
  drawer: { short: "Drawer", full: "Moulded drawer front" },
  plain: { short: "Boards", full: "Plain boards edge to edge" },
  top: { short: "Top", full: "Plain top without joints" },
  disc: { short: "Disc", full: "Disc, such as a round top" },
  leg: { short: "Leg", full: "Turned leg" },
  frame: { short: "Frame", full: "Mitred frame" },
  box: { short: "Box", full: "Side of a box, with lid and plinth" },
};

export interface Panel {
  id: PanelId;
  shape: (grid: Grid) => PanelShape;
}

export const emptyShape = (grid: Grid): PanelShape => ({
  height: fieldOn(grid),
  sharp: fieldOn(grid).fill(1000),
  border: fieldOn(grid),
  motif: fieldOn(grid),
  upright: new Uint8Array(grid.width * grid.height),
  felt: null,
  inside: null,
});

/** How much of each pixel lies inside an outline, from how far each place lies within it in millimetres. */
export function insideOf(grid: Grid, within: (x: number, y: number) => number): Field {
  const inside = fieldOn(grid);
  eachPixel(grid, (at, x, y) => {
    inside[at] = Math.min(1, Math.max(0, within(x, y) / grid.millimetres + 0.5));
  });
  return inside;
}

/** Calls with every pixel's index and its place in millimetres, and how far that lies from the border. */
export function eachPixel(grid: Grid, visit: (at: number, x: number, y: number, border: number) => void) {
  for (let row = 0; row < grid.height; row++) {
    const y = (row + 0.5) * grid.millimetres;
    const toBorder = Math.min(y, grid.tall - y);
    for (let column = 0; column < grid.width; column++) {
      const x = (column + 0.5) * grid.millimetres;
      visit(row * grid.width + column, x, y, Math.min(toBorder, x, grid.wide - x));
    }
  }
}

/** Whether a place on a frame lies on a stile, whose grain goes up and down: corners are mitred. */
export function isOnStile({ wide, tall }: Grid, x: number, y: number): boolean {
  return Math.min(x, wide - x) < Math.min(y, tall - y);
}

/** A corner rounded over: 0 well inside, falling to −`radius` at the very border. */
export const roundedOver = (border: number, radius: number): number =>
  border >= radius ? 0 : Math.sqrt(Math.max(0, radius * radius - (radius - border) ** 2)) - radius;

/** Half the length and half the height of the wreath that is painted where a panel has no carving, in millimetres. */
const WREATH: readonly [number, number] = [104, 64];
const BLOOMS = 12;
const LEAF = 21;

/** How far a place lies outside a five-petalled flower with a ring left open round its heart. */
function outsideFlower(x: number, y: number, radius: number, turned: number): number {
  const distance = away(x, y);
  const outline = radius * (0.66 + 0.34 * Math.abs(Math.cos(2.5 * (Math.atan2(y, x) + turned))) ** 0.7);
  const ring = 1 - Math.abs(distance - 0.36 * radius);
  return Math.max(distance - outline, ring);
}

/** How far a place lies outside a leaf with its midrib left open, pointing along x from its stalk. */
function outsideLeaf(x: number, y: number, length: number): number {
  const part = Math.min(1, Math.max(0, x / length));
  const edge = 0.27 * length * Math.sin(Math.PI * part ** 0.75);
  return Math.max(Math.abs(y) - edge, -x, x - length, part > 0.12 && part < 0.85 ? 0.55 - Math.abs(y) : -1);
}

/** How far from a shape of the wreath the distance to it is still worked out, in millimetres. */
const TOLD = 9;

/** How far each place lies outside a wreath of flowers and leaves round the middle of the face; less than 0 within its shapes. */
export function outsideWreath(grid: Grid, half = WREATH): Field {
  const outside = fieldOn(grid).fill(TOLD);
  const mm = grid.millimetres;
  const round = (x: number, y: number, reach: number, tell: (dx: number, dy: number) => number) => {
    const bottom = Math.min(grid.height - 1, Math.ceil((y + reach) / mm));
    const right = Math.min(grid.width - 1, Math.ceil((x + reach) / mm));
    for (let row = Math.max(0, Math.floor((y - reach) / mm)); row <= bottom; row++)
      for (let column = Math.max(0, Math.floor((x - reach) / mm)); column <= right; column++) {
        const at = row * grid.width + column;
        const own = tell((column + 0.5) * mm - x, (row + 0.5) * mm - y);
        if (own < outside[at]!) outside[at] = own;
      }
  };
  for (let bloom = 0; bloom < BLOOMS; bloom++) {
    const turn = (2 * Math.PI * (bloom + 0.16 * Math.sin(3 * bloom))) / BLOOMS;
    const radius = (half[0] / WREATH[0]) ** 0.6 * (13.5 + 1.8 * Math.sin(5 * bloom + 1));
    const place = (at: number) =>
      [grid.wide / 2 + half[0] * Math.cos(at), grid.tall / 2 + half[1] * Math.sin(at)] as const;
    round(...place(turn), radius + TOLD, (dx, dy) => outsideFlower(dx, dy, radius, bloom));
    // two leaves stand out from between this flower and the next
    const between = turn + Math.PI / BLOOMS;
    for (const lean of [0.35, Math.PI - 0.5]) {
      const angle = Math.atan2(half[1] * Math.sin(between), half[0] * Math.cos(between)) + lean;
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      round(...place(between), LEAF + TOLD, (dx, dy) => outsideLeaf(dx * cos + dy * sin, dy * cos - dx * sin, LEAF));
    }
  }
  return outside;
}
