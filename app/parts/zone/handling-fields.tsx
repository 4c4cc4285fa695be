import { Link } from "react-router";
import type { Zone } from "#core/plan/plan";
import { otherHandling, takesOf } from "#core/schedule/handling";
import { sayDuration } from "#core/units/duration";
import { HANDS } from "~/forms/zone-form";
import { FieldGroup } from "../plain-field";
import { Choice } from "./choice";
import type { ZoneFieldsProps } from "./zone-fields-props";

/** What one way of handling a zone takes, before and after its coats together. */
const sayTakes = (zone: Zone, way: Zone["hands"][number]) => {
  const { before, after } = takesOf(zone, way);
  return sayDuration(before + after);
};

/** Masking or taking off, whichever this zone does not have, with the quicker of the two. */
function OtherHandling({ zone }: { zone: Zone }) {
  const ways = otherHandling(zone);
  if (!ways || ways.masked === ways.off) return null;
  const masked = ways.masked < ways.off;
  return (
    <p className="col-span-6 text-note text-soft">
      {masked
        ? `Masking it takes ${sayDuration(ways.masked)}, ${sayDuration(ways.off - ways.masked)} less than taking it off and refitting it.`
        : `Taking it off and refitting it takes ${sayDuration(ways.off)}, ${sayDuration(ways.masked - ways.off)} less than masking.`}
    </p>
  );
}

/** What is taken apart or masked before work on a zone, and what it stays fitted to. */
export function HandlingFields({ values, faults, zone, hosts = [] }: ZoneFieldsProps) {
  return (
    <FieldGroup title="Taking apart" says="before work on this zone; a part taken off lies flat and needs no tape">
      {HANDS.map((hand) => (
        <label key={hand} className="col-span-3 flex min-h-6 items-center gap-2">
          <input
            type="checkbox"
            name="hands"
            value={hand}
            defaultChecked={(values.hands ?? "").split(",").includes(hand)}
            className="size-4 accent-verdigris"
          />
          {hand}
          {zone && <span className="text-note text-soft">{sayTakes(zone, hand)}</span>}
        </label>
      ))}
      {zone && <OtherHandling zone={zone} />}
      <Link to="/hardware" className="link col-span-6 text-note">
        Handles and knobs: holes, screws, a template to print
      </Link>
      {hosts.length > 0 && (
        <div className="col-span-6">
          <Choice
            name="along"
            label="Worked"
            values={values}
            faults={faults}
            usual=""
            choices={[
              ["", "by itself"],
              ...hosts.map(({ id, name }) => [id, `fitted to ${name}, and along with it`] as const),
            ]}
          />
        </div>
      )}
    </FieldGroup>
  );
}
