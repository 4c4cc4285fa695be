import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { type Piece, PLACES, type PlaceOnFace, type Zone } from "#core/plan/plan";
import { arranged } from "~/drawing/arrange";
import { Elevation } from "~/drawing/elevation";
import { frontLayout } from "~/drawing/front-layout";
import { worstOf } from "~/drawing/severity";
import { useJob } from "~/editor/job-editor";
import type { Selection } from "~/parts/selection";
import { DIMENSION_MARGIN, FrontMeasures } from "./front-measures";
import { FrontPad } from "./front-pad";
import { PlacePad } from "./place-pad";

const DRAWING = { width: 750, height: 420 };

type Pad =
  | { draws: "place"; zone: Zone; place: PlaceOnFace }
  | { draws: "zone"; pieceId: string }
  | { draws: "where"; zone: Zone };

/** What is being drawn, as the address says: a place on the selected zone, a new zone, or where the zone stands. */
export function usePad({ zone, addAt }: Selection): Pad | null {
  const { plan } = useJob();
  const [params] = useSearchParams();
  const draws = params.get("draw");
  if (draws === "zone") {
    const piece = plan.pieces.find(({ id }) => id === params.get("piece")) ?? plan.pieces[0];
    return piece ? { draws, pieceId: piece.id } : null;
  }
  if (!zone || addAt !== null) return null;
  if (draws === "where") return { draws, zone };
  const place = PLACES.find((place) => place === draws);
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
          worst={(zone) =>
            worstOf(judgement.zones.find((zoneJudgement) => zoneJudgement.zone.id === zone.id)?.findings ?? [])
          }
          rodded={!measured}
        />
        {measured && <FrontMeasures zone={measured} layout={layout} {...DRAWING} />}
      </div>
    </div>
  );
}

/** What is over the list of zones: the piece from the front, or what is being drawn on it. */
export function FrontOrPad({
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
  const isHere = pad && (pad.draws === "zone" ? pad.pieceId === piece.id : piece.zones.includes(pad.zone));
  if (isHere && pad.draws === "place")
    return (
      <PlacePad
        key={`${pad.zone.id} ${pad.place}`}
        zone={pad.zone}
        place={pad.place}
        width={DRAWING.width}
        judged={judgement.zones.find((zone) => zone.zone.id === pad.zone.id)}
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
