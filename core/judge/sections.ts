import type { Climate } from "../drying/climate.ts";
import type { Zone } from "../plan/plan.ts";
import { leastOf } from "../plan/wait.ts";
import { coatOf } from "../surface/film.ts";
import { MIST_LASTS } from "../surface/laws/misting.ts";
import type { Go, Phase } from "../surface/phase.ts";
import type { Instant, Minutes } from "../units/units.ts";

/** Nobody works a face in more sections than this: with less time than they leave, it cannot be done this way. */
const MOST_SECTIONS = 40;
/** What lies beneath draws in about so much of a fresh coat (from memory); it only sets how fast it opens and closes. */
const DRAWN = 0.2;
/** Nobody stays at one section longer than this without a break (common practice). */
const LONGEST_SECTION: Minutes = 180;
/** The work of a section takes no less than this. */
const SHORTEST: Minutes = 1;

/** How long what a phase lays can be worked into, in this air; null if that does not press. */
function staysFresh({ material, pot, load, does }: Phase, climate: Climate, at: Instant): Minutes | null {
  if (does.has("mist")) return MIST_LASTS;
  if (material === null) return null;
  const coat = coatOf({ load, pot }, material, DRAWN);
  const { open, tack } = material.windows;
  if (open) return climate.takes(coat, "open", at, open.safe);
  if (tack) return climate.takes(coat, "tack", at, tack.shuts.safe);
  if (material.carrier !== "water" || material.role === "tissue" || material.role === "crumb") return null;
  return climate.takes(coat, "touch", at, material.drying.touch.safe);
}

const working = ({ hands, technique }: Phase): Minutes => Math.max(0, hands - technique.setUp);

/** So many sections that end at natural breaks: whole drawers, faces or legs, or equal parts of each. */
function atNaturalBreaks(sections: number, { shape, faces }: Zone): number {
  const pieces = shape.count * faces;
  if (sections <= 1) return 1;
  if (sections >= pieces) return Math.min(MOST_SECTIONS, pieces * Math.ceil(sections / pieces));
  return Math.ceil(pieces / Math.floor(pieces / sections));
}

/** How many sections a go is worked in, so that each is through all its phases while what it needs wet is wet. */
export function sectionsOf(go: readonly Phase[], zone: Zone, climate: Climate, at: Instant): number {
  let most = 1;
  let left = 0;
  let pauses = 0;
  for (let index = go.length - 1; index >= 0; index--) {
    const phase = go[index]!;
    left += working(phase);
    if (index < go.length - 1) {
      const fresh = staysFresh(phase, climate, at);
      if (fresh !== null) most = Math.max(most, left / Math.max(SHORTEST, fresh - pauses));
    }
    pauses += leastOf(phase.step.wait);
  }
  most = Math.max(most, left / LONGEST_SECTION);
  return atNaturalBreaks(Math.min(MOST_SECTIONS, Math.ceil(most)), zone);
}

const onSections = new WeakMap<Go, Map<number, readonly Phase[]>>();

/** The phases of a go as they are on one of its sections; made once for all zones that share them. */
export function onOneSection(go: readonly Phase[], sections: number): readonly Phase[] {
  const known = onSections.get(go[0]!.go!) ?? new Map<number, readonly Phase[]>();
  onSections.set(go[0]!.go!, known);
  let made = known.get(sections);
  if (!made) {
    const shared: Go = { ids: go.map(({ id }) => id), sections };
    made = go.map((phase) => ({
      ...phase,
      go: shared,
      hands: phase.hands === 0 ? 0 : Math.max(SHORTEST, Math.round(phase.hands / sections)),
    }));
    known.set(sections, made);
  }
  return made;
}
