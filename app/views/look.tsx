import { nanoid } from "nanoid";
import { useMemo, useState } from "react";
import { Form, Link, useLoaderData, useNavigate, useSearchParams } from "react-router";
import { toast } from "sonner";
import { panelFor } from "#core/board/board-work";
import { isMetallic, isTranslucent } from "#core/colour/material-colour";
import type { Command } from "#core/edit/command";
import type { InShop } from "#core/finishes/facts";
import { PRACTICE } from "#core/finishes/finish";
import { METAL_COLOURS } from "#core/look/seen";
import { METALS, WISH_PLACES, Wish, type WishPlace } from "#core/look/spec";
import { CATALOGUE } from "#core/materials/catalogue";
import { findCrust, zonesOf } from "#core/plan/plan";
import { groundNamed } from "#core/rules/words";
import { planOfText } from "~/editor/plan-text";
import { CandidateCard } from "~/look/candidate";
import { Corner } from "~/look/corner";
import { FromNow } from "~/look/from-now";
import { FromPicture } from "~/look/from-picture";
import { layMove, layWhole } from "~/look/lay";
import type { Shown } from "~/look/messages";
import { isAsked, PLACE_NAMES, readLook } from "~/look/read-look";
import { useSearch } from "~/look/use-search";
import { JobHead } from "~/parts/job-head";
import type { loader } from "~/routes/look";
import { voiceOf } from "~/shelf/voice";

const DRAWN = 360;

interface Paint {
  value: string;
  name: string;
  colour: string;
}

export default function LookRoute() {
  const { text, version, shelf, now, inShop } = useLoaderData<typeof loader>();
  const [asked, setAsked] = useSearchParams();
  const navigate = useNavigate();
  const plan = useMemo(() => planOfText(text), [text]);
  const zones = zonesOf(plan);
  const zone = zones.find(({ id }) => id === asked.get("zone")) ?? zones[0];
  const look = readLook(asked);
  const [active, setActive] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const panel = zone ? panelFor(zone) : "drawer";
  const searched = useSearch(
    zone && isAsked(look)
      ? {
          text,
          zoneId: zone.id,
          look,
          shelf: shelf.length > 0 ? shelf : null,
          inShop: inShop as InShop,
          panel,
          width: DRAWN,
        }
      : null,
  );
  const paints = useMemo((): Paint[] => {
    const known = [
      ...plan.pinned.materials,
      ...CATALOGUE.filter(({ id }) => !plan.pinned.materials.some((material) => material.id === id)),
    ];
    return known
      .filter(
        (one) =>
          (one.role === "paint" || one.role === "tint-base") && !isTranslucent(one) && !isMetallic(one) && !one.reacts,
      )
      .map(({ name, colour }) => ({ value: colour, name, colour }));
  }, [plan]);
  if (!zone)
    return (
      <div className="min-h-screen">
        <JobHead planId={plan.id} title={plan.title} view={null} />
        <main className="p-5">
          <p>There is no zone to plan a look for.</p>
          <Link className="button mt-3" to={`/jobs/${plan.id}/piece`}>
            Go to the piece
          </Link>
        </main>
      </div>
    );
  const ground = zone.ground.colour;
  const others: Paint[] = [
    { value: "ground", name: groundNamed(zone.ground), colour: ground },
    ...METALS.map((metal) => ({ value: metal, name: metal, colour: METAL_COLOURS[metal] })),
  ];
  const set = (change: Readonly<Record<string, string | null>>) =>
    setAsked(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [name, value] of Object.entries(change))
          if (value === null || value === "") next.delete(name);
          else next.set(name, value);
        return next;
      },
      { replace: true, preventScrollReset: true },
    );
  const onSet = (place: WishPlace, dropped?: string) => {
    const wish = dropped ?? active;
    if (wish === null) toast("Pick a colour first, then press where it should show.");
    else if (wish === "" || Wish.safeParse(wish).success) set({ [place]: wish });
    else toast("That is not a colour.");
  };
  const crust = findCrust(plan, zone.crustId);
  const isHalfDone = plan.done?.some(({ zoneId }) => zoneId === zone.id) ?? false;
  const lay = (shown: Shown, stepIds: readonly string[] | null) =>
    stepIds
      ? send("Add a move of a planned look", layMove(plan, zone.id, shown, stepIds))
      : send("Lay a planned look", layWhole(plan, zone.id, shown, `Look for ${zone.name.toLowerCase()}`));
  const send = async (label: string, commands: readonly Command[]) => {
    setBusy(true);
    const answer = await fetch(`/jobs/${plan.id}/edit`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ base: version, id: nanoid(16), label, commands }),
    })
      .then((response) => response.json() as Promise<{ is: string; because?: string }>)
      .catch(() => ({ is: "unsaved", because: "The shop does not answer. Nothing was changed; try again." }));
    if (answer.is === "written") return navigate(`/jobs/${plan.id}/crust?zone=${zone.id}`);
    setBusy(false);
    toast.error(
      answer.is === "overtaken"
        ? "This job was changed in another window. Reload this page, then use it again."
        : (answer.because ?? "It could not be laid."),
    );
  };
  const swatch = ({ value, name, colour }: Paint) => (
    <button
      key={`${value} ${name}`}
      type="button"
      className="look-swatch"
      aria-pressed={active === value}
      title={name}
      aria-label={name}
      draggable
      onDragStart={(event) => event.dataTransfer.setData("text/plain", value)}
      onClick={() => setActive(active === value ? null : value)}
      style={{ background: colour }}
    />
  );
  const choice = (name: string, words: readonly string[]) =>
    words.map((word) => (
      <button
        key={word}
        type="button"
        className="chip"
        aria-pressed={asked.get(name) === word}
        onClick={() => set({ [name]: asked.get(name) === word ? null : word })}
      >
        {word}
      </button>
    ));
  return (
    <div className="look-page">
      <JobHead planId={plan.id} title={plan.title} view={null} />
      <main className="look-main">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h1 className="text-[1.5rem]">What should show where?</h1>
          <nav aria-label="Zone" className="flex flex-wrap gap-1.5">
            {zones.map(({ id, name }) => (
              <Link
                key={id}
                to={`?${withParam(asked, "zone", id)}`}
                replace
                className="chip"
                aria-current={id === zone.id ? "true" : undefined}
              >
                {name}
              </Link>
            ))}
          </nav>
        </div>
        <p className="mt-1 text-soft">Pick a colour and press a place, or drag it there.</p>
        <div className="look-corner-box">
          <Corner wishes={look.wishes} ground={ground} onSet={onSet} />
        </div>
        <div className="look-palette" role="group" aria-label="Colours">
          {paints.map(swatch)}
        </div>
        <div
          className="mt-2 flex flex-wrap items-center gap-1.5"
          role="group"
          aria-label="The piece itself, and metals"
        >
          {others.map((paint) => (
            <button
              key={paint.value}
              type="button"
              className="chip"
              aria-pressed={active === paint.value}
              draggable
              onDragStart={(event) => event.dataTransfer.setData("text/plain", paint.value)}
              onClick={() => setActive(active === paint.value ? null : paint.value)}
            >
              <span className="look-dab" style={{ background: paint.colour }} aria-hidden="true" />
              {paint.name}
            </button>
          ))}
          <label className="chip">
            <input
              type="color"
              className="look-any"
              onChange={({ target }) => setActive(target.value)}
              aria-label="Any other colour"
            />
            any other
          </label>
          <button
            type="button"
            className="chip"
            aria-pressed={active === ""}
            onClick={() => setActive(active === "" ? null : "")}
          >
            nothing there
          </button>
        </div>
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
                  onBlur={({ target }) => set({ [name]: target.value.trim() })}
                />
                {name === "hours" ? "hours hands-on" : "days"}
              </label>
            ))}
          </span>
        </fieldset>
        <FromPicture onPick={(place, colour) => set({ [place]: colour })} />
        <details className="mt-4 border-t border-line pt-2">
          <summary className="py-1 font-semibold">The same as a list</summary>
          <Form method="get" className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-4">
            <input type="hidden" name="zone" value={zone.id} />
            {WISH_PLACES.map((place) => (
              <label key={place}>
                <span className="mb-0.5 block text-note text-soft">{PLACE_NAMES[place]}</span>
                <select
                  key={`${place} ${look.wishes[place] ?? ""}`}
                  name={place}
                  className="field"
                  defaultValue={look.wishes[place] ?? ""}
                  onChange={({ target }) => set({ [place]: target.value })}
                >
                  <option value="">nothing in particular</option>
                  {look.wishes[place] && ![...others, ...paints].some(({ value }) => value === look.wishes[place]) && (
                    <option value={look.wishes[place]}>{look.wishes[place]}</option>
                  )}
                  {[...others, ...paints].map(({ value, name }) => (
                    <option key={`${value} ${name}`} value={value}>
                      {name}
                    </option>
                  ))}
                </select>
              </label>
            ))}
            <noscript>
              <button className="button">Ask for it</button>
            </noscript>
          </Form>
        </details>
      </main>
      <div className="look-found">
        {isHalfDone && (
          <FromNow
            text={text}
            zoneId={zone.id}
            now={now}
            wishes={look.wishes}
            panel={panel}
            busy={busy}
            onUse={({ label, commands }) => send(label, commands)}
          />
        )}
        <section aria-label="Ways to it">
          <div className="flex items-baseline justify-between gap-3">
            <h2 className="text-view">Ways to it</h2>
            <p className="text-note text-soft" role="status">
              {searched.busy ? `${searched.tried} tried …` : searched.tried > 0 ? `${searched.tried} tried` : ""}
            </p>
          </div>
          {!isAsked(look) && (
            <p className="mt-2 text-soft">
              As soon as something is asked for, stacks that give it appear here: checked, dated, with the reason for
              every layer. Or{" "}
              <Link className="link" to={`/jobs/${plan.id}/finish?zone=${zone.id}`}>
                pick a finish from the gallery
              </Link>
              .
            </p>
          )}
          {searched.failed && <p className="mt-2 font-medium text-ochre">The planner stopped: {searched.failed}.</p>}
          {searched.says && <p className="mt-2 border-l-4 border-l-sienna bg-board px-3 py-2">{searched.says}</p>}
          <ul className="mt-2 flex flex-col gap-4">
            {[...searched.shown, ...(searched.nearest ? [searched.nearest] : [])].map((shown) => (
              <CandidateCard
                key={shown.key}
                one={shown}
                image={searched.pictures.get(shown.key)}
                dated={searched.dates.get(shown.key)}
                voice={voiceOf(inShop.book)}
                onUse={lay}
                busy={busy}
                hasCrust={(crust?.steps.length ?? 0) > 0}
              />
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}

function withParam(asked: URLSearchParams, name: string, value: string): string {
  const next = new URLSearchParams(asked);
  next.set(name, value);
  return next.toString();
}
