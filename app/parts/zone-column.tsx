import { ChevronDown } from "lucide-react";
import { type ReactNode, useDeferredValue, useMemo } from "react";
import { Link, useNavigate } from "react-router";
import type { Judgement, ZoneJudgement } from "#core/judge/judge";
import { isTimber } from "#core/plan/ground";
import { type Plan, type ReliefClass, type Zone, zoneArea, zonesOf, zonesWithCrust } from "#core/plan/plan";
import { SEVERITY_ORDER, type Severity } from "#core/rules/rule";
import { groundNamed } from "#core/rules/words";
import { Elevation } from "~/drawing/elevation";
import { SectionDrawing } from "~/drawing/section-drawing";
import { layersOf, type SectionGeometry, sectionGeometry } from "~/drawing/section-profile";
import { worstOf } from "~/drawing/severity";
import { useJob } from "~/editor/job-editor";
import { useSampleFilm } from "~/films/use-piece-films";
import { stepName } from "~/forms/edit-form";
import { countOf, sayArea } from "~/words/amount";
import { reachOnSection } from "./distress-reach";
import type { Selection } from "./selection";
import { shownLayers } from "./what-shows";
import { ZonePicker } from "./zone-picker";

const SECTION_WIDTH = 316;
/** Heights of what stands over and under the section, in pixels. */
const HEAD = 76;
const PIECE = 172;
const LANDMARKS = 36;
const BOARD = 132;
const PIECE_MARGIN = 12;
/** Each may take two lines. */
const MOST_SHOWN = 3;
const SECTION = { least: 200, most: 560 };
/** Below this the board of the zone is left to its own view. */
const ROOM_FOR_BOARD = 620;

/** The room that a column of some height leaves for the section, and for the board beneath. */
export function columnRoom({ height: whole, narrow }: { height: number; narrow: boolean }): {
  section: number;
  sectionTop: number;
  withBoard: boolean;
} {
  // where it is no column, it is as high as the piece and the board beside the section
  const height = narrow ? ROOM_FOR_BOARD : whole;
  const withBoard = height >= ROOM_FOR_BOARD;
  const beneath = LANDMARKS + (withBoard ? BOARD : 0);
  const section = Math.min(SECTION.most, Math.max(SECTION.least, height - HEAD - PIECE - beneath));
  return { section, sectionTop: height - beneath - section, withBoard };
}

/** The relief class under each name that is written below the drawing. */
const RELIEF_OF: Record<string, ReliefClass> = { arris: "arris", field: "field", groove: "recess", bead: "high" };

interface Cut {
  judged: ZoneJudgement | undefined;
  height: number;
  /** with a distressing step selected, the section shows it as that step leaves it, not as later layers cover it */
  stepId?: string | null;
}

function cutOf({ judged, height, stepId = null }: Cut): SectionGeometry {
  const after = judged && (reachOnSection(judged, stepId)?.after ?? judged.after);
  const layers = judged && after ? layersOf(after, judged.crust.steps) : [];
  return sectionGeometry(layers, { width: SECTION_WIDTH, height });
}

let last: { cut: Required<Cut>; geometry: SectionGeometry } | null = null;

/** The section through a zone's crust as it is after the last step; nothing if there is no zone. */
export function useSection({ judged, height, stepId = null }: Cut): SectionGeometry {
  return useMemo(() => {
    const { cut, geometry } = last ?? {};
    // the column and the lines from it to the ladder ask for the same
    if (geometry && cut?.judged === judged && cut?.height === height && cut?.stepId === stepId) return geometry;
    last = { cut: { judged, height, stepId }, geometry: cutOf({ judged, height, stepId }) };
    return last.geometry;
  }, [judged, height, stepId]);
}

/** The small board of a zone when all is done, and what is seen of it. */
function SmallBoard({ judged, to }: { judged: ZoneJudgement; to: string }) {
  const film = useSampleFilm(judged);
  const shares = shownLayers(judged).slice(0, MOST_SHOWN);
  return (
    <div className="zone-board" style={{ height: BOARD }}>
      <Link to={to} className="zone-board-picture" aria-label="See it on the board">
        {film && <img src={film.url} alt="" />}
      </Link>
      <div className="min-w-0 text-note">
        <h2 className="font-semibold text-ink">What shows</h2>
        <ul className="text-soft">
          {shares.map(({ key, name, share }) => (
            <li key={key} className="flex gap-2 leading-tight [&+li]:mt-1">
              <span className="min-w-0 flex-1">{name}</span>
              <span className="whitespace-nowrap">{Math.round(share * 100)} %</span>
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}

/** The zones in words, behind a button that says which one is looked at. */
function ZoneMenu({ selection }: { selection: Selection }) {
  const { plan } = useJob();
  const count = zonesOf(plan).length;
  if (count < 2) return null;
  return (
    <details className="zone-menu">
      <summary className="text-note">
        {countOf(count, "zone")} <ChevronDown size={13} strokeWidth={1.75} aria-hidden="true" />
      </summary>
      <div className="zone-menu-list">
        <ZonePicker selection={selection} />
      </div>
    </details>
  );
}

/** The job as its drawings show it. */
interface Shown {
  plan: Plan;
  judgement: Judgement;
}

/** The piece from the front as the crusts make it look; its zones are picked on it. */
function PiecePicker({ zone, selection, plan, judgement }: { zone: Zone; selection: Selection } & Shown) {
  const piece = plan.pieces.find(({ zones }) => zones.some(({ id }) => id === zone.id));
  if (!piece) return null;
  return (
    <div className="zone-piece">
      <Elevation
        zones={piece.zones}
        judged={judgement.zones}
        width={SECTION_WIDTH}
        height={PIECE}
        margin={PIECE_MARGIN}
        chosen={zone.id}
        linkTo={(zoneId) => selection.linkTo({ zone: zoneId })}
        worst={(one) => worstOf(judgement.zones.find((judged) => judged.zone.id === one.id)?.findings ?? [])}
      />
    </div>
  );
}

interface ColumnProps {
  judged: ZoneJudgement;
  selection: Selection;
  room: ReturnType<typeof columnRoom>;
  /** of the section: that of the crust as a step leaves it */
  stepId?: string | null;
  linkBase?: string;
  /** the button that folds the column */
  fold?: ReactNode;
}

/** The selected zone beside the work on it: where it is on the piece, the section through its crust, its board. */
export function ZoneColumn(props: ColumnProps) {
  const { plan, judgement } = useJob();
  // an edit is seen where it was made first; the drawings follow once that is on the screen
  return useDeferredValue(<Column {...props} plan={plan} judgement={judgement} />);
}

function Column({ judged, selection, room, stepId = null, linkBase = "", fold, plan, judgement }: ColumnProps & Shown) {
  const navigate = useNavigate();
  const { zone, crust, findings } = judged;
  const geometry = useSection({ judged, height: room.section, stepId });

  const size = { width: SECTION_WIDTH, height: room.section };
  const faults = new Map<string, Severity>();
  let surfaceFault: Severity | null = null;
  for (const { stepId, severity, surface } of findings) {
    if (surface && severity !== "note") surfaceFault = severity;
    if (surface) continue;
    const known = faults.get(stepId);
    if (severity !== "note" && (!known || SEVERITY_ORDER[severity] < SEVERITY_ORDER[known]))
      faults.set(stepId, severity);
  }
  const reach = useMemo(() => reachOnSection(judged, selection.stepId), [judged, selection.stepId]);
  const shared = zonesWithCrust(plan, crust.id).length - 1;
  const stepOf = new Map(crust.steps.map((step) => [step.id, step]));
  return (
    <section aria-label="Zone" className="zone-column">
      <div className="zone-head">
        <div className="flex items-baseline gap-2">
          <h1 className="min-w-0 flex-1 truncate text-view">{zone.name}</h1>
          <ZoneMenu selection={selection} />
          {fold}
        </div>
        <p className="truncate text-note text-soft">
          {[groundNamed(zone.ground), sayArea(zoneArea(zone)), shared > 0 ? `crust shared with ${shared} more` : ""]
            .filter(Boolean)
            .join(" · ")}
        </p>
      </div>
      <PiecePicker zone={zone} selection={selection} plan={plan} judgement={judgement} />
      <div className="zone-section">
        <SectionDrawing
          geometry={geometry}
          size={size}
          groundColour={zone.ground.colour}
          timber={isTimber(zone.ground.kind)}
          label={`Cut through the crust of ${zone.name}, ${geometry.strips.length} layers on ${groundNamed(zone.ground)}`}
          selected={selection.stepId}
          nameOf={(stepId) => stepName(plan, stepOf.get(stepId)!)}
          linkTo={(stepId) => `${linkBase}${selection.linkTo({ step: stepId })}`}
          faults={faults}
          surfaceFault={surfaceFault}
          insertOver={
            linkBase
              ? undefined
              : (stepId) =>
                  navigate(
                    selection.linkTo({
                      add: crust.steps.findIndex((step) => step.id === stepId) + 1,
                      step: null,
                    }),
                    { replace: true, preventScrollReset: true },
                  )
          }
        />
        <div className="relative h-9 text-note text-soft" aria-hidden="true" data-reach-marks={reach ? "" : undefined}>
          {geometry.landmarks.map(({ name, x }) => (
            <span key={name} className="absolute -translate-x-1/2 text-center leading-4" style={{ left: x }}>
              {name}
              {reach?.opened.get(RELIEF_OF[name]!) && (
                <span className="flex items-center justify-center gap-1 whitespace-nowrap font-semibold text-ink">
                  <span
                    className="size-2.5 rounded-full border border-edge"
                    style={{ background: reach.opened.get(RELIEF_OF[name]!)!.colour }}
                  />
                  {Math.round(reach.opened.get(RELIEF_OF[name]!)!.after * 100)} %
                </span>
              )}
            </span>
          ))}
        </div>
      </div>
      {room.withBoard && <SmallBoard judged={judged} to={`/jobs/${plan.id}/board?zone=${zone.id}`} />}
    </section>
  );
}
