import { useRef, useState } from "react";
import { Link } from "react-router";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import type { Crust } from "#core/plan/plan";
import { named } from "#core/rules/words";
import { TECHNIQUES, techniquesFor } from "#core/surface/techniques";
import { HandMark, Swatch } from "~/drawing/swatch";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { EditForm } from "~/forms/edit-form-parts";
import type { Selection } from "./selection";

interface Choice {
  pick: string;
  name: string;
  how: string;
  detail: string;
  material: Material | null;
}

const ofKind =
  (...kinds: string[]) =>
  ({ how, material }: Choice) =>
    !material && TECHNIQUES.some((one) => one.id === how && kinds.includes(one.kind));
const ofRole =
  (...roles: Material["role"][]) =>
  ({ material }: Choice) =>
    material !== null && roles.includes(material.role);

const GROUPS: readonly { title: string; fits: (choice: Choice) => boolean }[] = [
  { title: "Prepare", fits: ofKind("prepare") },
  { title: "Primers", fits: ofRole("primer") },
  { title: "Paints and stains", fits: ofRole("paint", "tint-base", "stain", "ink") },
  { title: "Mediums, pastes and crumb", fits: ofRole("medium", "paste", "crumb") },
  { title: "Glazes", fits: ofRole("glaze") },
  { title: "Leaf, tissue, transfers, patina", fits: ofRole("size", "leaf", "tissue", "transfer", "patina") },
  { title: "Sand, distress, wipe, buff", fits: ofKind("take") },
  { title: "Waxes and oils", fits: ofRole("wax", "oil") },
  { title: "Clear coats", fits: ofRole("clear") },
  { title: "Look and decide", fits: ofKind("inspect") },
  { title: "Aids and waits", fits: ofKind("help", "hold") },
  { title: "Take apart, turn, refit", fits: ofKind("handle") },
];

function choicesFor(materials: readonly Material[]): Choice[] {
  const coats = materials.flatMap((material) =>
    techniquesFor(material).map((technique, index) => ({
      pick: `${technique.id}|${material.id}`,
      name: index === 0 ? material.name : `${material.name}, ${technique.name.toLowerCase()}`,
      how: technique.id,
      detail: technique.name.toLowerCase(),
      material,
    })),
  );
  const hands = TECHNIQUES.filter((one) => one.lays.length === 0).map((one) => ({
    pick: one.id,
    name: one.name,
    how: one.id,
    detail: one.hint,
    material: null,
  }));
  return [...hands, ...coats];
}

const matches = (choice: Choice, words: string[]) =>
  words.every((word) => `${choice.name} ${choice.detail}`.toLowerCase().includes(word));

/**
 * Everything that can be added at one place of the crust: type a few letters, or pick from the list. Works as a plain
 * form as well.
 */
export function AddStep({ crust, at, selection }: { crust: Crust; at: number; selection: Selection }) {
  const { plan } = useJob();
  const [typed, setTyped] = useState("");
  const list = useRef<HTMLDivElement>(null);
  const words = typed
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);
  const pinned = plan.pinned.materials;
  const choices = choicesFor([
    ...pinned,
    ...CATALOGUE.filter((one) => !pinned.some((known) => known.id === one.id)),
  ]).filter((choice) => {
    if (words.length > 0) return matches(choice, words);
    // before anything is typed, only the usual technique of each material
    return !choice.material || techniquesFor(choice.material)[0]?.id === choice.how;
  });
  const under = crust.steps[at - 1];
  const lower = plan.pinned.materials.find(({ id }) => id === under?.what);
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
          type="search"
          aria-label="Type a few letters of a material or a technique"
          placeholder="Type a few letters: bone, wax, sand …"
          className="field"
          autoComplete="off"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter") {
              event.preventDefault();
              list.current?.querySelector("button")?.click();
            }
            if (event.key === "ArrowDown") {
              event.preventDefault();
              list.current?.querySelector("button")?.focus();
            }
          }}
          // biome-ignore lint/a11y/noAutofocus: the panel is opened to type into
          autoFocus
        />
        <div ref={list} className="mt-2">
          {GROUPS.map(({ title, fits }) => {
            const group = choices.filter(fits);
            if (group.length === 0) return null;
            return (
              <div key={title} className="mb-2">
                <h3 className="kicker text-note text-soft">{title}</h3>
                {group.map((choice) => (
                  <button
                    key={choice.pick}
                    name="pick"
                    value={choice.pick}
                    className="flex min-h-7 w-full items-center gap-2 rounded-std px-1 text-left hover:bg-wash"
                  >
                    {choice.material ? (
                      <Swatch material={choice.material} size={18} />
                    ) : (
                      <HandMark how={choice.how} size={18} />
                    )}
                    <span className="shrink-0 font-medium">{choice.name}</span>
                    {!choice.material && <span className="truncate text-note text-soft">{choice.detail}</span>}
                  </button>
                ))}
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
