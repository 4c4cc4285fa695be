import { Link, useSearchParams } from "react-router";
import { bodyColour } from "#core/colour/material-colour";
import type { ZoneJudgement } from "#core/judge/judge";
import { boardAddress } from "./board-address";

/** One place on the scrub: the bare ground, or a phase. */
interface Stop {
  count: number;
  label: string;
  colour: string | null;
}

export function stopsOf({ phases, zone }: ZoneJudgement, nameOf: (stepId: string) => string): Stop[] {
  return [
    { count: 0, label: "Bare ground", colour: zone.ground.colour },
    ...phases.map(({ phase }, index) => ({
      count: index + 1,
      label: `${nameOf(phase.step.id)}${phase.coats > 1 ? `, coat ${phase.coat} of ${phase.coats}` : ""}${phase.round > 1 ? `, round ${phase.round}` : ""}`,
      colour: phase.material ? bodyColour(phase.material) : null,
    })),
  ];
}

/**
 * The crust laid on its side, from the bare ground to the last phase: each stop is a link that shows the board there,
 * and the slider over them scrubs.
 */
export function Scrub({
  stops,
  count,
  onHold,
}: {
  stops: readonly Stop[];
  count: number;
  onHold: (count: number) => void;
}) {
  const [params] = useSearchParams();
  const last = stops.length - 1;
  return (
    <div className="relative">
      <ol className="flex h-9 items-stretch gap-px" aria-label="Steps of the crust">
        {stops.map((stop) => {
          const held = stop.count === count;
          return (
            <li key={stop.count} className="min-w-0 flex-1">
              <Link
                to={boardAddress(params, { after: String(stop.count) })}
                replace
                preventScrollReset
                title={stop.label}
                aria-label={stop.label}
                aria-current={held ? "step" : undefined}
                tabIndex={-1}
                className={`block h-full border ${held ? "border-2 border-ink" : "border-edge/60"} ${stop.count > count ? "opacity-45" : ""}`}
                style={
                  stop.colour
                    ? { background: stop.colour }
                    : {
                        background:
                          "repeating-linear-gradient(135deg, var(--color-board) 0 4px, var(--color-line) 4px 5px)",
                      }
                }
              />
            </li>
          );
        })}
      </ol>
      <input
        type="range"
        min={0}
        max={last}
        value={count}
        aria-label="Show the board after"
        aria-valuetext={stops[count]?.label}
        onChange={(event) => onHold(Number(event.target.value))}
        className="mt-1 block w-full accent-verdigris"
        style={{ paddingInline: `calc(${50 / stops.length}% - 8px)` }}
      />
    </div>
  );
}
