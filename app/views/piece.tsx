import { Link, useSearchParams } from "react-router";
import { zoneArea, zonesOf } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";
import { useRefused } from "~/forms/edit-form-parts";
import { GroundTestsPart } from "~/parts/ground-tests";
import { panes } from "~/parts/panes";
import { useSelection } from "~/parts/selection";
import { SidePane } from "~/parts/side-pane";
import { ZoneCrust } from "~/parts/zone-crust";
import { FrontOrPad, usePad } from "~/piece/front";
import { JobForm } from "~/piece/job-form";
import { KitForm, NewZone, ZoneForm } from "~/piece/zone-forms";
import { ZoneLine } from "~/piece/zone-line";
import { countOf, sayArea } from "~/words/amount";

export default function PieceView() {
  const { plan } = useJob();
  const selection = useSelection();
  const zones = zonesOf(plan);
  const pad = usePad(selection);
  const adding = selection.addAt !== null || zones.length === 0 || pad?.draws === "zone";
  const [params] = useSearchParams();
  const chosenInAddress = params.get("zone");
  // the piece that was asked for; otherwise that of the selected zone
  const onto =
    plan.pieces.find(({ id }) => id === params.get("piece")) ??
    plan.pieces.find((piece) => piece.zones.some(({ id }) => id === selection.zone?.id)) ??
    plan.pieces[0];
  const jobRefused = useRefused("set job");
  return (
    <div className="panes" style={panes("minmax(0, 1fr) 480px")}>
      <section className="pane pb-8" aria-label="Zones of the piece">
        {plan.pieces.map((piece) => (
          <div key={piece.id}>
            <div className="flex flex-wrap items-baseline gap-x-4 px-6 pt-4 max-sm:px-4">
              <h1 className="text-view">{piece.name}</h1>
              <span className="flex-1 text-note text-soft max-sm:basis-full">
                {countOf(piece.zones.length, "zone")} ·{" "}
                {sayArea(piece.zones.reduce((sum, zone) => sum + zoneArea(zone), 0))} to cover
              </span>
              <Link to={`/jobs/${plan.id}/photo`} className="font-semibold text-verdigris hover:underline">
                {plan.photos?.length ? "On the photo" : "Measure off a photo"}
              </Link>
              {!adding && piece.zones.some(({ id }) => id === selection.zone?.id) && (
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
              <Link
                to={`?${new URLSearchParams({ draw: "zone", piece: piece.id })}`}
                replace
                preventScrollReset
                className="font-semibold text-verdigris hover:underline"
              >
                Draw zone
              </Link>
              <Link
                to={`${selection.linkTo({ add: 0 })}&${new URLSearchParams({ piece: piece.id })}`}
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
                <ZoneLine
                  key={zone.id}
                  zone={zone}
                  chosen={!adding && zone.id === selection.zone?.id}
                  selection={selection}
                />
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
            <NewZone key={`new zone ${onto?.id}`} onto={onto} />
            <KitForm key={`ready piece ${onto?.id}`} onto={onto} />
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
