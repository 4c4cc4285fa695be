import { Plus } from "lucide-react";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { next, type Option } from "#core/judge/next";
import { findRule } from "#core/rules/rules";
import { shortDuration } from "#core/units/duration";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import { HandMark, Swatch } from "~/drawing/swatch";
import { useJob } from "~/editor/job-editor";
import { EditForm } from "~/forms/edit-form-parts";
import { SearchField } from "~/parts/search-field";
import type { Selection } from "~/parts/selection";
import { phasesUnder } from "./use-verdicts";

const CANS: readonly { can: Option["can"]; title: string }[] = [
  { can: "now", title: "Now" },
  { can: "from", title: "When what lies beneath is ready" },
  { can: "over", title: "Only over a barrier" },
  { can: "never", title: "Not here" },
];

/** One material with the usual techniques that share a verdict. */
interface Offer {
  first: Option;
  ways: Option[];
}

function offersOf(options: readonly Option[]): Offer[] {
  const offers = new Map<string, Offer>();
  for (const option of options) {
    const key = `${option.material?.id ?? option.technique.id}/${option.can}/${option.from}/${option.rule}/${option.over?.id}`;
    const known = offers.get(key);
    if (known) known.ways.push(option);
    else offers.set(key, { first: option, ways: [option] });
  }
  // what has no warning comes first
  const doubt = ({ first }: Offer) => (first.severity === "caution" ? 1 : 0);
  return [...offers.values()].sort((a, b) => doubt(a) - doubt(b) || a.first.from - b.first.from);
}

const waysText = ({ first, ways }: Offer) =>
  first.material && !(ways.length === 1 && first.technique.id === "brush")
    ? ways.map((way) => way.technique.name.toLowerCase()).join(", ")
    : "";

function Line({ offer, since, crustId, at }: { offer: Offer; since: number; crustId: string; at: number }) {
  const option = offer.first;
  const name = option.material?.name ?? option.technique.name;
  const loud = option.severity === "caution" || option.severity === "stop" ? option.severity : null;
  return (
    <li className="border-b border-hair py-0.5">
      <div className="flex min-h-7 items-center gap-2">
        {option.material ? (
          <Swatch material={option.material} size={18} />
        ) : (
          <HandMark how={option.technique.id} size={18} />
        )}
        <span className="min-w-0 flex-1 truncate">
          <span className="font-medium">{name}</span>
          <span className="ml-1.5 text-note text-soft">{waysText(offer)}</span>
        </span>
        {option.can === "from" && (
          <span className="shrink-0 text-note text-soft">in {shortDuration(option.from - since)}</span>
        )}
        {(option.can === "now" || option.can === "from") && (
          <EditForm
            does="add step"
            about={{
              crustId,
              at: String(at),
              pick: option.material ? `${option.technique.id}|${option.material.id}` : option.technique.id,
            }}
            label={`Add ${name}`}
          >
            <button
              className="flex size-6 items-center justify-center rounded-full border border-edge bg-board text-verdigris hover:border-verdigris"
              aria-label={`Add ${name}`}
            >
              <Plus size={13} strokeWidth={1.75} aria-hidden="true" />
            </button>
          </EditForm>
        )}
      </div>
      {(option.can === "over" || loud) && (
        <p className="flex items-center gap-1.5 pl-[26px] text-note text-soft">
          {loud && option.can !== "over" && <SeamMark severity={loud} width={12} />}
          <span>
            {loud && <span className="sr-only">{SEVERITY_WORDS[loud].one}: </span>}
            {option.can === "over" && <b className="font-semibold">over {option.over!.name.toLowerCase()}: </b>}
            {option.reason}
          </span>
        </p>
      )}
    </li>
  );
}

/** What cannot go on, grouped by the rule that forbids it: one reason, and the names it applies to. */
function Forbidden({ options }: { options: readonly Option[] }) {
  const byRule = new Map<string, Option[]>();
  for (const option of options) byRule.set(option.rule ?? "", [...(byRule.get(option.rule ?? "") ?? []), option]);
  return (
    <ul>
      {[...byRule].map(([rule, list]) => {
        const names = [...new Set(list.map((option) => option.material?.name ?? option.technique.name))];
        return (
          <li key={rule} className="border-b border-hair py-1">
            <p className="flex items-baseline gap-1.5 font-medium">
              <SeamMark severity="stop" width={14} />
              <span>{findRule(rule)?.meta.title ?? list[0]!.reason}</span>
            </p>
            <p className="pl-[20px] text-note text-soft">{names.join("; ")}</p>
          </li>
        );
      })}
    </ul>
  );
}

/**
 * What can go on here: every material in its usual techniques, now, later, over a barrier, or not; each with its
 * reason.
 */
export function WhatNext({ judged, selection }: { judged: ZoneJudgement; selection: Selection }) {
  const { plan } = useJob();
  const [shelfOnly, setShelfOnly] = useState(false);
  const [typed, setTyped] = useState("");
  const [show, setShow] = useState<"all" | Option["can"]>("all");
  const steps = judged.crust.steps;
  const held = steps.findIndex((step) => step.id === selection.stepId);
  const at = held < 0 ? steps.length : held + 1;
  const done = useMemo(() => phasesUnder(judged, at), [judged, at]);
  const options = useMemo(
    () => next(plan, judged, { done, ...(shelfOnly ? { materials: plan.pinned.materials } : {}) }),
    [plan, judged, done, shelfOnly],
  );
  const since = judged.phases[done - 1]?.ends ?? 0;
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (option: Option) =>
    (show === "all" || option.can === show) &&
    words.every((word) => `${option.material?.name ?? ""} ${option.technique.name}`.toLowerCase().includes(word));
  const under = steps[at - 1];
  return (
    <section aria-label="What can go on here">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-lg">What can go on here?</h2>
        <Link to={selection.linkTo({})} replace preventScrollReset className="link shrink-0 text-note">
          Close
        </Link>
      </div>
      <p className="text-note text-soft">
        {under ? `After step ${at}, as planned` : "On the bare ground"}. Some checks need the whole crust and come
        later.
      </p>
      <SearchField
        label="Find a material or a technique"
        placeholder="Find: wax, white, sand …"
        value={typed}
        onType={setTyped}
        className="mt-2"
      />
      <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
        <select
          aria-label="Show"
          className="field !w-auto"
          value={show}
          onChange={(event) => setShow(event.target.value as typeof show)}
        >
          <option value="all">everything</option>
          <option value="now">what can go on now</option>
          <option value="from">what has to wait</option>
          <option value="over">only over a barrier</option>
          <option value="never">what cannot go on</option>
        </select>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={shelfOnly}
            onChange={(event) => setShelfOnly(event.target.checked)}
            className="size-4 accent-verdigris"
          />
          only from this job's shelf
        </label>
      </div>
      {CANS.map(({ can, title }) => {
        const group = options.filter((option) => option.can === can && fits(option));
        if (group.length === 0) return null;
        return (
          <div key={can} className="mt-3" data-can={can}>
            <h3 className="kicker text-soft">{title}</h3>
            {can === "never" ? (
              <Forbidden options={group} />
            ) : (
              <ul>
                {offersOf(group).map((offer) => (
                  <Line
                    key={`${offer.first.technique.id}|${offer.first.material?.id ?? ""}|${offer.first.rule}`}
                    offer={offer}
                    since={since}
                    crustId={judged.crust.id}
                    at={at}
                  />
                ))}
              </ul>
            )}
          </div>
        );
      })}
    </section>
  );
}
