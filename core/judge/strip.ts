import { bodyColour } from "../colour/material-colour.ts";
import { hiding } from "../surface/film.ts";
import type { Stack } from "../surface/stack.ts";
import type { ZoneJudgement } from "./judge.ts";

/** The layers of the widest patch of the field, from the ground up: what a small strip shows of a crust. */
export function stripOf(judged: ZoneJudgement): { colour: string; hides: number }[] {
  const field = judged.after.patches.field;
  const widest = [...field].sort((a, b) => b.share - a.share)[0];
  const layers = new Map<string, { colour: string; hides: number }>();
  for (let at: Stack = widest?.stack ?? null; at !== null; at = at.below)
    if (!layers.has(at.film.stepId))
      layers.set(at.film.stepId, { colour: bodyColour(at.film.material), hides: hiding(at.film) });
  return [{ colour: judged.zone.ground.colour, hides: 1 }, ...[...layers.values()].reverse()];
}
