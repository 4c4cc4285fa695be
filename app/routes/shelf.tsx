import { shop } from "#core/judge/shop";
import { LOSS_ON_TOOLS } from "#core/quantity/spread";
import { Swatch } from "~/drawing/swatch";
import { useJob } from "~/editor/job-editor";
import { jobAction } from "~/http/job-action.server";
import { SectionPanel, useSection } from "~/parts/section-panel";
import { useSelection } from "~/parts/selection";
import { Explained } from "~/parts/term";
import { countOf, sayArea, sayVolume } from "~/words/amount";
import type { Route } from "./+types/shelf";

export const action = ({ request, params }: Route.ActionArgs) => jobAction(request, params);

const SECTION_HEIGHT = 430;

export default function ShelfRoute() {
  const { plan } = useJob();
  const selection = useSelection();
  const geometry = useSection(selection.judged, SECTION_HEIGHT);
  const needs = shop(plan);
  return (
    <div className="grid h-full grid-cols-[336px_minmax(0,1fr)]">
      <div className="min-h-0 border-r border-line">
        {selection.judged && (
          <SectionPanel
            judged={selection.judged}
            geometry={geometry}
            selection={selection}
            height={SECTION_HEIGHT}
            linkBase={`/jobs/${plan.id}/crust`}
          />
        )}
      </div>
      <section className="min-h-0 overflow-y-auto px-8 pt-4 pb-8" aria-label="What the job needs">
        <h2 className="text-view">What the job needs</h2>
        <p className="mb-4 text-note text-soft">
          <Explained
            text={`From area, coats and spreading rate, with ${Math.round(LOSS_ON_TOOLS * 100)} % more for what stays in brush and kettle. Amounts are straight from the tin, before thinning.`}
          />
        </p>
        {needs.length === 0 ? (
          <p className="max-w-md border-l-4 border-l-edge bg-board px-4 py-3">
            No coats yet. Add the first step to the crust, and its amount shows here.
          </p>
        ) : (
          <table className="w-full max-w-4xl">
            <thead className="border-b border-line text-left text-note text-soft">
              <tr>
                <th scope="col" className="py-1.5 pr-4 font-normal">
                  Material
                </th>
                <th scope="col" className="py-1.5 pr-4 text-right font-normal">
                  Amount
                </th>
                <th scope="col" className="py-1.5 pr-4 text-right font-normal">
                  Spreads
                </th>
                <th scope="col" className="py-1.5 pr-4 font-normal">
                  Used on
                </th>
              </tr>
            </thead>
            <tbody>
              {needs.map(({ material, millilitres, uses }) => (
                <tr key={material.id} className="border-b border-hair align-top">
                  <th scope="row" className="py-2.5 pr-4 text-left">
                    <span className="flex items-center gap-2.5">
                      <Swatch material={material} />
                      <span>
                        <span className="block font-semibold">{material.name}</span>
                        <span className="block text-note font-normal text-soft">{material.family}</span>
                      </span>
                    </span>
                  </th>
                  <td className="py-2.5 pr-4 text-right text-lg font-semibold whitespace-nowrap">
                    {sayVolume(millilitres)}
                  </td>
                  <td
                    className="py-2.5 pr-4 text-right whitespace-nowrap"
                    title={`spreading rate: ${material.spreadingRate.origin}`}
                  >
                    {material.spreadingRate.typical} m²/L
                    <span className="block text-note text-soft">{material.spreadingRate.origin}</span>
                  </td>
                  <td className="py-2.5 text-note">
                    {uses.map((use) => (
                      <span
                        key={`${use.zoneId}/${use.step}/${use.coats}/${use.millilitres}`}
                        className="flex justify-between gap-4"
                      >
                        <span>
                          {use.zone}{" "}
                          <span className="text-soft">
                            · {use.step.toLowerCase()}, {countOf(use.coats, "coat")}, {sayArea(use.area)}
                          </span>
                        </span>
                        <span className="whitespace-nowrap text-soft">{sayVolume(use.millilitres)}</span>
                      </span>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
    </div>
  );
}
