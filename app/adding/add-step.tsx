import { type KeyboardEvent, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import type { ZoneJudgement } from "#core/judge/judge";
import { likelyNext } from "#core/judge/likely";
import { CATALOGUE } from "#core/materials/catalogue";
import { named } from "#core/rules/words";
import { findTechnique } from "#core/surface/techniques";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { EditForm } from "~/forms/edit-form-parts";
import type { Selection } from "~/parts/selection";
import { CoatRow, HandRow } from "./choice-row";
import { type Choice, choicesFor, GROUPS, isCoat, mostLikely, wordsIn } from "./choices";
import { phasesUnder, useVerdicts } from "./use-verdicts";

const ALL_HANDS = { hands: "taking and preparing" } as const;

/** The arrows go from line to line of the list, and from its first line back to what is typed. */
function walk(event: KeyboardEvent<HTMLElement>, lines: readonly HTMLElement[], typing: HTMLElement | null) {
  const way = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (!way) return;
  event.preventDefault();
  // the same arrows go from step to step of the crust
  event.nativeEvent.stopImmediatePropagation();
  const held = lines.indexOf(event.target as HTMLElement);
  const next = held + way;
  if (next < 0) typing?.focus();
  else lines[next]?.focus();
}

/**
 * Everything that can be added at one place of the crust: a material, then the way to lay it, or a hand that lays
 * nothing; what usually follows first, each with its verdict. Works as a plain form as well.
 */
export function AddStep({ judged, at, selection }: { judged: ZoneJudgement; at: number; selection: Selection }) {
  const { plan } = useJob();
  const [typed, setTyped] = useState("");
  const list = useRef<HTMLDivElement>(null);
  const typing = useRef<HTMLInputElement>(null);
  const { crust, phases } = judged;
  const pinned = plan.pinned.materials;
  const words = useMemo(() => wordsIn(typed), [typed]);
  const materials = useMemo(
    () => [...pinned, ...CATALOGUE.filter((material) => !pinned.some((known) => known.id === material.id))],
    [pinned],
  );
  const under = crust.steps[at - 1];
  const lower = pinned.find(({ id }) => id === under?.what) ?? null;
  const choices = useMemo(() => choicesFor(materials, words), [materials, words]);
  const likely = useMemo(() => {
    const technique = under && findTechnique(under.how);
    const follows = likelyNext(technique ? { technique, material: lower } : null);
    return mostLikely(choices, follows, {
      beneath: lower?.id ?? null,
      ofJob: new Set(pinned.map(({ id }) => id)),
    });
  }, [choices, under, lower, pinned]);
  const verdicts = useVerdicts(plan, judged, at, ALL_HANDS);
  const since = phases[phasesUnder(judged, at) - 1]?.ends ?? 0;
  const first = new Set(likely);
  const row = (choice: Choice, withReason: boolean) =>
    isCoat(choice) ? (
      <CoatRow
        key={`${choice.ways[0]!.id}|${choice.material.id}`}
        coat={choice}
        {...{ verdicts, since, withReason, judged, at }}
      />
    ) : (
      <HandRow key={choice.id} technique={choice} {...{ verdicts, since, withReason }} />
    );
  const lines = () => [...(list.current?.querySelectorAll<HTMLElement>("button, summary") ?? [])];
  return (
    <section aria-label="Add a step">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-lg">
          {lower
            ? `What goes over the ${named(lower)}?`
            : under
              ? `What comes after "${stepName(plan, under)}"?`
              : "What comes first?"}
        </h2>
        <Link to={selection.linkTo({ add: null })} replace preventScrollReset className="link shrink-0 text-note">
          Close
        </Link>
      </div>
      <EditForm does="add step" about={{ crustId: crust.id, at: String(at) }} className="mt-2" label="Add a step">
        <input
          ref={typing}
          type="search"
          aria-label="Type a few letters of a material or a technique"
          placeholder="Type a few letters: bone, wax, sand …"
          className="field"
          autoComplete="off"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => {
            // before anything is typed nothing is meant: the first of everything would be added unasked
            if (event.key === "Enter") {
              event.preventDefault();
              if (words.length > 0) lines()[0]?.click();
            }
            if (event.key === "ArrowDown") walk(event, lines(), typing.current);
          }}
          // biome-ignore lint/a11y/noAutofocus: the panel is opened to type into
          autoFocus
        />
        {/* biome-ignore lint/a11y/noStaticElementInteractions: the arrows only move the focus between its buttons */}
        <div ref={list} className="mt-2" onKeyDown={(event) => walk(event, lines(), typing.current)}>
          {likely.length > 0 && (
            <div className="mb-2">
              <h3 className="kicker text-note text-soft">Most likely here</h3>
              <ul>{likely.map((choice) => row(choice, true))}</ul>
            </div>
          )}
          {GROUPS.map(({ title, fits }) => {
            const group = choices.filter((choice) => !first.has(choice) && fits(choice));
            if (group.length === 0) return null;
            return (
              <div key={title} className="mb-2">
                <h3 className="kicker text-note text-soft">{title}</h3>
                <ul>{group.map((choice) => row(choice, false))}</ul>
              </div>
            );
          })}
          {choices.length === 0 && (
            <p className="py-3 text-soft">Nothing matches. Try fewer letters, or a kind: chalk, milk, wax, clear.</p>
          )}
        </div>
      </EditForm>
    </section>
  );
}
