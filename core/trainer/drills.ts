import type { Drill, DrillSource } from "./drill.ts";
import { faultDrills } from "./drills/fault.ts";
import { finishDrills } from "./drills/finish.ts";
import { materialDrills } from "./drills/material.ts";

/** Everything there is to practise, from the rules, the finishes and the materials: more of those bring more of these. */
export const SOURCES: readonly DrillSource[] = [...faultDrills(), ...finishDrills(), ...materialDrills()];

export const findSource = (id: string): DrillSource | undefined => SOURCES.find((source) => source.id === id);

const MOST_SEEDS = 12;

/** A question of a source; the next seeds are tried where one makes none. */
export function drillFrom(source: DrillSource, seed: number): Drill | null {
  for (let more = 0; more < MOST_SEEDS; more++) {
    const drill = source.make(seed + more);
    if (drill) return drill;
  }
  return null;
}
