import { Form } from "react-router";
import { PRACTICE } from "#core/finishes/finish";
import { WISH_PLACES, type Wishes } from "#core/look/spec";
import type { Paint } from "./dragged";
import { PLACE_NAMES } from "./read-look";

/** Changes what is asked for, by the names of the address; empty or null takes it back. */
export type Ask = (change: Readonly<Record<string, string | null>>) => void;

/** What else the look has to keep to: edges, shine, face, practice, time. */
export function AskedOptions({ asked, onAsk }: { asked: URLSearchParams; onAsk: Ask }) {
  const choice = (name: string, words: readonly string[]) =>
    words.map((word) => (
      <button
        key={word}
        type="button"
        className="chip"
        aria-pressed={asked.get(name) === word}
        onClick={() => onAsk({ [name]: asked.get(name) === word ? null : word })}
      >
        {word}
      </button>
    ));
  return (
    <fieldset className="look-options">
      <legend className="sr-only">What else it has to keep to</legend>
      <span className="text-soft">Edges</span>
      <span className="flex flex-wrap gap-1.5">
        {choice("wear", ["worn", "crisp"])}
        {choice("with", ["damp cloth", "paper"])}
      </span>
      <span className="text-soft">Shine</span>
      <span className="flex flex-wrap gap-1.5">{choice("sheen", ["matt", "satin", "gloss"])}</span>
      <span className="text-soft">Face</span>
      <span className="flex flex-wrap gap-1.5">{choice("texture", ["raised"])}</span>
      <span className="text-soft">Practice</span>
      <span className="flex flex-wrap gap-1.5">{choice("practice", PRACTICE)}</span>
      <span className="text-soft">At most</span>
      <span className="flex flex-wrap items-center gap-2">
        {(["days", "hours"] as const).map((name) => (
          <label key={name} className="inline-flex items-center gap-1.5">
            <input
              className="field w-20"
              inputMode="decimal"
              defaultValue={asked.get(name) ?? ""}
              onBlur={({ target }) => onAsk({ [name]: target.value.trim() })}
            />
            {name === "hours" ? "hours hands-on" : "days"}
          </label>
        ))}
      </span>
    </fieldset>
  );
}

/** The wishes of the corner as a list: it also works without scripts. */
export function AskedList({
  zoneId,
  wishes,
  paints,
  onAsk,
}: {
  zoneId: string;
  wishes: Wishes;
  paints: readonly Paint[];
  onAsk: Ask;
}) {
  return (
    <details className="mt-4 border-t border-line pt-2">
      <summary className="py-1 font-semibold">The same as a list</summary>
      <Form method="get" className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-4">
        <input type="hidden" name="zone" value={zoneId} />
        {WISH_PLACES.map((place) => {
          const wish = wishes[place];
          return (
            <label key={place}>
              <span className="mb-0.5 block text-note text-soft">{PLACE_NAMES[place]}</span>
              <select
                key={`${place} ${wish ?? ""}`}
                name={place}
                className="field"
                defaultValue={wish ?? ""}
                onChange={({ target }) => onAsk({ [place]: target.value })}
              >
                <option value="">nothing in particular</option>
                {wish && !paints.some(({ value }) => value === wish) && <option value={wish}>{wish}</option>}
                {paints.map(({ value, name }) => (
                  <option key={`${value} ${name}`} value={value}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          );
        })}
        <noscript>
          <button className="button">Ask for it</button>
        </noscript>
      </Form>
    </details>
  );
}
