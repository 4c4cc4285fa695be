import { type Layers, topsOf } from "#core/board/layers";
import type { PanelRelief } from "#core/board/relief";
import { RELIEF_CLASSES, type ReliefClass } from "#core/plan/plan";
import { FILM_STATES, type Film } from "#core/surface/film";
import type { Surface } from "#core/surface/surface";

/** What lies on top of one relief class: shares by step ("ground" where it is bare), and of each step by the state it is in. */
type Tops = Map<string, Map<string, number>>;
export type States = Record<ReliefClass, Tops>;

const stateOf = (film: Film): string => FILM_STATES.filter((state) => film[state]).join(" ") || "as laid";

const empty = (): States => ({ arris: new Map(), field: new Map(), high: new Map(), recess: new Map() });

function add(tops: Tops, film: Film | null, share: number) {
  if (share <= 0) return;
  const step = film?.stepId ?? "ground";
  const states = tops.get(step) ?? new Map<string, number>();
  const state = film === null ? "bare" : stateOf(film);
  states.set(state, (states.get(state) ?? 0) + share);
  tops.set(step, states);
}

/** As the checks hold it. */
export function statesOnSurface(surface: Surface): States {
  const states = empty();
  for (const name of RELIEF_CLASSES)
    for (const { share, stack } of surface.patches[name]) add(states[name], stack?.film ?? null, share);
  return states;
}

/** As it is drawn, measured on the pixels. */
export function statesOnBoard(layers: Layers, { belongs, grid, sample }: PanelRelief): States {
  const states = empty();
  const tops = topsOf(layers, grid);
  for (const name of RELIEF_CLASSES) {
    const own = belongs[name];
    let all = 0;
    const sums = [0, ...layers.map(() => 0)];
    for (const at of sample) {
      all += own[at]!;
      sums[tops[at]! + 1]! += own[at]!;
    }
    sums.forEach((sum, index) => {
      add(states[name], layers[index - 1]?.film ?? null, all > 0 ? sum / all : 0);
    });
  }
  return states;
}

const whole = (states: Map<string, number> | undefined) =>
  [...(states?.values() ?? [])].reduce((sum, value) => sum + value, 0);

/** A film on top of less than this is too small to be measured by its states. */
const WORTH_MEASURING = 0.15;

export interface Apart {
  points: number;
  where: string;
}

/** Where two hold the states of a film on top furthest apart, in points of where that film lies on top of both. */
export function statesApart(one: States, two: States, classes: readonly ReliefClass[]): Apart {
  let worst: Apart = { points: 0, where: "nowhere" };
  for (const name of classes)
    for (const [step, states] of one[name]) {
      const others = two[name].get(step);
      const [all, itsAll] = [whole(states), whole(others)];
      if (!others || Math.min(all, itsAll) < WORTH_MEASURING) continue;
      for (const state of new Set([...states.keys(), ...others.keys()])) {
        const [a, b] = [(states.get(state) ?? 0) / all, (others.get(state) ?? 0) / itsAll];
        const points = 100 * Math.abs(a - b);
        if (points > worst.points)
          worst = { points, where: `${name}: ${step} ${state}: ${a.toFixed(2)} against ${b.toFixed(2)}` };
      }
    }
  return worst;
}
