import { nanoid } from "nanoid";
import { useMemo, useState } from "react";
import { Link, useLoaderData, useNavigate, useSearchParams } from "react-router";
import { toast } from "sonner";
import { panelFor } from "#core/board/board-work";
import { isMetallic, isTranslucent } from "#core/colour/material-colour";
import type { Command } from "#core/edit/command";
import type { InShop } from "#core/finishes/facts";
import { METAL_COLOURS } from "#core/look/seen";
import { METALS, Wish, type WishPlace } from "#core/look/spec";
import { CATALOGUE } from "#core/materials/catalogue";
import { findCrust, type Plan, zonesOf } from "#core/plan/plan";
import { groundNamed } from "#core/rules/words";
import { planOfText } from "~/editor/plan-text";
import { AskedList, AskedOptions } from "~/look/asked-fields";
import { Corner } from "~/look/corner";
import { DraggedColours, type Paint } from "~/look/dragged";
import { FromNow } from "~/look/from-now";
import { FromPicture } from "~/look/from-picture";
import { layMove, layWhole } from "~/look/lay";
import type { Shown } from "~/look/messages";
import { Palette } from "~/look/palette";
import { isAsked, readLook } from "~/look/read-look";
import { useSearch } from "~/look/use-search";
import { Ways } from "~/look/ways";
import { JobHead } from "~/parts/job-head";
import type { loader } from "~/routes/look";
import { voiceOf } from "~/shelf/voice";

const DRAWN = 360;

/** The paints that a colour can be picked from: this job's own, then what the shop knows. */
function paintsOf(plan: Plan): Paint[] {
  const own = plan.pinned.materials;
  return [...own, ...CATALOGUE.filter(({ id }) => !own.some((material) => material.id === id))]
    .filter(
      (material) =>
        (material.role === "paint" || material.role === "tint-base") &&
        !isTranslucent(material) &&
        !isMetallic(material) &&
        !material.reacts,
    )
    .map(({ name, colour }) => ({ value: colour, name, colour }));
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
  const paints = useMemo(() => paintsOf(plan), [plan]);
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
        <DraggedColours onDrop={onSet}>
          {(over) => (
            <>
              <div className="look-corner-box">
                <Corner wishes={look.wishes} ground={ground} over={over} onSet={onSet} />
              </div>
              <Palette paints={paints} others={others} active={active} onPick={setActive} />
            </>
          )}
        </DraggedColours>
        <AskedOptions asked={asked} onAsk={set} />
        <FromPicture onPick={(place, colour) => set({ [place]: colour })} />
        <AskedList zoneId={zone.id} wishes={look.wishes} paints={[...others, ...paints]} onAsk={set} />
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
        <Ways
          searched={searched}
          voice={voiceOf(inShop.book)}
          busy={busy}
          hasCrust={(crust?.steps.length ?? 0) > 0}
          onUse={lay}
        >
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
        </Ways>
      </div>
    </div>
  );
}

function withParam(asked: URLSearchParams, name: string, value: string): string {
  const next = new URLSearchParams(asked);
  next.set(name, value);
  return next.toString();
}
