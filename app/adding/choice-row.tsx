import { ChevronDown } from "lucide-react";
import { useId, useMemo, useState } from "react";
import type { ZoneJudgement } from "#core/judge/judge";
import type { Option } from "#core/judge/next";
import type { Technique } from "#core/surface/technique";
import { techniquesFor } from "#core/surface/techniques";
import type { Instant } from "#core/units/units";
import { HandMark, Swatch } from "~/drawing/swatch";
import { useJob } from "~/editor/job-editor";
import { type CoatChoice, pickOf } from "./choices";
import { useVerdicts } from "./use-verdicts";
import { sayOption, Verdict } from "./verdict";

interface Shared {
  verdicts: ReadonlyMap<string, Option>;
  since: Instant;
  /** whether what is wrong is written out beneath */
  withReason: boolean;
}

function Reason({ option, since }: { option: Option | undefined; since: Instant }) {
  const why = option && sayOption(option, since).why;
  return why ? <p className="pl-[26px] text-note text-soft">{why}</p> : null;
}

export function HandRow({ technique, verdicts, since, withReason }: Shared & { technique: Technique }) {
  const verdict = useId();
  const option = verdicts.get(technique.id);
  return (
    <li>
      <div className="add-row">
        <button name="pick" value={technique.id} className="add-main" aria-describedby={verdict} title={technique.hint}>
          <HandMark how={technique.id} size={18} />
          <span className="font-medium">{technique.name}</span>
        </button>
        <Verdict option={option} since={since} id={verdict} />
      </div>
      {withReason && <Reason option={option} since={since} />}
    </li>
  );
}

const ALL_WAYS = { ways: "all", hands: "none" } as const;

/** All ways to lay a material, each with its verdict, worked out when they are looked at. */
function Ways({
  coat: { material, ways },
  judged,
  at,
  since,
}: {
  coat: CoatChoice;
  judged: ZoneJudgement;
  at: number;
  since: Instant;
}) {
  const { plan } = useJob();
  const asked = useMemo(() => ({ ...ALL_WAYS, materials: [material] }), [material]);
  const verdicts = useVerdicts(plan, judged, at, asked);
  const id = useId();
  return (
    <ul className="pb-1 pl-[26px]">
      {ways.map((technique) => {
        const pick = pickOf(technique, material);
        return (
          <li key={pick} className="add-row">
            <button
              name="pick"
              value={pick}
              className="add-main"
              aria-label={`${material.name}, ${technique.name.toLowerCase()}`}
              aria-describedby={`${id}-${technique.id}`}
              title={technique.hint}
            >
              <Swatch material={material} how={technique.id} size={16} />
              <span>{technique.name.toLowerCase()}</span>
            </button>
            <Verdict option={verdicts.get(pick)} since={since} id={`${id}-${technique.id}`} />
          </li>
        );
      })}
    </ul>
  );
}

/** A material with the usual way to lay it; the other ways open beneath. */
export function CoatRow({
  coat,
  verdicts,
  since,
  withReason,
  judged,
  at,
}: Shared & { coat: CoatChoice; judged: ZoneJudgement; at: number }) {
  const verdict = useId();
  const [open, setOpen] = useState(false);
  const { material, ways } = coat;
  const usual = ways[0]!;
  const pick = pickOf(usual, material);
  const option = verdicts.get(pick);
  return (
    <li>
      <div className="add-row">
        <button name="pick" value={pick} className="add-main" aria-describedby={verdict} title={usual.hint}>
          <Swatch material={material} how={usual.id} size={18} />
          <span className="font-medium">
            {material.name}
            {usual !== techniquesFor(material)[0] && `, ${usual.name.toLowerCase()}`}
          </span>
        </button>
        <Verdict option={option} since={since} id={verdict} />
        {ways.length > 1 && (
          <details className="add-ways" onToggle={(event) => setOpen(event.currentTarget.open)}>
            <summary
              className="add-way"
              aria-label={`Other ways to lay ${material.name}`}
              title={`${usual.name}; other ways beneath`}
            >
              <ChevronDown size={14} strokeWidth={1.75} aria-hidden="true" />
            </summary>
            {/* before scripts load every way can be picked; after that they are made when they are looked at */}
            {open ? (
              <Ways coat={coat} judged={judged} at={at} since={since} />
            ) : (
              <noscript>
                {ways.slice(1).map((technique) => (
                  <button key={technique.id} name="pick" value={pickOf(technique, material)} className="button mr-1">
                    {technique.name}
                  </button>
                ))}
              </noscript>
            )}
          </details>
        )}
      </div>
      {withReason && <Reason option={option} since={since} />}
    </li>
  );
}
