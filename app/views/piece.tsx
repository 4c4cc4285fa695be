import { useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { stripOf } from "#core/judge/strip";
import { PIECE_KITS } from "#core/plan/kits";
import {
  type Piece,
  PLACES,
  type PlaceOnFace,
  type Plan,
  type Zone,
  zoneArea,
  zonesOf,
  zonesWithCrust,
} from "#core/plan/plan";
import { groundNamed } from "#core/rules/words";
import { arranged } from "~/drawing/arrange";
import { CrustStrip } from "~/drawing/crust-strip";
import { Elevation } from "~/drawing/elevation";
import { frontLayout } from "~/drawing/front-layout";
import { SEVERITY_WORDS, SeamMark, worstOf } from "~/drawing/severity";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field, TextField, useRefused } from "~/forms/edit-form-parts";
import { WhenInput } from "~/forms/when-input";
import { SHAPE_SIZES, zoneFields } from "~/forms/zone-form";
import { DIMENSION_MARGIN, FrontMeasures } from "~/parts/front-measures";
import { FrontPad } from "~/parts/front-pad";
import { GroundTestsPart } from "~/parts/ground-tests";
import { panes } from "~/parts/panes";
import { PlacePad } from "~/parts/place-pad";
import { type Selection, useSelection } from "~/parts/selection";
import { SidePane } from "~/parts/side-pane";
import { ZoneFields } from "~/parts/zone/zone-fields";
import { ZoneCrust } from "~/parts/zone-crust";
import { countOf, sayArea } from "~/words/amount";

const sayShape = ({ shape }: Zone) => {
  const sizes = SHAPE_SIZES[shape.kind].sizes.map(({ key }) => (shape as Record<string, unknown>)[key]).join(" × ");
  return `${SHAPE_SIZES[shape.kind].name.split(",")[0]!.toLowerCase()} ${sizes} mm${shape.count > 1 ? `, ${shape.count} of them` : ""}`;
};

function ZoneLine({ zone, selection }: { zone: Zone; selection: Selection }) {
  const { plan, judgement } = useJob();
  const judged = judgement.zones.find((one) => one.zone.id === zone.id);
  const chosen = selection.zone?.id === zone.id && selection.addAt === null;
  const crust = judged?.crust;
  const worst = worstOf(judged?.findings ?? []);
  return (
    <li>
      <Link
        to={selection.linkTo({ zone: zone.id })}
        replace
        preventScrollReset
        aria-current={chosen ? "true" : undefined}
        className={`grid grid-cols-[60px_minmax(0,1fr)_76px] sm:grid-cols-[60px_minmax(0,1fr)_minmax(0,1fr)_76px] items-center gap-3 border-b border-l-[3px] border-b-hair py-1.5 pr-4 pl-3 ${chosen ? "border-l-verdigris bg-board" : "border-l-transparent hover:bg-board/60"}`}
      >
        <CrustStrip layers={judged ? stripOf(judged) : []} seed={zone.id} width={56} height={30} />
        <span className="min-w-0">
          <span className="flex items-center gap-1.5">
            <span className="truncate text-[0.9375rem] font-semibold">{zone.name}</span>
            {worst && worst !== "note" && (
              <>
                <SeamMark severity={worst} width={14} />
                <span className="sr-only">: {SEVERITY_WORDS[worst].one}</span>
              </>
            )}
          </span>
          <span className="block truncate text-note text-soft">
            {groundNamed(zone.ground)}
            {zone.ground.knots > 0 ? `, ${countOf(zone.ground.knots, "knot")}` : ""}
          </span>
        </span>
        <span className="min-w-0 text-note text-soft max-sm:hidden">
          <span className="block truncate">{sayShape(zone)}</span>
          <span className="block truncate">
            {crust && `${crust.name}`}
            {crust && zonesWithCrust(plan, crust.id).length > 1 ? ", shared" : ""}
          </span>
        </span>
        <span className="text-right font-semibold">{sayArea(zoneArea(zone))}</span>
      </Link>
    </li>
  );
}

/** Zones of a standard piece, from a few measurements. */
function KitForm() {
  const { plan } = useJob();
  const refused = useRefused("add standard piece");
  const [kitId, setKit] = useState(PIECE_KITS[0]!.id);
  const kit = PIECE_KITS.find((one) => one.id === kitId) ?? PIECE_KITS[0]!;
  return (
    <details className="mt-6 border-t border-line pt-2" open={refused}>
      <summary className="py-1 font-head text-lg font-semibold">Or start from a standard piece</summary>
      <p className="mb-2 text-note text-soft">
        Adds its zones with their sizes and places; you can change all of it later.
      </p>
      <EditForm
        does="add standard piece"
        about={{ pieceId: plan.pieces[0]?.id ?? "" }}
        label="Standard piece"
        className="grid grid-cols-3 gap-3"
      >
        {({ faults }) => (
          <>
            <div className="col-span-3">
              <Field name="kit" label="Piece" fault={faults.kit}>
                {(field) => (
                  <select {...field} value={kitId} onChange={(event) => setKit(event.target.value)}>
                    {PIECE_KITS.map((one) => (
                      <option key={one.id} value={one.id}>
                        {one.name}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
            </div>
            {kit.sizes.map((size) => (
              <TextField
                key={`${kit.id}/${size.key}`}
                name={size.key}
                label={`${size.label}, mm`}
                fault={faults[size.key]}
                keys="decimal"
                value={size.usual}
              />
            ))}
            <button className="button button-main col-span-3">Add its zones</button>
          </>
        )}
      </EditForm>
    </details>
  );
}

function CrustChoice({ plan, chosen, own }: { plan: Plan; chosen?: string; own: string }) {
  return (
    <Field name="crustId" label="Crust">
      {(field) => (
        <select {...field} defaultValue={chosen ?? ""}>
          {plan.crusts.map((crust) => (
            <option key={crust.id} value={crust.id}>
              {crust.name}
            </option>
          ))}
          <option value={chosen ? "new" : ""}>{own}</option>
        </select>
      )}
    </Field>
  );
}

/** Zones that another could stay fitted to: of its piece, under the same crust, and worked by themselves. */
const hostsFor = ({ pieces }: Plan, zone: Zone): readonly Zone[] => {
  const zones = pieces.find((piece) => piece.zones.includes(zone))?.zones ?? [];
  if (zones.some(({ along }) => along === zone.id)) return [];
  return zones.filter(({ id, crustId, along }) => id !== zone.id && crustId === zone.crustId && along === undefined);
};

function ZoneForm({ zone }: { zone: Zone }) {
  const { plan } = useJob();
  return (
    <>
      <EditForm
        key={`${zone.id}/${JSON.stringify(zone)}`}
        does="patch zone"
        about={{ zoneId: zone.id }}
        label={`Zone ${zone.name}`}
        autosave
      >
        {({ faults, values }) => (
          <div className="flex flex-col gap-5">
            <ZoneFields values={values ?? zoneFields(zone)} faults={faults} zone={zone} hosts={hostsFor(plan, zone)} />
            <CrustChoice plan={plan} chosen={zone.crustId} own="a new crust of its own" />
            <noscript>
              <button className="button button-main" type="submit">
                Save the zone
              </button>
            </noscript>
          </div>
        )}
      </EditForm>
      {zonesOf(plan).length > 1 && (
        <EditForm does="remove zone" about={{ zoneId: zone.id }} className="mt-4">
          <button className="button">Remove this zone</button>
        </EditForm>
      )}
    </>
  );
}

function NewZone() {
  const { plan } = useJob();
  return (
    <EditForm does="add zone" about={{ pieceId: plan.pieces[0]?.id ?? "" }} label="New zone">
      {({ faults, values }) => (
        <div className="flex flex-col gap-5">
          <ZoneFields values={values ?? {}} faults={faults} />
          <CrustChoice plan={plan} own="a new crust of its own" />
          <button className="button button-main">Add the zone</button>
        </div>
      )}
    </EditForm>
  );
}

function JobForm() {
  const { plan } = useJob();
  return (
    <EditForm
      key={`${plan.title}/${plan.client}/${plan.start}/${plan.due}`}
      does="set job"
      autosave
      label="The job"
      className="grid grid-cols-2 gap-3"
    >
      {({ faults, values }) => (
        <>
          {(
            [
              ["title", "Job", "text", plan.title],
              ["client", "Client", "text", plan.client ?? ""],
              ["start", "Work can begin", "datetime-local", plan.start],
              ["due", "Due", "datetime-local", plan.due ?? ""],
            ] as const
          ).map(([name, label, type, value]) => (
            <Field key={name} name={name} label={label} fault={faults[name]}>
              {(field) => {
                const given = values?.[name] ?? value;
                return type === "text" ? (
                  <input {...field} type={type} defaultValue={given} />
                ) : (
                  <WhenInput {...field} type={type} defaultValue={given} />
                );
              }}
            </Field>
          ))}
          <noscript className="col-span-2">
            <button className="button" type="submit">
              Save the job
            </button>
          </noscript>
        </>
      )}
    </EditForm>
  );
}

const DRAWING = { width: 750, height: 420 };

type Pad = { draws: "place"; zone: Zone; place: PlaceOnFace } | { draws: "zone" } | { draws: "where"; zone: Zone };

/** What is being drawn, as the address says: a place on the selected zone, a new zone, or where the zone stands. */
function usePad({ zone, addAt }: Selection): Pad | null {
  const [params] = useSearchParams();
  const draws = params.get("draw");
  if (draws === "zone") return { draws };
  if (!zone || addAt !== null) return null;
  if (draws === "where") return { draws, zone };
  const place = PLACES.find((one) => one === draws);
  return place ? { draws: "place", zone, place } : null;
}

/** The front of the piece: the zones to choose from, the sizes of the selected one on its dimension lines. */
function Front({ piece, selection, chosen }: { piece: Piece; selection: Selection; chosen: string | undefined }) {
  const { judgement } = useJob();
  const shown = useMemo(() => arranged(piece.zones), [piece.zones]);
  const layout = frontLayout(
    shown.map(({ place }) => place),
    DRAWING,
    DIMENSION_MARGIN,
  );
  const measured = shown.find(({ id }) => id === chosen);
  return (
    <div className="flex justify-center border-b border-line px-4">
      <div className="relative max-w-full">
        <Elevation
          zones={piece.zones}
          judged={judgement.zones}
          {...DRAWING}
          margin={DIMENSION_MARGIN}
          chosen={chosen}
          linkTo={(zoneId) => selection.linkTo({ zone: zoneId })}
          worst={(zone) => worstOf(judgement.zones.find((one) => one.zone.id === zone.id)?.findings ?? [])}
          rodded={!measured}
        />
        {measured && <FrontMeasures zone={measured} layout={layout} {...DRAWING} />}
      </div>
    </div>
  );
}

/** What is over the list of zones: the piece from the front, or what is being drawn on it. */
function FrontOrPad({
  piece,
  selection,
  pad,
  isAdding,
}: {
  piece: Piece;
  selection: Selection;
  pad: Pad | null;
  isAdding: boolean;
}) {
  const { judgement } = useJob();
  const isHere = pad && (pad.draws === "zone" ? true : piece.zones.includes(pad.zone));
  if (isHere && pad.draws === "place")
    return (
      <PlacePad
        key={`${pad.zone.id} ${pad.place}`}
        zone={pad.zone}
        place={pad.place}
        width={DRAWING.width}
        judged={judgement.zones.find((one) => one.zone.id === pad.zone.id)}
        back={selection.linkTo({ zone: pad.zone.id })}
      />
    );
  if (isHere)
    return (
      <FrontPad
        key={pad.draws === "where" ? pad.zone.id : ""}
        piece={piece}
        zone={pad.draws === "where" ? pad.zone : undefined}
        judged={judgement.zones}
        {...DRAWING}
        selection={selection}
      />
    );
  if (piece.zones.length === 0) return null;
  return <Front piece={piece} selection={selection} chosen={isAdding ? undefined : selection.zone?.id} />;
}

export default function PieceView() {
  const { plan } = useJob();
  const selection = useSelection();
  const zones = zonesOf(plan);
  const adding = selection.addAt !== null || zones.length === 0;
  const pad = usePad(selection);
  const [params] = useSearchParams();
  const chosenInAddress = params.get("zone");
  const jobRefused = useRefused("set job");
  return (
    <div className="panes" style={panes("minmax(0, 1fr) 480px")}>
      <section className="pane pb-8" aria-label="Zones of the piece">
        {plan.pieces.map((piece) => (
          <div key={piece.id}>
            <div className="flex flex-wrap items-baseline gap-x-4 px-6 pt-4 max-sm:px-4">
              <h1 className="text-view">{piece.name}</h1>
              <span className="flex-1 text-note text-soft">
                {countOf(piece.zones.length, "zone")} ·{" "}
                {sayArea(piece.zones.reduce((sum, zone) => sum + zoneArea(zone), 0))} to cover
              </span>
              <Link to={`/jobs/${plan.id}/photo`} className="font-semibold text-verdigris hover:underline">
                {plan.photos?.length ? "On the photo" : "Measure off a photo"}
              </Link>
              {piece.zones.some(({ id }) => id === selection.zone?.id) && (
                <Link
                  to={`?${new URLSearchParams({ zone: selection.zone!.id, draw: "where" })}`}
                  replace
                  preventScrollReset
                  className="font-semibold text-verdigris hover:underline"
                >
                  Move
                  <span className="sr-only"> {selection.zone!.name}</span>
                </Link>
              )}
              <Link to="?draw=zone" replace preventScrollReset className="font-semibold text-verdigris hover:underline">
                Draw zone
              </Link>
              <Link
                to={selection.linkTo({ add: 0 })}
                replace
                preventScrollReset
                className="font-semibold text-verdigris hover:underline"
              >
                Add zone
              </Link>
            </div>
            <FrontOrPad piece={piece} selection={selection} pad={pad} isAdding={adding} />
            <ul className="pl-3">
              {piece.zones.map((zone) => (
                <ZoneLine key={zone.id} zone={zone} selection={selection} />
              ))}
            </ul>
          </div>
        ))}
        <details className="mx-6 mt-5 border-t border-line" open={jobRefused}>
          <summary className="py-2">
            <span className="font-head text-lg font-semibold">The job</span>{" "}
            <span className="ml-2 text-note text-soft">{plan.client ?? "no client yet"}</span>
          </summary>
          <div className="pt-1 pb-4">
            <JobForm />
          </div>
        </details>
      </section>
      <SidePane
        label="Selected zone"
        button={adding ? "New zone" : (selection.zone?.name ?? "Zone")}
        wake={`${selection.addAt ?? ""} ${chosenInAddress ?? ""}`.trim()}
        className="px-5 py-4"
      >
        <h2 className="mb-3 text-view">{adding ? "New zone" : selection.zone?.name}</h2>
        {adding ? (
          <>
            <NewZone />
            <KitForm />
          </>
        ) : (
          selection.zone && (
            <>
              <ZoneForm zone={selection.zone} />
              <GroundTestsPart zone={selection.zone} />
              <ZoneCrust zone={selection.zone} />
            </>
          )
        )}
      </SidePane>
    </div>
  );
}
