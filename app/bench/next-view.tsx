import { useMemo } from "react";
import { factsOf } from "#core/judge/facts";
import { next } from "#core/judge/next";
import type { BenchTask } from "#core/ledger/bench";
import type { Plan } from "#core/plan/plan";
import { judgementOf } from "#core/schedule/kept";
import { readWallTime } from "#core/units/wall-time";
import { Swatch } from "~/drawing/swatch";
import { sayAt } from "./task-words";

const WORDS = { now: "now", from: "from", over: "over", never: "not at all" } as const;

/** What can go on a zone now, from the surface as it really is. */
export function NextView({ task, plan, wall }: { task: BenchTask; plan: Plan; wall: number }) {
  const zoneId = task.on[0]!.zoneId;
  const minute = Math.floor(wall);
  const options = useMemo(() => {
    const judged = judgementOf(plan).zones.find(({ zone }) => zone.id === zoneId);
    if (!judged) return [];
    const start = readWallTime(plan.start)!;
    const done = factsOf(plan).get(zoneId)?.size ?? 0;
    const all = next(plan, judged, {
      done,
      at: minute - start,
      materials: plan.pinned.materials,
    }).map((option) => ({ ...option, wall: start + option.from }));
    const rank = { now: 0, from: 1, over: 2, never: 3 };
    return all.sort((a, b) => rank[a.can] - rank[b.can] || a.wall - b.wall);
  }, [plan, zoneId, minute]);
  return (
    <section aria-label="What can go on now">
      <h1 className="bench-title">What can go on now?</h1>
      <p className="bench-how">{task.zones.join(", ")}, as it really is.</p>
      <ul className="bench-options">
        {options.map((option) => (
          <li key={`${option.material?.id} ${option.technique.id}`} data-can={option.can}>
            {option.material ? <Swatch material={option.material} how={option.technique.id} size={30} /> : <span />}
            <span>
              <b>{option.material?.name ?? option.technique.name}</b>
              {option.material ? `, ${option.technique.name.toLowerCase()}` : ""}
              <span className="block text-soft">{option.reason}</span>
            </span>
            <span className="bench-when">
              {option.can === "from"
                ? `from ${sayAt(option.wall, wall)}`
                : option.can === "over"
                  ? `over ${option.over?.name.toLowerCase()}`
                  : WORDS[option.can]}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
