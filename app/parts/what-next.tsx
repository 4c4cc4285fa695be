import { useMemo, useState } from "react";
import { Link } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { next, type Option } from "#core/judge/next";
import { sayDuration } from "#core/units/duration";
import { HandMark, Swatch } from "~/drawing/swatch";
import { useJobEditor } from "~/editor/job-editor";
import { EditForm } from "~/forms/edit-form-parts";
import type { Selection } from "./selection";
import { SEVERITY_WORDS, SeamMark } from "./severity";

const KINDS: readonly { title: string; fits: (one: Option) => boolean }[] = [
  {
    title: "Paints",
    fits: ({ material }) => ["paint", "tint-base", "stain", "ink", "patina"].includes(material?.role ?? ""),
  },
  {
    title: "Glazes and mediums",
    fits: ({ material }) => ["glaze", "medium", "paste", "crumb"].includes(material?.role ?? ""),
  },
  { title: "Waxes and oils", fits: ({ material }) => ["wax", "oil"].includes(material?.role ?? "") },
  { title: "Clear coats", fits: ({ material }) => material?.role === "clear" },
  { title: "Primers", fits: ({ material }) => material?.role === "primer" },
  {
    title: "Leaf, tissue, transfers",
    fits: ({ material }) => ["size", "leaf", "tissue", "transfer"].includes(material?.role ?? ""),
  },
  { title: "Taking off", fits: ({ material }) => material === null },
];

const CAN_WORDS: Record<Option["can"], string> = {
  now: "now",
  from: "later",
  over: "over a barrier",
  never: "not here",
};

function Line({ one, since, crustId, at }: { one: Option; since: number; crustId: string; at: number }) {
  const detail =
    one.can === "from"
      ? `in ${sayDuration(one.from - since)}`
      : one.can === "over"
        ? `over ${one.over!.name.toLowerCase()}`
        : CAN_WORDS[one.can];
  return (
    <li className="border-b border-hair py-1">
      <div className="flex min-h-7 items-center gap-2">
        {one.material ? <Swatch material={one.material} size={18} /> : <HandMark how={one.technique.id} size={18} />}
        <span className="min-w-0 flex-1 truncate font-medium">
          {one.material ? one.material.name : one.technique.name}
          {one.material && one.technique.id !== "brush" && (
            <span className="ml-1.5 text-note font-normal text-soft">{one.technique.name.toLowerCase()}</span>
          )}
        </span>
        <span
          className={`shrink-0 text-note ${one.can === "now" ? "font-semibold text-verdigris" : one.can === "never" ? "text-ochre" : "text-soft"}`}
        >
          {detail}
        </span>
        {one.can !== "never" && one.can !== "over" && (
          <EditForm
            does="add step"
            about={{
              crustId,
              at: String(at),
              pick: one.material ? `${one.technique.id}|${one.material.id}` : one.technique.id,
            }}
            label={`Add ${one.material?.name ?? one.technique.name}`}
          >
            <button className="link min-h-6 text-note" aria-label={`Add ${one.material?.name ?? one.technique.name}`}>
              add
            </button>
          </EditForm>
        )}
      </div>
      {(one.can === "never" || one.can === "over" || (one.severity !== null && one.severity !== "note")) && (
        <p className="flex items-center gap-1.5 pl-[26px] text-note text-soft">
          {one.severity && one.severity !== "note" && <SeamMark severity={one.severity} width={12} />}
          <span>
            {one.severity && one.severity !== "note" && (
              <span className="sr-only">{SEVERITY_WORDS[one.severity].one}: </span>
            )}
            {one.reason}
          </span>
        </p>
      )}
    </li>
  );
}

/** What can go on here: every material in its usual ways, now, later, over a barrier, or not; each with its reason. */
export function WhatNext({ judged, selection }: { judged: ZoneJudgement; selection: Selection }) {
  const { plan } = useJobEditor();
  const [shelfOnly, setShelfOnly] = useState(false);
  const [typed, setTyped] = useState("");
  const [show, setShow] = useState<"all" | Option["can"]>("all");
  const steps = judged.crust.steps;
  const held = steps.findIndex((step) => step.id === selection.stepId);
  const at = held < 0 ? steps.length : held + 1;
  const done = useMemo(() => {
    const under = new Set(steps.slice(0, at).map((step) => step.id));
    return judged.phases.filter(({ phase }) => under.has(phase.step.id)).length;
  }, [judged, steps, at]);
  const options = useMemo(
    () => next(plan, judged, { done, ...(shelfOnly ? { materials: plan.pinned.materials } : {}) }),
    [plan, judged, done, shelfOnly],
  );
  const since = judged.phases[done - 1]?.ends ?? 0;
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (one: Option) =>
    (show === "all" || one.can === show) &&
    words.every((word) => `${one.material?.name ?? ""} ${one.technique.name}`.toLowerCase().includes(word));
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
        {under ? `After step ${at}, as planned` : "On the bare ground"}. Whole stacks are judged when they are whole.
      </p>
      <input
        type="search"
        aria-label="Find a material or a technique"
        placeholder="Find: wax, white, sand …"
        className="field mt-2"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
        <select
          aria-label="Show"
          className="field !w-auto"
          value={show}
          onChange={(event) => setShow(event.target.value as typeof show)}
        >
          <option value="all">all of it</option>
          <option value="now">what can go on now</option>
          <option value="from">what has to wait</option>
          <option value="over">only over a barrier</option>
          <option value="never">what cannot</option>
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
      {KINDS.map(({ title, fits: ofKind }) => {
        const group = options.filter((one) => ofKind(one) && fits(one));
        if (group.length === 0) return null;
        return (
          <div key={title} className="mt-3">
            <h3 className="kicker text-note text-soft">{title}</h3>
            <ul>
              {group.map((one) => (
                <Line
                  key={`${one.technique.id}|${one.material?.id ?? ""}`}
                  one={one}
                  since={since}
                  crustId={judged.crust.id}
                  at={at}
                />
              ))}
            </ul>
          </div>
        );
      })}
    </section>
  );
}
