import { useMemo, useState } from "react";
import { Link, useLoaderData, useNavigate, useSearchParams } from "react-router";
import { boardWorkOf, MOST_SEED } from "#core/board/board-work";
import { PANEL_IDS, PANEL_NAMES } from "#core/board/panels/panel";
import type { ZoneJudgement } from "#core/judge/judge";
import { groundNamed } from "#core/rules/words";
import type { PhotoShelf } from "#db/photos";
import { Against, Choice, ExportLink, type Name } from "~/board/against";
import {
  type BoardAddress,
  boardAddress,
  countAfterStep,
  LIFE_SIZE,
  readBoardAddress,
  WHOLE,
} from "~/board/board-address";
import { Easel } from "~/board/easel";
import { LampDial } from "~/board/lamp";
import { PhotoCompare, type Spot, usePhotoPixels } from "~/board/photo-compare";
import { RealBoards } from "~/board/real-boards";
import { Scrub, stopsOf } from "~/board/scrub";
import { ShowsTable } from "~/board/shows-table";
import { useBoards } from "~/board/use-board";
import { useHeld } from "~/board/use-held";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { NoZone } from "~/parts/no-zone";
import { panes } from "~/parts/panes";
import { useSelection } from "~/parts/selection";
import { Explained } from "~/parts/term";

/** Flat places of the panels, clear of frame and carving. */
const FIRST_SPOTS = { prediction: { x: 0.3, y: 0.06 }, photo: { x: 0.7, y: 0.06 } };

interface Side {
  judged: ZoneJudgement;
  count: number;
  label: string;
}

/** What the board is compared with, if the address names something that exists. */
function otherSide(
  address: BoardAddress,
  judged: ZoneJudgement,
  all: readonly ZoneJudgement[],
  nameOf: Name,
): Side | null {
  const [kind, id = ""] = address.against?.split(":") ?? [];
  if (kind === "zone") {
    const other = all.find((zoneJudgement) => zoneJudgement.zone.id === id);
    return other ? { judged: other, count: other.phases.length, label: `${other.zone.name}, finished` } : null;
  }
  if (kind !== "step") return null;
  if (id === "ground") return { judged, count: 0, label: "Bare ground" };
  const step = judged.crust.steps.find((step) => step.id === id);
  return step ? { judged, count: countAfterStep(judged, id), label: `After ${nameOf(id).toLowerCase()}` } : null;
}

function useBoardKeys(address: BoardAddress, count: number, hold: (count: number) => void, last: number) {
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const go = (change: Parameters<typeof boardAddress>[1]) =>
    navigate(boardAddress(params, change), { replace: true, preventScrollReset: true });
  const { keys } = KEYS.board;
  useKey(keys.previous, () => hold(count - 1));
  useKey(keys.next, () => hold(count + 1));
  useKey(keys.bare, () => hold(0));
  useKey(keys.finished, () => hold(last));
  useKey(keys.wet, () => go({ wet: address.view.wet ? null : "yes" }));
  useKey(keys.lamp, () => go({ light: address.view.light === "lamp" ? null : "lamp" }));
  useKey(keys.lifeSize, () => go({ size: address.lifeSize ? null : "life" }));
}

function BoardOf({ judged }: { judged: ZoneJudgement }) {
  const { plan, judgement } = useJob();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const address = readBoardAddress(params, judged);
  const { view, panel, seed, lifeSize } = address;
  const last = judged.phases.length;
  const [count, hold] = useHeld(address.count, last);
  const nameOf: Name = (stepId) => {
    const step = judged.crust.steps.find((step) => step.id === stepId);
    return step ? stepName(plan, step) : stepId;
  };
  useBoardKeys(address, count, hold, last);
  const other = otherSide(address, judged, judgement.zones, nameOf);
  const work = useMemo(() => boardWorkOf(judged, panel, seed), [judged, panel, seed]);
  const otherJudged = other?.judged ?? null;
  const otherWork = useMemo(() => {
    if (otherJudged === null) return null;
    return otherJudged === judged ? work : boardWorkOf(otherJudged, panel, seed);
  }, [otherJudged, judged, work, panel, seed]);
  const boards = useBoards({
    sides: [{ work, count }, ...(other && otherWork ? [{ work: otherWork, count: other.count }] : [])],
    view,
    width: lifeSize ? LIFE_SIZE : WHOLE,
  });
  const shelf = useLoaderData<PhotoShelf>();
  const photo = shelf.photos.find(({ id }) => address.against === `photo:${id}`) ?? null;
  const photoSrc = photo ? `/jobs/${plan.id}/photos/${photo.id}` : null;
  const photoPixels = usePhotoPixels(photoSrc);
  const [spots, setSpots] = useState(FIRST_SPOTS);
  const [white, setWhite] = useState<Spot | null>(null);
  const [pickingWhite, setPickingWhite] = useState(false);
  const onSpot = (side: "prediction" | "photo", spot: Spot) => {
    if (side === "photo" && pickingWhite) {
      setWhite(spot);
      setPickingWhite(false);
    } else setSpots((before) => ({ ...before, [side]: spot }));
  };
  const stops = stopsOf(judged, nameOf);
  const stop = stops[count] ?? stops.at(-1)!;
  const measured = boards.pictures[0]?.measured ?? null;
  const go = (change: Parameters<typeof boardAddress>[1]) =>
    navigate(boardAddress(params, change), { replace: true, preventScrollReset: true });
  const still = new URLSearchParams(params);
  still.set("zone", judged.zone.id);
  still.set("after", String(count));
  return (
    <div className="panes" style={panes("818px minmax(0, 1fr)")}>
      <section aria-label="Sample board" className="pane px-6 pt-3 pb-4 max-sm:px-3">
        <div className="mb-2 flex flex-wrap items-center gap-2">
          <h1 className="min-w-0 truncate text-view">{judged.zone.name}</h1>
          <span className="min-w-0 flex-1 truncate text-note text-soft">{judged.crust.name}</span>
          <Link className="link shrink-0 text-note font-semibold" to={`/jobs/${plan.id}/photo`}>
            On your photo
          </Link>
          {PANEL_IDS.map((id) => (
            <Choice key={id} on={id === panel} to={boardAddress(params, { panel: id })} says={PANEL_NAMES[id].full}>
              {PANEL_NAMES[id].short}
            </Choice>
          ))}
        </div>
        <noscript>
          <img
            src={`/jobs/${plan.id}/board.png?${still}`}
            width={WHOLE}
            height={(WHOLE * 2) / 3}
            alt={`Sample board of ${judged.zone.name}, after ${stop.label.toLowerCase()}`}
          />
        </noscript>
        <Easel
          pictures={boards.pictures}
          photo={photoSrc}
          labels={[
            `Sample board of ${judged.zone.name}: ${stop.label}`,
            ...(photo ? [photo.note || "the real board"] : other ? [other.label] : []),
          ]}
          spots={photo ? spots : null}
          onSpot={onSpot}
          lifeSize={lifeSize}
          drawing={boards.drawing}
        />
        {boards.failed && (
          <p className="mt-2 font-semibold text-ochre">
            The board could not be drawn ({boards.failed}). Change a step or reload the page; your plan is safe.
          </p>
        )}
        <div className="mt-2">
          <div className="mb-1 flex items-baseline gap-2">
            <span className="min-w-0 flex-1 truncate">
              <span className="kicker mr-1 text-soft">
                {count === 0 ? "before" : `${count} of ${stops.length - 1}`}
              </span>
              <b className="font-semibold">{stop.label}</b>
            </span>
            {other && (
              <span className="truncate text-note text-soft">right of the line: {other.label.toLowerCase()}</span>
            )}
            <span className="text-note text-soft">← → step by step</span>
          </div>
          <Scrub stops={stops} count={count} onHold={hold} />
        </div>
      </section>
      <aside aria-label="About the board" className="flex min-h-0 flex-col gap-4 overflow-y-auto p-5">
        <nav aria-label="Zones" className="flex flex-wrap gap-1.5">
          {judgement.zones.map(({ zone }) => (
            <Choice key={zone.id} on={zone.id === judged.zone.id} to={boardAddress(params, { zone: zone.id })}>
              {zone.name}
            </Choice>
          ))}
        </nav>
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <div className="flex items-center gap-2">
            <LampDial
              lighting={view.lighting}
              onTurn={({ azimuth, elevation }) => go({ from: String(azimuth), height: String(elevation) })}
            />
            <div className="flex flex-col gap-1">
              <div className="flex gap-1">
                <Choice on={view.light === "daylight"} to={boardAddress(params, { light: null })}>
                  Daylight
                </Choice>
                <Choice on={view.light === "lamp"} to={boardAddress(params, { light: "lamp" })}>
                  Lamp
                </Choice>
              </div>
            </div>
          </div>
          <div className="flex gap-1">
            <Choice on={!view.wet} to={boardAddress(params, { wet: null })}>
              Dry
            </Choice>
            <Choice on={view.wet} to={boardAddress(params, { wet: "yes" })}>
              Wet
            </Choice>
          </div>
          <div className="flex gap-1">
            <Choice on={!lifeSize} to={boardAddress(params, { size: null })}>
              Whole
            </Choice>
            <Choice on={lifeSize} to={boardAddress(params, { size: "life" })}>
              Life size
            </Choice>
          </div>
        </div>
        <Against judged={judged} address={address} nameOf={nameOf} />
        {photo && (
          <PhotoCompare
            judged={judged}
            shown={measured?.shown ?? null}
            prediction={boards.pictures[0]?.image ?? null}
            photo={photoPixels}
            spots={spots}
            white={white}
            pickingWhite={pickingWhite}
            onWhite={setPickingWhite}
          />
        )}
        {measured ? (
          <ShowsTable measured={measured} judged={judged} />
        ) : (
          <p className="text-note text-soft">Measuring what shows …</p>
        )}
        <p className="text-note text-soft">
          <Explained
            text={`A prediction on ${groundNamed(judged.zone.ground)}, 300 × 200 mm, from the thickness of each film and how it absorbs and scatters light. Every hand differs: make a real board before the piece.`}
          />
        </p>
        <div className="flex flex-wrap gap-2">
          <ExportLink
            address={{ ...address, count }}
            zoneId={judged.zone.id}
            title={`${judged.zone.name}, ${stop.label}`}
          />
          <Link
            to={boardAddress(params, { seed: String((seed % MOST_SEED) + 1) })}
            replace
            preventScrollReset
            className="button"
            title="The same crust laid by the same hand on another board"
          >
            Another board
          </Link>
        </div>
        <RealBoards
          shelf={shelf}
          judged={judged}
          stepId={judged.phases[count - 1]?.phase.step.id ?? null}
          stepLabel={stop.label}
          against={address.against}
        />
      </aside>
    </div>
  );
}

export default function BoardView() {
  const { judged } = useSelection();
  if (!judged) return <NoZone says="Add a zone, and its sample board shows here" />;
  return <BoardOf judged={judged} />;
}
