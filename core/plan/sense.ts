import { nonsenseIn } from "../materials/sense.ts";
import { readWallTime } from "../units/wall-time.ts";
import { sayMoment } from "../units/when.ts";
import { materialsIn } from "./mix.ts";
import type { Plan, Step } from "./plan.ts";
import { loopFaults, phaseIdOf, roundsOf } from "./rounds.ts";

/** Something in a plan that makes no sense, and where it is. */
export interface PlanFault {
  path: (string | number)[];
  says: string;
}

/** Zones that one plan may hold. */
export const MOST_ZONES = 40;

/** Minutes that one piece of work can have taken. */
const LONGEST_WORK = 1440;

const spoken = (wall: string) => sayMoment(readWallTime(wall)!);

/**
 * Contradictions between parts of a plan: the schema bounds each part alone, this checks them together. A file, a
 * form, an edit and an undo are all checked here, so each is refused with the same sentence. Empty for a plan that
 * makes sense.
 */
export function planFaults(plan: Plan): PlanFault[] {
  const faults: PlanFault[] = [];
  const at = (path: (string | number)[], says: string) => faults.push({ path, says });
  const twice = (path: (string | number)[], things: readonly { id: string }[]) => {
    const seen = new Set<string>();
    things.forEach((thing, index) => {
      if (seen.has(thing.id)) at([...path, index, "id"], `the id "${thing.id}" is used twice`);
      seen.add(thing.id);
    });
    return seen;
  };
  const crusts = twice(["crusts"], plan.crusts);
  const materials = twice(["pinned", "materials"], plan.pinned.materials);
  twice(["pieces"], plan.pieces);
  zonesTwice(plan, at);
  plan.pinned.materials.forEach((material, index) => {
    for (const { where, says } of nonsenseIn(material)) at(["pinned", "materials", index, ...where.split(".")], says);
  });
  plan.crusts.forEach((crust, index) => {
    const path = ["crusts", index, "steps"];
    const steps = twice(path, crust.steps);
    for (const { at: step, says } of branchFaults(crust.steps)) at([...path, step], says);
    for (const { at: step, says } of loopFaults(crust.steps)) at([...path, step, "again"], says);
    crust.steps.forEach((step, stepAt) => {
      const beneath = new Set(crust.steps.slice(0, stepAt).map(({ id }) => id));
      for (const { field, says } of stepFaults(step, steps, beneath, materials)) at([...path, stepAt, field], says);
    });
  });
  plan.pieces.forEach((piece, pieceAt) => {
    piece.zones.forEach((zone, zoneAt) => {
      if (!crusts.has(zone.crustId))
        at(["pieces", pieceAt, "zones", zoneAt, "crustId"], `there is no crust "${zone.crustId}" in this plan`);
      if (zone.along !== undefined && !piece.zones.some(({ id }) => id === zone.along && id !== zone.id))
        at(
          ["pieces", pieceAt, "zones", zoneAt, "along"],
          `it is worked along with zone "${zone.along}", but this piece has no other zone of that name`,
        );
    });
  });
  photoFaults(plan, at);
  const zones = plan.pieces.reduce((sum, piece) => sum + piece.zones.length, 0);
  if (zones > MOST_ZONES) at(["pieces"], `a plan holds ${MOST_ZONES} zones at most; this one has ${zones}`);
  timeFaults(plan, at);
  looseFaults(plan, at);
  return faults;
}

type At = (path: (string | number)[], says: string) => void;

function zonesTwice(plan: Plan, at: At) {
  const seen = new Set<string>();
  plan.pieces.forEach((piece, pieceAt) => {
    piece.zones.forEach((zone, zoneAt) => {
      if (seen.has(zone.id)) at(["pieces", pieceAt, "zones", zoneAt, "id"], `the id "${zone.id}" is used twice`);
      seen.add(zone.id);
    });
  });
}

/** A face on a photo shows a zone of the plan, or none yet. */
function photoFaults(plan: Plan, at: At) {
  const { photos = [] } = plan;
  const zones = new Set(plan.pieces.flatMap((piece) => piece.zones.map(({ id }) => id)));
  const seen = new Set<string>();
  photos.forEach(({ id, faces }, photoAt) => {
    if (seen.has(id)) at(["photos", photoAt, "id"], `the id "${id}" is used twice`);
    seen.add(id);
    faces.forEach(({ zoneId }, faceAt) => {
      if (zoneId !== undefined && !zones.has(zoneId))
        at(["photos", photoAt, "faces", faceAt, "zoneId"], `it shows zone "${zoneId}", but the plan has no such zone`);
    });
  });
}

function stepFaults(
  step: Step,
  steps: ReadonlySet<string>,
  beneath: ReadonlySet<string>,
  materials: ReadonlySet<string>,
) {
  const faults: { field: string; says: string }[] = [];
  if (step.kind === "coat" && step.what === undefined)
    faults.push({ field: "what", says: "a coat needs a material: name one, or remove the step" });
  for (const id of materialsIn(step))
    if (!materials.has(id))
      faults.push({
        field: id === step.what ? "what" : "mix",
        says: `the material "${id}" is not in this plan: add it to the materials, or choose another`,
      });
  if (step.reveals !== undefined && step.reveals !== "ground" && (!steps.has(step.reveals) || step.reveals === step.id))
    faults.push({
      field: "reveals",
      says: `it should show the layer of step "${step.reveals}", but no such step lies beneath it`,
    });
  if (step.wait?.after !== undefined && !beneath.has(step.wait.after))
    faults.push({
      field: "wait",
      says: `its wait is counted from step "${step.wait.after}", but no such step comes before it`,
    });
  return faults;
}

/** Times that can never be met: before the job begins there is nothing to do. */
function timeFaults(plan: Plan, at: At) {
  const start = readWallTime(plan.start);
  if (start === null) return;
  const due = plan.due === undefined ? null : readWallTime(plan.due);
  if (due !== null && due <= start)
    at(["due"], "the due date is before the start: make it later, or begin the job earlier");
  plan.done?.forEach(({ starts, ends }, index) => {
    if (readWallTime(ends)! < readWallTime(starts)!)
      at(["done", index, "ends"], `work that began on ${spoken(starts)} cannot have ended on ${spoken(ends)}`);
    if (readWallTime(ends)! - readWallTime(starts)! > LONGEST_WORK)
      at(["done", index, "ends"], "one piece of work takes a day at most: mark each part of it by itself");
  });
  plan.pins.forEach((pin, index) => {
    if (readWallTime(pin.starts)! < start)
      at(
        ["pins", index, "starts"],
        `a time is set for ${spoken(pin.starts)}, before the job begins on ${spoken(plan.start)}: begin the job earlier, or move or clear that time`,
      );
  });
}

const phaseIds = (step: Step, coats: number, rounds: number) =>
  Array.from({ length: coats * rounds }, (_, index) =>
    phaseIdOf(step.id, (index % coats) + 1, coats, Math.floor(index / coats) + 1),
  );

/** Set times and exceptions for something that is no longer in the plan. */
export interface LooseEnds {
  /** places in the list of set times */
  pins: number[];
  /** places in the list of work that is done */
  done: number[];
  /** zones, and places in their lists of exceptions */
  overrides: { zoneId: string; piece: number; zone: number; at: number[] }[];
}

/** What is set for steps, coats and zones that do not exist. */
export function looseEnds(plan: Plan): LooseEnds {
  const crusts = new Map(plan.crusts.map((crust) => [crust.id, crust]));
  const phases = new Map<string, Set<string>>();
  const { pins, done = [] } = plan;
  const pinned = new Set([...pins, ...done].map(({ zoneId }) => zoneId));
  const overrides: LooseEnds["overrides"] = [];
  plan.pieces.forEach((piece, pieceAt) => {
    piece.zones.forEach((zone, zoneAt) => {
      if (zone.overrides.length === 0 && !pinned.has(zone.id)) return;
      const steps = crusts.get(zone.crustId)?.steps ?? [];
      const rounds = roundsOf(steps);
      const ids = new Set(steps.map(({ id }) => id));
      const loose = zone.overrides.flatMap(({ stepId }, index) => (ids.has(stepId) ? [] : [index]));
      if (loose.length > 0) overrides.push({ zoneId: zone.id, piece: pieceAt, zone: zoneAt, at: loose });
      // any coat the step could have here, skipped or not: if a skip is undone, its time is still there
      phases.set(
        zone.id,
        new Set(
          steps.flatMap((step, index) => {
            const own = zone.overrides.find(({ stepId }) => stepId === step.id)?.coats;
            return [step.coats, own ?? step.coats].flatMap((coats) => phaseIds(step, coats, rounds[index]!));
          }),
        ),
      );
    });
  });
  const loose = (list: readonly Pick<Plan["pins"][number], "zoneId" | "phaseId">[]) =>
    list.flatMap(({ zoneId, phaseId }, index) => (phases.get(zoneId)?.has(phaseId) ? [] : [index]));
  return { pins: loose(pins), done: loose(done), overrides };
}

function looseFaults(plan: Plan, at: At) {
  const { pins, done, overrides } = looseEnds(plan);
  for (const index of done) {
    const { zoneId, phaseId } = plan.done![index]!;
    at(["done", index], `step "${phaseId}" on zone "${zoneId}" is marked as done, but the plan has no such coat`);
  }
  for (const index of pins) {
    const { zoneId, phaseId } = plan.pins[index]!;
    at(["pins", index], `a time is set for step "${phaseId}" on zone "${zoneId}", but the plan has no such coat`);
  }
  for (const { piece, zone, at: places } of overrides)
    for (const place of places)
      at(
        ["pieces", piece, "zones", zone, "overrides", place, "stepId"],
        "this zone skips or changes a step that is not in its crust",
      );
}

/** What is wrong with the answers of inspections, and at which step. */
function branchFaults(steps: readonly Step[]): { at: number; says: string }[] {
  const faults: { at: number; says: string }[] = [];
  let ways: ReadonlySet<string> = new Set();
  steps.forEach((step, index) => {
    if (step.branches) {
      const ids = step.branches.map((branch) => branch.id);
      if (step.kind !== "inspect") faults.push({ at: index, says: "only an inspection can have answers" });
      if (step.branch !== undefined)
        faults.push({ at: index, says: "an inspection cannot follow from another's answer" });
      if (new Set(ids).size < ids.length) faults.push({ at: index, says: "two answers have the same id" });
      if (step.expected !== undefined && !ids.includes(step.expected))
        faults.push({ at: index, says: `the expected answer "${step.expected}" is not one of its answers` });
      ways = new Set(ids);
    } else if (step.branch === undefined) ways = new Set();
    else if (!ways.has(step.branch))
      faults.push({
        at: index,
        says: `the answer "${step.branch}" does not belong to the inspection beneath this step`,
      });
  });
  return faults;
}
