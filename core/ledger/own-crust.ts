import type { Command } from "../edit/command.ts";
import { type Crust, findCrust, findZone, fittedTo, LIMITS, type Plan, zonesOf, zonesWithCrust } from "../plan/plan.ts";

// What turns out otherwise on one face does so on that face alone: its zones go on under a crust of their own, with the same steps.

/** A crust for some zones alone, and the commands that give it to them; the one they have, where no other zone shares it. */
export function ownCrust(
  plan: Plan,
  zoneIds: readonly string[],
): { crust: Crust; commands: Command[] } | { because: string } {
  const zone = findZone(plan, zoneIds[0] ?? "");
  const crust = zone && findCrust(plan, zone.crustId);
  if (!crust) return { because: "That zone is no longer in the plan." };
  const all = zonesOf(plan);
  const mine = new Set(zoneIds.filter((id) => findZone(plan, id)?.crustId === crust.id));
  // what stays fitted to a zone goes where that goes
  for (const step of all) {
    const host = fittedTo(all, step);
    if (host && mine.has(host.id)) mine.add(step.id);
  }
  const sharing = zonesWithCrust(plan, crust.id);
  if (sharing.every(({ id }) => mine.has(id))) return { crust, commands: [] };
  if (plan.crusts.length >= LIMITS.crusts) return { because: `A plan holds ${LIMITS.crusts} crusts at most.` };
  const ids = new Set(plan.crusts.map(({ id }) => id));
  let count = 2;
  while (ids.has(`${crust.id.slice(0, 50)}-${count}`)) count++;
  const own: Crust = {
    ...crust,
    id: `${crust.id.slice(0, 50)}-${count}`,
    name: `${crust.name.slice(0, 60)}, ${zone.name.toLowerCase()}`.slice(0, 80).trim(),
  };
  return {
    crust: own,
    commands: [
      { do: "insert crust", at: plan.crusts.indexOf(crust) + 1, crust: own },
      ...[...mine].map((id): Command => ({ do: "patch zone", zoneId: id, patch: { crustId: own.id } })),
    ],
  };
}
