import { useDeferredValue, useMemo, useState } from "react";
import { Link } from "react-router";
import { placesOf } from "#core/judge/causes";
import { workingFixes } from "#core/judge/fixes";
import { type Otherwise, otherwise } from "#core/judge/schools";
import type { Plan } from "#core/plan/plan";
import { findZone } from "#core/plan/plan";
import type { Finding } from "#core/rules/rule";
import { findRule } from "#core/rules/rules";
import { listed } from "#core/rules/words";
import { sayDifference } from "#core/units/duration";
import { SEVERITY_WORDS } from "~/drawing/severity";
import { useJob } from "~/editor/job-editor";
import { EditForm } from "~/forms/edit-form-parts";
import { Explained, FirstMeetings } from "./term";

/**
 * The plan with one of its findings, once the page has been painted: trying repairs and schools can wait that long.
 */
function useSettled(finding: Finding) {
  const { plan, judgement } = useJob();
  return useDeferredValue(useMemo(() => ({ plan, judgement, finding }), [plan, judgement, finding]));
}

function Fixes({ finding }: { finding: Finding }) {
  const settled = useSettled(finding);
  const fixes = useMemo(() => workingFixes(settled.plan, settled.finding, { previous: settled.judgement }), [settled]);
  if (fixes.length === 0)
    return finding.severity === "note" ? null : (
      <p className="mt-2 text-note text-soft">No ready repair for this; change the steps yourself.</p>
    );
  return (
    <EditForm
      does="fix"
      about={{ finding: finding.id }}
      className="mt-3 flex flex-col gap-1.5"
      label={`Repairs for: ${finding.title}`}
    >
      {fixes.map((fix, index) => (
        <button
          key={fix.label}
          name="fix"
          value={fix.label}
          className={`button w-full !justify-between gap-3 text-left ${index === 0 ? "button-main" : ""}`}
          data-first-fix={index === 0 ? "" : undefined}
        >
          <span>
            <span className="block">{fix.label}</span>
            {fix.look && (
              <span className={`block text-note font-normal ${index === 0 ? "text-white/90" : "text-soft"}`}>
                {fix.look}
              </span>
            )}
          </span>
          <span className="shrink-0 text-note font-normal">{sayDifference(fix.price)}</span>
        </button>
      ))}
    </EditForm>
  );
}

const known = new WeakMap<Finding, { plan: Plan; others: Otherwise[] }>();

/** Judged once for a finding of a plan, however often it is shown. */
function othersOn(plan: Plan, finding: Finding): Otherwise[] {
  const before = known.get(finding);
  if (before?.plan === plan) return before.others;
  const others = otherwise(plan, finding);
  known.set(finding, { plan, others });
  return others;
}

/** Which schools would judge otherwise, and how. */
function Schools({ finding }: { finding: Finding }) {
  const { plan } = useJob();
  const settled = useSettled(finding);
  const others = useMemo(() => othersOn(settled.plan, settled.finding), [settled]);
  if (others.length === 0) return null;
  return (
    <ul className="mt-1.5 text-note text-soft">
      {others.map(({ rule, title, choice, severity }) => (
        <li key={`${rule}/${choice}`}>
          <Link to={`/jobs/${plan.id}/house`} className="link">
            {title}
          </Link>
          , {choice}: {severity === null ? "no warning" : `a ${SEVERITY_WORDS[severity].one}`}
        </li>
      ))}
    </ul>
  );
}

/** The other zones that the same is said of. */
function AlsoOn({ finding }: { finding: Finding }) {
  const { plan, judgement } = useJob();
  const others = useMemo(() => {
    const ids = placesOf(judgement.zones, finding).filter((id) => id !== finding.zoneId);
    return ids.flatMap((id) => findZone(plan, id)?.name.toLowerCase() ?? []);
  }, [plan, judgement, finding]);
  if (others.length === 0) return null;
  return <p className="mt-1 text-note text-soft">The same on: {listed(others)}.</p>;
}

/** A finding as a colleague would say it: the sentence, the figures of this case, who would differ, the repairs. */
export function FindingCard({
  finding,
  where,
  open,
  linkToOpen,
}: {
  finding: Finding;
  where: string;
  open: boolean;
  linkToOpen: string;
}) {
  // repairs are tried on the plan before they are shown, so only for a card that is open
  const [opened, setOpened] = useState(open);
  const words = SEVERITY_WORDS[finding.severity];
  const rule = findRule(finding.rule);
  return (
    <details
      open={open}
      onToggle={(event) => event.currentTarget.open && setOpened(true)}
      className={`group/card border border-l-4 border-line bg-board ${words.edge}`}
      data-finding={finding.rule}
    >
      <summary className="list-none px-4 py-2.5 [&::-webkit-details-marker]:hidden">
        <p className={`kicker text-[0.9375rem] ${words.text}`}>
          {words.one} · {where}
        </p>
        <h3 className="text-[1.0625rem]">{finding.title}</h3>
      </summary>
      <FirstMeetings>
        <div className="px-4 pb-4">
          <p data-because="">
            <Explained text={finding.because} />
          </p>
          <AlsoOn finding={finding} />
          {rule && (
            <p className="mt-1.5 text-note text-soft">
              <Explained text={rule.meta.reason} />{" "}
              <Link to={`/guide#${rule.meta.id}`} className="link">
                Guide
              </Link>
            </p>
          )}
          {finding.schools && (
            <p className="mt-1.5 text-note text-soft">
              <span className="font-semibold">Other schools:</span> <Explained text={finding.schools} />
            </p>
          )}
          {opened || open ? (
            <>
              {rule && rule.meta.schools.length > 0 && <Schools finding={finding} />}
              <Fixes finding={finding} />
            </>
          ) : (
            <Link to={linkToOpen} replace preventScrollReset className="link mt-2 inline-block">
              Show repairs
            </Link>
          )}
        </div>
      </FirstMeetings>
    </details>
  );
}
