import { Link } from "react-router";
import { labOf } from "#core/colour/difference";
import type { Mix, MixPart } from "#core/colour/nearest-mix";
import { together } from "#core/rules/mixing/p1-what-may-be-mixed";
import { sayDifference } from "~/words/difference";

/** Beyond this ΔE00 a mix is visibly another colour. */
export const NEAR = 6;
export const sayLab = (colour: string) => {
  const { l, a, b } = labOf(colour);
  return `Lab ${l.toFixed(0)} ${a.toFixed(0)} ${b.toFixed(0)}`;
};

/** Why these tins should not be mixed. */
export function Quarrels({ parts }: { parts: readonly MixPart[] }) {
  const told = parts.flatMap((part, index) =>
    parts.slice(index + 1).flatMap((two) => {
      const verdict = together(part.material, two.material);
      return verdict && verdict.severity !== "note"
        ? [{ key: `${part.material.id}+${two.material.id}`, one: part, two, ...verdict }]
        : [];
    }),
  );
  if (told.length === 0) return null;
  return (
    <ul className="mt-3 flex flex-col gap-1.5">
      {told.map(({ key, one, two, severity, because }) => (
        <li
          key={key}
          className={`border-l-4 bg-board px-3 py-1.5 text-note ${severity === "stop" ? "border-l-ochre" : "border-l-sienna"}`}
        >
          <b className="font-semibold">
            {severity === "stop" ? "Do not mix" : "Test first"}: {one.material.name} with {two.material.name}.
          </b>{" "}
          {because}
        </li>
      ))}
    </ul>
  );
}

export function MixLine({ mix, wanted, chosen, to }: { mix: Mix; wanted: string; chosen: boolean; to: string }) {
  const whole = mix.parts.reduce((sum, { parts }) => sum + parts, 0);
  return (
    <li>
      <Link
        to={to}
        replace
        preventScrollReset
        aria-current={chosen ? "true" : undefined}
        className={`flex items-center gap-3 border-b border-l-[3px] border-b-hair py-2 pl-2 ${chosen ? "border-l-verdigris bg-board" : "border-l-transparent hover:bg-board/60"}`}
      >
        <span className="flex h-10 w-16 shrink-0 overflow-hidden rounded-std border border-edge" aria-hidden="true">
          <span className="flex-1" style={{ background: wanted }} />
          <span className="flex-1" style={{ background: mix.colour }} />
        </span>
        <span className="min-w-0 flex-1">
          {mix.parts.map(({ material, parts }) => (
            <span key={material.id} className="flex items-center gap-2">
              <b className="w-6 shrink-0 text-right font-semibold">{parts}</b>
              <span className="truncate">{material.name}</span>
              <span
                className="h-1.5 shrink-0 rounded-full"
                style={{ width: `${(60 * parts) / whole}px`, background: material.colour }}
                aria-hidden="true"
              />
            </span>
          ))}
        </span>
        <span className="w-40 shrink-0 text-right whitespace-nowrap">
          <b className="font-semibold">ΔE00 {mix.difference.toFixed(1)}</b>
          <span className="block text-note text-soft">{sayDifference(mix.difference)}</span>
        </span>
      </Link>
    </li>
  );
}
