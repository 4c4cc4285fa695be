import { bodyColour } from "#core/colour/material-colour";
import type { ZoneJudgement } from "#core/judge/judge";
import { groundNamed, named } from "#core/rules/words";
import { shows } from "#core/surface/shares";
import { Explained } from "./term";

const WORTH_A_LINE = 0.01;

/** The layers that are visible when the crust is done, with their shares of the zone, the largest first. */
export function shownLayers({ zone, phases, after }: ZoneJudgement) {
  const layers = new Map(
    phases.flatMap(({ phase }) =>
      phase.material
        ? [[phase.step.id, { name: named(phase.material), colour: bodyColour(phase.material) }] as const]
        : [],
    ),
  );
  return [...shows(after, zone.relief)]
    .map(([key, share]) => ({
      key,
      share,
      ...(layers.get(key) ?? { name: groundNamed(zone.ground), colour: zone.ground.colour }),
    }))
    .filter((one) => one.share >= WORTH_A_LINE)
    .sort((a, b) => b.share - a.share);
}

/** Which layers are visible when the crust is done, as shares of the zone, from the same surface the checks use. */
export function WhatShows({ judged }: { judged: ZoneJudgement }) {
  if (judged.phases.length === 0) return null;
  const shares = shownLayers(judged);
  return (
    <section aria-label="What shows" className="mt-2">
      <h2 className="mb-1.5 text-lg">What shows</h2>
      <div className="flex h-4 overflow-hidden rounded-std border border-edge" aria-hidden="true">
        {shares.map(({ key, share, colour }) => (
          <span key={key} style={{ flexGrow: share, background: colour }} />
        ))}
      </div>
      <ul className="mt-1.5">
        {shares.map(({ key, share, name, colour }) => (
          <li key={key} className="flex items-center gap-2 py-0.5">
            <span
              className="size-2.5 shrink-0 rounded-full border border-edge"
              style={{ background: colour }}
              aria-hidden="true"
            />
            <span className="min-w-0 flex-1 truncate">{name}</span>
            <span className="font-semibold">{Math.round(share * 100)} %</span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-note text-soft">
        <Explained text="Share of the zone, counting what shows through translucent layers. A prediction from film thickness and hiding." />
      </p>
    </section>
  );
}
