import { applyCommands } from "../edit/apply.ts";
import type { Command } from "../edit/command.ts";
import { type Judgement, judge } from "../judge/judge.ts";
import type { Material } from "../materials/material.ts";
import type { Ground } from "../plan/ground.ts";
import { findCrust, type Plan, type Zone, zoneArea, zonesOf } from "../plan/plan.ts";
import type { Finding } from "../rules/rule.ts";
import { type Built, buildFinish, type Site, type Wanted } from "./build.ts";

/** A finish laid on zones of a plan: one crust for all that are prepared and sealed alike. */
export interface Dressed {
  commands: Command[];
  plan: Plan;
  crusts: readonly { zones: readonly Zone[]; built: Built }[];
  /** what no crust can mend: paint that may hold lead, a room too cold */
  stops: readonly Finding[];
}

/** Knobs and handles keep what they have, where there is anything else to finish. */
const isHardware = ({ place }: Zone): boolean => place?.drawn === "knob";

/** What decides how a zone is prepared and sealed. */
const alike = ({ ground, use, relief }: Zone): string => {
  const { tests, age, inSight, ...own } = ground satisfies Ground;
  return JSON.stringify([own, use, relief.recess + relief.high > 0]);
};

/** The zones that get a finish, in groups that can share a crust; the largest of each first. */
function grouped(zones: readonly Zone[]): Zone[][] {
  const groups = new Map<string, Zone[]>();
  for (const zone of zones) {
    const key = alike(zone);
    const known = groups.get(key);
    if (known) known.push(zone);
    else groups.set(key, [zone]);
  }
  return [...groups.values()].map((group) => group.sort((a, b) => zoneArea(b) - zoneArea(a)));
}

/** Where a zone of a plan is finished: its own ground and use, the house, the air and every material to be had. */
export const siteOf = (plan: Plan, zone: Zone, catalogue: readonly Material[]): Site => {
  const { materials, ...pinned } = plan.pinned;
  // a tin's own label wins over what is usual for its kind
  const own = new Set(materials.map(({ id }) => id));
  return {
    zone,
    pinned,
    start: plan.start,
    catalogue: [...materials, ...catalogue.filter(({ id }) => !own.has(id))],
    acknowledged: plan.acknowledged,
  };
};

/** An id that no crust of the plan has. */
function freshId(plan: Plan, base: string): string {
  for (let count = 1; ; count++) {
    const id = count === 1 ? base : `${base}-${count}`;
    if (!findCrust(plan, id)) return id;
  }
}

/** The commands that give some zones this crust of their own. */
function layCrust(plan: Plan, zones: readonly Zone[], { crust, materials }: Built, base: string): Command[] {
  const id = freshId(plan, base);
  return [
    ...materials
      .filter((material) => !plan.pinned.materials.some((one) => one.id === material.id))
      .map((material): Command => ({ do: "pin material", material })),
    { do: "insert crust", at: plan.crusts.length, crust: { ...crust, id } },
    ...zones.map((zone): Command => ({ do: "patch zone", zoneId: zone.id, patch: { crustId: id, overrides: [] } })),
  ];
}

/** The zones of a plan that a finish is for: those that are named, otherwise all but the hardware. */
export function zonesToDress(plan: Plan, zoneIds: readonly string[] = []): Zone[] {
  const all = zonesOf(plan);
  if (zoneIds.length > 0) return all.filter(({ id }) => zoneIds.includes(id));
  const faces = all.filter((zone) => !isHardware(zone));
  return faces.length > 0 ? faces : all;
}

/**
 * Lays a finish on zones of a plan, whatever each is made of. A crust that nothing uses any more goes, if nothing is in it. Null where
 * an edit cannot be made, as on work that has been done.
 */
export function dress(
  plan: Plan,
  zones: readonly Zone[],
  wanted: Wanted,
  catalogue: readonly Material[],
): Dressed | { refused: string } {
  const commands: Command[] = [];
  const crusts: { zones: readonly Zone[]; built: Built }[] = [];
  let at = plan;
  const make = (some: readonly Command[]): string | null => {
    const done = applyCommands(at, some);
    if (!done.ok) return done.because;
    commands.push(...some);
    at = done.plan;
    return null;
  };
  let waiting = grouped(zones);
  let judgement: Judgement | null = null;
  while (waiting.length > 0) {
    const held = new Set<string>();
    for (const group of waiting) {
      const built = buildFinish(siteOf(at, group[0]!, catalogue), wanted);
      const refused = make(layCrust(at, group, built, wanted.finish.id));
      if (refused !== null) return { refused };
      crusts.push({ zones: group, built });
      if (built.stops.length === 0) for (const { id } of group.slice(1)) held.add(id);
    }
    // what holds on the largest may not on another, as where a face is too wide for one go: that one gets its own
    judgement = judge(at);
    waiting = judgement.zones.flatMap(({ zone, findings }) =>
      held.has(zone.id) && findings.some(isStop) ? [[zone]] : [],
    );
  }
  for (const { id, steps } of plan.crusts)
    if (steps.length === 0 && at.crusts.length > 1 && !zonesOf(at).some(({ crustId }) => crustId === id)) {
      const refused = make([{ do: "remove crust", crustId: id }]);
      if (refused !== null) return { refused };
    }
  const dressed = new Set(zones.map(({ id }) => id));
  const stops = (judgement?.zones ?? [])
    .filter(({ zone }) => dressed.has(zone.id))
    .flatMap(({ findings }) => findings.filter(isStop));
  return { commands, plan: at, crusts, stops };
}

const isStop = ({ severity }: Finding): boolean => severity === "stop";
