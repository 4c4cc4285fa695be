import { asReallyDone, factsOf, NO_FACTS } from "../judge/facts.ts";
import { type Ground, type GroundKind, groundOf } from "../plan/ground.ts";
import { type Crust, findZone, type Plan, type Step, type Zone, zoneArea } from "../plan/plan.ts";
import { namesOf } from "../plan/rounds.ts";
import { areaOf, type Shape } from "../quantity/shape.ts";
import { judgementOf } from "../schedule/kept.ts";
import { sayDuration } from "../units/duration.ts";
import type { Minutes } from "../units/units.ts";
import { workTitle } from "./card.ts";
import type { LedgerEvent } from "./event.ts";
import type { LedgerState } from "./replay.ts";
import { TROUBLE_WORDS } from "./trouble.ts";

// A job as a recipe for the next: its crust as it was really laid, with what was written down on the way.

/** One step as it really went. */
export interface RecipeStep {
  step: Step;
  phaseId: string;
  title: string;
  colour: string | null;
  /** how long it stood before the next was begun; null where that was not written down */
  stood: Minutes | null;
  took: Minutes | null;
  /** what was seen, what went wrong, what was used */
  remarks: string[];
  done: boolean;
}

export interface RealRecipe {
  zone: Zone;
  crust: Crust;
  steps: RecipeStep[];
}

function remarkOf(event: LedgerEvent): string | null {
  switch (event.kind) {
    case "trouble":
      return `${TROUBLE_WORDS[event.trouble]}${event.way ? `: ${event.way.toLowerCase()}` : ""}${event.text ? `. ${event.text}` : ""}`;
    case "note":
    case "outcome":
      return event.text;
    case "test patch":
      return `Test patch ${event.holds ? "held" : "did not hold"}: ${event.text}`;
    case "amount":
      return `Used ${event.amount} ${event.unit}`;
    case "decision":
      return `Decided: ${event.answer}`;
    case "sign":
      return event.seen
        ? null
        : `${event.says ?? "Not ready yet"}${event.more ? `: given ${event.more} more minutes` : ""}`;
    default:
      return null;
  }
}

/** The crust of a zone as it was laid: in the order it was done, with how long each stood and what there was to say of it. */
export function recipeOf(plan: Plan, zoneId: string, { lines }: LedgerState): RealRecipe | null {
  const judged = judgementOf(plan).zones.find(({ zone }) => zone.id === zoneId);
  if (!judged) return null;
  const facts = factsOf(plan).get(zoneId) ?? NO_FACTS;
  const phases = asReallyDone(
    judged.phases.map(({ phase }) => phase),
    facts,
  );
  const steps = phases.map((phase, index): RecipeStep => {
    const fact = facts.get(phase.id);
    const next = phases[index + 1] && facts.get(phases[index + 1]!.id);
    const remarks = lines.flatMap(({ event, withdrawn }) => {
      const names = namesOf(phase.id);
      const about = event.on.some((place) => place.zoneId === zoneId && names.includes(place.phaseId));
      const says = about && !withdrawn ? remarkOf(event) : null;
      return says ? [says] : [];
    });
    return {
      step: phase.step,
      phaseId: phase.id,
      title: workTitle(phase),
      colour: phase.material?.colour ?? null,
      stood: fact && next ? Math.max(0, next.starts - fact.ends) : null,
      took: fact ? fact.ends - fact.starts : null,
      remarks,
      done: fact !== undefined,
    };
  });
  return { zone: judged.zone, crust: judged.crust, steps };
}

/** What a recipe is made again on. */
export interface RecipeFor {
  id: string;
  title: string;
  client?: string;
  piece: string;
  start: string;
  ground: GroundKind;
  shape: Shape;
}

/** The order in which the steps of a crust were really done; steps that nobody did come where they were planned. */
function inRealOrder({ crust, steps }: RealRecipe): Step[] {
  const first = new Map<string, number>();
  steps.forEach(({ step, done }, index) => {
    if (done && !first.has(step.id)) first.set(step.id, index);
  });
  const done = crust.steps.filter(({ id }) => first.has(id)).sort((a, b) => first.get(a.id)! - first.get(b.id)!);
  return [...done, ...crust.steps.filter(({ id }) => !first.has(id))];
}

/** A new plan from a recipe: the crust as it was laid, on another piece and ground, with what happened as notes on its steps. */
export function planFromRecipe(plan: Plan, recipe: RealRecipe, wanted: RecipeFor): Plan {
  const remarks = new Map<string, string[]>();
  for (const { step, remarks: own, stood, took } of recipe.steps) {
    const times = [
      took === null ? "" : `took ${sayDuration(took)}`,
      stood === null ? "" : `stood ${sayDuration(stood)}`,
    ].filter((text) => text !== "");
    const last = times.length > 0 ? [`Last time: ${times.join(", ")}`] : [];
    remarks.set(step.id, [...(remarks.get(step.id) ?? []), ...last, ...own]);
  }
  const steps = inRealOrder(recipe).map((step): Step => {
    const note = [step.note ?? "", ...(remarks.get(step.id) ?? [])].filter((text) => text !== "").join(". ");
    return note === "" ? step : { ...step, note: note.slice(0, 400).trim() };
  });
  const used = new Set(steps.flatMap(({ what, mix }) => [what, ...(mix?.with.map((part) => part.what) ?? [])]));
  const { place: _, outlines: __, along: ___, ...zone } = recipe.zone;
  const ground: Ground = groundOf(wanted.ground);
  return {
    format: plan.format,
    version: plan.version,
    id: wanted.id,
    title: wanted.title,
    ...(wanted.client ? { client: wanted.client } : {}),
    start: wanted.start,
    state: "idea",
    hoursFrom: "shop",
    pinned: { ...plan.pinned, materials: plan.pinned.materials.filter(({ id }) => used.has(id)) },
    acknowledged: [],
    palette: plan.palette,
    pins: [],
    crusts: [{ ...recipe.crust, steps }],
    pieces: [
      {
        id: `${wanted.id.slice(0, 50)}-piece`,
        name: wanted.piece,
        zones: [{ ...zone, name: wanted.piece, shape: wanted.shape, ground, overrides: [], hands: [] }],
      },
    ],
  };
}

/** How much larger the new face is, for amounts. */
export function scaleOf(plan: Plan, zoneId: string, { shape }: Pick<RecipeFor, "shape">): number {
  const zone = findZone(plan, zoneId);
  return zone ? areaOf(shape, zone.carving, zone.faces) / zoneArea(zone) : 1;
}
