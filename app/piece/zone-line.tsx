import { Link } from "react-router";
import { stripOf } from "#core/judge/strip";
import { type Zone, zoneArea, zonesWithCrust } from "#core/plan/plan";
import { groundNamed } from "#core/rules/words";
import { CrustStrip } from "~/drawing/crust-strip";
import { SEVERITY_WORDS, SeamMark, worstOf } from "~/drawing/severity";
import { useJob } from "~/editor/job-editor";
import { SHAPE_SIZES } from "~/forms/zone-form";
import type { Selection } from "~/parts/selection";
import { countOf, sayArea } from "~/words/amount";

const sayShape = ({ shape }: Zone) => {
  const sizes = SHAPE_SIZES[shape.kind].sizes.map(({ key }) => (shape as Record<string, unknown>)[key]).join(" × ");
  return `${SHAPE_SIZES[shape.kind].name.split(",")[0]!.toLowerCase()} ${sizes} mm${shape.count > 1 ? `, ${shape.count} of them` : ""}`;
};

export function ZoneLine({ zone, chosen, selection }: { zone: Zone; chosen: boolean; selection: Selection }) {
  const { plan, judgement } = useJob();
  const judged = judgement.zones.find((zoneJudgement) => zoneJudgement.zone.id === zone.id);
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
