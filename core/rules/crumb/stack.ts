import type { ExampleStack, ExampleStep } from "../example.ts";

// The stack that the crumb's examples begin with: a hand's breadth of wet, misted paint, and crumb dropped on it.

/** A face small enough to be painted, misted and strewn while it is wet. */
export const SMALL_FACE: Pick<ExampleStack, "ground" | "species" | "zone"> = {
  ground: "raw timber",
  species: "pine",
  zone: { shape: { kind: "panel", width: 300, height: 300, count: 1 } },
};

export const CRUMB_ON_WET: readonly ExampleStep[] = [["brush", "chalk-slate"], ["mist"], ["sprinkle", "texture-crumb"]];
