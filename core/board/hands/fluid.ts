import { meanAround } from "../blur.ts";
import type { Field } from "../grid.ts";
import { type Reckoning, reckon, type Source } from "../kernels.ts";
import type { WorkedBoard } from "./hand.ts";

const MOST_LOG = 1.4;

/** How far each place lies under what is around it, in micrometres of film: cracks, brush marks, the rims of chips. */
export function hollows({ total, grid }: WorkedBoard): Reckoning {
  const film = total();
  return reckon(grid)
    .plus(1, meanAround(film, grid, 1.2))
    .plus(-1, film);
}

/** Broader than these marks of a brush are the dips and peaks of embossed paste, of ridges and crumb; so many micrometres count. */
const MOST_DIP = 130;

/** How far each place lies under what is a few millimetres around it, in micrometres of film. */
export function dips({ total, grid, builtUp }: WorkedBoard): Reckoning {
  if (!builtUp) return reckon(grid);
  const film = total();
  return reckon(grid)
    .plus(1, meanAround(film, grid, 4.5))
    .plus(-1, film)
    .held(-MOST_DIP, MOST_DIP);
}

/** What a fluid does with a weight: it runs off proud places and stands in grooves, brush marks and cracks. */
export function pooled(weight: Field | Source, bench: WorkedBoard, amount: number): Reckoning {
  return reckon(bench.grid)
    .plus(amount, bench.relief.stands)
    .plus(0.008 * amount, hollows(bench))
    .held(-MOST_LOG, MOST_LOG)
    .raised()
    .times(weight);
}
