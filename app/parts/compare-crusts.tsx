import { useMemo } from "react";
import { Link, useNavigate } from "react-router";
import { countFindings, judge, type ZoneJudgement } from "#core/judge/judge";
import { stripOf } from "#core/judge/strip";
import { shortDuration } from "#core/units/duration";
import { CrustStrip } from "~/drawing/crust-strip";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { countOf } from "~/words/amount";
import type { Selection } from "./selection";

function Column({ judged, title }: { judged: ZoneJudgement; title: string }) {
  const { plan } = useJob();
  const counts = countFindings(judged.findings);
  const hands = judged.phases.reduce((sum, { phase }) => sum + phase.hands, 0);
  return (
    <div className="min-w-0">
      <CrustStrip layers={stripOf(judged)} seed={judged.crust.id} width={132} height={60} />
      <h3 className="mt-1 text-[0.9375rem]">{title}</h3>
      <dl className="mt-1 text-note">
        {(
          [
            [
              "Problems",
              [
                counts.stop > 0 && countOf(counts.stop, "stop"),
                counts.caution > 0 && countOf(counts.caution, "caution"),
              ]
                .filter(Boolean)
                .join(", ") || "none",
            ],
            ["Hands-on", shortDuration(hands)],
            ["Done after", shortDuration(judged.done)],
            ["Full use after", shortDuration(judged.fullUse)],
          ] as const
        ).map(([name, value]) => (
          <div key={name} className="border-t border-hair py-0.5">
            <dt className="text-soft">{name}</dt>
            <dd className="font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <ol className="mt-1 border-t border-line text-note">
        {[...judged.crust.steps].reverse().map((step) => (
          <li key={step.id} className="truncate border-b border-hair py-0.5">
            {stepName(plan, step)}
            {step.coats > 1 ? `, ${step.coats} coats` : ""}
          </li>
        ))}
      </ol>
    </div>
  );
}

/** Two crusts side by side on the same zone: findings, times, layers. */
export function CompareCrusts({ judged, selection }: { judged: ZoneJudgement; selection: Selection }) {
  const { plan } = useJob();
  const navigate = useNavigate();
  const others = plan.crusts.filter((crust) => crust.id !== judged.crust.id);
  const other = others.find((crust) => crust.id === selection.compareWith) ?? others[0];
  const there = useMemo(() => {
    if (!other) return null;
    const zone = { ...judged.zone, crustId: other.id, overrides: [] };
    const piece = { id: "compared", name: "Compared", zones: [zone] };
    return judge({ ...plan, pieces: [piece] }).zones[0]!;
  }, [plan, judged, other]);
  return (
    <section aria-label="Two crusts side by side">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-lg">Side by side</h2>
        <Link to={selection.linkTo({ step: null })} replace preventScrollReset className="link text-note">
          Close
        </Link>
      </div>
      <select
        aria-label="Compare with"
        className="field mt-2"
        value={other?.id}
        onChange={(event) =>
          navigate(selection.linkTo({ aside: "compare", compareWith: event.target.value }), {
            replace: true,
            preventScrollReset: true,
          })
        }
      >
        {others.map((crust) => (
          <option key={crust.id} value={crust.id}>
            {crust.name}
          </option>
        ))}
      </select>
      {there && (
        <div className="mt-3 grid grid-cols-2 gap-3">
          <Column judged={judged} title={judged.crust.name} />
          <Column judged={there} title={there.crust.name} />
        </div>
      )}
    </section>
  );
}
