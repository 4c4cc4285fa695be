import type { Material } from "../materials/material.ts";
import { sayFault } from "../plan/fault-words.ts";
import { PHOTO_MARKS, type PhotoFace } from "../plan/photo-marks.ts";
import {
  type Crust,
  type DoneWork,
  findZone,
  LIMITS,
  type Piece,
  type Plan,
  type Step,
  type Zone,
  zonesOf,
  zonesWithCrust,
} from "../plan/plan.ts";
import { otherNameOf } from "../plan/rounds.ts";
import { looseEnds, planFaults } from "../plan/sense.ts";
import type { Command } from "./command.ts";
import { touchesWhatIsDone } from "./done-work.ts";

export type Applied = { ok: true; plan: Plan; inverse: Command[] } | { ok: false; because: string };

const refuse = (because: string): Applied => ({ ok: false, because });

function without<T>(list: readonly T[], at: number): T[] {
  return [...list.slice(0, at), ...list.slice(at + 1)];
}

function withInserted<T>(list: readonly T[], at: number, item: T): T[] {
  return [...list.slice(0, at), item, ...list.slice(at)];
}

const withReplaced = <T>(list: readonly T[], position: number, item: T): T[] =>
  list.map((old, index) => (index === position ? item : old));

/** Applies a patch to an object; null removes a field. Returns the patch that undoes it. */
function patched<T extends object>(thing: T, patch: { [Key in keyof T]?: T[Key] | null }): { next: T; undo: object } {
  const before: Record<string, unknown> = Object.fromEntries(Object.entries(thing));
  const next = { ...before };
  const undo: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(patch)) {
    if (value === undefined) continue;
    undo[key] = before[key] ?? null;
    if (value === null) delete next[key];
    else next[key] = value;
  }
  return { next: next as T, undo };
}

function inCrust(
  plan: Plan,
  crustId: string,
  change: (crust: Crust) => { crust: Crust; inverse: Command } | string,
): Applied {
  const at = plan.crusts.findIndex((crust) => crust.id === crustId);
  if (at < 0) return refuse("This crust is no longer in the plan.");
  const done = change(plan.crusts[at]!);
  if (typeof done === "string") return refuse(done);
  return { ok: true, plan: { ...plan, crusts: withReplaced(plan.crusts, at, done.crust) }, inverse: [done.inverse] };
}

const NO_SUCH_STEP = "This step is no longer in the crust.";

function editStep(plan: Plan, command: Extract<Command, { crustId: string; stepId: string }>): Applied {
  const { crustId, stepId } = command;
  return inCrust(plan, crustId, (crust) => {
    const at = crust.steps.findIndex((step) => step.id === stepId);
    if (at < 0) return NO_SUCH_STEP;
    const step = crust.steps[at]!;
    switch (command.do) {
      case "remove step":
        return {
          crust: { ...crust, steps: without(crust.steps, at) },
          inverse: { do: "insert step", crustId, at, step },
        };
      case "move step": {
        if (command.to >= crust.steps.length) return "That place in the crust does not exist.";
        return {
          crust: { ...crust, steps: withInserted(without(crust.steps, at), command.to, step) },
          inverse: { do: "move step", crustId, stepId, to: at },
        };
      }
      case "patch step": {
        const { next, undo } = patched<Step>(step, command.patch);
        return {
          crust: { ...crust, steps: withReplaced(crust.steps, at, next) },
          inverse: { do: "patch step", crustId, stepId, patch: undo },
        };
      }
    }
  });
}

function editPieces(plan: Plan, command: Command): Applied {
  const pieceHolding = (zoneId: string) =>
    plan.pieces.findIndex((piece) => piece.zones.some((zone) => zone.id === zoneId));
  const withPiece = (at: number, piece: Piece): Plan => ({ ...plan, pieces: withReplaced(plan.pieces, at, piece) });
  switch (command.do) {
    case "insert piece":
      if (plan.pieces.length >= LIMITS.pieces) return refuse(`A plan holds ${LIMITS.pieces} pieces at most.`);
      if (plan.pieces.some((piece) => piece.id === command.piece.id))
        return refuse("This piece is already in the plan.");
      return {
        ok: true,
        plan: { ...plan, pieces: withInserted(plan.pieces, command.at, command.piece) },
        inverse: [{ do: "remove piece", pieceId: command.piece.id }],
      };
    case "remove piece":
    case "rename piece":
    case "insert zone": {
      const at = plan.pieces.findIndex((piece) => piece.id === command.pieceId);
      const piece = plan.pieces[at];
      if (!piece) return refuse("This piece is no longer in the plan.");
      if (command.do === "remove piece")
        return {
          ok: true,
          plan: { ...plan, pieces: without(plan.pieces, at) },
          inverse: [{ do: "insert piece", at, piece }],
        };
      if (command.do === "rename piece")
        return {
          ok: true,
          plan: withPiece(at, { ...piece, name: command.name }),
          inverse: [{ do: "rename piece", pieceId: piece.id, name: piece.name }],
        };
      const zones = zonesOf(plan);
      if (zones.length >= LIMITS.zones) return refuse(`A plan holds ${LIMITS.zones} zones at most.`);
      if (zones.some((zone) => zone.id === command.zone.id)) return refuse("This zone is already in the plan.");
      if (!plan.crusts.some((crust) => crust.id === command.zone.crustId))
        return refuse("The crust for this zone is no longer in the plan.");
      return {
        ok: true,
        plan: withPiece(at, { ...piece, zones: withInserted(piece.zones, command.at, command.zone) }),
        inverse: [{ do: "remove zone", zoneId: command.zone.id }],
      };
    }
    case "remove zone":
    case "patch zone": {
      const at = pieceHolding(command.zoneId);
      const piece = plan.pieces[at];
      if (!piece) return refuse("This zone is no longer in the plan.");
      const zoneAt = piece.zones.findIndex((zone) => zone.id === command.zoneId);
      const zone = piece.zones[zoneAt]!;
      if (command.do === "remove zone")
        return {
          ok: true,
          plan: withPiece(at, { ...piece, zones: without(piece.zones, zoneAt) }),
          inverse: [{ do: "insert zone", pieceId: piece.id, at: zoneAt, zone }],
        };
      const crustId = command.patch.crustId;
      if (crustId !== undefined && !plan.crusts.some((crust) => crust.id === crustId))
        return refuse("This crust is not in the plan.");
      const { next, undo } = patched<Zone>(zone, command.patch);
      return {
        ok: true,
        plan: withPiece(at, { ...piece, zones: withReplaced(piece.zones, zoneAt, next) }),
        inverse: [{ do: "patch zone", zoneId: zone.id, patch: undo }],
      };
    }
    default:
      throw new Error(`not an edit of pieces: ${command.do}`);
  }
}

function pin(plan: Plan, command: Extract<Command, { do: "pin material" }>): Applied {
  const materials = plan.pinned.materials;
  const withMaterials = (next: Material[]): Plan => ({ ...plan, pinned: { ...plan.pinned, materials: next } });
  const at = materials.findIndex((material) => material.id === command.material.id);
  if (at >= 0)
    return {
      ok: true,
      plan: withMaterials(withReplaced(materials, at, command.material)),
      inverse: [{ do: "pin material", material: materials[at]! }],
    };
  if (materials.length >= LIMITS.materials) return refuse(`A plan holds ${LIMITS.materials} materials at most.`);
  return {
    ok: true,
    plan: withMaterials(withInserted(materials, command.at ?? materials.length, command.material)),
    inverse: [{ do: "unpin material", materialId: command.material.id }],
  };
}

/** Sets what is marked on a photo of the piece, or forgets it where that is null. */
function withPhoto(plan: Plan, { photoId, photo }: Extract<Command, { do: "set photo" }>): Applied {
  const { photos = [], ...rest } = plan;
  const at = photos.findIndex(({ id }) => id === photoId);
  if (photo !== null && photo.id !== photoId) return refuse("These marks belong to another photo.");
  if (photo !== null && at < 0 && photos.length >= PHOTO_MARKS.photos)
    return refuse(`${PHOTO_MARKS.photos} photos of a piece at most can be marked. Remove one first.`);
  const next =
    photo === null
      ? photos.filter(({ id }) => id !== photoId)
      : at < 0
        ? [...photos, photo].sort((a, b) => (a.id < b.id ? -1 : 1))
        : withReplaced(photos, at, photo);
  return {
    ok: true,
    plan: next.length === 0 ? rest : { ...rest, photos: next },
    inverse: [{ do: "set photo", photoId, photo: photos[at] ?? null }],
  };
}

/** Sets a phase's time, moves it, or clears it where the time is null. */
function withTime(plan: Plan, { zoneId, phaseId, starts }: Extract<Command, { do: "set time" }>): Applied {
  if (starts !== null && !findZone(plan, zoneId)) return refuse("This zone is no longer in the plan.");
  const isIt = (pin: Plan["pins"][number]) => pin.zoneId === zoneId && pin.phaseId === phaseId;
  const before = plan.pins.find(isIt);
  const others = plan.pins.filter((pin) => !isIt(pin));
  if (starts !== null && others.length >= LIMITS.pins)
    return { ok: false, because: `At most ${LIMITS.pins} times can be set; clear some first.` };
  const pins = starts === null ? others : [...others, { zoneId, phaseId, starts }];
  return {
    ok: true,
    plan: { ...plan, pins: pins.sort(byPlace) },
    inverse: [{ do: "set time", zoneId, phaseId, starts: before?.starts ?? null }],
  };
}

/** Marks a phase as done at a time, or as still to do where there is none. */
function withDone(plan: Plan, { zoneId, phaseId, when }: Extract<Command, { do: "set done" }>): Applied {
  const isIt = (work: DoneWork) => work.zoneId === zoneId && work.phaseId === phaseId;
  const before = plan.done?.find(isIt);
  const others = plan.done?.filter((work) => !isIt(work)) ?? [];
  if (when !== null && others.length >= LIMITS.done)
    return refuse(`At most ${LIMITS.done} pieces of work can be marked as done.`);
  const done = when === null ? others : [...others, { zoneId, phaseId, ...when }];
  const { done: _, ...rest } = plan;
  return {
    ok: true,
    plan: done.length === 0 ? rest : { ...rest, done: done.sort(byPlace) },
    inverse: [{ do: "set done", zoneId, phaseId, when: before ? whenOf(before) : null }],
  };
}

const whenOf = ({ starts, ends, signs }: DoneWork) => ({ starts, ends, ...(signs ? { signs } : {}) });

const byPlace = (a: Plan["pins"][number], b: Plan["pins"][number]) =>
  a.zoneId < b.zoneId || (a.zoneId === b.zoneId && a.phaseId < b.phaseId) ? -1 : 1;

/**
 * Applies one command to a plan. The plan given is not touched; parts that do not change are shared with the new one.
 * Returns the new plan with the commands that undo it, or a sentence that says why it cannot be done.
 */
export function applyCommand(plan: Plan, command: Command): Applied {
  switch (command.do) {
    case "set job": {
      const { next, undo } = patched<Plan>(plan, command.patch);
      return { ok: true, plan: next, inverse: [{ do: "set job", patch: undo }] };
    }
    case "set house rules":
      return {
        ok: true,
        plan: { ...plan, pinned: { ...plan.pinned, houseRules: command.houseRules } },
        inverse: [{ do: "set house rules", houseRules: plan.pinned.houseRules }],
      };
    case "set hours":
      return {
        ok: true,
        plan: { ...plan, pinned: { ...plan.pinned, hours: command.hours } },
        inverse: [{ do: "set hours", hours: plan.pinned.hours }],
      };
    case "set room":
      return {
        ok: true,
        plan: { ...plan, pinned: { ...plan.pinned, room: command.room } },
        inverse: [{ do: "set room", room: plan.pinned.room }],
      };
    case "set drying": {
      const { drying, ...pinned } = plan.pinned;
      const isEmpty = Object.keys(command.drying).length === 0;
      return {
        ok: true,
        plan: { ...plan, pinned: isEmpty ? pinned : { ...pinned, drying: command.drying } },
        inverse: [{ do: "set drying", drying: drying ?? {} }],
      };
    }
    case "set palette":
      return {
        ok: true,
        plan: { ...plan, palette: command.palette },
        inverse: [{ do: "set palette", palette: plan.palette }],
      };
    case "set photo":
      return withPhoto(plan, command);
    case "set time":
      return withTime(plan, command);
    case "set done":
      return withDone(plan, command);
    case "acknowledge":
      return {
        ok: true,
        plan: { ...plan, acknowledged: command.dangers },
        inverse: [{ do: "acknowledge", dangers: plan.acknowledged }],
      };
    case "insert step":
      return inCrust(plan, command.crustId, (crust) => {
        if (crust.steps.length >= LIMITS.steps) return `A crust holds ${LIMITS.steps} steps at most.`;
        if (crust.steps.some((step) => step.id === command.step.id)) return "This step is already in the crust.";
        if (command.at > crust.steps.length) return "That place in the crust does not exist.";
        return {
          crust: { ...crust, steps: withInserted(crust.steps, command.at, command.step) },
          inverse: { do: "remove step", crustId: crust.id, stepId: command.step.id },
        };
      });
    case "remove step":
    case "move step":
    case "patch step":
      return editStep(plan, command);
    case "rename crust":
      return inCrust(plan, command.crustId, (crust) => ({
        crust: { ...crust, name: command.name },
        inverse: { do: "rename crust", crustId: crust.id, name: crust.name },
      }));
    case "insert crust":
      if (plan.crusts.length >= LIMITS.crusts) return refuse(`A plan holds ${LIMITS.crusts} crusts at most.`);
      if (plan.crusts.some((crust) => crust.id === command.crust.id))
        return refuse("This crust is already in the plan.");
      return {
        ok: true,
        plan: { ...plan, crusts: withInserted(plan.crusts, command.at, command.crust) },
        inverse: [{ do: "remove crust", crustId: command.crust.id }],
      };
    case "remove crust": {
      const at = plan.crusts.findIndex((crust) => crust.id === command.crustId);
      if (at < 0) return refuse("This crust is no longer in the plan.");
      const used = zonesWithCrust(plan, command.crustId);
      if (used.length > 0)
        return refuse(`"${plan.crusts[at]!.name}" is still used on ${used.map((zone) => zone.name).join(", ")}.`);
      return {
        ok: true,
        plan: { ...plan, crusts: without(plan.crusts, at) },
        inverse: [{ do: "insert crust", at, crust: plan.crusts[at]! }],
      };
    }
    case "pin material":
      return pin(plan, command);
    case "unpin material": {
      const at = plan.pinned.materials.findIndex((material) => material.id === command.materialId);
      if (at < 0) return refuse("This material is not in the plan.");
      const material = plan.pinned.materials[at]!;
      const materials = without(plan.pinned.materials, at);
      return {
        ok: true,
        plan: { ...plan, pinned: { ...plan.pinned, materials } },
        inverse: [{ do: "pin material", at, material }],
      };
    }
    default:
      return editPieces(plan, command);
  }
}

/** The name that a first coat has now that its step has more coats, or only one; null where there is none, or it is marked as done there. */
function renamed(plan: Plan, { zoneId, phaseId }: Pick<DoneWork, "zoneId" | "phaseId">): string | null {
  const other = otherNameOf(phaseId);
  if (other === null) return null;
  const there = { zoneId, phaseId: other, starts: plan.start };
  const isThere = looseEnds({ ...plan, pins: [there], done: [] }).pins.length === 0;
  return isThere && !plan.done?.some((work) => work.zoneId === zoneId && work.phaseId === other) ? other : null;
}

/** Commands that clear what is set for steps, coats and zones that no longer exist. */
function clearing(plan: Plan): Command[] {
  const { pins, done, overrides } = looseEnds(plan);
  return [
    ...pins.flatMap((at): Command[] => {
      const { zoneId, phaseId, starts } = plan.pins[at]!;
      const named = renamed(plan, { zoneId, phaseId });
      return [
        { do: "set time", zoneId, phaseId, starts: null },
        ...(named === null ? [] : [{ do: "set time" as const, zoneId, phaseId: named, starts }]),
      ];
    }),
    ...done.flatMap((at): Command[] => {
      const { zoneId, phaseId, ...when } = plan.done![at]!;
      const named = renamed(plan, { zoneId, phaseId });
      return [
        { do: "set done", zoneId, phaseId, when: null },
        ...(named === null ? [] : [{ do: "set done" as const, zoneId, phaseId: named, when }]),
      ];
    }),
    ...overrides.map(({ zoneId, at }): Command => {
      const kept = findZone(plan, zoneId)!.overrides.filter((_, index) => !at.includes(index));
      return { do: "patch zone", zoneId, patch: { overrides: kept } };
    }),
    ...plan.pieces.flatMap(({ zones }) =>
      zones.flatMap(({ id, along }): Command[] =>
        along === undefined || zones.some((zone) => zone.id === along)
          ? []
          : [{ do: "patch zone", zoneId: id, patch: { along: null } }],
      ),
    ),
    ...(plan.photos ?? []).flatMap((photo): Command[] => {
      const zones = new Set(zonesOf(plan).map(({ id }) => id));
      const isLoose = ({ zoneId }: PhotoFace) => zoneId !== undefined && !zones.has(zoneId);
      if (!photo.faces.some(isLoose)) return [];
      const faces = photo.faces.map(({ zoneId, ...face }) =>
        zoneId !== undefined && zones.has(zoneId) ? { ...face, zoneId } : face,
      );
      return [{ do: "set photo", photoId: photo.id, photo: { ...photo, faces } }];
    }),
    ...plan.crusts.flatMap((crust) => {
      const ids = new Set(crust.steps.map(({ id }) => id));
      const crustId = crust.id;
      const beneath = new Set<string>();
      return crust.steps.flatMap(({ id, reveals, wait, again }): Command[] => {
        const shows = reveals === undefined || reveals === "ground" || ids.has(reveals);
        const counts = wait?.after === undefined || beneath.has(wait.after);
        const repeats = again === undefined || beneath.has(again.from);
        beneath.add(id);
        const own = wait && { ...wait, after: undefined };
        return [
          ...(shows ? [] : [{ do: "patch step" as const, crustId, stepId: id, patch: { ...NOTHING, reveals: null } }]),
          ...(repeats ? [] : [{ do: "patch step" as const, crustId, stepId: id, patch: { ...NOTHING, again: null } }]),
          ...(counts ? [] : [{ do: "patch step" as const, crustId, stepId: id, patch: { ...NOTHING, wait: own } }]),
        ];
      });
    }),
  ];
}

const NOTHING = { what: undefined, wait: undefined };

/**
 * Applies several commands as one: all of them, or none and a sentence that says why. Whatever was set for something
 * they remove is removed with it, and comes back with it. The inverse runs in the opposite order.
 */
export function applyCommands(plan: Plan, commands: readonly Command[]): Applied {
  let next = plan;
  const inverse: Command[] = [];
  const run = (list: readonly Command[]): Applied | null => {
    for (const command of list) {
      const done = applyCommand(next, command);
      if (!done.ok) return done;
      next = done.plan;
      inverse.unshift(...done.inverse);
    }
    return null;
  };
  const refused = run(commands) ?? run(clearing(next));
  if (refused) return refused;
  const touched = touchesWhatIsDone(plan, next, commands);
  if (touched) return refuse(touched);
  const [fault] = planFaults(next);
  return fault ? refuse(sayFault(next, fault)) : { ok: true, plan: next, inverse };
}
