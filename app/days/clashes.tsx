import { Link } from "react-router";
import type { JobPlan } from "#core/schedule/plan-of-work";
import type { useIdeas } from "~/days/use-ideas";
import { WaysOut } from "~/days/what-if-panel";
import { SeamMark } from "~/drawing/severity";
import { useJob } from "~/editor/job-editor";

export function Clashes({ made, ...known }: ReturnType<typeof useIdeas> & { made: JobPlan; onUsed: () => void }) {
  const { plan } = useJob();
  if (made.clashes.length === 0) return null;
  return (
    <section className="mb-4 border border-l-4 border-line border-l-ochre bg-board px-4 py-3" aria-label="Clashes">
      <p className="kicker flex items-center gap-2 text-[0.9375rem] text-ochre">
        <SeamMark severity="stop" width={28} /> clashes
      </p>
      <ul className="mt-1 mb-2 flex flex-col gap-2">
        {made.clashes.map((clash) => (
          <li key={`${clash.zoneId}/${clash.stepId}/${clash.says}`}>
            <Link
              to={`/jobs/${plan.id}/crust?zone=${clash.zoneId}&step=${clash.stepId}`}
              className="font-medium hover:underline"
            >
              {clash.says}
            </Link>
            {clash.claims.length > 1 && (
              <details className="mt-1 text-note text-soft">
                <summary className="cursor-pointer">These cannot all be met; remove any one and the rest fit</summary>
                <ul className="mt-1 list-disc pl-4">
                  {clash.claims.map((claim) => (
                    <li key={claim}>{claim}</li>
                  ))}
                </ul>
              </details>
            )}
          </li>
        ))}
      </ul>
      <p className="mb-1 text-note font-semibold">What would help</p>
      <WaysOut {...known} />
    </section>
  );
}
